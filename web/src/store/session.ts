import { createListenerMiddleware } from '@reduxjs/toolkit';
import { clearWatch } from './clear-watch.ts';
import { logbookSlice } from './logbook-slice.ts';
import type { AppDispatch, Extra, RootState } from './store.ts';

interface Store {
  dispatch: AppDispatch;
  getState: () => RootState;
}

/** How often it is looked whether a permission has run out, ms. */
const LOOK_MS = 20_000;

/** Reacts to what this page records itself: an entry may overtake the way to a clear. */
export function createOwnEntries() {
  const listener = createListenerMiddleware<RootState, AppDispatch, Extra>();
  listener.startListening({
    actionCreator: logbookSlice.actions.entryAdded,
    effect: async ({ payload }, api) => {
      const watch = clearWatch();
      if (watch) await api.dispatch(watch.entry(payload.caseId, payload.entry, true));
    },
  });
  return listener.middleware;
}

/**
 * Listens to the other pages of this browser, and to the clock. @returns how to stop.
 */
export function beginSession(store: Store, { tabs }: Pick<Extra, 'tabs'>): () => void {
  const deafen = tabs.listen(({ caseId, entry }) => {
    store.dispatch(logbookSlice.actions.entryHeard({ caseId, entry }));
    const watch = clearWatch();
    if (watch) void store.dispatch(watch.entry(caseId, entry, false));
  });
  const timer = setInterval(() => {
    const { caseId } = store.getState().link.clear;
    const watch = clearWatch();
    if (caseId !== null && watch) void store.dispatch(watch.time(caseId));
  }, LOOK_MS);
  return () => {
    deafen();
    clearInterval(timer);
  };
}
