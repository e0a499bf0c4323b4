import { expect, test } from './window.ts';
import { example, station } from './helpers.ts';
import { expectAccessible } from './accessible.ts';

test('a repair: what to have ready, slips, a wait and a torque that outlive a reload, and the record of it', async ({
  page,
}) => {
  await example(page, '/case/case_wet/narrow');
  await station(page, 'Fix');
  await page.getByRole('button', { name: /^Fit a new coil boot on cylinder 2/ }).click();
  await page.getByRole('button', { name: 'I have read the cautions' }).click();
  const work = page.getByRole('region', { name: 'Fit a new coil boot on cylinder 2' });
  await expect(work.getByText('order by the number printed on the old part, or the VIN')).toBeVisible();
  await expect(work.getByText('Find cylinder 2: look up', { exact: false })).toBeVisible();
  await expect(
    work.getByText('Counting from the wrong one is the most common mistake', { exact: false }),
  ).toBeVisible();
  await work.getByRole('button', { name: 'Start the 30 minutes' }).click();
  await expect(work.getByRole('timer', { name: 'Cooling down' })).toContainText(/29:/);
  await work.getByLabel(/^Torque of the coil screw/).fill('8');
  await work.getByRole('checkbox').first().check();
  await expectAccessible(page);
  await page.reload();
  await page.getByRole('button', { name: /^Fit a new coil boot on cylinder 2/ }).click();
  await expect(work.getByRole('timer', { name: 'Cooling down' })).toContainText(/29:/);
  await expect(work.getByLabel(/^Torque of the coil screw/)).toHaveValue('8');
  await expect(work.getByRole('checkbox').first()).toBeChecked();
  await work.getByLabel('Part number').fill('KB 41 7');
  await work.getByLabel(/^Spent/).fill('14');
  await work.getByRole('button', { name: 'Record as done' }).click();
  // The record leads on to the proof; a log opened before that would be left with the page.
  await expect(page.getByRole('heading', { name: 'Prove it', level: 2 })).toBeVisible();
  await page.getByRole('link', { name: /^Log/ }).click();
  await expect(
    page.getByText(
      /fit a new coil boot on cylinder 2, spent 14, part KB 41 7, torque of the coil screw 8 Nm/,
    ),
  ).toBeVisible();
});

test('a workshop repaired something that no list knows: it is recorded and takes part in the proof', async ({
  page,
}) => {
  await example(page, '/case/case_wet/narrow');
  await station(page, 'Fix');
  await page.getByText('Something else was repaired, or somebody else did it').click();
  await page.getByLabel('What was repaired or replaced?').fill('Plug well seals');
  await page.getByRole('radio', { name: 'A workshop' }).last().click();
  await page.getByRole('button', { name: 'Record as done' }).last().click();
  await expect(page.getByRole('heading', { name: 'Prove it' })).toBeVisible();
  await page.getByRole('radio', { name: 'No clearing' }).click();
  await expect(page.getByText(/^0 of 3 good drives until the light is off/).first()).toBeVisible();
});
