import { readFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { assess } from '@pincer/core/assess';
import { entrySchema, importProblemWords, readCaseFile, writeCaseFile } from '@pincer/core/case';
import { readMakerList } from '@pincer/core/codes';
import { CandumpValues, decodeFileText } from '@pincer/core/link';
import {
  RecordingRows,
  addSamples,
  channelOf,
  numberOf,
  windowsOf,
  type EngineFacts,
} from '@pincer/core/signals';
import { seededRandom } from '@pincer/simulator';
import type { Campaign } from './campaign.ts';
import { chosen, chosenAt, type Random } from './chance.ts';

const CASE = readFileSync(
  fileURLToPath(new URL('../docs/examples/wet-morning.case.json', import.meta.url)),
  'utf8',
);
const CSV = `time [s],Engine speed [rpm] {0C},=HYPERLINK("x"),constructor,__proto__,Coolant [°C] {05}
${Array.from({ length: 60 }, (_, i) => `${i / 2},${800 + i},${-i},${i},${i},${60 + i}`).join('\n')}`;
const CANDUMP = Array.from(
  { length: 60 },
  (_, i) => `(${1_600_000_000 + i / 10}) can0 7E8#04410C${(0x1af8 + i).toString(16).toUpperCase()}000000`,
).join('\n');
const SESSION =
  '>ATZ\nSTAND-IN v1.0\n>ATH1\nOK\n>03\n7E8 04 43 01 03 02\n>0902\n7E8 10 14 49 02 01 5A 5A 39\n>';
const LIST = 'Code;Text\nP1234;Something of the maker\nP1ABC;Something else\n';

const ENGINE: EngineFacts = {
  displacementLitres: 1.4,
  cylinders: 4,
  isDiesel: false,
  isMotorcycle: false,
  heightM: null,
};

/** Values that are legal somewhere and welcome nowhere. */
const ODD = [
  'constructor',
  '__proto__',
  'toString',
  '1e308',
  '-1e308',
  '1e999',
  'NaN',
  'null',
  'true',
  '[]',
  '{}',
  '"/ ? # %"',
  '"=1+1"',
  '\u0000',
  '\uFEFF',
  '\uD800',
  '\r\r\n',
  '-9007199254740993',
  '"2026-02-30T25:61:00Z"',
];

/** One change of a text, as disks, editors, mail programs and people make them. */
const CHANGES: readonly ((text: string, random: Random) => string)[] = [
  (t, r) => t.slice(0, chosenAt(r, t.length)),
  (t, r) => t.slice(chosenAt(r, t.length)),
  (t, r) => put(t, chosenAt(r, t.length), chosen(r, ODD), 0),
  (t, r) => put(t, chosenAt(r, t.length), chosen(r, ODD), 1 + chosenAt(r, 12)),
  (t, r) => put(t, chosenAt(r, t.length), String.fromCharCode(chosenAt(r, 0x300)), 1),
  (t, r) =>
    t.replace(chosen(r, [/:\s*"[^"]*"/, /:\s*-?\d[\d.]*/, /"[a-zA-Z]+":/]), () => `: ${chosen(r, ODD)}`),
  (t, r) => someNumber(t, r, chosen(r, ['1e308', '-1', '0', '99999999999999999999', '1e999', '"7"'])),
  (t, r) => someString(t, r, chosen(r, ODD).replaceAll('"', '')),
  (t) => `\uFEFF${t}`,
  (t) => t.replaceAll('\n', '\r\n'),
  (t, r) => t.repeat(1 + chosenAt(r, 3)),
  (t, r) => t + '['.repeat(chosenAt(r, 30_000)),
  (t, r) => '['.repeat(chosenAt(r, 3_000)) + t,
  (t, r) => nested(t, 50 + chosenAt(r, 5_000)),
  (t) => t.split('').reverse().join(''),
  (_, r) =>
    Array.from({ length: chosenAt(r, 400) }, () => String.fromCharCode(chosenAt(r, 0x10000))).join(''),
];

const put = (text: string, at: number, what: string, instead: number) =>
  text.slice(0, at) + what + text.slice(at + instead);
/** Replaces one of the numbers, or one of the strings, of a text. */
function someMatch(text: string, random: Random, pattern: RegExp, by: string): string {
  const all = [...text.matchAll(pattern)];
  const one = all[chosenAt(random, Math.max(1, all.length))];
  return one ? put(text, one.index, by, one[0].length) : text;
}
const someNumber = (text: string, random: Random, by: string) =>
  someMatch(text, random, /(?<=[:,\s])-?\d+(\.\d+)?(?=[,\s}\]])/g, by);
const someString = (text: string, random: Random, by: string) =>
  someMatch(text, random, /(?<=: ")[^"]*(?=")/g, by);
/** A field that nobody knows, nested deeper than anything. */
const nested = (text: string, depth: number) =>
  text.replace('{', `{"x": ${'['.repeat(depth)}${']'.repeat(depth)},`);

/** What each reader must be able to do with whatever it is given; a sentence for when it cannot. */
const READERS: Readonly<Record<string, { sound: string; read: (text: string) => string | null }>> = {
  case: {
    sound: CASE,
    read: (text) => {
      const read = readCaseFile(text);
      if (!read.ok) return /\.$/.test(importProblemWords(read.problem)) ? null : 'refused without a sentence';
      const { file } = read;
      if (file.case.entries.some((e) => !entrySchema.safeParse(e).success))
        return 'took in what it cannot keep';
      const again = readCaseFile(writeCaseFile(file.case, file.vehicle, file.exportedAt));
      if (!again.ok) return 'wrote what it cannot read';
      const { allowance } = assess(file.case, file.vehicle, new Date('2026-11-20T12:00:00Z'));
      return allowance.title === '' ? 'an assessment without words' : null;
    },
  },
  recording: {
    sound: CSV,
    read: (text) => {
      const rows = new RecordingRows(false, '2026-11-03T06:00:00.000Z');
      for (const line of text.split('\n')) if (!rows.push(line.split(','))) return null;
      const windows = windowsOf(rows.recording, ENGINE);
      return JSON.stringify(windows).includes('null') && windows.some((w) => hasNoNumber(w))
        ? 'a figure that is no number'
        : null;
    },
  },
  candump: {
    sound: CANDUMP,
    read: (text) => {
      const log = new CandumpValues();
      const recording = new RecordingRows(false, '2026-11-03T06:00:00.000Z').recording;
      for (const line of text.split('\n'))
        addSamples(
          recording,
          log.push(line).flatMap(({ at, value }) => {
            const [channel, n] = [channelOf(value), numberOf(value)];
            return channel && n !== null ? [{ at, channel, value: n }] : [];
          }),
        );
      return log.report.problems.length > 50 ? 'a list of bad lines that grows with them' : null;
    },
  },
  session: {
    sound: SESSION,
    read: (text) => {
      const scan = decodeFileText(text);
      return scan.errors.length > 2_000 ? 'a list of errors that grows with the file' : null;
    },
  },
  list: {
    sound: LIST,
    read: (text) => {
      const list = readMakerList(text.split('\n').map((l) => l.split(';')));
      return Object.getPrototypeOf(list.codes) !== Object.prototype &&
        Object.getPrototypeOf(list.codes) !== null
        ? 'a list whose nature a name in it has changed'
        : null;
    },
  },
};

const hasNoNumber = (value: unknown): boolean =>
  typeof value === 'number'
    ? !Number.isFinite(value)
    : typeof value === 'object' && value !== null && Object.values(value).some(hasNoNumber);

/** Mutated files of every kind: each is taken in as something that can be kept, or refused with a sentence. */
export const FILES: Campaign = {
  id: 'files',
  title: 'Files that were cut, mangled or made to hurt',
  full: 1_000,
  short: 60,
  run: (seed) => {
    const random = seededRandom(seed);
    const kind = chosen(random, Object.keys(READERS));
    const reader = READERS[kind];
    if (!reader) return Promise.resolve({ seed, problem: 'no reader' });
    let text = reader.sound;
    for (let n = 1 + chosenAt(random, 3); n > 0; n--) text = chosen(random, CHANGES)(text, random);
    const problem = reader.read(text);
    return Promise.resolve({ seed, problem: problem === null ? null : `${kind}: ${problem}` });
  },
};
