import { expect, test } from './window.ts';
import { openCase, station } from './helpers.ts';
import { expectAccessible } from './accessible.ts';

test('codes typed from a borrowed reader: impossible digits are closed, the meaning shows, a reload keeps it', async ({
  page,
}) => {
  await openCase(page);
  await station(page, 'Read');
  await page.getByRole('button', { name: 'No adapter? Type or paste' }).click();
  const pad = page.getByRole('dialog');
  await expect(pad.getByRole('button', { name: '3', exact: true })).toBeDisabled();
  await pad.getByRole('button', { name: 'P', exact: true }).click();
  await expect(pad.getByRole('button', { name: '4', exact: true })).toBeDisabled();
  for (const digit of '0302') await pad.getByRole('button', { name: digit, exact: true }).click();
  await expect(pad.getByText('Misfire: cylinder 2.')).toBeVisible();
  await pad.getByLabel('Status shown by the reader').selectOption('maturing');
  await expect(pad.getByText('failed once so far')).toBeVisible();
  await pad.getByRole('button', { name: '+ This code' }).click();
  await expectAccessible(page);

  await page.reload();
  await page.getByRole('button', { name: 'No adapter? Type or paste' }).click();
  await expect(pad.getByRole('listitem').first()).toContainText('P0302');
  // Stored conditions and self-checks in the reader's abbreviations, each with its meaning.
  await pad.getByText('Stored conditions (freeze frame)').click();
  await pad.getByLabel(/^ECT/).fill('50');
  await pad.getByLabel('Unit of ECT').selectOption('°F');
  await pad.getByLabel(/^RPM/).fill('19x0');
  await expect(pad.getByText('not a number')).toBeVisible();
  await pad.getByLabel(/^RPM/).fill('1910');
  await pad.getByText('Self-checks (I/M, monitors)').click();
  await pad.getByRole('radiogroup', { name: /^EVA/ }).getByRole('radio', { name: 'INC' }).click();
  await expect(pad.getByText('has not run yet', { exact: false })).toBeVisible();
  await pad.getByRole('button', { name: /^Add this code and the rest/ }).click();
  await expect(page.getByRole('img', { name: 'Engine 10 °C' })).toBeVisible();
  await expect(page.getByRole('region', { name: 'Stored conditions' })).toContainText('Cold, 1,910 rpm.');
  await expect(page.getByText('not yet', { exact: true })).toBeVisible();
  await expect(page.getByText('pending, failed once so far')).toBeVisible();
  await expect(page.getByText('Written down by hand.')).toBeVisible();
  // Not a full reading: it never opens the way to a clear.
  await station(page, 'Prove');
  await page.getByRole('radio', { name: 'This adapter' }).click();
  await expect(page.getByText('Not yet: read everything first.')).toBeVisible();
});

test('a pasted text: found, shown with its place, added without what was unticked', async ({ page }) => {
  await openCase(page);
  await station(page, 'Read');
  await page.getByRole('button', { name: 'No adapter? Type or paste' }).click();
  const dialog = page.getByRole('dialog');
  await dialog.getByRole('tab', { name: 'Paste or open text' }).click();
  await dialog.getByLabel('The text').fill('See you Thursday');
  await expect(dialog.getByText('Nothing found in it.')).toBeVisible();
  await dialog
    .getByLabel('The text')
    .fill('Fault memory\nP0171 stored\nP0420 sporadic\nRPM 740\nMIS OK  CAT INC');
  await expect(dialog.getByText('line 2: P0171 stored')).toBeVisible();
  await expect(dialog.getByLabel('State of P0420')).toHaveValue('history');
  await dialog.getByRole('checkbox', { name: /P0420/ }).uncheck();
  await dialog.getByLabel('State of P0171').selectOption('pending');
  await expectAccessible(page);
  await dialog.getByRole('button', { name: 'Add to the log' }).click();
  await expect(page.getByText('Fuel mixture too lean, bank 1').first()).toBeVisible();
  await expect(page.getByText('pending, failed once so far')).toBeVisible();
  await expect(page.getByText('P0420')).toHaveCount(0);
  await expect(page.getByText('not yet', { exact: true })).toBeVisible();
});

test('a text file is opened and looked through; one that holds no text says so', async ({ page }) => {
  await openCase(page);
  await station(page, 'Connect');
  await page.getByRole('button', { name: 'Codes of brakes, airbag' }).click();
  await expect(
    page.getByText('A reader that names this make and all control units is enough.'),
  ).toBeVisible();
  await page.getByRole('button', { name: 'Type or paste codes' }).click();
  const dialog = page.getByRole('dialog');
  await dialog.getByRole('tab', { name: 'Paste or open text' }).click();
  await dialog.getByLabel('Text file').setInputFiles({
    name: 'photo.txt',
    mimeType: 'text/plain',
    buffer: Buffer.from([0x89, 0x50, 0x00, 0x00]),
  });
  await expect(page.getByText('This file is not plain text.', { exact: false })).toBeVisible();
  await dialog.getByLabel('Text file').setInputFiles({
    name: 'invoice.txt',
    mimeType: 'text/plain',
    buffer: Buffer.from('Invoice 2231\nFault read out: P0128 (confirmed)\nCoolant 61 C, 2100 RPM\n'),
  });
  await expect(dialog.getByText('line 2: Fault read out', { exact: false })).toBeVisible();
  await dialog.getByRole('button', { name: 'Add to the log' }).click();
  await station(page, 'Meaning');
  await expect(page.getByText('P0128').first()).toBeVisible();
});

test('typed at the pad, letters and digits are the code, not the way to another station', async ({
  page,
}) => {
  await openCase(page);
  await station(page, 'Read');
  await page.getByRole('button', { name: 'No adapter? Type or paste' }).click();
  const pad = page.getByRole('dialog');
  await page.keyboard.type('p0171');
  await expect(pad.getByLabel('Code so far')).toHaveText('P0171');
  await page.keyboard.press('Backspace');
  await expect(pad.getByLabel('Code so far')).toHaveText('P017·');
  // Letters that no code has lead nowhere either.
  await page.keyboard.type('gl');
  await expect(pad.getByLabel('Code so far')).toHaveText('P017·');
  await page.keyboard.press('1');
  await expect(page).toHaveURL(/\/read$/);
  await expect(
    pad.getByText('the mixture', { exact: false }).or(pad.getByText(/lean/i)).first(),
  ).toBeVisible();
});

test('no shortcut acts while a dialog is open or a field has the focus', async ({ page }) => {
  await openCase(page);
  await page.keyboard.press('l');
  await expect(page.getByRole('dialog', { name: /^Log/ })).toBeVisible();
  for (const key of ['4', 'g', '?']) await page.keyboard.press(key);
  await expect(page).toHaveURL(/\/light/);
  await expect(page.getByRole('dialog')).toHaveCount(1);
  await page.keyboard.press('Escape');
  await station(page, 'Connect');
  await page.getByRole('textbox', { name: 'Address' }).click();
  await page.keyboard.press('Control+a');
  await page.keyboard.type('192.168.1.4');
  await expect(page).toHaveURL(/\/plug-in$/);
  await expect(page.getByRole('textbox', { name: 'Address' })).toHaveValue('192.168.1.4');
});
