import { foldCase, type CaseRecord, type EntryOf } from '@pincer/core/case';
import {
  AdapterPort,
  RESUME_WITHIN_MS,
  clearCodes,
  clearUnit,
  connect,
  faultWords,
  resumeScan,
  takeScan,
  type Connection,
  type LinkFault,
  type LinkKind,
  type ReadProgress,
  type Transport,
} from '@pincer/core/link';
import {
  CLEAR_START,
  clearStep,
  type ClearEffect,
  type ClearEvent,
  type ClearState,
} from '@pincer/core/proof';
import type { Scan } from '@pincer/core/obd';
import type { Mode } from '@pincer/simulator';
import { plugIntoStandIn, standInWorker } from '../workers/stand-in-client.ts';
import { RefusedByBridge } from '../transports/network.ts';
import type { StandInSetup } from '../workers/stand-in-api.ts';
import type { LinkService } from './link-service.ts';
import { linkSlice } from './link-slice.ts';
import { record } from './logbook-actions.ts';
import { isStored } from './storage.ts';
import type { AppThunk, RootState } from './store.ts';

const { linkChanged, statusChanged, standInChanged, clearMoved } = linkSlice.actions;

/** How an attempt to connect ended. */
export type ConnectOutcome = 'talking' | 'failed' | 'cancelled';

interface Attempt {
  caseId: string;
  by: LinkKind;
  /** The adapter in words, for the log. */
  adapter: string;
  /** Set each protocol by itself instead of leaving the search to the adapter. */
  eachProtocol?: boolean;
}

/** Connects a case to the stand-in and notes the outcome in its log. */
export function connectStandIn(
  caseId: string,
  setup: StandInSetup,
  eachProtocol = false,
): AppThunk<Promise<ConnectOutcome>> {
  return async (dispatch, _, { link }) => {
    await hangUp(link);
    const { transport, state } = await plugIntoStandIn(setup);
    dispatch(standInChanged(state));
    const adapter = `Stand-in, ${setup.temperament}`;
    return dispatch(connectWith({ caseId, by: 'stand-in', adapter, eachProtocol }, transport));
  };
}

/**
 * Connects a case to a real adapter. Opening it may fail before a byte was sent: nothing chosen, in use, not an
 * adapter, an address that does not answer.
 */
export function connectReal(
  attempt: Attempt,
  open: () => Promise<Transport>,
): AppThunk<Promise<ConnectOutcome>> {
  return async (dispatch, _, { link }) => {
    await hangUp(link);
    dispatch(standInChanged(null));
    const { caseId, adapter, by } = attempt;
    let transport: Transport;
    try {
      transport = await open();
    } catch (error) {
      const words =
        error instanceof RefusedByBridge
          ? { sentence: error.message, next: error.next }
          : {
              sentence: 'The adapter could not be opened.',
              next: `Is it plugged in, and not in use by another program or page? ${error instanceof Error ? error.message : ''}`.trim(),
            };
      const detail = error instanceof Error && error.message !== words.sentence ? ` ${error.message}` : '';
      dispatch(linkChanged({ caseId, adapter, status: { at: 'failed', words, volts: null } }));
      await dispatch(
        record(caseId, {
          kind: 'connection',
          outcome: 'failed',
          adapter,
          by,
          fault: 'not-opened',
          message: words.sentence + detail,
        }),
      );
      return 'failed';
    }
    return dispatch(connectWith(attempt, transport));
  };
}

/**
 * Ends the connection that there is, before another one is opened: closing it afterwards could pull the plug that
 * has just been put in.
 */
async function hangUp(link: LinkService): Promise<void> {
  const { port } = link;
  link.port = null;
  link.connection = null;
  await port?.close();
}

function connectWith(attempt: Attempt, transport: Transport): AppThunk<Promise<ConnectOutcome>> {
  const { caseId, by, adapter, eachProtocol = false } = attempt;
  return async (dispatch, _, { link }) => {
    const stop = new AbortController();
    const port = new AdapterPort(transport, link.clock);
    link.port = port;
    link.connection = null;
    link.stop = stop;
    const progress = { step: 'Waking the adapter', done: 0, total: 10 };
    dispatch(linkChanged({ caseId, adapter, status: { at: 'connecting', progress } }));
    const result = await connect(port, {
      signal: stop.signal,
      eachProtocol,
      onProgress: (p) => dispatch(statusChanged({ at: 'connecting', progress: p })),
    });
    if (link.port !== port) return 'cancelled';
    if (result.ok) {
      const { protocol, adapterVolts, refused } = result.connection;
      link.connection = result.connection;
      dispatch(statusChanged({ at: 'talking', protocol, volts: adapterVolts }));
      await dispatch(
        record(caseId, {
          kind: 'connection',
          outcome: 'talking',
          adapter,
          by,
          protocol,
          refused: refused.length,
          ...(adapterVolts === null ? {} : { volts: adapterVolts }),
        }),
      );
      return 'talking';
    }
    await hangUp(link);
    const words = faultWords(result.fault);
    dispatch(statusChanged({ at: 'failed', words, volts: result.adapterVolts }));
    if (result.fault.code === 'cancelled') return 'cancelled';
    await dispatch(
      record(caseId, {
        kind: 'connection',
        outcome: 'failed',
        adapter,
        by,
        fault: result.fault.code,
        refused: result.refused.length,
        message: words.sentence,
        ...(result.adapterVolts === null ? {} : { volts: result.adapterVolts }),
      }),
    );
    return 'failed';
  };
}

