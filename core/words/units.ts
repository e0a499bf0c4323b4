import * as z from 'zod/mini';

/** Kilometres of an international mile, metres of a foot and of an inch: exact by definition (1959). */
export const KM_PER_MILE = 1.609344;
export const M_PER_FOOT = 0.3048;
const MM_PER_INCH = 25.4;
/** Kilopascals of a pound-force per square inch, and of a bar (exact). */
export const KPA_PER_PSI = 6.894757;
const KPA_PER_BAR = 100;
/** Litres of a US quart and of a US gallon: exact by the inch. */
const L_PER_QUART = 0.946352946;
const L_PER_GALLON = 3.785411784;
/** Litres of an imperial gallon (exact). */
const L_PER_IMPERIAL_GALLON = 4.54609;
/** Newton metres of a pound-foot, kilograms of a pound (exact). */
const NM_PER_POUND_FOOT = 1.355818;
const KG_PER_POUND = 0.45359237;

/** Units one by one. */
const unitsSchema = z.object({
  distance: z.enum(['km', 'mi']),
  temperature: z.enum(['C', 'F']),
  /** `kPa`: as is customary, kPa for the engine’s air and bar for the rest. */
  pressure: z.enum(['kPa', 'bar', 'psi']),
  length: z.enum(['mm', 'in']),
  volume: z.enum(['L', 'gal']),
});
export type Units = z.infer<typeof unitsSchema>;

/** Units that go together, by name. */
export const UNIT_PRESETS = {
  metric: { distance: 'km', temperature: 'C', pressure: 'kPa', length: 'mm', volume: 'L' },
  mixed: { distance: 'mi', temperature: 'C', pressure: 'kPa', length: 'mm', volume: 'L' },
  imperial: { distance: 'mi', temperature: 'F', pressure: 'psi', length: 'in', volume: 'gal' },
} as const satisfies Record<string, Units>;
export type UnitPreset = keyof typeof UNIT_PRESETS;

/** An owner's units: a preset, or one by one. */
export const unitChoiceSchema = z.union([z.enum(['metric', 'imperial', 'mixed']), unitsSchema]);
export type UnitChoice = z.infer<typeof unitChoiceSchema>;

/** The units one by one, whichever way they were chosen. */
export const unitsOf = (choice: UnitChoice): Units =>
  typeof choice === 'string' ? UNIT_PRESETS[choice] : choice;

/** How values of a unit of the standard are shown. */
export interface OwnUnit {
  unit: string;
  of: (value: number) => number;
}

const same = (unit: string): OwnUnit => ({ unit, of: (v) => v });
const per = (unit: string, size: number): OwnUnit => ({ unit, of: (v) => v / size });

function ownPressure(kPa: number, pressure: Units['pressure'], written: string): OwnUnit {
  if (pressure === 'psi') return per('psi', KPA_PER_PSI / kPa);
  return pressure === 'bar' ? per('bar', KPA_PER_BAR / kPa) : same(written);
}

/**
 * A unit of the standard as the owner has it, and how its values become that. `K` is a difference of temperatures.
 * What nobody converts (rpm, V, %, g/s) stays as it is.
 */
export function ownUnit(unit: string, choice: UnitChoice): OwnUnit {
  const units = unitsOf(choice);
  const isMiles = units.distance === 'mi';
  const isInches = units.length === 'in';
  switch (unit) {
    case 'km/h':
      return isMiles ? per('mph', KM_PER_MILE) : same(unit);
    case 'km':
      return isMiles ? per('mi', KM_PER_MILE) : same(unit);
    case 'm':
      return isMiles ? per('ft', M_PER_FOOT) : same(unit);
    case '°C':
      return units.temperature === 'F' ? { unit: '°F', of: (v) => v * 1.8 + 32 } : same(unit);
    case 'K':
      return units.temperature === 'F' ? per('°F', 1 / 1.8) : same('°C');
    case 'kPa':
      return ownPressure(1, units.pressure, unit);
    case 'bar':
      return ownPressure(KPA_PER_BAR, units.pressure, unit);
    case 'mm':
      return isInches ? per('in', MM_PER_INCH) : same(unit);
    case 'cm':
      return isInches ? per('in', MM_PER_INCH / 10) : same(unit);
    case 'L':
      return units.volume === 'gal' ? per('gal', L_PER_GALLON) : same(unit);
    case 'qt':
      return units.volume === 'gal' ? per('qt', L_PER_QUART) : same('L');
    case 'L/h':
      return units.volume === 'gal' ? per('gal/h', L_PER_GALLON) : same(unit);
    case 'L/100 km': {
      if (!isMiles) return same(unit);
      // Miles with litres is how distances are told in Britain, whose gallon is larger.
      const [gallon, shown] =
        units.volume === 'gal' ? [L_PER_GALLON, 'mpg'] : [L_PER_IMPERIAL_GALLON, 'mpg (imperial)'];
      return { unit: shown, of: (v) => (100 * gallon) / (KM_PER_MILE * v) };
    }
    case 'Nm':
      return isInches ? per('lb-ft', NM_PER_POUND_FOOT) : same(unit);
    case 'kg':
      return isInches ? per('lb', KG_PER_POUND) : same(unit);
    default:
      return same(unit);
  }
}

/** A value that an owner typed in their own unit, in the unit of the standard. */
export function fromOwn(value: number, unit: string, choice: UnitChoice): number {
  const own = ownUnit(unit, choice);
  const zero = own.of(0);
  return (value - zero) / (own.of(1) - zero);
}
