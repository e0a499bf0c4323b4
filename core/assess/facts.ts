import { LAMPS, type CaseState, type LampId, type LampMode } from '@pincer/core/case';
import { explainCode, type Explanation } from '@pincer/core/codes';
import { atCylinder, otherCylinder, type Evidence } from '@pincer/core/diagnosis';
import {
  OBSERVATIONS,
  checkById,
  isObservationKey,
  observationKind,
  observationOfCode,
  type ObservationKey,
} from '@pincer/core/knowledge';
import type { CodeState, ReadCode } from '@pincer/core/obd';
import {
  judge,
  snapshotOf,
  snapshotOfFrame,
  type Judgement,
  type RuleId,
  type Snapshot,
} from '@pincer/core/signals';
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

/** Each code once over all readings of the case, in its strongest state. */
export function strongestCodes(state: CaseState): { code: ReadCode; entry: string }[] {
  const best = new Map<string, { code: ReadCode; entry: string }>();
  for (const entry of state.readings) {
    for (const code of entry.reading.codes) {
      const known = best.get(code.code);
      if (!known || STATE_RANK[code.state] <= STATE_RANK[known.code.state])
        best.set(code.code, { code, entry: entry.id });
    }
  }
  return [...best.values()].sort(
    (a, b) => STATE_RANK[a.code.state] - STATE_RANK[b.code.state] || a.code.code.localeCompare(b.code.code),
  );
}

/** Turns the folded log into the lines of the two jaws and the evidence for the network. */
export function gatherFacts(state: CaseState, vehicle: Vehicle): FactsAndEvidence {
  const out: FactsAndEvidence = { facts: [], evidence: [], judgements: [], codes: [], accepted: [] };
  codeFacts(state, vehicle, out);
  lampFacts(state, out);
  frameFacts(state, vehicle, out);
  readingFacts(state, vehicle, out);
  ownerFacts(state, out);
  checkFacts(state, vehicle, out);
  repairFacts(state, vehicle, out);
  return out;
}

