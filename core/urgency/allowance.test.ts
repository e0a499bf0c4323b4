import { foldCase, scanOf, type CaseRecord, type LampId, type LampMode } from '@pincer/core/case';
import { FINDING_OF_OUTCOME } from '@pincer/core/knowledge';
import { judge, windowOfScan } from '@pincer/core/signals';
import { makeCase, makeScan, scanEntry, saw } from '../test/make-case.ts';
import {
  URGENCY_RULES,
  driveAllowance,
  levelRank,
  urgencyFacts,
  type Allowance,
  type AllowanceLevel,
} from './index.ts';

function allowance(record: CaseRecord): Allowance {
  const state = foldCase(record);
  return driveAllowance(
    urgencyFacts(state, {
      judgements: judge([
        windowOfScan(scanOf(state.standing), {
          displacementLitres: 1.4,
          cylinders: 4,
          isDiesel: false,
          isMotorcycle: false,
          heightM: null,
        }),
      ]),
    }),
  );
}

const lamp = (id: LampId, mode: LampMode = 'steady') => ({ kind: 'lamp', lamp: id, mode }) as const;
const codes = (...c: string[]) => scanEntry(makeScan(c));

type Entries = Parameters<typeof makeCase>;

const SITUATIONS: [string, AllowanceLevel, string | null, Entries][] = [
  ['nothing known', 'short-trips', 'unknown-lamp', []],
  ['no lights on, not read', 'no-limit', null, [lamp('engine', 'out')]],
  ['engine lamp, not read', 'short-trips', 'unread', [lamp('engine')]],
  ['engine lamp at times, not read', 'short-trips', 'unread', [lamp('engine', 'now-and-then')]],
  ['engine lamp flashes', 'safe-place', 'flashing', [lamp('engine', 'flashing')]],
  ['oil lamp', 'stop-here', 'oil-lamp', [lamp('oil')]],
  [
    'oil lamp flashes, engine lamp too',
    'stop-here',
    'oil-lamp',
    [lamp('engine', 'flashing'), lamp('oil', 'flashing')],
  ],
  ['oil lamp at times is still oil', 'stop-here', 'oil-lamp', [lamp('oil', 'now-and-then')]],
  ['temperature lamp', 'stop-here', 'temperature-lamp', [lamp('temperature')]],
  ['brake lamp', 'stop-here', 'brake-lamp', [lamp('brakes')]],
  ['ABS lamp', 'short-trips', 'abs-lamp', [lamp('abs')]],
  ['ABS and brake lamp', 'stop-here', 'brake-lamp', [lamp('abs'), lamp('brakes')]],
  ['charging lamp', 'safe-place', 'charging-lamp', [lamp('charging')]],
  ['airbag lamp', 'short-trips', 'safety-lamp', [lamp('airbag')]],
  ['stability lamp', 'short-trips', 'safety-lamp', [lamp('stability')]],
  [
    'stability lamp flashes: it is at work',
    'some-weeks',
    'stability-flashing',
    [lamp('engine', 'out'), lamp('stability', 'flashing'), codes()],
  ],
  [
    'engine light on for 2,000 km',
    'some-weeks',
    'emission',
    [lamp('engine'), scanEntry(makeScan(['P0420'], { '21': 2_000 }))],
  ],
  ['limps, throttle code', 'safe-place', 'limp-without-signal', [saw('sign:limp'), codes('P2135')]],
  ['lacks power, crankshaft sensor', 'safe-place', 'limp-without-signal', [saw('sign:weak'), codes('P0335')]],
  [
    'white smoke, sweet',
    'safe-place',
    'burns-coolant',
    [saw('sign:white-smoke'), saw('sign:sweet-smell'), codes()],
  ],
  [
    'white smoke, coolant falls',
    'safe-place',
    'burns-coolant',
    [saw('sign:white-smoke'), { kind: 'check', check: 'coolant-level', outcome: 'low' }, codes()],
  ],
  ['crankshaft and camshaft out of step', 'safe-place', 'cam-timing', [lamp('engine'), codes('P0016')]],
  ['camshaft valve', 'short-trips', 'cam-adjustment', [lamp('engine'), codes('P0010')]],
  ['water in the fuel, code', 'safe-place', 'fuel-water', [lamp('engine'), codes('P2269')]],
  ['water sensor alone', 'some-weeks', 'described', [lamp('engine', 'out'), codes('P2264')]],
  ['large fuel leak, code', 'safe-place', 'fuel-smell', [lamp('engine'), codes('P0093')]],
  ['fan too fast is no heat', 'short-trips', 'cooling-weak', [lamp('engine', 'out'), codes('P0495')]],
  ['fan circuit', 'short-trips', 'cooling-weak', [lamp('engine', 'out'), codes('P0480')]],
  ['oil pressure sensor', 'short-trips', 'oil-pressure-sensor', [lamp('engine', 'out'), codes('P0520')]],
  ['brake switch', 'short-trips', 'brake-lights', [lamp('engine', 'out'), codes('P0571')]],
  [
    'lamp commanded on and seen out',
    'some-weeks',
    'lamp-dark',
    [lamp('engine', 'out'), scanEntry({ ...makeScan([]), mils: [{ unit: '7E8', on: true, count: 0 }] })],
  ],
  ['brake pedal hard, no lamp', 'stop-here', 'hard-pedal', [saw('sign:hard-pedal'), codes()]],
  ['another lamp', 'some-weeks', 'other-lamp', [lamp('other')]],
  ['steering lamp', 'safe-place', 'steering-lamp', [lamp('steering')]],
  ['high-voltage lamp', 'safe-place', 'high-voltage-lamp', [lamp('high-voltage')]],
  ['tyre lamp', 'short-trips', 'tyre-lamp', [lamp('tyre')]],
  ['gearbox lamp', 'short-trips', 'gearbox-lamp', [lamp('gearbox')]],
  ['particulate filter lamp', 'some-weeks', 'particulate-lamp', [lamp('particulate')]],
  [
    'particulate filter lamp flashes',
    'short-trips',
    'particulate-flashing',
    [lamp('particulate', 'flashing')],
  ],
  [
    'no lights on, but the engine lamp never lights',
    'some-weeks',
    'dead-bulb',
    [lamp('engine', 'out'), { kind: 'bulb', answer: 'does-not' }],
  ],
  [
    'the engine lamp lights at key-on and goes out',
    'no-limit',
    null,
    [lamp('engine', 'out'), { kind: 'bulb', answer: 'lights' }, codes()],
  ],
  ['a red message', 'stop-here', 'red-message', [{ ...lamp('other'), colour: 'red' }]],
  ['an amber message', 'some-weeks', 'other-lamp', [{ ...lamp('other'), colour: 'amber' }]],
  [
    'a red message that is out again',
    'no-limit',
    null,
    [{ ...lamp('other', 'out'), colour: 'red' }, codes()],
  ],
  ['the gearbox lamp, red', 'safe-place', 'gearbox-red', [{ ...lamp('gearbox'), colour: 'red' }]],
  ['long brake pedal, no lamp', 'stop-here', 'long-pedal', [saw('sign:long-pedal'), codes()]],
  ['knocks', 'stop-here', 'knocks', [lamp('engine'), saw('sign:knocks')]],
  ['gauge high, no lamp yet', 'stop-here', 'gauge-hot', [saw('gauge:hot'), codes()]],
  ['oil below the mark', 'safe-place', 'oil-below', [saw('gauge:oil-low'), codes()]],
  ['coolant below the mark', 'safe-place', 'coolant-below', [saw('gauge:coolant-low'), codes()]],
  ['smells burnt', 'safe-place', 'burnt-smell', [saw('sign:burnt-smell'), codes()]],
  ['steers heavily', 'safe-place', 'heavy-steering', [saw('sign:heavy-steering'), codes()]],
  ['slips', 'safe-place', 'slips', [saw('sign:slips'), codes()]],
  ['will not rev up', 'short-trips', 'limp', [saw('sign:limp'), codes()]],
  ['grinds', 'short-trips', 'grinds', [saw('sign:grinds'), codes()]],
  ['white smoke', 'short-trips', 'smoke', [saw('sign:white-smoke'), codes()]],
  ['lights dim', 'short-trips', 'lights-dim', [saw('gauge:lights-dim'), codes()]],
  ['brake fluid low', 'safe-place', 'brake-system-code', [lamp('engine', 'out'), codes('C0049')]],
  ['brakes too hot', 'safe-place', 'brake-system-code', [lamp('engine', 'out'), codes('C0072')]],
  ['brake booster', 'safe-place', 'brake-system-code', [lamp('engine', 'out'), codes('C0021')]],
  ['booster vacuum sensor', 'safe-place', 'brake-system-code', [lamp('engine', 'out'), codes('P0556')]],
  ['wheel speed sensor', 'short-trips', 'brakes-area', [lamp('engine', 'out'), codes('C0031')]],
  ['brake valve', 'short-trips', 'brakes-area', [lamp('engine', 'out'), codes('C0010')]],
  ['yaw sensor', 'short-trips', 'brakes-area', [lamp('engine', 'out'), codes('C0063')]],
  ['steering angle', 'short-trips', 'brakes-area', [lamp('engine', 'out'), codes('C0051')]],
  ['tyre pressure', 'short-trips', 'brakes-area', [lamp('engine', 'out'), codes('C0077')]],
  ['airbag', 'short-trips', 'restraints-area', [lamp('engine', 'out'), codes('B0001')]],
  ['belt tensioner', 'short-trips', 'restraints-area', [lamp('engine', 'out'), codes('B0070')]],
  ['isolation', 'safe-place', 'high-voltage-code', [lamp('engine', 'out'), codes('P0AA6')]],
  ['interlock', 'safe-place', 'high-voltage-code', [lamp('engine', 'out'), codes('P0A0A')]],
  ['contactor stuck', 'safe-place', 'high-voltage-code', [lamp('engine', 'out'), codes('P0AA1')]],
  ['traction battery low', 'short-trips', 'hybrid-area', [lamp('engine', 'out'), codes('P0A7D')]],
  ['inverter too hot', 'short-trips', 'hybrid-area', [lamp('engine', 'out'), codes('P0A3C')]],
  ['coolant level', 'safe-place', 'coolant-code', [lamp('engine', 'out'), codes('P2560')]],
  ['coolant flow', 'safe-place', 'coolant-code', [lamp('engine', 'out'), codes('P00B7')]],
  ['gearbox too hot', 'safe-place', 'gearbox-slips-code', [lamp('engine', 'out'), codes('P0218')]],
  ['clutch slips', 'safe-place', 'gearbox-slips-code', [lamp('engine', 'out'), codes('P0811')]],
  ['gear jumped out', 'safe-place', 'gearbox-slips-code', [lamp('engine', 'out'), codes('P2711')]],
  ['shift valve', 'short-trips', 'transmission-area', [lamp('engine', 'out'), codes('P0751')]],
  ['gearbox asks for the lamp', 'short-trips', 'transmission-area', [lamp('engine', 'out'), codes('P0700')]],
  ['gear lever', 'short-trips', 'transmission-area', [lamp('engine', 'out'), codes('P0820')]],
  ['charging too low', 'safe-place', 'charging-code', [lamp('engine', 'out'), codes('P2503')]],
  ['supply voltage low', 'safe-place', 'charging-code', [lamp('engine', 'out'), codes('P0562')]],
  ['supply voltage high', 'safe-place', 'overcharging-code', [lamp('engine', 'out'), codes('P0563')]],
  [
    'supply voltage was low, and it charges now',
    'some-weeks',
    'low-voltage-once',
    [lamp('engine', 'out'), scanEntry(makeScan(['P0562'], { '0C': 740, '0D': 0, '05': 88, '42': 14.1 }))],
  ],
  [
    'supply voltage was low, measured with the engine off alone',
    'safe-place',
    'charging-code',
    [lamp('engine', 'out'), scanEntry(makeScan(['P0562'], { '0C': 0, '0D': 0, '42': 12.5 }))],
  ],
  [
    'lamp seen lit, and no control unit commands it',
    'some-weeks',
    'lamp-uncommanded',
    [lamp('engine'), codes()],
  ],
  [
    'stalls, never while it rolls',
    'short-trips',
    'stalls-standing',
    [lamp('engine', 'out'), saw('sign:stalls'), saw('sign:stalls-rolling', 'no'), codes()],
  ],
  [
    'stalls, and whether it rolls then is not known',
    'safe-place',
    'stalls',
    [lamp('engine', 'out'), saw('sign:stalls'), saw('sign:stalls-rolling', 'unknown'), codes()],
  ],
  [
    'stalls while it rolls',
    'safe-place',
    'stalls',
    [lamp('engine', 'out'), saw('sign:stalls-rolling'), codes()],
  ],
  [
    'a whiff of fuel, nothing wet',
    'short-trips',
    'fuel-whiff',
    [lamp('engine', 'out'), saw('sign:fuel-smell'), saw('sign:fuel-wet', 'no'), codes()],
  ],
  [
    'a whiff of fuel, and a check finds the leak',
    'safe-place',
    'fuel-smell',
    [
      lamp('engine', 'out'),
      saw('sign:fuel-smell'),
      saw('sign:fuel-wet', 'no'),
      { kind: 'check', check: 'lid-smell', outcome: 'something' },
      codes(),
    ],
  ],
  ['fuel to be seen', 'stop-here', 'fuel-wet', [lamp('engine', 'out'), saw('sign:fuel-wet'), codes()]],
  ['does not start', 'safe-place', 'no-start', [lamp('engine', 'out'), saw('sign:no-start'), codes('P0230')]],
  ['alternator circuit', 'some-weeks', 'described', [lamp('engine', 'out'), codes('P0620')]],
  ['engine unit not heard', 'short-trips', 'network-area', [lamp('engine', 'out'), codes('U0100')]],
  ['brake unit not heard', 'short-trips', 'network-area', [lamp('engine', 'out'), codes('U0121')]],
  ['data bus', 'short-trips', 'network-area', [lamp('engine', 'out'), codes('U0001')]],
  ['nonsense from the gearbox', 'short-trips', 'network-area', [lamp('engine', 'out'), codes('U0402')]],
  ['throttle held back', 'short-trips', 'throttle', [lamp('engine', 'out'), codes('P2106')]],
  ['pedal tracks', 'short-trips', 'throttle', [lamp('engine', 'out'), codes('P2138')]],
  ['control unit memory', 'short-trips', 'throttle-area', [lamp('engine', 'out'), codes('P0601')]],
  ['exhaust smelt inside', 'safe-place', 'exhaust-inside', [saw('sign:exhaust-smell')]],
  // A long, steady drive is the remedy: it must not read "short trips".
  ['filter full of soot', 'some-weeks', 'particulate-full', [lamp('engine', 'out'), codes('P2463')]],
  ['filter full of ash', 'short-trips', 'throttle-area', [lamp('engine', 'out'), codes('P242F')]],
  ['filter full, its light on', 'some-weeks', 'particulate-full', [lamp('particulate'), codes('P2463')]],
  [
    'filter full, its light flashes',
    'short-trips',
    'particulate-flashing',
    [lamp('particulate', 'flashing'), codes('P2463')],
  ],
  ['particulate filter efficiency', 'some-weeks', 'described', [lamp('engine', 'out'), codes('P2002')]],
  ['NOx sensor', 'some-weeks', 'described', [lamp('engine', 'out'), codes('P2200')]],
  ['reductant quality', 'some-weeks', 'described', [lamp('engine', 'out'), codes('P207F')]],
  ['glow plug', 'some-weeks', 'described', [lamp('engine', 'out'), codes('P0671')]],
  ['oxygen pump current', 'some-weeks', 'sensor', [lamp('engine', 'out'), codes('P2237')]],
  ['secondary air', 'some-weeks', 'described', [lamp('engine', 'out'), codes('P0411')]],
  ['air conditioning', 'some-weeks', 'described', [lamp('engine', 'out'), codes('P0530')]],
  ['intake runner', 'some-weeks', 'described', [lamp('engine', 'out'), codes('P2004')]],
  ['cylinder switch-off', 'some-weeks', 'described', [lamp('engine', 'out'), codes('P3401')]],
  ['boost too low', 'some-weeks', 'described', [lamp('engine', 'out'), codes('P0299')]],
  ['fuel level sensor', 'some-weeks', 'described', [lamp('engine', 'out'), codes('P0460')]],
  ['history of an airbag alone', 'no-limit', null, [lamp('engine', 'out'), codes('B0001:history')]],
  [
    'pending only, still counts',
    'short-trips',
    'network-area',
    [lamp('engine', 'out'), codes('U0100:pending')],
  ],
  [
    'a maker’s code next to a gentle one is nothing good either',
    'short-trips',
    'undescribed',
    [lamp('engine', 'out'), codes('P0113', 'P1345')],
  ],
  [
    'five units, the strictest decides',
    'safe-place',
    'brake-system-code',
    [codes('U0121', 'P0700', 'B0001', 'C0049', 'P0442')],
  ],
  ['no such number in the standard', 'short-trips', 'undescribed', [lamp('engine', 'out'), codes('P0FFF')]],
  ['overheated, by code', 'stop-here', 'overheated-code', [lamp('engine'), codes('P0217')]],
  ['oil pressure, by code', 'stop-here', 'overheated-code', [lamp('engine'), codes('P0524')]],
  [
    'misfire that shakes',
    'safe-place',
    'misfire-shakes',
    [lamp('engine'), saw('sign:shakes'), codes('P0302')],
  ],
  ['misfire, smooth', 'short-trips', 'misfire', [lamp('engine'), saw('sign:shakes', 'no'), codes('P0302')]],
  ['misfire, not asked whether it shakes', 'short-trips', 'misfire', [lamp('engine'), codes('P0300')]],
  ['pending misfire counts', 'short-trips', 'misfire', [lamp('engine'), codes('P0302:pending')]],
  ['permanent misfire counts', 'short-trips', 'misfire', [lamp('engine'), codes('P0302:permanent')]],
  [
    'history of a misfire does not',
    'some-weeks',
    'lamp-uncommanded',
    [lamp('engine'), codes('P0302:history')],
  ],
  ['history alone, lamp out', 'no-limit', null, [lamp('engine', 'out'), codes('P0302:history')]],
  ['stalls', 'safe-place', 'stalls', [lamp('engine'), saw('sign:stalls'), codes('P0505')]],
  ['smells of fuel', 'safe-place', 'fuel-smell', [lamp('engine'), saw('sign:fuel-smell'), codes('P0442')]],
  ['shakes, not read', 'short-trips', 'shakes', [lamp('engine', 'out'), saw('sign:shakes')]],
  ['weak, not read', 'short-trips', 'shakes', [lamp('engine', 'out'), saw('sign:weak')]],
  ['lean', 'some-weeks', 'lean', [lamp('engine'), codes('P0171')]],
  ['rich', 'short-trips', 'rich', [lamp('engine'), codes('P0172')]],
  ['black smoke', 'short-trips', 'rich', [lamp('engine', 'out'), saw('sign:black-smoke')]],
  ['air flow sensor', 'some-weeks', 'sensor', [lamp('engine'), codes('P0102')]],
  ['intake temperature sensor', 'some-weeks', 'sensor', [lamp('engine'), codes('P0113')]],
  ['throttle', 'short-trips', 'throttle', [lamp('engine'), codes('P0121')]],
  ['crankshaft sensor', 'short-trips', 'throttle', [lamp('engine'), codes('P0335')]],
  ['camshaft timing', 'safe-place', 'cam-timing', [lamp('engine'), codes('P0016')]],
  ['catalyst', 'some-weeks', 'emission', [lamp('engine'), codes('P0420')]],
  ['vapour leak', 'some-weeks', 'emission', [lamp('engine'), codes('P0442')]],
  ['a maker’s code is nothing good', 'short-trips', 'undescribed', [lamp('engine'), codes('P1345')]],
  ['two faults: the stricter decides', 'short-trips', 'misfire', [lamp('engine'), codes('P0420', 'P0302')]],
  [
    'lamp on, as commanded, no codes',
    'some-weeks',
    'lamp-without-code',
    [lamp('engine'), scanEntry({ ...makeScan([]), mils: [{ unit: '7E8', on: true, count: 0 }] })],
  ],
  ['lamp out, read, no codes', 'no-limit', null, [lamp('engine', 'out'), codes()]],
  ['read, no lamp told, no codes', 'no-limit', null, [codes()]],
  [
    'charging voltage low while running',
    'safe-place',
    'charging-low',
    [lamp('engine', 'out'), scanEntry(makeScan([], { '0C': 740, '0D': 0, '05': 88, '42': 11.9 }))],
  ],
  [
    'battery low at rest',
    'short-trips',
    'battery-low',
    [lamp('engine', 'out'), scanEntry(makeScan([], { '0C': 0, '0D': 0, '42': 11.5 }))],
  ],
  [
    'a part of a reading',
    'some-weeks',
    'partial',
    [
      lamp('engine', 'out'),
      scanEntry({ ...makeScan([]), missing: [{ part: 'pending codes', why: 'cut' }] }, false),
    ],
  ],
  [
    'a clear was asked for, and no answer is on record',
    'short-trips',
    'unknown-clear',
    [lamp('engine', 'out'), codes(), { kind: 'clear-asked', afterScan: 'ent_2' }],
  ],
  [
    'the same, and it was read again since',
    'no-limit',
    null,
    [lamp('engine', 'out'), codes(), { kind: 'clear-asked', afterScan: 'ent_2' }, codes()],
  ],
  [
    'a code that was cleared and not read since stops it as before',
    'stop-here',
    'overheated-code',
    [codes('P0217'), { kind: 'clear', afterScan: 'ent_1', outcome: 'agreed' }],
  ],
  [
    'a lamp that flashed before the clear counts until its command is read again',
    'safe-place',
    'flashing',
    [lamp('engine', 'flashing'), codes('P0302'), { kind: 'clear', afterScan: 'ent_2', outcome: 'agreed' }],
  ],
  [
    'read again after the clear, and the car commands it off',
    'no-limit',
    null,
    [
      lamp('engine', 'flashing'),
      codes('P0302'),
      { kind: 'clear', afterScan: 'ent_2', outcome: 'agreed' },
      codes(),
    ],
  ],
  [
    'symptoms answered no',
    'no-limit',
    null,
    [lamp('engine', 'out'), saw('sign:shakes', 'no'), saw('sign:stalls', 'no'), codes()],
  ],
];

