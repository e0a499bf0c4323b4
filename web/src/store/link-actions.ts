import { foldCase, type CaseRecord, type EntryOf } from '@pincer/core/case';
import {
  AdapterPort,
  RESUME_WITHIN_MS,
  RefusedByBridge,
  connect,
  faultWords,
  identityOf,
  resumeScan,
  takeScan,
  type CarIdentity,
  type LinkKind,
  type ReadProgress,
  type Transport,
} from '@pincer/core/link';
import type { Scan } from '@pincer/core/obd';
import type { Mode } from '@pincer/simulator';
import { now } from '../clock.ts';
import type { StandInSetup } from '../ports/stand-in.ts';
import { guard } from './clear-actions.ts';
import { isLinkBusy, linkSlice } from './link-slice.ts';
import { hangUp, loseLink } from './link-state.ts';
import { record } from './logbook-actions.ts';
import type { AppThunk } from './store.ts';
import { isWatching } from './watch-slice.ts';
import { caseAndVehicle } from './logbook-selectors.ts';

const { linkChanged, statusChanged, standInChanged } = linkSlice.actions;

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
  return async (dispatch, _, { standIn }) => {
    const adapter = `Practice adapter, ${setup.temperament}`;
    return dispatch(
      connectBy({ caseId, by: 'stand-in', adapter, eachProtocol }, async () => {
        const { transport, state } = await standIn.plugIn(setup);
        dispatch(standInChanged(state));
        return transport;
      }),
    );
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
  return (dispatch) => {
    dispatch(standInChanged(null));
    return dispatch(connectBy(attempt, open));
  };
}

/**
 * One attempt to connect at a time: a second press while one is under way does nothing. An attempt that was stopped and
 * overtaken while the browser was still asking closes what it opens at last.
 */
