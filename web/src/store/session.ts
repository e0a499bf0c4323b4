import { clearAllListeners, createListenerMiddleware, isAnyOf } from '@reduxjs/toolkit';
import { clearWatch } from './clear-watch.ts';
import type { Doing, TabsPort } from '../ports/tabs.ts';
import { setBackupDue } from '../storage/backup-due.ts';
import { onStorageLost } from '../storage/database.ts';
import { keepRoads } from '../storage/roads.ts';
import { checkStorage } from './keep.ts';
import { othersSlice } from './others-slice.ts';
import { logbookSlice } from './logbook-slice.ts';
import type { AppDispatch, Extra, RootState } from './store.ts';

interface Store {
  dispatch: AppDispatch;
  getState: () => RootState;
  subscribe: (listen: () => void) => () => void;
}

/** How often it is looked whether a permission has run out, ms. */
const LOOK_MS = 20_000;

/** How long after the last change the backup file is written, ms: what comes together is written once. */
const FILE_MS = 3_000;

/** How long after the last case in sight was worked out their order is kept, ms. */
const ROADS_MS = 300;

/**
 * Reacts to what this page does itself: an entry may overtake the way to a clear, the backup file wants every change, also
 * one that the database refused, and the garage its order at the next visit.
 */
export function createOwnEntries() {
  const listener = createListenerMiddleware<RootState, AppDispatch, Extra>();
  listener.startListening({
    actionCreator: logbookSlice.actions.entryAdded,
    effect: async ({ payload }, api) => {
      const watch = clearWatch();
      if (watch) await api.dispatch(watch.entry(payload.caseId, payload.entry, true));
    },
  });
  const { saved, saveFailed, entriesAdded } = logbookSlice.actions;
  listener.startListening({
    matcher: isAnyOf(saved, saveFailed, entriesAdded),
    effect: async (_, api) => {
      const { at } = api.getState().keptFile;
      if (at === 'impossible') return;
      // Also before it is known whether there is a file: it is looked for once the first screen stands.
      setBackupDue(true);
      if (at === 'none') return;
      api.cancelActiveListeners();
      await api.delay(FILE_MS);
      const { writeKeptFile } = await import('./kept-file-actions.ts');
      await api.dispatch(writeKeptFile());
    },
  });
  const { shareShown, emptied } = logbookSlice.actions;
  listener.startListening({
    matcher: isAnyOf(shareShown, emptied),
    effect: async (_, api) => {
      api.cancelActiveListeners();
      await api.delay(ROADS_MS);
      keepRoads(api.getState().logbook.shares);
    },
  });
  return listener.middleware;
}

/** How long after storage was lost it is looked at, ms: whoever dropped it has to be done. */
const LOST_MS = 300;

/** What this page does that concerns the others. */
function doingOf({ link, watch }: RootState): Doing[] {
  const doing: Doing[] = [];
  const { at } = link.status;
  const isConnected = at === 'talking' || at === 'reading' || at === 'searching' || at === 'clearing';
  if (isConnected && link.caseId !== null) doing.push({ what: 'connected', caseId: link.caseId });
  if (watch.status.at === 'watching' || watch.status.at === 'paused')
    doing.push({ what: 'recording', caseId: watch.status.caseId });
  return doing;
}

/** Tells the other pages what this one is at. @returns how to stop. */
function tellOfDoing(store: Store, tabs: TabsPort): () => void {
  const told = new Map<string, () => void>();
  const look = () => {
    const doing = new Map(doingOf(store.getState()).map((d) => [`${d.what} ${d.caseId}`, d]));
    for (const [name, end] of told)
      if (!doing.has(name)) {
        told.delete(name);
        end();
      }
    for (const [name, d] of doing) if (!told.has(name)) told.set(name, tabs.begin(d));
  };
  const unsubscribe = store.subscribe(look);
  return () => {
    unsubscribe();
    for (const end of told.values()) end();
  };
}

/**
 * Listens to the other pages of this browser, to storage, and to the clock. @returns how to stop.
 */
export function beginSession(store: Store, { tabs }: Pick<Extra, 'tabs'>): () => void {
  const { entryHeard, headHeard, vehiclePut, emptyCaseForgotten } = logbookSlice.actions;
  const look = () => {
    if (store.getState().logbook.status === 'ready') void store.dispatch(checkStorage());
  };
  let lost: ReturnType<typeof setTimeout> | undefined;
  const stops = [
    tabs.listen((message) => {
      if ('emptied' in message) look();
      else if ('forgotten' in message) store.dispatch(emptyCaseForgotten(message.forgotten));
      else if ('vehicle' in message) store.dispatch(vehiclePut(message.vehicle));
      else if ('head' in message) store.dispatch(headHeard(message.head));
      else {
        const { caseId, entry } = message;
        // The first word of a case that this page has not heard of: it lies in storage.
        if (!store.getState().logbook.cases.entities[caseId]) look();
        store.dispatch(entryHeard({ caseId, entry }));
        const watch = clearWatch();
        if (watch) void store.dispatch(watch.entry(caseId, entry, false));
      }
    }),
    tabs.watchOthers((others) => store.dispatch(othersSlice.actions.othersHeard(others))),
    tabs.onWake(look),
    onStorageLost(() => {
      clearTimeout(lost);
      lost = setTimeout(look, LOST_MS);
    }),
    () => clearTimeout(lost),
    tellOfDoing(store, tabs),
  ];
  const timer = setInterval(() => {
    const { caseId } = store.getState().link.clear;
    const watch = clearWatch();
    if (caseId !== null && watch) void store.dispatch(watch.time(caseId));
  }, LOOK_MS);
  return () => {
    for (const stop of stops) stop();
    clearInterval(timer);
    // What waits for its time does not come any more.
    store.dispatch(clearAllListeners());
  };
}