test('the table holds at least 120 situations', () => {
  expect(SITUATIONS.length).toBeGreaterThanOrEqual(120);
});

describe('the drive allowance', () => {
  test.each(SITUATIONS)('%s: level %s', (_, level, deciding, entries) => {
    const a = allowance(makeCase(...entries));
    expect(a.level).toBe(level);
    expect(a.reasons.find((r) => r.isDeciding)?.id ?? null).toBe(deciding);
  });

  test('a clear whose proof is open: some weeks at most, short trips where it had asked to stop', () => {
    const clean = foldCase(makeCase(lamp('engine', 'out'), codes()));
    const of = (known: object) => driveAllowance(urgencyFacts(clean, { judgements: [], ...known })).level;
    expect(of({})).toBe('no-limit');
    expect(of({ isClearedUnproven: true })).toBe('some-weeks');
    expect(of({ isClearedUnproven: true, wasDangerous: true })).toBe('short-trips');
  });

  test('a case that is closed does not warn, until something is seen again', () => {
    const closed = { kind: 'closed', outcome: 'fixed' } as const;
    expect(allowance(makeCase(codes('P0217'), closed))).toMatchObject({ level: 'no-limit', title: 'Closed' });
    expect(allowance(makeCase(codes('P0217'), closed, codes('P0217'))).level).toBe('stop-here');
    expect(allowance(makeCase(codes('P0217'), closed, { kind: 'note', text: 'Sold.' })).title).toBe('Closed');
  });

  test('every rule decides or stands behind another in some situation above', () => {
    const held = new Set([
      ...SITUATIONS.flatMap(([, , , entries]) => allowance(makeCase(...entries)).reasons.map((r) => r.id)),
      ...Object.keys(FINDING_OF_OUTCOME).flatMap((key) => {
        const [check = '', outcome = ''] = key.split('/');
        const found = makeCase(lamp('engine', 'out'), codes(), { kind: 'check', check, outcome });
        return allowance(found).reasons.map((r) => r.id);
      }),
      ...['cleared-unproven', 'cleared-danger'],
    ]);
    expect(URGENCY_RULES.map((r) => r.id).filter((id) => !held.has(id))).toEqual([]);
  });

  test('whatever stops the car says what to do in the next minute, and whom to call', () => {
    const stopping = URGENCY_RULES.filter((r) => levelRank(r.level) <= 1);
    expect(stopping.length).toBeGreaterThan(15);
    expect(stopping.filter((r) => (r.minute?.length ?? 0) < 1 || !r.call).map((r) => r.id)).toEqual([]);
    expect(URGENCY_RULES.filter((r) => levelRank(r.level) > 2 && r.minute).map((r) => r.id)).toEqual([]);
    expect(allowance(makeCase(lamp('temperature'))).reasons[0]?.minute.join(' ')).toMatch(/cap closed/);
  });

  test('an accepted code no longer shortens the road; a dangerous one still does', () => {
    const of = (record: CaseRecord, ...accepted: string[]) =>
      driveAllowance(urgencyFacts(foldCase(record), { judgements: [], accepted: new Set(accepted) })).level;
    // A lamp that is commanded on and seen out would be a matter of its own.
    const rear = makeCase(lamp('engine', 'out'), scanEntry({ ...makeScan(['P0141', 'P1345']), mils: [] }));
    expect(of(rear)).toBe('short-trips');
    expect(of(rear, 'P1345')).toBe('some-weeks');
    expect(of(rear, 'P0141', 'P1345')).toBe('no-limit');
    // It is why the lamp is lit.
    expect(of(makeCase(lamp('engine'), codes('P0141')), 'P0141')).toBe('no-limit');
    expect(of(makeCase(lamp('engine', 'flashing'), codes('P0141')), 'P0141')).toBe('safe-place');
    // Another one next to it is seen at once.
    expect(of(makeCase(lamp('engine', 'out'), codes('P0141', 'P0420')), 'P0141')).toBe('some-weeks');
    expect(of(makeCase(codes('P0302')), 'P0302')).toBe('short-trips');
    expect(of(makeCase(codes('P0016')), 'P0016')).toBe('safe-place');
  });

  test('the screen can say what would change it', () => {
    const a = allowance(makeCase(lamp('engine', 'flashing'), saw('sign:shakes'), codes('P0302')));
    expect(a).toMatchObject({
      level: 'safe-place',
      title: 'Safe place only',
      change: {
        level: 'short-trips',
        title: 'Short trips',
        once: 'the light no longer flashes and the shake is gone',
      },
    });
    expect(allowance(makeCase(codes())).change).toBeNull();
  });

  test('unknown never improves it: an answer of "don’t know" is like no answer', () => {
    for (const [, level, , entries] of SITUATIONS) {
      const more = [...entries, saw('sign:pings', 'unknown'), saw('sign:blue-smoke', 'unknown')] as Entries;
      expect(allowance(makeCase(...more)).level).toBe(level);
    }
  });

  test('a new bad fact never lengthens the road', () => {
    const bad: Entries = [
      lamp('charging'),
      saw('sign:fuel-smell'),
      saw('sign:stalls'),
      saw('sign:black-smoke'),
    ];
    for (const [, level, , entries] of SITUATIONS)
      for (const fact of bad)
        expect(levelRank(allowance(makeCase(...([...entries, fact] as Entries))).level)).toBeLessThanOrEqual(
          levelRank(level),
        );
  });
});
