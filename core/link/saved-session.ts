import { Padding, ScanBuilder, emptyScan, type ReadError, type Scan } from '@pincer/core/obd';
import { interpretLines, type AnswerLine } from './answers.ts';
import { faultInLine } from './faults.ts';
import { faultWords } from './words.ts';

/** Services that a tester asks for: SAE J1979 01-0A, and those of ISO 14229 that readers use. */
const REQUEST_SERVICES: ReadonlySet<number> = new Set([
  ...[0x01, 0x02, 0x03, 0x04, 0x05, 0x06, 0x07, 0x08, 0x09, 0x0a],
  ...[0x10, 0x11, 0x14, 0x19, 0x22, 0x23, 0x27, 0x28, 0x2a, 0x2c, 0x2e, 0x2f, 0x31, 0x3e],
]);

/** Longest request, bytes: one CAN frame. */
const MAX_REQUEST_BYTES = 8;

/**
 * Whether a line was typed at the prompt: a command to the adapter, or a request to the car.
 * @returns the request without spaces, upper case, or null for a line of an answer.
 */
function requestIn(text: string): string | null {
  const squeezed = text.replace(/\s/g, '').toUpperCase();
  if (isAdapterCommand(squeezed)) return squeezed;
  if (!/^[0-9A-F]{2,}$/.test(squeezed) || squeezed.length > MAX_REQUEST_BYTES * 2 + 1) return null;
  const first = text.trim().split(/\s+/)[0] ?? '';
  const hasCanId = first !== squeezed && (first.length === 3 || first.length === 8);
  if (hasCanId || /^18D[AB]F1.{2}/.test(squeezed)) return null;
  if (!REQUEST_SERVICES.has(Number.parseInt(squeezed.slice(0, 2), 16))) return null;
  // Three digits alone are the length line of a long answer. An odd last digit is the number of answers to wait for.
  if (squeezed.length === 3) return null;
  return isBareFrame(squeezed) ? null : squeezed;
}

/** A frame printed without header but with its length byte (formatting off), such as `06 41 00 BE 3E B8 11`. */
function isBareFrame(squeezed: string): boolean {
  const length = Number.parseInt(squeezed.slice(0, 2), 16);
  const bytes = Math.floor(squeezed.length / 2);
  const isAnswer = Number.parseInt(squeezed.slice(2, 4), 16) >= 0x40;
  return isAnswer && length <= 7 && bytes > length && (length >= 3 || bytes === 8);
}

function isAdapterCommand(request: string): boolean {
  return /^(AT|ST)[A-Z@]/.test(request);
}

/** Commands whose answer can be two digits that look like a request. */
function isAnsweredWithDigits(request: string | null): boolean {
  return request !== null && /^AT(DPN|PPS|RD|CS)/.test(request);
}

/** Lines that were not understood are shown up to here; beyond it they are only counted. */
const SHOWN_LINES = 200;

/** Reads one session: exchange by exchange, every line either understood or reported. */
class SessionReader {
  readonly scan = emptyScan();
  private readonly builder = new ScanBuilder(this.scan);
  private readonly padding = new Padding();
  private request: string | null = null;
  private answer: AnswerLine[] = [];
  private notUnderstood = 0;

  /** @param hasPrompts whether the text has prompts: a request then stands right after one and nowhere else. */
  constructor(private readonly hasPrompts: boolean) {}

  /** One line between two line ends, or what stands beside a prompt on it. */
  line(text: string, line: number, isFirstPiece: boolean): void {
    const trimmed = Array.from(text)
      .filter((c) => c >= ' ' && c <= '~')
      .join('')
      .trim();
    if (trimmed === '') return;
    // The terminal's own echo above the adapter's is no second request.
    if (this.answer.length === 0 && trimmed.replace(/\s/g, '').toUpperCase() === this.request) return;
    const isOpen = this.request === null && this.answer.length === 0;
    const isAnswerOnly = isFirstPiece && isAnsweredWithDigits(this.request);
    const asked = isAnswerOnly || (this.hasPrompts && !isOpen) ? null : requestIn(trimmed);
    if (asked === null) {
      this.answer.push({ text: trimmed, line });
      return;
    }
    this.endExchange();
    this.request = asked;
  }

  prompt(): void {
    this.endExchange();
    this.request = null;
  }

  private endExchange(): void {
    const lines = this.answer;
    this.answer = [];
    if (lines.length === 0) return;
    // With the echo off, or without prompts, an answer of the car may stand under a command to the adapter.
    const ofCar = lines.filter((line) => !this.isOfAdapter(line));
    if (ofCar.length > 0) this.readCar(ofCar);
  }

