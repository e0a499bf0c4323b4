import * as z from 'zod/mini';

/** Units that a meter or a gauge shows, with how many of the base unit one is. */
export const METER_UNITS = {
  resistance: { Ω: 1, kΩ: 1_000, MΩ: 1_000_000 },
  voltage: { V: 1, mV: 0.001 },
  current: { mA: 1, A: 1_000 },
  pressure: { bar: 1, kPa: 0.01, psi: 0.0689476 },
  'small-pressure': { kPa: 1, mbar: 0.1, psi: 6.89476 },
  length: { mm: 1, in: 25.4 },
  speed: { rpm: 1 },
  frequency: { Hz: 1, kHz: 1_000 },
} as const satisfies Record<string, Readonly<Record<string, number>>>;
/** Base units: Ω, V, mA, bar, kPa, mm, rpm, Hz. */
export type Quantity = keyof typeof METER_UNITS;

/** What else has to be known to say which value is right. */
export const CONDITIONS = {
  celsius: { title: 'Temperature of the part', unit: '°C', from: -40, to: 130 },
  metres: { title: 'Height above the sea', unit: 'm', from: -400, to: 5_000 },
  battery: { title: 'Voltage at the battery’s own terminals at that moment', unit: 'V', from: 6, to: 16 },
  minutes: { title: 'Minutes since it was locked', unit: 'min', from: 0, to: 1_440 },
  amperes: { title: 'Current that flows, if you know it', unit: 'A', from: 1, to: 600 },
  ratio: { title: 'Compression ratio, if you know it', unit: ': 1', from: 6, to: 25 },
  teeth: { title: 'Teeth of its ring, if you know them', unit: 'teeth', from: 1, to: 200 },
  rpm: { title: 'Engine speed while cranking, if you see it', unit: 'rpm', from: 60, to: 500 },
  tips: { title: 'What the meter shows with its tips held together', unit: 'Ω', from: 0, to: 5 },
} as const;
export type Condition = keyof typeof CONDITIONS;

/** Which value is right, in the base unit. */
export type Expected =
  /** Between two values. A winding’s are those at 20 °C. */
  | { kind: 'band'; from: number; to: number; isWinding?: true }
  /** From nothing to this much: a voltage lost, a drain. */
  | { kind: 'at-most'; most: number }
  | { kind: 'at-least'; least: number }
  /** This value, give or take. */
  | { kind: 'about'; value: number; within: number }
  /** Falls with temperature: resistance at 20 °C from and to, and how steeply (kelvin). */
  | { kind: 'thermistor'; from: number; to: number; beta: number }
  | { kind: 'charging' }
  | { kind: 'rested' }
  /** The battery’s own voltage less at most this. */
  | { kind: 'battery-less'; within: number }
  /** The pressure of the air at that height. */
  | { kind: 'air-pressure'; within: number }
  | { kind: 'parked-drain' }
  /** Teeth that pass a sensor each second while the starter turns the engine. */
  | { kind: 'cranking-teeth' }
  /** Mean voltage at the switched side of a valve that is driven in pulses: from and to this share of the time. */
  | { kind: 'duty'; from: number; to: number }
  /** Nobody knows it but the workshop manual. */
  | { kind: 'manual' };

/** One number to take. */
export interface MeterValue {
  name: string;
  expected: Expected;
  /** In the check’s own quantity unless it says another. */
  quantity?: Quantity;
}

/** How the numbers of a set are held against each other. */
export interface Alike {
  /** Largest difference that is normal: a share of the one it is held against, or in the base unit. */
  within: number;
  isShare: boolean;
  against: 'median' | 'highest';
}

/** What to measure in a check, and what the number says. */
export interface Measurement {
  quantity: Quantity;
  /** How everything must be while measuring. */
  state: string;
  /** One or several numbers; `cylinders` for one of each cylinder, under the same rule. */
  values: readonly MeterValue[] | { each: 'cylinders'; expected: Expected };
  alike?: Alike;
  /** Two engine speeds and two road speeds, of which the ratio must hold. */
  isSlip?: true;
  /** A heater: its power at 12 V is said. */
  isHeater?: true;
  asks: readonly Condition[];
  /** Where the expected value comes from. */
  source: string;
  /** Outcomes of the check that a value within, under and over the band is. */
  within: string;
  below: string;
  above: string;
}

/** What was typed for one number: in the base unit, `open` where the meter shows no connection, null where it was left out. */
const takenSchema = z.union([z.number(), z.literal('open'), z.null()]);
export type Taken = z.infer<typeof takenSchema>;

/** The workshop manual’s own figures, which outrank every other, in the base unit. */
const manualSchema = z.object({
  from: z.optional(z.number()),
  to: z.optional(z.number()),
  /** A table of resistance against temperature. */
  table: z.optional(
    z.array(z.object({ celsius: z.number(), ohms: z.number().check(z.positive()) })).check(z.maxLength(3)),
  ),
});
export type ManualFigures = z.infer<typeof manualSchema>;

/** What an owner typed: the numbers in the order of the measurement, and the conditions that were told, in their unit. */
export const takingSchema = z.object({
  values: z.array(takenSchema).check(z.maxLength(16)),
  conditions: z.partialRecord(z.enum(Object.keys(CONDITIONS) as [Condition, ...Condition[]]), z.number()),
  manual: z.optional(manualSchema),
});
export type Taking = z.infer<typeof takingSchema>;
