import {
  IsoTpAssembler,
  ScanBuilder,
  STATING_PIDS,
  emptyScan,
  hexByte,
  parseCandumpLine,
  restated,
  type ReadValue,
} from '@pincer/core/obd';

export interface CandumpReport {
  lines: number;
  badLines: number;
  /** Frames that are no answer to a live reading: other traffic on the bus. */
  otherFrames: number;
  problems: { line: number; why: string }[];
}

const SHOWN_PROBLEMS = 20;
/** First byte of an answer of service 01. */
const LIVE = 0x41;

/**
 * Reads the live readings out of a candump log, line by line, so that a log of any size can stream through. The log's
 * own time stamps are kept; the first one is the beginning.
 */
export class CandumpValues {
  readonly report: CandumpReport = { lines: 0, badLines: 0, otherFrames: 0, problems: [] };
  /** Time stamp of the first frame, s since 1970 as candump writes it; null before it. */
  start: number | null = null;
  private readonly assembler = new IsoTpAssembler();
  /** Scales stated so far; they hold for what follows. */
  private readonly stated = new Map<string, ReadValue>();

  /** Takes the next line. @returns the readings that it completes, with seconds from the start. */
  push(text: string): { at: number; value: ReadValue }[] {
    const line = ++this.report.lines;
    const parsed = parseCandumpLine(text, line);
    if (parsed.kind === 'bad') {
      this.report.badLines++;
      if (this.report.problems.length < SHOWN_PROBLEMS)
        this.report.problems.push({ line, why: parsed.message });
    }
    if (parsed.kind !== 'frame') return [];
    if (parsed.seconds === null) {
      this.report.badLines++;
      if (this.report.problems.length < SHOWN_PROBLEMS)
        this.report.problems.push({ line, why: 'A frame without its time stamp.' });
      return [];
    }
    const message = this.assembler.push(parsed.frame);
    if (message?.payload[0] !== LIVE) {
      if (message) this.report.otherFrames++;
      return [];
    }
    this.start ??= parsed.seconds;
    const at = parsed.seconds - this.start;
    const reading = emptyScan();
    new ScanBuilder(reading).add({ source: message.id, payload: message.payload, isCan: true });
    for (const v of reading.values)
      if (STATING_PIDS.some((pid) => hexByte(pid) === v.pid))
        this.stated.set(`${v.source} ${v.pid} ${v.part ?? ''}`, v);
    return restated(reading.values, [...this.stated.values()]).map((value) => ({ at, value }));
  }
}
