import { wrap, type Remote } from 'comlink';
import { COPY_FILE, NO_COPY_FILE, type CopyFilePort } from '../ports/copy-file.ts';
import { within } from '../storage/within.ts';
import type { CopyFileApi } from './copy-file.worker.ts';

/** How long the file may take before it counts as hanging, ms. */
const LONGEST_MS = 10_000;

let worker: Remote<CopyFileApi> | null = null;
const copyFile = (): Remote<CopyFileApi> =>
  (worker ??= wrap<CopyFileApi>(
    new Worker(new URL('./copy-file.worker.ts', import.meta.url), { type: 'module' }),
  ));

const ended = <T>(work: Promise<T>): Promise<T> =>
  within(work, LONGEST_MS, () => new Error('The second copy does not answer'));

/** What the file refuses is as if it were not there: the database is what counts. */
const orElse = <T>(work: Promise<T>, otherwise: T): Promise<T> => ended(work).catch(() => otherwise);

/** Whether the file is there, found out without the worker: a first visit has none. */
async function isThere(): Promise<boolean> {
  try {
    await (await navigator.storage.getDirectory()).getFileHandle(COPY_FILE);
    return true;
  } catch {
    return false;
  }
}

/** The file of this page, read and written in its worker; pages that are not served safely have none. */
export function browserCopyFile(): CopyFilePort {
  const { storage } = navigator as { storage?: Partial<StorageManager> };
  if (!storage?.getDirectory || !('locks' in navigator)) return NO_COPY_FILE;
  return {
    keys: async () => ((await isThere()) ? orElse<string[] | null>(copyFile().keys(), null) : []),
    of: (keys) => (keys.length === 0 ? Promise.resolve([]) : orElse(copyFile().of(keys), [])),
    put: (records) => orElse(copyFile().put(records), false),
    forget: async (keys) => {
      if (await isThere()) await ended(copyFile().forget(keys));
    },
  };
}
