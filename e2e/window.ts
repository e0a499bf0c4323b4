import { test as base, type Page } from '@playwright/test';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { CHROMIUM } from '../playwright.config.ts';
import { example } from './helpers.ts';
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
 * For a test that changes the window itself (its language, its workers, its network): it has its own. The browser is the one
 * of all tests of a worker, so that no file of tests begins with a new one.
 */
export const ownWindow = base.extend<object, { opener: Page }>({
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
  browser: [
    async ({ opener }, use) => {
      const browser = opener.context().browser();
      if (!browser) throw new Error('The window belongs to no browser.');
      await use(browser);
    },
    { scope: 'worker' },
  ],
});

/** Opens a page of the window that tests share, and waits until it is there. */
async function opened(opener: Page, viewport: { width: number; height: number } | null): Promise<Page> {
  const coming = opener.context().waitForEvent('page');
  await opener.evaluate((path) => void window.open(path), EMPTY_PAGE);
  const page = await coming;
  await page.waitForLoadState();
  if (viewport) await page.setViewportSize(viewport);
  return page;
}

const others = (opener: Page): Page[] =>
  opener
    .context()
    .pages()
    .filter((each) => each !== opener);

/** Leaves the window as a new one: no page but the first, nothing stored, nothing allowed. */
async function emptied(opener: Page): Promise<void> {
  const context = opener.context();
  for (const each of others(opener)) await each.close();
  await context.clearPermissions();
  await opener.evaluate(() => sessionStorage.clear());
  const session = await context.newCDPSession(opener);
  await session.send('Storage.clearDataForOrigin', {
    origin: new URL(opener.url()).origin,
    storageTypes: 'all',
  });
  await session.detach();
}

/**
 * Tests that ask for nothing special of the browser share its window: each has a page of its own and finds every storage
 * empty, as in a new profile, but what the browser has read and compiled of the program it has not to read again; only a
 * window with a profile keeps that.
 */
export const test = ownWindow.extend<{ filled: Page }>({
  context: async ({ opener }, use) => {
    await use(opener.context());
  },
  page: async ({ opener, viewport }, use) => {
    // One that a test before this one has only looked at.
    if (others(opener).length > 0) await emptied(opener);
    await use(await opened(opener, viewport));
    await emptied(opener);
  },
  /** A page with the example logbook that stays for the next test that only looks: to fill a new one takes longer than that. */
  filled: async ({ opener, viewport }, use) => {
    const [open] = others(opener);
    const page = open ?? (await opened(opener, viewport));
    if (!open) {
      await page.emulateMedia({ reducedMotion: 'reduce' });
      await example(page);
    }
    await use(page);
  },
});
