import type { Records } from './database.ts';

/** Rows and keys that are fetched at once: so many take a few milliseconds to come out of the database. */
const ROWS_AT_ONCE = 100;
const KEYS_AT_ONCE = 1_000;
/** How long the page is worked on without a pause, ms. */
const STRETCH_MS = 12;

/**
 * Every row, or those of a range, in the order of their keys: some at a time, in the transaction that is given.
 * @param alive called with each of them.
 */
export async function rowsIn(
  records: Records<'readonly'>,
  alive: () => void,
  range?: IDBKeyRange,
): Promise<(readonly [key: string, stored: unknown])[]> {
  const rows: (readonly [string, unknown])[] = [];
  let rest = range;
  for (;;) {
    const [keys, values] = await Promise.all([
      records.getAllKeys(rest, ROWS_AT_ONCE),
      records.getAll(rest, ROWS_AT_ONCE),
    ]);
    alive();
    keys.forEach((key, i) => rows.push([key, values[i]]));
    const last = keys.at(-1);
    if (last === undefined || keys.length < ROWS_AT_ONCE) return rows;
    rest =
      range === undefined
        ? IDBKeyRange.lowerBound(last, true)
        : IDBKeyRange.bound(last, range.upper, true, range.upperOpen);
  }
}

/** The key of every row, some at a time, in the transaction that is given. */
export async function keysIn(records: Records<'readonly'>, alive: () => void): Promise<Set<string>> {
  const all = new Set<string>();
  let rest: IDBKeyRange | undefined;
  for (;;) {
    const keys = await records.getAllKeys(rest, KEYS_AT_ONCE);
    alive();
    for (const key of keys) all.add(key);
    const last = keys.at(-1);
    if (last === undefined || keys.length < KEYS_AT_ONCE) return all;
    rest = IDBKeyRange.lowerBound(last, true);
  }
}

/** Tells when work on the page has gone on for long enough, and lets the page draw and answer in between. */
export function startPace(): { isDue: () => boolean; rest: () => Promise<void> } {
  let since = performance.now();
  return {
    isDue: () => performance.now() - since > STRETCH_MS,
    rest: async () => {
      await nextTask();
      since = performance.now();
    },
  };
}

/** The next task of the page. A timer would wait a second in a page that is not in front; a message does not. */
export function nextTask(): Promise<void> {
  return new Promise((resolve) => {
    const { port1, port2 } = new MessageChannel();
    port1.onmessage = () => {
      port1.close();
      resolve();
    };
    port2.postMessage(null);
  });
}
