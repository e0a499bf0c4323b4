import type { NotDone, Owner } from '@pincer/core/case';
import { cylindersOf, type Vehicle } from '@pincer/core/vehicle';
import { CHECKS, notFitted, type Check } from '@pincer/core/knowledge';
import { checkCost, helpOf, repairCost, repairPlan, withoutSpent, type RepairPlan } from './costs.ts';
import { forecasts } from './forecasts.ts';
import { hypothesesUnder, type Hypotheses } from './hypothesis.ts';
import { atCylinder, otherCylinder } from './cylinders.ts';
import type { CauseInstance } from './instances.ts';
import { marginalsOf, type Posterior } from './posterior.ts';

/** Saving from which a check is worth its trouble, currency units; below it the repair itself is the next thing. */
export const CHECK_WORTH_IT = 1;

export interface CheckOutlook {
  id: string;
  check: Check;
  cylinder: number | null;
  title: string;
  /** Currency units, with the owner's time and missing tools. */
  cost: number;
  /** What knowing the result saves on average, minus the cost of finding out. Negative: not worth it. */
  gain: number;
  /** Why it has no result yet, where the owner said so; it comes last then. */
  notDone: NotDone | null;
  /** Price of the part that this cheap look may spare: it comes before that part is bought, whatever the chance. */
  spares: number | null;
  outcomes: {
    id: string;
    title: string;
    says: string;
    /** Chance of this result. */
    chance: number;
    /** The causes it would leave in front, with their chance then. */
    leads: { index: number; chance: number }[];
    /** What is done then. */
    plan: RepairPlan;
  }[];
}

/** Hypotheses that together hold this much are enough to rank checks. */
const KEPT_MASS = 0.997;
/** Weight below which a hypothesis hardly ever belongs to them. */
const SLIGHT = 1e-6;

/** Share of its prior below which a cause is ruled out as far as checks go. */
const STILL_OPEN = 0.5;

/** What the ranking looks at: causes, and how likely each hypothesis over them is. */
type RankedOver = Pick<Posterior, 'instances' | 'hypotheses' | 'weights' | 'marginals'>;

/** The likeliest hypotheses, over those causes alone that are part of one. */
interface Likeliest {
  instances: CauseInstance[];
  /** Which cause of the posterior each of them is. */
  indices: number[];
  hypotheses: Hypotheses;
  /** Sum to one. */
  weights: Float64Array;
}

/** Keeps the likeliest hypotheses, so that looking ahead does not cost more as the library grows. */
function likeliest(posterior: RankedOver): Likeliest {
  // Most of thousands weigh next to nothing: where the others are enough, only they are put in order.
  const heavy: number[] = [];
  let heavyMass = 0;
  for (let h = 0; h < posterior.weights.length; h++) {
    const weight = posterior.weights[h] ?? 0;
    if (weight < SLIGHT) continue;
    heavy.push(h);
    heavyMass += weight;
  }
  const order = (heavyMass >= KEPT_MASS ? heavy : [...posterior.weights.keys()]).sort(
    (a, b) => (posterior.weights[b] ?? 0) - (posterior.weights[a] ?? 0),
  );
  let [count, mass] = [0, 0];
  for (; count < order.length && mass < KEPT_MASS; count++) mass += posterior.weights[order[count] ?? 0] ?? 0;
  const kept = order.slice(0, count);
  const { first, second, none } = posterior.hypotheses;
  /** Where each cause stands among those that are part of one; 0 for the others, until they are numbered. */
  const place = new Int32Array(none + 1);
  for (const h of kept) {
    place[first[h] ?? none] = 1;
    place[second[h] ?? none] = 1;
  }
  const indices: number[] = [];
  for (let i = 0; i < none; i++) if (place[i] === 1) place[i] = indices.push(i) - 1;
  place[none] = indices.length;
  const inPlace = (cause: number | undefined): number => place[cause ?? none] ?? indices.length;
  return {
    instances: indices.flatMap((i) => posterior.instances[i] ?? []),
    indices,
    hypotheses: {
      first: Int32Array.from(kept, (h) => inPlace(first[h])),
      second: Int32Array.from(kept, (h) => inPlace(second[h])),
      none: indices.length,
    },
    weights: Float64Array.from(kept, (h) => (posterior.weights[h] ?? 0) / mass),
  };
}

