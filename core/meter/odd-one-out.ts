/** The middle of a list; of an even count the mean of the middle two. Empty: NaN. */
export function median(values: readonly number[]): number {
  const sorted = [...values].sort((a, b) => a - b);
  const middle = sorted.length >> 1;
  if (sorted.length === 0) return NaN;
  return sorted.length % 2 === 1
    ? (sorted[middle] ?? NaN)
    : ((sorted[middle - 1] ?? NaN) + (sorted[middle] ?? NaN)) / 2;
}

/** Above it a value is an outlier (Iglewicz and Hoaglin, How to Detect and Handle Outliers, 1993). */
export const OUTLIER = 3.5;

/**
 * How far each value of a set stands off its middle, in robust standard deviations: 0.6745 (x - median) / MAD.
 * A set that is nearly equal has hardly any spread; it is taken as no finer than `least`, so that a meter's last digit
 * makes nobody an outlier.
 * @param least smallest spread (standard deviation) that is believed, in the values' unit.
 */
export function robustScores(values: readonly number[], least: number): number[] {
  const middle = median(values);
  const mad = median(values.map((v) => Math.abs(v - middle)));
  const spread = Math.max(mad / 0.6745, least);
  return values.map((v) => (v - middle) / spread);
}
