import {
  DEFAULT_OWNER,
  foldCase,
  lastValue,
  type CaseRecord,
  type CaseState,
  type Lesson,
  type Owner,
} from '@pincer/core/case';
import { decide, type Option, type OptionId } from '@pincer/core/decision';
import {
  WELL_DONE,
  instancesFor,
  withExperience,
  posteriorOf,
  quietOf,
  rankChecks,
  type CauseInstance,
  type Evidence,
  type QuietNow,
} from '@pincer/core/diagnosis';
import {
  counterChecks,
  lastClear,
  placesOf,
  proofBasis,
  proofView,
  type CounterCheck,
  type ProofView,
} from '@pincer/core/proof';
import { FROM_THE_SEAT } from '@pincer/core/knowledge';
import type { Judgement } from '@pincer/core/signals';
import {
  driveAllowance,
  factsOfCodes,
  levelRank,
  preliminaryChecks,
  untilThen,
  urgencyFacts,
  type Allowance,
  type PreliminaryCheck,
  type UntilThen,
} from '@pincer/core/urgency';
import { acceptedNow, type Vehicle } from '@pincer/core/vehicle';
import { tellAll } from '@pincer/core/words';
import { inspectionView, type InspectionView } from '@pincer/core/inspection';
import { beforeAfter, type BeforeAfterRow } from './before-after.ts';
import { bulletinFacts } from './bulletin-facts.ts';
import { closingView, type ClosingView } from './closing.ts';
import { codeFacts, type CodesTold } from './code-facts.ts';
import { checkFacts, lampFacts, observationFacts } from './owner-facts.ts';
import { firstStep, type FirstStep } from './first-step.ts';
import { frameFacts, readingFacts, type ReadingsTold } from './reading-facts.ts';
import { lampOnFacts } from './lamp-on-facts.ts';
import { doneNow, followParts, movedParts, type MovedPart } from './moved-parts.ts';
import { planView, type PlanView } from './plan.ts';
import { repairFacts } from './repair-facts.ts';
import { returnFacts, returnsView, type ReturnsView } from './return-facts.ts';
import { serviceFacts } from './service-facts.ts';
import { judgeOffers, type OfferView } from './offers.ts';
import { stationViews, type StationView } from './stations.ts';
import { groupCodes, type Group } from './stories.ts';
import { NOTHING, together, type Fact, type Told } from './told.ts';
import {
  acceptedView,
  causeViews,
  checkView,
  codeView,
  procedures,
  ratiosByFact,
  runsEngine,
  refutedViews,
  type AcceptedView,
  type CauseView,
  type CheckView,
  type CodeView,
  type ProcedureView,
  type RefutedView,
} from './views.ts';
import { unaskedUnits } from './unasked.ts';
import { waitingView, type WaitingView } from './waiting.ts';

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
  /** Lights that are on after a reading which did not reach their control unit, with the way to ask it. */
  unasked: string[];
  causes: CauseView[];
  /** Causes that were worth a thought and are ruled out, with what did it. */
  refuted: RefutedView[];
  /** Chance that it is none of the causes in the library. */
  none: number;
  /** Where nothing fails now: why, what to do, and the chance that nothing is wrong any more. */
  quiet: QuietNow | null;
  checks: CheckView[];
  /** Checks that want a drive are left out while the car may not be driven. */
  doChecksWaitForRoad: boolean;
  options: Option[];
  recommended: OptionId;
  why: string;
  /** What comes next: a check, or the choice that is advised. */
  firstStep: FirstStep;
  /** What is done until it is fixed, with its figures; null where no cause is known or an own repair is closed. */
  plan: PlanView | null;
  /** What lowers the risk until it is fixed, and when to look again. */
  untilThen: UntilThen;
  breakEvens: string[];
  /** Offers and invoices, each line held against the evidence; the one that costs least on average first. */
  offers: OfferView[];
  /** Procedures for the likeliest causes, the planned order first. */
  procedures: ProcedureView[];
  judgements: Judgement[];
  proof: ProofView;
  /** Where the car’s counters do not fit what is in the log. */
  counters: CounterCheck[];
  /** Readings that were odd before the last repair or clear, then and now. */
  beforeAfter: BeforeAfterRow[];
  /** Each time that it came back after a clear. */
  returns: ReturnsView;
  closing: ClosingView;
  /** Whether it would pass an inspection; null for electric vehicles. */
  inspection: InspectionView | null;
  /** What it waits for, in days, drives and dates. */
  waiting: WaitingView;
  stations: StationView[];
}

/** What the log tells of the present episode. */
interface Gathered extends Told {
  /** Parts that were exchanged and took the fault along. */
  moved: readonly MovedPart[];
  codes: CodesTold['codes'];
  accepted: CodesTold['accepted'];
  judgements: ReadingsTold['judgements'];
  decided: ReadingsTold['decided'];
}

/**
 * Gathers the lines of the two jaws and the evidence for the network.
 * @param isOver whether the episode before the last clear is proven to be over: what was told then is history.
 */
