import type { CaseState, ClearStanding } from '@pincer/core/case';
import { selfCheckOf } from '@pincer/core/knowledge';
import type { Scan } from '@pincer/core/obd';
import { valueIn } from './value-in.ts';

/** When a fault was back after its memory was cleared. */
export type ReturnMoment =
  /** With the ignition on, before the engine ran and the vehicle moved. */
  | 'key-on'
  /** With the engine running, before it moved. */
  | 'start'
  /** On the first drive, before a second warm-up. */
  | 'first-drive'
  /** After a few warm-ups. */
  | 'some-drives'
  /** Long after. */
  | 'later'
  /** Nobody knows how far it was driven. */
  | 'unknown';

/** A return after a clear. */
export interface FaultReturn {
  clear: string;
  /** The entry that saw it. */
  seenBy: string;
  at: string;
  codes: string[];
  moment: ReturnMoment;
  /** Since the clear, as the car counts and the calendar says. */
  km: number | null;
  warmUps: number | null;
  days: number;
  /** Whether the car’s counter of distance stands at its end, so that it may be more. */
  isAtLeast: boolean;
  /** Whether this was the first look since the clear: then it may have been back for any time before it. */
  isFirstLook: boolean;
  /** Whether the self-check of a code that came back looks at it as soon as the ignition is on. */
  couldShowAtOnce: boolean;
}

/** Up to here a fault is back within a few drives: about a week of short ones. */
const FEW_WARM_UPS = 6;
const FEW_KM = 120;
/** Where the counters of service 01 end: PID 31 at 65,535 km, PID 30 at 255 warm-ups (SAE J1979). */
const KM_END = 65_535;
const DAY_MS = 86_400_000;

function momentOf(km: number | null, warmUps: number | null, scan: Scan | null): ReturnMoment {
  if (km === null && warmUps === null) return 'unknown';
  const hasMoved = (km ?? 0) > 0 || (warmUps ?? 0) > 0;
  if (!hasMoved) {
    const runs = scan !== null && ((valueIn(scan, '0C') ?? 0) > 0 || (valueIn(scan, '1F') ?? 0) > 0);
    return runs ? 'start' : 'key-on';
  }
  if ((warmUps ?? 0) <= 1 && (km ?? 0) <= FEW_KM) return 'first-drive';
  return (warmUps ?? 0) <= FEW_WARM_UPS && (km ?? 0) <= FEW_KM ? 'some-drives' : 'later';
}

function returnAfter(clear: ClearStanding, state: CaseState): FaultReturn | null {
  const [first] = clear.returned;
  if (!first) return null;
  const codes = [...new Set(clear.returned.map((r) => r.code.code))];
  const scan = state.scans.find((s) => s.id === first.entry)?.scan ?? null;
  const km = scan && valueIn(scan, '31');
  const warmUps = scan && valueIn(scan, '30');
  return {
    clear: clear.entry,
    seenBy: first.entry,
    at: first.at,
    codes,
    moment: momentOf(km, warmUps, scan),
    km,
    warmUps,
    days: Math.max(0, (Date.parse(first.at) - Date.parse(clear.at)) / DAY_MS),
    isFirstLook: clear.readSince === first.entry,
    isAtLeast: km !== null && km >= KM_END,
    couldShowAtOnce: codes.some((c) => selfCheckOf(c)?.within === 'key-on'),
  };
}

/** Each time that the fault was read again after what the standard reaches was cleared, oldest first. */
export function faultReturns(state: CaseState): FaultReturn[] {
  return state.standing.clears.flatMap((c) => (c.unit === null ? (returnAfter(c, state) ?? []) : []));
}
