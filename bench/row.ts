/** One measured figure against its budget; `ratio` is measured over budget, so 1 or less is within it. */
export interface Row {
  what: string;
  measured: string;
  budget: string;
  ratio: number | null;
}
