import { openDB, type DBSchema, type IDBPDatabase, type IDBPObjectStore } from 'idb';
import { whileAlive, within } from './within.ts';

/** Do not rename: this is where the owners' data are. */
const DATABASE = 'pincer';
const RECORDS = 'records';
/** The samples of recordings, written by another room in long pieces. */
const RECORDINGS = 'recordings';
/** Pictures and files of the log, by the id that their entry names. */
const ATTACHMENTS = 'attachments';
const STORES = [RECORDS, RECORDINGS, ATTACHMENTS] as const;

interface Schema extends DBSchema {
  records: { key: string; value: unknown };
  recordings: { key: string; value: unknown };
  attachments: { key: string; value: unknown };
}

/** How long storage may take to open, and how long it may stay silent at work, before it counts as hanging, ms. */
const OPEN_MS = 10_000;
const WORK_MS = 20_000;

export type StorageFault = 'none' | 'refused' | 'blocked' | 'hangs' | 'full' | 'unfit' | 'newer' | 'broken';

const WORDS: Readonly<Record<StorageFault, readonly [what: string, next: string]>> = {
  none: [
    'This browser keeps no data for web pages, or that is switched off',
    'Allow this page to keep data in the browser’s settings, or use another browser.',
  ],
  refused: [
    'The browser would not open its storage',
    'Make room on this device, save the case as a file, then start the browser again. If this is a private window, leave it.',
  ],
  blocked: [
    'Another page of Pincer keeps an older storage open',
    'Close the other pages of Pincer, then load this one again.',
  ],
  hangs: [
    'The browser’s storage does not answer',
    'Close the other pages of Pincer, or start the browser again.',
  ],
  full: [
    'There is no room left for this page on this device',
    'Make room, then try again. If that does not help, save the case as a file and start the browser again.',
  ],
  unfit: ['It does not fit what can be kept', 'Save the case as a file, and record it again.'],
  newer: [
    'This case holds entries of a newer Pincer',
    'Open it with the newer version; this one only shows it.',
  ],
  broken: [
    'The browser’s storage failed',
    'Try again. If that does not help, save the case as a file and start the browser again.',
  ],
};

/** Why something could not be read or kept. */
export class StorageError extends Error {
  override readonly name = 'StorageError';
  /** What to do about it, a plain sentence. */
  readonly next: string;

  constructor(
    readonly fault: StorageFault,
    detail = '',
  ) {
    const [what, next] = WORDS[fault];
    super(detail === '' ? what : `${what} (${detail})`);
    this.next = next;
  }
}

/** Any error of the database as one that can be shown. */
export function storageError(error: unknown): StorageError {
  if (error instanceof StorageError) return error;
  const name = error instanceof Error || error instanceof DOMException ? error.name : '';
  const detail = error instanceof Error || error instanceof DOMException ? error.message : '';
  if (name === 'QuotaExceededError' || /quota|disk|space/i.test(detail)) return new StorageError('full');
  return new StorageError('broken', detail);
}

const hangs = (): StorageError => new StorageError('hangs');

type Database = IDBPDatabase<Schema>;
let opened: Promise<Database> | null = null;

const lostListeners = new Set<() => void>();

/** Calls back when the browser or another page has closed or dropped the storage under this one. @returns how to stop. */
export function onStorageLost(heard: () => void): () => void {
  lostListeners.add(heard);
  return () => lostListeners.delete(heard);
}

function forget(): void {
  opened = null;
}

function lose(): void {
  forget();
  for (const heard of lostListeners) heard();
}

async function openAt(version: number | undefined, onBlocked: () => void): Promise<Database> {
  return openDB<Schema>(DATABASE, version, {
    upgrade: (db) => {
      for (const name of STORES) if (!db.objectStoreNames.contains(name)) db.createObjectStore(name);
    },
    blocked: onBlocked,
    // Another page wants to change or to drop it: let it, and open anew when it is wanted again.
    blocking: (_current, _blocked, event) => {
      (event.target as IDBDatabase).close();
      lose();
    },
    terminated: lose,
  });
}

async function openBoth(): Promise<Database> {
  if (!(globalThis as Partial<typeof globalThis>).indexedDB) throw new StorageError('none');
  const seen = { isBlocked: false };
  const onBlocked = () => {
    seen.isBlocked = true;
  };
  try {
    const open = async () => {
      const db = await openAt(undefined, onBlocked);
      const lacks = STORES.some((n) => !db.objectStoreNames.contains(n));
      if (!lacks) return db;
      const next = db.version + 1;
      db.close();
      return openAt(next, onBlocked);
    };
    return await within(open(), OPEN_MS, hangs);
  } catch (error) {
    if (seen.isBlocked) throw new StorageError('blocked');
    const known = storageError(error);
    throw known.fault === 'broken' ? new StorageError('refused') : known;
  }
}

function open(): Promise<Database> {
  opened ??= openBoth().catch((error: unknown) => {
    forget();
    throw error;
  });
  return opened;
}

/** A store within one transaction. */
type StoreIn<N extends typeof RECORDS | typeof ATTACHMENTS, M extends IDBTransactionMode> = IDBPObjectStore<
  Schema,
  [N],
  N,
  M
>;
/** The records within one transaction. */
export type Records<M extends IDBTransactionMode> = StoreIn<typeof RECORDS, M>;

/**
 * Runs one transaction over the records. What it writes is on the disk when this resolves (strict durability), all of it
 * or nothing.
 * @param run told how to say that it goes on, where it takes several steps.
 * @throws StorageError with a plain sentence and a next step.
 */
export const transact = <M extends 'readonly' | 'readwrite', T>(
  mode: M,
  run: (store: Records<M>, alive: () => void) => Promise<T>,
): Promise<T> => transactIn(RECORDS, mode, run);

/** The same over the pictures and files of the log. */
export const transactAttachments = <M extends 'readonly' | 'readwrite', T>(
  mode: M,
  run: (store: StoreIn<typeof ATTACHMENTS, M>) => Promise<T>,
): Promise<T> => transactIn(ATTACHMENTS, mode, run);

async function transactIn<
  N extends typeof RECORDS | typeof ATTACHMENTS,
  M extends 'readonly' | 'readwrite',
  T,
>(name: N, mode: M, run: (store: StoreIn<N, M>, alive: () => void) => Promise<T>): Promise<T> {
  const once = async (alive: () => void): Promise<T> => {
    const db = await open();
    const transaction = db.transaction(name, mode, mode === 'readwrite' ? { durability: 'strict' } : {});
    try {
      const result = await run(transaction.store, alive);
      await transaction.done;
      return result;
    } catch (error) {
      // The transaction may have ended by itself; its own failure says more than that of one request in it.
      transaction.done.catch(() => undefined);
      try {
        transaction.abort();
      } catch {
        // It has ended.
      }
      throw transaction.error ?? error;
    }
  };
  try {
    return await whileAlive(
      (alive) =>
        once(alive).catch((error: unknown) => {
          // The connection was closed under it, by the browser or by another page: once more with a new one.
          if (!(error instanceof DOMException) || error.name !== 'InvalidStateError') throw error;
          forget();
          return once(alive);
        }),
      WORK_MS,
      hangs,
    );
  } catch (error) {
    throw storageError(error);
  }
}
