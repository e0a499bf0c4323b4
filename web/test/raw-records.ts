import 'fake-indexeddb/auto';
import { openDB, type IDBPDatabase } from 'idb';
import { loadAll } from '../src/storage/records.ts';

/** The records as they lie in the database, past the program: what another page, another version or a bad disk does. */
async function within<T>(run: (db: IDBPDatabase) => Promise<T>): Promise<T> {
  const db = await openDB('pincer');
  try {
    return await run(db);
  } finally {
    db.close();
  }
}

export const putRaw = (key: string, value: unknown) => within((db) => db.put('records', value, key));
export const getRaw = (key: string): Promise<unknown> => within((db) => db.get('records', key));
export const removeRaw = (key: string) => within((db) => db.delete('records', key));
export const rawKeys = () => within((db) => db.getAllKeys('records')) as Promise<string[]>;

/** Empties the database, or makes one. */
export async function emptyRecords(): Promise<void> {
  await loadAll();
  await within((db) => db.clear('records'));
}

type Write = (this: IDBObjectStore, value: unknown, key?: IDBValidKey) => IDBRequest<IDBValidKey>;
const { add, put } = IDBObjectStore.prototype as unknown as Record<'add' | 'put', Write>;
const real = { add, put };

/** A disk that does to every write what it is told to; `null` is a good one. */
export function setDisk(write: ((value: unknown) => unknown) | null): void {
  for (const name of ['add', 'put'] as const) {
    const through = real[name];
    const changed: Write = function (value, key) {
      return through.call(this, write ? write(value) : value, key);
    };
    IDBObjectStore.prototype[name] = changed;
  }
}

/** A disk with no room left. */
export const FULL = (): never => {
  throw new DOMException('The disk is full.', 'QuotaExceededError');
};