function gather(state: CaseState, vehicle: Vehicle, isOver: boolean, now: Date): Gathered {
  const { standing } = state;
  const places = placesOf(state);
  const basis = isOver ? proofBasis(state, places) : null;
  const begins = basis ? (places.get(basis.entry) ?? -1) : -1;
  const counts = (entry: string) => (places.get(entry) ?? -1) > begins;
  // Without a clear, what is stored yet is history once it is proven.
  const healed = basis?.way === 'repair' ? new Set(basis.was.map((c) => c.code)) : undefined;
  const codes = codeFacts(state, vehicle, isOver, healed);
  const readings = readingFacts(state, vehicle, counts);
  const told = together(
    codes,
    lampFacts(standing),
    frameFacts(state, vehicle, counts),
    readings,
    observationFacts(standing, counts),
    serviceFacts(standing, vehicle, now),
    isOver ? NOTHING : bulletinFacts(state),
    checkFacts(standing, vehicle, counts),
    // What came back before it was cured for good is history too.
    isOver ? NOTHING : repairFacts(state, vehicle),
    isOver ? NOTHING : returnFacts(state),
    isOver ? NOTHING : lampOnFacts(state),
  );
  const moved = movedParts(standing, vehicle, counts);
  return {
    facts: told.facts,
    evidence: followParts(told.evidence, moved, standing),
    moved,
    codes: codes.codes,
    accepted: codes.accepted,
    judgements: readings.judgements,
    decided: readings.decided,
  };
}

/** Whether anything was seen at all; that nothing was is no reason to name a cause. */
const saysSomething = (evidence: readonly Evidence[]): boolean =>
  evidence.some((e) => e.kind !== 'stays-lit' && (e.kind !== 'observation' || e.isPresent));

/**
 * From facts to advice: a pure function of the case, the vehicle, the owner's rates and the moment.
 * Nothing is typed into a verdict; everything here is computed from the log.
 * @param lessons of the owner's closed cases; the case's own does not count.
 */
export function assess(
  record: CaseRecord,
  vehicle: Vehicle,
  now: Date,
  owner: Owner = DEFAULT_OWNER,
  lessons: readonly Lesson[] = [],
): Assessment {
  // 1. What is known now.
  const state = foldCase(record);
  const { standing } = state;

  // 2. What speaks for which cause, and whether what was done is proven to have cured it.
  const learnt = owner.learns ? lessons.filter((l) => l.case !== record.id) : [];
  const instances = withExperience(instancesFor(vehicle, now), {
    lessons: learnt,
    prices: standing.prices,
    priceLevel: owner.priceLevel,
  });
  const all = gather(state, vehicle, false, now);
  const proof = proofView(state, hasBegun(state) ? cureAtRepair(state, vehicle, instances, now) : 0);
  const isOver = proof.status === 'proven';
  const told = isOver ? gather(state, vehicle, true, now) : all;
  const situation = quietOf(
    state,
    told.codes,
    told.decided.some((j) => j.verdict === 'odd' || j.verdict === 'impossible'),
    proof.status !== 'not-cleared' && proof.way !== 'repair' && !isOver,
  );
  const posterior = posteriorOf(instances, told.evidence, situation?.share);
  const quiet = situation && { ...situation, chance: posterior.quiet };
  const hasEvidence = saysSomething(told.evidence);

  // 3. How far it may still be driven.
  const allowance = driveAllowance(
    urgencyFacts(state, {
      judgements: told.decided,
      accepted: new Set(acceptedNow(vehicle).keys()),
      ...afterClear(state, proof),
    }),
  );
  // Below "short trips" nobody is sent on the road for a check.
  const mayDrive = levelRank(allowance.level) >= levelRank('short-trips');

  // 4. Stories, causes, the next check.
  const codes = told.codes.map((c) => c.code);
  const { groups, leftOver } = groupCodes(posterior, codes, told.moved);
  const ratios = hasEvidence ? ratiosByFact(posterior, told.evidence) : [];
  const causes = hasEvidence
    ? causeViews(posterior, ratios, told.facts, { codes, moved: told.moved }, owner, learnt)
    : [];
  const done = doneNow(standing, told.moved);
  const spent = new Set(told.evidence.flatMap((e) => (e.kind === 'came-back' ? [e.cause] : [])));
  const outlooks = hasEvidence
    ? rankChecks(posterior, done, vehicle, owner, mayDrive, standing.checksNotDone, spent).filter(
        ({ check }) =>
          // At a stranger’s car nothing is taken apart: only what can be done from the seat.
          (state.occasion !== 'buying' || FROM_THE_SEAT.has(check.id)) &&
          // An engine that does not start cannot be watched while it runs.
          (doesStart(state) || !runsEngine(check)),
      )
    : [];

  // 5. Repair, clear and watch, or get help.
  const decision = decide(state, vehicle, owner, posterior, allowance, now, quiet, spent);

  const checks = outlooks.map((o) => checkView(o, posterior, vehicle, owner));
  const repairs = procedures(
    posterior,
    decision.plan.order,
    causes.map((c) => c.id),
    owner,
    spent,
  );

  const inspection = inspectionView(state, vehicle, now);
  const assessment: Assessment = {
    allowance,
    facts: [...told.facts],
    codes: told.codes.map((c) => codeView(c, standing, vehicle)),
    accepted: told.accepted.map((a) => acceptedView(a, standing, vehicle)),
    preliminaryChecks: preliminaryChecks(state, vehicle),
    groups,
    leftOver,
    unasked: unaskedUnits(state, vehicle),
    causes,
    refuted: hasEvidence ? refutedViews(posterior, ratios, told.facts) : [],
    none: posterior.none,
    quiet,
    checks,
    doChecksWaitForRoad: !mayDrive,
    options: decision.options,
    recommended: decision.recommended,
    why: decision.why,
    firstStep: firstStep(checks, decision, repairs),
    plan:
      hasEvidence && decision.options.every((o) => o.id !== 'repair' || o.blocked.length === 0)
        ? planView(checks[0]?.isWorthIt ? (outlooks[0] ?? null) : null, decision.plan, posterior.instances)
        : null,
    untilThen: untilThen(allowance),
    breakEvens: decision.breakEvens,
    offers: judgeOffers(state.offers, { causes, options: decision.options }),
    procedures: repairs,
    judgements: [...told.judgements],
    proof,
    counters: counterChecks(state),
    beforeAfter: hasBegun(state) ? beforeAfter(state, vehicle, placesOf(state)) : [],
    returns: returnsView(state, decision.options, owner, isOver || state.closed !== null),
    closing: closingView(state, proof),
    inspection,
    waiting: waitingView(state, vehicle, proof, inspection, now),
    stations: stationViews(state, {
      groups: groups.length,
      leftOver: leftOver.length,
      causes: causes.length,
      codes: codes.length,
      proof,
    }),
  };
  // 6. All of it in the owner's units and English, and in the word for this vehicle.
  return tellAll(assessment, { ...owner, vehicle: vehicle.kind });
}

