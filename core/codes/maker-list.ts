import { TROUBLE_CODE } from '@pincer/core/obd';
import { scopeOf } from './explain.ts';

export interface MakerListResult {
  /** Text by code. */
  codes: Record<string, string>;
  /** Rows that were not taken, with their line from 1 and the reason. */
  problems: { line: number; text: string; why: string }[];
}

const MAX_TEXT = 300;

/**
 * Reads an owner's list of maker's codes, from rows of cells as a CSV reader gives them: code, text. A heading is
 * recognised and passed over. Codes of the standard are not taken: their meaning is public and not the maker's.
 * Nothing is dropped in silence.
 */
export function readMakerList(rows: readonly (readonly string[])[]): MakerListResult {
  const result: MakerListResult = { codes: {}, problems: [] };
  rows.forEach((row, index) => {
    const cells = row.map((c) => c.trim());
    if (cells.every((c) => c === '')) return;
    const line = index + 1;
    const shown = cells.join(', ').slice(0, 60);
    const refuse = (why: string) => result.problems.push({ line, text: shown, why });
    const code = (cells[0] ?? '').toUpperCase().replace(/[\s-]/g, '');
    const text = cells
      .slice(1)
      .filter((c) => c !== '')
      .join(', ');
    if (index === 0 && !TROUBLE_CODE.test(code) && /code|dtc|fault/i.test(cells[0] ?? '')) return;
    if (!TROUBLE_CODE.test(code)) return refuse('the first cell is not a code');
    if (text === '') return refuse('no text beside the code');
    if (text.length > MAX_TEXT) return refuse(`the text is longer than ${MAX_TEXT} characters`);
    if (scopeOf(code) === 'standard') return refuse('a standard code, not a manufacturer’s');
    const known = result.codes[code];
    if (known !== undefined && known !== text)
      return refuse(`the code appears twice; the first text is kept`);
    result.codes[code] = text;
    return undefined;
  });
  return result;
}
