import type { Page } from '@playwright/test';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { seededRandom } from '@pincer/simulator';
import { BRIDGE_DEFAULTS } from '../server/bridge.ts';
import { createPincer } from '../server/serve.ts';
import type { Campaign } from './campaign.ts';
import { chosen, chosenAt, type Random } from './chance.ts';
import { PAGES, Victim, listening, openCase, pause, portOf } from './victim.ts';

/** Ids of the entries that the database has, read past the application. */
const storedIds = (page: Page): Promise<string[]> =>
  page.evaluate(
    () =>
      new Promise<string[]>((resolve, reject) => {
        const open = indexedDB.open('pincer');
        open.onerror = () => reject(new Error('no database'));
        open.onsuccess = () => {
          const keys = open.result.transaction('records').objectStore('records').getAllKeys();
          keys.onsuccess = () => {
            open.result.close();
            resolve((keys.result as string[]).filter((k) => k.startsWith('entry:')));
          };
        };
      }),
  );

/** How many entries the page says are saved; of those that are being saved it says nothing yet. */
async function shownAsSaved(page: Page): Promise<number> {
  const label = (await page.getByRole('link', { name: /^Log, / }).getAttribute('aria-label')) ?? '';
  const said = /^Log, (\d+) entries, saved$/.exec(label);
  return said ? Number(said[1]) : 0;
}

/** Taps lamps and signs, as fast as a hand can. */
async function enter(page: Page, random: Random): Promise<void> {
  const radios = page.getByRole('radio');
  const count = await radios.count();
  for (let n = 2 + chosenAt(random, 5); n > 0; n--)
    await radios
      .nth(chosenAt(random, Math.min(24, count)))
      .click({ timeout: 2_000 })
      .catch(() => undefined);
}

/** Connects to the stand-in and begins to read it. */
async function read(page: Page): Promise<void> {
  await page
    .getByRole('navigation', { name: 'Stations' })
    .getByRole('link', { name: /^\d Plug in/ })
    .click();
  await page.getByRole('button', { name: 'Connect and read', exact: true }).click();
}

/** One profile that is killed again and again, and the case in it. */
class Bench {
  private readonly profile = mkdtempSync(join(tmpdir(), 'pincer-entries-'));
  private address = '';
  private place = '';
  private victim: Victim | null = null;
  private saved = 0;

  static async open(): Promise<Bench> {
    const bench = new Bench();
    const server = createPincer({ pages: PAGES, isDemo: false, bridgePorts: [] }, BRIDGE_DEFAULTS);
    await listening(server);
    server.unref();
    bench.address = `http://127.0.0.1:${portOf(server)}`;
    bench.victim = await Victim.start(bench.profile, bench.address);
    bench.place = await openCase(bench.victim.page);
    return bench;
  }

  /** Enters or reads, and is killed at some instant. @returns what was lost. */
  async kill(seed: number): Promise<string | null> {
    const random = seededRandom(seed);
    if (!this.victim) throw new Error('No browser.');
    const { page } = this.victim;
    await page.getByRole('link', { name: /^Log, / }).waitFor();
    const way = chosen(random, ['enter', 'enter', 'read'] as const);
    if (way === 'enter') await enter(page, random);
    else {
      await read(page);
      await pause(chosenAt(random, 2_500));
    }
    await pause(chosenAt(random, 40));
    const before = new Set(await storedIds(page));
    const promised = await shownAsSaved(page);
    await this.victim.kill();

    this.victim = await Victim.start(this.profile, `${this.address}/${this.place}/light`);
    const again = this.victim.page;
    await again.getByRole('link', { name: /^Log, \d+ entries, saved$/ }).waitFor();
    const after = await storedIds(again);
    const lost = [...before].filter((id) => !after.includes(id));
    this.saved = after.length;
    if (lost.length > 0) return `${lost.length} entries that the database had are gone`;
    if (after.length < promised) return `${promised} were shown as saved, ${after.length} are there`;
    const shown = await shownAsSaved(again);
    return shown === after.length ? null : `${after.length} are stored and ${shown} are shown`;
  }

  async close(): Promise<string> {
    await this.victim?.kill();
    rmSync(this.profile, { recursive: true, force: true });
    return `${this.saved} entries stored, none lost that was shown as saved`;
  }
}

let bench: Promise<Bench> | null = null;

/** A real browser killed while entries are made and a car is read: what was shown as saved is there. */
export const ENTRY_KILLS: Campaign = {
  id: 'entries',
  title: 'Browsers killed while entering and reading',
  full: 200,
  short: 2,
  run: async (seed) => {
    bench ??= Bench.open();
    return { seed, problem: await (await bench).kill(seed) };
  },
  end: async () => {
    const did = await (await bench)?.close();
    bench = null;
    return did ?? '';
  },
};
