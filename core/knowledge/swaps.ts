/** What a check that exchanges parts between two cylinders takes along. */
export interface Swap {
  /** Causes that are in the exchanged part. */
  carries: readonly string[];
  /** Checks that look at the exchanged part itself, wherever it sits. */
  looks: readonly string[];
  /** Where the parts sit after it, as the log tells it. */
  after: string;
}

/** By check: with the outcome {@link HAS_MOVED} the fault went along with the part, and is where that sits now. */
export const SWAPS: Readonly<Record<string, Swap>> = {
  'swap-coils': {
    carries: ['coil', 'coil-boot'],
    looks: ['boot-look', 'coil-ohms'],
    after: 'the coil from cylinder {n} sits on cylinder {m} now',
  },
  'swap-plugs': {
    carries: ['plug'],
    looks: ['plug-look'],
    after: 'the spark plug from cylinder {n} sits on cylinder {m} now',
  },
};

/** The outcome of a swap after which the other cylinder misfires. */
export const HAS_MOVED = 'moves';
