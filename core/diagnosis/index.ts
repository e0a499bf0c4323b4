export {
  ERRAND_MINUTES,
  SHOP_SUCCESS,
  WELL_DONE,
  checkCost,
  helpAt,
  helpOf,
  missingToolCost,
  ownTime,
  planMinutes,
  repairCost,
  repairPlan,
  shopPrice,
  withoutSpent,
  workshopCost,
  VERIFY_MINUTES,
  type Help,
  type PlannedRepair,
  type RepairPlan,
} from './costs.ts';
export { likelihood, outcomeChances, type Evidence } from './evidence.ts';
export { atCylinder, otherCylinder } from './cylinders.ts';
export { instancesFor, strengthOf, strengthsOf, type CauseInstance } from './instances.ts';
export { CHECK_WORTH_IT, rankChecks, type CheckOutlook } from './next-check.ts';
export { causesOf, type Hypotheses } from './hypothesis.ts';
export { quietOf, type Quiet, type QuietKind, type QuietNow } from './quiet.ts';
export { PRIOR_SHARES, evidenceRatios, posteriorOf, type Posterior } from './posterior.ts';
export { experienceFactor, withExperience, type OwnKnowledge } from './experience.ts';
