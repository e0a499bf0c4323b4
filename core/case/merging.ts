import type { Vehicle } from '@pincer/core/vehicle';
import type { Entry } from './entries.ts';
import type { CaseFile, CaseRecord } from './record.ts';

/** What bringing a case file in would do to the logbook. */
export interface MergePlan {
  isNew: boolean;
  /** Entries that the logbook lacks and that take nothing back. */
  additions: Entry[];
  /** Entries that would strike out what is in the logbook now: only when the owner says so. */
  strikeOuts: Entry[];
  /** Entries that are here already under the same id and say something else: those here stay. */
  differing: number;
  /** The case is here, of another vehicle: its entries are never mixed. */
  isOtherVehicle: boolean;
}

/** Whether two records say the same, in whatever order their fields stand. */
export const sameContent = (a: unknown, b: unknown): boolean => sorted(a) === sorted(b);

const sorted = (value: unknown): string =>
  JSON.stringify(value, (_, v: unknown) =>
    typeof v === 'object' && v !== null && !Array.isArray(v)
      ? Object.fromEntries(Object.entries(v).sort(([a], [b]) => (a < b ? -1 : 1)))
      : v,
  );

/** Two vehicles that cannot be one: both numbers are known and differ. */
const areTwo = (a: Vehicle | undefined, b: Vehicle): boolean =>
  a !== undefined && a.vin !== undefined && b.vin !== undefined && a.vin !== b.vin;

/**
 * Compares a checked case file with what is here under the same ids. A file only ever adds; what would take something
 * back, or belongs to another vehicle, is named, so that the owner can be asked.
 */
export function mergePlan(
  file: CaseFile,
  known: CaseRecord | undefined,
  vehicle: Vehicle | undefined,
): MergePlan {
  const here = new Map(known?.entries.map((e) => [e.id, e]));
  const fresh = file.case.entries.filter((e) => !here.has(e.id));
  const takesBack = (e: Entry): boolean => e.kind === 'retracted' && here.has(e.entry);
  return {
    isNew: known === undefined,
    additions: fresh.filter((e) => !takesBack(e)),
    strikeOuts: fresh.filter(takesBack),
    differing: file.case.entries.filter((e) => {
      const mine = here.get(e.id);
      return mine !== undefined && !sameContent(mine, e);
    }).length,
    isOtherVehicle:
      (known !== undefined && known.vehicle !== file.case.vehicle) || areTwo(vehicle, file.vehicle),
  };
}
