import { chromium, type Browser, type Page } from '@playwright/test';
import { spawn, type ChildProcess } from 'node:child_process';
import { existsSync, readFileSync, rmSync } from 'node:fs';
import type { Server } from 'node:net';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { BRIDGE_DEFAULTS } from '../server/bridge.ts';
import { createPincer } from '../server/serve.ts';
import { CHROMIUM } from '../playwright.config.ts';
import { chosenAt, type Random } from './chance.ts';

export const PAGES = fileURLToPath(new URL('../web/dist', import.meta.url));

export const listening = (server: { listen: (port: number, host: string, done: () => void) => unknown }) =>
  new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
export const portOf = (server: Server): number => {
  const address = server.address();
  if (address === null || typeof address === 'string') throw new Error('No port.');
  return address.port;
};

/**
 * Serves the built pages, to this machine alone.
 * @param bridgePorts ports of adapters that its bridge may reach. @returns its address.
 */
export async function serve(bridgePorts: number[] = []): Promise<string> {
  const server = createPincer(
    { pages: PAGES, isDemo: false, bridgePorts },
    { ...BRIDGE_DEFAULTS, ports: bridgePorts, hosts: [] },
  );
  await listening(server);
  server.unref();
  return `http://127.0.0.1:${portOf(server)}`;
}

export const pause = (ms: number) => new Promise<void>((resolve) => setTimeout(resolve, ms));

/** A browser in a process of its own, which can be killed outright. */
export class Victim {
  private constructor(
    private readonly process: ChildProcess,
    private readonly browser: Browser,
    readonly page: Page,
  ) {}

  static async start(profile: string, address: string): Promise<Victim> {
    const portFile = join(profile, 'DevToolsActivePort');
    rmSync(portFile, { force: true });
    const child = spawn(
      CHROMIUM.executablePath,
      [
        ...CHROMIUM.args,
        '--headless=new',
        // On a low screen the bar gives way while the page is scrolled, and with it what is looked at here.
        '--window-size=1280,1000',
        '--remote-debugging-port=0',
        `--user-data-dir=${profile}`,
        'about:blank',
      ],
      { detached: true, stdio: 'ignore' },
    );
    for (
      let tries = 0;
      !existsSync(portFile) || readFileSync(portFile, 'utf8').split('\n').length < 2;
      tries++
    ) {
      if (tries > 300) throw new Error('Chromium did not start.');
      await pause(50);
    }
    const port = readFileSync(portFile, 'utf8').split('\n')[0];
    const browser = await chromium.connectOverCDP(`http://127.0.0.1:${port}`);
    const context = browser.contexts()[0];
    if (!context) throw new Error('Chromium has no window.');
    const page = context.pages()[0] ?? (await context.newPage());
    page.setDefaultTimeout(20_000);
    await page.goto(address);
    return new Victim(child, browser, page);
  }

  /** As its owner closes it. */
  async quit(): Promise<void> {
    const gone = new Promise((resolve) => this.process.once('exit', resolve));
    const session = await this.browser.newBrowserCDPSession();
    await session.send('Browser.close').catch(() => undefined);
    await gone;
  }

  /** Every process of it at once, without a word, as when the power goes. */
  async kill(): Promise<void> {
    const gone = new Promise((resolve) => this.process.once('exit', resolve));
    if (this.process.pid !== undefined) process.kill(-this.process.pid, 'SIGKILL');
    await gone;
    await this.browser.close().catch(() => undefined);
  }
}

/** Opens a case for a new vehicle. @returns its part of the address. */
export async function openCase(page: Page): Promise<string> {
  await page.getByRole('link', { name: 'A light came on' }).first().click();
  await page.getByLabel('Make and model').fill('Tarrow Finch 1.4');
  await page.getByLabel('Year').fill('2012');
  await page.getByRole('button', { name: 'Open the case' }).click();
  await page.getByRole('heading', { name: 'Which light is on, and how does it run?' }).waitFor();
  return /case\/[^/]+/.exec(page.url())?.[0] ?? '';
}

/** Taps lamps and signs, as fast as a hand can. */
export async function enter(page: Page, random: Random): Promise<void> {
  const radios = page.getByRole('radio');
  const count = await radios.count();
  for (let n = 2 + chosenAt(random, 5); n > 0; n--)
    await radios
      .nth(chosenAt(random, Math.min(24, count)))
      .click({ timeout: 2_000 })
      .catch(() => undefined);
}
