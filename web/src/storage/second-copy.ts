import { deflateSync, inflateSync, strFromU8, strToU8 } from 'fflate';

/**
 * A second copy of every record, in the browser's other store. A disk that runs full while the browser is killed can
 * cost it the database of a page at one stroke, and with it every file and every cache of that page; `localStorage` lies
 * apart from those. The copy is only ever read to bring back what the database has lost.
 */
const COPY = 'pincer:copy:';
/** The store holds five million characters, and what is typed and not recorded has to find room in it. */
const MAX_CHARS = 3_500_000;

export interface CopiedRecord {
  key: string;
  /** The record as it lies in the database. */
  stored: unknown;
}

/** Null where the browser refuses it. */
function local(): Storage | null {
  try {
    return (globalThis as Partial<typeof globalThis>).localStorage ?? null;
  } catch {
    return null;
  }
}

/** The keys of the records that have a copy. */
export function copiedKeys(): string[] {
  const store = local();
  return Array.from({ length: store?.length ?? 0 }, (_, i) => store?.key(i) ?? '')
    .filter((k) => k.startsWith(COPY))
    .map((k) => k.slice(COPY.length));
}

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

/** Copies records. When there is no room the copies made longest ago make way. @returns whether all of them are copied. */
export function copyRecords(records: readonly CopiedRecord[]): boolean {
  const store = local();
  if (!store) return false;
  for (const { key, stored } of records) {
    const text = packed(stored);
    if (!makeRoom(store, text.length)) return false;
    try {
      store.setItem(COPY + key, text);
    } catch {
      return false;
    }
  }
  return true;
}

function makeRoom(store: Storage, wanted: number): boolean {
  const sizes = copiedKeys().map((key) => ({ key, size: (store.getItem(COPY + key) ?? '').length }));
  let total = sizes.reduce((sum, s) => sum + s.size, 0);
  if (total + wanted <= MAX_CHARS) return true;
  const byAge = sizes
    .map((s) => ({ ...s, at: unpacked(store.getItem(COPY + s.key) ?? '')?.at ?? 0 }))
    .sort((a, b) => a.at - b.at);
  for (const { key, size } of byAge) {
    // A tenth at once: the next records need no new search.
    if (total + wanted <= MAX_CHARS * 0.9) break;
    store.removeItem(COPY + key);
    total -= size;
  }
  return total + wanted <= MAX_CHARS;
}

/** The copies of records; one that cannot be read is passed over. */
export function copiesOf(keys: readonly string[]): CopiedRecord[] {
  return keys.flatMap((key) => {
    const read = unpacked(local()?.getItem(COPY + key) ?? '');
    return read ? [{ key, stored: read.stored }] : [];
  });
}

/** Forgets the copies of some records. */
export function forgetCopies(keys: readonly string[]): void {
  for (const key of keys) local()?.removeItem(COPY + key);
}
