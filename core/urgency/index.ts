export { allowanceWords, driveAllowance, type Allowance, type AllowanceReason } from './allowance.ts';
export { urgencyFacts, type UrgencyFacts } from './facts.ts';
export { URGENCY_RULES, type AllowanceLevel, type UrgencyRule } from './rules.ts';
export { FIRST_THINGS, firstThings, type FirstThing } from './first-things.ts';
