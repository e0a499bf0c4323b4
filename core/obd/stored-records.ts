import { hexByte, toHex } from './bytes.ts';
import { decodeParameter, isSupportPid, parameterLength } from './parameters.ts';
import type { StoredRecord } from './scan.ts';

/** First byte of identifiers that stand for a parameter of SAE J1979: F40C is parameter 0C (ISO 15031-5, ISO 27145-2). */
const PARAMETER_DIDS = 0xf4;

type Heading = Pick<StoredRecord, 'unit' | 'code' | 'failureType'>;

/**
 * Records of conditions in an answer to ISO 14229-1 service 19 04: 59 04, the code, its status, then for each record its
 * number, how many identifiers it has, and each identifier with its data. The length of the data is in no place of the
 * message: identifiers that the standard describes are taken apart, and from the first other one on the bytes are kept as
 * they are.
 */
export function decodeConditions(payload: readonly number[], heading: Heading): StoredRecord[] {
  const records: StoredRecord[] = [];
  let at = 6;
  while (at + 2 <= payload.length) {
    const record: StoredRecord = {
      ...heading,
      kind: 'conditions',
      record: hexByte(payload[at] ?? 0),
      values: [],
      bytes: '',
    };
    records.push(record);
    let left = payload[at + 1] ?? 0;
    at += 2;
    for (; left > 0; left--) {
      const pid = payload[at + 1] ?? 0;
      const length =
        payload[at] === PARAMETER_DIDS && !isSupportPid(pid) ? (parameterLength(pid) ?? null) : null;
      if (length === null || at + 2 + length > payload.length) {
        record.bytes = toHex(payload.slice(at));
        return records;
      }
      record.values.push(...decodeParameter('02', pid, payload.slice(at + 2, at + 2 + length), heading.unit));
      at += 2 + length;
    }
  }
  return records;
}

/**
 * Extended data in an answer to ISO 14229-1 service 19 06: 59 06, the code, its status, then a record number and what its
 * maker keeps there. Neither meaning nor length is in the standard for units beyond the emissions ones, so the bytes stay
 * as they are.
 */
export function decodeExtended(payload: readonly number[], heading: Heading): StoredRecord[] {
  const record = payload[6];
  if (record === undefined) return [];
  return [
    { ...heading, kind: 'extended', record: hexByte(record), values: [], bytes: toHex(payload.slice(7)) },
  ];
}

/** Values of SAE J1979 parameters as a record of conditions: the inverse of {@link decodeConditions}. */
export function encodeConditions(
  code: readonly number[],
  status: number,
  record: number,
  values: readonly { pid: number; bytes: readonly number[] }[],
  rest: readonly number[] = [],
): number[] {
  return [
    0x59,
    0x04,
    ...code,
    status,
    record,
    values.length + (rest.length > 0 ? 1 : 0),
    ...values.flatMap(({ pid, bytes }) => [PARAMETER_DIDS, pid, ...bytes]),
    ...rest,
  ];
}
