import { expose } from 'comlink';
import Papa from 'papaparse';
import { CandumpValues } from '@pincer/core/link';
import {
  RecordingRows,
  addSamples,
  channelOf,
  countOf,
  downsample,
  durationOf,
  emptyRecording,
  indexAt,
  numberOf,
  recordingRows,
  statOf,
  windowsOf,
  type Channel,
  type EngineFacts,
  type Mark,
  type Recording,
  type Stat,
  type StoredWindow,
} from '@pincer/core/signals';
import { loadRecording, saveChunk, saveMeta, type RecordingMeta } from '../storage/recordings.ts';

export interface OpenedRecording {
  channels: Channel[];
  seconds: number;
  samples: number;
  marks: Mark[];
}

export interface TracePoints {
  times: number[];
  values: number[];
}

export type ImportOutcome =
  | {
      ok: true;
      id: string;
      seconds: number;
      samples: number;
      channels: Channel[];
      windows: StoredWindow[];
      report: {
        rows: number;
        bad: number;
        duplicateTimes: number;
        problems: { line: number; why: string }[];
      };
      isStopped: boolean;
    }
  | { ok: false; why: string; next: string };

/** What a spreadsheet would take for a formula: text that begins so, and is no number. */
const FORMULA = /^[=@\t\r]|^[+-](?![\d.,])/;

/** Rows or lines in one piece of a stored recording. */
const CHUNK_SAMPLES = 200_000;

const opened = new Map<string, Recording>();
let isStopped = false;

async function recordingOf(id: string): Promise<Recording | null> {
  const known = opened.get(id);
  if (known) return known;
  const loaded = await loadRecording(id);
  if (loaded) opened.set(id, loaded);
  return loaded;
}

/** Stores a whole recording in pieces, closed. */
async function store(meta: RecordingMeta, recording: Recording): Promise<void> {
  let current: RecordingMeta = { ...meta, channels: recording.channels, marks: recording.marks, chunks: 0 };
  await saveMeta(current);
  for (const channel of recording.channels) {
    const samples = recording.samples[channel.id];
    if (!samples) continue;
    for (let from = 0; from < samples.times.length; from += CHUNK_SAMPLES) {
      const piece = (of: readonly number[]) => Float64Array.from(of.slice(from, from + CHUNK_SAMPLES));
      current = await saveChunk(current, {
        [channel.id]: { times: piece(samples.times), values: piece(samples.values) },
      });
    }
  }
}

/** Reads a CSV file piece by piece. */
function readCsv(
  file: File,
  onProgress: (share: number) => void,
): Promise<{ rows: RecordingRows; isStopped: boolean } | { why: string }> {
  return new Promise((resolve) => {
    let rows: RecordingRows | null = null;
    let isUnreadable = false;
    Papa.parse<string[]>(file, {
      skipEmptyLines: true,
      chunkSize: 1024 * 1024,
      chunk: ({ data, meta }, parser) => {
        // Where cells are parted by semicolons the comma is the decimal sign.
        rows ??= new RecordingRows(meta.delimiter === ';', new Date(file.lastModified).toISOString());
        for (const row of data) {
          if (rows.push(row)) continue;
          isUnreadable = true;
          parser.abort();
          return;
        }
        onProgress(Math.min(1, meta.cursor / Math.max(1, file.size)));
        if (isStopped) parser.abort();
      },
      complete: () => {
        if (isUnreadable || !rows) resolve({ why: 'Its first row has no time column, such as “time [s]”.' });
        else resolve({ rows, isStopped });
      },
      error: (error) => resolve({ why: error.message }),
    });
  });
}

/** Reads a candump log piece by piece. */
async function readCandump(
  file: File,
  onProgress: (share: number) => void,
): Promise<{ recording: Recording; log: CandumpValues }> {
  const log = new CandumpValues();
  const recording = emptyRecording(new Date(file.lastModified).toISOString());
  const reader = file.stream().pipeThrough(new TextDecoderStream()).getReader();
  let rest = '';
  let read = 0;
  const take = (line: string) => {
    addSamples(
      recording,
      log.push(line).flatMap(({ at, value }) => {
        const channel = channelOf(value);
        const n = numberOf(value);
        return channel && n !== null ? [{ at, channel, value: n }] : [];
      }),
    );
  };
  for (;;) {
    const { done, value } = await reader.read();
    if (done || isStopped) break;
    read += value.length;
    const lines = (rest + value).split(/\r\n|\r|\n/);
    rest = lines.pop() ?? '';
    lines.forEach(take);
    onProgress(Math.min(1, read / Math.max(1, file.size)));
  }
  if (rest !== '' && !isStopped) take(rest);
  return { recording, log };
}

