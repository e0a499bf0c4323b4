/** Two upper-case hexadecimal digits for one byte. */
export function hexByte(byte: number): string {
  return byte.toString(16).toUpperCase().padStart(2, '0');
}

/** Hexadecimal text without separators, upper case. */
export function toHex(bytes: readonly number[]): string {
  return bytes.map(hexByte).join('');
}

/**
 * Bytes of a hexadecimal text; spaces between digits are ignored.
 * @returns null when a character is not hexadecimal or a digit is left over.
 */
export function fromHex(text: string): number[] | null {
  const digits = text.replace(/\s+/g, '');
  if (digits.length % 2 !== 0 || !/^[0-9A-Fa-f]*$/.test(digits)) return null;
  const bytes: number[] = [];
  for (let i = 0; i < digits.length; i += 2) bytes.push(Number.parseInt(digits.slice(i, i + 2), 16));
  return bytes;
}

/** Unsigned big-endian integer of `size` bytes at `at`, or null when the bytes are not all there. */
export function uintAt(bytes: readonly number[], at: number, size: number): number | null {
  if (at + size > bytes.length) return null;
  let value = 0;
  for (let i = 0; i < size; i++) value = value * 256 + (bytes[at + i] ?? 0);
  return value;
}

/** Two's complement reading of an unsigned integer of `size` bytes. */
export function signed(value: number, size: number): number {
  const half = 2 ** (size * 8 - 1);
  return value >= half ? value - 2 * half : value;
}

/** Printable ASCII of the bytes; padding and control bytes are dropped. */
export function asciiText(bytes: readonly number[]): string {
  return bytes
    .filter((b) => b >= 0x20 && b < 0x7f)
    .map((b) => String.fromCharCode(b))
    .join('')
    .trim();
}
