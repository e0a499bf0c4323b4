import type { CarIdentity } from '@pincer/core/link';
import { grantPermit, type ClearPermit, type ClearTarget } from './permit.ts';

/** How long after the scan a clear may still be asked for, ms: later the car may have stored something else. */
export const PERMIT_MS = 30 * 60_000;

/** What the way to a clear rests on: a complete scan of this session that storage has given back. */
export interface ClearBasis {
  scanEntry: string;
  /** The connection that it was taken on. */
  connection: number;
  car: CarIdentity;
  /** Epoch milliseconds at which it was taken. */
  takenAt: number;
}

/** What has been cleared since the scan; each once, for what comes back has to be read before it may be erased. */
export interface ClearedSoFar {
  /** Whether the standard's own clear was agreed to. */
  isStandardDone: boolean;
  /** Answer ids of the control units that were cleared by themselves. */
  units: string[];
}

/** Why there is no way to a clear. */
export type ShutReason =
  /** No complete scan was taken in this session. */
  | 'unread'
  /** The last scan of this session did not read everything. */
  | 'incomplete'
  /** The connection that it was taken on has ended. */
  | 'disconnected'
  /** Storage did not give the record back as it was. */
  | 'unsafe'
  /** Another page, or an entry that was retracted or came in, has overtaken it. */
  | 'overtaken'
  /** It is too long ago. */
  | 'expired'
  /** The car in the socket is not the one that was scanned, or cannot be told from another. */
  | 'other-car'
  /** A clear was sent and no answer came: nobody knows whether it was carried out. */
  | 'unknown-outcome';

/**
 * The way to a clear, as a pure step: (state, event) gives state and effects. A clear is only ever an effect, and the
 * one step that asks for it comes after the record was read back, the car has said who it is, and the intent is stored.
 */
export type ClearState =
  | { at: 'shut'; why: ShutReason }
  /** The scan is being written and read back. */
  | { at: 'storing'; basis: ClearBasis }
  | { at: 'stored'; basis: ClearBasis; done: ClearedSoFar }
  /** The owner has confirmed: ignition on, engine off, read what a clear erases. `why` is the last refusal. */
  | { at: 'ready'; basis: ClearBasis; done: ClearedSoFar; why: string | null }
  /** The record is read back once more, and the car asked who it is. */
  | { at: 'checking'; basis: ClearBasis; done: ClearedSoFar; target: ClearTarget }
  /** The intent is being stored. */
  | { at: 'noting'; basis: ClearBasis; done: ClearedSoFar; target: ClearTarget }
  | { at: 'sent'; basis: ClearBasis; done: ClearedSoFar; target: ClearTarget; intent: string };

export type ClearEvent =
  /** A scan has arrived on a connection; only a complete one counts. */
  | { type: 'scan-taken'; basis: ClearBasis; isComplete: boolean }
  /** Storage gave the record back, and it holds this entry unchanged, or it did not. */
  | { type: 'read-back'; entry: string; isSame: boolean }
  | { type: 'owner-ready'; now: number }
  | { type: 'ask-clear'; target: ClearTarget; now: number }
  /** Everything was looked at once more: the record in storage, what came after it, and the car in the socket. */
  | { type: 'checked'; isSafe: true; now: number }
  | { type: 'checked'; isSafe: false; why: ShutReason }
  | { type: 'intent-stored'; entry: string; now: number }
  | { type: 'intent-failed' }
  | { type: 'car-agreed' }
  /** Nothing was erased, and the car or the adapter said why. */
  | { type: 'car-refused'; why: string }
  | { type: 'no-answer' }
  /** Something ended the permit from outside: the connection, another page, a retracted entry. */
  | { type: 'overtaken'; why: 'disconnected' | 'overtaken' }
  | { type: 'time-passed'; now: number };

export type ClearEffect =
  | { type: 'store-and-read-back'; entry: string }
  /** Read the record back, look for anything newer, and ask the car who it is. */
  | { type: 'check-again'; basis: ClearBasis }
  | { type: 'store-intent'; basis: ClearBasis; target: ClearTarget }
  | { type: 'send-clear'; permit: ClearPermit };

