import { observationKind, type Check, type ObservationKey } from '@pincer/core/knowledge';
import { placesOf, strengthOf, strengthsOf, type CauseInstance } from './instances.ts';
import type { HypothesisColumns } from './hypothesis.ts';

/** Something seen, or seen not to be there. Unknown is no evidence and never gets here. */
export type Evidence =
  | {
      kind: 'observation';
      fact: string;
      key: ObservationKey;
      cylinder: number | null;
      isPresent: boolean;
      /** Of what was stored once, and is not seen failing now. */
      isPast?: true;
    }
  | {
      kind: 'check';
      fact: string;
      check: Check;
      cylinder: number | null;
      outcome: number;
      /** Where it was measured: how well each outcome explains the number, the best 1. Else it is this outcome alone. */
      weights?: readonly number[];
    }
  /** A cause was repaired, the codes were cleared, and the fault came back. */
  | { kind: 'came-back'; fact: string; cause: string }
  /** The memory was cleared, and the fault was read again. `comesAndGoes`: not at once, although its self-check looks at once. */
  | { kind: 'returned'; fact: string; comesAndGoes: boolean }
  /** The light has been on for so long that what ends by itself would have let it go out. */
  | { kind: 'stays-lit'; fact: string }
  /** The maker has written that these causes are common on this vehicle. */
  | { kind: 'bulletin'; fact: string; causes: readonly string[] };

/** Keeps every likelihood off zero: no finding is beyond doubt. */
const FLOOR = 1e-4;

/** Chance that a fault comes back although its only cause was repaired: a bad part, or work not well done. */
const BADLY_REPAIRED = 0.1;

/** P(it is read again after a clear | cause that passes by itself), against a cause that stays. Judged. */
const PASSED_COMES_BACK = 0.25;
/** P(only later, although the self-check looks at once | contact that opens now and then), against a part that is dead. Judged. */
const CONTACT = 1;
const DEAD = 0.5;
/** Repairs of what opens and closes with shaking, heat and damp. */
const IS_CONTACT = /wiring|connector|connections|ground|terminal/i;

/** P(the light is still on after many drives | cause that is over with the next tank or a dry day), against a cause that stays. Judged. */
const ENDED_STAYS_LIT = 0.5;

type Lasting = Extract<Evidence, { kind: 'returned' | 'stays-lit' }>;
const isLasting = (evidence: Evidence): evidence is Lasting =>
  evidence.kind === 'returned' || evidence.kind === 'stays-lit';

/** How well a return after a clear, or a light that stays on, goes with one cause, the best 1. */
function lastingStrength({ cause }: CauseInstance, evidence: Lasting): number {
  if (evidence.kind === 'stays-lit') return cause.endsByItself ? ENDED_STAYS_LIT : 1;
  if (cause.isPassing) return PASSED_COMES_BACK;
  return evidence.comesAndGoes ? (IS_CONTACT.test(cause.repair.title) ? CONTACT : DEAD) : 1;
}

/** The same for what is not modelled: nobody knows, so it goes halfway. */
const RETURN_OF_NONE = 0.75;

/** How much rarer any other cause is beside those that the maker's bulletin names. Judged: bulletins are written for what many had. */
const NOT_NAMED = 1 / 3;

const namedIn = ({ cause }: CauseInstance, causes: readonly string[]): number =>
  causes.includes(cause.id) ? 1 : NOT_NAMED;

/** P(outcome | cause) for each outcome of a check, for one cause. */
function rowOf(check: Check, cylinder: number | null, instance: CauseInstance): readonly number[] {
  const row = check.given[instance.cause.id];
  if (!row) return check.otherwise;
  const isElsewhere =
    check.scope === 'cylinder' && instance.cylinder !== null && instance.cylinder !== cylinder;
  return isElsewhere ? check.otherwise : row;
}

/** {@link rowOf} for every cause at once: only those that the check speaks of are looked at. */
function rowsOf(
  check: Check,
  cylinder: number | null,
  instances: readonly CauseInstance[],
): (readonly number[])[] {
  const rows = new Array<readonly number[]>(instances.length).fill(check.otherwise);
  const places = placesOf(instances);
  for (const cause of Object.keys(check.given))
    for (const i of places.get(cause) ?? []) {
      const instance = instances[i];
      if (instance) rows[i] = rowOf(check, cylinder, instance);
    }
  return rows;
}

