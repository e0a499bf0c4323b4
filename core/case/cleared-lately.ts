import { valueNow, type Standing } from './standing.ts';

/** A memory that was cleared so lately that what is missing in it says little. */
export interface ClearedLately {
  /** Kilometres and warm-ups since the last clear, as the car counts them. */
  km: number | null;
  warmUps: number | null;
  /** Self-checks that have not run since. */
  waiting: number;
}

/** Up to here most self-checks that need special conditions will hardly have run. */
const LATELY = { km: 100, warmUps: 5 } as const;

/** Whether the memory was cleared lately (service 01 readings 31 and 30), as on a car got ready for sale. */
export function clearedLately(standing: Standing): ClearedLately | null {
  const km = valueNow(standing, '31');
  const warmUps = valueNow(standing, '30');
  const waiting = standing.monitors.filter(
    (m) => m.clearedBy === null && m.monitor.span === 'since-clear' && !m.monitor.complete,
  ).length;
  const isLately = km !== null ? km <= LATELY.km : warmUps !== null && warmUps <= LATELY.warmUps;
  return isLately && waiting > 0 ? { km, warmUps, waiting } : null;
}
