import { test as base, expect, type Page } from '@playwright/test';
import { example } from './helpers.ts';
import { expectAccessible } from './accessible.ts';

/** One page with the example logbook for all screens of a worker: to fill a new one takes longer than to look at it. */
const test = base.extend<object, { filled: Page }>({
  filled: [
    async ({ browser }, use, info) => {
      const context = await browser.newContext({
        locale: 'en-IE',
        ...(info.project.use.baseURL === undefined ? {} : { baseURL: info.project.use.baseURL }),
        serviceWorkers: 'block',
        reducedMotion: 'reduce',
      });
      const page = await context.newPage();
      await example(page);
      await use(page);
      await context.close();
    },
    { scope: 'worker' },
  ],
});

const PAGES = [
  ['garage', '/'],
  ['light', '/case/case_wet/light'],
  ['plug in', '/case/case_wet/plug-in'],
  ['read', '/case/case_wet/read'],
  ['watch', '/case/case_wet/watch'],
  ['meaning', '/case/case_wet/meaning'],
  ['one story of several units', '/case/case_kestrine/meaning'],
  ['narrow', '/case/case_wet/narrow'],
  ['decide', '/case/case_wet/decide'],
  ['fix', '/case/case_wet/fix'],
  ['prove', '/case/case_wet/prove'],
  ['proven', '/case/case_lean/prove'],
  ['log', '/case/case_wet/narrow?log'],
  ['codes', '/codes/P0302'],
  ['words', '/words'],
  ['vehicle', '/vehicle/veh_finch'],
  ['settings', '/settings'],
  ['new case', '/?new'],
  ['import', '/?import'],
] as const;

for (const [name, path] of PAGES)
  test(`nothing serious on ${name}: by day, in the dark, on a phone`, async ({ filled: page }) => {
    await page.setViewportSize({ width: 1280, height: 800 });
    await page.emulateMedia({ colorScheme: 'light' });
    await page.goto(path);
    await expect(page.getByText(/Working it out|Opening the/)).toHaveCount(0);
    await expect(page.getByRole('heading').first()).toBeVisible();
    await expectAccessible(page, 'all');
    await page.emulateMedia({ colorScheme: 'dark' });
    await expectAccessible(page, 'color-contrast');
    await page.setViewportSize({ width: 390, height: 844 });
    await expectAccessible(page, 'target-size');
    const overflow = await page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth);
    expect(overflow).toBe(0);
  });

test('on a phone the jaws are pulled in from the edges', async ({ filled: page }) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await page.goto('/case/case_wet/narrow');
  await page.getByRole('button', { name: /The car says/ }).click();
  await expect(page.getByRole('dialog')).toContainText('P0302');
  await expectAccessible(page, 'all');
});
