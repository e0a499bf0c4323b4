import type { Area, ComponentId, FailureId } from '@pincer/core/codes';
import type { FindingId, ObservationKey } from '@pincer/core/knowledge';
import type { LampId } from '@pincer/core/case';
import type { UrgencyFacts } from './facts.ts';

/** A lamp is lit, in whatever way. */
export const lit = (lamp: LampId) => (f: UrgencyFacts) => {
  const mode = f.lamps.get(lamp);
  return mode !== undefined && mode !== 'out';
};
/** The engine lamp is lit and does not flash. */
export const steady = (f: UrgencyFacts) => {
  const mode = f.lamps.get('engine');
  return mode === 'steady' || mode === 'now-and-then';
};
/** The owner said yes to it. */
export const yes = (key: ObservationKey) => (f: UrgencyFacts) => f.observations.get(key) === 'yes';
/** One of these was found to be so, by whatever way. */
export const found =
  (...ids: FindingId[]) =>
  (f: UrgencyFacts) =>
    ids.some((id) => f.findings.has(id));
/** A failing code of one of these observations. */
export const code =
  (...keys: ObservationKey[]) =>
  (f: UrgencyFacts) =>
    keys.some((k) => f.activeKeys.has(k));
/** The same, without the codes that the owner knows and accepts. */
export const newCode =
  (...keys: ObservationKey[]) =>
  (f: UrgencyFacts) =>
    keys.some((k) => f.newKeys.has(k));
/** Failing codes of these areas; those of a gentle rule leave the accepted ones out. */
export const inArea =
  (...areas: Area[]) =>
  (f: UrgencyFacts) =>
    f.entries.some((e) => areas.includes(e.area));
export const newInArea =
  (...areas: Area[]) =>
  (f: UrgencyFacts) =>
    f.entries.some((e) => e.isNew && areas.includes(e.area));
/** A failing code on one of these parts. */
export const onPart =
  (...parts: ComponentId[]) =>
  (f: UrgencyFacts) =>
    f.entries.some((e) => parts.includes(e.component));
/** A failing code on this part that fails in one of these ways. */
export const partFailing =
  (part: ComponentId, ...failures: FailureId[]) =>
  (f: UrgencyFacts) =>
    f.entries.some((e) => e.component === part && failures.includes(e.failure));
/** A code of an area that fails in one of these ways. */
export const failing =
  (area: Area, ...failures: FailureId[]) =>
  (f: UrgencyFacts) =>
    f.entries.some((e) => e.area === area && failures.includes(e.failure));
/** The particulate filter is full of this: soot burns off on a long drive, ash stays. */
export const filterFullOf = (what: 'soot' | 'ash') => (f: UrgencyFacts) =>
  f.entries.some((e) => e.area === 'particulate' && e.failure === 'full' && e.place.label === what);
/** The voltage with the engine running is what a charging system gives. What was not measured does not hold. */
export const chargesNow = (f: UrgencyFacts): boolean =>
  f.judgements.some((j) => j.rule === 'charging' && j.verdict === 'sound');
export const MISFIRE = ['code:misfire-same', 'code:misfire-several'] as const;
