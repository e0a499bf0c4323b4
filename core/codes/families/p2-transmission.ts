import { CONTROL, OPEN_3, OPEN_4, SENSOR, SENSOR_4, SOLENOID, SPEED, codeAt, codeTable } from '../entry.ts';

const { entries, one, row } = codeTable();

Array.from('ABCDEF').forEach((label, i) => one(codeAt('P2700', i), 'friction-element', 'range', { label }));
row('P2706', 'shift-solenoid', ['circuit', 'stuck-off', 'stuck-on', 'electrical', 'intermittent'], { label: 'F' });
one('P2711', 'gear', 'disengaged');
one('P2712', 'hydraulic-unit', 'leak-large', { label: 'power unit' });
([['D', 'P2713'], ['E', 'P2722'], ['F', 'P2731']] as const).forEach(([label, base]) => {
  row(base, 'pressure-solenoid', SOLENOID, { label });
  row(codeAt(base, 5), 'pressure-solenoid', OPEN_4, { label: `${label} control` });
});
row('P2740', 'fluid-temperature-sensor', SENSOR, { label: 'B' });
row('P2745', 'shaft-speed-sensor', SPEED, { label: 'B' });
row('P2749', 'shaft-speed-sensor', SPEED, { label: 'C' });
row('P2754', 'fluid-cooler', OPEN_3);
row('P2757', 'converter-pressure-solenoid', ['stuck-off', 'stuck-on', 'electrical', 'intermittent', 'open', 'range', 'circuit-high', 'circuit-low']);
row('P2765', 'input-speed-sensor', SPEED, { label: 'B' });
row('P2769', 'converter-clutch', ['circuit-low', 'circuit-high']);
row('P2771', 'four-wheel-switch', SENSOR_4, { label: 'low range' });
row('P2775', 'shift-switch', ['range', 'low', 'high', 'intermittent'], { label: 'up' });
row('P2779', 'shift-switch', ['range', 'low', 'high', 'intermittent'], { label: 'down' });
one('P2783', 'converter-clutch', 'overheated');
one('P2784', 'input-speed-sensor', 'correlation', { label: 'A and B' });
one('P2785', 'clutch-actuator', 'overheated');
one('P2786', 'shift-actuator', 'overheated');
one('P2787', 'clutch', 'overheated');
one('P2788', 'manual-mode', 'learning-limit');
one('P2789', 'clutch', 'learning-limit');
row('P2790', 'gate-direction', CONTROL);
row('P2793', 'shift-direction', CONTROL);
row('P2800', 'range-sensor', SENSOR, { label: 'B' });
one('P2805', 'range-sensor', 'correlation', { label: 'A and B' });
one('P2806', 'range-sensor', 'not-learned', { label: 'alignment' });
([['G', 'P2807'], ['H', 'P2816'], ['J', 'P2825']] as const).forEach(([label, base]) => {
  row(base, 'pressure-solenoid', SOLENOID, { label });
  row(codeAt(base, 5), 'pressure-solenoid', OPEN_4, { label: `${label} control` });
});
([[1, 1], [1, 2], [1, 3], [2, 1], [2, 2], [2, 3]] as const).forEach(([bank, sensor], i) =>
  one(codeAt('P2A00', i), 'oxygen-sensor', 'range', { bank, sensor }),
);

/** P27, P28 and P2A: transmission in detail, oxygen sensor ranges. */
export const P2_TRANSMISSION = entries;
