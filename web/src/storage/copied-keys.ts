import { keysUnder } from './local-store.ts';

/**
 * A second copy of every record, in the browser's other store. A disk that runs full while the browser is killed can
 * cost it the database of a page at one stroke, and with it every file and every cache of that page; `localStorage` lies
 * apart from those. The copy is only ever read to bring back what the database has lost.
 */
export const COPY = 'pincer:copy:';

/** The keys of the records that have a second copy. */
export const copiedKeys = (): string[] => keysUnder(COPY);
