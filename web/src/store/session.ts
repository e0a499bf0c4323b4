import { createListenerMiddleware } from '@reduxjs/toolkit';
import type { Entry } from '@pincer/core/case';
import { logbookSlice } from './logbook-slice.ts';
import type { AppDispatch, Extra, RootState } from './store.ts';

interface Store {
  dispatch: AppDispatch;
  getState: () => RootState;
}

/** How often it is looked whether a permission has run out, ms. */
const LOOK_MS = 20_000;

/**
 * An entry was added: it may overtake the way to a clear. Where this page is on no such way there is nothing to overtake,
 * and the first screen need not load it.
 */
async function overtake(store: Store, caseId: string, entry: Entry, isOwn: boolean): Promise<void> {
  if (store.getState().link.clear.caseId !== caseId) return;
  const { noticeEntry } = await import('./clear-actions.ts');
  await store.dispatch(noticeEntry(caseId, entry, isOwn));
}

/** Reacts to what this page records itself: an entry may overtake the way to a clear. */
export function createOwnEntries() {
  const listener = createListenerMiddleware<RootState, AppDispatch, Extra>();
  listener.startListening({
    actionCreator: logbookSlice.actions.entryAdded,
    effect: async ({ payload }, api) => {
      await overtake(api, payload.caseId, payload.entry, true);
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
    void overtake(store, caseId, entry, false);
  });
  const timer = setInterval(() => {
    const { caseId } = store.getState().link.clear;
    if (caseId !== null)
      void import('./clear-actions.ts').then(({ letTimePass }) => store.dispatch(letTimePass(caseId)));
  }, LOOK_MS);
  return () => {
    deafen();
    clearInterval(timer);
  };
}
