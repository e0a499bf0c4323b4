import {
  NO_YES, OFF_ON, PERCENT, TRIM, bitOf, field, several, single, supported, type Parameter,
} from './parameter-shape.ts';

const EXHAUST_PLACES = ['sensor 1', 'sensor 2', 'sensor 3', 'sensor 4'] as const;

/** How a control loop runs, two bits. */
const CONTROL: Readonly<Record<number, string>> = {
  0: 'not reported', 1: 'open loop', 2: 'closed loop', 3: 'fault, not to be trusted',
};

const RUNNING: Readonly<Record<number, string>> = { 0: 'not running', 1: 'running' };

const LAMP_MODE: Readonly<Record<number, string>> = {
  0: 'not reported', 1: 'off', 2: 'on demand', 3: 'short', 4: 'steady',
};

const INDUCEMENT: Readonly<Record<number, string>> = { 0: 'off', 1: 'ready', 2: 'active', 3: 'not fitted' };

const REAGENT: Readonly<Record<number, string>> = {
  0: 'too strong', 1: 'too weak', 2: 'diesel fuel', 3: 'right', 4: 'sensor faulty', 13: 'cannot be told', 14: 'error',
  15: 'not available',
};

/** Where an engine runs within the area in which its emissions are controlled. */
const controlArea = (pid: number, name: string): Parameter =>
  several(pid, name, 1, [
    bitOf('inside', 0, 0, NO_YES),
    bitOf('outside', 0, 1, NO_YES),
    bitOf('in an area that is excepted', 0, 2, NO_YES),
    bitOf('in an area of a known shortfall', 0, 3, NO_YES),
  ]);

/** Running times of five auxiliary emission strategies, two counters each. @param first number of the first one. */
const strategyTimes = (pid: number, first: number): Parameter =>
  several(
    pid, `Running time of emission strategies ${first} to ${first + 4}`, 41,
    [0, 1, 2, 3, 4].flatMap((i) =>
      [1, 2].map((timer) =>
        field(`strategy ${first + i}, timer ${timer}`, 1 + i * 8 + (timer - 1) * 4, 4, 1, 0, 's', { supportBit: i }),
      ),
    ),
  );

/** @param first number of the first sensor of each bank. */
const nox = (pid: number, name: string, first: number): Parameter =>
  supported(
    pid, name, 9,
    [1, 2].flatMap((bank) => [first, first + 1].map((sensor) => `bank ${bank} sensor ${sensor}`)),
    2, 1, 0, 'ppm', { notAvailable: 0xffff },
  );

/** Oxygen share and lambda of wide-range sensors of two banks. @param bank the first of them. */
function wideRange(pid: number, bank: number): Parameter {
  const places = [bank, bank + 1].flatMap((b) => [1, 2].map((sensor) => `bank ${b} sensor ${sensor}`));
  return several(pid, `Oxygen sensors, wide range, bank ${bank} and ${bank + 1}`, 17, [
    ...places.map((p, i) => field(`${p} oxygen`, 1 + i * 2, 2, 100 / 65535, 0, '%', { supportBit: i })),
    ...places.map((p, i) => field(`${p} lambda`, 9 + i * 2, 2, 8 / 65535, 0, 'λ', { supportBit: 4 + i })),
  ]);
}

