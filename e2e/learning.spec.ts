import { expect, test } from './window.ts';
import { connect, example, openCase, readAll, station } from './helpers.ts';
import { expectAccessible } from './accessible.ts';

test('a price of one’s own moves the decision, and is in the log', async ({ page }) => {
  await example(page, '/case/case_wet/narrow');
  await station(page, 'Decide');
  const repair = page.getByRole('region', { name: 'Repair it yourself' });
  const cost = repair.locator('dd').first();
  const before = await cost.innerText();
  await page.getByText('Prices of your own').click();
  const row = page.getByRole('group', { name: /^Fit a new coil boot on cylinder 2/ });
  await row.getByLabel(/^Parts/).fill('140');
  await row.getByRole('button', { name: 'Use' }).click();
  await expect(page.getByText('Recorded. The costs are reckoned anew.')).toBeVisible();
  await expect(cost).not.toHaveText(before);
  await page.getByRole('link', { name: /^Log/ }).click();
  await expect(page.getByText(/^Your own price, fit a new coil boot on cylinder: parts 140/)).toBeVisible();
});

test('what it was is told when the case is closed, and the next case knows it', async ({ page }) => {
  await openCase(page);
  await page
    .getByRole('radiogroup', { name: 'Engine light (check engine)' })
    .getByRole('radio', { name: 'Flashing' })
    .click();
  await page.getByRole('button', { name: /^Shakes/ }).click();
  await connect(page, 'Coil boot of cylinder 2 cracked');
  await readAll(page);
  await station(page, 'Fix');
  await page
    .getByRole('button', { name: /coil boot/ })
    .first()
    .click();
  await page.getByRole('button', { name: 'I have read the cautions' }).click();
  await page.getByLabel(/^Spent/).fill('19');
  await page.getByRole('button', { name: 'Record as done' }).click();
  // The car still commands the light on, whatever is told.
  await page.getByRole('button', { name: 'Close the case' }).click();
  const closing = page.getByRole('dialog');
  await closing.getByRole('radio', { name: 'Off', exact: true }).click();
  await expect(
    closing.getByText('The car still commands the engine light on', { exact: false }),
  ).toBeVisible();
  await expect(closing.getByRole('button', { name: 'Close it' })).toBeDisabled();
  await page.keyboard.press('Escape');
  await page.getByRole('radio', { name: 'Another reader' }).click();
  await page.getByRole('button', { name: '+ The codes were cleared' }).click();
  await page.getByRole('button', { name: 'Close the case' }).click();
  await closing.getByRole('radio', { name: 'Off', exact: true }).click();
  await expect(closing.getByText('It is not proven yet.')).toBeVisible();
  await expect(closing.getByLabel(/^What it cost/)).toHaveValue('19');
  await closing.getByRole('button', { name: 'Close it' }).click();
  await expect(page.getByText('It was not proven then.', { exact: false })).toBeVisible();

  await openCase(page, 'Tarrow Finch 1.2');
  await page
    .getByRole('radiogroup', { name: 'Engine light (check engine)' })
    .getByRole('radio', { name: 'Flashing' })
    .click();
  await page.getByRole('button', { name: /^Shakes/ }).click();
  await station(page, 'Narrow down');
  await page
    .getByRole('button', { name: /^Coil boot/i })
    .first()
    .click();
  await expect(page.getByText(/^It was this once before on your vehicles/)).toBeVisible();
});

test('two offers: what each line pays for, what to ask, and which costs least on average', async ({
  page,
}) => {
  await example(page, '/case/case_wet/narrow');
  await station(page, 'Decide');
  await page.getByText('Offers and invoices').click();
  const add = async (name: string, text: string) => {
    await page.getByLabel('Whose offer or invoice').fill(name);
    await page.getByLabel('Its text, a line for each item').fill(text);
    await page.getByRole('button', { name: '+ Hold it against the evidence' }).click();
    await expect(page.getByRole('region', { name })).toBeVisible();
  };
  await add('Harbour garage', 'Catalytic converter 780.00\nTotal 780.00');
  await add('Corner garage', 'Coil boot cylinder 2 18.00\nLabour 60.00\nTotal 78.00');
  await expect(
    page
      .getByRole('region', { name: 'Harbour garage' })
      .getByText('Nothing that was read or found asks for this.'),
  ).toBeVisible();
  await expect(page.getByText('2 offers; Corner garage costs least on average')).toBeVisible();
  await expectAccessible(page);
});
