import localforage from 'localforage';
import * as z from 'zod/mini';
import {
  addSeries,
  channelSchema,
  emptyRecording,
  markSchema,
  type Recording,
  type Sample,
} from '@pincer/core/signals';

/** Do not rename: this is where the owners' recordings are. */
/** IndexedDB or nothing: a browser without it must not put an hour of readings into a store of five megabytes. */
const store = localforage.createInstance({
  name: 'pincer',
  storeName: 'recordings',
  driver: localforage.INDEXEDDB,
});

const metaSchema = z.object({
  id: z.string().check(z.regex(/^rec_/)),
  caseId: z.string(),
  title: z.string().check(z.minLength(1)),
  startedAt: z.string(),
  channels: z.array(channelSchema),
  marks: z.array(markSchema),
  chunks: z.int().check(z.minimum(0)),
  /** Still running, or cut off before it was ended. */
  isOpen: z.boolean(),
});
/** What is known of a recording without its samples. */
export type RecordingMeta = z.infer<typeof metaSchema>;

/**
 * Numbers as they lie in storage: eight bytes each, copied as they are. Recordings of before have plain lists; both are
 * looked at once and not number by number by a schema, for there may be millions.
 */
const numbersSchema = z.custom<Float64Array | number[]>(
  (v) =>
    // By its tag: what storage gives back may come from another realm.
    Object.prototype.toString.call(v) === '[object Float64Array]' ||
    (Array.isArray(v) && v.every((n) => typeof n === 'number')),
);
const chunkSchema = z.record(z.string(), z.object({ times: numbersSchema, values: numbersSchema }));
/** Samples of some channels, each in the order of time. */
export type Chunk = Record<string, { times: Float64Array; values: Float64Array }>;

const metaKey = (id: string): string => `meta:${id}`;
const chunkKey = (id: string, n: number): string => `chunk:${id}:${String(n).padStart(5, '0')}`;

/** Writes go one after the other, so that a meta never counts a chunk that is not there. */
let queue: Promise<unknown> = Promise.resolve();
function inOrder<T>(run: () => Promise<T>): Promise<T> {
  const next = queue.then(run, run);
  queue = next.catch(() => undefined);
  return next;
}

export const saveMeta = (meta: RecordingMeta): Promise<unknown> =>
  inOrder(() => store.setItem(metaKey(meta.id), meta));

/** Adds samples to what is stored of a recording: the chunk first, then the count. */
export function saveChunk(meta: RecordingMeta, chunk: Chunk): Promise<RecordingMeta> {
  return inOrder(async () => {
    await store.setItem(chunkKey(meta.id, meta.chunks), chunk);
    const next = { ...meta, chunks: meta.chunks + 1 };
    await store.setItem(metaKey(meta.id), next);
    return next;
  });
}

/** Samples as a chunk. */
export function chunkOf(samples: readonly Sample[]): Chunk {
  const lists = new Map<string, { times: number[]; values: number[] }>();
  for (const { channel, at, value } of samples) {
    const list = lists.get(channel.id) ?? { times: [], values: [] };
    list.times.push(at);
    list.values.push(value);
    lists.set(channel.id, list);
  }
  const chunk = Object.create(null) as Chunk;
  for (const [id, { times, values }] of lists)
    chunk[id] = { times: Float64Array.from(times), values: Float64Array.from(values) };
  return chunk;
}

/** What is known of a recording, or null when it is not in this browser or cannot be read. */
export async function loadMeta(id: string): Promise<RecordingMeta | null> {
  const parsed = metaSchema.safeParse(await inOrder(() => store.getItem(metaKey(id))));
  return parsed.success ? parsed.data : null;
}

/** Recordings of a case that were never ended: the page was left, or the browser stopped. */
export async function openRecordings(caseId: string): Promise<RecordingMeta[]> {
  const keys = (await inOrder(() => store.keys())).filter((k) => k.startsWith('meta:'));
  const metas = await Promise.all(keys.map((k) => loadMeta(k.slice('meta:'.length))));
  return metas.filter((m) => m !== null).filter((m) => m.caseId === caseId && m.isOpen);
}

/** A whole recording; a chunk that cannot be read is left out. */
export async function loadRecording(id: string): Promise<Recording | null> {
  const meta = await loadMeta(id);
  if (!meta) return null;
  const recording = emptyRecording(meta.startedAt);
  recording.marks = meta.marks;
  const channels = new Map(meta.channels.map((c) => [c.id, c]));
  for (let n = 0; n < meta.chunks; n++) {
    const chunk = chunkSchema.safeParse(await store.getItem(chunkKey(id, n)));
    if (!chunk.success) continue;
    for (const [channelId, { times, values }] of Object.entries(chunk.data)) {
      const channel = channels.get(channelId);
      if (channel) addSeries(recording, channel, times, values);
    }
  }
  return recording;
}

/** Forgets all recordings. */
export function forgetRecordings(): Promise<void> {
  return inOrder(() => store.clear());
}
