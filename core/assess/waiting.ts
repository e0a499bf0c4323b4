import type { CaseState } from '@pincer/core/case';
import { dayOfDrives, drivePlan, type InspectionView } from '@pincer/core/inspection';
import { PROVEN, type ProofView } from '@pincer/core/proof';
import type { Vehicle } from '@pincer/core/vehicle';

/** What an open case waits for, in numbers: a line of the garage is made of them. */
export interface WaitingView {
  /** Whole days since something was recorded in it; null in an empty case. */
  quietDays: number | null;
  /** Good drives that its proof still wants; 0 where it waits for none. */
  drives: number;
  /** The day on which they are made by the usual trips, or on which the self-checks have run; `YYYY-MM-DD`, null if unknown. */
  earliest: string | null;
  /** The vehicle's inspection where it is near or over. */
  inspection: { date: string; days: number; verdict: InspectionView['verdict'] } | null;
}

const DAY_MS = 86_400_000;
/** An inspection that is farther away than this is nothing to plan drives by, days. */
const NEAR_DAYS = 60;

/** Days, drives and dates of an open case. @param now local time counts as the day of its ISO date. */
export function waitingView(
  state: CaseState,
  vehicle: Vehicle,
  proof: ProofView,
  inspection: InspectionView | null,
  now: Date,
): WaitingView {
  const last = Date.parse(state.entries.at(-1)?.at ?? '');
  const today = Date.parse(`${now.toISOString().slice(0, 10)}T00:00:00Z`);
  const isWatching = proof.status === 'watching';
  const drives = isWatching ? (proof.needed.find((n) => n.level === PROVEN)?.trips ?? 0) : 0;
  // From tomorrow on: today's drive has perhaps been made.
  const trips = vehicle.usualTrips ?? [];
  const byDrives = drives > 0 ? dayOfDrives(drives, trips, today + DAY_MS) : null;
  // Those of the case's own codes: what else an inspection waits for keeps no proof open.
  const waitedFor = (inspection?.open ?? []).filter(
    (o) => o.blockedBy.length === 0 && proof.waitingFor.some((check) => check.monitors.includes(o.monitor)),
  );
  const plan =
    isWatching && drives === 0
      ? drivePlan(
          waitedFor.map((o) => o.monitor),
          trips,
          today + DAY_MS,
        )
      : null;
  // What no usual trip completes has no day.
  const bySelfChecks = plan?.extra === null ? plan.readyOn : null;
  const due = inspection?.due ?? null;
  return {
    quietDays: Number.isNaN(last) ? null : Math.max(0, Math.floor((now.getTime() - last) / DAY_MS)),
    drives,
    earliest: byDrives ?? bySelfChecks,
    inspection: due && inspection && due.days <= NEAR_DAYS ? { ...due, verdict: inspection.verdict } : null,
  };
}
