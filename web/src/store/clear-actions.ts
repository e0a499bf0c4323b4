import type { Entry } from '@pincer/core/case';
import { identifyCar, isSameCar } from '@pincer/core/link';
import {
  CLEAR_START,
  clearStep,
  sendClear,
  type ClearBasis,
  type ClearEffect,
  type ClearEvent,
  type ClearPermit,
  type ClearState,
  type ClearTarget,
  type ShutReason,
} from '@pincer/core/proof';
import { now } from '../clock.ts';
import { isStored, storedEntries } from '../storage/records.ts';
import { linkSlice } from './link-slice.ts';
import { loseLink } from './link-state.ts';
import { watchOver } from './clear-watch.ts';
import { record } from './logbook-actions.ts';
import type { AppThunk, RootState } from './store.ts';
import { isWatching } from './watch-slice.ts';

const { statusChanged, clearMoved } = linkSlice.actions;

/** Entries that speak of the car's memory, or that take something back: what comes in of them overtakes a permit. */
const OVERTAKES: ReadonlySet<Entry['kind']> = new Set([
  'scan',
  'clear',
  'clear-asked',
  'clear-told',
  'retracted',
  'battery-off',
]);

/** State of the way to a clear for a case; a case that it has not seen begins shut. */
export function clearStateOf(state: RootState, caseId: string): ClearState {
  return state.link.clear.caseId === caseId ? state.link.clear.state : CLEAR_START;
}

const epoch = (): number => now().getTime();

/** Moves the way to a clear and carries out its effects. Nothing else in the page sends a clear. */
export function guard(caseId: string, event: ClearEvent): AppThunk<Promise<void>> {
  return async (dispatch, getState) => {
    const before = clearStateOf(getState(), caseId);
    const step = clearStep(before, event);
    if (step.state !== before) dispatch(clearMoved({ caseId, state: step.state }));
    for (const effect of step.effects) await dispatch(carryOut(caseId, effect));
  };
}

function carryOut(caseId: string, effect: ClearEffect): AppThunk<Promise<void>> {
  return async (dispatch) => {
    switch (effect.type) {
      case 'store-and-read-back':
        return dispatch(readBack(caseId, effect.entry));
      case 'check-again': {
        const why = await dispatch(whyNot(caseId, effect.basis));
        return dispatch(
          guard(
            caseId,
            why === null
              ? { type: 'checked', isSafe: true, now: epoch() }
              : { type: 'checked', isSafe: false, why },
          ),
        );
      }
      case 'store-intent':
        return dispatch(storeIntent(caseId, effect.basis, effect.target));
      case 'send-clear':
        return dispatch(send(caseId, effect.permit));
    }
  };
}

/** Whether storage has an entry of the case exactly as the page has it. */
function hasStored(caseId: string, entryId: string): AppThunk<Promise<boolean>> {
  return async (_, getState) => {
    const wanted = getState().logbook.cases.entities[caseId]?.entries.find((e) => e.id === entryId);
    return wanted !== undefined && (await isStored(caseId, wanted).catch(() => false));
  };
}

function readBack(caseId: string, entry: string): AppThunk<Promise<void>> {
  return async (dispatch, getState, { link }) => {
    const isSame = await dispatch(hasStored(caseId, entry));
    link.known = new Set(getState().logbook.cases.entities[caseId]?.entries.map((e) => e.id));
    await dispatch(guard(caseId, { type: 'read-back', entry, isSame }));
  };
}

/**
 * What stands in the way of a clear at this very moment, looked up and asked anew: the record in storage, anything newer
 * that any page has stored, and the car in the socket. Null when nothing does.
 */
function whyNot(caseId: string, basis: ClearBasis): AppThunk<Promise<ShutReason | null>> {
  return async (dispatch, _, { link }) => {
    const { connection } = link;
    if (!connection || connection.port.id !== basis.connection) return 'disconnected';
    const { port } = connection;
    const hasEnded = () => port.hasEnded;
    if (hasEnded()) return 'disconnected';
    if (!(await dispatch(hasStored(caseId, basis.scanEntry)))) return 'unsafe';
    const stored = await storedEntries(caseId).catch(() => null);
    if (stored === null) return 'unsafe';
    if (stored.some((e) => OVERTAKES.has(e.kind) && !link.known.has(e.id))) return 'overtaken';
    const asked = await identifyCar(connection);
    if (hasEnded()) return 'disconnected';
    return asked.ok && isSameCar(basis.car, asked.car) ? null : 'other-car';
  };
}

