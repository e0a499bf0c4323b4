import type { CaseState } from '@pincer/core/case';
import type { Evidence } from '@pincer/core/diagnosis';
import type { ObservationKey } from '@pincer/core/knowledge';
import {
  NOTHING_BEFORE,
  andThen,
  verdictsOf,
  judge,
  missingCylinder,
  windowOfFrame,
  windowOfScan,
  type Judgement,
  type RuleId,
  type Window,
  type WindowsBefore,
} from '@pincer/core/signals';
import type { Vehicle } from '@pincer/core/vehicle';
import { engineOf } from './engine-of.ts';
import { circumstanceOf, occurrences, storedConditions } from './stored-conditions.ts';
import type { Fact, Told } from './told.ts';

/**
 * The stored conditions as one fact, and the evidence that they are.
 * @param counts whether what an entry told belongs to the present episode.
 */
export function frameFacts(state: CaseState, vehicle: Vehicle, counts: (entry: string) => boolean): Told {
  const stored = storedConditions(state, vehicle, counts);
  const frame = occurrences(state, vehicle, counts).at(-1)?.frame;
  if (!stored || !frame) return { facts: [], evidence: [] };
  const id = 'frame';
  const always = stored.recurring.filter((r) => r.word === 'always').map((r) => r.title);
  const again =
    stored.occurrences === 1
      ? ''
      : always.length > 0
        ? ` · always when ${always.join(' and ')}, ${stored.occurrences} times`
        : ` · stored ${stored.occurrences} times`;
  const fact: Fact = {
    id,
    side: 'car',
    kind: 'frame',
    title: `Stored: ${stored.sentence.charAt(0).toLowerCase()}${stored.sentence.slice(1, -1)}`,
    detail: `${stored.code ? `with ${stored.code}` : 'when the code was set'}${again}`,
    entry: stored.entry,
  };
  const kind = circumstanceOf(windowOfFrame(frame, engineOf(vehicle)));
  const evidence = (['cold', 'load', 'idle'] as const).flatMap((what): Evidence[] => {
    const isPresent = kind[what];
    return isPresent === null
      ? []
      : [{ kind: 'observation', fact: id, key: `frame:${what}`, cylinder: null, isPresent }];
  });
  return { facts: [fact], evidence };
}

/** Which observation a rule's verdict is; by its side where both sides mean something. */
const RULE_OBSERVATION: Partial<
  Record<RuleId, ObservationKey | { high?: ObservationKey; low?: ObservationKey }>
> = {
  'intake-temperature-rail': 'reading:intake-temperature-rail',
  'coolant-temperature-rail': 'reading:coolant-temperature-rail',
  'oil-temperature-rail': 'reading:oil-rail',
  'outside-temperature-rail': 'reading:outside-rail',
  soak: 'reading:coolant-soak',
  'soak-oil': 'reading:oil-soak',
  'soak-outside': 'reading:intake-soak',
  'warm-up': 'reading:runs-cold',
  'coolant-hot': 'reading:hot',
  'air-flow-dead': 'reading:air-flow-dead',
  'air-flow-fits': { low: 'reading:air-flow-low', high: 'reading:air-flow-high' },
  'manifold-key-on': 'reading:pressure-off',
  'air-pressure-possible': 'reading:pressure-off',
  'manifold-idle': { high: 'reading:manifold-pressure-high' },
  'manifold-raised': { high: 'reading:manifold-pressure-high' },
  'manifold-follows': 'reading:pressure-stuck',
  'manifold-alive': 'reading:pressure-stuck',
  'trims-compared': { high: 'reading:lean-idle', low: 'reading:lean-load' },
  'trims-idle': { high: 'reading:lean-idle', low: 'reading:rich' },
  'trims-load': { high: 'reading:lean-load', low: 'reading:rich' },
  'rail-follows': { low: 'reading:rail-low' },
  charging: 'reading:charging-low',
  'charging-raised': 'reading:charging-low',
  overcharging: 'reading:overcharging',
  'charging-steady': 'reading:charging-swings',
  'battery-rest': 'reading:battery-low',
  'cranking-dip': 'reading:battery-low',
  'pedal-tracks': 'reading:pedal-tracks',
  'throttle-follows': 'reading:throttle-lags',
  'front-oxygen-swings': 'reading:oxygen-lazy',
  'front-oxygen-range': 'reading:oxygen-lazy',
  'rear-oxygen-steady': 'reading:catalyst-active',
  'catalyst-heat': 'reading:catalyst-hot',
  'boost-follows': { low: 'reading:boost-low', high: 'reading:boost-high' },
  'egr-follows': 'reading:egr-off',
  'egr-error': 'reading:egr-off',
  'filter-pressure': { high: 'reading:filter-full', low: 'reading:filter-empty' },
  'filter-soot': { high: 'reading:ash', low: 'reading:filter-empty' },
  'filter-zero': 'reading:filter-zero',
  'glow-command': 'reading:glow-off',
  'glow-current': 'reading:glow-dead',
};

/** Every observation that a rule can make. */
function keysOf(rule: RuleId): ObservationKey[] {
  const found = RULE_OBSERVATION[rule];
  if (found === undefined) return [];
  return typeof found === 'string' ? [found] : [found.high, found.low].filter((k) => k !== undefined);
}

/** Rules whose "sound" says nothing: both states may be corrected alike and much. */
const ONLY_ODD_SPEAKS: ReadonlySet<RuleId> = new Set(['trims-compared']);

