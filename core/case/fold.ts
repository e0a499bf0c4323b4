import type { Entry, EntryOf } from './entries.ts';
import { closingIn, countingIn } from './log.ts';
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

/** Kinds of entries on which a decision rests. */
const DECIDING: ReadonlySet<Entry['kind']> = new Set(['lamp', 'observation', 'scan', 'check']);

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
