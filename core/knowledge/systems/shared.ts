import type { CheckOutcome, Repair } from '../types.ts';

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
