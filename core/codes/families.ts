import type { ComponentId } from './components.ts';
import type { FailureId } from './failures.ts';

/** Where a code points. */
export interface Place {
  bank?: number;
  sensor?: number;
  cylinder?: number;
  /** Position that is none of these: `A`, `intake`, `gear 3` ... */
  label?: string;
}

/** One code of the catalogue: component x place x way of failing. */
export interface CodeEntry {
  code: string;
  component: ComponentId;
  place: Place;
  failure: FailureId;
}

const entries: CodeEntry[] = [];

function one(code: string, component: ComponentId, failure: FailureId, place: Place = {}): void {
  entries.push({ code, component, place, failure });
}

/** The standard numbers these families in decimal: after P0139 comes P0140. */
const codeAt = (base: string, offset: number): string => `P${String(Number(base.slice(1)) + offset).padStart(4, '0')}`;

/** Codes in a row, one for each way of failing. */
function row(base: string, component: ComponentId, failures: readonly (FailureId | null)[], place: Place = {}): void {
  failures.forEach((failure, i) => {
    if (failure) one(codeAt(base, i), component, failure, place);
  });
}

/** The five ways in which a sensor's signal fails, in the standard's order. */
const SENSOR: readonly FailureId[] = ['circuit', 'range', 'low', 'high', 'intermittent'];
/** The six of an oxygen sensor. */
const OXYGEN: readonly FailureId[] = ['circuit', 'low', 'high', 'slow', 'no-activity'];
/** Five of a transmission solenoid. */
const SOLENOID: readonly FailureId[] = ['circuit', 'performance', 'stuck-on', 'electrical', 'intermittent'];
const CONTROL: readonly FailureId[] = ['circuit', 'circuit-low', 'circuit-high'];

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
  row(base, 'oxygen-heater', ['open', 'circuit-low', 'circuit-high'], OXYGEN_PLACES[i]),
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
  row(codeAt('P0261', (cylinder - 1) * 3), 'injector', ['low', 'high', 'balance'], { cylinder });
  one(codeAt('P0300', cylinder), 'combustion', 'misfire', { cylinder });
  one(codeAt('P0350', cylinder), 'coil', 'circuit', { cylinder });
}
one('P0200', 'injector', 'circuit');

row('P0213', 'cold-start-injector', ['circuit'], { label: '1' });
row('P0214', 'cold-start-injector', ['circuit'], { label: '2' });
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
row('P0239', 'boost-sensor', ['circuit'], { label: 'B' });
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

// P030x-P032x: misfire and knock.
one('P0300', 'combustion', 'misfire', { label: 'several or random' });
one('P0313', 'combustion', 'misfire', { label: 'with low fuel' });
one('P0314', 'combustion', 'misfire', { label: 'one, not known which' });
one('P0315', 'crank-sensor', 'not-learned', { label: 'variation' });
one('P0316', 'combustion', 'misfire', { label: 'just after start' });
one('P0320', 'distributor', 'circuit');
one('P0321', 'distributor', 'range');
one('P0322', 'distributor', 'no-activity');
one('P0323', 'distributor', 'intermittent');
one('P0324', 'knock-sensor', 'system');
row('P0325', 'knock-sensor', SENSOR, { sensor: 1 });
row('P0330', 'knock-sensor', SENSOR, { sensor: 2 });

// P033x-P039x: crankshaft, camshaft, coils, timing reference.
row('P0335', 'crank-sensor', SENSOR, { label: 'A' });
row('P0340', 'cam-sensor', SENSOR, { bank: 1, label: 'A' });
row('P0345', 'cam-sensor', SENSOR, { bank: 2, label: 'A' });
one('P0350', 'coil', 'circuit');
row('P0365', 'cam-sensor', SENSOR, { bank: 1, label: 'B' });
row('P0370', 'ignition-timing-signal', ['circuit', 'value-high', 'value-low', 'intermittent', 'no-activity'], { label: 'A' });
row('P0375', 'ignition-timing-signal', ['circuit', 'value-high', 'value-low', 'intermittent', 'no-activity'], { label: 'B' });
one('P0380', 'glow-plugs', 'circuit', { label: 'A' });
one('P0381', 'glow-lamp', 'circuit');
one('P0382', 'glow-plugs', 'circuit', { label: 'B' });
one('P0383', 'glow-plugs', 'circuit-low', { label: 'control unit' });
one('P0384', 'glow-plugs', 'circuit-high', { label: 'control unit' });
row('P0385', 'crank-sensor', SENSOR, { label: 'B' });
row('P0390', 'cam-sensor', SENSOR, { bank: 2, label: 'B' });

