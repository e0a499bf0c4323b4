import { expect, test } from './window.ts';
import { connect, openCase, readAll, station } from './helpers.ts';
import { expectAccessible } from './accessible.ts';

test('a vehicle by its VIN, then changed; the car’s own number is compared with it', async ({ page }) => {
  await page.goto('/');
  await page.getByRole('link', { name: 'A light came on' }).first().click();
  await page.getByLabel('VIN').fill('ZZ9TR1F46CH00030O');
  await expect(page.getByText('A VIN never has O', { exact: false })).toBeVisible();
  await page.getByLabel('VIN').fill('ZZ9TR1F46CH000303');
  await expect(page.getByText('The check digit does not fit', { exact: false })).toBeVisible();
  await page.getByRole('button', { name: 'Use 2012' }).click();
  await expect(page.getByLabel('Year')).toHaveValue('2012');
  await page.getByLabel('Make and model').fill('Tarrow Finch 1.4');
  await page.getByText('More: transmission, dates').click();
  await page.getByLabel('Transmission').selectOption({ label: 'Manual' });
  await page.getByLabel('Next inspection').fill('2027-03-31');
  await page.getByLabel('Altitude where it is kept, m').fill('9000');
  await page.getByRole('button', { name: 'A trip' }).click();
  await page.getByRole('button', { name: 'Open the case' }).click();
  await expect(page.getByText('Each trip needs a name')).toBeVisible();
  await expect(page.getByText('A realistic altitude')).toBeVisible();
  await page.getByLabel('Altitude where it is kept, m').fill('540');
  await page.getByLabel('Destination').fill('to the pottery');
  await page.getByLabel('Minutes').fill('25');
  await page.getByLabel('Length, km').fill('19');
  await page.getByLabel('Times a week').fill('4');
  await page.getByRole('button', { name: 'Open the case' }).click();
  await expect(page.getByRole('heading', { name: 'Which light is on, and how does it run?' })).toBeVisible();

  await connect(page, 'Nothing');
  await readAll(page);
  const identity = page.getByRole('region', { name: 'Identity' });
  await expect(identity).toContainText('character 17 differs');
  await expect(identity).toContainText('A slip when it was written down');

  await page.goto('/');
  await page.getByRole('link', { name: 'Vehicle details' }).click();
  await expectAccessible(page);
  await expect(page.getByLabel('Destination')).toHaveValue('to the pottery');
  await expect(page.getByLabel('Transmission')).toHaveValue('manual');
  await expect(page.getByLabel('Altitude where it is kept, m')).toHaveValue('540');
  await page.getByLabel('VIN').fill('ZZ9TR1F46CH000302');
  await page.getByRole('button', { name: 'Save changes' }).click();
  // The vehicle's own page names the case too: what is touched there before it is saved is left again.
  await expect(page.getByRole('heading', { name: 'Garage' })).toBeVisible();
  await page
    .getByRole('link', { name: /A light came on/ })
    .last()
    .click();
  await station(page, 'Read');
  await expect(identity).toContainText('is the one on file');
});

test('a code that is known and accepted stands apart, with the legal caution, and new ones are seen', async ({
  page,
}) => {
  await openCase(page);
  await connect(page, 'Coil of cylinder 3 failed');
  await readAll(page);
  await station(page, 'Meaning');
  await page.getByRole('button', { name: 'Mark as known… P0353' }).click();
  const dialog = page.getByRole('dialog');
  await expect(dialog).toContainText('illegal to remove or defeat');
  await expect(dialog.getByRole('button', { name: 'Accept this code' })).toBeDisabled();
  await dialog.getByLabel('Why it is known').fill('Ignition box fitted for the harbour race');
  await dialog.getByRole('button', { name: 'Accept this code' }).click();
  const apart = page.getByRole('region', { name: 'Known and accepted' });
  await expect(apart).toContainText('P0353');
  await expect(apart).toContainText('Ignition box fitted for the harbour race');
  await expect(apart).toContainText('check your local rules');
  await expect(page.getByRole('button', { name: 'Mark as known… P0303' })).toBeVisible();
  await expect(page.getByRole('button', { name: 'Mark as known… P0353' })).toBeHidden();

  await page.reload();
  await expect(apart).toContainText('P0353');
  await apart.getByRole('link', { name: 'Change that' }).click();
  await page.getByRole('button', { name: 'Withdraw' }).click();
  await expect(page.getByText(/taken back/)).toBeVisible();
  await page.goBack();
  await expect(page.getByRole('button', { name: 'Mark as known… P0353' })).toBeVisible();
});
