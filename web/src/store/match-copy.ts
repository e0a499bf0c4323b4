import { copiedKeys } from '../storage/copied-keys.ts';
import { OF_LOGBOOK, putMissing, rawRecords, storedKeys } from '../storage/records.ts';
import type { CopiedRecord, CopyFilePort } from '../ports/copy-file.ts';
import { logbookSlice } from './logbook-slice.ts';
import { takeInStored } from './take-in.ts';
import type { AppThunk } from './store.ts';

/** A file that does not answer is asked again so often, and after how long, ms: another page that is just gone may still have held it. */
const TRIES = 3;
const AGAIN_MS = 3_000;

/** Records that are copied without a pause. */
const AT_ONCE = 25;

/**
 * Compares storage with the second copy: what storage has lost is put back, and said; what the copy lacks is added to it.
 * Nothing that storage has is changed by it.
 */
export function matchSecondCopy(tries = TRIES): AppThunk<Promise<void>> {
  return async (dispatch) => {
    try {
      const isWhole = await dispatch(match());
      if (!isWhole && tries > 1) setTimeout(() => void dispatch(matchSecondCopy(tries - 1)), AGAIN_MS);
    } catch {
      // Storage that cannot be read is said elsewhere; the copy stays for the next start.
    }
  };
}

/** @returns whether all of the copy could be looked at. */
function match(): AppThunk<Promise<boolean>> {
  return async (dispatch, _, { copyFile }) => {
    const packed = new Set(copiedKeys().filter((k) => OF_LOGBOOK.test(k)));
    const answer = await copyFile.keys();
    const filed = new Set((answer ?? []).filter((k) => OF_LOGBOOK.test(k)));
    const stored = await storedKeys();
    // A new logbook: there is nothing to unpack, and nothing to pack.
    if (packed.size + filed.size + stored.size === 0) return answer !== null;
    const lost = await copied(
      copyFile,
      [...filed].filter((k) => !stored.has(k)),
      [...packed].filter((k) => !stored.has(k)),
    );
    if (lost.length > 0) {
      await putMissing(lost);
      await dispatch(takeInStored());
      dispatch(logbookSlice.actions.broughtBack(lost.length));
    }
    const own = [...stored].filter((k) => OF_LOGBOOK.test(k));
    if (answer !== null)
      await addTo(
        own.filter((k) => !filed.has(k)),
        (records) => copyFile.put(records),
      );
    const { copyRecords } = await import('../storage/second-copy.ts');
    await addTo(
      own.filter((k) => !packed.has(k)),
      // What is older takes no newer copy's place.
      (records) => copyRecords(records, false),
    );
    return answer !== null;
  };
}

/** The copies of some records, each once: from the file where it has them, which is written sooner. */
async function copied(
  copyFile: CopyFilePort,
  filed: readonly string[],
  packed: readonly string[],
): Promise<CopiedRecord[]> {
  const found = await copyFile.of(filed);
  const has = new Set(found.map((r) => r.key));
  const rest = packed.filter((k) => !has.has(k));
  if (rest.length === 0) return found;
  const { copiesOf } = await import('../storage/second-copy.ts');
  return [...found, ...copiesOf(rest)];
}

/** Some at a time: a logbook of years must not hold the page up. Ends where there is no room for more. */
async function addTo(
  keys: readonly string[],
  put: (records: readonly CopiedRecord[]) => boolean | Promise<boolean>,
): Promise<void> {
  for (let from = 0; from < keys.length; from += AT_ONCE) {
    if (!(await put(await rawRecords(keys.slice(from, from + AT_ONCE))))) return;
    await new Promise((resolve) => setTimeout(resolve));
  }
}

/**
 * Puts records into the second copy. They are not read back from storage, which may be gone by then. Nobody waits for it:
 * what fails is made good at the next start.
 */
export function copy(records: readonly CopiedRecord[]): AppThunk<Promise<void>> {
  return async (_, __, { copyFile }) => {
    try {
      await copyFile.put(records);
      const { copyRecords } = await import('../storage/second-copy.ts');
      copyRecords(records);
    } catch {
      // The database has it, and that is what counts.
    }
  };
}

/** Forgets the copies of records that are to go, or of all of them. */
export function forgetCopies(keys: readonly string[] | 'all'): AppThunk<Promise<void>> {
  return async (_, __, { copyFile }) => {
    await copyFile.forget(keys);
    const packed = await import('../storage/second-copy.ts');
    packed.forgetCopies(keys === 'all' ? copiedKeys() : keys);
  };
}
