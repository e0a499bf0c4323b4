import { RULES, judge, wantedFor, windowsOf, READING_KEYS, type Judgement } from '@pincer/core/signals';
import {
  WARM_RUN,
  coldRun,
  StandIn,
  VirtualClock,
  recordStandIn,
  type CarPlan,
  type Fault,
} from '@pincer/simulator';

/** Cold idle, s: two minutes show that the coolant moves; for a fault less will do. */
const SOUND_COLD = 130;
const FAULTY_COLD = 8;

/** A day and a place: °C, kPa, and the height of the place, m. */
export interface Weather {
  outside: number;
  airPressure: number;
  heightM: number;
}
const MILD: Weather = { outside: 11, airPressure: 100.4, heightM: 80 };

/** What the rules say of one whole run of a stand-in with a fault, or sound. */
export async function judgeRun(
  plan: CarPlan,
  fault: Fault | null,
  { outside, airPressure, heightM }: Weather = MILD,
  seed = 7,
): Promise<Judgement[]> {
  const clock = new VirtualClock();
  const car = new StandIn({
    car: plan,
    faults: fault ? [fault] : [],
    seed,
    clock,
    temperament: 'quick',
    tripsBefore: 0,
    outside,
    airPressure,
  });
  car.engine.soak();
  const wanted = wantedFor(READING_KEYS, new Set(plan.livePids));
  const cold = await recordStandIn(car, clock, wanted, coldRun(fault ? FAULTY_COLD : SOUND_COLD), 'clone');
  car.warmUp();
  const warm = await recordStandIn(car, clock, wanted, fault ? WARM_RUN.slice(0, 4) : WARM_RUN, 'clone');
  const engine = {
    displacementLitres: plan.displacement,
    cylinders: plan.cylinders,
    isDiesel: plan.ignition === 'compression',
    isMotorcycle: plan.id === 'kestrine',
    heightM,
  };
  return judge([...windowsOf(cold, engine), ...windowsOf(warm, engine)]);
}

export interface ConfusionRow {
  car: string;
  fault: string;
  /** Rules that found something odd or impossible. */
  odd: string[];
  judged: number;
}

/** Every fault of a stand-in against every rule. */
export async function confusionOf(plan: CarPlan): Promise<ConfusionRow[]> {
  const rows: ConfusionRow[] = [];
  for (const fault of [null, ...plan.faults]) {
    const judgements = await judgeRun(plan, fault);
    rows.push({
      car: plan.title,
      fault: fault ? ('cylinder' in fault ? `${fault.kind} ${fault.cylinder}` : fault.kind) : 'sound',
      odd: judgements.filter((j) => j.verdict === 'odd' || j.verdict === 'impossible').map((j) => j.rule),
      judged: judgements.filter((j) => j.verdict !== 'not-judged').length,
    });
  }
  return rows;
}

/** A row of the table as Markdown. */
export const confusionLine = (r: ConfusionRow): string =>
  `| ${r.car} | ${r.fault} | ${r.judged} | ${r.odd.join(', ') || 'none'} |`;

/** The table as Markdown. */
export function confusionMarkdown(rows: readonly ConfusionRow[]): string {
  return [
    '# Which rule finds which fault',
    '',
    'Written by `npm run confusion` and kept up to date by a test: each made-up vehicle is recorded through the real',
    'session and sampler over two runs (key on and cold idle; warm idle, 2,500 rpm, cruise, hill), sound and with each of its',
    `faults, and judged by all ${RULES.length} rules. A fault that shows in codes only, or only in another circumstance, trips none.`,
    '',
    '| vehicle | fault | judged | found odd or impossible by |',
    '| --- | --- | --- | --- |',
    ...rows.map(confusionLine),
    '',
  ].join('\n');
}
