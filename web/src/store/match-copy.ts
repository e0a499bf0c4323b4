import { copiedKeys } from '../storage/copied-keys.ts';
import { putMissing, rawRecords, storedKeys } from '../storage/records.ts';
import { logbookSlice } from './logbook-slice.ts';
import { takeInStored } from './take-in.ts';
import type { AppThunk } from './store.ts';

/** Records that are copied without a pause. */
const AT_ONCE = 25;

const OF_LOGBOOK = /^(case|entry|vehicle):/;

/**
 * Compares storage with the second copy: what storage has lost is put back, and said; what the copy lacks is added to it.
 * Nothing that storage has is changed by it.
 */
export function matchSecondCopy(): AppThunk<Promise<void>> {
  return async (dispatch) => {
    try {
      await dispatch(match());
    } catch {
      // Storage that cannot be read is said elsewhere; the copy stays for the next start.
    }
  };
}

function match(): AppThunk<Promise<void>> {
  return async (dispatch) => {
    const copied = new Set(copiedKeys().filter((k) => OF_LOGBOOK.test(k)));
    const stored = await storedKeys();
    // A new logbook: there is nothing to unpack, and nothing to pack.
    if (copied.size + stored.size === 0) return;
    const { copiesOf, copyRecords } = await import('../storage/second-copy.ts');
    const lost = copiesOf([...copied].filter((k) => !stored.has(k)));
    if (lost.length > 0) {
      await putMissing(lost);
      await dispatch(takeInStored());
      dispatch(logbookSlice.actions.broughtBack(lost.length));
    }
    const lacking = [...stored].filter((k) => OF_LOGBOOK.test(k) && !copied.has(k));
    // Some at a time: a logbook of years must not hold the page up. What is older takes no newer copy's place.
    for (let from = 0; from < lacking.length; from += AT_ONCE) {
      if (!copyRecords(await rawRecords(lacking.slice(from, from + AT_ONCE)), false)) return;
      await new Promise((resolve) => setTimeout(resolve));
    }
  };
}

/** Puts what storage has now into the second copy. Nobody waits for it: what fails is made good at the next start. */
export function copy(keys: readonly string[]): AppThunk<Promise<void>> {
  return async () => {
    try {
      const { copyRecords } = await import('../storage/second-copy.ts');
      copyRecords(await rawRecords(keys));
    } catch {
      // The database has it, and that is what counts.
    }
  };
}