/** A starter turns no engine faster than this, rpm. */
const CRANKING_RPM = 400;

/** Whether the engine can be made to run: not where the owner says that it does not start, and no reading since saw it run. */
function doesStart({ standing }: CaseState): boolean {
  const told = standing.observations.get('sign:no-start');
  if (told?.answer !== 'yes') return true;
  const speed = lastValue(standing, '0C');
  return speed !== null && speed.word.at >= told.at && Number(speed.value.value) > CRANKING_RPM;
}

/** Whether anything was done that could have cured it. */
const hasBegun = (state: CaseState): boolean => state.repairs.length > 0 || lastClear(state) !== null;

/** What a clear whose proof is still open means for driving. */
function afterClear(
  state: CaseState,
  proof: ProofView,
): { isClearedUnproven: boolean; wasDangerous: boolean } {
  // Without a clear the codes still stand there and speak for themselves.
  const isOpen = proof.way !== 'repair' && ['read-again', 'watching', 'returned'].includes(proof.status);
  const erased = (lastClear(state)?.erased ?? []).map((e) => e.code);
  const isShort = (level: Allowance['level']) => levelRank(level) <= levelRank('safe-place');
  return {
    isClearedUnproven: isOpen,
    wasDangerous: isOpen && erased.length > 0 && isShort(driveAllowance(factsOfCodes(erased)).level),
  };
}

/** Chance that a repair which no list here knows was the right one, by who did it. Judged. */
const OTHER_REPAIR = { owner: 0.5, friend: 0.5, workshop: 0.9 } as const;

/**
 * Chance that what was done cured it, as it was known when it was done: the chances of the causes repaired, or at the
 * clear of those that pass by themselves. What was found before counts with it; what comes later says whether the fault
 * is still there, not what had been repaired.
 */
function cureAtRepair(
  state: CaseState,
  vehicle: Vehicle,
  instances: readonly CauseInstance[],
  now: Date,
): number {
  const last = state.repairs.at(-1)?.id ?? lastClear(state)?.entry;
  const at = state.entries.findIndex((e) => e.id === last);
  const then = foldCase({ entries: state.entries.slice(0, Math.max(0, at)) });
  const { marginals } = posteriorOf(instances, gather(then, vehicle, false, now).evidence);
  const repaired = new Set(state.repairs.map((r) => r.cause));
  let cured = 0;
  instances.forEach((instance, i) => {
    const isCured = repaired.size > 0 ? repaired.has(instance.id) : instance.cause.isPassing;
    if (isCured) cured += marginals[i] ?? 0;
  });
  for (const { cause, by } of state.repairs)
    if (cause === 'other') cured = Math.max(cured, OTHER_REPAIR[by ?? 'owner']);
  return Math.min(0.98, Math.max(0.05, cured)) * (repaired.size > 0 ? WELL_DONE : 1);
}
