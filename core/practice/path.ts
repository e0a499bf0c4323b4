import { assess, type Assessment } from '@pincer/core/assess';
import type { CaseRecord, Entry, Owner } from '@pincer/core/case';
import {
  atCylinder,
  checkCost,
  instancesFor,
  repairCost,
  shopPrice,
  type CauseInstance,
} from '@pincer/core/diagnosis';
import { checkById } from '@pincer/core/knowledge';
import type { Scan } from '@pincer/core/obd';
import type { Vehicle } from '@pincer/core/vehicle';
import { answerOf, cures, stillWrong } from './answers.ts';
import type { PracticeTask } from './task.ts';

/** One step on a path, and what it said. */
export interface PathStep {
  /** What was done, in words. */
  title: string;
  /** What came of it; empty where nothing is to be said. */
  result: string;
  cost: number;
  minutes: number;
  /** A repair that cured nothing. */
  isNeedless: boolean;
  /** Why it was dangerous; null where it was not. */
  danger: string | null;
  /** The likeliest cause after it, and what is truly wrong, each with its chance. */
  leads: { title: string; chance: number } | null;
  truth: number;
}

/** A way from the light to the end, with what it took. */
export interface Path {
  steps: PathStep[];
  /** Currency units, own time included, and the owner's minutes. */
  cost: number;
  minutes: number;
  /** Spent on repairs that cured nothing, currency units. */
  needless: number;
  dangers: string[];
  /** Whether all that was wrong was repaired; where nothing was, whether nothing was repaired. */
  isSolved: boolean;
}

/** Longest way that is followed. */
const MAX_STEPS = 30;

const minutesAfter = (from: string, n: number): string =>
  new Date(new Date(from).getTime() + n * 60_000).toISOString();

const nameOf = (id: string, instances: readonly CauseInstance[]): string => {
  const found = instances.find((i) => i.id === id);
  return found ? atCylinder(found.cause.repair.title, found.cylinder) : id;
};

/** Where an assessment stands: what leads, and how likely it holds what is truly wrong. */
function standOf(a: Assessment, wrong: readonly string[]): Pick<PathStep, 'leads' | 'truth'> {
  const [first] = a.causes;
  const truth = a.causes.filter((c) => wrong.includes(c.id)).map((c) => c.probability);
  return {
    leads: first ? { title: first.title, chance: first.probability } : null,
    truth: truth.length === 0 ? 0 : Math.max(...truth),
  };
}

function sum(steps: PathStep[], isSolved: boolean): Path {
  const total = (of: (s: PathStep) => number) => steps.reduce((n, s) => n + of(s), 0);
  return {
    steps,
    cost: total((s) => s.cost),
    minutes: total((s) => s.minutes),
    needless: total((s) => (s.isNeedless ? s.cost : 0)),
    dangers: steps.flatMap((s) => (s.danger === null ? [] : [s.danger])),
    isSolved,
  };
}

const placeOf = (check: string): number | null => {
  const place = check.split(':')[1];
  return place === undefined ? null : Number(place);
};

const outcomeTitle = (check: string, outcome: string | null): string =>
  checkById(check.split(':')[0] ?? '')?.outcomes.find((o) => o.id === outcome)?.title ?? '';

const checkTitle = (check: string): string =>
  atCylinder(checkById(check.split(':')[0] ?? '')?.title ?? check, placeOf(check));

/** Minutes of a full reading, plugging in included. */
const READING_MINUTES = 5;
const NO_STAND: Pick<PathStep, 'leads' | 'truth'> = { leads: null, truth: 0 };

function readingStep(scan: Scan | null): Pick<PathStep, 'title' | 'result' | 'cost' | 'minutes'> {
  const codes = [...new Set(scan?.codes.map((c) => c.code))];
  return {
    title: 'Reading',
    result: codes.length === 0 ? 'No codes.' : `${codes.join(', ')}.`,
    cost: 0,
    minutes: READING_MINUTES,
  };
}

