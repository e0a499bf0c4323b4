import { expect, test } from './window.ts';
import { connect, openCase, readAll, station } from './helpers.ts';
import { expectAccessible } from './accessible.ts';

test('a code page says it all, opened from a case and back', async ({ page }) => {
  await openCase(page);
  await connect(page, 'Coil of cylinder 3 failed');
  await readAll(page);
  await station(page, 'Meaning');
  await page.getByRole('link', { name: 'P0303' }).click();
  const sheet = page.getByRole('article');
  await expect(sheet).toContainText('Misfire: cylinder 3');
  await expect(sheet.getByText('Often blamed by mistake')).toBeVisible();
  await expect(sheet.getByRole('img', { name: /cylinder 3 is marked/ })).toBeVisible();
  await expect(sheet).toContainText('Some manufacturers count from the transmission');
  await expect(sheet).toContainText('short trips');
  await expectAccessible(page);
  await page.getByRole('button', { name: 'Back' }).click();
  await expect(page).toHaveURL(/\/meaning$/);
});

test('search by word, symptom, slip and reader’s word, in every system', async ({ page }) => {
  await page.goto('/codes');
  const field = page.getByRole('textbox');
  const found = page.getByRole('list', { name: 'Found' });
  for (const [text, hit] of [
    ['wheel speed', 'C0031'],
    ['airbag driver', 'B0001'],
    ['brake control unit', 'U0121'],
    ['partikulate', 'P2002'],
    ['shakes', 'Shakes'],
    ['maturing', 'means pending'],
  ] as const) {
    await field.fill(text);
    await expect(found).toContainText(hit);
  }
  await field.fill('shakes');
  await found.getByRole('link', { name: /^Shakes/ }).click();
  await expect(page.locator('#sign-sign-shakes')).toBeInViewport();
  await expect(page.locator('#sign-sign-shakes')).toContainText('Spark plug');
  await expectAccessible(page);
  await page.goto('/codes/P0FFF');
  await expect(page.getByRole('article')).toContainText('not described here');
});

test('a list of maker’s codes: a broken one is told row by row, a good one is used and marked', async ({
  page,
}) => {
  await openCase(page);
  await page.goto('/');
  await page.getByRole('link', { name: 'Vehicle details' }).click();
  const list = page.getByLabel('List of manufacturer’s codes');
  await list.setInputFiles({
    name: 'notes.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from('hello;world\nP0302;two\n'),
  });
  await expect(page.getByText('No manufacturer’s code found in it.')).toBeVisible();
  await expect(page.getByText('a standard code, not a manufacturer’s')).toBeVisible();
  await page.getByRole('button', { name: 'Cancel' }).click();
  await list.setInputFiles({
    name: 'club.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from('Code;Text\nP1345;"Cam and crank; do not agree"\nP1400;Heater\nnonsense;row\n'),
  });
  await expect(page.getByText('2 codes can be used.')).toBeVisible();
  await expect(page.getByText('line 4', { exact: false })).toBeVisible();
  await page.getByRole('button', { name: 'Use this list' }).click();
  await expect(page.getByText('“club.csv”, 2 codes', { exact: false })).toBeVisible();

  await page.goto('/');
  await page
    .getByRole('link', { name: /A light came on/ })
    .last()
    .click();
  await station(page, 'Read');
  await page.getByRole('button', { name: 'No adapter? Type or paste' }).click();
  await page.getByRole('tab', { name: 'Paste or open text' }).click();
  await page.getByLabel('The text').fill('P1345 confirmed');
  await page.getByRole('button', { name: 'Add to the log' }).click();
  await station(page, 'Meaning');
  await expect(page.getByText('Cam and crank; do not agree').first()).toBeVisible();
  await expect(page.getByText('in the words of your list')).toBeVisible();
});
