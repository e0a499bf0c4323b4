import localforage from 'localforage';
import { z } from 'zod';
import {
  CURRENT_VERSION,
  caseSchema,
  entrySchema,
  migrate,
  ownerSchema,
  type CaseRecord,
  type Entry,
} from '@pincer/core/case';
import { vehicleSchema, type Vehicle } from '@pincer/core/vehicle';

/** Do not rename: this is where the owners' data are. */
const DATABASE = 'pincer';

const store = localforage.createInstance({ name: DATABASE, storeName: 'records' });

export const settingsSchema = z.object({
  theme: z.enum(['auto', 'day', 'garage']),
  owner: ownerSchema,
});
export type Settings = z.infer<typeof settingsSchema>;

/** A record that could not be read. Its raw content is kept under its quarantine key. */
export interface SetAside {
  key: string;
  reason: string;
}

export interface Loaded {
  vehicles: Vehicle[];
  cases: CaseRecord[];
  settings: Settings | null;
  setAside: SetAside[];
}

/** How anything is kept: with the version that wrote it, and an entry with the case that it belongs to. */
const storedSchema = z.object({
  version: z.number().int().min(1),
  record: z.unknown(),
  caseId: z.string().optional(),
});
type Stored = z.infer<typeof storedSchema>;

/** A case without its entries: they are kept one by one. */
const headSchema = caseSchema.omit({ entries: true });

const QUARANTINE = 'set-aside:';

const caseKey = (id: string): string => `case:${id}`;
const vehicleKey = (id: string): string => `vehicle:${id}`;
/** Ids may hold anything, a colon too; each part is written so that it cannot be taken for two. */
const entryPrefix = (caseId: string): string => `entry:${encodeURIComponent(caseId)}:`;
const entryKey = (caseId: string, id: string): string => `${entryPrefix(caseId)}${encodeURIComponent(id)}`;

/** Writes go one after the other, so that an older one never overtakes a newer. */
let queue: Promise<unknown> = Promise.resolve();

function inOrder<T>(run: () => Promise<T>): Promise<T> {
  const next = queue.then(run, run);
  queue = next.catch(() => undefined);
  return next;
}

async function write(key: string, record: unknown, caseId?: string): Promise<void> {
  const stored: Stored = { version: CURRENT_VERSION, record, ...(caseId === undefined ? {} : { caseId }) };
  await inOrder(() => store.setItem(key, stored));
}

/** Keeps a case's head: whose it is and what it is called. Its entries are kept by {@link saveEntry}. */
export function saveCaseHead({ id, vehicle, title, openedAt }: CaseRecord): Promise<void> {
  return write(caseKey(id), { id, vehicle, title, openedAt });
}

/** Keeps one entry by itself: what another page writes at the same moment is never overwritten. */
export function saveEntry(caseId: string, entry: Entry): Promise<void> {
  return write(entryKey(caseId, entry.id), entry, caseId);
}

export const saveVehicle = (vehicle: Vehicle): Promise<void> => write(vehicleKey(vehicle.id), vehicle);
export const saveSettings = (settings: Settings): Promise<void> => write('settings', settings);

/**
 * Reads an entry back from the disk and says whether it is there exactly as it should be.
 * Waits for every write before it.
 */
export async function isStored(caseId: string, wanted: Entry): Promise<boolean> {
  const raw = await inOrder(() => store.getItem(entryKey(caseId, wanted.id)));
  const found = entryOf(raw);
  return found !== null && canonical(found) === canonical(wanted);
}

/** Every entry of a case that storage has at this moment, whoever wrote it; those that cannot be read are left out. */
export async function storedEntries(caseId: string): Promise<Entry[]> {
  const prefix = entryPrefix(caseId);
  return inOrder(async () => {
    const entries: Entry[] = [];
    for (const key of await store.keys()) {
      if (!key.startsWith(prefix)) continue;
      const entry = entryOf(await store.getItem(key));
      if (entry) entries.push(entry);
    }
    return entries;
  });
}

function entryOf(raw: unknown): Entry | null {
  const stored = storedSchema.safeParse(raw);
  if (!stored.success || stored.data.version !== CURRENT_VERSION) return null;
  const entry = entrySchema.safeParse(stored.data.record);
  return entry.success ? entry.data : null;
}

/** JSON with sorted keys, so that only content is compared. */
function canonical(value: unknown): string {
  return JSON.stringify(value, (_, v: unknown) =>
    typeof v === 'object' && v !== null && !Array.isArray(v)
      ? Object.fromEntries(Object.entries(v).sort(([a], [b]) => (a < b ? -1 : 1)))
      : v,
  );
}

