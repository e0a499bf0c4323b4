import type { CarPlan, ModeTarget } from './car-plan.ts';
import { DRAY_UNITS, FINCH_GEARBOX, FINCH_UNITS, KESTRINE_UNITS } from './unit-plans.ts';

const mode = (
  rpm: number,
  manifold: number,
  throttle: number,
  pedal: number,
  speed: number,
  ve: number,
  timing: number,
  recirculated = 0,
): ModeTarget => ({ rpm, manifold, throttle, pedal, speed, ve, timing, recirculated });

/** The made-up Tarrow Finch 1.4, a petrol hatchback of 2012. */
export const FINCH: CarPlan = {
  id: 'finch',
  title: 'Tarrow Finch 1.4, petrol',
  ignition: 'spark',
  displacement: 1.4,
  cylinders: 4,
  modes: {
    idle: mode(740, 32, 3, 0, 0, 0.72, 8),
    raised: mode(2500, 30, 9, 12, 0, 0.78, 26),
    hill: mode(1910, 68, 41, 52, 41, 0.83, 18),
    cruise: mode(2350, 58, 22, 24, 82, 0.84, 30),
  },
  thermostat: 89,
  gearbox: FINCH_GEARBOX,
  identity: {
    vin: 'ZZ9TR1F46CH000302',
    calibrationId: 'TF14-E5-0231',
    verificationNumber: '5E1C90B7',
    name: 'ECM-EngineControl',
  },
  livePids: [
    0x03, 0x04, 0x05, 0x06, 0x07, 0x0b, 0x0c, 0x0d, 0x0e, 0x0f, 0x10, 0x11, 0x13, 0x14, 0x15, 0x1c, 0x1f,
    0x21, 0x2e, 0x2f, 0x30, 0x31, 0x32, 0x33, 0x3c, 0x42, 0x44, 0x45, 0x46, 0x49, 0x4a, 0x4c, 0x51, 0x5c,
  ],
  frozenPids: [0x02, 0x03, 0x04, 0x05, 0x06, 0x07, 0x0b, 0x0c, 0x0d, 0x0f, 0x10, 0x11, 0x1f, 0x33],
  monitors: [
    'misfire',
    'fuel',
    'components',
    'catalyst',
    'evaporative',
    'oxygen-sensor',
    'oxygen-heater',
    'egr',
  ],
  units: FINCH_UNITS,
  faults: [
    { kind: 'coil-boot', cylinder: 2 },
    { kind: 'coil', cylinder: 1 },
    { kind: 'coil', cylinder: 3 },
    { kind: 'air-flow-unplugged' },
    { kind: 'intake-temperature-unplugged' },
    { kind: 'intake-leak', share: 0.2 },
    { kind: 'air-flow-dirty' },
    { kind: 'coolant-sensor-open' },
    { kind: 'thermostat-open' },
    { kind: 'pressure-stuck' },
    { kind: 'fuel-starved' },
    { kind: 'injector-leaks' },
    { kind: 'front-oxygen-lazy' },
    { kind: 'catalyst-worn' },
    { kind: 'pedal-track' },
    { kind: 'throttle-sticks' },
    { kind: 'alternator-dead' },
    { kind: 'air-pressure-wrong' },
    { kind: 'battery-weak' },
    { kind: 'wheel-sensor' },
    { kind: 'units-hold' },
    { kind: 'gear-valve' },
  ],
};

/** The made-up Ostler Dray 2.2 D, a diesel van of 2016. */
export const DRAY: CarPlan = {
  id: 'dray',
  title: 'Ostler Dray 2.2 D, diesel',
  ignition: 'compression',
  displacement: 2.2,
  cylinders: 4,
  modes: {
    idle: mode(800, 102, 80, 0, 0, 0.86, 0, 0.35),
    raised: mode(2500, 122, 80, 14, 0, 0.86, 0, 0.2),
    hill: mode(2140, 198, 80, 78, 63, 0.87, 0, 0),
    cruise: mode(2050, 152, 80, 30, 88, 0.87, 0, 0.12),
  },
  thermostat: 86,
  gearbox: null,
  identity: {
    vin: 'ZZ9DR2D21GH000418',
    calibrationId: 'OD22-E6-1107',
    verificationNumber: '71A0C4D2',
    name: 'ECM-EngineControl',
  },
  livePids: [
    0x04, 0x05, 0x0b, 0x0c, 0x0d, 0x0f, 0x10, 0x1c, 0x1f, 0x21, 0x23, 0x2c, 0x2d, 0x2f, 0x30, 0x31, 0x33,
    0x42, 0x46, 0x49, 0x4a, 0x4f, 0x51, 0x5c, 0x65, 0x69, 0x6d, 0x70, 0x78, 0x7a, 0x7c, 0x8b,
  ],
  manifoldLimit: 510,
  frozenPids: [0x02, 0x04, 0x05, 0x0b, 0x0c, 0x0d, 0x0f, 0x10, 0x1f, 0x23, 0x33],
  monitors: [
    'misfire',
    'fuel',
    'components',
    'nmhc-catalyst',
    'nox',
    'boost',
    'exhaust-sensor',
    'particulate-filter',
    'egr',
  ],
  units: DRAY_UNITS,
  faults: [
    { kind: 'charge-hose' },
    { kind: 'egr-stuck' },
    { kind: 'filter-full' },
    { kind: 'filter-ash' },
    { kind: 'filter-cracked' },
    { kind: 'rail-weak' },
    { kind: 'glow-plug' },
    { kind: 'battery-weak' },
  ],
};

