/** The middle one of several measurements of the same. */
export const median = (values: readonly number[]): number =>
  [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)] ?? NaN;

/** From the least to the most of them, whole numbers. */
const spread = (values: readonly number[]): string =>
  `${Math.min(...values).toFixed(0)}–${Math.max(...values).toFixed(0)}`;

/** Several measurements of milliseconds as a row tells them: the middle one, and how far they lie apart. */
export const inMs = (values: readonly number[]): string =>
  `${median(values).toFixed(0)} ms (${spread(values)})`;
