import { expect, test, type Page } from './window.ts';
import { station } from './helpers.ts';
import { expectAccessible } from './accessible.ts';

/** Makes a task of one's own choice as a file, and brings it in. */
async function bringIn(page: Page, what: string): Promise<void> {
  await page.goto('/practice');
  await page.getByText('Make a task for somebody else').click();
  await page.getByRole('combobox', { name: 'What is wrong' }).selectOption({ label: what });
  const saved = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Save as a file' }).click();
  const path = await (await saved).path();
  await page.getByLabel('Practice task').setInputFiles(path);
  await expect(page.getByRole('heading', { name: 'Which light is on, and how does it run?' })).toBeVisible();
}

test('a car with an unknown fault: read, checked, repaired, scored against the advice, and kept out of the logbook', async ({
  page,
}) => {
  await bringIn(page, 'Tarrow Finch 1.4, petrol: intake temperature sensor unplugged');
  await expect(page.getByText('The driver says: “The light came on. It drives as ever.”')).toBeVisible();
  await expectAccessible(page);
  await station(page, 'Connect');
  // What is wrong cannot be chosen, and is not told.
  await expect(page.getByRole('combobox')).toHaveCount(0);
  await page.getByRole('button', { name: 'Connect and read' }).click();
  await expect(page.getByText(/Complete\./)).toBeVisible({ timeout: 20_000 });
  await expect(page.getByRole('link', { name: 'P0113' }).first()).toBeVisible();
  await expect(page.getByRole('button', { name: 'Repair its fault' })).toHaveCount(0);

  await station(page, 'Narrow down');
  await page.getByRole('button', { name: 'Start this check' }).click();
  const check = page.getByRole('dialog');
  const seen = check.getByRole('button', { name: 'I have read these; show me how' });
  if (await seen.isVisible()) await seen.click();
  await expectAccessible(page);
  await check.getByRole('button', { name: 'Do it on the practice car' }).click();
  await expect(check).toHaveCount(0);
  await expect(page.getByText('1 check', { exact: false }).first()).toBeVisible();

  await station(page, 'Fix');
  await page.getByRole('button', { name: 'I have read the cautions' }).click();
  await page.getByRole('button', { name: 'Record as done' }).click();
  await page.getByRole('button', { name: 'I am done: show what it was' }).click();
  await expect(page.getByRole('heading', { name: 'What it was' })).toBeVisible();
  await expect(page.getByText('You found and repaired it.')).toBeVisible({ timeout: 20_000 });
  const mine = page.getByRole('region', { name: 'Your way' });
  await expect(mine.getByText('That was it.')).toBeVisible();
  await expect(
    page.getByRole('region', { name: 'The advice’s way' }).getByText('That was it.'),
  ).toBeVisible();
  await expectAccessible(page);

  await page.getByRole('link', { name: 'Another task' }).click();
  await expect(page.getByRole('row', { name: /^Air and throttle 1 1/ })).toBeVisible({ timeout: 20_000 });
  await expectAccessible(page);
  await page.goto('/');
  await expect(page.getByText('No vehicles yet.')).toBeVisible();
});

test('on a phone: a repair for nothing and no repair of what it was are told; the task can be played again', async ({
  page,
}) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await bringIn(page, 'Kestrine 650, motorcycle: coil of cylinder 1 failed');
  await page.getByRole('button', { name: 'I am done: show what it was' }).click();
  await expect(page.getByText('It was not repaired.')).toBeVisible({ timeout: 20_000 });
  await expect(page.getByText('Nothing was done.')).toBeVisible();
  await expectAccessible(page);
  const wide = await page.evaluate(() => document.documentElement.scrollWidth);
  expect(wide).toBeLessThanOrEqual(390);
  await page.goto('/practice');
  await page.getByLabel('Practice task').setInputFiles({
    name: 'broken.json',
    mimeType: 'application/json',
    buffer: Buffer.from('{"format":"pincer-practice-file"}'),
  });
  await expect(page.getByText('This task cannot be opened.')).toBeVisible();
});