/** What is to be known of a task to walk it. */
export interface Walk {
  task: PracticeTask;
  vehicle: Vehicle;
  owner: Owner;
  now: Date;
}

/**
 * The way that the program's own advice would have gone from the beginning of a case: the check that is worth it, else the
 * first repair of its plan, until it is fixed, nothing is left to do, or a workshop ends it. Results of checks are those that
 * the practice car gives anybody.
 * @param record the case with what the driver told, and nothing else.
 * @param read a full reading of the car with so much still wrong, as the simulator gives it.
 */
export async function plannedPath(
  record: CaseRecord,
  { task, vehicle, owner, now }: Walk,
  read: (wrong: PracticeTask['parts']) => Promise<Scan>,
): Promise<Path> {
  const instances = instancesFor(vehicle, now);
  const steps: PathStep[] = [];
  let current = record;
  let n = 0;
  const add = (entry: Record<string, unknown> & { kind: Entry['kind'] }) => {
    n++;
    const made = { ...entry, id: `ent_p${n}`, at: minutesAfter(record.openedAt, n) } as Entry;
    current = { ...current, entries: [...current.entries, made] };
  };
  const wrong = () => stillWrong(task, current.entries);
  const readAgain = async () =>
    add({ kind: 'scan', via: 'adapter', isComplete: true, scan: await read(wrong()) });
  await readAgain();
  const first = current.entries.at(-1);
  steps.push({
    ...NO_STAND,
    ...readingStep(first?.kind === 'scan' ? first.scan : null),
    danger: null,
    isNeedless: false,
  });
  for (let i = 0; i < MAX_STEPS; i++) {
    if (wrong().length === 0 && task.parts.length > 0) return sum(steps, true);
    const a = assess(current, vehicle, now, owner);
    const ids = wrong().map((p) => p.cause);
    const stand = standOf(a, ids);
    // What a step said is what is known after it.
    Object.assign(steps.at(-1) ?? {}, stand);
    const check = a.checks.find((c) => c.isWorthIt);
    if (check) {
      const known = checkById(check.id.split(':')[0] ?? '');
      const outcome = answerOf(task, check.id, ids, instances);
      if (!known || outcome === null) break;
      add({ kind: 'check', check: check.id, outcome });
      steps.push({
        ...stand,
        title: checkTitle(check.id),
        result: outcomeTitle(check.id, outcome),
        cost: checkCost(known, owner),
        minutes: known.minutes,
        isNeedless: false,
        danger: null,
      });
      continue;
    }
    const tried = new Set(current.entries.flatMap((e) => (e.kind === 'repair' ? [e.cause] : [])));
    const next = a.procedures.find((p) => !tried.has(p.cause));
    const instance = instances.find((x) => x.id === next?.cause);
    if (task.parts.length === 0 && (a.quiet !== null || !next || a.causes.length === 0))
      return sum(steps, true);
    if (a.recommended === 'help' || !next || !instance) {
      const first = instances.find((x) => x.id === ids[0]);
      steps.push({
        ...stand,
        title: 'Get help',
        result: 'The workshop ends it.',
        cost: owner.shopDiagnosis + (first ? shopPrice(first, owner) : 0),
        minutes: 0,
        isNeedless: false,
        danger: null,
      });
      return sum(steps, task.parts.length > 0);
    }
    const cured = ids.some((id) => cures(next.cause, id));
    add({ kind: 'repair', cause: next.cause });
    steps.push({
      ...stand,
      title: nameOf(next.cause, instances),
      result: cured ? 'That was it.' : 'It made no difference.',
      cost: repairCost(instance, owner),
      minutes: instance.cause.repair.ownerMinutes,
      isNeedless: !cured,
      danger: null,
    });
    if (!cured) add({ kind: 'drive', metConditions: 'yes', cameBack: 'yes' });
    if (wrong().length > 0) await readAgain();
  }
  return sum(steps, false);
}

