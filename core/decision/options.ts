import type { CaseState, Owner } from '@pincer/core/case';
import {
  VERIFY_MINUTES,
  ownTime,
  repairCost,
  repairPlan,
  shopPrice,
  workshopCost,
  type Posterior,
  type QuietNow,
} from '@pincer/core/diagnosis';
import { levelRank, type Allowance } from '@pincer/core/urgency';
import type { Vehicle } from '@pincer/core/vehicle';

export type OptionId = 'leave' | 'repair' | 'clear' | 'help';

/** Why a choice is closed. */
export interface Gate {
  id: 'danger' | 'licensed' | 'warranty' | 'inspection' | 'no-reading' | 'no-cause';
  text: string;
}

export interface Option {
  id: OptionId;
  title: string;
  /** Expected cost until it is dealt with, currency units, own time included. */
  cost: number;
  /** The owner's own minutes, expected. */
  minutes: number;
  /** Chance of being done with it this way. */
  success: number;
  blocked: Gate[];
  /** Why it costs what it costs, in words. */
  reasons: string[];
}

export interface Decision {
  options: Option[];
  recommended: OptionId;
  why: string;
  /** Where the choice tips. */
  breakEvens: string[];
  /** Instances to repair in order. */
  plan: number[];
}

/** Minutes to take a car to a workshop and fetch it. */
const ERRAND_MINUTES = 90;
/** Minutes to read once more. */
const READ_MINUTES = 10;
/** Minutes to clear and look again after two drives. */
const CLEAR_MINUTES = 30;
/** Chance that a workshop finds and mends it at the first visit. */
const SHOP_SUCCESS = 0.92;
/** Days before an inspection in which a clear would leave self-checks unready. */
const INSPECTION_DAYS = 14;
/** Chance that a fault without a modelled cause was a one-off. */
const ONE_OFF = 0.5;
/** A cause this likely stands for the whole case when gates are judged. */
const LIKELY = 0.5;

/** Why neither a clear nor leaving it alone is open while the vehicle should stand. */
const WATCHING_DRIVES = 'Not while the vehicle should not be driven: watching means driving.';

const DAY_MS = 86_400_000;

/** A sum of money in the owner's currency, whole. */
export function money(amount: number, owner: Owner): string {
  return `${owner.currency}${Math.round(amount)}`;
}