/** How many causes in front are told for a result. */
const LEADS = 3;

/** The likeliest causes, likeliest first; of equals the one that stands first. */
function leading(marginals: Float64Array): { index: number; chance: number }[] {
  const leads: { index: number; chance: number }[] = [];
  // Of many causes few come into it, and this is asked for every result of every check.
  let least = -1;
  for (let index = 0; index < marginals.length; index++) {
    const chance = marginals[index] ?? 0;
    if (chance <= least) continue;
    const at = leads.findIndex((l) => chance > l.chance);
    leads.splice(at === -1 ? leads.length : at, 0, { index, chance });
    leads.length = Math.min(LEADS, leads.length);
    if (leads.length === LEADS) least = leads[LEADS - 1]?.chance ?? 0;
  }
  return leads;
}

/**
 * Ranks the checks that are left by what they save: expected cost of repair now, less the cost of the check
 * and the expected cost after each of its results (Heckerman et al. 1995, one step ahead).
 * @param done checks that have a result, each with its cylinder.
 * @param mayDrive whether the car may be driven; without it, checks that want a drive are left out.
 * @param notDone checks that the owner left without a result; those that the vehicle has no part for are left out.
 * @param spent repairs after which it came back, as {@link withoutSpent}.
 */
export function rankChecks(
  posterior: RankedOver,
  done: ReadonlySet<string>,
  vehicle: Vehicle,
  owner: Owner,
  mayDrive = true,
  notDone: ReadonlyMap<string, NotDone> = new Map(),
  spent: ReadonlySet<string> = new Set(),
): CheckOutlook[] {
  const { instances, indices, hypotheses, weights } = likeliest(posterior);
  const costs = Float64Array.from(instances, (i) => repairCost(i, owner));
  const planWith = (marginals: Float64Array) => {
    const chances = withoutSpent(instances, marginals, spent);
    return repairPlan(chances, costs, helpOf(instances, chances, owner));
  };
  const inPosterior = (i: number): number => indices[i] ?? 0;
  // Before a check and after it over the same hypotheses: what is left out of both favours neither.
  const before = marginalsOf(weights, hypotheses).marginals;
  const now = { hypotheses, weights, marginals: before };
  const under = hypothesesUnder(hypotheses);
  const planNow = planWith(before);
  const cylinders = cylindersOf(vehicle);
  /** Causes that the facts leave open, and their places: a cylinder, or null for the engine. */
  const inPlay = new Map<string, Set<number | null>>();
  posterior.instances.forEach(({ cause, cylinder, prior }, i) => {
    const chance = posterior.marginals[i] ?? 0;
    // What the facts speak against is not looked at because it is cheap.
    if (chance <= 0.004 || chance <= prior * STILL_OPEN) return;
    const places = inPlay.get(cause.id);
    if (places) places.add(cylinder);
    else inPlay.set(cause.id, new Set([cylinder]));
  });

  const outlooks: CheckOutlook[] = [];
  const missing = notFitted(vehicle, 'checks');
  for (const check of CHECKS) {
    if (missing.has(check.id)) continue;
    if (check.needsDriving && !mayDrive) continue;
    const given = Object.keys(check.given);
    const places = check.scope === 'engine' ? [null] : Array.from({ length: cylinders }, (_, i) => i + 1);
    for (const cylinder of places) {
      const id = cylinder === null ? check.id : `${check.id}:${cylinder}`;
      if (done.has(id) || notDone.get(id) === 'has-none') continue;
      if (cylinder !== null && cylinders < 2 && check.title.includes('{m}')) continue;
      const isUseful = given.some((c) => {
        const open = inPlay.get(c);
        return open !== undefined && (open.has(null) || open.has(cylinder));
      });
      if (!isUseful) continue;
      const other = cylinder === null ? undefined : otherCylinder(cylinder, cylinders);
      const results = forecasts(check, cylinder, instances, now, under);
      const cost = checkCost(check, owner);
      let after = 0;
      const outcomes = check.outcomes.map((outcome, o) => {
        const { chance, marginals } = results[o] ?? { chance: 0, marginals: before };
        const plan = planWith(marginals);
        after += chance * plan.cost;
        const leads = leading(marginals).map((l) => ({ ...l, index: inPosterior(l.index) }));
        return {
          id: outcome.id,
          title: atCylinder(outcome.title, cylinder, other),
          says: atCylinder(outcome.says, cylinder, other),
          chance,
          leads,
          plan: {
            ...plan,
            order: plan.order.map(inPosterior),
            repairs: plan.repairs.map((r) => ({ ...r, index: inPosterior(r.index) })),
          },
        };
      });
      outlooks.push({
        id,
        check,
        cylinder,
        title: atCylinder(check.title, cylinder, other),
        cost,
        gain: planNow.cost - cost - after,
        notDone: notDone.get(id) ?? null,
        spares: null,
        outcomes,
      });
    }
  }
  const likely = planNow.order.filter((i) => (before[i] ?? 0) >= CREDIBLE);
  markLookFirst(
    outlooks,
    likely.flatMap((i) => instances[i] ?? []),
    done,
  );
  // Of equals, such as the coils of four cylinders, the one that stands first: the last digits of a sum decide nothing.
  return outlooks.sort((a, b) => rank(a) - rank(b) || exact(b.gain) - exact(a.gain));
}

