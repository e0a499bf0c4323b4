import type { Condition, Expected, Measurement, MeterValue, Quantity } from '@pincer/core/meter';

const OFF = 'Ignition off, connector off.';
const PRACTICE = 'Usual in workshops; your manual’s figure wins';

interface More {
  asks?: readonly Condition[];
  source?: string;
  outcomes?: readonly [within: string, below: string, above: string];
  alike?: NonNullable<Measurement['alike']>;
  isHeater?: true;
  isSlip?: true;
}

/** A measurement with the two results that most checks have. */
function measure(
  quantity: Quantity,
  state: string,
  values: Measurement['values'],
  { asks = [], source = PRACTICE, outcomes = ['nothing', 'something', 'something'], ...rest }: More = {},
): Measurement {
  const [within, below, above] = outcomes;
  return { quantity, state, values, asks, source, within, below, above, ...rest };
}

const one = (name: string, expected: Expected): readonly MeterValue[] => [{ name, expected }];
const band = (from: number, to: number): Expected => ({ kind: 'band', from, to });
/** A winding of copper, ohms at 20 °C. */
const winding = (from: number, to: number): Expected => ({ kind: 'band', from, to, isWinding: true });
const atMost = (most: number): Expected => ({ kind: 'at-most', most });
const atLeast = (least: number): Expected => ({ kind: 'at-least', least });
const about = (value: number, within: number): Expected => ({ kind: 'about', value, within });
const MANUAL: Expected = { kind: 'manual' };

/** One resistance with the part unplugged. */
const ohms = (expected: Expected, more: More = {}): Measurement =>
  measure('resistance', OFF, one('Resistance', expected), {
    ...more,
    asks: more.asks ?? (expected.kind === 'band' && expected.isWinding ? ['celsius', 'tips'] : ['tips']),
  });
/** A supply pin held against the battery. */
const supply = (state: string, within: number, more: More = {}): Measurement =>
  measure('voltage', state, one('Voltage at the supply pin', { kind: 'battery-less', within }), {
    asks: ['battery'],
    source: 'A sound wire loses next to nothing',
    ...more,
  });
/** A voltage lost between two points that should be one. */
const lost = (state: string, most: number, more: More = {}): Measurement =>
  measure('voltage', state, one('Voltage between the two points', atMost(most)), {
    asks: ['amperes'],
    source: 'A sound cable loses next to nothing',
    ...more,
  });
/** A reading that must be the pressure of the air. */
const airPressure = (within: number, more: More = {}): Measurement =>
  measure(
    'small-pressure',
    'Ignition on, engine off.',
    one('The reading', { kind: 'air-pressure', within }),
    {
      asks: ['metres'],
      source: 'Standard atmosphere, ISO 2533',
      ...more,
    },
  );
const PICK_UP = 'Two-wire sensors with a magnet and a coil';
const NTC = 'Usual thermistor, 2 to 3 kΩ at {20 °C}; makers differ';

