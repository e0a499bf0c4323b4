import type { LampId } from '@pincer/core/case';
import type { PracticeCar, PracticeKind, PracticeTask } from './task.ts';

/** A fault of the simulator, the cause that it is, and what its driver tells. */
interface Told {
  fault: PracticeTask['parts'][number]['fault'];
  cause: string;
  system: string;
  lamp: LampId | null;
  complaint: string;
  signs?: readonly string[];
}

const ENGINE = 'engine' as const;
const misfire = (kind: 'coil' | 'coil-boot', cylinder: number): Told => ({
  fault: { kind, cylinder },
  cause: `${kind}:${cylinder}`,
  system: 'ignition',
  lamp: ENGINE,
  complaint:
    kind === 'coil'
      ? 'It shakes all the time, pulls badly, and has done so since yesterday.'
      : 'It shakes for the first minutes on wet mornings; later in the day it is gone.',
  signs: kind === 'coil' ? ['sign:shakes', 'sign:weak'] : ['sign:shakes', 'sign:wet'],
});
const told = (
  kind: string,
  cause: string,
  system: string,
  complaint: string,
  signs: readonly string[] = [],
  lamp: LampId | null = ENGINE,
): Told => ({ fault: { kind }, cause, system, lamp, complaint, signs });

const NO_DIFFERENCE = 'The light came on. It drives as ever.';

const INTAKE_SENSOR = told('intake-temperature-unplugged', 'iat-unplugged', 'air', NO_DIFFERENCE);
const COOLANT_SENSOR = told(
  'coolant-sensor-open',
  'coolant-sensor',
  'cooling',
  'The fan runs as soon as the ignition is on, and it starts badly when warm.',
  ['sign:hard-start'],
);
const THERMOSTAT = told(
  'thermostat-open',
  'thermostat-open',
  'cooling',
  'The heater is never really warm on the motorway, and it uses more fuel than it did.',
  ['sign:thirsty'],
);
const BATTERY = told(
  'battery-weak',
  'battery-weak',
  'electrical',
  'It turned over slowly this morning, then half the lights of the panel came on.',
  ['sign:hard-start'],
);
const ALTERNATOR = told(
  'alternator-dead',
  'alternator',
  'electrical',
  'The battery light is on while driving, and the headlamps look dim.',
  [],
  'charging',
);
const FRONT_SENSOR = told(
  'front-oxygen-lazy',
  'oxygen-front',
  'exhaust',
  'It uses more fuel than last year.',
  ['sign:thirsty'],
);
const INJECTOR = told(
  'injector-leaks',
  'injector-leaking',
  'fuel',
  'It starts badly when warm, smells of fuel and uses more.',
  ['sign:hard-start', 'sign:thirsty'],
);
const STARVED = told('fuel-starved', 'fuel-filter', 'fuel', 'Uphill it has no power any more.', [
  'sign:weak',
  'sign:uphill',
]);
const THROTTLE = told(
  'throttle-sticks',
  'throttle-dirty',
  'air',
  'It stalls at the traffic lights, and the idle goes up and down.',
  ['sign:rough-idle', 'sign:stalls'],
);
const PEDAL = told(
  'pedal-track',
  'pedal-sensor',
  'air',
  'Suddenly it hardly pulled; after a restart it went again for a while.',
  ['sign:limp', 'sign:weak'],
);
const PRESSURE = told('pressure-stuck', 'map-failed', 'air', 'It pulls unevenly and uses more fuel.', [
  'sign:weak',
  'sign:thirsty',
]);
const AIR_UNPLUGGED = told(
  'air-flow-unplugged',
  'maf-unplugged',
  'air',
  'It pulls badly since the air filter was changed.',
  ['sign:weak'],
);
const AIR_DIRTY = told('air-flow-dirty', 'maf-dirty', 'air', 'It has got lazier over the months.', [
  'sign:weak',
]);
const LEAK: Told = {
  fault: { kind: 'intake-leak', share: 0.2 },
  cause: 'vacuum-hose-off',
  system: 'air',
  lamp: ENGINE,
  complaint: 'It idles roughly, and something hisses under the bonnet.',
  signs: ['sign:rough-idle', 'sign:hiss'],
};
const CATALYST = told('catalyst-worn', 'catalyst-worn', 'exhaust', NO_DIFFERENCE);
const WHEEL = told(
  'wheel-sensor',
  'wheel-speed-sensor',
  'brakes',
  'The stability light came on and stays on. It brakes as ever.',
  [],
  'stability',
);
const SHIFT = told('gear-valve', 'gear-valve-wire', 'gearbox', 'It stays in third gear.', ['sign:limp']);
const AIR_PRESSURE = told('air-pressure-wrong', 'air-pressure-sensor', 'air', NO_DIFFERENCE);