/**
 * P(each outcome | causes). Several causes combine as in a noisy-OR: "nothing found" needs each of them to
 * stay hidden; the other outcomes share what is left in proportion.
 */
export function outcomeChances(
  check: Check,
  cylinder: number | null,
  causes: readonly CauseInstance[],
): readonly number[] {
  const [first, second] = causes;
  if (!first) return check.otherwise;
  const a = rowOf(check, cylinder, first);
  if (!second) return a;
  return ofBoth(check, a, rowOf(check, cylinder, second));
}

/** Outcome chances of two causes that a check both speaks of. */
function combined(check: Check, a: readonly number[], b: readonly number[]): readonly number[] {
  const hidden = Math.min(((a[0] ?? 0) * (b[0] ?? 0)) / Math.max(check.otherwise[0] ?? 1, FLOOR), 1);
  let total = 0;
  for (let i = 1; i < a.length; i++) total += (a[i] ?? 0) + (b[i] ?? 0);
  const share = (1 - hidden) / (total || 1);
  const chances = new Array<number>(a.length);
  chances[0] = hidden;
  for (let i = 1; i < a.length; i++) chances[i] = share * ((a[i] ?? 0) + (b[i] ?? 0));
  return chances;
}

/**
 * P(observation | causes with these strengths): noisy-OR with leak; a circumstance is that of one of the causes,
 * and which of them stored it is not known.
 */
function chanceOf(key: ObservationKey, strengths: readonly number[]): number {
  const { leak, isCircumstance } = observationKind(key);
  if (!isCircumstance) return 1 - strengths.reduce((absent, s) => absent * (1 - s), 1 - leak);
  return strengths.length === 0 ? leak : strengths.reduce((sum, s) => sum + s, 0) / strengths.length;
}

/**
 * P(result | causes): that of the outcome, or of a number, which each outcome explains so well (Pearl's virtual evidence,
 * Probabilistic Reasoning in Intelligent Systems, 1988, ch. 2.2.2).
 */
function chanceOfResult(
  { outcome, weights }: Extract<Evidence, { kind: 'check' }>,
  chances: readonly number[],
): number {
  if (!weights) return Math.max(FLOOR, chances[outcome] ?? FLOOR);
  return Math.max(
    FLOOR,
    chances.reduce((sum, p, o) => sum + p * (weights[o] ?? 0), 0),
  );
}

/** P(evidence | causes): noisy-OR with leak for observations, the outcome table for checks. */
export function likelihood(evidence: Evidence, causes: readonly CauseInstance[]): number {
  if (evidence.kind === 'came-back')
    return causes.length === 1 && causes[0]?.id === evidence.cause ? BADLY_REPAIRED : 1;
  if (evidence.kind === 'bulletin')
    return Math.max(NOT_NAMED, ...causes.map((c) => namedIn(c, evidence.causes)));
  if (isLasting(evidence))
    return causes.length === 0
      ? RETURN_OF_NONE
      : Math.max(...causes.map((c) => lastingStrength(c, evidence)));
  if (evidence.kind === 'check') {
    return chanceOfResult(evidence, outcomeChances(evidence.check, evidence.cylinder, causes));
  }
  const present = chanceOf(
    evidence.key,
    causes.map((c) => strengthOf(c, evidence.key, evidence.cylinder)),
  );
  return Math.max(FLOOR, evidence.isPresent ? present : 1 - present);
}

/** By index of the cause, whether something that was seen, or a check that was done, has to do with it. */
export function touched(evidence: Evidence, instances: readonly CauseInstance[]): boolean[] {
  if (evidence.kind === 'check')
    return rowsOf(evidence.check, evidence.cylinder, instances).map(
      (row) => row !== evidence.check.otherwise,
    );
  if (evidence.kind === 'came-back') return instances.map((i) => i.id === evidence.cause);
  // It was seen before: it brings no cause into play that nothing else speaks of.
  if (isLasting(evidence) || evidence.kind === 'bulletin') return instances.map(() => false);
  const { key, cylinder, isPresent } = evidence;
  if (!isPresent || observationKind(key).isCircumstance) return instances.map(() => false);
  return Array.from(strengthsOf(instances, key, cylinder), (s) => s > 0);
}

