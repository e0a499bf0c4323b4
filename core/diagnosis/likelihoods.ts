import { observationKind } from '@pincer/core/knowledge';
import {
  BADLY_REPAIRED,
  FLOOR,
  NOT_NAMED,
  RETURN_OF_NONE,
  chanceOfResult,
  combined,
  isLasting,
  lastingStrength,
  namedIn,
  rowsOf,
  type Absence,
  type Evidence,
} from './evidence.ts';
import type { Hypotheses } from './hypothesis.ts';
import { strengthsOf, type CauseInstance } from './instances.ts';

/** The causes that a piece of evidence speaks of, by index: with each of them it is likelier or less likely than without. */
function spokenOf(evidence: Evidence, instances: readonly CauseInstance[]): number[] {
  const spoken: number[] = [];
  if (evidence.kind === 'observation') {
    const strengths = strengthsOf(instances, evidence.key, evidence.cylinder);
    const { leak, isCircumstance } = observationKind(evidence.key);
    const usual = isCircumstance ? leak : 0;
    for (let i = 0; i < strengths.length; i++) if (strengths[i] !== usual) spoken.push(i);
    return spoken;
  }
  if (evidence.kind === 'check') {
    const { check, cylinder } = evidence;
    const rows = rowsOf(check, cylinder, instances);
    for (let i = 0; i < rows.length; i++) if (rows[i] !== check.otherwise) spoken.push(i);
    return spoken;
  }
  instances.forEach((instance, i) => {
    const speaks =
      evidence.kind === 'came-back'
        ? instance.id === evidence.cause
        : evidence.kind === 'bulletin'
          ? namedIn(instance, evidence.causes) !== NOT_NAMED
          : lastingStrength(instance, evidence) !== 1;
    if (speaks) spoken.push(i);
  });
  return spoken;
}

/**
 * The causes that a piece of evidence brings into play, by index: something was seen, or a check was done, that has to do
 * with them. What was not there, the circumstances, and what was seen before bring none that nothing else speaks of.
 */
export function broughtBy(evidence: Evidence, instances: readonly CauseInstance[]): readonly number[] {
  if (isLasting(evidence) || evidence.kind === 'bulletin') return [];
  if (
    evidence.kind === 'observation' &&
    (!evidence.isPresent || observationKind(evidence.key).isCircumstance)
  )
    return [];
  return spokenOf(evidence, instances);
}

/**
 * By index of the cause, how far it leaves all of these things unseen, with 1 for "no cause" in the last place: the product
 * of their likelihoods but for a constant. In a noisy-OR each cause leaves each of them unseen by itself, so that one factor
 * for each cause says all. No strength of the library comes near enough to one for the floor to count, also for two causes.
 */
export function unseenBy(absences: readonly Absence[], instances: readonly CauseInstance[]): Float64Array {
  const unseen = new Float64Array(instances.length + 1).fill(1);
  for (const { key, cylinder } of absences) {
    const strengths = strengthsOf(instances, key, cylinder);
    for (let i = 0; i < strengths.length; i++) unseen[i] = (unseen[i] ?? 1) * (1 - (strengths[i] ?? 0));
  }
  return unseen;
}

/** P(evidence | hypothesis) for all hypotheses: one for most of them, and the others beside it. */
export interface Likelihoods {
  /** Under every hypothesis that is not listed: the evidence speaks of none of its causes. */
  base: number;
  /** The others, each once. */
  at: Int32Array;
  /** The likelihood under each of them. */
  chances: Float64Array;
}

/**
 * {@link likelihood} for all hypotheses: it is worked out only for those that have a cause of which the evidence speaks.
 * @param under the hypotheses that each cause is part of, as {@link hypothesesUnder}.
 */
export const likelihoods = (
  evidence: Evidence,
  instances: readonly CauseInstance[],
  hypotheses: Hypotheses,
  under: readonly Int32Array[],
): Likelihoods => spread(spokenOf(evidence, instances), ruleOf(evidence, instances), hypotheses, under);

/** The same for all of these things together that were looked for and not seen, as multiples of its base. */
export function absenceOf(
  absences: readonly Absence[],
  instances: readonly CauseInstance[],
  hypotheses: Hypotheses,
  under: readonly Int32Array[],
): Likelihoods {
  const unseen = unseenBy(absences, instances);
  const spoken: number[] = [];
  for (let i = 0; i < instances.length; i++) if (unseen[i] !== 1) spoken.push(i);
  const alone = (i: number) => unseen[i] ?? 1;
  const both = (i: number, j: number) => alone(i) * alone(j);
  return spread(spoken, { base: 1, ofNone: 1, alone, beside: alone, both }, hypotheses, under);
}

