import type { PlainFile } from '../src/storage/copy-log.ts';

/** A file on a disk with so much room; a write may be cut by the end of its process. */
export class SmallFile implements PlainFile {
  bytes = new Uint8Array(0);
  room = Infinity;
  /** How many bytes are still written before the process ends; the rest of that write never was. */
  cutAfter = Infinity;

  getSize = () => this.bytes.length;
  read = (into: Uint8Array, { at }: { at: number }) => {
    const part = this.bytes.subarray(at, at + into.length);
    into.set(part);
    return part.length;
  };
  write = (from: Uint8Array, { at }: { at: number }) => {
    if (Math.max(this.bytes.length, at + from.length) > this.room)
      throw new DOMException('No space', 'QuotaExceededError');
    const part = from.subarray(0, this.cutAfter);
    this.grow(at + part.length);
    this.bytes.set(part, at);
    if (part.length < from.length) throw new Error('killed');
    this.cutAfter -= part.length;
    return from.length;
  };
  truncate = (size: number) => {
    this.bytes = this.bytes.slice(0, size);
  };
  flush = () => undefined;
  /** To the last byte. */
  fill() {
    this.room = this.bytes.length;
  }

  private grow(size: number) {
    if (size <= this.bytes.length) return;
    const next = new Uint8Array(size);
    next.set(this.bytes);
    this.bytes = next;
  }
}
