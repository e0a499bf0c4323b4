import { CAR } from '../test/make-case.ts';
import {
  acceptCode,
  acceptedNow,
  ageOf,
  cylindersOf,
  socketPlaces,
  wheelSideOf,
  vehicleSchema,
  withdrawCode,
  type Vehicle,
} from './index.ts';

const AT = new Date('2026-11-03T12:00:00Z');

describe('what may be reckoned with', () => {
  test.each<[string, Partial<Vehicle>, number]>([
    ['as the owner says', { cylinders: 6 }, 6],
    ['a car without a word on it', { cylinders: undefined }, 4],
    ['a motorcycle without a word on it', { cylinders: undefined, kind: 'motorcycle' }, 2],
  ])('cylinders: %s', (_, more, n) => expect(cylindersOf({ ...CAR, ...more })).toBe(n));

  test.each<[number | undefined, number | null]>([
    [2012, 14],
    [2026, 0],
    [2027, 0],
    [undefined, null],
  ])('age of one from %s: %s', (year, age) => expect(ageOf({ ...CAR, year }, AT)).toBe(age));
});

describe('known and accepted codes', () => {
  const first = acceptCode(CAR, 'P0420', 'sports catalyst', '2026-01-01T00:00:00.000Z');

  test('accepted with reason and date; accepted again, it keeps its date and has the new reason', () => {
    expect(acceptedNow(first).get('P0420')).toMatchObject({
      reason: 'sports catalyst',
      since: '2026-01-01T00:00:00.000Z',
    });
    const again = acceptCode(
      first,
      'P0420',
      'sports catalyst, papers in the car',
      '2026-05-01T00:00:00.000Z',
    );
    expect(again.acceptedCodes).toHaveLength(1);
    expect(acceptedNow(again).get('P0420')).toMatchObject({
      reason: 'sports catalyst, papers in the car',
      since: '2026-01-01T00:00:00.000Z',
    });
  });

  test('taken back it counts again, stays on record, and may be accepted anew', () => {
    const back = withdrawCode(first, 'P0420', '2026-03-01T00:00:00.000Z');
    expect(acceptedNow(back).size).toBe(0);
    expect(back.acceptedCodes).toMatchObject([{ code: 'P0420', until: '2026-03-01T00:00:00.000Z' }]);
    const anew = acceptCode(back, 'P0420', 'again', '2026-04-01T00:00:00.000Z');
    expect(anew.acceptedCodes).toHaveLength(2);
    expect([...acceptedNow(anew).keys()]).toEqual(['P0420']);
    expect(vehicleSchema.safeParse(anew).success).toBe(true);
  });

  test('neither changes the vehicle that it was given', () => {
    const before = structuredClone(first);
    withdrawCode(first, 'P0420', '2026-03-01T00:00:00.000Z');
    acceptCode(first, 'P0300', 'x', '2026-03-01T00:00:00.000Z');
    expect(first).toEqual(before);
  });
});

test.each<[string, Partial<Record<keyof Vehicle, unknown>>]>([
  ['a year before cars', { year: 1800 }],
  ['half a cylinder', { cylinders: 3.5 }],
  ['a negative distance', { distanceKm: -1 }],
  ['a height where nobody lives', { heightM: 9_000 }],
  ['no name', { name: '' }],
  ['another kind of id', { id: 'case_1' }],
  [
    'an accepted code that is none',
    { acceptedCodes: [{ code: 'PO302', reason: 'x', since: AT.toISOString() }] },
  ],
])('a vehicle with %s is refused', (_, more) => {
  expect(vehicleSchema.safeParse({ ...CAR, ...more }).success).toBe(false);
});

test('the way to the socket is told for a wheel on either side', () => {
  const flap = (side: 'left' | 'right') =>
    socketPlaces('car', side).find((p) => p.at === 'beside-column')?.title;
  expect(flap('left')).toContain('to the left of');
  expect(flap('right')).toContain('to the right of');
  expect(wheelSideOf('Australia')).toBe('right');
  expect(wheelSideOf(undefined)).toBe('left');
});

test.each(['car', 'van', 'motorcycle'] as const)(
  'where to look for the socket of a %s: likeliest first, each with its words',
  (kind) => {
    const places = socketPlaces(kind, 'left');
    expect(places.length).toBeGreaterThan(1);
    for (const p of places)
      expect(Object.values(p).filter((v) => typeof v === 'string' && v !== '').length).toBeGreaterThan(1);
    expect(JSON.stringify(places[0]).includes('seat')).toBe(kind === 'motorcycle');
  },
);
