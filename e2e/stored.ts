import { type Page } from '@playwright/test';

/** Storage as a way through the interface left it: every database, and what lies beside them. */
interface Kept {
  path: string;
  databases: {
    name: string;
    version: number;
    stores: {
      name: string;
      keyPath: string | string[] | null;
      autoIncrement: boolean;
      indexes: { name: string; keyPath: string | string[]; unique: boolean; multiEntry: boolean }[];
      keys: IDBValidKey[];
      values: unknown[];
    }[];
  }[];
  beside: [string, string][];
}

/** It stays in the page that opens the others, so that what is stored is never written as text. */
type Keeper = Window & { kept?: Map<string, Kept> };

/** Reads all that the origin has stored and keeps it under a name. */
async function keep({ name, path }: { name: string; path: string }): Promise<void> {
  const answered = <T>(request: IDBRequest<T>) =>
    new Promise<T>((resolve, reject) => {
      request.onsuccess = () => {
        resolve(request.result);
      };
      request.onerror = () => {
        reject(request.error ?? new Error('IndexedDB'));
      };
    });
  const databases: Kept['databases'] = [];
  for (const { name: database = '' } of await indexedDB.databases()) {
    const open = await answered(indexedDB.open(database));
    const stores: Kept['databases'][number]['stores'] = [];
    for (const store of open.objectStoreNames) {
      const from = open.transaction(store).objectStore(store);
      const [keys, values] = await Promise.all([answered(from.getAllKeys()), answered(from.getAll())]);
      stores.push({
        name: store,
        keyPath: from.keyPath,
        autoIncrement: from.autoIncrement,
        indexes: [...from.indexNames].map((index) => {
          const { keyPath, unique, multiEntry } = from.index(index);
          return { name: index, keyPath, unique, multiEntry };
        }),
        keys,
        values: values as unknown[],
      });
    }
    databases.push({ name: database, version: open.version, stores });
    open.close();
  }
  const beside = Object.entries(localStorage) as [string, string][];
  ((window as Keeper).kept ??= new Map()).set(name, { path, databases, beside });
}

/** Stores again what was kept under a name. @returns the path of the page where it was kept; null where nothing was */
async function putBack(name: string): Promise<string | null> {
  const kept = (window as Keeper).kept?.get(name);
  if (!kept) return null;
  for (const { name: database, version, stores } of kept.databases)
    await new Promise<void>((resolve, reject) => {
      const request = indexedDB.open(database, version);
      request.onerror = () => {
        reject(request.error ?? new Error('IndexedDB'));
      };
      request.onupgradeneeded = () => {
        for (const { name: store, keyPath, autoIncrement, indexes, keys, values } of stores) {
          const into = request.result.createObjectStore(store, { keyPath, autoIncrement });
          for (const index of indexes) into.createIndex(index.name, index.keyPath, index);
          values.forEach((value, i) => void (keyPath === null ? into.put(value, keys[i]) : into.put(value)));
        }
      };
      request.onsuccess = () => {
        request.result.close();
        resolve();
      };
    });
  for (const [key, value] of kept.beside) localStorage.setItem(key, value);
  return kept.path;
}

/** The smallest document of the program's own, where every test that shares a window begins. */
export const EMPTY_PAGE = '/api/config';

const keepers = new WeakMap<ReturnType<Page['context']>, Page>();

/** Tests in the window of this page begin from what another one has stored, where both begin alike. */
export function keepsIn(opener: Page): void {
  keepers.set(opener.context(), opener);
}

/**
 * Goes a way through the interface that many tests begin with. In a window that tests share it is gone once; later ones
 * find stored what it has stored, and load its last page.
 * @param way ends where all of it is stored
 * @param place another page to end at
 */
export async function stored(
  page: Page,
  name: string,
  way: () => Promise<void>,
  place?: string,
): Promise<void> {
  // Only storage that is still empty, under no page that has opened it.
  const opener = page.url().endsWith(EMPTY_PAGE) ? keepers.get(page.context()) : undefined;
  const path = await opener?.evaluate(putBack, name);
  if (path) {
    await page.goto(place ?? path);
    return;
  }
  await way();
  await opener?.evaluate(keep, { name, path: new URL(page.url()).pathname });
  if (place !== undefined) await page.goto(place);
}
