import type { Page } from '@playwright/test';

/** One row of the database as it lies there. */
export interface Row {
  key: string;
  value: unknown;
}

/** Everything that a store of the database holds, read past the application. */
export const rowsOf = (page: Page, store: 'records' | 'recordings'): Promise<Row[]> =>
  page.evaluate(
    (name) =>
      new Promise<Row[]>((resolve, reject) => {
        const open = indexedDB.open('pincer');
        open.onerror = () => reject(new Error('no database'));
        open.onsuccess = () => {
          const db = open.result;
          if (!db.objectStoreNames.contains(name)) {
            db.close();
            resolve([]);
            return;
          }
          const from = db.transaction(name).objectStore(name);
          const keys = from.getAllKeys();
          const values = from.getAll();
          values.onerror = () => reject(new Error('no records'));
          values.onsuccess = () => {
            db.close();
            const all = values.result as unknown[];
            resolve((keys.result as string[]).map((key, i) => ({ key, value: all[i] })));
          };
        };
      }),
    store,
  );

/** The keys of the entries that the database has. */
export const storedEntryKeys = async (page: Page): Promise<string[]> =>
  (await rowsOf(page, 'records')).map((r) => r.key).filter((k) => k.startsWith('entry:'));

/** What the page says of its log: how many entries, and whether they are on the disk. */
export async function logAsShown(page: Page): Promise<{ entries: number; state: string }> {
  const label = (await page.getByRole('link', { name: /^Log, / }).getAttribute('aria-label')) ?? '';
  const said = /^Log, (\d+) entr(?:y|ies), (.+)$/.exec(label);
  return { entries: Number(said?.[1] ?? 0), state: said?.[2] ?? 'nothing' };
}

/** How many entries the page says are saved; of those that are being saved it says nothing yet. */
export async function shownAsSaved(page: Page): Promise<number> {
  const { entries, state } = await logAsShown(page);
  return state === 'saved' ? entries : 0;
}

/** How many entries the second copy has: in its file, and in the browser's smaller store. */
export const copiesHeld = (page: Page): Promise<{ filed: number; packed: number }> =>
  page.evaluate(async () => {
    const packed = Object.keys(localStorage).filter((k) => k.includes(':copy:entry:')).length;
    try {
      const folder = await navigator.storage.getDirectory();
      const text = await (await (await folder.getFileHandle('second-copy')).getFile()).text();
      return { filed: text.split('{"key":"entry:').length - 1, packed };
    } catch {
      return { filed: -1, packed };
    }
  });
