import type { Vehicle } from '@pincer/core/vehicle';
import { CAR, NOW, makeCase, makeScan, scanEntry } from '../test/make-case.ts';
import { assess } from './index.ts';

type Step = Parameters<typeof makeCase>[number];
const repair: Step = { kind: 'repair', cause: 'coil-boot:2' };
const clear: Step = { kind: 'clear', afterScan: 'ent_1', outcome: 'agreed' };
const good: Step = { kind: 'drive', metConditions: 'yes', cameBack: 'no' };
const empty = scanEntry(makeScan([], {}, { ran: ['misfire'] }));
const toWork = { name: 'To work', road: 'country', minutes: 25, distanceKm: 22, perWeek: 5 } as const;

const waiting = (vehicle: Partial<Vehicle>, steps: readonly Step[], now = NOW) =>
  assess(makeCase(...steps), { ...CAR, ...vehicle }, now).waiting;
const begun = [scanEntry(makeScan(['P0302'])), repair, clear, empty, good] as const;

describe('what a case waits for', () => {
  test('drives, and the day on which the usual trips have made them: as many as the proof says', () => {
    const found = assess(makeCase(...begun), { ...CAR, usualTrips: [toWork] }, NOW);
    const { drives, earliest } = found.waiting;
    expect(drives).toBe(found.proof.needed.find((n) => n.level === 0.95)?.trips);
    expect(drives).toBeGreaterThan(0);
    // A Tuesday; five a week are the working days, from Wednesday on, one drive a day.
    const day = new Date(`${earliest}T00:00:00Z`);
    const days = Array.from({ length: 28 }, (_, i) => new Date(Date.UTC(2026, 10, 4 + i)));
    const working = days.filter((d) => d.getUTCDay() >= 1 && d.getUTCDay() <= 5);
    expect(day).toEqual(working[drives - 1]);
  });

  test('without usual trips no day is promised; without a repair or a clear no drive is asked for', () => {
    expect(waiting({}, begun)).toMatchObject({ earliest: null });
    expect(waiting({ usualTrips: [toWork] }, [scanEntry(makeScan(['P0302']))])).toMatchObject({
      drives: 0,
      earliest: null,
    });
  });

  test('its own self-check, and not the others that an inspection waits for', () => {
    const shop = { name: 'To the shop', road: 'town', minutes: 15, distanceKm: 6, perWeek: 5 } as const;
    const unread = scanEntry(makeScan([], {}, { ran: [] }));
    const found = assess(
      makeCase(scanEntry(makeScan(['P0302'])), repair, clear, unread),
      { ...CAR, usualTrips: [shop] },
      NOW,
    );
    expect(found.proof.waitingFor.flatMap((c) => c.monitors)).toContain('misfire');
    expect(found.waiting.drives).toBe(0);
    // The misfire check runs on any drive: tomorrow's, whatever extra drive the others want.
    expect(found.waiting.earliest).toBe('2026-11-04');
    expect(found.inspection?.plan.extra).not.toBeNull();
  });

  test.each([
    ['2026-11-12', { date: '2026-11-12', days: 9 }],
    ['2026-11-03', { date: '2026-11-03', days: 0 }],
    ['2026-10-30', { date: '2026-10-30', days: -4 }],
    ['2027-06-01', null],
    [undefined, null],
  ])('an inspection on %s', (inspectionDue, expected) => {
    const found = waiting(inspectionDue === undefined ? {} : { inspectionDue }, begun).inspection;
    expect(found && { date: found.date, days: found.days }).toEqual(expected);
  });

  test('days since something was recorded; an empty case has none', () => {
    const later = new Date(NOW.getTime() + 12.4 * 86_400_000);
    const last = makeCase(...begun).entries.at(-1)?.at ?? '';
    expect(waiting({}, begun, later).quietDays).toBe(
      Math.floor((later.getTime() - Date.parse(last)) / 86_400_000),
    );
    expect(waiting({}, begun, later).quietDays).toBeGreaterThanOrEqual(12);
    expect(waiting({}, []).quietDays).toBeNull();
  });
});
