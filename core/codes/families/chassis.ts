import { codeTable } from '../entry.ts';

const { entries, one } = codeTable();

one('C0001', 'traction-valve', 'performance', { label: 'channel A, valve 1' });
one('C0002', 'traction-valve', 'performance', { label: 'channel A, valve 2' });
one('C0003', 'traction-valve', 'performance', { label: 'channel B, valve 1' });
one('C0004', 'traction-valve', 'performance', { label: 'channel B, valve 2' });
([
  ['C0010', 'front left inlet'],
  ['C0011', 'front left outlet'],
  ['C0014', 'front right inlet'],
  ['C0015', 'front right outlet'],
  ['C0018', 'rear left inlet'],
  ['C0019', 'rear left outlet'],
  ['C001C', 'rear right inlet'],
  ['C001D', 'rear right outlet'],
] as const).forEach(([code, label]) => one(code, 'brake-valve', 'performance', { label }));
one('C0020', 'brake-pump', 'performance');
one('C0021', 'brake-booster', 'performance');
one('C0022', 'brake-booster', 'circuit', { label: 'valve' });
one('C0023', 'stop-lamp', 'circuit');
([
  ['C0030', 'front left'],
  ['C0033', 'front right'],
  ['C0036', 'rear left'],
  ['C0039', 'rear right'],
] as const).forEach(([base, label]) => {
  one(base, 'wheel-ring', 'range', { label });
  const sensor = `C00${(Number.parseInt(base.slice(3), 16) + 1).toString(16).toUpperCase()}`;
  const supply = `C00${(Number.parseInt(base.slice(3), 16) + 2).toString(16).toUpperCase()}`;
  one(sensor, 'wheel-speed-sensor', 'circuit', { label });
  one(supply, 'wheel-speed-sensor', 'electrical', { label: `${label} supply` });
});
one('C0040', 'brake-pedal-switch', 'circuit', { label: 'A' });
one('C0041', 'brake-pedal-switch', 'circuit', { label: 'B' });
one('C0042', 'brake-pedal-sensor', 'circuit', { label: 'A' });
one('C0043', 'brake-pedal-sensor', 'circuit', { label: 'B' });
one('C0044', 'brake-pressure-sensor', 'circuit', { label: 'A' });
one('C0045', 'brake-pressure-sensor', 'circuit', { label: 'B' });
one('C0046', 'brake-pressure-sensor', 'correlation', { label: 'A and B' });
one('C0047', 'booster-pressure-sensor', 'circuit', { label: 'of the brakes' });
one('C0049', 'brake-fluid', 'value-low');
one('C0051', 'steering-angle-sensor', 'circuit');
one('C0061', 'sideways-sensor', 'circuit');
one('C0062', 'lengthways-sensor', 'circuit');
one('C0063', 'yaw-sensor', 'circuit');
one('C0064', 'roll-sensor', 'circuit');
one('C0072', 'brakes', 'overheated');
one('C0077', 'tyre-pressure', 'value-low');
one('C0078', 'tyre-size', 'mismatch');
one('C0081', 'brake-warning-lamp', 'circuit', { label: 'ABS' });
one('C0082', 'brake-warning-lamp', 'circuit', { label: 'brakes' });
one('C0085', 'brake-warning-lamp', 'circuit', { label: 'traction off' });
one('C0086', 'brake-warning-lamp', 'circuit', { label: 'stability' });
one('C0089', 'traction-switch', 'circuit');

/** C0: brakes, stability, steering and tyres. */
export const CHASSIS = entries;
