export {
  assess,
  type AcceptedView,
  type Assessment,
  type CauseView,
  type CheckView,
  type CodeView,
  type Group,
  type ProcedureView,
} from './assess.ts';
export { codePage, type CodePage } from './code-page.ts';
export { codeStateWords, explainFor, type Fact } from './facts.ts';
export {
  scanView,
  unitName,
  type ClearedLately,
  type ScanView,
  type UnitCode,
  type UnitView,
} from './scan-view';
export { STATIONS, type StationId, type StationView } from './stations.ts';
export { engineOf } from './engine-of.ts';
export {
  frameSentence,
  storedConditions,
  type Recurrence,
  type StoredConditions,
} from './stored-conditions.ts';
export { onBoardTests, type OnBoardTest } from './on-board-tests';
