import { expect, test, type Page } from './window.ts';
import { LAPTOP, PHONE, connect, example, readAll, station, turnTo } from './helpers.ts';
import { expectAccessible } from './accessible.ts';

/** Opens a case of a new vehicle for an occasion. */
async function openFor(page: Page, occasion: string, vehicle: string): Promise<void> {
  await page.goto('/');
  await page
    .getByRole('link', { name: /A light came on/ })
    .first()
    .click();
  const dialog = page.getByRole('dialog');
  await dialog.getByRole('radio', { name: occasion }).click();
  await dialog.getByLabel('Make and model').fill(vehicle);
  await dialog.getByRole('button', { name: 'Open the case' }).click();
}

test.use({ viewport: PHONE });

test('before buying: the steps in order, what was found, nothing cleared, a record of the visit', async ({
  page,
}) => {
  await openFor(page, 'Before buying', 'Marlow Pippin 1.4');
  await expect(page.getByRole('heading', { name: 'Before buying', level: 2 })).toBeVisible();
  await expect(page.getByText('Not read yet')).toBeVisible();
  await expectAccessible(page);
  await connect(page, 'Catalyst worn out');
  await readAll(page);
  await page.getByRole('link', { name: /^Before buying: the steps/ }).click();
  const found = page.getByRole('region', { name: 'What was found' });
  await expect(found).toContainText('Stored now: P0420');
  await expect(page.getByText(/take off the price/)).toBeVisible();
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Save this visit as PDF' }).click();
  expect((await download).suggestedFilename()).toBe('before-buying-marlow-pippin-1-4.pdf');
  await turnTo(page, LAPTOP);
  // Under no school is anything cleared here.
  await station(page, 'Decide');
  await expect(page.getByRole('region', { name: 'Clear it and watch' })).toContainText(
    'nothing is cleared and nothing is repaired at a stranger’s car',
  );
  await station(page, 'Prove');
  await expect(page.getByRole('button', { name: /Ignition is on/ })).toBeDisabled();
});

test('a routine look: begins at the adapter, and a sound vehicle has nothing to do', async ({ page }) => {
  await openFor(page, 'Routine look', 'Tarrow Finch 1.4');
  await expect(page).toHaveURL(/plug-in$/);
  await connect(page, 'Nothing');
  await readAll(page);
  await station(page, 'Decide');
  await expect(page.getByText(/Recommended: nothing to do/)).toBeVisible();
});

test('recalls and bulletins: what is sent is shown, only what fits is taken, and it counts', async ({
  page,
}) => {
  await example(page, '/case/case_wet/meaning');
  const panel = page.getByRole('region', { name: 'Recalls and bulletins' });
  await expect(panel).toContainText(/Tarrow Finch 1\.4 · 2012 · (petrol|gasoline) · 1\.4 L · P0300 · P0302/);
  await expect(panel).not.toContainText('HV 41');
  const asked = page.waitForRequest(/api\/bulletins/);
  await panel.getByRole('button', { name: 'Ask the service' }).click();
  expect((await asked).url()).not.toMatch(/ZZ9|HV/);
  await expect(panel.getByText('Brake hose may rub on the wheel arch')).toBeVisible();
  await expect(panel.getByText('Charge air hose')).toBeHidden();
  const boots = panel.getByRole('listitem').filter({ hasText: 'Coil boots crack' });
  await boots.getByRole('button', { name: 'Put it into the log' }).click();
  await expect(boots.getByRole('button', { name: 'In the log' })).toBeDisabled();
  await expectAccessible(page);
  await station(page, 'Narrow');
  await page.getByRole('button', { name: /^You found/ }).click();
  await expect(page.getByText('Bulletin: Coil boots crack where the plug wells stay damp')).toBeVisible();
  await page.keyboard.press('Escape');
  await turnTo(page, LAPTOP);
  // A file that is none says so, and nothing is taken.
  await station(page, 'Meaning');
  await panel.getByLabel('Open a file').setInputFiles({
    name: 'b.json',
    mimeType: 'application/json',
    buffer: Buffer.from('{"format":"something"}'),
  });
  await expect(panel.getByText(/no list of bulletins/)).toBeVisible();
});
