import type { Entry, EntryOf } from './entries.ts';
import { inOrder } from './order.ts';
import type { CaseRecord } from './record.ts';

/** Kinds of entries that open a closed case again. */
const FACTS: ReadonlySet<Entry['kind']> = new Set([
  'lamp',
  'observation',
  'scan',
  'check',
  'recording',
  'bulb',
  'clear',
  'clear-told',
  'battery-off',
  'repair',
]);

/** What counts, oldest first, and what was retracted. */
export function countingIn(all: readonly Entry[]): {
  entries: Entry[];
  retracted: ReadonlyMap<string, EntryOf<'retracted'>>;
} {
  const ordered = inOrder(all);
  const retracted = new Map<string, EntryOf<'retracted'>>();
  for (const entry of ordered) if (entry.kind === 'retracted') retracted.set(entry.entry, entry);
  if (retracted.size === 0) return { retracted, entries: ordered };
  return { retracted, entries: ordered.filter((e) => e.kind !== 'retracted' && !retracted.has(e.id)) };
}

/** The closing that stands, of entries that count; null where something was seen or told since. */
export function closingIn(entries: readonly Entry[]): EntryOf<'closed'> | null {
  const at = entries.findLastIndex((e) => e.kind === 'closed');
  const closing = entries[at];
  const isNew = (e: Entry): boolean => FACTS.has(e.kind) || (e.kind === 'drive' && e.cameBack === 'yes');
  return closing?.kind === 'closed' && !entries.slice(at + 1).some(isNew) ? closing : null;
}

/** The closing of a case, as `foldCase` has it: a list of many cases asks for no more of each. */
export const closingOf = (record: Pick<CaseRecord, 'entries'>): EntryOf<'closed'> | null =>
  closingIn(countingIn(record.entries).entries);

/** Whether the control units were read, of what counts. */
export const wasRead = (record: Pick<CaseRecord, 'entries'>): boolean =>
  countingIn(record.entries).entries.some((e) => e.kind === 'scan');

/** Adds a fact. The record given is left as it was. */
export function addEntry(record: CaseRecord, entry: Entry): CaseRecord {
  return { ...record, entries: [...record.entries, entry] };
}

/** Two logs of one case together: each entry once, in the order of the first and then of the second. */
export function mergeEntries(known: readonly Entry[], more: readonly Entry[]): Entry[] {
  const has = new Set(known.map((e) => e.id));
  return [...known, ...more.filter((e) => !has.has(e.id))];
}
