import { bulletinsFor } from './bulletins.ts';
import compression from 'compression';
import expressStaticGzip from 'express-static-gzip';
import express, { type ErrorRequestHandler, type Express } from 'express';
import helmet from 'helmet';
import { existsSync } from 'node:fs';
import { join, sep } from 'node:path';

export interface AppOptions {
  /** Folder with the built pages. */
  pages: string;
  /** Folder with the scripts and styles of the builds before: a page that is open keeps finding its own. */
  before?: string;
  /** Whether an empty logbook is filled with the example. */
  isDemo: boolean;
  /** Ports that the bridge to network adapters may reach; empty when there is none. */
  bridgePorts: readonly number[];
}

/** Addresses that name a file: when it is missing, the page in its place would only confuse whoever asked. */
const NAMES_A_FILE =
  /^\/(?:assets|demo)\/|\.(?:js|mjs|css|map|json|svg|png|ico|woff2?|txt|webmanifest|wasm)$/i;

/** Serves the built application. Everything that the owner records stays in their browser. */
export function createApp({ pages, before, isDemo, bridgePorts }: AppOptions): Express {
  const app = express();
  app.disable('x-powered-by');
  app.use(
    helmet({
      contentSecurityPolicy: {
        useDefaults: false,
        directives: {
          defaultSrc: ["'self'"],
          styleSrc: ["'self'", "'unsafe-inline'"],
          imgSrc: ["'self'", 'data:', 'blob:'],
          workerSrc: ["'self'", 'blob:'],
          connectSrc: ["'self'"],
          objectSrc: ["'none'"],
          baseUri: ["'self'"],
          formAction: ["'self'"],
          frameAncestors: ["'none'"],
        },
      },
      frameguard: { action: 'deny' },
      // Over plain http in a home network there is nothing to be strict about, and a browser would only warn.
      strictTransportSecurity: false,
      crossOriginOpenerPolicy: false,
      originAgentCluster: false,
      // Said to browsers and plug-ins that cannot run the application; on a weak signal the bytes count.
      xDownloadOptions: false,
      xPermittedCrossDomainPolicies: false,
      xXssProtection: false,
    }),
  );
  app.use((request, response, next) => {
    if (request.method === 'GET' || request.method === 'HEAD') {
      next();
      return;
    }
    response
      .status(405)
      .setHeader('Allow', 'GET, HEAD')
      .type('text/plain')
      .send('This server only gives out pages.');
  });
  // What is not built beforehand: short answers, and the files of earlier builds.
  app.use(compression());
  app.get('/api/config', (_, response) => {
    response.setHeader('Cache-Control', 'no-store');
    response.json({ demo: isDemo, bridgePorts });
  });
  app.get('/api/bulletins', (request, response) => {
    const found = bulletinsFor(request.query);
    response.setHeader('Cache-Control', 'no-store');
    if (found) response.json(found);
    else response.status(400).json({ error: 'bad-question' });
  });
  app.use('/api', (_, response) => {
    response.status(404).json({ error: 'not-found' });
  });
  const assets = join(pages, 'assets') + sep;
  app.use(
    // The build has packed each file as tightly as it can be; to do so at each request would take longer than to send it.
    expressStaticGzip(pages, {
      index: false,
      enableBrotli: true,
      orderPreference: ['br', 'gz'],
      serveStatic: {
        setHeaders: (response, path) => {
          // Files with a hash in their name never change; the page and the service worker must be asked for again.
          response.setHeader(
            'Cache-Control',
            path.startsWith(assets) ? 'public, max-age=31536000, immutable' : 'no-cache',
          );
        },
      },
    }),
  );
  if (before !== undefined)
    app.use(
      '/assets',
      express.static(before, { index: false, immutable: true, maxAge: '365d', redirect: false }),
    );
  app.get('/{*path}', (request, response) => {
    if (NAMES_A_FILE.test(request.path)) {
      response
        .status(404)
        .setHeader('Cache-Control', 'no-store')
        .type('text/plain')
        .send('There is no such file.');
      return;
    }
    const page = join(pages, 'index.html');
    if (!existsSync(page)) {
      response.status(503).type('text/plain').send('The pages are not built yet. Run: npm run build');
      return;
    }
    response.setHeader('Cache-Control', 'no-cache');
    response.sendFile(page);
  });
  const onError: ErrorRequestHandler = (error: unknown, _request, response, next) => {
    if (response.headersSent) {
      next(error);
      return;
    }
    const status = statusOf(error);
    response
      .status(status)
      .type('text/plain')
      .send(status < 500 ? 'This address cannot be read.' : 'This page could not be given out. Try again.');
  };
  app.use(onError);
  return app;
}

/** The HTTP status that an error of Express carries; 500 for any other. */
function statusOf(error: unknown): number {
  const status = typeof error === 'object' && error !== null && 'status' in error ? error.status : null;
  return typeof status === 'number' && status >= 400 && status < 600 ? status : 500;
}
