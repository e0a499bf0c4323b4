import { expect, test, type Page } from './window.ts';
import { openCase, station } from './helpers.ts';
import { expectAccessible } from './accessible.ts';

/** A case with one code, typed from a borrowed reader. */
async function typedCode(page: Page, code: string): Promise<void> {
  await openCase(page);
  await station(page, 'Read');
  await page.getByRole('button', { name: 'No adapter? Type or paste' }).click();
  const pad = page.getByRole('dialog');
  for (const digit of code) await pad.getByRole('button', { name: digit, exact: true }).click();
  await pad.getByRole('button', { name: '+ This code' }).click();
  await pad.getByRole('button', { name: /^Add this code|^Add \d|^Add to the record/ }).click();
  await expect(pad).toBeHidden();
}

async function openCheck(page: Page, words: string, name: RegExp): Promise<void> {
  await station(page, 'Narrow down');
  await page.getByRole('button', { name: /^or \d+ others$/ }).click();
  await page.getByLabel('Search the checks').fill(words);
  await page.getByRole('dialog').getByRole('button', { name }).click();
  await page.getByRole('button', { name: 'I have read these; show me how' }).click();
}

test('a number from a meter: a slip is caught, the cold counts, a reload keeps what was typed, the log has it', async ({
  page,
}) => {
  await typedCode(page, 'P0113');
  await openCheck(page, 'intake air temperature', /^Measure the intake air temperature sensor/);
  const dialog = page.getByRole('dialog');
  const bench = dialog.getByRole('region', { name: 'Type what the meter shows' });
  await bench.getByLabel('Resistance', { exact: true }).fill('5.6');
  await expect(bench.getByRole('status')).toContainText('Type how warm the part is');
  await bench.getByLabel('Temperature of the part').fill('2');
  await expect(bench.getByText('Expected: 4.37 to 6.55 kΩ')).toBeVisible();
  await expect(bench.getByRole('status')).toContainText('A thousand times more would be right');
  await expectAccessible(page);
  await page.reload();
  await openCheck(page, 'intake air temperature', /^Measure the intake air temperature sensor/);
  await bench.getByRole('button', { name: 'Yes, change it' }).click();
  await expect(bench.getByRole('status')).toContainText('Right');
  await bench.getByRole('button', { name: 'Record this measurement' }).click();
  await expect(page.getByText(/^Recorded\. Right/)).toBeVisible();
  await page.getByRole('link', { name: /^Log/ }).click();
  await expect(page.getByText(/right, and it falls \(5\.6 kΩ\)/)).toBeVisible();
});
