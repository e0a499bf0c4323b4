import { asciiBytes, asciiOf, type CancelSignal, type Clock, type Transport } from './transport.ts';
import type { LinkFault } from './faults.ts';

export type Reply = { ok: true; lines: string[] } | { ok: false; fault: LinkFault; lines: string[] };

export interface SendOptions {
  timeoutMs: number;
  signal?: CancelSignal | undefined;
}

/** How a wait ended. */
type Outcome = 'done' | 'timeout' | 'cancelled' | 'cut';

/** How long to wait for the prompt after breaking off a command that timed out. */
const RESYNC_MS = 700;

/** More text than any answer has; beyond it the line is noise and the exchange ends. */
const MAX_REPLY_CHARS = 64_000;

/**
 * The adapter's prompt: one command in flight, each ended by `>`, a timeout, the owner or a cut. Whatever
 * arrives outside an exchange belongs to nobody and is dropped as it comes. A command that timed out is broken off with
 * a space: an empty line would make the adapter repeat the last command, which could be a clear.
 */
export class AdapterPort {
  private text = '';
  /** Called when bytes have come, or when the stream has ended; null while nobody waits. */
  private onChange: (() => void) | null = null;
  private isListening = false;
  private isCut = false;
  private queue: Promise<unknown> = Promise.resolve();
  private needsResync = false;
  private closing: Promise<void> | null = null;
  private readonly onEndListeners = new Set<() => void>();
  private static made = 0;
  /** Tells this connection from every other that this page has made. */
  readonly id = ++AdapterPort.made;
  /** Commands sent so far, for counting round trips. */
  readonly sent: string[] = [];

  constructor(
    private readonly transport: Transport,
    private readonly clock: Clock,
  ) {
    void this.pump();
  }

  /** True once the byte stream has ended. */
  get hasEnded(): boolean {
    return this.isCut;
  }

  /** Calls back once when the byte stream ends, by itself or by {@link close}. @returns how to stop listening. */
  onEnd(listen: () => void): () => void {
    if (this.isCut) listen();
    else this.onEndListeners.add(listen);
    return () => this.onEndListeners.delete(listen);
  }

  /** Sends one command line and waits for the prompt. Never rejects. */
  send(command: string, options: SendOptions): Promise<Reply> {
    const run = this.queue.then(() => this.exchange(command, options));
    this.queue = run;
    return run;
  }

  /** Waits for a while; ends early when stopped or cut. */
  async pause(ms: number, signal?: CancelSignal): Promise<void> {
    await this.wait(ms, signal, () => false);
  }

  /** Ends the connection; an exchange in flight ends as cut, whether or not the transport closes in time. */
  close(): Promise<void> {
    this.cut();
    this.closing ??= this.endTransport();
    return this.closing;
  }

  private async endTransport(): Promise<void> {
    // A transport that never closes must not keep anybody waiting; what is left of it is its own affair.
    const closed = this.transport.close().catch(() => undefined);
    await new Promise<void>((resolve) => {
      const cancel = this.clock.after(RESYNC_MS, resolve);
      void closed.then(() => {
        cancel();
        resolve();
      });
    });
  }

  private cut(): void {
    if (this.isCut) return;
    this.isCut = true;
    this.onChange?.();
    for (const listen of this.onEndListeners) listen();
    this.onEndListeners.clear();
  }

  private async pump(): Promise<void> {
    try {
      for await (const bytes of this.transport.incoming) {
        // Chatter between exchanges is nobody's, and is not kept; within one it is bounded.
        if (!this.isListening || this.text.length > MAX_REPLY_CHARS) continue;
        this.text += asciiOf(bytes);
        this.onChange?.();
      }
    } catch {
      // A stream that fails is a cut like one that ends; the exchange in flight reports it.
    }
    this.cut();
  }

