import { makeScan } from '../test/make-case.ts';
import {
  READINGS,
  UNKNOWN_ENGINE,
  judge,
  sourcesOfReading,
  watchList,
  windowOfScan,
  wantedFor,
} from './index.ts';
import type { Scan } from '@pincer/core/obd';

const PETROL = { ...UNKNOWN_ENGINE, isDiesel: false };
const IDLE = { '0C': 740, '0D': 0, '05': 90, '0B': 36 };
const verdictsOn = (scan: Scan) => new Map(judge([windowOfScan(scan, PETROL)]).map((j) => [j.rule, j]));

test('the graver of two banks is the verdict, and the bank is named; of one bank nothing is said of banks', () => {
  const both = verdictsOn(makeScan([], { ...IDLE, '06': 1, '07': 2, '08': 4, '09': 14 }));
  expect(both.get('trims-idle')).toMatchObject({
    verdict: 'odd',
    side: 'high',
    measured: 'bank 2: 4 + 14 = 18 %',
  });
  const other = verdictsOn(makeScan([], { ...IDLE, '06': 4, '07': 14, '08': 1, '09': 2 }));
  expect(other.get('trims-idle')).toMatchObject({ verdict: 'odd', measured: 'bank 1: 4 + 14 = 18 %' });
  const one = verdictsOn(makeScan([], { ...IDLE, '06': 1, '07': 2 }));
  expect(one.get('trims-idle')).toMatchObject({ verdict: 'sound', measured: '1 + 2 = 3 %' });
});

test('the second bank’s sensors stand where the vehicle’s own layout has them', () => {
  const names = (pids: readonly number[]) =>
    sourcesOfReading('frontOxygen2', new Set(pids)).map(([pid]) => pid);
  expect(names([0x13])).toEqual(['18']);
  expect(names([0x1d])).toEqual(['16']);
  // Of four banks PID 18 is the third bank’s: it is not asked for in place of the second’s.
  expect(wantedFor(['frontOxygen2'], new Set([0x1d, 0x16, 0x18])).map((w) => w.pid)).toEqual([0x16]);
  expect(wantedFor(['frontOxygen2'], new Set([0x13, 0x16, 0x18])).map((w) => w.pid)).toEqual([0x18]);
});

test('what is proposed for watching is of both banks where the vehicle has both', () => {
  const offered = (keys: readonly (keyof typeof READINGS)[]) =>
    new Set(keys.map((k) => Number.parseInt(READINGS[k].from[0]?.[0] ?? '', 16)));
  const one = offered(['engineSpeed', 'speed', 'coolant', 'frontOxygen', 'rearOxygen', 'shortTrim']);
  expect(watchList(['exhaust'], one)).toEqual([
    'engineSpeed',
    'speed',
    'coolant',
    'frontOxygen',
    'rearOxygen',
    'shortTrim',
  ]);
  expect(watchList(['exhaust'], new Set([...one, 0x18, 0x19, 0x08]))).toEqual([
    'engineSpeed',
    'speed',
    'coolant',
    'frontOxygen',
    'frontOxygen2',
    'rearOxygen',
    'rearOxygen2',
    'shortTrim',
    'shortTrim2',
  ]);
});
