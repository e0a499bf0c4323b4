import type { Clock } from '@pincer/core/link';

/**
 * A clock that jumps to the next wait as soon as nothing else is to be done: time passes as in life, in no time. What
 * runs on it is deterministic.
 */
export class VirtualClock implements Clock {
  private time = 0;
  private readonly waiting: { at: number; run: () => void }[] = [];
  private isPumping = false;

  now(): number {
    return this.time;
  }

  after(ms: number, run: () => void): () => void {
    const entry = { at: this.time + ms, run };
    this.waiting.push(entry);
    if (!this.isPumping) {
      this.isPumping = true;
      setImmediate(() => this.pump());
    }
    return () => {
      const i = this.waiting.indexOf(entry);
      if (i >= 0) this.waiting.splice(i, 1);
    };
  }

  /** Runs the earliest wait, lets everything that follows from it happen, and goes on. */
  private pump(): void {
    this.waiting.sort((a, b) => a.at - b.at);
    const next = this.waiting.shift();
    if (!next) {
      this.isPumping = false;
      return;
    }
    this.time = Math.max(this.time, next.at);
    next.run();
    setImmediate(() => this.pump());
  }
}