/** Why a step was dangerous, by what was known when it was taken; null where it was not. */
function dangerOf(entry: Entry, before: Assessment, instances: readonly CauseInstance[]): string | null {
  const { level } = before.allowance;
  const mayNotDrive = level === 'stop-here' || level === 'safe-place';
  const reason = before.allowance.reasons.find((r) => r.isDeciding)?.text ?? '';
  if (entry.kind === 'drive' && mayNotDrive) return `Driven although it should stand: ${reason}`;
  if (entry.kind === 'check' && mayNotDrive && checkById(entry.check.split(':')[0] ?? '')?.needsDriving)
    return `A check on the road although it should stand: ${reason}`;
  if (entry.kind === 'repair' && (entry.by ?? 'owner') === 'owner') {
    const found = instances.find((i) => i.id === entry.cause);
    if (found?.cause.repair.isLicensed) return `${nameOf(entry.cause, instances)}: that is licensed work.`;
  }
  return null;
}

/** Entries that are a step of a path. */
const isStep = (e: Entry): boolean =>
  e.kind === 'check' ||
  e.kind === 'repair' ||
  e.kind === 'drive' ||
  e.kind === 'scan' ||
  e.kind === 'clear' ||
  (e.kind === 'decision' && e.option === 'help');

/**
 * The way that a learner went, step by step: what each cost, what it said, and what was dangerous. Every step is judged by what
 * was known before it.
 */
export function walkedPath(record: CaseRecord, { task, vehicle, owner, now }: Walk): Path {
  const instances = instancesFor(vehicle, now);
  const struck = new Set(record.entries.flatMap((e) => (e.kind === 'retracted' ? [e.entry] : [])));
  const entries = record.entries.filter((e) => !struck.has(e.id));
  const steps: PathStep[] = [];
  const upTo = (n: number): CaseRecord => ({ ...record, entries: entries.slice(0, n) });
  entries.forEach((entry, i) => {
    if (!isStep(entry) || steps.length >= MAX_STEPS * 2) return;
    const wrong = stillWrong(task, entries.slice(0, i)).map((p) => p.cause);
    const before = assess(upTo(i), vehicle, now, owner);
    const after = assess(upTo(i + 1), vehicle, now, owner);
    const base = { ...standOf(after, wrong), danger: dangerOf(entry, before, instances), isNeedless: false };
    switch (entry.kind) {
      case 'check': {
        const check = checkById(entry.check.split(':')[0] ?? '');
        steps.push({
          ...base,
          title: checkTitle(entry.check),
          result: outcomeTitle(entry.check, entry.outcome),
          cost: check ? checkCost(check, owner) : 0,
          minutes: check?.minutes ?? 0,
        });
        return;
      }
      case 'repair': {
        const found = instances.find((x) => x.id === entry.cause);
        const cured = wrong.some((id) => cures(entry.cause, id));
        steps.push({
          ...base,
          title: entry.title ?? nameOf(entry.cause, instances),
          result: cured ? 'That was it.' : 'It made no difference.',
          cost: found ? repairCost(found, owner) : (entry.cost ?? 0),
          minutes: found?.cause.repair.ownerMinutes ?? entry.minutes ?? 0,
          isNeedless: !cured,
        });
        return;
      }
      case 'decision': {
        const first = instances.find((x) => x.id === wrong[0]);
        steps.push({
          ...base,
          title: 'Get help',
          result: '',
          cost: owner.shopDiagnosis + (first ? shopPrice(first, owner) : 0),
          minutes: 0,
        });
        return;
      }
      case 'scan': {
        steps.push({ ...base, ...readingStep(entry.scan) });
        return;
      }
      default:
        steps.push({
          ...base,
          title: entry.kind === 'drive' ? 'Drive' : 'Clear',
          result: '',
          cost: 0,
          minutes: 0,
        });
    }
  });
  const left = stillWrong(task, entries);
  const hasRepaired = entries.some((e) => e.kind === 'repair');
  return sum(steps, task.parts.length === 0 ? !hasRepaired : left.length === 0);
}
