import type { Interval, ServiceItem } from './items.ts';
import { SERVICE_ITEMS } from './items.ts';
import type { Vehicle } from '@pincer/core/vehicle';

export type ServiceStatus = 'overdue' | 'soon' | 'later' | 'not-known';

/** One item with when it was done last and when it is due. */
export interface ServiceRow {
  item: ServiceItem;
  interval: Interval;
  /** Whether the interval is the owner's own, from the handbook. */
  isOwn: boolean;
  /** Where it was done last; null where nobody knows. */
  last: { at: string; km: number | null } | null;
  /** The earlier of both, as a date; by distance it is reckoned from what is driven in a year. */
  dueAt: string | null;
  dueKm: number | null;
  leftKm: number | null;
  leftDays: number | null;
  status: ServiceStatus;
}

const DAY_MS = 86_400_000;
const DAYS_A_YEAR = 365.25;
const DAYS_A_MONTH = DAYS_A_YEAR / 12;
/** From here on it is worth ordering parts. */
const SOON_DAYS = 30;
const SOON_KM = 1_000;
/** Driven in a year where no usual trips are told. */
const USUAL_YEAR_KM = 12_000;

/** What is driven in a year, km: by the usual trips, else by its age and distance, else what is common. */
export function kmPerYear(vehicle: Vehicle, now: Date): number {
  const byTrips = (vehicle.usualTrips ?? []).reduce((sum, t) => sum + t.distanceKm * t.perWeek * 52, 0);
  if (byTrips > 0) return byTrips;
  const age = vehicle.year === undefined ? 0 : now.getUTCFullYear() - vehicle.year;
  return vehicle.distanceKm !== undefined && age > 0 ? vehicle.distanceKm / age : USUAL_YEAR_KM;
}

const dateOf = (ms: number): string => new Date(ms).toISOString().slice(0, 10);

/** The last time that it was done; a vehicle that is younger than the interval had it done when it was made. */
function lastOf(item: ServiceItem, interval: Interval, vehicle: Vehicle, now: Date): ServiceRow['last'] {
  const done = (vehicle.service?.done ?? []).filter((d) => d.item === item.id);
  const latest = [...done].sort((a, b) => a.at.localeCompare(b.at)).at(-1);
  if (latest) return { at: latest.at, km: latest.km ?? null };
  if (vehicle.year === undefined) return null;
  const isYoung =
    (interval.months === undefined || (now.getUTCFullYear() - vehicle.year) * 12 < interval.months) &&
    (interval.km === undefined || (vehicle.distanceKm ?? Infinity) < interval.km);
  return isYoung ? { at: `${vehicle.year}-07-01`, km: 0 } : null;
}

function rowOf(
  item: ServiceItem,
  interval: Interval,
  isOwn: boolean,
  vehicle: Vehicle,
  now: Date,
): ServiceRow {
  const last = lastOf(item, interval, vehicle, now);
  const base = { item, interval, isOwn, last };
  if (!last) return { ...base, dueAt: null, dueKm: null, leftKm: null, leftDays: null, status: 'not-known' };
  const dueKm = interval.km === undefined || last.km === null ? null : last.km + interval.km;
  const leftKm = dueKm === null || vehicle.distanceKm === undefined ? null : dueKm - vehicle.distanceKm;
  const byKm =
    leftKm === null ? Infinity : now.getTime() + (leftKm / kmPerYear(vehicle, now)) * DAYS_A_YEAR * DAY_MS;
  const byTime =
    interval.months === undefined ? Infinity : Date.parse(last.at) + interval.months * DAYS_A_MONTH * DAY_MS;
  const due = Math.min(byKm, byTime);
  if (!Number.isFinite(due))
    return { ...base, dueAt: null, dueKm, leftKm, leftDays: null, status: 'not-known' };
  const leftDays = Math.round((due - now.getTime()) / DAY_MS);
  const isOver = leftDays < 0 || (leftKm !== null && leftKm < 0);
  const isSoon = leftDays <= SOON_DAYS || (leftKm !== null && leftKm <= SOON_KM);
  return {
    ...base,
    dueAt: dateOf(due),
    dueKm,
    leftKm,
    leftDays,
    status: isOver ? 'overdue' : isSoon ? 'soon' : 'later',
  };
}

const RANK: Readonly<Record<ServiceStatus, number>> = { overdue: 0, soon: 1, later: 2, 'not-known': 3 };

/** What is due next, the most urgent first; what nobody knows of comes last. */
export function serviceDue(vehicle: Vehicle, now: Date): ServiceRow[] {
  return SERVICE_ITEMS.flatMap((item) => {
    const usual = item.usual(vehicle);
    const own = vehicle.service?.intervals?.[item.id];
    if (!usual && !own) return [];
    return [rowOf(item, own ?? usual ?? {}, own !== undefined, vehicle, now)];
  }).sort(
    (a, b) => RANK[a.status] - RANK[b.status] || (a.leftDays ?? Infinity) - (b.leftDays ?? Infinity) || 0,
  );
}
