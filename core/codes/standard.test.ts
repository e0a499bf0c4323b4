import { DEFAULT_OWNER } from '@pincer/core/case';
import { tell } from '@pincer/core/words';
import { codeEntry, explainCode } from './index.ts';

/**
 * What SAE J2012 / ISO 15031-6 say of these numbers, told as part, place and way of failing; read against the
 * standard's own list, in our words.
 */
const STANDARD: readonly [code: string, title: string, place: Record<string, unknown>][] = [
  // P00, P01: fuel volume, camshafts, air, mixture
  ['P0001', 'Fuel volume regulator: circuit fault or open', {}],
  ['P0010', 'Camshaft actuator A (intake), bank 1: circuit fault', { bank: 1 }],
  ['P0011', 'Camshaft A (intake) timing, bank 1: over-advanced', { bank: 1 }],
  ['P0014', 'Camshaft B (exhaust) timing, bank 1: over-advanced', { bank: 1 }],
  ['P0016', 'Crankshaft/camshaft correlation, bank 1 sensor A', { bank: 1 }],
  ['P0021', 'Camshaft A (intake) timing, bank 2: over-advanced', { bank: 2 }],
  ['P0030', 'O2 sensor heater control, bank 1 sensor 1: circuit fault', { bank: 1, sensor: 1 }],
  ['P0031', 'O2 sensor heater control, bank 1 sensor 1: circuit low', { bank: 1, sensor: 1 }],
  ['P0045', 'Boost control: circuit fault or open', {}],
  ['P0087', 'Fuel rail/system pressure: too low', {}],
  ['P0088', 'Fuel rail/system pressure: too high', {}],
  ['P0100', 'Mass air flow sensor A: circuit fault', {}],
  ['P0101', 'Mass air flow sensor A: range/performance', {}],
  ['P0107', 'Manifold pressure (MAP) sensor: signal too low', {}],
  ['P0118', 'Engine coolant temperature sensor 1: signal too high', { sensor: 1 }],
  ['P0125', 'Coolant temperature too low for closed-loop fuel control', {}],
  ['P0128', 'Thermostat: engine does not reach working temperature', {}],
  ['P0131', 'Oxygen sensor, bank 1 sensor 1: signal too low', { bank: 1, sensor: 1 }],
  ['P0134', 'Oxygen sensor, bank 1 sensor 1: no activity', { bank: 1, sensor: 1 }],
  ['P0141', 'Oxygen sensor heater, bank 1 sensor 2: circuit fault', { bank: 1, sensor: 2 }],
  ['P0172', 'Fuel mixture too rich, bank 1', { bank: 1 }],
  ['P0174', 'Fuel mixture too lean, bank 2', { bank: 2 }],
  ['P0190', 'Fuel rail pressure sensor A: circuit fault', {}],
  // P02, P03: injectors, boost, ignition
  ['P0208', 'Injector, cylinder 8: circuit fault', { cylinder: 8 }],
  ['P0217', 'Engine coolant: over-temperature (overheating)', {}],
  ['P0222', 'Throttle/pedal position sensor B: signal too low', {}],
  ['P0234', 'Boost pressure too high (overboost)', {}],
  ['P0261', 'Injector, cylinder 1: circuit low', { cylinder: 1 }],
  ['P0262', 'Injector, cylinder 1: circuit high', { cylinder: 1 }],
  ['P0299', 'Boost pressure too low (underboost)', {}],
  ['P0327', 'Knock sensor 1: signal too low', { sensor: 1 }],
  ['P0335', 'Crankshaft position sensor A: circuit fault', {}],
  ['P0341', 'Camshaft position sensor A, bank 1: range/performance', { bank: 1 }],
  ['P0351', 'Ignition coil A primary/secondary: circuit fault', { cylinder: 1 }],
  ['P0380', 'Glow plug/heater A: circuit fault', {}],
  // P04: emission control
  ['P0401', 'EGR flow: flow too low', {}],
  ['P0402', 'EGR flow: flow too high', {}],
  ['P042E', 'EGR valve A: stuck open', {}],
  ['P0411', 'Secondary air injection: incorrect flow', {}],
  ['P0430', 'Catalyst, bank 2: efficiency below threshold', { bank: 2 }],
  ['P0441', 'EVAP system: incorrect purge flow', {}],
  ['P0446', 'EVAP vent control: circuit fault', {}],
  ['P0455', 'EVAP system: large leak', {}],
  ['P0456', 'EVAP system: very small leak', {}],
  ['P0457', 'EVAP system: leak (fuel cap loose or off)', {}],
  // P05, P06: speed, idle, inputs, computer
  ['P0500', 'Vehicle speed sensor A: circuit fault', {}],
  ['P0506', 'Idle speed: lower than expected', {}],
  ['P0507', 'Idle speed: higher than expected', {}],
  ['P0513', 'Immobiliser: incorrect key', {}],
  ['P0562', 'System voltage: too low', {}],
  ['P0571', 'Brake switch A: circuit fault', {}],
  ['P0603', 'Engine control unit: keep-alive memory (KAM) error', {}],
  ['P0606', 'Engine control unit: processor fault', {}],
  ['P0615', 'Starter relay: circuit fault', {}],
  // P07, P08: gearbox
  ['P0700', 'Transmission fault: engine light requested', {}],
  ['P0717', 'Input/turbine speed sensor A: no signal', {}],
  ['P0730', 'Incorrect gear ratio', {}],
  ['P0740', 'Torque converter clutch (TCC): circuit fault', {}],
  ['P0753', 'Shift solenoid A: electrical fault', {}],
  // P2
  ['P2004', 'Intake runner control, bank 1: stuck open', { bank: 1 }],
  ['P2096', 'Post-catalyst fuel trim too lean, bank 1', { bank: 1 }],
  ['P2111', 'Throttle actuator: stuck open', {}],
  ['P2112', 'Throttle actuator: stuck closed', {}],
  ['P2138', 'Throttle/pedal position sensors D and E: do not agree', {}],
  ['P2187', 'Fuel mixture too lean at idle, bank 1', { bank: 1 }],
  ['P2195', 'Oxygen sensor, bank 1 sensor 1: stuck lean', { bank: 1, sensor: 1 }],
  ['P2422', 'EVAP vent valve: stuck closed', {}],
  ['P242F', 'Particulate filter: blocked with ash', {}],
  ['P2463', 'Particulate filter: blocked with soot', {}],
  ['P20EE', 'NOx catalyst (SCR), bank 1: efficiency below threshold', { bank: 1 }],
  // U, C, B
  ['U0100', 'Lost communication with engine control unit A', {}],
  ['U0121', 'Lost communication with brake control unit (ABS)', {}],
  ['U0140', 'Lost communication with body control unit', {}],
  ['U0155', 'Lost communication with instrument cluster', {}],
  ['U0401', 'Invalid data received from engine control unit', {}],
  ['C0031', 'Wheel speed sensor, front left: circuit fault', {}],
  ['C0034', 'Wheel speed sensor, front right: circuit fault', {}],
  ['B0001', 'Airbag, driver front stage 1: circuit fault', {}],
];

test.each(STANDARD)('%s: %s', (code, title, place) => {
  const e = explainCode(code);
  expect({ ...e, title: tell(e.title, DEFAULT_OWNER) }).toMatchObject({
    title,
    valid: true,
    scope: 'standard',
  });
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
