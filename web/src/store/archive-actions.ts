import type { AsyncZippable, Unzipped } from 'fflate';
import { engineOf } from '@pincer/core/assess';
import { writeCaseFile, type EntryOf } from '@pincer/core/case';
import { vehicleSchema } from '@pincer/core/vehicle';
import { now } from '../clock.ts';
import { saveAttachment } from '../storage/attachments.ts';
import { storageError } from '../storage/database.ts';
import { loadMeta } from '../storage/recordings.ts';
import { copyOfRecord } from '../storage/records.ts';
import { attachmentOf } from './attachment-actions.ts';
import { keepVehicle } from './keep.ts';
import { mark } from './logbook-actions.ts';
import type { AppThunk } from './store.ts';
import { addImport, checkImport, newerEntriesOf } from './transfer-actions.ts';
import { allCases, ownCases, ownVehicles } from './logbook-selectors.ts';

/** A logbook of many years with its recordings; more is not unpacked, for it would not fit into memory. */
const MAX_PACKED = 300_000_000;
const MAX_UNPACKED = 800_000_000;

const README = `The whole logbook, in open files.

cases/       one case file (JSON) for each case, with its vehicle; each can be imported by itself
vehicles/    every vehicle (JSON)
recordings/  readings over time (CSV, units in the header), named as in the case's log
attachments/ pictures and files of the log, each under the id that its entry names
unreadable/  records that could not be read, as they lie in storage
settings.json  rates, tools, units

Pincer takes the whole file back: Settings, "Restore everything". Nothing that is there is overwritten.
`;

const bytes = (text: string): Uint8Array => new TextEncoder().encode(text);
const json = (value: unknown): Uint8Array => bytes(`${JSON.stringify(value, null, 2)}\n`);
/** A title as a part of a file's name. */
const slug = (title: string): string =>
  title
    .replace(/[^\p{L}\p{N}]+/gu, '-')
    .toLowerCase()
    .slice(0, 40);

/** Where a picture or a file of the log lies in the zip. */
const attachmentName = ({ file, name }: EntryOf<'attachment'>): string =>
  `attachments/${file}${/\.[a-z0-9]{1,5}$/i.exec(name)?.[0].toLowerCase() ?? ''}`;

/** Everything on this device as one zip of open files. */
export function exportAll(): AppThunk<Promise<Blob>> {
  return async (dispatch, getState, { recordings }) => {
    const { logbook, settings } = getState();
    const at = now().toISOString();
    const files: AsyncZippable = { 'README.txt': bytes(README), 'settings.json': json(settings) };
    // The practice bay is nobody's record.
    for (const vehicle of ownVehicles(logbook))
      files[`vehicles/${slug(vehicle.name)}-${slug(vehicle.id)}.json`] = json(vehicle);
    for (const record of ownCases(logbook)) {
      const vehicle = logbook.vehicles.entities[record.vehicle];
      if (vehicle)
        files[`cases/${slug(record.title)}-${slug(record.id)}.case.json`] = bytes(
          writeCaseFile(record, vehicle, at, settings.owner, newerEntriesOf(logbook, record.id)),
        );
      for (const entry of record.entries) {
        if (entry.kind === 'attachment') {
          const content = await attachmentOf(entry.file);
          if (content) files[attachmentName(entry)] = new Uint8Array(await content.arrayBuffer());
        }
        if (entry.kind !== 'recording') continue;
        const csv = await recordings.exportCsv(entry.recording);
        if (csv) files[`recordings/${entry.recording}.csv`] = new Uint8Array(await csv.arrayBuffer());
      }
    }
    for (const [n, { key }] of [...logbook.setAside, ...logbook.newer].entries())
      files[`unreadable/${n + 1}.record.json`] = bytes(await copyOfRecord(key));
    const { zip } = await import('fflate');
    const packed = await new Promise<Uint8Array>((resolve, reject) =>
      zip(files, { level: 6 }, (error, data) => {
        if (error) reject(error);
        else resolve(data);
      }),
    );
    await dispatch(mark({ exportedAt: at }));
    return new Blob([packed as Uint8Array<ArrayBuffer>], { type: 'application/zip' });
  };
}

/** What came of bringing everything back. */
export interface Restored {
  cases: number;
  entries: number;
  vehicles: number;
  recordings: number;
  /** Pictures and files of the log. */
  attachments: number;
  /** Entries of the file that would strike out what is here; they were left out. */
  strikeOutsLeft: number;
  /** What could not be taken, by the name of the file in the zip. */
  problems: { name: string; why: string }[];
}

