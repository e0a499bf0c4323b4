import type { Window } from '../window.ts';

/** By the standard's enumeration of the fuel system's status (SAE J1979, PID 03). */
const CLOSED_LOOP = 2;
/** Coolant from which an engine that does not tell its loop is taken to steer its mixture, °C. */
const STEERS_FROM = 60;
/** A coolant sensor at its electrical limit says nothing of the engine, °C. */
const SENSOR_LIMIT = -38;

/**
 * Whether the mixture is steered by the oxygen sensor. In open loop the trims are a memory and not a measurement, and
 * the sensors do not swing. Where the car does not tell, a warm engine is taken to steer.
 */
export function isSteered(w: Window): boolean {
  const loop = w.stats['fuelLoop'];
  // A stretch in which it changed is none that can be judged.
  if (loop !== undefined) return loop.min === CLOSED_LOOP && loop.max === CLOSED_LOOP;
  const coolant = w.stats['coolant']?.mean ?? 90;
  return coolant >= STEERS_FROM || coolant <= SENSOR_LIMIT;
}

/** A catalyst works from about 250 °C; what its sensor behind says before that says nothing of it, °C. */
const LIT_OFF = 300;
/** Without its temperature: run for so long since the start with a warm engine, s. */
const HOT_AFTER = 300;
const WARM_COOLANT = 75;

/** Whether the catalyst is hot enough for its work to be judged: by its own temperature where the car tells it. */
export function isCatalystHot(w: Window): boolean {
  const own = w.stats['catalyst'];
  if (own !== undefined) return own.min >= LIT_OFF;
  const coolant = w.stats['coolant']?.mean;
  const ran = w.stats['runTime']?.first ?? (w.state === 'cruise' ? w.seconds : 0);
  return coolant !== undefined && coolant >= WARM_COOLANT && ran >= HOT_AFTER;
}

/** A narrow-band sensor that moves less than this does not swing: it is noise, V. */
const SENSOR_MOVES = 0.2;
/** Samples that a swing needs so that it is not missed between them. */
const SAMPLES_A_SWING = 5;
/** Swings in ten seconds that a sound sensor makes at 2,500 rpm. */
export const SOUND_SWINGS = 4;

/**
 * Swings of a narrow-band sensor in ten seconds; null where it was sampled too slowly to tell few swings from many that
 * fell between the samples.
 */
export function sensorSwings(
  { count, min, max, swings }: Window['stats'][string],
  seconds: number,
): number | null {
  if (max - min < SENSOR_MOVES) return 0;
  if (swings >= SOUND_SWINGS) return swings;
  // So slow a sampling would show as few swings of a sensor that is sound.
  return count < (SAMPLES_A_SWING * SOUND_SWINGS * seconds) / 10 ? null : swings;
}
