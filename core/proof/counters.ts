import type { CaseState, EntryOf } from '@pincer/core/case';
import { placesOf } from './came-back.ts';
import { valueIn } from './value-in.ts';

/** What the car's counters say against what was told. */
export interface CounterCheck {
  id: 'lit-again' | 'not-reset' | 'cleared-between' | 'too-far' | 'fewer-warm-ups';
  text: string;
}

/** Kilometres beyond which a counter that did not fall at a clear is no rounding. */
const NOT_RESET_KM = 50;
/** Farther than this on one day is not driven with a fault that is being watched. */
const KM_A_DAY = 600;
const DAY_MS = 86_400_000;

const counter = ({ scan }: EntryOf<'scan'>, pid: '21' | '30' | '31'): number | null => valueIn(scan, pid);

/**
 * The counters since the last clear (service 01 PID 30, warm-ups, and PID 31, distance; SAE J1979) held against the clears
 * and drives that are in the log. Only what a control unit told by itself is used.
 */
export function counterChecks(state: CaseState): CounterCheck[] {
  const places = placesOf(state);
  const placeOf = (id: string) => places.get(id) ?? -1;
  const scans = state.scans.filter((s) => s.via !== 'file');
  const clears = state.standing.clears.filter((c) => c.unit === null);
  const checks: CounterCheck[] = [];
  const last = clears.at(-1);
  const after = last && scans.find((s) => placeOf(s.id) > placeOf(last.entry) && counter(s, '31') !== null);
  if (last && after) {
    const before = scans.findLast((s) => placeOf(s.id) < placeOf(last.entry) && counter(s, '31') !== null);
    const [was, is] = [before ? counter(before, '31') : null, counter(after, '31') ?? 0];
    if (was !== null && was >= NOT_RESET_KM && is >= was)
      checks.push({
        id: 'not-reset',
        text: `The {car} counts {${Math.round(is)} km} since its memory was cleared, and {${Math.round(was)} km} before that clear: it was not reset, so the clear was most likely not carried out.`,
      });
    else {
      const days = Math.max(0, Date.parse(after.at) - Date.parse(last.at)) / DAY_MS;
      if (is > KM_A_DAY * (days + 1))
        checks.push({
          id: 'too-far',
          text: `The {car} counts {${Math.round(is)} km} since its memory was cleared, more than is driven in that time: check the date of the clear.`,
        });
    }
    const lit = scans.findLast((s) => placeOf(s.id) > placeOf(last.entry) && counter(s, '21') !== null);
    const litKm = lit ? (counter(lit, '21') ?? 0) : 0;
    const sinceKm = lit ? (counter(lit, '31') ?? litKm) : 0;
    // More than was driven since the clear is a counter that the clear did not reset.
    if (litKm > 0 && litKm <= sinceKm + 1 && lit?.scan.mils.every((m) => !m.on))
      checks.push({
        id: 'lit-again',
        text: `The {car} counts {${Math.round(litKm)} km} with the engine light on since its memory was cleared: it has been lit again meanwhile, although it is out now.`,
      });
    const warmUps = counter(after, '30');
    const drives = state.drives.filter(
      (d) => placeOf(d.id) > placeOf(last.entry) && placeOf(d.id) < placeOf(after.id),
    ).length;
    if (warmUps !== null && drives > warmUps + 1)
      checks.push({
        id: 'fewer-warm-ups',
        text: `You told ${drives} drives, and the {car} counts ${warmUps === 1 ? '1 warm-up' : `${warmUps} warm-ups`}: the others were too short to warm it up, and its self-checks hardly ran on them.`,
      });
  }
  // A battery that was off resets counters also where the codes were kept.
  const emptied = state.entries.filter(
    (e) => e.kind === 'clear' || e.kind === 'clear-told' || e.kind === 'battery-off',
  );
  for (const [at, scan] of scans.entries()) {
    const next = scans[at + 1];
    if (!next) break;
    const [was, is] = [counter(scan, '31'), counter(next, '31')];
    const isBetween = (id: string) => placeOf(id) > placeOf(scan.id) && placeOf(id) < placeOf(next.id);
    if (was === null || is === null || is >= was || emptied.some((e) => isBetween(e.id))) continue;
    checks.push({
      id: 'cleared-between',
      text: `Between two readings the distance since the last clear fell from {${Math.round(was)} km} to {${Math.round(is)} km}: somebody cleared the memory, or the battery was off, and it is not in the log.`,
    });
  }
  return checks;
}
