import type { ScanPart } from '@pincer/core/obd';
import { isStandardUnit, type PartStanding, type Standing } from './standing.ts';

/**
 * Parts that are not known as they are now: that nobody has read, or that a clear has erased and nobody has read since,
 * or that a unit which should answer did not tell.
 * @param counts which words count as a reading; all where nothing is said.
 */
export function unreadParts(
  standing: Standing,
  wanted: readonly ScanPart[],
  counts: (part: PartStanding) => boolean = () => true,
): ScanPart[] {
  // A unit of the map that has never answered is not fitted, for all that anybody knows.
  const parts = [...standing.parts.values()].filter(
    (p) => isStandardUnit(standing, p.unit) || p.status !== 'not-read',
  );
  return wanted.filter((part) => {
    const mine = parts.filter((p) => p.part === part);
    const isRead = mine.some((p) => (p.status === 'known' || p.status === 'empty') && counts(p));
    return !isRead || mine.some((p) => p.status === 'cleared' || p.missed !== null);
  });
}
