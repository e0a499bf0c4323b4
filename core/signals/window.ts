import * as z from 'zod/mini';
import type { FreezeFrame, ReadValue, Scan } from '@pincer/core/obd';
import {
  DERIVED,
  READING_KEYS,
  derive,
  numberOf,
  sourcesOfReading,
  type DerivedKey,
  type ReadingKey,
  type StatKey,
} from './readings.ts';
import { isEngineUnit } from './recording.ts';

/** What the engine was doing. */
export const ENGINE_STATES = [
  'key-on',
  'cranking',
  'idle-cold',
  'idle-warm',
  'raised',
  'cruise',
  'driving',
  'unknown',
] as const;
export type EngineState = (typeof ENGINE_STATES)[number];

export const statSchema = z.object({
  /** Samples; 1 for a single look. */
  count: z.int().check(z.minimum(1)),
  mean: z.number(),
  min: z.number(),
  max: z.number(),
  first: z.number(),
  last: z.number(),
  /** Swings through the middle of its range in ten seconds; 0 for a single look. */
  swings: z.number().check(z.minimum(0)),
});
/** One reading over a window. */
export type Stat = z.infer<typeof statSchema>;

export const windowSchema = z.object({
  state: z.enum(ENGINE_STATES),
  /** How long the state lasted, s; 0 for a single look. */
  seconds: z.number().check(z.minimum(0)),
  stats: z.record(z.string(), statSchema),
});
/** A stretch of time in one engine state, or a single look. */
export type StoredWindow = z.infer<typeof windowSchema>;

/** What rules must know of the vehicle. */
export interface EngineFacts {
  /** Litres. */
  displacementLitres: number | null;
  cylinders: number | null;
  isDiesel: boolean;
  isMotorcycle: boolean;
  /** Height above the sea of the place where it is kept, m. */
  heightM: number | null;
}
export const UNKNOWN_ENGINE: EngineFacts = {
  displacementLitres: null,
  cylinders: null,
  isDiesel: false,
  isMotorcycle: false,
  heightM: null,
};

/** An on-board test result with its limits. */
export interface TestResult {
  name: string;
  pid: string;
  part: string;
  value: number;
  unit: string;
  min: number | null;
  max: number | null;
}

/** What rules judge. */
export interface Window extends StoredWindow {
  engine: EngineFacts;
  /** Results of the car's own tests; only with a full reading. */
  tests: readonly TestResult[];
}

/** Coolant from which an engine counts as warm, °C. */
const WARM = 70;
/** Below it the engine does not run, rpm; between it and the first figure the starter turns it. */
const RUNS = 450;
const STANDS = 40;

/** Up to this speed a standing engine counts as idling, rpm; motorcycles idle faster. */
const idleLimit = (engine: EngineFacts): number => (engine.isMotorcycle ? 1_800 : 1_200);

/** The state of an engine at one moment. */
export function engineState(
  at: Readonly<Partial<Record<'engineSpeed' | 'speed' | 'coolant' | 'load', number | null>>>,
  engine: EngineFacts,
): EngineState {
  const { engineSpeed = null, speed = null, coolant = null, load = null } = at;
  if (engineSpeed === null) return 'unknown';
  if (engineSpeed < STANDS) return 'key-on';
  if (engineSpeed < RUNS) return 'cranking';
  if (speed !== null && speed > 3) return speed >= 50 && (load === null || load < 70) ? 'cruise' : 'driving';
  if (engineSpeed > idleLimit(engine)) return 'raised';
  if (coolant === null) return 'unknown';
  // A sensor at its electrical limit says nothing of the engine.
  if (coolant <= -38) return 'idle-warm';
  return coolant >= WARM ? 'idle-warm' : 'idle-cold';
}

const single = (value: number): Stat => ({
  count: 1,
  mean: value,
  min: value,
  max: value,
  first: value,
  last: value,
  swings: 0,
});

function oneLook(of: (key: ReadingKey) => number | null, engine: EngineFacts): Window {
  const stats: Partial<Record<StatKey, Stat>> = {};
  for (const key of READING_KEYS) {
    const value = of(key);
    if (value !== null) stats[key] = single(value);
  }
  for (const key of Object.keys(DERIVED) as DerivedKey[]) {
    const [a, b] = DERIVED[key].of.map((k) => stats[k]?.mean);
    const value = a === undefined || b === undefined ? null : derive(key, a, b);
    if (value !== null) stats[key] = single(value);
  }
  const state = engineState(
    { engineSpeed: of('engineSpeed'), speed: of('speed'), coolant: of('coolant'), load: of('load') },
    engine,
  );
  return { state, seconds: 0, stats, engine, tests: [] };
}

/**
 * Looks readings up among values: the first of a reading's sources that is there, as a number; the engine's own unit before
 * any other.
 */
function lookIn(values: readonly ReadValue[]): (key: ReadingKey) => number | null {
  const byPid = new Map<string, ReadValue[]>();
  for (const value of values) {
    const known = byPid.get(value.pid);
    if (known) known.push(value);
    else byPid.set(value.pid, [value]);
  }
  const pids = new Set([...byPid.keys()].map((pid) => Number.parseInt(pid, 16)));
  return (key) => {
    for (const [pid, part] of sourcesOfReading(key, pids)) {
      const hits = (byPid.get(pid) ?? []).filter((v) => part === undefined || v.part === part);
      const hit = hits.find((v) => isEngineUnit(v.source)) ?? hits[0];
      const value = hit ? numberOf(hit) : null;
      if (value !== null) return value;
    }
    return null;
  };
}

/** The live values of a reading as a single look, with the car's own test results. */
export function windowOfScan(reading: Scan, engine: EngineFacts): Window {
  const found = lookIn(reading.values.filter((v) => v.service === '01'));
  // The adapter measures the battery too, at the socket.
  const look = oneLook(
    (key) => found(key) ?? (key === 'volts' ? (reading.adapterVolts ?? null) : null),
    engine,
  );
  const tests = reading.values.flatMap((v): TestResult[] =>
    v.service === '06' && typeof v.value === 'number'
      ? [
          {
            name: v.name,
            pid: v.pid,
            part: v.part ?? '',
            value: v.value,
            unit: v.unit,
            min: v.min ?? null,
            max: v.max ?? null,
          },
        ]
      : [],
  );
  return { ...look, tests };
}

/** The values that were stored with a code, as a single look. */
export function windowOfFrame(frame: FreezeFrame, engine: EngineFacts): Window {
  return oneLook(lookIn(frame.values), engine);
}

/** Mean of a reading over a window, or null where it was not taken. */
export function meanOf(window: Window, key: StatKey): number | null {
  return window.stats[key]?.mean ?? null;
}
