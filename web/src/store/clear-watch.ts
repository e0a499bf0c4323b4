import type { Entry } from '@pincer/core/case';
import type { AppThunk } from './store.ts';

/** What the way to a clear wants to be told of. */
export interface ClearWatch {
  /** An entry was added. @param isOwn whether this page has made it. */
  entry: (caseId: string, entry: Entry, isOwn: boolean) => AppThunk<Promise<void>>;
  /** Time has passed. */
  time: (caseId: string) => AppThunk<Promise<void>>;
}

let watch: ClearWatch | null = null;

/** Called by the way to a clear when it is loaded: before that there is nothing that could be overtaken. */
export function watchOver(its: ClearWatch): void {
  watch = its;
}

/** The way to a clear, told at once, in the order in which things happen; null while it is not loaded. */
export const clearWatch = (): ClearWatch | null => watch;
