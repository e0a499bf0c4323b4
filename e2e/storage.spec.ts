import { readFileSync } from 'node:fs';
import { expect, test, type Page } from './window.ts';
import { connect, example, openCase, station } from './helpers.ts';
import { expectAccessible } from './accessible.ts';

/** Puts records into the database past the program. */
function putRaw(page: Page, records: Record<string, unknown>): Promise<void> {
  return page.evaluate(
    (all) =>
      new Promise<void>((resolve, reject) => {
        const open = indexedDB.open('pincer');
        open.onerror = () => reject(new Error('no database'));
        open.onsuccess = () => {
          const store = open.result.transaction('records', 'readwrite').objectStore('records');
          for (const [key, value] of Object.entries(all)) store.put(value, key);
          store.transaction.oncomplete = () => {
            open.result.close();
            resolve();
          };
        };
      }),
    records,
  );
}

test('a record that cannot be read is told alone, saved, mended and put back; the rest starts', async ({
  page,
}) => {
  await example(page);
  const key = 'vehicle:veh_odd';
  await putRaw(page, {
    [key]: {
      version: 2,
      record: { id: 'veh_odd', name: 'Odd One', kind: 'car', fuel: 'petrol', aspiration: 9 },
    },
    'case:case_future': { version: 99, record: {} },
  });
  await page.reload();
  await expect(page.getByText('One record could not be read.')).toBeVisible();
  await expect(page.getByText('One record was written by a newer Pincer.')).toBeVisible();
  await expect(page.getByText('Wet-morning shake')).toBeVisible();
  await expectAccessible(page);
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Save a copy' }).click();
  const saved = await (await download).path();
  expect(JSON.parse(readFileSync(saved, 'utf8'))).toMatchObject({ format: 'pincer-record', key });
  await page.getByRole('button', { name: 'Mend it' }).click();
  const text = page.getByLabel('The record (JSON)');
  await expect(text).toHaveValue(/"aspiration": 9/);
  await page.getByRole('button', { name: 'Put it back' }).click();
  await expect(page.getByText(/It still cannot be read: aspiration/)).toBeVisible();
  await text.fill((await text.inputValue()).replace('"aspiration": 9', '"aspiration": "natural"'));
  await page.getByRole('button', { name: 'Put it back' }).click();
  await expect(page.getByRole('heading', { name: 'Odd One' })).toBeVisible();
});

test('an entry that storage will not keep says so, stays, and is kept at another try', async ({ page }) => {
  await openCase(page);
  await page.evaluate(() => {
    const full = globalThis as { isFull?: boolean };
    full.isFull = true;
    for (const name of ['put', 'add'] as const) {
      type Write = (this: IDBObjectStore, value: unknown, key?: IDBValidKey) => IDBRequest<IDBValidKey>;
      const through = (IDBObjectStore.prototype as unknown as Record<string, Write>)[name] as Write;
      IDBObjectStore.prototype[name] = function (value: unknown, key?: IDBValidKey) {
        if (full.isFull) throw new DOMException('The disk is full', 'QuotaExceededError');
        return through.call(this, value, key);
      };
    }
  });
  await page
    .getByRole('radiogroup', { name: 'Engine light (check engine)' })
    .getByRole('radio', { name: 'Steady' })
    .click();
  const alert = page.getByRole('alert').filter({ hasText: 'One entry is not saved.' });
  await expect(alert).toContainText('There is no room left for this page on this device');
  await expect(page.getByRole('link', { name: /^Log, 1 entry, not saved/ })).toBeVisible();
  await expect(alert.getByRole('button', { name: 'Save as a case file' })).toBeVisible();
  await alert.getByRole('button', { name: 'Try again' }).click();
  await expect(alert).toBeVisible();
  // What a note says is not acknowledged either.
  await station(page, 'Narrow down');
  await page.getByRole('button', { name: 'Something you saw or did' }).click();
  await page.getByLabel('Note in your own words').fill('Smells of petrol.');
  await page.getByRole('button', { name: 'Record the note' }).click();
  await expect(page.getByText('2 entries are not saved.')).toBeVisible();
  await expect(page.getByText('Note recorded.')).toBeHidden();
  await page.keyboard.press('Escape');
  // In one go: with room again the page's own look at storage might be the quicker of the two.
  await page
    .getByRole('alert')
    .getByRole('button', { name: 'Try again' })
    .evaluate((button: HTMLButtonElement) => {
      (globalThis as { isFull?: boolean }).isFull = false;
      button.click();
    });
  await expect(page.getByRole('link', { name: /^Log, 2 entries, saved/ })).toBeVisible();
  await page.reload();
  await expect(page.getByRole('link', { name: /^Log, 2 entries, saved/ })).toBeVisible();
});

