import { now } from '../clock.ts';
import type { KeptFile } from '../ports/kept-file.ts';
import { setBackupDue } from '../storage/backup-due.ts';
import { storageError } from '../storage/database.ts';
import { exportAll, restoreAll, type RestoreOutcome } from './archive-actions.ts';
import { keptFileSlice } from './kept-file-slice.ts';
import { ownCases } from './logbook-selectors.ts';
import type { LogbookState } from './logbook-slice.ts';
import type { AppThunk } from './store.ts';

const { keptFileChanged } = keptFileSlice.actions;

/** How it is called where the owner gives it no other name. */
const NAME = 'pincer-backup.zip';

/** How often, and after how long, it is tried again while another page writes. */
const TRIES = 5;
const AGAIN_MS = 2_000;

const entriesOf = (logbook: LogbookState): number =>
  ownCases(logbook).reduce((sum, c) => sum + c.entries.length, 0);

/** Why the browser or the disk did not take it. */
function refusal(error: unknown): { why: string; next: string } {
  const name = error instanceof DOMException ? error.name : '';
  if (name === 'NotFoundError')
    return {
      why: 'The file or its folder is not there any more',
      next: 'Plug the disk in again, or choose another file.',
    };
  if (name === 'NotAllowedError')
    return { why: 'The browser does not let this page write it', next: 'Choose the file again.' };
  if (name === 'QuotaExceededError')
    return { why: 'There is no room left on its disk', next: 'Make room, then try again.' };
  const { message } = storageError(error);
  return { why: message, next: 'Try again. If that does not help, choose another file.' };
}

export type KeepOutcome =
  | { kept: true; restored: Extract<RestoreOutcome, { ok: true }>['restored'] | null }
  | { kept: false; why: string };

/**
 * Lets the owner choose the file that every change is written into. What an earlier backup holds is brought in before
 * it is written over; a file that holds something else is left alone.
 * @returns null where none was chosen.
 */
export function chooseKeptFile(): AppThunk<Promise<KeepOutcome | null>> {
  return async (dispatch, _, { keptFile }) => {
    try {
      const chosen = await keptFile.choose(NAME);
      if (!chosen) return null;
      let restored: Extract<KeepOutcome, { kept: true }>['restored'] = null;
      if (chosen.content.size > 0) {
        const outcome = await dispatch(restoreAll(chosen.content));
        if (!outcome.ok)
          return {
            kept: false,
            why: 'It holds something else, which would be lost. Choose another name. Nothing was changed.',
          };
        if (outcome.restored.problems.length + outcome.restored.strikeOutsLeft > 0)
          return {
            kept: false,
            why: 'Part of what it holds could not be brought in, and would be lost. Choose another name.',
          };
        ({ restored } = outcome);
      }
      await chosen.keep();
      await dispatch(writeKeptFile());
      return { kept: true, restored };
    } catch (error) {
      return { kept: false, why: `${refusal(error).why}. ${refusal(error).next}` };
    }
  };
}

/** Asks the browser to let the file be written again, then writes it. */
export function allowKeptFile(): AppThunk<Promise<void>> {
  return async (dispatch, _, { keptFile }) => {
    if (await keptFile.allow().catch(() => false)) await dispatch(writeKeptFile());
  };
}

/** Writes everything into the backup file, where there is one; one page at a time. */
export function writeKeptFile(): AppThunk<Promise<void>> {
  return async (dispatch, _, { tabs }) => {
    for (let tries = 0; tries < TRIES; tries++) {
      const isDone = await tabs.alone('kept-file', async () => {
        await dispatch(write());
        return true;
      });
      if (isDone) return;
      // The other page may not have heard yet of what is written for.
      await new Promise((resolve) => setTimeout(resolve, AGAIN_MS));
    }
  };
}

function write(): AppThunk<Promise<void>> {
  return async (dispatch, getState, { keptFile }) => {
    let file: KeptFile | null;
    try {
      file = await keptFile.current();
    } catch (error) {
      // Nobody knows whether there is one: where one was known, it is not being written.
      const before = getState().keptFile;
      if ('name' in before) dispatch(keptFileChanged({ at: 'failed', name: before.name, ...refusal(error) }));
      return;
    }
    if (!file) {
      dispatch(keptFileChanged({ at: 'none' }));
      return;
    }
    const { name } = file;
    // Before everything is read there is nothing to write.
    if (getState().logbook.status !== 'ready') return;
    if (!file.mayWrite) {
      dispatch(keptFileChanged({ at: 'waiting', name }));
      return;
    }
    try {
      const entries = entriesOf(getState().logbook);
      // Entries are never taken away one by one: less of them means that the browser has lost some.
      if (entries < file.entries) {
        dispatch(
          keptFileChanged({
            at: 'failed',
            name,
            why: `It holds ${file.entries} entries, and this logbook only ${entries}`,
            next: 'Restore everything from it first.',
          }),
        );
        return;
      }
      // What changes while it is written is due again.
      setBackupDue(false);
      await keptFile.write(await dispatch(exportAll()), entries);
      dispatch(keptFileChanged({ at: 'current', name, writtenAt: now().toISOString() }));
    } catch (error) {
      setBackupDue(true);
      dispatch(keptFileChanged({ at: 'failed', name, ...refusal(error) }));
    }
  };
}

/** Writes the file no more; it stays as it is. */
export function forgetKeptFile(): AppThunk<Promise<void>> {
  return async (dispatch, _, { keptFile }) => {
    await keptFile.forget().catch(() => undefined);
    dispatch(keptFileChanged({ at: 'none' }));
  };
}
