/** One try: what went wrong, or null. The seed brings it back. */
export interface Trial {
  seed: number;
  problem: string | null;
}

/** A way of trying to break something, many times over. */
export interface Campaign {
  id: string;
  title: string;
  /** How often it is tried by `npm run faults`, and how often within `npm test`. */
  full: number;
  short: number;
  /** How long one try may take before it counts as hanging, ms; a minute where nothing is said. */
  hangMs?: number;
  run: (seed: number) => Promise<Trial>;
  /** Puts away what the tries have shared. @returns what they did, for the record. */
  end?: () => Promise<string>;
}

/** How long one try may take before it counts as hanging, ms: every wait has to end. A machine at a third of its speed needs a minute. */
const HANG_MS = 180_000;

async function within(run: Promise<Trial>, seed: number, hangMs: number): Promise<Trial> {
  let timer: ReturnType<typeof setTimeout> | undefined;
  const hang = new Promise<Trial>((resolve) => {
    timer = setTimeout(() => resolve({ seed, problem: `no end within ${hangMs / 1000} s` }), hangMs);
  });
  try {
    return await Promise.race([run, hang]);
  } catch (error) {
    return {
      seed,
      problem: `threw: ${error instanceof Error ? (error.stack ?? error.message) : String(error)}`,
    };
  } finally {
    clearTimeout(timer);
  }
}

/** Tries a campaign with the seeds from 1 on. @returns the tries that failed, and what was done in all. */
export async function tryAll(
  campaign: Campaign,
  times: number,
  onProgress?: (done: number) => void,
): Promise<{ failed: Trial[]; did: string }> {
  const failed: Trial[] = [];
  for (let seed = 1; seed <= times; seed++) {
    const trial = await within(campaign.run(seed), seed, campaign.hangMs ?? HANG_MS);
    if (trial.problem !== null) failed.push(trial);
    onProgress?.(seed);
  }
  return { failed, did: (await campaign.end?.()) ?? '' };
}

/** What the tries of a campaign share. */
interface Bench {
  /** Puts it away. @returns what was done on it, for the record. */
  close: () => Promise<string>;
}

/** A campaign whose tries share a bench: it is set up by the first of them and put away after the last. */
export function onOneBench<B extends Bench>(
  what: Pick<Campaign, 'id' | 'title' | 'full' | 'short' | 'hangMs'>,
  open: () => Promise<B>,
  run: (bench: B, seed: number) => Promise<string | null>,
): Campaign {
  let bench: Promise<B> | null = null;
  return {
    ...what,
    run: async (seed) => {
      bench ??= open();
      return { seed, problem: await run(await bench, seed) };
    },
    end: async () => {
      const did = await (await bench)?.close();
      bench = null;
      return did ?? '';
    },
  };
}
