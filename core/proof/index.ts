export {
  SHOWS_PER_TRIP,
  goneAfter,
  goneGiven,
  lampStaysOut,
  lastClear,
  proofView,
  tripsUntil,
  type ProofView,
} from './after-clear.ts';
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