test('storage that the browser refuses is said before anything is typed in', async ({ page }) => {
  await page.addInitScript(() => {
    IDBFactory.prototype.open = () => {
      throw new DOMException('not here', 'SecurityError');
    };
  });
  await page.goto('/');
  const alert = page.getByRole('alert');
  await expect(alert).toContainText('Nothing that you enter now is kept.');
  await expect(alert).toContainText('The browser would not open its storage.');
  await expect(alert.getByRole('button', { name: 'Try again' })).toBeVisible();
  // Nothing else is used in its place.
  expect(await page.evaluate(() => Object.keys(localStorage).filter((k) => k.startsWith('pincer/')))).toEqual(
    [],
  );
});

test('two pages: each has what the other records, and after a reload nothing is gone', async ({
  page,
  context,
}) => {
  await openCase(page);
  const other = await context.newPage();
  await other.goto(page.url());
  const lamp = (p: Page, name: string, mode: string) =>
    p.getByRole('radiogroup', { name, exact: true }).getByRole('radio', { name: mode });
  await expect(lamp(other, 'Engine light (check engine)', 'Steady')).toBeVisible();
  await lamp(page, 'Engine light (check engine)', 'Steady').click();
  await expect(lamp(other, 'Engine light (check engine)', 'Steady')).toBeChecked();
  await Promise.all([
    lamp(page, 'Engine light (check engine)', 'Flashing').click(),
    other.getByRole('radiogroup', { name: 'The engine light at key-on' }).getByRole('radio').first().click(),
  ]);
  await expect(page.getByRole('link', { name: /^Log, 3 entries, saved/ })).toBeVisible();
  await expect(other.getByRole('link', { name: /^Log, 3 entries, saved/ })).toBeVisible();
  await other.reload();
  await expect(other.getByRole('link', { name: /^Log, 3 entries, saved/ })).toBeVisible();
  // The other page says that this one holds the adapter, and no longer once it is gone.
  await connect(page, 'Coil of cylinder 3 failed');
  await expect(
    other.getByText(/Another page of Pincer is connected to the adapter for this case/),
  ).toBeVisible();
  await page.close();
  await expect(other.getByText(/Another page of Pincer/)).toBeHidden();
});

test('a case with entries of a newer version can be looked at, and is not changed', async ({ page }) => {
  await openCase(page);
  const caseId = /case_[0-9a-f]+/.exec(page.url())?.[0] ?? '';
  await putRaw(page, {
    [`entry:${caseId}:ent_new`]: {
      version: 2,
      caseId,
      record: { id: 'ent_new', at: '2026-11-03T06:00:00.000Z', kind: 'sniffed', smell: 'odd' },
    },
  });
  await page.reload();
  await expect(page.getByText('This case can only be looked at.')).toBeVisible();
  await page
    .getByRole('radiogroup', { name: 'Engine light (check engine)' })
    .getByRole('radio', { name: 'Steady' })
    .click();
  await expect(page.getByRole('alert')).toContainText('This case holds entries of a newer Pincer');
});

test('a station that breaks leaves the road, the rail, the log and the file in place', async ({ page }) => {
  await openCase(page);
  await page.route(/\/assets\/watch-/, (route) => route.abort());
  await page.goto(`${page.url().replace(/\/light.*/, '')}/watch`);
  await expect(page.getByRole('alert')).toContainText('This station could not be fetched.');
  await expect(page.getByRole('navigation', { name: 'Stations' })).toBeVisible();
  await expect(page.getByLabel('How far you may still drive')).toBeVisible();
  await page.getByRole('link', { name: /^Log, / }).click();
  await expect(page.getByRole('button', { name: 'Save as a case file' })).toBeVisible();
  await page.keyboard.press('Escape');
  await page.unroute(/\/assets\/watch-/);
  await page.getByRole('button', { name: 'Try again' }).click();
  await expect(page.getByText('could not be fetched')).toBeHidden();
  await expect(page.getByRole('heading', { name: 'Watch the readings' })).toBeVisible();
});

test('a panel that breaks leaves the rest of its station', async ({ page }) => {
  // Only the lines between facts and causes ask for it.
  await page.addInitScript(() => {
    CSS.escape = () => {
      throw new Error('broken on purpose');
    };
  });
  await example(page, '/case/case_wet/narrow');
  await expect(
    page.getByRole('alert').filter({ hasText: 'What ties facts to causes cannot be shown.' }),
  ).toBeVisible();
  await expect(
    page.getByRole('region', { name: 'What it can be' }).getByRole('button').first(),
  ).toBeVisible();
  await expect(page.getByRole('button', { name: 'Start this check' })).toBeVisible();
});

