import type { CaseRecord, Entry } from '@pincer/core/case';
import type { Vehicle } from '@pincer/core/vehicle';

/** A case without its entries. */
export type CaseHead = Omit<CaseRecord, 'entries'>;

/** Something that another page of this browser has stored, or that it has emptied the logbook. */
export type TabMessage =
  | { caseId: string; entry: Entry }
  | { head: CaseHead }
  | { vehicle: Vehicle }
  | { emptied: true }
  /** A case without entries was taken away. */
  | { forgotten: string };

/** What a page may be doing that concerns the others: talking to an adapter, recording readings of a case. */
export interface Doing {
  what: 'connected' | 'recording';
  caseId: string;
}

/** The other pages of this browser that are open on the same logbook. */
export interface TabsPort {
  /** Tells the others of a record that the database has. */
  tell: (message: TabMessage) => void;
  /** Calls back for each record that another page tells of. @returns how to stop. */
  listen: (hear: (message: TabMessage) => void) => () => void;
  /**
   * Runs something that no other page may do at the same time.
   * @returns its result, or null without running it where another page is at it.
   */
  alone: <T>(name: string, run: () => Promise<T>) => Promise<T | null>;
  /** Says that this page does something until the function that it returns is called, or the page is gone. */
  begin: (doing: Doing) => () => void;
  /** Calls back with what other pages do, at once and whenever it changes. @returns how to stop. */
  watchOthers: (heard: (others: Doing[]) => void) => () => void;
  /**
   * Calls back when this page is looked at again after it slept, or another page has given a sign of life: what is
   * stored may have changed without a word. @returns how to stop.
   */
  onWake: (wake: () => void) => () => void;
}

/** A browser with one page, or one that cannot tell of the others. */
export const ALONE: TabsPort = {
  tell: () => undefined,
  listen: () => () => undefined,
  alone: (_, run) => run(),
  begin: () => () => undefined,
  watchOthers: () => () => undefined,
  onWake: () => () => undefined,
};
