import { createSlice, type PayloadAction } from '@reduxjs/toolkit';
import { addEntry, type CaseRecord, type Entry } from '@pincer/core/case';
import type { Vehicle } from '@pincer/core/vehicle';
import type { Loaded, SetAside } from '../storage/records.ts';

export interface LogbookState {
  status: 'loading' | 'ready' | 'failed';
  /** Why loading failed. */
  problem: string | null;
  vehicles: Record<string, Vehicle>;
  cases: Record<string, CaseRecord>;
  setAside: SetAside[];
  /** Entries that storage would not keep, with the reason, by their id. */
  unsaved: Record<string, { caseId: string; why: string }>;
}

const initialState: LogbookState = {
  status: 'loading',
  problem: null,
  vehicles: {},
  cases: {},
  setAside: [],
  unsaved: {},
};

export const logbookSlice = createSlice({
  name: 'logbook',
  initialState,
  reducers: {
    loaded(state, { payload }: PayloadAction<Loaded>) {
      state.status = 'ready';
      for (const v of payload.vehicles) state.vehicles[v.id] = v;
      for (const c of payload.cases) state.cases[c.id] = c;
      state.setAside = payload.setAside;
    },
    loadFailed(state, { payload }: PayloadAction<string>) {
      state.status = 'failed';
      state.problem = payload;
    },
    vehiclePut(state, { payload }: PayloadAction<Vehicle>) {
      state.vehicles[payload.id] = payload;
    },
    casePut(state, { payload }: PayloadAction<CaseRecord>) {
      state.cases[payload.id] = payload;
    },
    entryAdded(state, { payload }: PayloadAction<{ caseId: string; entry: Entry }>) {
      const record = state.cases[payload.caseId];
      if (record) state.cases[payload.caseId] = addEntry(record, payload.entry);
    },
    /** An entry that another page has stored. One that is here already is left as it is. */
    entryHeard(state, { payload }: PayloadAction<{ caseId: string; entry: Entry }>) {
      const record = state.cases[payload.caseId];
      if (record && !record.entries.some((e) => e.id === payload.entry.id))
        state.cases[payload.caseId] = addEntry(record, payload.entry);
    },
    /** An entry that storage would not keep: it stays here, and in what can be exported. */
    saveFailed(state, { payload }: PayloadAction<{ caseId: string; entryId: string; why: string }>) {
      state.unsaved[payload.entryId] = { caseId: payload.caseId, why: payload.why };
    },
    saved(state, { payload }: PayloadAction<string>) {
      state.unsaved = Object.fromEntries(Object.entries(state.unsaved).filter(([id]) => id !== payload));
    },
    setAsideForgotten(state, { payload }: PayloadAction<string>) {
      state.setAside = state.setAside.filter((s) => s.key !== payload);
    },
  },
});
