import { CONTROL, OPEN_3, OPEN_4, SENSOR, SENSOR_4, SOLENOID, codeAt, codeTable } from '../entry.ts';

const { entries, one, row } = codeTable();

// P07xx: transmission.
row('P0700', 'transmission', ['lamp-request', 'range', 'electrical']);
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

one('P0719', 'brake-switch', 'circuit-low', { label: 'B' });
one('P0724', 'brake-switch', 'circuit-high', { label: 'B' });
row('P0737', 'engine-speed-output', ['circuit', 'circuit-low', 'circuit-high'], { label: 'of the gearbox unit' });
one('P0790', 'mode-switch', 'circuit');

// P08xx: requests, clutch, selector, four-wheel drive, fluid pressure, the gearbox's control unit.
one('P0800', 'transfer-case', 'lamp-request');
one('P0801', 'reverse-lock', 'circuit');
one('P0802', 'transmission', 'open', { label: 'lamp request' });
one('P0803', 'skip-shift', 'circuit', { label: 'valve' });
one('P0804', 'skip-shift', 'circuit', { label: 'lamp' });
row('P0805', 'clutch-position-sensor', SENSOR);
one('P0810', 'clutch-actuator', 'performance', { label: 'position' });
one('P0811', 'clutch', 'slips');
one('P0812', 'reverse-switch', 'circuit');
one('P0813', 'reverse-output', 'circuit');
one('P0814', 'range-display', 'circuit');
one('P0815', 'shift-switch', 'circuit', { label: 'up' });
one('P0816', 'shift-switch', 'circuit', { label: 'down' });
one('P0817', 'starter-lock', 'circuit');
one('P0818', 'driveline-switch', 'circuit');
one('P0819', 'shift-switch', 'correlation', { label: 'and selector' });
one('P0820', 'gear-lever-sensor', 'circuit', { label: 'X and Y' });
one('P0821', 'gear-lever-sensor', 'circuit', { label: 'X' });
one('P0822', 'gear-lever-sensor', 'circuit', { label: 'Y' });
one('P0823', 'gear-lever-sensor', 'intermittent', { label: 'X' });
one('P0824', 'gear-lever-sensor', 'intermittent', { label: 'Y' });
one('P0825', 'gear-lever-sensor', 'circuit', { label: 'push-pull switch' });
row('P0826', 'shift-switch', CONTROL, { label: 'up and down' });
one('P0829', 'gear', 'performance', { label: 'change 5-6' });
row('P0830', 'clutch-switch', CONTROL, { label: 'A' });
row('P0833', 'clutch-switch', CONTROL, { label: 'B' });
row('P0836', 'four-wheel-switch', SENSOR_4);
row('P0840', 'fluid-pressure-sensor', SENSOR, { label: 'A' });
row('P0845', 'fluid-pressure-sensor', SENSOR, { label: 'B' });
row('P0850', 'park-switch', CONTROL);
row('P0853', 'drive-switch', CONTROL);
row('P0856', 'traction-input', SENSOR_4);
row('P0860', 'shift-module', ['communication', 'circuit-low', 'circuit-high']);
row('P0863', 'transmission-unit', ['communication', 'range', 'circuit-low', 'circuit-high'], { label: 'data line' });
row('P0867', 'fluid-pressure', ['performance', 'value-low', 'value-high']);
row('P0870', 'fluid-pressure-sensor', SENSOR, { label: 'C' });
row('P0875', 'fluid-pressure-sensor', SENSOR, { label: 'D' });
row('P0880', 'transmission-unit', SENSOR, { label: 'supply' });
row('P0885', 'transmission-unit', OPEN_3, { label: 'power relay' });
row('P0888', 'transmission-unit', SENSOR, { label: 'power relay sense' });
one('P0893', 'gear', 'performance', { label: 'several engaged at once' });
one('P0894', 'transmission', 'slips', { label: 'part' });
one('P0895', 'gear', 'value-low', { label: 'change time' });
one('P0896', 'gear', 'value-high', { label: 'change time' });
one('P0897', 'transmission', 'worn', { label: 'fluid' });
row('P0898', 'transmission', ['circuit-low', 'circuit-high'], { label: 'lamp request' });

// P09xx: automated gearboxes, pressure and shift valves in detail.
row('P0900', 'clutch-actuator', OPEN_4);
row('P0904', 'gate-sensor', SENSOR);
one('P0909', 'gate-actuator', 'performance', { label: 'position' });
row('P0910', 'gate-actuator', OPEN_4);
row('P0914', 'shift-position-sensor', SENSOR);
one('P0919', 'shift-actuator', 'performance', { label: 'position' });
row('P0920', 'shift-actuator', OPEN_4, { label: 'forward' });
row('P0924', 'shift-actuator', OPEN_4, { label: 'reverse' });
row('P0928', 'shift-lock', OPEN_4);
row('P0932', 'hydraulic-pressure-sensor', SENSOR);
row('P0937', 'hydraulic-temperature-sensor', SENSOR);
row('P0942', 'hydraulic-unit', ['performance', 'value-low', 'leak-large']);
row('P0945', 'hydraulic-pump', OPEN_4);
one('P0949', 'manual-mode', 'not-learned');
row('P0950', 'manual-mode', SENSOR, { label: 'control' });
row('P0955', 'manual-mode', SENSOR, { label: 'switch' });
(['P0960', 'P0964', 'P0968'] as const).forEach((base, i) => row(base, 'pressure-solenoid', ['open', 'range', 'circuit-low', 'circuit-high'], { label: `${'ABC'[i] ?? ''} control` }));
(['P0972', 'P0975', 'P0978', 'P0981', 'P0984'] as const).forEach((base, i) => row(base, 'shift-solenoid', ['range', 'circuit-low', 'circuit-high'], { label: `${'ABCDE'[i] ?? ''} control` }));
row('P0987', 'fluid-pressure-sensor', SENSOR, { label: 'E' });
row('P0992', 'fluid-pressure-sensor', SENSOR, { label: 'F' });
row('P0997', 'shift-solenoid', ['range', 'circuit-low', 'circuit-high'], { label: 'F control' });

/** P07, P08, P09: transmission. */
export const P0_TRANSMISSION = entries;
