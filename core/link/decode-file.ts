import {
  IsoTpAssembler,
  ScanBuilder,
  emptyScan,
  parseCandumpLine,
  type ReadError,
  type Scan,
} from '@pincer/core/obd';

import { assemblyError } from './answers.ts';
import { decodeSavedSession } from './saved-session.ts';

/** Ids that testers send on: not answers. */
const TESTER_ID = /^(7DF|7E[0-7]|18DB33F1|18DA[0-9A-F]{2}F1)$/;

/** First bytes of an answer that the decoder knows; other traffic on the bus is none of its business. */
const ANSWER_SERVICES = new Set([0x41, 0x42, 0x43, 0x44, 0x46, 0x47, 0x49, 0x4a, 0x54, 0x59, 0x7f]);

/** Whether an id can be that of a control unit answering a diagnostic request. */
function isAnswerId(id: string): boolean {
  return /^7[0-9A-F]{2}$/.test(id) || /^18D[AB]F1[0-9A-F]{2}$/.test(id);
}

/** Characters that are looked at to see what a file is. */
const SAMPLE = 16_384;

/** Whether the text is a candump log rather than a saved adapter session: most lines parse as frames. */
export function looksLikeCandump(text: string): boolean {
  // The beginning tells; a file of many megabytes is not taken apart for it.
  const sample = text
    .slice(0, SAMPLE)
    .split(/\r\n|\r|\n/)
    .filter((l) => l.trim() !== '')
    .slice(0, 50);
  const frames = sample.filter((l) => parseCandumpLine(l, 0).kind === 'frame').length;
  return frames > 0 && frames * 2 >= sample.length;
}

/**
 * Reads a candump log. Frames on diagnostic answer ids are put together; other traffic is passed over.
 */
export function decodeCandump(text: string): Scan {
  const scan = emptyScan();
  const builder = new ScanBuilder(scan);
  const assembler = new IsoTpAssembler();
  text.split(/\r\n|\r|\n/).forEach((raw, index) => {
    const line = index + 1;
    const parsed = parseCandumpLine(raw, line);
    if (parsed.kind === 'bad') scan.errors.push({ kind: 'malformed', message: parsed.message, line });
    if (parsed.kind !== 'frame') return;
    const { frame } = parsed;
    if (TESTER_ID.test(frame.id) || !isAnswerId(frame.id)) return;
    const message = assembler.push(frame);
    if (!message || !ANSWER_SERVICES.has(message.payload[0] ?? 0)) return;
    builder.add({
      source: message.id,
      payload: message.payload,
      isCan: true,
      ...(message.line === undefined ? {} : { line: message.line }),
    });
  });
  assembler.finish();
  for (const fault of assembler.faults) scan.errors.push(assemblyError(fault));
  return builder.finish();
}

/** Whether a reading has anything in it that the car said. */
export function isEmptyScan(scan: Scan): boolean {
  const { codes, values, freezeFrames, monitors, identities, mils, parts, vin } = scan;
  const rows = [codes, values, freezeFrames, monitors, identities, mils];
  // "No codes" is something that the car said.
  const isSaid = parts.some((p) => p.state !== 'not-read');
  return rows.every((r) => r.length === 0) && vin === undefined && !isSaid;
}

/** Errors that are only noise; any other shows that an adapter was talking. */
const NOISE = new Set(['garbled', 'malformed', 'not-understood']);

/**
 * Decodes a file's text, a candump log or a saved adapter session; which of them is seen from its lines. A text
 * with neither an answer from a car nor a word from an adapter gets an error of the kind `nothing-found`.
 */
export function decodeFileText(text: string): Scan {
  const scan = looksLikeCandump(text) ? decodeCandump(text) : decodeSavedSession(text);
  scan.errors = shortened(scan.errors);
  const hasAdapterWords =
    scan.protocol !== undefined ||
    scan.adapterVolts !== undefined ||
    scan.errors.some((e) => !NOISE.has(e.kind));
  if (isEmptyScan(scan) && !hasAdapterWords) {
    scan.errors.push({
      kind: 'nothing-found',
      message:
        'Nothing in this file is an answer from a vehicle. It should be a candump log or the text of an adapter session.',
    });
  }
  return scan;
}

/** Errors of one kind that are named line by line; beyond it they are counted. */
const NAMED = 100;

/** The first errors of each kind, and how many more there are: a million bad lines are a number, not a list. */
function shortened(errors: readonly ReadError[]): ReadError[] {
  const counts = new Map<string, number>();
  const kept = errors.filter(({ kind }) => {
    const n = (counts.get(kind) ?? 0) + 1;
    counts.set(kind, n);
    return n <= NAMED;
  });
  const more = [...counts].filter(([, n]) => n > NAMED);
  return [
    ...kept,
    ...more.map(([kind, n]) => ({ kind, message: `${n - NAMED} more of this kind (${kind}).` })),
  ];
}

/** Whether a text held neither an answer from a car nor a word from an adapter. */
export function isNothingFound(scan: Scan): boolean {
  return scan.errors.some((e) => e.kind === 'nothing-found');
}
