import type { Entry } from './entries.ts';

/** Ids of the entries that an entry refers to: it cannot have happened before them. */
export function referencesOf(entry: Entry): string[] {
  switch (entry.kind) {
    case 'retracted':
      return [entry.entry];
    case 'clear-asked':
      return [entry.afterScan];
    case 'clear':
      return entry.asked === undefined ? [entry.afterScan] : [entry.afterScan, entry.asked];
    case 'scan':
      return entry.continues === undefined ? [] : [entry.continues];
    default:
      return [];
  }
}

/**
 * The entries in the order in which things happened: by moment, then by id, wherever they stand in the list; an entry
 * never before one that it refers to, even where two devices' clocks disagree.
 */
export function inOrder(entries: readonly Entry[]): Entry[] {
  const byId = new Map(entries.map((e) => [e.id, e]));
  const moments = new Map<string, number>();
  const momentOf = (entry: Entry, above: ReadonlySet<string>): number => {
    const known = moments.get(entry.id);
    if (known !== undefined) return known;
    let moment = Date.parse(entry.at);
    const path = new Set(above).add(entry.id);
    for (const id of referencesOf(entry)) {
      const other = byId.get(id);
      // A file made by hand may refer in a circle; nothing then says which came first.
      if (other && !path.has(id)) moment = Math.max(moment, momentOf(other, path));
    }
    moments.set(entry.id, moment);
    return moment;
  };
  const depths = new Map<string, number>();
  const depthOf = (entry: Entry, above: ReadonlySet<string>): number => {
    const known = depths.get(entry.id);
    if (known !== undefined) return known;
    let depth = 0;
    const path = new Set(above).add(entry.id);
    for (const id of referencesOf(entry)) {
      const other = byId.get(id);
      if (other && !path.has(id) && momentOf(other, new Set()) === momentOf(entry, new Set()))
        depth = Math.max(depth, depthOf(other, path) + 1);
    }
    depths.set(entry.id, depth);
    return depth;
  };
  const nobody: ReadonlySet<string> = new Set();
  return entries
    .map((entry) => ({ entry, moment: momentOf(entry, nobody), depth: depthOf(entry, nobody) }))
    .sort(
      (a, b) =>
        a.moment - b.moment ||
        a.depth - b.depth ||
        (a.entry.id < b.entry.id ? -1 : a.entry.id > b.entry.id ? 1 : 0),
    )
    .map(({ entry }) => entry);
}

/**
 * The moment to stamp an entry with: the device's clock, or one millisecond after the last entry of the case where the
 * clock is behind it.
 * @param now of the device.
 * @returns UTC moment, and what the clock said where that was overruled.
 */
export function stampAfter(
  entries: readonly Entry[],
  now: Date,
): { at: string; offsetMinutes: number; clockAt?: string } {
  const last = entries.reduce((max, e) => Math.max(max, Date.parse(e.at)), -Infinity);
  // Minus zero would not survive the way through a file.
  const offsetMinutes = 0 - now.getTimezoneOffset();
  if (now.getTime() > last) return { at: now.toISOString(), offsetMinutes };
  return { at: new Date(last + 1).toISOString(), offsetMinutes, clockAt: now.toISOString() };
}
