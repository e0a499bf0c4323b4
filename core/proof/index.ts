export { SHOWS_PER_TRIP, goneAfter, proofView, tripsUntil, type ProofView } from './after-clear.ts';
export { cameBackAfter } from './came-back.ts';
export {
  CLEAR_START,
  clearStep,
  type ClearEffect,
  type ClearEvent,
  type ClearState,
  type ClearStep,
  type ClearableUnit,
  type ClearedSoFar,
} from './clear-guard.ts';
