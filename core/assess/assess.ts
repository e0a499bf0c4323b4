import { DEFAULT_OWNER, foldCase, type CaseRecord, type CaseState, type Owner } from '@pincer/core/case';
import type { Explanation } from '@pincer/core/codes';
import { decide, type Option, type OptionId } from '@pincer/core/decision';
import {
  CHECK_WORTH_IT,
  evidenceRatios,
  instancesFor,
  posteriorOf,
  rankChecks,
  repairCost,
  strengthOf,
  atCylinder,
  type Evidence,
  type Posterior,
} from '@pincer/core/diagnosis';
import {
  CAUTIONS,
  SYSTEMS,
  TOOLS,
  findingOfCode,
  type CautionId,
  type ToolId,
} from '@pincer/core/knowledge';
import type { CodeState } from '@pincer/core/obd';
import { proofView, type ProofView } from '@pincer/core/proof';
import type { Judgement } from '@pincer/core/signals';
import {
  driveAllowance,
  preliminaryChecks,
  urgencyFacts,
  type Allowance,
  type PreliminaryCheck,
} from '@pincer/core/urgency';
import { acceptedNow, type Vehicle } from '@pincer/core/vehicle';
import { explainFor, gatherFacts, type Fact } from './facts.ts';
import { unitName } from './scan-view';
import { stationViews, type StationView } from './stations.ts';

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
  tools: { id: ToolId; name: string; isMissing: boolean }[];
  cautions: string[];
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

/** Codes that one cause accounts for: one story. */
export interface Group {
  cause: string;
  title: string;
  codes: string[];
}

export interface ProcedureView {
  cause: string;
  causeTitle: string;
  title: string;
  parts: number;
  minutes: number;
  cost: number;
  tools: { id: ToolId; name: string; isMissing: boolean }[];
  cautions: string[];
  steps: string[];
  isLicensed: boolean;
  probability: number;
}

export interface Assessment {
  allowance: Allowance;
  facts: Fact[];
  codes: CodeView[];
  /** Codes that are there and that the owner knows and lives with, apart from the others. */
  accepted: AcceptedView[];
  /** Cheap things worth doing before anything else. */
  preliminaryChecks: PreliminaryCheck[];
  groups: Group[];
  /** Codes that no held cause accounts for. */
  leftOver: string[];
  causes: CauseView[];
  /** Chance that it is none of the causes in the library. */
  none: number;
  checks: CheckView[];
  /** Checks that want a drive are left out while the car may not be driven. */
  doChecksWaitForRoad: boolean;
  options: Option[];
  recommended: OptionId;
  why: string;
  breakEvens: string[];
  /** Procedures for the likeliest causes, the planned order first. */
  procedures: ProcedureView[];
  judgements: Judgement[];
  proof: ProofView;
  stations: StationView[];
}

/** A cause explains a code when it makes it appear at least this often. */
const EXPLAINS = 0.3;
/** Causes below this are not shown; those that nothing speaks for, only from the second figure on. */
const SHOWN = 0.002;
const SHOWN_UNSPOKEN = 0.02;
/** Log of the odds from which facts count as speaking for a cause: half again as likely. */
const SPEAKS_FOR = Math.log(1.5);
const MAX_CAUSES = 14;
/** Ratios this close to 1 say nothing. */
const SAYS_NOTHING = 0.06;

/**
 * From facts to advice: a pure function of the case, the vehicle, the owner's rates and the moment.
 * Nothing is typed into a verdict; everything here is computed from the log.
 */
