export { interpretLines, type AnswerLine, type Interpretation } from './answers.ts';
export { ByteQueue } from './byte-queue.ts';
export {
  decodeCandump,
  decodeFileText,
  isEmptyReading,
  isNothingFound,
  looksLikeCandump,
} from './decode-file.ts';
export { faultInLine, type LinkFault, type LinkFaultCode } from './faults.ts';
export { AdapterPort, type Reply } from './port.ts';
export {
  clearCodes,
  connect,
  takeReading,
  type ClearPermit,
  type ConnectResult,
  type Connection,
  type ReadProgress,
  type ReadResult,
} from './session.ts';
export { decodeSavedSession, isCanProtocol, protocolName } from './saved-session.ts';
export { asciiBytes, asciiOf, type CancelSignal, type Clock, type Transport } from './transport.ts';
export { faultWords, type FaultWords } from './words.ts';
