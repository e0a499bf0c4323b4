import type { ClearPermit } from '@pincer/core/link';

/**
 * The way to a clear, as a pure step: (state, event) gives state and effects. The only state from which a
 * clear can be asked for is the one reached after a full reading was written to storage and read back.
 */
export type ClearState =
  | { at: 'unread' }
  | { at: 'storing'; entry: string }
  /** Storage did not give the reading back as it was; only a new reading leads on. */
  | { at: 'unsafe'; entry: string }
  | { at: 'stored'; permit: ClearPermit }
  | { at: 'ready'; permit: ClearPermit }
  /** `unit` null is the standard's clear; `done` what was cleared by this permit before, null when nothing was. */
  | { at: 'clearing'; permit: ClearPermit; unit: ClearableUnit | null; done: ClearedSoFar | null }
  /** `why` is the last refusal after something was cleared. */
  | ({ at: 'cleared'; permit: ClearPermit; why?: string } & ClearedSoFar)
  | { at: 'failed'; permit: ClearPermit; why: string };

/** What one permit has cleared; each once, for what comes back has to be read before it may be erased. */
export interface ClearedSoFar {
  /** Whether the standard's own clear was agreed to. */
  isStandardDone: boolean;
  /** Answer ids of the control units that were cleared by themselves. */
  units: string[];
}

export type ClearEvent =
  /** A reading has arrived; only a complete one counts. */
  | { type: 'scan-taken'; entry: string; isComplete: boolean }
  /** Storage gave the record back, and it holds this entry unchanged, or it did not. */
  | { type: 'read-back'; entry: string; isSame: boolean }
  /** The owner confirms: ignition on, engine off, and has read what a clear erases. */
  | { type: 'owner-ready' }
  | { type: 'ask-clear' }
  /** One control unit by itself, after the standard's own clear or instead of it. */
  | { type: 'ask-clear-unit'; unit: ClearableUnit }
  | { type: 'car-agreed' }
  | { type: 'car-refused'; why: string };

export type ClearEffect =
  | { type: 'store-and-read-back'; entry: string }
  | { type: 'send-clear'; permit: ClearPermit }
  | { type: 'send-clear-unit'; permit: ClearPermit; unit: ClearableUnit };

/** A control unit as a module map names it. */
export interface ClearableUnit {
  name: string;
  request: string;
  answer: string;
}

export interface ClearStep {
  state: ClearState;
  effects: ClearEffect[];
}

export const CLEAR_START: ClearState = { at: 'unread' };
const NOTHING_CLEARED: ClearedSoFar = { isStandardDone: false, units: [] };

const stay = (state: ClearState): ClearStep => ({ state, effects: [] });

const standardStep = (permit: ClearPermit, done: ClearedSoFar | null): ClearStep => ({
  state: { at: 'clearing', permit, unit: null, done },
  effects: [{ type: 'send-clear', permit }],
});

const unitStep = (unit: ClearableUnit, permit: ClearPermit, done: ClearedSoFar | null): ClearStep => ({
  state: { at: 'clearing', permit, unit, done },
  effects: [{ type: 'send-clear-unit', permit, unit }],
});

/** The next state and what is to be done. Events that do not fit leave everything as it is. */
export function clearStep(state: ClearState, event: ClearEvent): ClearStep {
  if (event.type === 'scan-taken') {
    if (state.at === 'clearing') return stay(state);
    return event.isComplete
      ? {
          state: { at: 'storing', entry: event.entry },
          effects: [{ type: 'store-and-read-back', entry: event.entry }],
        }
      : stay({ at: 'unread' });
  }
  switch (state.at) {
    case 'unread':
      return stay(state);
    case 'storing':
      if (event.type !== 'read-back' || event.entry !== state.entry) return stay(state);
      return event.isSame
        ? stay({ at: 'stored', permit: { scanEntryId: state.entry, confirmedStored: true } })
        : stay({ at: 'unsafe', entry: state.entry });
    case 'unsafe':
      return stay(state);
    case 'stored':
      return event.type === 'owner-ready' ? stay({ at: 'ready', permit: state.permit }) : stay(state);
    case 'ready':
      if (event.type === 'ask-clear-unit') return unitStep(event.unit, state.permit, null);
      return event.type === 'ask-clear' ? standardStep(state.permit, null) : stay(state);
    case 'clearing':
      if (event.type === 'car-agreed') {
        const { isStandardDone, units } = state.done ?? NOTHING_CLEARED;
        return stay({
          at: 'cleared',
          permit: state.permit,
          isStandardDone: isStandardDone || state.unit === null,
          units: state.unit ? [...units, state.unit.answer] : units,
        });
      }
      if (event.type === 'car-refused') {
        return state.done
          ? stay({ at: 'cleared', permit: state.permit, ...state.done, why: event.why })
          : stay({ at: 'failed', permit: state.permit, why: event.why });
      }
      return stay(state);
    case 'cleared': {
      // The record that the permit stands for holds the codes of every unit, so the others may follow.
      const { permit, isStandardDone, units } = state;
      const done = { isStandardDone, units };
      if (event.type === 'ask-clear' && !isStandardDone) return standardStep(permit, done);
      return event.type === 'ask-clear-unit' && !units.includes(event.unit.answer)
        ? unitStep(event.unit, permit, done)
        : stay(state);
    }
    case 'failed':
      return event.type === 'owner-ready' ? stay({ at: 'ready', permit: state.permit }) : stay(state);
  }
}
