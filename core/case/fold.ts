import type { Entry, EntryOf } from './entries.ts';
import { inOrder } from './order.ts';
import type { CaseRecord, Occasion } from './record.ts';
import { standingOf, type Standing } from './standing.ts';

/** The log put in order: what counts, what was retracted, and what is known now. */
export interface CaseState {
  /** What it was opened for. */
  occasion: Occasion;
  /** Entries that count, oldest first. */
  entries: readonly Entry[];
  retracted: ReadonlyMap<string, EntryOf<'retracted'>>;
  /** What is known now: the one account that everything which judges reads. */
  standing: Standing;
  /** The scans themselves, oldest first: history, for what recurs. */
  scans: readonly EntryOf<'scan'>[];
  /** Oldest first. */
  recordings: readonly EntryOf<'recording'>[];
  /** Clears of this page, and those that were told. */
  clears: readonly (EntryOf<'clear'> | EntryOf<'clear-told'>)[];
  repairs: readonly EntryOf<'repair'>[];
  drives: readonly EntryOf<'drive'>[];
  connection: EntryOf<'connection'> | null;
  /** Answers given since the last time the car talked, oldest first. */
  connectionSteps: readonly EntryOf<'connection-step'>[];
  /** Offers and invoices, oldest first. */
  offers: readonly EntryOf<'offer'>[];
  decision: EntryOf<'decision'> | null;
  /** Facts on which a decision rests and that came in after it. */
  factsSinceDecision: number;
  /** Set while nothing was seen or told since the case was closed. */
  closed: EntryOf<'closed'> | null;
}

/** Kinds of entries that a decision rests on, and that open a closed case again. */
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
const DECIDING: ReadonlySet<Entry['kind']> = new Set(['lamp', 'observation', 'scan', 'check']);

/** What counts, oldest first, and what was retracted. */
function countingIn(all: readonly Entry[]): Pick<CaseState, 'entries' | 'retracted'> {
  const ordered = inOrder(all);
  const retracted = new Map<string, EntryOf<'retracted'>>();
  for (const entry of ordered) if (entry.kind === 'retracted') retracted.set(entry.entry, entry);
  return { retracted, entries: ordered.filter((e) => e.kind !== 'retracted' && !retracted.has(e.id)) };
}

/** The closing that stands, of entries that count; null where something was seen or told since. */
function closingIn(entries: readonly Entry[]): EntryOf<'closed'> | null {
  const at = entries.findLastIndex((e) => e.kind === 'closed');
  const closing = entries[at];
  const isNew = (e: Entry): boolean => FACTS.has(e.kind) || (e.kind === 'drive' && e.cameBack === 'yes');
  return closing?.kind === 'closed' && !entries.slice(at + 1).some(isNew) ? closing : null;
}

/** The closing of a case, as {@link foldCase} has it: a list of many cases asks for no more of each. */
export const closingOf = (record: Pick<CaseRecord, 'entries'>): EntryOf<'closed'> | null =>
  closingIn(countingIn(record.entries).entries);

/** Replays the log. Later entries outrank earlier ones; a retracted entry counts for nothing but stays in the log. */
export function foldCase(record: Pick<CaseRecord, 'entries' | 'occasion'>): CaseState {
  const { entries, retracted } = countingIn(record.entries);
  const of = <K extends Entry['kind']>(kind: K) => entries.filter((e): e is EntryOf<K> => e.kind === kind);
  const talkedAt = entries.findLastIndex((e) => e.kind === 'connection' && e.outcome === 'talking');
  const decidedAt = entries.findLastIndex((e) => e.kind === 'decision');
  return {
    occasion: record.occasion ?? 'light',
    entries,
    retracted,
    standing: standingOf(entries),
    scans: of('scan'),
    recordings: of('recording'),
    clears: entries.filter((e) => e.kind === 'clear' || e.kind === 'clear-told'),
    repairs: of('repair'),
    drives: of('drive'),
    connection: of('connection').at(-1) ?? null,
    connectionSteps: entries
      .slice(talkedAt + 1)
      // The try that worked belongs to the connection that it made.
      .filter((e): e is EntryOf<'connection-step'> => e.kind === 'connection-step' && e.answer !== 'talks'),
    offers: of('offer'),
    decision: of('decision').at(-1) ?? null,
    factsSinceDecision:
      decidedAt < 0 ? 0 : entries.slice(decidedAt + 1).filter((e) => DECIDING.has(e.kind)).length,
    closed: closingIn(entries),
  };
}

/** Adds a fact. The record given is left as it was. */
export function addEntry(record: CaseRecord, entry: Entry): CaseRecord {
  return { ...record, entries: [...record.entries, entry] };
}

/** Two logs of one case together: each entry once, in the order of the first and then of the second. */
export function mergeEntries(known: readonly Entry[], more: readonly Entry[]): Entry[] {
  const has = new Set(known.map((e) => e.id));
  return [...known, ...more.filter((e) => !has.has(e.id))];
}
