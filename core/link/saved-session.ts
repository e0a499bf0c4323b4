import { ScanBuilder, emptyScan, type Scan } from '@pincer/core/obd';
import { interpretLines, type AnswerLine } from './answers.ts';
import { faultInLine } from './faults.ts';
import { faultWords } from './words.ts';

/** Services that a tester asks for: SAE J1979 01-0A, and the ISO 14229 ones that readers use. */
function isRequestService(service: number): boolean {
  return (service >= 0x01 && service <= 0x0a) || (service >= 0x10 && service <= 0x3e);
}

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
  if (!isRequestService(Number.parseInt(squeezed.slice(0, 2), 16))) return null;
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

/**
 * Reads a saved adapter session: the terminal text as it was, with prompts, requests and answers; echo,
 * spaces and headers may be on or off. Line numbers in errors begin with 1.
 */
export function decodeSavedSession(text: string): Scan {
  const scan = emptyScan();
  const builder = new ScanBuilder(scan);
  let request: string | null = null;
  let answer: AnswerLine[] = [];

  const endExchange = () => {
    if (answer.length > 0) {
      if (request !== null && isAdapterCommand(request)) readAdapterAnswer(request, answer, scan);
      else readCarAnswer(answer, request !== null, scan, builder);
    }
    answer = [];
  };

  text.split(/\r\n|\r|\n/).forEach((rawLine, index) => {
    const line = index + 1;
    const pieces = rawLine.split('>');
    pieces.forEach((piece, i) => {
      if (i > 0) {
        endExchange();
        request = null;
      }
      const trimmed = [...piece]
        .filter((c) => c >= ' ' && c <= '~')
        .join('')
        .trim();
      if (trimmed === '') return;
      const isAnswerOnly = i === 0 && isAnsweredWithDigits(request);
      const asked = isAnswerOnly ? null : requestIn(trimmed);
      if (asked !== null) {
        endExchange();
        request = asked;
        return;
      }
      answer.push({ text: trimmed, line });
    });
  });
  endExchange();
  builder.finish();
  return scan;
}

function readCarAnswer(
  lines: readonly AnswerLine[],
  isAsked: boolean,
  scan: Scan,
  builder: ScanBuilder,
): void {
  const data = isAsked ? lines : lines.filter((line) => !readAdapterWords(line.text, scan));
  const { answers, errors } = interpretLines(data);
  scan.errors.push(...errors);
  for (const answer of answers) builder.add(answer);
}

/**
 * With the echo off nobody sees what was asked, so answers to commands are known by their looks: a voltage, a
 * protocol, the words with which an adapter introduces itself.
 * @returns whether the line was such an answer.
 */
function readAdapterWords(text: string, scan: Scan): boolean {
  if (faultInLine(text) !== null) return false;
  const volts = /^(\d{1,2}\.\d)\s*V$/i.exec(text);
  if (volts) scan.adapterVolts = Number(volts[1]);
  const isProtocol = /^(AUTO, )?(ISO|SAE) /i.test(text);
  if (isProtocol) scan.protocol = text.replace(/^AUTO,\s*/i, '');
  const isNumber = /^A?[0-9A-C]$/i.test(text);
  if (isNumber) scan.protocol ??= protocolName(text);
  const isIntroduction =
    /v\d+\.\d+[a-z]?$/i.test(text) || /[G-Z]{4}/i.test(text.replace(/^(SEARCHING|BUS INIT).*/i, ''));
  return volts !== null || isProtocol || isNumber || isIntroduction;
}

function readAdapterAnswer(request: string, lines: readonly AnswerLine[], scan: Scan): void {
  for (const { text, line } of lines) {
    const fault = faultInLine(text);
    if (fault) {
      scan.errors.push({
        kind: fault.code,
        message: `${request}: ${faultWords(fault).sentence}`,
        ...(line === undefined ? {} : { line }),
      });
      continue;
    }
    const volts = request === 'ATRV' ? /^(\d{1,2}(?:\.\d+)?)\s*V?$/i.exec(text) : null;
    if (volts) scan.adapterVolts = Number(volts[1]);
    if (request === 'ATDP') scan.protocol = text.replace(/^AUTO,\s*/i, '');
    if (request === 'ATDPN') scan.protocol ??= protocolName(text);
  }
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

/** Whether a protocol number stands for CAN. */
export function isCanProtocol(answer: string): boolean {
  return /^A?[6-9]$/i.test(answer.trim());
}
