import {
  combineSlices,
  createDynamicMiddleware,
  type ThunkAction,
  type ThunkDispatch,
  type UnknownAction,
  type WithSlice,
} from '@reduxjs/toolkit';
import { useDispatch, useSelector } from 'react-redux';
import type { Ports } from '../ports/ports.ts';
import type { coreApi } from './core-api.ts';
import { draftsSlice } from './drafts-slice.ts';
import { keptFileSlice } from './kept-file-slice.ts';
import type { LinkService } from './link-service.ts';
import { linkSlice } from './link-slice.ts';
import { logbookSlice } from './logbook-slice.ts';
import { othersSlice } from './others-slice.ts';
import { settingsSlice } from './settings-slice.ts';
import { watchSlice } from './watch-slice.ts';

/** What thunks are given: the live connection, and the ways out of the store. */
export interface Extra extends Ports {
  link: LinkService;
}

export const reducer = combineSlices({
  logbook: logbookSlice.reducer,
  settings: settingsSlice.reducer,
  drafts: draftsSlice.reducer,
  link: linkSlice.reducer,
  watch: watchSlice.reducer,
  others: othersSlice.reducer,
  keptFile: keptFileSlice.reducer,
}).withLazyLoadedSlices<WithSlice<typeof coreApi>>();

/** What acts between the store and what asks it, for what is fetched after the first screen. */
export const laterMiddleware = createDynamicMiddleware();

export type RootState = ReturnType<typeof reducer>;
export type AppDispatch = ThunkDispatch<RootState, Extra, UnknownAction>;

export type AppThunk<R = void> = ThunkAction<R, RootState, Extra, UnknownAction>;

export const useAppDispatch = useDispatch.withTypes<AppDispatch>();
export const useAppSelector = useSelector.withTypes<RootState>();
