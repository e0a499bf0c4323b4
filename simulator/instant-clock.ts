import type { Clock } from '@pincer/core/link';

/**
 * A clock on which nothing takes time: waits of zero run at once, longer ones (time-outs) never. With the
 * `instant` temperament a whole reading is deterministic and takes milliseconds.
 */
export const INSTANT_CLOCK: Clock = {
  now: () => 0,
  after: (ms, run) => {
    let isOff = false;
    if (ms === 0) {
      void Promise.resolve().then(() => {
        if (!isOff) run();
      });
    }
    return () => {
      isOff = true;
    };
  },
};
