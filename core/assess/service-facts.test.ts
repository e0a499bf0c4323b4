import { assess, vehicleHistory } from '@pincer/core/assess';
import { CAR, NOW, makeCase, makeScan, saw, scanEntry } from '../test/make-case.ts';

const MISFIRE = scanEntry(makeScan(['P0300']));
const at = (years: number): string => `${NOW.getUTCFullYear() - years}-03-01`;
const withPlugs = (years: number) => ({
  ...CAR,
  distanceKm: 90_000,
  service: { done: [{ item: 'plugs', at: at(years), km: 20_000, cost: 60 }] },
});
const chance = (a: ReturnType<typeof assess>) =>
  a.causes.find((c) => c.id === 'plugs-overdue')?.probability ?? 0;

test('plugs that are overdue by the vehicle’s service speak as the owner’s word does', () => {
  const overdue = assess(makeCase(MISFIRE), withPlugs(9), NOW);
  const told = assess(makeCase(MISFIRE, saw('before:plugs-old')), { ...CAR, distanceKm: 90_000 }, NOW);
  const fresh = assess(
    makeCase(MISFIRE),
    { ...CAR, distanceKm: 90_000, service: { done: [{ item: 'plugs', at: at(1), km: 85_000 }] } },
    NOW,
  );
  expect(overdue.facts.find((f) => f.id === 'service:plugs')?.title).toBe('Spark plugs: overdue');
  expect(chance(overdue)).toBeGreaterThan(1.5 * chance(fresh));
  expect(chance(overdue)).toBeCloseTo(chance(told), 1);
});

test('what the owner answered wins, and a vehicle without a book says nothing', () => {
  const denied = assess(makeCase(MISFIRE, saw('before:plugs-old', 'no')), withPlugs(9), NOW);
  expect(denied.facts.some((f) => f.id === 'service:plugs')).toBe(false);
  const none = assess(
    makeCase(MISFIRE),
    { ...CAR, year: NOW.getUTCFullYear() - 12, distanceKm: 200_000 },
    NOW,
  );
  expect(none.facts.some((f) => f.id.startsWith('service:'))).toBe(false);
});

test('what service cost is among what was spent', () => {
  const { spending } = vehicleHistory([], withPlugs(2).service);
  expect(spending).toEqual([expect.objectContaining({ what: 'Spark plugs', cost: 60, distanceKm: 20_000 })]);
});
