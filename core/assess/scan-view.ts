import {
  clearedLately,
  isStandardUnit,
  partStanding,
  scanOf,
  type CaseState,
  type ClearedLately,
  type EntryOf,
  type How,
  type PartStanding,
  type Standing,
} from '@pincer/core/case';
import { failureTypeWords } from '@pincer/core/codes';
import {
  NO_SOURCE,
  milOf,
  statusWords,
  type CodeState,
  type ReadError,
  type Scan,
  type ScanPart,
  type StoredRecord,
} from '@pincer/core/obd';
import { acceptedNow, type Vehicle } from '@pincer/core/vehicle';
import { byState, codeStateWords, explainFor, holdsLamp } from './explain-for.ts';
import { unitName, unitNameNow } from './unit-names.ts';

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
  /** Set when it was erased and the unit was not read since. */
  isCleared: boolean;
  /** Against the scans before; null when there is none to compare with. */
  change: 'new' | 'back' | 'unchanged' | null;
}

export interface UnitView {
  unit: string;
  name: string;
  codes: UnitCode[];
  /** Why it could not be read at the last try; null when it was. */
  why: string | null;
  /** Parts that nobody has read, or that the last try did not bring, with the reason. */
  open: OpenPart[];
}

/** A part that is not known as of the last try. */
export interface OpenPart {
  part: ScanPart;
  /** The part in words. */
  title: string;
  status: PartStanding['status'];
  /** Why it was not read. */
  why: string;
  /** When it was read last, and how; null when it never was. */
  last: { at: string; how: How } | null;
}

export interface ScanView {
  /** What is known now, as one scan. */
  known: Scan;
  /** The scan that came in last, for when and how; null when there is none. */
  last: EntryOf<'scan'> | null;
  /** Control units with codes first, then those without, then those that did not answer. */
  units: UnitView[];
  /** Codes that the unit told before and that are no longer there. */
  gone: { code: string; title: string; name: string }[];
  /** The lamp as the car commands it; null when nobody has read it since it was erased. */
  mil: { on: boolean; count: number } | null;
  /** What the last scan could not understand, by line where it came from a file. */
  problems: readonly ReadError[];
  /** Set when the memory was cleared so lately that what is missing says little. */
  clearedLately: ClearedLately | null;
  /** What control units keep beside their codes, of the last scan that brought any. */
  records: (StoredRecord & { name: string })[];
  /** Where the engine lamp that the owner saw is not what the car commands. */
  lampApart: LampApart | null;
}

/** `dark`: commanded on and seen out; `lit`: seen lit and not commanded. */
export type LampApart = 'dark' | 'lit';

/** Whether the owner sees another engine lamp than the car commands; what was not read or not looked at says nothing. */
export function lampApart({ lamps, mils }: Standing): LampApart | null {
  const seen = lamps.get('engine');
  if (!seen || seen.clearedBy !== null || mils.length === 0 || mils.some((m) => m.clearedBy !== null))
    return null;
  const isCommanded = mils.some((m) => m.mil.on);
  if (isCommanded) return seen.mode === 'out' ? 'dark' : null;
  return seen.mode === 'steady' || seen.mode === 'flashing' ? 'lit' : null;
}

const PART_TITLES: Readonly<Record<ScanPart, string>> = {
  confirmed: 'confirmed codes',
  pending: 'pending codes',
  permanent: 'permanent codes',
  history: 'history codes',
  'freeze-frames': 'stored conditions',
  readiness: 'self-checks',
  mil: 'light command',
  identity: 'vehicle number and calibration',
  counters: 'distances and warm-ups',
  values: 'readings',
  tests: 'on-board test results',
};

/** Parts whose silence a screen has to show; the others tell by their own absence. */
const SHOWN_OPEN: ReadonlySet<ScanPart> = new Set([
  'confirmed',
  'pending',
  'permanent',
  'history',
  'freeze-frames',
  'readiness',
  'mil',
  'identity',
  'values',
  'tests',
]);

function openPartsOf(standing: Standing, unit: string): OpenPart[] {
  return [...standing.parts.values()].flatMap((p): OpenPart[] => {
    if (p.unit !== unit || !SHOWN_OPEN.has(p.part)) return [];
    if (p.status !== 'not-read' && p.status !== 'cleared' && p.missed === null) return [];
    return [
      {
        part: p.part,
        title: PART_TITLES[p.part],
        status: p.status,
        why: p.missed?.why ?? (p.status === 'cleared' ? 'cleared since it was read' : 'not read'),
        last: p.word && { at: p.word.at, how: p.word.how },
      },
    ];
  });
}

