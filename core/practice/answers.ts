import type { Entry } from '@pincer/core/case';
import { otherCylinder, outcomeChances, type CauseInstance } from '@pincer/core/diagnosis';
import { HAS_MOVED, SWAPS, checkById } from '@pincer/core/knowledge';
import { cylindersOf } from '@pincer/core/vehicle';
import type { PracticeTask } from './task.ts';
import { PRACTICE_VEHICLES } from './vehicles.ts';

/**
 * Repairs that cure a cause beside their own, because the new part brings it along: a coil comes with its boot, and a sensor
 * that is replaced is plugged in and clean.
 */
const BRINGS: Readonly<Record<string, readonly string[]>> = {
  coil: ['coil-boot'],
  'maf-failed': ['maf-unplugged', 'maf-dirty'],
  'iat-failed': ['iat-unplugged'],
  'throttle-actuator': ['throttle-dirty'],
};

/** Whether a repair of one cause cures another: the same, or one that its new part brings along at the same place. */
export function cures(repaired: string, truth: string): boolean {
  if (repaired === truth) return true;
  const [part = '', place] = repaired.split(':');
  const [cause = '', at] = truth.split(':');
  return place === at && (BRINGS[part] ?? []).includes(cause);
}

type Parts = PracticeTask['parts'];

/**
 * A cause after a check: where parts were exchanged between two cylinders and the fault went along, at the place of the other.
 * @param cause such as `coil:2`. @param check of the log, such as `swap-coils:2`.
 */
export function causeAfter(cause: string, check: string, outcome: string, cylinders: number): string {
  const [id = '', place] = check.split(':');
  const [part = '', at] = cause.split(':');
  const swap = SWAPS[id];
  if (!swap?.carries.includes(part) || place === undefined || outcome !== HAS_MOVED) return cause;
  const other = String(otherCylinder(Number(place), cylinders));
  return at === place ? `${part}:${other}` : at === other ? `${part}:${place}` : cause;
}

/** What is wrong after a check: what was in an exchanged part goes along with it. */
function exchanged(
  parts: Parts,
  { check, outcome }: Extract<Entry, { kind: 'check' }>,
  task: PracticeTask,
): Parts {
  const cylinders = cylindersOf(PRACTICE_VEHICLES[task.car]);
  return parts.map((part) => {
    const cause = causeAfter(part.cause, check, outcome, cylinders);
    return cause === part.cause
      ? part
      : { cause, fault: { ...part.fault, cylinder: Number(cause.split(':')[1]) } };
  });
}

/** What is still wrong, and where, after the repairs and swaps that stand in a log. */
export function stillWrong(task: PracticeTask, entries: readonly Entry[]): Parts {
  const struck = new Set(entries.flatMap((e) => (e.kind === 'retracted' ? [e.entry] : [])));
  let parts: Parts = task.parts;
  for (const entry of entries) {
    if (struck.has(entry.id)) continue;
    if (entry.kind === 'check') parts = exchanged(parts, entry, task);
    if (entry.kind === 'repair') parts = parts.filter((p) => !cures(entry.cause, p.cause));
  }
  return parts;
}

/** A number in [0, 1) that is always the same for the same words (FNV-1a, its high bits). */
export function chanceOf(words: string): number {
  let hash = 0x811c9dc5;
  for (let i = 0; i < words.length; i++) hash = Math.imul(hash ^ words.charCodeAt(i), 0x01000193) >>> 0;
  // The last letters reach the high bits only after some turns.
  for (let i = 0; i < 3; i++) hash = Math.imul(hash ^ (hash >>> 15), 0x2c1b3c6d) >>> 0;
  return hash / 2 ** 32;
}

/** How often a fault that comes and goes shows itself when somebody looks. */
export const SHOWS = 0.6;

/**
 * What a check finds at the practice car: drawn by the library's own chances for what is wrong, always the same for the same
 * task, check and state of repair.
 * @param check id of the check, with its place where it has one, such as `swap-coil:2`.
 * @param wrong causes that are there now. @param instances causes at their places, of this vehicle.
 * @param again how often the same check was done before: looking again may show what comes and goes.
 * @returns id of the outcome; null for a check that the library does not have.
 */
export function answerOf(
  task: PracticeTask,
  check: string,
  wrong: readonly string[],
  instances: readonly CauseInstance[],
  again = 0,
): string | null {
  const [id = '', place] = check.split(':');
  const found = checkById(id);
  if (!found) return null;
  const words = `${task.seed}/${check}/${[...wrong].sort().join('+')}`;
  const isHidden = task.kind === 'comes-and-goes' && chanceOf(`${words}/shows/${again}`) >= SHOWS;
  const there = isHidden ? [] : instances.filter((i) => wrong.includes(i.id));
  const chances = outcomeChances(found, place === undefined ? null : Number(place), there);
  let left = chanceOf(task.kind === 'comes-and-goes' ? `${words}/${again}` : words);
  const index = chances.findIndex((p) => (left -= p) < 0);
  return found.outcomes[index < 0 ? chances.length - 1 : index]?.id ?? null;
}
