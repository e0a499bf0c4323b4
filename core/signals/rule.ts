import type { StatKey } from './readings.ts';
import type { EngineState, Stat, Window } from './window.ts';

/** `borderline`: beyond what is expected, and not so far that it is wrong: it speaks neither for nor against anything. */
export type Verdict = 'sound' | 'borderline' | 'odd' | 'impossible' | 'not-judged';

/** What a rule finds where it can judge. */
export interface Finding {
  verdict: Exclude<Verdict, 'not-judged'>;
  /** The arithmetic in words and numbers. */
  measured: string;
  /** Towards which side it is odd, where both are possible. */
  side?: 'high' | 'low';
  /** The figure and its limits, in the unit of the standard, where the rule holds one figure against two limits. */
  scale?: { value: number; low: number; high: number };
}

export interface Rule<Id extends string = string> {
  id: Id;
  title: string;
  /** States in which the rule may judge. */
  states: readonly EngineState[];
  needs: readonly StatKey[];
  /** States of a second window, with the same readings, that this one is judged against. */
  against?: readonly EngineState[];
  /** Seconds that the state must have lasted; without it a single look is enough. */
  seconds?: number;
  /** Whether each bank of cylinders has its own: the second one is judged too, and the graver counts. */
  isOfBank?: true;
  /** Which engines it speaks of; all without it. */
  engines?: 'petrol' | 'diesel';
  /** A part that not every vehicle has, of which alone it speaks. */
  part?: 'particulate-filter';
  expected: string;
  /** Where the limit comes from. */
  source: string;
  toJudge: string;
  /** @returns null when this window cannot be judged after all. */
  judge: (of: Stats, window: Window, ofOther: Stats) => Finding | null;
}
/** Statistics of the readings that a rule needs. */
export type Stats = (key: StatKey) => Stat;

export const RUNNING: readonly EngineState[] = ['idle-cold', 'idle-warm', 'raised', 'cruise', 'driving'];
export const ANY: readonly EngineState[] = ['key-on', ...RUNNING, 'unknown'];
export const MOVING: readonly EngineState[] = ['cruise', 'driving'];

/** Whether the vehicle moves in this state. */
export const isMoving = (state: EngineState): boolean => MOVING.includes(state);

/** A number for a sentence, with a true minus sign. */
export const fixed = (value: number, digits = 0): string =>
  value
    .toFixed(digits)
    .replace(/^-0(\.0+)?$/, '0$1')
    .replace('-', '−');

/** A sum as it is written: with one digit after the point where whole numbers would not add up. */
export function sumWords(a: number, b: number): string {
  const digits = Math.round(a) + Math.round(b) === Math.round(a + b) ? 0 : 1;
  // The sum of what is shown, so that a reader who adds finds the same.
  const shown = (n: number): number => Number(n.toFixed(digits));
  return `${fixed(a, digits)} + ${fixed(b, digits)} = ${fixed(shown(a) + shown(b), digits)}`;
}

/** Odd when it is over or under its limits. */
export function within(value: number, low: number, high: number, measured: string): Finding {
  const scale = { value, low, high };
  if (value < low) return { verdict: 'odd', measured, side: 'low', scale };
  return value > high
    ? { verdict: 'odd', measured, side: 'high', scale }
    : { verdict: 'sound', measured, scale };
}

/** Where a figure is expected, and beyond what it is odd; open sides are infinite. */
export interface Limits {
  expected: readonly [low: number, high: number];
  odd: readonly [low: number, high: number];
}

/** Sound where it is expected, odd beyond its limits, borderline between the two. */
export function graded(value: number, { expected, odd }: Limits, measured: string): Finding {
  const [low, high] = expected;
  const scale = Number.isFinite(low) && Number.isFinite(high) ? { scale: { value, low, high } } : {};
  if (value >= low && value <= high) return { verdict: 'sound', measured, ...scale };
  const side = value < low ? 'low' : 'high';
  const isOdd = value < odd[0] || value > odd[1];
  return { verdict: isOdd ? 'odd' : 'borderline', measured, side, ...scale };
}

/** Units that owners may have otherwise: figures of them are tagged, so that they are told in the owner's. */
const TAGGED: ReadonlySet<string> = new Set(['kPa', 'bar', '°C', 'K']);

/** The limits that are judged, in words: `12.4 V or more; odd under 12 V`. */
export function limitWords({ expected: [low, high], odd: [least, most] }: Limits, unit = ''): string {
  const figure = (n: number): string => n.toLocaleString('en-GB').replace('-', '−');
  const told = (text: string): string =>
    TAGGED.has(unit) ? `{${text} ${unit}}` : unit === '°' ? `${text}°` : `${text} ${unit}`.trimEnd();
  const range =
    low === -Infinity
      ? `up to ${told(figure(high))}`
      : high === Infinity
        ? `${told(figure(low))} or more`
        : told(`${figure(low)} to ${figure(high)}`);
  const edges = [
    ...(least === -Infinity ? [] : [`under ${told(figure(least))}`]),
    ...(most === Infinity ? [] : [`over ${told(figure(most))}`]),
  ];
  return `${range}; odd ${edges.join(' or ')}`;
}

/** Odd when it does not hold. */
export const holds = (isSound: boolean, measured: string, side?: Finding['side']): Finding => ({
  verdict: isSound ? 'sound' : 'odd',
  measured,
  ...(side && !isSound ? { side } : {}),
});

/** Keeps a rule's id as a literal type. */
export const rule = <Id extends string>(r: Rule<Id>): Rule<Id> => r;