// P040x-P049x: recirculation, secondary air, catalyst, vapour, level, exhaust, fans.
row('P0400', 'egr-flow', ['flow-wrong', 'flow-low', 'flow-high']);
one('P0403', 'egr-valve', 'circuit');
one('P0404', 'egr-valve', 'range');
row('P0405', 'egr-sensor', ['low', 'high'], { label: 'A' });
row('P0407', 'egr-sensor', ['low', 'high'], { label: 'B' });
one('P0409', 'egr-sensor', 'circuit', { label: 'A' });
one('P0410', 'secondary-air', 'system');
one('P0411', 'secondary-air', 'flow-wrong');
row('P0412', 'secondary-air-valve', ['circuit', 'open', 'shorted'], { label: 'A' });
row('P0415', 'secondary-air-valve', ['circuit', 'open', 'shorted'], { label: 'B' });
one('P0418', 'secondary-air-pump', 'circuit', { label: 'A' });
one('P0419', 'secondary-air-pump', 'circuit', { label: 'B' });
([[1, 'P0420'], [2, 'P0430']] as const).forEach(([bank, base]) => {
  one(base, 'catalyst', 'efficiency', { bank });
  one(codeAt(base, 1), 'catalyst', 'efficiency', { bank, label: 'warm-up' });
  one(codeAt(base, 2), 'catalyst', 'efficiency', { bank, label: 'main' });
  one(codeAt(base, 3), 'catalyst', 'efficiency', { bank, label: 'heated' });
  one(codeAt(base, 4), 'catalyst', 'value-low', { bank, label: 'heating' });
  row(codeAt(base, 5), 'catalyst-temperature-sensor', ['circuit', 'range', 'low', 'high'], { bank, sensor: 1 });
});
one('P0429', 'catalyst', 'circuit', { bank: 1, label: 'heater' });
one('P0439', 'catalyst', 'circuit', { bank: 2, label: 'heater' });
one('P0440', 'evap', 'system');
one('P0441', 'evap', 'flow-wrong');
one('P0442', 'evap', 'leak-small');
row('P0443', 'purge-valve', ['circuit', 'open', 'shorted']);
row('P0446', 'vent-valve', ['circuit', 'open', 'shorted', 'electrical']);
row('P0450', 'tank-pressure-sensor', SENSOR);
one('P0455', 'evap', 'leak-large');
one('P0456', 'evap', 'leak-very-small');
one('P0457', 'evap', 'leak-cap');
row('P0458', 'purge-valve', ['circuit-low', 'circuit-high']);
row('P0460', 'fuel-level-sensor', SENSOR, { label: 'A' });
row('P0465', 'purge-flow-sensor', SENSOR);
row('P0470', 'exhaust-pressure-sensor', SENSOR);
row('P0475', 'exhaust-pressure-valve', SENSOR);
['P0480', 'P0481', 'P0482'].forEach((code, i) => one(code, 'cooling-fan', 'circuit', { label: `${i + 1}` }));
one('P0483', 'cooling-fan', 'performance');
one('P0484', 'cooling-fan', 'shorted');
one('P0485', 'cooling-fan', 'electrical', { label: 'supply' });
row('P0486', 'egr-sensor', ['circuit'], { label: 'B' });
row('P0487', 'egr-valve', ['open', 'performance'], { label: 'throttle' });
row('P0489', 'egr-valve', ['circuit-low', 'circuit-high']);
row('P0491', 'secondary-air', ['flow-low'], { bank: 1 });
row('P0492', 'secondary-air', ['flow-low'], { bank: 2 });
row('P0493', 'cooling-fan', ['over-limit', 'value-low', 'value-high'], { label: 'speed' });
row('P0496', 'evap', ['flow-high', 'flow-low'], { label: 'purge' });
row('P0498', 'vent-valve', ['circuit-low', 'circuit-high']);

// P050x-P059x: speed, idle, oil, air conditioning, supply, cruise.
row('P0500', 'speed-sensor', ['circuit', 'range', 'low', 'intermittent'], { label: 'A' });
one('P0504', 'brake-switch', 'correlation', { label: 'A and B' });
one('P0505', 'idle', 'system');
one('P0506', 'idle', 'value-low');
one('P0507', 'idle', 'value-high');
one('P0508', 'idle', 'circuit-low');
one('P0509', 'idle', 'circuit-high');
one('P0510', 'idle-switch', 'circuit');
one('P0511', 'idle', 'circuit');
one('P0512', 'starter-relay', 'circuit', { label: 'request' });
row('P0520', 'oil-pressure-sensor', SENSOR.slice(0, 4));
one('P0524', 'oil-pressure', 'value-low');
row('P0530', 'ac-pressure-sensor', SENSOR.slice(0, 4), { label: 'A' });
one('P0534', 'ac-pressure-sensor', 'value-low', { label: 'charge' });
row('P0544', 'exhaust-temperature-sensor', ['circuit', 'low', 'high'], { bank: 1, sensor: 1 });
row('P0547', 'exhaust-temperature-sensor', ['circuit', 'low', 'high'], { bank: 2, sensor: 1 });
row('P0550', 'steering-pressure-sensor', SENSOR);
row('P0560', 'supply-voltage', ['circuit', 'unstable', 'value-low', 'value-high']);
['P0564', 'P0565', 'P0566', 'P0567', 'P0568', 'P0569', 'P0570'].forEach((code, i) =>
  one(code, 'cruise-control', 'circuit', {
    label: ['input A', 'on switch', 'off switch', 'resume switch', 'set switch', 'coast switch', 'accelerate switch'][i] ?? '',
  }),
);
row('P0571', 'brake-switch', ['circuit', 'circuit-low', 'circuit-high'], { label: 'A' });
row('P0574', 'cruise-control', ['value-high'], { label: 'speed' });
row('P0575', 'cruise-control', ['circuit', 'low', 'high'], { label: 'input' });

