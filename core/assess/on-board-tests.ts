import { scanOf, type CaseState } from '@pincer/core/case';
import {
  UNKNOWN_ENGINE,
  failedTests,
  marginOf,
  misfireCounts,
  windowOfScan,
  type TestResult,
} from '@pincer/core/signals';

/** An on-board test result with its margin, and where it stands against the reading before. */
export interface OnBoardTest extends TestResult {
  id: string;
  hasFailed: boolean;
  /** Share of the room between the limits; null without usable limits. */
  margin: number | null;
  trend: 'better' | 'worse' | 'same' | null;
}

/** A margin has to change by so much of the room to be more than the measurement's own waver. */
const WAVERS = 0.05;

const idOf = (t: TestResult): string => `${t.pid}/${t.part}`;

/** The latest results of the car's own tests, and the misfires by cylinder. */
export function onBoardTests(state: CaseState): {
  tests: OnBoardTest[];
  misfires: { cylinder: number; count: number }[];
} {
  const latest = windowOfScan(scanOf(state.standing), UNKNOWN_ENGINE).tests;
  const toldBy = new Set(
    state.standing.values.filter((v) => v.value.service === '06').map((v) => v.word.entry),
  );
  const before = new Map<string, TestResult>();
  for (const { id, scan } of state.scans)
    if (!toldBy.has(id)) for (const t of windowOfScan(scan, UNKNOWN_ENGINE).tests) before.set(idOf(t), t);
  const failed = new Set(failedTests(latest));
  return {
    tests: latest.map((t) => {
      const margin = marginOf(t);
      const earlier = before.get(idOf(t));
      const was = earlier ? marginOf(earlier) : null;
      const change = margin === null || was === null ? null : margin - was;
      const trend =
        change === null ? null : Math.abs(change) < WAVERS ? 'same' : change > 0 ? 'better' : 'worse';
      return { ...t, id: idOf(t), hasFailed: failed.has(t), margin, trend };
    }),
    misfires: misfireCounts(latest),
  };
}
