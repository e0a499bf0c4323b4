import { stampAfter, type CaseRecord, type Entry, type Occasion } from '@pincer/core/case';
import type { Scan } from '@pincer/core/obd';
import type { Vehicle } from '@pincer/core/vehicle';
import { now } from '../clock.ts';
import { storageError } from '../storage/database.ts';
import { saveMarks, saveSettings, type Marks, type Settings } from '../storage/records.ts';
import { draftsSlice } from './drafts-slice.ts';
import { newId } from './ids.ts';
import { loadDrafts, noteDown, saveDraft } from './journal.ts';
import { checkStorage, keep, keepCase, keepVehicle, loadLogbook, showEntry } from './keep.ts';
import { logbookSlice } from './logbook-slice.ts';
import { matchSecondCopy } from './match-copy.ts';
import { settingsSlice } from './settings-slice.ts';
import type { AppThunk } from './store.ts';
import { unreadWords } from './unread-words.ts';

type WithoutStamp<T> = T extends Entry ? Omit<T, 'id' | 'at' | 'offsetMinutes' | 'clockAt'> : never;
export type NewEntry = WithoutStamp<Entry>;

/** An entry with its id and moment, and whether storage has it; one that it has not is marked, and stays on the page. */
export interface Recorded {
  entry: Entry;
  isSaved: boolean;
}

/** Opens the logbook: what is stored, what was noted and not stored, what is typed and not recorded. */
export function load(): AppThunk<Promise<void>> {
  return async (dispatch) => {
    dispatch(draftsSlice.actions.draftsLoaded(loadDrafts()));
    if (!(await dispatch(loadLogbook()))) return;
    await dispatch(checkStorage());
    await dispatch(matchSecondCopy());
  };
}

/**
 * Adds a fact to a case and writes it to storage. Resolves when storage has it, or has refused it; nothing may be
 * acknowledged before, and not at all when it is not saved.
 */
export function record(caseId: string, entry: NewEntry): AppThunk<Promise<Recorded>> {
  return async (dispatch, getState) => {
    const known = getState().logbook.cases.entities[caseId]?.entries ?? [];
    const whole = { ...entry, id: newId('ent'), ...stampAfter(known, now()) } as Entry;
    noteDown({ caseId, entry: whole });
    dispatch(showEntry(caseId, whole));
    const isSaved = await dispatch(keep({ caseId, entry: whole }));
    // After a failure what lies in storage is looked at, not believed.
    if (!isSaved) void dispatch(checkStorage());
    return { entry: whole, isSaved };
  };
}

/** Opens a case for a vehicle. */
export function openCase(
  vehicle: Vehicle,
  title: string,
  occasion?: Occasion,
): AppThunk<Promise<CaseRecord>> {
  return async (dispatch) => {
    const fresh: CaseRecord = {
      id: newId('case'),
      vehicle: vehicle.id,
      title,
      openedAt: now().toISOString(),
      ...(occasion === undefined ? {} : { occasion }),
      entries: [],
    };
    await dispatch(keepCase(fresh));
    return fresh;
  };
}

/** Stores a vehicle, new or changed. @returns whether storage has it. */
export function putVehicle(vehicle: Vehicle): AppThunk<Promise<boolean>> {
  return (dispatch) => dispatch(keepVehicle(vehicle));
}

/** Stores the settings. @returns why they are not kept, or null. */
export function changeSettings(settings: Settings): AppThunk<Promise<string | null>> {
  return async (dispatch, getState) => {
    const { logbook } = getState();
    dispatch(settingsSlice.actions.settingsLoaded(settings));
    // What has not been read yet, or was written by a newer version, is not overwritten by what stands here instead.
    if (logbook.status !== 'ready') return 'the browser’s storage could not be opened';
    if (logbook.newer.some((n) => n.key === 'settings')) return 'a newer Pincer wrote them';
    try {
      await saveSettings(settings);
      return null;
    } catch (error) {
      return storageError(error).message;
    }
  };
}

/** Remembers something of the logbook itself. */
export function mark(marks: Marks): AppThunk<Promise<void>> {
  return async (dispatch) => {
    dispatch(logbookSlice.actions.marked(marks));
    await saveMarks(marks).catch(() => undefined);
  };
}

/** Remembers how far an open case may be driven, for the order of the garage; null once it is closed. */
export function noteShare(caseId: string, share: number | null): AppThunk {
  return (dispatch, getState) => {
    const known = getState().logbook.shares[caseId] ?? null;
    if (known !== share) dispatch(logbookSlice.actions.shareShown({ caseId, share }));
  };
}

/** Keeps what is typed but not recorded; null forgets it. */
export function keepDraft(key: string, value: unknown): AppThunk {
  return (dispatch) => {
    dispatch(draftsSlice.actions.draftSet({ key, value }));
    saveDraft(key, value);
  };
}

/** Decodes a saved session or a CAN log in the worker. Adds nothing. @returns why not, where the program failed. */
export function decodeFile(text: string): AppThunk<Promise<Scan | string>> {
  return (_, __, { core }) => core.decodeFileText(text).catch(unreadWords);
}

/** Changes what a case is called, or puts it away and brings it back. @returns whether storage has it. */
export function changeCase(
  caseId: string,
  change: { title?: string; isPutAway?: boolean },
): AppThunk<Promise<boolean>> {
  return async (dispatch, getState) => {
    const record = getState().logbook.cases.entities[caseId];
    if (!record) return false;
    const { putAwayAt, ...rest } = record;
    const isAway = change.isPutAway ?? putAwayAt !== undefined;
    const title = change.title?.trim() ?? '';
    return dispatch(
      keepCase({
        ...rest,
        ...(title === '' ? {} : { title }),
        ...(isAway ? { putAwayAt: putAwayAt ?? now().toISOString() } : {}),
      }),
    );
  };
}
