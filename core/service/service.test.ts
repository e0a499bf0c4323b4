import { FUELS, type Vehicle } from '@pincer/core/vehicle';
import { CAR } from '../test/make-case.ts';
import { SERVICE_ITEMS, kmPerYear, serviceDue } from './index.ts';

const NOW = new Date('2026-11-27T12:00:00.000Z');
const vehicle: Vehicle = {
  ...CAR,
  fuel: 'petrol',
  kind: 'car',
  year: 2016,
  distanceKm: 100_000,
  service: { done: [] },
};
const row = (v: Vehicle, id: string) => serviceDue(v, NOW).find((r) => r.item.id === id);
const oilDone = (at: string, km?: number): Vehicle => ({
  ...vehicle,
  service: { done: [{ item: 'oil', at, ...(km === undefined ? {} : { km }) }] },
});

describe('service by distance and date', () => {
  test('whichever comes first: distance by what is driven in a year, else the date', () => {
    // 10,000 km a year: 15,000 km last 18 months, and twelve months come first.
    expect(kmPerYear(vehicle, NOW)).toBe(10_000);
    expect(row(oilDone('2026-06-01', 95_000), 'oil')).toMatchObject({
      dueAt: '2027-06-01',
      dueKm: 110_000,
      leftKm: 10_000,
      status: 'later',
    });
    // 100 km left at 10,000 a year are four days.
    const near = row(oilDone('2026-09-01', 85_100), 'oil');
    expect(near).toMatchObject({ leftKm: 100, status: 'soon' });
    expect(near?.leftDays).toBe(4);
  });

  test('overdue by either, and what nobody knows is not overdue', () => {
    expect(row(oilDone('2025-10-01', 99_000), 'oil')?.status).toBe('overdue');
    expect(row(oilDone('2026-11-01', 80_000), 'oil')?.status).toBe('overdue');
    expect(row(vehicle, 'oil')).toMatchObject({ status: 'not-known', last: null, dueAt: null });
    // A young vehicle had it when it was made.
    expect(row({ ...vehicle, year: 2026, distanceKm: 3_000 }, 'oil')?.status).toBe('later');
  });

  test('the handbook’s interval is typed over the usual one', () => {
    const own: Vehicle = {
      ...vehicle,
      service: {
        done: [{ item: 'oil', at: '2026-01-10', km: 92_000 }],
        intervals: { oil: { km: 30_000, months: 24 } },
      },
    };
    expect(row(own, 'oil')).toMatchObject({ isOwn: true, dueKm: 122_000, status: 'later' });
  });

  test('each kind of vehicle has its own items, the most urgent first', () => {
    const ids = (v: Partial<Vehicle>) => serviceDue({ ...vehicle, ...v }, NOW).map((r) => r.item.id);
    expect(ids({ fuel: 'electric' })).not.toContain('oil');
    expect(ids({ fuel: 'diesel' })).not.toContain('plugs');
    expect(ids({ kind: 'motorcycle' })).toContain('chain');
    expect(ids({ kind: 'motorcycle' })).not.toContain('cabin-filter');
    for (const fuel of FUELS) expect(ids({ fuel }).length).toBeGreaterThan(3);
    const order = serviceDue(oilDone('2025-10-01', 99_000), NOW).map((r) => r.status);
    expect(order[0]).toBe('overdue');
    expect(order.at(-1)).toBe('not-known');
    expect(new Set(SERVICE_ITEMS.map((i) => i.id)).size).toBe(SERVICE_ITEMS.length);
  });
});
