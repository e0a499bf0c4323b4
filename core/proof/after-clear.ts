import {
  isStandardUnit,
  unreadParts,
  type CaseState,
  type ClearStanding,
  type ClearWay,
  type EntryOf,
  type Standing,
} from '@pincer/core/case';
import { selfCheckOf, type RunsWithin, type SelfCheck } from '@pincer/core/knowledge';
import { LAMP_RULES, partsHeld, type MonitorStatus, type ScanPart } from '@pincer/core/obd';
import { placesOf } from './came-back.ts';
import { basisOfRepair, codesIn, fadingCodes, type FadingCode, type ProofBasis } from './fading.ts';
import { PASSES, ownProofOf, type OwnProof } from './own-proof.ts';

/**
 * Chance that a fault which is still there fails its self-check in one trip, by whether the trip met the stored
 * conditions. Judged: a fault that was confirmed failed on two trips running.
 */
export const SHOWS_PER_TRIP = { yes: 0.7, unknown: 0.35, no: 0.05 } as const;

/** Share of the trips on which a self-check runs at all, by what it wants. Judged. */
const RUNS_SHARE: Readonly<Record<RunsWithin, number>> = { 'key-on': 1, drive: 1, 'some-drives': 0.5 };

/** Trips after which a self-check that wants special conditions could have run, where nobody has read whether it did. */
const COULD_HAVE_RUN = 3;

/**
 * Chance that what was repaired is gone, given that nothing of it was seen since (Bayes): s / (s + (1 - s) h).
 * @param prior chance s that the repair or the clear cured it. @param hidden chance h that a fault which is still there
 *   would not have been seen either.
 */
export const goneGiven = (prior: number, hidden: number): number => prior / (prior + (1 - prior) * hidden);

/**
 * The same after trips whose result was read: one failing trip is a pending code, so that h = prod(1 - q).
 * @param shows q of each trip.
 */
export function goneAfter(prior: number, shows: readonly number[]): number {
  return goneGiven(
    prior,
    shows.reduce((p, q) => p * (1 - q), 1),
  );
}

/**
 * Chance that the lamp has stayed out although the fault is still there: it lights after so many failing trips running
 * as {@link LAMP_RULES} has, so that who only watches the lamp sees less than who reads.
 * @param shows chance to fail, of each trip.
 */
export function lampStaysOut(shows: readonly number[]): number {
  // By how many of the last trips failed running; what failed often enough is lit, and no longer counted.
  let streaks: number[] = Array.from({ length: LAMP_RULES.tripsToConfirm }, (_, failed) =>
    failed === 0 ? 1 : 0,
  );
  const sum = () => streaks.reduce((total, p) => total + p, 0);
  for (const q of shows) streaks = [sum() * (1 - q), ...streaks.slice(0, -1).map((p) => p * q)];
  return sum();
}

/**
 * Good trips under the stored conditions, each read, that are still needed until the chance reaches a level.
 * @param gone the chance so far. @param shows chance of one such trip to show the fault.
 */
export function tripsUntil(level: number, gone: number, shows: number = SHOWS_PER_TRIP.yes): number {
  if (gone >= level) return 0;
  const odds = (p: number) => p / (1 - p);
  return Math.ceil(Math.log(odds(level) / odds(gone)) / -Math.log(1 - shows) - 1e-9);
}

/** How what is being proven began: a memory that was emptied, or a repair after which the car forgets by itself. */
export type ProofWay = ClearWay | 'repair';

export interface ProofView {
  /** `unknown-outcome`: a clear was sent and nobody knows whether it was carried out; the next step is to read. */
  status: 'not-cleared' | 'unknown-outcome' | 'read-again' | 'returned' | 'watching' | 'proven';
  /** Null where nothing has begun. */
  way: ProofWay | null;
  /** Whether the clear or the last reading was told and not seen, which makes it a little less sure. */
  isTold: boolean;
  /** Codes that were there before the clear and are there again. */
  returned: string[];
  /** Codes that came only after the clear. */
  added: string[];
  /** Chance that the fault is gone; null before the self-checks of its codes have run, or could have. */
  gone: number | null;
  /** Drives that say something: their result was read, or the lamp was seen to stay out. */
  trips: number;
  /** Drives of which nobody knows whether it came back. They count for nothing until somebody reads. */
  unseenTrips: number;
  /** Good trips still needed, for each level of certainty. */
  needed: { level: number; trips: number }[];
  /** Self-checks of the codes that were erased which have not run since the clear: without them nothing is proven. */
  waitingFor: SelfCheck[];
  /** The others that have not run; an inspection may ask for them, the proof does not. */
  notReady: MonitorStatus[];
  /** Parts that nobody has read since the clear; nothing is proven without them. */
  unread: ScanPart[];
  permanent: string[];
  /** What the car itself has proven, which outweighs drives that were told. */
  ownProof: OwnProof[];
  /** Without a clear: where each code is on its way out of the memory. */
  fading: FadingCode[];
  /** Control units that were cleared by themselves. */
  units: UnitProof[];
}

