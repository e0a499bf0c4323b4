import type { Clock } from '@pincer/core/link';

/** The device's clock, in one place. */
export const now = (): Date => new Date();

/** Waits on the browser's own timers. */
export const REAL_CLOCK: Clock = {
  now: () => performance.now(),
  after: (ms, run) => {
    const timer = setTimeout(run, ms);
    return () => clearTimeout(timer);
  },
};
