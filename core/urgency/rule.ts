import type { UrgencyFacts } from './facts.ts';

/** 0 stop here, 1 only to a safe place, 2 short trips, 3 some weeks, 4 no limit. */
export type AllowanceLevel = 0 | 1 | 2 | 3 | 4;

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
