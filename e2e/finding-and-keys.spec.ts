import { expect, test } from './window.ts';
import { example, openCase, openStrikeOut } from './helpers.ts';

test('from a code typed in to its meaning, one touch', async ({ page }) => {
  await page.goto('/');
  await expect(page.getByRole('heading', { name: 'Garage' })).toBeVisible();
  await page.keyboard.press('/');
  await expect(page.getByRole('combobox')).toBeFocused();
  await page.keyboard.type('p0420');
  await expect(page.getByText('Catalyst, bank 1: efficiency below threshold')).toBeVisible();
  await page.keyboard.press('Enter');
  await expect(page).toHaveURL(/codes\/P0420/);
  await expect(page.getByRole('heading', { name: /P0420/ })).toBeVisible();
});

test('words with slips, look-alike letters, vehicles and commands', async ({ page }) => {
  await example(page);
  const find = async (text: string) => {
    await page.keyboard.press('/');
    await page.getByRole('combobox').fill(text);
  };
  await find('catalist');
  await expect(page.getByRole('option').filter({ hasText: 'Catalyst' }).first()).toBeVisible();
  // A group without a match has no heading either.
  await expect(page.getByText('Commands', { exact: true })).toBeHidden();
  await page.keyboard.press('Escape');
  await find('PO302');
  await expect(page.getByText('Did you mean P0302?')).toBeVisible();
  await page.keyboard.press('Escape');
  await find('wet-morning');
  await page.keyboard.press('Enter');
  await expect(page).toHaveURL(/case_wet\/narrow/);
  await find('dark garage');
  await page.keyboard.press('Enter');
  await expect(page.locator('html')).toHaveClass(/dark/);
  // A reload in the same moment would end the page before the database has it.
  const stored = () =>
    page.evaluate(
      (store) =>
        new Promise<string>((resolve) => {
          indexedDB.open('pincer').onsuccess = (opened) => {
            const db = (opened.target as IDBOpenDBRequest).result;
            db.transaction(store).objectStore(store).get('settings').onsuccess = (got) => {
              db.close();
              resolve(JSON.stringify((got.target as IDBRequest).result ?? null));
            };
          };
        }),
      'records',
    );
  await expect.poll(stored).toContain('garage');
  await page.reload();
  await expect(page.locator('html')).toHaveClass(/dark/);
});

test('stations by number, the log, the sheet of keys, the garage', async ({ page }) => {
  await example(page, '/case/case_wet/narrow');
  await expect(page.getByRole('region', { name: 'What it can be' })).toBeVisible();
  const where = ['light', 'plug-in', 'read', 'meaning', 'narrow', 'decide', 'fix', 'prove'];
  for (const [i, name] of where.entries()) {
    await page.keyboard.press(String(i + 1));
    await expect(page).toHaveURL(new RegExp(`/${name}$`));
  }
  await page.keyboard.press('l');
  await expect(page.getByRole('dialog')).toContainText('Nothing is ever deleted.');
  await page.keyboard.press('Escape');
  // While a dialog is open no key of the page acts.
  await expect(page.getByRole('dialog')).toHaveCount(0);
  await page.keyboard.press('?');
  await expect(page.getByRole('dialog')).toContainText('Stations of the open case');
  await page.keyboard.press('Escape');
  await expect(page.getByRole('dialog')).toHaveCount(0);
  await page.keyboard.press('g');
  await expect(page.getByRole('heading', { name: 'Garage' })).toBeVisible();
});

test('keys of a single letter can be switched off, and stay so; Ctrl K works all the same', async ({
  page,
}) => {
  await example(page, '/settings');
  await page.getByRole('checkbox', { name: 'Keyboard shortcuts of a single key' }).uncheck();
  await page.reload();
  const choice = page.getByRole('checkbox', { name: 'Keyboard shortcuts of a single key' });
  await expect(choice).not.toBeChecked();
  await page.getByRole('heading', { name: 'Settings', level: 1 }).click();
  await page.keyboard.press('g');
  await page.keyboard.press('?');
  await page.keyboard.press('ControlOrMeta+k');
  await expect(page.getByRole('dialog')).toHaveCount(1);
  await expect(page.getByRole('combobox')).toBeFocused();
  await page.keyboard.press('Escape');
  await expect(page).toHaveURL(/settings$/);
  await choice.check();
  await page.getByRole('heading', { name: 'Settings', level: 1 }).click();
  await page.keyboard.press('g');
  await expect(page.getByRole('heading', { name: 'Garage' })).toBeVisible();
});

