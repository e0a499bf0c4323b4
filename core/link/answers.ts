import {
  IsoTpAssembler,
  NO_SOURCE,
  Padding,
  decodeLegacy,
  fromHex,
  hasLegacyHeader,
  type Answer,
  type AssemblyFault,
  type CanFrame,
  type ReadError,
} from '@pincer/core/obd';
import { faultInLine, type LinkFault } from './faults.ts';
import { faultWords } from './words.ts';

/** One line that the adapter printed. */
export interface AnswerLine {
  text: string;
  line?: number;
}

/** What the lines between two prompts say. */
export interface Interpretation {
  answers: Answer[];
  faults: LinkFault[];
  errors: ReadError[];
  /** The frames among the lines, in the order in which they came. */
  frames: CanFrame[];
  /** Lines that an answer of the car is in, whole or damaged. */
  lineCount: number;
}

/** Chatter before an answer that says nothing about it. */
const CHATTER = /^(SEARCHING\.*|BUS INIT:?\s?\.*\s?(OK)?)/i;

/**
 * Reads the lines of one exchange: error texts, CAN frames with 11- or 29-bit ids, the older protocols'
 * headers, and headerless answers with their `0:` `1:` numbering. Spaces between bytes may be there or not.
 * @param padding who is known to fill frames up; learns from these lines.
 */
export function interpretLines(lines: readonly AnswerLine[], padding = new Padding()): Interpretation {
  const result: Interpretation = { answers: [], faults: [], errors: [], frames: [], lineCount: 0 };
  const assembler = new IsoTpAssembler(padding);
  const numbered = new NumberedLines();
  for (const { text, line } of lines) {
    const at = line === undefined ? {} : { line };
    const rest = text.trim().replace(CHATTER, '').trim();
    if (rest === '' || /^OK$/i.test(rest)) continue;
    const fault = faultInLine(text) ?? faultInLine(rest);
    if (fault) {
      result.faults.push(fault);
      result.errors.push({ kind: fault.code, message: faultWords(fault).sentence, ...at });
      continue;
    }
    result.lineCount++;
    if (numbered.take(rest, line)) continue;
    const parsed = parseDataLine(rest);
    switch (parsed.kind) {
      case 'frame': {
        const frame = { id: parsed.id, data: parsed.data, ...at };
        result.frames.push(frame);
        const message = assembler.push(frame);
        if (message) {
          const { id, payload } = message;
          const from = message.line === undefined ? {} : { line: message.line };
          result.answers.push({ source: id, payload, isCan: true, ...from });
        }
        break;
      }
      case 'legacy': {
        const { source, payload, isChecksumRight } = decodeLegacy(parsed.data);
        if (isChecksumRight) result.answers.push({ source, payload, isCan: false, ...at });
        else
          result.errors.push({
            kind: 'checksum',
            message: `The checksum of a message from ${source} is wrong, so it was not used.`,
            ...at,
          });
        break;
      }
      case 'bare':
        result.answers.push(bareAnswer(parsed.data, line));
        break;
      case 'garbled':
        result.faults.push({ code: 'garbled', text: rest });
        result.errors.push({
          kind: 'garbled',
          message: faultWords({ code: 'garbled', text: rest }).sentence,
          ...at,
        });
        break;
    }
  }
  assembler.finish();
  padding.note(result.frames);
  result.errors.push(...assembler.faults.map(assemblyError));
  numbered.finish(result);
  return result;
}

/** An {@link AssemblyFault} as an entry for the owner. */
export function assemblyError(fault: AssemblyFault): ReadError {
  const at = fault.line === undefined ? {} : { line: fault.line };
  switch (fault.kind) {
    case 'sequence-gap':
      return {
        kind: fault.kind,
        message: `A part of an answer from ${fault.id} was lost: part ${fault.expected} was due, part ${fault.got} came.`,
        ...at,
      };
    case 'incomplete':
      return {
        kind: fault.kind,
        message: `An answer from ${fault.id} ended after ${fault.got} of ${fault.of} bytes.`,
        ...at,
      };
    case 'stray-frame':
      return {
        kind: fault.kind,
        message: `A part of an answer from ${fault.id} came without its beginning.`,
        ...at,
      };
    case 'malformed-frame':
      return { kind: fault.kind, message: `A frame from ${fault.id} has an impossible length.`, ...at };
  }
}

type DataLine =
  | { kind: 'frame'; id: string; data: number[] }
  | { kind: 'legacy'; data: number[] }
  | { kind: 'bare'; data: number[] }
  | { kind: 'garbled' };