export interface ClearStep {
  state: ClearState;
  effects: ClearEffect[];
}

export const CLEAR_START: ClearState = { at: 'shut', why: 'unread' };
const NOTHING_CLEARED: ClearedSoFar = { isStandardDone: false, units: [] };

const stay = (state: ClearState): ClearStep => ({ state, effects: [] });
const shut = (why: ShutReason): ClearStep => stay({ at: 'shut', why });

const hasExpired = (basis: ClearBasis, now: number): boolean =>
  now - basis.takenAt > PERMIT_MS || now < basis.takenAt;

const isDone = (done: ClearedSoFar, target: ClearTarget): boolean =>
  target.kind === 'standard' ? done.isStandardDone : done.units.includes(target.unit.answer);

const withDone = (done: ClearedSoFar, target: ClearTarget): ClearedSoFar =>
  target.kind === 'standard'
    ? { ...done, isStandardDone: true }
    : { ...done, units: [...done.units, target.unit.answer] };

/** The next state and what is to be done. Events that do not fit leave everything as it is. */
export function clearStep(state: ClearState, event: ClearEvent): ClearStep {
  switch (event.type) {
    case 'scan-taken':
      // What is on its way to the car is waited for: its outcome has to be recorded.
      if (state.at === 'sent') return stay(state);
      return event.isComplete
        ? {
            state: { at: 'storing', basis: event.basis },
            effects: [{ type: 'store-and-read-back', entry: event.basis.scanEntry }],
          }
        : shut('incomplete');
    case 'read-back':
      if (state.at !== 'storing' || event.entry !== state.basis.scanEntry) return stay(state);
      return event.isSame
        ? stay({ at: 'stored', basis: state.basis, done: NOTHING_CLEARED })
        : shut('unsafe');
    case 'overtaken':
      return state.at === 'shut' || state.at === 'sent' ? stay(state) : shut(event.why);
    case 'time-passed':
      return 'basis' in state && state.at !== 'sent' && hasExpired(state.basis, event.now)
        ? shut('expired')
        : stay(state);
    case 'owner-ready':
      if (state.at !== 'stored' && state.at !== 'ready') return stay(state);
      if (hasExpired(state.basis, event.now)) return shut('expired');
      return stay({ at: 'ready', basis: state.basis, done: state.done, why: null });
    case 'ask-clear':
      if (state.at !== 'ready' || isDone(state.done, event.target)) return stay(state);
      if (hasExpired(state.basis, event.now)) return shut('expired');
      return {
        state: { at: 'checking', basis: state.basis, done: state.done, target: event.target },
        effects: [{ type: 'check-again', basis: state.basis }],
      };
    case 'checked':
      if (state.at !== 'checking') return stay(state);
      if (!event.isSafe) return shut(event.why);
      if (hasExpired(state.basis, event.now)) return shut('expired');
      return {
        state: { ...state, at: 'noting' },
        effects: [{ type: 'store-intent', basis: state.basis, target: state.target }],
      };
    case 'intent-failed':
      return state.at === 'noting' ? shut('unsafe') : stay(state);
    case 'intent-stored':
      if (state.at !== 'noting') return stay(state);
      if (hasExpired(state.basis, event.now)) return shut('expired');
      return {
        state: { ...state, at: 'sent', intent: event.entry },
        effects: [
          {
            type: 'send-clear',
            permit: grantPermit({
              scanEntry: state.basis.scanEntry,
              intentEntry: event.entry,
              connection: state.basis.connection,
              car: state.basis.car,
              target: state.target,
            }),
          },
        ],
      };
    case 'car-agreed':
      if (state.at !== 'sent') return stay(state);
      // The record that the way rests on holds the codes of every unit, so the others may follow.
      return stay({ at: 'ready', basis: state.basis, done: withDone(state.done, state.target), why: null });
    case 'car-refused':
      return state.at === 'sent'
        ? stay({ at: 'ready', basis: state.basis, done: state.done, why: event.why })
        : stay(state);
    case 'no-answer':
      return state.at === 'sent' ? shut('unknown-outcome') : stay(state);
  }
}
