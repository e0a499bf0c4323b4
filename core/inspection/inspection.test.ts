import fc from 'fast-check';
import { foldCase } from '@pincer/core/case';
import { MONITOR_NAMES, type MonitorId } from '@pincer/core/obd';
import type { UsualTrip, Vehicle } from '@pincer/core/vehicle';
import { CAR, NOW, makeCase, makeScan, scanEntry } from '../test/make-case.ts';
import { ENABLING, drivePlan, inspectionView, tripServes } from './index.ts';

const ALL = [
  'misfire',
  'fuel',
  'components',
  'catalyst',
  'evaporative',
  'oxygen-sensor',
  'oxygen-heater',
  'egr',
];
const without = (...open: string[]) => ALL.filter((m) => !open.includes(m));
const bulb = { kind: 'bulb', answer: 'lights' } as const;

/** A case whose memory holds these codes, with these self-checks open. */
const seen = (codes: string[], open: string[], live: Record<string, number> = {}) =>
  foldCase(makeCase(scanEntry(makeScan(codes, live, { ran: without(...open) })), bulb));

const view = (
  vehicle: Partial<Vehicle>,
  codes: string[],
  open: string[] = [],
  live: Record<string, number> = {},
) => {
  const found = inspectionView(seen(codes, open, live), { ...CAR, ...vehicle }, NOW);
  if (!found) throw new Error('no view');
  return found;
};

