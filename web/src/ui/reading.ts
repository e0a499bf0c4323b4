import { ownUnit, tell, wordsIn, type UnitChoice, type Wording } from '@pincer/core/words';
import { figure } from './format.ts';

/** A value of a reading in the owner's unit, `4.6 psi`; the figure alone where it has none. */
export function inOwnUnit(value: number, unit: string, units: UnitChoice): string {
  const own = ownUnit(unit, units);
  return `${figure(own.of(value))} ${own.unit}`.trimEnd();
}

/** How far two values are apart, in the owner's unit: no zero of a scale counts in it. */
export function apartInOwnUnit(by: number, unit: string, units: UnitChoice): string {
  const own = ownUnit(unit, units);
  return `${figure(own.of(by) - own.of(0))} ${own.unit}`.trimEnd();
}

/** The name of a reading or of a test in the owner's English, also one that a recording brought along. */
export const readingName = (name: string, wording: Wording): string =>
  wordsIn(tell(name, wording), wording.words);
