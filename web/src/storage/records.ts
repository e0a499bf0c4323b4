import * as z from 'zod/mini';
import { TOLD_IN_ENGLISH } from '@pincer/core/words';
import {
  CURRENT_VERSION,
  caseSchema,
  entrySchema,
  ownerSchema,
  readEntry,
  readRecord,
  sameContent,
  type CaseRecord,
  type Entry,
  type ReadRecord,
} from '@pincer/core/case';
import { vehicleSchema, type Vehicle } from '@pincer/core/vehicle';
import { now } from '../clock.ts';
import { StorageError, transact, type Records } from './database.ts';
import { keysIn, rowsIn, startPace } from './pace.ts';

export const settingsSchema = z.object({
  theme: z.enum(['auto', 'day', 'garage']),
  owner: ownerSchema,
  /** Whether a single letter or digit does something; it does where nothing was chosen. */
  singleKeys: z.optional(z.enum(['on', 'off'])),
});
export type Settings = z.infer<typeof settingsSchema>;

/** What the logbook remembers of itself. */
const marksSchema = z.object({
  /** The example: begun and not finished, or done with and never to come back by itself. */
  example: z.optional(z.enum(['begun', 'done'])),
  /** The cases that came with it. */
  exampleCases: z.optional(z.array(z.string())),
  /** When its owner last emptied it: a page that was open meanwhile does not bring back what it still holds. */
  emptiedAt: z.optional(z.iso.datetime()),
  /** When everything was last saved as a file. */
  exportedAt: z.optional(z.iso.datetime()),
});
export type Marks = z.infer<typeof marksSchema>;

/** A record that could not be read. It stays where it is, untouched. */
export interface SetAside {
  key: string;
  reason: string;
  /** The case that it belongs to, where that is known. */
  caseId: string | null;
}

/** A record that a newer version wrote. It is left as it is, and its case is only shown. */
export interface Newer {
  key: string;
  caseId: string | null;
  version: number | null;
  /** The entry as it stands, where only its kind is not known here: it goes along in what is saved as a file. */
  entry?: unknown;
}

export interface Loaded {
  vehicles: Vehicle[];
  cases: CaseRecord[];
  settings: Settings | null;
  marks: Marks;
  setAside: SetAside[];
  newer: Newer[];
}

/** How anything is kept: with the version that wrote it, and an entry with the case that it belongs to. */
export const storedSchema = z.looseObject({
  version: z.int().check(z.minimum(1)),
  record: z.unknown(),
  caseId: z.optional(z.string()),
});

/** A case without its entries: they are kept one by one. */
export const headSchema = z.omit(caseSchema, { entries: true });
type Head = z.infer<typeof headSchema>;

/** Where records that were repaired, or set aside by an older version, are kept as they were. */
const KEPT = 'set-aside:';
const keptKey = (key: string, at: string): string => `${KEPT}${key}@${at}`;
const SETTINGS = 'settings';
const MARKS = 'marks';

/** Keys of what belongs to the logbook, and not to the page’s own settings. */
export const OF_LOGBOOK = /^(case|entry|vehicle):/;
export const caseKey = (id: string): string => `case:${id}`;
export const vehicleKey = (id: string): string => `vehicle:${id}`;
/** Ids may hold anything, a colon too; each part is written so that it cannot be taken for two. */
const entryPrefix = (caseId: string): string => `entry:${encodeURIComponent(caseId)}:`;
export const entryKey = (caseId: string, id: string): string =>
  `${entryPrefix(caseId)}${encodeURIComponent(id)}`;

/** A record as it lies in storage. */
export const asStored = (record: unknown, caseId?: string) => ({
  version: CURRENT_VERSION,
  record,
  ...(caseId === undefined ? {} : { caseId }),
});

/** Checked when it is written, so that it can be read. @throws StorageError */
function checked<T>(schema: z.ZodMiniType<T>, record: T): T {
  const issue = schema.safeParse(record, TOLD_IN_ENGLISH).error?.issues[0];
  if (issue) throw new StorageError('unfit', `${issue.path.join('.')}: ${issue.message}`);
  return record;
}

/**
 * Puts a record in the place of an older one. What a newer version wrote, and a case that an older one kept whole, stay;
 * what cannot be read is kept beside it.
 */