  private async exchange(command: string, { timeoutMs, signal }: SendOptions): Promise<Reply> {
    if (this.isCut) return { ok: false, fault: { code: 'cut' }, lines: [] };
    if (signal?.aborted) return { ok: false, fault: { code: 'cancelled' }, lines: [] };
    if (this.needsResync && !(await this.resync(signal))) {
      const fault: LinkFault = this.hasEnded
        ? { code: 'cut' }
        : signal?.aborted
          ? { code: 'cancelled' }
          : { code: 'silent', waitedMs: RESYNC_MS };
      return { ok: false, fault, lines: [] };
    }
    const deadline = this.clock.now() + timeoutMs;
    this.text = '';
    this.isListening = true;
    this.sent.push(command);
    const written = await this.write(`${command}\r`, timeoutMs, signal);
    const outcome =
      written === 'done' ? await this.untilPrompt(Math.max(1, deadline - this.clock.now()), signal) : written;
    this.isListening = false;
    const lines = this.takeLines(command);
    switch (outcome) {
      case 'done':
        return { ok: true, lines };
      case 'cut':
        return { ok: false, fault: { code: 'cut' }, lines };
      case 'cancelled':
        this.needsResync = true;
        return { ok: false, fault: { code: 'cancelled' }, lines };
      case 'timeout':
        this.needsResync = true;
        return { ok: false, fault: { code: 'silent', waitedMs: timeoutMs }, lines };
    }
  }

  private async resync(signal: CancelSignal | undefined): Promise<boolean> {
    // The space breaks off a command that is still running. If that has ended meanwhile, the adapter sits at its
    // prompt and says nothing to a space; asking who it is brings the prompt back without touching the car.
    this.isListening = true;
    for (const nudge of [' ', 'ATI\r']) {
      this.text = '';
      const written = await this.write(nudge, RESYNC_MS, signal);
      const outcome = written === 'done' ? await this.untilPrompt(RESYNC_MS, signal) : written;
      if (outcome === 'done') {
        this.needsResync = false;
        break;
      }
      if (outcome !== 'timeout') break;
    }
    this.isListening = false;
    return !this.needsResync;
  }

  /** Writes; a write that never settles ends like any other wait. */
  private async write(text: string, timeoutMs: number, signal: CancelSignal | undefined): Promise<Outcome> {
    const written = { isDone: false, hasFailed: false };
    const settled = () => this.onChange?.();
    this.transport.write(asciiBytes(text)).then(
      () => {
        written.isDone = true;
        settled();
      },
      () => {
        written.hasFailed = true;
        settled();
      },
    );
    const outcome = await this.wait(timeoutMs, signal, () => written.isDone || written.hasFailed);
    if (!written.hasFailed) return outcome;
    this.cut();
    return 'cut';
  }

  private untilPrompt(timeoutMs: number, signal: CancelSignal | undefined): Promise<Outcome> {
    return this.wait(timeoutMs, signal, () => this.text.includes('>') || (this.isNoise() && 'timeout'));
  }

  private isNoise(): boolean {
    return this.text.length > MAX_REPLY_CHARS;
  }

  /**
   * Waits until something is so, for a time at most. What is so when the wait begins ends it at once: a stop that was
   * pressed meanwhile is not overlooked.
   */
  private wait(
    timeoutMs: number,
    signal: CancelSignal | undefined,
    isSo: () => boolean | 'timeout',
  ): Promise<Outcome> {
    return new Promise((resolve) => {
      let cancelTimer: (() => void) | null = null;
      const wait = { hasEnded: false };
      const end = (outcome: Outcome) => {
        if (wait.hasEnded) return;
        wait.hasEnded = true;
        cancelTimer?.();
        signal?.removeEventListener('abort', look);
        if (this.onChange === look) this.onChange = null;
        resolve(outcome);
      };
      const look = () => {
        const found = isSo();
        if (found === 'timeout') end('timeout');
        else if (found) end('done');
        else if (this.isCut) end('cut');
        else if (signal?.aborted) end('cancelled');
      };
      this.onChange = look;
      signal?.addEventListener('abort', look);
      look();
      if (!wait.hasEnded) cancelTimer = this.clock.after(timeoutMs, () => end('timeout'));
    });
  }

  /** Lines up to the prompt, without the echo of the command. */
  private takeLines(command: string): string[] {
    const prompt = this.text.indexOf('>');
    const text = prompt < 0 ? this.text : this.text.slice(0, prompt);
    this.text = '';
    const squeezed = command.replace(/\s/g, '').toUpperCase();
    return text
      .split(/[\r\n]+/)
      .map((l) => l.trim())
      .filter((l) => l !== '' && l.replace(/\s/g, '').toUpperCase() !== squeezed);
  }
}
