import { hexByte, signed, toHex, uintAt } from './bytes.ts';
import type { ReadValue } from './scan.ts';
import { round } from './unit-scaling.ts';
import type { Parameter, Part } from './parameter-shape.ts';
import { PARAMETERS } from './parameter-table.ts';

const BY_PID: ReadonlyMap<number, Parameter> = new Map(PARAMETERS.map((p) => [p.pid, p]));

/** PIDs whose four data bytes say which of the next 32 PIDs are supported. */
export function isSupportPid(pid: number): boolean {
  return pid % 0x20 === 0 && pid <= 0xe0;
}

/** Number of data bytes of a service 01 PID (SAE J1979 appendix B), or null when it is not described. */
export function parameterLength(pid: number): number | null {
  if (isSupportPid(pid) || pid === 0x01 || pid === 0x41) return 4;
  return BY_PID.get(pid)?.bytes ?? null;
}

/** Plain name of a service 01 PID, or null when it is not described. */
export function parameterName(pid: number): string | null {
  return BY_PID.get(pid)?.name ?? null;
}

/**
 * The PIDs that a support bitmap declares.
 * @param base the PID asked for (00, 20, 40 ...); bit 7 of the first byte stands for base + 1.
 */
export function supportedPids(base: number, bitmap: readonly number[]): number[] {
  const pids: number[] = [];
  bitmap.slice(0, 4).forEach((byte, i) => {
    for (let bit = 0; bit < 8; bit++) if (byte & (0x80 >> bit)) pids.push(base + i * 8 + bit + 1);
  });
  return pids;
}

/** The inverse of {@link supportedPids}: four bytes for the PIDs in base+1 .. base+32. */
export function supportBitmap(base: number, pids: Iterable<number>): number[] {
  const bytes = [0, 0, 0, 0];
  for (const pid of pids) {
    const n = pid - base - 1;
    if (n >= 0 && n < 32) bytes[n >> 3] = (bytes[n >> 3] ?? 0) | (0x80 >> (n & 7));
  }
  return bytes;
}

function partValue(part: Part, raw: number): number | string | null {
  if (part.notAvailable === raw) return null;
  if (part.names) return part.names[raw] ?? `reserved (${raw})`;
  const n = part.isSigned ? signed(raw, part.size) : raw;
  return round(n * part.scale + part.offset);
}

/**
 * Decodes the data bytes of one service 01 or 02 parameter (SAE J1979 appendix B).
 * @returns one entry for each part. A part whose support bit is clear, or whose raw number the standard
 * reserves for "not available", has the value null. Parts beyond the bytes received are left out.
 */
export function decodeParameter(
  service: string,
  pid: number,
  bytes: readonly number[],
  source: string,
): ReadValue[] {
  const found = BY_PID.get(pid);
  const key = hexByte(pid);
  if (!found) {
    return [{ service, pid: key, name: `Reading ${key}`, value: null, unit: '', source, raw: toHex(bytes) }];
  }
  const rows: ReadValue[] = [];
  for (const part of found.parts) {
    const whole = uintAt(bytes, part.at, part.size);
    if (whole === null) continue;
    const raw = part.mask === undefined ? whole : (whole & part.mask) >> part.shift;
    const isPresent = part.supportBit === undefined || ((bytes[0] ?? 0) & (1 << part.supportBit)) !== 0;
    const value = isPresent ? partValue(part, raw) : null;
    const { unit } = part;
    // Written out twice: with a part that is spread in, a row takes ten times as long, and a running picture makes hundreds a second.
    if (part.part === undefined) rows.push({ service, pid: key, name: found.name, value, unit, source, raw });
    else
      rows.push({
        service,
        pid: key,
        part: part.part,
        name: `${found.name}, ${part.part}`,
        value,
        unit,
        source,
        raw,
      });
  }
  return rows;
}

/**
 * Raw data bytes for a parameter from values in its own unit; the inverse of {@link decodeParameter}.
 * @param values one number for each part in table order; an enumeration takes its raw number; null writes "not available".
 * @throws RangeError for a PID that is not in the table.
 */
export function encodeParameter(pid: number, values: readonly (number | null)[]): number[] {
  const found = BY_PID.get(pid);
  if (!found) throw new RangeError(`PID ${pid.toString(16)} is not in the table`);
  const bytes = Array<number>(found.bytes).fill(0);
  found.parts.forEach((part, i) => {
    const value = values[i] ?? null;
    let raw: number;
    if (value === null) raw = part.notAvailable ?? 0;
    else if (part.names) raw = value;
    else raw = Math.round((value - part.offset) / part.scale);
    const max = part.mask === undefined ? 2 ** (part.size * 8) : (part.mask >> part.shift) + 1;
    if (part.isSigned) raw = Math.max(-max / 2, Math.min(max / 2 - 1, raw));
    else raw = Math.max(0, Math.min(max - 1, raw));
    if (raw < 0) raw += max;
    if (value !== null && part.supportBit !== undefined) bytes[0] = (bytes[0] ?? 0) | (1 << part.supportBit);
    const shifted = part.mask === undefined ? raw : raw << part.shift;
    for (let b = 0; b < part.size; b++) {
      const at = part.at + b;
      bytes[at] = (bytes[at] ?? 0) | (Math.floor(shifted / 256 ** (part.size - 1 - b)) & 0xff);
    }
  });
  return bytes;
}
