import localforage from 'localforage';
import * as z from 'zod/mini';
import {
  addSamples,
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

const chunkSchema = z.record(
  z.string(),
  z.object({ times: z.array(z.number()), values: z.array(z.number()) }),
);
export type Chunk = z.infer<typeof chunkSchema>;

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
  const chunk = Object.create(null) as Chunk;
  for (const { channel, at, value } of samples) {
    const list = (chunk[channel.id] ??= { times: [], values: [] });
    list.times.push(at);
    list.values.push(value);
  }
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
      if (!channel) continue;
      addSamples(
        recording,
        times.map((at, i) => ({ at, channel, value: values[i] ?? 0 })),
      );
    }
  }
  return recording;
}

/** Forgets all recordings. */
export function forgetRecordings(): Promise<void> {
  return inOrder(() => store.clear());
}
