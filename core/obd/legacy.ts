/** A message of the three-byte-header protocols (SAE J1850, ISO 9141-2, ISO 14230-4). */
export interface LegacyMessage {
  /** The answering control unit: third header byte, two hexadecimal digits. */
  source: string;
  payload: number[];
  isChecksumRight: boolean;
}

/** ISO 9141-2 and ISO 14230 checksum: the sum of all bytes modulo 256. */
export function sumChecksum(bytes: readonly number[]): number {
  return bytes.reduce((sum, b) => (sum + b) & 0xff, 0);
}

/** SAE J1850 CRC-8: polynomial 1D, start FF, inverted. */
export function crcChecksum(bytes: readonly number[]): number {
  let crc = 0xff;
  for (const byte of bytes) {
    crc ^= byte;
    for (let i = 0; i < 8; i++) crc = crc & 0x80 ? ((crc << 1) ^ 0x1d) & 0xff : (crc << 1) & 0xff;
  }
  return crc ^ 0xff;
}

/** Length of the header: three bytes, or four when ISO 14230 puts the length in a byte of its own. */
function headerLength(bytes: readonly number[]): number {
  const format = bytes[0] ?? 0;
  return format >= 0x80 && (format & 0x3f) === 0 ? 4 : 3;
}

/**
 * Whether the bytes begin like an answer with a header of the older protocols: 48 6B xx or 41 6B xx
 * (J1850, ISO 9141-2), or a format byte with the length and F1 for the tool (ISO 14230-4).
 * 41 6B also begins a headerless answer, so there the checksum has to agree.
 */
export function hasLegacyHeader(bytes: readonly number[]): boolean {
  const [a = 0, b = 0] = bytes;
  if (bytes.length < 5) return false;
  if (a === 0x48 && b === 0x6b) return true;
  if (a === 0x41 && b === 0x6b) return checksumAgrees(bytes);
  if (a < 0x80 || b !== 0xf1) return false;
  const length = headerLength(bytes) === 4 ? (bytes[3] ?? 0) : a & 0x3f;
  return length > 0 && bytes.length >= length + headerLength(bytes);
}

function checksumAgrees(bytes: readonly number[]): boolean {
  const body = bytes.slice(0, -1);
  const check = bytes[bytes.length - 1];
  return check === sumChecksum(body) || ((bytes[0] ?? 0) < 0x80 && check === crcChecksum(body));
}

/** Splits header, data and checksum; either checksum rule is accepted, since the header does not say which holds. */
export function decodeLegacy(bytes: readonly number[]): LegacyMessage {
  const start = headerLength(bytes);
  return {
    source: (bytes[2] ?? 0).toString(16).toUpperCase().padStart(2, '0'),
    payload: bytes.slice(start, -1),
    isChecksumRight: checksumAgrees(bytes),
  };
}

/** Header, data and sum checksum as sent by an ISO 9141-2 control unit. */
export function encodeLegacy(source: number, payload: readonly number[]): number[] {
  const body = [0x48, 0x6b, source, ...payload];
  return [...body, sumChecksum(body)];
}
