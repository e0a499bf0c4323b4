import type { MonitorId } from '@pincer/core/obd';
import type { RoadKind, UsualTrip } from '@pincer/core/vehicle';
import { ENABLING, WARM_UP_MINUTES, tripServes } from './enabling.ts';

/** A usual trip on a day, and what it completes. */
export interface PlannedTrip {
  /** Local day, `YYYY-MM-DD`. */
  date: string;
  name: string;
  completes: MonitorId[];
  /** To be the first drive of the day: it wants a cold start. */
  isFirst: boolean;
  /** Fuel level to have, per cent; null where it does not matter. */
  tank: readonly [number, number] | null;
}

/** A drive made for it, where no usual trip serves. */
export interface ExtraDrive {
  for: MonitorId[];
  minutes: number;
  road: RoadKind;
  afterNight: boolean;
  coasts: boolean;
  tank: readonly [number, number] | null;
  /** On so many days. */
  times: number;
}

export interface DrivePlan {
  trips: PlannedTrip[];
  extra: ExtraDrive | null;
  /** The earliest day on which all of them have run by the usual trips and the extra drive; null where nothing is open. */
  readyOn: string | null;
}

/** How far ahead usual trips are looked at. */
const HORIZON_DAYS = 28;
/** Parked overnight. */
const NIGHT_HOURS = 8;
const DAY_MS = 86_400_000;

/** Days of the week (0 Sunday) on which a trip made so often is made: working days first, once a week on Saturday. */
function daysOf({ perWeek }: UsualTrip): readonly number[] {
  const often = Math.round(perWeek);
  if (often <= 0) return [];
  if (often === 1) return [6];
  if (often === 2) return [6, 0];
  const working = [1, 2, 3, 4, 5];
  if (often <= 5) return working.slice(0, often);
  if (often === 6) return [...working, 6];
  // Ten a week is there and back on each working day.
  return often < 10 ? [...working, 6, 0] : often < 14 ? working : [...working, 6, 0];
}

/** `YYYY-MM-DD` of a day, counted in UTC so that no clock change moves it. */
export const isoDay = (ms: number): string => new Date(ms).toISOString().slice(0, 10);

/** The trips that are made on a day. */
const tripsOn = (day: number, trips: readonly UsualTrip[]): UsualTrip[] =>
  trips.filter((t) => daysOf(t).includes(new Date(day).getUTCDay()));

/** Of which the first of a day has to start cold. */
const isCold = (id: MonitorId): boolean => ENABLING[id].soakHours > 1;

/**
 * Which trip to make first on which day, so that all self-checks that want a cold start have run soonest: breadth first
 * over what is still open, of which there are four at the most.
 * @returns by day, the trip to make first; what no trip serves is left open.
 */
function coldStarts(
  cold: readonly MonitorId[],
  trips: readonly UsualTrip[],
  from: number,
): Map<number, UsualTrip> {
  interface Way {
    left: readonly MonitorId[];
    first: readonly (readonly [day: number, trip: UsualTrip])[];
  }
  let ways: Way[] = [{ left: cold, first: [] }];
  let best: Way = { left: cold, first: [] };
  for (let d = 0; d < HORIZON_DAYS && best.left.length > 0; d++) {
    const day = from + d * DAY_MS;
    const next = new Map<string, Way>(ways.map((w) => [w.left.join(), w]));
    for (const way of ways)
      for (const trip of tripsOn(day, trips)) {
        const left = way.left.filter((id) => !tripServes(trip, ENABLING[id], NIGHT_HOURS));
        const key = left.join();
        if (left.length < way.left.length && !next.has(key))
          next.set(key, { left, first: [...way.first, [day, trip]] });
      }
    ways = [...next.values()];
    for (const way of ways) if (way.left.length < best.left.length) best = way;
  }
  return new Map(best.first);
}

/**
 * Which usual trip on which day completes what, and one extra drive for what none of them serves. What wants a cold start
 * runs on the first drive of a day, which is chosen so that all have run soonest; the others run on the first trips that
 * serve them.
 * @param open self-checks that have not run. @param from the day on which it begins, ms since 1970, UTC midnight.
 */
export function drivePlan(open: readonly MonitorId[], trips: readonly UsualTrip[], from: number): DrivePlan {
  const left = new Map(open.map((id) => [id, ENABLING[id].trips]));
  const starts = coldStarts(open.filter(isCold), trips, from);
  const planned: PlannedTrip[] = [];
  for (let d = 0; d < HORIZON_DAYS && left.size > 0; d++) {
    const day = from + d * DAY_MS;
    for (const trip of tripsOn(day, trips)) {
      const isFirst = starts.get(day) === trip;
      const served = [...left.keys()].filter((id) =>
        isCold(id)
          ? isFirst && tripServes(trip, ENABLING[id], NIGHT_HOURS)
          : tripServes(trip, ENABLING[id], 1),
      );
      if (served.length === 0) continue;
      const completes = served.filter((id) => {
        const times = left.get(id) ?? 1;
        if (times > 1) left.set(id, times - 1);
        else left.delete(id);
        return times <= 1;
      });
      planned.push({
        date: isoDay(day),
        name: trip.name,
        completes,
        isFirst: isFirst && served.some(isCold),
        tank: served.map((id) => ENABLING[id].tank).find((t) => t !== null) ?? null,
      });
    }
  }
  const extra = left.size > 0 ? extraDrive([...left.keys()]) : null;
  const days = [...planned.map((p) => p.date), ...(extra ? [isoDay(from + (extra.times - 1) * DAY_MS)] : [])];
  return { trips: planned, extra, readyOn: days.sort().at(-1) ?? null };
}

/**
 * The day on which so many drives have been made by the usual trips, one a day at the most: each is to be read at its end.
 * @param count drives. @param from the day on which it begins, ms since 1970, UTC midnight.
 * @returns `YYYY-MM-DD`; null where no usual trip is known, or not within the time that is looked at.
 */
export function dayOfDrives(count: number, trips: readonly UsualTrip[], from: number): string | null {
  let left = count;
  for (let d = 0; d < HORIZON_DAYS; d++) {
    const day = from + d * DAY_MS;
    if (tripsOn(day, trips).length > 0) left -= 1;
    if (left <= 0) return isoDay(day);
  }
  return null;
}

/** One drive that serves all of these. */
function extraDrive(ids: MonitorId[]): ExtraDrive {
  const all = ids.map((id) => ENABLING[id]);
  const roads = (['motorway', 'country', 'town'] as const).filter((r) =>
    all.every((e) => e.roads.includes(r)),
  );
  return {
    for: ids,
    minutes: WARM_UP_MINUTES + Math.max(...all.map((e) => e.steadyMinutes)),
    road: roads.includes('country') ? 'country' : (roads[0] ?? 'country'),
    afterNight: all.some((e) => e.soakHours > 0),
    coasts: all.some((e) => e.coasts),
    tank: all.find((e) => e.tank)?.tank ?? null,
    times: Math.max(...all.map((e) => e.trips)),
  };
}
