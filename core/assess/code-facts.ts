import type { CaseState, Standing } from '@pincer/core/case';
import type { Evidence } from '@pincer/core/diagnosis';
import { OBSERVATIONS, findingOfCode, isObservationKey, observationKind } from '@pincer/core/knowledge';
import { isStandardAnswerId, type ReadCode } from '@pincer/core/obd';
import { lastClear } from '@pincer/core/proof';
import { acceptedNow, cylindersOf, type AcceptedCode, type Vehicle } from '@pincer/core/vehicle';
import { byState, codeStateWords, explainFor, holdsLamp } from './explain-for.ts';
import type { Fact, Told } from './told.ts';

/** A code as it stands: there now, or erased and in what way it is still held in mind. */
export interface StandingCode {
  code: ReadCode;
  entry: string;
  /** `now`: read and there. `cleared`: erased, not read since. `watched`: erased, read since, and not there. */
  presence: 'now' | 'cleared' | 'watched';
}

/** Each code once, in its strongest state and by its surest word; the strongest first. */
function onceEach(codes: readonly StandingCode[]): StandingCode[] {
  const best = new Map<string, StandingCode>();
  const rank = { now: 0, cleared: 1, watched: 2 } as const;
  for (const c of codes) {
    const known = best.get(c.code.code);
    const isStronger =
      known === undefined ||
      rank[c.presence] < rank[known.presence] ||
      (c.presence === known.presence && byState(c.code.state, known.code.state) <= 0);
    if (isStronger) best.set(c.code.code, c);
  }
  return [...best.values()].sort(
    (a, b) => byState(a.code.state, b.code.state) || a.code.code.localeCompare(b.code.code),
  );
}

/** Codes that are there, or were erased without having been read again. */
export function codesNow({ codes }: Standing): StandingCode[] {
  return onceEach(
    codes.map(({ code, word, clearedBy }) => ({
      code,
      entry: word.entry,
      presence: clearedBy === null ? 'now' : 'cleared',
    })),
  );
}

/** The same with the codes of the last clear that have not been seen since: they are watched until it is proven. */
function codesInMind(state: CaseState, isOver: boolean): StandingCode[] {
  const erased = isOver ? [] : (lastClear(state)?.erased ?? []);
  return onceEach([
    ...codesNow(state.standing),
    ...erased.map(({ code, word }) => ({ code, entry: word.entry, presence: 'watched' as const })),
  ]);
}

const PRESENCE_WORDS = {
  now: '',
  cleared: ' · cleared, not read since',
  watched: ' · cleared, not seen since',
} as const;

/** Whether a unit that asks for a light asks for one of its own: the engine's is that of the standard's units. */
const isOwnLight = (unit: string): boolean => /^[0-9A-F]{3}$|^18DA/.test(unit) && !isStandardAnswerId(unit);

/** What the codes tell. */
export interface CodesTold extends Told {
  /** Codes that count as failing, once each, the strongest state first; accepted ones are apart. */
  codes: readonly ReadCode[];
  accepted: readonly { code: ReadCode; acceptance: AcceptedCode }[];
}

/**
 * Codes as lines and as evidence.
 * @param healed codes that are stored yet and proven to be over without a clear: they count as history.
 * @param isOver whether the episode before the last clear is proven to be over: what was erased then speaks no more.
 */
export function codeFacts(
  state: CaseState,
  vehicle: Vehicle,
  isOver: boolean,
  healed: ReadonlySet<string> = new Set(),
): CodesTold {
  const isLampOn = state.standing.mils.some((m) => m.clearedBy === null && m.mil.on);
  const acceptedCodes = acceptedNow(vehicle);
  const facts: Fact[] = [];
  const evidence: Evidence[] = [];
  const codes: ReadCode[] = [];
  const accepted: { code: ReadCode; acceptance: AcceptedCode }[] = [];
  /** By place of a finding, the fact that told it. */
  const seen = new Map<string, string>();
  for (const { code: stored, entry, presence } of codesInMind(state, isOver)) {
    const code: ReadCode =
      stored.state === 'confirmed' && healed.has(stored.code) ? { ...stored, state: 'history' } : stored;
    const isActive = code.state !== 'history';
    const found = findingOfCode(code.code);
    const place = found ? `${found.key}/${found.cylinder ?? ''}` : null;
    const acceptance = acceptedCodes.get(code.code);
    if (acceptance) {
      // Its reason is known: it speaks neither for a cause nor, by standing there, against one.
      if (presence !== 'watched') accepted.push({ code, acceptance });
      if (place) seen.set(place, 'accepted');
      continue;
    }
    if (isActive && presence !== 'watched') codes.push(code);
    const holds =
      presence === 'now' && holdsLamp(code.statusByte, code.state === 'confirmed', isLampOn)
        ? ` · keeps ${isOwnLight(code.unit) ? 'its warning' : 'the engine'} light on`
        : '';
    const id = `code:${code.code}`;
    facts.push({
      id,
      side: 'car',
      kind: 'code',
      code: code.code,
      title: explainFor(code.code, vehicle).title,
      detail: `${codeStateWords(code.state)}${holds}${PRESENCE_WORDS[presence]}`,
      entry,
    });
    if (!found || !place || !isActive || seen.has(place)) continue;
    seen.set(place, id);
    evidence.push({
      kind: 'observation',
      fact: id,
      key: found.key,
      cylinder: found.cylinder,
      isPresent: true,
      ...(code.state === 'permanent' ? { isPast: true as const } : {}),
    });
  }
  const absent = absentCodes(state.standing, vehicle, seen);
  return {
    facts: [...facts, ...absent.facts],
    evidence: [...evidence, ...absent.evidence],
    codes,
    accepted,
  };
}

/** A code that is not there is evidence only where its self-check has run since the last clear. */
function absentCodes(standing: Standing, vehicle: Vehicle, seen: ReadonlyMap<string, string>): Told {
  const ran = standing.monitors.filter(
    ({ monitor, clearedBy }) => clearedBy === null && monitor.span === 'since-clear' && monitor.complete,
  );
  const monitors = new Set(ran.map((m) => m.monitor.monitor));
  if (monitors.size === 0) return { facts: [], evidence: [] };
  const evidence: Evidence[] = [];
  for (const key of Object.keys(OBSERVATIONS)) {
    if (!isObservationKey(key)) continue;
    const { monitor } = observationKind(key);
    if (!monitor || !monitors.has(monitor) || key === 'code:misfire-other') continue;
    const isPerCylinder =
      key === 'code:misfire-same' || key === 'code:coil-same' || key === 'code:injector-same';
    const places = isPerCylinder ? Array.from({ length: cylindersOf(vehicle) }, (_, i) => i + 1) : [null];
    // "Cylinder 2, and no other" is one fact: the silence of the others belongs to the code that spoke.
    const sibling = isPerCylinder
      ? places.map((c) => seen.get(`${key}/${c ?? ''}`)).find((f) => f !== undefined && f !== 'accepted')
      : undefined;
    for (const cylinder of places) {
      if (seen.has(`${key}/${cylinder ?? ''}`)) continue;
      evidence.push({ kind: 'observation', fact: sibling ?? 'absent', key, cylinder, isPresent: false });
    }
  }
  return {
    facts: [
      {
        id: 'absent',
        side: 'car',
        kind: 'reading',
        title: 'No other code',
        detail: `though ${monitors.size} self-checks have run`,
        entry: ran.at(-1)?.word.entry ?? null,
      },
    ],
    evidence,
  };
}
