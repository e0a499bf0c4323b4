/** Two byte streams and a way to end them: all that the session knows of the adapter's connection. */
export interface Transport {
  /** Bytes from the adapter; ends when the connection is gone. */
  readonly incoming: AsyncIterable<Uint8Array>;
  /** Sends bytes to the adapter. Rejects when the connection is gone. */
  write(bytes: Uint8Array): Promise<void>;
  /** Ends the connection; may be called twice. */
  close(): Promise<void>;
}

/** Time, handed in so that tests can drive it by hand. */
export interface Clock {
  /** Milliseconds since any fixed moment. */
  now(): number;
  /** Runs a function once after the time; returns what calls it off. */
  after(ms: number, run: () => void): () => void;
}

/** The part of an abort signal that the link uses. */
export interface CancelSignal {
  readonly aborted: boolean;
  addEventListener(type: 'abort', listener: () => void): void;
  removeEventListener(type: 'abort', listener: () => void): void;
}

/** ASCII bytes are themselves in it. */
const LATIN = new TextDecoder('latin1');

/** Bytes of an ASCII text. */
export function asciiBytes(text: string): Uint8Array {
  const bytes = new Uint8Array(text.length);
  for (let i = 0; i < bytes.length; i++) bytes[i] = text.charCodeAt(i) & 0x7f;
  return bytes;
}

/** Text of bytes from the adapter; NUL and bytes above 7F are line noise and are dropped. */
export function asciiOf(bytes: Uint8Array): string {
  const isText = (b: number) => b > 0 && b < 0x80;
  return LATIN.decode(bytes.every(isText) ? bytes : bytes.filter(isText));
}
