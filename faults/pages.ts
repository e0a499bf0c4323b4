import { chromium, type Browser, type BrowserContext, type Page } from '@playwright/test';
import { seededRandom } from '@pincer/simulator';
import { CHROMIUM } from '../playwright.config.ts';
import { onOneBench, type Campaign } from './campaign.ts';
import { chosen, chosenAt, type Random } from './chance.ts';
import { logAsShown, storedEntryKeys } from './stored.ts';
import { enter as tap, openCase, pause, serve } from './victim.ts';

/** A browser for all tries; each gets devices of its own. */
class Bench {
  private constructor(
    private readonly address: string,
    private readonly browser: Browser,
  ) {}
  entries = 0;
  steps = 0;

  static async open(): Promise<Bench> {
    return new Bench(await serve(), await chromium.launch(CHROMIUM));
  }

  async device(): Promise<Device> {
    const context = await this.browser.newContext({ serviceWorkers: 'block', locale: 'en-IE' });
    context.setDefaultTimeout(20_000);
    // What runs these files marks functions with their names; a page knows nothing of that.
    await context.addInitScript('globalThis.__name = (named) => named');
    return new Device(context, this.address);
  }

  async close(): Promise<string> {
    await this.browser.close();
    return `${this.steps} steps, ${this.entries} entries`;
  }
}

/** One browser profile: what all its pages share. */
class Device {
  constructor(
    readonly context: BrowserContext,
    private readonly address: string,
  ) {}

  async open(place: string): Promise<Page> {
    const page = await this.context.newPage();
    await page.goto(`${this.address}/${place}`);
    return page;
  }

  /** Another page of the same origin, in which nothing of the application runs. */
  stranger(): Promise<Page> {
    return this.open('mark.svg');
  }
}

/** Taps on a page; one that is behind another is not drawn, and cannot be tapped on. */
async function enter(page: Page, random: Random): Promise<void> {
  await page.bringToFront();
  await tap(page, random);
}

/** The case as the file that the log saves. */
async function fileOf(page: Page): Promise<string> {
  await page.bringToFront();
  await page.getByRole('link', { name: /^Log, / }).click();
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Save as a case file' }).click(),
  ]);
  await page.goBack();
  return download.path();
}

/** Brings a case file in. */
async function bringIn(page: Page, path: string): Promise<void> {
  await page.bringToFront();
  await page.getByRole('link', { name: 'Pincer, to the garage' }).click();
  await page.getByRole('link', { name: 'Import a case file' }).click();
  const dialog = page.getByRole('dialog');
  await dialog.getByLabel('Case file (JSON)').setInputFiles(path);
  await dialog
    .getByRole('button', { name: /^(Add this case|Add what is missing|Add, and strike them out)$/ })
    .click();
  await dialog.waitFor({ state: 'hidden' });
}

/** Waits until everything is on the disk, tapping on what is offered until then. */
async function settle(page: Page): Promise<void> {
  await page.bringToFront();
  for (let tries = 0; tries < 100; tries++) {
    if ((await logAsShown(page)).state === 'saved') return;
    const again = page.getByRole('alert').getByRole('button', { name: 'Try again' });
    if ((await again.count()) > 0)
      await again
        .first()
        .click({ timeout: 2_000 })
        .catch(() => undefined);
    await pause(200);
  }
  throw new Error(`It does not end: ${(await logAsShown(page)).state}.`);
}

/** Waits until a page shows as many entries as another says there are. */
const shows = (page: Page, entries: number) =>
  page.getByRole('link', { name: new RegExp(`^Log, ${entries} entr(?:y|ies), saved$`) }).waitFor();

