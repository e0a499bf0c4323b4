import { foldCase } from '@pincer/core/case';
import type { ReadValue } from '@pincer/core/obd';
import { makeCase, makeScan, scanEntry } from '../test/make-case.ts';
import { onBoardTests } from './index.ts';

const result = (pid: string, part: string, value: number, min?: number, max?: number): ReadValue => ({
  service: '06',
  pid,
  part,
  name: `Test ${pid}/${part}`,
  value,
  unit: '',
  source: '7E8',
  raw: value,
  ...(min === undefined ? {} : { min }),
  ...(max === undefined ? {} : { max }),
});
const views = (...runs: ReadValue[][]) =>
  onBoardTests(foldCase(makeCase(...runs.map((values) => scanEntry({ ...makeScan([]), values })))));

describe('results of the car’s own tests', () => {
  test.each([
    ['in the middle of both limits', 0.5, 0, 1, 0.5, false],
    ['a quarter below the upper one', 0.75, 0, 1, 0.25, false],
    ['beyond the upper one', 1.2, 0, 1, -0.2, true],
    ['below the lower one', -0.1, 0, 1, -0.1, true],
    ['an upper limit alone', 0.45, undefined, 0.6, 0.25, false],
    ['a lower limit alone', 12, 10, undefined, 0.2, false],
  ] as const)('%s', (_, value, min, max, margin, hasFailed) => {
    const [view] = views([result('21', '84', value, min, max)]).tests;
    expect(view?.hasFailed).toBe(hasFailed);
    expect(view?.margin).toBeCloseTo(margin, 9);
    expect(view?.trend).toBeNull();
  });

  test.each([
    ['closer to the limit', 0.3, 0.5, 'worse'],
    ['away from it', 0.5, 0.3, 'better'],
    ['within the measurement’s own waver', 0.3, 0.31, 'same'],
  ] as const)('against the reading before: %s', (_, before, now, trend) => {
    const { tests } = views([result('21', '84', before, 0, 0.6)], [result('21', '84', now, 0, 0.6)]);
    expect(tests.map((t) => t.trend)).toEqual([trend]);
  });

  test('a reading without tests in between does not hide the one before; a new test has no trend', () => {
    const { tests } = views(
      [result('21', '84', 0.3, 0, 0.6)],
      [],
      [result('21', '84', 0.5, 0, 0.6), result('01', '83', 0.4, 0, 1)],
    );
    expect(tests.map((t) => [t.id, t.trend])).toEqual([
      ['21/84', 'worse'],
      ['01/83', null],
    ]);
  });

  test('misfires by cylinder come from their own monitors, this trip’s count only', () => {
    const { misfires } = views([
      result('A2', '0B', 900, 0, 65_535),
      result('A2', '0C', 3, 0, 65_535),
      result('A3', '0C', 412, 0, 65_535),
      result('21', '84', 0.3, 0, 0.6),
    ]);
    expect(misfires).toEqual([
      { cylinder: 1, count: 3 },
      { cylinder: 2, count: 412 },
    ]);
    expect(views([]).misfires).toEqual([]);
  });
});
