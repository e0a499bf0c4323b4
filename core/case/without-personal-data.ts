import type { Vehicle } from '@pincer/core/vehicle';
import type { Entry, EntryOf } from './entries.ts';
import type { CaseRecord } from './record.ts';

/** What the owner wrote in words of their own, or what names a person or a business: it goes. */
const LEFT_OUT: ReadonlySet<Entry['kind']> = new Set(['note', 'offer', 'attachment']);

/** Service 09 info types that name this one vehicle: its number, in whole or as a message count. */
const NAMES_THE_VEHICLE: ReadonlySet<string> = new Set(['01', '02']);

/** What failed may name the address of a network adapter at home. */
function connectionWithout({ message: _, ...entry }: EntryOf<'connection'>): Entry {
  return { ...entry, adapter: 'An adapter' };
}

function entryWithout(entry: Entry): Entry {
  switch (entry.kind) {
    case 'scan': {
      const { vin: _, ...scan } = entry.scan;
      const { adapter: __, ...rest } = entry;
      return {
        ...rest,
        scan: {
          ...scan,
          values: scan.values.filter((v) => v.service !== '09' || !NAMES_THE_VEHICLE.has(v.pid)),
        },
      };
    }
    case 'connection':
      return connectionWithout(entry);
    case 'recording': {
      // A title may be the owner's, and a file's name says where it came from.
      const { file: _, ...rest } = entry;
      return { ...rest, title: 'A recording', marks: rest.marks.map((m) => ({ ...m, text: 'A mark' })) };
    }
    case 'repair': {
      const { note: _, partNumber: __, ...rest } = entry;
      return rest.title === undefined ? rest : { ...rest, title: 'Another repair' };
    }
    case 'check':
    case 'drive':
    case 'closed': {
      const { note: _, ...rest } = entry;
      return rest;
    }
    case 'retracted':
      return { ...entry, reason: 'Left out' };
    default:
      return entry;
  }
}

/**
 * A case and its vehicle (its make and model stay) without what names their owner: no plate, no vehicle number, no habits, none of the owner's own
 * words, no offers, pictures or device names, and new ids, so that it cannot be joined with the whole one. Facts, readings,
 * repairs, costs and dates stay: they are what the next owner, or somebody who helps, needs.
 * @param ids new ids for the case and for the vehicle.
 */
export function withoutPersonalData(
  record: CaseRecord,
  vehicle: Vehicle,
  ids: { case: string; vehicle: string },
): { record: CaseRecord; vehicle: Vehicle } {
  const gone = new Set(record.entries.filter((e) => LEFT_OUT.has(e.kind)).map((e) => e.id));
  const entries = record.entries
    .filter((e) => !gone.has(e.id) && !(e.kind === 'retracted' && gone.has(e.entry)))
    .map(entryWithout);
  const {
    kind,
    year,
    market,
    fuel,
    displacementLitres,
    cylinders,
    aspiration,
    gearbox,
    distanceKm,
    moduleMap,
  } = vehicle;
  const known = { year, market, displacementLitres, cylinders, gearbox, distanceKm, moduleMap };
  return {
    record: { ...record, id: ids.case, vehicle: ids.vehicle, title: 'A case', entries },
    vehicle: {
      id: ids.vehicle,
      name: vehicle.name,
      kind,
      fuel,
      aspiration,
      ...Object.fromEntries(Object.entries(known).filter(([, v]) => v !== undefined)),
    },
  };
}