async function replace<T>(key: string, record: T, schema: z.ZodMiniType<T>): Promise<void> {
  checked(schema, record);
  await transact('readwrite', async (records) => {
    const raw: unknown = await records.get(key);
    const there = storedSchema.safeParse(raw);
    if (there.success) {
      const { record: old, version } = there.data;
      if (version > CURRENT_VERSION) throw new StorageError('newer');
      // Its entries are in it: it is taken apart at the next start.
      if (isWhole(old)) return;
      if (!readRecord(schema, old, version).ok) await records.put(raw, keptKey(key, now().toISOString()));
    } else if (raw !== undefined) await records.put(raw, keptKey(key, now().toISOString()));
    await records.put(asStored(record), key);
  });
}

/** Keeps a case's head: whose it is and what it is called. Its entries are kept by {@link saveEntries}. */
export function saveCaseHead(head: Omit<CaseRecord, 'entries'>): Promise<void> {
  return replace(caseKey(head.id), head, headSchema);
}

export const saveVehicle = (vehicle: Vehicle): Promise<void> =>
  replace(vehicleKey(vehicle.id), vehicle, vehicleSchema);
export const saveSettings = (settings: Settings): Promise<void> =>
  replace(SETTINGS, settings, settingsSchema);

/** Remembers something of the logbook itself, beside what it remembers already. */
export async function saveMarks(marks: Marks): Promise<void> {
  await transact('readwrite', async (records) => {
    await records.put(asStored({ ...marksOf(await records.get(MARKS)), ...marks }), MARKS);
  });
}

function marksOf(raw: unknown): Marks {
  const there = storedSchema.safeParse(raw);
  const marks = marksSchema.safeParse(there.success ? there.data.record : null);
  return marks.success ? marks.data : {};
}

/**
 * Keeps entries, each by itself, all in one transaction: what another page writes at the same moment is never
 * overwritten, and neither is an entry that is there already.
 */
export async function saveEntries(caseId: string, entries: readonly Entry[]): Promise<void> {
  for (const entry of entries) checked(entrySchema, entry);
  await addAll(
    caseId,
    entries.map((e) => [entryKey(caseId, e.id), e]),
  );
}

/** Keeps entries of kinds that are not known here, as a file has them: a newer version will read them. */
export function saveNewerEntries(caseId: string, entries: readonly unknown[]): Promise<void> {
  return addAll(
    caseId,
    entries.map((e, n) => [entryKey(caseId, idOf(e) ?? `odd-${n}`), e]),
  );
}

async function addAll(caseId: string, entries: readonly (readonly [string, unknown])[]): Promise<void> {
  await transact('readwrite', async (records, alive) => {
    for (const [key, entry] of entries) {
      if ((await records.getKey(key)) === undefined) await records.add(asStored(entry, caseId), key);
      alive();
    }
  });
}

/**
 * Reads an entry back from the disk and says whether it is there exactly as it should be.
 * Waits for every write before it.
 */
export async function isStored(caseId: string, wanted: Entry): Promise<boolean> {
  const found = entryOf(await transact('readonly', (records) => records.get(entryKey(caseId, wanted.id))));
  return found.ok && sameContent(found.value, wanted);
}

/**
 * Every entry of a case that storage has at this moment, whoever wrote it.
 * @throws StorageError when one of them cannot be read: then nobody knows what it says.
 */
export async function storedEntries(caseId: string): Promise<Entry[]> {
  const raw = await transact('readonly', (records) => records.getAll(rangeOf(entryPrefix(caseId))));
  return raw.map((r) => {
    const entry = entryOf(r);
    if (!entry.ok) throw new StorageError(entry.why === 'newer' ? 'newer' : 'broken');
    return entry.value;
  });
}

/** Every key that begins so. */
const rangeOf = (prefix: string): IDBKeyRange => IDBKeyRange.bound(prefix, `${prefix}\uffff`);

function entryOf(raw: unknown): ReadRecord<Entry> {
  const there = storedSchema.safeParse(raw);
  return there.success
    ? readEntry(there.data.record, there.data.version)
    : { ok: false, why: 'broken', detail: 'it has no version number' };
}

/** Records as they lie in storage, by their keys. */
export async function rawRecords(keys: readonly string[]): Promise<{ key: string; stored: unknown }[]> {
  const rows = await transact('readonly', (records) => Promise.all(keys.map((k) => records.get(k))));
  return keys.flatMap((key, i) => (rows[i] === undefined ? [] : [{ key, stored: rows[i] }]));
}

/** Takes a case away that has no entry in storage, readable or not. @returns whether it did. */
export async function forgetEmptyCase(caseId: string): Promise<boolean> {
  return transact('readwrite', async (records) => {
    if ((await records.count(rangeOf(entryPrefix(caseId)))) > 0) return false;
    await records.delete(caseKey(caseId));
    return true;
  });
}

