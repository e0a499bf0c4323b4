import { LAMPS, type CaseState, type LampId, type LampMode, type Owner } from '@pincer/core/case';
import { explainCode, type Explanation } from '@pincer/core/codes';
import { atCylinder, otherCylinder, type Evidence } from '@pincer/core/diagnosis';
import {
  OBSERVATIONS,
  checkById,
  isObservationKey,
  observationKind,
  findingOfCode,
  type ObservationKey,
} from '@pincer/core/knowledge';
import type { CodeState, ReadCode } from '@pincer/core/obd';
import type { Judgement } from '@pincer/core/signals';
import { frameFacts, readingFacts } from './reading-facts.ts';
import { repairFacts } from './repair-facts.ts';
import { acceptedNow, cylindersOf, type AcceptedCode, type Vehicle } from '@pincer/core/vehicle';

/** One line of a jaw: something that the car said or that the owner found. */
export interface Fact {
  id: string;
  side: 'car' | 'owner';
  kind: 'code' | 'frame' | 'reading' | 'observation' | 'check';
  /** The code, for codes. */
  code?: string;
  title: string;
  detail: string;
  /** A reading that makes sense; only with the kind `reading`. */
  isSound?: boolean;
  /** The log entry that it comes from. */
  entry: string | null;
}

export interface FactsAndEvidence {
  facts: Fact[];
  evidence: Evidence[];
  judgements: Judgement[];
  /** Codes that count as failing, once each, the strongest state first; accepted ones are apart. */
  codes: ReadCode[];
  accepted: { code: ReadCode; acceptance: AcceptedCode }[];
}

const STATE_WORDS: Readonly<Record<CodeState, string>> = {
  confirmed: 'confirmed',
  pending: 'pending, failed once so far',
  permanent: 'permanent, only the car can erase it',
  history: 'history, not failing now',
};

const STATE_RANK: Readonly<Record<CodeState, number>> = {
  confirmed: 0,
  permanent: 1,
  pending: 2,
  history: 3,
};

/** Words for a code's state. */
export function codeStateWords(state: CodeState): string {
  return STATE_WORDS[state];
}

/** What a code says, for a vehicle: for its maker's own codes in the words of the owner's list, marked as theirs. */
export function explainFor(code: string, vehicle: Vehicle): Explanation & { isTheirs: boolean } {
  const explanation = explainCode(code);
  const text = explanation.scope === 'maker' ? vehicle.makerCodes?.codes[code] : undefined;
  if (text === undefined) return { ...explanation, isTheirs: false };
  return {
    ...explanation,
    title: text,
    meaning: `So says your list “${vehicle.makerCodes?.name ?? ''}”; nobody here vouches for it. ${explanation.meaning}`,
    isTheirs: true,
  };
}

/** Whether a code keeps the lamp lit: by its status byte where it has one, else by being confirmed with the lamp on. */
export function holdsLamp(statusByte: number | undefined, isConfirmed: boolean, isLampOn: boolean): boolean {
  return statusByte === undefined ? isConfirmed && isLampOn : (statusByte & 0x80) !== 0;
}

/** Each code once over all readings of the case, in its strongest state. */
export function strongestCodes(state: CaseState): { code: ReadCode; entry: string }[] {
  const best = new Map<string, { code: ReadCode; entry: string }>();
  for (const entry of state.scans) {
    for (const code of entry.scan.codes) {
      const known = best.get(code.code);
      if (!known || STATE_RANK[code.state] <= STATE_RANK[known.code.state])
        best.set(code.code, { code, entry: entry.id });
    }
  }
  return [...best.values()].sort(
    (a, b) => STATE_RANK[a.code.state] - STATE_RANK[b.code.state] || a.code.code.localeCompare(b.code.code),
  );
}

/** Turns the folded log into the lines of the two jaws, in the owner's units, and the evidence for the network. */
export function gatherFacts(state: CaseState, vehicle: Vehicle, units: Owner['units']): FactsAndEvidence {
  const out: FactsAndEvidence = { facts: [], evidence: [], judgements: [], codes: [], accepted: [] };
  codeFacts(state, vehicle, out);
  lampFacts(state, out);
  frameFacts(state, vehicle, units, out);
  readingFacts(state, vehicle, out);
  ownerFacts(state, out);
  checkFacts(state, vehicle, out);
  repairFacts(state, vehicle, out);
  return out;
}

function codeFacts(state: CaseState, vehicle: Vehicle, out: FactsAndEvidence): void {
  const lampOn = state.latestReading?.scan.mil?.on ?? false;
  const accepted = acceptedNow(vehicle);
  const seen = new Map<string, string>();
  for (const { code, entry } of strongestCodes(state)) {
    const isActive = code.state !== 'history';
    const acceptance = accepted.get(code.code);
    if (acceptance) {
      // Its reason is known: it speaks neither for a cause nor, by standing there, against one.
      out.accepted.push({ code, acceptance });
      const known = findingOfCode(code.code);
      if (known) seen.set(`${known.key}/${known.cylinder ?? ''}`, 'accepted');
      continue;
    }
    if (isActive) out.codes.push(code);
    const holds = holdsLamp(code.statusByte, code.state === 'confirmed', lampOn)
      ? ' · holds the lamp on'
      : '';
    const id = `code:${code.code}`;
    out.facts.push({
      id,
      side: 'car',
      kind: 'code',
      code: code.code,
      title: explainFor(code.code, vehicle).title,
      detail: `${STATE_WORDS[code.state]}${holds}`,
      entry,
    });
    const found = findingOfCode(code.code);
    if (!found || !isActive) continue;
    const place = `${found.key}/${found.cylinder ?? ''}`;
    if (seen.has(place)) continue;
    seen.set(place, id);
    out.evidence.push({
      kind: 'observation',
      fact: id,
      key: found.key,
      cylinder: found.cylinder,
      isPresent: true,
    });
  }
  absentCodes(state, vehicle, seen, out);
}

