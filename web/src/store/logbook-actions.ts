import {
  DEFAULT_OWNER,
  importProblemWords,
  writeCaseFile,
  type CaseFile,
  type CaseRecord,
  type Entry,
} from '@pincer/core/case';
import type { Vehicle } from '@pincer/core/vehicle';
import { coreWorker } from '../workers/core-client.ts';
import { draftsSlice } from './drafts-slice.ts';
import { newId } from './ids.ts';
import { crossOut, loadDrafts, noteDown, pendingEntries, saveDraft } from './journal.ts';
import { logbookSlice } from './logbook-slice.ts';
import { settingsSlice } from './settings-slice.ts';
import { forgetSetAside, loadAll, saveCase, saveSettings, saveVehicle, type Settings } from './storage.ts';
import type { AppThunk } from './store.ts';

type WithoutStamp<T> = T extends Entry ? Omit<T, 'id' | 'at'> : never;
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
      const known = getState().logbook.cases[caseId];
      if (!known) continue;
      if (!known.entries.some((e) => e.id === entry.id))
        dispatch(logbookSlice.actions.entryAdded({ caseId, entry }));
      const whole = getState().logbook.cases[caseId];
      if (whole) await saveCase(whole);
      crossOut(entry.id);
    }
  };
}

/**
 * Adds a fact to a case and writes the case to storage. Resolves when it is written.
 * @returns the entry with its id and moment.
 */
export function record(caseId: string, entry: NewEntry): AppThunk<Promise<Entry>> {
  return async (dispatch, getState) => {
    const whole = { ...entry, id: newId('ent'), at: new Date().toISOString() } as Entry;
    noteDown({ caseId, entry: whole });
    dispatch(logbookSlice.actions.entryAdded({ caseId, entry: whole }));
    const saved = getState().logbook.cases[caseId];
    if (saved) await saveCase(saved);
    crossOut(whole.id);
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
      openedAt: new Date().toISOString(),
      entries: [],
    };
    dispatch(logbookSlice.actions.casePut(fresh));
    await saveCase(fresh);
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

export type ImportOutcome = { ok: true; file: CaseFile; isNew: boolean } | { ok: false; message: string };

/** Checks a case file in the worker. Adds nothing. */
export function checkImport(text: string): AppThunk<Promise<ImportOutcome>> {
  return async (_, getState) => {
    const read = await coreWorker().readCaseFile(text);
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
    const has = new Set((known?.entries ?? []).map((e) => e.id));
    const fresh = file.case.entries.filter((e) => !has.has(e.id));
    const merged: CaseRecord = known ? { ...known, entries: [...known.entries, ...fresh] } : file.case;
    dispatch(logbookSlice.actions.casePut(merged));
    await saveCase(merged);
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
      ? writeCaseFile(found, vehicle, new Date().toISOString(), settings.owner ?? DEFAULT_OWNER)
      : null;
  };
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
