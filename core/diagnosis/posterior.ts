import { isAbsence, type Absence, type Evidence } from './evidence.ts';
import { hypothesesUnder, type Hypotheses } from './hypothesis.ts';
import type { CauseInstance } from './instances.ts';
import { absenceOf, broughtBy, likelihoods, unseenBy, type Likelihoods } from './likelihoods.ts';

/** What a posterior is worked out from. */
interface Basis {
  instances: readonly CauseInstance[];
  evidence: readonly Evidence[];
  hypotheses: Hypotheses;
  /** The hypotheses that each cause is part of. */
  under: readonly Int32Array[];
  priors: Float64Array;
  /** Index of "nothing is wrong any more"; -1 where that cannot be. */
  quietAt: number;
  /** P(evidence | hypothesis) of what was looked at already. */
  known: Map<Evidence, Likelihoods>;
  /** A place for each hypothesis to multiply in; 1 everywhere between two uses. */
  product: Float64Array;
}

export interface Posterior {
  instances: readonly CauseInstance[];
  hypotheses: Hypotheses;
  /** Chance of each hypothesis; sums to 1. */
  weights: Float64Array;
  /** Chance that a cause is there, alone or with another, by index of the instance. */
  marginals: Float64Array;
  /** Chance of none of the modelled causes, though something is wrong. */
  none: number;
  /** Chance that nothing is wrong any more. */
  quiet: number;
  /** What it rests on, in the order in which it was given, for leaving some of it out. */
  basis: Basis;
}

/**
 * How a situation that wants an explanation is shared out before anything particular is known: one cause of the library,
 * two of them at once, or none that is in it. Judged: of ten vehicles with a lit lamp one has a second fault that has
 * nothing to do with the first, and of twenty one has something that no list has, a chafed loom or a marten.
 */
export const PRIOR_SHARES = { one: 0.85, two: 0.1, none: 0.05 } as const;

/**
 * All hypotheses: none, each single cause, and each pair of causes that something seen has to do with. A second fault
 * of which nothing was seen would change nothing of what was seen; it is left out, so that the work grows with the
 * evidence and not with the square of the library.
 */
function hypothesesOver(
  instances: readonly CauseInstance[],
  evidence: readonly Evidence[],
  canBeQuiet: boolean,
): Hypotheses {
  const none = instances.length;
  const isSeen = new Uint8Array(none);
  for (const e of evidence) for (const i of broughtBy(e, instances)) isSeen[i] = 1;
  const seen: number[] = [];
  for (let i = 0; i < none; i++) if (isSeen[i] === 1) seen.push(i);
  const pairs = (seen.length * (seen.length - 1)) / 2;
  // The last one, where there is one: nothing is wrong any more. Like "none of these", the first, it has no cause.
  const count = 1 + none + pairs + (canBeQuiet ? 1 : 0);
  const first = new Int32Array(count).fill(none);
  const second = new Int32Array(count).fill(none);
  let h = 1;
  for (let i = 0; i < none; i++) first[h++] = i;
  for (let a = 0; a < seen.length; a++)
    for (let b = a + 1; b < seen.length; b++) {
      first[h] = seen[a] ?? none;
      second[h++] = seen[b] ?? none;
    }
  return { first, second, none };
}

/**
 * Prior chances that sum to one over everything that can be there in this vehicle. The library gives how common each
 * cause is against the others; one that the vehicle cannot have takes nothing from those that it can.
 * @param quiet prior chance of the last hypothesis, that nothing is wrong any more; 0 where it is not among them.
 */
function priorsOver(
  instances: readonly CauseInstance[],
  { first, second, none }: Hypotheses,
  quiet: number,
): Float64Array {
  const sum = instances.reduce((total, { prior }) => total + prior, 0);
  const share = instances.map(({ prior }) => prior / (sum || 1));
  // Two different causes: what is left of all pairs without the pairs of a cause with itself, each pair counted once.
  const pairs = (1 - share.reduce((total, p) => total + p * p, 0)) / 2;
  const one = (1 - quiet) * PRIOR_SHARES.one;
  const two = ((1 - quiet) * PRIOR_SHARES.two) / (pairs || 1);
  const priors = new Float64Array(first.length);
  for (let h = 1; h < priors.length; h++) {
    const j = second[h] ?? none;
    const p = share[first[h] ?? none] ?? 0;
    priors[h] = j === none ? one * p : two * p * (share[j] ?? 0);
  }
  priors[0] = (1 - quiet) * PRIOR_SHARES.none;
  if (quiet > 0) priors[priors.length - 1] = quiet;
  return priors;
}

