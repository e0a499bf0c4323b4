import { assess, type Assessment } from '@pincer/core/assess';
import { DEFAULT_OWNER, type CaseRecord, type Entry } from '@pincer/core/case';
import {
  checkCost,
  instancesFor,
  outcomeChances,
  repairCost,
  repairPlan,
  shopPrice,
  type CauseInstance,
} from '@pincer/core/diagnosis';
import { checkById } from '@pincer/core/knowledge';
import {
  PRACTICE_TASKS,
  PRACTICE_VEHICLES,
  causeAfter,
  cures,
  type PracticeTask,
} from '@pincer/core/practice';
import { cylindersOf, type Vehicle } from '@pincer/core/vehicle';
import { moneyOf } from '@pincer/core/words';
import { readPracticeCar, seededRandom } from '@pincer/simulator';
import type { Row } from './row.ts';

/** Every single fault of the three stand-ins that the practice bay has, and the cause of the library that each is. */
const TASKS = PRACTICE_TASKS.filter((t) => t.kind === 'one');

/** By cause, what its codes name at first sight: what is bought by whoever goes by the title of a code. */
const NAMED: Readonly<Record<string, readonly string[]>> = {
  coil: ['coil'],
  'coil-boot': ['plug', 'coil'],
  'maf-unplugged': ['maf-failed'],
  'iat-unplugged': ['iat-failed'],
  'vacuum-hose-off': ['oxygen-front', 'maf-failed'],
};

const SEEDS = [3, 7, 11];
/** Causes that are drawn from what the readings of a run say. */
const DRAWN = 2;
const MAX_STEPS = 25;
const NOW = new Date('2026-11-03T07:00:00Z');
const OPENED = '2026-11-03T06:00:00.000Z';

/** One run: a car with one fault, read twice, cold and warm; nothing else is told but its lamp. */
interface Run {
  vehicle: Vehicle;
  instances: readonly CauseInstance[];
  record: CaseRecord;
  truth: string;
}

async function runOf(task: PracticeTask, seed: number): Promise<Run> {
  const vehicle: Vehicle = { id: 'veh_bench', ...PRACTICE_VEHICLES[task.car] };
  const faults = task.parts.map((p) => p.fault);
  const read = (own: number) =>
    readPracticeCar({ car: task.car, faults, comesAndGoes: false, seed: own }, faults);
  const entries = [
    ...task.lamps.map((lamp) => ({ kind: 'lamp', ...lamp })),
    { kind: 'scan', via: 'adapter', isComplete: true, scan: await read(seed) },
    { kind: 'scan', via: 'adapter', isComplete: true, scan: await read(seed + 100) },
  ].map((e, i) => ({ ...e, id: `ent_${i}`, at: new Date(Date.parse(OPENED) + i * 60_000).toISOString() }));
  return {
    vehicle,
    instances: instancesFor(vehicle, NOW),
    record: {
      id: 'case_bench',
      vehicle: vehicle.id,
      title: 'A light came on',
      openedAt: OPENED,
      entries: entries as Entry[],
    },
    truth: task.parts[0]?.cause ?? '',
  };
}

/** The cause of a run by its id. */
function need({ instances }: Run, id: string): CauseInstance {
  const found = instances.find((i) => i.id === id);
  if (!found) throw new Error(`No cause ${id}`);
  return found;
}

/** Cost when a workshop ends it. */
const workshop = (run: Run, truth: string) =>
  DEFAULT_OWNER.shopDiagnosis + shopPrice(need(run, truth), DEFAULT_OWNER);

/** So many minutes after the moment of the case. */
const minute = (n: number): string => new Date(NOW.getTime() + n * 60_000).toISOString();

/** Follows the advice: the check that pays, else the first repair of the plan; results drawn by the true cause. */
function follow(run: Run, wrong: string, random: () => number): number {
  const { vehicle } = run;
  let truth = wrong;
  let cost = 0;
  let current = run.record;
  const tried = new Set<string>();
  for (let step = 0; step < MAX_STEPS; step++) {
    const a = assess(current, vehicle, NOW);
    const best = a.checks[0];
    if (best?.isWorthIt) {
      const [id = '', place] = best.id.split(':');
      const check = checkById(id);
      if (!check) throw new Error(`No check ${id}`);
      cost += checkCost(check, DEFAULT_OWNER);
      const chances = outcomeChances(check, place === undefined ? null : Number(place), [need(run, truth)]);
      let draw = random();
      const index = chances.findIndex((p) => (draw -= p) < 0);
      const outcome = check.outcomes[index < 0 ? chances.length - 1 : index];
      truth = causeAfter(truth, best.id, outcome?.id ?? '', cylindersOf(vehicle));
      current = {
        ...current,
        entries: [
          ...current.entries,
          {
            id: `ent_s${step}`,
            at: minute(2 * step),
            kind: 'check',
            check: best.id,
            outcome: outcome?.id ?? '',
          },
        ],
      };
      continue;
    }
    const next = a.procedures.find((p) => !tried.has(p.cause));
    if (!next || a.recommended === 'help') return cost + workshop(run, truth);
    tried.add(next.cause);
    cost += repairCost(need(run, next.cause), DEFAULT_OWNER);
    if (cures(next.cause, truth)) return cost;
    current = {
      ...current,
      entries: [
        ...current.entries,
        { id: `ent_r${step}`, at: minute(2 * step), kind: 'repair', cause: next.cause },
        {
          id: `ent_d${step}`,
          at: minute(2 * step + 1),
          kind: 'drive',
          metConditions: 'yes',
          cameBack: 'yes',
        },
      ],
    };
  }
  return cost + workshop(run, truth);
}

