import { asciiBytes, asciiOf, type CancelSignal, type Clock, type Transport } from './transport.ts';
import type { LinkFault } from './faults.ts';

export type Reply = { ok: true; lines: string[] } | { ok: false; fault: LinkFault; lines: string[] };

export interface SendOptions {
  timeoutMs: number;
  signal?: CancelSignal | undefined;
}

/** How long to wait for the prompt after breaking off a command that timed out. */
const RESYNC_MS = 700;

/** More text than any answer has; beyond it the line is noise and the exchange ends. */
const MAX_REPLY_CHARS = 64_000;

/**
 * The adapter's prompt: one command in flight, each ended by `>`, a timeout, the owner or a cut. Whatever
 * arrives outside an exchange belongs to nobody and is dropped. A command that timed out is broken off with
 * a space: an empty line would make the adapter repeat the last command, which could be a clear.
 */
export class AdapterPort {
  private text = '';
  private onText: (() => void) | null = null;
  private isCut = false;
  private queue: Promise<unknown> = Promise.resolve();
  private needsResync = false;
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

  /** Sends one command line and waits for the prompt. Never rejects. */
  send(command: string, options: SendOptions): Promise<Reply> {
    const run = this.queue.then(() => this.exchange(command, options));
    this.queue = run;
    return run;
  }

  /** Ends the connection; an exchange in flight ends as cut. */
  async close(): Promise<void> {
    this.isCut = true;
    this.onText?.();
    await this.transport.close();
  }

  private async pump(): Promise<void> {
    try {
      for await (const bytes of this.transport.incoming) {
        this.text += asciiOf(bytes);
        this.onText?.();
      }
    } catch {
      // A stream that fails is a cut like one that ends; the exchange in flight reports it.
    }
    this.isCut = true;
    this.onText?.();
  }

  private async exchange(command: string, { timeoutMs, signal }: SendOptions): Promise<Reply> {
    if (this.isCut) return { ok: false, fault: { code: 'cut' }, lines: [] };
    if (signal?.aborted) return { ok: false, fault: { code: 'cancelled' }, lines: [] };
    if (this.needsResync && !(await this.resync())) {
      return {
        ok: false,
        fault: this.isCut ? { code: 'cut' } : { code: 'silent', waitedMs: RESYNC_MS },
        lines: [],
      };
    }
    this.text = '';
    this.sent.push(command);
    try {
      await this.transport.write(asciiBytes(`${command}\r`));
    } catch {
      this.isCut = true;
      return { ok: false, fault: { code: 'cut' }, lines: [] };
    }
    const outcome = await this.untilPrompt(timeoutMs, signal);
    const lines = this.takeLines(command);
    if (outcome === 'prompt') return { ok: true, lines };
    if (outcome === 'cut') return { ok: false, fault: { code: 'cut' }, lines };
    this.needsResync = true;
    if (outcome === 'cancelled') return { ok: false, fault: { code: 'cancelled' }, lines };
    return { ok: false, fault: { code: 'silent', waitedMs: timeoutMs }, lines };
  }

  private async resync(): Promise<boolean> {
    // The space breaks off a command that is still running. If that has ended meanwhile, the adapter sits at its
    // prompt and says nothing to a space; asking who it is brings the prompt back without touching the car.
    for (const nudge of [' ', 'ATI\r']) {
      this.text = '';
      try {
        await this.transport.write(asciiBytes(nudge));
      } catch {
        this.isCut = true;
        return false;
      }
      const outcome = await this.untilPrompt(RESYNC_MS, undefined);
      if (outcome === 'cut') return false;
      if (outcome === 'prompt') {
        this.needsResync = false;
        return true;
      }
    }
    return false;
  }

  private untilPrompt(
    timeoutMs: number,
    signal: CancelSignal | undefined,
  ): Promise<'prompt' | 'timeout' | 'cancelled' | 'cut'> {
    return new Promise((resolve) => {
      const end = (outcome: 'prompt' | 'timeout' | 'cancelled' | 'cut') => {
        cancelTimer();
        signal?.removeEventListener('abort', onAbort);
        this.onText = null;
        resolve(outcome);
      };
      const onAbort = () => end('cancelled');
      const look = () => {
        if (this.text.includes('>')) end('prompt');
        else if (this.isCut) end('cut');
        else if (this.text.length > MAX_REPLY_CHARS) end('timeout');
      };
      const cancelTimer = this.clock.after(timeoutMs, () => end('timeout'));
      signal?.addEventListener('abort', onAbort);
      this.onText = look;
      look();
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
