import type { Evidence } from './evidence.ts';
import { absenceRow, isAbsence, likelihoodRow, touched } from './evidence.ts';
import { columnsOf, type Hypothesis, type HypothesisColumns } from './hypothesis.ts';
import type { CauseInstance } from './instances.ts';

/** What a posterior is worked out from. */
interface Basis {
  instances: readonly CauseInstance[];
  evidence: readonly Evidence[];
  columns: HypothesisColumns;
  priors: Float64Array;
  /** Index of "nothing is wrong any more"; -1 where that cannot be. */
  quietAt: number;
  /** P(evidence | hypothesis) of what was looked at already, and is not an absence. */
  rows: Map<Evidence, Float64Array>;
}

export interface Posterior {
  instances: readonly CauseInstance[];
  hypotheses: readonly Hypothesis[];
  /** The same as columns, for the inner loops. */
  columns: HypothesisColumns;
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
): Hypothesis[] {
  const all: Hypothesis[] = [{ causes: [] }];
  instances.forEach((_, i) => all.push({ causes: [i] }));
  const byEvidence = evidence.map((e) => touched(e, instances));
  const seen = [...instances.keys()].filter((i) => byEvidence.some((row) => row[i]));
  seen.forEach((i, at) => {
    for (const j of seen.slice(at + 1)) all.push({ causes: [i, j] });
  });
  // The last one, where there is one: nothing is wrong any more. Like "none of these" it has no cause.
  if (canBeQuiet) all.push({ causes: [] });
  return all;
}

/**
 * Prior chances that sum to one over everything that can be there in this vehicle. The library gives how common each
 * cause is against the others; one that the vehicle cannot have takes nothing from those that it can.
 * @returns the weight of a hypothesis.
 */
function priorsOver(instances: readonly CauseInstance[]): (h: Hypothesis) => number {
  const sum = instances.reduce((total, { prior }) => total + prior, 0);
  const share = instances.map(({ prior }) => prior / (sum || 1));
  // Two different causes: what is left of all pairs without the pairs of a cause with itself, each pair counted once.
  const pairs = (1 - share.reduce((total, p) => total + p * p, 0)) / 2;
  return ({ causes: [i, j] }) => {
    if (i === undefined) return PRIOR_SHARES.none;
    const first = share[i] ?? 0;
    return j === undefined
      ? PRIOR_SHARES.one * first
      : (PRIOR_SHARES.two * first * (share[j] ?? 0)) / (pairs || 1);
  };
}

/** Chance of each cause, from hypothesis weights that need not be normalised. */
export function marginalsOf(
  weights: Float64Array,
  { first, second }: HypothesisColumns,
  count: number,
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
function neutral(row: Float64Array, count: number, priors: Float64Array): number {
  let [sum, total] = [0, 0];
  for (let h = 1; h <= count; h++) {
    sum += (row[h] ?? 0) * (priors[h] ?? 0);
    total += priors[h] ?? 0;
  }
  return total > 0 ? sum / total : (row[0] ?? 1);
}

/** P(all of these pieces of evidence | hypothesis), by hypothesis. Not to be written to. */
function likelihoodOfAll(basis: Basis, some: readonly Evidence[]): Float64Array {
  const { instances, columns, priors, quietAt, rows } = basis;
  const isPast = (e: Evidence) => quietAt >= 0 && e.kind === 'observation' && e.isPast === true;
  // What was looked for and not seen is most of it, and a product by itself: one factor for each cause.
  const absent = some.filter((e) => isAbsence(e) && !isPast(e));
  let product = absent.length > 0 ? absenceRow(absent.filter(isAbsence), instances, columns) : null;
  // One piece alone, as most facts are, is its own product.
  let isOwn = product !== null;
  for (const e of some) {
    if (isAbsence(e) && !isPast(e)) continue;
    let row = rows.get(e);
    if (!row) {
      row = likelihoodRow(e, instances, columns);
      if (isPast(e)) row[quietAt] = neutral(row, instances.length, priors);
      rows.set(e, row);
    }
    if (product === null) {
      product = row;
      continue;
    }
    if (!isOwn) product = product.slice();
    isOwn = true;
    for (let h = 0; h < product.length; h++) product[h] = (product[h] ?? 1) * (row[h] ?? 1);
  }
  return product ?? new Float64Array(columns.first.length).fill(1);
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
  const quietAt = quiet > 0 ? hypotheses.length - 1 : -1;
  const columns = columnsOf(hypotheses, instances.length);
  const priorOf = priorsOver(instances);
  const priors = new Float64Array(hypotheses.length);
  hypotheses.forEach((h, n) => {
    priors[n] = n === quietAt ? quiet : (1 - quiet) * priorOf(h);
  });
  const basis: Basis = { instances, evidence, columns, priors, quietAt, rows: new Map() };
  const weights = Float64Array.from(priors);
  // A logarithm for every factor would cost most of the time; a few dozen factors at a time cannot underflow.
  for (let from = 0; from < evidence.length; from += FACTORS_A_TIME) {
    const product = likelihoodOfAll(basis, evidence.slice(from, from + FACTORS_A_TIME));
    let highest = 0;
    for (let h = 0; h < weights.length; h++) {
      const w = (weights[h] ?? 0) * (product[h] ?? 1);
      weights[h] = w;
      if (w > highest) highest = w;
    }
    for (let h = 0; h < weights.length; h++) weights[h] = (weights[h] ?? 0) / (highest || 1);
  }
  let total = 0;
  for (const w of weights) total += w;
  for (let h = 0; h < weights.length; h++) weights[h] = (weights[h] ?? 0) / total;
  return {
    instances,
    hypotheses,
    columns,
    weights,
    basis,
    quiet: weights[quietAt] ?? 0,
    ...marginalsOf(weights, columns, instances.length),
  };
}

/**
 * How much pieces of evidence that belong together speak for each cause: its odds with them divided by its odds
 * without them. Above 1 for, below 1 against.
 * @param indices of the evidence, as given to {@link posteriorOf}.
 */
export function evidenceRatios(posterior: Posterior, indices: readonly number[]): Float64Array {
  const { weights, columns, instances, marginals, basis } = posterior;
  const { first, second } = columns;
  const product = likelihoodOfAll(
    basis,
    indices.flatMap((index) => basis.evidence[index] ?? []),
  );
  const none = instances.length;
  const without = new Float64Array(none + 1);
  let total = 0;
  // In one pass: this is done for every fact.
  for (let h = 0; h < weights.length; h++) {
    const w = (weights[h] ?? 0) / (product[h] ?? 1);
    total += w;
    const i = first[h] ?? none;
    const j = second[h] ?? none;
    without[i] = (without[i] ?? 0) + w;
    without[j] = (without[j] ?? 0) + w;
  }
  const ratios = new Float64Array(none);
  for (let i = 0; i < none; i++) {
    const p = clampChance(marginals[i] ?? 0);
    const q = clampChance((without[i] ?? 0) / (total || 1));
    ratios[i] = p / (1 - p) / (q / (1 - q));
  }
  return ratios;
}

function clampChance(p: number): number {
  return Math.min(1 - 1e-9, Math.max(1e-12, p));
}
