import { hexByte } from './bytes.ts';
import { parameterLength } from './parameters.ts';
import { encodeTroubleCode } from './trouble-code.ts';
import { readStatusCode, type StatusCode } from './uds.ts';
import type { ReadCode } from './scan.ts';

/**
 * The newest cars answer the standard's questions by ISO 14229 alone (SAE J1979-2; ISO 27145 on heavy ones): a parameter xx of
 * service 01 has become identifier F4xx, an information type xx of service 09 F8xx, both under service 22; codes come by
 * 19 42 for the emission group, permanent ones by 19 55, and 14 FFFF33 erases the group.
 */
const DID_PAGES: Readonly<Record<number, number>> = { 0x01: 0xf4, 0x09: 0xf8 };

/** Functional group identifier of the emission related systems. */
const GROUP = 0x33;
/** Which codes: status bits "pending" and "confirmed"; every severity. */
const [WANTED_STATUS, EVERY_SEVERITY] = [0x0c, 0xff];

const hex = (bytes: readonly number[]): string => bytes.map(hexByte).join('');

/** What is sent in place of services 03 and 07 together, of 0A, and of 04. */
export const NEWER_REQUESTS = {
  codes: hex([0x19, 0x42, GROUP, WANTED_STATUS, EVERY_SEVERITY]),
  permanent: hex([0x19, 0x55, GROUP]),
  clear: hex([0x14, 0xff, 0xff, GROUP]),
} as const;

/** Identifiers in one request: seven bytes hold the service and three of them. */
export const NEWER_GROUP = 3;

/**
 * The request that asks a newer car what services 01 and 09 asked.
 * @param request bytes in hexadecimal digits, service first.
 * @returns null where nothing is known to correspond.
 */
export function toNewerRequest(request: string): string | null {
  const page = DID_PAGES[Number.parseInt(request.slice(0, 2), 16)];
  if (page === undefined) return null;
  return `22${(request.slice(2).match(/../g) ?? []).map((pid) => `${hexByte(page)}${pid}`).join('')}`;
}

/** The inverse of {@link toNewerRequest}; null for identifiers of another page, or of two pages at once. */
export function fromNewerRequest(request: readonly number[]): number[] | null {
  const pages = request.filter((_, i) => i % 2 === 1);
  const service = Object.entries(DID_PAGES).find(([, page]) => pages.every((p) => p === page))?.[0];
  if (request[0] !== 0x22 || pages.length === 0 || service === undefined) return null;
  return [Number(service), ...request.filter((_, i) => i > 0 && i % 2 === 0)];
}

/**
 * An answer of service 22 as services 01 and 09 would have put it, so that one decoder serves both. Only parameters of known
 * length can be told apart in one answer.
 * @returns null when it is no answer of that kind; what follows an identifier of another page is left out.
 */
export function fromNewerAnswer(payload: readonly number[]): number[] | null {
  const [first, page] = payload;
  if (first !== 0x62) return null;
  // Information types come alone; services 09 put the number of items before what they tell, these do not.
  if (page === DID_PAGES[0x09]) {
    const type = payload[2] ?? 0;
    const isList = type % 0x20 === 0;
    return [0x49, type, ...(isList ? [] : [1]), ...payload.slice(3)];
  }
  if (page !== DID_PAGES[0x01]) return null;
  const bytes = [0x41];
  for (let at = 1; at + 2 <= payload.length && payload[at] === page;) {
    const pid = payload[at + 1] ?? 0;
    const length = at === 1 ? (parameterLength(pid) ?? payload.length - 3) : parameterLength(pid);
    if (length === null) break;
    bytes.push(pid, ...payload.slice(at + 2, at + 2 + length));
    at += 2 + length;
  }
  return bytes;
}

/** The inverse of {@link fromNewerAnswer}, for the stand-in: one parameter or information type after the other. */
export function toNewerAnswer(payload: readonly number[]): number[] {
  const [first = 0, type = 0] = payload;
  const page = DID_PAGES[first - 0x40] ?? 0;
  if (first === 0x49) return [0x62, page, type, ...payload.slice(type % 0x20 === 0 ? 2 : 3)];
  const bytes = [0x62];
  for (let at = 1; at < payload.length;) {
    const pid = payload[at] ?? 0;
    const length = parameterLength(pid) ?? payload.length - at - 1;
    bytes.push(page, pid, ...payload.slice(at + 1, at + 1 + length));
    at += 1 + length;
  }
  return bytes;
}

/** Bytes before the first code, and of each: severity, code and status; permanent ones have no severity. */
const SHAPES = { 0x42: { head: 6, size: 5, skip: 1 }, 0x55: { head: 5, size: 4, skip: 0 } } as const;

/**
 * Codes of a positive answer to 19 42 or 19 55 (ISO 14229-1: 59, kind, group, availability mask, severity mask for 42, format,
 * then the codes).
 * @returns the codes, and how many bytes were left over at the end; null when it is no such answer.
 */
export function decodeNewerCodes(
  payload: readonly number[],
  unit: string,
): { codes: ReadCode[]; left: number; isPermanent: boolean } | null {
  const kind = payload[1];
  if (payload[0] !== 0x59 || (kind !== 0x42 && kind !== 0x55) || payload[2] !== GROUP) return null;
  const isPermanent = kind === 0x55;
  const { head, size, skip } = SHAPES[kind];
  const codes: ReadCode[] = [];
  let at = head;
  for (; at + size <= payload.length; at += size) {
    const bytes = payload.slice(at + skip, at + size);
    // A permanent code is one, whatever its status says.
    const code = readStatusCode(bytes, unit, isPermanent ? 'permanent' : undefined);
    if (code) codes.push(code);
  }
  return { codes, left: Math.max(0, payload.length - at) + (payload.length < head ? 1 : 0), isPermanent };
}

/** A positive answer to 19 42 or 19 55: the inverse of {@link decodeNewerCodes}. Every code with "check at next halt". */
export function encodeNewerCodes(kind: 'stored' | 'permanent', codes: readonly StatusCode[]): number[] {
  const isPermanent = kind === 'permanent';
  const format = 0x04;
  return [
    0x59,
    isPermanent ? 0x55 : 0x42,
    GROUP,
    0xff,
    ...(isPermanent ? [] : [0xff]),
    format,
    ...codes.flatMap((c) => [
      ...(isPermanent ? [] : [0x40]),
      ...encodeTroubleCode(c.code),
      Number.parseInt(c.failureType, 16),
      c.status,
    ]),
  ];
}
