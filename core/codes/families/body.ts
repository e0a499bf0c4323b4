import { codeTable } from '../entry.ts';

const { entries, one } = codeTable();

([
  ['B0001', 'driver front, stage 1'],
  ['B0002', 'driver front, stage 2'],
  ['B0003', 'driver front, stage 3'],
  ['B0004', 'driver knee'],
  ['B0010', 'passenger front, stage 1'],
  ['B0011', 'passenger front, stage 2'],
  ['B0012', 'passenger front, stage 3'],
  ['B0013', 'passenger knee'],
  ['B0020', 'left side'],
  ['B0021', 'left curtain'],
  ['B0028', 'right side'],
  ['B0029', 'right curtain'],
] as const).forEach(([code, label]) => one(code, 'airbag', 'circuit', { label }));
([
  ['B0050', 'driver'],
  ['B0053', 'passenger'],
] as const).forEach(([code, label]) => one(code, 'belt-sensor', 'circuit', { label }));
([
  ['B0070', 'driver, A'],
  ['B0071', 'driver, B'],
  ['B0072', 'passenger, A'],
  ['B0073', 'passenger, B'],
] as const).forEach(([code, label]) => one(code, 'belt-tensioner', 'circuit', { label }));
one('B0081', 'seat-occupancy', 'performance');
one('B0090', 'crash-sensor', 'circuit', { label: 'front left' });
one('B0091', 'crash-sensor', 'circuit', { label: 'left side 1' });
one('B0092', 'crash-sensor', 'circuit', { label: 'left side 2' });
one('B0095', 'crash-sensor', 'circuit', { label: 'front right' });
one('B0096', 'crash-sensor', 'circuit', { label: 'right side 1' });
one('B0097', 'crash-sensor', 'circuit', { label: 'right side 2' });
one('B00A0', 'seat-occupancy', 'system');

/** B0: airbags and belts. */
export const BODY = entries;
