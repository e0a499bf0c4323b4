import type { CaseState, EntryOf } from '@pincer/core/case';
import { failureTypeWords } from '@pincer/core/codes';
import { currentNumber, statusWords, type CodeState, type Scan } from '@pincer/core/obd';
import { acceptedNow, type Vehicle } from '@pincer/core/vehicle';
import { codeStateWords, explainFor, holdsLamp } from './facts.ts';

/** A code in one control unit, with all that the unit keeps of it. */
export interface UnitCode {
  code: string;
  title: string;
  /** Our states, strongest first. */
  states: CodeState[];
  /** Plain words: the state, what its status byte adds, and the failure type. */
  words: string[];
  holdsLamp: boolean;
  isAccepted: boolean;
  /** Against the readings before; null when there is none to compare with. */
  change: 'new' | 'back' | 'unchanged' | null;
}

export interface UnitView {
  unit: string;
  name: string;
  codes: UnitCode[];
  /** Why it could not be read; null when it was. */
  why: string | null;
}

export interface ScanView {
  /** Control units with codes first, then those without, then those that did not answer. */
  units: UnitView[];
  /** Codes of the reading before that are no longer there. */
  gone: { code: string; title: string; name: string }[];
  /** Set when the memory was cleared so lately that what is missing says little. */
  clearedLately: ClearedLately | null;
}

export interface ClearedLately {
  /** Kilometres and warm-ups since the last clear, as the car counts them. */
  km: number | null;
  warmUps: number | null;
  /** Self-checks that have not run since. */
  waiting: number;
}

/** Up to here most self-checks that need special conditions will hardly have run. */
const LATELY = { km: 100, warmUps: 5 } as const;

/** Whether the memory was cleared lately (service 01 readings 31 and 30), as on a car got ready for sale. */
function clearedLately(reading: Scan): ClearedLately | null {
  const km = currentNumber(reading, '31');
  const warmUps = currentNumber(reading, '30');
  const waiting = reading.monitors.filter((m) => m.span === 'since-clear' && !m.complete).length;
  const isLately = km !== null ? km <= LATELY.km : warmUps !== null && warmUps <= LATELY.warmUps;
  return isLately && waiting > 0 ? { km, warmUps, waiting } : null;
}

const RANK: Readonly<Record<CodeState, number>> = { confirmed: 0, permanent: 1, pending: 2, history: 3 };

/** Engine and gearbox by the ids that ISO 15765-4 gives them; others by the module map, or as they are. */
export function unitName(reading: Scan, unit: string): string {
  const named = reading.units?.find((u) => u.unit === unit)?.name;
  if (named) return named;
  if (unit === '7E8' || unit === '10') return 'Engine';
  if (unit === '7E9' || unit === '18') return 'Gearbox';
  return unit === 'unknown' ? 'The car' : `Control unit ${unit}`;
}

/** What the latest reading holds, by control unit and state, and what has changed since the one before. */
export function scanView(state: CaseState, vehicle: Vehicle): ScanView {
  const latest = state.latestReading;
  if (!latest) return { units: [], gone: [], clearedLately: null };
  const earlier = state.scans.filter(
    (r) => r !== latest && r.id !== latest.continues && r.via === latest.via,
  );
  const before = earlier.at(-1) ?? null;
  const { scan } = latest;
  const accepted = acceptedNow(vehicle);
  const ids = new Set([
    ...scan.codes.map((c) => c.unit),
    ...(scan.units ?? []).filter((u) => u.hasAnswered).map((u) => u.unit),
  ]);
  const units = [...ids].map((unit): UnitView => ({
    unit,
    name: unitName(scan, unit),
    why: null,
    codes: codesOf(scan, unit).map(({ code, states, statusByte, failureType }) => ({
      code,
      title: explainFor(code, vehicle).title,
      states,
      words: wordsOf(states, statusByte, failureType),
      holdsLamp: holdsLamp(statusByte, states.includes('confirmed'), scan.mil?.on === true),
      isAccepted: accepted.has(code),
      change: before === null ? null : changeOf(code, unit, before, earlier),
    })),
  }));
  const silent = (scan.units ?? [])
    .filter((u) => !u.hasAnswered && !ids.has(u.unit))
    .map((u): UnitView => ({ unit: u.unit, name: u.name, codes: [], why: u.why ?? 'it did not answer' }));
  return {
    units: [
      ...units.filter((u) => u.codes.length > 0),
      ...units.filter((u) => u.codes.length === 0),
      ...silent,
    ],
    gone: before === null ? [] : goneSince(before, scan, ids, vehicle),
    clearedLately: clearedLately(scan),
  };
}

function codesOf(reading: Scan, unit: string) {
  const rows = new Map<
    string,
    { code: string; states: CodeState[]; statusByte: number | undefined; failureType: string | undefined }
  >();
  for (const c of reading.codes) {
    if (c.unit !== unit) continue;
    const key = `${c.code}/${c.failureType ?? ''}`;
    const row = rows.get(key) ?? {
      code: c.code,
      states: [],
      statusByte: c.statusByte,
      failureType: c.failureType,
    };
    row.states.push(c.state);
    rows.set(key, row);
  }
  for (const row of rows.values()) row.states.sort((a, b) => RANK[a] - RANK[b]);
  return [...rows.values()];
}

function wordsOf(
  states: readonly CodeState[],
  statusByte: number | undefined,
  failureType: string | undefined,
): string[] {
  const said =
    statusByte === undefined
      ? [states.length === 1 && states[0] ? codeStateWords(states[0]) : states.join(', ')]
      : [states.join(', '), ...statusWords(statusByte)];
  return failureType === undefined || failureType === '00' ? said : [...said, failureTypeWords(failureType)];
}

const has = (reading: Scan, code: string, unit: string): boolean =>
  reading.codes.some((c) => c.code === code && c.unit === unit);

function changeOf(
  code: string,
  unit: string,
  before: EntryOf<'scan'>,
  earlier: readonly EntryOf<'scan'>[],
): 'new' | 'back' | 'unchanged' {
  if (has(before.scan, code, unit)) return 'unchanged';
  return earlier.some((r) => has(r.scan, code, unit)) ? 'back' : 'new';
}

/** Gone only where the unit was asked this time: what was not read is not gone. */
function goneSince(
  before: EntryOf<'scan'>,
  now: Scan,
  answered: ReadonlySet<string>,
  vehicle: Vehicle,
): ScanView['gone'] {
  const isStandard = (unit: string) => !before.scan.units?.some((u) => u.unit === unit);
  const wasAsked = (unit: string) =>
    answered.has(unit) || (isStandard(unit) && !now.missing.some((m) => m.part.endsWith('codes')));
  const lost = before.scan.codes.filter((c) => !has(now, c.code, c.unit) && wasAsked(c.unit));
  return [...new Map(lost.map((c) => [`${c.code}/${c.unit}`, c])).values()].map((c) => ({
    code: c.code,
    title: explainFor(c.code, vehicle).title,
    name: unitName(before.scan, c.unit),
  }));
}
