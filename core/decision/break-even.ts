import type { Owner } from '@pincer/core/case';
import { helpAt, helpOf, repairCost, repairPlan, type CauseInstance } from '@pincer/core/diagnosis';
import { money } from './money.ts';

/** Halvings of an interval: to a cent of the highest price that is asked, and far below a percent. */
const HALVINGS = 21;
/** Workshop's prices and worths of an hour beyond which nobody asks, currency units. */
const MOST_ASKED = 20_000;
const MOST_HOURLY = 2_000;

/**
 * Where something begins to hold, by halving: it does not at `low`, and holds from one place on up to `high`.
 * @returns the place, or null where it holds at both ends or at neither.
 */
export function tippingPoint(holds: (x: number) => boolean, low: number, high: number): number | null {
  if (holds(low) || !holds(high)) return null;
  let [from, to] = [low, high];
  for (let n = 0; n < HALVINGS; n++) {
    const middle = (from + to) / 2;
    if (holds(middle)) to = middle;
    else from = middle;
  }
  return to;
}

/** What the choice between an own repair and help rests on. */
export interface Stakes {
  instances: readonly CauseInstance[];
  /** As repairs are planned by. */
  chances: Float64Array;
  owner: Owner;
  /** Index of the likeliest cause. */
  lead: number;
}

const costsFor = (instances: readonly CauseInstance[], owner: Owner): Float64Array =>
  Float64Array.from(instances, (i) => repairCost(i, owner));

/** What a workshop may ask in all, finding and mending, from which repairing it oneself is the cheaper way. */
export function askedFrom({ instances, chances, owner }: Stakes): number | null {
  const costs = costsFor(instances, owner);
  return tippingPoint(
    (asked) => repairPlan(chances, costs, helpAt(asked, owner)).order.length > 0,
    0,
    MOST_ASKED,
  );
}

/** Chance of the likeliest cause from which beginning with its repair is the cheaper way, all others in proportion. */
export function chanceFrom({ instances, chances, owner, lead }: Stakes): number | null {
  const costs = costsFor(instances, owner);
  const now = chances[lead] ?? 0;
  const others = chances.reduce((sum, p, i) => (i === lead ? sum : sum + p), 0);
  const moved = new Float64Array(chances.length);
  return tippingPoint(
    (chance) => {
      const share = others > 0 ? (1 - chance) / others : 0;
      for (let i = 0; i < moved.length; i++) moved[i] = (chances[i] ?? 0) * share;
      moved[lead] = chance;
      return repairPlan(moved, costs, helpOf(instances, moved, owner)).order.length > 0;
    },
    0,
    Math.max(now, 0.999),
  );
}

/** What an hour of the owner may be worth until help is the cheaper way. */
export function hourlyUpTo({ instances, chances, owner }: Stakes): number | null {
  // A repair costs what it costs without the owner's time, and so many hours.
  const without = costsFor(instances, { ...owner, ownHourly: 0 });
  const hours = costsFor(instances, { ...owner, ownHourly: 1 }).map((cost, i) => cost - (without[i] ?? 0));
  const costs = new Float64Array(without.length);
  return tippingPoint(
    (ownHourly) => {
      for (let i = 0; i < costs.length; i++) costs[i] = (without[i] ?? 0) + ownHourly * (hours[i] ?? 0);
      return (
        repairPlan(chances, costs, helpOf(instances, chances, { ...owner, ownHourly })).order.length === 0
      );
    },
    0,
    MOST_HOURLY,
  );
}

const percent = (p: number): string => `${Math.round(p * 100)} %`;

/** A sentence each for the own repair and for help: where the choice tips, and where it is now. */
export function ownOrHelp(stakes: Stakes, askedNow: number): string[] {
  return [ownSentence(stakes, askedNow), helpSentence(stakes)];
}

function ownSentence(stakes: Stakes, askedNow: number): string {
  const { owner } = stakes;
  const asked = askedFrom(stakes);
  const now = `At your rates it asks about ${money(askedNow, owner)} now.`;
  if (asked !== null)
    return `Repair it yourself: this costs less as long as a {workshop} asks more than ${money(asked, owner)} for finding the cause and repairing it. ${now}`;
  return isOwnCheaper(stakes)
    ? `Repair it yourself: this costs less whatever a {workshop} asks, for the way there alone costs you more. ${now}`
    : `Repair it yourself: no price of a {workshop} makes this the cheaper way as things stand. ${now}`;
}

function helpSentence(stakes: Stakes): string {
  const { owner, instances, chances, lead } = stakes;
  const chance = chanceFrom(stakes);
  if (chance !== null)
    return `Get help: this costs less if the chance of “${instances[lead]?.title ?? ''}” is below ${percent(chance)}. It is ${percent(chances[lead] ?? 0)} now.`;
  const hourly = hourlyUpTo(stakes);
  if (hourly !== null)
    return `Get help: this costs less if an hour of your time is worth more than ${money(hourly, owner)}. You set it to ${money(owner.ownHourly, owner)}.`;
  return isOwnCheaper(stakes)
    ? 'Get help: this costs more here whatever your hour is worth.'
    : 'Get help: this costs less here whatever your hour is worth.';
}

const isOwnCheaper = ({ instances, chances, owner }: Stakes): boolean =>
  repairPlan(chances, costsFor(instances, owner), helpOf(instances, chances, owner)).order.length > 0;
