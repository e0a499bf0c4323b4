import type { Owner } from '@pincer/core/case';
import { cylindersOf, type Vehicle } from '@pincer/core/vehicle';
import { CHECKS, notFitted, type Check } from '@pincer/core/knowledge';
import { checkCost, repairCost, repairPlan, workshopCost } from './costs.ts';
import { outcomeTable } from './evidence.ts';
import { columnsOf, type Hypothesis } from './hypothesis.ts';
import { atCylinder, otherCylinder } from './instances.ts';
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
  outcomes: {
    id: string;
    title: string;
    says: string;
    /** Chance of this result. */
    chance: number;
    /** The causes it would leave in front, with their chance then. */
    leads: { index: number; chance: number }[];
  }[];
}

/** Hypotheses that together hold this much are enough to rank checks. */
const KEPT_MASS = 0.997;

/** What the ranking looks at: causes, and how likely each hypothesis over them is. */
type RankedOver = Pick<Posterior, 'instances' | 'hypotheses' | 'weights' | 'marginals'>;

/** Keeps the likeliest hypotheses, so that looking ahead does not cost more as the library grows. */
function likeliest(posterior: RankedOver): { hypotheses: Hypothesis[]; weights: Float64Array } {
  const order = [...posterior.weights.keys()].sort(
    (a, b) => (posterior.weights[b] ?? 0) - (posterior.weights[a] ?? 0),
  );
  const hypotheses: Hypothesis[] = [];
  const weights: number[] = [];
  let mass = 0;
  for (const h of order) {
    const hypothesis = posterior.hypotheses[h];
    if (!hypothesis || mass >= KEPT_MASS) break;
    hypotheses.push(hypothesis);
    weights.push(posterior.weights[h] ?? 0);
    mass += posterior.weights[h] ?? 0;
  }
  return { hypotheses, weights: Float64Array.from(weights, (w) => w / mass) };
}

/**
 * Ranks the checks that are left by what they save: expected cost of repair now, less the cost of the check
 * and the expected cost after each of its results (Heckerman et al. 1995, one step ahead).
 * @param mayDrive whether the car may be driven; without it, checks that want a drive are left out.
 */
export function rankChecks(
  posterior: RankedOver,
  done: ReadonlySet<string>,
  vehicle: Vehicle,
  owner: Owner,
  mayDrive = true,
): CheckOutlook[] {
  const { instances } = posterior;
  const costs = Float64Array.from(instances, (i) => repairCost(i, owner));
  const costWith = (chances: Float64Array) =>
    repairPlan(chances, costs, workshopCost(instances, chances, owner)).cost;
  const now = costWith(posterior.marginals);
  const { hypotheses, weights } = likeliest(posterior);
  const columns = columnsOf(hypotheses, instances.length);
  const cylinders = cylindersOf(vehicle);
  const inPlay = new Set<string>();
  instances.forEach((c, i) => {
    if ((posterior.marginals[i] ?? 0) > 0.004) inPlay.add(`${c.cause.id}/${c.cylinder ?? ''}`);
  });

  const outlooks: CheckOutlook[] = [];
  const missing = notFitted(vehicle, 'checks');
  for (const check of CHECKS) {
    if (missing.has(check.id)) continue;
    if (check.needsDriving && !mayDrive) continue;
    const places = check.scope === 'engine' ? [null] : Array.from({ length: cylinders }, (_, i) => i + 1);
    for (const cylinder of places) {
      const id = cylinder === null ? check.id : `${check.id}:${cylinder}`;
      if (done.has(id)) continue;
      if (cylinder !== null && cylinders < 2 && check.title.includes('{m}')) continue;
      const isUseful = Object.keys(check.given).some(
        (c) => inPlay.has(`${c}/`) || inPlay.has(`${c}/${cylinder ?? ''}`),
      );
      if (!isUseful) continue;
      const other = cylinder === null ? undefined : otherCylinder(cylinder, cylinders);
      const chances = outcomeTable(check, cylinder, instances, columns);
      const cost = checkCost(check, owner);
      let after = 0;
      const outcomes = check.outcomes.map((outcome, o) => {
        const joint = new Float64Array(weights.length);
        let chance = 0;
        for (let h = 0; h < joint.length; h++) {
          const w = (weights[h] ?? 0) * (chances[h]?.[o] ?? 0);
          joint[h] = w;
          chance += w;
        }
        const { marginals } = marginalsOf(joint, columns, instances.length);
        after += chance * costWith(marginals);
        const leads = [...marginals.keys()]
          .sort((a, b) => (marginals[b] ?? 0) - (marginals[a] ?? 0))
          .slice(0, 3)
          .map((index) => ({ index, chance: marginals[index] ?? 0 }));
        return {
          id: outcome.id,
          title: atCylinder(outcome.title, cylinder, other),
          says: atCylinder(outcome.says, cylinder, other),
          chance,
          leads,
        };
      });
      outlooks.push({
        id,
        check,
        cylinder,
        title: atCylinder(check.title, cylinder, other),
        cost,
        gain: now - cost - after,
        outcomes,
      });
    }
  }
  return outlooks.sort((a, b) => b.gain - a.gain);
}
