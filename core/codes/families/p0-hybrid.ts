import { CONTROL, OPEN_3, SENSOR, SENSOR_4, codeAt, codeTable } from '../entry.ts';

const { entries, one, row } = codeTable();

row('P0A00', 'electronics-temperature-sensor', SENSOR);
row('P0A05', 'electronics-coolant-pump', OPEN_3);
row('P0A08', 'dc-converter', ['circuit', 'low'], { label: 'status' });
row('P0A0B', 'high-voltage-interlock', ['performance', 'low', 'high', 'intermittent']);
one('P0A0A', 'high-voltage-interlock', 'circuit');
one('P0A0F', 'hybrid-start', 'performance');
one('P0A10', 'dc-converter', 'high', { label: 'status' });
row('P0A11', 'dc-converter', OPEN_3, { label: 'enable' });
row('P0A14', 'engine-mount', OPEN_3, { label: 'A' });
row('P0A17', 'motor-torque-sensor', ['circuit', 'range', 'low']);
['generator', 'drive motor A', 'drive motor B', 'hybrid drive', 'starter and generator', 'battery'].forEach((label, i) =>
  one(codeAt('P0A1A', i), 'hybrid-unit', 'performance', { label }),
);
row('P0A22', 'generator-torque-sensor', SENSOR);
row('P0A27', 'battery-cut-off', CONTROL);
(['drive motor A', 'drive motor B', 'generator'] as const).forEach((label, i) => {
  row(codeAt('P0A2A', i * 6), 'motor-temperature-sensor', SENSOR, { label });
  one(codeAt('P0A2F', i * 6), 'electric-motor', 'overheated', { label });
  one(codeAt('P0A3C', i), 'inverter', 'overheated', { label });
  row(codeAt('P0A3F', i * 6), 'motor-position-sensor', SENSOR, { label });
  one(codeAt('P0A44', i * 6), 'electric-motor', 'over-limit', { label: `${label} speed` });
  row(codeAt('P0A51', i * 4), 'motor-current-sensor', SENSOR_4, { label });
});
one('P0A78', 'inverter', 'performance', { label: 'drive motor A' });
one('P0A79', 'inverter', 'performance', { label: 'drive motor B' });
one('P0A7A', 'inverter', 'performance', { label: 'generator' });
one('P0A7B', 'hybrid-unit', 'lamp-request', { label: 'battery' });
one('P0A7C', 'motor-electronics', 'overheated');
one('P0A7D', 'traction-battery', 'value-low', { label: 'charge' });
one('P0A7E', 'traction-battery', 'overheated');
one('P0A7F', 'traction-battery', 'worn');
one('P0A80', 'traction-battery', 'replace');
row('P0A81', 'traction-battery-fan', ['open', 'performance', 'circuit-low', 'circuit-high'], { label: '1' });
one('P0A90', 'electric-motor', 'performance', { label: 'drive motor A' });
one('P0A91', 'electric-motor', 'performance', { label: 'drive motor B' });
one('P0A92', 'electric-motor', 'performance', { label: 'generator' });
one('P0A93', 'inverter-cooling', 'performance', { label: 'A' });
one('P0A94', 'dc-converter', 'performance');
one('P0A95', 'high-voltage-fuse', 'open');
row('P0A9C', 'traction-battery-sensor', SENSOR, { label: 'A' });
one('P0AA1', 'high-voltage-contactor', 'stuck-on', { label: 'positive' });
one('P0AA2', 'high-voltage-contactor', 'stuck-off', { label: 'positive' });
one('P0AA4', 'high-voltage-contactor', 'stuck-on', { label: 'negative' });
one('P0AA5', 'high-voltage-contactor', 'stuck-off', { label: 'negative' });
one('P0AA6', 'high-voltage-isolation', 'value-low');
one('P0AA7', 'high-voltage-isolation', 'circuit', { label: 'sensor' });
one('P0AC4', 'hybrid-unit', 'lamp-request', { label: 'hybrid drive' });
row('P0AC0', 'traction-battery-current', SENSOR_4, { label: 'A' });

/** P0A: hybrid and electric drive. */
export const P0_HYBRID = entries;
