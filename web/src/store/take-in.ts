import type { CaseRecord } from '@pincer/core/case';
import { loadAll, type Loaded } from '../storage/records.ts';
import { logbookSlice, type LogbookState } from './logbook-slice.ts';
import type { AppThunk } from './store.ts';

const isSameHead = (a: CaseRecord | undefined, b: CaseRecord | undefined): boolean =>
  a?.title === b?.title && a?.putAwayAt === b?.putAwayAt;

/**
 * What was read, without what the owner has changed on this page while it was being read: that is newer than any reading of
 * it. Entries need no such care: they only ever come in addition.
 * @param before as it was when the reading began. @param now as it is.
 */
function withoutOlder(all: Loaded, before: LogbookState, now: LogbookState): Loaded {
  const wasBeingWritten = (id: string): boolean => id in before.saving || id in before.unsaved;
  return {
    ...all,
    vehicles: all.vehicles.map((v) =>
      wasBeingWritten(v.id) || now.vehicles.entities[v.id] !== before.vehicles.entities[v.id]
        ? (now.vehicles.entities[v.id] ?? v)
        : v,
    ),
    cases: all.cases.map((c) => {
      const here = now.cases.entities[c.id];
      const isOlder = wasBeingWritten(c.id) || !isSameHead(here, before.cases.entities[c.id]);
      return here && isOlder ? { ...here, entries: c.entries } : c;
    }),
  };
}

/** Reads storage and takes in what it has. */
export function takeInStored(): AppThunk<Promise<void>> {
  return async (dispatch, getState) => {
    const before = getState().logbook;
    const all = await loadAll();
    dispatch(logbookSlice.actions.loaded(withoutOlder(all, before, getState().logbook)));
  };
}
