export { dayOfDrives, drivePlan, type DrivePlan, type ExtraDrive, type PlannedTrip } from './drive-plan.ts';
export { ENABLING, tripServes, type Enabling } from './enabling.ts';
export {
  INSPECTION_RULES,
  INSPECTION_RULE_IDS,
  ruleOf,
  type InspectionRule,
  type InspectionRuleId,
} from './rules.ts';
export { inspectionView, type InspectionReason, type InspectionView, type OpenCheck } from './verdict.ts';
