import { CONTROL, OPEN_3, OPEN_4, OXYGEN, SENSOR, codeAt, codeTable, type Place } from '../entry.ts';

const { entries, one, row } = codeTable();

// P000x-P002x: fuel volume, camshaft adjusters and timing.
const CAMS = [
  { bank: 1, label: 'intake' },
  { bank: 1, label: 'exhaust' },
  { bank: 2, label: 'intake' },
  { bank: 2, label: 'exhaust' },
] as const;
row('P0010', 'cam-actuator', ['circuit', 'advanced', 'retarded'], CAMS[0]);
row('P0013', 'cam-actuator', ['circuit', 'advanced', 'retarded'], CAMS[1]);
row('P0020', 'cam-actuator', ['circuit', 'advanced', 'retarded'], CAMS[2]);
row('P0023', 'cam-actuator', ['circuit', 'advanced', 'retarded'], CAMS[3]);
CAMS.forEach((place, i) => one(codeAt('P0016', i), 'cam-timing', 'correlation', place));
CAMS.forEach((place, i) => one(codeAt('P0026', i), 'valve-control', 'range', place));
row('P0001', 'fuel-regulator', ['open', 'range', 'circuit-low', 'circuit-high'], { label: 'volume' });
one('P0005', 'engine-shutoff', 'open', { label: 'valve A' });
one('P0006', 'engine-shutoff', 'circuit-low', { label: 'valve A' });
one('P0007', 'engine-shutoff', 'circuit-high', { label: 'valve A' });
one('P0008', 'cam-timing', 'performance', { bank: 1 });
one('P0009', 'cam-timing', 'performance', { bank: 2 });

// P003x-P006x: oxygen sensor heaters, boost bypass and control.
const OXYGEN_PLACES: readonly Place[] = [
  { bank: 1, sensor: 1 }, { bank: 1, sensor: 2 }, { bank: 1, sensor: 3 },
  { bank: 2, sensor: 1 }, { bank: 2, sensor: 2 }, { bank: 2, sensor: 3 },
];
['P0030', 'P0036', 'P0042', 'P0050', 'P0056', 'P0062'].forEach((base, i) =>
  row(base, 'oxygen-heater', CONTROL, { ...OXYGEN_PLACES[i], label: 'control' }),
);
['P0053', 'P0054', 'P0055', 'P0059', 'P0060', 'P0061'].forEach((code, i) =>
  one(code, 'oxygen-heater', 'range', OXYGEN_PLACES[i]),
);
row('P0033', 'boost-bypass', CONTROL);
one('P0039', 'boost-bypass', 'range');
one('P0040', 'oxygen-sensor-pair', 'swapped', { sensor: 1 });
one('P0041', 'oxygen-sensor-pair', 'swapped', { sensor: 2 });
row('P0045', 'boost-control', ['open', 'range', 'circuit-low', 'circuit-high']);
one('P0049', 'boost', 'over-limit', { label: 'turbine speed' });
one('P0068', 'throttle-correlation', 'correlation');
one('P0069', 'manifold-pressure-sensor', 'correlation', { label: 'against air pressure' });

// P007x-P009x: outside air, valve control, fuel pressure, second intake temperature sensor.
row('P0070', 'outside-temperature-sensor', SENSOR);
const VALVES = ['P0075', 'P0078', 'P0081', 'P0084'];
VALVES.forEach((base, i) => row(base, 'valve-control', CONTROL, CAMS[i]));
one('P0087', 'fuel-pressure', 'value-low');
one('P0088', 'fuel-pressure', 'value-high');
row('P0089', 'fuel-regulator', ['performance', 'circuit', 'circuit-low', 'circuit-high'], { label: '1' });
one('P0093', 'fuel-pressure', 'leak-large');
one('P0094', 'fuel-pressure', 'leak-small');
row('P0095', 'intake-temperature-sensor', SENSOR, { sensor: 2 });