test('a station that is fetched stands as soon as it has come: no timer holds it back', async ({ page }) => {
  await openCase(page);
  await page.addInitScript(() => {
    const later = window.setTimeout;
    // Whatever would go on by itself after a while does not.
    window.setTimeout = ((run: TimerHandler, ms = 0, ...rest: unknown[]) =>
      ms > 50 ? 0 : later(run, ms, ...rest)) as typeof setTimeout;
  });
  await page.reload();
  await expect(page.getByRole('heading', { name: 'Which light is on, and how does it run?' })).toBeVisible();
});

test('an entry is struck out with a reason and its weight goes', async ({ page }) => {
  await example(page, '/case/case_wet/narrow');
  const found = page.getByRole('region', { name: 'You found' });
  await expect(found).toContainText('Only in the wet');
  await page.keyboard.press('l');
  const row = page.getByRole('listitem').filter({ hasText: 'Only in the wet: yes.' });
  await openStrikeOut(row);
  await page.getByLabel('Reason').fill('It was dry.');
  await row.getByRole('button', { name: 'Strike out' }).click();
  await expect(page.getByText('Struck out: It was dry.', { exact: true })).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(found).not.toContainText('Only in the wet');
});

test('choosing a cause ties its facts and fades the others', async ({ page }) => {
  await example(page, '/case/case_wet/narrow');
  const causes = page.getByRole('region', { name: 'What it can be' });
  await expect(causes.getByRole('button', { pressed: true })).toContainText('Coil boot');
  const wet = page
    .getByRole('region', { name: 'You found' })
    .getByRole('listitem')
    .filter({ hasText: 'Only in the wet' });
  await expect(wet).toContainText('×');
  // No tie runs behind an edge: what is scrolled away is counted there, one touch away.
  await page.setViewportSize({ width: 1280, height: 640 });
  const car = page.getByRole('region', { name: 'The car says' });
  await car.evaluate((jaw) => jaw.scrollTo(0, jaw.scrollHeight));
  const misfire = car.getByRole('listitem').filter({ hasText: 'P0302' }).first();
  await expect(misfire).not.toBeInViewport();
  await page.getByRole('button', { name: /^\d more above support/ }).click();
  await expect(car.locator('[data-fact]').filter({ hasText: 'No other code' })).toBeInViewport();
  await causes.getByRole('button', { name: /Spark plug 2/ }).click();
  await expect(wet).toContainText('÷');
  await expect(page).toHaveURL(/cause=plug/);
});

test('settings: rates move the figures, units the distances', async ({ page }) => {
  await example(page, '/case/case_wet/narrow');
  await expect(page.getByRole('region', { name: 'What it can be' })).toBeVisible();
  await page.keyboard.press('6');
  const repair = page.getByRole('region', { name: 'Repair it yourself' });
  const before = await repair.locator('dd').first().innerText();
  await page.getByRole('link', { name: 'Settings' }).click();
  await page.getByLabel(/Your own time, per hour/).fill('60');
  await page.getByRole('radio', { name: 'Miles, °C, kPa' }).click();
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await expect(page.getByText('Saved.')).toBeVisible();
  await page.goBack();
  await expect(repair.locator('dd').first()).not.toHaveText(before);
  await page.keyboard.press('g');
  await expect(page.getByText(/104,639 mi/)).toBeVisible();
});

test('from opening the app to the first codes of a known car, two touches', async ({ page }) => {
  await example(page);
  await page.setViewportSize({ width: 390, height: 844 });
  await page
    .getByRole('region', { name: 'Kestrine 650' })
    .getByRole('button', { name: 'Connect and read' })
    .click();
  // The garage has buttons of the same name, and stands until the station has come.
  await expect(page).toHaveURL(/plug-in/);
  await expect(page.getByRole('region', { name: 'Kestrine 650' })).toHaveCount(0);
  await page.getByRole('button', { name: 'Connect and read', exact: true }).click();
  await expect(page.getByText('P0562').first()).toBeVisible({ timeout: 20_000 });
});
