export { findingOfCode } from './code-keys.ts';
export { NOT_FITTED, notFitted } from './fitted.ts';
export { CAUTIONS, type CautionId } from './cautions.ts';
export { CAUSES, CHECKS, causeById, checkById } from './library.ts';
export {
  CHANGES_NOTHING,
  FINDINGS,
  FINDING_OF_OUTCOME,
  FINDING_OF_SIGN,
  READ_OFF,
  type FindingId,
} from './findings.ts';
export {
  OBSERVATIONS,
  OWNER_OBSERVATIONS,
  isObservationKey,
  observationKind,
  type ObservationKey,
} from './observations.ts';
export { MEASUREMENTS } from './measurements.ts';
export {
  PROCEDURES,
  askFor,
  cautionsOf,
  procedureOf,
  type LookedUpUnit,
  type Procedure,
  type ProcedureStep,
} from './procedures/index.ts';
export { selfCheckOf, type RunsWithin, type SelfCheck } from './self-checks.ts';
export {
  SYSTEMS,
  TOOLS,
  TOOL_PRICES,
  type Cause,
  type Check,
  type CheckOutcome,
  type Repair,
  type ToolId,
} from './types.ts';
export { FROM_THE_SEAT } from './sheltered.ts';
export { HAS_MOVED, SWAPS, type Swap } from './swaps.ts';
export { RETIRED_CHECKS } from './systems/retired-checks.ts';
