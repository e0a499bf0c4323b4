import type { UrgencyFacts } from './facts.ts';
import { levelRank, shorter, type AllowanceLevel, type UrgencyRule } from './rule.ts';
import { URGENCY_RULES } from './rules.ts';

export interface AllowanceReason {
  id: string;
  level: AllowanceLevel;
  /** The fact, with its reason. */
  text: string;
  then: string;
  /** The next minute, step by step; empty where there is no hurry. */
  minute: readonly string[];
  /** Whom to call when that does not settle it; null where nobody need be called. */
  call: string | null;
  /** Whether this reason is among those that decide. */
  isDeciding: boolean;
}

export interface Allowance {
  level: AllowanceLevel;
  title: string;
  /** Second line: how hard it may be driven. */
  detail: string;
  /** Strictest first. */
  reasons: AllowanceReason[];
  /** What would lengthen the road, and how far; null when nothing holds it back. */
  change: { level: AllowanceLevel; title: string; once: string } | null;
}

const TITLES: Readonly<Record<AllowanceLevel, readonly [string, string]>> = {
  'stop-here': ['Stop here', 'Switch off, do not drive on'],
  'safe-place': ['Safe place only', 'Gently to the nearest one, no further'],
  'short-trips': ['Short trips', 'Drive gently, stay near home'],
  'some-weeks': ['Some weeks', 'Gently, and watch it'],
  'no-limit': ['No limit', 'Nothing known limits it'],
};

/** Words for a level: title and detail. */
export function allowanceWords(level: AllowanceLevel): { title: string; detail: string } {
  const [title, detail] = TITLES[level];
  return { title, detail };
}

const strictest = (rules: readonly UrgencyRule[]): AllowanceLevel =>
  rules.reduce<AllowanceLevel>((level, r) => shorter(level, r.level), 'no-limit');

/** The allowance of a case that its owner has closed: nothing warns any more. */
const CLOSED: Allowance = {
  level: 'no-limit',
  title: 'Closed',
  detail: 'This case is closed; anything new opens it again',
  reasons: [],
  change: null,
};

/** How far and how hard the car may still be driven, which fact decides, and which would change it. */
export function driveAllowance(facts: UrgencyFacts): Allowance {
  if (facts.isClosed) return CLOSED;
  const holding = URGENCY_RULES.filter((r) => r.holds(facts)).sort(
    (a, b) => levelRank(a.level) - levelRank(b.level),
  );
  const level = strictest(holding);
  const deciding = holding.filter((r) => r.level === level);
  const others = strictest(holding.filter((r) => r.level !== level));
  const without = deciding.reduce<AllowanceLevel>((most, r) => shorter(most, r.atMost ?? 'no-limit'), others);
  const first = deciding[0];
  return {
    level,
    ...allowanceWords(level),
    reasons: holding.map((r) => ({
      id: r.id,
      level: r.level,
      text: r.because,
      then: r.then,
      minute: r.minute ?? [],
      call: r.call ?? null,
      isDeciding: r.level === level,
    })),
    change: first
      ? {
          level: without,
          title: allowanceWords(without).title,
          once: [...new Set(deciding.map((r) => r.once))].join(' and '),
        }
      : null,
  };
}
