import type { AdapterPort, Clock, Connection } from '@pincer/core/link';

/** The live things of a connection, which never enter the store. */
export interface LinkService {
  clock: Clock;
  port: AdapterPort | null;
  connection: Connection | null;
  /** Stops what is under way. */
  stop: AbortController | null;
}

/** A service with nothing connected, on the browser's clock. */
export function createLinkService(): LinkService {
  return {
    clock: {
      now: () => performance.now(),
      after: (ms, run) => {
        const timer = setTimeout(run, ms);
        return () => clearTimeout(timer);
      },
    },
    port: null,
    connection: null,
    stop: null,
  };
}