const FINCH: readonly Told[] = [
  misfire('coil', 1),
  misfire('coil', 3),
  misfire('coil', 4),
  misfire('coil-boot', 2),
  misfire('coil-boot', 3),
  AIR_UNPLUGGED,
  AIR_DIRTY,
  INTAKE_SENSOR,
  LEAK,
  COOLANT_SENSOR,
  THERMOSTAT,
  PRESSURE,
  STARVED,
  INJECTOR,
  FRONT_SENSOR,
  CATALYST,
  PEDAL,
  THROTTLE,
  ALTERNATOR,
  AIR_PRESSURE,
  BATTERY,
  WHEEL,
  SHIFT,
];

const DRAY: readonly Told[] = [
  told('charge-hose', 'charge-hose', 'air', 'It lacks power and hisses when it is pressed.', [
    'sign:weak',
    'sign:hiss',
  ]),
  told('egr-stuck', 'egr-stuck', 'air', 'It idles roughly and smokes black.', [
    'sign:rough-idle',
    'sign:black-smoke',
  ]),
  told(
    'filter-full',
    'particulate-full',
    'diesel',
    'The particulate filter light is on; it has only done town deliveries for weeks.',
    ['sign:weak'],
    'particulate',
  ),
  told('filter-ash', 'dpf-ash', 'diesel', 'It pulls badly, and it regenerates every day.', ['sign:weak']),
  told('filter-cracked', 'dpf-cracked', 'diesel', 'The tailpipe is black inside again.'),
  told('rail-weak', 'high-pressure-pump', 'fuel', 'It starts badly and goes into limp mode uphill.', [
    'sign:hard-start',
    'sign:limp',
  ]),
  told('glow-plug', 'glow-relay', 'diesel', 'Below zero it starts badly and smokes white for a moment.', [
    'sign:hard-start',
    'sign:cold',
  ]),
  BATTERY,
  COOLANT_SENSOR,
  THERMOSTAT,
  INTAKE_SENSOR,
  ALTERNATOR,
];

const KESTRINE: readonly Told[] = [
  told(
    'regulator',
    'motorcycle-regulator',
    'electrical',
    'After half an hour the headlamp gets dim, and it does not start again.',
    ['sign:warm', 'sign:no-start'],
    null,
  ),
  INTAKE_SENSOR,
  COOLANT_SENSOR,
  misfire('coil', 1),
  misfire('coil', 2),
  THROTTLE,
];

const BY_CAR: Readonly<Record<PracticeCar, readonly Told[]>> = {
  finch: FINCH,
  dray: DRAY,
  kestrine: KESTRINE,
};

/** Pairs that leave each other's traces alone enough to be told apart. */
const PAIRS: readonly [PracticeCar, Told, Told][] = [
  ['finch', misfire('coil', 1), WHEEL],
  ['finch', THERMOSTAT, CATALYST],
  ['finch', misfire('coil-boot', 2), INTAKE_SENSOR],
  ['dray', THERMOSTAT, INTAKE_SENSOR],
  ['kestrine', misfire('coil', 1), COOLANT_SENSOR],
];

/** Faults that show now and then; the codes are stored, and at the socket all may be well. */
const COME_AND_GO: readonly [PracticeCar, Told][] = [
  ['finch', misfire('coil-boot', 2)],
  ['finch', PEDAL],
  ['kestrine', misfire('coil', 2)],
];

const idOf = (fault: Told['fault']): string =>
  fault.cylinder === undefined ? fault.kind : `${fault.kind}-${fault.cylinder}`;

function taskOf(car: PracticeCar, kind: PracticeKind, all: readonly Told[]): PracticeTask {
  const name = all.length === 0 ? 'sound' : all.map((t) => idOf(t.fault)).join('-and-');
  const id = `${car}-${kind}-${name}`;
  const lamps = [...new Set(all.flatMap((t) => (t.lamp === null ? [] : [t.lamp])))];
  return {
    format: 'pincer-practice',
    version: 1,
    id,
    car,
    kind,
    system: all[0]?.system ?? 'none',
    parts: all.map(({ fault, cause }) => ({ fault, cause })),
    lamps: lamps.map((lamp) => ({ lamp, mode: kind === 'comes-and-goes' ? 'now-and-then' : 'steady' })),
    complaint:
      all.length === 0
        ? 'The light was on last week. It has gone out by itself.'
        : all.map((t) => t.complaint).join(' '),
    signs: [...new Set(all.flatMap((t) => t.signs ?? []))],
    // Another task, another chance; the same task, the same.
    seed: Array.from(id).reduce((sum, c) => (sum * 31 + c.charCodeAt(0)) % 99_991, 7),
  };
}

/** Every task of the practice bay. */
export const PRACTICE_TASKS: readonly PracticeTask[] = [
  ...(Object.keys(BY_CAR) as PracticeCar[]).flatMap((car) => BY_CAR[car].map((t) => taskOf(car, 'one', [t]))),
  ...PAIRS.map(([car, a, b]) => taskOf(car, 'two', [a, b])),
  ...COME_AND_GO.map(([car, t]) => taskOf(car, 'comes-and-goes', [t])),
  ...(Object.keys(BY_CAR) as PracticeCar[]).map((car) => taskOf(car, 'none', [])),
];