/** What is known now by control unit and state, and what has changed since it was read before. */
export function scanView(state: CaseState, vehicle: Vehicle): ScanView {
  const { standing } = state;
  const accepted = acceptedNow(vehicle);
  const isLampOn = standing.mils.some((m) => m.clearedBy === null && m.mil.on);
  const inParts = [...standing.parts.values()].filter((p) => p.unit !== NO_SOURCE).map((p) => p.unit);
  const ids = [
    ...new Set([...standing.codes.map((c) => c.code.unit), ...inParts, ...standing.mapped.keys()]),
  ];
  const history = new History(state);
  const units = ids.map((unit): UnitView => ({
    unit,
    name: unitNameNow(standing, unit),
    why: whyOf(standing, unit),
    open: isStandardUnit(standing, unit) ? openPartsOf(standing, unit) : [],
    codes: codesOf(standing, unit).map(({ code, states, statusByte, failureType, isCleared }) => ({
      code,
      title: explainFor(code, vehicle).title,
      states,
      words: wordsOf(states, statusByte, failureType),
      holdsLamp: !isCleared && holdsLamp(statusByte, states.includes('confirmed'), isLampOn),
      isAccepted: accepted.has(code),
      isCleared,
      change: isCleared ? null : history.changeOf(code, unit),
    })),
  }));
  return {
    known: scanOf(standing),
    last: state.scans.at(-1) ?? null,
    units: [
      ...units.filter((u) => u.codes.length > 0),
      ...units.filter((u) => u.codes.length === 0 && u.why === null),
      ...units.filter((u) => u.codes.length === 0 && u.why !== null),
    ],
    gone: ids.flatMap((unit) => history.goneOf(unit, vehicle)),
    mil: milOf({ mils: standing.mils.filter((m) => m.clearedBy === null).map((m) => m.mil) }),
    problems: state.scans.at(-1)?.scan.errors ?? [],
    clearedLately: clearedLately(standing),
    records: (state.scans.findLast((s) => s.scan.units !== undefined)?.scan.records ?? []).map((r) => ({
      ...r,
      name: unitNameNow(standing, r.unit),
    })),
    lampApart: lampApart(standing),
  };
}

/** Why a unit of the module map could not be read at the last try. */
function whyOf({ mapped, codes }: Standing, unit: string): string | null {
  return codes.some((c) => c.code.unit === unit) ? null : (mapped.get(unit)?.why ?? null);
}

function codesOf(standing: Standing, unit: string) {
  const rows = new Map<
    string,
    {
      code: string;
      states: CodeState[];
      statusByte: number | undefined;
      failureType: string | undefined;
      isCleared: boolean;
    }
  >();
  for (const { code: c, clearedBy } of standing.codes) {
    if (c.unit !== unit) continue;
    const key = `${c.code}/${c.failureType ?? ''}`;
    const row = rows.get(key) ?? {
      code: c.code,
      states: [],
      statusByte: c.statusByte,
      failureType: c.failureType,
      isCleared: true,
    };
    row.states.push(c.state);
    if (clearedBy === null) row.isCleared = false;
    rows.set(key, row);
  }
  for (const row of rows.values()) row.states.sort(byState);
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

const has = (scan: Scan, code: string, unit: string): boolean =>
  scan.codes.some((c) => c.code === code && c.unit === unit);

/** Whether a scan told the codes of a unit. */
const hasRead = (scan: Scan, unit: string): boolean =>
  scan.parts.some(
    (p) => p.unit === unit && p.part === 'confirmed' && (p.state === 'known' || p.state === 'empty'),
  );

/** What the scans before told of each unit. */
class History {
  constructor(private readonly state: CaseState) {}

  /** Scans that told a unit's codes before the one that its standing rests on, of the same kind; oldest first. */
  private before(unit: string): EntryOf<'scan'>[] {
    const { scans, standing } = this.state;
    const word = partStanding(standing, unit, 'confirmed').word;
    const at = scans.findIndex((s) => s.id === word?.entry);
    const now = scans[at];
    if (!now) return [];
    return scans
      .slice(0, at)
      .filter((s) => s.id !== now.continues && s.via === now.via && hasRead(s.scan, unit));
  }

  changeOf(code: string, unit: string): UnitCode['change'] {
    const earlier = this.before(unit);
    const last = earlier.at(-1);
    if (!last) return null;
    if (has(last.scan, code, unit)) return 'unchanged';
    return earlier.some((s) => has(s.scan, code, unit)) ? 'back' : 'new';
  }

  /** Gone only where the unit was read this time: what was not read is not gone. */
  goneOf(unit: string, vehicle: Vehicle): ScanView['gone'] {
    const { standing } = this.state;
    const status = partStanding(standing, unit, 'confirmed').status;
    const last = this.before(unit).at(-1);
    if (!last || (status !== 'known' && status !== 'empty')) return [];
    const lost = last.scan.codes.filter(
      (c) => c.unit === unit && !standing.codes.some((n) => n.code.code === c.code && n.code.unit === unit),
    );
    return [...new Set(lost.map((c) => c.code))].map((code) => ({
      code,
      title: explainFor(code, vehicle).title,
      name: unitName(last.scan, unit),
    }));
  }
}
