import { ANY, rule, type Finding, type Rule, type Verdict } from './rule.ts';
import { AIR_RULES } from './rules/air.ts';
import { DIESEL_RULES } from './rules/diesel.ts';
import { ELECTRICAL_RULES } from './rules/electrical.ts';
import { EXHAUST_RULES } from './rules/exhaust.ts';
import { FUEL_RULES } from './rules/fuel.ts';
import { judgeMisfires, judgeOwnTests } from './rules/own-tests.ts';
import { TEMPERATURE_RULES } from './rules/temperature.ts';
import { THROTTLE_RULES } from './rules/throttle.ts';
import type { Stat, Window } from './window.ts';

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

function findingOf(r: Rule<RuleId>, window: Window): Finding | null {
  const { engine, stats, seconds } = window;
  if (!r.states.includes(window.state) || seconds < (r.seconds ?? 0)) return null;
  if (r.engines && (r.engines === 'diesel') !== engine.isDiesel) return null;
  if (!r.needs.every((key) => stats[key] !== undefined)) return null;
  return r.judge((key) => stats[key] as Stat, window);
}

/** Rules that speak of this kind of engine at all. */
function rulesFor(window: Window | undefined): readonly Rule<RuleId>[] {
  return RULES.filter((r) => !window || !r.engines || (r.engines === 'diesel') === window.engine.isDiesel);
}

const GRAVITY: Readonly<Record<Finding['verdict'], number>> = { sound: 0, odd: 1, impossible: 2 };

/**
 * Judges windows by every rule; the gravest verdict of a rule counts. A rule whose state or readings are missing
 * says what to do.
 */
export function judge(windows: readonly Window[]): Judgement[] {
  return rulesFor(windows[0]).map((r) => {
    const base = { rule: r.id, title: r.title, expected: r.expected, source: r.source };
    let gravest: Finding | null = null;
    for (const w of windows) {
      const found = findingOf(r, w);
      if (found && (!gravest || GRAVITY[found.verdict] > GRAVITY[gravest.verdict])) gravest = found;
    }
    return gravest
      ? { ...base, ...gravest }
      : { ...base, verdict: 'not-judged', measured: '', toJudge: r.toJudge };
  });
}
