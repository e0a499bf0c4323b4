import {
  decodeConditions,
  decodeExtended,
  encodeTroubleCode,
  toHex,
  type ReadCode,
  type Scan,
  type ScanBuilder,
  type ScanPart,
  type StoredRecord,
} from '@pincer/core/obd';
import type { Heard } from './request.ts';

/** A scan that is being taken, as far as its steps in other files need it. */
export interface Asking {
  scan: Scan;
  builder: ScanBuilder;
  /** Units that should answer what is asked of all. */
  expected: () => string[];
  /** Asks all units, or one that is addressed by itself, until it is answered as well as it can be. */
  ask: (request: string, options?: { from?: string }) => Promise<Heard>;
  /** Notes what became of a part of a unit by what was heard. */
  notePart: (part: ScanPart, unit: string, heard: Heard, isDue: boolean) => void;
  /** Whether asking on is pointless. */
  hasFault: () => boolean;
}

/** Codes of one control unit whose stored records are asked for. */
export const MAX_RECORDED = 4;

/** Sub-services of ISO 14229-1 service 19, and how their answers are taken apart. */
const KINDS = {
  conditions: { service: '1904', decode: decodeConditions },
  extended: { service: '1906', decode: decodeExtended },
} as const;

/**
 * Asks for every record of one code.
 * @returns the records that its own unit gave; null where that unit gave no answer to this very code.
 */
export async function recordsOf(
  run: Asking,
  kind: keyof typeof KINDS,
  { code, unit, failureType = '00' }: ReadCode,
  from?: string,
): Promise<{ heard: Heard; records: StoredRecord[] | null }> {
  const { service, decode } = KINDS[kind];
  const bytes = `${toHex(encodeTroubleCode(code))}${failureType}`;
  const heard = await run.ask(`${service}${bytes}FF`, from === undefined ? {} : { from });
  const own = heard.answers.filter((a) => a.source === unit && toHex(a.payload.slice(2, 5)) === bytes);
  const records = own.flatMap(({ payload }) => decode(payload, { unit, code, failureType }));
  return { heard, records: own.length === 0 ? null : records };
}

/**
 * What a unit keeps beside its codes: conditions and extended data (ISO 14229-1 services 19 04 and 19 06, every record).
 * A bounded number of codes, and what a unit refuses once is not asked again: it is an addition, and no part of it is due.
 */
export async function unitRecords(run: Asking, unit: string): Promise<void> {
  const codes = run.scan.codes.filter((c) => c.unit === unit && c.failureType !== undefined);
  for (const kind of ['conditions', 'extended'] as const)
    for (const code of codes.slice(0, MAX_RECORDED)) {
      if (run.hasFault()) return;
      const { records } = await recordsOf(run, kind, code, unit);
      if (records === null) break;
      (run.scan.records ??= []).push(...records);
    }
}
