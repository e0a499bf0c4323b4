import type { RepairedBy } from '@pincer/core/case';

/** How far a repair has come; kept, so that it can be gone on with on another day. */
export interface Ticks {
  hasSeen: boolean;
  /** Steps that are done, and looks before the covers go back, by index. */
  done: number[];
  looked: number[];
  /** Figures that were looked up, by step. */
  values: Record<string, string>;
  by: RepairedBy;
  cost: string;
  hours: string;
  partNumber: string;
  distance: string;
  note: string;
}

export const UNTICKED: Ticks = {
  hasSeen: false,
  done: [],
  looked: [],
  values: {},
  by: 'owner',
  cost: '',
  hours: '',
  partNumber: '',
  distance: '',
  note: '',
};

/** What an older page has kept lacks fields; they are filled in where it is read. */
export const isTicks = (v: unknown): v is Partial<Ticks> =>
  typeof v === 'object' && v !== null && 'hasSeen' in v && 'done' in v;

/** The index added to a list, or taken out of it. */
export const toggled = (list: readonly number[], i: number, isOn: boolean): number[] =>
  isOn ? [...list, i] : list.filter((d) => d !== i);
