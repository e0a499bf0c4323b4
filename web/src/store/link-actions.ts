import {
  AdapterPort,
  clearCodes,
  connect,
  faultWords,
  takeReading,
  type LinkFault,
  type Transport,
} from '@pincer/core/link';
import { CLEAR_START, clearStep, type ClearEvent, type ClearState } from '@pincer/core/proof';
import type { Mode } from '@pincer/simulator';
import { plugIntoStandIn, standInWorker } from '../workers/clients.ts';
import type { StandInSetup } from '../workers/stand-in-api.ts';
import { linkSlice } from './link-slice.ts';
import { record } from './logbook-actions.ts';
import { isStored } from './storage.ts';
import type { AppThunk, RootState } from './store.ts';

const { linkChanged, statusChanged, standInChanged, clearMoved } = linkSlice.actions;

/**
 * Connects a case to the stand-in and notes the outcome in its log.
 * @returns whether the car answered.
 */
export function connectStandIn(caseId: string, setup: StandInSetup): AppThunk<Promise<boolean>> {
  return async (dispatch) => {
    const { transport, state } = await plugIntoStandIn(setup);
    dispatch(standInChanged(state));
    return dispatch(connectWith(caseId, `Stand-in, ${setup.temperament}`, transport));
  };
}

/**
 * Connects a case to a real adapter. Opening it may fail before a byte was sent: nothing chosen, in use, not an adapter.
 * @returns whether the car answered.
 */
export function connectReal(
  caseId: string,
  adapter: string,
  open: () => Promise<Transport>,
): AppThunk<Promise<boolean>> {
  return async (dispatch) => {
    dispatch(standInChanged(null));
    try {
      return await dispatch(connectWith(caseId, adapter, await open()));
    } catch (error) {
      const detail = error instanceof Error ? error.message : '';
      const words = {
        sentence: 'The adapter could not be opened.',
        next: `Is it plugged in, and not in use by another program or page? ${detail}`.trim(),
      };
      dispatch(linkChanged({ caseId, adapter, status: { at: 'failed', words, volts: null } }));
      return false;
    }
  };
}

function connectWith(caseId: string, adapter: string, transport: Transport): AppThunk<Promise<boolean>> {
  return async (dispatch, _, { link }) => {
    await link.port?.close();
    const stop = new AbortController();
    const port = new AdapterPort(transport, link.clock);
    link.port = port;
    link.connection = null;
    link.stop = stop;
    const progress = { step: 'Waking the adapter', done: 0, total: 10 };
    dispatch(linkChanged({ caseId, adapter, status: { at: 'connecting', progress } }));
    const result = await connect(port, {
      signal: stop.signal,
      onProgress: (p) => dispatch(statusChanged({ at: 'connecting', progress: p })),
    });
    if (link.port !== port) return false;
    if (result.ok) {
      const { protocol, adapterVolts } = result.connection;
      link.connection = result.connection;
      dispatch(statusChanged({ at: 'talking', protocol, volts: adapterVolts }));
      await dispatch(
        record(caseId, {
          kind: 'connection',
          outcome: 'talking',
          adapter,
          protocol,
          ...(adapterVolts === null ? {} : { volts: adapterVolts }),
        }),
      );
      return true;
    }
    await port.close();
    const words = faultWords(result.fault);
    dispatch(statusChanged({ at: 'failed', words, volts: result.adapterVolts }));
    if (result.fault.code === 'cancelled') return false;
    await dispatch(
      record(caseId, {
        kind: 'connection',
        outcome: 'failed',
        adapter,
        message: words.sentence,
        ...(result.adapterVolts === null ? {} : { volts: result.adapterVolts }),
      }),
    );
    return false;
  };
}

/** Stops connecting or reading; what was read is kept. */
export function stopLink(): AppThunk {
  return (_, __, { link }) => link.stop?.abort();
}

