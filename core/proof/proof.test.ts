import fc from 'fast-check';
import { foldCase } from '@pincer/core/case';
import { makeCase, makeScan, scanEntry } from '../test/make-case.ts';
import { LAMP_RULES } from '@pincer/core/obd';
import { SHOWS_PER_TRIP, goneAfter, goneGiven, lampStaysOut, proofView, tripsUntil } from './index.ts';

describe('control units by themselves', () => {
  test('what came back is told for each unit, and only once it was read since', () => {
    const inBrakes = (codes: string[]) => {
      const reading = makeScan(codes);
      return scanEntry({
        ...reading,
        codes: reading.codes.map((c) => ({ ...c, unit: '6A8' })),
        units: [{ unit: '6A8', name: 'Brakes', hasAnswered: true }],
      });
    };
    const clear = {
      kind: 'clear',
      afterScan: 'ent_1',
      outcome: 'agreed',
      unit: { answer: '6A8', name: 'Brakes' },
    } as const;
    const units = (...more: Parameters<typeof makeCase>) =>
      proofView(foldCase(makeCase(inBrakes(['C0031', 'U3003']), ...more)), 0.5).units;
    expect(units()).toEqual([]);
    expect(units(clear)).toEqual([{ unit: '6A8', name: 'Brakes', returned: null }]);
    expect(units(clear, inBrakes(['C0031']))).toEqual([{ unit: '6A8', name: 'Brakes', returned: ['C0031'] }]);
    expect(units(clear, scanEntry(makeScan([])))).toMatchObject([{ returned: null }]);
    expect(proofView(foldCase(makeCase(inBrakes(['C0031']), clear)), 0.5).status).toBe('not-cleared');
  });
});

describe('is it gone?', () => {
  test('Bayes by hand: prior 0.5, two good trips that would have shown it with 0.7 each', () => {
    expect(goneAfter(0.5, [0.7, 0.7])).toBeCloseTo(0.5 / (0.5 + 0.5 * 0.09), 9);
    expect(goneAfter(0.5, [])).toBe(0.5);
  });

  test('each trip without it makes it surer; trips unlike those that brought it hardly count', () => {
    const chance = fc.double({ min: 0.01, max: 0.97, noNaN: true });
    fc.assert(
      fc.property(chance, fc.array(chance, { maxLength: 6 }), chance, (prior, shows, q) => {
        expect(goneAfter(prior, [...shows, q])).toBeGreaterThanOrEqual(goneAfter(prior, shows) - 1e-12);
      }),
    );
    expect(goneAfter(0.5, [SHOWS_PER_TRIP.no])).toBeLessThan(0.52);
  });

  test('the trips asked for are enough, and one fewer is not', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.05, max: 0.95, noNaN: true }),
        fc.constantFrom(0.9, 0.95, 0.99),
        (prior, level) => {
          const n = tripsUntil(level, prior);
          const trips = (k: number) => Array<number>(k).fill(SHOWS_PER_TRIP.yes);
          expect(goneAfter(prior, trips(n))).toBeGreaterThanOrEqual(level - 1e-6);
          if (n > 0) expect(goneAfter(prior, trips(n - 1))).toBeLessThan(level);
        },
      ),
    );
  });
});

describe('who only watches the lamp', () => {
  const chance = fc.double({ min: 0, max: 1, noNaN: true });

  test('by hand: it lights when two trips running fail', () => {
    expect(LAMP_RULES.tripsToConfirm).toBe(2);
    expect(lampStaysOut([])).toBe(1);
    expect(lampStaysOut([0.7])).toBe(1);
    expect(lampStaysOut([0.7, 0.7])).toBeCloseTo(0.51, 9);
    // Lit by trips 1 and 2, or by 2 and 3 after a first that passed.
    expect(lampStaysOut([0.5, 0.5, 0.5])).toBeCloseTo(1 - 0.25 - 0.125, 9);
    expect(lampStaysOut([1, 0, 1, 0])).toBe(1);
  });

  test('it never shows more than reading after each trip, and more trips never show less', () => {
    fc.assert(
      fc.property(fc.array(chance, { maxLength: 8 }), chance, (shows, q) => {
        const read = shows.reduce((p, s) => p * (1 - s), 1);
        expect(lampStaysOut(shows)).toBeGreaterThanOrEqual(read - 1e-12);
        expect(lampStaysOut([...shows, q])).toBeLessThanOrEqual(lampStaysOut(shows) + 1e-12);
      }),
    );
  });
});

