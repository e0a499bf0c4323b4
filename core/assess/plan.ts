import {
  atCylinder,
  planMinutes,
  type CauseInstance,
  type CheckOutlook,
  type RepairPlan,
} from '@pincer/core/diagnosis';

/** One step of a plan. */
export interface PlanStep {
  kind: 'repair' | 'help';
  title: string;
  /** Chance that it comes to this step, once this branch is taken. */
  reached: number;
  /** Chance that it ends here, once this branch is taken. */
  cures: number;
}

/** What is done after one result of the check; the only branch where no check comes first. */
export interface PlanBranch {
  /** Result of the check; null where there is none. */
  result: string | null;
  chance: number;
  steps: PlanStep[];
  /** Expected from here on until it is fixed, currency units and the owner's minutes. */
  cost: number;
  minutes: number;
}

/** What is done until it is fixed: a check where one is worth it, then repairs, then help. */
export interface PlanView {
  check: { id: string; title: string; cost: number; minutes: number } | null;
  branches: PlanBranch[];
  /** Expected until it is fixed, the check included: currency units and the owner's minutes. */
  cost: number;
  minutes: number;
}

function stepsOf(plan: RepairPlan, instances: readonly CauseInstance[]): PlanStep[] {
  const repairs = plan.repairs.flatMap<PlanStep>(({ index, reached, cures }) => {
    const instance = instances[index];
    if (!instance) return [];
    const title = atCylinder(instance.cause.repair.title, instance.cylinder);
    return [{ kind: 'repair', title, reached, cures }];
  });
  const rest = Math.max(0, 1 - plan.success);
  return [...repairs, { kind: 'help', title: 'Get help', reached: rest, cures: rest }];
}

const branchOf = (
  result: string | null,
  chance: number,
  plan: RepairPlan,
  instances: readonly CauseInstance[],
): PlanBranch => ({
  result,
  chance,
  steps: stepsOf(plan, instances),
  cost: plan.cost,
  minutes: Math.round(planMinutes(plan, instances)),
});

/**
 * The plan as a tree: the same check that Narrow down proposes, the same repairs in the same order as Fix, and the very
 * figures by which Decide compares.
 * @param check that comes first; null where none is worth it. @param plan without a check before it.
 */
export function planView(
  check: CheckOutlook | null,
  plan: RepairPlan,
  instances: readonly CauseInstance[],
): PlanView {
  if (!check) {
    const branch = branchOf(null, 1, plan, instances);
    return { check: null, branches: [branch], cost: branch.cost, minutes: branch.minutes };
  }
  const branches = check.outcomes
    .filter((o) => o.chance > 0)
    .map((o) => branchOf(o.title, o.chance, o.plan, instances))
    .sort((a, b) => b.chance - a.chance);
  const mean = (of: (b: PlanBranch) => number) => branches.reduce((sum, b) => sum + b.chance * of(b), 0);
  return {
    check: { id: check.id, title: check.title, cost: check.cost, minutes: check.check.minutes },
    branches,
    cost: check.cost + mean((b) => b.cost),
    minutes: Math.round(check.check.minutes + mean((b) => b.minutes)),
  };
}
