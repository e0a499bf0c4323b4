import { expect, type Locator, type Page } from '@playwright/test';
import { expectAccessible } from './accessible.ts';
import { stored } from './stored.ts';

/** Opens a case for a new made-up vehicle and ends at Light. */
export async function openCase(page: Page, name = 'Tarrow Finch 1.4'): Promise<void> {
  await stored(page, `a case of ${name}`, async () => {
    await page.goto('/');
    await page.getByRole('link', { name: 'A light came on' }).first().click();
    await page.getByLabel('Make and model').fill(name);
    await page.getByLabel('Year').fill('2012');
    await page.getByLabel('Mileage (odometer)').fill('168400');
    await page.getByLabel('Engine size').fill('1.4');
    await page.getByLabel('Cylinders').fill('4');
    await page.getByRole('button', { name: 'Open the case' }).click();
    await page.waitForURL(/light$/);
  });
  await expect(page.getByRole('heading', { name: 'Which light is on, and how does it run?' })).toBeVisible();
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
  await station(page, 'Connect');
  await page.getByRole('combobox', { name: 'What is wrong with it' }).selectOption({ label: fault });
  await page.getByRole('combobox', { name: 'Adapter' }).selectOption({ label: adapter });
  await page.getByRole('button', { name: /^Connect( again)?$/ }).click();
  await expect(page.getByText('Connected.', { exact: true })).toBeVisible({ timeout: 20_000 });
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

/** Brings the example logbook in. @param place the page to end at; the garage where none is named. */
export async function example(page: Page, place?: string): Promise<void> {
  const isIn = async () => {
    await expect(page.getByText('Looked at before buying')).toBeVisible({ timeout: 30_000 });
    await expect(page.getByText('Wet-morning shake')).toBeVisible();
  };
  await stored(
    page,
    'the example logbook',
    async () => {
      await page.goto('/');
      await page.getByRole('button', { name: 'Look at an example logbook' }).click();
      // Its last case has come, and with the line above gone its entries too; on a busy machine it takes its time.
      await isIn();
      await expect(page.getByText('Bringing in the example logbook')).toBeHidden({ timeout: 30_000 });
    },
    place,
  );
  if (place === undefined) await isIn();
}

/** Opens the form by which an entry of the log is struck out: in its row's menu. */
export async function openStrikeOut(row: Locator): Promise<void> {
  await row.getByRole('button', { name: /^More: / }).click();
  await row.page().getByRole('menuitem', { name: 'Strike out' }).click();
}

export const PHONE = { width: 390, height: 844 };
export const LAPTOP = { width: 1280, height: 800 };

/** Looks at what stands here in both sizes, and leaves it in the other one: a way that is long is gone half in each. */
export async function turnTo(page: Page, size: typeof PHONE): Promise<void> {
  await expectAccessible(page);
  await page.setViewportSize(size);
  await expectAccessible(page);
}

/** Goes to another screen without loading the program again, and waits until its own title says that it is there. */
export async function walkTo(page: Page, path: string): Promise<void> {
  if (new URL(page.url()).pathname === path) return;
  const before = await page.title();
  await page.evaluate((to) => {
    history.pushState(null, '', to);
    dispatchEvent(new PopStateEvent('popstate', { state: null }));
  }, path);
  await expect(page).not.toHaveTitle(before);
}
