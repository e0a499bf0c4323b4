import fc from 'fast-check';
import { downsample, indexAt, statOf } from './index.ts';

const values = fc.array(fc.double({ min: -1e4, max: 1e4, noNaN: true }), { minLength: 1, maxLength: 400 });

describe('statistics', () => {
  test('of any span the same as written out plainly', () => {
    fc.assert(
      fc.property(values, fc.nat(), fc.nat(), (list, a, b) => {
        const from = Math.min(a % list.length, b % list.length);
        const to = Math.max(a % list.length, b % list.length);
        const part = list.slice(from, to + 1);
        const stat = statOf(list, from, to, 10);
        expect(stat).toMatchObject({
          count: part.length,
          min: Math.min(...part),
          max: Math.max(...part),
          first: part[0],
          last: part.at(-1),
        });
        expect(stat?.mean).toBeCloseTo(part.reduce((s, v) => s + v, 0) / part.length, 6);
      }),
    );
    expect(statOf([1, 2], 1, 0, 1)).toBeNull();
  });

  test('swings: a square wave of 1 Hz swings twenty times in ten seconds, noise about one side does not', () => {
    const square = Array.from({ length: 200 }, (_, i) => (Math.floor(i / 10) % 2 === 0 ? 0.1 : 0.9));
    expect(statOf(square, 0, 199, 10)?.swings).toBe(19);
    const noisy = Array.from({ length: 200 }, (_, i) => 0.7 + (i === 5 ? 1 : 0) + (i % 2) * 0.01);
    expect(statOf(noisy, 0, 199, 10)?.swings).toBe(2);
  });

  test('thinned traces keep the order of time and every extreme', () => {
    fc.assert(
      fc.property(values, fc.integer({ min: 1, max: 50 }), (list, buckets) => {
        const times = list.map((_, i) => i * 0.1);
        const thin = downsample(times, list, buckets);
        expect(thin.times.length).toBeLessThanOrEqual(
          Math.max(buckets * 2, Math.min(list.length, buckets * 2)),
        );
        expect(thin.times).toEqual([...thin.times].sort((a, b) => a - b));
        expect(Math.max(...thin.values)).toBe(Math.max(...list));
        expect(Math.min(...thin.values)).toBe(Math.min(...list));
        thin.times.forEach((t, i) => expect(list[times.indexOf(t)]).toBe(thin.values[i]));
      }),
    );
  });

  test('the sample at a time is the last one not after it', () => {
    fc.assert(
      fc.property(
        fc.uniqueArray(fc.integer({ min: 0, max: 500 })),
        fc.integer({ min: -5, max: 505 }),
        (list, at) => {
          const times = list.sort((a, b) => a - b);
          expect(indexAt(times, at)).toBe(times.filter((t) => t <= at).length - 1);
        },
      ),
    );
  });
});
