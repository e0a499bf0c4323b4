import type { CautionId } from '../cautions.ts';
import type { ObservationKey } from '../observations.ts';
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

/** What disturbs the data line or its supply makes any unit's words senseless. @param p P(code | cause), each. */
export const nonsense = (p: number) =>
  ({ 'code:unit-nonsense': p, 'code:nonsense-engine': p, 'code:nonsense-gearbox': p, 'code:nonsense-brakes': p }) as const;

/** Codes by which a gearbox's unit tells what its own tests found. */
const OF_GEARBOX: readonly ObservationKey[] = [
  'code:gear-valve', 'code:gear-speed', 'code:gear-ratio', 'code:gear-range', 'code:gear-fluid', 'code:converter',
  'code:clutch-actuator', 'code:gearbox',
];

/**
 * What the gearbox's unit has found it tells the others: the engine's unit lights the lamp for it (SAE J2012, P0700),
 * and in its emergency gear what it says of gear and torque no longer serves the brakes' unit.
 */
export const heardByOthers = (c: Cause): Cause => {
  const seen = Math.max(0, ...OF_GEARBOX.map((key) => c.effects[key] ?? 0));
  if (seen < 0.3) return c;
  const rounded = (p: number) => Math.round(p * 100) / 100;
  return {
    ...c,
    effects: { 'code:gearbox-asks': rounded(seen * 0.85), 'code:nonsense-gearbox': rounded(seen * 0.4), ...c.effects },
  };
};

/** A repair by hand on intake and cooling, with its usual cautions. */
export const seal = (
  title: string,
  parts: number,
  ownerMinutes: number,
  steps: readonly string[],
  cautions: readonly CautionId[] = ['cold-engine', 'vacuum-hose'],
): Repair => ({
  title, parts, ownerMinutes, shopMinutes: Math.round(ownerMinutes * 0.9), tools: ['hand-tools'], cautions, steps,
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
  extra: Partial<Pick<Cause, 'fuels' | 'kinds' | 'gearboxes' | 'priorFactors' | 'isPassing' | 'endsByItself'>> = {},
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
