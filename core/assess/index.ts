export {
  assess,
  type Assessment,
  type CauseView,
  type CheckView,
  type CodeView,
  type Group,
  type ProcedureView,
} from './assess.ts';
export { codeStateWords, compareVin, type Fact } from './facts.ts';
export { STATIONS, type StationId, type StationView } from './stations.ts';
