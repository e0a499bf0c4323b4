import {
  createEntityAdapter,
  createSlice,
  freeze,
  original,
  type EntityState,
  type PayloadAction,
} from '@reduxjs/toolkit';
import { addEntry, mergeEntries, type CaseRecord, type Entry } from '@pincer/core/case';
import type { Vehicle } from '@pincer/core/vehicle';
import type { CaseHead } from '../ports/tabs.ts';
import type { Glance } from '../storage/glance.ts';
import type { Loaded, Marks, Newer, SetAside } from '../storage/records.ts';

export type { Glance };

/** Why a record is on this page alone. */
export interface Unsaved {
  /** The case that it belongs to; null for a vehicle. */
  caseId: string | null;
  why: string;
  /** What to do about it. */
  next: string;
}

/** Vehicles and cases, each by its id and in the order in which they came. */
export const vehicleEntities = createEntityAdapter<Vehicle>();
export const caseEntities = createEntityAdapter<CaseRecord>();

export interface LogbookState {
  status: 'loading' | 'ready' | 'failed';
  /** Why loading failed, and what to do about it. */
  problem: { why: string; next: string } | null;
  /** What there is, while the whole of a logbook of many years is being read. */
  glance: Glance | null;
  vehicles: EntityState<Vehicle, string>;
  cases: EntityState<CaseRecord, string>;
  /** Records that cannot be read, and those of a newer version. Both are left as they are. */
  setAside: SetAside[];
  newer: Newer[];
  marks: Marks;
  /** Records that storage has been asked to keep and has not said yet that it does, by their id: how many times. */
  saving: Record<string, number>;
  /** Records that storage would not keep, by their id. */
  unsaved: Record<string, Unsaved>;
  /** Records that the browser had lost and that came back from the second copy, until the owner has read it. */
  broughtBack: number;
  /** How far each open case may be driven, as the garage last showed it, by its share of the road; never stored. */
  shares: Record<string, number>;
  /** Whether the example is being brought in just now. */
  isExampleComing: boolean;
}

const initialState: LogbookState = {
  status: 'loading',
  problem: null,
  glance: null,
  vehicles: vehicleEntities.getInitialState(),
  cases: caseEntities.getInitialState(),
  setAside: [],
  newer: [],
  marks: {},
  saving: {},
  unsaved: {},
  broughtBack: 0,
  shares: {},
  isExampleComing: false,
};

const without = <T>(record: Record<string, T>, id: string): Record<string, T> =>
  Object.fromEntries(Object.entries(record).filter(([key]) => key !== id));

/** One of the writes of a record is over; another one of the same record may still be under way. */
const oneLess = (saving: Record<string, number>, id: string): Record<string, number> => {
  const left = (saving[id] ?? 1) - 1;
  return left > 0 ? { ...saving, [id]: left } : without(saving, id);
};

/** A case as it was before this action: one taken from the state that is changed makes a copy of each of its entries. */
const heldIn = (state: LogbookState, caseId: string): CaseRecord | undefined =>
  original(state).cases.entities[caseId];

/**
 * Puts a case that has grown. What it held already is never changed: said so here, the store need not walk through a
 * log of thousands to see that nothing in it did.
 * @param record made anew for this, frozen here. @param added what it has grown by.
 */
const putGrown = (state: LogbookState, record: CaseRecord, added: readonly Entry[]): void => {
  for (const entry of added) freeze(entry, true);
  Object.freeze(record.entries);
  caseEntities.setOne(state.cases, Object.freeze(record));
};

/**
 * Puts all cases of a logbook at once. They are frozen here: by way of its drafts the store would look at each of thousands
 * several times, in one task.
 * @param beside what becomes of a case that is here already.
 */
function putCases(
  state: LogbookState,
  cases: readonly CaseRecord[],
  beside: (record: CaseRecord, known: CaseRecord) => CaseRecord,
): void {
  const held = original(state).cases;
  const ids = [...held.ids];
  const entities = { ...held.entities };
  for (const record of cases) {
    const known = held.entities[record.id];
    if (!known) ids.push(record.id);
    entities[record.id] = Object.freeze(known ? beside(record, known) : record);
  }
  Object.freeze(ids);
  Object.freeze(entities);
  state.cases = Object.freeze({ ids, entities });
}

