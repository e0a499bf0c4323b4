import { isStandardUnit, type CaseState, type ClearStanding } from '@pincer/core/case';
import type { MonitorStatus, ScanPart } from '@pincer/core/obd';
import { placesOf } from './came-back.ts';

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
  /** `unknown-outcome`: a clear was sent and nobody knows whether it was carried out; the next step is to read. */
  status: 'not-cleared' | 'unknown-outcome' | 'read-again' | 'returned' | 'watching' | 'proven';
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
  /** Parts that nobody has read since the clear; nothing is proven without them. */
  unread: ScanPart[];
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

/** The last clear of the standard's that the car agreed to; null when there is none. */
export function lastClear(state: CaseState): ClearStanding | null {
  return state.standing.clears.filter((c) => !c.entry.unit).at(-1) ?? null;
}

/** What became of each control unit that was cleared by itself. */
function unitProofs(state: CaseState): UnitProof[] {
  const last = new Map<string, ClearStanding>();
  for (const c of state.standing.clears) if (c.entry.unit) last.set(c.entry.unit.answer, c);
  return [...last.values()].map(({ entry, returned, readSince }) => ({
    unit: entry.unit?.answer ?? '',
    name: entry.unit?.name ?? '',
    returned: readSince === null ? null : codesIn(returned),
  }));
}

const codesIn = (list: ClearStanding['returned']): string[] => [...new Set(list.map((r) => r.code.code))];

/** From which chance a fault counts as proven gone. */
const PROVEN = 0.95;

/** What has to be read again before anything is proven. */
const PROVING: readonly ScanPart[] = ['confirmed', 'pending', 'readiness'];

/** Parts that the clear has erased and that were not read since, or that nobody has ever read. */
function unreadSince({ standing }: CaseState): ScanPart[] {
  // A unit of the map that has never answered is not fitted, for all that anybody knows.
  const parts = [...standing.parts.values()].filter(
    (p) => isStandardUnit(standing, p.unit) || p.status !== 'not-read',
  );
  return PROVING.filter((part) => {
    const mine = parts.filter((p) => p.part === part);
    const isRead = mine.some((p) => p.status === 'known' || p.status === 'empty');
    return !isRead || mine.some((p) => p.status === 'cleared' || p.missed !== null);
  });
}

/**
 * Where a case stands after its last clear that the car agreed to.
 * @param prior chance that what was done cured it.
 */
export function proofView(state: CaseState, prior: number): ProofView {
  const { standing } = state;
  const clear = lastClear(state);
  const units = unitProofs(state);
  const permanent = [
    ...new Set(
      standing.codes
        .filter((c) => c.code.state === 'permanent' && c.clearedBy === null)
        .map((c) => c.code.code),
    ),
  ];
  const none = {
    returned: [],
    added: [],
    gone: null,
    trips: 0,
    needed: [],
    waitingFor: [],
    unread: [],
    permanent,
    units,
  };
  if (standing.unknownClear && !standing.unknownClear.unit) return { status: 'unknown-outcome', ...none };
  if (!clear) return { status: 'not-cleared', ...none };
  const places = placesOf(state);
  const clearedAt = places.get(clear.entry.id) ?? 0;
  const drives = state.drives.filter((d) => (places.get(d.id) ?? -1) > clearedAt);
  const shows = drives.map((d) => SHOWS_PER_TRIP[d.metConditions]);
  const returned = codesIn(clear.returned);
  const hasReturned = returned.length > 0 || clear.droveBack !== null;
  const waitingFor = standing.monitors
    .filter((m) => m.clearedBy === null && m.monitor.span === 'since-clear' && !m.monitor.complete)
    .map((m) => m.monitor);
  const unread = unreadSince(state);
  const gone = hasReturned ? 0 : goneAfter(prior, shows);
  const base = {
    returned,
    added: codesIn(clear.added),
    gone,
    trips: drives.length,
    waitingFor: clear.readSince === null ? [] : waitingFor,
    unread,
    permanent,
    units,
  };
  if (hasReturned) return { status: 'returned', ...base, needed: [] };
  const needed = [0.9, 0.95, 0.99].map((level) => ({ level, trips: tripsUntil(level, prior, shows) }));
  if (clear.readSince === null) return { status: 'read-again', ...base, needed };
  const isProven = gone >= PROVEN && waitingFor.length === 0 && unread.length === 0 && drives.length > 0;
  return { status: isProven ? 'proven' : 'watching', ...base, needed };
}
