import type { CaseState } from '@pincer/core/case';
import { codesOf, orderOf } from './order.ts';

const FAILING = ['confirmed', 'pending'];

/**
 * Whether the fault was seen again after a repair and before the next one: told of a drive, or read again after a
 * clear. What was stored before and never cleared says nothing about the repair.
 * @param repair id of the repair's entry.
 * @param until id of the next repair's entry, or null.
 */
export function cameBackAfter(state: CaseState, repair: string, until: string | null): boolean {
  const from = orderOf(state, repair);
  const to = until === null ? Infinity : orderOf(state, until);
  const isWithin = (id: string) => orderOf(state, id) > from && orderOf(state, id) < to;
  if (state.drives.some((d) => d.cameBack === 'yes' && isWithin(d.id))) return true;
  const clear = state.clears.find((c) => c.outcome === 'agreed' && !c.unit && isWithin(c.id));
  if (!clear) return false;
  const before = state.scans.find((r) => r.id === clear.afterScan);
  const was = new Set(codesOf(before?.scan, FAILING));
  return state.scans.some(
    (r) =>
      isWithin(r.id) &&
      orderOf(state, r.id) > orderOf(state, clear.id) &&
      codesOf(r.scan, FAILING).some((code) => was.has(code)),
  );
}