/** Stops connecting or reading; what was read is kept. */
export function stopLink(): AppThunk {
  return (_, __, { link }) => link.stop?.abort();
}

/** The scan that was cut a moment ago and can be gone on with, or null. */
export function cutScan(record: CaseRecord, now: Date): EntryOf<'scan'> | null {
  const { latestReading } = foldCase(record);
  const canGoOn =
    latestReading !== null &&
    latestReading.via === 'adapter' &&
    !latestReading.isComplete &&
    latestReading.scan.codes.length + latestReading.scan.values.length > 0 &&
    now.getTime() - new Date(latestReading.at).getTime() < RESUME_WITHIN_MS;
  return canGoOn ? latestReading : null;
}

/**
 * Takes a full scan, stores it whether complete or not, and tells the clear guard.
 * @param begun an earlier part to go on with.
 */
export function scanCar(caseId: string, begun?: EntryOf<'scan'>): AppThunk<Promise<void>> {
  return async (dispatch, getState, { link }) => {
    const { connection } = link;
    const { status, adapter } = getState().link;
    if (!connection || status.at !== 'talking') return;
    const stop = new AbortController();
    link.stop = stop;
    const { protocol, volts } = status;
    dispatch(
      statusChanged({ at: 'reading', protocol, volts, progress: { step: 'Beginning', done: 0, total: 9 } }),
    );
    const { cases, vehicles } = getState().logbook;
    const map = vehicles[cases[caseId]?.vehicle ?? '']?.moduleMap;
    const options = {
      signal: stop.signal,
      ...(map ? { units: map.modules } : {}),
      onProgress: (progress: ReadProgress) =>
        dispatch(statusChanged({ at: 'reading', protocol, volts, progress })),
    };
    const { scan, fault } = begun
      ? await resumeScan(connection, begun.scan, options)
      : await takeScan(connection, options);
    if (fault === null || fault.code === 'cancelled')
      dispatch(statusChanged({ at: 'talking', protocol, volts: voltsOf(scan) ?? volts }));
    else loseLink(dispatch, link, fault);
    const isComplete = fault === null && scan.missing.length === 0;
    const entry = await dispatch(
      record(caseId, {
        kind: 'scan',
        via: 'adapter',
        adapter,
        isComplete,
        ...(begun ? { continues: begun.id } : {}),
        scan,
      }),
    );
    await dispatch(guard(caseId, { type: 'scan-taken', entry: entry.id, isComplete }));
  };
}

/** Voltage that the control unit measured, V, or null. */
function voltsOf(scan: Scan): number | null {
  const value = scan.values.find((v) => v.service === '01' && v.pid === '42')?.value;
  return typeof value === 'number' ? value : null;
}

function loseLink(
  dispatch: (action: ReturnType<typeof statusChanged>) => unknown,
  link: LinkService,
  fault: LinkFault,
): void {
  dispatch(statusChanged({ at: 'lost', words: faultWords(fault) }));
  void hangUp(link);
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
      if (effect.type === 'send-clear-unit') {
        await dispatch(sendUnitClear(caseId, link.connection, effect));
        continue;
      }
      const result = await clearCodes(link.connection, effect.permit);
      const afterScan = effect.permit.scanEntryId;
      if (result.ok && result.agreed.length > 0) {
        await dispatch(
          record(caseId, {
            kind: 'clear',
            afterScan,
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
          afterScan,
          outcome: result.ok ? 'refused' : 'failed',
          message: why,
        }),
      );
      await dispatch(guard(caseId, { type: 'car-refused', why }));
      if (!result.ok && result.fault.code === 'cut') loseLink(dispatch, link, result.fault);
    }
  };
}

/** Clears one control unit, and records what it answered. */
function sendUnitClear(
  caseId: string,
  connection: Connection,
  { unit, permit }: Extract<ClearEffect, { type: 'send-clear-unit' }>,
): AppThunk<Promise<void>> {
  return async (dispatch) => {
    const result = await clearUnit(connection, unit, permit);
    const why = result.ok ? '' : `${unit.name}: ${result.why}.`;
    await dispatch(
      record(caseId, {
        kind: 'clear',
        afterScan: permit.scanEntryId,
        outcome: result.ok ? 'agreed' : 'refused',
        unit: { answer: unit.answer, name: unit.name },
        ...(why ? { message: why } : {}),
      }),
    );
    await dispatch(guard(caseId, result.ok ? { type: 'car-agreed' } : { type: 'car-refused', why }));
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
