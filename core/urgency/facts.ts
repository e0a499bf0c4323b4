import type { CaseState, LampId, LampMode } from '@pincer/core/case';
import { COMPONENTS, codeEntry, type Area, type CodeEntry } from '@pincer/core/codes';
import { findingOfCode, type ObservationKey } from '@pincer/core/knowledge';
import type { ReadCode, Scan } from '@pincer/core/obd';
import type { Judgement } from '@pincer/core/signals';

/** What the drive allowance looks at. */
export interface UrgencyFacts {
  lamps: ReadonlyMap<LampId, LampMode>;
  /** Lit lamps that come in more than one colour and that the owner saw in red. */
  redLamps: ReadonlySet<LampId>;
  observations: ReadonlyMap<string, 'yes' | 'no' | 'unknown'>;
  /** Codes that are failing or failed lately; history is left out, it never worsens anything. */
  activeCodes: readonly ReadCode[];
  activeKeys: ReadonlySet<ObservationKey>;
  /** The same without the codes that the owner knows and accepts. */
  newCodes: readonly ReadCode[];
  newKeys: ReadonlySet<ObservationKey>;
  /** Structure of the failing codes that the catalogue describes, with their area; accepted ones included. */
  entries: readonly (CodeEntry & { area: Area; isNew: boolean })[];
  reading: Scan | null;
  bulb: CaseState['bulb'];
  judgements: readonly Judgement[];
}

function keysOf(codes: readonly ReadCode[]): Set<ObservationKey> {
  return new Set(codes.flatMap(({ code }) => findingOfCode(code)?.key ?? []));
}

/**
 * Gathers the facts for the rules from the folded log.
 * @param accepted codes with a known reason. They no longer shorten the road by being there, but what is dangerous
 *   stays dangerous.
 */
export function urgencyFacts(
  state: CaseState,
  judgements: readonly Judgement[],
  accepted: ReadonlySet<string> = new Set(),
): UrgencyFacts {
  const reading = state.latestReading?.scan ?? null;
  const activeCodes = (reading?.codes ?? []).filter((c) => c.state !== 'history');
  const newCodes = activeCodes.filter((c) => !accepted.has(c.code));
  return {
    lamps: new Map([...state.lamps].map(([lamp, { mode }]) => [lamp, mode])),
    redLamps: new Set(
      [...state.lamps].flatMap(([lamp, { mode, colour }]) =>
        mode !== 'out' && colour === 'red' ? [lamp] : [],
      ),
    ),
    observations: new Map([...state.observations].map(([key, { answer }]) => [key, answer])),
    activeCodes,
    activeKeys: keysOf(activeCodes),
    newCodes,
    newKeys: keysOf(newCodes),
    entries: activeCodes.flatMap(({ code }) => {
      const entry = codeEntry(code);
      return entry ? [{ ...entry, area: COMPONENTS[entry.component].area, isNew: !accepted.has(code) }] : [];
    }),
    reading,
    bulb: state.bulb,
    judgements,
  };
}