  private readCar(lines: readonly AnswerLine[]): void {
    const { answers, errors } = interpretLines(lines, this.padding);
    for (const error of errors) {
      if (error.kind === 'garbled') this.report(error);
      else this.scan.errors.push(error);
    }
    for (const answer of answers) this.builder.add(answer);
  }

  /**
   * Answers to commands are known by the command, or where nobody sees what was asked by their looks: a voltage, a
   * protocol, the words with which an adapter introduces itself.
   */
  private isOfAdapter({ text, line }: AnswerLine): boolean {
    const { request, scan } = this;
    const isCommand = request !== null && isAdapterCommand(request);
    const fault = faultInLine(text);
    if (fault) {
      if (!isCommand) return false;
      scan.errors.push({
        kind: fault.code,
        message: `${request}: ${faultWords(fault).sentence}`,
        ...(line === undefined ? {} : { line }),
      });
      return true;
    }
    if (request !== null && !isCommand) return false;
    if (/^OK$/i.test(text)) return true;
    const volts =
      /^(\d{1,2}\.\d+)\s*V$/i.exec(text) ?? (request === 'ATRV' ? /^(\d{1,2}(?:\.\d+)?)$/.exec(text) : null);
    if (volts) scan.adapterVolts = Number(volts[1]);
    const isProtocol = request === 'ATDP' || /^(AUTO, )?(ISO|SAE) /i.test(text);
    if (isProtocol) scan.protocol = text.replace(/^AUTO,\s*/i, '');
    const isNumber = (request === null || request === 'ATDPN') && /^A?[0-9A-C]$/i.test(text);
    if (isNumber) scan.protocol ??= protocolName(text);
    const isIntroduction = /\bv\d+\.\d+[a-z]?$/i.test(text);
    // A command may be answered by any words, but not by what looks like bytes.
    const isOwnWords = isCommand && /^AT(Z|WS|I|@[0-9])$/.test(request) && !/^[0-9A-F\s:]+$/i.test(text);
    return volts !== null || isProtocol || isNumber || isIntroduction || isOwnWords;
  }

  private report(error: ReadError): void {
    if (++this.notUnderstood > SHOWN_LINES) return;
    this.scan.errors.push({ ...error, kind: 'not-understood' });
  }

  finish(): Scan {
    this.endExchange();
    this.builder.finish();
    if (this.notUnderstood > SHOWN_LINES)
      this.scan.errors.push({
        kind: 'not-understood',
        message: `${this.notUnderstood - SHOWN_LINES} more lines could not be understood.`,
      });
    return this.scan;
  }
}

/**
 * Reads a saved adapter session: the terminal text as it was, with or without prompts, requests and answers; echo,
 * spaces and headers may be on or off. What cannot be understood is reported by line, beginning with 1.
 */
export function decodeSavedSession(text: string): Scan {
  const reader = new SessionReader(text.includes('>'));
  text.split(/\r\n|\r|\n/).forEach((rawLine, index) => {
    rawLine.split('>').forEach((piece, i) => {
      if (i > 0) reader.prompt();
      reader.line(piece, index + 1, i === 0);
    });
  });
  return reader.finish();
}

/** Protocol numbers of the command set, in words. */
const PROTOCOLS: Readonly<Record<string, string>> = {
  '1': 'SAE J1850 PWM',
  '2': 'SAE J1850 VPW',
  '3': 'ISO 9141-2',
  '4': 'ISO 14230-4, slow start',
  '5': 'ISO 14230-4, fast start',
  '6': 'ISO 15765-4, 11-bit CAN, 500 kbit/s',
  '7': 'ISO 15765-4, 29-bit CAN, 500 kbit/s',
  '8': 'ISO 15765-4, 11-bit CAN, 250 kbit/s',
  '9': 'ISO 15765-4, 29-bit CAN, 250 kbit/s',
  A: 'SAE J1939',
};

/** Words for the answer to the protocol number command; a leading A says that it was found by search. */
export function protocolName(answer: string): string {
  const number = answer
    .trim()
    .toUpperCase()
    .replace(/^A(?=.)/, '');
  return PROTOCOLS[number] ?? `protocol ${number}`;
}

/** Whether a protocol number stands for CAN; null when it is no number of a protocol of the standard. */
export function isCanProtocol(answer: string): boolean | null {
  const digit = /^A?([1-9])$/i.exec(answer.trim())?.[1];
  return digit === undefined ? null : Number(digit) >= 6;
}