export function assess(
  record: CaseRecord,
  vehicle: Vehicle,
  now: Date,
  owner: Owner = DEFAULT_OWNER,
): Assessment {
  const state = foldCase(record);
  const { facts, evidence, judgements, codes, accepted } = gatherFacts(state, vehicle, owner.units);
  const instances = instancesFor(vehicle, now);
  const posterior = posteriorOf(instances, evidence);
  const allowance = driveAllowance(urgencyFacts(state, judgements, new Set(acceptedNow(vehicle).keys())));
  const codeViews = codes.map((c) => ({
    ...explainFor(c.code, vehicle),
    state: c.state,
    unit: c.unit,
    units: unitsOf(state, c.code),
  }));
  const acceptedViews = accepted.map(({ code, acceptance }) => ({
    ...explainFor(code.code, vehicle),
    state: code.state,
    unit: code.unit,
    units: unitsOf(state, code.code),
    reason: acceptance.reason,
    since: acceptance.since,
  }));
  const hasEvidence = evidence.some((e) => e.kind !== 'observation' || e.isPresent);
  const causes = hasEvidence
    ? causeViews(
        posterior,
        evidence,
        facts,
        codes.map((c) => c.code),
        owner,
      )
    : [];
  const { groups, leftOver } = groupCodes(
    posterior,
    codes.map((c) => c.code),
  );
  // Below "short trips" nobody is sent on the road for a check.
  const mayDrive = allowance.level >= 2;
  const done = new Set(state.checks.keys());
  const outlooks = hasEvidence ? rankChecks(posterior, done, vehicle, owner, mayDrive) : [];
  const decision = decide(state, vehicle, owner, posterior, allowance, now);
  const proof = proofView(state, priorOfCure(state, posterior));
  return {
    allowance,
    facts,
    codes: codeViews,
    accepted: acceptedViews,
    preliminaryChecks: preliminaryChecks(state, vehicle),
    groups,
    leftOver,
    causes,
    none: posterior.none,
    checks: outlooks.map((o) => ({
      id: o.id,
      title: o.title,
      how: atCylinder(o.check.how, o.cylinder, otherOf(o.title)),
      minutes: o.check.minutes,
      cost: o.check.cost,
      gain: o.gain,
      isWorthIt: o.gain >= CHECK_WORTH_IT,
      tools: toolViews(o.check.tools, owner),
      cautions: cautionTexts(o.check.cautions),
      outcomes: o.outcomes.map((x) => ({
        ...x,
        leads: x.leads.map(({ index, chance }) => ({
          cause: instances[index]?.id ?? '',
          title: instances[index]?.title ?? '',
          probability: chance,
        })),
      })),
    })),
    doChecksWaitForRoad: !mayDrive,
    options: decision.options,
    recommended: decision.recommended,
    why: decision.why,
    breakEvens: decision.breakEvens,
    procedures: procedures(
      posterior,
      decision.plan,
      causes.map((c) => c.id),
      owner,
    ),
    judgements,
    proof,
    stations: stationViews(state, {
      groups: groups.length,
      leftOver: leftOver.length,
      causes: causes.length,
      codes: codes.length,
      proof,
    }),
  };
}

/** Control units that reported a code in any reading of the case. */
function unitsOf(state: CaseState, code: string): string[] {
  return [
    ...new Set(
      state.scans.flatMap(({ scan }) =>
        scan.codes.filter((c) => c.code === code).map((c) => unitName(scan, c.unit)),
      ),
    ),
  ];
}

/** The other cylinder that a title names, for the text of the same check. */
function otherOf(title: string): number | undefined {
  const match = / and (\d+)/.exec(title);
  return match ? Number(match[1]) : undefined;
}

function toolViews(tools: readonly ToolId[], owner: Owner): CheckView['tools'] {
  return tools.map((id) => ({ id, name: TOOLS[id], isMissing: !owner.tools.includes(id) }));
}

function cautionTexts(ids: readonly CautionId[]): string[] {
  return ids.map((id) => CAUTIONS[id]);
}

function explained(posterior: Posterior, index: number, codes: readonly string[]): string[] {
  const instance = posterior.instances[index];
  if (!instance) return [];
  return codes.filter((code) => {
    const found = findingOfCode(code);
    return found !== null && strengthOf(instance, found.key, found.cylinder) >= EXPLAINS;
  });
}