/** Two pages of one device, and another device that exchanges files with them, in any order. */
async function interleave(bench: Bench, random: Random): Promise<string | null> {
  const [laptop, phone] = [await bench.device(), await bench.device()];
  const first = await laptop.open('');
  const place = `${await openCase(first)}/light`;
  const pages = { one: first, two: await laptop.open(place) };
  await enter(first, random);
  await settle(first);
  await bringIn(await withGarage(phone), await fileOf(first));
  let away = await phone.open(place);
  for (let n = 3 + chosenAt(random, 5); n > 0; n--) {
    bench.steps++;
    const who = chosen(random, ['one', 'two'] as const);
    switch (chosen(random, ['enter', 'both', 'away', 'reload', 'close', 'carry'] as const)) {
      case 'enter':
        await enter(pages[who], random);
        break;
      case 'both':
        await Promise.all([enter(pages.one, random), tap(pages.two, random)]);
        break;
      case 'away':
        await enter(away, random);
        break;
      case 'reload':
        await pages[who].reload();
        await pages[who].getByRole('link', { name: /^Log, / }).waitFor();
        break;
      case 'close':
        await pages[who].close();
        pages[who] = await laptop.open(place);
        await pages[who].getByRole('link', { name: /^Log, / }).waitFor();
        break;
      case 'carry':
        await settle(away);
        await bringIn(pages[who], await fileOf(away));
        await pages[who].goto(`${new URL(pages[who].url()).origin}/${place}`);
        await pages[who].getByRole('link', { name: /^Log, / }).waitFor();
    }
  }
  // Both ways once more: then everybody has everything.
  await settle(away);
  await bringIn(pages.one, await fileOf(away));
  await pages.one.goto(`${new URL(pages.one.url()).origin}/${place}`);
  for (const page of Object.values(pages)) await settle(page);
  await bringIn(away, await fileOf(pages.one));
  await away.close();
  away = await phone.open(place);
  await settle(away);
  const stored = { laptop: await storedEntryKeys(pages.one), phone: await storedEntryKeys(away) };
  bench.entries += stored.laptop.length;
  await Promise.all([pages.one, pages.two, away].map((p) => shows(p, stored.laptop.length)));
  await Promise.all([laptop.context.close(), phone.context.close()]);
  return stored.laptop.join() === stored.phone.join()
    ? null
    : `${stored.laptop.length} entries on one device, ${stored.phone.length} on the other`;
}

/** The garage of a device. */
async function withGarage(device: Device): Promise<Page> {
  const page = await device.open('');
  await page.getByRole('link', { name: 'Import a case file' }).waitFor();
  return page;
}

/** What another page, or the browser, may do to the storage of this one. Each comes to an end by itself. */
const INTERFERENCES = {
  dropped: () =>
    new Promise<void>((resolve) => {
      const drop = indexedDB.deleteDatabase('pincer');
      drop.onsuccess = () => resolve();
      drop.onerror = () => resolve();
    }),
  held: () =>
    new Promise<void>((resolve) => {
      const open = indexedDB.open('pincer');
      open.onsuccess = () => {
        const store = open.result.transaction('records', 'readwrite').objectStore('records');
        const until = Date.now() + 3_000;
        // A transaction that is kept alive holds up every other.
        const again = () => {
          if (Date.now() < until) store.get('nothing').onsuccess = again;
          else {
            open.result.close();
            resolve();
          }
        };
        again();
      };
    }),
  raised: () =>
    new Promise<void>((resolve) => {
      indexedDB.open('pincer').onsuccess = (now) => {
        const db = (now.target as IDBOpenDBRequest).result;
        const { version } = db;
        db.close();
        const next = indexedDB.open('pincer', version + 1);
        next.onsuccess = () =>
          // A newer page keeps it open for a while.
          setTimeout(() => {
            next.result.close();
            resolve();
          }, 1_500);
        next.onerror = () => resolve();
      };
    }),
} as const;

/** Entries are made while storage is dropped, held up, or changed under the page. */
async function interfere(bench: Bench, random: Random): Promise<string | null> {
  const device = await bench.device();
  const page = await device.open('');
  const place = `${await openCase(page)}/light`;
  const stranger = await device.stranger();
  for (let n = 1 + chosenAt(random, 3); n > 0; n--) {
    bench.steps++;
    await enter(page, random);
    const how = chosen(random, Object.keys(INTERFERENCES) as (keyof typeof INTERFERENCES)[]);
    const done = stranger.evaluate(INTERFERENCES[how]);
    await pause(chosenAt(random, 400));
    await enter(page, random);
    await done;
    await settle(page);
  }
  // What was dropped is written back once it is looked at: at the latest when another page shows a sign of life.
  const { entries } = await logAsShown(page);
  for (let tries = 0; (await storedEntryKeys(stranger)).length < entries && tries < 50; tries++)
    await pause(200);
  const stored = (await storedEntryKeys(stranger)).length;
  bench.entries += stored;
  const later = await device.open(place);
  await settle(later);
  const shown = (await logAsShown(later)).entries;
  await device.context.close();
  return stored === entries && shown === entries
    ? null
    : `${entries} were shown, ${stored} are stored, ${shown} are there at the next start`;
}

const campaign = (
  id: string,
  title: string,
  run: (bench: Bench, random: Random) => Promise<string | null>,
): Campaign =>
  onOneBench(
    { id, title, full: 60, short: 1 },
    () => Bench.open(),
    (bench, seed) => run(bench, seededRandom(seed)),
  );

/** Pages and devices that write at once end with the same entries everywhere. */
export const PAGES_AND_DEVICES: Campaign = campaign(
  'pages',
  'Two pages and two devices interleaved',
  interleave,
);

/** Storage that is dropped, held up or changed while entries are made loses none. */
export const STORAGE: Campaign = campaign(
  'storage',
  'Storage dropped, held up or changed by another page',
  interfere,
);
