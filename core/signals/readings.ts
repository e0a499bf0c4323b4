import type { ReadValue } from '@pincer/core/obd';

/** How a vehicle counts its oxygen sensors: two banks by PID 13, four by PID 1D (SAE J1979). */
export type OxygenLayout = 'two-banks' | 'four-banks';

/** Where a reading comes from: service 01 PID, the part of it, and the layout in which it stands there; any without. */
export type Source = readonly [pid: string, part?: string, layout?: OxygenLayout];

export interface ReadingKind {
  title: string;
  unit: string;
  /** Sources in the order of preference. */
  from: readonly Source[];
  /** How often it is worth asking for, milliseconds: what swings often, what warms seldom. */
  everyMs: number;
}

const kind = (title: string, unit: string, everyMs: number, ...from: Source[]): ReadingKind => ({
  title,
  unit,
  everyMs,
  from,
});

const FAST = 100;
const OFTEN = 250;
const SLOW = 2_000;
const SELDOM = 10_000;

/** The readings that rules speak of, in the units of the standard. */
export const READINGS = {
  engineSpeed: kind('Engine speed', 'rpm', FAST, ['0C']),
  speed: kind('Vehicle speed', 'km/h', OFTEN, ['0D']),
  coolant: kind('Coolant temperature', '°C', SLOW, ['05'], ['67', 'sensor 1']),
  intake: kind('Intake air temperature', '°C', SLOW, ['0F'], ['68', 'bank 1 sensor 1']),
  outside: kind('Outside air temperature', '°C', SELDOM, ['46']),
  oil: kind('Oil temperature', '°C', SLOW, ['5C']),
  manifold: kind('Manifold pressure', 'kPa', FAST, ['0B'], ['87', 'sensor A']),
  airPressure: kind('Air pressure', 'kPa', SELDOM, ['33']),
  airFlow: kind('Air flow', 'g/s', FAST, ['10'], ['66', 'sensor A']),
  load: kind('Calculated load', '%', OFTEN, ['04']),
  shortTrim: kind('Short-term trim, bank 1', '%', OFTEN, ['06']),
  longTrim: kind('Long-term trim, bank 1', '%', SLOW, ['07']),
  shortTrim2: kind('Short-term trim, bank 2', '%', OFTEN, ['08']),
  longTrim2: kind('Long-term trim, bank 2', '%', SLOW, ['09']),
  volts: kind('Control unit voltage', 'V', OFTEN, ['42']),
  runTime: kind('Time since start', 's', SLOW, ['1F']),
  throttle: kind('Throttle position', '%', FAST, ['11']),
  throttleCommand: kind('Commanded throttle', '%', FAST, ['4C'], ['6C', 'commanded A']),
  pedalD: kind('Pedal position D', '%', FAST, ['49']),
  pedalE: kind('Pedal position E', '%', FAST, ['4A']),
  timing: kind('Ignition timing', '°', OFTEN, ['0E']),
  lambdaCommand: kind('Commanded lambda', 'λ', OFTEN, ['44']),
  /** 2 is closed loop, by the standard's enumeration. */
  fuelLoop: kind('Fuel system status', '', SLOW, ['03', 'system 1']),
  frontOxygen: kind('Front oxygen sensor', 'V', FAST, ['14', 'voltage']),
  rearOxygen: kind('Rear oxygen sensor', 'V', FAST, ['15', 'voltage']),
  frontLambda: kind('Front wide-band lambda', 'λ', FAST, ['24', 'lambda'], ['34', 'lambda']),
  catalyst: kind('Catalyst temperature', '°C', SLOW, ['3C']),
  frontOxygen2: kind(
    'Front oxygen sensor, bank 2',
    'V',
    FAST,
    ['18', 'voltage', 'two-banks'],
    ['16', 'voltage', 'four-banks'],
  ),
  rearOxygen2: kind(
    'Rear oxygen sensor, bank 2',
    'V',
    FAST,
    ['19', 'voltage', 'two-banks'],
    ['17', 'voltage', 'four-banks'],
  ),
  frontLambda2: kind(
    'Front wide-band lambda, bank 2',
    'λ',
    FAST,
    ['28', 'lambda', 'two-banks'],
    ['38', 'lambda', 'two-banks'],
    ['26', 'lambda', 'four-banks'],
    ['36', 'lambda', 'four-banks'],
  ),
  catalyst2: kind('Catalyst temperature, bank 2', '°C', SLOW, ['3D']),
  fuelLevel: kind('Fuel level', '%', SELDOM, ['2F']),
  tankPressure: kind('Fuel tank {vapour} pressure', 'Pa', SLOW, ['32'], ['54']),
  purge: kind('{Vapour} purge', '%', OFTEN, ['2E']),
  rail: kind('Rail pressure', 'kPa', FAST, ['6D', 'pressure A'], ['23'], ['59']),
  railTarget: kind('Commanded rail pressure', 'kPa', FAST, ['6D', 'commanded pressure A']),
  egrCommand: kind('Commanded EGR', '%', OFTEN, ['69', 'commanded A'], ['2C']),
  egrActual: kind('Recirculation valve', '%', OFTEN, ['69', 'actual A']),
  egrError: kind('Recirculation error', '%', OFTEN, ['2D'], ['69', 'error A']),
  boost: kind('Boost pressure', 'kPa', FAST, ['70', 'sensor A']),
  boostTarget: kind('Commanded boost pressure', 'kPa', FAST, ['70', 'commanded A']),
  /** 1 is on, by the standard's enumeration. */
  glowLamp: kind('Glow light command', '', OFTEN, ['65', 'glow plug light']),
  filterDrop: kind('Particulate filter pressure difference', 'kPa', OFTEN, ['7A', 'pressure difference']),
  soot: kind('Soot towards the next regeneration', '%', SELDOM, ['8B', 'soot towards the next regeneration']),
  exhaustHeat: kind('Exhaust temperature', '°C', SLOW, ['78', 'sensor 1']),
  filterHeat: kind('Particulate filter inlet', '°C', SLOW, ['7C', 'bank 1 inlet']),
} as const satisfies Record<string, ReadingKind>;
export type ReadingKey = keyof typeof READINGS;

