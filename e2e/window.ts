import { test as base, type Page } from '@playwright/test';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { CHROMIUM } from '../playwright.config.ts';
import { EMPTY_PAGE, keepsIn } from './stored.ts';

export { expect, type Locator, type Page } from '@playwright/test';

/**
 * Code that was compiled is kept in a profile, but not used where scripts are compiled anew in the background while they come.
 * The switch takes the place of the runner's own; what matters here of those is named again.
 */
const LEFT_OUT = [
  'BackgroundResourceFetch',
  'PaintHolding',
  'AvoidUnnecessaryBeforeUnloadCheckSync',
  'HttpsUpgrades',
  'ThirdPartyStoragePartitioning',
];

/**
 * Tests that ask for nothing special of the browser share its window: each has a page of its own and finds every storage
 * empty, as in a new profile, but what the browser has read and compiled of the program it has not to read again; only a
 * window with a profile keeps that. A test that changes the window itself (its language, its workers, its network) takes the
 * runner's own.
 */
export const test = base.extend<object, { opener: Page }>({
  opener: [
    async ({ playwright }, use, info) => {
      const { actionTimeout = 0, ...asked } = info.project.use;
      const profile = mkdtempSync(join(tmpdir(), 'pincer-window-'));
      const context = await playwright.chromium.launchPersistentContext(profile, {
        ...(asked as Parameters<typeof playwright.chromium.launchPersistentContext>[1]),
        ...CHROMIUM,
        args: [...CHROMIUM.args, `--disable-features=${LEFT_OUT.join(',')}`],
      });
      context.setDefaultTimeout(actionTimeout);
      const page = context.pages()[0] ?? (await context.newPage());
      // Only from a page of the program's own does the browser open others that share its code.
      await page.goto(EMPTY_PAGE);
      keepsIn(page);
      await use(page);
      await context.close();
      rmSync(profile, { recursive: true, force: true });
    },
    { scope: 'worker' },
  ],
  context: async ({ opener }, use) => {
    await use(opener.context());
  },
  page: async ({ opener, baseURL, viewport }, use) => {
    const context = opener.context();
    const opened = context.waitForEvent('page');
    await opener.evaluate((path) => void window.open(path), EMPTY_PAGE);
    const page = await opened;
    await page.waitForLoadState();
    if (viewport) await page.setViewportSize(viewport);
    await use(page);
    for (const each of context.pages()) if (each !== opener) await each.close();
    await context.clearPermissions();
    await opener.evaluate(() => sessionStorage.clear());
    const session = await context.newCDPSession(opener);
    await session.send('Storage.clearDataForOrigin', {
      origin: new URL(baseURL ?? opener.url()).origin,
      storageTypes: 'all',
    });
    await session.detach();
  },
});
