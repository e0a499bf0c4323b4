import { foldCase, type CaseRecord, type LampId, type LampMode } from '@pincer/core/case';
import { judge, windowOfScan } from '@pincer/core/signals';
import { makeCase, makeScan, scanEntry, saw } from '../test/make-case.ts';
import { URGENCY_RULES, driveAllowance, urgencyFacts, type Allowance } from './index.ts';

function allowance(record: CaseRecord): Allowance {
  const state = foldCase(record);
  const reading = state.latestReading?.scan;
  return driveAllowance(
    urgencyFacts(
      state,
      reading
        ? judge([
            windowOfScan(reading, {
              displacementLitres: 1.4,
              cylinders: 4,
              isDiesel: false,
              isMotorcycle: false,
              heightM: null,
            }),
          ])
        : [],
    ),
  );
}

const lamp = (id: LampId, mode: LampMode = 'steady') => ({ kind: 'lamp', lamp: id, mode }) as const;
const codes = (...c: string[]) => scanEntry(makeScan(c));

type Entries = Parameters<typeof makeCase>;

const SITUATIONS: [string, number, string | null, Entries][] = [
  ['nothing known', 2, 'unknown-lamp', []],
  ['lamps out, not read', 4, null, [lamp('engine', 'out')]],
  ['engine lamp, not read', 2, 'unread', [lamp('engine')]],
  ['engine lamp at times, not read', 2, 'unread', [lamp('engine', 'now-and-then')]],
  ['engine lamp flashes', 1, 'flashing', [lamp('engine', 'flashing')]],
  ['oil lamp', 0, 'oil-lamp', [lamp('oil')]],
  ['oil lamp flashes, engine lamp too', 0, 'oil-lamp', [lamp('engine', 'flashing'), lamp('oil', 'flashing')]],
  ['oil lamp at times is still oil', 0, 'oil-lamp', [lamp('oil', 'now-and-then')]],
  ['temperature lamp', 0, 'temperature-lamp', [lamp('temperature')]],
  ['brake lamp', 0, 'brake-lamp', [lamp('brakes')]],
  ['charging lamp', 1, 'charging-lamp', [lamp('charging')]],
  ['airbag lamp', 2, 'safety-lamp', [lamp('airbag')]],
  ['stability lamp', 2, 'safety-lamp', [lamp('stability')]],
  ['another lamp', 3, 'other-lamp', [lamp('other')]],
  ['steering lamp', 1, 'steering-lamp', [lamp('steering')]],
  ['high-voltage lamp', 1, 'high-voltage-lamp', [lamp('high-voltage')]],
  ['tyre lamp', 2, 'tyre-lamp', [lamp('tyre')]],
  ['gearbox lamp', 2, 'gearbox-lamp', [lamp('gearbox')]],
  ['particulate filter lamp', 3, 'particulate-lamp', [lamp('particulate')]],
  ['particulate filter lamp flashes', 2, 'particulate-flashing', [lamp('particulate', 'flashing')]],
  [
    'lamps out, but the engine lamp never lights',
    3,
    'dead-bulb',
    [lamp('engine', 'out'), { kind: 'bulb', answer: 'does-not' }],
  ],
  [
    'the engine lamp lights at key-on and goes out',
    4,
    null,
    [lamp('engine', 'out'), { kind: 'bulb', answer: 'lights' }, codes()],
  ],
  ['a red message', 0, 'red-message', [{ ...lamp('other'), colour: 'red' }]],
  ['an amber message', 3, 'other-lamp', [{ ...lamp('other'), colour: 'amber' }]],
  ['a red message that is out again', 4, null, [{ ...lamp('other', 'out'), colour: 'red' }, codes()]],
  ['the gearbox lamp, red', 1, 'gearbox-red', [{ ...lamp('gearbox'), colour: 'red' }]],
  ['long brake pedal, no lamp', 0, 'long-pedal', [saw('sign:long-pedal'), codes()]],
  ['knocks', 0, 'knocks', [lamp('engine'), saw('sign:knocks')]],
  ['gauge high, no lamp yet', 0, 'gauge-hot', [saw('gauge:hot'), codes()]],
  ['oil below the mark', 1, 'oil-below', [saw('gauge:oil-low'), codes()]],
  ['coolant below the mark', 1, 'coolant-below', [saw('gauge:coolant-low'), codes()]],
  ['smells burnt', 1, 'burnt-smell', [saw('sign:burnt-smell'), codes()]],
  ['steers heavily', 1, 'heavy-steering', [saw('sign:heavy-steering'), codes()]],
  ['slips', 1, 'slips', [saw('sign:slips'), codes()]],
  ['will not rev', 2, 'limp', [saw('sign:limp'), codes()]],
  ['grinds', 2, 'grinds', [saw('sign:grinds'), codes()]],
  ['white smoke', 2, 'smoke', [saw('sign:white-smoke'), codes()]],
  ['lights dim', 2, 'lights-dim', [saw('gauge:lights-dim'), codes()]],
  ['brake fluid low', 1, 'brake-system-code', [lamp('engine', 'out'), codes('C0049')]],
  ['brakes too hot', 1, 'brake-system-code', [lamp('engine', 'out'), codes('C0072')]],
  ['brake booster', 1, 'brake-system-code', [lamp('engine', 'out'), codes('C0021')]],
  ['booster vacuum sensor', 1, 'brake-system-code', [lamp('engine', 'out'), codes('P0556')]],
  ['wheel speed sensor', 2, 'brakes-area', [lamp('engine', 'out'), codes('C0031')]],
  ['brake valve', 2, 'brakes-area', [lamp('engine', 'out'), codes('C0010')]],
  ['yaw sensor', 2, 'brakes-area', [lamp('engine', 'out'), codes('C0063')]],
  ['steering angle', 2, 'brakes-area', [lamp('engine', 'out'), codes('C0051')]],
  ['tyre pressure', 2, 'brakes-area', [lamp('engine', 'out'), codes('C0077')]],
  ['airbag', 2, 'restraints-area', [lamp('engine', 'out'), codes('B0001')]],
  ['belt tensioner', 2, 'restraints-area', [lamp('engine', 'out'), codes('B0070')]],
  ['isolation', 1, 'high-voltage-code', [lamp('engine', 'out'), codes('P0AA6')]],
  ['interlock', 1, 'high-voltage-code', [lamp('engine', 'out'), codes('P0A0A')]],
  ['contactor stuck', 1, 'high-voltage-code', [lamp('engine', 'out'), codes('P0AA1')]],
  ['traction battery low', 2, 'hybrid-area', [lamp('engine', 'out'), codes('P0A7D')]],
  ['inverter too hot', 2, 'hybrid-area', [lamp('engine', 'out'), codes('P0A3C')]],
  ['coolant level', 1, 'coolant-code', [lamp('engine', 'out'), codes('P2560')]],
  ['coolant flow', 1, 'coolant-code', [lamp('engine', 'out'), codes('P00B7')]],
  ['gearbox too hot', 1, 'gearbox-slips-code', [lamp('engine', 'out'), codes('P0218')]],
  ['clutch slips', 1, 'gearbox-slips-code', [lamp('engine', 'out'), codes('P0811')]],
  ['gear jumped out', 1, 'gearbox-slips-code', [lamp('engine', 'out'), codes('P2711')]],
  ['shift valve', 2, 'transmission-area', [lamp('engine', 'out'), codes('P0751')]],
  ['gearbox asks for the lamp', 2, 'transmission-area', [lamp('engine', 'out'), codes('P0700')]],
  ['gear lever', 2, 'transmission-area', [lamp('engine', 'out'), codes('P0820')]],
  ['charging too low', 1, 'charging-code', [lamp('engine', 'out'), codes('P2503')]],
  ['supply voltage low', 1, 'charging-code', [lamp('engine', 'out'), codes('P0562')]],
  ['supply voltage high', 1, 'charging-code', [lamp('engine', 'out'), codes('P0563')]],
  ['alternator circuit', 3, 'described', [lamp('engine', 'out'), codes('P0620')]],
  ['engine unit not heard', 2, 'network-area', [lamp('engine', 'out'), codes('U0100')]],
  ['brake unit not heard', 2, 'network-area', [lamp('engine', 'out'), codes('U0121')]],
  ['data bus', 2, 'network-area', [lamp('engine', 'out'), codes('U0001')]],
  ['nonsense from the gearbox', 2, 'network-area', [lamp('engine', 'out'), codes('U0402')]],
  ['throttle held back', 2, 'throttle', [lamp('engine', 'out'), codes('P2106')]],
  ['pedal tracks', 2, 'throttle', [lamp('engine', 'out'), codes('P2138')]],
  ['control unit memory', 2, 'throttle-area', [lamp('engine', 'out'), codes('P0601')]],
  ['filter full', 2, 'throttle-area', [lamp('engine', 'out'), codes('P2463')]],
  ['particulate filter efficiency', 3, 'described', [lamp('engine', 'out'), codes('P2002')]],
  ['NOx sensor', 3, 'described', [lamp('engine', 'out'), codes('P2200')]],
  ['reductant quality', 3, 'described', [lamp('engine', 'out'), codes('P207F')]],
  ['glow plug', 3, 'described', [lamp('engine', 'out'), codes('P0671')]],
  ['oxygen pump current', 3, 'sensor', [lamp('engine', 'out'), codes('P2237')]],
  ['secondary air', 3, 'described', [lamp('engine', 'out'), codes('P0411')]],
  ['air conditioning', 3, 'described', [lamp('engine', 'out'), codes('P0530')]],
  ['intake runner', 3, 'described', [lamp('engine', 'out'), codes('P2004')]],
  ['cylinder switch-off', 3, 'described', [lamp('engine', 'out'), codes('P3401')]],
  ['boost too low', 3, 'described', [lamp('engine', 'out'), codes('P0299')]],
  ['fuel level sensor', 3, 'described', [lamp('engine', 'out'), codes('P0460')]],
  ['history of an airbag alone', 4, null, [lamp('engine', 'out'), codes('B0001:history')]],
  ['pending only, still counts', 2, 'network-area', [lamp('engine', 'out'), codes('U0100:pending')]],
  [
    'a maker’s code next to a gentle one is nothing good either',
    2,
    'undescribed',
    [lamp('engine', 'out'), codes('P0113', 'P1345')],
  ],
  [
    'five units, the strictest decides',
    1,
    'brake-system-code',
    [codes('U0121', 'P0700', 'B0001', 'C0049', 'P0442')],
  ],
  ['no such number in the standard', 2, 'undescribed', [lamp('engine', 'out'), codes('P0FFF')]],
  ['overheated, by code', 0, 'overheated-code', [lamp('engine'), codes('P0217')]],
  ['oil pressure, by code', 0, 'overheated-code', [lamp('engine'), codes('P0524')]],
  ['misfire that shakes', 1, 'misfire-shakes', [lamp('engine'), saw('sign:shakes'), codes('P0302')]],
  ['misfire, smooth', 2, 'misfire', [lamp('engine'), saw('sign:shakes', 'no'), codes('P0302')]],
  ['misfire, not asked whether it shakes', 2, 'misfire', [lamp('engine'), codes('P0300')]],
  ['pending misfire counts', 2, 'misfire', [lamp('engine'), codes('P0302:pending')]],
  ['permanent misfire counts', 2, 'misfire', [lamp('engine'), codes('P0302:permanent')]],
  ['history of a misfire does not', 3, 'lamp-without-code', [lamp('engine'), codes('P0302:history')]],
  ['history alone, lamp out', 4, null, [lamp('engine', 'out'), codes('P0302:history')]],
  ['stalls', 1, 'stalls', [lamp('engine'), saw('sign:stalls'), codes('P0505')]],
  ['smells of fuel', 1, 'fuel-smell', [lamp('engine'), saw('sign:fuel-smell'), codes('P0442')]],
  ['shakes, not read', 2, 'shakes', [lamp('engine', 'out'), saw('sign:shakes')]],
  ['weak, not read', 2, 'shakes', [lamp('engine', 'out'), saw('sign:weak')]],
  ['lean', 3, 'lean', [lamp('engine'), codes('P0171')]],
  ['rich', 2, 'rich', [lamp('engine'), codes('P0172')]],
  ['black smoke', 2, 'rich', [lamp('engine', 'out'), saw('sign:black-smoke')]],
  ['air flow sensor', 3, 'sensor', [lamp('engine'), codes('P0102')]],
  ['intake temperature sensor', 3, 'sensor', [lamp('engine'), codes('P0113')]],
  ['throttle', 2, 'throttle', [lamp('engine'), codes('P0121')]],
  ['crankshaft sensor', 2, 'throttle', [lamp('engine'), codes('P0335')]],
  ['camshaft timing', 1, 'cam-timing', [lamp('engine'), codes('P0016')]],
  ['catalyst', 3, 'emission', [lamp('engine'), codes('P0420')]],
  ['vapour leak', 3, 'emission', [lamp('engine'), codes('P0442')]],
  ['a maker’s code is nothing good', 2, 'undescribed', [lamp('engine'), codes('P1345')]],
  ['two faults: the stricter decides', 2, 'misfire', [lamp('engine'), codes('P0420', 'P0302')]],
  ['lamp on, no codes', 3, 'lamp-without-code', [lamp('engine'), codes()]],
  ['lamp out, read, no codes', 4, null, [lamp('engine', 'out'), codes()]],
  ['read, no lamp told, no codes', 4, null, [codes()]],
  [
    'charging voltage low while running',
    1,
    'charging-low',
    [lamp('engine', 'out'), scanEntry(makeScan([], { '0C': 740, '0D': 0, '05': 88, '42': 11.9 }))],
  ],
  [
    'battery low at rest',
    2,
    'battery-low',
    [lamp('engine', 'out'), scanEntry(makeScan([], { '0C': 0, '0D': 0, '42': 11.5 }))],
  ],
  [
    'a part of a reading',
    3,
    'partial',
    [
      lamp('engine', 'out'),
      scanEntry({ ...makeScan([]), missing: [{ part: 'pending codes', why: 'cut' }] }, false),
    ],
  ],
  [
    'symptoms answered no',
    4,
    null,
    [lamp('engine', 'out'), saw('sign:shakes', 'no'), saw('sign:stalls', 'no'), codes()],
  ],
];