function codeFacts(state: CaseState, vehicle: Vehicle, out: FactsAndEvidence): void {
  const lampOn = state.latestReading?.reading.lamp?.on ?? false;
  const accepted = acceptedNow(vehicle);
  const seen = new Map<string, string>();
  for (const { code, entry } of strongestCodes(state)) {
    const isActive = code.state !== 'history';
    const acceptance = accepted.get(code.code);
    if (acceptance) {
      // Its reason is known: it speaks neither for a cause nor, by standing there, against one.
      out.accepted.push({ code, acceptance });
      const known = observationOfCode(code.code);
      if (known) seen.set(`${known.key}/${known.cylinder ?? ''}`, 'accepted');
      continue;
    }
    if (isActive) out.codes.push(code);
    const holds = code.state === 'confirmed' && lampOn ? ' · holds the lamp on' : '';
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
    const found = observationOfCode(code.code);
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
  for (const { reading } of state.readings) {
    for (const m of reading.monitors) if (m.span === 'since-clear' && m.complete) ran.add(m.monitor);
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

/** Limits for the stored conditions; between them nothing is said. */
const FRAME = { cold: 60, warm: 75, highLoad: 55, lowLoad: 35, idleSpeed: 1200 } as const;

function frameFacts(state: CaseState, vehicle: Vehicle, out: FactsAndEvidence): void {
  const accepted = acceptedNow(vehicle);
  const frames = state.readings.flatMap((r) =>
    r.reading.frozen
      .filter((f) => f.values.length > 0 && !(f.code !== null && accepted.has(f.code)))
      .map((frame) => ({ frame, entry: r.id })),
  );
  const last = frames.at(-1);
  if (!last) return;
  const shots = frames.map(({ frame }) => snapshotOfFrame(frame, vehicle.displacement ?? null));
  const shot = shots.at(-1);
  if (!shot) return;
  const kind = frameKind(shot);
  const same = shots.filter((s) => JSON.stringify(frameKind(s)) === JSON.stringify(kind)).length;
  const words = [
    kind.cold === null ? null : kind.cold ? 'cold' : 'warm',
    shot.load === null ? null : `${Math.round(shot.load)} % load`,
    shot.engineSpeed === null ? null : `${Math.round(shot.engineSpeed).toLocaleString('en-GB')} rpm`,
    shot.speed === null ? null : shot.speed > 3 ? `${Math.round(shot.speed)} km/h` : 'standing',
  ].filter((w) => w !== null);
  const id = 'frame';
  out.facts.push({
    id,
    side: 'car',
    kind: 'frame',
    title: `Stored: ${words.join(', ')}`,
    detail: `${last.frame.code ? `with ${last.frame.code}` : 'when the code was set'}${shots.length > 1 ? ` · ${same === shots.length ? 'the same each time' : `alike in ${same} of ${shots.length}`}` : ''}`,
    entry: last.entry,
  });
  const add = (key: ObservationKey, value: boolean | null) => {
    if (value !== null)
      out.evidence.push({ kind: 'observation', fact: id, key, cylinder: null, isPresent: value });
  };
  add('frame:cold', kind.cold);
  add('frame:load', kind.load);
  add('frame:idle', kind.idle);
}

function frameKind(s: Snapshot): { cold: boolean | null; load: boolean | null; idle: boolean | null } {
  return {
    cold: s.coolant === null ? null : s.coolant < FRAME.cold ? true : s.coolant > FRAME.warm ? false : null,
    load: s.load === null ? null : s.load > FRAME.highLoad ? true : s.load < FRAME.lowLoad ? false : null,
    idle: s.speed === null || s.engineSpeed === null ? null : s.speed <= 3 && s.engineSpeed < FRAME.idleSpeed,
  };
}

/** Which observation a rule's verdict is. */
const RULE_OBSERVATION: Partial<Record<RuleId, ObservationKey>> = {
  'intake-temperature-rail': 'reading:intake-temperature-rail',
  'coolant-temperature-rail': 'reading:coolant-temperature-rail',
  'air-flow-dead': 'reading:air-flow-dead',
  'manifold-idle': 'reading:manifold-pressure-high',
  charging: 'reading:charging-low',
  'battery-rest': 'reading:battery-low',
  'warm-up': 'reading:runs-cold',
};

function observationsOf(j: Judgement, s: Snapshot): { key: ObservationKey; isPresent: boolean }[] {
  const isOdd = j.verdict !== 'sound';
  if (j.rule === 'trims-idle' || j.rule === 'trims-load') {
    const sum = (s.shortTrim ?? 0) + (s.longTrim ?? 0);
    const lean: ObservationKey = j.rule === 'trims-idle' ? 'reading:lean-idle' : 'reading:lean-load';
    return [
      { key: lean, isPresent: isOdd && sum > 0 },
      { key: 'reading:rich', isPresent: isOdd && sum < 0 },
    ];
  }
  if (j.rule === 'air-flow-fits') {
    // Too low only; a flow above what is possible has no cause in the library.
    const isLow = isOdd && (s.airFlow ?? 0) < (s.engineSpeed ?? 0) * 0.1;
    return [{ key: 'reading:air-flow-low', isPresent: isLow }];
  }
  const key = RULE_OBSERVATION[j.rule];
  return key ? [{ key, isPresent: isOdd }] : [];
}

function readingFacts(state: CaseState, vehicle: Vehicle, out: FactsAndEvidence): void {
  const latest = state.latestReading;
  if (!latest) return;
  const judged = new Set<ObservationKey>();
  // The newest verdict on each matter counts; an older reading in another engine state still speaks.
  for (const entry of [...state.readings].reverse()) {
    const shot = snapshotOf(entry.reading, vehicle.displacement ?? null);
    const judgements = judge(shot);
    if (entry === latest) out.judgements = judgements;
    for (const j of judgements) {
      if (j.verdict === 'not-judged') continue;
      const keys = observationsOf(j, shot).filter((o) => !judged.has(o.key));
      if (keys.length === 0) continue;
      const id = `rule:${j.rule}`;
      if (!out.facts.some((f) => f.id === id)) {
        out.facts.push({
          id,
          side: 'car',
          kind: 'reading',
          title: j.verdict === 'sound' ? `${j.title}: yes` : `${j.title}: no`,
          detail: `${j.measured}; expected ${j.expected}`,
          isSound: j.verdict === 'sound',
          entry: entry.id,
        });
      }
      for (const { key, isPresent } of keys) {
        judged.add(key);
        out.evidence.push({ kind: 'observation', fact: id, key, cylinder: null, isPresent });
      }
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
