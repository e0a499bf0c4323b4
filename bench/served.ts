import { spawn } from 'node:child_process';
import { existsSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { chromium, type Browser } from '@playwright/test';

const ROOT = fileURLToPath(new URL('..', import.meta.url));
const CHROMIUM = process.env['CHROMIUM_PATH'] ?? '/usr/bin/chromium';

/** Whether the real page can be measured: it is built, and Debian's Chromium is there. */
export const canServe = (): boolean => existsSync(`${ROOT}web/dist/index.html`) && existsSync(CHROMIUM);

/** Runs the server as it is delivered, on a free port, and a browser; both end with what is run. */
export async function whileServed<T>(
  isDemo: boolean,
  run: (address: string, browser: Browser) => Promise<T>,
): Promise<T> {
  const server = spawn(process.execPath, ['--import', 'tsx', 'server/main.ts'], {
    cwd: ROOT,
    env: { ...process.env, PORT: '0', PINCER_DEMO: isDemo ? '1' : '' },
    stdio: ['ignore', 'pipe', 'inherit'],
  });
  try {
    const address = await new Promise<string>((resolve, reject) => {
      server.stdout.once('data', (said: Buffer) => {
        const found = /http:\/\/localhost:\d+/.exec(said.toString());
        if (found) resolve(found[0]);
        else reject(new Error(`The server said: ${said.toString()}`));
      });
    });
    const browser = await chromium.launch({
      executablePath: CHROMIUM,
      args: ['--disable-background-networking', '--no-sandbox'],
    });
    try {
      return await run(address, browser);
    } finally {
      await browser.close();
    }
  } finally {
    server.kill();
  }
}
