import { CLEAR_START, PERMIT_MS, clearStep } from './index.ts';
import type { ClearBasis, ClearEffect, ClearEvent, ClearState, ClearTarget } from './index.ts';
import { usePermit } from './permit.ts';

const CAR = { vin: 'ZZ9TR1F46CH000302', units: ['7E8'], calibrationIds: [] };
const AT = 1_000_000;
const basis = (scanEntry: string): ClearBasis => ({ scanEntry, connection: 1, car: CAR, takenAt: AT });
const STANDARD: ClearTarget = { kind: 'standard' };
const BRAKES: ClearTarget = { kind: 'unit', unit: { name: 'Brakes', request: '6A0', answer: '6A8' } };
const LATE = AT + PERMIT_MS + 1;

const TAKEN: ClearEvent = { type: 'scan-taken', basis: basis('ent_1'), isComplete: true };
const BACK: ClearEvent = { type: 'read-back', entry: 'ent_1', isSame: true };
const READY: ClearEvent = { type: 'owner-ready', now: AT };
const ASK: ClearEvent = { type: 'ask-clear', target: STANDARD, now: AT };
const SAFE: ClearEvent = { type: 'checked', isSafe: true, now: AT };
const NOTED: ClearEvent = { type: 'intent-stored', entry: 'ent_i', now: AT };

/** Everything that can happen, the bad and the late among it. */
const EVENTS: readonly ClearEvent[] = [
  TAKEN,
  { type: 'scan-taken', basis: basis('ent_2'), isComplete: true },
  { type: 'scan-taken', basis: basis('ent_1'), isComplete: false },
  BACK,
  { type: 'read-back', entry: 'ent_1', isSame: false },
  { type: 'read-back', entry: 'ent_2', isSame: true },
  READY,
  { ...READY, now: LATE },
  ASK,
  { ...ASK, target: BRAKES },
  { ...ASK, now: LATE },
  SAFE,
  { ...SAFE, now: LATE },
  { type: 'checked', isSafe: false, why: 'other-car' },
  NOTED,
  { ...NOTED, now: LATE },
  { type: 'intent-failed' },
  { type: 'car-agreed' },
  { type: 'car-refused', why: 'engine running' },
  { type: 'no-answer' },
  { type: 'overtaken', why: 'disconnected' },
  { type: 'overtaken', why: 'overtaken' },
  { type: 'time-passed', now: LATE },
];

interface Path {
  events: readonly ClearEvent[];
  effects: readonly ClearEffect[];
  state: ClearState;
}

/** Walks every sequence of events up to a length; an event that changes nothing is not gone on from. */
function walk(depth: number, visit: (path: Path) => void): void {
  const go = (path: Path) => {
    if (path.events.length === depth) return;
    for (const event of EVENTS) {
      const { state, effects } = clearStep(path.state, event);
      const next = { events: [...path.events, event], effects, state };
      visit(next);
      if (state !== path.state) go(next);
    }
  };
  go({ events: [], effects: [], state: CLEAR_START });
}

const after = (...events: readonly ClearEvent[]) =>
  events.reduce<{ state: ClearState; effects: ClearEffect[] }>(
    ({ state }, event) => clearStep(state, event),
    { state: CLEAR_START, effects: [] },
  );

