import { median } from './spread.ts';

/**
 * What the piece of work below takes on the machine and in the hour in which budgets in milliseconds were set, ms. A shared
 * machine is half as fast in another hour, and another machine always: what is measured in milliseconds is told against the
 * same work done beside it.
 */
const SET_AT_MS = 110;
const ROUNDS = 1_500_000;
const SAMPLES = 5;

/** Work of the kind that the program does: maps, numbers and short texts. @returns something that depends on all of it. */
function work(): number {
  const counts = new Map<number, number>();
  let sum = 0;
  for (let i = 0; i < ROUNDS; i++) {
    counts.set(i % 50_021, (counts.get((i * 7) % 50_021) ?? 0) + i);
    sum += String(i % 977).length;
  }
  return sum + counts.size;
}

/** How many times slower than then the machine is just now; below 1 it is faster. @param samples the middle one of so many. */
export function pace(samples = SAMPLES): number {
  const times = Array.from({ length: samples }, () => {
    const start = performance.now();
    work();
    return performance.now() - start;
  });
  return median(times) / SET_AT_MS;
}

/** Measures something, and how slow the machine was beside it: before and after, in the mean. */
export async function paced<T>(measure: () => T | Promise<T>): Promise<{ found: T; slower: number }> {
  const before = pace();
  const found = await measure();
  return { found, slower: (before + pace()) / 2 };
}

/**
 * A budget in milliseconds and how it was kept, on a machine that was so much slower beside it.
 * @param at what the budget holds for, where it is not the full speed.
 */
export function msBudget(
  measured: number,
  budget: number,
  slower: number,
  at = '',
): { budget: string; ratio: number } {
  return {
    budget: `${budget} ms${at}; ${slower.toFixed(2)} x slower beside it`,
    ratio: measured / (budget * slower),
  };
}
