import { foldCase, type CaseRecord } from '@pincer/core/case';
import type { ReadValue, Scan } from '@pincer/core/obd';
import { meanOf, windowOfScan, type EngineFacts } from '@pincer/core/signals';

export interface TrendPoint {
  /** Moment of the reading, ISO. */
  at: string;
  value: number;
}

/** A figure that several readings of one vehicle tell, oldest first. */
export interface Series {
  id: string;
  title: string;
  unit: string;
  points: TrendPoint[];
  /** Where it would be worth acting; null where no limit is known. */
  limit: { value: number; side: 'most' | 'least' } | null;
}

/** A change of what a control unit runs, between two readings. */
export interface SoftwareChange {
  at: string;
  unit: string;
  from: string;
  to: string;
}

/** Both trims together, per cent: from here on a technician looks for the reason. */
const TRIM_LIMIT = 10;
/** Charging voltage, V, engine warm and idling. */
const CHARGING_LIMIT = 13.2;

/** Every reading of a vehicle that an adapter took, oldest first, each once. */
function readingsOf(cases: readonly CaseRecord[]): { at: string; scan: Scan }[] {
  return cases
    .flatMap((c) => foldCase(c).scans)
    .filter((s) => s.via === 'adapter')
    .map(({ at, scan }) => ({ at, scan }))
    .sort((a, b) => a.at.localeCompare(b.at));
}

const testOf = (v: ReadValue): Pick<Series, 'id' | 'title' | 'unit' | 'limit'> | null => {
  if (v.service !== '06' || typeof v.value !== 'number') return null;
  const limit = v.max
    ? { value: v.max, side: 'most' as const }
    : v.min !== undefined
      ? { value: v.min, side: 'least' as const }
      : null;
  return { id: `test:${v.source}:${v.pid}:${v.part ?? ''}`, title: v.name, unit: v.unit, limit };
};

/**
 * What can be followed over the readings of one vehicle: the car's own test results against their limits (service 06), trims
 * and charging at warm idle, and how fast the coolant warms up in recordings. Only figures that at least two readings tell.
 */
export function seriesOf(cases: readonly CaseRecord[], engine: EngineFacts): Series[] {
  const found = new Map<string, Series>();
  const add = (of: Pick<Series, 'id' | 'title' | 'unit' | 'limit'>, at: string, value: number) => {
    const series = found.get(of.id) ?? { ...of, points: [] };
    // The limit of the newest reading counts: new software may bring another.
    found.set(of.id, {
      ...series,
      limit: of.limit ?? series.limit,
      points: [...series.points, { at, value }],
    });
  };
  for (const { at, scan } of readingsOf(cases)) {
    for (const v of scan.values) {
      const test = testOf(v);
      if (test && typeof v.value === 'number') add(test, at, v.value);
    }
    const look = windowOfScan(scan, engine);
    if (look.state !== 'idle-warm') continue;
    for (const [bank, short, long] of [
      [1, 'shortTrim', 'longTrim'],
      [2, 'shortTrim2', 'longTrim2'],
    ] as const) {
      const [s, l] = [meanOf(look, short), meanOf(look, long)];
      if (s !== null && l !== null)
        add(
          {
            id: `trim:${bank}`,
            title: `Fuel trims at warm idle, bank ${bank}, both together`,
            unit: '%',
            // Too rich is as far off as too lean.
            limit: s + l < 0 ? { value: -TRIM_LIMIT, side: 'least' } : { value: TRIM_LIMIT, side: 'most' },
          },
          at,
          s + l,
        );
    }
    const volts = meanOf(look, 'volts');
    if (volts !== null)
      add(
        {
          id: 'charging',
          title: 'Charging voltage at warm idle',
          unit: 'V',
          limit: { value: CHARGING_LIMIT, side: 'least' },
        },
        at,
        volts,
      );
  }
  for (const { at, minutes, isDriven } of warmUps(cases))
    add(
      {
        id: `warm-up:${isDriven ? 'driving' : 'idle'}`,
        title: `Warm-up ${isDriven ? 'while driving' : 'at idle'}, from {20 to 70 °C}`,
        unit: 'min',
        // At idle an engine may take any time in winter: nothing is said of it.
        limit: isDriven ? { value: WARM_UP_LIMIT, side: 'most' } : null,
      },
      at,
      minutes,
    );
  return [...found.values()].filter((s) => s.points.length > 1);
}

/** Minutes from 20 to 70 °C while driving, from where on a thermostat is worth a look. */
const WARM_UP_LIMIT = 15;
/** The span that it is put to, K; the least that a recording has to show of it; and where a thermostat begins to open, °C. */
const [WARM_SPAN, LEAST_RISE, OPENS] = [50, 10, 78];
const DRIVEN: ReadonlySet<string> = new Set(['driving', 'cruise']);

/** How long the coolant takes to warm up, put to the same span, from recordings of a cold engine. */
function warmUps(cases: readonly CaseRecord[]): { at: string; minutes: number; isDriven: boolean }[] {
  return cases
    .flatMap((c) => foldCase(c).recordings)
    .flatMap(({ at, windows }) =>
      windows.flatMap(({ state, seconds, stats }) => {
        const coolant = stats['coolant'];
        const isDriven = DRIVEN.has(state);
        if (!coolant || (!isDriven && state !== 'idle-cold')) return [];
        const rise = coolant.last - coolant.first;
        if (rise < LEAST_RISE || coolant.last > OPENS || seconds <= 0) return [];
        const minutes = Math.round(((WARM_SPAN / rise) * seconds) / 6) / 10;
        return [{ at, minutes, isDriven }];
      }),
    )
    .sort((a, b) => a.at.localeCompare(b.at));
}

/** Where the calibration of a unit is another one than at the reading before. */
export function softwareChanges(cases: readonly CaseRecord[]): SoftwareChange[] {
  const known = new Map<string, string>();
  const changes: SoftwareChange[] = [];
  for (const { at, scan } of readingsOf(cases))
    for (const { unit, calibrationIds, verificationNumbers } of scan.identities) {
      const now = [...calibrationIds, ...verificationNumbers].join(' ');
      if (now === '') continue;
      const before = known.get(unit);
      if (before !== undefined && before !== now) changes.push({ at, unit, from: before, to: now });
      known.set(unit, now);
    }
  return changes;
}
