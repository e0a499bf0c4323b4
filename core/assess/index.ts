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
  readingView,
  unitName,
  type ClearedLately,
  type ReadingView,
  type UnitCode,
  type UnitView,
} from './reading-view.ts';
export { STATIONS, type StationId, type StationView } from './stations.ts';
export { engineOf } from './engine-of.ts';
export {
  frameSentence,
  storedConditions,
  type Recurrence,
  type StoredConditions,
} from './stored-conditions.ts';
export { testViews, type TestView } from './test-views.ts';
