import type { Lesson, NotDone, Owner, Standing } from '@pincer/core/case';
import type { Explanation } from '@pincer/core/codes';
import { money } from '@pincer/core/decision';
import {
  CHECK_WORTH_IT,
  atCylinder,
  evidenceRatios,
  otherCylinder,
  missingToolCost,
  repairCost,
  type CauseInstance,
  type CheckOutlook,
  type Evidence,
  type Posterior,
} from '@pincer/core/diagnosis';
import {
  CAUTIONS,
  MEASUREMENTS,
  SYSTEMS,
  TOOLS,
  FROM_THE_SEAT,
  TOOL_PRICES,
  askFor,
  cautionsOf,
  procedureOf,
  type CautionId,
  type Check,
  type Procedure,
  type ToolId,
} from '@pincer/core/knowledge';
import type { Measurement } from '@pincer/core/meter';
import type { CodeState, ReadCode } from '@pincer/core/obd';
import { cylindersOf, type AcceptedCode, type Vehicle } from '@pincer/core/vehicle';
import { explainFor } from './explain-for.ts';
import type { MovedPart } from './moved-parts.ts';
import { explained } from './stories.ts';
import type { Fact } from './told.ts';
import { unitNameNow } from './unit-names.ts';

export interface CauseView {
  id: string;
  title: string;
  system: string;
  probability: number;
  /** Codes that it would explain. */
  accountsFor: string[];
  /** Share of what speaks for it that the car said; the rest the owner found. 0 to 1. */
  carShare: number;
  /** For each fact: odds with it over odds without it. Above 1 for, below 1 against; near 1 left out. */
  weights: Record<string, number>;
  isLicensed: boolean;
  repairCost: number;
  /** That it was this before on the owner’s vehicles, and what that does; null where it was not. */
  before: string | null;
}

export interface CheckView {
  id: string;
  title: string;
  how: string;
  minutes: number;
  /** Materials only; tools and time are in `gain`. */
  cost: number;
  /** Expected saving, its own cost taken off, currency units. */
  gain: number;
  /** Whether the saving is worth the trouble. */
  isWorthIt: boolean;
  /** Why it has no result yet, where the owner said so. */
  notDone: NotDone | null;
  /** On the road; with the car lifted. */
  needsDriving: boolean;
  needsLifting: boolean;
  /** Done from the driver's seat, whatever the weather. */
  isFromSeat: boolean;
  /** The engine runs meanwhile: not in a closed garage. */
  runsEngine: boolean;
  /** What it is worth, with the sum. */
  worth: string;
  tools: { id: ToolId; name: string; isMissing: boolean; /** To buy it, currency units. */ price: number }[];
  cautions: string[];
  /** What can be typed from a meter or a gauge, and of which cylinder the check is. */
  measurement: Measurement | null;
  cylinder: number | null;
  outcomes: {
    id: string;
    title: string;
    says: string;
    chance: number;
    leads: { cause: string; title: string; probability: number }[];
  }[];
}

export interface CodeView extends Explanation {
  /** Its words come from the owner's own list. */
  isTheirs: boolean;
  state: CodeState;
  unit: string;
  /** Names of all control units that report it. */
  units: string[];
}

export interface AcceptedView extends CodeView {
  reason: string;
  /** ISO 8601 moment at which it was accepted. */
  since: string;
}

export interface ProcedureView {
  cause: string;
  causeTitle: string;
  title: string;
  parts: number;
  minutes: number;
  cost: number;
  tools: { id: ToolId; name: string; isMissing: boolean; /** To buy it, currency units. */ price: number }[];
  cautions: string[];
  /** What to have ready, the steps, and what comes afterwards. */
  guide: Procedure;
  /** What to ask a workshop for, where the work is not for the owner. */
  askFor: string[];
  isLicensed: boolean;
  probability: number;
  /** It was done, and the fault came back after it. */
  hasComeBack: boolean;
}

/** Whether the engine has to run for a check. @see the test that every check which runs it warns of its exhaust. */
export const runsEngine = ({ cautions, needsDriving }: Check): boolean =>
  cautions.includes('exhaust-gas') || (needsDriving ?? false);

/** Causes below this are not shown; those that nothing speaks for, only from the second figure on. */
const SHOWN = 0.002;
const SHOWN_UNSPOKEN = 0.02;
/** Log of the odds from which facts count as speaking for a cause: half again as likely. */
const SPEAKS_FOR = Math.log(1.5);
const MAX_CAUSES = 14;
/** Ratios this close to 1 say nothing. */
const SAYS_NOTHING = Math.log(7 / 6);

function toolViews(tools: readonly ToolId[], owner: Owner): CheckView['tools'] {
  return tools.map((id) => ({
    id,
    name: TOOLS[id],
    isMissing: !owner.tools.includes(id),
    price: TOOL_PRICES[id] * owner.priceLevel,
  }));
}

function cautionTexts(ids: readonly CautionId[]): string[] {
  return ids.map((id) => CAUTIONS[id]);
}

