import type { EntryOf } from './entries.ts';
import { closingOf, foldCase } from './fold.ts';
import type { CaseRecord } from './record.ts';

/** What a closed case has taught: what it was, and what that took. */
export interface Lesson {
  case: string;
  vehicle: string;
  /** Id of the cause, without its cylinder. */
  cause: string;
  at: string;
  isProven: boolean;
  /** What the repair cost, as told; null where it was not told. */
  cost: number | null;
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
  const sum = (of: (r: EntryOf<'repair'>) => number | undefined): number | null => {
    const told = repairs.flatMap((r) => of(r) ?? []);
    return told.length > 0 ? told.reduce((a, b) => a + b, 0) : null;
  };
  return {
    case: record.id,
    vehicle: record.vehicle,
    cause,
    at: closing.at,
    isProven: closing.isProven === true,
    cost: sum((r) => r.cost) ?? closing.cost ?? null,
    minutes: sum((r) => r.minutes) ?? closing.minutes ?? null,
  };
}
