import { createSlice, type PayloadAction } from '@reduxjs/toolkit';

/** What is typed or ticked but not recorded yet; kept so that a reload or a flat battery loses nothing. */
const initialState: Record<string, unknown> = {};

export const draftsSlice = createSlice({
  name: 'drafts',
  initialState,
  reducers: {
    draftsLoaded: (_, { payload }: PayloadAction<Record<string, unknown>>) => payload,
    draftSet(state, { payload }: PayloadAction<{ key: string; value: unknown }>) {
      if (payload.value === null) delete state[payload.key];
      else state[payload.key] = payload.value;
    },
  },
});
