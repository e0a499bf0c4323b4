import { decodeTroubleCode, encodeTroubleCode } from './trouble-code.ts';
import { stateOfStatus } from './uds.ts';
import type { ReadCode } from './scan.ts';

/** Bits 5 and 6 of the status byte of ISO 14230-3: whether the fault is there now, and whether it is stored. */
const STORAGE = { notPresent: 0x20, maturing: 0x40, present: 0x60 } as const;
const STORAGE_MASK = 0x60;
/** Bit 4: the test has not been completed; bit 7: the unit asks for its warning light. */
const NOT_READY = 0x10;
const LAMP = 0x80;

/**
 * The status byte of ISO 14229-1 that says the same as one of ISO 14230-3 (service 18), so that everything that judges a
 * status knows only one. Bits 0 to 3, the kind of failure, have no counterpart there; the byte itself is kept beside it.
 */
export function statusFromOlder(status: number): number {
  const stored = status & STORAGE_MASK;
  return (
    (stored === STORAGE.present ? 0x01 | 0x08 : 0) |
    (stored === STORAGE.notPresent ? 0x08 : 0) |
    (stored === STORAGE.maturing ? 0x04 : 0) |
    (status & NOT_READY ? 0x40 : 0) |
    (status & LAMP ? 0x80 : 0)
  );
}

/**
 * Codes of a positive answer to ISO 14230-3 service 18 (58, their number, then two bytes of code and one of status each).
 * @param payload the whole answer, beginning with 58.
 * @returns the codes, and by how many bytes the list differs from what its number announces.
 */
export function decodeOlderCodes(
  payload: readonly number[],
  unit: string,
): { codes: ReadCode[]; left: number } {
  const count = payload[1] ?? 0;
  const codes: ReadCode[] = [];
  for (let at = 2; at + 3 <= payload.length; at += 3) {
    const [high = 0, low = 0, older = 0] = payload.slice(at, at + 3);
    const statusByte = statusFromOlder(older);
    // A code whose storage says nothing is listed all the same: the unit would not name it for nothing.
    const state = stateOfStatus(statusByte) ?? 'history';
    codes.push({ code: decodeTroubleCode(high, low), state, unit, statusByte, olderStatus: older });
  }
  return { codes, left: Math.abs(payload.length - 2 - count * 3) };
}

/** A code as a unit of the older language sends it. */
export interface OlderCode {
  code: string;
  /** Status byte of ISO 14230-3. */
  status: number;
}

/** A positive answer to service 18: the inverse of {@link decodeOlderCodes}. */
export function encodeOlderCodes(codes: readonly OlderCode[]): number[] {
  return [0x58, codes.length, ...codes.flatMap((c) => [...encodeTroubleCode(c.code), c.status])];
}
