export {
  NOTHING_BEFORE,
  RULES,
  andThen,
  verdictsOf,
  judge,
  type Judgement,
  type RuleId,
  type WindowsBefore,
} from './judge.ts';
export {
  DERIVED,
  READINGS,
  READING_KEYS,
  isReadingKey,
  sourcesOfReading,
  numberOf,
  wantedFor,
  type DerivedKey,
  type ReadingKey,
  type StatKey,
} from './readings.ts';
export {
  addSamples,
  channelOf,
  channelSchema,
  addSeries,
  countOf,
  durationOf,
  emptyRecording,
  indexAt,
  keyOfChannel,
  markSchema,
  recordedId,
  samplesOf,
  type Channel,
  type Mark,
  type Recording,
  type Sample,
  type Samples,
} from './recording.ts';
export { isMoving, type Finding, type Verdict } from './rule.ts';
export { failedTests, marginOf, misfireCounts, missingCylinder } from './rules/own-tests.ts';
export { windowsOf } from './segments.ts';
export {
  filling,
  fuelFlow,
  overallRatio,
  tyreRolls,
  usualGear,
  workedFigures,
  type WorkedFigure,
  type WorkedFrom,
} from './worked-figures.ts';
export { speedDensity } from './speed-density.ts';
export { downsample, statOf } from './statistics.ts';
export {
  ENGINE_STATES,
  UNKNOWN_ENGINE,
  engineState,
  meanOf,
  statSchema,
  windowOfFrame,
  windowOfScan,
  windowSchema,
  type EngineFacts,
  type EngineState,
  type Stat,
  type StoredWindow,
  type TestResult,
  type Window,
} from './window.ts';
export { RecordingRows, recordingRows, type RowsReport } from './recording-rows.ts';
export {
  GUIDED_STEPS,
  GuidedWatch,
  offeredFor,
  type GuidedState,
  type GuidedStep,
  type GuidedStepId,
} from './guided.ts';
export { DropOutWatch, responseAt, type DropOut, type Response } from './response.ts';
export { WATCH_FOR, watchList } from './watch-list.ts';
export { expectedBand } from './expected-band.ts';
