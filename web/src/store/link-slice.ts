import { createSlice, type PayloadAction } from '@reduxjs/toolkit';
import type { FaultWords, ReadProgress, UnitSearch } from '@pincer/core/link';
import type { FoundUnit } from '@pincer/core/obd';
import { CLEAR_START, type ClearState } from '@pincer/core/proof';
import type { StandInState } from '../ports/stand-in.ts';

/** The connection to the adapter, for the session; nothing here is saved. */
export type LinkStatus =
  | { at: 'idle' }
  | { at: 'connecting'; progress: ReadProgress }
  | { at: 'failed'; words: FaultWords; volts: number | null }
  | { at: 'talking'; protocol: string; volts: number | null }
  | { at: 'reading'; protocol: string; volts: number | null; progress: ReadProgress }
  /** The control units of the car are being looked for. */
  | { at: 'searching'; protocol: string; volts: number | null; progress: ReadProgress }
  /** A clear is being looked at, noted and sent. */
  | { at: 'clearing'; protocol: string; volts: number | null }
  | { at: 'lost'; words: FaultWords };

/** Whether something is under way that nothing else may be begun beside. */
export const isLinkBusy = ({ link }: { link: LinkState }): boolean =>
  ['connecting', 'reading', 'searching', 'clearing'].includes(link.status.at);

export interface LinkState {
  caseId: string | null;
  adapter: string;
  status: LinkStatus;
  standIn: StandInState | null;
  clear: { caseId: string | null; state: ClearState };
  /** The last search for control units: what it has found so far, and how it ended; null while it runs. */
  search: { caseId: string; found: FoundUnit[]; result: UnitSearch | null } | null;
}

const initialState: LinkState = {
  caseId: null,
  adapter: '',
  status: { at: 'idle' },
  standIn: null,
  clear: { caseId: null, state: CLEAR_START },
  search: null,
};

export const linkSlice = createSlice({
  name: 'link',
  initialState,
  reducers: {
    linkChanged(
      state,
      { payload }: PayloadAction<{ caseId: string | null; adapter: string; status: LinkStatus }>,
    ) {
      Object.assign(state, payload);
    },
    statusChanged(state, { payload }: PayloadAction<LinkStatus>) {
      state.status = payload;
    },
    standInChanged(state, { payload }: PayloadAction<StandInState | null>) {
      state.standIn = payload;
    },
    searchBegan(state, { payload }: PayloadAction<{ caseId: string }>) {
      state.search = { ...payload, found: [], result: null };
    },
    unitFound(state, { payload }: PayloadAction<FoundUnit>) {
      state.search?.found.push(payload);
    },
    searchEnded(state, { payload }: PayloadAction<UnitSearch>) {
      if (state.search) state.search.result = payload;
    },
    clearMoved(state, { payload }: PayloadAction<{ caseId: string; state: ClearState }>) {
      state.clear = payload;
    },
  },
});