/** P(each outcome | two causes), by what the check says of each of them. */
const ofBoth = (check: Check, a: readonly number[], b: readonly number[]): readonly number[] =>
  b === check.otherwise ? a : a === check.otherwise ? b : combined(check, a, b);

/** What a result would say: its chance, and the chance of each cause then. */
export interface Forecast {
  chance: number;
  marginals: Float64Array;
}

/**
 * What each result of a check would say. A result is as likely as otherwise under every hypothesis whose causes the check
 * does not speak of, which are most of them: only the others are gone through.
 * @param now hypotheses as columns, their weights, which sum to one, and the chance of each cause.
 * @param under the hypotheses that each cause is part of, by its index.
 */
export function forecasts(
  check: Check,
  cylinder: number | null,
  instances: readonly CauseInstance[],
  now: { columns: HypothesisColumns; weights: Float64Array; marginals: Float64Array },
  under: readonly (readonly number[])[],
): Forecast[] {
  const none = instances.length;
  const { otherwise } = check;
  const { first, second } = now.columns;
  const rows = rowsOf(check, cylinder, instances);
  const chances = Float64Array.from(otherwise);
  const sums = Array.from(otherwise, (p) => {
    const sum = new Float64Array(none);
    for (let i = 0; i < none; i++) sum[i] = p * (now.marginals[i] ?? 0);
    return sum;
  });
  /** Beside which causes that the check does not speak of, and with what weight, the cause in hand is met. */
  const others = new Int32Array(now.weights.length);
  const beside = new Float64Array(now.weights.length);
  for (let cause = 0; cause < none; cause++) {
    const row = rows[cause] ?? otherwise;
    if (row === otherwise) continue;
    let count = 0;
    let whole = 0;
    for (const h of under[cause] ?? []) {
      const i = first[h] ?? none;
      const other = i === cause ? (second[h] ?? none) : i;
      const weight = now.weights[h] ?? 0;
      const rowOfOther = rows[other] ?? otherwise;
      if (rowOfOther === otherwise) {
        whole += weight;
        if (other === none) continue;
        others[count] = other;
        beside[count] = weight;
        count++;
      } else if (i === cause) {
        // A pair that the check speaks of on both sides is met twice, and counts the first time.
        const given = combined(check, row, rowOfOther);
        for (let o = 0; o < sums.length; o++) {
          const more = weight * ((given[o] ?? 0) - (otherwise[o] ?? 0));
          chances[o] = (chances[o] ?? 0) + more;
          const sum = sums[o];
          if (!sum) continue;
          sum[cause] = (sum[cause] ?? 0) + more;
          sum[other] = (sum[other] ?? 0) + more;
        }
      }
    }
    for (let o = 0; o < sums.length; o++) {
      const sum = sums[o];
      if (!sum) continue;
      const differs = (row[o] ?? 0) - (otherwise[o] ?? 0);
      chances[o] = (chances[o] ?? 0) + whole * differs;
      sum[cause] = (sum[cause] ?? 0) + whole * differs;
      for (let n = 0; n < count; n++) {
        const other = others[n] ?? 0;
        sum[other] = (sum[other] ?? 0) + (beside[n] ?? 0) * differs;
      }
    }
  }
  return sums.map((sum, o) => {
    // What is left of a difference of equals is not below nought.
    const chance = Math.max(0, chances[o] ?? 0);
    const marginals = sum.subarray(0, none);
    for (let i = 0; i < none; i++)
      marginals[i] = chance > 0 ? Math.min(1, Math.max(0, (marginals[i] ?? 0) / chance)) : 0;
    return { chance, marginals };
  });
}

/** Something that was looked for and not seen. */
export type Absence = Extract<Evidence, { kind: 'observation' }>;

export const isAbsence = (evidence: Evidence): evidence is Absence =>
  evidence.kind === 'observation' && !evidence.isPresent && !observationKind(evidence.key).isCircumstance;

/**
 * The product of {@link likelihoodRow} over things that were not seen: in a noisy-OR each cause leaves each of them unseen
 * by itself, so that one factor for each cause says all. No strength of the library comes near enough to one for the
 * floor to count, also for two causes.
 */
