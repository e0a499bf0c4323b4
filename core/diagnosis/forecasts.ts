import type { Check } from '@pincer/core/knowledge';
import { combined, rowsOf } from './evidence.ts';
import type { Hypotheses } from './hypothesis.ts';
import type { CauseInstance } from './instances.ts';

/** What a result would say: its chance, and the chance of each cause then. */
export interface Forecast {
  chance: number;
  marginals: Float64Array;
}

/**
 * What each result of a check would say. A result is as likely as otherwise under every hypothesis whose causes the check
 * does not speak of, which are most of them: only the others are gone through.
 * @param now hypotheses, their weights, which sum to one, and the chance of each cause.
 * @param under the hypotheses that each cause is part of, by its index.
 */
export function forecasts(
  check: Check,
  cylinder: number | null,
  instances: readonly CauseInstance[],
  now: { hypotheses: Hypotheses; weights: Float64Array; marginals: Float64Array },
  under: readonly Int32Array[],
): Forecast[] {
  const none = instances.length;
  const { otherwise } = check;
  const { first, second } = now.hypotheses;
  const rows = rowsOf(check, cylinder, instances);
  const chances = Float64Array.from(otherwise);
  const sums = Array.from(otherwise, (p) => {
    const sum = new Float64Array(none);
    for (let i = 0; i < none; i++) sum[i] = p * (now.marginals[i] ?? 0);
    return sum;
  });
  /** Beside which causes that the check does not speak of, and with what weight, the cause in hand is met. */
  const others = new Int32Array(now.weights.length);
  const beside = new Float64Array(now.weights.length);
  for (let cause = 0; cause < none; cause++) {
    const row = rows[cause] ?? otherwise;
    if (row === otherwise) continue;
    let count = 0;
    let whole = 0;
    for (const h of under[cause] ?? []) {
      const i = first[h] ?? none;
      const other = i === cause ? (second[h] ?? none) : i;
      const weight = now.weights[h] ?? 0;
      const rowOfOther = rows[other] ?? otherwise;
      if (rowOfOther === otherwise) {
        whole += weight;
        if (other === none) continue;
        others[count] = other;
        beside[count] = weight;
        count++;
      } else if (i === cause) {
        // A pair that the check speaks of on both sides is met twice, and counts the first time.
        const given = combined(check, row, rowOfOther);
        for (let o = 0; o < sums.length; o++) {
          const more = weight * ((given[o] ?? 0) - (otherwise[o] ?? 0));
          chances[o] = (chances[o] ?? 0) + more;
          const sum = sums[o];
          if (!sum) continue;
          sum[cause] = (sum[cause] ?? 0) + more;
          sum[other] = (sum[other] ?? 0) + more;
        }
      }
    }
    for (let o = 0; o < sums.length; o++) {
      const sum = sums[o];
      if (!sum) continue;
      const differs = (row[o] ?? 0) - (otherwise[o] ?? 0);
      chances[o] = (chances[o] ?? 0) + whole * differs;
      sum[cause] = (sum[cause] ?? 0) + whole * differs;
      for (let n = 0; n < count; n++) {
        const other = others[n] ?? 0;
        sum[other] = (sum[other] ?? 0) + (beside[n] ?? 0) * differs;
      }
    }
  }
  return sums.map((sum, o) => {
    // What is left of a difference of equals is not below nought.
    const chance = Math.max(0, chances[o] ?? 0);
    const marginals = sum.subarray(0, none);
    for (let i = 0; i < none; i++)
      marginals[i] = chance > 0 ? Math.min(1, Math.max(0, (marginals[i] ?? 0) / chance)) : 0;
    return { chance, marginals };
  });
}