function causeViews(
  posterior: Posterior,
  evidence: readonly Evidence[],
  facts: readonly Fact[],
  codes: readonly string[],
  owner: Owner,
): CauseView[] {
  const indicesOf = new Map<string, number[]>();
  evidence.forEach((e, i) => indicesOf.set(e.fact, [...(indicesOf.get(e.fact) ?? []), i]));
  const ratios = [...indicesOf].map(([fact, indices]) => ({
    fact,
    byCause: evidenceRatios(posterior, indices),
  }));
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
          accountsFor: explained(posterior, i, codes),
          carShare: fromCar + fromOwner > 0 ? fromCar / (fromCar + fromOwner) : 0.5,
          weights,
          isLicensed: instance.cause.repair.isLicensed ?? false,
          repairCost: repairCost(instance, owner),
        },
      ];
    });
}

/**
 * Stories: which codes go back to which cause, and what is left over. Hypotheses that explain the same codes are
 * taken together, so that many rivals for one code do not make a single cause look likelier than two; of the
 * likeliest set of explained codes the likeliest hypothesis tells the story.
 */
function groupCodes(posterior: Posterior, codes: readonly string[]): { groups: Group[]; leftOver: string[] } {
  const byCause = posterior.instances.map((_, i) => explained(posterior, i, codes));
  // Which codes a cause explains as bits, in words of 31, for there are thousands of hypotheses to sort by them.
  const words = Math.ceil(codes.length / 31);
  const bits = byCause.map((mine) =>
    Array.from({ length: words }, (_, w) =>
      codes.slice(w * 31, w * 31 + 31).reduce((b, c, n) => (mine.includes(c) ? b | (1 << n) : b), 0),
    ),
  );
  const none = Array<number>(words).fill(0);
  const sets = new Map<number | string, { mass: number; best: number }>();
  posterior.hypotheses.forEach(({ causes: [i = -1, j = -1] }, h) => {
    const weight = posterior.weights[h] ?? 0;
    const [a, b] = [bits[i] ?? none, bits[j] ?? none];
    const key = words <= 1 ? (a[0] ?? 0) | (b[0] ?? 0) : a.map((x, w) => x | (b[w] ?? 0)).join();
    const set = sets.get(key) ?? { mass: 0, best: h };
    set.mass += weight;
    if (weight > (posterior.weights[set.best] ?? 0)) set.best = h;
    sets.set(key, set);
  });
  const likeliest = [...sets.values()].reduce((a, b) => (b.mass > a.mass ? b : a));
  const left = new Set(codes);
  const groups: Group[] = [];
  for (const index of posterior.hypotheses[likeliest.best]?.causes ?? []) {
    const instance = posterior.instances[index];
    const mine = (byCause[index] ?? []).filter((c) => left.has(c));
    if (!instance || mine.length === 0) continue;
    mine.forEach((c) => left.delete(c));
    groups.push({ cause: instance.id, title: instance.title, codes: mine });
  }
  return { groups, leftOver: [...left] };
}

function procedures(
  posterior: Posterior,
  plan: readonly number[],
  shown: readonly string[],
  owner: Owner,
): ProcedureView[] {
  const byChance = posterior.instances
    .map((_, i) => i)
    .filter((i) => shown.includes(posterior.instances[i]?.id ?? ''));
  byChance.sort((a, b) => (posterior.marginals[b] ?? 0) - (posterior.marginals[a] ?? 0));
  return [...new Set([...plan, ...byChance])].flatMap((i) => {
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
        cautions: cautionTexts(repair.cautions),
        steps: repair.steps.map(fill),
        isLicensed: repair.isLicensed ?? false,
        probability: posterior.marginals[i] ?? 0,
      },
    ];
  });
}

/** Chance that what was done cured it: the chances of the causes repaired, or of those that pass by themselves. */
function priorOfCure(state: CaseState, posterior: Posterior): number {
  const repaired = new Set(state.repairs.map((r) => r.cause));
  let cured = 0;
  posterior.instances.forEach((instance, i) => {
    const isCured = repaired.size > 0 ? repaired.has(instance.id) : instance.cause.isPassing;
    if (isCured) cured += posterior.marginals[i] ?? 0;
  });
  return Math.min(0.98, Math.max(0.05, cured));
}