function parseDataLine(text: string): DataLine {
  const upper = text.toUpperCase();
  if (!/^[0-9A-F\s]+$/.test(upper)) return { kind: 'garbled' };
  const tokens = upper.split(/\s+/);
  const first = tokens[0] ?? '';
  if (tokens.length > 1 && (first.length === 3 || first.length === 8)) {
    // A lone digit after the id is the data length that some settings print.
    const dataTokens = tokens[1]?.length === 1 ? tokens.slice(2) : tokens.slice(1);
    return frameOf(first, dataTokens.join(''));
  }
  const digits = tokens.join('');
  if (digits.length % 2 === 1)
    return digits.length >= 5 ? frameOf(digits.slice(0, 3), digits.slice(3)) : { kind: 'garbled' };
  if (/^18D[AB]F1/.test(digits) && digits.length >= 10) return frameOf(digits.slice(0, 8), digits.slice(8));
  const data = fromHex(digits);
  if (data === null || data.length === 0) return { kind: 'garbled' };
  if (hasLegacyHeader(data)) return { kind: 'legacy', data };
  return (data[0] ?? 0) >= 0x40 ? { kind: 'bare', data } : bareWithLength(data);
}

/** With automatic formatting off and headers off, the length byte of a single frame is printed too. */
function bareWithLength(data: number[]): DataLine {
  const length = data[0] ?? 0;
  const isSingleFrame = length >= 1 && length <= 7 && length < data.length && (data[1] ?? 0) >= 0x40;
  return isSingleFrame ? { kind: 'bare', data: data.slice(1, 1 + length) } : { kind: 'garbled' };
}

function frameOf(id: string, digits: string): DataLine {
  const data = fromHex(digits);
  const isId = id.length === 8 || Number.parseInt(id, 16) <= 0x7ff;
  return data && data.length > 0 && data.length <= 64 && isId
    ? { kind: 'frame', id, data }
    : { kind: 'garbled' };
}

/** Without headers the protocol shows in the length: code lists are even on CAN (count byte), odd on the older ones. */
function bareAnswer(payload: number[], line: number | undefined): Answer {
  const isCodeList = payload[0] === 0x43 || payload[0] === 0x47 || payload[0] === 0x4a;
  const isCan = payload[0] === 0x59 || (isCodeList && payload.length % 2 === 0);
  return { source: NO_SOURCE, payload, isCan, ...(line === undefined ? {} : { line }) };
}

/** Headerless multi-frame answers: a line with the length in three digits, then `0:`, `1:` ... lines. */
class NumberedLines {
  private readonly messages: { length: number; bytes: number[]; next: number; line: number | undefined }[] =
    [];
  private readonly lengths: { length: number; line: number | undefined }[] = [];
  private readonly lost: ReadError[] = [];

  take(text: string, line: number | undefined): boolean {
    if (/^[0-9A-F]{3}$/i.test(text)) {
      this.lengths.push({ length: Number.parseInt(text, 16), line });
      return true;
    }
    const numbered = /^([0-9A-F]):\s*([0-9A-F\s]*)$/i.exec(text);
    if (!numbered) return false;
    const number = Number.parseInt(numbered[1] ?? '0', 16);
    const bytes = fromHex(numbered[2] ?? '');
    const at = line === undefined ? {} : { line };
    if (bytes === null) {
      this.lost.push({ kind: 'garbled', message: 'A part of a long answer is not pairs of digits.', ...at });
      return true;
    }
    // Number 0 begins a message unless one is open that wraps from F to 0 and still wants bytes.
    const open = this.messages.find(
      (m) => m.next === number && m.bytes.length < m.length && m.bytes.length > 0,
    );
    if (open) {
      open.bytes.push(...bytes);
      open.next = (open.next + 1) & 0x0f;
    } else if (number === 0) {
      const announced = this.lengths.shift();
      if (announced)
        this.messages.push({ length: announced.length, bytes: [...bytes], next: 1, line: announced.line });
      else this.lost.push({ kind: 'incomplete', message: 'A long answer came without its length.', ...at });
    } else {
      this.lost.push({
        kind: 'sequence-gap',
        message: `Part ${number} of a long answer does not follow what came before.`,
        ...at,
      });
    }
    return true;
  }

  finish(result: Interpretation): void {
    for (const m of this.messages) {
      const at = m.line === undefined ? {} : { line: m.line };
      if (m.bytes.length >= m.length)
        result.answers.push({
          source: NO_SOURCE,
          payload: m.bytes.slice(0, m.length),
          isCan: true,
          ...at,
        });
      else
        result.errors.push({
          kind: 'incomplete',
          message: `A long answer ended after ${m.bytes.length} of ${m.length} bytes.`,
          ...at,
        });
    }
    for (const { length, line } of this.lengths) {
      const at = line === undefined ? {} : { line };
      result.errors.push({
        kind: 'incomplete',
        message: `A long answer of ${length} bytes never came.`,
        ...at,
      });
    }
    if (this.messages.length > 1) {
      result.errors.push({
        kind: 'unknown-source',
        message:
          'Several control units answered at length without headers; which said what is a guess by order.',
      });
    }
    result.errors.push(...this.lost);
  }
}
