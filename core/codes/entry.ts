import type { ComponentId } from './components.ts';
import type { FailureId } from './failures.ts';
import { once } from './once.ts';

/** Where a code points. */
export interface Place {
  bank?: number;
  sensor?: number;
  cylinder?: number;
  /** Position that is none of these: `A`, `intake`, `gear 3`, or the control unit of a network code. */
  label?: string;
}

/** One code of the catalogue: component x place x way of failing. */
export interface CodeEntry {
  code: string;
  component: ComponentId;
  place: Place;
  failure: FailureId;
}

/** A table of codes as it is written: one code, or several in a row. */
export interface CodeTable {
  /** All of them, one by one; rows are told off when they are first asked for. */
  entries: () => readonly CodeEntry[];
  one: (code: string, component: ComponentId, failure: FailureId, place?: Place) => void;
  /** Codes in a row, one for each way of failing; null leaves one out. */
  row: (base: string, component: ComponentId, failures: readonly (FailureId | null)[], place?: Place) => void;
}

/**
 * The code so many places further. Families whose number has a letter count in hexadecimal, the others in decimal:
 * after P0139 comes P0140, after P0A09 comes P0A0A.
 */
export function codeAt(base: string, offset: number): string {
  const isHexadecimal = /[A-F]/.test(base.slice(1));
  const number = isHexadecimal
    ? (Number.parseInt(base.slice(1), 16) + offset).toString(16).toUpperCase()
    : String(Number(base.slice(1)) + offset);
  return `${base[0] ?? 'P'}${number.padStart(4, '0')}`;
}

/** An empty table. */
export function codeTable(): CodeTable {
  const written: {
    base: string;
    component: ComponentId;
    failures: readonly (FailureId | null)[];
    place: Place;
  }[] = [];
  const row: CodeTable['row'] = (base, component, failures, place = {}) => {
    written.push({ base, component, failures, place });
  };
  return {
    entries: once(() =>
      written.flatMap(({ base, component, failures, place }) =>
        failures.flatMap((failure, i) =>
          failure ? [{ code: i === 0 ? base : codeAt(base, i), component, place, failure }] : [],
        ),
      ),
    ),
    one: (code, component, failure, place) => row(code, component, [failure], place),
    row,
  };
}

/** The five ways in which a sensor's signal fails, in the standard's order. */
export const SENSOR: readonly FailureId[] = ['circuit', 'range', 'low', 'high', 'intermittent'];
/** Four of them, where the standard leaves the last one out. */
export const SENSOR_4: readonly FailureId[] = ['circuit', 'range', 'low', 'high'];
/** Five of an oxygen sensor. */
export const OXYGEN: readonly FailureId[] = ['circuit', 'low', 'high', 'slow', 'no-activity'];
/** Five of a transmission solenoid that regulates. */
export const SOLENOID: readonly FailureId[] = [
  'circuit',
  'performance',
  'stuck-on',
  'electrical',
  'intermittent',
];
/** Three and four of a controlled part. */
export const CONTROL: readonly FailureId[] = ['circuit', 'circuit-low', 'circuit-high'];
export const OPEN_3: readonly FailureId[] = ['open', 'circuit-low', 'circuit-high'];
export const OPEN_4: readonly FailureId[] = ['open', 'range', 'circuit-low', 'circuit-high'];
/** Four of a speed sensor. */
export const SPEED: readonly FailureId[] = ['circuit', 'range', 'no-activity', 'intermittent'];
