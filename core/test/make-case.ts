import type { CaseRecord, Entry } from '@pincer/core/case';
import { emptyScan, partsHeld, type CodeState, type Scan } from '@pincer/core/obd';
import type { Vehicle } from '@pincer/core/vehicle';

/** A made-up petrol car for tests. */
export const CAR: Vehicle = {
  id: 'veh_test',
  name: 'Tarrow Finch 1.4',
  kind: 'car',
  fuel: 'petrol',
  year: 2012,
  displacementLitres: 1.4,
  cylinders: 4,
  aspiration: 'natural',
  distanceKm: 168_400,
};

export const NOW = new Date('2026-11-03T12:00:00Z');

type WithoutStamp<T> = T extends Entry ? Omit<T, 'id' | 'at'> : never;

/** A case with these entries, a minute apart; the n-th has the id `ent_n`, beginning with 1. */
export function makeCase(...entries: WithoutStamp<Entry>[]): CaseRecord {
  return {
    id: 'case_test',
    vehicle: CAR.id,
    title: 'A light came on',
    openedAt: '2026-11-03T06:00:00.000Z',
    entries: entries.map((e, i) => ({
      ...e,
      id: `ent_${i + 1}`,
      at: new Date(Date.UTC(2026, 10, 3, 6, i)).toISOString(),
    })),
  };
}

const ALL_CHECKS = [
  'misfire',
  'fuel',
  'components',
  'catalyst',
  'evaporative',
  'oxygen-sensor',
  'oxygen-heater',
  'egr',
];

/** A reading with codes such as `P0302` or `P0302:pending`, live values by PID, and self-checks that have run. */
export function makeScan(
  codes: readonly string[],
  live: Readonly<Record<string, number>> = {},
  options: {
    ran?: readonly string[];
    frame?: { code: string; values: Readonly<Record<string, number>> };
  } = {},
): Scan {
  const row =
    (service: string) =>
    ([pid, value]: [string, number]) => ({ service, pid, name: pid, value, unit: '', source: '7E8', raw: 0 });
  const confirmed = codes.filter((c) => !c.includes(':')).length;
  return {
    ...emptyScan(),
    mils: [{ unit: '7E8', on: confirmed > 0, count: confirmed }],
    codes: codes.map((text) => {
      const [code = '', state = 'confirmed'] = text.split(':');
      return { code, state: state as CodeState, unit: '7E8' };
    }),
    values: Object.entries(live).map(row('01')),
    freezeFrames: options.frame
      ? [
          {
            unit: '7E8',
            frame: 0,
            code: options.frame.code,
            values: Object.entries(options.frame.values).map(row('02')),
          },
        ]
      : [],
    monitors: ALL_CHECKS.map((monitor) => ({
      unit: '7E8',
      span: 'since-clear' as const,
      monitor,
      name: monitor,
      complete: (options.ran ?? ALL_CHECKS).includes(monitor),
    })),
  };
}

/** Parts that every control unit of the standard answers in a full scan. */
const ASKED = ['confirmed', 'pending', 'permanent', 'freeze-frames', 'readiness', 'mil'] as const;

/** The scan with every part said to be read in each unit that it names, or only what it holds. */
function withParts(scan: Scan, isComplete: boolean): Scan {
  const held = partsHeld(scan);
  if (!isComplete) return { ...scan, parts: held.map((p) => ({ ...p, state: 'not-read', why: 'cut' })) };
  const units = [...new Set(['7E8', ...held.map((p) => p.unit)])];
  const empty = units.flatMap((unit) =>
    ASKED.filter((part) => !held.some((p) => p.unit === unit && p.part === part)).map((part) => ({
      unit,
      part,
      state: 'empty' as const,
    })),
  );
  return { ...scan, parts: [...held, ...empty] };
}

/** A scan as an entry; parts that it does not speak of are read as empty, or as not read when it is not complete. */
export function scanEntry(scan: Scan, isComplete = true): WithoutStamp<Entry> {
  return {
    kind: 'scan',
    via: 'adapter',
    isComplete,
    scan: scan.parts.length > 0 ? scan : withParts(scan, isComplete),
  };
}

/** Yes or no to a symptom or event. */
export function saw(observation: string, answer: 'yes' | 'no' | 'unknown' = 'yes'): WithoutStamp<Entry> {
  return { kind: 'observation', observation, answer };
}
