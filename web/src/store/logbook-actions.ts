import {
  DEFAULT_OWNER,
  importProblemWords,
  mergeEntries,
  stampAfter,
  writeCaseFile,
  type CaseFile,
  type CaseRecord,
  type Entry,
} from '@pincer/core/case';
import type { Scan } from '@pincer/core/obd';
import type { Vehicle } from '@pincer/core/vehicle';
import { now } from '../clock.ts';
import { draftsSlice } from './drafts-slice.ts';
import { newId } from './ids.ts';
import { crossOut, loadDrafts, noteDown, pendingEntries, saveDraft } from './journal.ts';
import { logbookSlice } from './logbook-slice.ts';
import { settingsSlice } from './settings-slice.ts';
import {
  forgetSetAside,
  loadAll,
  readSetAside,
  saveCaseHead,
  saveEntry,
  saveSettings,
  saveVehicle,
  type Settings,
} from '../storage/records.ts';
import type { AppThunk } from './store.ts';

type WithoutStamp<T> = T extends Entry ? Omit<T, 'id' | 'at' | 'offsetMinutes' | 'clockAt'> : never;
export type NewEntry = WithoutStamp<Entry>;

/** Reads everything from storage into the store. */
export function load(): AppThunk<Promise<void>> {
  return async (dispatch) => {
    try {
      const loaded = await loadAll();
      if (loaded.settings) dispatch(settingsSlice.actions.settingsLoaded(loaded.settings));
      dispatch(draftsSlice.actions.draftsLoaded(loadDrafts()));
      dispatch(logbookSlice.actions.loaded(loaded));
      await dispatch(catchUp());
    } catch (error) {
      dispatch(logbookSlice.actions.loadFailed(error instanceof Error ? error.message : 'unknown'));
    }
  };
}

/** Entries that were recorded in the last moment before a reload or a crash, and never reached the database. */
function catchUp(): AppThunk<Promise<void>> {
  return async (dispatch, getState) => {
    for (const { caseId, entry } of pendingEntries()) {
      if (!getState().logbook.cases[caseId]) continue;
      dispatch(logbookSlice.actions.entryHeard({ caseId, entry }));
      await dispatch(keepEntry(caseId, entry));
    }
  };
}

/** Writes an entry to storage and tells the other pages; one that it will not keep is marked, and tried again later. */
function keepEntry(caseId: string, entry: Entry): AppThunk<Promise<void>> {
  return async (dispatch, _, { tabs }) => {
    try {
      await saveEntry(caseId, entry);
    } catch (error) {
      const why = error instanceof Error ? error.message : 'unknown';
      dispatch(logbookSlice.actions.saveFailed({ caseId, entryId: entry.id, why }));
      return;
    }
    crossOut(entry.id);
    dispatch(logbookSlice.actions.saved(entry.id));
    tabs.tell({ caseId, entry });
  };
}

/** Tries again to write what storage would not keep. */
export function saveAgain(): AppThunk<Promise<void>> {
  return async (dispatch, getState) => {
    const { unsaved, cases } = getState().logbook;
    for (const [entryId, { caseId }] of Object.entries(unsaved)) {
      const entry = cases[caseId]?.entries.find((e) => e.id === entryId);
      if (entry) await dispatch(keepEntry(caseId, entry));
    }
  };
}

/**
 * Adds a fact to a case and writes it to storage. Resolves when it is written, or was refused and marked so.
 * @returns the entry with its id and moment.
 */
export function record(caseId: string, entry: NewEntry): AppThunk<Promise<Entry>> {
  return async (dispatch, getState) => {
    const known = getState().logbook.cases[caseId]?.entries ?? [];
    const whole = { ...entry, id: newId('ent'), ...stampAfter(known, now()) } as Entry;
    noteDown({ caseId, entry: whole });
    dispatch(logbookSlice.actions.entryAdded({ caseId, entry: whole }));
    await dispatch(keepEntry(caseId, whole));
    return whole;
  };
}

/** Opens a case for a vehicle. */
export function openCase(vehicle: Vehicle, title: string): AppThunk<Promise<CaseRecord>> {
  return async (dispatch) => {
    const fresh: CaseRecord = {
      id: newId('case'),
      vehicle: vehicle.id,
      title,
      openedAt: now().toISOString(),
      entries: [],
    };
    dispatch(logbookSlice.actions.casePut(fresh));
    await saveCaseHead(fresh);
    return fresh;
  };
}

