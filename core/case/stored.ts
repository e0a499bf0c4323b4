import type * as z from 'zod/mini';
import { TOLD_IN_ENGLISH } from '@pincer/core/words';
import { entrySchema, type Entry } from './entries.ts';
import { migrate } from './migrations.ts';
import { CURRENT_VERSION } from './record.ts';

/** What became of reading one record that was kept: its value, or why there is none. */
export type ReadRecord<T> =
  | { ok: true; value: T }
  /** A newer version wrote it: it is to be left as it is. */
  | { ok: false; why: 'newer'; version: number | null }
  /** It does not fit; `detail` names the place. */
  | { ok: false; why: 'broken'; detail: string };

type Plain = Record<string, unknown>;
const isPlain = (v: unknown): v is Plain => typeof v === 'object' && v !== null && !Array.isArray(v);

/**
 * The parsed value with the fields that the schema does not know put back, at any depth: what a newer version has
 * added outlives a visit to this one.
 * @param raw what was parsed. @param parsed what the schema made of it.
 * @returns what was parsed itself, or that part of it, wherever the schema has changed nothing: a logbook of years is not
 *   built a second time.
 */
export function withUnknown<T>(raw: unknown, parsed: T): T {
  return putBack(raw, parsed) as T;
}

function putBack(raw: unknown, parsed: unknown): unknown {
  if (Object.is(raw, parsed)) return raw;
  if (Array.isArray(raw) && Array.isArray(parsed)) {
    if (raw.length !== parsed.length) return parsed;
    const items = parsed.map((p: unknown, i) => putBack(raw[i], p));
    return items.every((item, i) => Object.is(item, raw[i])) ? raw : items;
  }
  if (!isPlain(raw) || !isPlain(parsed)) return parsed;
  let changed: [key: string, value: unknown][] | null = null;
  for (const key of Object.keys(parsed)) {
    const value = putBack(Object.hasOwn(raw, key) ? raw[key] : undefined, parsed[key]);
    if (!Object.hasOwn(raw, key) || !Object.is(value, raw[key])) (changed ??= []).push([key, value]);
  }
  return changed === null ? raw : Object.fromEntries([...Object.entries(raw), ...changed]);
}

/** Reads one record of a version: brings it to the present one, and checks it. */
export function readRecord<T>(schema: z.ZodMiniType<T>, raw: unknown, version: number): ReadRecord<T> {
  if (version > CURRENT_VERSION) return { ok: false, why: 'newer', version };
  const now = migrate({ record: raw }, version)['record'];
  const parsed = schema.safeParse(now, TOLD_IN_ENGLISH);
  if (parsed.success) return { ok: true, value: withUnknown(now, parsed.data) };
  const issue = parsed.error.issues[0];
  return {
    ok: false,
    why: 'broken',
    detail: `${issue?.path.join('.') || 'it'}: ${issue?.message ?? 'does not fit'}`,
  };
}

const KINDS: ReadonlySet<string> = new Set(entrySchema.def.options.flatMap((o) => o.shape.kind.def.values));

/** Whether an entry is of a kind that is not known here, and whole enough to be kept: it has an id and a moment. */
export const isOfNewerKind = (raw: unknown): boolean =>
  isPlain(raw) &&
  typeof raw['kind'] === 'string' &&
  !KINDS.has(raw['kind']) &&
  typeof raw['id'] === 'string' &&
  typeof raw['at'] === 'string';

/** From this version on a kind that is not known can be a newer one's: pages of different versions share a storage. */
const NEWER_KINDS_SINCE = 2;

/** Reads one entry. One of a kind that this version does not know was written by a newer one. */
export function readEntry(raw: unknown, version: number): ReadRecord<Entry> {
  const read = readRecord(entrySchema, raw, version);
  return version >= NEWER_KINDS_SINCE && !read.ok && isOfNewerKind(raw)
    ? { ok: false, why: 'newer', version: null }
    : read;
}