test('the table holds at least 120 situations', () => {
  expect(SITUATIONS.length).toBeGreaterThanOrEqual(120);
});

describe('the drive allowance', () => {
  test.each(SITUATIONS)('%s: level %i', (_, level, deciding, entries) => {
    const a = allowance(makeCase(...entries));
    expect(a.level).toBe(level);
    expect(a.reasons.find((r) => r.isDeciding)?.id ?? null).toBe(deciding);
  });

  test('every rule decides or stands behind another in some situation above', () => {
    const held = new Set(
      SITUATIONS.flatMap(([, , , entries]) => allowance(makeCase(...entries)).reasons.map((r) => r.id)),
    );
    expect(URGENCY_RULES.map((r) => r.id).filter((id) => !held.has(id))).toEqual([]);
  });

  test('whatever stops the car says what to do in the next minute, and whom to call', () => {
    const stopping = URGENCY_RULES.filter((r) => r.level <= 1);
    expect(stopping.length).toBeGreaterThan(15);
    expect(stopping.filter((r) => (r.minute?.length ?? 0) < 1 || !r.call).map((r) => r.id)).toEqual([]);
    expect(URGENCY_RULES.filter((r) => r.level > 2 && r.minute).map((r) => r.id)).toEqual([]);
    expect(allowance(makeCase(lamp('temperature'))).reasons[0]?.minute.join(' ')).toMatch(/cap shut/);
  });

  test('an accepted code no longer shortens the road; a dangerous one still does', () => {
    const of = (record: CaseRecord, ...accepted: string[]) =>
      driveAllowance(urgencyFacts(foldCase(record), [], new Set(accepted))).level;
    const rear = makeCase(lamp('engine', 'out'), codes('P0141', 'P1345'));
    expect(of(rear)).toBe(2);
    expect(of(rear, 'P1345')).toBe(3);
    expect(of(rear, 'P0141', 'P1345')).toBe(4);
    // Another one next to it is seen at once.
    expect(of(makeCase(lamp('engine', 'out'), codes('P0141', 'P0420')), 'P0141')).toBe(3);
    expect(of(makeCase(codes('P0302')), 'P0302')).toBe(2);
    expect(of(makeCase(codes('P0016')), 'P0016')).toBe(1);
  });

  test('the screen can say what would change it', () => {
    const a = allowance(makeCase(lamp('engine', 'flashing'), saw('sign:shakes'), codes('P0302')));
    expect(a).toMatchObject({
      level: 1,
      title: 'Do not drive on',
      change: { level: 2, title: 'Short trips', once: 'the lamp no longer flashes and the shake is gone' },
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
        expect(allowance(makeCase(...([...entries, fact] as Entries))).level).toBeLessThanOrEqual(level);
  });
});
