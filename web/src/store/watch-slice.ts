import { createSlice, type PayloadAction } from '@reduxjs/toolkit';
import type { FaultWords } from '@pincer/core/link';

/** Watching readings, for the session. The samples themselves are not in the store: see the watch service. */
export type WatchStatus =
  | { at: 'idle' }
  | { at: 'watching' | 'paused'; caseId: string; recording: string; title: string }
  | { at: 'ended'; caseId: string; words: FaultWords };

/** Whether a recording runs, so that nothing else may ask the car meanwhile. */
export const isWatching = (state: { watch: WatchState }): boolean =>
  state.watch.status.at === 'watching' || state.watch.status.at === 'paused';

export interface WatchState {
  status: WatchStatus;
}

const initialState: WatchState = { status: { at: 'idle' } };

export const watchSlice = createSlice({
  name: 'watch',
  initialState,
  reducers: {
    watchChanged(state, { payload }: PayloadAction<WatchStatus>) {
      state.status = payload;
    },
  },
});
