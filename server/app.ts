import express, { type Express } from 'express';
import { existsSync } from 'node:fs';
import { join } from 'node:path';

export interface AppOptions {
  /** Folder with the built pages. */
  pages: string;
  /** Whether an empty logbook is filled with the example. */
  isDemo: boolean;
  /** Ports that the bridge to network adapters may reach; empty when there is none. */
  bridgePorts: readonly number[];
}

/** Serves the built application. Everything that the owner records stays in their browser. */
export function createApp({ pages, isDemo, bridgePorts }: AppOptions): Express {
  const app = express();
  app.disable('x-powered-by');
  app.use((_, response, next) => {
    response.setHeader('X-Content-Type-Options', 'nosniff');
    response.setHeader('Referrer-Policy', 'no-referrer');
    response.setHeader(
      'Content-Security-Policy',
      "default-src 'self'; style-src 'self' 'unsafe-inline'; img-src 'self' data: blob:; worker-src 'self' blob:; connect-src 'self'",
    );
    next();
  });
  app.get('/api/config', (_, response) => {
    response.json({ demo: isDemo, bridgePorts });
  });
  app.use('/api', (_, response) => {
    response.status(404).json({ error: 'not-found' });
  });
  app.use(
    express.static(pages, {
      index: false,
      setHeaders: (response, path) => {
        // Files with a hash in their name never change; the page and the service worker must be asked for again.
        response.setHeader(
          'Cache-Control',
          path.includes(`${join('dist', 'assets')}`) ? 'public, max-age=31536000, immutable' : 'no-cache',
        );
      },
    }),
  );
  app.get('/{*path}', (_, response) => {
    const page = join(pages, 'index.html');
    if (!existsSync(page)) {
      response.status(503).type('text/plain').send('The pages are not built yet. Run: npm run build');
      return;
    }
    response.setHeader('Cache-Control', 'no-cache');
    response.sendFile(page);
  });
  return app;
}
