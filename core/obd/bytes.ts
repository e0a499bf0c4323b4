/** Every byte as two digits: each line of an answer is written and read by them. */
const HEX_BYTES = Array.from({ length: 0x100 }, (_, byte) =>
  byte.toString(16).toUpperCase().padStart(2, '0'),
);

/** Two upper-case hexadecimal digits for one byte. */
export function hexByte(byte: number): string {
  return HEX_BYTES[byte] ?? byte.toString(16).toUpperCase();
}

/** Hexadecimal text without separators, upper case. */
export function toHex(bytes: readonly number[]): string {
  return bytes.map(hexByte).join('');
}

const SPACE = 0x20;

/** What a hexadecimal digit is worth, by its character; -1 where it is none. */
const HEX_DIGITS = Int8Array.from({ length: 0x80 }, (_, char) =>
  '0123456789abcdef'.indexOf(String.fromCharCode(char).toLowerCase()),
);

/**
 * Bytes of a hexadecimal text; spaces between digits are ignored.
 * @returns null when a character is not hexadecimal or a digit is left over.
 */
export function fromHex(text: string): number[] | null {
  const bytes: number[] = [];
  let high: number | null = null;
  for (let i = 0; i < text.length; i++) {
    const char = text.charCodeAt(i);
    const digit = HEX_DIGITS[char] ?? -1;
    if (digit >= 0) {
      if (high === null) high = digit;
      else {
        bytes.push(high * 16 + digit);
        high = null;
      }
    } else if (char !== SPACE && !/\s/.test(text.charAt(i))) return null;
  }
  return high === null ? bytes : null;
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