/** The made-up Kestrine 650, a motorcycle of 2019 with two cylinders. */
export const KESTRINE: CarPlan = {
  id: 'kestrine',
  title: 'Kestrine 650, motorcycle',
  ignition: 'spark',
  displacement: 0.65,
  cylinders: 2,
  modes: {
    idle: mode(1320, 42, 2, 0, 0, 0.62, 10),
    raised: mode(5000, 36, 12, 14, 0, 0.78, 32),
    hill: mode(5200, 82, 46, 55, 72, 0.88, 30),
    cruise: mode(4600, 56, 20, 22, 90, 0.85, 34),
  },
  thermostat: 88,
  gearbox: null,
  identity: {
    vin: 'ZZ9KS6M54KH000077',
    calibrationId: 'KS65-E4-0042',
    verificationNumber: '0B77E913',
    name: 'ECM-EngineControl',
  },
  livePids: [
    0x03, 0x04, 0x05, 0x06, 0x07, 0x0b, 0x0c, 0x0d, 0x0e, 0x0f, 0x11, 0x13, 0x14, 0x1c, 0x1f, 0x21, 0x30,
    0x31, 0x33, 0x42, 0x51,
  ],
  frozenPids: [0x02, 0x04, 0x05, 0x06, 0x07, 0x0b, 0x0c, 0x0d, 0x0f, 0x11, 0x1f],
  monitors: ['misfire', 'fuel', 'components', 'oxygen-sensor'],
  units: KESTRINE_UNITS,
  faults: [
    { kind: 'regulator' },
    { kind: 'intake-temperature-unplugged' },
    { kind: 'coolant-sensor-open' },
    { kind: 'coil', cylinder: 1 },
  ],
};

export const CARS: readonly CarPlan[] = [FINCH, DRAY, KESTRINE];

const moduleMap = (
  name: string,
  modules: readonly { id: string; name: string; does: string; request: string; answer: string }[],
) => ({
  format: 'pincer-module-map' as const,
  version: 1 as const,
  name,
  modules,
});

const ENGINE_MODULE = {
  id: 'engine',
  name: 'Engine',
  does: 'Runs the engine.',
  request: '7E0',
  answer: '7E8',
};

/** Which control units each vehicle has, in the open format that owners bring in too. */
export const FINCH_MODULES = moduleMap('Tarrow Finch 1.4, 2012', [
  ENGINE_MODULE,
  { id: 'gearbox', name: 'Transmission', does: 'Changes the gears.', request: '7E1', answer: '7E9' },
  { id: 'brakes', name: 'Brakes', does: 'ABS and stability control.', request: '6A0', answer: '6A8' },
  { id: 'airbag', name: 'Airbag', does: 'Airbags and belt tensioners.', request: '6B0', answer: '6B8' },
  { id: 'body', name: 'Body', does: 'Lights, locks, wipers.', request: '6C0', answer: '6C8' },
  { id: 'instruments', name: 'Instruments', does: 'Gauges and lamps.', request: '6D0', answer: '6D8' },
  { id: 'gateway', name: 'Gateway', does: 'Joins the data lines.', request: '6E0', answer: '6E8' },
  { id: 'climate', name: 'Climate', does: 'Air conditioning, where fitted.', request: '6F0', answer: '6F8' },
]);

export const DRAY_MODULES = moduleMap('Ostler Dray 2.2 D, 2016', [
  ENGINE_MODULE,
  { id: 'brakes', name: 'Brakes', does: 'ABS and stability control.', request: '6A0', answer: '6A8' },
  { id: 'steering', name: 'Steering', does: 'Electric power steering.', request: '6A1', answer: '6A9' },
  { id: 'body', name: 'Body', does: 'Lights, locks, load doors.', request: '6C0', answer: '6C8' },
  { id: 'instruments', name: 'Instruments', does: 'Gauges and lamps.', request: '6D0', answer: '6D8' },
]);

export const KESTRINE_MODULES = moduleMap('Kestrine 650, 2019', [
  ENGINE_MODULE,
  { id: 'brakes', name: 'Brakes', does: 'ABS of both wheels.', request: '6A0', answer: '6A8' },
  {
    id: 'instruments',
    name: 'Instruments',
    does: 'Gauges, lamps and the ride menu.',
    request: '6D0',
    answer: '6D8',
  },
  { id: 'suspension', name: 'Suspension', does: 'Damping by the ride menu.', request: '6D1', answer: '6D9' },
]);