// P010x-P012x: air, temperatures, throttle.
row('P0100', 'air-flow-sensor', SENSOR, { label: 'A' });
row('P0105', 'manifold-pressure-sensor', SENSOR);
row('P0110', 'intake-temperature-sensor', SENSOR, { sensor: 1 });
row('P0115', 'coolant-temperature-sensor', SENSOR, { sensor: 1 });
row('P0120', 'throttle-sensor', SENSOR, { label: 'A' });
one('P0125', 'engine-temperature', 'not-warm', { label: 'for closed loop' });
one('P0126', 'engine-temperature', 'not-warm', { label: 'for steady running' });
one('P0127', 'intake-air', 'value-high');
one('P0128', 'thermostat', 'below-regulating');
one('P0129', 'air-pressure-sensor', 'value-low');

// P013x-P016x: oxygen sensors.
['P0130', 'P0136', 'P0142', 'P0150', 'P0156', 'P0162'].forEach((base, i) => {
  row(base, 'oxygen-sensor', OXYGEN, OXYGEN_PLACES[i]);
  one(codeAt(base, 5), 'oxygen-heater', 'circuit', OXYGEN_PLACES[i]);
});
one('P0148', 'fuel-pressure', 'system', { label: 'delivery' });
one('P0149', 'injection-timing', 'system');
one('P0168', 'fuel-temperature-sensor', 'value-high');
one('P0169', 'fuel-composition-sensor', 'performance');

// P017x: mixture.
row('P0170', 'fuel-trim', ['trim-fault', 'lean', 'rich'], { bank: 1 });
row('P0173', 'fuel-trim', ['trim-fault', 'lean', 'rich'], { bank: 2 });
row('P0176', 'fuel-composition-sensor', ['circuit', 'range', 'low', 'high']);

// P018x-P019x: fuel and oil temperature, rail pressure.
row('P0180', 'fuel-temperature-sensor', SENSOR, { label: 'A' });
row('P0185', 'fuel-temperature-sensor', SENSOR, { label: 'B' });
row('P0190', 'fuel-rail-sensor', SENSOR, { label: 'A' });
row('P0195', 'oil-temperature-sensor', SENSOR);

// P020x, P026x-P029x: injectors.
for (let cylinder = 1; cylinder <= 12; cylinder++) {
  one(codeAt('P0200', cylinder), 'injector', 'circuit', { cylinder });
  row(codeAt('P0261', (cylinder - 1) * 3), 'injector', ['circuit-low', 'circuit-high', 'balance'], { cylinder });
  one(codeAt('P0300', cylinder), 'combustion', 'misfire', { cylinder });
  one(codeAt('P0350', cylinder), 'coil', 'circuit', { cylinder });
}
one('P0200', 'injector', 'circuit');

one('P0213', 'cold-start-injector', 'circuit', { label: '1' });
one('P0214', 'cold-start-injector', 'circuit', { label: '2' });
one('P0215', 'engine-shutoff', 'circuit');
one('P0216', 'injection-timing', 'circuit');
one('P0217', 'engine-temperature', 'over-limit', { label: 'coolant' });
one('P0218', 'transmission', 'over-limit', { label: 'fluid too hot' });
one('P0219', 'engine-speed', 'over-limit');
row('P0220', 'throttle-sensor', SENSOR, { label: 'B' });
row('P0225', 'throttle-sensor', SENSOR, { label: 'C' });
row('P0230', 'fuel-pump', ['circuit', 'circuit-low', 'circuit-high', 'intermittent']);
one('P0234', 'boost', 'value-high');
row('P0235', 'boost-sensor', SENSOR.slice(0, 4), { label: 'A' });
one('P0239', 'boost-sensor', 'circuit', { label: 'B' });
row('P0240', 'boost-sensor', ['range', 'low', 'high'], { label: 'B' });
row('P0243', 'wastegate', ['circuit', 'range', 'circuit-low', 'circuit-high'], { label: 'A' });
row('P0247', 'wastegate', ['circuit', 'range', 'circuit-low'], { label: 'B' });
one('P0250', 'wastegate', 'circuit-high', { label: 'B' });
row('P0251', 'injection-pump', SENSOR, { label: 'A' });
row('P0256', 'injection-pump', SENSOR.slice(0, 4), { label: 'B' });
one('P0260', 'injection-pump', 'intermittent', { label: 'B' });
one('P0297', 'engine-speed', 'over-limit', { label: 'of the vehicle' });
one('P0298', 'engine-temperature', 'over-limit', { label: 'oil' });
one('P0299', 'boost', 'value-low');

