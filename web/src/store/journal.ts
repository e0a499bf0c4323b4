import { caseSchema, entrySchema } from '@pincer/core/case';
import { vehicleSchema } from '@pincer/core/vehicle';
import * as z from 'zod/mini';
import { keysUnder, localStore } from '../storage/local-store.ts';

/**
 * What was recorded or typed this very moment, written synchronously: the database needs some milliseconds, and a
 * page that is reloaded or a battery that dies within them would lose it. A record is crossed out once the database
 * has it. Each stands by itself, so that two pages cannot overwrite one another's.
 */
const JOURNAL = 'pincer:journal:';
/** Where older versions kept all of it together. */
const OLD_JOURNAL = 'pincer:journal';
const DRAFT = 'pincer:draft:';

const headSchema = z.omit(caseSchema, { entries: true });
const notedSchema = z.union([
  z.object({ caseId: z.string(), entry: entrySchema }),
  z.object({ head: headSchema }),
  z.object({ vehicle: vehicleSchema }),
]);
/** An entry of a case, a case without its entries, or a vehicle. */
export type Noted = z.infer<typeof notedSchema>;

/** What it is called in the journal and among what is not saved. */
export const idOfNoted = (item: Noted): string =>
  'entry' in item ? item.entry.id : 'head' in item ? item.head.id : item.vehicle.id;

function parsed(text: string | null | undefined): unknown {
  try {
    return text ? (JSON.parse(text) as unknown) : null;
  } catch {
    return null;
  }
}

/** What is kept under a prefix, by the rest of the key. */
function keptUnder(prefix: string): [string, unknown][] {
  return keysUnder(prefix).map((rest) => [rest, parsed(localStore()?.getItem(prefix + rest))]);
}

/**
 * Records that the database may not have yet: vehicles, then cases, then entries, as each needs the one before. One that
 * cannot be read does not keep the others from being found.
 */
export function pendingRecords(): Noted[] {
  const old = parsed(localStore()?.getItem(OLD_JOURNAL));
  const all = [
    ...(Array.isArray(old) ? (old as unknown[]) : []),
    ...keptUnder(JOURNAL).map(([, value]) => value),
  ].flatMap((item) => {
    const read = notedSchema.safeParse(item);
    return read.success ? [read.data] : [];
  });
  const rank = (item: Noted) => ('vehicle' in item ? 0 : 'head' in item ? 1 : 2);
  return all.sort((a, b) => rank(a) - rank(b));
}

/**
 * Notes a record before the database is asked to keep it.
 * @returns whether it could; one that is too large for this store (a long scan) has the database alone.
 */
export function noteDown(item: Noted): boolean {
  try {
    const store = localStore();
    store?.setItem(JOURNAL + idOfNoted(item), JSON.stringify(item));
    return store !== null;
  } catch {
    return false;
  }
}

/** The database has it. */
export function crossOut(id: string): void {
  const store = localStore();
  store?.removeItem(JOURNAL + id);
  const old = parsed(store?.getItem(OLD_JOURNAL));
  if (!Array.isArray(old)) return;
  const rest = (old as unknown[]).filter((item) => {
    const read = notedSchema.safeParse(item);
    return read.success && idOfNoted(read.data) !== id;
  });
  if (rest.length === 0) store?.removeItem(OLD_JOURNAL);
  else store?.setItem(OLD_JOURNAL, JSON.stringify(rest));
}

/** Keeps a draft at once; null forgets it. */
export function saveDraft(key: string, value: unknown): void {
  try {
    if (value === null) localStore()?.removeItem(DRAFT + key);
    else localStore()?.setItem(DRAFT + key, JSON.stringify(value));
  } catch {
    // No room: what is typed stays on the screen, and only a reload would lose it.
  }
}

/** Forgets every note and every draft. */
export function forgetNotes(): void {
  const store = localStore();
  for (const prefix of [JOURNAL, DRAFT, OLD_JOURNAL])
    for (const [rest] of keptUnder(prefix)) store?.removeItem(prefix + rest);
}

/** All drafts, by key. */
export function loadDrafts(): Record<string, unknown> {
  return Object.fromEntries(keptUnder(DRAFT));
}
