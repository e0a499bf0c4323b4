import { entrySchema, type Entry } from '@pincer/core/case';
import { z } from 'zod';

/**
 * What was recorded or typed this very moment, written synchronously: the database needs some milliseconds, and a
 * page that is reloaded or a battery that dies within them would lose it. An entry is crossed out once the database
 * has it. Each stands by itself, so that two pages cannot overwrite one another's.
 */
const JOURNAL = 'pincer:journal:';
/** Where older versions kept all of it together. */
const OLD_JOURNAL = 'pincer:journal';
const DRAFT = 'pincer:draft:';

const notedSchema = z.object({ caseId: z.string(), entry: entrySchema });
type Noted = { caseId: string; entry: Entry };

/** Null where the browser refuses it, as some private windows do; the database still works then. */
function local(): Storage | null {
  try {
    return globalThis.localStorage ?? null;
  } catch {
    return null;
  }
}

function parsed(text: string | null | undefined): unknown {
  try {
    return text ? (JSON.parse(text) as unknown) : null;
  } catch {
    return null;
  }
}

/** What is kept under a prefix, by the rest of the key. */
function keptUnder(prefix: string): [string, unknown][] {
  const store = local();
  const keys = Array.from({ length: store?.length ?? 0 }, (_, i) => store?.key(i) ?? '');
  return keys
    .filter((k) => k.startsWith(prefix))
    .map((k) => [k.slice(prefix.length), parsed(store?.getItem(k))]);
}

/** Entries that the database may not have yet. One that cannot be read does not keep the others from being found. */
export function pendingEntries(): Noted[] {
  const old = parsed(local()?.getItem(OLD_JOURNAL));
  const all = [
    ...(Array.isArray(old) ? (old as unknown[]) : []),
    ...keptUnder(JOURNAL).map(([, value]) => value),
  ];
  return all.flatMap((item) => {
    const read = notedSchema.safeParse(item);
    return read.success ? [read.data] : [];
  });
}

/** Notes an entry before the database is asked to keep it. */
export function noteDown(item: Noted): void {
  try {
    local()?.setItem(JOURNAL + item.entry.id, JSON.stringify(item));
  } catch {
    // Too large for this store (a long scan): the database alone has to do.
  }
}

/** The database has it. */
export function crossOut(entryId: string): void {
  const store = local();
  store?.removeItem(JOURNAL + entryId);
  const old = parsed(store?.getItem(OLD_JOURNAL));
  if (!Array.isArray(old)) return;
  const rest = (old as unknown[]).filter((item) => {
    const read = notedSchema.safeParse(item);
    return read.success && read.data.entry.id !== entryId;
  });
  if (rest.length === 0) store?.removeItem(OLD_JOURNAL);
  else store?.setItem(OLD_JOURNAL, JSON.stringify(rest));
}

/** Keeps a draft at once; null forgets it. */
export function saveDraft(key: string, value: unknown): void {
  try {
    if (value === null) local()?.removeItem(DRAFT + key);
    else local()?.setItem(DRAFT + key, JSON.stringify(value));
  } catch {
    // No room: what is typed stays on the screen, and only a reload would lose it.
  }
}

/** All drafts, by key. */
export function loadDrafts(): Record<string, unknown> {
  return Object.fromEntries(keptUnder(DRAFT));
}
