import { median } from '@pincer/core/meter';
import type { Series, TrendPoint } from './series.ts';

const DAY_MS = 86_400_000;
/** Fewer readings, or less time between them, make no trend. */
const LEAST_POINTS = 4;
const LEAST_DAYS = 28;
/** Chance of such an order by accident from which a trend is believed (two-sided). */
const BY_ACCIDENT = 0.1;
/** How far ahead a date is worth naming, days. */
const AHEAD_DAYS = 5 * 365;

export interface Trend {
  series: Series;
  /** `over`: beyond its limit now; `towards`: it will reach it; `away` or `steady`: it will not; `few`: too few readings. */
  kind: 'over' | 'towards' | 'away' | 'steady' | 'few';
  /** Change in a year, in the unit of the series; null without a trend. */
  aYear: number | null;
  /** When it reaches its limit: the likely day, and the earliest and latest by four in five of the slopes; ISO dates. */
  reaches: { on: string; from: string; to: string | null } | null;
}

/** All slopes between two points, value a day, sorted (H. Theil 1950; P. K. Sen, J. Am. Stat. Assoc. 63 (1968), 1379). */
export function pairSlopes(points: readonly { day: number; value: number }[]): number[] {
  const slopes: number[] = [];
  points.forEach((a, i) => {
    for (const b of points.slice(i + 1))
      if (b.day > a.day) slopes.push((b.value - a.value) / (b.day - a.day));
  });
  return slopes.sort((x, y) => x - y);
}

/** Chance that values in such an order came by accident: Kendall's S by its normal approximation, two-sided. */
export function orderByAccident(values: readonly number[]): number {
  const n = values.length;
  let s = 0;
  values.forEach((a, i) => {
    for (const b of values.slice(i + 1)) s += Math.sign(b - a);
  });
  const spread = Math.sqrt((n * (n - 1) * (2 * n + 5)) / 18);
  if (spread === 0 || s === 0) return 1;
  // One off, for S moves in steps of two.
  const z = (Math.abs(s) - 1) / spread;
  return 2 * (1 - normalBelow(z));
}

/** Share of a normal distribution below z (Abramowitz and Stegun, 26.2.17; within 7.5e-8). */
function normalBelow(z: number): number {
  const t = 1 / (1 + 0.2316419 * z);
  const tail =
    t * (0.31938153 + t * (-0.356563782 + t * (1.781477937 + t * (-1.821255978 + t * 1.330274429))));
  return 1 - (Math.exp((-z * z) / 2) / Math.sqrt(2 * Math.PI)) * tail;
}

const quantile = (sorted: readonly number[], q: number): number =>
  sorted[Math.min(sorted.length - 1, Math.max(0, Math.round(q * (sorted.length - 1))))] ?? 0;

const isBeyond = (value: number, limit: NonNullable<Series['limit']>): boolean =>
  limit.side === 'most' ? value > limit.value : value < limit.value;

const dayOf = ({ at }: TrendPoint): number => Date.parse(at) / DAY_MS;
const dateAt = (day: number): string => new Date(day * DAY_MS).toISOString().slice(0, 10);

/** Whether a series goes anywhere, and when it would reach its limit. Straight lines only: nobody knows more from a few readings. */
export function trendOf(series: Series): Trend {
  const { points, limit } = series;
  const last = points.at(-1);
  const none = { series, aYear: null, reaches: null };
  if (!last) return { ...none, kind: 'few' };
  if (limit && isBeyond(last.value, limit)) return { ...none, kind: 'over' };
  const timed = points.map((p) => ({ day: dayOf(p), value: p.value }));
  const first = timed[0]?.day ?? 0;
  const end = timed.at(-1)?.day ?? 0;
  if (points.length < LEAST_POINTS || end - first < LEAST_DAYS) return { ...none, kind: 'few' };
  const slopes = pairSlopes(timed);
  const slope = median(slopes);
  if (slope === 0 || orderByAccident(points.map((p) => p.value)) > BY_ACCIDENT)
    return { ...none, kind: 'steady' };
  const aYear = slope * 365.25;
  if (!limit) return { ...none, kind: 'steady', aYear };
  const level = median(timed.map((p) => p.value - slope * p.day));
  const isTowards = limit.side === 'most' ? slope > 0 : slope < 0;
  if (!isTowards) return { ...none, kind: 'away', aYear };
  const now = level + slope * end;
  const reachedIn = (s: number): number | null => {
    const days = (limit.value - now) / s;
    return days >= 0 && days <= AHEAD_DAYS ? days : null;
  };
  const likely = reachedIn(slope);
  if (likely === null) return { ...none, kind: 'towards', aYear };
  // Of the slopes between a tenth and nine tenths; towards the limit the steepest is the soonest.
  const [a, b] = [quantile(slopes, 0.1), quantile(slopes, 0.9)];
  const [steep, flat] = limit.side === 'most' ? [b, a] : [a, b];
  const soonest = reachedIn(steep) ?? likely;
  const latest = Math.sign(flat) === Math.sign(slope) ? reachedIn(flat) : null;
  return {
    series,
    kind: 'towards',
    aYear,
    reaches: {
      on: dateAt(end + likely),
      from: dateAt(end + Math.min(soonest, likely)),
      to: latest === null ? null : dateAt(end + Math.max(latest, likely)),
    },
  };
}

const RANK = { over: 0, towards: 1, away: 2, steady: 3, few: 4 } as const;

/** Trends, what wants attention first; of what is alike the nearest to its limit. */
export function trendsOf(series: readonly Series[]): Trend[] {
  const room = ({ series: { limit, points } }: Trend): number => {
    const last = points.at(-1)?.value;
    if (!limit || last === undefined || limit.value === 0) return Infinity;
    return Math.abs(limit.value - last) / Math.abs(limit.value);
  };
  return series
    .map(trendOf)
    .sort((a, b) => RANK[a.kind] - RANK[b.kind] || (room(a) === room(b) ? 0 : room(a) - room(b)));
}
