export { allowanceWords, driveAllowance, type Allowance, type AllowanceReason } from './allowance.ts';
export { urgencyFacts, type UrgencyFacts } from './facts.ts';
export type { AllowanceLevel, UrgencyRule } from './rule.ts';
export { URGENCY_RULES } from './rules.ts';
export { PRELIMINARY_CHECKS, preliminaryChecks, type PreliminaryCheck } from './preliminary-checks';