function connectBy(attempt: Attempt, open: () => Promise<Transport>): AppThunk<Promise<ConnectOutcome>> {
  return async (dispatch, getState, { link }) => {
    const { caseId, by, adapter } = attempt;
    if (isLinkBusy(getState()) || isWatching(getState())) return 'cancelled';
    const mine = ++link.attempt;
    const stop = new AbortController();
    link.stop = stop;
    const progress = { step: 'Opening the adapter', done: 0, total: 10 };
    dispatch(linkChanged({ caseId, adapter, status: { at: 'connecting', progress } }));
    stop.signal.addEventListener('abort', () => {
      // Whoever still holds the door open is not waited for.
      if (link.attempt === mine && link.port === null) {
        link.attempt++;
        dispatch(statusChanged({ at: 'failed', words: faultWords({ code: 'cancelled' }), volts: null }));
      }
    });
    await hangUp(link);
    let transport: Transport;
    try {
      transport = await open();
    } catch (error) {
      if (link.attempt !== mine) return 'cancelled';
      const words =
        error instanceof RefusedByBridge
          ? { sentence: error.message, next: error.next }
          : {
              sentence: 'The adapter could not be opened.',
              next: `Is it plugged in and not in use by another program or page? ${error instanceof Error ? error.message : ''}`.trim(),
            };
      const detail = error instanceof Error && error.message !== words.sentence ? ` ${error.message}` : '';
      dispatch(statusChanged({ at: 'failed', words, volts: null }));
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
    if (link.attempt !== mine) {
      await transport.close().catch(() => undefined);
      return 'cancelled';
    }
    return dispatch(talkOver(attempt, transport, stop));
  };
}

/** Sets the adapter up over an open transport, and finds the car. */
function talkOver(
  attempt: Attempt,
  transport: Transport,
  stop: AbortController,
): AppThunk<Promise<ConnectOutcome>> {
  const { caseId, by, adapter, eachProtocol = false } = attempt;
  return async (dispatch, _, { link }) => {
    const port = new AdapterPort(transport, link.clock);
    link.port = port;
    const result = await connect(port, {
      signal: stop.signal,
      eachProtocol,
      onProgress: (progress) => {
        if (link.port === port) dispatch(statusChanged({ at: 'connecting', progress }));
      },
    });
    if (link.port !== port) {
      await port.close();
      return 'cancelled';
    }
    if (result.ok) {
      const { protocol, adapterVolts, refused } = result.connection;
      link.connection = result.connection;
      dispatch(statusChanged({ at: 'talking', protocol, volts: adapterVolts }));
      // A plug that is pulled out is seen at once, whatever is or is not being asked.
      port.onEnd(() => dispatch(noticeEnd(caseId, port)));
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

/** The byte stream of a connection has ended: what was permitted on it is over. */
function noticeEnd(caseId: string, port: AdapterPort): AppThunk {
  return (dispatch, getState, { link }) => {
    void dispatch(guard(caseId, { type: 'overtaken', why: 'disconnected' }));
    // What is under way tells its own end, with what it has kept.
    const { at } = getState().link.status;
    if (link.port === port && at === 'talking' && !isWatching(getState()))
      dispatch(loseLink({ code: 'cut' }));
  };
}

/** Stops connecting or reading; what was read is kept. */
export function stopLink(): AppThunk {
  return (_, __, { link }) => link.stop?.abort();
}

/** The scan that was cut a moment ago and can be gone on with, or null. */
export function cutScan(caseRecord: CaseRecord, at: Date): EntryOf<'scan'> | null {
  const last = foldCase(caseRecord).scans.at(-1);
  const canGoOn =
    last !== undefined &&
    last.via === 'adapter' &&
    !last.isComplete &&
    last.scan.codes.length + last.scan.values.length > 0 &&
    at.getTime() - new Date(last.at).getTime() < RESUME_WITHIN_MS;
  return canGoOn ? last : null;
}

/** The car of this case as it last answered in full; null when it never did. */
function knownCarOf(caseRecord: CaseRecord | undefined): CarIdentity | null {
  const scans = caseRecord ? foldCase(caseRecord).scans : [];
  const last = scans.findLast((s) => s.via === 'adapter' && s.isComplete);
  return last ? identityOf(last.scan) : null;
}

/**
 * Takes a full scan, stores it whether complete or not, and tells the way to a clear.
 * @param begun an earlier part to go on with.
 */
export function scanCar(caseId: string, begun?: EntryOf<'scan'>): AppThunk<Promise<void>> {
  return async (dispatch, getState, { link }) => {
    const { connection } = link;
    const { status, adapter } = getState().link;
    if (!connection || status.at !== 'talking' || isWatching(getState())) return;
    const stop = new AbortController();
    link.stop = stop;
    const { protocol, volts } = status;
    dispatch(
      statusChanged({ at: 'reading', protocol, volts, progress: { step: 'Beginning', done: 0, total: 9 } }),
    );
    const known = caseAndVehicle(getState().logbook, caseId);
    const map = known.vehicle?.moduleMap;
    const knownCar = knownCarOf(known.record);
    const options = {
      signal: stop.signal,
      ...(map ? { units: map.modules } : {}),
      ...(knownCar ? { knownCar } : {}),
      onProgress: (progress: ReadProgress) =>
        dispatch(statusChanged({ at: 'reading', protocol, volts, progress })),
    };
    const { scan, fault, hasGoneOn } = begun
      ? await resumeScan(connection, begun.scan, options)
      : { ...(await takeScan(connection, options)), hasGoneOn: false };
    const isComplete = fault === null && scan.missing.length === 0;
    const { entry } = await dispatch(
      record(caseId, {
        kind: 'scan',
        via: 'adapter',
        adapter,
        isComplete,
        ...(begun && hasGoneOn ? { continues: begun.id } : {}),
        scan,
      }),
    );
    const takenAt = now().getTime();
    const basis = { scanEntry: entry.id, connection: connection.port.id, car: identityOf(scan), takenAt };
    await dispatch(guard(caseId, { type: 'scan-taken', basis, isComplete }));
    if (connection.port.hasEnded) dispatch(loseLink({ code: 'cut' }));
    else if (fault === null || fault.code === 'cancelled')
      dispatch(statusChanged({ at: 'talking', protocol, volts: voltsOf(scan) ?? volts }));
    else dispatch(loseLink(fault));
    if (connection.port.hasEnded) await dispatch(guard(caseId, { type: 'overtaken', why: 'disconnected' }));
  };
}

/** Voltage that the control unit measured, V, or null. */
function voltsOf(scan: Scan): number | null {
  const value = scan.values.find((v) => v.service === '01' && v.pid === '42')?.value;
  return typeof value === 'number' ? value : null;
}

/** Turns the stand-in's key, or runs its engine. */
export function setStandInMode(mode: Mode): AppThunk<Promise<void>> {
  return async (dispatch, _, { standIn }) => {
    dispatch(standInChanged(await standIn.setMode(mode)));
  };
}

/** Lets the stand-in idle until warm, makes a drive with it, or mends it. */
export function standInDoes(what: 'warmUp' | 'drive' | 'mend'): AppThunk<Promise<void>> {
  return async (dispatch, _, { standIn }) => {
    dispatch(standInChanged(await standIn.does(what)));
  };
}

/** Pulls the plug out of the stand-in, whatever it is doing. */
export function pullPlug(): AppThunk<Promise<void>> {
  return (_, __, { standIn }) => standIn.unplug();
}