/** A cause by the chances of an assessment. */
function draw(a: Assessment, random: () => number): string {
  let left = random() * a.causes.reduce((sum, c) => sum + c.probability, 0);
  return a.causes.find((c) => (left -= c.probability) < 0)?.id ?? a.causes[0]?.id ?? '';
}

/** Tries repairs in an order and ends at the workshop. */
function tryInOrder(run: Run, order: readonly string[], truth: string): number {
  let cost = 0;
  for (const id of order) {
    cost += repairCost(need(run, id), DEFAULT_OWNER);
    if (cures(id, truth)) return cost;
  }
  return cost + workshop(run, truth);
}

/** Sums of what each way costs, and the dearest of the advice's. */
interface Costs {
  advice: number;
  worst: number;
  order: number;
  likeliest: number;
  cheapest: number;
  workshop: number;
  runs: number;
}

const nothing = (): Costs => ({
  advice: 0,
  worst: 0,
  order: 0,
  likeliest: 0,
  cheapest: 0,
  workshop: 0,
  runs: 0,
});

/** Adds what each way costs where this is the truth. */
function addWays(costs: Costs, run: Run, a: Assessment, truth: string, random: () => number): number {
  const { instances } = run;
  const chances = Float64Array.from(instances, (i) => a.causes.find((c) => c.id === i.id)?.probability ?? 0);
  const plan = repairPlan(
    chances,
    Float64Array.from(instances, (i) => repairCost(i, DEFAULT_OWNER)),
    { cost: workshop(run, truth), raise: 0 },
    1,
  );
  const price = (id: string) => repairCost(need(run, id), DEFAULT_OWNER);
  // What a person would do who reads the list from the top, or who begins with what costs least.
  const likeliest = a.causes.map((c) => c.id);
  const cheapest = [...likeliest].sort((x, y) => price(x) - price(y));
  const advice = follow(run, truth, random);
  costs.advice += advice;
  costs.worst = Math.max(costs.worst, advice);
  costs.order += tryInOrder(
    run,
    plan.order.map((x) => instances[x]?.id ?? ''),
    truth,
  );
  costs.likeliest += tryInOrder(run, likeliest, truth);
  costs.cheapest += tryInOrder(run, cheapest, truth);
  costs.workshop += workshop(run, truth);
  costs.runs++;
  return advice;
}

const WAYS = [
  ['chance over cost without checks', 'order'],
  ['the likeliest cause first', 'likeliest'],
  ['the cheapest repair first', 'cheapest'],
  ['the workshop at once', 'workshop'],
] as const;

function againstWays(what: string, costs: Costs): Row[] {
  const mean = (sum: number) => moneyOf(sum / costs.runs, DEFAULT_OWNER);
  return WAYS.map(([name, way]) => ({
    what: `${what}, against ${name}`,
    measured: `${mean(costs.advice)} (up to ${moneyOf(costs.worst, DEFAULT_OWNER)}) / ${mean(costs[way])}`,
    budget: 'below 1',
    ratio: costs.advice / costs[way],
  }));
}

/** Diagnosis measured over all single faults of the stand-ins, from readings alone: no symptom is told. */
export async function diagnosisRows(): Promise<Row[]> {
  let [first, firstThree] = [0, 0];
  const named = { advice: 0, named: 0, runs: 0 };
  const [costs, drawn] = [nothing(), nothing()];
  for (const task of TASKS)
    for (const seed of SEEDS) {
      const run = await runOf(task, seed);
      const { truth } = run;
      const a = assess(run.record, run.vehicle, NOW);
      const rank = a.causes.findIndex((c) => c.id === truth);
      if (rank === 0) first++;
      if (rank >= 0 && rank < 3) firstThree++;
      const advice = addWays(costs, run, a, truth, seededRandom(seed));
      const [cause = '', place] = truth.split(':');
      const bought = NAMED[cause];
      if (bought) {
        named.advice += advice;
        named.named += tryInOrder(
          run,
          bought.map((id) => (place === undefined ? id : `${id}:${place}`)),
          truth,
        );
        named.runs++;
      }
      // The stand-ins' faults are mostly the cheap ones of their kind; here the truth is drawn as the readings have it.
      const random = seededRandom(seed * 31);
      if (a.causes.length > 0)
        for (let n = 0; n < DRAWN; n++) addWays(drawn, run, a, draw(a, random), random);
    }
  const of = (count: number) => `${Math.round((count / costs.runs) * 100)} %`;
  const mean = (sum: number) => moneyOf(sum / named.runs, DEFAULT_OWNER);
  return [
    {
      what: `True cause first, ${TASKS.length} faults of three vehicles, ${costs.runs} runs, readings alone`,
      measured: of(first),
      budget: 'told, not set',
      ratio: null,
    },
    {
      what: 'True cause among the first three',
      measured: of(firstThree),
      budget: 'told, not set',
      ratio: null,
    },
    {
      what: `Mean cost to fix by the advice, against replacing what the code names; ${named.runs} runs`,
      measured: `${mean(named.advice)} / ${mean(named.named)}`,
      budget: 'below 1',
      ratio: named.advice / named.named,
    },
    ...againstWays(`Mean cost to fix by the advice, ${costs.runs} runs`, costs),
    ...againstWays(`The same with the true cause drawn from the posterior, ${drawn.runs} truths`, drawn),
  ];
}
