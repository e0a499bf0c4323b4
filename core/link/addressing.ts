/** A control unit of a module map, as far as the link needs it. */
export interface ReachableUnit {
  name: string;
  /** CAN ids as printed: three hexadecimal digits, or eight. */
  request: string;
  answer: string;
}

/** The id on which every control unit of the standard listens: 11 bits, and 29. */
export const FUNCTIONAL = '7DF';
export const FUNCTIONAL_29_BIT = '18DB33F1';

/** Commands that set the id to ask on: three digits at once; of eight, the first two are the priority. */
export function headerCommands(id: string): string[] {
  return id.length === 8 ? [`ATCP${id.slice(0, 2)}`, `ATSH${id.slice(2)}`] : [`ATSH${id}`];
}
