import type { CaseState, Owner } from '@pincer/core/case';
import {
  ERRAND_MINUTES,
  SHOP_SUCCESS,
  WELL_DONE,
  atCylinder,
  helpAt,
  ownTime,
  planMinutes,
  repairCost,
  repairPlan,
  withoutSpent,
  workshopCost,
  type CauseInstance,
  type Help,
  type Posterior,
  type QuietNow,
  type RepairPlan,
} from '@pincer/core/diagnosis';
import { levelRank, type Allowance } from '@pincer/core/urgency';
import type { Vehicle } from '@pincer/core/vehicle';
import { ownOrHelp } from './break-even.ts';
import { money } from './money.ts';

export type OptionId = 'leave' | 'repair' | 'clear' | 'help';

/** Why a choice is closed. */
export interface Gate {
  id:
    | 'danger'
    | 'licensed'
    | 'warranty'
    | 'inspection'
    | 'no-reading'
    | 'no-cause'
    | 'permanent'
    | 'strangers-car'
    | 'wants-a-drive';
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
  /** What is done until it is fixed, no check before it. */
  plan: RepairPlan;
}

/** Minutes to read once more. */
const READ_MINUTES = 10;
/** Minutes to clear and look again after two drives. */
export const CLEAR_MINUTES = 30;
/** Days before an inspection in which a clear would leave self-checks unready. */
const INSPECTION_DAYS = 14;
/** Chance that a fault without a modelled cause was a one-off. */
const ONE_OFF = 0.5;
/** A cause this likely stands for the whole case when gates are judged. */
const LIKELY = 0.5;
/** Chance of passing by itself from which a clear is advised before anything else. */
const CLEAR_FROM = 0.5;

/** Why neither a clear nor leaving it alone is open while the vehicle should stand. */
const WATCHING_DRIVES = 'Not while the vehicle should not be driven: watching means driving.';

const DAY_MS = 86_400_000;

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
  const chances = withoutSpent(instances, posterior.marginals, spent);
  const costs = Float64Array.from(instances, (i) => repairCost(i, owner));
  const asked = workshopCost(instances, chances, owner);
  const helpFigures = helpAt(asked, owner);
  const planned = repairPlan(chances, costs, helpFigures);
  const lead = leadOf(chances);
  const leadInstance = lead === null ? null : (instances[lead] ?? null);
  const own =
    planned.order.length > 0 || lead === null ? planned : leadFirst(lead, chances, costs, helpFigures);
  const passing = instances.reduce(
    (p, c, i) => p + (c.cause.isPassing ? (posterior.marginals[i] ?? 0) : 0),
    0,
  );
  const clearSuccess = Math.min(0.95, passing + posterior.none * ONE_OFF + posterior.quiet);

  const repair: Option = {
    id: 'repair',
    title: 'Repair it yourself',
    cost: own.cost,
    minutes: Math.round(planMinutes(own, instances)),
    success: own.success,
    blocked: [],
    reasons: repairReasons(own, leadInstance, instances, owner, spent),
  };
  const help: Option = {
    id: 'help',
    title: 'Get help',
    cost: helpFigures.cost,
    minutes: Math.round(ERRAND_MINUTES / SHOP_SUCCESS),
    success: SHOP_SUCCESS,
    blocked: [],
    reasons: [
      `Finding the cause ${money(owner.shopDiagnosis, owner)}, repair about ${money(asked - owner.shopDiagnosis, owner)} on average, your errand ${money(ownTime(ERRAND_MINUTES, owner), owner)}; about one visit in twelve is not the last.`,
      'Take the handover sheet with you: with codes and checks in hand, diagnosis should cost less.',
    ],
  };
  const otherwise = Math.min(repair.cost, help.cost);
  const clear: Option = {
    id: 'clear',
    title: 'Clear it and watch',
    cost: ownTime(CLEAR_MINUTES, owner) + (1 - clearSuccess) * otherwise,
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
  addGates(
    { repair, clear, leadInstance, leadChance: lead === null ? 0 : (chances[lead] ?? 0) },
    state,
    vehicle,
    allowance,
    now,
  );
  const leave = quiet ? leaveIt(quiet, otherwise, owner) : null;
  if (leave && levelRank(allowance.level) <= levelRank('safe-place'))
    leave.blocked.push({
      id: 'danger',
      text: WATCHING_DRIVES,
    });
  const options = [...(leave ? [leave] : []), repair, clear, help];
  const recommended =
    quiet && leave?.blocked.length === 0 && leave.success >= LIKELY
      ? { recommended: 'leave' as const, why: quiet.because }
      : recommend({ repair, clear, help }, state, owner, sureEnough(own, allowance));
  return {
    options,
    ...recommended,
    breakEvens: [
      ...(repair.blocked.length === 0 && lead !== null
        ? ownOrHelp({ instances, chances, owner, lead }, asked)
        : []),
      ...(clear.blocked.length === 0
        ? [clearFrom(clearSuccess, ownTime(CLEAR_MINUTES, owner) / otherwise)]
        : []),
    ],
    plan: own,
  };
}

