/**
 * Sets of at most two causes, as two columns of cause indices for the inner loops; where a cause is missing stands the
 * count of all causes. A set without a cause stands for something that is not modelled, or for nothing at all.
 */
export interface Hypotheses {
  first: Int32Array;
  second: Int32Array;
  /** How many causes there are, which stands for "no cause". */
  none: number;
}

/** The causes of one hypothesis, by index. */
export function causesOf({ first, second, none }: Hypotheses, h: number): number[] {
  const i = first[h] ?? none;
  const j = second[h] ?? none;
  return i === none ? [] : j === none ? [i] : [i, j];
}

/** The hypotheses that each cause is part of, by its index; in the last place those without a cause. */
export function hypothesesUnder({ first, second, none }: Hypotheses): Int32Array[] {
  // Where those of each cause begin in one list, which is filled from there on.
  const next = new Int32Array(none + 2);
  const count = (cause: number) => (next[cause + 1] = (next[cause + 1] ?? 0) + 1);
  for (let h = 0; h < first.length; h++) {
    const j = second[h] ?? none;
    count(first[h] ?? none);
    if (j !== none) count(j);
  }
  for (let i = 1; i < next.length; i++) next[i] = (next[i] ?? 0) + (next[i - 1] ?? 0);
  const all = new Int32Array(next.at(-1) ?? 0);
  const under = Array.from({ length: none + 1 }, (_, i) => all.subarray(next[i], next[i + 1]));
  const add = (cause: number, h: number) => {
    const at = next[cause] ?? 0;
    all[at] = h;
    next[cause] = at + 1;
  };
  for (let h = 0; h < first.length; h++) {
    const j = second[h] ?? none;
    add(first[h] ?? none, h);
    if (j !== none) add(j, h);
  }
  return under;
}
