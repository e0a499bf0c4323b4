import type { Owner } from '@pincer/core/case';
import { TOOL_PRICES, type Check, type ToolId } from '@pincer/core/knowledge';
import type { CauseInstance } from './instances.ts';

/** Minutes to find out whether a repair helped: a short drive and a reading. */
export const VERIFY_MINUTES = 20;
/** Minutes to order or fetch a part; what makes a part bought for nothing dearer than its price. */
const FETCH_MINUTES = 60;
/** Minutes to take a vehicle to a workshop and to fetch it. */
export const ERRAND_MINUTES = 90;
/** Chance that a workshop cures it at one visit. Judged. */
export const SHOP_SUCCESS = 0.92;
/** Chance that a repair of the right part was done well. Judged: one in ten is not, or the new part is not sound. */
export const WELL_DONE = 0.9;
/**
 * Share of a workshop's fee for finding the cause by which each repair that did not help raises it: what was done is looked
 * over again, and the stored conditions may be gone. Judged.
 */
const DOUBT = 0.25;
/** A workshop's mark-up on parts. */
const SHOP_PARTS = 1.25;

/** What tools cost that the owner does not have, in currency units. */
export function missingToolCost(tools: readonly ToolId[], owner: Owner): number {
  return tools.reduce((sum, t) => sum + (owner.tools.includes(t) ? 0 : TOOL_PRICES[t] * owner.priceLevel), 0);
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
  if (isLicensed) return shopPrice(instance, owner) + ownTime(ERRAND_MINUTES + VERIFY_MINUTES, owner);
  const minutes = ownerMinutes + VERIFY_MINUTES + (parts > 0 ? FETCH_MINUTES : 0);
  return parts + ownTime(minutes, owner) + missingToolCost(tools, owner);
}

/** What a check costs, in currency units: time, materials, and tools to be bought. */
export function checkCost(check: Check, owner: Owner): number {
  return check.cost * owner.priceLevel + ownTime(check.minutes, owner) + missingToolCost(check.tools, owner);
}

/** Prices of a list of causes that were looked up before, by what an hour costs: a ranking asks for them at each result. */
const pricesBefore = new WeakMap<readonly CauseInstance[], { shopHourly: number; prices: Float64Array }>();

/** {@link shopPrice} of every cause, in their order. Not to be written to. */
function shopPrices(instances: readonly CauseInstance[], owner: Owner): Float64Array {
  const known = pricesBefore.get(instances);
  if (known?.shopHourly === owner.shopHourly) return known.prices;
  const prices = new Float64Array(instances.length);
  instances.forEach((instance, i) => {
    prices[i] = shopPrice(instance, owner);
  });
  pricesBefore.set(instances, { shopHourly: owner.shopHourly, prices });
  return prices;
}

/** What a workshop asks on average, given the chances: finding it, then mending it. */
export function workshopCost(
  instances: readonly CauseInstance[],
  chances: Float64Array,
  owner: Owner,
): number {
  let sum = 0;
  let mass = 0;
  const prices = shopPrices(instances, owner);
  for (let i = 0; i < prices.length; i++) {
    const p = chances[i] ?? 0;
    mass += p;
    sum += p * (prices[i] ?? 0);
  }
  return owner.shopDiagnosis + (mass > 0 ? sum / mass : owner.shopHourly);
}

/** Getting help, as a plan reckons with it. */
export interface Help {
  /** Expected cost until it is fixed, currency units. */
  cost: number;
  /** What each own repair that did not help adds to it, currency units. */
  raise: number;
}

/**
 * Help until it is fixed: each visit costs the errand and what the workshop asks, and one in so many is not the last.
 * @param asked what the workshop asks for a visit, finding and mending together, currency units.
 */
export function helpAt(asked: number, owner: Owner): Help {
  return {
    cost: (asked + ownTime(ERRAND_MINUTES, owner)) / SHOP_SUCCESS,
    raise: DOUBT * owner.shopDiagnosis,
  };
}

/** {@link helpAt} for what a workshop asks on average, given the chances. */
export function helpOf(instances: readonly CauseInstance[], chances: Float64Array, owner: Owner): Help {
  return helpAt(workshopCost(instances, chances, owner), owner);
}

/** One repair of a plan. */
export interface PlannedRepair {
  index: number;
  /** Chance that it comes to this repair. */
  reached: number;
  /** Chance that this repair is what cures it. */
  cures: number;
}

export interface RepairPlan {
  /** Expected cost until it is fixed, currency units. */
  cost: number;
  /** Instances to repair in order, before asking a workshop. */
  order: readonly number[];
  /** The same with their chances. */
  repairs: readonly PlannedRepair[];
  /** Chance that one of them cures it. */
  success: number;
}

/**
 * Expected cost of repair: try repairs in the order of chance over cost and ask for help when going on is
 * dearer (Heckerman, Breese, Rommelse, Decision-Theoretic Troubleshooting, CACM 38(3), 1995, eq. 3, with the
 * service call as their last action). A repair that adds more to help than it cures is left out, which their help that
 * costs the same whenever it is asked does not need. One fault at a time is assumed here; pairs count through their marginals.
 * @param chances of each instance; they need not sum to one.
 * @param costs of each instance's repair, as {@link repairCost}.
 * @param works chance that the repair of the right part cures it.
 */
