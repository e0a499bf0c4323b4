import {
  RULES,
  NOTHING_BEFORE,
  andThen,
  judge,
  type EngineFacts,
  type EngineState,
  type RuleId,
  type Stat,
  type TestResult,
  type Window,
} from './index.ts';

const PETROL: EngineFacts = {
  displacementLitres: 1.4,
  cylinders: 4,
  isDiesel: false,
  isMotorcycle: false,
  heightM: null,
};
const DIESEL: EngineFacts = {
  displacementLitres: 2.2,
  cylinders: 4,
  isDiesel: true,
  isMotorcycle: false,
  heightM: null,
};
const BIKE: EngineFacts = {
  displacementLitres: 0.65,
  cylinders: 2,
  isDiesel: false,
  isMotorcycle: true,
  heightM: null,
};

const AT = (heightM: number): EngineFacts => ({ ...PETROL, heightM });

type Values = Record<string, number | Partial<Stat>>;

/** A window of a minute with sixty samples of each reading, all alike unless told otherwise. */
function windowWith(
  state: EngineState,
  values: Values,
  engine: EngineFacts,
  tests: readonly TestResult[] = [],
): Window {
  const stats = Object.fromEntries(
    Object.entries(values).map(([key, v]) => {
      const mean = typeof v === 'number' ? v : (v.mean ?? ((v.min ?? 0) + (v.max ?? 0)) / 2);
      const stat: Stat = { count: 60, mean, min: mean, max: mean, first: mean, last: mean, swings: 0 };
      return [key, typeof v === 'number' ? stat : { ...stat, ...v, mean }];
    }),
  );
  return { state, seconds: 130, stats, engine, tests };
}

const misfires = (...counts: number[]): TestResult[] =>
  counts.map((value, i) => ({
    name: `Misfire, cylinder ${i + 1}`,
    pid: (0xa2 + i).toString(16).toUpperCase(),
    part: '0C',
    value,
    unit: 'counts',
    min: 0,
    max: 65_535,
  }));
const ratio = (value: number): TestResult => ({
  name: 'Catalyst',
  pid: '21',
  part: '84',
  value,
  unit: '',
  min: 0,
  max: 0.6,
});

