import type { Stat } from './window.ts';

/** A swing counts when the value goes from below 35 % to above 65 % of its range, or back. */
const LOWER = 0.35;
const UPPER = 0.65;

/**
 * Statistics of samples from one index to another, both included.
 * @param seconds length of the span, for swings in ten seconds.
 * @returns null for an empty span.
 */
export function statOf(values: readonly number[], from: number, to: number, seconds: number): Stat | null {
  const count = to - from + 1;
  if (count < 1) return null;
  let sum = 0;
  let min = Infinity;
  let max = -Infinity;
  for (let i = from; i <= to; i++) {
    const v = values[i] ?? 0;
    sum += v;
    if (v < min) min = v;
    if (v > max) max = v;
  }
  return {
    count,
    mean: sum / count,
    min,
    max,
    first: values[from] ?? 0,
    last: values[to] ?? 0,
    swings: seconds > 0 ? (swingsOf(values, from, to, min, max) / seconds) * 10 : 0,
  };
}

/** How often the value swings from one side of its range to the other; hysteresis keeps noise from counting. */
function swingsOf(values: readonly number[], from: number, to: number, min: number, max: number): number {
  const low = min + (max - min) * LOWER;
  const high = min + (max - min) * UPPER;
  let side = 0;
  let swings = 0;
  for (let i = from; i <= to; i++) {
    const v = values[i] ?? 0;
    const now = v > high ? 1 : v < low ? -1 : 0;
    if (now === 0 || now === side) continue;
    if (side !== 0) swings++;
    side = now;
  }
  return swings;
}

/**
 * At most `buckets` pairs of extremes of a trace, in the order of time: each bucket keeps its lowest and its highest
 * sample, so that no peak is lost however much is left out.
 */
export function downsample(
  times: readonly number[],
  values: readonly number[],
  buckets: number,
  from = 0,
  to = times.length - 1,
): { times: number[]; values: number[] } {
  const count = to - from + 1;
  if (count <= buckets * 2) return { times: times.slice(from, to + 1), values: values.slice(from, to + 1) };
  const out = { times: [] as number[], values: [] as number[] };
  const keep = (i: number) => {
    out.times.push(times[i] ?? 0);
    out.values.push(values[i] ?? 0);
  };
  for (let b = 0; b < buckets; b++) {
    const start = from + Math.floor((b * count) / buckets);
    const end = from + Math.floor(((b + 1) * count) / buckets) - 1;
    let low = start;
    let high = start;
    for (let i = start; i <= end; i++) {
      if ((values[i] ?? 0) < (values[low] ?? 0)) low = i;
      if ((values[i] ?? 0) > (values[high] ?? 0)) high = i;
    }
    keep(Math.min(low, high));
    if (low !== high) keep(Math.max(low, high));
  }
  return out;
}