describe('where a case stands after its clear', () => {
  const before = scanEntry(makeScan(['P0302']));
  const clear = { kind: 'clear', afterScan: 'ent_1', outcome: 'agreed' } as const;
  const good = { kind: 'drive', metConditions: 'yes', cameBack: 'no' } as const;
  const view = (...more: Parameters<typeof makeCase>) => proofView(foldCase(makeCase(before, ...more)), 0.8);

  test('step by step', () => {
    expect(view().status).toBe('not-cleared');
    expect(view({ ...clear, outcome: 'refused' }).status).toBe('not-cleared');
    expect(view(clear).status).toBe('read-again');
    expect(view(clear, scanEntry(makeScan([]))).status).toBe('watching');
    expect(view(clear, good, good, good, scanEntry(makeScan([])))).toMatchObject({
      status: 'proven',
      trips: 3,
      returned: [],
    });
  });

  test('it came back, by code or by the owner’s word', () => {
    expect(view(clear, good, scanEntry(makeScan(['P0302:pending'])))).toMatchObject({
      status: 'returned',
      returned: ['P0302'],
      gone: 0,
    });
    expect(view(clear, { ...good, cameBack: 'yes' }, scanEntry(makeScan([]))).status).toBe('returned');
  });

  test('another code is new, not a return; a permanent one is neither', () => {
    expect(view(clear, scanEntry(makeScan(['P0420:pending', 'P0302:permanent'])))).toMatchObject({
      status: 'watching',
      returned: [],
      added: ['P0420'],
      permanent: ['P0302'],
    });
  });

  describe('waits for the self-checks of its own codes', () => {
    const unready = scanEntry(makeScan([], {}, { ran: ['misfire', 'fuel', 'components'] }));
    const ready = scanEntry(makeScan([]));
    const after = (code: string, ...more: Parameters<typeof makeCase>) =>
      proofView(foldCase(makeCase(scanEntry(makeScan([code])), clear, ...more)), 0.8);

    test.each(['P0420', 'P0442', 'P0133'])('%s: no figure before it has run', (code) => {
      const v = after(code, good, good, good, good, unready);
      expect(v).toMatchObject({ status: 'watching', gone: null, needed: [] });
      expect(v.waitingFor).toHaveLength(1);
      expect(after(code, good, ready).gone).toBeGreaterThan(0.8);
    });

    test('another code’s self-check is told and not waited for', () => {
      const v = after('P0302', good, good, good, unready);
      expect(v).toMatchObject({ status: 'proven', waitingFor: [] });
      expect(v.notReady.map((m) => m.monitor)).toContain('catalyst');
    });

    test('a wire shows at key-on; a misfire only on a drive', () => {
      expect(after('P0118', ready).gone).toBeCloseTo(0.8, 9);
      expect(after('P0302', ready)).toMatchObject({ gone: null, waitingFor: [{ name: 'Misfire' }] });
    });

    test('drives say less of a self-check that does not run on each of them', () => {
      const [misfire, catalyst] = ['P0302', 'P0420'].map((code) => after(code, good, good, ready).gone ?? 0);
      expect(catalyst).toBeLessThan(misfire ?? 0);
    });
  });

  describe('what a drive tells', () => {
    const unknown = { ...good, cameBack: 'unknown' } as const;
    const read = scanEntry(makeScan([]));

    test('“don’t know” is no clean drive until somebody reads', () => {
      expect(view(clear, read, unknown, unknown)).toMatchObject({ trips: 0, unseenTrips: 2, gone: null });
      expect(view(clear, read, unknown, unknown, read)).toMatchObject({
        trips: 2,
        unseenTrips: 0,
        gone: goneAfter(0.8, [0.7, 0.7]),
      });
    });

    test('a lamp that stayed out says less than a reading', () => {
      expect(view(clear, read, good, good).gone).toBeCloseTo(goneGiven(0.8, 0.51), 9);
      expect(view(clear, read, good, good, read).gone).toBeCloseTo(goneAfter(0.8, [0.7, 0.7]), 9);
    });

    test('more clean drives and later readings never make it less sure', () => {
      const step = fc.constantFrom(good, unknown, { ...good, metConditions: 'unknown' } as const, read);
      fc.assert(
        fc.property(fc.array(step, { maxLength: 7 }), step, (steps, one) => {
          const before = view(clear, read, ...steps).gone;
          const now = view(clear, read, ...steps, one).gone;
          expect(now ?? 0).toBeGreaterThanOrEqual((before ?? 0) - 1e-12);
        }),
        { numRuns: 60 },
      );
    });
  });

  test('a second clear begins the count anew', () => {
    const again = { ...clear, afterScan: 'ent_4' } as const;
    expect(view(clear, good, scanEntry(makeScan(['P0302'])), again)).toMatchObject({
      status: 'read-again',
      trips: 0,
      returned: [],
    });
  });
});
