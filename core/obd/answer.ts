/** One complete answer of one control unit. */
export interface Answer {
  /** Control unit's id as printed on the wire. */
  source: string;
  /** Service byte and what follows. */
  payload: readonly number[];
  /** Service 03/07/0A on CAN begin with a count byte, on the older protocols they do not. */
  isCan: boolean;
  line?: number;
}