function storeIntent(caseId: string, basis: ClearBasis, target: ClearTarget): AppThunk<Promise<void>> {
  return async (dispatch, _, { link }) => {
    const { entry } = await dispatch(
      record(caseId, { kind: 'clear-asked', afterScan: basis.scanEntry, ...unitOf(target) }),
    );
    link.known.add(entry.id);
    const isKept = await dispatch(hasStored(caseId, entry.id));
    await dispatch(
      guard(
        caseId,
        isKept ? { type: 'intent-stored', entry: entry.id, now: epoch() } : { type: 'intent-failed' },
      ),
    );
  };
}

const unitOf = (target: ClearTarget) =>
  target.kind === 'unit' ? { unit: { answer: target.unit.answer, name: target.unit.name } } : {};

/** Sends a clear by its permit, and records what became of it, whatever that is. */
function send(caseId: string, permit: ClearPermit): AppThunk<Promise<void>> {
  return async (dispatch, _, { link }) => {
    const { scanEntry, intentEntry, target } = permit.terms;
    const { connection } = link;
    const result = connection
      ? await sendClear(connection, permit)
      : ({
          outcome: 'refused',
          why: 'The adapter is no longer connected. Nothing was sent.',
          fault: null,
        } as const);
    const said =
      result.outcome === 'agreed'
        ? {
            outcome: 'agreed' as const,
            agreedBy: result.agreedBy,
            ...(result.after === null ? {} : { after: result.after }),
            message: `Agreed: ${result.agreedBy.join(', ')}${result.refusedBy.length > 0 ? `; refused: ${result.refusedBy.join(', ')}` : ''}`,
          }
        : { outcome: result.outcome, message: result.why };
    const { entry } = await dispatch(
      record(caseId, { kind: 'clear', asked: intentEntry, afterScan: scanEntry, ...said, ...unitOf(target) }),
    );
    link.known.add(entry.id);
    await dispatch(
      guard(
        caseId,
        result.outcome === 'agreed'
          ? { type: 'car-agreed' }
          : result.outcome === 'refused'
            ? { type: 'car-refused', why: result.why }
            : { type: 'no-answer' },
      ),
    );
    if (result.outcome !== 'agreed' && result.fault?.code === 'cut') dispatch(loseLink(result.fault));
  };
}

/**
 * The owner asks for a clear. One at a time, in this page and in all others; the adapter does nothing else meanwhile.
 */
export function askToClear(caseId: string, target: ClearTarget): AppThunk<Promise<void>> {
  return async (dispatch, getState, { tabs }) => {
    const { status } = getState().link;
    if (status.at !== 'talking' || getState().link.caseId !== caseId || isWatching(getState())) return;
    const { protocol, volts } = status;
    dispatch(statusChanged({ at: 'clearing', protocol, volts }));
    try {
      const done = await tabs.alone(`clear:${caseId}`, async () => {
        await dispatch(guard(caseId, { type: 'ask-clear', target, now: epoch() }));
        return true;
      });
      // Another page is at it: what this one knows is overtaken.
      if (done === null) await dispatch(guard(caseId, { type: 'overtaken', why: 'overtaken' }));
    } finally {
      if (getState().link.status.at === 'clearing')
        dispatch(statusChanged({ at: 'talking', protocol, volts }));
    }
  };
}

/** The owner has read what a clear erases, ignition on and engine off. */
export function confirmReady(caseId: string): AppThunk<Promise<void>> {
  return (dispatch) => dispatch(guard(caseId, { type: 'owner-ready', now: epoch() }));
}

/** Half an hour after the scan the way is shut, whether or not anybody asks. */
function letTimePass(caseId: string): AppThunk<Promise<void>> {
  return (dispatch) => dispatch(guard(caseId, { type: 'time-passed', now: epoch() }));
}

/** Entries of this page itself that overtake: its own clears are what the way is for. */
const OWN_OVERTAKES: ReadonlySet<Entry['kind']> = new Set(['scan', 'retracted', 'battery-off', 'clear-told']);

/** An entry was added: does it overtake the way to a clear? @param isOwn whether this page has made it. */
function noticeEntry(caseId: string, entry: Entry, isOwn: boolean): AppThunk<Promise<void>> {
  return async (dispatch) => {
    if ((isOwn ? OWN_OVERTAKES : OVERTAKES).has(entry.kind))
      await dispatch(guard(caseId, { type: 'overtaken', why: 'overtaken' }));
  };
}

watchOver({ entry: noticeEntry, time: letTimePass });
