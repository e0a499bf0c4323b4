import { createSlice, type PayloadAction } from '@reduxjs/toolkit';
import { DEFAULT_OWNER, type Owner } from '@pincer/core/case';
import type { Settings } from '../storage/records.ts';

const initialState: Settings = { theme: 'auto', owner: DEFAULT_OWNER };

export const settingsSlice = createSlice({
  name: 'settings',
  initialState,
  reducers: {
    settingsLoaded: (_, { payload }: PayloadAction<Settings>) => payload,
    themeSet(state, { payload }: PayloadAction<Settings['theme']>) {
      state.theme = payload;
    },
    ownerSet(state, { payload }: PayloadAction<Owner>) {
      state.owner = payload;
    },
  },
});
