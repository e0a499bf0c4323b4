import { expose } from 'comlink';
import { COPY_FILE, type CopiedRecord } from '../ports/copy-file.ts';
import { CopyLog, type PlainFile } from '../storage/copy-log.ts';

/** Another page that has just gone may still hold the file: how often it is tried again, and after how long, ms. */
const TRIES = 20;
const AGAIN_MS = 50;

interface OpenFile extends PlainFile {
  close: () => void;
}
/** What a worker’s file handles can do beyond those of a page. */
interface InPlace {
  createSyncAccessHandle: () => Promise<OpenFile>;
}

const log = new CopyLog(() => crypto.randomUUID());

async function opened(): Promise<OpenFile> {
  const folder = await navigator.storage.getDirectory();
  const file = (await folder.getFileHandle(COPY_FILE, { create: true })) as unknown as InPlace;
  for (let tries = 1; ; tries++)
    try {
      return await file.createSyncAccessHandle();
    } catch (error) {
      const isHeld = error instanceof DOMException && error.name === 'NoModificationAllowedError';
      if (!isHeld || tries >= TRIES) throw error;
      await new Promise((resolve) => setTimeout(resolve, AGAIN_MS));
    }
}

/** Opens the file for one piece of work, while no other page has it. */
const withFile = <T>(run: (file: PlainFile) => T): Promise<T> =>
  navigator.locks.request('pincer:second-copy', async () => {
    const file = await opened();
    try {
      // In browsers of some years ago these answered later; the log cannot wait for each of its reads.
      if (typeof (file.getSize() as unknown) !== 'number')
        throw new Error('Files are not read at once here.');
      return run(file);
    } finally {
      file.close();
    }
  });

const api = {
  keys: () => withFile((file) => log.keys(file)),
  of: (keys: readonly string[]) => withFile((file) => log.of(file, keys)),
  put: (records: readonly CopiedRecord[]) => withFile((file) => log.put(file, records)),
  forget: (keys: readonly string[] | 'all') => withFile((file) => log.forget(file, keys)),
};
export type CopyFileApi = typeof api;

expose(api);
