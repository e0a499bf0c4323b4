import { expect, test, type Page } from './window.ts';
import { connect, example, openStrikeOut, readAll, station } from './helpers.ts';
import { expectAccessible } from './accessible.ts';

/** The first chance that the middle of Narrow down shows. */
async function leader(page: Page): Promise<string> {
  const first = page.getByRole('region', { name: 'What it can be' }).getByRole('button').first();
  return (await first.innerText()).replace(/\s+/g, ' ');
}

/** Takes the outcome of a check, first or last of the list. */
async function take(page: Page, which: 'first' | 'last'): Promise<void> {
  await page.getByRole('button', { name: 'Start this check' }).click();
  const dialog = page.getByRole('dialog');
  const read = dialog.getByRole('button', { name: 'I have read these; show me how' });
  await expect(dialog.getByRole('heading', { level: 2 })).toBeVisible();
  if (await read.isVisible()) await read.click();
  const outcomes = dialog.getByRole('button', { name: /expected/ });
  await outcomes[which]().click();
  await expect(dialog).toBeHidden();
}

for (const { name, vehicle, title, fault, code } of [
  {
    name: 'a petrol hatchback',
    vehicle: 'veh_finch',
    title: /Tarrow Finch/,
    fault: 'Coil of cylinder 3 failed',
    code: 'P0303',
  },
  {
    name: 'a diesel van',
    vehicle: 'veh_dray',
    title: /Ostler Dray/,
    fault: 'Particulate filter full of soot',
    code: 'P2463',
  },
  {
    name: 'a motorcycle',
    vehicle: 'veh_kestrine',
    title: /Kestrine/,
    fault: 'Regulator/rectifier failing',
    code: 'P0562',
  },
])
  test(`${name}, from the light to a decision, with a wrong turn taken back`, async ({ page }) => {
    await example(page, `/?new=${vehicle}`);
    await page.getByRole('dialog').getByRole('button', { name: title }).click();
    await page
      .getByRole('radiogroup', { name: 'Engine light (check engine)' })
      .getByRole('radio', { name: 'Steady' })
      .click();
    await connect(page, fault);
    await readAll(page);
    await expect(page.getByText(code).first()).toBeVisible();
    await station(page, 'Narrow down');
    const before = await leader(page);

    // The wrong turn: a result that was not so is taken back in the log, and all is as it was.
    await take(page, 'first');
    await expect.poll(() => leader(page)).not.toBe(before);
    await page.getByRole('link', { name: /^Log/ }).click();
    const log = page.getByRole('dialog');
    const row = log
      .getByRole('listitem')
      .filter({ has: page.getByRole('button', { name: /^More: / }) })
      .first();
    await openStrikeOut(row);
    await page.getByLabel('Reason').fill('Wrong plug.');
    await log.getByRole('button', { name: 'Strike out' }).click();
    await expect(page.getByText('Struck out: Wrong plug.', { exact: true })).toBeVisible();
    await page.keyboard.press('Escape');
    await expect.poll(() => leader(page)).toBe(before);

    await take(page, 'last');
    await expect.poll(() => leader(page)).not.toBe(before);
    await station(page, 'Decide');
    await expect(page.getByText(/^(Recommended|One more check first): /)).toBeVisible();
    await expectAccessible(page);
    await page
      .getByRole('button', { name: /^Choose: / })
      .first()
      .click();
    await expect(page.getByRole('heading', { name: 'Decide', level: 2 })).toBeHidden();
    await station(page, 'Decide');
    await expect(page.getByText(/^You chose “/)).toBeVisible();
  });
