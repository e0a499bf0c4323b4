import { ANY, rule, type Finding, type Rule, type Verdict } from './rule.ts';
import { AIR_RULES } from './rules/air.ts';
import { DIESEL_RULES } from './rules/diesel.ts';
import { ELECTRICAL_RULES } from './rules/electrical.ts';
import { EXHAUST_RULES } from './rules/exhaust.ts';
import { FUEL_RULES } from './rules/fuel.ts';
import { judgeMisfires, judgeOwnTests } from './rules/own-tests.ts';
import { TEMPERATURE_RULES } from './rules/temperature.ts';
import { THROTTLE_RULES } from './rules/throttle.ts';
import { BANK_2, type ReadingKey } from './readings.ts';
import type { EngineState, Stat, Window } from './window.ts';

const OWN_TEST_RULES = [
  rule({
    id: 'own-tests',
    title: 'The {car}’s own tests are within their limits',
    states: [...ANY, 'cranking'],
    needs: [],
    expected: 'each result within the limits that the control unit gives',
    source: 'SAE J1979 service 06',
    toJudge: 'Read everything once; older {cars} and some manufacturers report none.',
    judge: (_, w) => judgeOwnTests(w),
  }),
  rule({
    id: 'misfire-counts',
    title: 'No cylinder misfires more than the others',
    states: [...ANY, 'cranking'],
    needs: [],
    expected: 'a few at most, and alike over the cylinders',
    source: 'SAE J1979 service 06, monitors A2 to AD: counts of this trip or the last',
    toJudge: 'Read after a drive; only {cars} that count by cylinder tell it.',
    judge: (_, w) => judgeMisfires(w),
  }),
] as const;

const ALL = [
  ...TEMPERATURE_RULES,
  ...AIR_RULES,
  ...FUEL_RULES,
  ...ELECTRICAL_RULES,
  ...THROTTLE_RULES,
  ...EXHAUST_RULES,
  ...DIESEL_RULES,
  ...OWN_TEST_RULES,
] as const;
export type RuleId = (typeof ALL)[number]['id'];
export const RULES: readonly Rule<RuleId>[] = ALL;
/** Rules that set two states against each other. */
const TWO_STATES = RULES.filter((r) => r.against);

export interface Judgement {
  rule: RuleId;
  title: string;
  verdict: Verdict;
  /** The arithmetic in words and numbers. */
  measured: string;
  expected: string;
  source: string;
  side?: Finding['side'];
  scale?: Finding['scale'];
  /** What to do so that it can be judged; only with `not-judged`. */
  toJudge?: string;
}

const statsOf =
  ({ stats }: Window) =>
  (key: keyof Window['stats']) =>
    stats[key] as Stat;

/** Whether a window shows one of the states, long enough and with every reading that a rule needs. */
function serves(
  r: Rule<RuleId>,
  states: readonly EngineState[],
  { state, seconds, stats, engine }: Window,
): boolean {
  return (
    states.includes(state) &&
    seconds >= (r.seconds ?? 0) &&
    (!r.engines || (r.engines === 'diesel') === engine.isDiesel) &&
    r.needs.every((key) => stats[key] !== undefined)
  );
}

const OF_BANK_2 = Object.entries(BANK_2) as [ReadingKey, ReadingKey][];

/** Of each rule that speaks of one bank, the readings of the first that it needs, each with that of the second. */
const BANKS: ReadonlyMap<RuleId, readonly (readonly [ReadingKey, ReadingKey])[]> = new Map(
  RULES.filter((r) => r.isOfBank).map((r) => [r.id, OF_BANK_2.filter(([first]) => r.needs.includes(first))]),
);

/** A window as its second bank shows it: what stands for the first bank is the second's; null without one. */
function secondBank(r: Rule<RuleId>, window: Window): Window | null {
  const { stats } = window;
  const mine = BANKS.get(r.id);
  // Nearly all engines have one bank: nothing is copied for them.
  if (!mine?.every(([, second]) => stats[second] !== undefined)) return null;
  const others = mine.map(([first, second]) => [first, stats[second] as Stat] as const);
  return { ...window, stats: { ...stats, ...Object.fromEntries(others) } };
}

/** Of what two banks show the graver, with the bank named. */
function graver(first: Finding | null, second: Finding | null): Finding | null {
  if (!first || !second) return first ?? second;
  const [bank, found] = GRAVITY[second.verdict] > GRAVITY[first.verdict] ? [2, second] : [1, first];
  return { ...found, measured: `bank ${bank}: ${found.measured}` };
}

/** What a rule finds in a single window, as one bank shows it. */
function findingOfBank(r: Rule<RuleId>, window: Window | null): Finding | null {
  if (!window || !serves(r, r.states, window)) return null;
  const of = statsOf(window);
  return r.judge(of, window, of);
}

/** What a rule finds in a single window. */
const findingIn = (r: Rule<RuleId>, window: Window): Finding | null =>
  graver(findingOfBank(r, window), findingOfBank(r, secondBank(r, window)));

