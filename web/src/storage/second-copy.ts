import { deflateSync, inflateSync, strFromU8, strToU8 } from 'fflate';
import { COPY, copiedKeys } from './copied-keys.ts';
import type { CopiedRecord } from '../ports/copy-file.ts';
import { localStore } from './local-store.ts';

/** The store holds five million characters, and what is typed and not recorded has to find room in it. */
const MAX_CHARS = 3_500_000;

const packed = (stored: unknown): string =>
  // One character a byte: the browser then keeps them as bytes.
  strFromU8(deflateSync(strToU8(JSON.stringify({ at: Date.now(), stored }))), true);

function unpacked(text: string): { at: number; stored: unknown } | null {
  try {
    const read: unknown = JSON.parse(strFromU8(inflateSync(strToU8(text, true))));
    return typeof read === 'object' && read !== null && 'stored' in read && 'at' in read
      ? { at: Number(read.at), stored: read.stored }
      : null;
  } catch {
    return null;
  }
}

/**
 * How many characters all copies have; null where they have to be counted. A log of years has thousands, and is written to at
 * every touch.
 */
let counted: number | null = null;
// Other pages copy and forget too.
(globalThis as Partial<typeof globalThis>).addEventListener?.('storage', ({ key }) => {
  if (key === null || key.startsWith(COPY)) counted = null;
});

/**
 * Copies records. @param makesWay whether the copies made longest ago make way where there is no room: for what was
 * recorded now they do, for what is older they stay. @returns whether all of them are copied.
 */
export function copyRecords(records: readonly CopiedRecord[], makesWay = true): boolean {
  const store = localStore();
  if (!store) return false;
  let total = counted ?? copiedKeys().reduce((sum, key) => sum + sizeOf(store, key), 0);
  counted = null;
  for (const { key, stored } of records) {
    const text = packed(stored);
    const was = sizeOf(store, key);
    if (total - was + text.length > MAX_CHARS && makesWay) total -= makeRoom(store, total + text.length);
    if (total - was + text.length > MAX_CHARS) return false;
    try {
      store.setItem(COPY + key, text);
    } catch {
      return false;
    }
    total += text.length - was;
  }
  counted = total;
  return true;
}

const sizeOf = (store: Storage, key: string): number => (store.getItem(COPY + key) ?? '').length;

/** Forgets the copies made longest ago, a tenth more than has to go: the next records need no new search. @returns how much. */
function makeRoom(store: Storage, wanted: number): number {
  const byAge = copiedKeys()
    .map((key) => ({ key, text: store.getItem(COPY + key) ?? '' }))
    .map(({ key, text }) => ({ key, size: text.length, at: unpacked(text)?.at ?? 0 }))
    .sort((a, b) => a.at - b.at);
  let freed = 0;
  for (const { key, size } of byAge) {
    if (wanted - freed <= MAX_CHARS * 0.9) break;
    store.removeItem(COPY + key);
    freed += size;
  }
  return freed;
}

/** The copies of records; one that cannot be read is passed over. */
export function copiesOf(keys: readonly string[]): CopiedRecord[] {
  return keys.flatMap((key) => {
    const read = unpacked(localStore()?.getItem(COPY + key) ?? '');
    return read ? [{ key, stored: read.stored }] : [];
  });
}

/** Forgets the copies of some records. */
export function forgetCopies(keys: readonly string[]): void {
  counted = null;
  for (const key of keys) localStore()?.removeItem(COPY + key);
}
