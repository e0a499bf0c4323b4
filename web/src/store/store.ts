import { configureStore, type ThunkAction, type UnknownAction } from '@reduxjs/toolkit';
import { useDispatch, useSelector } from 'react-redux';
import { draftsSlice } from './drafts-slice.ts';
import { createLinkService, type LinkService } from './link-service.ts';
import { linkSlice } from './link-slice.ts';
import { logbookSlice } from './logbook-slice.ts';
import { settingsSlice } from './settings-slice.ts';
import { watchSlice } from './watch-slice.ts';

export const store = configureStore({
  reducer: {
    logbook: logbookSlice.reducer,
    settings: settingsSlice.reducer,
    drafts: draftsSlice.reducer,
    link: linkSlice.reducer,
    watch: watchSlice.reducer,
  },
  middleware: (getDefault) => getDefault({ thunk: { extraArgument: { link: createLinkService() } } }),
});

export type RootState = ReturnType<typeof store.getState>;
export type AppDispatch = typeof store.dispatch;
export type AppThunk<R = void> = ThunkAction<R, RootState, { link: LinkService }, UnknownAction>;

export const useAppDispatch = useDispatch.withTypes<AppDispatch>();
export const useAppSelector = useSelector.withTypes<RootState>();