/** Rule, what it is about, state, values, verdict; petrol where nothing else is said. */
const TABLE: readonly [RuleId, string, EngineState, Values, string, EngineFacts?, TestResult[]?][] = [
  ['intake-temperature-rail', 'spring', 'key-on', { intake: 12 }, 'sound'],
  ['intake-temperature-rail', 'open', 'idle-warm', { intake: -40 }, 'impossible'],
  ['coolant-temperature-rail', 'warm', 'idle-warm', { coolant: 90 }, 'sound'],
  ['coolant-temperature-rail', 'shorted', 'key-on', { coolant: 139 }, 'impossible'],
  ['oil-temperature-rail', 'warm', 'cruise', { oil: 95 }, 'sound'],
  ['oil-temperature-rail', 'open', 'cruise', { oil: -40 }, 'impossible'],
  ['outside-temperature-rail', 'winter', 'key-on', { outside: -22 }, 'sound'],
  ['outside-temperature-rail', 'open', 'key-on', { outside: -40 }, 'impossible'],
  ['soak', '11 and 14', 'key-on', { coolant: 11, intake: 14 }, 'sound'],
  ['soak', '11 and 38', 'key-on', { coolant: 11, intake: 38 }, 'odd'],
  ['soak-oil', '11 and 12', 'key-on', { coolant: 11, oil: 12 }, 'sound'],
  ['soak-oil', '11 and 60', 'key-on', { coolant: 11, oil: 60 }, 'odd'],
  ['soak-outside', '9 and 6', 'key-on', { coolant: 9, intake: 9, outside: 6 }, 'sound'],
  ['soak-outside', '9 and 40', 'key-on', { coolant: 9, intake: 9, outside: 40 }, 'odd'],
  ['warm-up', '88 after 20 min', 'cruise', { coolant: 88, runTime: 1200 }, 'sound'],
  ['warm-up', '58 after 20 min', 'cruise', { coolant: 58, runTime: 1200 }, 'odd'],
  ['coolant-hot', '97', 'idle-warm', { coolant: 97 }, 'sound'],
  ['coolant-hot', '115 at the highest', 'idle-warm', { coolant: { min: 90, max: 115 } }, 'odd'],
  [
    'coolant-moves',
    '12 to 20 in two minutes',
    'idle-cold',
    { coolant: { first: 12, last: 20, min: 12, max: 20 } },
    'sound',
  ],
  ['coolant-moves', 'stands at 20', 'idle-cold', { coolant: 20 }, 'odd'],
  ['intake-heat', '18 above', 'cruise', { intake: 30, outside: 12 }, 'sound'],
  ['intake-heat', '60 above', 'cruise', { intake: 72, outside: 12 }, 'odd'],
  ['air-flow-dead', '2.4', 'idle-warm', { airFlow: 2.4, engineSpeed: 740 }, 'sound'],
  ['air-flow-dead', 'nothing', 'idle-warm', { airFlow: 0, engineSpeed: 740 }, 'impossible'],
  ['air-flow-rest', 'nothing', 'key-on', { airFlow: 0.1 }, 'sound'],
  ['air-flow-rest', '3.1', 'key-on', { airFlow: 3.1 }, 'odd'],
  // 0.55 x 0.8 and 1.05 / 0.8 of 3.28 g/s at VE 1: 1.44 to 4.31 g/s.
  [
    'air-flow-fits',
    '2.4',
    'idle-warm',
    { airFlow: 2.4, engineSpeed: 740, manifold: 32, intake: 20 },
    'sound',
  ],
  [
    'air-flow-fits',
    '1.2 is too little',
    'idle-warm',
    { airFlow: 1.2, engineSpeed: 740, manifold: 32, intake: 20 },
    'odd',
  ],
  ['manifold-key-on', '99 of 100', 'key-on', { manifold: 99, airPressure: 100 }, 'sound'],
  ['manifold-key-on', '47 of 100', 'key-on', { manifold: 47, airPressure: 100 }, 'odd'],
  ['air-pressure-possible', '96', 'key-on', { airPressure: 96 }, 'sound'],
  ['air-pressure-possible', '40', 'key-on', { airPressure: 40 }, 'odd'],
  ['manifold-idle', '33', 'idle-warm', { manifold: 33 }, 'sound'],
  ['manifold-idle', '55 is much', 'idle-warm', { manifold: 55 }, 'odd'],
  ['manifold-idle', '55 is not much on a motorcycle', 'idle-warm', { manifold: 55 }, 'sound', BIKE],
  ['manifold-raised', '30', 'raised', { manifold: 30, engineSpeed: 2500 }, 'sound'],
  ['manifold-raised', '60', 'raised', { manifold: 60, engineSpeed: 2500 }, 'odd'],
  [
    'manifold-follows',
    '40 kPa with 30 %',
    'driving',
    { manifold: { min: 30, max: 70 }, throttle: { min: 15, max: 45 } },
    'sound',
  ],
  ['manifold-follows', 'not at all', 'driving', { manifold: 47, throttle: { min: 15, max: 45 } }, 'odd'],
  // 101.325 (1 - 2.25577e-5 x 540)^5.25588 = 95.0 kPa; at the sea it is 101.3.
  ['air-pressure-height', '93 at 540 m', 'key-on', { airPressure: 93 }, 'sound', AT(540)],
  ['air-pressure-height', '101 at 540 m', 'key-on', { airPressure: 101 }, 'odd', AT(540)],
  ['air-pressure-height', 'a height that nobody entered', 'key-on', { airPressure: 93 }, 'not-judged'],
  ['load-idle', '22', 'idle-warm', { load: 22 }, 'sound'],
  ['load-idle', '70', 'idle-warm', { load: 70 }, 'odd'],
  ['idle-speed', '740', 'idle-warm', { engineSpeed: 740 }, 'sound'],
  ['idle-speed', '1,150', 'idle-warm', { engineSpeed: 1150 }, 'odd'],
  ['idle-steady', '730 to 760', 'idle-warm', { engineSpeed: { min: 730, max: 760 }, coolant: 90 }, 'sound'],
  ['idle-steady', '600 to 900', 'idle-warm', { engineSpeed: { min: 600, max: 900 }, coolant: 90 }, 'odd'],
  ['trims-idle', '2 − 3', 'idle-warm', { shortTrim: 2, longTrim: -3, coolant: 90 }, 'sound'],
  ['trims-idle', '8 + 14', 'idle-warm', { shortTrim: 8, longTrim: 14, coolant: 90 }, 'odd'],
  ['trims-load', '−9 − 6', 'cruise', { shortTrim: -9, longTrim: -6, coolant: 90 }, 'odd'],
  ['trims-load', '1 + 2', 'cruise', { shortTrim: 1, longTrim: 2, coolant: 90 }, 'sound'],
  ['trims-banks', '4 and 6', 'cruise', { longTrim: 4, longTrim2: 6 }, 'sound'],
  ['trims-banks', '2 and 18', 'cruise', { longTrim: 2, longTrim2: 18 }, 'odd'],
  ['lambda-command', '1.00', 'cruise', { lambdaCommand: 1, coolant: 90 }, 'sound'],
  ['lambda-command', '0.85', 'cruise', { lambdaCommand: 0.85, coolant: 90 }, 'odd'],
  ['rail-follows', '3 %', 'driving', { rail: 97_000, railTarget: 100_000, railGap: -3 }, 'sound', DIESEL],
  ['rail-follows', '−30 %', 'driving', { rail: 70_000, railTarget: 100_000, railGap: -30 }, 'odd', DIESEL],
  ['rail-idle', '300 bar', 'idle-warm', { rail: 30_000 }, 'sound', DIESEL],
  ['rail-idle', '90 bar', 'idle-warm', { rail: 9_000 }, 'odd', DIESEL],
  ['fuel-level-possible', '62', 'key-on', { fuelLevel: 62 }, 'sound'],
  [
    'fuel-level-possible',
    'jumps while standing',
    'idle-warm',
    { fuelLevel: { min: 20, max: 70 }, speed: 0 },
    'odd',
  ],
  ['tank-pressure', '−120 Pa', 'idle-warm', { tankPressure: -120 }, 'sound'],
  ['tank-pressure', '−8 kPa', 'idle-warm', { tankPressure: -8_000 }, 'odd'],
  ['timing-idle', '8', 'idle-warm', { timing: 8 }, 'sound'],
  ['timing-idle', '40', 'idle-warm', { timing: 40 }, 'odd'],
  ['run-time-counts', 'counts', 'idle-warm', { runTime: { first: 10, last: 40 } }, 'sound'],
  ['run-time-counts', 'stands', 'idle-warm', { runTime: 10 }, 'odd'],
  ['battery-rest', '12.5', 'key-on', { volts: 12.5 }, 'sound'],
  ['battery-rest', '11.6', 'key-on', { volts: 11.6 }, 'odd'],
  ['charging', '14.1', 'idle-warm', { volts: 14.1 }, 'sound'],
  ['charging', '12.1', 'idle-warm', { volts: 12.1 }, 'odd'],
  ['overcharging', '14.4', 'raised', { volts: 14.4 }, 'sound'],
  ['overcharging', '15.9', 'raised', { volts: 15.9 }, 'odd'],
  ['charging-raised', '14.2', 'raised', { volts: 14.2 }, 'sound'],
  ['charging-raised', '12.6', 'raised', { volts: 12.6 }, 'odd'],
  ['charging-steady', '14.1 to 14.3', 'raised', { volts: { min: 14.1, max: 14.3 } }, 'sound'],
  ['charging-steady', '12.6 to 14.8', 'raised', { volts: { min: 12.6, max: 14.8 } }, 'odd'],
  ['cranking-dip', '10.4', 'cranking', { volts: { min: 10.4, max: 12.4 } }, 'sound'],
  ['cranking-dip', '8.2', 'cranking', { volts: { min: 8.2, max: 12.2 } }, 'odd'],
  ['pedal-tracks', 'two to one', 'key-on', { pedalD: 30, pedalE: 15, pedalRatio: 2 }, 'sound'],
  ['pedal-tracks', '30 and 21', 'key-on', { pedalD: 30, pedalE: 21, pedalRatio: 30 / 21 }, 'odd'],
  ['pedal-rest', '15', 'key-on', { pedalD: 15 }, 'sound'],
  ['pedal-rest', 'nothing', 'key-on', { pedalD: 0 }, 'odd'],
  [
    'throttle-follows',
    '1 % beside',
    'driving',
    { throttle: 41, throttleCommand: 40, throttleGap: 1 },
    'sound',
  ],
  [
    'throttle-follows',
    '36 % beside',
    'driving',
    { throttle: 16, throttleCommand: 52, throttleGap: -36 },
    'odd',
  ],
  ['throttle-idle', '15', 'idle-warm', { throttle: 15 }, 'sound'],
  ['throttle-idle', '31', 'idle-warm', { throttle: 31 }, 'odd'],
  [
    'front-oxygen-swings',
    'twenty',
    'raised',
    { frontOxygen: { min: 0.1, max: 0.85, swings: 20 }, coolant: 90 },
    'sound',
  ],
  [
    'front-oxygen-swings',
    'one',
    'raised',
    { frontOxygen: { min: 0.4, max: 0.5, swings: 1 }, coolant: 90 },
    'odd',
  ],
  [
    'front-oxygen-swings',
    'the noise of a flat sensor',
    'raised',
    { frontOxygen: { min: 0.44, max: 0.46, swings: 40 }, coolant: 90 },
    'odd',
  ],
  [
    'front-oxygen-swings',
    'few, and sampled too slowly to say so',
    'raised',
    { frontOxygen: { min: 0.1, max: 0.85, swings: 1, count: 60 }, coolant: 90 },
    'not-judged',
  ],
  [
    'front-oxygen-swings',
    'few, and sampled often enough',
    'raised',
    { frontOxygen: { min: 0.1, max: 0.85, swings: 1, count: 600 }, coolant: 90 },
    'odd',
  ],
  [
    'front-oxygen-range',
    '0.1 to 0.85',
    'raised',
    { frontOxygen: { min: 0.1, max: 0.85 }, coolant: 90 },
    'sound',
  ],
  ['front-oxygen-range', '0.4 to 0.6', 'raised', { frontOxygen: { min: 0.4, max: 0.6 }, coolant: 90 }, 'odd'],
  [
    'rear-oxygen-steady',
    '0.04 of 0.75 V',
    'raised',
    {
      frontOxygen: { min: 0.1, max: 0.85 },
      rearOxygen: { min: 0.64, max: 0.68 },
      coolant: 90,
      catalyst: 480,
    },
    'sound',
  ],
  [
    'rear-oxygen-steady',
    '0.66 of 0.75 V',
    'raised',
    { frontOxygen: { min: 0.1, max: 0.85 }, rearOxygen: { min: 0.12, max: 0.78 }, coolant: 90, runTime: 700 },
    'odd',
  ],
  [
    'rear-oxygen-steady',
    'a catalyst that is still cold',
    'raised',
    {
      frontOxygen: { min: 0.1, max: 0.85 },
      rearOxygen: { min: 0.12, max: 0.78 },
      coolant: 90,
      catalyst: 180,
    },
    'not-judged',
  ],
  [
    'rear-oxygen-steady',
    'nobody knows whether the catalyst is hot',
    'raised',
    { frontOxygen: { min: 0.1, max: 0.85 }, rearOxygen: { min: 0.12, max: 0.78 }, coolant: 90 },
    'not-judged',
  ],
  [
    'trims-idle',
    'open loop: a memory, no measurement',
    'idle-warm',
    { shortTrim: 0, longTrim: 18, coolant: 90, fuelLoop: 4 },
    'not-judged',
  ],
  [
    'trims-load',
    'the loop opened in between',
    'cruise',
    { shortTrim: 0, longTrim: 18, coolant: 90, fuelLoop: { min: 2, max: 4 } },
    'not-judged',
  ],
  [
    'trims-banks',
    'open loop',
    'cruise',
    { longTrim: 18, longTrim2: 0, coolant: 90, fuelLoop: 1 },
    'not-judged',
  ],
  ['front-lambda', '1.01', 'cruise', { frontLambda: 1.01, coolant: 90 }, 'sound'],
  ['front-lambda', '1.2', 'cruise', { frontLambda: 1.2, coolant: 90 }, 'odd'],
  ['catalyst-heat', '560', 'cruise', { catalyst: 560 }, 'sound'],
  ['catalyst-heat', '930', 'cruise', { catalyst: 930 }, 'odd'],
  ['boost-key-on', '100 of 100', 'key-on', { boost: 100, airPressure: 100 }, 'sound', DIESEL],
  ['boost-key-on', '130 of 100', 'key-on', { boost: 130, airPressure: 100 }, 'odd', DIESEL],
  ['boost-follows', '196 of 198', 'driving', { boost: 196, boostTarget: 198, boostGap: -1 }, 'sound', DIESEL],
  ['boost-follows', '140 of 198', 'driving', { boost: 140, boostTarget: 198, boostGap: -29 }, 'odd', DIESEL],
  ['egr-follows', '34 of 35', 'idle-warm', { egrActual: 34, egrCommand: 35, egrGap: -1 }, 'sound', DIESEL],
  ['egr-follows', '62 of 0', 'driving', { egrActual: 62, egrCommand: 0, egrGap: 62 }, 'odd', DIESEL],
  ['egr-error', '−4 %', 'idle-warm', { egrError: -4, egrCommand: 35 }, 'sound', DIESEL],
  ['egr-error', '+77 %', 'idle-warm', { egrError: 77, egrCommand: 35 }, 'odd', DIESEL],
  ['glow-command', 'on at 4', 'key-on', { glowLamp: { min: 0, max: 1 }, coolant: 4 }, 'sound', DIESEL],
  ['glow-command', 'off at 4', 'key-on', { glowLamp: 0, coolant: 4 }, 'odd', DIESEL],
  [
    'glow-current',
    'half a volt',
    'key-on',
    { glowLamp: { first: 1, last: 0, min: 0, max: 1 }, volts: { first: 11.95, last: 12.48 } },
    'sound',
    DIESEL,
  ],
  [
    'glow-current',
    'nothing is drawn',
    'key-on',
    { glowLamp: { first: 1, last: 0, min: 0, max: 1 }, volts: { first: 12.46, last: 12.48 } },
    'odd',
    DIESEL,
  ],
  ['glow-current', 'still heating', 'key-on', { glowLamp: 1, volts: 12 }, 'not-judged', DIESEL],
  ['filter-zero', '0.1', 'key-on', { filterDrop: 0.1 }, 'sound', DIESEL],
  ['filter-zero', '2.2', 'key-on', { filterDrop: 2.2 }, 'odd', DIESEL],
  // 2.4 x 2.5^1.3 x 1.22 = 9.6 kPa.
  [
    'filter-pressure',
    '4.4 at 2,500',
    'raised',
    { filterDrop: 4.4, engineSpeed: 2500, manifold: 122 },
    'sound',
    DIESEL,
  ],
  [
    'filter-pressure',
    '30 at 2,500',
    'raised',
    { filterDrop: 30, engineSpeed: 2500, manifold: 122 },
    'odd',
    DIESEL,
  ],
  // Flow 2.5^1.3 x 1.22 = 4.0; with 20 % soot 1.2 to 7.5 kPa.
  [
    'filter-soot',
    '4.4 with 20 %',
    'raised',
    { filterDrop: 4.4, soot: 20, engineSpeed: 2500, manifold: 122 },
    'sound',
    DIESEL,
  ],
  [
    'filter-soot',
    '14 with 9 %: ash',
    'raised',
    { filterDrop: 14, soot: 9, engineSpeed: 2500, manifold: 122 },
    'odd',
    DIESEL,
  ],
  [
    'filter-soot',
    '0.3 with 80 %: cracked',
    'raised',
    { filterDrop: 0.3, soot: 80, engineSpeed: 2500, manifold: 122 },
    'odd',
    DIESEL,
  ],
  ['exhaust-heat-possible', '310', 'cruise', { exhaustHeat: 310 }, 'sound', DIESEL],
  ['exhaust-heat-possible', '1,200', 'cruise', { exhaustHeat: 1200 }, 'impossible', DIESEL],
  ['filter-heat', '9 and 10', 'key-on', { exhaustHeat: 9, filterHeat: 10, coolant: 9 }, 'sound', DIESEL],
  ['filter-heat', '9 and 180', 'key-on', { exhaustHeat: 9, filterHeat: 180, coolant: 9 }, 'odd', DIESEL],
  ['own-tests', '0.13 of 0.6', 'key-on', {}, 'sound', PETROL, [ratio(0.13)]],
  ['own-tests', '0.72 of 0.6', 'key-on', {}, 'odd', PETROL, [ratio(0.72)]],
  ['misfire-counts', 'a few', 'idle-warm', {}, 'sound', PETROL, misfires(2, 0, 1, 3)],
  ['misfire-counts', 'cylinder 2', 'idle-warm', {}, 'odd', PETROL, misfires(3, 410, 0, 2)],
];