/** A code that is not there is evidence only where its self-check has run since the last clear. */
function absentCodes(
  state: CaseState,
  vehicle: Vehicle,
  seen: ReadonlyMap<string, string>,
  out: FactsAndEvidence,
): void {
  const ran = new Set<string>();
  for (const { scan } of state.scans) {
    for (const m of scan.monitors) if (m.span === 'since-clear' && m.complete) ran.add(m.monitor);
  }
  if (ran.size === 0) return;
  for (const key of Object.keys(OBSERVATIONS)) {
    if (!isObservationKey(key)) continue;
    const { monitor } = observationKind(key);
    if (!monitor || !ran.has(monitor) || key === 'code:misfire-other') continue;
    const isPerCylinder =
      key === 'code:misfire-same' || key === 'code:coil-same' || key === 'code:injector-same';
    const places = isPerCylinder ? Array.from({ length: cylindersOf(vehicle) }, (_, i) => i + 1) : [null];
    // "Cylinder 2, and no other" is one fact: the silence of the others belongs to the code that spoke.
    const sibling = isPerCylinder
      ? places.map((c) => seen.get(`${key}/${c ?? ''}`)).find((f) => f !== undefined && f !== 'accepted')
      : undefined;
    for (const cylinder of places) {
      if (seen.has(`${key}/${cylinder ?? ''}`)) continue;
      out.evidence.push({ kind: 'observation', fact: sibling ?? 'absent', key, cylinder, isPresent: false });
    }
  }
  out.facts.push({
    id: 'absent',
    side: 'car',
    kind: 'reading',
    title: 'No other code',
    detail: `though ${ran.size} self-checks have run`,
    entry: state.latestReading?.id ?? null,
  });
}

const LAMP_WORDS: Readonly<Record<LampMode, string>> = {
  steady: 'is lit',
  flashing: 'flashes',
  'now-and-then': 'lights at times',
  out: 'is out',
};

/** Which observation each lamp is; the engine lamp says something only by flashing, its codes say the rest. */
function lampKey(lamp: LampId): ObservationKey | null {
  const key = lamp === 'engine' ? 'lamp:engine-flashing' : `lamp:${lamp}`;
  return isObservationKey(key) ? key : null;
}

/** Lamps that the owner reported, lit or out; one that nobody spoke of is unknown. */
function lampFacts(state: CaseState, out: FactsAndEvidence): void {
  for (const [lamp, { mode, entry }] of state.lamps) {
    const key = lampKey(lamp);
    if (!key) continue;
    const id = `lamp:${lamp}`;
    const isPresent = lamp === 'engine' ? mode === 'flashing' : mode !== 'out';
    if (lamp !== 'engine' || mode !== 'out') {
      const name = /lamp$/.test(LAMPS[lamp]) ? LAMPS[lamp] : `${LAMPS[lamp]} lamp`;
      out.facts.push({
        id,
        side: 'car',
        // A lamp that is out is like a reading that makes sense: it is folded away until it speaks.
        ...(isPresent ? { kind: 'observation' } : { kind: 'reading', isSound: mode === 'out' }),
        title: `${name} ${LAMP_WORDS[mode]}`,
        detail: 'as you saw it at Light',
        entry,
      });
      out.evidence.push({ kind: 'observation', fact: id, key, cylinder: null, isPresent });
    }
  }
}

function ownerFacts(state: CaseState, out: FactsAndEvidence): void {
  for (const [key, { answer, entry }] of state.observations) {
    if (!isObservationKey(key) || answer === 'unknown') continue;
    const kind = observationKind(key);
    const id = `seen:${key}`;
    out.facts.push({
      id,
      side: 'owner',
      kind: 'observation',
      title:
        answer === 'yes' ? kind.title : `Not: ${kind.title.charAt(0).toLowerCase()}${kind.title.slice(1)}`,
      detail: kind.group === 'before' ? 'before it began' : 'told at Light',
      entry,
    });
    out.evidence.push({ kind: 'observation', fact: id, key, cylinder: null, isPresent: answer === 'yes' });
  }
}

function checkFacts(state: CaseState, vehicle: Vehicle, out: FactsAndEvidence): void {
  for (const [instance, { outcome, entry }] of state.checks) {
    const [id = '', place] = instance.split(':');
    const check = checkById(id);
    const cylinder = place === undefined ? null : Number(place);
    const index = check?.outcomes.findIndex((o) => o.id === outcome) ?? -1;
    const found = check?.outcomes[index];
    if (!check || !found) continue;
    const other = cylinder === null ? undefined : otherCylinder(cylinder, cylindersOf(vehicle));
    const fact = `check:${instance}`;
    out.facts.push({
      id: fact,
      side: 'owner',
      kind: 'check',
      title: atCylinder(found.title, cylinder, other),
      detail: atCylinder(check.title, cylinder, other),
      entry,
    });
    out.evidence.push({ kind: 'check', fact, check, cylinder, outcome: index });
  }
}
