import fc from 'fast-check';
import { DEFAULT_OWNER, REGIONS, inRegion, ownerOf } from '@pincer/core/case';
import { helpAt, helpOf, instancesFor, repairCost, repairPlan, workshopCost } from '@pincer/core/diagnosis';
import { CAR, NOW } from '../test/make-case.ts';
import { askedFrom, chanceFrom, hourlyUpTo, tippingPoint, toolChoice, type Stakes } from './index.ts';

const ALL = instancesFor(CAR, NOW);
const isOwn = (chances: Float64Array, owner: typeof DEFAULT_OWNER, asked?: number): boolean =>
  repairPlan(
    chances,
    Float64Array.from(ALL, (i) => repairCost(i, owner)),
    asked === undefined ? helpOf(ALL, chances, owner) : helpAt(asked, owner),
  ).order.length > 0;

/** Chances over a few causes, one of them leading. */
const stakes = fc
  .tuple(
    fc.uniqueArray(fc.nat(ALL.length - 1), { minLength: 2, maxLength: 5 }),
    fc.double({ min: 0.2, max: 0.9, noNaN: true }),
    fc.integer({ min: 0, max: 60 }),
  )
  .map(([places, first, ownHourly]): Stakes => {
    const chances = new Float64Array(ALL.length);
    places.forEach((at, n) => (chances[at] = n === 0 ? first : (1 - first) / (places.length - 1)));
    return { instances: ALL, chances, owner: { ...DEFAULT_OWNER, ownHourly }, lead: places[0] ?? 0 };
  });

describe('where the choice tips', () => {
  test('halving finds a step, and says where there is none', () => {
    expect(tippingPoint((x) => x >= 3.25, 0, 10)).toBeCloseTo(3.25, 4);
    expect(tippingPoint(() => true, 0, 10)).toBeNull();
    expect(tippingPoint(() => false, 0, 10)).toBeNull();
  });

  test('a workshop that asks a little less is the cheaper way, one that asks a little more is not', () => {
    fc.assert(
      fc.property(stakes, (s) => {
        const asked = askedFrom(s);
        if (asked === null) return;
        expect(isOwn(s.chances, s.owner, asked - 0.01)).toBe(false);
        expect(isOwn(s.chances, s.owner, asked + 0.01)).toBe(true);
        // The same side as the choice now.
        if (Math.abs(asked - workshopCost(ALL, s.chances, s.owner)) > 0.02)
          expect(workshopCost(ALL, s.chances, s.owner) > asked).toBe(isOwn(s.chances, s.owner));
      }),
    );
  });

  test('a dearer hour turns to help at the hour that is named', () => {
    fc.assert(
      fc.property(stakes, (s) => {
        const hourly = hourlyUpTo(s);
        if (hourly === null) return;
        expect(isOwn(s.chances, { ...s.owner, ownHourly: hourly - 0.01 })).toBe(true);
        expect(isOwn(s.chances, { ...s.owner, ownHourly: hourly + 0.01 })).toBe(false);
      }),
    );
  });

  test('a likelier first cause turns to the own repair at the chance that is named', () => {
    fc.assert(
      fc.property(stakes, (s) => {
        const chance = chanceFrom(s);
        if (chance === null) return;
        const moved = (to: number) => {
          const others = 1 - (s.chances[s.lead] ?? 0);
          return s.chances.map((p, i) => (i === s.lead ? to : (p * (1 - to)) / others));
        };
        expect(isOwn(moved(chance - 1e-4), s.owner)).toBe(false);
        expect(isOwn(moved(chance + 1e-4), s.owner)).toBe(true);
      }),
    );
  });
});

describe('ways to have it read', () => {
  test('the cheapest first, money and time together; nobody reads other units at a counter for nothing', () => {
    for (const hourly of [0, 10, 100]) {
      const { ways } = toolChoice(new Set(['codes']), { ...DEFAULT_OWNER, ownHourly: hourly });
      const costs = ways.map((w) => w.cost);
      expect(costs).toEqual([...costs].sort((a, b) => a - b));
      expect(ways.map((w) => w.id)).toContain('reads-for-nothing');
    }
    expect(toolChoice(new Set(['units']), DEFAULT_OWNER).ways.map((w) => w.id)).not.toContain(
      'reads-for-nothing',
    );
    expect(toolChoice(new Set(['codes']), DEFAULT_OWNER).ways[0]).toMatchObject({
      id: 'borrow',
      minutes: 40,
    });
    expect(toolChoice(new Set(['codes']), { ...DEFAULT_OWNER, ownHourly: 100 }).ways[0]?.id).toBe('buy');
  });
});

describe('regions', () => {
  test('every one has figures that can be, and fills in rates without touching units or words', () => {
    for (const [id, region] of Object.entries(REGIONS)) {
      const owner = inRegion({ ...DEFAULT_OWNER, units: 'imperial' }, id);
      expect(owner).toMatchObject({ region: id, currency: region.currency, units: 'imperial' });
      // A workshop's hour costs more than an owner puts their own at, and less than fifty small parts.
      expect(region.shopHourly).toBeGreaterThan(region.ownHourly);
      expect(region.shopHourly).toBeLessThan(200 * region.priceLevel);
      expect(region.shopDiagnosis).toBeGreaterThan(0.3 * region.shopHourly);
    }
    expect(inRegion(DEFAULT_OWNER, 'nowhere')).toEqual(DEFAULT_OWNER);
    expect(ownerOf('sv-SE')).toMatchObject({
      currency: 'SEK',
      locale: 'sv-SE',
      priceLevel: 11.5,
      region: 'SE',
    });
    expect(inRegion(ownerOf('en-IE'), 'SE')).toMatchObject({ currency: 'SEK', locale: 'en-SE' });
    expect(inRegion(ownerOf('fr-CA'), 'CA').locale).toBe('fr-CA');
    expect(inRegion(ownerOf('de-AT'), 'EU').locale).toBe('de-AT');
    expect(ownerOf('pt-PT')).toMatchObject({ region: 'ES', currency: 'EUR' });
  });
});
