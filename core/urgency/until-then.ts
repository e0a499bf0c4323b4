import type { Allowance } from './allowance.ts';
import type { AllowanceLevel } from './rule.ts';

/** What lowers the risk until it is fixed, and when to look again. */
export interface UntilThen {
  /** What the deciding reasons ask for; what a longer road would allow is left out. */
  dos: string[];
  /** What ends the wait at once. */
  stopIf: string[];
  /** When to look again, in words. */
  again: string;
  /** The same in days; null where it is not driven before. */
  days: number | null;
}

/** When to look again by how far it may be driven. Judged: twice as often as the shortest time in which such faults grow. */
const AGAIN: Readonly<Record<AllowanceLevel, Pick<UntilThen, 'again' | 'days'>>> = {
  'stop-here': { again: 'Look again before the engine is started.', days: null },
  'safe-place': { again: 'Look again before it leaves the safe place.', days: null },
  'short-trips': {
    again: 'Look at the dashboard and under the vehicle before each trip, and read again within three days.',
    days: 3,
  },
  'some-weeks': { again: 'Read again in two weeks, and before any long trip.', days: 14 },
  'no-limit': { again: 'Read again in three months, or when a light comes on.', days: 90 },
};

const STOP_IF: readonly string[] = [
  'the engine light flashes, or a red light comes on',
  'the temperature rises above its usual place',
  'it smokes, smells of fuel or makes a new noise',
];

/** What to do and to watch until it is fixed, from the reasons that hold now. */
export function untilThen({ level, reasons }: Allowance): UntilThen {
  return {
    dos: [...new Set(reasons.filter((r) => r.isDeciding).map((r) => r.then))],
    // Where it should stand, the deciding reason itself says how it is moved.
    stopIf: level === 'stop-here' || level === 'safe-place' ? [] : [...STOP_IF],
    ...AGAIN[level],
  };
}
