import { readFileSync } from 'node:fs';
import { expect, test, type Page } from './window.ts';
import { connect, example, openCase, readAll, station } from './helpers.ts';
import { expectAccessible } from './accessible.ts';

const MAP = readFileSync('docs/examples/finch.modules.json');

/** A case of a vehicle whose control units are known. */
async function openCaseWithMap(page: Page): Promise<void> {
  await openCase(page);
  await page.goto('/');
  await page.getByRole('link', { name: 'Vehicle details' }).click();
  await page
    .getByLabel('Module map')
    .setInputFiles({ name: 'finch.json', mimeType: 'application/json', buffer: MAP });
  await page.getByRole('button', { name: 'Use this map' }).click();
  await page.goto('/');
  await page
    .getByRole('link', { name: /A light came on/ })
    .last()
    .click();
}

test('a car with faults in five control units: read by unit and state, told as one story', async ({
  page,
}) => {
  await openCase(page);
  await page.goto('/');
  await page.getByRole('link', { name: 'Vehicle details' }).click();
  const file = page.getByLabel('Module map');
  await file.setInputFiles({
    name: 'broken.json',
    mimeType: 'application/json',
    buffer: Buffer.from(MAP.toString().replace('"6B0"', '"6A0"')),
  });
  await expect(page.getByText('“6A0” is there twice', { exact: false })).toBeVisible();
  await file.setInputFiles({ name: 'finch.json', mimeType: 'application/json', buffer: MAP });
  await expect(page.getByText('8 control units')).toBeVisible();
  await page.getByRole('button', { name: 'Use this map' }).click();
  await expect(page.getByRole('button', { name: 'Import another map' })).toBeVisible();

  await page.goto('/');
  await page
    .getByRole('link', { name: /A light came on/ })
    .last()
    .click();
  await connect(page, 'Battery weak, codes in seven control units');
  await readAll(page);
  const codes = page.getByRole('region', { name: 'Codes' });
  for (const unit of ['Engine', 'Transmission', 'Brakes', 'Airbag', 'Body', 'Instruments', 'Gateway'])
    await expect(codes.getByRole('heading', { name: unit })).toBeVisible();
  await expect(codes.getByText('voltage too low').first()).toBeVisible();
  await expect(codes.getByText('keeps the engine light on')).toBeVisible();
  await expect(codes.getByText('Climate: it does not answer', { exact: false })).toBeVisible();
  await page.getByText(/^All \d+ readings$/).click();
  await expect(page.getByRole('region', { name: 'Readings: Transmission' })).toContainText(
    'Transmission, gear',
  );
  await expect(page.getByRole('region', { name: 'Readings: Engine' })).toContainText('Engine speed');
  await expectAccessible(page);

  await station(page, 'Meaning');
  await expect(page.getByText(/These 4 codes may have one common cause/)).toBeVisible();
  await expect(page.getByRole('link', { name: 'battery weak' })).toBeVisible();
  await expect(page.getByText('Brakes, Airbag, Body, Instruments', { exact: false })).toBeVisible();
  await expect(page.getByRole('heading', { name: 'Not explained' })).toBeHidden();

  // Mended and read again: what is gone, and what is as before, is said.
  await station(page, 'Read');
  await page.getByRole('button', { name: 'Repair its fault' }).click();
  await page.getByRole('button', { name: 'Read again', exact: true }).click();
  await expect(codes).toContainText(/Gone since the reading before:[^.]*U3003 \(brakes\)/);
  await expect(codes.getByText('as before').first()).toBeVisible();
});

test('cleared control unit by control unit: what is stored goes, what fails now comes back and is told', async ({
  page,
}) => {
  await openCaseWithMap(page);
  await connect(page, 'Wheel speed sensor front left open');
  await readAll(page);
  await station(page, 'Prove');
  const clear = page.getByRole('region', { name: '1 · Clear' });
  await expect(clear.getByRole('button', { name: 'Clear brakes' })).toBeHidden();
  await clear.getByRole('button', { name: /Ignition is on/ }).click();
  await clear.getByRole('button', { name: 'Clear brakes' }).click();
  await expect(clear.getByRole('button', { name: 'Came back' })).toBeDisabled();
  await expect(clear.getByText('Came straight back: C0031.', { exact: false })).toBeVisible();
  await clear.getByRole('button', { name: 'Clear instruments' }).click();
  await expect(clear.getByRole('button', { name: 'Came back' })).toHaveCount(2);
  await expect(page.getByText('Brakes: came back: C0031.')).toBeVisible();
  await expect(clear.getByText('Cleared: brakes, instruments.')).toBeVisible();
  await clear.getByRole('button', { name: 'Clear now' }).click();
  await expect(clear.getByText('Cleared: engine, brakes, instruments.')).toBeVisible();
  await expect(clear.getByRole('button', { name: 'Clear now' })).toBeHidden();
  await expectAccessible(page);
  await station(page, 'Read');
  await page.getByRole('button', { name: 'Read again', exact: true }).click();
  await station(page, 'Prove');
  await expect(page.getByText('Brakes: came back: C0031.')).toBeVisible();
});

test('a unit that another holds: told apart at once, and let go in a second round', async ({ page }) => {
  await openCaseWithMap(page);
  await connect(page, 'Two control units hold an old code');
  await readAll(page);
  await station(page, 'Prove');
  const clear = page.getByRole('region', { name: '1 · Clear' });
  await clear.getByRole('button', { name: /Ignition is on/ }).click();
  await clear.getByRole('button', { name: 'Clear brakes' }).click();
  await expect(clear.getByText(/U0423 stands there unchanged/)).toBeVisible();
  await clear.getByRole('button', { name: 'Clear instruments' }).click();
  await expect(clear.getByText('Read again at once: nothing is stored.')).toBeVisible();
  await station(page, 'Read');
  await page.getByRole('button', { name: 'Read again', exact: true }).click();
  await expect(page.getByRole('button', { name: 'Read again', exact: true })).toBeEnabled();
  await station(page, 'Prove');
  await clear.getByRole('button', { name: /Ignition is on/ }).click();
  await expect(clear.getByText(/^Second round/)).toBeVisible();
  await clear.getByRole('button', { name: 'Clear brakes' }).click();
  await expect(clear.getByText('Read again at once: nothing is stored.')).toBeVisible();
});

test('the stand-in is the vehicle most like the owner’s: a diesel van, a motorcycle', async ({ page }) => {
  await example(page, '/case/case_dray/plug-in');
  await expect(page.getByLabel('Simulated vehicle')).toHaveValue('dray');
  await connect(page, 'Particulate filter full of soot');
  await readAll(page);
  await expect(page.getByText('P2463').first()).toBeVisible();
  await page.goto('/case/case_kestrine/plug-in');
  await expect(page.getByLabel('Simulated vehicle')).toHaveValue('kestrine');
  await page.goto('/case/case_kestrine/meaning');
  await expect(page.getByText(/codes may have one common cause/)).toBeVisible();
  await expect(page.getByRole('link', { name: 'motorcycle regulator/rectifier failing' })).toBeVisible();
});
