import localforage from 'localforage';
import { z } from 'zod';
import { CURRENT_VERSION, caseSchema, migrate, ownerSchema, type CaseRecord } from '@pincer/core/case';
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

interface Stored {
  version: number;
  record: unknown;
}

const storedSchema = z.object({ version: z.number().int().min(1), record: z.unknown() });

const QUARANTINE = 'set-aside:';

/** Writes go one after the other, so that an older one never overtakes a newer. */
let queue: Promise<unknown> = Promise.resolve();

function inOrder<T>(run: () => Promise<T>): Promise<T> {
  const next = queue.then(run, run);
  queue = next.catch(() => undefined);
  return next;
}

function write(key: string, record: unknown): Promise<unknown> {
  const stored: Stored = { version: CURRENT_VERSION, record };
  return inOrder(() => store.setItem(key, stored));
}

export const saveCase = (record: CaseRecord): Promise<unknown> => write(`case:${record.id}`, record);
export const saveVehicle = (vehicle: Vehicle): Promise<unknown> => write(`vehicle:${vehicle.id}`, vehicle);
export const saveSettings = (settings: Settings): Promise<unknown> => write('settings', settings);

/**
 * Reads a case back from the disk and says whether an entry is there exactly as it should be.
 * Waits for every write before it.
 */
export async function isStored(record: CaseRecord, entryId: string): Promise<boolean> {
  const raw = await inOrder(() => store.getItem(`case:${record.id}`));
  const stored = storedSchema.safeParse(raw);
  const parsed = stored.success ? caseSchema.safeParse(stored.data.record) : null;
  const found = parsed?.success ? parsed.data.entries.find((e) => e.id === entryId) : undefined;
  const wanted = record.entries.find((e) => e.id === entryId);
  return found !== undefined && wanted !== undefined && canonical(found) === canonical(wanted);
}

/** JSON with sorted keys, so that only content is compared. */
function canonical(value: unknown): string {
  return JSON.stringify(value, (_, v: unknown) =>
    typeof v === 'object' && v !== null && !Array.isArray(v)
      ? Object.fromEntries(Object.entries(v).sort(([a], [b]) => (a < b ? -1 : 1)))
      : v,
  );
}

/**
 * Reads everything. A record that does not fit its schema is moved aside and reported; it neither stops the
 * start nor is it dropped.
 */
export async function loadAll(): Promise<Loaded> {
  const loaded: Loaded = { vehicles: [], cases: [], settings: null, setAside: [] };
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
  return loaded;
}

/** Puts one record where it belongs. @returns why it could not, or null. */
function place(key: string, raw: unknown, loaded: Loaded): string | null {
  const stored = storedSchema.safeParse(raw);
  if (!stored.success) return 'it has no version';
  if (stored.data.version > CURRENT_VERSION)
    return `it was written by a newer Pincer (version ${stored.data.version})`;
  const record = migrate({ record: stored.data.record }, stored.data.version)['record'];
  const [kind] = key.split(':');
  switch (kind) {
    case 'case':
      return into(caseSchema, record, (v) => loaded.cases.push(v));
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
export function forgetSetAside(key: string): Promise<unknown> {
  return inOrder(() => store.removeItem(key));
}
