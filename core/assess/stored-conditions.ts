import type { CaseState } from '@pincer/core/case';
import { selfCheckOf } from '@pincer/core/knowledge';
import type { FreezeFrame } from '@pincer/core/obd';
import {
  judge,
  meanOf,
  windowOfFrame,
  type Judgement,
  type StoredWindow,
  type Window,
} from '@pincer/core/signals';
import { acceptedNow, type Vehicle } from '@pincer/core/vehicle';
import { engineOf } from './engine-of.ts';

/** Limits between the words; between cold and warm, and between light and high load, nothing is said of causes. */
const COLD = 60;
const WARM = 75;
const HIGH_LOAD = 55;
const LIGHT_LOAD = 35;
const STANDING = 3;
const TOWN = 60;
/** s */
const JUST_STARTED = 120;

/** A circumstance that may recur, and how much of ordinary use has it. */
interface Circumstance {
  id: 'cold' | 'load' | 'idle' | 'moving-slowly' | 'fast' | 'just-started';
  title: string;
  holds: (w: StoredWindow) => boolean | null;
  /** Share of ordinary driving time, where neither recordings nor usual trips are known. */
  usual: number;
}

const mean = (w: StoredWindow, key: string): number | null => w.stats[key]?.mean ?? null;

const CIRCUMSTANCES: readonly Circumstance[] = [
  {
    id: 'cold',
    title: 'the engine is cold',
    usual: 0.3,
    holds: (w) => between(mean(w, 'coolant'), COLD, WARM, true),
  },
  {
    id: 'load',
    title: 'the engine is under load',
    usual: 0.25,
    holds: (w) => between(mean(w, 'load'), LIGHT_LOAD, HIGH_LOAD, false),
  },
  {
    id: 'idle',
    title: 'it idles',
    usual: 0.2,
    holds: (w) => {
      const [speed, rpm] = [mean(w, 'speed'), mean(w, 'engineSpeed')];
      return speed === null || rpm === null ? null : speed <= STANDING && rpm < 1_800;
    },
  },
  {
    id: 'moving-slowly',
    title: 'it moves slowly',
    usual: 0.4,
    holds: (w) => {
      const speed = mean(w, 'speed');
      return speed === null ? null : speed > STANDING && speed <= TOWN;
    },
  },
  {
    id: 'fast',
    title: 'it is driven fast',
    usual: 0.35,
    holds: (w) => (mean(w, 'speed') === null ? null : (mean(w, 'speed') ?? 0) > TOWN),
  },
  {
    id: 'just-started',
    title: 'it has just been started',
    usual: 0.08,
    holds: (w) => (mean(w, 'runTime') === null ? null : (mean(w, 'runTime') ?? 0) <= JUST_STARTED),
  },
];

/** Below the lower limit, above the upper one, or between them unknown. */
function between(value: number | null, low: number, high: number, isBelow: boolean): boolean | null {
  if (value === null || (value >= low && value <= high)) return null;
  return isBelow ? value < low : value > high;
}

export interface Recurrence {
  id: Circumstance['id'];
  title: string;
  /** In how many of how many occurrences it held. */
  held: number;
  of: number;
  /** Share of the time in which the code's self-check runs that has it, and where that is known from. */
  usual: number;
  usualFrom: 'recordings' | 'trips' | 'guess';
  /** Chance of as many by accident (binomial tail). */
  byAccident: number;
  /** `always` only when the data bear it. */
  word: 'always' | 'mostly' | 'more often than usual' | 'too few to say' | 'no more than usual';
}

export interface StoredConditions {
  code: string | null;
  entry: string;
  /** "Warm, in traffic, light load, 38 km/h, 5 minutes after the start." */
  sentence: string;
  /** For the picture; null where not stored. */
  coolantC: number | null;
  loadPercent: number | null;
  speedKmh: number | null;
  engineSpeedRpm: number | null;
  runTimeSeconds: number | null;
  /** What cannot be, or is not as it should be, among the stored values. */
  odd: Judgement[];
  /** Different occurrences in this case. */
  occurrences: number;
  recurring: Recurrence[];
}

function warmthWord(coolant: number): string {
  if (coolant < 40) return 'cold';
  return coolant < WARM ? 'half warm' : 'warm';
}

function placeWord(speed: number, rpm: number): string {
  if (speed > STANDING) return speed <= TOWN ? 'in traffic' : 'on the open road';
  if (rpm < 40) return 'standing, engine off';
  return rpm < 1_800 ? 'idling' : 'stationary, revving';
}

function loadWord(load: number): string {
  if (load > HIGH_LOAD) return 'high load';
  return load < LIGHT_LOAD ? 'light load' : 'medium load';
}

