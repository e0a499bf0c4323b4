import { faultWords, sampleReadings } from '@pincer/core/link';
import {
  channelOf,
  countOf,
  durationOf,
  numberOf,
  wantedFor,
  windowsOf,
  type ReadingKey,
  type Recording,
} from '@pincer/core/signals';
import { engineOf } from '@pincer/core/assess';
import { newId } from './ids.ts';
import { linkSlice } from './link-slice.ts';
import { loseLink } from './link-state.ts';
import { record } from './logbook-actions.ts';
import { loadRecording, openRecordings, saveMeta, type RecordingMeta } from '../storage/recordings.ts';
import type { AppThunk } from './store.ts';
import { watchService } from './watch-service.ts';
import { isWatching, watchSlice } from './watch-slice.ts';
import { now } from '../clock.ts';
import { caseAndVehicle } from './logbook-selectors.ts';

const { watchChanged } = watchSlice.actions;
const { statusChanged } = linkSlice.actions;

let stop: AbortController | null = null;
let ended: Promise<void> = Promise.resolve();

/** A recording that was cut: what came of it is kept. */
export type CutRecording = RecordingMeta;

/** Recordings of a case that were cut by a reload or a crash. */
export function cutRecordings(caseId: string): AppThunk<Promise<CutRecording[]>> {
  return () => openRecordings(caseId);
}

interface Start {
  caseId: string;
  title: string;
  keys: readonly ReadingKey[];
  /** PIDs that this car is known to tell. */
  offered: ReadonlySet<number>;
  /** A recording that was cut and is gone on with. */
  goOn?: RecordingMeta;
}

/** Records readings until it is stopped or the connection is lost; whatever happens, what came is kept. */
export function startWatching({ caseId, title, keys, offered, goOn }: Start): AppThunk<Promise<void>> {
  return async (dispatch, getState, { link }) => {
    const { connection } = link;
    // One thing at a time, by what is set before anything is waited for.
    if (!connection || isWatching(getState()) || getState().link.status.at !== 'talking') return;
    const meta: RecordingMeta = goOn ?? {
      id: newId('rec'),
      caseId,
      title,
      startedAt: now().toISOString(),
      channels: [],
      marks: [],
      chunks: 0,
      isOpen: true,
    };
    const control = new AbortController();
    stop = control;
    dispatch(watchChanged({ at: 'watching', caseId, recording: meta.id, title: meta.title }));
    const before = goOn ? await loadRecording(goOn.id) : null;
    await watchService.begin(meta, before);
    // The engine is started and stopped meanwhile: what the socket had before is soon no longer true.
    const { status } = getState().link;
    if (status.at === 'talking') dispatch(statusChanged({ ...status, volts: null }));
    const sampling = sampleReadings(connection, {
      wanted: wantedFor(keys, offered),
      clock: link.clock,
      signal: control.signal,
      startAt: before ? durationOf(before) + 1 : 0,
      isPaused: () => watchService.isPaused,
      onValues: (values, pace) =>
        watchService.add(
          values.flatMap(({ at, value }) => {
            const channel = channelOf(value);
            const n = numberOf(value);
            return channel && n !== null ? [{ at, channel, value: n }] : [];
          }),
          pace,
        ),
    });
    ended = sampling.then(async (fault) => {
      const done = await watchService.end();
      if (done) await dispatch(keep(caseId, done.meta, done.recording));
      dispatch(
        watchChanged(
          fault.code === 'cancelled' ? { at: 'idle' } : { at: 'ended', caseId, words: faultWords(fault) },
        ),
      );
      // The adapter that fell silent, or the plug that was pulled out, is seen beside the recording too.
      if (connection.port.hasEnded) dispatch(loseLink({ code: 'cut' }));
    });
  };
}

/** Writes a recording's windows into the case's log. */
function keep(caseId: string, meta: RecordingMeta, recording: Recording): AppThunk<Promise<void>> {
  return async (dispatch, getState) => {
    if (countOf(recording) === 0) return;
    const { vehicle } = caseAndVehicle(getState().logbook, caseId);
    if (!vehicle) return;
    await dispatch(
      record(caseId, {
        kind: 'recording',
        recording: meta.id,
        title: meta.title,
        seconds: durationOf(recording),
        samples: countOf(recording),
        channels: recording.channels,
        windows: windowsOf(recording, engineOf(vehicle)).map(({ state, seconds, stats }) => ({
          state,
          seconds,
          stats,
        })),
        marks: recording.marks,
      }),
    );
  };
}

export function pauseWatching(isPaused: boolean): AppThunk {
  return (dispatch, getState) => {
    const { status } = getState().watch;
    if (status.at !== 'watching' && status.at !== 'paused') return;
    watchService.isPaused = isPaused;
    dispatch(watchChanged({ ...status, at: isPaused ? 'paused' : 'watching' }));
  };
}

/** Ends the recording and waits until it is written. */
export function stopWatching(): AppThunk<Promise<void>> {
  return async () => {
    stop?.abort();
    await ended;
  };
}

/** Ends a recording that was cut off by a reload or a crash: it goes into the log with what it has. */
export function keepCutRecording(meta: RecordingMeta): AppThunk<Promise<void>> {
  return async (dispatch) => {
    const recording = await loadRecording(meta.id);
    await saveMeta({ ...meta, isOpen: false });
    if (recording) await dispatch(keep(meta.caseId, meta, recording));
  };
}
