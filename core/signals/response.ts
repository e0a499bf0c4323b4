import type { Samples } from './recording.ts';

/** What a reading did when something was moved. */
export interface Response {
  /** Whether it moved clearly more than it wavers by itself. */
  hasFollowed: boolean;
  /** Value before, and the furthest from it after. */
  before: number;
  furthest: number;
  /** Seconds from the moment until half of the way; null when it did not follow. */
  afterSeconds: number | null;
  /** How much it wavers by itself: the spread before the moment. */
  waver: number;
}

/** So many times its own waver, and at least this share of its value, is a response. */
const CLEARLY = 4;
const LEAST_SHARE = 0.04;

/**
 * Whether a reading followed something that was moved at a moment, and how fast.
 * @param at moment, s; @param beforeSeconds @param afterSeconds how far to look.
 * @returns null without samples on both sides.
 */
export function responseAt(
  { times, values }: Samples,
  at: number,
  beforeSeconds = 5,
  afterSeconds = 10,
): Response | null {
  const before = values.filter((_, i) => (times[i] ?? 0) >= at - beforeSeconds && (times[i] ?? 0) <= at);
  const after = times.flatMap((t, i) => (t > at && t <= at + afterSeconds ? [{ t, v: values[i] ?? 0 }] : []));
  if (before.length < 2 || after.length < 2) return null;
  const mean = before.reduce((s, v) => s + v, 0) / before.length;
  const waver = Math.max(...before) - Math.min(...before);
  const furthest = after.reduce((far, x) => (Math.abs(x.v - mean) > Math.abs(far - mean) ? x.v : far), mean);
  const moved = Math.abs(furthest - mean);
  const hasFollowed = moved > Math.max(waver * CLEARLY, Math.abs(mean) * LEAST_SHARE, 1e-9);
  const half = after.find((x) => Math.abs(x.v - mean) >= moved / 2);
  return {
    hasFollowed,
    before: mean,
    furthest,
    afterSeconds: hasFollowed && half ? half.t - at : null,
    waver,
  };
}

/** A moment at which a reading jumped away and came back, as a loose wire makes it. */
export interface DropOut {
  at: number;
  from: number;
  to: number;
}

/** A jump has to be so many times the usual step from sample to sample, and this share of the value. */
const JUMP = 8;
const JUMP_SHARE = 0.15;
/** Samples from which the usual step is known. */
const LEARN = 8;
/** It has to come back within this time, s; what stays away is no drop-out but a change. */
const BACK_WITHIN = 2;

/** Finds drop-outs while they happen: for a wiggle test, so that a sound can tell of each at once. */
export class DropOutWatch {
  private last: { at: number; value: number } | null = null;
  private usualStep = 0;
  private seen = 0;
  private away: { at: number; from: number; to: number } | null = null;
  readonly dropOuts: DropOut[] = [];

  /** Takes the next sample. @returns the drop-out that begins with it, or null. */
  push(at: number, value: number): DropOut | null {
    const { last } = this;
    this.last = { at, value };
    if (!last) return null;
    const step = Math.abs(value - last.value);
    if (this.away) {
      const isBack = Math.abs(value - this.away.from) < Math.abs(this.away.to - this.away.from) / 2;
      if (isBack || at - this.away.at > BACK_WITHIN) this.away = null;
      return null;
    }
    const limit = Math.max(this.usualStep * JUMP, Math.abs(last.value) * JUMP_SHARE, 1e-6);
    if (this.seen >= LEARN && step > limit) {
      this.away = { at, from: last.value, to: value };
      const found = { at, from: last.value, to: value };
      this.dropOuts.push(found);
      return found;
    }
    this.seen++;
    this.usualStep = this.usualStep === 0 ? step : this.usualStep * 0.85 + step * 0.15;
    return null;
  }
}
