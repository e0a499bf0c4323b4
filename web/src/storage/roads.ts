import * as z from 'zod/mini';
import { localStore } from './local-store.ts';

/** Do not rename: it stands from one visit to the next. */
const ROADS = 'pincer:roads';

const roadsSchema = z.record(z.string(), z.number());

/**
 * Keeps how far each open case may be driven as the garage showed it last, by the id of the case: for the order of the
 * garage alone, so that it does not change under a finger at each start. It is worked out anew all the same.
 */
export function keepRoads(shares: Readonly<Record<string, number>>): void {
  try {
    if (Object.keys(shares).length > 0) localStore()?.setItem(ROADS, JSON.stringify(shares));
    else localStore()?.removeItem(ROADS);
  } catch {
    // No room for it: the garage is put in order once more is known.
  }
}

/** What was kept; nothing where nothing was, or what is no such list. */
export function keptRoads(): Record<string, number> {
  try {
    return z.parse(roadsSchema, JSON.parse(localStore()?.getItem(ROADS) ?? '{}'));
  } catch {
    return {};
  }
}
