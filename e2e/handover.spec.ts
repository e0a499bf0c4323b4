import { readFile } from 'node:fs/promises';
import { expect, test } from './window.ts';
import { PDFDocument } from 'pdf-lib';
import { pdfText } from './pdf-text.ts';
import { example, station } from './helpers.ts';
import { expectAccessible } from './accessible.ts';

test('get help leads to one page to take along, as a PDF, as text, and for a search', async ({
  page,
  context,
}) => {
  await context.grantPermissions(['clipboard-read', 'clipboard-write']);
  await example(page, '/case/case_wet/decide');
  await page.getByRole('button', { name: 'Choose: get help' }).click();
  const sheet = page.getByRole('article', { name: 'Handover: Tarrow Finch 1.4' });
  await expect(sheet).toContainText('P0302 Misfire: cylinder 2');
  await expect(sheet).toContainText('Coil boot of cylinder 2 cracked:');
  await expect(sheet).toContainText('Smell the exhaust at the tailpipe, engine warm: No fuel smell.');
  await expect(sheet).not.toContainText('VIN:');
  await page.getByLabel('Include plate and VIN').check();
  await expect(sheet).toContainText('VIN:');
  await page.getByLabel('Include plate and VIN').uncheck();
  await expectAccessible(page);

  await page.getByRole('button', { name: 'Copy as text' }).click();
  await expect(page.getByText('Handover sheet copied.')).toBeVisible();
  const text = await page.evaluate(() => navigator.clipboard.readText());
  expect(text).toMatch(/^Handover: Tarrow Finch 1.4\n/);
  expect(text).toContain('- P0302 Misfire: cylinder 2');

  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Save as PDF' }).click(),
  ]);
  expect(download.suggestedFilename()).toBe('handover-tarrow-finch-1-4.pdf');
  const bytes = await readFile(await download.path());
  const pdf = await PDFDocument.load(bytes);
  expect(pdf.getPageCount()).toBe(1);
  expect(pdf.getTitle()).toBe('Handover: Tarrow Finch 1.4');
  expect(pdf.getSubject()).toContain('Codes, Stored conditions');
  // Read back as a reader would copy it: what it says, and not who owns the car.
  const written = await pdfText(bytes);
  expect(written).toContain('P0302 Misfire: cylinder 2');
  expect(written).toMatch(/Likely causes\n•\n/);
  expect(written).not.toContain('VIN');

  // What they found goes into the log as a repair.
  await page.getByLabel('Repaired cause').selectOption({ label: 'Coil boot of cylinder 2 cracked' });
  await page.getByLabel('What it cost in all').fill('84,50');
  await page.getByLabel('In their words').fill('Boot replaced, tested in the wet.');
  await page.getByRole('button', { name: 'Record it' }).click();
  await expect(sheet).toContainText('Fit a new coil boot on cylinder 2: Boot replaced, tested in the wet.');
  await station(page, 'Fix');
  await expect(page.getByText('1 done')).toBeVisible();
});
