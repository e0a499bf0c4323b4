import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { CDPSession, Page } from '@playwright/test';
import { seededRandom } from '@pincer/simulator';
import { onOneBench, type Campaign } from './campaign.ts';
import { SmallDisk } from './small-disk.ts';
import { copiesHeld, logAsShown, storedEntryKeys } from './stored.ts';
import { Victim, enter, openCase, pause, serve } from './victim.ts';

/** Room for a browser's profile, and not for much more. */
const MEGABYTES = 150;

/** One try in so many ends with a kill. */
const KILLED_ONE_IN = 2;

/** One profile on a small disk, or with a quota that can be taken away; and the case in it. */
class Bench {
  private readonly disk = SmallDisk.mount(MEGABYTES);
  private readonly profile = this.disk?.path ?? mkdtempSync(join(tmpdir(), 'pincer-full-'));
  private address = '';
  private place = '';
  private victim: Victim | null = null;
  private refused = 0;
  private broughtBack = 0;
  private dropped = 0;
  private stuck = 0;
  private saved = 0;

  static async open(): Promise<Bench> {
    const bench = new Bench();
    bench.address = await serve();
    bench.victim = await Victim.start(bench.profile, bench.address);
    bench.place = await openCase(bench.victim.page);
    return bench;
  }

  /** Where a small disk cannot be had, the browser is told that this page may keep nothing more. */
  private async setFull(page: Page, isFull: boolean): Promise<void> {
    if (this.disk) {
      if (isFull) this.disk.fill();
      else this.disk.free();
      return;
    }
    const session: CDPSession = await page.context().newCDPSession(page);
    await session.send('Storage.overrideQuotaForOrigin', {
      origin: new URL(page.url()).origin,
      ...(isFull ? { quotaSize: 1 } : {}),
    });
  }

  /** Enters while there is no room. @returns what was lost. */
  async run(seed: number): Promise<string | null> {
    const random = seededRandom(seed);
    if (!this.victim) throw new Error('No browser.');
    let { page } = this.victim;
    await page.getByRole('link', { name: /^Log, / }).waitFor();
    await enter(page, random);
    await settled(page);
    const isKilled = seed % KILLED_ONE_IN === 0;
    const before = await storedEntryKeys(page);
    await this.setFull(page, true);
    // Whatever the browser frees is taken again at once.
    const filling = setInterval(() => this.disk?.fill(), 20);
    await enter(page, random);
    await settled(page);
    clearInterval(filling);
    const full = await logAsShown(page);
    if (full.state !== 'saved') this.refused++;
    if (isKilled) await this.victim.kill();
    else {
      await this.setFull(page, false);
      const again = page.getByRole('alert').getByRole('button', { name: 'Try again' });
      for (let tries = 0; (await logAsShown(page)).state !== 'saved' && tries < 5; tries++) {
        await again
          .first()
          .click({ timeout: 2_000 })
          .catch(() => undefined);
        await pause(500);
      }
    }
    const isStuck = !isKilled && !(await savedInTime(page));
    if (isStuck) {
      // The browser will not open the database any more until it is started again: the page has to say just that.
      this.stuck++;
      if (!(await isToldToRestart(page)))
        return `nobody was told to start the browser again: ${(await logAsShown(page)).state}`;
      await this.victim.quit();
    }
    if (isKilled || isStuck) {
      this.disk?.free();
      this.victim = await Victim.start(this.profile, `${this.address}/${this.place}/light`);
      page = this.victim.page;
      const log = page.getByRole('link', { name: /^Log, / });
      if (
        !(await log.waitFor().then(
          () => true,
          () => false,
        ))
      ) {
        // The next tries begin anew.
        await page.goto(this.address);
        this.place = await openCase(page);
        return `the browser lost its database and the second copy alike, with ${before.length} entries`;
      }
      if ((await page.getByText(/Your browser had lost/).count()) > 0) this.broughtBack++;
    }
    await page.getByRole('link', { name: /^Log, \d+ entr(?:y|ies), saved$/ }).waitFor();
    // What a browser drops in the middle of it is written back by the page, within seconds.
    let after = await storedEntryKeys(page);
    const isLacking = () => before.some((k) => !after.includes(k));
    if (isLacking()) this.dropped++;
    for (let tries = 0; isLacking() && tries < 60; tries++) {
      await pause(250);
      after = await storedEntryKeys(page);
    }
    this.saved = after.length;
    const lost = before.filter((k) => !after.includes(k));
    if (lost.length > 0) {
      const { filed, packed } = await copiesHeld(page);
      return `${lost.length} of ${before.length} entries that the database had are gone; ${filed} in the file, ${packed} in the smaller store`;
    }
    // All that is on the screen of a page that lives.
    return isKilled || after.length >= full.entries
      ? null
      : `${full.entries} were shown, ${after.length} are there`;
  }

  async close(): Promise<string> {
    await this.victim?.kill();
    if (this.disk) this.disk.unmount();
    else rmSync(this.profile, { recursive: true, force: true });
    const where = this.disk
      ? `a disk of ${MEGABYTES} MB`
      : 'a quota taken away (no small disk can be had here)';
    return `${where}; told of no room ${this.refused} times; databases lost by the browser and brought back: ${this.broughtBack}, written back under the page: ${this.dropped}; browsers that had to be started again: ${this.stuck}; ${this.saved} entries stored`;
  }
}

const restart = (page: Page) => page.getByRole('alert').getByText(/start the browser again/);
/** The page tries by itself too, and meanwhile says nothing. */
const isToldToRestart = (page: Page): Promise<boolean> =>
  restart(page)
    .first()
    .waitFor({ timeout: 40_000 })
    .then(
      () => true,
      () => false,
    );

/** Whether all is saved, once nothing is being tried any more or the page says that it cannot be. */
async function savedInTime(page: Page): Promise<boolean> {
  for (let tries = 0; tries < 400; tries++) {
    const { state } = await logAsShown(page);
    if (state === 'saved') return true;
    if (state !== 'saving' && (await restart(page).count()) > 0) return false;
    await pause(100);
  }
  return false;
}

/** Waits until nothing is being saved any more. */
async function settled(page: Page): Promise<void> {
  for (let tries = 0; tries < 300; tries++) {
    if ((await logAsShown(page)).state !== 'saving') return;
    await pause(100);
  }
  throw new Error('It was saving for 30 s.');
}

/** A disk that is full to the last byte while entries are made: what is shown as saved is saved, the rest says so. */
export const FULL_DISK: Campaign = onOneBench(
  {
    id: 'disk',
    title: 'Entries made on a full disk',
    full: 20,
    short: 1,
    hangMs: 180_000,
  },
  () => Bench.open(),
  (bench, seed) => bench.run(seed),
);
