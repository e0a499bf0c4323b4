import { SENSOR, codeAt, codeTable } from '../entry.ts';

const { entries, one, row } = codeTable();

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
one('P0486', 'egr-sensor', 'circuit', { label: 'B' });
row('P0487', 'egr-valve', ['open', 'performance'], { label: 'throttle' });
row('P0489', 'egr-valve', ['circuit-low', 'circuit-high']);
one('P0491', 'secondary-air', 'flow-low', { bank: 1 });
one('P0492', 'secondary-air', 'flow-low', { bank: 2 });
row('P0493', 'cooling-fan', ['over-limit', 'value-low', 'value-high'], { label: 'speed' });
row('P0496', 'evap', ['flow-high', 'flow-low'], { label: 'purge' });
row('P0498', 'vent-valve', ['circuit-low', 'circuit-high']);

one('P0317', 'rough-road-sensor', 'missing', { label: 'hardware' });
one('P0318', 'rough-road-sensor', 'circuit', { label: 'A' });
one('P0319', 'rough-road-sensor', 'circuit', { label: 'B' });
one('P0363', 'combustion', 'misfire', { label: 'fuel cut off to save the catalyst' });
row('P040A', 'egr-temperature-sensor', SENSOR, { label: 'A' });
one('P040F', 'egr-temperature-sensor', 'correlation', { label: 'A and B' });
row('P041A', 'egr-temperature-sensor', SENSOR, { label: 'B' });
row('P042E', 'egr-valve', ['stuck-open', 'stuck-shut'], { label: 'A' });
row('P045A', 'egr-valve', ['circuit', 'range', 'circuit-low', 'circuit-high'], { label: 'B' });
row('P045E', 'egr-valve', ['stuck-open', 'stuck-shut'], { label: 'B' });
one('P046C', 'egr-sensor', 'range', { label: 'A' });
row('P049A', 'egr-flow', ['flow-wrong', 'flow-low', 'flow-high'], { label: 'B' });

/** P03 and P04: ignition, misfire, emission control. */
export const P0_IGNITION_EMISSION = entries;