/** Chance of each cause, from hypothesis weights that need not be normalised. */
export function marginalsOf(
  weights: Float64Array,
  { first, second, none: count }: Hypotheses,
): { marginals: Float64Array; none: number } {
  // One place more, for "no cause": its sum is never read.
  const sums = new Float64Array(count + 1);
  let total = 0;
  for (let h = 0; h < weights.length; h++) {
    const w = weights[h] ?? 0;
    total += w;
    const i = first[h] ?? count;
    const j = second[h] ?? count;
    sums[i] = (sums[i] ?? 0) + w;
    sums[j] = (sums[j] ?? 0) + w;
  }
  const marginals = sums.subarray(0, count);
  for (let i = 0; i < count; i++) marginals[i] = (marginals[i] ?? 0) / (total || 1);
  return { marginals, none: (weights[0] ?? 0) / (total || 1) };
}

/**
 * Likelihoods are at least 1e-4, so fifty of them stay far above the smallest number, 1e-308; then the likeliest hypothesis is
 * set to one, and what is lost is beside it nothing.
 */
const FACTORS_A_TIME = 50;

/**
 * What was stored once says nothing of whether it still fails: under "nothing is wrong any more" it is as likely as it is
 * on average under the causes, any of which may have been there then.
 */
function neutral({ base, at, chances }: Likelihoods, { priors, hypotheses }: Basis): number {
  const { second, none } = hypotheses;
  let total = 0;
  // Each cause alone: from the second hypothesis on.
  for (let h = 1; h <= none; h++) total += priors[h] ?? 0;
  if (total === 0) return base;
  let more = 0;
  at.forEach((h, n) => {
    if (h > 0 && h <= none && second[h] === none) more += ((chances[n] ?? base) - base) * (priors[h] ?? 0);
  });
  return base + more / total;
}

/** Whether it was stored once and is not seen failing now, where nothing may be wrong any more. */
const isPast = (e: Evidence, { quietAt }: Basis): boolean =>
  quietAt >= 0 && e.kind === 'observation' && e.isPast === true;

/** P(evidence | hypothesis), worked out once for each piece of evidence. */
function likelihoodsOf(basis: Basis, e: Evidence): Likelihoods {
  const known = basis.known.get(e);
  if (known) return known;
  let found = likelihoods(e, basis.instances, basis.hypotheses, basis.under);
  if (isPast(e, basis)) {
    const count = found.at.length;
    const at = new Int32Array(count + 1);
    at.set(found.at);
    at[count] = basis.quietAt;
    const chances = new Float64Array(count + 1);
    chances.set(found.chances);
    chances[count] = neutral(found, basis);
    found = { base: found.base, at, chances };
  }
  basis.known.set(e, found);
  return found;
}

/** Weighs the hypotheses by some of the evidence, but for a constant. */
function weigh(weights: Float64Array, basis: Basis, some: readonly Evidence[]): void {
  const { first, second, none } = basis.hypotheses;
  // What was looked for and not seen is most of it, and a product by itself: one factor for each cause.
  const absences = some.filter(isAbsence).filter((e) => !isPast(e, basis));
  if (absences.length > 0) {
    const unseen = unseenBy(absences, basis.instances);
    for (let h = 0; h < weights.length; h++)
      weights[h] = (weights[h] ?? 0) * (unseen[first[h] ?? none] ?? 1) * (unseen[second[h] ?? none] ?? 1);
  }
  for (const e of some) {
    if (isAbsence(e) && !isPast(e, basis)) continue;
    const { base, at, chances } = likelihoodsOf(basis, e);
    for (let n = 0; n < at.length; n++) {
      const h = at[n] ?? 0;
      weights[h] = (weights[h] ?? 0) * ((chances[n] ?? base) / base);
    }
  }
}

/**
 * Exact posterior over no, one or two causes in a two-layer noisy-OR network with leaks
 * (Pearl, Probabilistic Reasoning in Intelligent Systems, 1988, ch. 4.3).
 * @param quiet prior chance that nothing is wrong any more; 0 where something fails now.
 */
