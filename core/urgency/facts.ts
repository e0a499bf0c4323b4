import type { CaseState, LampId, LampMode } from '@pincer/core/case';
import { observationOfCode, type ObservationKey } from '@pincer/core/knowledge';
import type { ReadCode, Reading } from '@pincer/core/obd';
import type { Judgement } from '@pincer/core/signals';

/** What the drive allowance looks at. */
export interface UrgencyFacts {
  lamps: ReadonlyMap<LampId, LampMode>;
  observations: ReadonlyMap<string, 'yes' | 'no' | 'unknown'>;
  /** Codes that are failing or failed lately; history is left out, it never worsens anything. */
  activeCodes: readonly ReadCode[];
  activeKeys: ReadonlySet<ObservationKey>;
  reading: Reading | null;
  bulb: CaseState['bulb'];
  judgements: readonly Judgement[];
}

/** Gathers the facts for the rules from the folded log. */
export function urgencyFacts(state: CaseState, judgements: readonly Judgement[]): UrgencyFacts {
  const reading = state.latestReading?.reading ?? null;
  const activeCodes = (reading?.codes ?? []).filter((c) => c.state !== 'history');
  const activeKeys = new Set<ObservationKey>();
  for (const { code } of activeCodes) {
    const found = observationOfCode(code);
    if (found) activeKeys.add(found.key);
  }
  return {
    lamps: new Map([...state.lamps].map(([lamp, { mode }]) => [lamp, mode])),
    observations: new Map([...state.observations].map(([key, { answer }]) => [key, answer])),
    activeCodes,
    activeKeys,
    reading,
    bulb: state.bulb,
    judgements,
  };
}
