import { observationKind, type Check, type ObservationKey } from '@pincer/core/knowledge';
import { strengthOf, strengthsOf, type CauseInstance } from './instances.ts';
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
  const b = rowOf(check, cylinder, second);
  if (b === check.otherwise) return a;
  return a === check.otherwise ? b : combined(check, a, b);
}

/** Outcome chances of two causes that a check both speaks of. */
function combined(check: Check, a: readonly number[], b: readonly number[]): readonly number[] {
  const hidden = Math.min(((a[0] ?? 0) * (b[0] ?? 0)) / Math.max(check.otherwise[0] ?? 1, FLOOR), 1);
  const weights = a.map((p, i) => (i === 0 ? 0 : p + (b[i] ?? 0)));
  const total = weights.reduce((x, y) => x + y, 0) || 1;
  return a.map((_, i) => (i === 0 ? hidden : ((1 - hidden) * (weights[i] ?? 0)) / total));
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
    return instances.map((i) => rowOf(evidence.check, evidence.cylinder, i) !== evidence.check.otherwise);
  if (evidence.kind === 'came-back') return instances.map((i) => i.id === evidence.cause);
  // It was seen before: it brings no cause into play that nothing else speaks of.
  if (isLasting(evidence) || evidence.kind === 'bulletin') return instances.map(() => false);
  const { key, cylinder, isPresent } = evidence;
  if (!isPresent || observationKind(key).isCircumstance) return instances.map(() => false);
  return Array.from(strengthsOf(instances, key, cylinder), (s) => s > 0);
}

/** {@link outcomeChances} for every hypothesis at once. */
export function outcomeTable(
  check: Check,
  cylinder: number | null,
  instances: readonly CauseInstance[],
  { first, second }: HypothesisColumns,
): (readonly number[])[] {
  const none = instances.length;
  const { otherwise } = check;
  // Most pairs have at most one cause that the check speaks of; only two such causes have to be combined.
  const rows = instances.map((c) => rowOf(check, cylinder, c));
  const table: (readonly number[])[] = [];
  for (let h = 0; h < first.length; h++) {
    const a = rows[first[h] ?? none] ?? otherwise;
    const b = rows[second[h] ?? none] ?? otherwise;
    table.push(b === otherwise ? a : a === otherwise ? b : combined(check, a, b));
  }
  return table;
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
    const chances = outcomeTable(check, cylinder, instances, { first, second });
    for (let h = 0; h < row.length; h++) row[h] = chanceOfResult(evidence, chances[h] ?? []);
    return row;
  }
  // The same as `chanceOf`, written out: this runs for every pair of causes and every piece of evidence.
  const strengths = new Float64Array(none + 1);
  strengths.set(strengthsOf(instances, evidence.key, evidence.cylinder));
  const { leak, isCircumstance } = observationKind(evidence.key);
  const { isPresent } = evidence;
  for (let h = 0; h < row.length; h++) {
    const i = first[h] ?? none;
    const j = second[h] ?? none;
    const s = strengths[i] ?? 0;
    const t = strengths[j] ?? 0;
    const present = isCircumstance
      ? i === none
        ? leak
        : j === none
          ? s
          : (s + t) / 2
      : 1 - (1 - leak) * (1 - s) * (1 - t);
    const chance = isPresent ? present : 1 - present;
    row[h] = chance > FLOOR ? chance : FLOOR;
  }
  return row;
}