/** What the second bank has in place of a reading of the first. */
export const BANK_2: Partial<Record<ReadingKey, ReadingKey>> = {
  shortTrim: 'shortTrim2',
  longTrim: 'longTrim2',
  frontOxygen: 'frontOxygen2',
  rearOxygen: 'rearOxygen2',
  frontLambda: 'frontLambda2',
  catalyst: 'catalyst2',
};

/** PID by which a vehicle states that it has four banks. */
const FOUR_BANKS_PID = 0x1d;
/** The sources of a reading in a vehicle, by the PIDs that it offers or has told. */
export function sourcesOfReading(key: ReadingKey, pids: ReadonlySet<number>): readonly Source[] {
  const layout: OxygenLayout = pids.has(FOUR_BANKS_PID) ? 'four-banks' : 'two-banks';
  return READINGS[key].from.filter(([, , of]) => of === undefined || of === layout);
}

export const READING_KEYS = Object.keys(READINGS) as ReadingKey[];

/** Whether a text names a reading. */
export function isReadingKey(text: string): text is ReadingKey {
  return Object.hasOwn(READINGS, text);
}

/** Differences that rules judge; taken at the moment of each sample, so that a change of both says nothing. */
export const DERIVED = {
  throttleGap: {
    title: 'Throttle error (actual − commanded)',
    unit: '%',
    of: ['throttle', 'throttleCommand'],
    how: 'difference',
  },
  pedalRatio: { title: 'Pedal track D over E', unit: '', of: ['pedalD', 'pedalE'], how: 'ratio' },
  railGap: {
    title: 'Rail pressure error (actual − target)',
    unit: '%',
    of: ['rail', 'railTarget'],
    how: 'share',
  },
  boostGap: { title: 'Boost error (actual − target)', unit: '%', of: ['boost', 'boostTarget'], how: 'share' },
  egrGap: {
    title: 'EGR error (actual − commanded)',
    unit: '%',
    of: ['egrActual', 'egrCommand'],
    how: 'difference',
  },
  trimSum: { title: 'Short plus long trim', unit: '%', of: ['shortTrim', 'longTrim'], how: 'sum' },
} as const satisfies Record<
  string,
  {
    title: string;
    unit: string;
    of: readonly [ReadingKey, ReadingKey];
    how: 'difference' | 'ratio' | 'share' | 'sum';
  }
>;
export type DerivedKey = keyof typeof DERIVED;
export type StatKey = ReadingKey | DerivedKey;

/** A derived value from its two readings; null where it means nothing. */
export function derive(key: DerivedKey, a: number, b: number): number | null {
  switch (DERIVED[key].how) {
    case 'difference':
      return a - b;
    case 'sum':
      return a + b;
    case 'ratio':
      return Math.abs(b) < 0.5 ? null : a / b;
    case 'share':
      return Math.abs(b) < 1e-6 ? null : ((a - b) / b) * 100;
  }
}

/** PIDs to ask for so that readings are recorded, each with the rate that the quickest of its readings needs. */
export function wantedFor(
  keys: Iterable<ReadingKey>,
  offered: ReadonlySet<number>,
): { pid: number; everyMs: number }[] {
  const rates = new Map<number, number>();
  for (const key of keys) {
    const source = sourcesOfReading(key, offered).find(([pid]) => offered.has(Number.parseInt(pid, 16)));
    if (!source) continue;
    const pid = Number.parseInt(source[0], 16);
    rates.set(pid, Math.min(rates.get(pid) ?? Infinity, READINGS[key].everyMs));
  }
  return [...rates].map(([pid, everyMs]) => ({ pid, everyMs }));
}

/** Parameters that rules judge by the raw number of their state. */
const ENUMERATED: ReadonlySet<string> = new Set(['03', '65']);

/** A value as a number: enumerated states that rules speak of by their raw number; null for other texts. */
export function numberOf(value: ReadValue): number | null {
  if (typeof value.value === 'number') return value.value;
  return ENUMERATED.has(value.pid) && typeof value.raw === 'number' && value.value !== null
    ? value.raw
    : null;
}
