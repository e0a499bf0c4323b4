/** A stream of byte chunks with a writing end: what transports hand to the session as `incoming`. */
export class ByteQueue implements AsyncIterable<Uint8Array> {
  private readonly waiting: Uint8Array[] = [];
  private wake: (() => void) | null = null;
  private isEnded = false;

  push(bytes: Uint8Array): void {
    if (this.isEnded) return;
    this.waiting.push(bytes);
    this.wake?.();
  }

  /** No more bytes will come; a reader gets what is waiting first. */
  end(): void {
    this.isEnded = true;
    this.wake?.();
  }

  async *[Symbol.asyncIterator](): AsyncIterator<Uint8Array> {
    for (;;) {
      const next = this.waiting.shift();
      if (next) {
        yield next;
        continue;
      }
      if (this.isEnded) return;
      await new Promise<void>((resolve) => {
        this.wake = resolve;
      });
      this.wake = null;
    }
  }
}
