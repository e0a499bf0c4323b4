import * as z from 'zod/mini';
import type { ReadValue } from '@pincer/core/obd';
import { READING_KEYS, numberOf, sourcesOfReading, type ReadingKey, type Source } from './readings.ts';

export const channelSchema = z.object({
  /** `0C`, or `14/voltage` for a part; with the control unit in front where it is not the engine's: `7E9:0C`. */
  id: z.string().check(z.minLength(1)),
  name: z.string().check(z.minLength(1)),
  unit: z.string(),
});
/** One reading over time. */
export type Channel = z.infer<typeof channelSchema>;

export const markSchema = z.object({
  /** Seconds from the start. */
  at: z.number().check(z.minimum(0)),
  text: z.string(),
});
export type Mark = z.infer<typeof markSchema>;

/** Samples of one channel; both lists have the same length, times rise. */
export interface Samples {
  /** Seconds from the start. */
  times: number[];
  values: number[];
}

/** Readings over time, each at its own rate. */
export interface Recording {
  /** ISO 8601. */
  startedAt: string;
  channels: Channel[];
  samples: Record<string, Samples>;
  marks: Mark[];
}

/** One value at one moment, as the sampler gives it. */
export interface Sample {
  /** Seconds from the start. */
  at: number;
  channel: Channel;
  value: number;
}

export function emptyRecording(startedAt: string): Recording {
  // No prototype: a column may be called `constructor`.
  return {
    startedAt,
    channels: [],
    samples: Object.create(null) as Recording['samples'],
    marks: [],
  };
}

/** Adds samples to a recording in place, for it may be long; a time not after the channel's last is left out. */
export function addSamples(recording: Recording, samples: readonly Sample[]): { leftOut: number } {
  let leftOut = 0;
  for (const { at, channel, value } of samples) {
    let list = recording.samples[channel.id];
    if (!list) {
      list = { times: [], values: [] };
      recording.samples[channel.id] = list;
      recording.channels.push(channel);
    }
    const last = list.times.at(-1);
    if (last !== undefined && at <= last) {
      leftOut++;
      continue;
    }
    list.times.push(at);
    list.values.push(value);
  }
  return { leftOut };
}

/** Adds many samples of one channel, as {@link addSamples} does, without an object for each. */
export function addSeries(
  recording: Recording,
  channel: Channel,
  times: ArrayLike<number>,
  values: ArrayLike<number>,
): void {
  let list = recording.samples[channel.id];
  if (!list) {
    list = { times: [], values: [] };
    recording.samples[channel.id] = list;
    recording.channels.push(channel);
  }
  let last = list.times.at(-1) ?? -Infinity;
  for (let i = 0; i < times.length; i++) {
    const at = times[i];
    const value = values[i];
    if (at === undefined || value === undefined || at <= last) continue;
    list.times.push(at);
    list.values.push(value);
    last = at;
  }
}

/** Seconds from the start to the last sample. */
export function durationOf(recording: Recording): number {
  return Math.max(0, ...Object.values(recording.samples).map((s) => s.times.at(-1) ?? 0));
}

/** Samples of all channels together. */
export function countOf(recording: Recording): number {
  return Object.values(recording.samples).reduce((n, s) => n + s.times.length, 0);
}

const channelId = (pid: string, part?: string): string => (part === undefined ? pid : `${pid}/${part}`);

/** The engine's control unit on CAN and on the older protocols; others keep their id in front of the channel's. */
const ENGINE_UNITS: ReadonlySet<string> = new Set(['7E8', '10', 'unknown']);

/** Whether a value came from the engine's own control unit; 29-bit ids end in its address 10. */
export function isEngineUnit(source: string): boolean {
  return ENGINE_UNITS.has(source) || /^18DAF110$/.test(source);
}

/** The channel of a service 01 value, or null for what is not a number. */
export function channelOf(value: ReadValue): Channel | null {
  if (value.service !== '01' || numberOf(value) === null) return null;
  const own = channelId(value.pid, value.part);
  const isOwn = isEngineUnit(value.source);
  return {
    id: isOwn ? own : `${value.source}:${own}`,
    name: isOwn ? value.name : `${value.name} (${value.source})`,
    unit: value.unit,
  };
}

/** Samples of a reading that rules speak of, from whichever of its sources was recorded. */
export function samplesOf(recording: Recording, key: ReadingKey): Samples | null {
  const id = recordedId(recording, key);
  return id === null ? null : (recording.samples[id] ?? null);
}

/** A recording does not tell how the vehicle counts its oxygen sensors: two banks, as nearly all do. */
const recordedSources = (key: ReadingKey): readonly Source[] => sourcesOfReading(key, new Set());

/** Id of the channel that holds a reading in this recording, or null. */
export function recordedId(recording: Recording, key: ReadingKey): string | null {
  for (const [pid, part] of recordedSources(key)) {
    const id = channelId(pid, part);
    if ((recording.samples[id]?.times.length ?? 0) > 0) return id;
  }
  return null;
}

const KEY_OF_CHANNEL: ReadonlyMap<string, ReadingKey> = new Map(
  READING_KEYS.flatMap((key) =>
    recordedSources(key).map(([pid, part]) => [channelId(pid, part), key] as const),
  ),
);

/** The reading that a channel is, where rules speak of it. */
export function keyOfChannel(id: string): ReadingKey | null {
  return KEY_OF_CHANNEL.get(id) ?? null;
}

/** Index of the last time not after `at`, or -1. Times rise. */
export function indexAt(times: readonly number[], at: number): number {
  let low = 0;
  let high = times.length;
  while (low < high) {
    const middle = (low + high) >> 1;
    if ((times[middle] ?? Infinity) <= at) low = middle + 1;
    else high = middle;
  }
  return low - 1;
}