const api = {
  async open(id: string): Promise<OpenedRecording | null> {
    const recording = await recordingOf(id);
    if (!recording) return null;
    return {
      channels: recording.channels,
      seconds: durationOf(recording),
      samples: countOf(recording),
      marks: recording.marks,
    };
  },

  /** Traces of a span, thinned to so many buckets without losing a peak. */
  async traces(
    id: string,
    channels: readonly string[],
    from: number,
    to: number,
    buckets: number,
  ): Promise<Record<string, TracePoints & { stat: Stat | null }>> {
    const recording = await recordingOf(id);
    const out: Record<string, TracePoints & { stat: Stat | null }> = {};
    for (const channel of channels) {
      const samples = recording?.samples[channel];
      if (!samples) continue;
      const first = Math.max(0, indexAt(samples.times, from - 1e-9) + 1);
      const last = indexAt(samples.times, to);
      // One sample beyond either edge, so that the line leaves the picture instead of ending in it.
      const points = downsample(
        samples.times,
        samples.values,
        buckets,
        Math.max(0, first - 1),
        Math.min(samples.times.length - 1, last + 1),
      );
      out[channel] = { ...points, stat: statOf(samples.values, first, last, to - from) };
    }
    return out;
  },

  async exportCsv(id: string, hasDecimalComma: boolean): Promise<Blob | null> {
    const recording = await recordingOf(id);
    if (!recording) return null;
    const parts: string[] = [];
    let rows: string[][] = [];
    const flush = () => {
      parts.push(
        `${Papa.unparse(rows, { delimiter: hasDecimalComma ? ';' : ',', escapeFormulae: FORMULA })}\r\n`,
      );
      rows = [];
    };
    let isHeader = true;
    for (const row of recordingRows(recording)) {
      rows.push(hasDecimalComma && !isHeader ? row.map((c) => c.replace('.', ',')) : row);
      isHeader = false;
      if (rows.length >= 2_000) flush();
    }
    if (rows.length > 0) flush();
    return new Blob(parts, { type: 'text/csv' });
  },

  /** Reads a CSV or candump file into a stored recording. What is left when it is stopped is kept. */
  async importFile(
    file: File,
    target: { id: string; caseId: string; title: string; engine: EngineFacts },
    onProgress: (share: number) => void,
  ): Promise<ImportOutcome> {
    isStopped = false;
    const head = await file.slice(0, 4_096).text();
    const isCandump = /^\s*\(\d+\.\d+\)\s+\S+\s+[0-9A-Fa-f]{3,8}#/m.test(head);
    let recording: Recording;
    let report;
    if (isCandump) {
      const read = await readCandump(file, onProgress);
      recording = read.recording;
      report = {
        rows: read.log.report.lines,
        bad: read.log.report.badLines,
        duplicateTimes: 0,
        problems: read.log.report.problems,
      };
    } else {
      const read = await readCsv(file, onProgress);
      if ('why' in read)
        return {
          ok: false,
          why: read.why,
          next: 'A CSV recording has a header row with a time column and a column for each reading.',
        };
      recording = read.rows.recording;
      const r = read.rows.report;
      report = {
        rows: r.rows,
        bad: r.badRows + r.badCells + r.backwards,
        duplicateTimes: r.duplicateTimes,
        problems: r.problems,
      };
    }
    if (countOf(recording) === 0)
      return {
        ok: false,
        why: 'It contains no readings.',
        next: isCandump
          ? 'The log contains no live-data (service 01) answers.'
          : 'Every column but the time is empty or no number.',
      };
    await store(
      {
        id: target.id,
        caseId: target.caseId,
        title: target.title,
        startedAt: recording.startedAt,
        channels: [],
        marks: [],
        chunks: 0,
        isOpen: false,
      },
      recording,
    );
    opened.set(target.id, recording);
    return {
      ok: true,
      id: target.id,
      seconds: durationOf(recording),
      samples: countOf(recording),
      channels: recording.channels,
      windows: windowsOf(recording, target.engine).map(({ state, seconds, stats }) => ({
        state,
        seconds,
        stats,
      })),
      report,
      isStopped,
    };
  },

  /** Stops the import that is under way. */
  stop(): void {
    isStopped = true;
  },
};
export type RecordingsApi = typeof api;

expose(api);
