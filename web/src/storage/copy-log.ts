import type { CopiedRecord } from '../ports/copy-file.ts';

/** A file that is read and written in place, as browsers give one to a worker. */
export interface PlainFile {
  getSize: () => number;
  read: (into: Uint8Array, options: { at: number }) => number;
  write: (from: Uint8Array, options: { at: number }) => number;
  truncate: (size: number) => void;
  flush: () => void;
}

/** Bytes that are set aside at the end of what is written, and by how much the file grows when they run short. */
const ROOM = 256 * 1024;
const GROWS_BY = 512 * 1024;
/** Bytes that are read at once while it is looked through. */
const PIECE = 1024 * 1024;

const SPACE = 32;
const NEW_LINE = 10;

const encode = (text: string): Uint8Array => new TextEncoder().encode(text);
const decode = (bytes: Uint8Array): string => new TextDecoder().decode(bytes);

function parsed(line: string): { key: string; stored?: unknown; gone?: unknown } | null {
  try {
    const read: unknown = JSON.parse(line);
    return typeof read === 'object' && read !== null && 'key' in read && typeof read.key === 'string'
      ? { ...read, key: read.key }
      : null;
  } catch {
    return null;
  }
}

/**
 * Records in one file, a line of JSON each, only ever added at its end; the last line of a key counts. Blanks are written
 * ahead of the end while there is room: on a disk that is full to the last byte what comes is written over them. A line
 * that was torn is passed over.
 */
export class CopyLog {
  /** Where the line of a key stands: its first byte and its length. */
  private lines = new Map<string, readonly [from: number, length: number]>();
  /** The first byte after the last whole line, and how many bytes of a torn one stand there. */
  private end = 0;
  private torn = 0;
  /** The first line as it was read: a file that was begun anew has another one. */
  private head = '';

  /** @param newName a name that no other file had: it is the first line of one that is begun. */
  constructor(private readonly newName: () => string) {}

  keys(file: PlainFile): string[] {
    this.look(file);
    return [...this.lines.keys()];
  }

  /** The records of some keys; one that cannot be read is left out. */
  of(file: PlainFile, keys: readonly string[]): CopiedRecord[] {
    this.look(file);
    return keys.flatMap((key) => {
      const place = this.lines.get(key);
      if (!place) return [];
      const bytes = new Uint8Array(place[1]);
      file.read(bytes, { at: place[0] });
      const line = parsed(decode(bytes));
      return line?.key === key && line.stored !== undefined ? [{ key, stored: line.stored }] : [];
    });
  }

  /** @returns whether all of them are on the disk. */
  put(file: PlainFile, records: readonly CopiedRecord[]): boolean {
    this.look(file);
    if (this.end === 0) this.begin(file);
    return this.add(
      file,
      records.map(({ key, stored }) => [key, JSON.stringify({ key, stored })] as const),
      (key, from, length) => this.lines.set(key, [from, length]),
    );
  }

  /** Forgets some records, or all of them. @throws where the disk refuses: they would come back. */
  forget(file: PlainFile, keys: readonly string[] | 'all'): void {
    this.look(file);
    const known = keys === 'all' ? [...this.lines.keys()] : keys.filter((k) => this.lines.has(k));
    if (known.length === this.lines.size) {
      this.begin(file);
      return;
    }
    const isGone = this.add(
      file,
      known.map((key) => [key, JSON.stringify({ key, gone: true })] as const),
      (key) => this.lines.delete(key),
    );
    if (!isGone) throw new Error('There is no room to forget it in the second copy');
  }

  private begin(file: PlainFile): void {
    this.forgetPlaces();
    file.truncate(0);
    const head = `{"copies":"${this.newName()}"}`;
    this.write(file, `${head}\n`);
    this.head = head;
    this.setAside(file);
  }

  private forgetPlaces(): void {
    this.lines = new Map();
    this.end = 0;
    this.torn = 0;
    this.head = '';
  }

  private add(
    file: PlainFile,
    lines: readonly (readonly [key: string, line: string])[],
    isThere: (key: string, from: number, length: number) => void,
  ): boolean {
    if (lines.length === 0) return true;
    const begins = this.end + this.torn;
    let at = begins + (this.torn > 0 ? 1 : 0);
    const places = lines.map(([key, line]) => {
      const { length } = encode(line);
      const from = at;
      at += length + 1;
      return [key, from, length] as const;
    });
    try {
      this.setAside(file, at - begins);
      this.write(file, `${this.torn > 0 ? '\n' : ''}${lines.map(([, line]) => line).join('\n')}\n`);
    } catch {
      // How much of it is there is seen at the next look.
      return false;
    }
    for (const place of places) isThere(...place);
    this.setAside(file);
    return true;
  }

  /** Writes at the end. @throws what the disk refuses. */
  private write(file: PlainFile, text: string): void {
    const bytes = encode(text);
    const at = this.end + this.torn;
    if (file.write(bytes, { at }) !== bytes.length) throw new Error('It was not written whole.');
    file.flush();
    this.end = at + bytes.length;
    this.torn = 0;
  }

  /** Writes blanks ahead, so that what comes has its place on the disk already; where the disk is full there are none. */
  private setAside(file: PlainFile, wanted = 0): void {
    const size = file.getSize();
    const end = this.end + this.torn;
    if (size - end >= ROOM + wanted) return;
    try {
      file.write(new Uint8Array(GROWS_BY + wanted).fill(SPACE), { at: Math.max(size, end) });
      file.flush();
    } catch {
      // What was set aside before is still there.
    }
  }

  /** Looks at what other pages have added since, or at all of it where that is not known. */
  private look(file: PlainFile): void {
    const size = file.getSize();
    const head = new Uint8Array(encode(this.head).length);
    file.read(head, { at: 0 });
    if (this.head === '' || size < this.end || decode(head) !== this.head) this.forgetPlaces();
    const next = new Uint8Array(1);
    if (this.end > 0 && (file.read(next, { at: this.end }) === 0 || next[0] === SPACE)) return;
    let from = this.end;
    let rest: Uint8Array = new Uint8Array(0);
    for (let at = from; at < size;) {
      const piece = new Uint8Array(Math.min(PIECE, size - at));
      const got = file.read(piece, { at });
      if (got === 0) break;
      at += got;
      const bytes = new Uint8Array(rest.length + got);
      bytes.set(rest);
      bytes.set(piece.subarray(0, got), rest.length);
      let start = 0;
      for (let stop = bytes.indexOf(NEW_LINE); stop !== -1; stop = bytes.indexOf(NEW_LINE, start)) {
        this.take(bytes.subarray(start, stop), from + start);
        start = stop + 1;
      }
      rest = bytes.subarray(start);
      from += start;
    }
    let left = rest.length;
    while (left > 0 && (rest[left - 1] === SPACE || rest[left - 1] === 0)) left--;
    // It may lack its end alone.
    if (left > 0) this.take(rest.subarray(0, left), from);
    this.end = from;
    this.torn = left;
  }

  private take(bytes: Uint8Array, from: number): void {
    const text = decode(bytes);
    if (from === 0) {
      this.head = text;
      return;
    }
    const line = parsed(text);
    if (!line) return;
    if (line.gone === true) this.lines.delete(line.key);
    else this.lines.set(line.key, [from, bytes.length]);
  }
}