describe('the rules, by table', () => {
  const diesel = { fuel: 'diesel' } as const;
  test.each<[string, Partial<Vehicle>, string[], string[], string]>([
    // Socket read, by count.
    ['count: none open', { inspectionRule: 'count' }, [], [], 'pass'],
    ['count: one open on a 2012', { inspectionRule: 'count' }, [], ['evaporative'], 'pass'],
    ['count: two open on a 2012', { inspectionRule: 'count' }, [], ['evaporative', 'catalyst'], 'fail'],
    [
      'count: two open on a 1999',
      { inspectionRule: 'count', year: 1999 },
      [],
      ['evaporative', 'catalyst'],
      'pass',
    ],
    [
      'count: three open on a 1999',
      { inspectionRule: 'count', year: 1999 },
      [],
      ['evaporative', 'catalyst', 'egr'],
      'fail',
    ],
    [
      'count: older than the standard',
      { inspectionRule: 'count', year: 1994 },
      [],
      ['evaporative', 'catalyst', 'egr'],
      'pass',
    ],
    ['count: diesel, one', { inspectionRule: 'count', ...diesel }, [], ['egr'], 'pass'],
    ['count: a pending code lights nothing', { inspectionRule: 'count' }, ['P0420:pending'], [], 'pass'],
    ['count: the light is commanded on', { inspectionRule: 'count' }, ['P0420'], [], 'fail'],
    // Strict.
    ['strict: the fuel vapour check alone', { inspectionRule: 'strict' }, [], ['evaporative'], 'pass'],
    ['strict: another one', { inspectionRule: 'strict' }, [], ['catalyst'], 'fail'],
    ['strict: any one on a 1998', { inspectionRule: 'strict', year: 1998 }, [], ['catalyst'], 'pass'],
    [
      'strict: an early diesel, none',
      { inspectionRule: 'strict', ...diesel, year: 2004 },
      [],
      ['egr'],
      'fail',
    ],
    ['strict: a permanent code', { inspectionRule: 'strict' }, ['P0420:permanent'], [], 'fail'],
    [
      'strict: a permanent code before 2010',
      { inspectionRule: 'strict', year: 2008 },
      ['P0420:permanent'],
      [],
      'pass',
    ],
    [
      'count: a permanent code is not asked for',
      { inspectionRule: 'count' },
      ['P0420:permanent'],
      [],
      'pass',
    ],
    // The light alone.
    [
      'lamp: open self-checks are not read',
      { inspectionRule: 'lamp' },
      [],
      ['catalyst', 'egr', 'evaporative'],
      'pass',
    ],
    ['lamp: on', { inspectionRule: 'lamp' }, ['P0420'], [], 'fail'],
    // Which rule, where nobody chose.
    ['USA: read', { market: 'USA' }, [], ['catalyst', 'egr'], 'fail'],
    ['EU: looked at', { market: 'EU' }, [], ['catalyst', 'egr'], 'pass'],
    ['a motorcycle is looked at', { market: 'USA', kind: 'motorcycle' }, [], ['catalyst', 'egr'], 'pass'],
  ])('%s', (_, vehicle, codes, open, verdict) => {
    expect(view(vehicle, codes, open).verdict).toBe(verdict);
  });

  test('a permanent code no longer counts after enough warm-ups and distance, both of them', () => {
    const strict = (live: Record<string, number>) =>
      view({ inspectionRule: 'strict' }, ['P0420:permanent'], [], live).verdict;
    expect(strict({ '30': 15, '31': 322 })).toBe('pass');
    expect(strict({ '30': 15, '31': 100 })).toBe('fail');
    expect(strict({ '30': 3, '31': 900 })).toBe('fail');
  });

  test('what nobody has looked at is never called a pass', () => {
    const nothing = foldCase(makeCase());
    const at = (state: typeof nothing, vehicle: Partial<Vehicle> = {}) =>
      inspectionView(state, { ...CAR, ...vehicle }, NOW)?.verdict;
    expect(at(nothing)).toBe('cannot-tell');
    const out = { kind: 'lamp', lamp: 'engine', mode: 'out' } as const;
    expect(at(foldCase(makeCase(out)))).toBe('cannot-tell');
    expect(at(foldCase(makeCase(out, bulb)))).toBe('pass');
    expect(at(foldCase(makeCase(out, bulb)), { inspectionRule: 'count' })).toBe('cannot-tell');
    expect(at(foldCase(makeCase(out, { kind: 'bulb', answer: 'does-not' })))).toBe('fail');
    const cleared = makeCase(scanEntry(makeScan([])), bulb, {
      kind: 'clear',
      afterScan: 'ent_1',
      outcome: 'agreed',
    });
    expect(at(foldCase(cleared), { inspectionRule: 'count' })).toBe('cannot-tell');
    expect(at(nothing, { fuel: 'electric' })).toBeUndefined();
    const { year: _, ...noYear } = CAR;
    expect(inspectionView(seen([], ['egr']), { ...noYear, inspectionRule: 'count' }, NOW)?.verdict).toBe(
      'cannot-tell',
    );
  });

  test('each reason that is not a pass says what would change it', () => {
    for (const rule of ['count', 'strict', 'lamp'])
      for (const v of [view({ inspectionRule: rule }, ['P0302', 'P0420:permanent'], ['catalyst', 'egr'])])
        for (const r of v.reasons) expect(r.change === '').toBe(r.says === 'pass');
  });

  test('a code keeps the self-checks behind it from running', () => {
    const { open } = view({ inspectionRule: 'count' }, ['P0302'], ['catalyst', 'evaporative']);
    expect(open.find((o) => o.monitor === 'catalyst')?.blockedBy).toEqual(['P0302']);
    expect(open.find((o) => o.monitor === 'evaporative')?.blockedBy).toEqual([]);
  });
});

// Monday.
const FROM = Date.parse('2026-11-02T00:00:00Z');
const trip = (name: string, road: UsualTrip['road'], minutes: number, perWeek: number): UsualTrip => ({
  name,
  road,
  minutes,
  perWeek,
  distanceKm: minutes,
});