/** Stores a vehicle, new or changed. */
export function putVehicle(vehicle: Vehicle): AppThunk<Promise<void>> {
  return async (dispatch) => {
    dispatch(logbookSlice.actions.vehiclePut(vehicle));
    await saveVehicle(vehicle);
  };
}

/** Stores the settings. */
export function changeSettings(settings: Settings): AppThunk<Promise<void>> {
  return async (dispatch) => {
    dispatch(settingsSlice.actions.settingsLoaded(settings));
    await saveSettings(settings);
  };
}

/** Keeps what is typed but not recorded; null forgets it. */
export function keepDraft(key: string, value: unknown): AppThunk {
  return (dispatch) => {
    dispatch(draftsSlice.actions.draftSet({ key, value }));
    saveDraft(key, value);
  };
}

/** Decodes a saved session or a CAN log in the worker. Adds nothing. */
export function decodeFile(text: string): AppThunk<Promise<Scan>> {
  return (_, __, { core }) => core.decodeFileText(text);
}

export type ImportOutcome = { ok: true; file: CaseFile; isNew: boolean } | { ok: false; message: string };

/** Checks a case file in the worker. Adds nothing. */
export function checkImport(text: string): AppThunk<Promise<ImportOutcome>> {
  return async (_, getState, { core }) => {
    const read = await core.readCaseFile(text);
    if (!read.ok) return { ok: false, message: importProblemWords(read.problem) };
    return { ok: true, file: read.file, isNew: getState().logbook.cases[read.file.case.id] === undefined };
  };
}

/**
 * Adds a checked case file. A case that is here already only gains entries that it lacks; the vehicle here stays.
 * @returns how many entries were added.
 */
export function addImport(file: CaseFile): AppThunk<Promise<number>> {
  return async (dispatch, getState) => {
    const { cases, vehicles } = getState().logbook;
    const known = cases[file.case.id];
    if (!vehicles[file.vehicle.id]) await dispatch(putVehicle(file.vehicle));
    const entries = mergeEntries(known?.entries ?? [], file.case.entries);
    const fresh = entries.slice(known?.entries.length ?? 0);
    dispatch(logbookSlice.actions.casePut({ ...(known ?? file.case), entries }));
    if (!known) await saveCaseHead(file.case);
    for (const entry of fresh) await dispatch(keepEntry(file.case.id, entry));
    return fresh.length;
  };
}

/** The text of a case as a file. */
export function exportCase(caseId: string): AppThunk<string | null> {
  return (_, getState) => {
    const { logbook, settings } = getState();
    const found = logbook.cases[caseId];
    const vehicle = found ? logbook.vehicles[found.vehicle] : undefined;
    return found && vehicle
      ? writeCaseFile(found, vehicle, now().toISOString(), settings.owner ?? DEFAULT_OWNER)
      : null;
  };
}

/** A record that was set aside, as text to be saved. */
export function copyOfSetAside(key: string): AppThunk<Promise<string>> {
  return () => readSetAside(key);
}

/** Forgets a record that was set aside. */
export function dropSetAside(key: string): AppThunk<Promise<void>> {
  return async (dispatch) => {
    await forgetSetAside(key);
    dispatch(logbookSlice.actions.setAsideForgotten(key));
  };
}

/** Adds the made-up harbour town's vehicles and cases, through the same door as any import. */
export function addDemo(): AppThunk<Promise<void>> {
  return async (dispatch) => {
    const response = await fetch('/demo/harbour.json');
    const demo = (await response.json()) as { vehicles: unknown[]; files: unknown[] };
    for (const data of demo.files) {
      const outcome = await dispatch(checkImport(JSON.stringify(data)));
      if (outcome.ok) await dispatch(addImport(outcome.file));
    }
    const { vehicleSchema } = await import('@pincer/core/vehicle');
    for (const raw of demo.vehicles) {
      const vehicle = vehicleSchema.safeParse(raw);
      if (vehicle.success) await dispatch(putVehicle(vehicle.data));
    }
  };
}