/** What can be measured in a check, by the check’s id. */
export const MEASUREMENTS: Readonly<Record<string, Measurement>> = {
  'coil-ohms': measure(
    'resistance',
    OFF,
    { each: 'cylinders', expected: winding(0.4, 2) },
    {
      asks: ['celsius', 'tips'],
      alike: { within: 0.15, isShare: true, against: 'median' },
      outcomes: ['like', 'differs', 'differs'],
    },
  ),
  'coil-feed': supply('Connector off, ignition on.', 0.3, { outcomes: ['full', 'low', 'low'] }),
  'crank-sensor-ohms': ohms(winding(200, 2_000), { source: PICK_UP, outcomes: ['in', 'out', 'out'] }),
  'compression-test': measure(
    'pressure',
    'Warm, all spark plugs out, throttle held fully open, five turns for each cylinder.',
    { each: 'cylinders', expected: band(9, 16) },
    {
      asks: ['metres', 'ratio'],
      alike: { within: 0.15, isShare: true, against: 'highest' },
      outcomes: ['even', 'low', 'even'],
      source: 'Adiabatic compression with heat lost, exponent 1.2 to 1.3; up to 15 % between cylinders',
    },
  ),
  'maf-supply': supply('Connector off, ignition on; measure a 12-volt supply.', 0.3, {
    outcomes: ['right', 'wrong', 'wrong'],
  }),
  'map-key-on': airPressure(4, { outcomes: ['equal', 'off', 'off'] }),
  'iat-ohms': ohms(
    { kind: 'thermistor', from: 2_000, to: 3_000, beta: 3_500 },
    {
      asks: ['celsius'],
      source: NTC,
      outcomes: ['right', 'open', 'open'],
    },
  ),
  'injector-ohms': measure(
    'resistance',
    OFF,
    { each: 'cylinders', expected: winding(0.5, 18) },
    {
      asks: ['celsius', 'tips'],
      alike: { within: 0.1, isShare: true, against: 'median' },
      outcomes: ['like', 'differs', 'differs'],
      source: 'Port injectors 11 to 18 Ω, direct injectors 0.5 to 3 Ω, all alike',
    },
  ),
  'fuel-pressure': measure(
    'pressure',
    'Low-pressure side, engine running.',
    [
      { name: 'At idle', expected: MANUAL },
      { name: 'While revving', expected: MANUAL },
    ],
    {
      outcomes: ['holds', 'low', 'high'],
      source: 'Your manual',
    },
  ),
  'heater-ohms': ohms(winding(2, 20), { isHeater: true, outcomes: ['whole', 'open', 'open'] }),
  'ground-drop': lost('From battery negative to the engine block, while cranking.', 0.2, {
    outcomes: ['good', 'bad', 'bad'],
  }),
  'battery-rest': measure(
    'voltage',
    'At the battery’s terminals.',
    [
      { name: 'After some hours of rest', expected: { kind: 'rested' } },
      { name: 'Lowest while cranking', expected: atLeast(9.6) },
    ],
    { outcomes: ['good', 'weak', 'good'], source: 'Usual for lead-acid batteries' },
  ),
  'charging-volts': measure(
    'voltage',
    'Engine running, headlights and rear heater on, at the battery.',
    one('Voltage', { kind: 'charging' }),
    {
      asks: ['celsius'],
      outcomes: ['right', 'low', 'right'],
      source: 'Usual for lead-acid batteries, 3 mV a cell and kelvin',
    },
  ),
  'bus-ohms': measure(
    'resistance',
    'Battery’s negative cable off for ten minutes; pins 6 and 14.',
    one('Resistance', band(54, 66)),
    {
      outcomes: ['sixty', 'wrong', 'wrong'],
      source: 'Two resistors of 120 Ω side by side (ISO 11898-2)',
    },
  ),
  'tyre-pressures': measure(
    'pressure',
    'Cold: three hours parked.',
    ['Front left', 'Front right', 'Rear left', 'Rear right'].map((name) => ({ name, expected: MANUAL })),
    {
      alike: { within: 0.3, isShare: false, against: 'highest' },
      outcomes: ['alike', 'one', 'alike'],
      source: 'The placard in the door opening',
    },
  ),
  'twelve-volt-hybrid': measure(
    'voltage',
    '{Car} off for an hour, at the 12-volt battery or its post.',
    one('Voltage', { kind: 'rested' }),
    { outcomes: ['full', 'low', 'full'] },
  ),
  'egr-ohms': ohms(MANUAL),
  'dpf-zero': measure(
    'small-pressure',
    'Ignition on, engine off.',
    one('Pressure difference', about(0, 0.3)),
    { source: 'Nothing flows' },
  ),
  'reductant-heater-ohms': ohms(winding(0.8, 10), { isHeater: true }),
  'named-measure': ohms(MANUAL, { asks: ['celsius', 'tips'], source: 'Your manual' }),
  'named-supply-measure': supply('Connector off, ignition on; measure a 12-volt supply.', 0.3),
  'reference-volts': measure(
    'voltage',
    'Ignition on, supply pin of a sensor against ground.',
    one('Voltage', about(5, 0.1)),
    { source: 'Five volts, give or take a tenth' },
  ),
  'boost-valve-click': ohms(winding(10, 30)),
  'boost-key-on': airPressure(3),
  'glow-ohms': measure(
    'resistance',
    'Ignition off, lead off each glow plug.',
    { each: 'cylinders', expected: band(0.3, 2) },
    {
      asks: ['tips'],
      isHeater: true,
      alike: { within: 0.5, isShare: true, against: 'median' },
      outcomes: ['alike', 'open', 'open'],
    },
  ),
  'oil-pressure': measure(
    'pressure',
    'Gauge in place of the switch, engine warm.',
    [
      { name: 'At idle', expected: atLeast(0.8) },
      { name: 'At 3,000 rpm', expected: band(2.5, 6) },
    ],
    { outcomes: ['right', 'low', 'right'] },
  ),
  'rail-crank': measure(
    'pressure',
    'Warm, cranking for five seconds.',
    one('Highest rail pressure', atLeast(200)),
  ),
  'valve-coil-ohms': ohms(winding(1.5, 5)),
  'tank-pump-volts': supply('At the back of its connector, pump running.', 0.5),
  'supply-pressure': measure('pressure', 'Low-pressure line, engine running.', [
    { name: 'At idle', expected: band(3, 6) },
    { name: 'While revving', expected: band(3, 6) },
  ]),
  'fuel-heater-ohms': ohms(winding(0.5, 5), { isHeater: true }),
  'sender-ohms': ohms(MANUAL, { source: 'Your manual’s full and empty' }),
  'injector-feed-volts': supply('One injector unplugged, ignition on.', 0.5),
  'vent-valve-ohms': ohms(winding(15, 35)),
  'tank-zero': measure(
    'small-pressure',
    'Cap off, ignition on, engine off.',
    one('Tank pressure', about(0, 0.3)),
    { source: 'The tank is open to the air' },
  ),
  'crank-hertz': measure(
    'frequency',
    'While a helper cranks, meter set to frequency (Hz).',
    one('Frequency of its signal', { kind: 'cranking-teeth' }),
    {
      asks: ['teeth', 'rpm'],
      source: 'Teeth times turns a second',
    },
  ),
  'purge-duty': measure(
    'voltage',
    'Engine warm and idling, meter at the valve’s switched wire.',
    one('Mean voltage there', { kind: 'duty', from: 0.03, to: 0.97 }),
    {
      asks: ['battery'],
      source: 'A meter on direct voltage shows the mean of the pulses',
    },
  ),
  'purge-coil-ohms': ohms(winding(20, 40)),
  'oil-valve-ohms': ohms(winding(7, 12)),
  'pickup-ohms': ohms(winding(200, 2_000), { source: PICK_UP }),
  'module-ground': lost('Ignition on, from the module’s housing to battery negative.', 0.1),
  'leads-ohms': measure('resistance', 'Ignition off, lead out.', {
    each: 'cylinders',
    expected: band(3_000, 15_000),
  }),
  'cut-valve-ohms': measure(
    'resistance',
    OFF,
    { each: 'cylinders', expected: MANUAL },
    { alike: { within: 0.1, isShare: true, against: 'median' }, asks: ['tips'] },
  ),
  'pump-vacuum': measure('pressure', 'Warm and idling, after a few seconds.', one('Vacuum', atLeast(0.8))),
  'outside-ohms': ohms(
    { kind: 'thermistor', from: 2_000, to: 3_000, beta: 3_500 },
    { asks: ['celsius'], source: NTC },
  ),
  'air-against-weather': airPressure(4),
  'crankcase-key-on': airPressure(4),
  'exhaust-key-on': airPressure(4),
  'heater-supply': supply('Connector off, ignition on.', 0.5),
  'coolant-pump-plug': supply('Connector off, ignition on.', 0.5),
  'thermostat-heater-ohms': ohms(winding(10, 20), { isHeater: true }),
  'motorcycle-charge': measure(
    'voltage',
    'Warm, in neutral, outdoors, at 5,000 rpm.',
    one('Voltage', band(13.5, 15)),
  ),
  'stator-ac': measure(
    'resistance',
    'Connector before the regulator off, engine off.',
    ['First pair', 'Second pair', 'Third pair'].map((name) => ({ name, expected: band(0.1, 1.2) })),
    {
      asks: ['tips'],
      alike: { within: 0.3, isShare: true, against: 'median' },
    },
  ),
  'drain-measure': measure(
    'current',
    'In series with the negative cable, everything asleep.',
    one('Current', { kind: 'parked-drain' }),
    { asks: ['minutes'] },
  ),
  'alternator-cable-drop': lost(
    'Engine at 2,000 rpm, headlights on: from the alternator’s output stud to battery positive.',
    0.2,
  ),
  'overcharge-volts': measure(
    'voltage',
    'Engine warm at 2,500 rpm, nothing switched on, at the battery.',
    one('Voltage', { kind: 'charging' }),
    {
      asks: ['celsius'],
      outcomes: ['nothing', 'nothing', 'something'],
    },
  ),
  'main-relay-volts': supply('Ignition on, at a fuse that the relay feeds.', 0.3),
  'starter-volts': measure(
    'voltage',
    'At the starter’s large terminal, while cranking.',
    one('Lowest voltage', atLeast(9.6)),
  ),
  'bus-120': measure(
    'resistance',
    'Battery’s negative cable off for ten minutes; pins 6 and 14.',
    one('Resistance', band(54, 66)),
    { source: 'Two resistors of 120 Ω side by side (ISO 11898-2)' },
  ),
  'gear-speed-ohms': ohms(winding(200, 2_000), { source: PICK_UP }),
  'clutch-uphill': measure(
    'speed',
    'On the road, the same gear for both; {a passenger reads}.',
    [
      { name: 'Engine speed, light throttle (rpm)', expected: MANUAL },
      { name: 'Road speed, light throttle', expected: MANUAL },
      { name: 'Engine speed, full throttle (rpm)', expected: MANUAL },
      { name: 'Road speed, full throttle', expected: MANUAL },
    ],
    { isSlip: true, source: 'One gear has one ratio of engine and road speed' },
  ),
  'tread-compare': measure(
    'length',
    'In the middle of each tread.',
    ['Front left', 'Front right', 'Rear left', 'Rear right'].map((name) => ({ name, expected: MANUAL })),
    {
      alike: { within: 3, isShare: false, against: 'highest' },
    },
  ),
  'wheel-sensor-ohms': measure(
    'resistance',
    OFF,
    ['This wheel', 'Its twin on the other side'].map((name) => ({ name, expected: winding(800, 2_000) })),
    {
      asks: ['celsius'],
      source: PICK_UP,
      alike: { within: 0.2, isShare: true, against: 'median' },
    },
  ),
  'stability-ground': lost('Ignition on, from the unit’s ground bolt to battery negative.', 0.1),
  'block-voltages': measure('voltage', 'From the readings, under load and while charging.', [
    { name: 'Highest less lowest block', expected: atMost(0.3) },
  ]),
  'ready-volts': measure(
    'voltage',
    'In READY, at the 12-volt battery or its post.',
    one('Voltage', band(13, 15.2)),
  ),
};
