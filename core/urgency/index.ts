export { allowanceWords, driveAllowance, type Allowance, type AllowanceReason } from './allowance.ts';
export { factsOfCodes, urgencyFacts, type UrgencyFacts, type UrgencyKnown } from './facts.ts';
export { ALLOWANCE_LEVELS, levelRank, type AllowanceLevel, type UrgencyRule } from './rule.ts';
export { untilThen, type UntilThen } from './until-then.ts';
export { URGENCY_RULES } from './rules.ts';
export { PRELIMINARY_CHECKS, preliminaryChecks, type PreliminaryCheck } from './preliminary-checks.ts';
