import fc from 'fast-check';
import { UNKNOWN_ENGINE } from '@pincer/core/signals';
import { makeCase, makeScan, scanEntry } from '../test/make-case.ts';
import { orderByAccident, pairSlopes, seriesOf, softwareChanges, trendOf, type Series } from './index.ts';

const at = (day: number): string => new Date(Date.UTC(2026, 0, 1 + day)).toISOString();
const series = (
  values: readonly number[],
  every = 30,
  limit: Series['limit'] = { value: 100, side: 'most' },
): Series => ({
  id: 's',
  title: 'A figure',
  unit: '',
  limit,
  points: values.map((value, i) => ({ at: at(i * every), value })),
});

describe('trends', () => {
  test('a straight line reaches its limit where a line drawn by hand does', () => {
    // 10 in 30 days from 50: at day 120 it is 90, and 100 is thirty days on.
    const trend = trendOf(series([50, 60, 70, 80, 90]));
    expect(trend.kind).toBe('towards');
    expect(trend.aYear).toBeCloseTo((10 / 30) * 365.25, 6);
    expect(trend.reaches).toEqual({
      on: at(150).slice(0, 10),
      from: at(150).slice(0, 10),
      to: at(150).slice(0, 10),
    });
  });

  test('downwards to a least', () => {
    expect(
      trendOf(series([14.4, 14.2, 14, 13.8, 13.6], 60, { value: 13.2, side: 'least' })).reaches?.on,
    ).toBe(at(360).slice(0, 10));
  });

  test('one wild reading does not turn it, and its uncertainty is said', () => {
    const trend = trendOf(series([50, 56, 61, 66, 5, 74, 80, 86, 92]));
    expect(trend.aYear).toBeGreaterThan(0);
    const calm = trendOf(series([50, 58, 73, 78, 91]));
    expect((calm.reaches?.from ?? '') <= (calm.reaches?.on ?? '')).toBe(true);
    expect((calm.reaches?.to ?? '9') >= (calm.reaches?.on ?? '')).toBe(true);
  });

  test('few readings, a short time, noise, away from the limit, and beyond it', () => {
    expect(trendOf(series([50, 60, 70])).kind).toBe('few');
    expect(trendOf(series([50, 60, 70, 80], 2)).kind).toBe('few');
    expect(trendOf(series([50, 60, 45, 58, 49, 55])).kind).toBe('steady');
    expect(trendOf(series([90, 80, 70, 60, 50])).kind).toBe('away');
    expect(trendOf(series([50, 60, 101])).kind).toBe('over');
  });

  test('slopes and order against a naive version', () => {
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: -50, max: 50, noNaN: true }), { minLength: 2, maxLength: 9 }),
        (values) => {
          const points = values.map((value, day) => ({ day: day * 7, value }));
          const naive: number[] = [];
          for (let i = 0; i < values.length; i++)
            for (let j = i + 1; j < values.length; j++)
              naive.push(((values[j] ?? 0) - (values[i] ?? 0)) / ((j - i) * 7));
          expect(pairSlopes(points)).toEqual(naive.sort((a, b) => a - b));
          const p = orderByAccident(values);
          expect(p).toBeGreaterThan(0);
          expect(p).toBeLessThanOrEqual(1);
          expect(orderByAccident([...values].reverse())).toBeCloseTo(p, 9);
        },
      ),
    );
    // Ten in a row by accident: 2 / 10! exactly; the approximation is of that order.
    expect(orderByAccident([1, 2, 3, 4, 5, 6, 7, 8, 9, 10])).toBeLessThan(1e-3);
  });
});

describe('what is followed', () => {
  const test06 = (value: number) => ({
    service: '06',
    pid: '21',
    part: '84',
    name: 'Catalyst, bank 1: test 84',
    value,
    unit: '',
    source: '7E8',
    raw: 0,
    max: 0.61,
  });
  const scan = (margin: number, trims: number, calibration = 'A1') => {
    const whole = makeScan([], { '0C': 800, '0D': 0, '05': 92, '1F': 900, '06': trims, '07': 0, '42': 14.2 });
    return scanEntry({
      ...whole,
      values: [...whole.values, test06(margin)],
      identities: [{ unit: '7E8', calibrationIds: [calibration], verificationNumbers: [] }],
    });
  };
  const record = makeCase(scan(0.13, 2), scan(0.2, 4), scan(0.31, 5, 'A2'));

  test('own tests with their limit, trims and charging at warm idle', () => {
    const found = seriesOf([record], UNKNOWN_ENGINE);
    expect(found.map((s) => s.id).sort()).toEqual(['charging', 'test:7E8:21:84', 'trim:1']);
    const catalyst = found.find((s) => s.id.startsWith('test:'));
    expect(catalyst?.limit).toEqual({ value: 0.61, side: 'most' });
    expect(catalyst?.points.map((p) => p.value)).toEqual([0.13, 0.2, 0.31]);
  });

  test('one reading is no series; a changed calibration is told once', () => {
    expect(seriesOf([makeCase(scan(0.13, 2))], UNKNOWN_ENGINE)).toEqual([]);
    expect(softwareChanges([record])).toEqual([
      expect.objectContaining({ unit: '7E8', from: 'A1', to: 'A2' }),
    ]);
  });
});

test('how fast it warms up, from recordings of a cold engine put to the same span; a warm one says nothing', () => {
  const coolant = (first: number, last: number) => ({
    count: 60,
    mean: (first + last) / 2,
    min: Math.min(first, last),
    max: Math.max(first, last),
    first,
    last,
    swings: 0,
  });
  const recording = (state: 'driving' | 'idle-warm', first: number, last: number, seconds: number) => ({
    kind: 'recording' as const,
    recording: 'rec_1',
    title: 'A drive',
    seconds,
    samples: 60,
    channels: [],
    marks: [],
    windows: [{ state, seconds, stats: { coolant: coolant(first, last) } }],
  });
  const found = seriesOf(
    [
      makeCase(
        recording('driving', 20, 70, 480),
        recording('driving', 30, 55, 360),
        recording('driving', 30, 34, 360),
        recording('idle-warm', 60, 75, 60),
        recording('driving', 60, 89, 300),
      ),
    ],
    UNKNOWN_ENGINE,
  );
  expect(found).toHaveLength(1);
  expect(found[0]).toMatchObject({ id: 'warm-up:driving', unit: 'min', limit: { value: 15, side: 'most' } });
  expect(found[0]?.points.map((p) => p.value)).toEqual([8, 12]);
});
