export { AREAS, COMPONENTS, type Area, type Component, type ComponentId } from './components.ts';
export {
  areaOfDigits,
  codeEntry,
  describedCodes,
  explainCode,
  scopeOf,
  type Explanation,
} from './explain.ts';
export { FAILURES, type Failure, type FailureId } from './failures.ts';
export type { CodeEntry, Place } from './families.ts';
