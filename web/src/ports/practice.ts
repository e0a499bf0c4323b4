import type { CaseRecord, Owner } from '@pincer/core/case';
import type { Path, PracticeTask, Score } from '@pincer/core/practice';
import type { Vehicle } from '@pincer/core/vehicle';

/** A check at the practice car. */
export interface PracticeQuestion {
  task: PracticeTask;
  vehicle: Vehicle;
  /** Id of the check, with its place. */
  check: string;
  /** Causes that are there now. */
  wrong: readonly string[];
  /** How often the same check was done before. */
  again: number;
  /** ISO moment. */
  at: string;
}

/** How a task went, against the advice's own way. */
export interface PracticeResult {
  /** What was wrong, in words; empty where nothing was. */
  what: string[];
  walked: Path;
  planned: Path;
  score: Score;
}

/** What the practice bay asks of its worker. */
export interface PracticePort {
  /** Id of the outcome; null for a check that the library does not have. */
  answer: (question: PracticeQuestion) => Promise<string | null>;
  result: (record: CaseRecord, vehicle: Vehicle, owner: Owner, at: string) => Promise<PracticeResult>;
}
