import { MARKETS, socketCoverage, type Market, type Vehicle } from './index.ts';

const car = (over: Partial<Vehicle>): Vehicle => ({
  id: 'veh_1',
  name: 'x',
  kind: 'car',
  fuel: 'petrol',
  aspiration: 'unknown',
  market: 'EU',
  ...over,
});

describe('does this car have it?', () => {
  test.each<[string, Partial<Vehicle>, string]>([
    ['EU petrol 2001', { year: 2001 }, 'yes'],
    ['EU petrol 1999', { year: 1999 }, 'likely'],
    ['EU petrol 1995', { year: 1995 }, 'unlikely'],
    ['EU diesel 2002', { year: 2002, fuel: 'diesel' }, 'likely'],
    ['EU diesel 2004', { year: 2004, fuel: 'diesel' }, 'yes'],
    ['USA 1996', { year: 1996, market: 'USA' }, 'yes'],
    ['USA 1993', { year: 1993, market: 'USA' }, 'unlikely'],
    ['Canada 1998', { year: 1998, market: 'Canada' }, 'yes'],
    ['Australia petrol 2005', { year: 2005, market: 'Australia' }, 'likely'],
    ['Australia diesel 2007', { year: 2007, market: 'Australia', fuel: 'diesel' }, 'yes'],
    ['China 2008', { year: 2008, market: 'China' }, 'yes'],
    ['India 2011', { year: 2011, market: 'India' }, 'likely'],
    ['Brazil 2010', { year: 2010, market: 'Brazil' }, 'yes'],
    ['motorcycle 2019', { year: 2019, kind: 'motorcycle' }, 'likely'],
    ['motorcycle 2022', { year: 2022, kind: 'motorcycle' }, 'yes'],
    ['motorcycle 2010', { year: 2010, kind: 'motorcycle' }, 'unlikely'],
    ['electric', { year: 2022, fuel: 'electric' }, 'unlikely'],
    ['no year', {}, 'unknown'],
    ['a market that is not known is never a certain yes', { year: 2020, market: 'Atlantis' }, 'likely'],
  ])('%s: %s', (_, over, verdict) => {
    const c = socketCoverage(car(over));
    expect(c.verdict).toBe(verdict);
    expect(c.reason).toMatch(/\.$/);
    expect(c.howToTell).toMatch(/\.$/);
  });

  test('in no market does a newer car have it less', () => {
    const rank = { unlikely: 0, likely: 1, yes: 2, unknown: -1 };
    for (const market of Object.keys(MARKETS) as Market[])
      for (const fuel of ['petrol', 'diesel'] as const) {
        const ranks = Array.from(
          { length: 40 },
          (_, i) => rank[socketCoverage(car({ market, fuel, year: 1985 + i })).verdict],
        );
        expect(ranks).toEqual([...ranks].sort((a, b) => a - b));
        expect(ranks.at(-1)).toBe(2);
      }
  });
});
