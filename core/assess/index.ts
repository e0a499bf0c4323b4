export { assess, type Assessment } from './assess.ts';
export type { ClosingView } from './closing.ts';
export { codePage, type CodePage } from './code-page.ts';
export { engineOf } from './engine-of.ts';
export { handover, handoverText, type Handover, type Sheet } from './handover.ts';
export { ownerReport } from './owner-report.ts';
export { CODE_STATE_MEANS, codeStateWords, explainFor } from './explain-for.ts';
export { amountOf, type OfferLine, type OfferView } from './offers.ts';
export {
  earlierCases,
  unitsAnswered,
  vehicleHistory,
  type HistoryRow,
  type Spending,
  type VehicleHistory,
} from './history.ts';
export { onBoardTests, type OnBoardTest } from './on-board-tests.ts';
export {
  scanView,
  type LampApart,
  type OpenPart,
  type ScanView,
  type UnitCode,
  type UnitView,
} from './scan-view.ts';
export type { PlanBranch, PlanStep, PlanView } from './plan.ts';
export type { ReturnsView } from './return-facts.ts';
export type { BeforeAfterRow } from './before-after.ts';
export { buyingSheet, buyingView, type BuyingFinding, type BuyingStep, type BuyingView } from './buying.ts';
export { STATIONS, type StationId, type StationView } from './stations.ts';
export {
  frameSentence,
  storedConditions,
  type Recurrence,
  type StoredConditions,
} from './stored-conditions.ts';
export type { Group } from './stories.ts';
export type { Fact } from './told.ts';
export { unitName } from './unit-names.ts';
export type { AcceptedView, CauseView, CheckView, CodeView, ProcedureView, RefutedView } from './views.ts';
export type { WaitingView } from './waiting.ts';