const sinceStart = (seconds: number): string =>
  seconds < 90
    ? `${Math.round(seconds)} seconds after the start`
    : `${Math.round(seconds / 60)} minutes after the start`;

/** The stored moment in one sentence, its speed tagged for the owner's units. */
export function frameSentence(w: StoredWindow): string {
  const speed = mean(w, 'speed');
  const rpm = mean(w, 'engineSpeed') ?? 0;
  const coolant = mean(w, 'coolant');
  const load = mean(w, 'load');
  const run = mean(w, 'runTime');
  const parts = [
    coolant === null || coolant <= -38 ? null : warmthWord(coolant),
    speed === null ? null : placeWord(speed, rpm),
    load === null ? null : loadWord(load),
    speed === null || speed <= STANDING ? null : `{${Math.round(speed)} km/h}`,
    rpm < 40 ? null : `${Math.round(rpm).toLocaleString('en-GB')} rpm`,
    run === null ? null : sinceStart(run),
  ].filter((p) => p !== null);
  const text = parts.join(', ');
  return text === ''
    ? 'No useful conditions were stored.'
    : `${text.charAt(0).toUpperCase()}${text.slice(1)}.`;
}

/** P(at least k of n) when each has the chance p. */
export function atLeast(k: number, n: number, p: number): number {
  let tail = 0;
  for (let i = k; i <= n; i++) {
    let ways = 1;
    for (let j = 0; j < i; j++) ways *= (n - j) / (j + 1);
    tail += ways * p ** i * (1 - p) ** (n - i);
  }
  return Math.min(1, tail);
}

/** So seldom by accident that the data bear a word; the level of all circumstances together (Holm 1979, Scand J Statist 6). */
const BORNE = 0.05;
/** Moments below which no share means anything. */
const FEW = 3;

/** When the self-check of a code does not run, nothing of its kind can be stored: that time is no base rate. */
function runsIn(code: string | null, w: StoredWindow): boolean {
  const warmth = code === null ? undefined : selfCheckOf(code)?.warmth;
  const coolant = mean(w, 'coolant');
  if (warmth === undefined || coolant === null) return true;
  return warmth === 'warm' ? coolant >= COLD : coolant < WARM;
}

/** Share of the time of a self-check that runs warm, or cold, only: what is cold then is cold always, or never. */
const LEAST_SHARE = 0.02;
const MOST_SHARE = 0.95;
function shareWhileItRuns(code: string | null, id: Circumstance['id'], usual: number): number {
  const warmth = code === null ? undefined : selfCheckOf(code)?.warmth;
  if (id !== 'cold' && id !== 'just-started') return usual;
  return warmth === 'warm' ? LEAST_SHARE : warmth === 'cold' && id === 'cold' ? MOST_SHARE : usual;
}

/** Share of the recorded running time in which a circumstance holds; null without a quarter of an hour of it. */
function shareOfRecordings(state: CaseState, c: Circumstance, code: string | null): number | null {
  const windows = state.recordings
    .flatMap((r) => r.windows)
    .filter((w) => w.state !== 'key-on' && w.state !== 'cranking' && runsIn(code, w));
  let known = 0;
  let held = 0;
  for (const w of windows) {
    const holds = c.holds(w);
    if (holds === null) continue;
    known += w.seconds;
    if (holds) held += w.seconds;
  }
  return known < 900 ? null : Math.min(0.95, Math.max(0.02, held / known));
}

/** Minutes until an engine is warm on a usual trip. */
const WARM_AFTER = 10;

/** The same from the owner's usual trips: their minutes say how long it is cold, their roads how fast it goes. */
function shareOfTrips({ usualTrips = [] }: Vehicle, id: Circumstance['id']): number | null {
  const total = usualTrips.reduce((s, t) => s + t.minutes * t.perWeek, 0);
  if (total === 0) return null;
  const share = (of: (t: (typeof usualTrips)[number]) => number) =>
    Math.min(0.95, Math.max(0.02, usualTrips.reduce((s, t) => s + of(t) * t.perWeek, 0) / total));
  switch (id) {
    case 'cold':
      return share((t) => Math.min(WARM_AFTER, t.minutes));
    case 'just-started':
      return share((t) => Math.min(JUST_STARTED / 60, t.minutes));
    case 'fast':
      return share((t) => (t.road === 'town' ? 0 : t.minutes * 0.8));
    case 'moving-slowly':
      return share((t) => (t.road === 'town' ? t.minutes * 0.75 : t.minutes * 0.2));
    case 'idle':
      return share((t) => (t.road === 'town' ? t.minutes * 0.25 : t.minutes * 0.05));
    case 'load':
      return null;
  }
}

