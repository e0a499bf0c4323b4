import AxeBuilder from '@axe-core/playwright';
import { expect, type Page } from '@playwright/test';

/** Opens a case for a new made-up vehicle and ends at Light. */
export async function openCase(page: Page, name = 'Tarrow Finch 1.4'): Promise<void> {
  await page.goto('/');
  await page.getByRole('link', { name: 'A light came on' }).first().click();
  await page.getByLabel('Make and model').fill(name);
  await page.getByLabel('Year').fill('2012');
  await page.getByLabel('Distance on the clock').fill('168400');
  await page.getByLabel('Engine size').fill('1.4');
  await page.getByLabel('Cylinders').fill('4');
  await page.getByRole('button', { name: 'Open the case' }).click();
  await expect(page.getByRole('heading', { name: 'What lit, and how does it run?' })).toBeVisible();
}

/** Goes to a station by the rail. */
export async function station(page: Page, name: string): Promise<void> {
  // What a station holds is part of its name, and may name another one.
  const link = page
    .getByRole('navigation', { name: 'Stations' })
    .getByRole('link', { name: new RegExp(`^\\d ${name}`) });
  await link.click();
}

/** Connects to the stand-in with a fault. */
export async function connect(page: Page, fault: string, adapter: 'Quick' | 'Slow' = 'Quick'): Promise<void> {
  await station(page, 'Plug in');
  await page.getByRole('combobox', { name: 'What is wrong with it' }).selectOption({ label: fault });
  await page.getByRole('combobox', { name: 'Adapter' }).selectOption({ label: adapter });
  await page.getByRole('button', { name: /^Connect( again)?$/ }).click();
  await expect(page.getByText('Talking.')).toBeVisible({ timeout: 20_000 });
}

/** Takes a full reading at Read. */
export async function readAll(page: Page): Promise<void> {
  await station(page, 'Read');
  await page
    .getByRole('button', { name: /^Read (everything|again)$/ })
    .first()
    .click();
  await expect(page.getByText(/Complete\./)).toBeVisible({ timeout: 20_000 });
}

/**
 * Fails on anything serious that the accessibility checks find.
 * @param rules all of them, all but the slow one on contrast, or contrast alone: colours are the same on a phone, and
 *   structure is the same in the dark.
 */
export async function expectAccessible(
  page: Page,
  where: string,
  rules: 'all' | 'structure' | 'contrast' = 'all',
): Promise<void> {
  // Only what is wrong is asked for: what passes is not described, which takes most of the time.
  const builder = new AxeBuilder({ page }).options({ resultTypes: ['violations'], preload: false });
  if (rules === 'structure') builder.disableRules(['color-contrast']);
  if (rules === 'contrast') builder.withRules(['color-contrast']);
  const { violations } = await builder.analyze();
  const grave = violations.filter((v) => v.impact === 'serious' || v.impact === 'critical');
  expect(grave.map((v) => `${where}: ${v.id} ${v.nodes.map((n) => n.target.join(' ')).join(', ')}`)).toEqual(
    [],
  );
}

/** Brings the example logbook in. */
export async function example(page: Page): Promise<void> {
  await page.goto('/');
  await page.getByRole('button', { name: 'Look at an example logbook' }).click();
  await expect(page.getByText('Wet-morning shake')).toBeVisible();
  await expect(page.getByText('Looked at before buying')).toBeVisible();
}
