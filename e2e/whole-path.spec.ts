import { expect, test } from './window.ts';
import { connect, openCase, readAll, station } from './helpers.ts';

test('from a lit lamp to a decision, a clear, and the log after a reload', async ({ page }) => {
  const fetched: string[] = [];
  page.on('request', (request) => fetched.push(request.url()));
  const library = () => fetched.filter((url) => /\/library-[^/]*\.js$/.test(url)).length;
  await openCase(page);
  const road = page.getByRole('region', { name: 'How far you may still drive' });
  await expect(road).toContainText('Short trips');

  // Light: the allowance answers at once.
  await page
    .getByRole('radiogroup', { name: 'Engine light (check engine)' })
    .getByRole('radio', { name: 'Steady' })
    .click();
  await expect(road).toContainText('not been read yet');
  await page.getByRole('button', { name: 'Lacks power: not answered' }).click();
  await page.getByRole('button', { name: 'Worked on lately: not answered' }).click();
  await expect(road).toContainText('lacks power');

  // Connect and read.
  await connect(page, 'Air leak after the air flow sensor');
  await page.getByRole('radio', { name: 'Idle' }).click();
  await readAll(page);
  const codes = page.getByRole('listitem').filter({ hasText: 'P0171' }).first();
  await expect(codes).toContainText('Fuel mixture too lean, bank 1');
  await expect(codes).toContainText('confirmed, permanent, pending');
  await expect(page.getByText('Engine light commanded on')).toBeVisible();
  const judged = page.getByRole('region', { name: 'Do the readings make sense?' });
  await expect(judged.getByRole('listitem').filter({ hasText: 'Fuel trim at idle: no' })).toContainText(
    'odd',
  );
  await judged.getByText(/normal, with their figures$/).click();
  await expect(judged.getByRole('row', { name: /Coolant temperature is possible/ })).toBeVisible();

  // Meaning.
  await station(page, 'Meaning');
  await expect(page.getByText('One code, one likely cause')).toBeVisible();
  await expect(page.getByText('vacuum hose off or split', { exact: true })).toBeVisible();

  // Narrow down: a cause leads, a check is proposed, its answer moves the bars.
  await station(page, 'Narrow down');
  const causes = page.getByRole('region', { name: 'What it can be' });
  await expect(causes.getByRole('button', { pressed: true })).toContainText('Vacuum hose off or split');
  const before = await causes.getByRole('button', { pressed: true }).innerText();
  await page.getByRole('button', { name: /^or \d+ others$/ }).click();
  await page.getByRole('button', { name: /Bend the intake hose and look for cracks/ }).click();
  await expect(page.getByText('What did you find?')).toBeHidden();
  await page.getByRole('button', { name: 'I have read these; show me how' }).click();
  await page.getByRole('button', { name: /Split or loose/ }).click();
  await expect(page.getByText('1 check', { exact: false }).first()).toBeVisible();
  await expect(causes.getByRole('button', { pressed: true })).not.toHaveText(before);

  // Decide.
  await station(page, 'Decide');
  await expect(page.getByRole('region', { name: 'Repair it yourself' })).toContainText('after the check');
  await page.getByRole('button', { name: 'Choose: repair it yourself' }).click();

  // Fix: cautions before steps.
  await expect(page.getByRole('heading', { name: 'Fit a new intake hose' })).toBeVisible();
  await expect(page.getByRole('checkbox')).toHaveCount(0);
  await page.getByRole('button', { name: 'I have read the cautions' }).click();
  await page.getByRole('checkbox').first().check();
  await page.getByLabel('What you saw or did').fill('Split at the second fold.');
  await page.getByRole('button', { name: 'Record as done' }).click();

  // Prove: the record is safe, the clear is guarded, the car refuses with the engine running.
  await expect(page.getByText('The record is safe.')).toBeVisible();
  await page.getByRole('button', { name: /I have read this/ }).click();
  await page.getByRole('button', { name: 'Clear now' }).click();
  await expect(page.getByText('The car refused to clear.')).toBeVisible();
  await page.getByRole('radio', { name: 'On', exact: true }).click();
  await page.getByRole('button', { name: 'Repair its fault' }).click();
  // Nothing was erased: the same permission still holds.
  await page.getByRole('button', { name: 'Clear now' }).click();
  await expect(page.getByText('Cleared: engine.', { exact: true })).toBeVisible();
  await page.getByRole('button', { name: 'Drive a trip' }).click();
  await expect(page.getByText(/1 trip since you connected; the last one ran smoothly/)).toBeVisible();
  // The reading is over before the drive is recorded: one that ends later is a reading after the drive.
  const log = page.getByRole('link', { name: /^Log, / });
  const held = /\d+/.exec((await log.getAttribute('aria-label')) ?? '')?.[0] ?? '';
  await page.getByRole('button', { name: 'Read again', exact: true }).click();
  await expect(log).toHaveAccessibleName(new RegExp(`^Log, (?!${held} )\\d+ entries, saved$`), {
    timeout: 15_000,
  });
  await expect(page.getByText('It has not returned.')).toBeVisible();
  await page
    .getByRole('radiogroup', { name: 'Same conditions as when it came?' })
    .getByRole('radio', { name: 'Yes' })
    .click();
  await page.getByRole('button', { name: '+ Record this drive' }).click();
  // Who only saw the lamp stay out knows less than who has read since.
  await expect(page.getByRole('row', { name: /90 % sure/ })).not.toContainText('reached');
  await page.getByRole('button', { name: 'Read again', exact: true }).click();
  await expect(page.getByRole('row', { name: /90 % sure/ })).toContainText('reached', { timeout: 15_000 });

  // All the way the advice held what was shown of the library of causes; the log, which names what is past, fetches it.
  expect(library()).toBe(0);

  // Everything is in the log, after a reload too.
  await page.reload();
  await page.getByRole('link', { name: /^Log, / }).click();
  const sheet = page.getByRole('dialog');
  for (const sentence of [
    'Engine light (check engine) is on.',
    'Full reading: P0171, light on.',
    'split or loose',
    'Decided: repair it yourself.',
    'Split at the second fold.',
    'Clear refused.',
    'Cleared; confirmed by the car.',
    'Drive under the same conditions: it stayed away.',
  ]) {
    await expect(sheet).toContainText(sentence);
  }
  expect(library()).toBe(1);
});

