import { KM_PER_MILE, KPA_PER_PSI } from '@pincer/core/signals';
import type { Owner } from '@pincer/core/case';

export type Units = Owner['units'];

interface OwnUnit {
  unit: string;
  of: (value: number) => number;
}

/** Speeds and distances in miles also where temperatures are in degrees Celsius, as in some countries. */
const MIXED: Readonly<Record<string, OwnUnit>> = {
  'km/h': { unit: 'mph', of: (v) => v / KM_PER_MILE },
  km: { unit: 'mi', of: (v) => v / KM_PER_MILE },
};
const IMPERIAL: Readonly<Record<string, OwnUnit>> = {
  ...MIXED,
  '°C': { unit: '°F', of: (v) => v * 1.8 + 32 },
  kPa: { unit: 'psi', of: (v) => v / KPA_PER_PSI },
};

/** A reading's unit as the owner has it, and how its values become that. */
export function ownUnit(unit: string, units: Units): OwnUnit {
  const own = units === 'imperial' ? IMPERIAL[unit] : units === 'mixed' ? MIXED[unit] : undefined;
  return own ?? { unit, of: (v) => v };
}