// The same range where the number has a letter, and what came later.
one('P000A', 'cam-actuator', 'slow', { bank: 1, label: 'intake' });
one('P000B', 'cam-actuator', 'slow', { bank: 1, label: 'exhaust' });
one('P000C', 'cam-actuator', 'slow', { bank: 2, label: 'intake' });
one('P000D', 'cam-actuator', 'slow', { bank: 2, label: 'exhaust' });
one('P000E', 'fuel-regulator', 'learning-limit', { label: 'volume' });
one('P000F', 'fuel-pressure', 'over-limit', { label: 'relief valve opened' });
one('P003A', 'boost-control', 'learning-limit', { label: 'A' });
one('P003B', 'boost-control', 'learning-limit', { label: 'B' });
row('P003C', 'cam-profile', ['stuck-off', 'stuck-on'], { bank: 1, label: 'A' });
row('P003E', 'cam-profile', ['stuck-off', 'stuck-on'], { bank: 2, label: 'A' });
row('P004A', 'boost-control', OPEN_4, { label: 'B' });
one('P004E', 'boost-control', 'intermittent', { label: 'A' });
one('P004F', 'boost-control', 'intermittent', { label: 'B' });
row('P005A', 'cam-profile', ['stuck-off', 'stuck-on'], { bank: 1, label: 'B' });
row('P005C', 'cam-profile', ['stuck-off', 'stuck-on'], { bank: 2, label: 'B' });
row('P005E', 'boost-control', ['low', 'high'], { label: 'B supply' });
row('P0065', 'air-assist-injector', ['range', 'circuit-low', 'circuit-high']);
one('P006A', 'throttle-correlation', 'correlation', { bank: 1, label: 'pressure, flow' });
one('P006B', 'manifold-pressure-sensor', 'correlation', { label: 'against exhaust' });
one('P006C', 'manifold-pressure-sensor', 'correlation', { label: 'against turbo inlet' });
one('P006D', 'air-pressure-sensor', 'correlation', { label: 'against turbo inlet' });
row('P006E', 'boost-control', ['low', 'high'], { label: 'A supply' });
row('P007A', 'charge-air-temperature-sensor', SENSOR, { bank: 1 });
one('P007F', 'charge-air-temperature-sensor', 'correlation', { label: 'bank 1 and 2' });
row('P008A', 'fuel-pressure', ['value-low', 'value-high'], { label: 'low-pressure side' });
row('P008C', 'fuel-cooler-pump', OPEN_3);
one('P008F', 'coolant-temperature-sensor', 'correlation', { label: 'against fuel' });
one('P009A', 'intake-temperature-sensor', 'correlation', { label: 'against outside' });
row('P009B', 'fuel-relief-valve', OPEN_3);
row('P009E', 'fuel-relief-valve', ['stuck-off', 'stuck-on']);
row('P00A0', 'charge-air-temperature-sensor', SENSOR, { bank: 2 });
row('P00A5', 'intake-temperature-sensor', SENSOR, { bank: 2, sensor: 2 });
row('P00AA', 'intake-temperature-sensor', SENSOR, { bank: 2, sensor: 1 });
one('P00AF', 'boost-control', 'performance', { label: 'A module' });
one('P00B0', 'boost-control', 'performance', { label: 'B module' });
row('P00B1', 'radiator-temperature-sensor', SENSOR);
one('P00B6', 'radiator-temperature-sensor', 'correlation', { label: 'against engine' });
one('P00B7', 'coolant-pump', 'flow-low', { label: 'engine' });
one('P00B8', 'throttle-correlation', 'correlation', { bank: 2, label: 'pressure, flow' });
one('P00B9', 'fuel-pressure', 'value-low', { label: 'low-pressure side, cold' });
one('P00BA', 'fuel-pressure', 'value-low', { label: 'power limited' });
one('P00BB', 'injector', 'flow-low', { label: 'power limited' });
row('P00BC', 'air-flow-sensor', ['value-low', 'value-high'], { label: 'A' });
row('P00BE', 'air-flow-sensor', ['value-low', 'value-high'], { label: 'B' });
row('P010A', 'air-flow-sensor', SENSOR, { label: 'B' });
one('P010F', 'air-flow-sensor', 'correlation', { label: 'A and B' });

/** P00, P01, P02 of the standard: fuel, air, injectors, boost. */
export const P0_FUEL_AND_AIR = entries;
