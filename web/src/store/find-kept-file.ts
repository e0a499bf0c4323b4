import { keptFileSlice } from './kept-file-slice.ts';
import { isBackupDue } from '../storage/backup-due.ts';
import type { AppThunk } from './store.ts';

/** Looks whether there is a backup file from an earlier visit, and writes it where a change is not in it yet. */
export function findKeptFile(): AppThunk<Promise<void>> {
  return async (dispatch, getState, { keptFile }) => {
    if (!keptFile.isPossible()) {
      dispatch(keptFileSlice.actions.keptFileChanged({ at: 'impossible' }));
      return;
    }
    const file = await keptFile.current().catch(() => null);
    // It may have been chosen meanwhile.
    if (!file || getState().keptFile.at !== 'none') return;
    const { name } = file;
    dispatch(
      keptFileSlice.actions.keptFileChanged(
        file.mayWrite ? { at: 'current', name, writtenAt: null } : { at: 'waiting', name },
      ),
    );
    if (!file.mayWrite || !isBackupDue()) return;
    const { writeKeptFile } = await import('./kept-file-actions.ts');
    await dispatch(writeKeptFile());
  };
}
