import fc from 'fast-check';
import { foldCase } from '@pincer/core/case';
import { makeCase, makeScan, scanEntry } from '../test/make-case.ts';
import {
  CLEAR_START,
  SHOWS_PER_TRIP,
  clearStep,
  goneAfter,
  proofView,
  tripsUntil,
  type ClearEffect,
  type ClearEvent,
  type ClearState,
} from './index.ts';

const BRAKES = { name: 'Brakes', request: '6A0', answer: '6A8' };

describe('the way to a clear', () => {
  const EVENTS: ClearEvent[] = [
    { type: 'scan-taken', entry: 'ent_1', isComplete: true },
    { type: 'scan-taken', entry: 'ent_2', isComplete: true },
    { type: 'scan-taken', entry: 'ent_1', isComplete: false },
    { type: 'read-back', entry: 'ent_1', isSame: true },
    { type: 'read-back', entry: 'ent_1', isSame: false },
    { type: 'read-back', entry: 'ent_2', isSame: true },
    { type: 'owner-ready' },
    { type: 'ask-clear' },
    { type: 'ask-clear-unit', unit: BRAKES },
    { type: 'car-agreed' },
    { type: 'car-refused', why: 'engine running' },
  ];

  /** Walks every sequence of events up to a length, on from states that are worth it. */
  function walk(
    depth: number,
    visit: (events: ClearEvent[], state: ClearState, effects: ClearEffect[]) => void,
    isWorthIt: (before: ClearState, after: ClearState) => boolean = () => true,
  ): void {
    const go = (state: ClearState, events: ClearEvent[]) => {
      if (events.length === depth) return;
      for (const event of EVENTS) {
        const step = clearStep(state, event);
        const next = [...events, event];
        visit(next, step.state, step.effects);
        if (isWorthIt(state, step.state)) go(step.state, next);
      }
    };
    go(CLEAR_START, []);
  }

  test('on no path is a clear sent before a full reading was stored and read back unchanged', () => {
    let clears = 0;
    walk(5, (events, _, effects) => {
      for (const effect of effects) {
        if (effect.type === 'store-and-read-back') continue;
        clears++;
        const entry = effect.permit.scanEntryId;
        const taken = events.findIndex(
          (e) => e.type === 'scan-taken' && e.entry === entry && e.isComplete,
        );
        const readBack = events.findIndex(
          (e, i) => i > taken && e.type === 'read-back' && e.entry === entry && e.isSame,
        );
        const ready = events.findIndex((e, i) => i > readBack && e.type === 'owner-ready');
        expect(taken).toBeGreaterThanOrEqual(0);
        expect(readBack).toBeGreaterThan(taken);
        expect(ready).toBeGreaterThan(readBack);
        expect(events.at(-1)?.type).toBe(effect.type === 'send-clear' ? 'ask-clear' : 'ask-clear-unit');
        // A reading that only came in part, or a record that came back changed, takes the way back.
        const later = events.slice(readBack + 1);
        expect(later.some((e) => e.type === 'scan-taken')).toBe(false);
      }
    });
    expect(clears).toBeGreaterThan(0);
  });

  test('by one permit the standard’s clear is agreed to once, and each control unit once', () => {
    let most = 0;
    walk(
      7,
      (events, state) => {
        if (state.at !== 'cleared') return;
        const since = events.slice(events.findLastIndex((e) => e.type === 'scan-taken'));
        const agreed = since.filter((e) => e.type === 'car-agreed').length;
        expect(new Set(state.units).size).toBe(state.units.length);
        most = Math.max(most, (state.isStandardDone ? 1 : 0) + state.units.length);
        expect((state.isStandardDone ? 1 : 0) + state.units.length).toBeLessThanOrEqual(agreed);
      },
      (before, after) => before !== after,
    );
    expect(most).toBe(2);
  });

  test('after a clear, only a new full reading opens the way again', () => {
    const cleared: ClearState = {
      at: 'cleared',
      permit: { scanEntryId: 'ent_1', confirmedStored: true },
      isStandardDone: true,
      units: [],
    };
    for (const event of EVENTS.filter((e) => e.type !== 'scan-taken' && e.type !== 'ask-clear-unit'))
      expect(clearStep(cleared, event)).toEqual({ state: cleared, effects: [] });
    expect(clearStep(cleared, EVENTS[0] as ClearEvent).state).toEqual({ at: 'storing', entry: 'ent_1' });
  });

  test('a record that came back changed shuts the way until a new full reading', () => {
    const storing = clearStep(CLEAR_START, EVENTS[0] as ClearEvent).state;
    const unsafe = clearStep(storing, { type: 'read-back', entry: 'ent_1', isSame: false }).state;
    expect(unsafe).toEqual({ at: 'unsafe', entry: 'ent_1' });
    for (const event of EVENTS.filter((e) => e.type !== 'scan-taken' && e.type !== 'ask-clear-unit'))
      expect(clearStep(unsafe, event).state).toEqual(unsafe);
  });

  test('a refusal may be tried again from the owner’s word on, without losing the permit', () => {
    const permit = { scanEntryId: 'ent_1', confirmedStored: true } as const;
    expect(
      clearStep({ at: 'clearing', permit, unit: null, done: null }, { type: 'car-refused', why: 'x' }).state,
    ).toEqual({
      at: 'failed',
      permit,
      why: 'x',
    });
    expect(clearStep({ at: 'failed', permit, why: 'x' }, { type: 'owner-ready' }).state).toEqual({
      at: 'ready',
      permit,
    });
    expect(clearStep({ at: 'failed', permit, why: 'x' }, { type: 'ask-clear' }).effects).toEqual([]);
  });
});