/** Repair it, clear it and watch, or get help: expected cost, time and chance, the gates, and where it tips. @param spent repairs after which it came back. */
export function decide(
  state: CaseState,
  vehicle: Vehicle,
  owner: Owner,
  posterior: Posterior,
  allowance: Allowance,
  now: Date,
  quiet: QuietNow | null = null,
  spent: ReadonlySet<string> = new Set(),
): Decision {
  const { instances } = posterior;
  const { marginals } = withoutSpent(posterior, spent);
  const costs = Float64Array.from(instances, (i) => repairCost(i, owner));
  const service = workshopCost(instances, marginals, owner);
  const plan = repairPlan(marginals, costs, service);
  const lead = leadOf({ marginals });
  const leadInstance = lead === null ? null : instances[lead];

  const repairMinutes = plan.order.reduce((sum, i, at) => {
    const left = 1 - plan.order.slice(0, at).reduce((p, j) => p + (marginals[j] ?? 0), 0);
    const repair = instances[i]?.cause.repair;
    return sum + Math.max(0, left) * ((repair?.ownerMinutes ?? 0) + VERIFY_MINUTES);
  }, 0);
  const passing = instances.reduce((p, c, i) => p + (c.cause.isPassing ? (marginals[i] ?? 0) : 0), 0);
  const clearSuccess = Math.min(0.95, passing + posterior.none * ONE_OFF + posterior.quiet);
  const helpCost = service + ownTime(ERRAND_MINUTES, owner);

  const repair: Option = {
    id: 'repair',
    title: 'Repair it yourself',
    cost: plan.order.length > 0 ? plan.cost : (costs[lead ?? 0] ?? service),
    minutes: Math.round(
      plan.order.length > 0
        ? repairMinutes
        : (leadInstance?.cause.repair.ownerMinutes ?? 60) + VERIFY_MINUTES,
    ),
    success: plan.success,
    blocked: [],
    reasons: leadInstance
      ? [
          `Begin with: ${leadInstance.cause.repair.title.replaceAll('{n}', String(leadInstance.cylinder ?? ''))}, about ${money(leadInstance.cause.repair.parts, owner)} of parts.`,
          plan.order.length > 1
            ? `If that is not it, ${plan.order.length - 1} more ${plan.order.length === 2 ? 'repair is' : 'repairs are'} worth trying before you ask a {workshop}.`
            : 'If that is not it, ask a {workshop}.',
          ...instances
            .filter((i) => spent.has(i.id) && i !== leadInstance)
            .map(
              (i) =>
                `“${i.title}” was repaired, and it came back: that is not proposed again while others are left.`,
            ),
        ]
      : ['No single cause stands out yet: narrow it down first.'],
  };
  const clear: Option = {
    id: 'clear',
    title: 'Clear it and watch',
    cost: ownTime(CLEAR_MINUTES, owner) + (1 - clearSuccess) * Math.min(plan.cost, helpCost),
    minutes: CLEAR_MINUTES,
    success: clearSuccess,
    blocked: [],
    reasons: [
      clearSuccess >= 0.3
        ? 'Some of the likely causes clear up by themselves.'
        : 'Almost none of the likely causes clears up by itself: expect it back.',
      'Clearing erases the stored conditions and resets the self-checks.',
    ],
  };
  const help: Option = {
    id: 'help',
    title: 'Get help',
    cost: helpCost,
    minutes: ERRAND_MINUTES,
    success: SHOP_SUCCESS,
    blocked: [],
    reasons: [
      `Diagnosis ${money(owner.shopDiagnosis, owner)}, repair about ${money(service - owner.shopDiagnosis, owner)} on average.`,
      'Take the handover sheet with you: with codes and checks in hand, diagnosis should cost less.',
    ],
  };
  addGates(
    { repair, clear, leadInstance, leadChance: lead === null ? 0 : (marginals[lead] ?? 0) },
    state,
    vehicle,
    allowance,
    now,
  );

  const leave = quiet ? leaveIt(quiet, Math.min(repair.cost, helpCost), owner) : null;
  if (leave && levelRank(allowance.level) <= levelRank('safe-place'))
    leave.blocked.push({
      id: 'danger',
      text: WATCHING_DRIVES,
    });
  const options = [...(leave ? [leave] : []), repair, clear, help];
  const recommended =
    quiet && leave?.blocked.length === 0 && leave.success >= LIKELY
      ? { recommended: 'leave' as const, why: quiet.because }
      : recommend(options, state, owner);
  const order = plan.order.length > 0 ? [...plan.order] : lead === null ? [] : [lead];
  return {
    options,
    ...recommended,
    breakEvens: breakEvens(
      repair,
      clear,
      owner,
      leadInstance ? shopPrice(leadInstance, owner) : service,
      clearSuccess,
    ),
    plan: order,
  };
}

/** From this chance on another cause is left to be tried. */
const LEFT = 0.02;

/**
 * The chances as repairs are planned by: one that was done and after which it came back is not planned again while others
 * are left. The plan takes the repair as well done: the others share the chance that is left to it.
 * @param spent ids of such instances.
 */
function withoutSpent(
  { instances, marginals }: Posterior,
  spent: ReadonlySet<string>,
): { marginals: Float64Array } {
  const isSpent = (i: number): boolean => spent.has(instances[i]?.id ?? '');
  const rest = Math.max(0.1, 1 - marginals.reduce((sum, p, i) => sum + (isSpent(i) ? p : 0), 0));
  const areOthersLeft = marginals.some((p, i) => p >= LEFT && !isSpent(i));
  return {
    marginals: areOthersLeft ? marginals.map((p, i) => (isSpent(i) ? 0 : p / rest)) : marginals,
  };
}

/** Leave it alone, drive, and read again. */
function leaveIt(quiet: QuietNow, otherwise: number, owner: Owner): Option {
  return {
    id: 'leave',
    title: quiet.kind === 'sound' ? 'Nothing to do' : 'Leave it and watch',
    cost: ownTime(READ_MINUTES, owner) + (1 - quiet.chance) * otherwise,
    minutes: READ_MINUTES,
    success: quiet.chance,
    blocked: [],
    reasons: [quiet.because, quiet.advice, `What would change it: ${quiet.changes.toLowerCase()}`],
  };
}

function leadOf({ marginals }: Pick<Posterior, 'marginals'>): number | null {
  let best: number | null = null;
  marginals.forEach((p, i) => {
    if (p > 0.02 && (best === null || p > (marginals[best] ?? 0))) best = i;
  });
  return best;
}

