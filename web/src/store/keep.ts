import type { CaseRecord, Entry } from '@pincer/core/case';
import type { Vehicle } from '@pincer/core/vehicle';
import type { CopiedRecord } from '../ports/copy-file.ts';
import type { CaseHead, TabMessage } from '../ports/tabs.ts';
import { StorageError, storageError } from '../storage/database.ts';
import { glance } from '../storage/glance.ts';
import { nextTask, startPace } from '../storage/pace.ts';
import {
  OF_LOGBOOK,
  caseKey,
  entryKey,
  loadAll,
  saveCaseHead,
  saveEntries,
  saveNewerEntries,
  saveVehicle,
  asStored,
  storedKeys,
  storedMarks,
  vehicleKey,
} from '../storage/records.ts';
import { keptRoads } from '../storage/roads.ts';
import { crossOut, idOfNoted, noteDown, pendingRecords, type Noted } from './journal.ts';
import { logbookSlice, type LogbookState } from './logbook-slice.ts';
import { takeInStored } from './take-in.ts';
import { settingsSlice } from './settings-slice.ts';
import { copy, matchSecondCopy } from './match-copy.ts';
import type { AppThunk } from './store.ts';
import { allCases, allVehicles } from './logbook-selectors.ts';

const { saveBegun, saveFailed, saved, loaded, loadFailed } = logbookSlice.actions;

const headOf = ({ entries: _, ...head }: CaseRecord): CaseHead => head;

/** Whether a newer version has written into a case: it is shown here, and not changed. */
export const isOnlyShown = (logbook: LogbookState, caseId: string): boolean =>
  logbook.newer.some((n) => n.caseId === caseId);

/** Writes one record, by its kind. */
function write(item: Noted): Promise<void> {
  if ('entry' in item) return saveEntries(item.caseId, [item.entry]);
  return 'head' in item ? saveCaseHead(item.head) : saveVehicle(item.vehicle);
}

/**
 * Writes a record to storage and tells the other pages. It is *saving* until storage has it on the disk, *saved* then,
 * and *failed* with its reason when storage will not keep it: it stays on this page and in the journal.
 * @returns whether storage has it.
 */
export function keep(item: Noted): AppThunk<Promise<boolean>> {
  return async (dispatch, getState, { tabs, space }) => {
    const id = idOfNoted(item);
    const caseId = 'entry' in item ? item.caseId : 'head' in item ? item.head.id : null;
    dispatch(saveBegun(id));
    try {
      if (caseId !== null && isOnlyShown(getState().logbook, caseId)) throw new StorageError('newer');
      await write(item);
    } catch (error) {
      const { message, next, fault } = storageError(error);
      dispatch(saveFailed({ id, caseId, why: message, next }));
      // There is room set aside for it: it comes back even when this page is killed before another try.
      if (fault !== 'unfit' && fault !== 'newer') void dispatch(copy([rowOf(item)]));
      return false;
    }
    // While a newer write of the same record is under way, its note stays: only that one may cross it out.
    if ((getState().logbook.saving[id] ?? 1) <= 1) crossOut(id);
    dispatch(saved(id));
    tabs.tell(item satisfies TabMessage);
    space.persist();
    void dispatch(copy([rowOf(item)]));
    return true;
  };
}

/** The key of a record in storage. */
const keyOf = (item: Noted): string =>
  'entry' in item
    ? entryKey(item.caseId, item.entry.id)
    : 'head' in item
      ? caseKey(item.head.id)
      : vehicleKey(item.vehicle.id);

/** A record as storage has it, or would have it. */
const rowOf = (item: Noted): CopiedRecord => ({
  key: keyOf(item),
  stored:
    'entry' in item ? asStored(item.entry, item.caseId) : asStored('head' in item ? item.head : item.vehicle),
});

/** Notes a record down at once, then writes it. */
export function noteAndKeep(item: Noted): AppThunk<Promise<boolean>> {
  return (dispatch) => {
    noteDown(item);
    return dispatch(keep(item));
  };
}