export interface UnitProof {
  unit: string;
  name: string;
  /** Codes of this unit that came back; null when it was not read since. */
  returned: string[] | null;
}

/** The last time that the memory of what the standard reaches was emptied; null when it never was. */
export function lastClear(state: CaseState): ClearStanding | null {
  return state.standing.clears.filter((c) => c.unit === null).at(-1) ?? null;
}

/** What became of each control unit that was cleared by itself. */
function unitProofs(state: CaseState): UnitProof[] {
  const last = new Map<string, ClearStanding>();
  for (const c of state.standing.clears) if (c.unit) last.set(c.unit.answer, c);
  return [...last.values()].map(({ unit, returned, readSince }) => ({
    unit: unit?.answer ?? '',
    name: unit?.name ?? '',
    returned: readSince === null ? null : codesIn(returned),
  }));
}

/** Levels of certainty for which the drives still needed are told. */
const LEVELS = [0.9, 0.95, 0.99] as const;
/** From which chance a fault counts as proven gone. */
export const PROVEN = 0.95;

/** What has to be read again before anything is proven. */
const PROVING: readonly ScanPart[] = ['confirmed', 'pending', 'readiness'];

/** Share of what a reading would show that is seen when it was read off a screen and typed. Judged. */
const TYPED_SHOWS = 0.9;

/** What the proof rests on: the last clear; or the last repair, where nothing was cleared, or the fault had come back. */
export function proofBasis(state: CaseState, places: ReadonlyMap<string, number>): ProofBasis | null {
  const clear = lastClear(state);
  const repair = state.repairs.at(-1);
  const placeOf = (id: string) => places.get(id) ?? -1;
  if (clear) {
    const back = [...clear.returned.map((r) => r.entry), ...(clear.droveBack ? [clear.droveBack] : [])];
    const firstBack = Math.min(...back.map(placeOf));
    const isRepairedSince = repair !== undefined && placeOf(repair.id) > firstBack;
    if (!isRepairedSince)
      return {
        pendingUntil: null,
        ...clear,
        was: clear.erased.map((e) => e.code),
        wasLit: false,
        returned: codesIn(clear.returned),
        added: codesIn(clear.added),
      };
  }
  return repair ? basisOfRepair(state, places, repair.id) : null;
}

/**
 * Where a case stands after its last clear, or without one after its last repair.
 * @param prior chance that what was done cured it.
 */
