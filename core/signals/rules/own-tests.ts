import { quantityText } from '@pincer/core/words';
import { fixed } from '../rule.ts';
import type { Finding } from '../rule.ts';
import type { TestResult, Window } from '../window.ts';

/** Monitor ids of misfire counts, cylinder 1 to 12, and the count of this trip or the last (SAE J1979, service 06). */
const FIRST_CYLINDER = 0xa2;
const LAST_CYLINDER = 0xad;
const THIS_TRIP = '0C';

/** Missed power strokes of each cylinder in this trip or the last. */
export function misfireCounts(tests: readonly TestResult[]): { cylinder: number; count: number }[] {
  return tests.flatMap((t) => {
    const monitor = Number.parseInt(t.pid, 16);
    return monitor >= FIRST_CYLINDER && monitor <= LAST_CYLINDER && t.part === THIS_TRIP
      ? [{ cylinder: monitor - FIRST_CYLINDER + 1, count: t.value }]
      : [];
  });
}

/** From this count on, and this many times the mean of the others, a cylinder stands out. */
const STANDS_OUT = { count: 20, times: 5 } as const;

/** The cylinder whose misfires stand out from the others', or null. */
export function missingCylinder(tests: readonly TestResult[]): number | null {
  const counts = misfireCounts(tests);
  const worst = [...counts].sort((a, b) => b.count - a.count)[0];
  if (!worst || counts.length < 2 || worst.count < STANDS_OUT.count) return null;
  const others = counts.filter((c) => c !== worst).reduce((s, c) => s + c.count, 0) / (counts.length - 1);
  return worst.count >= others * STANDS_OUT.times ? worst.cylinder : null;
}

/** Margin of a result to its nearer limit as a share of the span or limit; below nothing it failed. */
export function marginOf({ value, min, max }: TestResult): number | null {
  if (max !== null && min !== null && max > min) return Math.min(value - min, max - value) / (max - min);
  if (max !== null && max !== 0) return (max - value) / Math.abs(max);
  return min !== null && min !== 0 ? (value - min) / Math.abs(min) : null;
}

/** Results beyond their limits. */
export function failedTests(tests: readonly TestResult[]): TestResult[] {
  return tests.filter((t) => (t.max !== null && t.value > t.max) || (t.min !== null && t.value < t.min));
}

/** All of the car's own tests at once: which are beyond their limits. */
export function judgeOwnTests({ tests }: Window): Finding | null {
  if (tests.length === 0) return null;
  const failed = failedTests(tests);
  return failed.length === 0
    ? { verdict: 'sound', measured: `${tests.length} results, all within their limits` }
    : {
        verdict: 'odd',
        measured: failed
          .map((t) => {
            const limit = t.max !== null && t.value > t.max ? t.max : (t.min ?? 0);
            return `${t.name} ${quantityText(fixed(t.value, 2), t.unit)}, limit ${quantityText(fixed(limit, 2), t.unit)}`;
          })
          .join('; '),
      };
}

/** Misfire counts by cylinder: one that stands out. */
export function judgeMisfires({ tests }: Window): Finding | null {
  const counts = misfireCounts(tests);
  if (counts.length === 0) return null;
  const cylinder = missingCylinder(tests);
  const measured = counts.map((c) => `cylinder ${c.cylinder}: ${fixed(c.count)}`).join(', ');
  const many = counts.filter((c) => c.count >= STANDS_OUT.count).length > 1;
  return { verdict: cylinder !== null || many ? 'odd' : 'sound', measured };
}