/** Shown by examples of their own, below. */
const TWO_STATES: ReadonlySet<RuleId> = new Set(RULES.filter((r) => r.against).map((r) => r.id));

test.each(TABLE)('%s: %s (%s)', (id, _, state, values, verdict, engine = PETROL, tests = []) => {
  expect(judge([windowWith(state, values, engine, tests)]).find((j) => j.rule === id)?.verdict).toBe(verdict);
});

describe('two states against each other', () => {
  const corrected = (state: EngineState, sum: number) =>
    windowWith(state, { shortTrim: 1, longTrim: sum - 1, coolant: 90 }, PETROL);
  const verdict = (now: Window[], earlier: Window[] = []) => {
    const {
      verdict: v,
      side,
      measured,
    } = judge(now, andThen(NOTHING_BEFORE, earlier)).find((j) => j.rule === 'trims-compared') ?? {};
    return [v, side, measured];
  };
  test.each([
    ['alike', 4, 1, 'sound', undefined],
    ['both lean alike', 18, 16, 'sound', undefined],
    ['a leak: lean at idle only, and still within what either may be', 9, -2, 'odd', 'high'],
    ['short delivery: grows with load', 3, 19, 'odd', 'low'],
  ] as const)('%s: %d % and %d %', (_, idle, above, says, side) => {
    const rows = verdict([corrected('idle-warm', idle), corrected('cruise', above)]);
    expect(rows).toEqual([says, side, `${idle} % at idle, ${above < 0 ? `−${-above}` : above} % above it`]);
  });

  test.each([
    ['sucks at idle', 33, 100, 'sound'],
    ['sucks at idle, high in the mountains', 31, 74, 'sound'],
    ['tells the same', 47, 47, 'odd'],
    ['hardly moves', 88, 100, 'odd'],
  ] as const)('manifold, off and running: %s', (_, running, off, says) => {
    const rows = judge([
      windowWith('idle-warm', { manifold: running }, PETROL),
      windowWith('key-on', { manifold: off }, PETROL),
    ]);
    expect(rows.find((j) => j.rule === 'manifold-alive')).toMatchObject({
      verdict: says,
      measured: `{${running} kPa} running, {${off} kPa} with the engine off`,
    });
  });

  test('one state alone is not judged; a look from before may be the other', () => {
    const idle = corrected('idle-warm', 12);
    const raised = corrected('raised', 1);
    expect(verdict([idle])[0]).toBe('not-judged');
    expect(verdict([idle], [raised])[0]).toBe('odd');
    expect(verdict([raised], [idle])[0]).toBe('odd');
    expect(verdict([windowWith('key-on', {}, PETROL)], [idle, raised])[0]).toBe('not-judged');
  });
});

test('every rule of two states has examples above', () => {
  expect([...TWO_STATES].sort()).toEqual(['manifold-alive', 'trims-compared']);
});

test('every rule has a sound and an odd example with its numbers', () => {
  expect(RULES.length).toBeGreaterThanOrEqual(45);
  for (const { id } of RULES) {
    if (TWO_STATES.has(id)) continue;
    const verdicts = TABLE.filter((row) => row[0] === id).map((row) => row[4]);
    expect([id, verdicts.includes('sound'), verdicts.some((v) => v !== 'sound')]).toEqual([id, true, true]);
  }
});

test('a rule of the other kind of engine is not even listed', () => {
  const rules = (engine: EngineFacts) => judge([windowWith('idle-warm', {}, engine)]).map((j) => j.rule);
  expect(rules(DIESEL)).not.toContain('manifold-idle');
  expect(rules(PETROL)).not.toContain('rail-idle');
  expect(rules(DIESEL)).toContain('rail-idle');
});