export function proofView(state: CaseState, prior: number): ProofView {
  const { standing } = state;
  const units = unitProofs(state);
  const permanent = [
    ...new Set(
      standing.codes
        .filter((c) => c.code.state === 'permanent' && c.clearedBy === null)
        .map((c) => c.code.code),
    ),
  ];
  const none = {
    way: null,
    isTold: false,
    returned: [],
    added: [],
    gone: null,
    trips: 0,
    unseenTrips: 0,
    needed: [],
    waitingFor: [],
    notReady: [],
    unread: [],
    permanent,
    ownProof: [],
    fading: [],
    units,
  };
  if (standing.unknownClear && !standing.unknownClear.unit) return { status: 'unknown-outcome', ...none };
  const places = placesOf(state);
  const basis = proofBasis(state, places);
  if (!basis) return { status: 'not-cleared', ...none };
  const isByRepair = basis.way === 'repair';
  const beganAt = places.get(basis.entry) ?? 0;
  const pendingAt = basis.pendingUntil === null ? -1 : (places.get(basis.pendingUntil) ?? -1);
  const drives = state.drives.filter((d) => (places.get(d.id) ?? -1) > Math.max(beganAt, pendingAt));
  const reading = lastReading(state);
  const readAt = reading ? (places.get(reading.id) ?? -1) : -1;
  const isRead = (d: EntryOf<'drive'>) => (places.get(d.id) ?? -1) < readAt;
  const counted = drives.filter((d) => isRead(d) || d.cameBack === 'no');
  const ownProof = ownProofOf(state, basis, places);
  const checks = selfChecksOf(basis.was);
  const open = standing.monitors
    .filter((m) => m.clearedBy === null && m.monitor.span === 'since-clear' && !m.monitor.complete)
    .map((m) => m.monitor);
  // What the car has proven by itself waits for nothing; and without a clear, what ran since the last one says nothing.
  const waitingFor =
    ownProof.length > 0
      ? []
      : checks.filter(
          (check) =>
            !hasRun(
              check,
              isByRepair ? [] : toldOf(standing, check),
              counted.length,
              basis.readSince !== null,
            ),
        );
  const isWaitedFor = (m: MonitorStatus) => waitingFor.some((c) => c.monitors.includes(m.monitor));
  const share = Math.min(1, ...checks.map((c) => RUNS_SHARE[c.within]));
  const seen = reading?.via === 'hand' ? TYPED_SHOWS : 1;
  const showsOf = (list: readonly EntryOf<'drive'>[], seenShare: number) =>
    list.map((d) => SHOWS_PER_TRIP[d.metConditions] * share * seenShare);
  const hasReturned = basis.returned.length > 0 || basis.droveBack !== null;
  const unread = unreadParts(standing, isByRepair ? ['confirmed', 'pending'] : PROVING).filter(
    () => !isByRepair || basis.readSince === null,
  );
  const byDrives =
    showsOf(counted.filter(isRead), seen).reduce((p, q) => p * (1 - q), 1) *
    lampStaysOut(
      showsOf(
        counted.filter((d) => !isRead(d)),
        1,
      ),
    );
  const hidden = Math.min(byDrives, ...ownProof.map((p) => (1 - SHOWS_PER_TRIP.yes) ** PASSES[p]));
  const gone = hasReturned ? 0 : waitingFor.length > 0 ? null : goneGiven(prior, hidden);
  const base = {
    way: basis.way,
    isTold: basis.way === 'told' || reading?.via === 'hand',
    returned: [...basis.returned],
    added: [...basis.added],
    gone,
    trips: counted.length,
    unseenTrips: drives.length - counted.length,
    waitingFor: hasReturned ? [] : waitingFor,
    notReady: basis.readSince === null || isByRepair ? [] : open.filter((m) => !isWaitedFor(m)),
    unread,
    permanent,
    ownProof: hasReturned ? [] : ownProof,
    fading: isByRepair ? fadingCodes(state, basis, counted.length, ownProof.includes('lamp-went-out')) : [],
    units,
  };
  if (hasReturned) return { status: 'returned', ...base, needed: [] };
  const needed =
    gone === null
      ? []
      : LEVELS.map((level) => ({ level, trips: tripsUntil(level, gone, SHOWS_PER_TRIP.yes * share) }));
  if (basis.readSince === null && !isByRepair) return { status: 'read-again', ...base, needed };
  const isShown = counted.length > 0 || ownProof.length > 0;
  const isProven = gone !== null && gone >= PROVEN && unread.length === 0 && isShown;
  return { status: isProven ? 'proven' : 'watching', ...base, needed };
}

/** The last entry that read the confirmed and pending codes of a unit of the standard's. */
function lastReading({ scans, standing }: CaseState): EntryOf<'scan'> | null {
  return (
    scans.findLast(({ scan }) => {
      const parts = [...scan.parts, ...partsHeld(scan)].filter(
        (p) => isStandardUnit(standing, p.unit) && (p.state === 'known' || p.state === 'empty'),
      );
      return ['confirmed', 'pending'].every((part) => parts.some((p) => p.part === part));
    }) ?? null
  );
}

/** The self-checks that find these codes, each once. */
function selfChecksOf(codes: ProofBasis['was']): SelfCheck[] {
  return [...new Set(codes.flatMap((c) => selfCheckOf(c.code) ?? []))];
}

/** What the car tells of a self-check since the last clear. */
function toldOf({ monitors: all }: Standing, { monitors }: SelfCheck): MonitorStatus[] {
  return all
    .filter(
      (m) => m.clearedBy === null && m.monitor.span === 'since-clear' && monitors.includes(m.monitor.monitor),
    )
    .map((m) => m.monitor);
}

/**
 * Whether a self-check has run since the proof began: as the car says where it was read, else whether it could have.
 * @param trips drives since that say something. @param isRead whether the codes were read since.
 */
function hasRun(
  { within }: SelfCheck,
  told: readonly MonitorStatus[],
  trips: number,
  isRead: boolean,
): boolean {
  if (told.some((m) => !m.complete)) return false;
  switch (within) {
    case 'key-on':
      return isRead || trips > 0;
    // The readiness of what runs all the time says that it can run, not that the engine ran.
    case 'drive':
      return trips > 0;
    case 'some-drives':
      return told.length > 0 || trips >= COULD_HAVE_RUN;
  }
}
