import type { CaseState, EntryOf } from '@pincer/core/case';
import type { ReadCode } from '@pincer/core/obd';

/** What a control unit's memory did when it was cleared by itself. */
export type UnitClearResult =
  /** Read again at once: nothing is stored. */
  | 'clean'
  /** Something fails at this moment, or another unit holds it: it stands there again. */
  | 'came-back'
  /** It said yes, and what stood there stands there unchanged. */
  | 'not-cleared'
  | 'refused'
  /** It was not read again, or nobody knows what became of the clear. */
  | 'not-known';

export interface UnitClear {
  answer: string;
  name: string;
  entry: string;
  /** The scan that it rested on: clears on one scan are one round. */
  afterScan: string;
  result: UnitClearResult;
  /** Codes that stand there after it. */
  left: ReadCode[];
}

/** Bit 0 of the status byte, ISO 14229-1 annex D: the test fails at this moment. */
const TEST_FAILED = 0x01;

/** @param before what stood in the unit at the scan that the clear rested on. */
function resultOf({ outcome, after }: EntryOf<'clear'>, before: readonly ReadCode[]): UnitClearResult {
  if (outcome === 'refused') return 'refused';
  if (outcome === 'unknown' || after === undefined) return 'not-known';
  if (after.length === 0) return 'clean';
  // The same status byte without a failing test is the old record; a new one was set since.
  const isOld = (c: ReadCode) =>
    c.statusByte !== undefined &&
    (c.statusByte & TEST_FAILED) === 0 &&
    before.some((b) => b.code === c.code && b.statusByte === c.statusByte);
  return after.every(isOld) ? 'not-cleared' : 'came-back';
}

/** Each clear of a single control unit, oldest first, with what it did. */
export function unitClears({ entries, scans }: CaseState): UnitClear[] {
  return entries.flatMap((e) => {
    if (e.kind !== 'clear' || !e.unit) return [];
    const { answer, name } = e.unit;
    const before = scans.find((s) => s.id === e.afterScan)?.scan.codes.filter((c) => c.unit === answer) ?? [];
    return [
      { answer, name, entry: e.id, afterScan: e.afterScan, result: resultOf(e, before), left: e.after ?? [] },
    ];
  });
}

/** A control unit that may be cleared, in the order of its map. */
export interface UnitToClear {
  id: string;
  name: string;
  answer: string;
  /** Ids of the units that hold its codes: those come first. `engine` is the standard's own clear. */
  waitsFor?: readonly string[] | undefined;
}

const isGateway = ({ id, name }: UnitToClear): boolean => /gateway/i.test(`${id} ${name}`);

/**
 * The order in which control units are cleared: a unit after those that the map says it waits for, the gateway last, else as
 * they stand in the map. In a second round the units that held out come in the opposite order, and last: what held them has
 * been cleared by then. Units that wait for each other in a circle are taken in the order of the map.
 * @param heldOut answers of units that came back or were not cleared at the last round.
 */
export function clearOrder<T extends UnitToClear>(units: readonly T[], heldOut: ReadonlySet<string>): T[] {
  const calm = units.filter((u) => !heldOut.has(u.answer));
  const stubborn = units.filter((u) => heldOut.has(u.answer)).reverse();
  const wished = [...calm, ...stubborn].sort((a, b) => Number(isGateway(a)) - Number(isGateway(b)));
  const ordered: T[] = [];
  let left = wished;
  while (left.length > 0) {
    const ids = new Set(left.map((u) => u.id));
    const next = left.find((u) => !(u.waitsFor ?? []).some((w) => w !== u.id && ids.has(w))) ?? left[0];
    if (!next) break;
    ordered.push(next);
    left = left.filter((u) => u !== next);
  }
  return ordered;
}