export const logbookSlice = createSlice({
  name: 'logbook',
  initialState,
  reducers: {
    glanced(state, { payload }: PayloadAction<Glance>) {
      state.glance = payload;
    },
    /** What storage has; what only this page has stays beside it. */
    loaded(state, { payload }: PayloadAction<Loaded>) {
      if (state.status === 'failed') state.status = 'ready';
      state.problem = null;
      // What is being written here, or could not be, is newer than what lies there.
      const isNewerHere = (id: string): boolean => id in state.unsaved || id in state.saving;
      vehicleEntities.setMany(
        state.vehicles,
        payload.vehicles.filter((v) => !isNewerHere(v.id)),
      );
      putCases(state, payload.cases, (c, known) => ({
        ...(isNewerHere(c.id) ? known : c),
        entries: mergeEntries(c.entries, known.entries),
      }));
      state.setAside = payload.setAside;
      state.newer = payload.newer;
      state.marks = payload.marks;
    },
    /** Everything is on the page that will be. */
    opened(state) {
      state.status = 'ready';
      state.glance = null;
    },
    loadFailed(state, { payload }: PayloadAction<{ why: string; next: string }>) {
      state.status = 'failed';
      state.glance = null;
      state.problem = payload;
    },
    vehiclePut(state, { payload }: PayloadAction<Vehicle>) {
      vehicleEntities.setOne(state.vehicles, payload);
    },
    casePut(state, { payload }: PayloadAction<CaseRecord>) {
      caseEntities.setOne(state.cases, payload);
    },
    /** A case that another page has opened. */
    headHeard(state, { payload }: PayloadAction<CaseHead>) {
      caseEntities.setOne(state.cases, {
        ...payload,
        entries: state.cases.entities[payload.id]?.entries ?? [],
      });
    },
    entryAdded(state, { payload }: PayloadAction<{ caseId: string; entry: Entry }>) {
      const record = heldIn(state, payload.caseId);
      if (record) putGrown(state, addEntry(record, payload.entry), [payload.entry]);
    },
    entriesAdded(state, { payload }: PayloadAction<{ caseId: string; entries: Entry[] }>) {
      const record = heldIn(state, payload.caseId);
      if (record)
        putGrown(
          state,
          { ...record, entries: mergeEntries(record.entries, payload.entries) },
          payload.entries,
        );
    },
    /** An entry that another page has stored. One that is here already is left as it is. */
    entryHeard(state, { payload }: PayloadAction<{ caseId: string; entry: Entry }>) {
      const record = heldIn(state, payload.caseId);
      if (record && !record.entries.some((e) => e.id === payload.entry.id))
        putGrown(state, addEntry(record, payload.entry), [payload.entry]);
    },
    saveBegun(state, { payload }: PayloadAction<string>) {
      state.saving[payload] = (state.saving[payload] ?? 0) + 1;
    },
    /** Storage would not keep it: it stays here, and in what can be exported. */
    saveFailed(state, { payload: { id, ...unsaved } }: PayloadAction<Unsaved & { id: string }>) {
      state.saving = oneLess(state.saving, id);
      state.unsaved[id] = unsaved;
    },
    saved(state, { payload }: PayloadAction<string>) {
      state.saving = oneLess(state.saving, payload);
      if (payload in state.unsaved) state.unsaved = without(state.unsaved, payload);
    },
    marked(state, { payload }: PayloadAction<Marks>) {
      state.marks = { ...state.marks, ...payload };
    },
    /** What the garage shows of an open case; null once it is closed. */
    shareShown(state, { payload }: PayloadAction<{ caseId: string; share: number | null }>) {
      if (payload.share === null) state.shares = without(state.shares, payload.caseId);
      else state.shares[payload.caseId] = payload.share;
    },
    /** What the garage showed at the last visit; what this one knows already counts. */
    sharesKept(state, { payload }: PayloadAction<Record<string, number>>) {
      state.shares = { ...payload, ...state.shares };
    },
    exampleComing(state, { payload }: PayloadAction<boolean>) {
      state.isExampleComing = payload;
    },
    /** The owner has emptied it. */
    emptied: (_, { payload }: PayloadAction<Marks>): LogbookState => ({
      ...initialState,
      status: 'ready',
      marks: payload,
    }),
    /** A case without entries was taken away, here or by another page; one that has some meanwhile stays. */
    emptyCaseForgotten(state, { payload }: PayloadAction<string>) {
      if (state.cases.entities[payload]?.entries.length === 0) caseEntities.removeOne(state.cases, payload);
    },
    broughtBack(state, { payload }: PayloadAction<number>) {
      state.broughtBack += payload;
    },
    broughtBackRead(state) {
      state.broughtBack = 0;
    },
    setAsideForgotten(state, { payload }: PayloadAction<string>) {
      state.setAside = state.setAside.filter((s) => s.key !== payload);
    },
  },
});
