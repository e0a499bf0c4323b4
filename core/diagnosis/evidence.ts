import { observationKind, type Check, type ObservationKey } from '@pincer/core/knowledge';
import { placesOf, strengthOf, type CauseInstance } from './instances.ts';

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
export const FLOOR = 1e-4;

/** Chance that a fault comes back although its only cause was repaired: a bad part, or work not well done. */
export const BADLY_REPAIRED = 0.1;

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
export const isLasting = (evidence: Evidence): evidence is Lasting =>
  evidence.kind === 'returned' || evidence.kind === 'stays-lit';

/** How well a return after a clear, or a light that stays on, goes with one cause, the best 1. */
export function lastingStrength({ cause }: CauseInstance, evidence: Lasting): number {
  if (evidence.kind === 'stays-lit') return cause.endsByItself ? ENDED_STAYS_LIT : 1;
  if (cause.isPassing) return PASSED_COMES_BACK;
  return evidence.comesAndGoes ? (IS_CONTACT.test(cause.repair.title) ? CONTACT : DEAD) : 1;
}

/** The same for what is not modelled: nobody knows, so it goes halfway. */
export const RETURN_OF_NONE = 0.75;

/** How much rarer any other cause is beside those that the maker's bulletin names. Judged: bulletins are written for what many had. */
export const NOT_NAMED = 1 / 3;

export const namedIn = ({ cause }: CauseInstance, causes: readonly string[]): number =>
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
export function rowsOf(
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
  const b = rowOf(check, cylinder, second);
  if (b === check.otherwise) return a;
  return a === check.otherwise ? b : combined(check, a, b);
}

/** Outcome chances of two causes that a check both speaks of. */
export function combined(check: Check, a: readonly number[], b: readonly number[]): readonly number[] {
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
export function chanceOfResult(
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

/** Something that was looked for and not seen. */
export type Absence = Extract<Evidence, { kind: 'observation' }>;

export const isAbsence = (evidence: Evidence): evidence is Absence =>
  evidence.kind === 'observation' && !evidence.isPresent && !observationKind(evidence.key).isCircumstance;