/** The likeliest repair first although help costs less: what it costs to begin with it all the same. */
function leadFirst(
  index: number,
  chances: Float64Array,
  costs: Float64Array,
  { cost, raise }: Help,
): RepairPlan {
  const cures = Math.min(1, chances[index] ?? 0) * WELL_DONE;
  return {
    order: [index],
    repairs: [{ index, reached: 1, cures }],
    cost: (costs[index] ?? 0) + (1 - cures) * (cost + raise),
    success: cures,
  };
}

function repairReasons(
  { order }: RepairPlan,
  lead: CauseInstance | null,
  instances: readonly CauseInstance[],
  owner: Owner,
  spent: ReadonlySet<string>,
): string[] {
  const first = instances[order[0] ?? -1] ?? lead;
  if (!first) return ['No single cause stands out yet: narrow it down first.'];
  const more = order.length - 1;
  return [
    `Begin with: ${atCylinder(first.cause.repair.title, first.cylinder)}, about ${money(first.cause.repair.parts, owner)} of parts.`,
    more > 0
      ? `If that does not cure it, ${more} more ${more === 1 ? 'repair is' : 'repairs are'} worth trying before you ask a {workshop}.`
      : 'If that does not cure it, ask a {workshop}.',
    'The cost includes the way to a {workshop} where your own repair does not cure it.',
    ...instances
      .filter((i) => spent.has(i.id) && i !== first)
      .map(
        (i) =>
          `“${i.title}” was repaired, and it came back: that is not proposed again while others are left.`,
      ),
  ];
}

/** Where a clear tips, and where it is now. */
function clearFrom(chance: number, paysFrom: number): string {
  const percent = (p: number): string => `${Math.round(Math.min(1, p) * 100)} %`;
  return `Clear it and watch: this is advised from ${percent(CLEAR_FROM)} on that it clears up by itself. It is ${percent(chance)} now. In money alone it pays from ${percent(paysFrom)} on, but it erases what finding the cause rests on.`;
}

/**
 * Chance that counts while the vehicle should stand: a dangerous fault is not tried out part by part. On the spot it is that
 * of the first repair, at a safe place that of all that are worth trying. Null where it may be driven.
 */
function sureEnough({ repairs, success }: RepairPlan, { level }: Allowance): number | null {
  if (level === 'stop-here') return repairs[0]?.cures ?? 0;
  return levelRank(level) <= levelRank('safe-place') ? success : null;
}

/**
 * What is open; of the own repair and help the one that costs less until it is fixed.
 * @param sure as {@link sureEnough}: below even odds help is advised, whatever it costs.
 */
function recommend(
  { repair, clear, help }: Record<'repair' | 'clear' | 'help', Option>,
  state: CaseState,
  owner: Owner,
  sure: number | null,
): { recommended: OptionId; why: string } {
  const hasCleared = state.standing.clears.some((c) => c.way !== 'battery-off');
  const mayClear = clear.blocked.length === 0 && !hasCleared;
  if (mayClear && owner.school === 'reset-first')
    return { recommended: 'clear', why: 'You prefer to clear first and see, and nothing forbids it here.' };
  if (mayClear && clear.success >= CLEAR_FROM)
    return {
      recommended: 'clear',
      why: `It will more likely than not clear up by itself: ${Math.round(clear.success * 100)} %.`,
    };
  if (repair.blocked.length > 0)
    return { recommended: 'help', why: 'Repairing it yourself is not an option here.' };
  if (sure !== null && sure < LIKELY)
    return {
      recommended: 'help',
      why: `It should not be driven, and what you would repair cures it in only ${Math.round(sure * 100)} % of such cases. Have it looked at where it stands.`,
    };
  const [own, theirs] = [money(repair.cost, owner), money(help.cost, owner)];
  return repair.cost < help.cost
    ? {
        recommended: 'repair',
        why: `Until it is fixed, this costs about ${own} on average, and getting help ${theirs}.`,
      }
    : {
        recommended: 'help',
        why: `Until it is fixed, this costs about ${theirs} on average. Beginning with the likeliest repair yourself would cost ${own}.`,
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

function leadOf(chances: Float64Array): number | null {
  let best: number | null = null;
  chances.forEach((p, i) => {
    if (p > 0.02 && (best === null || p > (chances[best] ?? 0))) best = i;
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
  if (state.occasion === 'buying') {
    const text = 'It is not your vehicle: nothing is cleared and nothing is repaired at a stranger’s {car}.';
    clear.blocked.push({ id: 'strangers-car', text });
    repair.blocked.push({ id: 'strangers-car', text });
  }
  const standing = state.standing.codes.filter((c) => c.clearedBy === null).map((c) => c.code.state);
  if (standing.includes('permanent') && !standing.some((s) => s === 'confirmed' || s === 'pending'))
    clear.blocked.push({
      id: 'permanent',
      text: 'Only a permanent code is left. A clear does not erase it, and resets the self-check that would.',
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
  // In limp mode an engine neither reaches the speed nor the heat that burn a filter free.
  if (
    leadInstance?.cause.repair.cautions.includes('dry-grass') &&
    leadChance >= LIKELY &&
    (state.standing.observations.get('sign:limp')?.answer === 'yes' ||
      state.standing.lamps.get('particulate')?.mode === 'flashing')
  )
    repair.blocked.push({
      id: 'wants-a-drive',
      text: `${leadInstance.title} is the likeliest, and its remedy is a long drive, which it cannot make as things stand: a {workshop} can do it with the vehicle standing.`,
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