/** Takes a full reading, stores it whether complete or not, and tells the clear guard. */
export function readCar(caseId: string): AppThunk<Promise<void>> {
  return async (dispatch, getState, { link }) => {
    const { connection } = link;
    const { status, adapter } = getState().link;
    if (!connection || status.at !== 'talking') return;
    const stop = new AbortController();
    link.stop = stop;
    const { protocol, volts } = status;
    dispatch(
      statusChanged({ at: 'reading', protocol, volts, progress: { step: 'Beginning', done: 0, total: 7 } }),
    );
    const { reading, fault } = await takeReading(connection, {
      signal: stop.signal,
      onProgress: (progress) => dispatch(statusChanged({ at: 'reading', protocol, volts, progress })),
    });
    if (fault === null || fault.code === 'cancelled')
      dispatch(statusChanged({ at: 'talking', protocol, volts }));
    else loseLink(dispatch, link, fault);
    const isComplete = fault === null && reading.missing.length === 0;
    const entry = await dispatch(
      record(caseId, { kind: 'reading', via: 'adapter', adapter, isComplete, reading }),
    );
    await dispatch(guard(caseId, { type: 'reading-taken', entry: entry.id, isComplete }));
  };
}

function loseLink(
  dispatch: (action: ReturnType<typeof statusChanged>) => unknown,
  link: { port: AdapterPort | null; connection: unknown },
  fault: LinkFault,
): void {
  dispatch(statusChanged({ at: 'lost', words: faultWords(fault) }));
  void link.port?.close();
  link.port = null;
  link.connection = null;
}

/** State of the clear guard for a case; a case that the guard has not seen begins unread. */
export function clearStateOf(state: RootState, caseId: string): ClearState {
  return state.link.clear.caseId === caseId ? state.link.clear.state : CLEAR_START;
}

/** Moves the clear guard and carries out its effects. This is the only place that sends a clear. */
export function guard(caseId: string, event: ClearEvent): AppThunk<Promise<void>> {
  return async (dispatch, getState, { link }) => {
    const step = clearStep(clearStateOf(getState(), caseId), event);
    dispatch(clearMoved({ caseId, state: step.state }));
    for (const effect of step.effects) {
      if (effect.type === 'store-and-read-back') {
        const found = getState().logbook.cases[caseId];
        const isSame = found !== undefined && (await isStored(found, effect.entry));
        await dispatch(guard(caseId, { type: 'read-back', entry: effect.entry, isSame }));
        continue;
      }
      if (!link.connection) {
        await dispatch(
          guard(caseId, {
            type: 'car-refused',
            why: 'No adapter is connected. Connect at Plug in, then clear.',
          }),
        );
        continue;
      }
      const result = await clearCodes(link.connection, effect.permit);
      const afterReading = effect.permit.readingEntryId;
      if (result.ok && result.agreed.length > 0) {
        await dispatch(
          record(caseId, {
            kind: 'clear',
            afterReading,
            outcome: 'agreed',
            message: `Agreed: ${result.agreed.join(', ')}${result.refused.length > 0 ? `; refused: ${result.refused.join(', ')}` : ''}`,
          }),
        );
        await dispatch(guard(caseId, { type: 'car-agreed' }));
        continue;
      }
      const why = result.ok
        ? 'The car refused. Clearing wants the ignition on and the engine off.'
        : `${faultWords(result.fault).sentence} ${faultWords(result.fault).next}`;
      await dispatch(
        record(caseId, {
          kind: 'clear',
          afterReading,
          outcome: result.ok ? 'refused' : 'failed',
          message: why,
        }),
      );
      await dispatch(guard(caseId, { type: 'car-refused', why }));
      if (!result.ok && result.fault.code === 'cut') loseLink(dispatch, link, result.fault);
    }
  };
}

/** Turns the stand-in's key, or runs its engine. */
export function setStandInMode(mode: Mode): AppThunk<Promise<void>> {
  return async (dispatch) => {
    dispatch(standInChanged(await standInWorker().setMode(mode)));
  };
}

/** Lets the stand-in idle until warm, makes a drive with it, mends it, or pulls its plug. */
export function standInDoes(what: 'warmUp' | 'drive' | 'mend'): AppThunk<Promise<void>> {
  return async (dispatch) => {
    dispatch(standInChanged(await standInWorker()[what]()));
  };
}

/** Pulls the plug out of the stand-in, whatever it is doing. */
export function pullPlug(): AppThunk<Promise<void>> {
  return async (dispatch, getState, { link }) => {
    await standInWorker().unplug();
    if (getState().link.status.at === 'talking') loseLink(dispatch, link, { code: 'cut' });
  };
}