export function repairPlan(
  chances: Float64Array,
  costs: Float64Array,
  help: Help,
  works = WELL_DONE,
): RepairPlan {
  const candidates: number[] = [];
  let mass = 0;
  for (let i = 0; i < chances.length; i++) {
    const p = chances[i] ?? 0;
    mass += p;
    if (p > 0.002) candidates.push(i);
  }
  const worth = (i: number): number => (chances[i] ?? 0) / (costs[i] ?? 1);
  candidates.sort((a, b) => worth(b) - worth(a));
  const scale = works * (mass > 1 ? 1 / mass : 1);
  // A decision asks for more than a hundred plans: only of what is worth a try is it worked out what it cures.
  const cures = new Float64Array(chances.length);
  for (const i of candidates) cures[i] = (chances[i] ?? 0) * scale;
  const trial: Trial = { cures, costs, help };
  let plan = untilHelp(candidates, trial);
  const worthwhile = withoutIdle(candidates, trial);
  if (worthwhile.length < candidates.length) {
    const other = untilHelp(worthwhile, trial);
    if (other.cost < plan.cost) plan = other;
  }
  let [reached, success] = [1, 0];
  const repairs = plan.order.map((index): PlannedRepair => {
    const repair = { index, reached, cures: Math.min(reached, trial.cures[index] ?? 0) };
    reached -= repair.cures;
    success += repair.cures;
    return repair;
  });
  return { cost: plan.cost, order: plan.order, repairs, success: Math.min(1, success) };
}

/** What repairs are weighed by: the chance that each that is tried cures it and its cost, by instance, and the help in the end. */
interface Trial {
  cures: Float64Array;
  costs: Float64Array;
  help: Help;
}

/**
 * Where to stop and ask for help, when repairs are tried in this order, and which of those before it to leave out: those that
 * cost next to nothing, but add more to help than they cure.
 */
function untilHelp(
  order: readonly number[],
  { cures, costs, help }: Trial,
): Pick<RepairPlan, 'cost' | 'order'> {
  let left = 1;
  let spent = 0;
  let best = help.cost;
  let take = 0;
  let leftAtHelp = 1;
  for (let at = 0; at < order.length; at++) {
    const index = order[at] ?? 0;
    spent += left * (costs[index] ?? 0);
    left -= Math.min(left, cures[index] ?? 0);
    const whole = spent + left * (help.cost + (at + 1) * help.raise);
    if (whole < best) {
      best = whole;
      take = at + 1;
      leftAtHelp = left;
    }
  }
  const taken = order.slice(0, take);
  let later = help.cost + (take - 1) * help.raise;
  for (const index of taken) later += costs[index] ?? 0;
  let reached = 1;
  let saved = 1e-9;
  let needless = -1;
  for (const index of taken) {
    const cost = costs[index] ?? 0;
    const cured = Math.min(reached, cures[index] ?? 0);
    later -= cost;
    const saves = reached * cost + leftAtHelp * help.raise - cured * later;
    if (saves > saved) {
      saved = saves;
      needless = index;
    }
    reached -= cured;
  }
  if (needless < 0) return { cost: best, order: taken };
  return untilHelp(
    order.filter((index) => index !== needless),
    { cures, costs, help },
  );
}

/** Without those that would pay if help cost the same whenever it is asked, but not with what each adds to it. */
function withoutIdle(order: readonly number[], { cures, costs, help }: Trial): readonly number[] {
  const pays = (index: number): boolean => (cures[index] ?? 0) * help.cost > (costs[index] ?? 0);
  let left = 1;
  for (const index of order) if (pays(index)) left -= cures[index] ?? 0;
  const added = Math.max(0, left) * help.raise;
  const isIdle = (index: number): boolean =>
    pays(index) && (cures[index] ?? 0) * (help.cost + help.raise) <= (costs[index] ?? 0) + added;
  return order.some(isIdle) ? order.filter((index) => !isIdle(index)) : order;
}

/** From this chance on another cause is left to be tried. */
const LEFT = 0.02;

/**
 * The chances as repairs are planned by: one that was done and after which it came back is not planned again while others
 * are left. The plan takes the repair as well done: the others share the chance that is left to it.
 * @param spent ids of such instances.
 */
export function withoutSpent(
  instances: readonly CauseInstance[],
  marginals: Float64Array,
  spent: ReadonlySet<string>,
): Float64Array {
  if (spent.size === 0) return marginals;
  const isSpent = (i: number): boolean => spent.has(instances[i]?.id ?? '');
  const rest = Math.max(0.1, 1 - marginals.reduce((sum, p, i) => sum + (isSpent(i) ? p : 0), 0));
  const areOthersLeft = marginals.some((p, i) => p >= LEFT && !isSpent(i));
  return areOthersLeft ? marginals.map((p, i) => (isSpent(i) ? 0 : p / rest)) : marginals;
}

/** The owner's own minutes that a plan takes on average: repairs with trying them out, and the errand where it ends with help. */
export function planMinutes({ repairs, success }: RepairPlan, instances: readonly CauseInstance[]): number {
  const own = repairs.reduce((sum, { index, reached }) => {
    const repair = instances[index]?.cause.repair;
    const work = repair?.isLicensed ? ERRAND_MINUTES : (repair?.ownerMinutes ?? 0);
    return sum + reached * (work + VERIFY_MINUTES);
  }, 0);
  return own + ((1 - success) * ERRAND_MINUTES) / SHOP_SUCCESS;
}
