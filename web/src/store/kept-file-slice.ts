import { createSlice, type PayloadAction } from '@reduxjs/toolkit';

/** The backup file: whether there is one, and how it stands with it. */
export type KeptFileState =
  | { at: 'none' }
  /** This browser cannot write a file again and again. */
  | { at: 'impossible' }
  /** Written, at that moment; null where it was not yet in this session. */
  | { at: 'current'; name: string; writtenAt: string | null }
  /** The browser wants to be asked again before it is written. */
  | { at: 'waiting'; name: string }
  | { at: 'failed'; name: string; why: string; next: string };

export const keptFileSlice = createSlice({
  name: 'keptFile',
  initialState: (): KeptFileState => ({ at: 'none' }),
  reducers: { keptFileChanged: (_, { payload }: PayloadAction<KeptFileState>) => payload },
});