/** Service 01 parameters from 61 on (SAE J1979 / ISO 15031-5, appendix B, and its digital annex). */
export const PARAMETERS_FROM_61: readonly Parameter[] = [
  single(0x61, 'Driver’s demanded torque', 1, 1, -125, '%'),
  single(0x62, 'Torque delivered', 1, 1, -125, '%'),
  single(0x63, 'Reference torque', 2, 1, 0, 'N·m'),
  several(
    0x64,
    'Torque curve',
    5,
    ['idle', 'point 1', 'point 2', 'point 3', 'point 4'].map((p, i) => field(p, i, 1, 1, -125, '%')),
  ),
  several(0x65, 'Auxiliary inputs and outputs', 2, [
    field('power take-off', 1, 1, 1, 0, '', { names: OFF_ON, mask: 0x01, supportBit: 0 }),
    field('automatic transmission in neutral', 1, 1, 1, 0, '', {
      names: { 0: 'in gear', 1: 'in park or neutral' }, mask: 0x02, shift: 1, supportBit: 1,
    }),
    field('manual transmission in neutral', 1, 1, 1, 0, '', {
      names: { 0: 'in gear', 1: 'in neutral or clutch pressed' }, mask: 0x04, shift: 2, supportBit: 2,
    }),
    field('glow plug light', 1, 1, 1, 0, '', { names: OFF_ON, mask: 0x08, shift: 3, supportBit: 3 }),
  ]),
  supported(0x66, 'Air flow', 5, ['sensor A', 'sensor B'], 2, 1 / 32, 0, 'g/s'),
  supported(0x67, 'Coolant temperature', 3, ['sensor 1', 'sensor 2'], 1, 1, -40, '°C'),
  supported(
    0x68, 'Intake air temperature', 7,
    ['bank 1 sensor 1', 'bank 1 sensor 2', 'bank 1 sensor 3', 'bank 2 sensor 1', 'bank 2 sensor 2', 'bank 2 sensor 3'],
    1, 1, -40, '°C',
  ),
  several(0x69, 'EGR', 7, [
    field('commanded A', 1, 1, PERCENT, 0, '%', { supportBit: 0 }),
    field('actual A', 2, 1, PERCENT, 0, '%', { supportBit: 1 }),
    field('error A', 3, 1, TRIM, -100, '%', { supportBit: 2 }),
    field('commanded B', 4, 1, PERCENT, 0, '%', { supportBit: 3 }),
    field('actual B', 5, 1, PERCENT, 0, '%', { supportBit: 4 }),
    field('error B', 6, 1, TRIM, -100, '%', { supportBit: 5 }),
  ]),
  supported(0x6a, 'Diesel intake air flap', 5, ['commanded A', 'position A', 'commanded B', 'position B'], 1, PERCENT, 0, '%'),
  supported(
    0x6b, 'EGR temperature', 5,
    ['bank 1 sensor 1', 'bank 1 sensor 2', 'bank 2 sensor 1', 'bank 2 sensor 2'], 1, 1, -40, '°C',
  ),
  supported(0x6c, 'Throttle actuator', 5, ['commanded A', 'position A', 'commanded B', 'position B'], 1, PERCENT, 0, '%'),
  several(0x6d, 'Fuel pressure control', 11, [
    field('commanded pressure A', 1, 2, 10, 0, 'kPa', { supportBit: 0 }),
    field('pressure A', 3, 2, 10, 0, 'kPa', { supportBit: 1 }),
    field('temperature A', 5, 1, 1, -40, '°C', { supportBit: 2 }),
    field('commanded pressure B', 6, 2, 10, 0, 'kPa', { supportBit: 3 }),
    field('pressure B', 8, 2, 10, 0, 'kPa', { supportBit: 4 }),
    field('temperature B', 10, 1, 1, -40, '°C', { supportBit: 5 }),
  ]),
  supported(
    0x6e, 'Injection pressure control', 9,
    ['commanded pressure A', 'pressure A', 'commanded pressure B', 'pressure B'], 2, 10, 0, 'kPa',
  ),
  supported(0x6f, 'Compressor inlet pressure', 3, ['sensor A', 'sensor B'], 1, 1, 0, 'kPa'),
  several(0x70, 'Boost pressure', 10, [
    field('commanded A', 1, 2, 0.03125, 0, 'kPa', { supportBit: 0 }),
    field('sensor A', 3, 2, 0.03125, 0, 'kPa', { supportBit: 1 }),
    field('commanded B', 5, 2, 0.03125, 0, 'kPa', { supportBit: 3 }),
    field('sensor B', 7, 2, 0.03125, 0, 'kPa', { supportBit: 4 }),
    field('control A', 9, 1, 1, 0, '', { names: CONTROL, mask: 0x03, supportBit: 2 }),
    field('control B', 9, 1, 1, 0, '', { names: CONTROL, mask: 0x0c, shift: 2, supportBit: 5 }),
  ]),
  several(0x71, 'Variable turbine geometry', 6, [
    field('commanded A', 1, 1, PERCENT, 0, '%', { supportBit: 0 }),
    field('position A', 2, 1, PERCENT, 0, '%', { supportBit: 1 }),
    field('commanded B', 3, 1, PERCENT, 0, '%', { supportBit: 3 }),
    field('position B', 4, 1, PERCENT, 0, '%', { supportBit: 4 }),
    field('control A', 5, 1, 1, 0, '', { names: CONTROL, mask: 0x03, supportBit: 2 }),
    field('control B', 5, 1, 1, 0, '', { names: CONTROL, mask: 0x0c, shift: 2, supportBit: 5 }),
  ]),
  supported(0x72, 'Wastegate', 5, ['commanded A', 'position A', 'commanded B', 'position B'], 1, PERCENT, 0, '%'),
  supported(0x73, 'Exhaust pressure', 5, ['bank 1', 'bank 2'], 2, 0.01, 0, 'kPa'),
  supported(0x74, 'Turbocharger speed', 5, ['turbocharger A', 'turbocharger B'], 2, 10, 0, 'rpm'),
  ...([0x75, 0x76] as const).map((pid, i) =>
    several(pid, `Turbocharger ${i === 0 ? 'A' : 'B'} temperature`, 7, [
      field('compressor inlet', 1, 1, 1, -40, '°C', { supportBit: 0 }),
      field('compressor outlet', 2, 1, 1, -40, '°C', { supportBit: 1 }),
      field('turbine inlet', 3, 2, 0.1, -40, '°C', { supportBit: 2 }),
      field('turbine outlet', 5, 2, 0.1, -40, '°C', { supportBit: 3 }),
    ]),
  ),
  supported(
    0x77, 'Charge air cooler temperature', 5,
    ['bank 1 sensor 1', 'bank 1 sensor 2', 'bank 2 sensor 1', 'bank 2 sensor 2'], 1, 1, -40, '°C',
  ),
  supported(0x78, 'Exhaust gas temperature, bank 1', 9, EXHAUST_PLACES, 2, 0.1, -40, '°C'),
  supported(0x79, 'Exhaust gas temperature, bank 2', 9, EXHAUST_PLACES, 2, 0.1, -40, '°C'),
  ...([0x7a, 0x7b] as const).map((pid, i) =>
    several(pid, `Particulate filter, bank ${i + 1}`, 7, [
      field('pressure difference', 1, 2, 0.01, 0, 'kPa', { supportBit: 0, isSigned: true }),
      field('inlet pressure', 3, 2, 0.01, 0, 'kPa', { supportBit: 1 }),
      field('outlet pressure', 5, 2, 0.01, 0, 'kPa', { supportBit: 2 }),
    ]),
  ),
  supported(
    0x7c, 'Particulate filter temperature', 9,
    ['bank 1 inlet', 'bank 1 outlet', 'bank 2 inlet', 'bank 2 outlet'], 2, 0.1, -40, '°C',
  ),
  controlArea(0x7d, 'NOx control area'),
  controlArea(0x7e, 'Particulate control area'),
  several(0x7f, 'Engine running time', 13, [
    field('total', 1, 4, 1, 0, 's', { supportBit: 0 }),
    field('idling', 5, 4, 1, 0, 's', { supportBit: 1 }),
    field('power take-off', 9, 4, 1, 0, 's', { supportBit: 2 }),
  ]),
  strategyTimes(0x81, 1),
  strategyTimes(0x82, 6),
  nox(0x83, 'NOx', 1),
  single(0x84, 'Manifold surface temperature', 1, 1, -40, '°C'),
  several(0x85, 'Reductant (NOx reagent)', 10, [
    field('average use', 1, 2, 0.005, 0, 'L/h', { supportBit: 0 }),
    field('use asked for', 3, 2, 0.005, 0, 'L/h', { supportBit: 1 }),
    field('tank level', 5, 1, PERCENT, 0, '%', { supportBit: 2 }),
    field('time with the warning on', 6, 4, 1, 0, 's', { supportBit: 3 }),
  ]),
  supported(0x86, 'Particulate matter', 5, ['bank 1', 'bank 2'], 2, 0.0125, 0, 'mg/m³'),
  supported(0x87, 'Intake manifold pressure', 5, ['sensor A', 'sensor B'], 2, 0.03125, 0, 'kPa'),
  several(0x88, 'Reagent inducement', 13, [
    bitOf('reagent level too low', 1, 0, NO_YES),
    bitOf('wrong reagent', 1, 1, NO_YES),
    bitOf('reagent use off', 1, 2, NO_YES),
    bitOf('NOx too high', 1, 3, NO_YES),
    bitOf('inducement', 1, 7, { 0: 'not active', 1: 'active' }),
    field('distance with it in this block of 10,000 km', 3, 2, 1, 0, 'km'),
    field('distance in this block of 10,000 km', 5, 2, 1, 0, 'km'),
    field('distance with it, one block before', 7, 2, 1, 0, 'km'),
    field('distance with it, two blocks before', 9, 2, 1, 0, 'km'),
    field('distance with it, three blocks before', 11, 2, 1, 0, 'km'),
  ]),
  strategyTimes(0x89, 11),
  strategyTimes(0x8a, 16),
  several(0x8b, 'Diesel aftertreatment', 7, [
    bitOf('filter regeneration', 1, 0, RUNNING, 0),
    bitOf('kind of regeneration', 1, 1, { 0: 'passive', 1: 'active' }, 1),
    bitOf('NOx trap (adsorber) regeneration', 1, 2, RUNNING, 2),
    bitOf('NOx store desulphation', 1, 3, RUNNING, 3),
    field('soot towards the next regeneration', 2, 1, PERCENT, 0, '%', { supportBit: 4 }),
    field('mean time between regenerations', 3, 2, 1, 0, 'min', { supportBit: 5 }),
    field('mean distance between regenerations', 5, 2, 1, 0, 'km', { supportBit: 6 }),
  ]),
  wideRange(0x8c, 1),
  single(0x8d, 'Throttle position G', 1, PERCENT, 0, '%'),
  single(0x8e, 'Engine friction torque', 1, 1, -125, '%'),
  several(0x8f, 'Particulate sensor', 7, [
    bitOf('bank 1', 1, 0, { 0: 'not active', 1: 'active' }, 0),
    bitOf('bank 1 regeneration', 1, 1, RUNNING, 0),
    field('bank 1 signal', 2, 2, 0.01, 0, '%', { isSigned: true, supportBit: 1 }),
    bitOf('bank 2', 4, 0, { 0: 'not active', 1: 'active' }, 2),
    bitOf('bank 2 regeneration', 4, 1, RUNNING, 2),
    field('bank 2 signal', 5, 2, 0.01, 0, '%', { isSigned: true, supportBit: 3 }),
  ]),
  several(0x90, 'Harmonised OBD, vehicle', 3, [
    field('way of telling', 0, 1, 1, 0, '', {
      names: { 0: 'not reported', 1: 'by kind of fault', 2: 'all faults alike' }, mask: 0x03,
    }),
    field('light', 0, 1, 1, 0, '', { names: LAMP_MODE, mask: 0x3c, shift: 2 }),
    bitOf('self-checks', 0, 6, { 0: 'all run', 1: 'not all run' }),
    field('light steady for', 1, 2, 1, 0, 'h'),
  ]),
  several(0x91, 'Harmonised OBD, control unit', 5, [
    field('light', 0, 1, 1, 0, '', { names: LAMP_MODE, mask: 0x0f }),
    field('light steady for', 1, 2, 1, 0, 'h'),
    field('gravest fault of the second class for', 3, 2, 1, 0, 'h'),
  ]),
  several(
    0x92, 'Fuel system control', 2,
    ['1', '2'].flatMap((system, i) =>
      ['fuel pressure', 'injected quantity', 'injection timing', 'idle balance'].map((what, bit) =>
        bitOf(`${what} ${system}`, 1, i * 4 + bit, { 0: 'open loop', 1: 'closed loop' }, i * 4 + bit),
      ),
    ),
  ),
  several(0x93, 'Harmonised OBD, light steady in all', 3, [field(undefined, 1, 2, 1, 0, 'h', { supportBit: 0 })]),
  several(0x94, 'NOx warning', 12, [
    bitOf('warning', 1, 0, { 0: 'not active', 1: 'active' }, 0),
    ...[1, 2, 3].map((level) =>
      field(`inducement level ${level}`, 1, 1, 1, 0, '', {
        names: INDUCEMENT, mask: 0x03 << (level * 2 - 1), shift: level * 2 - 1, supportBit: 0,
      }),
    ),
    ...['reagent quality', 'reagent use', 'dosing', 'EGR valve', 'NOx monitoring'].map((what, i) =>
      field(`${what} wrong for`, 2 + i * 2, 2, 1, 0, 'h', { supportBit: 1 + i }),
    ),
  ]),
  supported(0x98, 'Exhaust gas temperature, bank 1', 9, ['sensor 5', 'sensor 6', 'sensor 7', 'sensor 8'], 2, 0.1, -40, '°C'),
  supported(0x99, 'Exhaust gas temperature, bank 2', 9, ['sensor 5', 'sensor 6', 'sensor 7', 'sensor 8'], 2, 0.1, -40, '°C'),
  several(0x9a, 'Hybrid or electric drive', 6, [
    bitOf('battery', 1, 0, { 0: 'charge is kept', 1: 'charge is used up' }, 0),
    field('battery voltage', 2, 2, 1 / 64, 0, 'V', { supportBit: 1 }),
    field('battery current', 4, 2, 0.1, 0, 'A', { isSigned: true, supportBit: 2 }),
  ]),
  several(0x9b, 'Reagent sensor', 4, [
    field('reagent', 0, 1, 1, 0, '', { names: REAGENT, mask: 0xf0, shift: 4, supportBit: 0 }),
    field('concentration', 1, 1, 0.25, 0, '%', { supportBit: 1 }),
    field('tank temperature', 2, 1, 1, -40, '°C', { supportBit: 2 }),
    field('tank level', 3, 1, PERCENT, 0, '%', { supportBit: 3 }),
  ]),
  wideRange(0x9c, 3),
  several(0x9d, 'Fuel use', 4, [
    field('engine', 0, 2, 0.02, 0, 'g/s'),
    field('vehicle', 2, 2, 0.02, 0, 'g/s'),
  ]),
  single(0x9e, 'Exhaust flow', 2, 0.2, 0, 'kg/h'),
  supported(
    0x9f, 'Fuel system use', 9, [1, 2, 3, 4].flatMap((bank) => [`system A bank ${bank}`, `system B bank ${bank}`]),
    1, PERCENT, 0, '%',
  ),
  nox(0xa1, 'NOx, corrected', 1),
  single(0xa2, 'Fuel for each stroke', 2, 0.03125, 0, 'mg/stroke'),
  several(0xa3, 'Evaporative system pressure', 9, [
    field('sensor A', 1, 2, 0.25, 0, 'Pa', { isSigned: true, supportBit: 0 }),
    field('sensor A, wide range', 3, 2, 2, 0, 'Pa', { isSigned: true, supportBit: 1 }),
    field('sensor B', 5, 2, 0.25, 0, 'Pa', { isSigned: true, supportBit: 2 }),
    field('sensor B, wide range', 7, 2, 2, 0, 'Pa', { isSigned: true, supportBit: 3 }),
  ]),
  several(0xa4, 'Transmission', 4, [
    field('gear', 1, 1, 1, 0, '', { supportBit: 0, mask: 0xf0, shift: 4 }),
    field('ratio', 2, 2, 0.001, 0, '', { supportBit: 1 }),
  ]),
  several(0xa5, 'Reagent dosing', 4, [
    field('commanded', 1, 1, 0.5, 0, '%', { supportBit: 0 }),
    field('used this trip', 2, 2, 0.0005, 0, 'L', { supportBit: 1 }),
  ]),
  single(0xa6, 'Distance recorder', 4, 0.1, 0, 'km'),
  nox(0xa7, 'NOx', 3),
  nox(0xa8, 'NOx, corrected', 3),
  several(0xa9, 'Motorcycle switches', 4, [bitOf('antilock brakes switched off', 1, 0, NO_YES, 0)]),
  several(0xc3, 'Fuel level', 2, [
    field('tank A', 0, 1, PERCENT, 0, '%'),
    field('tank B', 1, 1, PERCENT, 0, '%'),
  ]),
  several(0xc4, 'Particulate control diagnosis', 8, [
    field('time', 0, 4, 1, 0, 's'),
    field('count', 4, 4, 1, 0, ''),
  ]),
  several(0xc5, 'Fuel pressure', 4, [
    field('sensor A', 0, 2, 0.079, 0, 'kPa'),
    field('sensor B', 2, 2, 0.079, 0, 'kPa'),
  ]),
  several(0xc6, 'Particulate control', 7, [
    field('inducement', 0, 1, 1, 0, 'bits'),
    field('filter removed or blocked for', 1, 2, 1, 0, 'h'),
    field('additive injection wrong for', 3, 2, 1, 0, 'h'),
    field('monitoring wrong for', 5, 2, 1, 0, 'h'),
  ]),
  single(0xc7, 'Distance since the control unit was programmed or replaced', 2, 1, 0, 'km'),
  single(0xc8, 'NOx and particulate warning lights', 1, 1, 0, 'bits'),
];
