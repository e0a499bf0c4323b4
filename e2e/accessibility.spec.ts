import { test, expect } from '@playwright/test';
import { example, expectAccessible } from './helpers.ts';

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

test('nothing serious on any screen, on a laptop, by day and in the dark', async ({ page }) => {
  test.setTimeout(180_000);
  await page.emulateMedia({ colorScheme: 'light', reducedMotion: 'reduce' });
  await example(page);
  for (const [name, path] of PAGES) {
    await page.emulateMedia({ colorScheme: 'light' });
    await page.goto(path);
    await expect(page.getByText(/Working it out|Opening the/)).toHaveCount(0);
    await expect(page.getByRole('heading').first()).toBeVisible();
    await expectAccessible(page, name);
    await page.emulateMedia({ colorScheme: 'dark' });
    await expectAccessible(page, `${name}, dark`, 'contrast');
  }
});

test('nothing serious on a phone, and no page is wider than it', async ({ page }) => {
  test.setTimeout(180_000);
  await page.setViewportSize({ width: 390, height: 844 });
  await example(page);
  for (const [name, path] of PAGES) {
    await page.goto(path);
    await expect(page.getByText(/Working it out|Opening the/)).toHaveCount(0);
    await expect(page.getByRole('heading').first()).toBeVisible();
    await expectAccessible(page, name, 'structure');
    const overflow = await page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth);
    expect(`${name} ${overflow}`).toBe(`${name} 0`);
  }
  // The jaws are pulled in from the edges.
  await page.goto('/case/case_wet/narrow');
  await page.getByRole('button', { name: /The car says/ }).click();
  await expect(page.getByRole('dialog')).toContainText('P0302');
  await expectAccessible(page, 'left jaw');
});