/** A gain to a thousandth of a cent. */
const exact = (gain: number): number => Math.round(gain * 1e5);

/** What is worth its cost comes first, then the look before a part is bought, then the rest, and last what was left undone. */
function rank({ gain, spares, notDone }: CheckOutlook): number {
  if (notDone !== null) return 3;
  if (gain >= CHECK_WORTH_IT) return 0;
  return spares === null ? 2 : 1;
}

/** Below this chance a repair is not what anybody would begin with. */
const CREDIBLE = 0.15;
/** A look is direct when it mostly shows the fault where it is, and seldom where it is not. */
const SHOWS = 0.6;
const SELDOM = 4;

function isDirect(check: Check, { cause, cylinder }: CauseInstance, at: number | null): boolean {
  const given = check.given[cause.id];
  if (!given || (at !== null && at !== cylinder)) return false;
  return given.some((p, o) => p >= SHOWS && p >= SELDOM * (check.otherwise[o] ?? 1));
}

/**
 * A cheap look comes before a part is bought when a mistaken part costs more than the look, however likely the cause: the
 * causes are coarser than the parts, and 99 % of “the sensor or its connector” is not 99 % of the sensor. Of several the
 * cheapest; none for a cause that was looked at already.
 * @param repairs causes in the order in which they would be repaired.
 */
function markLookFirst(
  outlooks: CheckOutlook[],
  repairs: readonly CauseInstance[],
  done: ReadonlySet<string>,
): void {
  for (const repaired of repairs) {
    const { parts } = repaired.cause.repair;
    const wasLooked = CHECKS.some((check) =>
      [null, repaired.cylinder].some(
        (at) => isDirect(check, repaired, at) && done.has(at === null ? check.id : `${check.id}:${at}`),
      ),
    );
    // What was looked at and is still the first to be repaired is repaired: nothing else is looked at before it.
    if (wasLooked) return;
    if (parts === 0) continue;
    const [cheapest] = outlooks
      .filter((o) => o.notDone === null && o.cost < parts && isDirect(o.check, repaired, o.cylinder))
      .sort((a, b) => a.cost - b.cost);
    if (!cheapest) continue;
    cheapest.spares = parts;
    return;
  }
}
