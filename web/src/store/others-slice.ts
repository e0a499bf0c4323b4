import { createSlice, type PayloadAction } from '@reduxjs/toolkit';
import type { Doing } from '../ports/tabs.ts';

/** What other pages of this browser are doing at this moment. */
const initialState: readonly Doing[] = [];

export const othersSlice = createSlice({
  name: 'others',
  initialState: initialState as Doing[],
  reducers: { othersHeard: (_, { payload }: PayloadAction<Doing[]>) => payload },
});
