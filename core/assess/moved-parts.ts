import { otherCylinder, type Evidence } from '@pincer/core/diagnosis';
import type { Standing } from '@pincer/core/case';
import { HAS_MOVED, SWAPS, findingOfCode, type Swap } from '@pincer/core/knowledge';
import { cylindersOf, type Vehicle } from '@pincer/core/vehicle';

/** A part that was exchanged with that of another cylinder and took the fault along. */
export interface MovedPart {
  /** The swap's check. */
  check: string;
  swap: Swap;
  from: number;
  to: number;
  at: string;
  /** Whether the memory was emptied since: what is read from then on tells where it fails now. */
  isEmptiedSince: boolean;
}

/**
 * Parts that a swap has shown to carry the fault, in the order in which they were exchanged.
 * @param counts whether an entry is not history.
 */
export function movedParts(
  { checks, boundaries }: Standing,
  vehicle: Vehicle,
  counts: (entry: string) => boolean,
): MovedPart[] {
  const moved: MovedPart[] = [];
  for (const [instance, { outcome, at, entry }] of checks) {
    const [check = '', place] = instance.split(':');
    const swap = SWAPS[check];
    if (!swap || place === undefined || outcome !== HAS_MOVED || !counts(entry)) continue;
    const from = Number(place);
    moved.push({
      check,
      swap,
      from,
      to: otherCylinder(from, cylindersOf(vehicle)),
      at,
      isEmptiedSince: boundaries.some((b) => b.kind !== 'repair' && b.at > at),
    });
  }
  return moved.sort((a, b) => (a.at < b.at ? -1 : a.at > b.at ? 1 : 0));
}

/** What goes along with a part: the misfire and what its circuit says. */
const GOES_ALONG: ReadonlySet<string> = new Set([
  'code:misfire-same',
  'code:coil-same',
  'reading:misfire-same',
]);

/** Where the thing sits now that a check looked at. @param seenAt when it looked. */
function placeNow(
  check: string,
  place: number | null,
  seenAt: string,
  { check: exchange, swap, from, to, at }: MovedPart,
): number | null {
  if (check === exchange) return place === from ? to : place;
  if (!swap.looks.includes(check) || seenAt >= at) return place;
  return place === from ? to : place === to ? from : place;
}

/**
 * Evidence about a part that was exchanged, as evidence about the place where it sits now: the swap itself, looks at the
 * part before, and the codes of the cylinder that it came from. Read at both, it is the same fault twice, and counts once.
 */
export function followParts(
  evidence: readonly Evidence[],
  moved: readonly MovedPart[],
  { checks }: Standing,
): readonly Evidence[] {
  return moved.reduce<readonly Evidence[]>((list, part) => {
    const { from, to } = part;
    const present = new Set(
      list.flatMap((e) => (e.kind === 'observation' && e.isPresent ? [`${e.key}/${e.cylinder ?? ''}`] : [])),
    );
    return list.flatMap((e): Evidence[] => {
      if (e.kind === 'check') {
        const seenAt = checks.get(e.fact.slice('check:'.length))?.at ?? '';
        return [{ ...e, cylinder: placeNow(e.check.id, e.cylinder, seenAt, part) }];
      }
      if (e.kind !== 'observation' || !GOES_ALONG.has(e.key) || part.isEmptiedSince) return [e];
      if (!present.has(`${e.key}/${from}`)) return [e];
      const isAtBoth = present.has(`${e.key}/${to}`);
      if (e.cylinder === from) return isAtBoth ? [] : [{ ...e, cylinder: to }];
      // That the other cylinder did not misfire was before they were exchanged.
      return [e.cylinder === to && !isAtBoth ? { ...e, cylinder: from } : e];
    });
  }, evidence);
}

/** The checks that are done, each at the place where what it looked at sits now. */
export function doneNow({ checks }: Standing, moved: readonly MovedPart[]): Set<string> {
  const done = new Set<string>();
  for (const [instance, { at }] of checks) {
    const [check = '', place] = instance.split(':');
    const now =
      place === undefined
        ? null
        : moved.reduce<number | null>((where, part) => placeNow(check, where, at, part), Number(place));
    done.add(now === null ? instance : `${check}:${now}`);
  }
  return done;
}

/** What a code stands for, at the place where the part sits that it speaks of. */
export function findingNow(code: string, moved: readonly MovedPart[]): ReturnType<typeof findingOfCode> {
  const found = findingOfCode(code);
  if (!found || !GOES_ALONG.has(found.key)) return found;
  const follow = (place: number | null, part: MovedPart) =>
    place === part.from && !part.isEmptiedSince ? part.to : place;
  return { ...found, cylinder: moved.reduce(follow, found.cylinder) };
}
