import { importProblemWords, readCaseFile } from '@pincer/core/case';
import { decodeFileText, isNothingFound } from '@pincer/core/link';
import { json, readText, type Output } from './output.ts';

interface Verdict {
  file: string;
  valid: boolean;
  kind: 'case' | 'bus-log' | 'unknown';
  problems: { message: string; line?: number }[];
}

/** Says whether Pincer can read a file, and if not, where it breaks. */
export async function validateFile(path: string, asJson: boolean, out: Output): Promise<number> {
  const verdict = judgeText(path, await readText(path));
  if (asJson) out.log(json(verdict));
  else if (verdict.valid)
    out.log(`${path}: a valid ${verdict.kind === 'case' ? 'case file' : 'log of a vehicle’s answers'}.`);
  for (const p of verdict.problems) {
    const place = p.line === undefined ? '' : `:${p.line}`;
    if (!asJson || !verdict.valid) out.error(`${path}${place}: ${p.message}`);
  }
  return verdict.valid ? 0 : 2;
}

function judgeText(file: string, text: string): Verdict {
  if (/^\s*[{[]/.test(text)) {
    const read = readCaseFile(text);
    return read.ok
      ? {
          file,
          valid: true,
          kind: 'case',
          problems: read.newer.map(() => ({ message: 'an entry of a newer Pincer, not understood here' })),
        }
      : { file, valid: false, kind: 'case', problems: [{ message: importProblemWords(read.problem) }] };
  }
  const reading = decodeFileText(text);
  const isEmpty = isNothingFound(reading);
  return {
    file,
    valid: !isEmpty,
    kind: isEmpty ? 'unknown' : 'bus-log',
    problems: reading.errors.map((e) => ({
      message: e.message,
      ...(e.line === undefined ? {} : { line: e.line }),
    })),
  };
}
