import type { CaseState } from '@pincer/core/case';

/** Places of the entries in the log, by id. */
export function placesOf(state: CaseState): ReadonlyMap<string, number> {
  return new Map(state.entries.map((e, i) => [e.id, i]));
}

/**
 * Whether the fault was seen again after a repair and before the next one: told of a drive, or read again after a
 * clear. What was stored before and never cleared says nothing about the repair.
 * @param repair id of the repair's entry.
 * @param until id of the next repair's entry, or null.
 */
export function cameBackAfter(state: CaseState, repair: string, until: string | null): boolean {
  const places = placesOf(state);
  const placeOf = (id: string) => places.get(id) ?? -1;
  const to = until === null ? Infinity : placeOf(until);
  const isWithin = (id: string) => placeOf(id) > placeOf(repair) && placeOf(id) < to;
  if (state.drives.some((d) => d.cameBack === 'yes' && isWithin(d.id))) return true;
  return state.standing.clears.some(
    (c) => c.unit === null && isWithin(c.entry) && c.returned.some((r) => isWithin(r.entry)),
  );
}
