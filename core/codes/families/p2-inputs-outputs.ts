import { CONTROL, OPEN_3, OPEN_4, SENSOR, SENSOR_4, codeAt, codeTable } from '../entry.ts';

const { entries, one, row } = codeTable();

// P250x-P259x: charging, supplies, request lines, ignition switch, turbocharger positions.
row('P2500', 'charging-lamp', ['circuit-low', 'circuit-high']);
one('P2502', 'charging', 'unstable');
row('P2503', 'charging', ['value-low', 'value-high']);
row('P2505', 'control-unit', ['circuit', 'range', 'low', 'high', 'intermittent'], { label: 'supply' });
row('P2510', 'power-relay', ['range', 'intermittent'], { label: 'sense' });
row('P2512', 'event-recorder', ['open', 'circuit-low', 'circuit-high']);
row('P2515', 'ac-pressure-sensor', SENSOR_4, { label: 'B' });
Array.from('AB').forEach((label, i) => row(codeAt('P2519', i * 3), 'ac-request', CONTROL, { label }));
row('P2525', 'vacuum-sensor', SENSOR);
row('P2530', 'ignition-switch', CONTROL, { label: 'run' });
row('P2533', 'ignition-switch', CONTROL, { label: 'run and start' });
row('P2536', 'ignition-switch', CONTROL, { label: 'accessory' });
row('P2539', 'fuel-pressure-sensor', SENSOR, { label: 'low-pressure side' });
Array.from('AB').forEach((label, i) => row(codeAt('P2544', i * 4), 'torque-request', SENSOR_4, { label }));
row('P2552', 'fuel-cut', ['circuit', 'range', 'low', 'high']);
row('P2556', 'coolant-level-sensor', ['circuit', 'range', 'low', 'high']);
one('P2560', 'coolant-level', 'value-low');
one('P2561', 'ac-unit', 'lamp-request');
row('P2562', 'boost-position-sensor', SENSOR, { label: 'A' });
row('P2586', 'boost-position-sensor', SENSOR, { label: 'B' });
row('P2567', 'ozone-sensor', SENSOR);
row('P2578', 'turbine-speed-sensor', ['circuit', 'range', 'low', 'high']);

// P260x-P269x: pumps, heaters, signals out, rocker arms, fuel shut-off.
row('P2600', 'coolant-pump', OPEN_4);
one('P2610', 'control-unit', 'performance', { label: 'engine-off clock' });
row('P2611', 'ac-valve', OPEN_3);
row('P2614', 'cam-signal-output', OPEN_3);
row('P2617', 'crank-signal-output', OPEN_3);
row('P2620', 'throttle-signal-output', OPEN_3);
row('P2623', 'injection-pressure-valve', OPEN_3);
([1, 2] as const).forEach((bank, i) => row(codeAt('P2626', i * 3), 'wide-band-sensor', OPEN_3, { bank, sensor: 1, label: 'pump trim' }));
row('P2632', 'fuel-pump', OPEN_3, { label: 'B control' });
one('P2635', 'fuel-pump', 'flow-low', { label: 'A' });
one('P2636', 'fuel-pump', 'flow-low', { label: 'B' });
Array.from('AB').forEach((label, i) => row(codeAt('P2637', i * 4), 'torque-feedback', SENSOR_4, { label }));
([['A', 1, 'P2645'], ['B', 1, 'P2650'], ['A', 2, 'P2655'], ['B', 2, 'P2660']] as const).forEach(([label, bank, base]) =>
  row(base, 'rocker-actuator', ['open', 'stuck-off', 'stuck-on', 'circuit-low', 'circuit-high'], { bank, label }),
);
row('P2665', 'fuel-shutoff', OPEN_3, { label: 'B' });
one('P2668', 'fuel-mode-lamp', 'circuit');
row('P2669', 'actuator-supply', OPEN_3, { label: 'B' });
one('P2672', 'injection-timing', 'range', { label: 'pump offset' });
one('P2673', 'injection-timing', 'not-learned', { label: 'pump' });
row('P2675', 'air-inlet-valve', OPEN_3);
row('P2678', 'coolant-vent-valve', OPEN_3);
row('P2681', 'coolant-bypass-valve', OPEN_3);
row('P2684', 'actuator-supply', OPEN_3, { label: 'C' });
row('P2687', 'fuel-supply-heater', OPEN_3);

/** P25 and P26: supplies, inputs and outputs. */
export const P2_INPUTS_OUTPUTS = entries;
