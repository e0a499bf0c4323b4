import { expect, test } from './window.ts';
import { readFile } from 'node:fs/promises';
import { LAPTOP, PHONE, connect, openCase, readAll, station, turnTo } from './helpers.ts';
import { expectAccessible } from './accessible.ts';

test.describe('begun on a phone, ended on a laptop', () => {
  test.use({ viewport: PHONE });

  test('control units that no list names: searched with the car standing, stopped, named, saved, and read', async ({
    page,
  }) => {
    await openCase(page);
    await station(page, 'Connect');
    await page.getByRole('combobox', { name: 'Control units' }).selectOption({ label: 'Unusual addresses' });
    await connect(page, 'Wheel speed sensor front left open');
    await page.getByText('Find the control units of this car').click();
    await expect(page.getByText('Lamps may light, relays click and fans start.')).toBeVisible();
    const search = page.getByRole('button', { name: 'Search for control units' });
    await expect(search).toBeDisabled();
    await page.getByRole('checkbox', { name: /car is parked/ }).check();
    await expectAccessible(page);
    await search.click();
    // What is found is there at once; a stop keeps it.
    await expect(page.getByText('743 → 763')).toBeVisible({ timeout: 30_000 });
    await page.getByRole('button', { name: 'Stop', exact: true }).click();
    await expect(
      page.getByText(/^The search stopped after \d+ of \d+ questions\. You stopped it\./),
    ).toBeVisible();
    await expect(page.getByText('part 61 204 A, software 0304, 1 code')).toBeVisible();
    await page.getByLabel('Name of the control unit at 743').fill('Brakes');
    await turnTo(page, LAPTOP);
    const saved = page.waitForEvent('download');
    await page.getByRole('button', { name: 'Save as a file for others' }).click();
    const file = await readFile(await (await saved).path(), 'utf8');
    expect(JSON.parse(file)).toMatchObject({ format: 'pincer-module-map' });
    expect(file).not.toContain('ZZ9TR1F46CH000302');
    await page.getByRole('button', { name: 'Save with the vehicle' }).click();
    await expect(page.getByText('Saved with the vehicle.')).toBeVisible();

    await readAll(page);
    await expect(page.getByRole('heading', { name: /^Brakes 763/ })).toBeVisible();
    await expect(page.getByRole('link', { name: 'C0031' })).toBeVisible();
    await page.getByText(/^Stored beside the codes of other control units/).click();
    await expect(page.getByText('20014C07').first()).toBeVisible();

    // Somebody else's map of the same car: what is new in it comes in, and what was named here keeps its name.
    const own = JSON.parse(file) as { modules: { id: string; name: string; request: string }[] };
    const modules = [
      ...own.modules.map((m) => ({ ...m, name: 'Something else' })),
      { id: 'roof', name: 'Roof', does: 'Opens the roof.', request: '7A0', answer: '7A8' },
    ];
    await page.getByRole('link', { name: 'Pincer, to the garage' }).click();
    await page.getByRole('link', { name: 'Vehicle details' }).click();
    await page.getByLabel('Module map').setInputFiles({
      name: 'map.json',
      mimeType: 'application/json',
      buffer: Buffer.from(JSON.stringify({ ...own, modules })),
    });
    await page.getByRole('button', { name: 'Add what is new in it' }).click();
    await expect(page.getByText('7A0 → 7A8')).toBeVisible();
    await expect(page.getByRole('listitem').filter({ hasText: '743 → 763' })).toContainText('Brakes');
  });
});

test('a car that answers only the newest standard is read, cleared by its group, and says what is not decoded', async ({
  page,
}) => {
  await openCase(page);
  await station(page, 'Connect');
  await page.getByRole('combobox', { name: 'Control units' }).selectOption({ label: 'Newest standard only' });
  await connect(page, 'Coil of cylinder 3 failed');
  await readAll(page);
  await expect(page.getByRole('link', { name: 'P0303' }).first()).toBeVisible();
  await expect(page.getByText('Engine light commanded on')).toBeVisible();
  await page.getByRole('button', { name: 'Repair its fault' }).click();
  await station(page, 'Prove');
  await page.getByRole('button', { name: /I have read this/ }).click();
  await page.getByRole('button', { name: 'Clear now' }).click();
  await expect(page.getByText('Cleared: engine.', { exact: true })).toBeVisible();
});