function addGates(
  {
    repair,
    clear,
    leadInstance,
    leadChance,
  }: {
    repair: Option;
    clear: Option;
    leadInstance: Posterior['instances'][number] | null | undefined;
    leadChance: number;
  },
  state: CaseState,
  vehicle: Vehicle,
  allowance: Allowance,
  now: Date,
): void {
  if (levelRank(allowance.level) <= levelRank('safe-place'))
    clear.blocked.push({
      id: 'danger',
      text: WATCHING_DRIVES,
    });
  if (!hasFullScan(state))
    clear.blocked.push({
      id: 'no-reading',
      text: 'Not before a full reading is stored: clearing would erase what is not written down.',
    });
  const inspection = daysUntil(vehicle.inspectionDue, now);
  if (inspection !== null && inspection >= 0 && inspection <= INSPECTION_DAYS)
    clear.blocked.push({
      id: 'inspection',
      text: `Inspection in ${inspection} days: a clear resets the self-checks, and they may not be ready in time. Check your local rule.`,
    });
  const warranty = daysUntil(vehicle.warrantyEnds, now);
  if (warranty !== null && warranty >= 0) {
    repair.blocked.push({ id: 'warranty', text: 'It is under warranty: ask before you touch anything.' });
    clear.blocked.push({
      id: 'warranty',
      text: 'It is under warranty: a clear would erase what the claim rests on.',
    });
  }
  if (leadInstance?.cause.repair.isLicensed && leadChance >= LIKELY)
    repair.blocked.push({
      id: 'licensed',
      text: `${leadInstance.title} is the likeliest, and that is work for a {workshop}.`,
    });
  if (!leadInstance) repair.blocked.push({ id: 'no-cause', text: 'No single cause stands out yet.' });
}

/** Whether a full scan stands: by the adapter or typed part by part, and not overtaken by a clear. */
function hasFullScan({ scans, standing }: CaseState): boolean {
  const last = scans.findLast((s) => s.via !== 'file' && s.isComplete);
  return last !== undefined && standing.clears.every((c) => c.unit !== null || c.at < last.at);
}

function daysUntil(date: string | undefined, now: Date): number | null {
  if (!date) return null;
  const at = Date.parse(date);
  return Number.isNaN(at) ? null : Math.ceil((at - now.getTime()) / DAY_MS);
}

function recommend(
  options: readonly Option[],
  state: CaseState,
  owner: Owner,
): { recommended: OptionId; why: string } {
  const open = options.filter((o) => o.blocked.length === 0);
  const clear = open.find((o) => o.id === 'clear');
  const hasCleared = state.standing.clears.some((c) => c.way !== 'battery-off');
  if (clear && owner.school === 'reset-first' && !hasCleared)
    return { recommended: 'clear', why: 'You prefer to clear first and see, and nothing forbids it here.' };
  if (clear && clear.success >= 0.5 && !hasCleared)
    return { recommended: 'clear', why: 'It will more likely than not clear up by itself.' };
  const rest = open
    .filter((o) => o.id === 'repair' || o.id === 'help')
    .sort((a, b) => a.cost / a.success - b.cost / b.success);
  const best = rest[0];
  if (best?.id === 'repair')
    return { recommended: 'repair', why: 'For the likeliest cause, doing it yourself costs least.' };
  return {
    recommended: 'help',
    why: open.some((o) => o.id === 'repair')
      ? 'Too much is still uncertain: a {workshop} costs less than buying parts in vain.'
      : 'Repairing it yourself is not an option here.',
  };
}

function breakEvens(
  repair: Option,
  clear: Option,
  owner: Owner,
  shopRepair: number,
  clearSuccess: number,
): string[] {
  const lines = [
    `Repairing it yourself is cheaper as long as a {workshop} asks more than ${money(repair.cost, owner)} in all, diagnosis included; the repair alone would be about ${money(shopRepair, owner)} there.`,
  ];
  if (clear.blocked.length === 0) {
    const needed = repair.cost > 0 ? Math.min(1, ownTime(CLEAR_MINUTES, owner) / repair.cost) : 1;
    lines.push(
      `Clearing first pays if the chance that it clears up by itself is above ${Math.round(needed * 100)} %; here it is ${Math.round(clearSuccess * 100)} %.`,
    );
  }
  return lines;
}
