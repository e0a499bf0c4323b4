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
  | { at: 'clearing'; permit: ClearPermit }
  | { at: 'cleared'; permit: ClearPermit }
  | { at: 'failed'; permit: ClearPermit; why: string };

export type ClearEvent =
  /** A reading has arrived; only a complete one counts. */
  | { type: 'reading-taken'; entry: string; isComplete: boolean }
  /** Storage gave the record back, and it holds this entry unchanged, or it did not. */
  | { type: 'read-back'; entry: string; isSame: boolean }
  /** The owner confirms: ignition on, engine off, and has read what a clear erases. */
  | { type: 'owner-ready' }
  | { type: 'ask-clear' }
  | { type: 'car-agreed' }
  | { type: 'car-refused'; why: string };

export type ClearEffect =
  { type: 'store-and-read-back'; entry: string } | { type: 'send-clear'; permit: ClearPermit };

export interface ClearStep {
  state: ClearState;
  effects: ClearEffect[];
}

export const CLEAR_START: ClearState = { at: 'unread' };

const stay = (state: ClearState): ClearStep => ({ state, effects: [] });

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
      return event.type === 'ask-clear'
        ? {
            state: { at: 'clearing', permit: state.permit },
            effects: [{ type: 'send-clear', permit: state.permit }],
          }
        : stay(state);
    case 'clearing':
      if (event.type === 'car-agreed') return stay({ at: 'cleared', permit: state.permit });
      if (event.type === 'car-refused') return stay({ at: 'failed', permit: state.permit, why: event.why });
      return stay(state);
    case 'cleared':
      return stay(state);
    case 'failed':
      return event.type === 'owner-ready' ? stay({ at: 'ready', permit: state.permit }) : stay(state);
  }
}
