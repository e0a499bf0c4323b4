import type { Entry } from './entries.ts';

/** Most entries refer to none, and a log may have thousands. */
const NO_REFERENCES: readonly string[] = [];

/** Ids of the entries that an entry refers to: it cannot have happened before them. */
export function referencesOf(entry: Entry): readonly string[] {
  switch (entry.kind) {
    case 'retracted':
      return [entry.entry];
    case 'clear-asked':
      return [entry.afterScan];
    case 'clear':
      return entry.asked === undefined ? [entry.afterScan] : [entry.afterScan, entry.asked];
    case 'scan':
      return entry.continues === undefined ? NO_REFERENCES : [entry.continues];
    default:
      return NO_REFERENCES;
  }
}

const NONE: ReadonlySet<Entry> = new Set();

/** Moments as this application writes them are ordered as their letters are; a file made by hand may be less exact. */
const isBefore = (a: string, b: string): boolean =>
  a.length === b.length ? a < b : Date.parse(a) < Date.parse(b);

/** Whether each entry stands after the one before it and after all that it refers to, as in a log that was kept here. */
function isInOrder(entries: readonly Entry[]): boolean {
  const referredTo = new Set<string>();
  let before: Entry | undefined;
  for (const entry of entries) {
    if (before && !isBefore(before.at, entry.at)) {
      // Of one moment: first what refers to less, then the smaller id.
      const isNext = before.at === entry.at && before.id < entry.id;
      if (!isNext || referencesOf(before).length > 0) return false;
    }
    if (referredTo.has(entry.id)) return false;
    for (const id of referencesOf(entry)) referredTo.add(id);
    before = entry;
  }
  return true;
}

/**
 * The entries in the order in which things happened: by moment, then by id, wherever they stand in the list; an entry
 * never before one that it refers to, even where two devices' clocks disagree. A file made by hand may refer in a circle:
 * nothing then says which came first, and the id decides.
 */
export function inOrder(entries: readonly Entry[]): Entry[] {
  if (isInOrder(entries)) return [...entries];
  const byId = new Map(entries.map((e) => [e.id, e]));
  /** All that an entry refers to, at first or second hand. Of two entries the one that refers to the other has more. */
  const referredTo = (entry: Entry): ReadonlySet<Entry> => {
    if (referencesOf(entry).length === 0) return NONE;
    const found = new Set<Entry>();
    const open = [entry];
    for (let next = open.pop(); next; next = open.pop())
      for (const id of referencesOf(next)) {
        const other = byId.get(id);
        if (!other || found.has(other)) continue;
        found.add(other);
        open.push(other);
      }
    return found;
  };
  return entries
    .map((entry) => {
      const before = referredTo(entry);
      let moment = Date.parse(entry.at);
      for (const other of before) moment = Math.max(moment, Date.parse(other.at));
      return { entry, moment, depth: before.size };
    })
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
  const latest = entries.reduce<string | null>((max, e) => (max && isBefore(e.at, max) ? max : e.at), null);
  const last = latest === null ? -Infinity : Date.parse(latest);
  // Minus zero would not survive the way through a file.
  const offsetMinutes = 0 - now.getTimezoneOffset();
  if (now.getTime() > last) return { at: now.toISOString(), offsetMinutes };
  return { at: new Date(last + 1).toISOString(), offsetMinutes, clockAt: now.toISOString() };
}
