import { DERIVED, READING_KEYS, derive, type DerivedKey, type ReadingKey, type StatKey } from './readings.ts';
import { indexAt, samplesOf, durationOf, type Recording, type Samples } from './recording.ts';
import { statOf } from './statistics.ts';
import { engineState, type EngineFacts, type EngineState, type Stat, type Window } from './window.ts';

/** A state that is left again sooner belongs to what is around it, s. */
const SHORTEST = 1;
/** Left out at either end of a longer window, s: what follows late still shows the state before. */
const SETTLES = 0.6;
const LONG = 4;
/** How many windows of a recording are kept, the longest. */
const MAX_WINDOWS = 40;

interface Segment {
  state: EngineState;
  from: number;
  to: number;
}

/** Latest value not after a time, or null. */
function valueAt(samples: Samples | null, at: number): number | null {
  if (!samples) return null;
  const i = indexAt(samples.times, at);
  return i < 0 ? null : (samples.values[i] ?? null);
}

/** Stretches of one engine state, told from engine speed, vehicle speed, coolant and load. */
function segmentsOf(recording: Recording, engine: EngineFacts): Segment[] {
  const rpm = samplesOf(recording, 'engineSpeed');
  const end = durationOf(recording);
  if (!rpm) return end > 0 ? [{ state: 'unknown', from: 0, to: end }] : [];
  const others = {
    speed: samplesOf(recording, 'speed'),
    coolant: samplesOf(recording, 'coolant'),
    load: samplesOf(recording, 'load'),
  };
  const raw: Segment[] = [];
  rpm.times.forEach((at, i) => {
    const state = engineState(
      {
        engineSpeed: rpm.values[i] ?? null,
        speed: valueAt(others.speed, at),
        coolant: valueAt(others.coolant, at),
        load: valueAt(others.load, at),
      },
      engine,
    );
    const last = raw.at(-1);
    if (last?.state === state) last.to = at;
    else {
      if (last) last.to = at;
      raw.push({ state, from: i === 0 ? 0 : at, to: at });
    }
  });
  const last = raw.at(-1);
  if (last) last.to = end;
  const merged: Segment[] = [];
  for (const s of raw) {
    const before = merged.at(-1);
    // Cranking is short by its nature; anything else so short is a flicker between two states.
    const isFlicker = s.state !== 'cranking' && s.to - s.from < SHORTEST;
    if (before && (isFlicker || before.state === s.state)) before.to = s.to;
    else merged.push({ ...s });
  }
  return merged;
}

/** A derived reading: both of its readings where either was sampled, the other one as it last was. */
function derivedSamples(recording: Recording, key: DerivedKey): Samples | null {
  const [a, b] = DERIVED[key].of.map((k) => samplesOf(recording, k));
  if (!a || !b) return null;
  const out: Samples = { times: [], values: [] };
  a.times.forEach((at, i) => {
    const other = valueAt(b, at);
    const value = other === null ? null : derive(key, a.values[i] ?? 0, other);
    if (value === null) return;
    out.times.push(at);
    out.values.push(value);
  });
  return out.times.length > 0 ? out : null;
}

/** What rules judge of a recording: its windows, in the order of time, with each reading's statistics. */
export function windowsOf(recording: Recording, engine: EngineFacts): Window[] {
  const samples = new Map<StatKey, Samples>();
  const put = (key: StatKey, s: Samples | null) => {
    if (s) samples.set(key, s);
  };
  READING_KEYS.forEach((key: ReadingKey) => put(key, samplesOf(recording, key)));
  (Object.keys(DERIVED) as DerivedKey[]).forEach((key) => put(key, derivedSamples(recording, key)));
  const segments = segmentsOf(recording, engine);
  const kept = new Set([...segments].sort((a, b) => b.to - b.from - (a.to - a.from)).slice(0, MAX_WINDOWS));
  return segments
    .filter((s) => kept.has(s) && s.to > s.from)
    .map(({ state, from: begins, to: ends }) => {
      const isLong = ends - begins >= LONG;
      const [from, to] = isLong ? [begins + SETTLES, ends - SETTLES] : [begins, ends];
      const stats: Partial<Record<StatKey, Stat>> = {};
      for (const [key, { times, values }] of samples) {
        const first = indexAt(times, from - 1e-9) + 1;
        const last = indexAt(times, to - 1e-9);
        // What is asked for seldom may not fall into the window; as it last was it still holds.
        const start = last < first && last >= 0 ? last : first;
        const stat = statOf(values, start, last, to - from);
        if (stat) stats[key] = stat;
      }
      return { state, seconds: ends - begins, stats, engine, tests: [] };
    });
}