// P060x-P069x: control unit and its outputs.
one('P0600', 'serial-link', 'communication');
one('P0601', 'control-unit', 'memory', { label: 'checksum' });
one('P0602', 'control-unit', 'program');
one('P0603', 'control-unit', 'memory', { label: 'keep-alive' });
one('P0604', 'control-unit', 'memory', { label: 'working' });
one('P0605', 'control-unit', 'memory', { label: 'program' });
one('P0606', 'control-unit', 'processor');
one('P0607', 'control-unit', 'performance');
one('P0610', 'control-unit', 'program', { label: 'vehicle options' });
one('P0611', 'injector', 'performance', { label: 'control unit' });
row('P0615', 'starter-relay', CONTROL);
row('P0620', 'alternator', ['circuit'], { label: 'control' });
row('P0621', 'alternator', ['circuit'], { label: 'lamp' });
row('P0622', 'alternator', ['circuit'], { label: 'field' });
row('P0625', 'alternator', ['circuit-low', 'circuit-high'], { label: 'field' });
row('P0627', 'fuel-pump', ['open', 'circuit-low', 'circuit-high'], { label: 'A control' });
one('P0630', 'control-unit', 'program', { label: 'VIN missing' });
row('P0638', 'throttle-actuator', ['range'], { bank: 1 });
row('P0639', 'throttle-actuator', ['range'], { bank: 2 });
row('P0641', 'reference-voltage', ['open', 'low', 'high'], { label: 'A' });
row('P0645', 'ac-relay', CONTROL);
one('P0650', 'warning-lamp', 'circuit');
row('P0651', 'reference-voltage', ['open', 'low', 'high'], { label: 'B' });
row('P0685', 'power-relay', ['open', 'circuit-low', 'circuit-high']);
row('P0688', 'power-relay', ['open', 'low', 'high'], { label: 'sense' });
row('P0691', 'cooling-fan', ['circuit-low', 'circuit-high'], { label: '1' });
row('P0693', 'cooling-fan', ['circuit-low', 'circuit-high'], { label: '2' });
row('P0697', 'reference-voltage', ['open', 'low', 'high'], { label: 'C' });

// P07xx: transmission.
row('P0700', 'transmission', ['system', 'range', 'electrical']);
one('P0703', 'brake-switch', 'circuit', { label: 'B' });
one('P0704', 'clutch-switch', 'circuit');
row('P0705', 'range-sensor', SENSOR, { label: 'A' });
row('P0710', 'fluid-temperature-sensor', SENSOR, { label: 'A' });
row('P0715', 'input-speed-sensor', ['circuit', 'range', 'no-activity', 'intermittent'], { label: 'A' });
row('P0720', 'output-speed-sensor', ['circuit', 'range', 'no-activity', 'intermittent']);
row('P0725', 'engine-speed-input', ['circuit', 'range', 'no-activity', 'intermittent']);
one('P0729', 'gear', 'wrong-ratio', { label: '6' });
one('P0730', 'gear', 'wrong-ratio');
for (let n = 1; n <= 5; n++) one(codeAt('P0730', n), 'gear', 'wrong-ratio', { label: `${n}` });
one('P0736', 'gear', 'wrong-ratio', { label: 'reverse' });
row('P0740', 'converter-clutch', ['circuit', 'stuck-off', 'stuck-on', 'electrical', 'intermittent']);
row('P0745', 'pressure-solenoid', SOLENOID, { label: 'A' });
(['P0750', 'P0755', 'P0760', 'P0765', 'P0770'] as const).forEach((base, i) =>
  row(base, 'shift-solenoid', ['circuit', 'stuck-off', 'stuck-on', 'electrical', 'intermittent'], { label: 'ABCDE'[i] ?? '' }),
);
row('P0775', 'pressure-solenoid', SOLENOID, { label: 'B' });
one('P0780', 'gear', 'performance', { label: 'change' });
for (let n = 1; n <= 4; n++) one(codeAt('P0780', n), 'gear', 'performance', { label: `change ${n}-${n + 1}` });
row('P0785', 'shift-timing-solenoid', ['circuit', 'range', 'circuit-low', 'circuit-high', 'intermittent']);
row('P0791', 'shaft-speed-sensor', ['circuit', 'range', 'no-activity', 'intermittent']);
row('P0795', 'pressure-solenoid', SOLENOID, { label: 'C' });

export const CODE_ENTRIES: readonly CodeEntry[] = entries;
