import {
  FAILURE_CAUSES,
  FAILURE_STEPS,
  WITHOUT_VOLTS,
  signChance,
  type FailureCause,
  type FailureCauseId,
  type FailureSign,
  type FailureStep,
  type LinkKind,
} from './failure-table.ts';

/** What is known about a connection that failed. */
export interface KnownFailure {
  kind: LinkKind;
  sign: FailureSign;
  /** Volts at the socket, where the adapter answered that much. */
  volts: number | null;
  /** Set-up commands that the adapter refused. */
  refused: number;
  /** Whether the vehicle ought to speak the standard. */
  coverage: 'yes' | 'likely' | 'unlikely' | 'unknown';
  /** Model year, where it is known. */
  year?: number | undefined;
  /** Answers so far, oldest first. */
  answers: readonly { step: string; answer: string }[];
}

export interface NarrowedFailure {
  /** Likeliest first. */
  causes: { id: FailureCauseId; title: string; mend: string; chance: number }[];
  /** The step that tells most for its time; null when nothing is left that would tell anything. */
  next: FailureStep | null;
}

/** How much the market's rules move the chance that the vehicle does not speak the standard. */
const COVERAGE_FACTOR = { yes: 0.15, likely: 0.6, unlikely: 8, unknown: 1.5 } as const;

/**
 * How much the year moves the chance that a car answers only by ISO 14229: it may from 2023 on, and has to from 2027 on,
 * where SAE J1979-2 is asked for; nobody's car before that does.
 */
const newness = (year: number | undefined): number =>
  year === undefined ? 0.3 : year < 2023 ? 0.001 : year < 2027 ? 3 : 8;

/** Below this supply the units may sleep or reset, volts. */
const LOW_VOLTS = 11.5;
/** A step that tells less than this, in bits, is not worth asking. */
const TELLS_NOTHING = 0.004;
/** Minutes that any step costs beside its own time: reading it, moving. */
const OVERHEAD_MINUTES = 0.4;

const offered = (kinds: readonly LinkKind[] | undefined, kind: LinkKind): boolean =>
  kinds === undefined || kinds.includes(kind);

const entropy = (chances: readonly number[]): number =>
  chances.reduce((sum, p) => (p > 0 ? sum - p * Math.log2(p) : sum), 0);

function normalised(weights: readonly number[]): number[] {
  const total = weights.reduce((a, b) => a + b, 0);
  return weights.map((w) => (total > 0 ? w / total : 1 / weights.length));
}

const rowOf = (step: FailureStep, cause: FailureCauseId): readonly number[] =>
  step.given[cause] ?? step.otherwise;

function before(cause: FailureCause & { id: FailureCauseId }, known: KnownFailure): number {
  let weight = cause.prior * signChance(known.sign, cause.id);
  if (cause.id === 'no-standard') weight *= COVERAGE_FACTOR[known.coverage];
  if (cause.id === 'too-new') weight *= newness(known.year);
  if (known.volts !== null) {
    if (WITHOUT_VOLTS.has(cause.id)) weight *= 0.02;
    if (cause.id === 'battery-low') weight *= known.volts < LOW_VOLTS ? 12 : 0.1;
  }
  // An adapter that does not know everyday settings is likely to lack protocols as well.
  if (cause.id === 'adapter-poor') weight *= known.refused > 0 ? 4 : 0.8;
  return weight;
}

/**
 * Narrows down why nothing talks: naive Bayes over single causes from the error, the voltage, the vehicle's coverage
 * and the answers so far; the next step is the one with the largest expected gain of information for its minutes.
 */
export function narrowFailure(known: KnownFailure): NarrowedFailure {
  const causes = FAILURE_CAUSES.filter((c: FailureCause) => offered(c.kinds, known.kind));
  const answered = new Map(known.answers.map((a) => [a.step, a.answer]));
  const steps = FAILURE_STEPS.filter((s) => offered(s.kinds, known.kind));
  let chances = normalised(causes.map((c) => before(c, known)));
  for (const step of steps) {
    const index = step.answers.findIndex((a) => a.id === answered.get(step.id));
    if (index >= 0)
      chances = normalised(causes.map((c, i) => (chances[i] ?? 0) * (rowOf(step, c.id)[index] ?? 1)));
  }
  const now = entropy(chances);
  let next: FailureStep | null = null;
  let best = 0;
  for (const step of steps) {
    if (answered.has(step.id)) continue;
    const after = step.answers.reduce((sum, answer, a) => {
      const joint = causes.map((c, i) => (chances[i] ?? 0) * (rowOf(step, c.id)[a] ?? 0));
      const chance = joint.reduce((x, y) => x + y, 0);
      // A try that works ends the search, whatever it was.
      return sum + (step.isTry && answer.id === 'talks' ? 0 : chance * entropy(normalised(joint)));
    }, 0);
    const gain = now - after;
    const worth = gain / (step.minutes + OVERHEAD_MINUTES);
    if (gain > TELLS_NOTHING && worth > best) {
      best = worth;
      next = step;
    }
  }
  return {
    causes: causes
      .map((c, i) => ({ id: c.id, title: c.title, mend: c.mend, chance: chances[i] ?? 0 }))
      .sort((a, b) => b.chance - a.chance),
    next,
  };
}

/** A step that was answered, as a sentence for the log. */
export function stepSentence(stepId: string, answerId: string): string {
  const step = FAILURE_STEPS.find((s) => s.id === stepId);
  const answer = step?.answers.find((a) => a.id === answerId);
  return `${(step?.title ?? stepId).replace(/\?$/, '')}: ${(answer?.title ?? answerId).toLowerCase()}.`;
}
