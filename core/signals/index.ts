export { RULES, judge, speedDensity, type Judgement, type RuleId, type Verdict } from './rules.ts';
export { snapshotOf, snapshotOfFrame, type EngineState, type Snapshot } from './snapshot.ts';
