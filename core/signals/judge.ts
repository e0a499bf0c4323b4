import { ANY, rule, type Finding, type Rule, type Verdict } from './rule.ts';
import { AIR_RULES } from './rules/air.ts';
import { DIESEL_RULES } from './rules/diesel.ts';
import { ELECTRICAL_RULES } from './rules/electrical.ts';
import { EXHAUST_RULES } from './rules/exhaust.ts';
import { FUEL_RULES } from './rules/fuel.ts';
import { judgeMisfires, judgeOwnTests } from './rules/own-tests.ts';
import { TEMPERATURE_RULES } from './rules/temperature.ts';
import { THROTTLE_RULES } from './rules/throttle.ts';
import type { EngineState, Stat, Window } from './window.ts';

const OWN_TEST_RULES = [
  rule({
    id: 'own-tests',
    title: 'The car’s own tests are within their limits',
    states: [...ANY, 'cranking'],
    needs: [],
    expected: 'each result within the limits that the control unit gives',
    source: 'SAE J1979 service 06',
    toJudge: 'Read everything once; older cars and some makers tell none.',
    judge: (_, w) => judgeOwnTests(w),
  }),
  rule({
    id: 'misfire-counts',
    title: 'No cylinder misses more than the others',
    states: [...ANY, 'cranking'],
    needs: [],
    expected: 'a few at most, and alike over the cylinders',
    source: 'SAE J1979 service 06, monitors A2 to AD: counts of this trip or the last',
    toJudge: 'Read after a drive; only cars that count by cylinder tell it.',
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

export interface Judgement {
  rule: RuleId;
  title: string;
  verdict: Verdict;
  /** The arithmetic in words and numbers. */
  measured: string;
  expected: string;
  source: string;
  side?: Finding['side'];
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

/** What a rule finds in a single window. */
function findingIn(r: Rule<RuleId>, window: Window): Finding | null {
  return serves(r, r.states, window) ? r.judge(statsOf(window), window, statsOf(window)) : null;
}

/** What a rule that sets two states against each other finds; one of the two may have been recorded before. */
function findingBetween(
  r: Rule<RuleId>,
  against: readonly EngineState[],
  windows: readonly Window[],
  earlier: readonly Window[],
): Finding | null {
  const longest = (states: readonly EngineState[], from: readonly Window[]) =>
    from
      .filter((w) => serves(r, states, w))
      .reduce<Window | null>((best, w) => (best && best.seconds >= w.seconds ? best : w), null);
  const [here, other] = [longest(r.states, windows), longest(against, windows)];
  if (!here && !other) return null;
  const window = here ?? longest(r.states, earlier);
  const second = other ?? longest(against, earlier);
  return window && second ? r.judge(statsOf(window), window, statsOf(second)) : null;
}

/** Rules that speak of this kind of engine at all. */
function rulesFor(window: Window | undefined): readonly Rule<RuleId>[] {
  return RULES.filter((r) => !window || !r.engines || (r.engines === 'diesel') === window.engine.isDiesel);
}

const GRAVITY: Readonly<Record<Finding['verdict'], number>> = { sound: 0, odd: 1, impossible: 2 };

/**
 * Judges windows by every rule; the gravest verdict of a rule counts. A rule whose state or readings are missing
 * says what to do.
 * @param earlier windows of the same vehicle in the same condition: rules that set two states against each other
 * look for the missing one there.
 */
export function judge(windows: readonly Window[], earlier: readonly Window[] = []): Judgement[] {
  return rulesFor(windows[0]).map((r) => {
    const base = { rule: r.id, title: r.title, expected: r.expected, source: r.source };
    let gravest: Finding | null = r.against ? findingBetween(r, r.against, windows, earlier) : null;
    for (const w of r.against ? [] : windows) {
      const found = findingIn(r, w);
      if (found && (!gravest || GRAVITY[found.verdict] > GRAVITY[gravest.verdict])) gravest = found;
    }
    return gravest
      ? { ...base, ...gravest }
      : { ...base, verdict: 'not-judged', measured: '', toJudge: r.toJudge };
  });
}
