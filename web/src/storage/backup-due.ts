import { localStore } from './local-store.ts';

/** Do not rename: it stands from one visit to the next. */
const DUE = 'pincer:backup-due';

/** Notes that something has changed since the backup file was written: a page that is closed first leaves it to the next. */
export function setBackupDue(isDue: boolean): void {
  try {
    if (isDue) localStore()?.setItem(DUE, '1');
    else localStore()?.removeItem(DUE);
  } catch {
    // No room for the note: the next change writes the file all the same.
  }
}

export const isBackupDue = (): boolean => localStore()?.getItem(DUE) === '1';
