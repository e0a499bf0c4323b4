import { decodeTroubleCode, encodeTroubleCode } from './trouble-code.ts';
import { hexByte } from './bytes.ts';
import type { CodeState, ReadCode } from './scan.ts';

/** Bits of the ISO 14229-1 DTC status byte, bit 0 first. */
export const STATUS_BITS = [
  'testFailed',
  'testFailedThisOperationCycle',
  'pendingDTC',
  'confirmedDTC',
  'testNotCompletedSinceLastClear',
  'testFailedSinceLastClear',
  'testNotCompletedThisOperationCycle',
  'warningIndicatorRequested',
] as const;
export type StatusBit = (typeof STATUS_BITS)[number];

/** The names of the bits that are set. */
export function statusBits(status: number): StatusBit[] {
  return STATUS_BITS.filter((_, bit) => (status & (1 << bit)) !== 0);
}

/**
 * Our one state for a status byte. A confirmed code whose test does not fail now and which was not
 * pending, not failed since clear and asks for no lamp is history; so is one that only failed once since clear.
 * @returns null when no bit says that the test ever failed (only "not completed" bits, or none).
 */
export function stateOfStatus(status: number): CodeState | null {
  const is = (bit: number) => (status & (1 << bit)) !== 0;
  if (is(3)) return 'confirmed';
  if (is(2) || is(0) || is(1)) return 'pending';
  if (is(5) || is(7)) return 'history';
  return null;
}

/**
 * A code of four bytes: two of code, its failure type, its status (ISO 14229-1).
 * @param state by its status where nothing else is known. @returns null when no bit says that the test ever failed.
 */
export function readStatusCode(
  bytes: readonly number[],
  unit: string,
  state: CodeState | null = stateOfStatus(bytes[3] ?? 0),
): ReadCode | null {
  const [high = 0, low = 0, failure = 0, status = 0] = bytes;
  return (
    state && {
      code: decodeTroubleCode(high, low),
      state,
      unit,
      statusByte: status,
      failureType: hexByte(failure),
    }
  );
}

/**
 * Codes of a positive answer to ISO 14229-1 service 19 02 (59 02 availability mask, then 4 bytes a code).
 * @param payload the whole answer, beginning with 59.
 * @returns the codes, and how many bytes were left over at the end.
 */
export function decodeDtcByStatus(
  payload: readonly number[],
  unit: string,
): { codes: ReadCode[]; left: number } {
  const codes: ReadCode[] = [];
  let at = 3;
  for (; at + 4 <= payload.length; at += 4) {
    const code = readStatusCode(payload.slice(at, at + 4), unit);
    if (code) codes.push(code);
  }
  return { codes, left: Math.max(0, payload.length - at) };
}

/** A code to be sent with its failure type and status byte. */
export interface StatusCode {
  code: string;
  /** Two hexadecimal digits. */
  failureType: string;
  status: number;
}

/** A positive answer to service 19 02: the inverse of {@link decodeDtcByStatus}. */
export function encodeDtcByStatus(codes: readonly StatusCode[]): number[] {
  return [
    0x59,
    0x02,
    0xff,
    ...codes.flatMap((c) => [...encodeTroubleCode(c.code), Number.parseInt(c.failureType, 16), c.status]),
  ];
}

/** What a status byte says, in the owner's words, most important first (ISO 14229-1, annex D). */
export function statusWords(status: number): string[] {
  const is = (bit: number) => (status & (1 << bit)) !== 0;
  return [
    ...(is(7) ? ['holds a light on'] : []),
    ...(is(0) ? ['fails now'] : is(1) ? ['failed this trip'] : []),
    ...(is(5) && !is(0) && !is(1) ? ['failed since the last clear'] : []),
    ...(is(3) && !is(0) && !is(1) && !is(2) ? ['stored, not failing now'] : []),
    ...(is(6) ? ['its check has not run this trip'] : []),
    ...(is(4) ? ['its check has not run since the last clear'] : []),
  ];
}
