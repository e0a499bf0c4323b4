export {
  PROVEN,
  SHOWS_PER_TRIP,
  goneAfter,
  goneGiven,
  lampStaysOut,
  lastClear,
  proofBasis,
  proofView,
  tripsUntil,
  type ProofView,
  type ProofWay,
} from './after-clear.ts';
export type { FadingCode } from './fading.ts';
export type { OwnProof } from './own-proof.ts';
export { cameBackAfter, placesOf } from './came-back.ts';
export {
  CLEAR_START,
  PERMIT_MS,
  clearStep,
  type ClearBasis,
  type ClearEffect,
  type ClearEvent,
  type ClearState,
  type ClearStep,
  type ClearedSoFar,
  type ShutReason,
} from './clear-guard.ts';
export { sendClear, type ClearOutcome } from './clearing.ts';
export type { ClearPermit, ClearTarget, ClearableUnit } from './permit.ts';
export {
  clearOrder,
  unitClears,
  type UnitClear,
  type UnitClearResult,
  type UnitToClear,
} from './unit-clears.ts';
export { faultReturns, type FaultReturn, type ReturnMoment } from './returns.ts';
export { counterChecks, type CounterCheck } from './counters.ts';
export { recordedDrives, type RecordedDrive } from './recorded-drives.ts';
