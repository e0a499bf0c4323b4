import type { Entry } from '@pincer/core/case';

/** What a log can be held to. */
export const LOG_KINDS = {
  all: 'Everything',
  readings: 'Readings and recordings',
  findings: 'Lights, signs and checks',
  repairs: 'Decisions, repairs and costs',
  proof: 'Clears and drives',
  notes: 'Notes, pictures and files',
} as const;
export type LogKind = keyof typeof LOG_KINDS;

const KIND_OF: Readonly<Record<Entry['kind'], Exclude<LogKind, 'all'>>> = {
  scan: 'readings',
  recording: 'readings',
  connection: 'readings',
  'connection-step': 'readings',
  lamp: 'findings',
  bulb: 'findings',
  observation: 'findings',
  check: 'findings',
  'check-not-done': 'findings',
  bulletin: 'findings',
  decision: 'repairs',
  repair: 'repairs',
  price: 'repairs',
  offer: 'repairs',
  closed: 'repairs',
  'clear-asked': 'proof',
  clear: 'proof',
  'clear-told': 'proof',
  'battery-off': 'proof',
  drive: 'proof',
  note: 'notes',
  attachment: 'notes',
  retracted: 'notes',
};

/** Entries of one kind; what strikes an entry out goes with the entry that it strikes. */
export function ofKind(entries: readonly Entry[], kind: LogKind): readonly Entry[] {
  if (kind === 'all') return entries;
  const shown = new Set(
    entries.filter((e) => e.kind !== 'retracted' && KIND_OF[e.kind] === kind).map((e) => e.id),
  );
  return entries.filter((e) => (e.kind === 'retracted' ? shown.has(e.entry) : shown.has(e.id)));
}
