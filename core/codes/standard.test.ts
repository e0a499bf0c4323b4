import { codeEntry, explainCode } from './index.ts';

/**
 * What SAE J2012 / ISO 15031-6 say of these numbers, told as part, place and way of failing; read against the
 * standard's own list, in our words.
 */
const STANDARD: readonly [code: string, title: string, place: Record<string, unknown>][] = [
  // P00, P01: fuel volume, camshafts, air, mixture
  ['P0001', 'Fuel pressure regulator volume: circuit open', {}],
  ['P0010', 'Camshaft adjuster bank 1 intake: circuit fault', { bank: 1 }],
  ['P0011', 'Camshaft adjuster bank 1 intake: too early', { bank: 1 }],
  ['P0014', 'Camshaft adjuster bank 1 exhaust: too early', { bank: 1 }],
  ['P0016', 'Camshaft timing bank 1 intake: out of step', { bank: 1 }],
  ['P0021', 'Camshaft adjuster bank 2 intake: too early', { bank: 2 }],
  ['P0030', 'Oxygen sensor heater bank 1 sensor 1 control: circuit fault', { bank: 1, sensor: 1 }],
  ['P0031', 'Oxygen sensor heater bank 1 sensor 1 control: circuit low', { bank: 1, sensor: 1 }],
  ['P0045', 'Boost control: circuit open', {}],
  ['P0087', 'Fuel pressure: too low', {}],
  ['P0088', 'Fuel pressure: too high', {}],
  ['P0100', 'Air flow sensor A: circuit fault', {}],
  ['P0101', 'Air flow sensor A: implausible', {}],
  ['P0107', 'Manifold pressure sensor: signal too low', {}],
  ['P0118', 'Coolant temperature sensor 1: signal too high', { sensor: 1 }],
  ['P0125', 'Engine does not get warm enough for closed loop', {}],
  ['P0128', 'Thermostat: coolant stays below its temperature', {}],
  ['P0131', 'Oxygen sensor bank 1 sensor 1: signal too low', { bank: 1, sensor: 1 }],
  ['P0134', 'Oxygen sensor bank 1 sensor 1: does not react', { bank: 1, sensor: 1 }],
  ['P0141', 'Oxygen sensor heater bank 1 sensor 2: circuit fault', { bank: 1, sensor: 2 }],
  ['P0172', 'Mixture bank 1: too rich', { bank: 1 }],
  ['P0174', 'Mixture bank 2: too lean', { bank: 2 }],
  ['P0190', 'Fuel rail pressure sensor A: circuit fault', {}],
  // P02, P03: injectors, boost, ignition
  ['P0208', 'Injector cylinder 8: circuit fault', { cylinder: 8 }],
  ['P0217', 'Engine temperature coolant: over its limit', {}],
  ['P0222', 'Throttle or pedal sensor B: signal too low', {}],
  ['P0234', 'Boost pressure: too high', {}],
  ['P0261', 'Injector cylinder 1: circuit low', { cylinder: 1 }],
  ['P0262', 'Injector cylinder 1: circuit high', { cylinder: 1 }],
  ['P0299', 'Boost pressure: too low', {}],
  ['P0327', 'Knock sensor 1: signal too low', { sensor: 1 }],
  ['P0335', 'Crankshaft sensor A: circuit fault', {}],
  ['P0341', 'Camshaft sensor bank 1 A: implausible', { bank: 1 }],
  ['P0351', 'Ignition coil cylinder 1: circuit fault', { cylinder: 1 }],
  ['P0380', 'Glow plugs A: circuit fault', {}],
  // P04: emission control
  ['P0401', 'Exhaust recirculation flow: flow too low', {}],
  ['P0402', 'Exhaust recirculation flow: flow too high', {}],
  ['P042E', 'Exhaust recirculation valve A: stuck open', {}],
  ['P0411', 'Secondary air: flow wrong', {}],
  ['P0430', 'Catalyst bank 2: efficiency too low', { bank: 2 }],
  ['P0441', 'Fuel vapour system: flow wrong', {}],
  ['P0446', 'Vapour vent valve: circuit fault', {}],
  ['P0455', 'Fuel vapour system: large leak', {}],
  ['P0456', 'Fuel vapour system: very small leak', {}],
  ['P0457', 'Fuel vapour system: leak, cap loose or off', {}],
  // P05, P06: speed, idle, inputs, computer
  ['P0500', 'Vehicle speed sensor A: circuit fault', {}],
  ['P0506', 'Idle speed: too low', {}],
  ['P0507', 'Idle speed: too high', {}],
  ['P0513', 'Immobiliser: key not known', {}],
  ['P0562', 'Supply voltage: too low', {}],
  ['P0571', 'Brake switch A: circuit fault', {}],
  ['P0603', 'Engine control unit keep-alive: memory fault', {}],
  ['P0606', 'Engine control unit: processor fault', {}],
  ['P0615', 'Starter relay: circuit fault', {}],
  // P07, P08: gearbox
  ['P0700', 'Transmission: asks for the lamp', {}],
  ['P0717', 'Transmission input speed sensor A: does not react', {}],
  ['P0730', 'Gear: ratio wrong', {}],
  ['P0740', 'Torque converter clutch: circuit fault', {}],
  ['P0753', 'Shift valve A: electrical fault', {}],
  // P2
  ['P2004', 'Intake runner flaps bank 1: stuck open', { bank: 1 }],
  ['P2096', 'Mixture bank 1 behind the catalyst: too lean', { bank: 1 }],
  ['P2111', 'Throttle actuator: stuck open', {}],
  ['P2112', 'Throttle actuator: stuck shut', {}],
  ['P2138', 'Throttle or pedal sensor D and E: out of step', {}],
  ['P2187', 'Mixture bank 1 at idle: too lean', { bank: 1 }],
  ['P2195', 'Oxygen sensor bank 1 sensor 1: stays lean', { bank: 1, sensor: 1 }],
  ['P2422', 'Vapour vent valve: stuck shut', {}],
  ['P242F', 'Particulate filter ash: full', {}],
  ['P2463', 'Particulate filter soot: full', {}],
  ['P20EE', 'NOx catalyst bank 1: efficiency too low', { bank: 1 }],
  // U, C, B
  ['U0100', 'Engine control unit A: not heard', {}],
  ['U0121', 'Brake (ABS) control unit: not heard', {}],
  ['U0140', 'Body control unit: not heard', {}],
  ['U0155', 'Instrument cluster: not heard', {}],
  ['U0401', 'Engine control unit: sends nonsense', {}],
  ['C0031', 'Wheel speed sensor front left: circuit fault', {}],
  ['C0034', 'Wheel speed sensor front right: circuit fault', {}],
  ['B0001', 'Airbag driver front, stage 1: circuit fault', {}],
];

