import { readFileSync } from 'node:fs';
import { expect, test } from './window.ts';
import { example, openCase, station } from './helpers.ts';

const EXAMPLE = readFileSync('docs/examples/wet-morning.case.json', 'utf8');
const asFile = (name: string, text: string) => ({
  name,
  mimeType: 'application/json',
  buffer: Buffer.from(text),
});

test('a case goes out as a file and comes back the same', async ({ page }) => {
  await example(page, '/case/case_wet/narrow');
  await page.getByRole('link', { name: /^Log, / }).click();
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Save as a case file' }).click();
  const path = await (await download).path();
  const saved = JSON.parse(readFileSync(path, 'utf8')) as { case: unknown; vehicle: unknown };
  const original = JSON.parse(EXAMPLE) as { case: unknown; vehicle: unknown };
  expect(saved.case).toEqual(original.case);
  expect(saved.vehicle).toEqual(original.vehicle);

  await page.goto('/?import');
  await page.getByLabel('Case file (JSON)').setInputFiles(path);
  await expect(page.getByText(/You already have this case/)).toBeVisible();
  await page.getByRole('button', { name: 'Add what is missing' }).click();
  await expect(page.getByText('Everything in it was here already.')).toBeVisible();
});

test('a new case file is checked, shown, then added', async ({ page }) => {
  await page.goto('/?import');
  await page.getByLabel('Case file (JSON)').setInputFiles(asFile('wet.json', EXAMPLE));
  await expect(page.getByText('Tarrow Finch 1.4: Wet-morning shake')).toBeVisible();
  await page.getByRole('button', { name: 'Add this case' }).click();
  await expect(page.getByRole('region', { name: 'What it can be' })).toContainText(
    'Coil boot of cylinder 2 cracked',
  );
});

test('broken files get an error that names the place, and nothing is added', async ({ page }) => {
  await page.goto('/?import');
  const input = page.getByLabel('Case file (JSON)');
  await input.setInputFiles(asFile('cut.json', EXAMPLE.slice(0, 2000)));
  await expect(page.getByText('This file cannot be added.')).toBeVisible();
  await expect(page.getByText(/not a JSON file/)).toBeVisible();
  await input.setInputFiles(asFile('bad.json', EXAMPLE.replace('"flashing"', '"disco"')));
  await expect(page.getByText(/case\.entries\[0\]\.mode/)).toBeVisible();
  await input.setInputFiles(asFile('new.json', EXAMPLE.replace(/"version": \d+/, '"version": 42')));
  await expect(page.getByText(/newer Pincer/)).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(page.getByText('No vehicles yet.')).toBeVisible();
});

test('a saved adapter session becomes a reading', async ({ page }) => {
  await openCase(page);
  await station(page, 'Read');
  const text = '>03\n7E8 04 43 01 01 71\n>0101\n7E8 06 41 01 81 07 65 00\n>';
  await page
    .getByLabel('Saved adapter session or CAN log')
    .setInputFiles({ name: 's.txt', mimeType: 'text/plain', buffer: Buffer.from(text) });
  await expect(page.getByText('P0171').first()).toBeVisible();
  await page
    .getByLabel('Saved adapter session or CAN log')
    .setInputFiles({ name: 'x.txt', mimeType: 'text/plain', buffer: Buffer.from('hello') });
  await expect(page.getByText(/Nothing in this file is an answer from a vehicle/)).toBeVisible();
});