/** {@link likelihood} by the indices of the causes, those that the evidence speaks of and the others apart. */
interface Rule {
  /** Under causes that it does not speak of. */
  base: number;
  /** Under no cause. */
  ofNone: number;
  /** Under one that it speaks of. */
  alone: (cause: number) => number;
  /** Under one that it speaks of, beside one that it does not. */
  beside: (cause: number) => number;
  /** Under two that it speaks of. */
  both: (first: number, second: number) => number;
}

/** A rule at every hypothesis that has one of these causes. */
function spread(
  causes: readonly number[],
  { base, ofNone, alone, beside, both }: Rule,
  { first, second, none }: Hypotheses,
  under: readonly Int32Array[],
): Likelihoods {
  const without = ofNone === base ? undefined : under[none];
  const isSpokenOf = new Uint8Array(none + 1);
  let most = without?.length ?? 0;
  for (const cause of causes) {
    isSpokenOf[cause] = 1;
    most += under[cause]?.length ?? 0;
  }
  const at = new Int32Array(most);
  const chances = new Float64Array(most);
  let count = 0;
  if (without) {
    at.set(without);
    chances.fill(ofNone, 0, without.length);
    count = without.length;
  }
  for (const cause of causes) {
    const own = under[cause] ?? at.subarray(0, 0);
    const besideOther = beside(cause);
    for (let n = 0; n < own.length; n++) {
      const h = own[n] ?? 0;
      const i = first[h] ?? none;
      const j = second[h] ?? none;
      const other = i === cause ? j : i;
      if (isSpokenOf[other] === 1) {
        // A pair of which it speaks on both sides is met twice, and counts with its first cause.
        if (i !== cause) continue;
        chances[count] = both(i, j);
      } else chances[count] = other === none ? alone(cause) : besideOther;
      at[count++] = h;
    }
  }
  return { base, at: at.subarray(0, count), chances: chances.subarray(0, count) };
}

const floored = (chance: number): number => (chance > FLOOR ? chance : FLOOR);

/** What is looked up once for each piece of evidence, so that most pairs of causes need only one number. */
function ruleOf(evidence: Evidence, instances: readonly CauseInstance[]): Rule {
  if (evidence.kind === 'came-back')
    return { base: 1, ofNone: 1, alone: () => BADLY_REPAIRED, beside: () => 1, both: () => 1 };
  if (evidence.kind === 'bulletin')
    return { base: NOT_NAMED, ofNone: NOT_NAMED, alone: () => 1, beside: () => 1, both: () => 1 };
  if (isLasting(evidence)) {
    const strengths = instances.map((i) => lastingStrength(i, evidence));
    const alone = (i: number) => strengths[i] ?? 1;
    // Of two the one that it goes with better; with one that it does not speak of it goes well.
    const both = (i: number, j: number) => Math.max(alone(i), alone(j));
    return { base: 1, ofNone: RETURN_OF_NONE, alone, beside: () => 1, both };
  }
  if (evidence.kind === 'check') {
    const { check, cylinder } = evidence;
    const rows = rowsOf(check, cylinder, instances);
    const rowAt = (i: number) => rows[i] ?? check.otherwise;
    const base = chanceOfResult(evidence, check.otherwise);
    const alone = (i: number) => chanceOfResult(evidence, rowAt(i));
    const both = (i: number, j: number) => chanceOfResult(evidence, combined(check, rowAt(i), rowAt(j)));
    return { base, ofNone: base, alone, beside: alone, both };
  }
  // The same as `chanceOf`, written out: this runs for many pairs of causes and every piece of evidence.
  const { key, cylinder, isPresent } = evidence;
  const { leak, isCircumstance } = observationKind(key);
  const strengths = strengthsOf(instances, key, cylinder);
  const strength = (i: number) => strengths[i] ?? 0;
  const seen = (present: number) => floored(isPresent ? present : 1 - present);
  const base = seen(leak);
  if (isCircumstance)
    return {
      base,
      ofNone: base,
      alone: (i) => seen(strength(i)),
      beside: (i) => seen((strength(i) + leak) / 2),
      both: (i, j) => seen((strength(i) + strength(j)) / 2),
    };
  const alone = (i: number) => seen(1 - (1 - leak) * (1 - strength(i)));
  const both = (i: number, j: number) => seen(1 - (1 - leak) * (1 - strength(i)) * (1 - strength(j)));
  return { base, ofNone: base, alone, beside: alone, both };
}
