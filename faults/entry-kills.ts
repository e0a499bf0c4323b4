import type { Page } from '@playwright/test';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { seededRandom } from '@pincer/simulator';
import { onOneBench, type Campaign } from './campaign.ts';
import { chosen, chosenAt } from './chance.ts';
import { rowsOf, shownAsSaved, storedEntryKeys } from './stored.ts';
import { Victim, enter, openCase, pause, serve } from './victim.ts';

/** Connects to the stand-in and begins to read it. */
async function read(page: Page): Promise<void> {
  await page
    .getByRole('navigation', { name: 'Stations' })
    .getByRole('link', { name: /^\d Connect/ })
    .click();
  await page.getByRole('button', { name: 'Connect and read', exact: true }).click();
}

/** Reads the stand-in, and begins to record what it says. */
async function watch(page: Page): Promise<void> {
  await read(page);
  await page.getByText(/Complete\./).waitFor();
  await page.getByRole('link', { name: 'Watch and record them' }).click();
  await page.getByRole('button', { name: 'Watch and record these' }).click();
  await page.getByRole('region', { name: 'Recording now' }).getByRole('figure').first().waitFor();
}

/** How much of each recording is stored: pieces, and those that its account of itself counts. */
async function piecesOf(page: Page): Promise<{ pieces: number; counted: number; open: number }> {
  const rows = await rowsOf(page, 'recordings');
  const metas = rows
    .filter((r) => r.key.startsWith('meta:'))
    .map((r) => r.value as { chunks: number; isOpen: boolean });
  return {
    pieces: rows.filter((r) => r.key.startsWith('chunk:')).length,
    counted: metas.reduce((sum, m) => sum + m.chunks, 0),
    open: metas.filter((m) => m.isOpen).length,
  };
}

/** One profile that is killed again and again, and the case in it. */
class Bench {
  private readonly profile = mkdtempSync(join(tmpdir(), 'pincer-entries-'));
  private address = '';
  private place = '';
  private victim: Victim | null = null;
  private saved = 0;
  private recordings = 0;

  static async open(): Promise<Bench> {
    const bench = new Bench();
    bench.address = await serve();
    bench.victim = await Victim.start(bench.profile, bench.address);
    bench.place = await openCase(bench.victim.page);
    return bench;
  }

  /** One try; where it breaks off, the next one begins with a browser of its own. */
  async kill(seed: number): Promise<string | null> {
    try {
      return await this.killOnce(seed);
    } catch (error) {
      await this.victim?.kill();
      this.victim = await Victim.start(this.profile, `${this.address}/${this.place}/light`);
      throw error;
    }
  }

  /** Enters or reads, and is killed at some instant. @returns what was lost. */
  private async killOnce(seed: number): Promise<string | null> {
    const random = seededRandom(seed);
    if (!this.victim) throw new Error('No browser.');
    const { page } = this.victim;
    await page.getByRole('link', { name: /^Log, / }).waitFor();
    const way = chosen(random, ['enter', 'enter', 'read', 'record'] as const);
    if (way === 'enter') await enter(page, random);
    else if (way === 'read') {
      await read(page);
      await pause(chosenAt(random, 2_500));
    } else {
      await watch(page);
      await pause(chosenAt(random, 8_000));
    }
    await pause(chosenAt(random, 40));
    const before = new Set(await storedEntryKeys(page));
    const recorded = await piecesOf(page);
    const promised = await shownAsSaved(page);
    await this.victim.kill();

    this.victim = await Victim.start(this.profile, `${this.address}/${this.place}/light`);
    const again = this.victim.page;
    await again.getByRole('link', { name: /^Log, \d+ entr(?:y|ies), saved$/ }).waitFor();
    const after = await storedEntryKeys(again);
    const lost = [...before].filter((id) => !after.includes(id));
    this.saved = after.length;
    if (lost.length > 0) return `${lost.length} entries that the database had are gone`;
    if (after.length < promised) return `${promised} were shown as saved, ${after.length} are there`;
    const shown = await shownAsSaved(again);
    if (shown !== after.length) return `${after.length} are stored and ${shown} are shown`;
    return this.recordingsAfter(again, recorded);
  }

  /** What was recorded up to the kill is there, and a recording that was cut off can be kept. */
  private async recordingsAfter(
    page: Page,
    before: Awaited<ReturnType<typeof piecesOf>>,
  ): Promise<string | null> {
    const now = await piecesOf(page);
    if (now.pieces < before.pieces) return `${before.pieces - now.pieces} pieces of recordings are gone`;
    if (now.counted < before.counted) return 'a recording has forgotten pieces of itself';
    if (now.counted > now.pieces) return 'a recording counts pieces that are not there';
    if (now.open === 0) return null;
    await page.goto(`${this.address}/${this.place}/watch`);
    await page.getByRole('button', { name: 'Keep what there is' }).first().click();
    await page
      .getByRole('button', { name: /^Open Chosen readings/ })
      .last()
      .waitFor();
    const kept = await piecesOf(page);
    this.recordings++;
    return kept.open === 0 ? null : 'a recording that was kept is still open';
  }

  async close(): Promise<string> {
    await this.victim?.kill();
    rmSync(this.profile, { recursive: true, force: true });
    return `${this.saved} entries stored, ${this.recordings} recordings that were cut off kept`;
  }
}

/** A real browser killed while entries are made, a car is read or recorded: what was shown as saved is there. */
export const ENTRY_KILLS: Campaign = onOneBench(
  {
    id: 'entries',
    title: 'Browsers killed while entering, reading and recording',
    full: 200,
    short: 2,
  },
  () => Bench.open(),
  (bench, seed) => bench.kill(seed),
);