/** What is on this page, with the key that each has in storage. */
function* recordsOf(logbook: LogbookState): Generator<{ key: string; item: Noted }> {
  for (const vehicle of allVehicles(logbook)) yield { key: vehicleKey(vehicle.id), item: { vehicle } };
  for (const record of allCases(logbook)) {
    yield { key: caseKey(record.id), item: { head: headOf(record) } };
    for (const entry of record.entries)
      yield { key: entryKey(record.id, entry.id), item: { caseId: record.id, entry } };
  }
}

/** What a look at storage has found. */
export interface StorageCheck {
  /** Records that this page had and storage lacked, written back. */
  writtenBack: number;
  /** Records that storage still lacks. */
  lacking: number;
  /** Whether storage had something that this page did not. */
  hasFound: boolean;
}

let checking: Promise<StorageCheck> | null = null;

/**
 * Compares what the page holds with what is stored: takes in what others have stored, and writes back what is missing.
 * One at a time; who asks meanwhile is told of the one that runs.
 */
export function checkStorage(): AppThunk<Promise<StorageCheck>> {
  return (dispatch) => {
    checking ??= dispatch(compare()).finally(() => {
      checking = null;
    });
    return checking;
  };
}

function compare(): AppThunk<Promise<StorageCheck>> {
  return async (dispatch, getState) => {
    const result: StorageCheck = { writtenBack: 0, lacking: 0, hasFound: false };
    const missing: Noted[] = [];
    try {
      const marks = await storedMarks();
      if ((marks.emptiedAt ?? '') > (getState().logbook.marks.emptiedAt ?? '')) {
        // Another page has emptied the logbook: what this one still holds is not brought back.
        dispatch(logbookSlice.actions.emptied(marks));
      }
      const stored = await storedKeys();
      // As the page is at this moment, however long it takes to look through it.
      const { logbook } = getState();
      const pace = startPace();
      for (const { key, item } of recordsOf(logbook)) {
        if (!stored.delete(key) && !(idOfNoted(item) in logbook.saving)) missing.push(item);
        if (pace.isDue()) await pace.rest();
      }
      for (const { key } of [...logbook.setAside, ...logbook.newer]) stored.delete(key);
      // What is left is not on this page.
      if ([...stored].some((key) => OF_LOGBOOK.test(key))) {
        await dispatch(takeInStored());
        result.hasFound = true;
      }
    } catch {
      // Storage cannot be read at all: what is not saved is marked as such already.
      result.lacking = Object.keys(getState().logbook.unsaved).length;
      return result;
    }
    for (const item of missing) {
      const { logbook } = getState();
      // Emptied meanwhile, it is not brought back.
      if (!isHere(item, logbook)) continue;
      if (await dispatch(keep(asItIsNow(item, logbook)))) result.writtenBack++;
      else result.lacking++;
    }
    return result;
  };
}

/** Whether the page still has the vehicle or the case that a record is of. */
const isHere = (item: Noted, { vehicles, cases }: LogbookState): boolean =>
  'vehicle' in item
    ? item.vehicle.id in vehicles.entities
    : ('head' in item ? item.head.id : item.caseId) in cases.entities;

/**
 * What was noted, as the page has it now: while the notes of the last time are being written, the owner may have changed
 * the same vehicle or case, and the older note must not come after it.
 */
function asItIsNow(item: Noted, { vehicles, cases }: LogbookState): Noted {
  if ('vehicle' in item) return { vehicle: vehicles.entities[item.vehicle.id] ?? item.vehicle };
  if (!('head' in item)) return item;
  const record = cases.entities[item.head.id];
  return record ? { head: headOf(record) } : item;
}