describe('the way to a clear', () => {
  test('a clear is sent on no path but one: scanned, read back, ready, asked, checked, intent stored, in time', () => {
    let sent = 0;
    walk(7, ({ events, effects }) => {
      for (const effect of effects) {
        if (effect.type !== 'send-clear') continue;
        sent++;
        const scan = effect.permit.terms.scanEntry;
        const last = (is: (e: ClearEvent) => boolean) => events.findLastIndex(is);
        const taken = last((e) => e.type === 'scan-taken');
        expect(events[taken]).toMatchObject({ isComplete: true, basis: { scanEntry: scan } });
        const steps = [
          taken,
          last((e) => e.type === 'read-back' && e.entry === scan && e.isSame),
          last((e) => e.type === 'owner-ready'),
          last((e) => e.type === 'ask-clear'),
          last((e) => e.type === 'checked' && e.isSafe),
          events.length - 1,
        ];
        expect(steps).toEqual([...steps].sort((a, b) => a - b));
        expect(events.at(-1)).toMatchObject({ type: 'intent-stored', now: AT });
        const since = events.slice(taken);
        expect(since.some((e) => e.type === 'overtaken' && e.why === 'overtaken')).toBe(false);
        expect(since.some((e) => 'now' in e && e.type === 'checked' && e.now === LATE)).toBe(false);
      }
    });
    expect(sent).toBeGreaterThan(0);
  });

  test('each target is agreed to once between two scans, and a permit can be used once', () => {
    const ready = after(TAKEN, BACK, READY).state;
    const clear = (from: ClearState, target: ClearTarget) => {
      const asked = clearStep(from, { type: 'ask-clear', target, now: AT });
      const noted = clearStep(clearStep(asked.state, SAFE).state, NOTED);
      const [effect] = noted.effects;
      return { asked, effect, agreed: clearStep(noted.state, { type: 'car-agreed' }).state };
    };
    const first = clear(ready, STANDARD);
    if (first.effect?.type !== 'send-clear') throw new Error('not sent');
    expect(usePermit(first.effect.permit)).toMatchObject({ scanEntry: 'ent_1', intentEntry: 'ent_i' });
    expect(usePermit(first.effect.permit)).toBeNull();
    expect(clear(first.agreed, STANDARD).asked).toEqual({ state: first.agreed, effects: [] });
    const second = clear(first.agreed, BRAKES);
    expect(second.agreed).toMatchObject({ at: 'ready', done: { isStandardDone: true, units: ['6A8'] } });
    expect(clear(second.agreed, BRAKES).asked.effects).toEqual([]);
  });

  test('nobody can write a permit down', () => {
    const [effect] = after(TAKEN, BACK, READY, ASK, SAFE, NOTED).effects;
    if (effect?.type !== 'send-clear') throw new Error('not sent');
    const written = JSON.parse(JSON.stringify({ terms: effect.permit.terms })) as typeof effect.permit;
    expect(usePermit(written)).toBeNull();
    const copied: unknown = Object.assign({}, effect.permit);
    expect(usePermit(copied as typeof effect.permit)).toBeNull();
  });

  test.each<[string, ClearEvent, string]>([
    ['the connection ends', { type: 'overtaken', why: 'disconnected' }, 'disconnected'],
    ['another page or a retracted entry', { type: 'overtaken', why: 'overtaken' }, 'overtaken'],
    ['half an hour', { type: 'time-passed', now: LATE }, 'expired'],
    [
      'a newer scan that was cut',
      { type: 'scan-taken', basis: basis('ent_2'), isComplete: false },
      'incomplete',
    ],
  ])('%s ends it, wherever it stands before the clear is out', (_, event, why) => {
    for (const way of [
      [TAKEN, BACK],
      [TAKEN, BACK, READY],
      [TAKEN, BACK, READY, ASK],
      [TAKEN, BACK, READY, ASK, SAFE],
    ])
      expect(after(...way, event).state).toEqual({ at: 'shut', why });
  });

  test.each<[string, ClearEvent, string]>([
    ['storage gives the record back changed', { type: 'read-back', entry: 'ent_1', isSame: false }, 'unsafe'],
  ])('%s: shut until a new full scan', (_, event, why) => {
    const { state } = after(TAKEN, event);
    expect(state).toEqual({ at: 'shut', why });
    for (const e of EVENTS.filter((x) => x.type !== 'scan-taken'))
      expect(clearStep(state, e).state).toBe(state);
  });

  test('another car, a record that is gone, an intent that cannot be stored: nothing is sent', () => {
    for (const why of ['other-car', 'unsafe', 'overtaken', 'disconnected'] as const)
      expect(after(TAKEN, BACK, READY, ASK, { type: 'checked', isSafe: false, why })).toEqual({
        state: { at: 'shut', why },
        effects: [],
      });
    expect(after(TAKEN, BACK, READY, ASK, SAFE, { type: 'intent-failed' })).toEqual({
      state: { at: 'shut', why: 'unsafe' },
      effects: [],
    });
  });

  test('no answer: the outcome is unknown, and only a new full scan leads on', () => {
    const { state } = after(TAKEN, BACK, READY, ASK, SAFE, NOTED, { type: 'no-answer' });
    expect(state).toEqual({ at: 'shut', why: 'unknown-outcome' });
    for (const e of EVENTS.filter((x) => x.type !== 'scan-taken'))
      expect(clearStep(state, e).effects).toEqual([]);
  });

  test('a refusal may be tried again: each try is looked at, noted and permitted anew', () => {
    const refused = after(TAKEN, BACK, READY, ASK, SAFE, NOTED, {
      type: 'car-refused',
      why: 'engine running',
    });
    expect(refused.state).toMatchObject({
      at: 'ready',
      why: 'engine running',
      done: { isStandardDone: false },
    });
    expect(clearStep(refused.state, ASK).effects).toEqual([{ type: 'check-again', basis: basis('ent_1') }]);
  });

  test('what is out is waited for: nothing that happens meanwhile loses its outcome', () => {
    const { state } = after(TAKEN, BACK, READY, ASK, SAFE, NOTED);
    for (const e of EVENTS.filter((x) => !['car-agreed', 'car-refused', 'no-answer'].includes(x.type)))
      expect(clearStep(state, e)).toEqual({ state, effects: [] });
  });
});
