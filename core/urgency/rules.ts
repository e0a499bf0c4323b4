import type { UrgencyRule } from './rule.ts';
import { SAFE_PLACE } from './rules/safe-place.ts';
import { SHORT_TRIPS } from './rules/short-trips.ts';
import { SOME_WEEKS } from './rules/some-weeks.ts';
import { STOP_HERE } from './rules/stop-here.ts';

/** Rules as data. The strictest that holds decides; "unknown" never improves anything. */
export const URGENCY_RULES: readonly UrgencyRule[] = [
  ...STOP_HERE,
  ...SAFE_PLACE,
  ...SHORT_TRIPS,
  ...SOME_WEEKS,
];