function observationsOf(j: Judgement): { key: ObservationKey; isPresent: boolean }[] {
  // It may be either: it says nothing, and takes nothing back that was found before.
  if (j.verdict === 'borderline') return [];
  const isOdd = j.verdict !== 'sound';
  const found = RULE_OBSERVATION[j.rule];
  if (found === undefined || (!isOdd && ONLY_ODD_SPEAKS.has(j.rule))) return [];
  if (typeof found === 'string') return [{ key: found, isPresent: isOdd }];
  return (['high', 'low'] as const).flatMap((side) => {
    const key = found[side];
    return key ? [{ key, isPresent: isOdd && j.side === side }] : [];
  });
}

interface Source {
  entry: string;
  windows: Window[];
  before: WindowsBefore;
}

/**
 * Readings and recordings in the order of the log, as windows, each with what the vehicle showed before in the same
 * condition: since the last repair or clear.
 */
export function sourcesOf(state: CaseState, vehicle: Vehicle): Source[] {
  const engine = engineOf(vehicle);
  const sources: Source[] = [];
  let before = NOTHING_BEFORE;
  for (const e of state.entries) {
    if (e.kind === 'repair' || e.kind === 'clear') before = NOTHING_BEFORE;
    if (e.kind !== 'scan' && e.kind !== 'recording') continue;
    const windows =
      e.kind === 'scan'
        ? [windowOfScan(e.scan, engine)]
        : e.windows.map((w) => ({ ...w, engine, tests: [] }));
    sources.push({ entry: e.id, windows, before });
    before = andThen(before, windows);
  }
  return sources;
}

/** Verdicts on readings, with what they tell. */
export interface ReadingsTold extends Told {
  /** The newest verdict of each rule, as it is shown. */
  judgements: readonly Judgement[];
  /** The newest of each that decides: one that is borderline takes nothing back that was found before it. */
  decided: readonly Judgement[];
}

/**
 * Verdicts on scans and recordings as facts and evidence. The newest verdict on each matter counts; an older one
 * taken in another engine state still speaks. The verdicts themselves stay, whatever is over: what was measured last is
 * known until it is measured again.
 * @param counts whether what an entry told belongs to the present episode.
 */
export function readingFacts(
  state: CaseState,
  vehicle: Vehicle,
  counts: (entry: string) => boolean,
): ReadingsTold {
  const sources = sourcesOf(state, vehicle);
  /** Rules of which nothing older can tell anything more. */
  const settled = new Set<RuleId>();
  const seen = new Set<ObservationKey>();
  const newest = new Map<RuleId, Judgement>();
  const decided = new Map<RuleId, Judgement>();
  const facts = new Map<string, Fact>();
  const evidence: Evidence[] = [];
  for (const { entry, windows, before: shownBefore } of sources.reverse()) {
    // The newest says of each rule whether it can be judged at all; of older ones only what they found counts.
    const found =
      newest.size === 0
        ? judge(windows, shownBefore)
        : verdictsOf(windows, shownBefore, (r) => !settled.has(r));
    for (const j of found) {
      const before = newest.get(j.rule);
      if (!before || before.verdict === 'not-judged') newest.set(j.rule, j);
      const was = decided.get(j.rule)?.verdict ?? 'not-judged';
      if (was === 'not-judged' || (was === 'borderline' && j.verdict !== 'not-judged'))
        decided.set(j.rule, j);
      if (j.verdict === 'not-judged' || !counts(entry)) continue;
      const keys = observationsOf(j).filter((o) => !seen.has(o.key));
      for (const { key } of keys) seen.add(key);
      if (keysOf(j.rule).every((k) => seen.has(k))) settled.add(j.rule);
      if (keys.length === 0) continue;
      const id = `rule:${j.rule}`;
      if (!facts.has(id))
        facts.set(id, {
          id,
          side: 'car',
          kind: 'reading',
          title: j.verdict === 'sound' ? `${j.title}: yes` : `${j.title}: no`,
          detail: `${j.measured}; expected ${j.expected}`,
          isSound: j.verdict === 'sound',
          entry,
        });
      for (const { key, isPresent } of keys)
        evidence.push({ kind: 'observation', fact: id, key, cylinder: null, isPresent });
    }
    const misfire = counts(entry) && !facts.has(MISFIRE_COUNTS) ? misfireFact(entry, windows) : null;
    if (!misfire) continue;
    facts.set(MISFIRE_COUNTS, misfire.fact);
    evidence.push(misfire.evidence);
  }
  return {
    facts: [...facts.values()],
    evidence,
    judgements: [...newest.values()],
    decided: [...decided.values()],
  };
}

const MISFIRE_COUNTS = 'rule:misfire-counts';

/** A cylinder whose counted misfires stand out; that none does says nothing, for it may miss at other times. */
function misfireFact(entry: string, windows: readonly Window[]): { fact: Fact; evidence: Evidence } | null {
  const cylinder = missingCylinder(windows.flatMap((w) => w.tests));
  if (cylinder === null) return null;
  return {
    fact: {
      id: MISFIRE_COUNTS,
      side: 'car',
      kind: 'reading',
      title: `Cylinder ${cylinder} misfires more than the others`,
      detail: 'counted by the control unit, this trip or the last',
      isSound: false,
      entry,
    },
    evidence: {
      kind: 'observation',
      fact: MISFIRE_COUNTS,
      key: 'reading:misfire-same',
      cylinder,
      isPresent: true,
    },
  };
}
