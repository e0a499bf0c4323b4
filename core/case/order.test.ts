import fc from 'fast-check';
import { inOrder, stampAfter, type Entry } from './index.ts';

const note = (id: string, at: string): Entry => ({ id, at, kind: 'note', text: 'x' });
const ids = (entries: readonly Entry[]) => inOrder(entries).map((e) => e.id);

describe('the order in which things happened', () => {
  test('by moment, then by id, wherever they stand in the list', () => {
    const log = [
      note('ent_c', '2026-03-29T02:00:00.000Z'),
      note('ent_b', '2026-03-29T01:00:00.000Z'),
      note('ent_a', '2026-03-29T02:00:00.000Z'),
    ];
    expect(ids(log)).toEqual(['ent_b', 'ent_a', 'ent_c']);
    expect(ids([...log].reverse())).toEqual(['ent_b', 'ent_a', 'ent_c']);
    const [first, , second] = log as [Entry, Entry, Entry];
    expect(ids([first, second])).toEqual(['ent_a', 'ent_c']);
    // A file made by hand may leave out the fractions of a second.
    expect(ids([note('ent_a', '2026-03-29T02:00:00.500Z'), note('ent_b', '2026-03-29T02:00:00Z')])).toEqual([
      'ent_b',
      'ent_a',
    ]);
  });

  test('an entry never before one that it refers to, whatever another device’s clock said', () => {
    const scan = note('ent_scan', '2026-11-03T10:00:00.000Z');
    const asked: Entry = {
      id: 'ent_asked',
      at: '2026-11-03T09:00:00.000Z',
      kind: 'clear-asked',
      afterScan: 'ent_scan',
    };
    const clear: Entry = {
      id: 'ent_0',
      at: '2026-11-03T08:00:00.000Z',
      kind: 'clear',
      afterScan: 'ent_scan',
      asked: 'ent_asked',
      outcome: 'agreed',
    };
    const retracted: Entry = {
      id: 'ent_00',
      at: '2026-11-03T07:00:00.000Z',
      kind: 'retracted',
      entry: 'ent_0',
      reason: 'Wrong.',
    };
    expect(ids([retracted, clear, asked, scan])).toEqual(['ent_scan', 'ent_asked', 'ent_0', 'ent_00']);
    // Of one moment, what refers to nothing comes first.
    const after = note('ent_z', '2026-11-03T10:01:00.000Z');
    expect(ids([scan, { ...asked, at: after.at }, after])).toEqual(['ent_scan', 'ent_z', 'ent_asked']);
  });

  test('property: references hold in every log, also where they go in a circle or nowhere', () => {
    const entry = fc.record({
      n: fc.nat(7),
      to: fc.nat(9),
      minute: fc.nat(12),
      isExact: fc.boolean(),
      isNote: fc.boolean(),
    });
    fc.assert(
      fc.property(fc.uniqueArray(entry, { selector: (e) => e.n, maxLength: 8 }), (rows) => {
        const log = rows.map(({ n, to, minute, isExact, isNote }): Entry => {
          const at = new Date(Date.UTC(2026, 0, 1, 0, minute)).toISOString();
          const head = { id: `ent_${n}`, at: isExact ? at : at.replace('.000', '') };
          return isNote
            ? { ...head, kind: 'note', text: 'x' }
            : { ...head, kind: 'retracted', entry: `ent_${to}`, reason: 'x' };
        });
        const order = ids(log);
        expect([...order].sort()).toEqual(log.map((e) => e.id).sort());
        // A log that is in order already is not sorted: one and the same, however it came.
        expect(ids([...log].reverse())).toEqual(order);
        expect(ids(inOrder(log))).toEqual(order);
        for (const { n, to, isNote } of rows) {
          const isAhead = !isNote && to < n && order.includes(`ent_${to}`);
          const goesOn = rows.every((r) => r.isNote || r.to < r.n);
          // Without circles (each refers to a smaller one) nothing stands before what it refers to.
          if (isAhead && goesOn) expect(order.indexOf(`ent_${to}`)).toBeLessThan(order.indexOf(`ent_${n}`));
        }
      }),
    );
  });
});

describe('the moment that an entry gets', () => {
  const last = note('ent_1', '2026-10-25T00:30:00.000Z');

  test('is the device’s, in UTC, with the local offset beside it', () => {
    const now = new Date('2026-10-25T01:30:00Z');
    expect(stampAfter([last], now)).toEqual({
      at: '2026-10-25T01:30:00.000Z',
      offsetMinutes: 0 - now.getTimezoneOffset(),
    });
    expect(stampAfter([], now).at).toBe('2026-10-25T01:30:00.000Z');
  });

  test('is after the last entry where the clock was set back, and what the clock said is kept', () => {
    expect(stampAfter([last], new Date('2026-10-24T12:00:00Z'))).toMatchObject({
      at: '2026-10-25T00:30:00.001Z',
      clockAt: '2026-10-24T12:00:00.000Z',
    });
    // The same millisecond twice keeps its order too.
    expect(stampAfter([last], new Date('2026-10-25T00:30:00Z')).at).toBe('2026-10-25T00:30:00.001Z');
  });
});