export type RestoreOutcome = { ok: true; restored: Restored } | { ok: false; message: string };

async function unpack(file: File): Promise<Unzipped | string> {
  if (file.size > MAX_PACKED)
    return 'It is larger than 300 MB. Unpack it, and bring the cases in one by one.';
  const { unzip } = await import('fflate');
  const packed = new Uint8Array(await file.arrayBuffer());
  let size = 0;
  return new Promise((resolve) =>
    unzip(
      packed,
      // What claims to be larger than that is left packed: a zip can hold a thousand times its size.
      {
        filter: (f) =>
          (size += f.originalSize) <= MAX_UNPACKED &&
          (/\.(json|csv)$/.test(f.name) || f.name.startsWith('attachments/')),
      },
      (error, files) => {
        if (error) resolve('It is no zip file, or it was cut short when it was copied.');
        else if (size > MAX_UNPACKED)
          resolve('Unpacked it is larger than 800 MB. Bring the cases in one by one.');
        else resolve(files);
      },
    ),
  );
}

/** Brings a zip of the whole logbook back: it only adds what is not here, and strikes nothing out that is. */
export function restoreAll(file: File): AppThunk<Promise<RestoreOutcome>> {
  return async (dispatch, getState, { recordings }) => {
    const files = await unpack(file);
    if (typeof files === 'string') return { ok: false, message: files };
    const names = Object.keys(files).sort();
    const textOf = (name: string) => new TextDecoder().decode(files[name]);
    const restored: Restored = {
      cases: 0,
      entries: 0,
      vehicles: 0,
      recordings: 0,
      attachments: 0,
      strikeOutsLeft: 0,
      problems: [],
    };
    if (!names.some((n) => n.startsWith('cases/') || n.startsWith('vehicles/')))
      return { ok: false, message: 'It is a zip file, but no logbook: it holds neither cases nor vehicles.' };
    for (const name of names.filter((n) => n.startsWith('vehicles/'))) {
      const vehicle = vehicleSchema.safeParse(parsed(textOf(name)));
      if (!vehicle.success) {
        restored.problems.push({ name, why: 'It is no vehicle that can be read.' });
      } else if (!getState().logbook.vehicles.entities[vehicle.data.id]) {
        await dispatch(keepVehicle(vehicle.data));
        restored.vehicles++;
      }
    }
    for (const name of names.filter((n) => n.startsWith('cases/'))) {
      const outcome = await dispatch(checkImport(textOf(name)));
      if (!outcome.ok || !('file' in outcome)) {
        restored.problems.push({ name, why: outcome.ok ? 'It is no case.' : outcome.message });
        continue;
      }
      const { added, unsaved } = await dispatch(addImport(outcome.file, { newer: outcome.newer }));
      if (unsaved > 0) restored.problems.push({ name, why: `${unsaved} entries could not be saved.` });
      restored.cases += outcome.plan.isNew ? 1 : 0;
      restored.entries += added - unsaved;
      restored.strikeOutsLeft += outcome.plan.strikeOuts.length;
    }
    const { logbook } = getState();
    for (const record of allCases(logbook))
      for (const entry of record.entries) {
        if (entry.kind === 'attachment') {
          const content = files[attachmentName(entry)];
          if (!content || (await attachmentOf(entry.file)) !== null) continue;
          try {
            await saveAttachment(entry.file, new Blob([content], { type: entry.type }));
            restored.attachments++;
          } catch (error) {
            restored.problems.push({ name: entry.name, why: storageError(error).message });
          }
        }
        if (entry.kind !== 'recording') continue;
        const name = `recordings/${entry.recording}.csv`;
        const csv = files[name];
        const vehicle = logbook.vehicles.entities[record.vehicle];
        if (!csv || !vehicle || (await loadMeta(entry.recording)) !== null) continue;
        const why = await recordings.importCsv(new File([csv], `${entry.recording}.csv`), {
          id: entry.recording,
          caseId: record.id,
          title: entry.title,
          engine: engineOf(vehicle),
        });
        if (why === null) restored.recordings++;
        else restored.problems.push({ name, why });
      }
    return { ok: true, restored };
  };
}

function parsed(text: string): unknown {
  try {
    return JSON.parse(text) as unknown;
  } catch {
    return null;
  }
}