/** Codes in words, with the control units that report them. */
export function codeView(code: ReadCode, standing: Standing, vehicle: Vehicle): CodeView {
  return {
    ...explainFor(code.code, vehicle),
    state: code.state,
    unit: code.unit,
    units: [
      ...new Set(
        standing.codes
          .filter((c) => c.code.code === code.code)
          .map((c) => unitNameNow(standing, c.code.unit)),
      ),
    ],
  };
}

/** An accepted code in words, with its reason. */
export function acceptedView(
  { code, acceptance }: { code: ReadCode; acceptance: AcceptedCode },
  standing: Standing,
  vehicle: Vehicle,
): AcceptedView {
  return { ...codeView(code, standing, vehicle), reason: acceptance.reason, since: acceptance.since };
}

/** What a check is worth, in a few words that complete "It ...". */
function worthOf({ gain, spares, check }: CheckOutlook, owner: Owner): string {
  const bought = missingToolCost(check.tools, owner);
  if (gain >= CHECK_WORTH_IT)
    return bought > 0
      ? `saves about ${money(gain + bought, owner)} in wasted parts and time, for ${money(bought, owner)} of tools to buy`
      : `saves about ${money(gain, owner)} in wasted parts and time`;
  // The tool stays: whoever wants it for more than this one check may look at it otherwise.
  if (bought > 0 && gain + bought >= CHECK_WORTH_IT)
    return `would save about ${money(gain + bought, owner)}, with ${money(bought, owner)} of tools to buy for it`;
  if (spares !== null) return `comes before ${money(spares, owner)} is spent on a part`;
  return gain > -0.5 ? 'saves about what it costs' : 'costs more than it saves';
}

/** A check with what it costs, and what each of its results would do. */
export function checkView(
  outlook: CheckOutlook,
  { instances }: Posterior,
  vehicle: Vehicle,
  owner: Owner,
): CheckView {
  const { check, cylinder } = outlook;
  const other = cylinder === null ? undefined : otherCylinder(cylinder, cylindersOf(vehicle));
  return {
    id: outlook.id,
    title: outlook.title,
    how: atCylinder(check.how, cylinder, other),
    minutes: check.minutes,
    cost: check.cost * owner.priceLevel,
    gain: outlook.gain,
    isWorthIt: outlook.notDone === null && (outlook.gain >= CHECK_WORTH_IT || outlook.spares !== null),
    notDone: outlook.notDone,
    needsDriving: check.needsDriving ?? false,
    needsLifting: check.cautions.includes('jacking'),
    isFromSeat: FROM_THE_SEAT.has(check.id),
    runsEngine: runsEngine(check),
    worth: worthOf(outlook, owner),
    tools: toolViews(check.tools, owner),
    cautions: cautionTexts(check.cautions),
    measurement: MEASUREMENTS[check.id] ?? null,
    cylinder,
    outcomes: outlook.outcomes.map((x) => ({
      ...x,
      leads: x.leads.map(({ index, chance }) => ({
        cause: instances[index]?.id ?? '',
        title: instances[index]?.title ?? '',
        probability: chance,
      })),
    })),
  };
}

/** The causes worth showing, the likeliest first, with what speaks for and against each. */
export function causeViews(
  posterior: Posterior,
  ratios: readonly FactRatios[],
  facts: readonly Fact[],
  { codes, moved }: { codes: readonly string[]; moved: readonly MovedPart[] },
  owner: Owner,
  lessons: readonly Lesson[],
): CauseView[] {
  const sideOf = new Map(facts.map((f) => [f.id, f.side]));
  return [...posterior.marginals.keys()]
    .filter((i) => (posterior.marginals[i] ?? 0) >= SHOWN)
    .sort((a, b) => (posterior.marginals[b] ?? 0) - (posterior.marginals[a] ?? 0))
    .slice(0, MAX_CAUSES)
    .flatMap((i) => {
      const instance = posterior.instances[i];
      if (!instance) return [];
      const weights: Record<string, number> = {};
      let fromCar = 0;
      let fromOwner = 0;
      for (const { fact, byCause } of ratios) {
        const ratio = byCause[i] ?? 1;
        if (ratio > 1) {
          if (sideOf.get(fact) === 'owner') fromOwner += Math.log(ratio);
          else fromCar += Math.log(ratio);
        }
        if (Math.abs(Math.log(ratio)) >= SAYS_NOTHING) weights[fact] = ratio;
      }
      if (fromCar + fromOwner < SPEAKS_FOR && (posterior.marginals[i] ?? 0) < SHOWN_UNSPOKEN) return [];
      return [
        {
          id: instance.id,
          title: instance.title,
          system: SYSTEMS[instance.cause.system],
          probability: posterior.marginals[i] ?? 0,
          accountsFor: explained(posterior, i, codes, moved),
          carShare: fromCar + fromOwner > 0 ? fromCar / (fromCar + fromOwner) : 0.5,
          weights,
          isLicensed: instance.cause.repair.isLicensed ?? false,
          repairCost: repairCost(instance, owner),
          before: beforeWords(instance, lessons),
        },
      ];
    });
}

