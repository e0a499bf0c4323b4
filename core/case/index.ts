export {
  importProblemWords,
  readCaseData,
  readCaseFile,
  writeCaseFile,
  type ImportProblem,
  type ImportResult,
} from './case-file.ts';
export {
  CLEARED_BY,
  LAMPS,
  LAMP_COLOUR,
  LAMP_COLOURS,
  LAMP_MODES,
  LAMP_MODE_WORDS,
  NOT_DONE,
  NOT_DONE_WORDS,
  REPAIRED_BY,
  entrySchema,
  type Answered,
  type ClearedBy,
  type Entry,
  type EntryOf,
  type LampColour,
  type LampId,
  type LampMode,
  type NotDone,
  type RepairedBy,
} from './entries.ts';
export { lampsOf } from './lamps-of.ts';
export { foldCase, type CaseState } from './fold.ts';
export { addEntry, closingOf, mergeEntries, wasRead } from './log.ts';
export { inOrder, referencesOf, stampAfter } from './order.ts';
export {
  engineLightOf,
  isStandardUnit,
  openParts,
  partKey,
  partStanding,
  scanOf,
  standingOf,
  lastValue,
  valueNow,
  type Boundary,
  type ClearStanding,
  type ClearWay,
  type Held,
  type How,
  type LampSeen,
  type ObservationSeen,
  type OwnPrice,
  type PartStanding,
  type PartStatus,
  type Standing,
  type Word,
} from './standing.ts';
export { mergePlan, sameContent, type MergePlan } from './merging.ts';
export { MIGRATIONS, assertMigrations, migrate, type Migration } from './migrations.ts';
export {
  WHOLE_LISTS,
  findInText,
  isFullByHand,
  isNothingInText,
  scanOfFindings,
  type FoundCode,
  type FoundMonitor,
  type FoundValue,
  type PastedFindings,
  type WholeList,
} from './pasted-text.ts';
export {
  READER_CHECKS,
  READER_VALUES,
  readerNumber,
  type ReaderCheck,
  type ReaderValue,
} from './reader-abbreviations.ts';
export { READER_WORDS, stateInLine, stateOfWord } from './reader-words.ts';
export {
  CURRENT_VERSION,
  DEFAULT_OWNER,
  caseFileSchema,
  OCCASIONS,
  caseSchema,
  ownerSchema,
  type CaseFile,
  type CaseRecord,
  type Occasion,
  type Owner,
} from './record.ts';
export { readEntry, readRecord, type ReadRecord } from './stored.ts';
export { unreadParts } from './unread.ts';
export { lampOn, type LampOn } from './lamp-on.ts';
export { clearedLately, type ClearedLately } from './cleared-lately.ts';
export { lessonOf, type Lesson } from './lesson.ts';
export { ownerOf } from './owner-of.ts';
export { REGIONS, inRegion, type Region } from './regions.ts';
export { withoutPersonalData } from './without-personal-data.ts';