test('everything is saved as one file, the logbook is emptied, and the file brings it back', async ({
  page,
}) => {
  // A picture in the log goes along.
  await example(page, '/case/case_wet/light');
  await page.getByRole('link', { name: /^Log/ }).click();
  const log = page.getByRole('dialog');
  await log.getByLabel('Add a picture or file').setInputFiles('docs/screenshots/light.png');
  await expect(log.getByText(/Picture: light.png, \d+ kB/)).toBeVisible();
  const picture = log.getByRole('img', { name: 'light.png' });
  await expect(picture).toBeVisible();
  const width = await picture.evaluate((i: HTMLImageElement) => i.naturalWidth);
  expect(width).toBeGreaterThan(100);
  await expect(log).toContainText('1 picture or file');
  await log.getByRole('button', { name: 'Close' }).click();
  await page.getByRole('link', { name: 'Settings' }).click();
  const section = page.getByRole('region', { name: 'On this device' });
  await expect(section).toContainText('4 vehicles, 5 cases');
  const download = page.waitForEvent('download');
  await section.getByRole('button', { name: 'Save everything as a file' }).click();
  const zip = await (await download).path();
  await expect(section).toContainText('Last saved as a file on');
  await section.getByRole('button', { name: 'Empty this logbook' }).click();
  await page.getByRole('button', { name: 'Delete everything on this device' }).click();
  await expect(section).toContainText('0 vehicles, 0 cases');
  await page.reload();
  await expect(section).toContainText('0 vehicles, 0 cases');
  await section.getByLabel('Zip file of a whole logbook').setInputFiles(zip);
  await expect(section.getByText(/Restored: 4 vehicles, 5 cases.*1 picture or file/)).toBeVisible();
  await expectAccessible(page);
  await page.getByRole('link', { name: 'Pincer, to the garage' }).click();
  await expect(page.getByText('Wet-morning shake')).toBeVisible();
  await page.goto('/case/case_wet/light');
  await page.getByRole('link', { name: /^Log/ }).click();
  await expect(picture).toBeVisible();
  await expect.poll(() => picture.evaluate((i: HTMLImageElement) => i.naturalWidth)).toBe(width);
});

test('a database that the browser has lost comes back from the second copy, and it is said', async ({
  page,
}) => {
  await openCase(page);
  await page
    .getByRole('radiogroup', { name: 'Engine light (check engine)' })
    .getByRole('radio', { name: 'Steady' })
    .click();
  await expect(page.getByRole('link', { name: /^Log, 1 entry, saved/ })).toBeVisible();
  const place = page.url();
  // The copy follows the entry: it is there before the browser loses anything.
  const inFile = async () => {
    const folder = await navigator.storage.getDirectory();
    const file = await folder.getFileHandle('second-copy').catch(() => null);
    return (await (await file?.getFile())?.text())?.includes('"entry:') ?? false;
  };
  await expect.poll(() => page.evaluate(inFile)).toBe(true);
  await page.goto('/mark.svg');
  // Both of the browser's stores at one stroke, as on a disk that is full while it is killed.
  await page.evaluate(
    () =>
      new Promise((resolve) => {
        localStorage.clear();
        indexedDB.deleteDatabase('pincer').onsuccess = resolve;
      }),
  );
  await page.goto(place);
  const said = page
    .getByRole('status')
    .filter({ hasText: 'Your browser had lost 3 records. They are back.' });
  await expect(said).toBeVisible();
  await expect(page.getByRole('link', { name: /^Log, 1 entry, saved/ })).toBeVisible();
  await expectAccessible(page);
  await said.getByRole('button', { name: 'I have read this' }).click();
  await expect(said).toBeHidden();
});

test('the example, interrupted, is finished at the next start, on whatever page that is', async ({
  page,
}) => {
  await page.route('**/demo/harbour.json', (route) => route.abort(), { times: 1 });
  await page.goto('/');
  await page.getByRole('button', { name: 'Look at an example logbook' }).click();
  await expect(page.getByText('The example logbook could not be loaded.')).toBeVisible();
  await page.goto('/case/case_wet/light');
  await expect(page.getByRole('link', { name: /^Log, [1-9]\d* entries, saved/ })).toBeVisible();
});

test('a backup file is chosen once and written after each change, also after the page is loaded again', async ({
  page,
}) => {
  // The picker is the browser's own window; the file behind it is one that a page may open by itself.
  await page.addInitScript(() => {
    Object.assign(globalThis, {
      showSaveFilePicker: async () =>
        (await navigator.storage.getDirectory()).getFileHandle('ours.zip', { create: true }),
    });
  });
  const size = () =>
    page.evaluate(async () => {
      const root = await navigator.storage.getDirectory();
      return (await (await root.getFileHandle('ours.zip')).getFile()).size;
    });
  await openCase(page);
  const place = page.url();
  await page.goto('/settings#on-this-device');
  await page.getByRole('button', { name: 'Choose a backup file' }).click();
  await expect(page.getByText(/ours\.zip is kept up to date, last written at/)).toBeVisible();
  await expectAccessible(page);
  const before = await size();
  expect(before).toBeGreaterThan(1_000);
  await page.goto(place.replace(/light$/, 'narrow'));
  await page.getByRole('button', { name: 'Something you saw or did' }).click();
  await page.getByLabel('Note in your own words').fill('A stone rattled under the floor near the quay.');
  await page.getByRole('button', { name: 'Record the note' }).click();
  await expect(page.getByText('Note recorded.')).toBeVisible();
  await expect.poll(size, { timeout: 20_000 }).toBeGreaterThan(before);
  await page.goto('/settings#on-this-device');
  await page.getByRole('button', { name: 'Stop writing it' }).click();
  await expect(page.getByRole('button', { name: 'Choose a backup file' })).toBeVisible();
});
