import type { Answered, Entry, EntryOf, LampColour, LampId, LampMode } from './entries.ts';
import type { CaseRecord } from './record.ts';

/** The latest word on a lamp. */
export interface LampSeen {
  mode: LampMode;
  /** Where the lamp comes in both; null when the owner did not say. */
  colour: LampColour | null;
  entry: string;
}

/** The present state of a case: what the log says now, struck entries left out. */
export interface CaseState {
  /** Entries that count, oldest first. */
  entries: readonly Entry[];
  retracted: ReadonlyMap<string, EntryOf<'retracted'>>;
  /** Latest word on each lamp. */
  lamps: ReadonlyMap<LampId, LampSeen>;
  /** Latest answer to each symptom or event. */
  observations: ReadonlyMap<string, { answer: Answered; entry: string }>;
  /** Latest result of each check. */
  checks: ReadonlyMap<string, { outcome: string; entry: string }>;
  scans: readonly EntryOf<'scan'>[];
  latestReading: EntryOf<'scan'> | null;
  /** Oldest first. */
  recordings: readonly EntryOf<'recording'>[];
  clears: readonly EntryOf<'clear'>[];
  repairs: readonly EntryOf<'repair'>[];
  drives: readonly EntryOf<'drive'>[];
  connection: EntryOf<'connection'> | null;
  /** Answers given since the last time the car talked, oldest first. */
  connectionSteps: readonly EntryOf<'connection-step'>[];
  decision: EntryOf<'decision'> | null;
  closed: EntryOf<'closed'> | null;
  /** Latest word on whether the engine lamp lights at key-on. */
  bulb: EntryOf<'bulb'>['answer'];
}

/** Replays the log. Later entries outrank earlier ones; a struck entry counts for nothing but stays in the log. */
export function foldCase(record: CaseRecord): CaseState {
  const retracted = new Map<string, EntryOf<'retracted'>>();
  for (const entry of record.entries) if (entry.kind === 'retracted') retracted.set(entry.entry, entry);
  const entries = record.entries.filter((e) => e.kind !== 'retracted' && !retracted.has(e.id));
  const lamps = new Map<LampId, LampSeen>();
  const observations = new Map<string, { answer: Answered; entry: string }>();
  const checks = new Map<string, { outcome: string; entry: string }>();
  const of = <K extends Entry['kind']>(kind: K) => entries.filter((e): e is EntryOf<K> => e.kind === kind);
  for (const entry of entries) {
    if (entry.kind === 'lamp')
      lamps.set(entry.lamp, { mode: entry.mode, colour: entry.colour ?? null, entry: entry.id });
    if (entry.kind === 'observation')
      observations.set(entry.observation, { answer: entry.answer, entry: entry.id });
    if (entry.kind === 'check') checks.set(entry.check, { outcome: entry.outcome, entry: entry.id });
  }
  const scans = of('scan');
  const talkedAt = entries.findLastIndex((e) => e.kind === 'connection' && e.outcome === 'talking');
  return {
    entries,
    retracted,
    lamps,
    observations,
    checks,
    scans,
    latestReading: scans.at(-1) ?? null,
    recordings: of('recording'),
    clears: of('clear'),
    repairs: of('repair'),
    drives: of('drive'),
    connection: of('connection').at(-1) ?? null,
    connectionSteps: entries
      .slice(talkedAt + 1)
      // The try that worked belongs to the connection that it made.
      .filter((e): e is EntryOf<'connection-step'> => e.kind === 'connection-step' && e.answer !== 'talks'),
    decision: of('decision').at(-1) ?? null,
    closed: of('closed').at(-1) ?? null,
    bulb: of('bulb').at(-1)?.answer ?? 'unknown',
  };
}

/** Adds a fact. The record given is left as it was. */
export function addEntry(record: CaseRecord, entry: Entry): CaseRecord {
  return { ...record, entries: [...record.entries, entry] };
}
