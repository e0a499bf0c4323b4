import { DEFAULT_OWNER } from '@pincer/core/case';
import {
  CHECK_WORTH_IT,
  checkCost,
  instancesFor,
  outcomeChances,
  posteriorOf,
  rankChecks,
  repairCost,
  repairPlan,
  shopPrice,
  type CauseInstance,
  type Evidence,
  type Hypotheses,
} from '@pincer/core/diagnosis';
import { CHECKS, type ObservationKey } from '@pincer/core/knowledge';
import { cylindersOf } from '@pincer/core/vehicle';
import { CAR, NOW } from '../core/test/make-case.ts';
import type { Row } from './row.ts';

/** Likeliest causes and best checks that an instance is cut down to: small enough to try every plan. */
const CAUSES_KEPT = 5;
const CHECKS_KEPT = 4;

const seen = (key: ObservationKey, cylinder: number | null = null): Evidence => ({
  kind: 'observation',
  fact: key,
  key,
  cylinder,
  isPresent: true,
});

/** What was seen, in cases with several causes in play. */
const CASES: readonly Evidence[][] = [
  [seen('code:lean'), seen('sign:rough-idle')],
  [seen('code:lean'), seen('sign:uphill')],
  [seen('code:misfire-same', 2), seen('sign:shakes')],
  [seen('code:misfire-several')],
  [seen('code:catalyst')],
  [seen('code:evap-leak')],
  [seen('code:supply-voltage'), seen('gauge:lights-dim')],
  [seen('code:throttle'), seen('sign:limp')],
  [seen('code:overheat'), seen('gauge:hot')],
  [seen('code:idle'), seen('sign:stalls')],
];

interface Instance {
  causes: { instance: CauseInstance; chance: number; repair: number; shop: number }[];
  checks: { id: string; cost: number; /** P(outcome | cause), by cause. */ given: number[][] }[];
}

/** A case cut down to a few causes, one of which is it, and a few checks. */
function cutDown(evidence: readonly Evidence[]): Instance {
  const all = instancesFor(CAR, NOW);
  const posterior = posteriorOf(all, evidence);
  const kept = [...posterior.marginals.keys()]
    .sort((a, b) => (posterior.marginals[b] ?? 0) - (posterior.marginals[a] ?? 0))
    .slice(0, CAUSES_KEPT);
  const mass = kept.reduce((sum, i) => sum + (posterior.marginals[i] ?? 0), 0);
  const causes = kept.flatMap((i) => {
    const instance = all[i];
    if (!instance) return [];
    return {
      instance,
      chance: (posterior.marginals[i] ?? 0) / mass,
      repair: repairCost(instance, DEFAULT_OWNER),
      shop: DEFAULT_OWNER.shopDiagnosis + shopPrice(instance, DEFAULT_OWNER),
    };
  });
  return {
    causes,
    checks: rankChecks(posterior, new Set(), CAR, DEFAULT_OWNER)
      .slice(0, CHECKS_KEPT)
      .map(({ id, check, cylinder }) => ({
        id,
        cost: checkCost(check, DEFAULT_OWNER),
        given: causes.map((c) => [...outcomeChances(check, cylinder, [c.instance])]),
      })),
  };
}

/** What is known on the way: joint chance of each cause that is left, and the checks that are left. */
interface State {
  joint: readonly number[];
  checks: readonly number[];
  /** Repairs tried and results found, whatever their order: the same ones lead to the same place. */
  key: string;
}
/** Adds a step to a key. */
const keyWith = (key: string, step: string): string => [...key.split(' '), step].sort().join(' ');
const massOf = ({ joint }: State): number => joint.reduce((a, b) => a + b, 0);
/** The same, no longer held by a cause whose repair did not help. */
const without = (s: State, cause: number): State => ({
  ...s,
  joint: s.joint.map((p, i) => (i === cause ? 0 : p)),
  key: keyWith(s.key, `r${cause}`),
});
const after = (instance: Instance, s: State, check: number, outcome: number): State => ({
  joint: s.joint.map((p, i) => p * (instance.checks[check]?.given[i]?.[outcome] ?? 0)),
  checks: s.checks.filter((c) => c !== check),
  key: keyWith(s.key, `c${check}=${outcome}`),
});
const outcomesOf = (instance: Instance, check: number): number[] => [
  ...(instance.checks[check]?.given[0] ?? []).keys(),
];
/** Expected cost of the workshop, weighted by the chance to come here. */
const shop = (instance: Instance, { joint }: State): number =>
  joint.reduce((sum, p, i) => sum + p * (instance.causes[i]?.shop ?? 0), 0);

