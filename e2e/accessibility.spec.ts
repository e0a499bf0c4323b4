import { expect, test } from './window.ts';
import { walkTo } from './helpers.ts';
import { expectAccessible } from './accessible.ts';

const PAGES = [
  ['garage', '/', 'Garage'],
  ['light', '/case/case_wet/light', 'Which light is on, and how does it run?'],
  ['plug in', '/case/case_wet/plug-in', 'Connect'],
  ['read', '/case/case_wet/read', 'Read everything first'],
  ['watch', '/case/case_wet/watch', 'Watch the readings'],
  ['meaning', '/case/case_wet/meaning', 'What it means'],
  ['one story of several units', '/case/case_kestrine/meaning', 'What it means'],
  ['narrow', '/case/case_wet/narrow', 'Narrow it down'],
  ['decide', '/case/case_wet/decide', 'Decide'],
  ['fix', '/case/case_wet/fix', 'Fix'],
  ['prove', '/case/case_wet/prove', 'Prove it'],
  ['proven', '/case/case_lean/prove', 'Prove it'],
  ['log', '/case/case_wet/narrow?log', 'Narrow it down'],
  ['codes', '/codes/P0302', 'Codes'],
  ['words', '/words', 'Words, lights, symptoms'],
  ['vehicle', '/vehicle/veh_finch', 'Tarrow Finch 1.4'],
  ['settings', '/settings', 'Settings'],
  ['new case', '/?new', 'Garage'],
  ['import', '/?import', 'Garage'],
] as const;

for (const [name, path, title] of PAGES)
  test(`nothing serious on ${name}: by day, in the dark, on a phone`, async ({ filled: page }) => {
    await page.setViewportSize({ width: 1280, height: 800 });
    await page.emulateMedia({ colorScheme: 'light' });
    const whose = path.startsWith('/case/') ? ' · (Tarrow Finch 1\\.4|Kestrine 650|Ostler Dray 2\\.2 D)' : '';
    const titled = new RegExp(`^${title.replace(/[.?]/g, '\\$&')}${whose} · Pincer$`);
    // From a screen of another name it is enough to walk; the checks need not be read again then.
    if (path.includes('?') || titled.test(await page.title())) await page.goto(path);
    else await walkTo(page, path);
    await expect(page).toHaveTitle(titled);
    await expect(page.getByText(/Working it out|Opening the/)).toHaveCount(0);
    if (path.includes('?')) await expect(page.getByRole('dialog')).toBeVisible();
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
