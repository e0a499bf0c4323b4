import type { CaseState, EntryOf } from '@pincer/core/case';
import type { MonitorStatus } from '@pincer/core/obd';
import { codesOf, orderOf } from './order.ts';

/**
 * Chance that a fault which is still there shows in one trip, by whether the trip met the stored conditions.
 * Judged: a fault that was confirmed failed on two trips running.
 */
export const SHOWS_PER_TRIP = { yes: 0.7, unknown: 0.35, no: 0.05 } as const;

/**
 * Chance that the fault is gone after trips without its return (Bayes):
 * s / (s + (1 - s) prod(1 - q)), with q the chance to show in each trip if it were still there.
 * @param prior chance s that the repair or the clear cured it.
 * @param shows q of each trip.
 */
export function goneAfter(prior: number, shows: readonly number[]): number {
  const hidden = shows.reduce((p, q) => p * (1 - q), 1);
  return prior / (prior + (1 - prior) * hidden);
}

/** Good trips under the stored conditions that are still needed until the chance reaches a level. */
export function tripsUntil(level: number, prior: number, shows: readonly number[]): number {
  const done = goneAfter(prior, shows);
  if (done >= level) return 0;
  const odds = (p: number) => p / (1 - p);
  return Math.ceil(Math.log(odds(level) / odds(done)) / -Math.log(1 - SHOWS_PER_TRIP.yes) - 1e-9);
}

export interface ProofView {
  status: 'not-cleared' | 'read-again' | 'returned' | 'watching' | 'proven';
  /** Codes that were there before the clear and are there again. */
  returned: string[];
  /** Codes that came only after the clear. */
  added: string[];
  /** Chance that the fault is gone. */
  gone: number | null;
  trips: number;
  /** Good trips still needed, for each level of certainty. */
  needed: { level: number; trips: number }[];
  /** Self-checks that have not run since the clear. */
  waitingFor: MonitorStatus[];
  permanent: string[];
  /** Control units that were cleared by themselves. */
  units: UnitProof[];
}

export interface UnitProof {
  unit: string;
  name: string;
  /** Codes of this unit that came back; null when it was not read since. */
  returned: string[] | null;
}

/** What became of each control unit that was cleared by itself. */
function unitProofs(state: CaseState): UnitProof[] {
  const last = new Map<string, EntryOf<'clear'>>();
  for (const c of state.clears) if (c.outcome === 'agreed' && c.unit) last.set(c.unit.answer, c);
  return [...last.values()].map((clear) => {
    const { answer = '', name = '' } = clear.unit ?? {};
    const mine = (r: EntryOf<'scan'> | undefined) =>
      (r?.scan.codes ?? []).filter((c) => c.unit === answer).map((c) => c.code);
    const was = new Set(mine(state.scans.find((r) => r.id === clear.afterScan)));
    const later = state.scans.filter(
      (r) =>
        orderOf(state, r.id) > orderOf(state, clear.id) &&
        r.scan.units?.some((u) => u.unit === answer && u.hasAnswered),
    );
    const returned = [...new Set(later.flatMap(mine))].filter((c) => was.has(c));
    return { unit: answer, name, returned: later.length === 0 ? null : returned };
  });
}

/** From which chance a fault counts as proven gone. */
const PROVEN = 0.95;

/**
 * Where a case stands after its last clear that the car agreed to.
 * @param prior chance that what was done cured it.
 */
export function proofView(state: CaseState, prior: number): ProofView {
  const clear = state.clears.filter((c) => c.outcome === 'agreed' && !c.unit).at(-1);
  const units = unitProofs(state);
  const permanent = codesOf(state.latestReading?.scan, ['permanent']);
  const empty = {
    returned: [],
    added: [],
    gone: null,
    trips: 0,
    needed: [],
    waitingFor: [],
    permanent,
    units,
  };
  if (!clear) return { status: 'not-cleared', ...empty };
  const after = (e: { at: string; id: string }) => orderOf(state, e.id) > orderOf(state, clear.id);
  const before = state.scans.find((r) => r.id === clear.afterScan);
  const later = state.scans.filter(after);
  const drives = state.drives.filter(after);
  const was = new Set(codesOf(before?.scan, ['confirmed', 'pending']));
  const now = new Set(later.flatMap((r) => codesOf(r.scan, ['confirmed', 'pending'])));
  const returned = [...now].filter((c) => was.has(c));
  const added = [...now].filter((c) => !was.has(c));
  const shows = drives.map((d: EntryOf<'drive'>) => SHOWS_PER_TRIP[d.metConditions]);
  const cameBack = drives.some((d) => d.cameBack === 'yes');
  const last = later.at(-1)?.scan;
  const waitingFor = (last?.monitors ?? []).filter((m) => m.span === 'since-clear' && !m.complete);
  const gone = returned.length > 0 || cameBack ? 0 : goneAfter(prior, shows);
  const base = { returned, added, gone, trips: drives.length, waitingFor, permanent, units };
  if (returned.length > 0 || cameBack) return { status: 'returned', ...base, needed: [] };
  const needed = [0.9, 0.95, 0.99].map((level) => ({ level, trips: tripsUntil(level, prior, shows) }));
  if (later.length === 0) return { status: 'read-again', ...base, needed };
  const isProven = gone >= PROVEN && waitingFor.length === 0 && drives.length > 0;
  return { status: isProven ? 'proven' : 'watching', ...base, needed };
}
