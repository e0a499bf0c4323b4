import type { CaseRecord, Entry } from '@pincer/core/case';

/** Cases whose entries the worker keeps; the one asked for longest ago makes way. */
const KEPT = 40;

/** A case as it goes to the worker: what it has not had yet. */
export interface CasePart {
  head: Omit<CaseRecord, 'entries'>;
  /** How many entries the worker has already; they stand before the fresh ones. */
  known: number;
  fresh: readonly Entry[];
  /** A case that the worker need not keep any longer. */
  forget: string | null;
}

/** This page's side: remembers what the worker has had. Entries never change, so that the same object is the same entry. */
export class SentCases {
  private readonly sent = new Map<string, readonly Entry[]>();

  /** What has to be sent of a case so that the worker has all of it. */
  partOf({ entries, ...head }: CaseRecord): CasePart {
    const before = this.sent.get(head.id) ?? [];
    const isLonger = before.length <= entries.length && before.every((e, i) => e === entries[i]);
    const known = isLonger ? before.length : 0;
    // Taken out and put in again: the one at the front was asked for longest ago.
    this.sent.delete(head.id);
    this.sent.set(head.id, entries);
    const oldest = this.sent.size > KEPT ? (this.sent.keys().next().value ?? null) : null;
    if (oldest !== null) this.sent.delete(oldest);
    return { head, known, fresh: entries.slice(known), forget: oldest };
  }

  /** Something went wrong on the way: the case is sent whole the next time. */
  lost(caseId: string): void {
    this.sent.delete(caseId);
  }
}

/** The worker's side: puts the cases together again. */
export class ReceivedCases {
  private readonly received = new Map<string, Entry[]>();

  /** The whole case; null where something that was sent has not come, and all of it has to be sent again. */
  wholeOf({ head, known, fresh, forget }: CasePart): CaseRecord | null {
    const had = this.received.get(head.id) ?? [];
    if (had.length < known) return null;
    const entries = [...had.slice(0, known), ...fresh];
    this.received.set(head.id, entries);
    if (forget !== null) this.received.delete(forget);
    return { ...head, entries };
  }
}
