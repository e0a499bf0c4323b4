export { asciiText, fromHex, hexByte, signed, toHex, uintAt } from './bytes.ts';
export { formatCandumpLine, parseCandumpLine, type CandumpLine } from './candump.ts';
export {
  IsoTpAssembler,
  Padding,
  splitIsoTp,
  type AssembledMessage,
  type AssemblyFault,
  type CanFrame,
} from './isotp.ts';
export {
  crcChecksum,
  decodeLegacy,
  encodeLegacy,
  hasLegacyHeader,
  sumChecksum,
  type LegacyMessage,
} from './legacy.ts';
export type { Answer } from './answer.ts';
export { LAMP_RULES } from './lamp-rules.ts';
export { ScanBuilder, codeListProblem, negativeResponseText } from './messages.ts';
export {
  MONITOR_NAMES,
  decodeMonitorBytes,
  encodeMonitorBytes,
  type MonitorBytes,
  type MonitorId,
} from './monitors.ts';
export {
  decodeParameter,
  encodeParameter,
  isSupportPid,
  parameterLength,
  parameterName,
  supportBitmap,
  supportedPids,
} from './parameters.ts';
export type { Parameter } from './parameter-shape.ts';
export { PARAMETERS } from './parameter-table.ts';
export {
  CODE_STATES,
  COUNTER_PIDS,
  NO_SOURCE,
  SCAN_PARTS,
  currentNumber,
  emptyScan,
  readCodeSchema,
  milOf,
  partOfValue,
  partsHeld,
  scanSchema,
  type CodeState,
  type Mil,
  type PartRead,
  type PartState,
  type ScanPart,
  type FreezeFrame,
  type MonitorStatus,
  type ReadCode,
  type ReadError,
  type ReadValue,
  type Scan,
  type StoredRecord,
} from './scan.ts';
export { decodeOlderCodes, encodeOlderCodes, statusFromOlder, type OlderCode } from './older-units.ts';
export { decodeConditions, decodeExtended, encodeConditions } from './stored-records.ts';
export type { FoundUnit, UnitLanguage } from './found-unit.ts';
export { RESTATED_PIDS, STATING_PIDS, restated } from './stated-scaling.ts';
export { TROUBLE_CODE, TROUBLE_CODE_IN_TEXT, decodeTroubleCode, encodeTroubleCode } from './trouble-code.ts';
export {
  STATUS_BITS,
  decodeDtcByStatus,
  encodeDtcByStatus,
  stateOfStatus,
  statusBits,
  statusWords,
  type StatusBit,
  type StatusCode,
} from './uds.ts';
export { round, scaleTestValue } from './unit-scaling.ts';
export { isStandardAnswerId } from './unit-ids.ts';
export {
  NEWER_GROUP,
  NEWER_REQUESTS,
  decodeNewerCodes,
  encodeNewerCodes,
  fromNewerAnswer,
  fromNewerRequest,
  toNewerAnswer,
  toNewerRequest,
} from './newer-cars.ts';
