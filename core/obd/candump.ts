import { fromHex } from './bytes.ts';
import type { CanFrame } from './isotp.ts';

export type CandumpLine =
  | { kind: 'frame'; frame: CanFrame; seconds: number | null }
  /** Error and remote frames, comments and empty lines: nothing to decode, nothing wrong. */
  | { kind: 'skipped' }
  | { kind: 'bad'; message: string };

/** `(1436509052.249713) can0 7E8#0641...`, the log format. */
const LOG =
  /^\((\d+(?:\.\d+)?)\)\s+\S+\s+([0-9A-Fa-f]{3}|[0-9A-Fa-f]{8})(##[0-9A-Fa-f])?#?([0-9A-Fa-fRr.]*)(?:\s+[TR])?$/;
/** ` can0  7E8   [8]  06 41 ...`, the screen format, with or without a time stamp and a text column. */
const SCREEN =
  /^(?:\((?:\S+\s)?(\d+(?:\.\d+)?)\)\s+)?\S+\s+(?:(?:RX|TX)\s+\S+\s+\S*\s*)?([0-9A-Fa-f]{3}|[0-9A-Fa-f]{8})\s+\[(\d+)\]\s*(.*)$/;
/** `7E8#0641...`, the bare frame as written on a command line. */
const BARE = /^([0-9A-Fa-f]{3}|[0-9A-Fa-f]{8})#([0-9A-Fa-fRr.]*)$/;

/** Set in the 32-bit id of an error message frame (Linux can.h). */
const ERROR_FLAG = 0x20000000;

/** One line of a candump log (Linux can-utils), either of its formats. */
export function parseCandumpLine(text: string, line: number): CandumpLine {
  const trimmed = text.trim();
  if (trimmed === '' || trimmed.startsWith('#') || trimmed.startsWith(';')) return { kind: 'skipped' };
  const log = LOG.exec(trimmed);
  if (log) {
    if (!trimmed.includes('#')) return { kind: 'bad', message: 'A frame without its # sign.' };
    return build(log[2] ?? '', log[4] ?? '', line, Number(log[1]));
  }
  const bare = BARE.exec(trimmed);
  if (bare) return build(bare[1] ?? '', bare[2] ?? '', line, null);
  const screen = SCREEN.exec(trimmed);
  if (screen) {
    const length = Number(screen[3]);
    const tail = screen[4] ?? '';
    if (/remote/i.test(tail) || /ERRORFRAME/i.test(tail)) return { kind: 'skipped' };
    const bytes = tail.trim().split(/\s+/).slice(0, length).join('');
    if (bytes.length !== length * 2)
      return { kind: 'bad', message: `The frame announces ${length} bytes and has fewer.` };
    return build(screen[2] ?? '', bytes, line, screen[1] === undefined ? null : Number(screen[1]));
  }
  return { kind: 'bad', message: 'This line is not a CAN frame.' };
}

function build(id: string, data: string, line: number, seconds: number | null): CandumpLine {
  if (/^[Rr]\d?$/.test(data)) return { kind: 'skipped' };
  if (id.length === 8 && (Number.parseInt(id, 16) & ERROR_FLAG) !== 0) return { kind: 'skipped' };
  const bytes = fromHex(data.replaceAll('.', ''));
  if (bytes === null)
    return { kind: 'bad', message: 'The data of this frame are not pairs of hexadecimal digits.' };
  if (bytes.length > 64) return { kind: 'bad', message: 'A CAN frame has at most 64 bytes.' };
  return { kind: 'frame', frame: { id: id.toUpperCase(), data: bytes, line }, seconds };
}

/** One frame in candump's log format; the inverse of {@link parseCandumpLine}. */
export function formatCandumpLine(frame: CanFrame, seconds: number, bus = 'can0'): string {
  const data = frame.data.map((b) => b.toString(16).toUpperCase().padStart(2, '0')).join('');
  return `(${seconds.toFixed(6)}) ${bus} ${frame.id}#${data}`;
}
