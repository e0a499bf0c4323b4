import type { AdapterPort, Clock, Connection } from '@pincer/core/link';
import { REAL_CLOCK } from '../clock.ts';

/** The live things of a connection, which never enter the store. */
export interface LinkService {
  clock: Clock;
  port: AdapterPort | null;
  connection: Connection | null;
  /** Stops what is under way. */
  stop: AbortController | null;
  /** Counts attempts to connect: one that is overtaken closes what it has opened. */
  attempt: number;
  /**
   * Entries that were there, or that this page has made itself, when the last scan was stored; anything else that
   * speaks of the car's memory has overtaken it.
   */
  known: Set<string>;
}

/** A service with nothing connected, on the browser's clock. */
export function createLinkService(): LinkService {
  return {
    clock: REAL_CLOCK,
    port: null,
    connection: null,
    stop: null,
    attempt: 0,
    known: new Set(),
  };
}