/** Puts records where there are none, as they are. What is there stays. */
export async function putMissing(rows: readonly { key: string; stored: unknown }[]): Promise<void> {
  await transact('readwrite', async (records, alive) => {
    for (const { key, stored: raw } of rows) {
      if ((await records.getKey(key)) === undefined) await records.add(raw, key);
      alive();
    }
  });
}

/** The keys of everything that storage has at this moment. */
export const storedKeys = (): Promise<Set<string>> => transact('readonly', keysIn);

/** A case as older versions kept it, and what in it cannot be read. */
interface Whole {
  head: Head;
  entries: Entry[];
  odd: unknown[];
}

/** What is put together while everything is read. */
interface Reading extends Loaded {
  heads: Head[];
  entries: Map<string, Entry[]>;
  /** Cases that an older version kept whole, to be taken apart. */
  whole: Whole[];
}

const nothingRead = (): Reading => ({
  vehicles: [],
  cases: [],
  settings: null,
  marks: {},
  setAside: [],
  newer: [],
  heads: [],
  entries: new Map(),
  whole: [],
});

/**
 * Reads everything, at one moment. A record that cannot be read is reported alone and left untouched; one of a newer
 * version likewise. A case that an older version kept whole is taken apart into its entries.
 */
export async function loadAll(): Promise<Loaded> {
  const loaded = nothingRead();
  const rows = await transact('readonly', rowsIn);
  const pace = startPace();
  for (const [key, value] of rows) {
    place(key, value, loaded);
    if (pace.isDue()) await pace.rest();
  }
  for (const whole of loaded.whole) await takeApart(whole, loaded);
  // Entries of a case that is nowhere are nobody's, and are not passed over in silence.
  const there = new Set(rows.map(([key]) => key).filter((key) => key.startsWith('case:')));
  for (const [caseId, entries] of loaded.entries)
    if (!there.has(caseKey(caseId)))
      for (const { id } of entries)
        loaded.setAside.push({
          key: entryKey(caseId, id),
          reason: 'the case that it belongs to is not here',
          caseId,
        });
  const { vehicles, settings, marks, setAside, newer } = loaded;
  const cases: CaseRecord[] = [];
  for (const head of loaded.heads) {
    const entries = (loaded.entries.get(head.id) ?? []).sort((a, b) =>
      a.at === b.at ? (a.id < b.id ? -1 : 1) : a.at < b.at ? -1 : 1,
    );
    // Nobody changes a record. Said so here, the store need not walk through each of them to say it again.
    cases.push(Object.freeze({ ...head, entries }));
    if (pace.isDue()) await pace.rest();
  }
  await pace.rest();
  return { vehicles, settings, marks, setAside, newer, cases };
}

/**
 * Writes the entries of a case that was kept whole one by one, and its head in place of the whole, in one transaction:
 * interrupted, it is done again at the next start. What cannot be read is kept by itself, as it was.
 */
async function takeApart({ head, entries, odd }: Whole, loaded: Reading): Promise<void> {
  const known = loaded.entries.get(head.id) ?? [];
  const has = new Set(known.map((e) => e.id));
  const fresh = entries.filter((e) => !has.has(e.id));
  const kept = [
    ...fresh.map((entry): [string, unknown] => [entryKey(head.id, entry.id), entry]),
    ...odd.map((raw, n): [string, unknown] => [entryKey(head.id, idOf(raw) ?? `odd-${n}`), raw]),
  ];
  await transact('readwrite', async (records, alive) => {
    for (const [key, record] of kept) {
      if ((await records.getKey(key)) === undefined) await records.add(asStored(record, head.id), key);
      alive();
    }
    await records.put(asStored(head), caseKey(head.id));
  });
  loaded.entries.set(head.id, [...known, ...fresh]);
  loaded.heads.push(head);
  kept.slice(fresh.length).forEach(([key, raw]) => place(key, asStored(raw, head.id), loaded));
}

const idOf = (raw: unknown): string | null =>
  typeof raw === 'object' && raw !== null && 'id' in raw && typeof raw.id === 'string' ? raw.id : null;

/** A case that was kept whole, in the present version. */
function readWhole(record: unknown, version: number): ReadRecord<Whole> {
  const listed = readRecord(z.extend(headSchema, { entries: z.array(z.unknown()) }), record, version);
  if (!listed.ok) return listed;
  const { entries: raw, ...head } = listed.value;
  const whole: Whole = { head, entries: [], odd: [] };
  for (const one of raw) {
    const read = readEntry(one, CURRENT_VERSION);
    if (read.ok) whole.entries.push(read.value);
    else whole.odd.push(one);
  }
  return { ok: true, value: whole };
}

