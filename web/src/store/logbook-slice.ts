import { createSlice, type PayloadAction } from '@reduxjs/toolkit';
import { addEntry, type CaseRecord, type Entry } from '@pincer/core/case';
import type { Vehicle } from '@pincer/core/vehicle';
import type { Loaded, SetAside } from './storage.ts';

export interface LogbookState {
  status: 'loading' | 'ready' | 'failed';
  /** Why loading failed. */
  problem: string | null;
  vehicles: Record<string, Vehicle>;
  cases: Record<string, CaseRecord>;
  setAside: SetAside[];
}

const initialState: LogbookState = {
  status: 'loading',
  problem: null,
  vehicles: {},
  cases: {},
  setAside: [],
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
    setAsideForgotten(state, { payload }: PayloadAction<string>) {
      state.setAside = state.setAside.filter((s) => s.key !== payload);
    },
  },
});
