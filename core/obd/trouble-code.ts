import { hexByte } from './bytes.ts';

/** First letters in the order of the two top bits (SAE J2012: 00 P, 01 C, 10 B, 11 U). */
const LETTERS = ['P', 'C', 'B', 'U'] as const;

/** A well-formed five-character trouble code, e.g. `P0302`. */
export const TROUBLE_CODE = /^[PCBU][0-3][0-9A-F]{3}$/;

/** The same within a text, in any case; not inside a longer word or number, for part numbers and plates are no codes. */
export const TROUBLE_CODE_IN_TEXT = new RegExp(
  `(?<![A-Z0-9-])(${TROUBLE_CODE.source.slice(1, -1)})(?![A-Z0-9])`,
  'gi',
);

/**
 * Trouble code of two bytes (SAE J2012 / ISO 15031-6).
 * @returns for example `P0143` for 01 43.
 */
export function decodeTroubleCode(high: number, low: number): string {
  const letter = LETTERS[(high >> 6) & 0b11] ?? 'P';
  return `${letter}${(high >> 4) & 0b11}${(high & 0x0f).toString(16).toUpperCase()}${hexByte(low)}`;
}

/**
 * The two bytes of a trouble code; the inverse of {@link decodeTroubleCode}.
 * @throws RangeError when the text is not a well-formed code.
 */
export function encodeTroubleCode(code: string): [number, number] {
  if (!TROUBLE_CODE.test(code)) throw new RangeError(`Not a trouble code: ${code}`);
  const letter = LETTERS.indexOf(code[0] as (typeof LETTERS)[number]);
  const high = (letter << 6) | (Number(code[1]) << 4) | Number.parseInt(code[2] ?? '0', 16);
  return [high, Number.parseInt(code.slice(3), 16)];
}
