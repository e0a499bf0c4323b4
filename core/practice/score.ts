import type { Path } from './path.ts';

/** What a solved task is worth: half of it for solving, the rest for how. */
const POINTS = { solved: 50, cost: 25, parts: 15, safety: 10 } as const;

export interface Score {
  /** 0 to 100. */
  points: number;
  /** Where the points went, in words. */
  lines: { title: string; points: number; of: number }[];
}

/**
 * A learner's way against the advice's: solved or not; what it cost against what the advice would have cost; money for parts
 * that cured nothing; and whether anything was dangerous, which costs all points of safety and half of the others.
 */
export function scoreOf(walked: Path, planned: Path): Score {
  const isSafe = walked.dangers.length === 0;
  const spent = Math.max(walked.cost, 1);
  const share = walked.isSolved ? Math.min(1, Math.max(planned.cost, 1) / spent) : 0;
  const wasted = walked.cost > 0 ? walked.needless / walked.cost : 0;
  const line = (title: string, of: number, part: number) => ({ title, of, points: Math.round(of * part) });
  const lines = [
    line('Found and repaired', POINTS.solved, walked.isSolved ? 1 : 0),
    line('Cost against the advice', POINTS.cost, share),
    line('No parts for nothing', POINTS.parts, walked.isSolved ? 1 - wasted : 0),
    line('Nothing dangerous', POINTS.safety, isSafe ? 1 : 0),
  ];
  const total = lines.reduce((n, l) => n + l.points, 0);
  return { points: isSafe ? total : Math.round(total / 2), lines };
}