export function posteriorOf(
  instances: readonly CauseInstance[],
  evidence: readonly Evidence[],
  quiet = 0,
): Posterior {
  const hypotheses = hypothesesOver(instances, evidence, quiet > 0);
  const quietAt = quiet > 0 ? hypotheses.first.length - 1 : -1;
  const priors = priorsOver(instances, hypotheses, quiet);
  const under = hypothesesUnder(hypotheses);
  const product = new Float64Array(priors.length).fill(1);
  const known = new Map<Evidence, Likelihoods>();
  const basis: Basis = { instances, evidence, hypotheses, under, priors, quietAt, known, product };
  const weights = priors.slice();
  // A logarithm for every factor would cost most of the time; a few dozen factors at a time cannot underflow.
  for (let from = 0; from < evidence.length; from += FACTORS_A_TIME) {
    weigh(weights, basis, evidence.slice(from, from + FACTORS_A_TIME));
    let highest = 0;
    for (const w of weights) if (w > highest) highest = w;
    for (let h = 0; h < weights.length; h++) weights[h] = (weights[h] ?? 0) / (highest || 1);
  }
  let total = 0;
  for (const w of weights) total += w;
  for (let h = 0; h < weights.length; h++) weights[h] = (weights[h] ?? 0) / total;
  return {
    instances,
    hypotheses,
    weights,
    basis,
    quiet: weights[quietAt] ?? 0,
    ...marginalsOf(weights, hypotheses),
  };
}

/** P(these | hypothesis) as few lists: what was looked for and not seen is one of them. */
function factorsOf(basis: Basis, some: readonly Evidence[]): Likelihoods[] {
  const isAbsent = (e: Evidence): e is Absence => isAbsence(e) && !isPast(e, basis);
  const absences = some.filter(isAbsent);
  const factors = some.filter((e) => !isAbsent(e)).map((e) => likelihoodsOf(basis, e));
  if (absences.length > 0) factors.push(absenceOf(absences, basis.instances, basis.hypotheses, basis.under));
  return factors;
}

/**
 * How much pieces of evidence that belong together speak for each cause: its odds with them divided by its odds
 * without them. Above 1 for, below 1 against.
 * @param indices of the evidence, as given to {@link posteriorOf}.
 */
export function evidenceRatios(posterior: Posterior, indices: readonly number[]): Float64Array {
  const { weights, marginals, basis } = posterior;
  const { first, second, none } = posterior.hypotheses;
  const { product } = basis;
  const factors = factorsOf(
    basis,
    indices.flatMap((index) => basis.evidence[index] ?? []),
  );
  for (const { base, at, chances } of factors)
    for (let n = 0; n < at.length; n++) {
      const h = at[n] ?? 0;
      product[h] = (product[h] ?? 1) * ((chances[n] ?? base) / base);
    }
  // Only where it is not the same as elsewhere: what a cause would have more, or less, without it.
  const more = new Float64Array(none + 1);
  let total = 1;
  for (const { at } of factors)
    for (let n = 0; n < at.length; n++) {
      const h = at[n] ?? 0;
      const times = product[h] ?? 1;
      if (times === 1) continue;
      product[h] = 1;
      const w = weights[h] ?? 0;
      const gain = w / times - w;
      total += gain;
      const i = first[h] ?? none;
      const j = second[h] ?? none;
      more[i] = (more[i] ?? 0) + gain;
      more[j] = (more[j] ?? 0) + gain;
    }
  // Without what says nearly all, what is left of it all may be lost in the last digits, and is not nought.
  const left = Math.max(total, LEAST_CHANCE);
  const ratios = new Float64Array(none);
  for (let i = 0; i < none; i++) {
    const marginal = marginals[i] ?? 0;
    const p = clampChance(marginal);
    const q = clampChance((marginal + (more[i] ?? 0)) / left);
    ratios[i] = p / (1 - p) / (q / (1 - q));
  }
  return ratios;
}

/** Odds are told between these: beyond them a chance is as good as none, or as certain. */
const LEAST_CHANCE = 1e-12;
const MOST_CHANCE = 1 - 1e-9;

const clampChance = (p: number): number => Math.min(MOST_CHANCE, Math.max(LEAST_CHANCE, p));
