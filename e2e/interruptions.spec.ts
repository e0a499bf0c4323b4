import { expect, test } from './window.ts';
import { connect, openCase, readAll, station } from './helpers.ts';

test('a connection cut in mid-reading: what came is kept, what is missing is said', async ({ page }) => {
  await openCase(page);
  await connect(page, 'Coil of cylinder 1 failed', 'Slow');
  await station(page, 'Read');
  await page.getByRole('button', { name: 'Read everything' }).first().click();
  await expect(page.getByText('Stored conditions', { exact: true })).toBeVisible({ timeout: 20_000 });
  await page.getByRole('button', { name: 'Unplug the adapter' }).click();
  await expect(page.getByText('The connection to the adapter was cut.').first()).toBeVisible();
  await expect(page.getByRole('heading', { name: 'Not read' })).toBeVisible();
  await expect(page.getByText('P0301').first()).toBeVisible();
  await expect(page.getByText(/Not complete\./)).toBeVisible();

  // A part of a reading never opens the way to a clear.
  await station(page, 'Prove');
  await expect(page.getByText('Not yet: the last reading is not complete.')).toBeVisible();

  // Plugged in again, it goes on where it was cut, and is complete then.
  await station(page, 'Connect');
  await page.getByRole('button', { name: 'Connect again' }).click();
  await expect(page.getByText('Connected.', { exact: true })).toBeVisible({ timeout: 20_000 });
  await station(page, 'Read');
  await page.getByRole('button', { name: 'Go on where it was cut' }).click();
  await expect(page.getByText(/Complete\./)).toBeVisible({ timeout: 20_000 });
  await expect(page.getByRole('heading', { name: 'Not read' })).toBeHidden();
  await expect(page.getByText('P0301').first()).toBeVisible();
  await station(page, 'Prove');
  await expect(page.getByText('The record is safe.')).toBeVisible();
});

test('reading can be stopped, and keeps what it has', async ({ page }) => {
  await openCase(page);
  await connect(page, 'Coil of cylinder 1 failed', 'Slow');
  await station(page, 'Read');
  await page.getByRole('button', { name: 'Read everything' }).first().click();
  await page.getByRole('button', { name: 'Stop' }).click();
  await expect(page.getByRole('heading', { name: 'Not read' })).toBeVisible();
  await expect(page.getByText('You stopped it.', { exact: false }).first()).toBeVisible();
});

test('ignition turned off before reading: the next step is said, and it never counts as a car without codes', async ({
  page,
}) => {
  await openCase(page);
  await connect(page, 'Nothing');
  await page.getByRole('radio', { name: 'Off' }).click();
  await station(page, 'Read');
  await page.getByRole('button', { name: 'Read everything' }).first().click();
  await expect(page.getByRole('heading', { name: 'Not read' })).toBeVisible({ timeout: 20_000 });
  await expect(page.getByText(/Turn the ignition on/).first()).toBeVisible();
  await station(page, 'Prove');
  await expect(page.getByText('Not yet: the last reading is not complete.')).toBeVisible();
});

test('a reload in mid-case loses nothing, not even what was only ticked', async ({ page }) => {
  await openCase(page);
  await page
    .getByRole('radiogroup', { name: 'Engine light (check engine)' })
    .getByRole('radio', { name: 'Flashing' })
    .click();
  await page.getByRole('button', { name: /^Shakes/ }).click();
  await page.reload();
  await expect(page.getByRole('button', { name: 'Shakes: yes' })).toBeVisible();
  await expect(page.getByRole('region', { name: 'How far you may still drive' })).toContainText(
    'Safe place only',
  );

  await connect(page, 'Coil boot of cylinder 2 cracked');
  await readAll(page);
  await page.reload();
  await expect(page.getByText('P0302').first()).toBeVisible();
  await station(page, 'Fix');
  await page.getByRole('button', { name: 'I have read the cautions' }).click();
  await page.getByRole('checkbox').nth(1).check();
  await page.getByLabel('Spent').fill('14');
  await page.reload();
  await expect(page.getByRole('checkbox').nth(1)).toBeChecked();
  await expect(page.getByLabel('Spent')).toHaveValue('14');
});

test('an older car, a lossy adapter and one that restarts are read to the end', async ({ page }) => {
  await openCase(page);
  for (const adapter of [
    'Quick, older vehicle',
    'Loses characters',
    'Restarts once',
    'Knows fewer commands',
  ]) {
    await station(page, 'Connect');
    await page
      .getByRole('combobox', { name: 'What is wrong with it' })
      .selectOption({ label: 'Coil of cylinder 3 failed' });
    await page.getByRole('combobox', { name: 'Adapter' }).selectOption({ label: adapter });
    await page.getByRole('button', { name: 'Connect and read', exact: true }).click();
    await expect(page.getByText(/Complete\./)).toBeVisible({ timeout: 30_000 });
    await expect(page.getByText('P0303').first()).toBeVisible();
    await page.getByRole('button', { name: 'Unplug the adapter' }).click();
  }
});