describe('the drives to get there', () => {
  const commute = trip('work', 'country', 30, 5);
  const shop = trip('shop', 'town', 12, 3);
  const sea = trip('sea', 'motorway', 60, 1);

  test('the trip that is made anyway completes what it can, on its day', () => {
    const plan = drivePlan(['catalyst', 'evaporative'], [commute, shop], FROM);
    expect(plan).toMatchObject({ extra: null, readyOn: '2026-11-02' });
    expect(plan.trips).toEqual([
      {
        date: '2026-11-02',
        name: 'work',
        completes: ['catalyst', 'evaporative'],
        isFirst: true,
        tank: [15, 85],
      },
    ]);
    // Twice, and on Saturdays only.
    expect(drivePlan(['particulate-filter'], [sea], FROM)).toMatchObject({ readyOn: '2026-11-14' });
  });

  test('one extra drive for what no usual trip serves', () => {
    const plan = drivePlan(['catalyst', 'oxygen-sensor', 'evaporative'], [shop], FROM);
    expect(plan.trips).toEqual([]);
    expect(plan.extra).toMatchObject({
      afterNight: true,
      coasts: true,
      road: 'country',
      tank: [15, 85],
      times: 1,
    });
    expect(plan.readyOn).toBe('2026-11-02');
  });

  test('against the date of the inspection', () => {
    const at = (inspectionDue: string) =>
      view({ inspectionRule: 'count', inspectionDue, usualTrips: [sea] }, [], ['catalyst', 'egr']);
    expect(at('2026-11-09')).toMatchObject({ due: { days: 6 }, isInTime: true });
    expect(at('2026-11-04')).toMatchObject({ due: { days: 1 }, isInTime: false });
  });

  /** Every choice of the first trip of every day, by hand. */
  function exhaustive(open: readonly MonitorId[], trips: readonly UsualTrip[], days: number): string | null {
    const made = ({ perWeek: n }: UsualTrip) =>
      n === 1 ? [6] : n === 2 ? [6, 0] : n <= 5 ? [1, 2, 3, 4, 5].slice(0, n) : [0, 1, 2, 3, 4, 5, 6];
    const onDay = (d: number) =>
      trips.filter((t) => made(t).includes(new Date(FROM + d * 86_400_000).getUTCDay()));
    const search = (d: number, left: readonly MonitorId[]): number | null => {
      if (left.length === 0) return d - 1;
      if (d >= days) return null;
      const today = onDay(d);
      const warm = left.filter(
        (id) => ENABLING[id].soakHours > 1 || !today.some((t) => tripServes(t, ENABLING[id], 1)),
      );
      const choices = today.map((first) =>
        search(
          d + 1,
          warm.filter((id) => ENABLING[id].soakHours <= 1 || !tripServes(first, ENABLING[id], 8)),
        ),
      );
      const ends = (choices.length > 0 ? choices : [search(d + 1, warm)]).filter((e) => e !== null);
      return ends.length > 0 ? Math.min(...ends) : null;
    };
    const end = search(0, open);
    return end === null ? null : new Date(FROM + end * 86_400_000).toISOString().slice(0, 10);
  }

  test('no order of trips is ready earlier: exhaustive search on small weeks', () => {
    const ids = (Object.keys(MONITOR_NAMES) as MonitorId[]).filter((id) => ENABLING[id].trips === 1);
    const anyTrip = fc.record({
      name: fc.constantFrom('a', 'b', 'c'),
      road: fc.constantFrom<UsualTrip['road']>('town', 'country', 'motorway'),
      minutes: fc.integer({ min: 8, max: 40 }),
      distanceKm: fc.constant(10),
      perWeek: fc.integer({ min: 1, max: 5 }),
    });
    fc.assert(
      fc.property(
        fc.uniqueArray(fc.constantFrom(...ids), { minLength: 1, maxLength: 5 }),
        fc.array(anyTrip, { minLength: 1, maxLength: 3 }),
        (open, trips) => {
          const { readyOn, extra } = drivePlan(open, trips, FROM);
          const best = exhaustive(open, trips, 9);
          if (best !== null) expect([readyOn, extra]).toEqual([best, null]);
        },
      ),
      { numRuns: 300 },
    );
  });
});
