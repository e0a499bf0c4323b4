import { entrySchema, type Entry } from '@pincer/core/case';
import { z } from 'zod';

/**
 * What was recorded or typed this very moment, written synchronously: the database needs some milliseconds, and a
 * page that is reloaded or a battery that dies within them would lose it. An entry is crossed out once the database
 * has it.
 */
const JOURNAL = 'pincer:journal';
const DRAFT = 'pincer:draft:';

const journalSchema = z.array(z.object({ caseId: z.string(), entry: entrySchema }));
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

/** Entries that the database may not have yet. */
export function pendingEntries(): Noted[] {
  const read = journalSchema.safeParse(parsed(local()?.getItem(JOURNAL)));
  return read.success ? read.data : [];
}

function write(items: readonly Noted[]): void {
  try {
    if (items.length === 0) local()?.removeItem(JOURNAL);
    else local()?.setItem(JOURNAL, JSON.stringify(items));
  } catch {
    // Too large for this store (a long reading): the database alone has to do.
  }
}

/** Notes an entry before the database is asked to keep it. */
export function noteDown(item: Noted): void {
  write([...pendingEntries(), item]);
}

/** The database has it. */
export function crossOut(entryId: string): void {
  write(pendingEntries().filter((n) => n.entry.id !== entryId));
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
  const store = local();
  const drafts: Record<string, unknown> = {};
  for (let i = 0; i < (store?.length ?? 0); i++) {
    const key = store?.key(i);
    if (key?.startsWith(DRAFT)) drafts[key.slice(DRAFT.length)] = parsed(store?.getItem(key));
  }
  return drafts;
}