/** A cause that something speaks for and something else rules out. */
export interface RefutedView {
  id: string;
  title: string;
  /** The fact that speaks most against it. */
  by: string;
}

/** From which ratio a fact counts as speaking for a cause, and under which as ruling it out. */
const SPEAKS = 3;
const RULES_OUT = 1 / 4;
const MAX_REFUTED = 8;

/**
 * Causes that were worth a thought and are ruled out, each with what did it; the most thought of first, and equals, such as
 * one part of each cylinder, in the order of the library: the last digits of a product decide nothing.
 */
export function refutedViews(
  posterior: Posterior,
  ratios: readonly FactRatios[],
  facts: readonly Fact[],
): RefutedView[] {
  const titleOf = new Map(facts.map((f) => [f.id, f.title]));
  const found: (RefutedView & { support: number })[] = [];
  posterior.instances.forEach((instance, i) => {
    if ((posterior.marginals[i] ?? 0) >= SHOWN) return;
    let support = 1;
    let [against, least] = ['', 1];
    // Hundreds of causes by dozens of facts: no list is made of each.
    for (const { fact, byCause } of ratios) {
      const ratio = byCause[i] ?? 1;
      if (ratio > 1) support *= ratio;
      if (ratio < least) [against, least] = [fact, ratio];
    }
    const by = titleOf.get(against);
    if (support >= SPEAKS && least <= RULES_OUT && by !== undefined)
      found.push({ id: instance.id, title: instance.title, by, support: Number(support.toPrecision(9)) });
  });
  return found
    .sort((a, b) => b.support - a.support)
    .slice(0, MAX_REFUTED)
    .map(({ support: _, ...view }) => view);
}

/** How much a fact speaks for each cause, by index of the instance. */
export interface FactRatios {
  fact: string;
  byCause: Float64Array;
}

/** For each fact, how much it speaks for each cause: the dearest part of the views, so that it is made once for all. */
export function ratiosByFact(posterior: Posterior, evidence: readonly Evidence[]): FactRatios[] {
  const indicesOf = new Map<string, number[]>();
  evidence.forEach((e, i) => indicesOf.set(e.fact, [...(indicesOf.get(e.fact) ?? []), i]));
  return [...indicesOf].map(([fact, indices]) => ({ fact, byCause: evidenceRatios(posterior, indices) }));
}

const monthOf = (iso: string): string =>
  new Date(iso).toLocaleDateString('en-GB', { month: 'long', year: 'numeric', timeZone: 'UTC' });

/** What it was before, how often, and how much that counts. */
function beforeWords({ cause, lift = 1 }: CauseInstance, lessons: readonly Lesson[]): string | null {
  const mine = lessons.filter((l) => l.cause === cause.id);
  const last = mine
    .map((l) => l.at)
    .sort()
    .at(-1);
  if (last === undefined) return null;
  const times = mine.length === 1 ? 'once' : `${mine.length} times`;
  const counts = lift > 1.05 ? `, which makes it ${lift.toFixed(1)} times as likely as usual` : '';
  return `It was this ${times} before on your vehicles, last in ${monthOf(last)}${counts}.`;
}

/** Procedures for causes, the planned order first, then by chance. */
export function procedures(
  posterior: Posterior,
  plan: readonly number[],
  shown: readonly string[],
  owner: Owner,
  spent: ReadonlySet<string>,
): ProcedureView[] {
  const byChance = posterior.instances
    .map((_, i) => i)
    .filter((i) => shown.includes(posterior.instances[i]?.id ?? ''));
  byChance.sort((a, b) => (posterior.marginals[b] ?? 0) - (posterior.marginals[a] ?? 0));
  const isSpent = (i: number): number => (spent.has(posterior.instances[i]?.id ?? '') ? 1 : 0);
  // What was done and did not help comes last, unless nothing else is left to plan.
  const order = [...new Set([...plan, ...byChance])].sort((a, b) => isSpent(a) - isSpent(b));
  return order.flatMap((i) => {
    const instance = posterior.instances[i];
    if (!instance) return [];
    const { repair } = instance.cause;
    const fill = (text: string) => atCylinder(text, instance.cylinder);
    return [
      {
        cause: instance.id,
        causeTitle: instance.title,
        title: fill(repair.title),
        parts: repair.parts,
        minutes: repair.ownerMinutes,
        cost: repairCost(instance, owner),
        tools: toolViews(repair.tools, owner),
        cautions: cautionTexts(cautionsOf(instance.cause)),
        guide: filled(procedureOf(instance.cause), fill),
        askFor: [...askFor(instance.cause)],
        isLicensed: repair.isLicensed ?? false,
        probability: posterior.marginals[i] ?? 0,
        hasComeBack: isSpent(i) === 1,
      },
    ];
  });
}

/** A procedure with its cylinder named. */
function filled(guide: Procedure, fill: (text: string) => string): Procedure {
  return { ...guide, steps: guide.steps.map((s) => ({ ...s, text: fill(s.text) })) };
}