/** Reads everything from storage into the store, and finishes what a reload or a crash has interrupted. */
export function loadLogbook(): AppThunk<Promise<boolean>> {
  return async (dispatch, getState) => {
    let isEmpty: boolean;
    dispatch(logbookSlice.actions.sharesKept(keptRoads()));
    try {
      const names = await glance();
      if (names) dispatch(logbookSlice.actions.glanced(names));
      const all = await loadAll();
      isEmpty = all.cases.length + all.vehicles.length === 0;
      if (all.settings) dispatch(settingsSlice.actions.settingsLoaded(all.settings));
      dispatch(loaded(all));
      // A logbook of many years is drawn in a task of its own.
      await nextTask();
    } catch (error) {
      const { message, next } = storageError(error);
      dispatch(loadFailed({ why: message, next }));
      dispatch(takeFromJournal());
      return false;
    }
    let noted = dispatch(takeFromJournal());
    if (isEmpty) {
      // It is new, or the browser has lost it: the screen waits until that is known.
      await dispatch(matchSecondCopy());
      noted = dispatch(takeFromJournal());
    }
    dispatch(logbookSlice.actions.opened());
    for (const item of noted) await dispatch(keep(asItIsNow(item, getState().logbook)));
    // A case that was only noted may have had entries in storage already.
    if (noted.some((item) => 'head' in item)) await dispatch(takeInStored()).catch(() => undefined);
    return true;
  };
}

/** Puts on the page what was recorded in the last moment before it was closed. @returns what was found. */
function takeFromJournal(): AppThunk<Noted[]> {
  return (dispatch, getState) => {
    const { vehiclePut, headHeard, entryHeard } = logbookSlice.actions;
    return pendingRecords().filter((item) => {
      if ('vehicle' in item) dispatch(vehiclePut(item.vehicle));
      else if ('head' in item) dispatch(headHeard(item.head));
      else if (getState().logbook.cases.entities[item.caseId])
        dispatch(entryHeard({ caseId: item.caseId, entry: item.entry }));
      // Its case is not here: it stays noted.
      else return false;
      return true;
    });
  };
}

/** Tries again to write what storage would not keep. */
export function saveAgain(): AppThunk<Promise<void>> {
  return async (dispatch, getState) => {
    const { unsaved } = getState().logbook;
    for (const { item } of recordsOf(getState().logbook))
      if (idOfNoted(item) in unsaved) await dispatch(keep(item));
    // After a failure what lies in storage is looked at, not believed.
    await dispatch(checkStorage());
  };
}

/**
 * Keeps entries of a case that came together, as a file brings them: all of them or none, in one transaction.
 * @returns how many storage would not keep.
 */
export function keepTogether(caseId: string, entries: readonly Entry[]): AppThunk<Promise<number>> {
  return async (dispatch, getState, { tabs, space }) => {
    if (entries.length === 0) return 0;
    dispatch(logbookSlice.actions.entriesAdded({ caseId, entries: [...entries] }));
    try {
      if (isOnlyShown(getState().logbook, caseId)) throw new StorageError('newer');
      await saveEntries(caseId, entries);
    } catch (error) {
      const { message, next } = storageError(error);
      for (const { id } of entries) dispatch(saveFailed({ id, caseId, why: message, next }));
      return entries.length;
    }
    for (const entry of entries) tabs.tell({ caseId, entry });
    space.persist();
    void dispatch(copy(entries.map((entry) => rowOf({ caseId, entry }))));
    return 0;
  };
}

/**
 * Keeps entries of a case that only a newer version understands, as a file brings them. From then on the case is only
 * shown here. @returns how many storage would not keep.
 */
export function keepNewer(caseId: string, entries: readonly unknown[]): AppThunk<Promise<number>> {
  return async (dispatch) => {
    if (entries.length === 0) return 0;
    try {
      await saveNewerEntries(caseId, entries);
      await dispatch(takeInStored());
      await dispatch(matchSecondCopy());
      return 0;
    } catch {
      return entries.length;
    }
  };
}

/** Adds a fact to what the page shows, at once. */
export function showEntry(caseId: string, entry: Entry): AppThunk {
  return (dispatch) => {
    dispatch(logbookSlice.actions.entryAdded({ caseId, entry }));
  };
}

/** A vehicle, new or changed: noted, shown, kept. */
export function keepVehicle(vehicle: Vehicle): AppThunk<Promise<boolean>> {
  return (dispatch) => {
    dispatch(logbookSlice.actions.vehiclePut(vehicle));
    return dispatch(noteAndKeep({ vehicle }));
  };
}

/** A case without its entries: noted, shown, kept. */
export function keepCase(record: CaseRecord): AppThunk<Promise<boolean>> {
  return (dispatch) => {
    dispatch(logbookSlice.actions.casePut(record));
    return dispatch(noteAndKeep({ head: headOf(record) }));
  };
}
