import fc from 'fast-check';
import { CAUSES } from '@pincer/core/knowledge';
import { WEARING_SETS, failedBy, failsWithin, oneOrSet } from './index.ts';

const PLUGS = { parts: 'plugs', count: null, shape: 2, lifeKm: 100_000, sharedWork: 0.5 };

describe('one or the whole set', () => {
  test('Weibull: 63 % by the characteristic life, none at nothing; age makes the next stretch worse', () => {
    expect(failedBy(100_000, PLUGS)).toBeCloseTo(1 - Math.exp(-1), 9);
    expect(failedBy(0, PLUGS)).toBe(0);
    // (F(1.5) - F(1)) / (1 - F(1)) with shape 2 is 1 - exp(-(2.25 - 1)).
    expect(failsWithin(50_000, 100_000, PLUGS)).toBeCloseTo(1 - Math.exp(-1.25), 9);
    // What fails at random knows no age.
    const random = { shape: 1, lifeKm: 100_000 };
    expect(failsWithin(30_000, 0, random)).toBeCloseTo(failsWithin(30_000, 90_000, random), 9);
  });

  test('by hand: four of 10 each and 40 of work, at 100,000 km, kept for 50,000', () => {
    const a = oneOrSet({ set: PLUGS, count: 4, price: 10, work: 40, ageKm: 100_000, keptKm: 50_000 });
    const [aged, fresh] = [1 - Math.exp(-1.25), 1 - Math.exp(-0.25)];
    expect(a.one.now).toBe(50);
    expect(a.one.later).toBeCloseTo((3 * aged + fresh) * 50, 9);
    expect(a.all.now).toBe(40 + 40 * 2.5);
    expect(a.all.later).toBeCloseTo(4 * fresh * 50, 9);
  });

  test('against drawn lives: the mean of many is the reckoned one', () => {
    // A fixed draw of evenly spread chances, so that the test is the same each time.
    const draws = Array.from({ length: 4_000 }, (_, n) => (n + 0.5) / 4_000);
    const life = (u: number) => PLUGS.lifeKm * (-Math.log1p(-u)) ** (1 / PLUGS.shape);
    const alive = draws.map(life).filter((km) => km > 80_000);
    const failing = alive.filter((km) => km <= 120_000).length / alive.length;
    expect(failsWithin(40_000, 80_000, PLUGS)).toBeCloseTo(failing, 2);
  });

  test('where it tips, a little less kept is one part and a little more the set; dearer parts tip later or never', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 5, max: 60, noNaN: true }),
        fc.double({ min: 10, max: 150, noNaN: true }),
        fc.integer({ min: 40_000, max: 200_000 }),
        (price, work, ageKm) => {
          const ask = (keptKm: number) => oneOrSet({ set: PLUGS, count: 4, price, work, ageKm, keptKm });
          const { tipsAtKm } = ask(30_000);
          if (tipsAtKm === null) return;
          expect(ask(tipsAtKm + 1).isAllCheaper).toBe(true);
          expect(ask(Math.max(0, tipsAtKm - 1)).isAllCheaper).toBe(false);
        },
      ),
    );
  });

  test('sets are of causes that there are', () => {
    for (const id of Object.keys(WEARING_SETS)) expect(CAUSES.map((c) => c.id)).toContain(id);
  });
});