function recurrenceOf(
  c: Circumstance,
  windows: readonly Window[],
  state: CaseState,
  vehicle: Vehicle,
  code: string | null,
): Omit<Recurrence, 'word'> | null {
  const known = windows.map((w) => c.holds(w)).filter((h) => h !== null);
  const held = known.filter(Boolean).length;
  if (held === 0) return null;
  const recorded = shareOfRecordings(state, c, code);
  const trips = shareOfTrips(vehicle, c.id);
  const usual = recorded ?? shareWhileItRuns(code, c.id, trips ?? c.usual);
  const byAccident = atLeast(held, known.length, usual);
  return {
    id: c.id,
    title: c.title,
    held,
    of: known.length,
    usual,
    usualFrom: recorded !== null ? 'recordings' : trips !== null ? 'trips' : 'guess',
    byAccident,
  };
}

/**
 * What may be said of each: several circumstances looked at at once are several chances of an accident, so that the
 * seldomest has to stand out among all of them, the next among the others, and so on.
 */
function withWords(found: readonly Omit<Recurrence, 'word'>[]): Recurrence[] {
  const tried = found.filter((r) => r.of >= FEW).sort((a, b) => a.byAccident - b.byAccident);
  const failsAt = tried.findIndex((r, n) => r.byAccident > BORNE / (tried.length - n));
  const borne = new Set(failsAt === -1 ? tried : tried.slice(0, failsAt));
  return found.map((r) => ({ ...r, word: wordOf(r, borne.has(r)) }));
}

function wordOf({ held, of }: Omit<Recurrence, 'word'>, isBorne: boolean): Recurrence['word'] {
  if (of < FEW) return 'too few to say';
  if (!isBorne) return 'no more than usual';
  if (held === of) return 'always';
  return held > of / 2 ? 'mostly' : 'more often than usual';
}

/**
 * Every stored moment of the case that is not of an accepted code, once each: reading again is no new occurrence. What
 * was erased since still happened: it counts for what recurs.
 * @param counts whether what an entry told belongs to the present episode.
 */
export function occurrences(
  state: CaseState,
  vehicle: Vehicle,
  counts: (entry: string) => boolean = () => true,
): { frame: FreezeFrame; entry: string }[] {
  const accepted = acceptedNow(vehicle);
  const seen = new Map<string, { frame: FreezeFrame; entry: string }>();
  for (const r of state.scans) {
    if (!counts(r.id)) continue;
    for (const frame of r.scan.freezeFrames) {
      if (frame.values.length === 0 || (frame.code !== null && accepted.has(frame.code))) continue;
      // One moment may be stored with two codes: it happened once.
      const key = JSON.stringify([frame.unit, frame.values.map((v) => [v.pid, v.part, v.value])]);
      if (!seen.has(key)) seen.set(key, { frame, entry: r.id });
    }
  }
  return [...seen.values()];
}

/** The latest stored moment told, what is odd in it, and what recurs over all of them; null when none is stored. */
export function storedConditions(
  state: CaseState,
  vehicle: Vehicle,
  counts: (entry: string) => boolean = () => true,
): StoredConditions | null {
  const all = occurrences(state, vehicle, counts);
  const last = all.at(-1);
  if (!last) return null;
  const engine = engineOf(vehicle);
  const windows = all.map(({ frame }) => windowOfFrame(frame, engine));
  const window = windows.at(-1);
  if (!window) return null;
  return {
    code: last.frame.code,
    entry: last.entry,
    sentence: frameSentence(window),
    coolantC: meanOf(window, 'coolant'),
    loadPercent: meanOf(window, 'load'),
    speedKmh: meanOf(window, 'speed'),
    engineSpeedRpm: meanOf(window, 'engineSpeed'),
    runTimeSeconds: meanOf(window, 'runTime'),
    odd: judge([window]).filter((j) => j.verdict === 'odd' || j.verdict === 'impossible'),
    occurrences: all.length,
    recurring: withWords(
      CIRCUMSTANCES.flatMap((c) => recurrenceOf(c, windows, state, vehicle, last.frame.code) ?? []),
    ),
  };
}

/** What the stored moment is as evidence: cold, loaded, idling; null where it lies between. */
export function circumstanceOf(window: StoredWindow): Record<'cold' | 'load' | 'idle', boolean | null> {
  const of = (id: Circumstance['id']) => CIRCUMSTANCES.find((c) => c.id === id)?.holds(window) ?? null;
  return { cold: of('cold'), load: of('load'), idle: of('idle') };
}
