import fc from 'fast-check';
import type { Lesson, OwnPrice } from '@pincer/core/case';
import { CAR, NOW } from '../test/make-case.ts';
import { experienceFactor, instancesFor, repairCost, shopPrice, withExperience } from './index.ts';
import { DEFAULT_OWNER } from '@pincer/core/case';

const lesson = (cause: string, more: Partial<Lesson> = {}): Lesson => ({
  case: 'case_1',
  vehicle: 'veh_1',
  cause,
  at: '2026-04-12T10:00:00.000Z',
  isProven: true,
  cost: null,
  shop: null,
  minutes: null,
  ...more,
});
const NONE: ReadonlyMap<string, OwnPrice> = new Map();
const all = instancesFor(CAR, NOW);

describe('experience moves the library, and does not replace it', () => {
  test('by hand: a share of 5 %, once in one case: (20 x 0.05 + 1) / 21 = 0.095', () => {
    expect(experienceFactor(0.05, 1, 1)).toBeCloseTo(2 / 21 / 0.05, 9);
    expect(experienceFactor(0.05, 0, 0)).toBe(1);
  });

  test('capped both ways, and more of the same never makes it less likely', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.001, max: 0.9, noNaN: true }),
        fc.integer({ min: 0, max: 30 }),
        fc.integer({ min: 0, max: 30 }),
        (share, times, others) => {
          const factor = experienceFactor(share, times, times + others);
          expect(factor).toBeLessThanOrEqual(3);
          expect(factor).toBeGreaterThanOrEqual(1 / 1.5);
          expect(experienceFactor(share, times + 1, times + others + 1)).toBeGreaterThanOrEqual(
            factor - 1e-9,
          );
        },
      ),
    );
  });

  test('what it was before is likelier, the others a little less, and nothing else changes', () => {
    const moved = withExperience(all, { lessons: [lesson('maf-dirty')], prices: NONE });
    const of = (list: typeof all, id: string) => list.find((i) => i.id === id)?.prior ?? 0;
    expect(of(moved, 'maf-dirty')).toBeGreaterThan(1.5 * of(all, 'maf-dirty'));
    expect(of(moved, 'fuel-cap')).toBeLessThan(of(all, 'fuel-cap'));
    expect(moved.map((i) => i.id)).toEqual(all.map((i) => i.id));
    expect(withExperience(all, { lessons: [], prices: NONE })).toEqual(all);
  });

  test('what it cost before, or what was typed, is what it costs; typed outranks', () => {
    const at = (prices: ReadonlyMap<string, OwnPrice>) => {
      const own = withExperience(all, { lessons: [lesson('coil', { cost: 30, minutes: 12 })], prices });
      const coil = own.find((i) => i.id === 'coil:2');
      if (!coil) throw new Error('no coil');
      return coil;
    };
    expect(at(NONE).cause.repair).toMatchObject({ parts: 30, ownerMinutes: 12 });
    // What a workshop asked is its own price, and none of the parts.
    const byShop = withExperience(all, { lessons: [lesson('coil', { shop: 210 })], prices: NONE }).find(
      (i) => i.id === 'coil:2',
    );
    expect(byShop?.cause.repair.parts).toBe(all.find((i) => i.id === 'coil:2')?.cause.repair.parts);
    expect(byShop && shopPrice(byShop, DEFAULT_OWNER)).toBe(210);
    const typed = at(new Map([['coil', { parts: 80, shop: 150 }]]));
    expect(typed.cause.repair.parts).toBe(80);
    expect(shopPrice(typed, DEFAULT_OWNER)).toBe(150);
    expect(repairCost(typed, DEFAULT_OWNER)).toBeGreaterThan(repairCost(at(NONE), DEFAULT_OWNER));
  });
});
