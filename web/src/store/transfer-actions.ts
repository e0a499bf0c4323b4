import {
  importProblemWords,
  mergePlan,
  withoutPersonalData,
  writeCaseFile,
  type CaseFile,
  type CaseRecord,
  type MergePlan,
} from '@pincer/core/case';
import { vehicleSchema } from '@pincer/core/vehicle';
import { now } from '../clock.ts';
import { storageError } from '../storage/database.ts';
import {
  caseKey,
  copyOfRecord,
  forgetAll,
  forgetEmptyCase,
  forgetRecord,
  putBackRecord,
  recordFileSchema,
  type Marks,
  type RecordFile,
} from '../storage/records.ts';
import { draftsSlice } from './drafts-slice.ts';
import { newId } from './ids.ts';
import { forgetNotes } from './journal.ts';
import { forgetCopies } from './match-copy.ts';
import { keepCase, keepNewer, keepTogether, keepVehicle, loadLogbook } from './keep.ts';
import { mark } from './logbook-actions.ts';
import { logbookSlice, type LogbookState } from './logbook-slice.ts';
import { keptFileSlice } from './kept-file-slice.ts';
import type { AppThunk } from './store.ts';
import { unreadWords } from './unread-words.ts';
import { caseAndVehicle } from './logbook-selectors.ts';

export type { RecordFile };

export type ImportOutcome =
  | { ok: true; file: CaseFile; plan: MergePlan; newer: unknown[] }
  /** A single record that could not be read, saved as a file and mended. */
  | { ok: true; record: RecordFile }
  | { ok: false; message: string };

/** What a file is, where it is no case: JSON of a single record, or null. */
function recordFileOf(text: string): RecordFile | null {
  if (!text.includes('pincer-record')) return null;
  try {
    const read = recordFileSchema.safeParse(JSON.parse(text));
    return read.success ? read.data : null;
  } catch {
    return null;
  }
}

/** Checks a case file in the worker, or a single record that was saved. Adds nothing. */
export function checkImport(text: string): AppThunk<Promise<ImportOutcome>> {
  return async (_, getState, { core }) => {
    const record = recordFileOf(text);
    if (record) return { ok: true, record };
    const read = await core.readCaseFile(text).catch(unreadWords);
    if (typeof read === 'string') return { ok: false, message: read };
    if (!read.ok) return { ok: false, message: importProblemWords(read.problem) };
    const { cases, vehicles } = getState().logbook;
    const { file, newer } = read;
    const plan = mergePlan(file, cases.entities[file.case.id], vehicles.entities[file.vehicle.id]);
    return { ok: true, file, plan, newer };
  };
}

/** How a file is taken in, where there is something to ask. */
export interface ImportChoice {
  /** Strike out what the file strikes out, also where it was here before. */
  withStrikeOuts?: boolean;
  /** Its entries that only a newer version understands. */
  newer?: readonly unknown[];
}

/** What came of bringing a file in. */
export interface Added {
  caseId: string;
  added: number;
  /** How many of them storage would not keep. */
  unsaved: number;
}

/**
 * Adds a checked case file. A case that is here already only gains entries that it lacks; the vehicle here stays; and a
 * case of another vehicle becomes a case of its own.
 */
export function addImport(
  file: CaseFile,
  { withStrikeOuts = false, newer = [] }: ImportChoice = {},
): AppThunk<Promise<Added>> {
  return async (dispatch, getState) => {
    const { cases, vehicles } = getState().logbook;
    const plan = mergePlan(file, cases.entities[file.case.id], vehicles.entities[file.vehicle.id]);
    if (plan.isOtherVehicle) return dispatch(addBeside(file, newer));
    if (!vehicles.entities[file.vehicle.id]) await dispatch(keepVehicle(file.vehicle));
    if (plan.isNew) await dispatch(keepCase({ ...file.case, entries: [] }));
    const fresh = [...plan.additions, ...(withStrikeOuts ? plan.strikeOuts : [])];
    const { id } = file.case;
    const unsaved = await dispatch(keepTogether(id, fresh));
    return { caseId: id, added: fresh.length, unsaved: unsaved + (await dispatch(keepNewer(id, newer))) };
  };
}

/** A case whose ids are taken by another vehicle: it gets ids of its own, and nothing is mixed. */
function addBeside(file: CaseFile, newer: readonly unknown[]): AppThunk<Promise<Added>> {
  return async (dispatch, getState) => {
    const { vehicles } = getState().logbook;
    const mine = vehicles.entities[file.vehicle.id];
    const isTaken = mine !== undefined && mine.vin !== file.vehicle.vin;
    const vehicle = isTaken ? { ...file.vehicle, id: newId('veh') } : file.vehicle;
    const record: CaseRecord = { ...file.case, id: newId('case'), vehicle: vehicle.id, entries: [] };
    if (!vehicles.entities[vehicle.id]) await dispatch(keepVehicle(vehicle));
    await dispatch(keepCase(record));
    const unsaved =
      (await dispatch(keepTogether(record.id, file.case.entries))) +
      (await dispatch(keepNewer(record.id, newer)));
    return { caseId: record.id, added: file.case.entries.length, unsaved };
  };
}

/** The entries of a case that only a newer version understands, as they stand. */
export const newerEntriesOf = (logbook: LogbookState, caseId: string): unknown[] =>
  logbook.newer.flatMap((n) => (n.caseId === caseId && n.entry !== undefined ? [n.entry] : []));