const caseIdOf = (key: string): string | null => {
  const [kind, id = ''] = key.split(':');
  return kind === 'case' ? key.slice('case:'.length) : kind === 'entry' ? decodeURIComponent(id) : null;
};

/** Puts one record where it belongs, or reports why it could not. */
function place(key: string, raw: unknown, loaded: Reading): void {
  if (key.startsWith(KEPT)) {
    loaded.setAside.push({ key, reason: 'kept as it was', caseId: null });
    return;
  }
  const there = storedSchema.safeParse(raw);
  const version = there.success ? there.data.version : 0;
  const record = there.success ? there.data.record : undefined;
  const into = <T>(read: ReadRecord<T>, put: (value: T) => void) => {
    if (read.ok) put(read.value);
    else if (read.why === 'newer')
      loaded.newer.push({
        key,
        caseId: caseIdOf(key),
        version: read.version,
        ...(read.version === null ? { entry: record } : {}),
      });
    else loaded.setAside.push({ key, reason: read.detail, caseId: caseIdOf(key) });
  };
  const read = <T>(schema: z.ZodMiniType<T>): ReadRecord<T> =>
    there.success
      ? readRecord(schema, record, version)
      : { ok: false, why: 'broken', detail: 'it has no version number' };
  switch (key.split(':')[0]) {
    case 'case':
      if (isWhole(record)) into(readWhole(record, version), (v) => loaded.whole.push(v));
      else into(read(headSchema), (v) => loaded.heads.push(v));
      break;
    case 'entry':
      into(entryOf(raw), (v) => {
        const caseId = there.data?.caseId ?? caseIdOf(key) ?? '';
        const known = loaded.entries.get(caseId);
        if (known) known.push(v);
        else loaded.entries.set(caseId, [v]);
      });
      break;
    case 'vehicle':
      into(read(vehicleSchema), (v) => loaded.vehicles.push(v));
      break;
    case SETTINGS:
      into(read(settingsSchema), (v) => {
        loaded.settings = v;
      });
      break;
    case MARKS:
      loaded.marks = marksOf(raw);
      break;
    default:
      into<never>({ ok: false, why: 'broken', detail: 'unknown kind of record' }, () => undefined);
  }
}

const isWhole = (record: unknown): boolean =>
  typeof record === 'object' && record !== null && 'entries' in record;

/** A record as it lies in storage, as a file: to be kept, looked at, mended and brought in again. */
export const recordFileSchema = z.object({
  format: z.literal('pincer-record'),
  key: z.string().check(z.minLength(1)),
  stored: z.unknown(),
});
export type RecordFile = z.infer<typeof recordFileSchema>;

/** The raw content of something that could not be read, as the text of a file. */
export async function copyOfRecord(key: string): Promise<string> {
  const raw = await transact('readonly', (records) => records.get(key));
  const file: RecordFile = { format: 'pincer-record', key: plainKey(key), stored: raw };
  return `${JSON.stringify(file, null, 2)}\n`;
}

/** The place that a record had before it was kept as it was. */
const plainKey = (key: string): string =>
  key.startsWith(KEPT) ? key.slice(KEPT.length).replace(/@[^@]*$/, '') : key;

/**
 * Puts a mended record in its place. What lay there is kept as it was, and nothing that can be read is overwritten.
 * @returns why it cannot be put there, or null.
 */
export async function putBackRecord({ key, stored: mended }: RecordFile, at: string): Promise<string | null> {
  const probe = nothingRead();
  place(key, mended, probe);
  const why = probe.setAside[0]?.reason ?? (probe.newer.length > 0 ? 'a newer Pincer wrote it' : null);
  if (why !== null) return why;
  return transact('readwrite', async (records) => {
    const there: unknown = await records.get(key);
    if (there !== undefined) {
      const old = nothingRead();
      place(key, there, old);
      if (old.setAside.length === 0) return 'what lies in its place can be read, and is left as it is';
      await records.put(there, keptKey(key, at));
    }
    await records.put(mended, key);
    return null;
  });
}

/** Empties the logbook; when, and that the example is not wanted, stays known. */
export async function forgetAll(marks: Marks): Promise<void> {
  await transact('readwrite', async (records) => {
    await records.clear();
    await records.put(asStored(marks), MARKS);
  });
}

/** What the logbook remembers of itself at this moment. */
export async function storedMarks(): Promise<Marks> {
  return marksOf(await transact('readonly', (records) => records.get(MARKS)));
}

/** Forgets something that could not be read, once the owner says so. */
export async function forgetRecord(key: string): Promise<void> {
  await transact('readwrite', (records: Records<'readwrite'>) => records.delete(key));
}
