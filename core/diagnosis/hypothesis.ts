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
  return {
    first: Int32Array.from(hypotheses, (h) => h.causes[0] ?? count),
    second: Int32Array.from(hypotheses, (h) => h.causes[1] ?? count),
  };
}