/** The longest window of either state of a rule that sets two against each other. */
interface Longest {
  here: Window | null;
  other: Window | null;
}

/** What went before, as far as any rule asks for it: for each that sets two states against each other the longest windows. */
export type WindowsBefore = ReadonlyMap<RuleId, Longest>;

export const NOTHING_BEFORE: WindowsBefore = new Map();

/** The longest of those that serve; the first where several are alike. */
function longestOf(
  r: Rule<RuleId>,
  states: readonly EngineState[],
  windows: readonly Window[],
): Window | null {
  let best: Window | null = null;
  for (const w of windows) if (serves(r, states, w) && (!best || w.seconds > best.seconds)) best = w;
  return best;
}

/** Of a newer and an older window the longer; the newer where they are alike: it is the one to compare with. */
const longer = (newer: Window | null, older: Window | null): Window | null =>
  newer && older ? (older.seconds > newer.seconds ? older : newer) : (newer ?? older);

/**
 * What went before, with the windows of one more source. It keeps the longest alone, so that a log of any length is gone
 * through in one pass.
 */
export function andThen(before: WindowsBefore, windows: readonly Window[]): WindowsBefore {
  const next = new Map(before);
  for (const r of TWO_STATES) {
    const mine = { here: longestOf(r, r.states, windows), other: longestOf(r, r.against ?? [], windows) };
    if (!mine.here && !mine.other) continue;
    const was = before.get(r.id);
    next.set(r.id, {
      here: longer(mine.here, was?.here ?? null),
      other: longer(mine.other, was?.other ?? null),
    });
  }
  return next;
}

/** What a rule that sets two states against each other finds; one of the two may have been recorded before. */
function findingBetween(
  r: Rule<RuleId>,
  against: readonly EngineState[],
  windows: readonly Window[],
  before: WindowsBefore,
): Finding | null {
  const [here, other] = [longestOf(r, r.states, windows), longestOf(r, against, windows)];
  if (!here && !other) return null;
  const window = here ?? before.get(r.id)?.here;
  const second = other ?? before.get(r.id)?.other;
  if (!window || !second) return null;
  const of = (a: Window | null, b: Window | null): Finding | null =>
    a && b ? r.judge(statsOf(a), a, statsOf(b)) : null;
  return graver(of(window, second), of(secondBank(r, window), secondBank(r, second)));
}

/** Rules that speak of this kind of engine at all. */
function rulesFor(window: Window | undefined): readonly Rule<RuleId>[] {
  if (!window) return RULES;
  const { isDiesel, isMotorcycle } = window.engine;
  return isDiesel ? RULES_OF.diesel : isMotorcycle ? RULES_OF.motorcycle : RULES_OF.petrol;
}
const RULES_OF = {
  diesel: RULES.filter((r) => !r.engines || r.engines === 'diesel'),
  petrol: RULES.filter((r) => !r.engines || r.engines !== 'diesel'),
  motorcycle: RULES.filter((r) => r.engines !== 'diesel' && r.part !== 'particulate-filter'),
};

const GRAVITY: Readonly<Record<Finding['verdict'], number>> = {
  sound: 0,
  borderline: 1,
  odd: 2,
  impossible: 3,
};

/**
 * What the rules find in windows; the gravest verdict of a rule counts, and one whose state or readings are missing says
 * nothing.
 * @param before what the same vehicle showed before in the same condition: rules that set two states against each other
 * look for the missing one there.
 * @param asks which rules are asked; all where nothing is said.
 */
export function verdictsOf(
  windows: readonly Window[],
  before: WindowsBefore = NOTHING_BEFORE,
  asks: (rule: RuleId) => boolean = () => true,
): Judgement[] {
  const found: Judgement[] = [];
  for (const r of rulesFor(windows[0])) {
    if (!asks(r.id)) continue;
    let gravest: Finding | null = r.against ? findingBetween(r, r.against, windows, before) : null;
    for (const w of r.against ? [] : windows) {
      const one = findingIn(r, w);
      if (one && (!gravest || GRAVITY[one.verdict] > GRAVITY[gravest.verdict])) gravest = one;
    }
    if (gravest) found.push({ ...wordsOf(r), ...gravest });
  }
  return found;
}

const wordsOf = ({ id, title, expected, source }: Rule<RuleId>) => ({ rule: id, title, expected, source });

/** Judges windows by every rule, as {@link verdictsOf}; a rule that finds nothing says what to do so that it can. */
export function judge(windows: readonly Window[], before: WindowsBefore = NOTHING_BEFORE): Judgement[] {
  const found = new Map(verdictsOf(windows, before).map((j) => [j.rule, j]));
  return rulesFor(windows[0]).map(
    (r) => found.get(r.id) ?? { ...wordsOf(r), verdict: 'not-judged', measured: '', toJudge: r.toJudge },
  );
}
