import { moneyOf } from '@pincer/core/words';
import { assess, type Assessment } from '@pincer/core/assess';
import { DEFAULT_OWNER, type CaseRecord } from '@pincer/core/case';
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
import { AdapterPort, connect, takeScan } from '@pincer/core/link';
import { causeAfter } from '@pincer/core/practice';
import { cylindersOf } from '@pincer/core/vehicle';
import type { Scan } from '@pincer/core/obd';
import { INSTANT_CLOCK, StandIn, seededRandom, type Fault } from '@pincer/simulator';
import { CAR, NOW, makeCase, scanEntry } from '../core/test/make-case.ts';
import type { Row } from './row.ts';

/** A fault of the stand-in, the cause that it is, and the causes that its codes name at first sight. */
const CASES: readonly { fault: Fault; truth: string; named: readonly string[] }[] = [
  { fault: { kind: 'coil', cylinder: 3 }, truth: 'coil:3', named: ['coil:3'] },
  { fault: { kind: 'coil-boot', cylinder: 2 }, truth: 'coil-boot:2', named: ['plug:2', 'coil:2'] },
  { fault: { kind: 'air-flow-unplugged' }, truth: 'maf-unplugged', named: ['maf-failed'] },
  { fault: { kind: 'intake-temperature-unplugged' }, truth: 'iat-unplugged', named: ['iat-failed'] },
  {
    fault: { kind: 'intake-leak', share: 0.2 },
    truth: 'vacuum-hose-off',
    named: ['oxygen-front', 'maf-failed'],
  },
];
const SEEDS = [3, 7, 11, 19, 23, 31];
const MAX_STEPS = 25;

async function read(fault: Fault, seed: number, isWarm: boolean): Promise<Scan> {
  const car = new StandIn({ faults: [fault], seed, clock: INSTANT_CLOCK, temperament: 'instant' });
  if (isWarm) car.warmUp();
  const connected = await connect(new AdapterPort(car.plugIn(), INSTANT_CLOCK));
  if (!connected.ok) throw new Error(connected.fault.code);
  return (await takeScan(connected.connection)).scan;
}

const INSTANCES = instancesFor(CAR, NOW);
const byId = new Map(INSTANCES.map((i) => [i.id, i]));
const need = (id: string): CauseInstance => {
  const found = byId.get(id);
  if (!found) throw new Error(`No cause ${id}`);
  return found;
};

/** Cost when a workshop ends it. */
const workshop = (truth: string) => DEFAULT_OWNER.shopDiagnosis + shopPrice(need(truth), DEFAULT_OWNER);

/** So many minutes after the moment of the case. */
const minute = (n: number): string => new Date(NOW.getTime() + n * 60_000).toISOString();

