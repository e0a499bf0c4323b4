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
  /** `done` holds what was cleared by this permit before, or null when this is its first clear. */
  | { at: 'clearing'; permit: ClearPermit; unit: ClearableUnit | null; done: string[] | null }
  /** `units`: answer ids of the control units that were cleared by themselves; `why` the last refusal of one. */
  | { at: 'cleared'; permit: ClearPermit; units: string[]; why?: string }
  | { at: 'failed'; permit: ClearPermit; why: string };

export type ClearEvent =
  /** A reading has arrived; only a complete one counts. */
  | { type: 'reading-taken'; entry: string; isComplete: boolean }
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

const stay = (state: ClearState): ClearStep => ({ state, effects: [] });

const unitStep = (unit: ClearableUnit, permit: ClearPermit, done: string[] | null): ClearStep => ({
  state: { at: 'clearing', permit, unit, done },
  effects: [{ type: 'send-clear-unit', permit, unit }],
});

/** The next state and what is to be done. Events that do not fit leave everything as it is. */
export function clearStep(state: ClearState, event: ClearEvent): ClearStep {
  if (event.type === 'reading-taken') {
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
        ? stay({ at: 'stored', permit: { readingEntryId: state.entry, confirmedStored: true } })
        : stay({ at: 'unsafe', entry: state.entry });
    case 'unsafe':
      return stay(state);
    case 'stored':
      return event.type === 'owner-ready' ? stay({ at: 'ready', permit: state.permit }) : stay(state);
    case 'ready':
      if (event.type === 'ask-clear-unit') return unitStep(event.unit, state.permit, null);
      return event.type === 'ask-clear'
        ? {
            state: { at: 'clearing', permit: state.permit, unit: null, done: null },
            effects: [{ type: 'send-clear', permit: state.permit }],
          }
        : stay(state);
    case 'clearing':
      if (event.type === 'car-agreed') {
        const units = [...(state.done ?? []), ...(state.unit ? [state.unit.answer] : [])];
        return stay({ at: 'cleared', permit: state.permit, units });
      }
      if (event.type === 'car-refused') {
        // What was cleared before stays cleared: this permit opens the standard's clear only once.
        return state.done
          ? stay({ at: 'cleared', permit: state.permit, units: state.done, why: event.why })
          : stay({ at: 'failed', permit: state.permit, why: event.why });
      }
      return stay(state);
    case 'cleared':
      // The record that the permit stands for holds the codes of every unit, so the others may follow.
      // Each of them once: what comes back afterwards has to be read before it may be erased.
      return event.type === 'ask-clear-unit' && !state.units.includes(event.unit.answer)
        ? unitStep(event.unit, state.permit, state.units)
        : stay(state);
    case 'failed':
      return event.type === 'owner-ready' ? stay({ at: 'ready', permit: state.permit }) : stay(state);
  }
}