test('a fault that is still there comes straight back', async ({ page }) => {
  await openCase(page);
  await connect(page, 'Coil of cylinder 3 failed');
  await readAll(page);
  await station(page, 'Prove');
  await expect(page.getByText('The record is safe.')).toBeVisible();
  await page.getByRole('button', { name: /I have read this/ }).click();
  await page.getByRole('button', { name: 'Clear now' }).click();
  await expect(page.getByText('Cleared: engine.', { exact: true })).toBeVisible();
  await page.getByRole('button', { name: 'Drive a trip' }).click();
  await expect(page.getByText(/the last one shook/)).toBeVisible();
  await page.getByRole('button', { name: 'Read again', exact: true }).click();
  await expect(page.getByText(/^Returned: .*P0303/)).toBeVisible({ timeout: 15_000 });
});

test('clear is impossible until a full reading was written to storage and read back', async ({ page }) => {
  await openCase(page);
  await connect(page, 'Intake temperature sensor unplugged');
  await station(page, 'Prove');
  await expect(page.getByText('Not yet: read everything first.')).toBeVisible();
  await expect(page.getByRole('button', { name: 'Clear now' })).toHaveCount(0);
  await expect(page.getByRole('button', { name: /I have read this/ })).toHaveCount(0);

  // A store that takes the record and does not give it back keeps the way shut.
  await page.evaluate(() => {
    type Get = (this: IDBObjectStore, key: IDBValidKey | IDBKeyRange) => IDBRequest<unknown>;
    const { get } = IDBObjectStore.prototype as unknown as { get: Get };
    IDBObjectStore.prototype.get = function (key: IDBValidKey | IDBKeyRange) {
      return get.call(this, typeof key === 'string' && key.startsWith('entry:') ? 'nothing' : key);
    };
  });
  await readAll(page);
  await station(page, 'Prove');
  await expect(page.getByText('Not yet: the saved record could not be verified.')).toBeVisible();
  await expect(page.getByRole('button', { name: 'Clear now' })).toHaveCount(0);
  await expect(page.getByRole('button', { name: /I have read this/ })).toHaveCount(0);

  // A reload ends the connection, and nothing from before it opens the way: the plug may be in another car by now.
  await page.reload();
  await expect(page.getByText('Not yet: read everything first.')).toBeVisible();
  await expect(page.getByRole('button', { name: 'Clear now' })).toHaveCount(0);
  // With a store that works, the record of a new reading is read back and the way opens.
  await connect(page, 'Intake temperature sensor unplugged');
  await readAll(page);
  await station(page, 'Prove');
  await expect(page.getByText('The record is safe.')).toBeVisible();
  await page.getByRole('button', { name: /I have read this/ }).click();
  await expect(page.getByRole('button', { name: 'Clear now' })).toBeEnabled();
});
