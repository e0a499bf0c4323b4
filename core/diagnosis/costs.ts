import type { Owner } from '@pincer/core/case';
import { TOOL_PRICES, type Check, type ToolId } from '@pincer/core/knowledge';
import type { CauseInstance } from './instances.ts';

/** Minutes to find out whether a repair helped: a short drive and a reading. */
export const VERIFY_MINUTES = 20;
/** Minutes to order or fetch a part; what makes a part bought for nothing dearer than its price. */
const FETCH_MINUTES = 60;
/** A workshop's mark-up on parts. */
const SHOP_PARTS = 1.25;

/** What tools cost that the owner does not have, in currency units. */
export function missingToolCost(tools: readonly ToolId[], owner: Owner): number {
  return tools.reduce((sum, t) => sum + (owner.tools.includes(t) ? 0 : TOOL_PRICES[t]), 0);
}

/** Money that an owner's minutes are worth to them. */
export function ownTime(minutes: number, owner: Owner): number {
  return (minutes / 60) * owner.ownHourly;
}

/** A workshop's price for a repair, currency units, without finding the cause. */
export function shopPrice(instance: CauseInstance, owner: Owner): number {
  const { parts, shopMinutes, shopPrice: known } = instance.cause.repair;
  return known ?? parts * SHOP_PARTS + (shopMinutes / 60) * owner.shopHourly;
}

/** What a repair costs by the owner's own hands, tools and trying it out included; a workshop's price for licensed work. */
export function repairCost(instance: CauseInstance, owner: Owner): number {
  const { parts, ownerMinutes, tools, isLicensed } = instance.cause.repair;
  if (isLicensed) return shopPrice(instance, owner) + ownTime(VERIFY_MINUTES, owner);
  const minutes = ownerMinutes + VERIFY_MINUTES + (parts > 0 ? FETCH_MINUTES : 0);
  return parts + ownTime(minutes, owner) + missingToolCost(tools, owner);
}

/** What a check costs, in currency units: time, materials, and tools to be bought. */
export function checkCost(check: Check, owner: Owner): number {
  return check.cost + ownTime(check.minutes, owner) + missingToolCost(check.tools, owner);
}

/** What a workshop asks on average, given the chances: finding it, then mending it. */
export function workshopCost(
  instances: readonly CauseInstance[],
  chances: Float64Array,
  owner: Owner,
): number {
  let sum = 0;
  let mass = 0;
  instances.forEach((instance, i) => {
    const p = chances[i] ?? 0;
    mass += p;
    sum += p * shopPrice(instance, owner);
  });
  return owner.shopDiagnosis + (mass > 0 ? sum / mass : owner.shopHourly);
}

export interface RepairPlan {
  /** Expected cost until it is fixed, currency units. */
  cost: number;
  /** Instances to repair in order, before asking a workshop. */
  order: readonly number[];
  /** Chance that one of them is it. */
  success: number;
}

/**
 * Expected cost of repair: try repairs in the order of chance over cost and ask a workshop when going on is
 * dearer (Heckerman, Breese, Rommelse, Decision-Theoretic Troubleshooting, CACM 38(3), 1995, eq. 3, with the
 * service call as their last action). One fault at a time is assumed here; pairs count through their marginals.
 * @param chances of each instance; they need not sum to one.
 * @param costs of each instance's repair, as {@link repairCost}.
 */
export function repairPlan(chances: Float64Array, costs: Float64Array, serviceCall: number): RepairPlan {
  const candidates: number[] = [];
  let mass = 0;
  for (let i = 0; i < chances.length; i++) {
    const p = chances[i] ?? 0;
    mass += p;
    if (p > 0.002) candidates.push(i);
  }
  candidates.sort((a, b) => (chances[b] ?? 0) / (costs[b] ?? 1) - (chances[a] ?? 0) / (costs[a] ?? 1));
  const scale = mass > 1 ? 1 / mass : 1;
  let left = 1;
  let spent = 0;
  let best = serviceCall;
  let take = 0;
  candidates.forEach((i, at) => {
    spent += left * (costs[i] ?? 0);
    left = Math.max(0, left - (chances[i] ?? 0) * scale);
    const whole = spent + left * serviceCall;
    if (whole < best) {
      best = whole;
      take = at + 1;
    }
  });
  const order = candidates.slice(0, take);
  return {
    cost: best,
    order,
    success: Math.min(
      1,
      order.reduce((p, i) => p + (chances[i] ?? 0) * scale, 0),
    ),
  };
}