/** Expected cost of the best plan there is, every order of repairs, checks and the workshop tried. */
function optimum(instance: Instance, s: State, known: Map<string, number>): number {
  const mass = massOf(s);
  if (mass < 1e-9) return 0;
  const before = known.get(s.key);
  if (before !== undefined) return before;
  let best = shop(instance, s);
  s.joint.forEach((p, i) => {
    if (p > 1e-9)
      best = Math.min(
        best,
        mass * (instance.causes[i]?.repair ?? 0) + optimum(instance, without(s, i), known),
      );
  });
  for (const check of s.checks) {
    const found = outcomesOf(instance, check).reduce(
      (sum, o) => sum + optimum(instance, after(instance, s, check, o), known),
      mass * (instance.checks[check]?.cost ?? 0),
    );
    best = Math.min(best, found);
  }
  known.set(s.key, best);
  return best;
}

/** Expected cost of repairs by chance over cost, and the first of them; null where the workshop is cheaper. */
function inOrder(instance: Instance, s: State): { cost: number; first: number | null } {
  const mass = massOf(s);
  const plan = repairPlan(
    Float64Array.from(s.joint, (p) => p / mass),
    Float64Array.from(instance.causes, (c) => c.repair),
    { cost: shop(instance, s) / mass, raise: 0 },
    1,
  );
  return { cost: mass * plan.cost, first: plan.order[0] ?? null };
}

/** Every check in every place, so that all but the kept ones can be told to be done. */
const ALL_CHECKS: readonly string[] = CHECKS.flatMap((c) =>
  c.scope === 'engine' ? [c.id] : Array.from({ length: cylindersOf(CAR) }, (_, n) => `${c.id}:${n + 1}`),
);

/** One hypothesis for each of so many causes. */
const eachAlone = (count: number): Hypotheses => ({
  first: Int32Array.from({ length: count }, (_, i) => i),
  second: new Int32Array(count).fill(count),
  none: count,
});

/** The check that the program's own ranking would do now, or null where a repair comes first. */
function advised(instance: Instance, s: State): number | null {
  const mass = massOf(s);
  const marginals = Float64Array.from(s.joint, (p) => p / mass);
  const left = new Set(s.checks.map((c) => instance.checks[c]?.id));
  const [best] = rankChecks(
    {
      instances: instance.causes.map((c) => c.instance),
      hypotheses: eachAlone(instance.causes.length),
      weights: marginals,
      marginals,
    },
    new Set(ALL_CHECKS.filter((id) => !left.has(id))),
    CAR,
    DEFAULT_OWNER,
  );
  return best && best.gain > CHECK_WORTH_IT ? instance.checks.findIndex((c) => c.id === best.id) : null;
}

/** Expected cost of following the advice: the check that it ranks first, else the first repair of its plan. */
function advice(instance: Instance, s: State): number {
  const mass = massOf(s);
  if (mass < 1e-9) return 0;
  const check = advised(instance, s);
  if (check !== null)
    return outcomesOf(instance, check).reduce(
      (sum, o) => sum + advice(instance, after(instance, s, check, o)),
      mass * (instance.checks[check]?.cost ?? 0),
    );
  const { first } = inOrder(instance, s);
  if (first === null) return shop(instance, s);
  return mass * (instance.causes[first]?.repair ?? 0) + advice(instance, without(s, first));
}

/** The advice against the best plan there is, on cases small enough to try them all. */
export function optimumRows(): Row[] {
  const ratios = CASES.map((evidence) => {
    const instance = cutDown(evidence);
    const start: State = {
      joint: instance.causes.map((c) => c.chance),
      checks: [...instance.checks.keys()],
      key: '',
    };
    const best = optimum(instance, start, new Map());
    return { advice: advice(instance, start) / best, order: inOrder(instance, start).cost / best };
  });
  const mean = (of: (r: (typeof ratios)[number]) => number) =>
    ratios.reduce((sum, r) => sum + of(r), 0) / ratios.length;
  const worst = Math.max(...ratios.map((r) => r.advice));
  return [
    {
      what: `Advice against the best of all plans, ${CASES.length} cases of ${CAUSES_KEPT} causes and ${CHECKS_KEPT} checks`,
      measured: `mean ${mean((r) => r.advice).toFixed(3)}, worst ${worst.toFixed(3)}; repairs alone ${mean((r) => r.order).toFixed(3)}`,
      budget: 'within 1.10',
      ratio: mean((r) => r.advice) / 1.1,
    },
  ];
}
