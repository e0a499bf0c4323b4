import { expect, test, type Page } from './window.ts';
import { connect, openCase, readAll, station } from './helpers.ts';
import { expectAccessible } from './accessible.ts';

async function openPad(page: Page): Promise<void> {
  await page.getByRole('button', { name: 'Write down what the reader shows' }).click();
}

async function typeCode(page: Page, code: string): Promise<void> {
  const pad = page.getByRole('dialog');
  for (const digit of code) await pad.getByRole('button', { name: digit, exact: true }).click();
  await pad.getByRole('button', { name: '+ This code' }).click();
}

/** What the reader does not show, and its self-checks. */
async function showsNoMore(page: Page): Promise<void> {
  const pad = page.getByRole('dialog');
  for (const name of [/No (other )?stored codes/, /No (other )?pending codes/, 'No stored conditions'])
    await pad.getByRole('checkbox', { name }).check();
  await pad.getByText('Self-checks (I/M, monitors)').click();
  await pad.getByRole('radiogroup', { name: /^MIS/ }).getByRole('radio', { name: 'OK' }).click();
}

test('with a borrowed reader alone: written down, cleared by hand, driven, proven as told, and closed', async ({
  page,
}) => {
  await openCase(page);
  await station(page, 'Prove it');
  await page.getByRole('radio', { name: 'Another reader' }).click();
  await expect(page.getByText('No code is written down yet.')).toBeVisible();
  await openPad(page);
  await typeCode(page, 'P0302');
  await showsNoMore(page);
  await page
    .getByRole('dialog')
    .getByRole('button', { name: /^Add this code and the rest/ })
    .click();
  await expect(page.getByText('1 in the record')).toBeVisible();
  await expectAccessible(page);
  await page.getByRole('button', { name: '+ The codes were cleared' }).click();
  await expect(page.getByText('By your word it was cleared, and it was not read since.')).toBeVisible();

  // Not fixed while the light was told to be on, and not before anybody has looked.
  await page.getByRole('button', { name: 'Close the case' }).click();
  const closing = page.getByRole('dialog');
  await expect(closing.getByText('It is not proven yet.')).toBeVisible();
  await expect(closing.getByRole('button', { name: 'Close it' })).toBeDisabled();
  await closing.getByRole('radio', { name: 'On', exact: true }).click();
  await expect(closing.getByText('With the engine light on it is not fixed.')).toBeVisible();
  await expectAccessible(page);
  await page.keyboard.press('Escape');

  await page
    .getByRole('radiogroup', { name: /Same conditions/ })
    .getByRole('radio', { name: 'Yes' })
    .click();
  for (let n = 1; n <= 5; n++) {
    await page.getByRole('button', { name: '+ Record this drive' }).click();
    await expect(page.getByRole('link', { name: new RegExp(`^Log, ${2 + n} entries`) })).toBeVisible();
  }
  await openPad(page);
  await showsNoMore(page);
  await page.getByRole('dialog').getByRole('button', { name: 'Add this to the log' }).click();
  await expect(page.getByText('It has not returned.')).toBeVisible();
  await expect(
    page.getByText('Told, not seen by an adapter: the figure is a little lower for it.'),
  ).toBeVisible();
});

test('the wait with the battery off goes on through a reload; what was kept is not taken for a return', async ({
  page,
}) => {
  await openCase(page);
  await station(page, 'Prove it');
  await page.getByRole('radio', { name: 'Battery off' }).click();
  await page.getByRole('button', { name: 'Start the 10 minutes' }).click();
  await expect(page.getByRole('timer', { name: 'Battery disconnected' })).toContainText('9:5');
  await page.reload();
  await expect(page.getByRole('timer', { name: 'Battery disconnected' })).toContainText(/9:[0-5]/);
  await page.getByRole('button', { name: '+ The battery was disconnected' }).click();
  await expect(page.getByText('Recorded. Now read again.')).toBeVisible();
  await expectAccessible(page);
});

test('with the adapter and without a clear: repaired, driven, the car forgets by itself, proven and closed', async ({
  page,
}) => {
  await openCase(page);
  await connect(page, 'Intake temperature sensor unplugged');
  await readAll(page);
  await expect(page.getByText('Engine light commanded on')).toBeVisible();
  await station(page, 'Fix');
  await page.getByRole('button', { name: 'I have read the cautions' }).click();
  await page.getByRole('button', { name: 'Record as done' }).click();
  await page.getByRole('radio', { name: 'No clearing' }).click();
  await page.getByRole('button', { name: 'Repair its fault' }).click();
  // Good trips put the lamp out: that is the car's own proof.
  for (let trip = 1; trip <= 4; trip++) {
    await page.getByRole('button', { name: 'Drive a trip' }).click();
    await expect(page.getByText(new RegExp(`^${trip} trips? since you connected`))).toBeVisible();
    await page.getByRole('button', { name: '+ Record this drive' }).click();
    const log = (n: number) => page.getByRole('link', { name: new RegExp(`^Log, ${n} entries, saved`) });
    await expect(log(2 + 2 * trip)).toBeVisible();
    await page.getByRole('button', { name: 'Read again', exact: true }).click();
    await expect(log(3 + 2 * trip)).toBeVisible({ timeout: 20_000 });
  }
  await expect(page.getByText('Next: close the case')).toBeVisible();
  await page.getByRole('button', { name: 'Close the case' }).click();
  const closing = page.getByRole('dialog');
  await closing.getByRole('radio', { name: 'Off', exact: true }).click();
  await closing.getByRole('button', { name: 'Close it' }).click();
  await expect(page.getByText('Fixed.').first()).toBeVisible();
});
