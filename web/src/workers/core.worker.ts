import { expose } from 'comlink';
import { assess, codePage } from '@pincer/core/assess';
import { readCaseFile, type CaseRecord, type Owner } from '@pincer/core/case';
import { decodeFileText } from '@pincer/core/link';
import type { Vehicle } from '@pincer/core/vehicle';
import { searchReference } from './search.ts';

/** The core, off the main thread. */
const api = {
  assess: (record: CaseRecord, vehicle: Vehicle, owner: Owner, now: string) =>
    assess(record, vehicle, new Date(now), owner),
  readCaseFile,
  decodeFileText,
  searchReference,
  codePage,
};
export type CoreApi = typeof api;

expose(api);
