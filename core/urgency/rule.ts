import type { UrgencyFacts } from './facts.ts';

/** How far it may still be driven, the shortest road first. */
export const ALLOWANCE_LEVELS = ['stop-here', 'safe-place', 'short-trips', 'some-weeks', 'no-limit'] as const;
export type AllowanceLevel = (typeof ALLOWANCE_LEVELS)[number];

/** Place of a level in that order, 0 the shortest road. */
export const levelRank = (level: AllowanceLevel): number => ALLOWANCE_LEVELS.indexOf(level);

/** The shorter of two roads. */
export const shorter = (a: AllowanceLevel, b: AllowanceLevel): AllowanceLevel =>
  levelRank(b) < levelRank(a) ? b : a;

export interface UrgencyRule {
  id: string;
  /** The furthest that may be driven while this rule holds. */
  level: AllowanceLevel;
  holds: (facts: UrgencyFacts) => boolean;
  /** The deciding fact, as a headline with its reason. */
  because: string;
  /** What to do now. */
  then: string;
  /** The next minute, step by step; every rule that stops the car has it. */
  minute?: readonly string[];
  /** Whom to call when that does not settle it. */
  call?: string;
  /** Completes: Would be "..." once ... */
  once: string;
  /** Where this rule stands for something unknown: the most that knowing it may promise. */
  atMost?: AllowanceLevel;
}
