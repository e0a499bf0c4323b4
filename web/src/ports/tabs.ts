import type { Entry } from '@pincer/core/case';

/** An entry that another page of this browser has stored. */
export interface TabMessage {
  caseId: string;
  entry: Entry;
}

/** The other pages of this browser that are open on the same logbook. */
export interface TabsPort {
  /** Tells the others of an entry that the database has. */
  tell: (message: TabMessage) => void;
  /** Calls back for each entry that another page tells of. @returns how to stop. */
  listen: (hear: (message: TabMessage) => void) => () => void;
  /**
   * Runs something that no other page may do at the same time.
   * @returns its result, or null without running it where another page is at it.
   */
  alone: <T>(name: string, run: () => Promise<T>) => Promise<T | null>;
}

/** A browser with one page, or one that cannot tell of the others. */
export const ALONE: TabsPort = {
  tell: () => undefined,
  listen: () => () => undefined,
  alone: (_, run) => run(),
};
