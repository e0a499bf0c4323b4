export { AREA_FACTS, type AreaFacts } from './areas.ts';
export { COMPONENTS, type ComponentId } from './components.ts';
export { KNOWN_FAILURE_TYPES, failureTypeWords } from './failure-types.ts';
export { GLOSSARY, type GlossaryEntry } from './glossary.ts';
export { readMakerList, type MakerListResult } from './maker-list.ts';
export { AREAS, type Area, type Component } from './part.ts';
export {
  SYSTEMS,
  areaOfDigits,
  codeEntry,
  describedCodes,
  explainCode,
  namesOf,
  scopeOf,
  type Explanation,
} from './explain.ts';
export { FAILURES, type Failure, type FailureId } from './failures.ts';
export { doesOf, sawOf } from './meaning.ts';
export type { CodeEntry, Place } from './entry.ts';
