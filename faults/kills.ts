import type { Page } from '@playwright/test';
import { mkdtempSync, rmSync } from 'node:fs';
import type { Server } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { createStandInServer } from '../server/stand-in-tcp.ts';
import { seededRandom } from '@pincer/simulator';
import { onOneBench, type Campaign } from './campaign.ts';
import { chosen, chosenAt } from './chance.ts';
import { rowsOf } from './stored.ts';
import { Victim, listening, openCase, pause, portOf, serve } from './victim.ts';

/** An adapter on TCP with a car whose fault comes back, and a count of the clears that reached the car. */
class CountingAdapter {
  clears = 0;
  readonly server: Server = createStandInServer({
    faults: [{ kind: 'air-flow-unplugged' }],
    seed: 7,
    temperament: 'instant',
    idleSeconds: 120,
    onCommand: (command) => {
      if (/^04\d?$/.test(command)) this.clears++;
    },
  });
}

interface Stored {
  asked: string[];
  outcomes: { asked: string | undefined; outcome: string }[];
}

/** What the database of the page holds of clears, read past the application. */
async function storedIn(page: Page): Promise<Stored> {
  type Clear = { record?: { kind?: string; id: string; asked?: string; outcome: string } };
  const entries = (await rowsOf(page, 'records')).flatMap((r) => (r.value as Clear).record ?? []);
  return {
    asked: entries.filter((e) => e.kind === 'clear-asked').map((e) => e.id),
    outcomes: entries.filter((e) => e.kind === 'clear').map((e) => ({ asked: e.asked, outcome: e.outcome })),
  };
}

/** One bench: adapter, server and profile, and what was found in it so far. */
class Bench {
  private readonly adapter = new CountingAdapter();
  private readonly profile = mkdtempSync(join(tmpdir(), 'pincer-kills-'));
  private address = '';
  private place = '';
  private victim: Victim | null = null;

  static async open(): Promise<Bench> {
    const bench = new Bench();
    await listening(bench.adapter.server);
    const port = portOf(bench.adapter.server);
    bench.adapter.server.unref();
    bench.address = await serve([port]);
    bench.victim = await Victim.start(bench.profile, bench.address);
    bench.place = await openCase(bench.victim.page);
    return bench;
  }

  /** Reads the car, goes on to the clear, and is killed at some instant. @returns what was wrong afterwards. */
  async kill(seed: number): Promise<string | null> {
    const random = seededRandom(seed);
    const { victim } = this;
    if (!victim) throw new Error('No browser.');
    const { page } = victim;
    const before = await storedIn(page);
    const reached = this.adapter.clears;
    await page
      .getByRole('navigation', { name: 'Stations' })
      .getByRole('link', { name: /^\d Connect/ })
      .click();
    await page.getByRole('textbox', { name: 'Address' }).fill('127.0.0.1');
    await page.getByRole('textbox', { name: 'Port' }).fill(String(portOf(this.adapter.server)));
    await page.getByRole('button', { name: 'Network: connect and read' }).click();
    await page.getByText(/Complete\./).waitFor();
    await page
      .getByRole('navigation', { name: 'Stations' })
      .getByRole('link', { name: /^\d Prove/ })
      .click();
    const steps = [
      () => page.getByRole('button', { name: /I have read this/ }).click(),
      () => page.getByRole('button', { name: 'Clear now' }).click(),
    ];
    // Most are killed after the last touch, some before it.
    const last = random() < 0.85 ? 2 : chosen(random, [0, 1]);
    for (const step of steps.slice(0, last)) await step();
    // An owner who touches twice: the second one must not be a second clear.
    if (last === 2 && random() < 0.3)
      await page
        .getByRole('button', { name: 'Clear now' })
        .click({ timeout: 60 })
        .catch(() => undefined);
    await pause(chosenAt(random, last === 2 ? 220 : 60));
    await victim.kill();

    this.victim = await Victim.start(this.profile, `${this.address}/${this.place}/prove`);
    const again = this.victim.page;
    await again.getByRole('heading', { name: '1 · Clear' }).waitFor();
    const after = await storedIn(again);
    const sent = this.adapter.clears - reached;
    const asked = after.asked.filter((id) => !before.asked.includes(id));
    if (sent > 1) return `${sent} clears reached the car with one permit`;
    if (sent > 0 && asked.length === 0) return 'a clear reached the car and nothing of it was stored';
    if (before.asked.some((id) => !after.asked.includes(id))) return 'an intent that was stored is gone';
    if (asked.length > 1) return 'one permit was stored as two intents';
    const isOpen = asked.some((id) => !after.outcomes.some((o) => o.asked === id));
    const hasWay = (await again.getByRole('button', { name: /I have read this|Clear now/ }).count()) > 0;
    if (hasWay) return 'the way to a clear was open after the kill';
    if (isOpen && (await again.getByText('Nobody knows whether it was cleared.').count()) === 0)
      return 'nobody was told that the outcome is unknown';
    return null;
  }

  /** @returns how far the tries came. */
  async close(): Promise<string> {
    const { clears } = this.adapter;
    const stored = this.victim ? await storedIn(this.victim.page) : { asked: [], outcomes: [] };
    await this.victim?.kill();
    rmSync(this.profile, { recursive: true, force: true });
    return `${stored.asked.length} intents stored, ${clears} clears reached the car, ${stored.outcomes.length} outcomes stored`;
  }
}

/** A real browser killed at any instant on the way to a clear, over the bridge to an adapter that counts. */
export const KILLS: Campaign = onOneBench(
  {
    id: 'kills',
    title: 'Browsers killed on the way to a clear',
    full: 200,
    short: 3,
  },
  () => Bench.open(),
  (bench, seed) => bench.kill(seed),
);
