import { readRecord, type CaseRecord } from '@pincer/core/case';
import { vehicleSchema, type Vehicle } from '@pincer/core/vehicle';
import { transact } from './database.ts';
import { rowsIn } from './pace.ts';
import { headSchema, storedSchema } from './records.ts';

/** What there is, before its entries are read. */
export interface Glance {
  vehicles: Vehicle[];
  cases: Omit<CaseRecord, 'entries'>[];
}

/** Records below which reading everything takes no longer than a glance. */
const FEW = 1000;

/** The vehicles and the names of the cases of a logbook of many years; null where all of it is read in a moment. */
export async function glance(): Promise<Glance | null> {
  const rows = await transact('readonly', async (records, alive) =>
    (await records.count()) < FEW
      ? null
      : [
          await rowsIn(records, alive, IDBKeyRange.bound('case:', 'case:\uffff')),
          await rowsIn(records, alive, IDBKeyRange.bound('vehicle:', 'vehicle:\uffff')),
        ],
  );
  if (rows === null) return null;
  const [cases = [], vehicles = []] = rows;
  return {
    cases: cases.flatMap(([, raw]) => readOne(headSchema, raw)),
    vehicles: vehicles.flatMap(([, raw]) => readOne(vehicleSchema, raw)),
  };
}

/** What cannot be read is told when everything is. */
function readOne<T>(schema: Parameters<typeof readRecord<T>>[0], raw: unknown): T[] {
  const there = storedSchema.safeParse(raw);
  if (!there.success) return [];
  const read = readRecord(schema, there.data.record, there.data.version);
  return read.ok ? [read.value] : [];
}