/** What is put together while everything is read. */
interface Reading extends Loaded {
  heads: z.infer<typeof headSchema>[];
  entries: Map<string, Entry[]>;
  /** Cases that an older version kept whole, to be taken apart. */
  whole: CaseRecord[];
}

/**
 * Reads everything. A record that does not fit its schema is moved aside and reported; it neither stops the
 * start nor is it dropped. A case that an older version kept whole is taken apart into its entries.
 */
export async function loadAll(): Promise<Loaded> {
  const loaded: Reading = {
    vehicles: [],
    cases: [],
    settings: null,
    setAside: [],
    heads: [],
    entries: new Map(),
    whole: [],
  };
  // After every write that is under way.
  for (const key of await inOrder(() => store.keys())) {
    const raw: unknown = await store.getItem(key);
    if (key.startsWith(QUARANTINE)) {
      loaded.setAside.push({ key, reason: 'set aside earlier' });
      continue;
    }
    const reason = place(key, raw, loaded);
    if (reason === null) continue;
    const asideKey = `${QUARANTINE}${key}`;
    await store.setItem(asideKey, raw);
    await store.removeItem(key);
    loaded.setAside.push({ key: asideKey, reason });
  }
  for (const whole of loaded.whole) await takeApart(whole, loaded);
  const { vehicles, settings, setAside } = loaded;
  return {
    vehicles,
    settings,
    setAside,
    cases: loaded.heads.map((head) => ({
      ...head,
      entries: (loaded.entries.get(head.id) ?? []).sort((a, b) =>
        a.at === b.at ? (a.id < b.id ? -1 : 1) : a.at < b.at ? -1 : 1,
      ),
    })),
  };
}

/**
 * Writes the entries of a case that was kept whole one by one, and its head last: interrupted in between, it is done
 * again at the next start, and nothing is there twice.
 */
async function takeApart(whole: CaseRecord, loaded: Reading): Promise<void> {
  const known = loaded.entries.get(whole.id) ?? [];
  const has = new Set(known.map((e) => e.id));
  const fresh = whole.entries.filter((e) => !has.has(e.id));
  for (const entry of fresh) await saveEntry(whole.id, entry);
  await saveCaseHead(whole);
  loaded.entries.set(whole.id, [...known, ...fresh]);
  const { entries: _, ...head } = whole;
  loaded.heads.push(head);
}

/** Puts one record where it belongs. @returns why it could not, or null. */
function place(key: string, raw: unknown, loaded: Reading): string | null {
  const stored = storedSchema.safeParse(raw);
  if (!stored.success) return 'it has no version';
  if (stored.data.version > CURRENT_VERSION)
    return `it was written by a newer Pincer (version ${stored.data.version})`;
  const record = migrate({ record: stored.data.record }, stored.data.version)['record'];
  const [kind] = key.split(':');
  switch (kind) {
    case 'case':
      return isWhole(record)
        ? into(caseSchema, record, (v) => loaded.whole.push(v))
        : into(headSchema, record, (v) => loaded.heads.push(v));
    case 'entry':
      return into(entrySchema, record, (v) => {
        const caseId = stored.data.caseId ?? '';
        loaded.entries.set(caseId, [...(loaded.entries.get(caseId) ?? []), v]);
      });
    case 'vehicle':
      return into(vehicleSchema, record, (v) => loaded.vehicles.push(v));
    case 'settings':
      return into(settingsSchema, record, (v) => {
        loaded.settings = v;
      });
    default:
      return 'nobody knows what it is';
  }
}

const isWhole = (record: unknown): boolean =>
  typeof record === 'object' && record !== null && 'entries' in record;

function into<T>(schema: z.ZodType<T>, record: unknown, put: (value: T) => void): string | null {
  const parsed = schema.safeParse(record);
  if (!parsed.success) {
    const issue = parsed.error.issues[0];
    return `${issue?.path.join('.') || 'it'}: ${issue?.message ?? 'does not fit'}`;
  }
  put(parsed.data);
  return null;
}

/** The raw content of something that was set aside, for saving a copy. */
export async function readSetAside(key: string): Promise<string> {
  return JSON.stringify(await store.getItem(key), null, 2);
}

/** Forgets something that was set aside, once the owner says so. */
export function forgetSetAside(key: string): Promise<void> {
  return inOrder(() => store.removeItem(key));
}