test.each(STANDARD)('%s: %s', (code, title, place) => {
  const e = explainCode(code);
  expect(e).toMatchObject({ title, valid: true, scope: 'standard' });
  expect(codeEntry(code)?.place).toMatchObject(place);
});

test('mirrored banks fail in the same ways, number for number', () => {
  // First number of bank 1 and of bank 2, and how many follow.
  const pairs: [string, string, number][] = [
    ['P0130', 'P0150', 6],
    ['P0136', 'P0156', 6],
    ['P0171', 'P0174', 2],
    ['P0030', 'P0050', 3],
    ['P0420', 'P0430', 1],
    ['P0010', 'P0020', 3],
    ['P0340', 'P0345', 5],
  ];
  // The standard counts these on in decimal.
  const at = (base: string, n: number) => `P${String(Number(base.slice(1)) + n).padStart(4, '0')}`;
  for (const [one, two, count] of pairs) {
    for (let n = 0; n < count; n++) {
      const [a, b] = [codeEntry(at(one, n)), codeEntry(at(two, n))];
      expect({ code: at(one, n), component: a?.component, failure: a?.failure, bank: a?.place.bank }).toEqual(
        {
          code: at(one, n),
          component: b?.component,
          failure: b?.failure,
          bank: 1,
        },
      );
      expect(b?.place.bank).toBe(2);
    }
  }
});
