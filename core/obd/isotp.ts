/** One CAN data frame: the id as printed and up to eight (or 64) data bytes. */
export interface CanFrame {
  id: string;
  data: readonly number[];
  /** Line of the file that it came from, for error messages. */
  line?: number;
}

export interface AssembledMessage {
  id: string;
  payload: number[];
  line?: number;
}

export type AssemblyFault =
  | { kind: 'sequence-gap'; id: string; expected: number; got: number; line?: number }
  | { kind: 'incomplete'; id: string; got: number; of: number; line?: number }
  | { kind: 'stray-frame'; id: string; line?: number }
  | { kind: 'malformed-frame'; id: string; line?: number };

interface Pending {
  payload: number[];
  length: number;
  next: number;
  line: number | undefined;
}

/** Bytes of a classic CAN frame. */
const FRAME = 8;

/** Whether a frame is as long as its content or padded to the full eight; longer ones are CAN FD. */
const fits = (content: number, length: number): boolean =>
  length >= content && (length === content || length >= FRAME);

/** Of so many single frames back it is remembered how long they were. */
const REMEMBERED = 4;

/**
 * Who fills its frames up to eight bytes, as ISO 15765-4 wants it: a frame of such a sender that comes shorter has lost
 * bytes on the line to the adapter, even where what is left would fit. One that stops filling up is believed the third time.
 */
export class Padding {
  /** Of each sender, the last single frames that had room: whether they were filled up. */
  private readonly seen = new Map<string, readonly boolean[]>();

  /** Notes who fills up. Only single frames tell; the others are full in any case. */
  note(frames: readonly CanFrame[]): void {
    for (const { id, data } of frames) {
      const content = (data[0] ?? 0) + 1;
      if (content < 2 || content >= FRAME || !fits(content, data.length)) continue;
      this.seen.set(id, [...(this.seen.get(id) ?? []), data.length >= FRAME].slice(-REMEMBERED));
    }
  }

  /** Whether a sender fills its frames up, by more than half of those remembered: a damaged line may look like either. */
  fillsUp(id: string): boolean {
    const seen = this.seen.get(id) ?? [];
    return seen.filter(Boolean).length * 2 > seen.length;
  }
}

/** Largest message that is accepted, bytes; the 12-bit length of ISO 15765-2 ends at 4095. */
const MAX_LENGTH = 4095;

/**
 * Puts ISO 15765-2 frames of several interleaved senders together again. Flow control is the adapter's
 * business, so such frames are ignored. A gap ends the message: a part of an answer is never passed on as whole.
 */
export class IsoTpAssembler {
  private readonly pending = new Map<string, Pending>();
  readonly faults: AssemblyFault[] = [];

  constructor(private readonly padding: Padding = new Padding()) {}

  /** @returns the message that this frame completes, or null. */
  push(frame: CanFrame): AssembledMessage | null {
    const { id, data, line } = frame;
    const at = line === undefined ? {} : { line };
    const pci = data[0];
    if (pci === undefined) {
      this.faults.push({ kind: 'malformed-frame', id, ...at });
      return null;
    }
    switch (pci >> 4) {
      case 0x0: {
        const length = pci & 0x0f;
        if (length === 0 || !this.fits(id, length + 1, data.length)) {
          this.faults.push({ kind: 'malformed-frame', id, ...at });
          return null;
        }
        this.abandon(id);
        return { id, payload: data.slice(1, 1 + length), ...at };
      }
      case 0x1: {
        const length = ((pci & 0x0f) << 8) | (data[1] ?? 0);
        if (data.length < FRAME || length < 7 || length > MAX_LENGTH) {
          this.faults.push({ kind: 'malformed-frame', id, ...at });
          return null;
        }
        this.abandon(id);
        this.pending.set(id, { payload: data.slice(2), length, next: 1, line });
        return null;
      }
      case 0x2: {
        const open = this.pending.get(id);
        if (!open) {
          this.faults.push({ kind: 'stray-frame', id, ...at });
          return null;
        }
        const got = pci & 0x0f;
        if (got !== open.next) {
          // A frame sent twice carries the number before; dropping the copy loses nothing.
          if (got === ((open.next + 15) & 0x0f) && open.payload.length > 6) return null;
          this.faults.push({ kind: 'sequence-gap', id, expected: open.next, got, ...at });
          this.pending.delete(id);
          return null;
        }
        const wanted = open.length - open.payload.length;
        // A frame between others is full; the last one may end with the message. Else a byte was lost on the line.
        if (!this.fits(id, Math.min(wanted, FRAME - 1) + 1, data.length)) {
          this.faults.push({ kind: 'malformed-frame', id, ...at });
          this.pending.delete(id);
          return null;
        }
        open.payload.push(...data.slice(1));
        open.next = (open.next + 1) & 0x0f;
        if (open.payload.length < open.length) return null;
        this.pending.delete(id);
        return {
          id,
          payload: open.payload.slice(0, open.length),
          ...(open.line === undefined ? {} : { line: open.line }),
        };
      }
      case 0x3:
        return null;
      default:
        this.faults.push({ kind: 'malformed-frame', id, ...at });
        return null;
    }
  }

  /** Reports what is still unfinished; call when no more frames will come. */
  finish(): void {
    for (const id of [...this.pending.keys()]) this.abandon(id);
  }

  private fits(id: string, content: number, length: number): boolean {
    return fits(content, length) && (length >= FRAME || !this.padding.fillsUp(id));
  }

  private abandon(id: string): void {
    const open = this.pending.get(id);
    if (!open) return;
    this.faults.push({
      kind: 'incomplete',
      id,
      got: open.payload.length,
      of: open.length,
      ...(open.line === undefined ? {} : { line: open.line }),
    });
    this.pending.delete(id);
  }
}

/** Splits a message into ISO 15765-2 frames of eight bytes, padded with `pad`. */
export function splitIsoTp(payload: readonly number[], pad = 0x00): number[][] {
  const padded = (frame: number[]) => [...frame, ...Array<number>(8 - frame.length).fill(pad)];
  if (payload.length <= 7) return [padded([payload.length, ...payload])];
  const frames = [[0x10 | (payload.length >> 8), payload.length & 0xff, ...payload.slice(0, 6)]];
  for (let at = 6, n = 1; at < payload.length; at += 7, n = (n + 1) & 0x0f) {
    frames.push(padded([0x20 | n, ...payload.slice(at, at + 7)]));
  }
  return frames;
}
