import type { EntryOf } from './entries.ts';
import { foldCase } from './fold.ts';
import { closingOf } from './log.ts';
import type { CaseRecord } from './record.ts';

/** What a closed case has taught: what it was, and what that took. */
export interface Lesson {
  case: string;
  vehicle: string;
  /** Id of the cause, without its cylinder. */
  cause: string;
  at: string;
  isProven: boolean;
  /** What the repair cost by one’s own hands, as told, and what a workshop asked for all of it; null where it was not told. */
  cost: number | null;
  shop: number | null;
  /** The owner's minutes, as told. */
  minutes: number | null;
}

/** Records never change, so that each is looked at once. */
const known = new WeakMap<object, Lesson | null>();

/** The lesson of a case that was closed as fixed with its cause told; null for any other. */
export function lessonOf(record: CaseRecord): Lesson | null {
  const found = known.get(record);
  if (found !== undefined) return found;
  const lesson = workedOut(record);
  known.set(record, lesson);
  return lesson;
}

function workedOut(record: CaseRecord): Lesson | null {
  // Most cases teach nothing, and are not put in order to find that out.
  if (!record.entries.some((e) => e.kind === 'closed' && e.cause !== undefined)) return null;
  const closing = closingOf(record);
  if (closing?.outcome !== 'fixed' || closing.cause === undefined) return null;
  const [cause = ''] = closing.cause.split(':');
  const repairs = foldCase(record).repairs.filter((r) => r.cause.split(':')[0] === cause);
  const own = repairs.filter((r) => r.by !== 'workshop');
  const byShop = repairs.filter((r) => r.by === 'workshop');
  // What was told at the end is the price of who repaired it, where the repair itself says nothing.
  const last = closing.cost ?? null;
  return {
    case: record.id,
    vehicle: record.vehicle,
    cause,
    at: closing.at,
    isProven: closing.isProven === true,
    cost: sum(own, (r) => r.cost) ?? (byShop.length > 0 ? null : last),
    shop: sum(byShop, (r) => r.cost) ?? (own.length > 0 || byShop.length === 0 ? null : last),
    minutes: sum(own, (r) => r.minutes) ?? (byShop.length > 0 ? null : (closing.minutes ?? null)),
  };
}

/** What repairs tell of something, added up; null where none does. */
function sum(
  repairs: readonly EntryOf<'repair'>[],
  of: (r: EntryOf<'repair'>) => number | undefined,
): number | null {
  const told = repairs.flatMap((r) => of(r) ?? []);
  return told.length > 0 ? told.reduce((a, b) => a + b, 0) : null;
}
