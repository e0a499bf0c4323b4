import { createSlice, type PayloadAction } from '@reduxjs/toolkit';
import { DEFAULT_OWNER, type Owner } from '@pincer/core/case';
import type { Settings } from '../storage/records.ts';

const initialState: Settings = { theme: 'auto', owner: DEFAULT_OWNER };

export const settingsSlice = createSlice({
  name: 'settings',
  initialState,
  reducers: {
    /** What was stored; settings from before sums were written by place take that of the device. */
    settingsLoaded: (state, { payload }: PayloadAction<Settings>) => ({
      ...payload,
      owner: { ...payload.owner, locale: payload.owner.locale ?? state.owner.locale },
    }),
    themeSet(state, { payload }: PayloadAction<Settings['theme']>) {
      state.theme = payload;
    },
    ownerSet(state, { payload }: PayloadAction<Owner>) {
      state.owner = payload;
    },
  },
});
