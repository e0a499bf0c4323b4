import type { CautionId } from '../cautions.ts';
import type { Cause, Check, CheckOutcome, Repair, SystemId, ToolId } from '../types.ts';

/** Fuels of spark-ignition engines. */
export const PETROL = ['petrol', 'hybrid', 'lpg', 'unknown'] as const;

/** What a cylinder that does not fire shows, whatever keeps it from firing. */
export const MISFIRE = {
  'code:misfire-same': 0.9,
  'code:misfire-several': 0.3,
  'sign:shakes': 0.8,
  'sign:rough-idle': 0.6,
  'sign:weak': 0.5,
} as const;

/** A repair by hand on intake and cooling, with its usual cautions. */
export const seal = (title: string, parts: number, ownerMinutes: number, steps: readonly string[]): Repair => ({
  title, parts, ownerMinutes, shopMinutes: Math.round(ownerMinutes * 0.9), tools: ['hand-tools'], cautions: ['cold-engine', 'vacuum-hose'], steps,
});

/** One result of a check. */
export const found = (id: string, title: string, says: string): CheckOutcome => ({ id, title, says });

/** A cause of the engine as a whole. */
export const cause = (
  id: string,
  title: string,
  system: SystemId,
  prior: number,
  effects: Cause['effects'],
  repair: Repair,
  extra: Partial<Pick<Cause, 'fuels' | 'kinds' | 'gearboxes' | 'priorFactors' | 'isPassing'>> = {},
): Cause => ({ id, title, system, scope: 'engine', prior, effects, repair, ...extra });

/** A repair; a workshop takes about nine tenths of the owner's time. */
export const fix = (
  title: string,
  parts: number,
  ownerMinutes: number,
  cautions: readonly CautionId[],
  steps: readonly string[],
  tools: readonly ToolId[] = ['hand-tools'],
): Repair => ({ title, parts, ownerMinutes, shopMinutes: Math.round(ownerMinutes * 0.9), tools, cautions, steps });

/** A repair that is left to licensed people: what the owner may look at, and what to tell them. */
export const licensed = (
  title: string,
  parts: number,
  shopMinutes: number,
  cautions: readonly CautionId[],
  steps: readonly string[],
): Repair => ({ title, parts, ownerMinutes: shopMinutes * 2, shopMinutes, tools: ['hand-tools'], cautions, steps, isLicensed: true });

/**
 * A check with two results: nothing, or something.
 * @param given P(something found | cause).
 * @param base P(something found) with none of these causes.
 */
export const look = (
  id: string,
  title: string,
  system: SystemId,
  minutes: number,
  how: string,
  nothing: readonly [title: string, says: string],
  something: readonly [title: string, says: string],
  given: Readonly<Record<string, number>>,
  extra: { tools?: readonly ToolId[]; cautions?: readonly CautionId[]; cost?: number; needsDriving?: boolean; base?: number } = {},
): Check => {
  const { tools = [], cautions = [], cost = 0, needsDriving, base = 0.05 } = extra;
  return {
    id, title, scope: 'engine', system, minutes, cost, tools, cautions, how,
    ...(needsDriving ? { needsDriving } : {}),
    outcomes: [found('nothing', nothing[0], nothing[1]), found('something', something[0], something[1])],
    otherwise: [1 - base, base],
    given: Object.fromEntries(Object.entries(given).map(([c, p]) => [c, [1 - p, p]])),
  };
};
