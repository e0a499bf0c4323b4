import { AIR_CAUSES, AIR_CHECKS } from './air.ts';
import { ELECTRICAL_CAUSES, EXHAUST_CAUSES, FUEL_CAUSES, FUEL_CHECKS } from './fuel.ts';
import { IGNITION_CAUSES, IGNITION_CHECKS } from './ignition.ts';
import type { Cause, Check } from './types.ts';

export const CAUSES: readonly Cause[] = [
  ...IGNITION_CAUSES,
  ...AIR_CAUSES,
  ...FUEL_CAUSES,
  ...EXHAUST_CAUSES,
  ...ELECTRICAL_CAUSES,
];

export const CHECKS: readonly Check[] = [...IGNITION_CHECKS, ...AIR_CHECKS, ...FUEL_CHECKS];

const causes = indexed(CAUSES);
const checks = indexed(CHECKS);

/** Fails at start-up when two entries share an id. */
function indexed<T extends { id: string }>(list: readonly T[]): ReadonlyMap<string, T> {
  const map = new Map(list.map((entry) => [entry.id, entry]));
  if (map.size !== list.length) {
    const twice = list.find((entry, i) => list.findIndex((e) => e.id === entry.id) !== i);
    throw new Error(`The knowledge has two entries called ${twice?.id ?? '?'}; rename one.`);
  }
  return map;
}

/** A cause by its id without cylinder. */
export function causeById(id: string): Cause | undefined {
  return causes.get(id);
}

/** A check by its id without cylinder. */
export function checkById(id: string): Check | undefined {
  return checks.get(id);
}
