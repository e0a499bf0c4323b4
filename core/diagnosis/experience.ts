import type { Lesson, OwnPrice } from '@pincer/core/case';
import type { Cause } from '@pincer/core/knowledge';
import type { CauseInstance } from './instances.ts';

/** What an owner knows better than the library: what it was before, and prices of their own. */
export interface OwnKnowledge {
  lessons: readonly Lesson[];
  prices: ReadonlyMap<string, OwnPrice>;
  /** What costs 1 in the library costs here. */
  priceLevel?: number;
}

/**
 * So many lit lamps the library's shares are worth against the owner's own (the sample size of a Beta prior), and how far
 * experience may move a cause. Judged: one case makes what is rare worth looking at and no more.
 */
const LIBRARY_WORTH = 20;
const MOST = 3;
const LEAST = 1 / 1.5;

/**
 * How much likelier a cause is by the owner's own cases: the mean of Beta(W s + k, W (1 - s) + n - k) over the share s, W
 * being what the library is worth.
 * @param share of the cause among all, before. @param times k that it was this. @param of n cases with a known cause.
 */
export function experienceFactor(share: number, times: number, of: number): number {
  if (of === 0 || share <= 0) return 1;
  const mean = (LIBRARY_WORTH * share + times) / (LIBRARY_WORTH + of);
  return Math.min(MOST, Math.max(LEAST, mean / share));
}

const meanOf = (values: readonly number[]): number | undefined =>
  values.length > 0 ? values.reduce((a, b) => a + b, 0) / values.length : undefined;

/** The cause with the owner's own figures: what was typed for this case outranks what it cost before. */
function withOwnFigures(
  cause: Cause,
  lessons: readonly Lesson[],
  price: OwnPrice | undefined,
  level: number,
): Cause {
  const usual = level === 1 ? undefined : cause.repair.parts * level;
  const parts = price?.parts ?? meanOf(lessons.flatMap((l) => l.cost ?? [])) ?? usual;
  const ownerMinutes = meanOf(lessons.flatMap((l) => l.minutes ?? []));
  const shopPrice = price?.shop ?? meanOf(lessons.flatMap((l) => l.shop ?? []));
  if (parts === undefined && ownerMinutes === undefined && shopPrice === undefined) return cause;
  return {
    ...cause,
    repair: {
      ...cause.repair,
      ...(parts === undefined ? {} : { parts }),
      ...(ownerMinutes === undefined ? {} : { ownerMinutes: Math.round(ownerMinutes) }),
      ...(shopPrice === undefined ? {} : { shopPrice }),
    },
  };
}

/** Causes with what the owner knows: how often it was this before, and what it cost. */
export function withExperience(
  instances: readonly CauseInstance[],
  { lessons, prices, priceLevel = 1 }: OwnKnowledge,
): CauseInstance[] {
  if (lessons.length === 0 && prices.size === 0 && priceLevel === 1) return [...instances];
  const total = instances.reduce((sum, i) => sum + i.prior, 0) || 1;
  const shares = new Map<string, number>();
  for (const i of instances) shares.set(i.cause.id, (shares.get(i.cause.id) ?? 0) + i.prior / total);
  const causes = new Map<string, Cause>();
  return instances.map((instance) => {
    const { id } = instance.cause;
    const mine = lessons.filter((l) => l.cause === id);
    let cause = causes.get(id);
    if (!cause) causes.set(id, (cause = withOwnFigures(instance.cause, mine, prices.get(id), priceLevel)));
    const factor = experienceFactor(shares.get(id) ?? 0, mine.length, lessons.length);
    return {
      ...instance,
      cause,
      prior: instance.prior * factor,
      ...(mine.length > 0 ? { lift: factor } : {}),
    };
  });
}
