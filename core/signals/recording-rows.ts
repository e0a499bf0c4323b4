import {
  addSamples,
  durationOf,
  emptyRecording,
  type Channel,
  type Recording,
  type Sample,
} from './recording.ts';

/**
 * Recordings as rows of text, for CSV: the first column is `time [s]`, every other one a channel, headed by its name,
 * its unit and its id: `Engine speed [rpm] {0C}`. An empty cell is a channel that was not sampled at that moment.
 */
const TIME_HEADER = 'time [s]';
const HEADER = /^\s*(.*?)\s*(?:\[([^\]]*)\])?\s*(?:\{([^}]*)\})?\s*$/;

const headerOf = ({ name, unit, id }: Channel): string => `${name} [${unit}] {${id}}`;

/** Numbers with at most six digits after the point and no trailing noughts. */
const cell = (n: number): string => String(Math.round(n * 1e6) / 1e6);

/** The rows of a recording, header first; one for each moment at which anything was sampled. */
export function* recordingRows(recording: Recording): Generator<string[]> {
  const { channels, samples } = recording;
  yield [TIME_HEADER, ...channels.map(headerOf)];
  const lists = channels.map((c) => samples[c.id] ?? { times: [], values: [] });
  const at = lists.map(() => 0);
  for (;;) {
    let time = Infinity;
    lists.forEach((l, i) => {
      time = Math.min(time, l.times[at[i] ?? 0] ?? Infinity);
    });
    if (time === Infinity) return;
    yield [
      cell(time),
      ...lists.map((l, i) => {
        const index = at[i] ?? 0;
        if (l.times[index] !== time) return '';
        at[i] = index + 1;
        return cell(l.values[index] ?? 0);
      }),
    ];
  }
}

export interface RowProblem {
  /** Line of the file, 1 is the header. */
  line: number;
  why: string;
}

export interface RowsReport {
  rows: number;
  /** Rows of which nothing could be used. */
  badRows: number;
  /** Cells that are no number, though the rest of the row was used. */
  badCells: number;
  /** Rows whose time was there before; the first one counts. */
  duplicateTimes: number;
  /** Rows that went back in time; they are left out. */
  backwards: number;
  /** The first few, for showing. */
  problems: RowProblem[];
}

const SHOWN_PROBLEMS = 20;

/** No reading and no moment of a vehicle is larger; sums of what is larger would be no numbers any more. */
const LARGEST = 1e12;

/** Decimal comma or point, thousands not allowed; null for what is no number. */
function numberIn(text: string, hasDecimalComma: boolean): number | null {
  const plain = hasDecimalComma ? text.trim().replace(',', '.') : text.trim();
  if (!/^[+-]?(\d+\.?\d*|\.\d+)([eE][+-]?\d+)?$/.test(plain)) return null;
  const n = Number(plain);
  return Math.abs(n) <= LARGEST ? n : null;
}

/** Milliseconds and minutes are understood as well as seconds; what the column is headed by says which. */
function scaleOf(header: string): number | null {
  const text = header.toLowerCase();
  if (!/time|zeit|temps|^t\b|seconds/.test(text)) return null;
  if (/\bms\b|milli/.test(text)) return 0.001;
  return /\bmin\b|minutes/.test(text) ? 60 : 1;
}

/**
 * Reads rows of a recording one after the other, so that a file of any size can stream through. Nothing is dropped in
 * silence: what was not understood is counted, and the first of it is kept to be shown.
 */
export class RecordingRows {
  readonly recording: Recording;
  readonly report: RowsReport = {
    rows: 0,
    badRows: 0,
    badCells: 0,
    duplicateTimes: 0,
    backwards: 0,
    problems: [],
  };
  private channels: (Channel | null)[] = [];
  private timeColumn = -1;
  private scale = 1;
  private line = 0;
  private start: number | null = null;
  private last = -Infinity;

  /** @param hasDecimalComma as in files whose cells are separated by semicolons. */
  constructor(
    private readonly hasDecimalComma: boolean,
    startedAt: string,
  ) {
    this.recording = emptyRecording(startedAt);
  }

  /** Takes the next row. @returns false when it is a header without a time column: nothing can be read then. */
  push(row: readonly string[]): boolean {
    this.line++;
    if (this.timeColumn < 0) return this.header(row);
    if (row.every((c) => c.trim() === '')) return true;
    this.report.rows++;
    const time = numberIn(row[this.timeColumn] ?? '', this.hasDecimalComma);
    if (time === null) {
      this.bad(`“${row[this.timeColumn] ?? ''}” is no time.`);
      return true;
    }
    const seconds = time * this.scale;
    if (seconds === this.last) {
      this.report.duplicateTimes++;
      return true;
    }
    if (seconds < this.last) {
      this.report.backwards++;
      this.note('The time goes backwards.');
      return true;
    }
    this.last = seconds;
    this.start ??= seconds;
    this.samples(row, seconds - this.start);
    return true;
  }

  private header(row: readonly string[]): boolean {
    this.timeColumn = row.findIndex((text) => scaleOf(text) !== null);
    if (this.timeColumn < 0) return false;
    this.scale = scaleOf(row[this.timeColumn] ?? '') ?? 1;
    const used = new Set<string>();
    this.channels = row.map((text, i) => {
      if (i === this.timeColumn) return null;
      const [, name = '', unit = '', id = ''] = HEADER.exec(text) ?? [];
      // A spreadsheet's guard in front of a name that would be a formula is no part of it.
      const plain = name.replace(/^'(?=[=+\-@])/, '');
      const title = plain === '' ? `Column ${i + 1}` : plain;
      // Without an id of ours the name stands for it, so that the columns of other programs are traces too.
      let own = id === '' ? title : id;
      while (used.has(own)) own = `${own}'`;
      used.add(own);
      return { id: own, name: title, unit };
    });
    return true;
  }

  private samples(row: readonly string[], at: number): void {
    const samples: Sample[] = [];
    let filled = 0;
    this.channels.forEach((channel, i) => {
      const text = row[i]?.trim() ?? '';
      if (!channel || text === '') return;
      filled++;
      const value = numberIn(text, this.hasDecimalComma);
      if (value === null) {
        this.report.badCells++;
        this.note(`“${text}” in “${channel.name}” is no number.`);
      } else samples.push({ at, channel, value });
    });
    if (filled > 0 && samples.length === 0) this.report.badRows++;
    addSamples(this.recording, samples);
  }

  private bad(why: string): void {
    this.report.badRows++;
    this.note(why);
  }

  private note(why: string): void {
    if (this.report.problems.length < SHOWN_PROBLEMS) this.report.problems.push({ line: this.line, why });
  }

  /** Seconds read so far. */
  get seconds(): number {
    return durationOf(this.recording);
  }
}
