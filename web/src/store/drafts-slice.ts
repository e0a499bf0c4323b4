import { createSlice, type PayloadAction } from '@reduxjs/toolkit';

/** What is typed or ticked but not recorded yet; kept so that a reload or a flat battery loses nothing. */
const initialState: Record<string, unknown> = {};

export const draftsSlice = createSlice({
  name: 'drafts',
  initialState,
  reducers: {
    draftsLoaded: (_, { payload }: PayloadAction<Record<string, unknown>>) => payload,
    draftSet(state, { payload }: PayloadAction<{ key: string; value: unknown }>) {
      const { [payload.key]: _, ...others } = state;
      return payload.value === null ? others : { ...others, [payload.key]: payload.value };
    },
  },
});
