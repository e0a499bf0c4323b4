/** A set of at most two causes, by index; none stands for something that is not modelled. */
export interface Hypothesis {
  causes: readonly number[];
}

/** Hypotheses as two columns of cause indices, for the inner loops; where a cause is missing stands their count. */
export interface HypothesisColumns {
  first: Int32Array;
  second: Int32Array;
}

/** The columns of a list of hypotheses. @param count of the causes, which stands for "no cause". */
export function columnsOf(hypotheses: readonly Hypothesis[], count: number): HypothesisColumns {
  const first = new Int32Array(hypotheses.length);
  const second = new Int32Array(hypotheses.length);
  hypotheses.forEach(({ causes }, h) => {
    first[h] = causes[0] ?? count;
    second[h] = causes[1] ?? count;
  });
  return { first, second };
}

/** The hypotheses that each cause is part of, by its index. */
export function hypothesesUnder({ first, second }: HypothesisColumns, count: number): number[][] {
  const under = Array.from({ length: count }, (): number[] => []);
  for (let h = 0; h < first.length; h++) {
    under[first[h] ?? count]?.push(h);
    under[second[h] ?? count]?.push(h);
  }
  return under;
}