/** The text of a case as a file, whether or not storage has all of it. @param isPersonal whether it names its owner. */
export function exportCase(caseId: string, isPersonal = true): AppThunk<string | null> {
  return (_, getState) => {
    const { logbook, settings } = getState();
    const { record: found, vehicle } = caseAndVehicle(logbook, caseId);
    if (found && vehicle && !isPersonal) {
      const left = withoutPersonalData(found, vehicle, { case: newId('case'), vehicle: newId('veh') });
      return writeCaseFile(left.record, left.vehicle, now().toISOString());
    }
    return found && vehicle
      ? writeCaseFile(found, vehicle, now().toISOString(), settings.owner, newerEntriesOf(logbook, caseId))
      : null;
  };
}

/** A record that cannot be read, as the text of a file. */
export function copyOfSetAside(key: string): AppThunk<Promise<string>> {
  return () => copyOfRecord(key);
}

/** Puts a mended record in its place, and reads everything again. @returns why it cannot be, or null. */
export function putBack(file: RecordFile): AppThunk<Promise<string | null>> {
  return async (dispatch) => {
    try {
      const why = await putBackRecord(file, now().toISOString());
      if (why === null) await dispatch(loadLogbook());
      return why;
    } catch (error) {
      return storageError(error).message;
    }
  };
}

/** Forgets a record that cannot be read. */
export function dropSetAside(key: string): AppThunk<Promise<void>> {
  return async (dispatch) => {
    // Its copies first: one that stays would bring it back.
    await dispatch(forgetCopies([key]));
    await forgetRecord(key);
    dispatch(logbookSlice.actions.setAsideForgotten(key));
  };
}

/**
 * Takes a case away that was opened by a wrong touch: one without a single entry, here and in storage. Everything else can
 * only be put away. @returns why it could not, or null.
 */
export function forgetCase(caseId: string): AppThunk<Promise<string | null>> {
  return async (dispatch, getState, { tabs }) => {
    if (getState().logbook.cases.entities[caseId]?.entries.length !== 0)
      return 'Something is recorded in it: put it away instead.';
    try {
      // One that stays would bring it back; where the case stays, its copy is made again at the next start.
      await dispatch(forgetCopies([caseKey(caseId)]));
      if (!(await forgetEmptyCase(caseId)))
        return 'Another page has recorded something in it: put it away instead.';
    } catch (error) {
      return storageError(error).message;
    }
    dispatch(logbookSlice.actions.emptyCaseForgotten(caseId));
    tabs.tell({ forgotten: caseId });
    return null;
  };
}

/** Empties the logbook on this device, recordings included. @returns why it could not, or null. */
export function emptyLogbook(): AppThunk<Promise<string | null>> {
  return async (dispatch, _, { tabs, keptFile }) => {
    const marks: Marks = { example: 'done', emptiedAt: now().toISOString() };
    try {
      const { forgetRecordings } = await import('../storage/recordings.ts');
      const { forgetAttachments } = await import('../storage/attachments.ts');
      // The backup file stays as it is, and is not emptied with it.
      await keptFile.forget();
      // The copies first: where they cannot be emptied, nothing is, and they bring nothing back.
      await dispatch(forgetCopies('all'));
      await forgetAll(marks);
      await forgetRecordings();
      await forgetAttachments();
    } catch (error) {
      return storageError(error).message;
    }
    forgetNotes();
    dispatch(logbookSlice.actions.emptied(marks));
    dispatch(keptFileSlice.actions.keptFileChanged({ at: 'none' }));
    dispatch(draftsSlice.actions.draftsLoaded({}));
    tabs.tell({ emptied: true });
    return null;
  };
}

/**
 * Adds the made-up harbour town's vehicles and cases, through the same door as any import. Interrupted, it is finished
 * at the next start; once done, it never comes back by itself.
 */
export function addDemo(): AppThunk<Promise<void>> {
  return (dispatch) => {
    if (!adding) {
      dispatch(logbookSlice.actions.exampleComing(true));
      adding = dispatch(bringDemo()).finally(() => {
        adding = null;
        dispatch(logbookSlice.actions.exampleComing(false));
      });
    }
    return adding;
  };
}

let adding: Promise<void> | null = null;

function bringDemo(): AppThunk<Promise<void>> {
  return async (dispatch, getState) => {
    await dispatch(mark({ example: 'begun' }));
    const response = await fetch('/demo/harbour.json');
    if (!response.ok) throw new Error(`The example is not there (${response.status}).`);
    const demo = (await response.json()) as { vehicles: unknown[]; files: unknown[] };
    // The vehicles first, and none that is here: finished at a later start, it must not undo what was changed meanwhile.
    for (const raw of demo.vehicles) {
      const vehicle = vehicleSchema.safeParse(raw);
      if (vehicle.success && !getState().logbook.vehicles.entities[vehicle.data.id])
        await dispatch(keepVehicle(vehicle.data));
    }
    const exampleCases: string[] = [];
    for (const data of demo.files) {
      const outcome = await dispatch(checkImport(JSON.stringify(data)));
      if (!outcome.ok || !('file' in outcome)) continue;
      const { caseId } = await dispatch(addImport(outcome.file));
      exampleCases.push(caseId);
    }
    await dispatch(mark({ example: 'done', exampleCases }));
  };
}