export function absenceRow(
  absences: readonly Absence[],
  instances: readonly CauseInstance[],
  { first, second }: HypothesisColumns,
): Float64Array {
  const none = instances.length;
  const unseen = new Float64Array(none + 1).fill(1);
  let leaks = 1;
  for (const { key, cylinder } of absences) {
    const strengths = strengthsOf(instances, key, cylinder);
    for (let i = 0; i < none; i++) unseen[i] = (unseen[i] ?? 1) * (1 - (strengths[i] ?? 0));
    leaks *= 1 - observationKind(key).leak;
  }
  const row = new Float64Array(first.length);
  for (let h = 0; h < row.length; h++)
    row[h] = leaks * (unseen[first[h] ?? none] ?? 1) * (unseen[second[h] ?? none] ?? 1);
  return row;
}

/**
 * {@link likelihood} for every hypothesis at once; the strengths are looked up once for each cause instead of
 * once for each pair.
 */
export function likelihoodRow(
  evidence: Evidence,
  instances: readonly CauseInstance[],
  { first, second }: HypothesisColumns,
): Float64Array {
  const none = instances.length;
  const row = new Float64Array(first.length);
  if (evidence.kind === 'came-back') {
    const repaired = instances.findIndex((c) => c.id === evidence.cause);
    return row.map((_, h) => (first[h] === repaired && second[h] === none ? BADLY_REPAIRED : 1));
  }
  if (evidence.kind === 'bulletin') {
    const strengths = instances.map((i) => namedIn(i, evidence.causes));
    for (let h = 0; h < row.length; h++)
      row[h] = Math.max(NOT_NAMED, strengths[first[h] ?? none] ?? 0, strengths[second[h] ?? none] ?? 0);
    return row;
  }
  if (isLasting(evidence)) {
    const strengths = instances.map((i) => lastingStrength(i, evidence));
    for (let h = 0; h < row.length; h++) {
      const a = strengths[first[h] ?? none];
      const b = strengths[second[h] ?? none];
      row[h] = a === undefined ? RETURN_OF_NONE : Math.max(a, b ?? 0);
    }
    return row;
  }
  if (evidence.kind === 'check') {
    const { check, cylinder } = evidence;
    const { otherwise } = check;
    const rows = rowsOf(check, cylinder, instances);
    // Most pairs have at most one cause that the check speaks of; only two such causes have to be combined.
    const alone = new Float64Array(none + 1).fill(chanceOfResult(evidence, otherwise));
    const speaks = new Uint8Array(none + 1);
    for (let i = 0; i < none; i++) {
      const chances = rows[i] ?? otherwise;
      if (chances === otherwise) continue;
      alone[i] = chanceOfResult(evidence, chances);
      speaks[i] = 1;
    }
    for (let h = 0; h < row.length; h++) {
      const i = first[h] ?? none;
      const j = second[h] ?? none;
      if (speaks[j] === 0) row[h] = alone[i] ?? FLOOR;
      else if (speaks[i] === 0) row[h] = alone[j] ?? FLOOR;
      else row[h] = chanceOfResult(evidence, combined(check, rows[i] ?? otherwise, rows[j] ?? otherwise));
    }
    return row;
  }
  // The same as `chanceOf`, written out: this runs for every pair of causes and every piece of evidence.
  const strengths = new Float64Array(none + 1);
  strengths.set(strengthsOf(instances, evidence.key, evidence.cylinder));
  const { leak, isCircumstance } = observationKind(evidence.key);
  const { isPresent } = evidence;
  if (isCircumstance) {
    for (let h = 0; h < row.length; h++) {
      const i = first[h] ?? none;
      const j = second[h] ?? none;
      const s = strengths[i] ?? 0;
      const present = i === none ? leak : j === none ? s : (s + (strengths[j] ?? 0)) / 2;
      const chance = isPresent ? present : 1 - present;
      row[h] = chance > FLOOR ? chance : FLOOR;
    }
    return row;
  }
  // How far each cause leaves it unseen; no cause leaves it all unseen but for the leak.
  const unseen = strengths.map((s) => 1 - s);
  const withLeak = unseen.map((u) => (1 - leak) * u);
  for (let h = 0; h < row.length; h++) {
    const absent = (withLeak[first[h] ?? none] ?? 1) * (unseen[second[h] ?? none] ?? 1);
    const chance = isPresent ? 1 - absent : absent;
    row[h] = chance > FLOOR ? chance : FLOOR;
  }
  return row;
}