/** Follows the advice: the check that pays, else the first repair of the plan; results drawn by the true cause. */
function follow(record: CaseRecord, wrong: string, random: () => number): number {
  let truth = wrong;
  let cost = 0;
  let current = record;
  const tried = new Set<string>();
  for (let step = 0; step < MAX_STEPS; step++) {
    const a = assess(current, CAR, NOW);
    const best = a.checks[0];
    if (best?.isWorthIt) {
      const [id = '', place] = best.id.split(':');
      const check = checkById(id);
      if (!check) throw new Error(`No check ${id}`);
      cost += checkCost(check, DEFAULT_OWNER);
      const chances = outcomeChances(check, place === undefined ? null : Number(place), [need(truth)]);
      let draw = random();
      const index = chances.findIndex((p) => (draw -= p) < 0);
      const outcome = check.outcomes[index < 0 ? chances.length - 1 : index];
      truth = causeAfter(truth, best.id, outcome?.id ?? '', cylindersOf(CAR));
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
    if (!next || a.recommended === 'help') return cost + workshop(truth);
    tried.add(next.cause);
    cost += repairCost(need(next.cause), DEFAULT_OWNER);
    if (next.cause === truth) return cost;
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
  return cost + workshop(truth);
}

/** A cause by the chances of an assessment. */
function draw(a: Assessment, random: () => number): string {
  let left = random() * a.causes.reduce((sum, c) => sum + c.probability, 0);
  return a.causes.find((c) => (left -= c.probability) < 0)?.id ?? a.causes[0]?.id ?? '';
}

/** Tries repairs in an order and ends at the workshop. */
function tryInOrder(order: readonly string[], truth: string): number {
  let cost = 0;
  for (const id of order) {
    cost += repairCost(need(id), DEFAULT_OWNER);
    if (id === truth) return cost;
  }
  return cost + workshop(truth);
}

/** Diagnosis measured over the stand-in's faults and seeds, from readings alone: no symptom is told. */
export async function diagnosisRows(): Promise<Row[]> {
  let first = 0;
  let firstThree = 0;
  let runs = 0;
  const costs = {
    advice: 0,
    named: 0,
    order: 0,
    likeliest: 0,
    cheapest: 0,
    workshop: 0,
    drawnAdvice: 0,
    drawnOrder: 0,
    drawnLikeliest: 0,
    drawnCheapest: 0,
  };
  for (const { fault, truth, named } of CASES) {
    for (const seed of SEEDS) {
      const record = makeCase(
        { kind: 'lamp', lamp: 'engine', mode: 'steady' },
        scanEntry(await read(fault, seed, false)),
        scanEntry(await read(fault, seed + 100, true)),
      );
      const a = assess(record, CAR, NOW);
      const rank = a.causes.findIndex((c) => c.id === truth);
      runs++;
      if (rank === 0) first++;
      if (rank >= 0 && rank < 3) firstThree++;
      costs.advice += follow(record, truth, seededRandom(seed));
      costs.named += tryInOrder(named, truth);
      const chances = Float64Array.from(
        INSTANCES,
        (i) => a.causes.find((c) => c.id === i.id)?.probability ?? 0,
      );
      const plan = repairPlan(
        chances,
        Float64Array.from(INSTANCES, (i) => repairCost(i, DEFAULT_OWNER)),
        { cost: workshop(truth), raise: 0 },
        1,
      );
      const order = plan.order.map((x) => INSTANCES[x]?.id ?? '');
      costs.order += tryInOrder(order, truth);
      // What a person would do who reads the list from the top, or who begins with what costs least.
      const likeliest = a.causes.map((c) => c.id);
      const cheapest = [...likeliest].sort(
        (x, y) => repairCost(need(x), DEFAULT_OWNER) - repairCost(need(y), DEFAULT_OWNER),
      );
      costs.likeliest += tryInOrder(likeliest, truth);
      costs.cheapest += tryInOrder(cheapest, truth);
      costs.workshop += workshop(truth);
      // The stand-in's faults are mostly the cheap ones of their kind; here the truth is drawn as the readings have it.
      const random = seededRandom(seed * 31);
      for (let n = 0; n < 4; n++) {
        const drawn = draw(a, random);
        costs.drawnAdvice += follow(record, drawn, random) / 4;
        costs.drawnOrder += tryInOrder(order, drawn) / 4;
        costs.drawnLikeliest += tryInOrder(likeliest, drawn) / 4;
        costs.drawnCheapest += tryInOrder(cheapest, drawn) / 4;
      }
    }
  }
  const mean = (sum: number) => moneyOf(sum / runs, DEFAULT_OWNER);
  return [
    {
      what: `True cause first, ${runs} runs, readings alone`,
      measured: `${Math.round((first / runs) * 100)} %`,
      budget: 'told, not set',
      ratio: null,
    },
    {
      what: 'True cause among the first three',
      measured: `${Math.round((firstThree / runs) * 100)} %`,
      budget: 'told, not set',
      ratio: null,
    },
    {
      what: 'Mean cost to fix by the advice, against replacing what the code names',
      measured: `${mean(costs.advice)} / ${mean(costs.named)}`,
      budget: 'below 1',
      ratio: costs.advice / costs.named,
    },
    {
      what: 'Mean cost to fix by the advice, against chance over cost without checks',
      measured: `${mean(costs.advice)} / ${mean(costs.order)}`,
      budget: 'below 1',
      ratio: costs.advice / costs.order,
    },
    ...(
      [
        ['the likeliest cause first', costs.likeliest],
        ['the cheapest repair first', costs.cheapest],
        ['the workshop at once', costs.workshop],
      ] as const
    ).map(([name, other]) => ({
      what: `Mean cost to fix by the advice, against ${name}`,
      measured: `${mean(costs.advice)} / ${mean(other)}`,
      budget: 'below 1',
      ratio: costs.advice / other,
    })),
    {
      what: 'The same against chance over cost, with the true cause drawn from the posterior',
      measured: `${mean(costs.drawnAdvice)} / ${mean(costs.drawnOrder)}`,
      budget: 'below 1',
      ratio: costs.drawnAdvice / costs.drawnOrder,
    },
    {
      what: 'So drawn, against the likeliest cause first, and the cheapest repair first',
      measured: `${mean(costs.drawnAdvice)} / ${mean(costs.drawnLikeliest)}, ${mean(costs.drawnCheapest)}`,
      budget: 'below 1',
      ratio: costs.drawnAdvice / Math.min(costs.drawnLikeliest, costs.drawnCheapest),
    },
  ];
}