describe('control units by themselves', () => {
  const permit = { scanEntryId: 'ent_1', confirmedStored: true } as const;
  const cleared: ClearState = { at: 'cleared', permit, isStandardDone: true, units: [] };
  const ask = { type: 'ask-clear-unit', unit: BRAKES } as const;

  test('after the standard’s clear each unit once, and a refusal never opens that clear again', () => {
    const asked = clearStep(cleared, ask);
    expect(asked.effects).toEqual([{ type: 'send-clear-unit', permit, unit: BRAKES }]);
    const refused = clearStep(asked.state, { type: 'car-refused', why: 'engine running' }).state;
    expect(refused).toEqual({ ...cleared, why: 'engine running' });
    expect(clearStep(refused, { type: 'owner-ready' }).state).toEqual(refused);
    const done = clearStep(clearStep(refused, ask).state, { type: 'car-agreed' }).state;
    expect(done).toEqual({ ...cleared, units: ['6A8'] });
    expect(clearStep(done, ask)).toEqual({ state: done, effects: [] });
    expect(clearStep(done, { type: 'ask-clear' })).toEqual({ state: done, effects: [] });
  });

  test('a unit first: the standard’s clear may follow, once', () => {
    const first = clearStep(clearStep({ at: 'ready', permit }, ask).state, { type: 'car-agreed' }).state;
    expect(first).toEqual({ at: 'cleared', permit, isStandardDone: false, units: ['6A8'] });
    const standard = clearStep(first, { type: 'ask-clear' });
    expect(standard.effects).toEqual([{ type: 'send-clear', permit }]);
    const refused = clearStep(standard.state, { type: 'car-refused', why: 'engine running' }).state;
    expect(refused).toEqual({ ...first, why: 'engine running' });
    const done = clearStep(standard.state, { type: 'car-agreed' }).state;
    expect(done).toEqual({ ...first, isStandardDone: true });
    expect(clearStep(done, { type: 'ask-clear' }).effects).toEqual([]);
  });

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
          const n = tripsUntil(level, prior, []);
          const trips = (k: number) => Array<number>(k).fill(SHOWS_PER_TRIP.yes);
          expect(goneAfter(prior, trips(n))).toBeGreaterThanOrEqual(level - 1e-6);
          if (n > 0) expect(goneAfter(prior, trips(n - 1))).toBeLessThan(level);
        },
      ),
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

  test('self-checks that have not run keep it from being proven', () => {
    const unready = scanEntry(makeScan([], {}, { ran: ['misfire', 'fuel', 'components'] }));
    const v = view(clear, good, good, good, good, unready);
    expect(v.status).toBe('watching');
    expect(v.waitingFor.map((m) => m.monitor)).toContain('catalyst');
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
