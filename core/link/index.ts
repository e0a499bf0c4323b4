export { interpretLines, type AnswerLine, type Interpretation } from './answers.ts';
export { BRIDGE_REFUSALS, RefusedByBridge, bridgeRefusal, type BridgeCloseCode } from './bridge-refusal.ts';
export { ByteQueue } from './byte-queue.ts';
export {
  decodeCandump,
  decodeFileText,
  isEmptyScan,
  isNothingFound,
  looksLikeCandump,
} from './decode-file.ts';
export { narrowFailure, stepSentence, type KnownFailure, type NarrowedFailure } from './failure.ts';
export {
  FAILURE_CAUSES,
  FAILURE_STEPS,
  LINK_KINDS,
  failureSign,
  type FailureCauseId,
  type FailureSign,
  type FailureStep,
  type LinkKind,
} from './failure-table.ts';
export { faultInLine, type LinkFault, type LinkFaultCode } from './faults.ts';
export { AdapterPort, type Reply } from './port.ts';
export { addressAll, addressUnit, type ReachableUnit } from './addressing.ts';
export { SEARCH_MS, connect, type ConnectResult, type Connection, type ReadProgress } from './connection.ts';
export {
  SEARCH_MIN_VOLTS,
  SEARCH_SERVICES,
  findUnits,
  type SearchEnd,
  type UnitSearch,
} from './find-units.ts';
export { RESUME_WITHIN_MS, resumeScan, takeScan, type ScanResult } from './full-scan.ts';
export { sampleReadings, type Pace, type SamplerOptions, type TimedValue, type Wanted } from './sampler.ts';
export { decodeSavedSession, protocolName } from './saved-session.ts';
export { asciiBytes, asciiOf, type CancelSignal, type Clock, type Transport } from './transport.ts';
export { identifyCar, identityOf, isSameCar, type CarIdentity } from './identity.ts';
export { sendRequest, type Heard } from './request.ts';
export { faultWords, type FaultWords } from './words.ts';
export { CandumpValues, type CandumpReport } from './recording-from-candump.ts';
