import { clearedLately, valueNow, type CaseState, type Owner } from '@pincer/core/case';
import { money } from '@pincer/core/decision';
import { compareVins, type Vehicle } from '@pincer/core/vehicle';
import type { Assessment } from './assess.ts';
import type { Sheet } from './handover.ts';
import { lampApart } from './scan-view.ts';

/** How much a finding weighs: a reason to walk away, one to ask and to pay less, or one that is as it should be. */
export type BuyingWeight = 'walk-away' | 'ask' | 'good';

export interface BuyingFinding {
  id: string;
  weight: BuyingWeight;
  title: string;
  /** What it means, and what to ask or to do. */
  says: string;
}

/** A step at the car, in the order in which it can be done. */
export interface BuyingStep {
  id: 'cold' | 'lamp' | 'start' | 'reading' | 'drive' | 'second-reading';
  title: string;
  how: string;
  isDone: boolean;
  /** Where it is done; null where it is looked at and nothing is recorded. */
  station: 'light' | 'read' | 'prove' | null;
}

export interface BuyingView {
  steps: BuyingStep[];
  /** The gravest first. */
  findings: BuyingFinding[];
  /** What a workshop would ask for what is suspected, currency units; null where nothing is. */
  suspected: number | null;
  /** The price argument, in a sentence; null where there is none. */
  argument: string | null;
  questions: string[];
  verdict: { title: string; says: string };
}

/** A colder engine has stood since yesterday; a warmer one was started before you came. °C. */
const COLD = 40;
/** A car’s own distance may lie so far off the instrument, share, before it is no rounding. */
const DISTANCE_OFF = 0.03;
const RANK = { 'walk-away': 0, ask: 1, good: 2 } as const;

/** Complete readings by the adapter, and whether a drive lies between the first and the last. */
function readingsOf({ scans, entries }: CaseState) {
  const whole = scans.filter((s) => s.via === 'adapter' && s.isComplete);
  const [first, last] = [whole[0], whole.at(-1)];
  const placeOf = (id: string) => entries.findIndex((e) => e.id === id);
  const drive = entries.findIndex((e) => e.kind === 'drive');
  const isSecond =
    first !== undefined &&
    last !== undefined &&
    first !== last &&
    drive > placeOf(first.id) &&
    placeOf(last.id) > drive;
  return { first, isSecond };
}

function stepsOf(state: CaseState, isRead: boolean, isSecond: boolean): BuyingStep[] {
  const { standing, drives } = state;
  return [
    {
      id: 'cold',
      title: 'Feel whether the engine is cold',
      how: 'Put a hand near the engine before anybody starts it. A seller who has warmed it up may hide a bad cold start, smoke or a rattle.',
      isDone: isRead,
      station: null,
    },
    {
      id: 'lamp',
      title: 'Switch the ignition on, and look at the lights',
      how: 'Every warning light must come on for a moment, the engine light too. One that stays dark may have been taken out.',
      isDone: standing.bulb !== 'unknown',
      station: 'light',
    },
    {
      id: 'reading',
      title: 'Read everything, ignition on, engine off',
      how: 'Ask before you plug in. Compare the vehicle number with the papers and with the one behind the {windscreen}.',
      isDone: isRead,
      station: 'read',
    },
    {
      id: 'start',
      title: 'Start it, look and listen',
      how: 'Smoke, a rattle, a rough idle, a light that stays on: say what you notice.',
      isDone: [...standing.observations.keys()].some((k) => k.startsWith('sign:')),
      station: 'light',
    },
    {
      id: 'drive',
      title: 'Drive for ten minutes, also uphill',
      how: 'Never read or type while driving. Note the drive afterwards.',
      isDone: drives.length > 0,
      station: 'prove',
    },
    {
      id: 'second-reading',
      title: 'Read everything once more',
      how: 'A fault that was cleared for you comes back as a pending code first.',
      isDone: isSecond,
      station: 'read',
    },
  ];
}

/** What the readings and the looks say to somebody who may buy this vehicle; nothing is cleared or repaired here. */
export function buyingView(
  state: CaseState,
  vehicle: Vehicle,
  assessment: Pick<Assessment, 'codes' | 'judgements' | 'inspection' | 'options' | 'causes' | 'allowance'>,
  owner: Owner,
): BuyingView {
  const { standing } = state;
  const { first, isSecond } = readingsOf(state);
  const isRead = first !== undefined;
  const findings: BuyingFinding[] = [];
  const found = (id: string, weight: BuyingWeight, title: string, says: string) =>
    findings.push({ id, weight, title, says });

  // The vehicle and its papers.
  const vins = compareVins(standing.vin?.value, vehicle.vin);
  if (vins.verdict === 'different')
    found(
      'vin',
      'walk-away',
      vins.sentence,
      'Compare the papers, the number behind the {windscreen} and the one stamped into the body. Do not buy before that is explained.',
    );
  else if (vins.verdict === 'same') found('vin', 'good', vins.sentence, '');
  else if (vins.verdict === 'not-on-file' && isRead)
    found(
      'vin',
      'ask',
      `The {car} reports ${standing.vin?.value ?? ''}.`,
      'Compare it with the papers and with the number behind the {windscreen}.',
    );
  const told = valueNow(standing, 'A6');
  if (told !== null && vehicle.distanceKm !== undefined) {
    const isMore = told > vehicle.distanceKm * (1 + DISTANCE_OFF);
    found(
      'distance',
      isMore ? 'walk-away' : 'good',
      `A control unit counts {${Math.round(told)} km}, and {${Math.round(vehicle.distanceKm)} km} is on the instrument.`,
      isMore
        ? 'The instrument shows less than was driven: it was changed, or set back. Ask for every bill and inspection with its mileage.'
        : '',
    );
  }

  // Lights that were made silent.
  if (standing.bulb === 'does-not')
    found(
      'bulb',
      'walk-away',
      'The engine light does not come on at key-on.',
      'It was taken out, covered or disconnected, or its bulb is dead. A fault can be hidden behind it: have it read and repaired before you pay.',
    );
  else if (standing.bulb === 'lights') found('bulb', 'good', 'The engine light comes on at key-on.', '');
  if (lampApart(standing) === 'dark')
    found(
      'dark',
      'walk-away',
      'The {car} commands the engine light on, and it stays dark.',
      'Somebody has silenced it, or the instrument is faulty.',
    );

  // A memory that was emptied for you.
  const lately = clearedLately(standing);
  if (lately)
    found(
      'cleared',
      'ask',
      `The memory was cleared lately${lately.km === null ? '' : `, {${Math.round(lately.km)} km} ago`}.`,
      `${lately.waiting === 1 ? 'One self-check has' : `${lately.waiting} self-checks have`} not run since: that no code is stored says little. Ask why it was cleared, and come back when it has been driven for a week.`,
    );
  const permanent = [
    ...new Set(standing.codes.filter((c) => c.code.state === 'permanent').map((c) => c.code.code)),
  ];
  if (permanent.length > 0)
    found(
      'permanent',
      'ask',
      `Permanent: ${permanent.join(', ')}.`,
      'This was there lately, whatever was cleared since; only the {car} itself erases it.',
    );

  // What is stored, and what does not make sense.
  const failing = assessment.codes.filter((c) => c.state === 'confirmed' || c.state === 'pending');
  if (failing.length > 0)
    found(
      'codes',
      'ask',
      `Stored now: ${[...new Set(failing.map((c) => c.code))].join(', ')}.`,
      'Ask what was done about it, and have the price of its repair taken off.',
    );
  else if (isRead && !lately)
    found('codes', 'good', 'No code is stored, and the memory was not cleared lately.', '');
  for (const j of assessment.judgements.filter((x) => x.verdict === 'odd' || x.verdict === 'impossible'))
    found(`odd:${j.rule}`, 'ask', `${j.title}: no.`, `${j.measured}; expected ${j.expected}.`);
  const cold = first?.scan.values.find((v) => v.service === '01' && v.pid === '05')?.value;
  if (typeof cold === 'number' && cold > COLD)
    found(
      'warm',
      'ask',
      `The engine was warm when you came: {${Math.round(cold)} °C}.`,
      'Come back for a cold start: smoke, rattles and a bad start show only then.',
    );
  const isShort = assessment.allowance.level === 'stop-here' || assessment.allowance.level === 'safe-place';
  if (isShort)
    found(
      'danger',
      'walk-away',
      'As it stands it should not be driven.',
      assessment.allowance.reasons.find((r) => r.isDeciding)?.text ?? '',
    );
  if (assessment.inspection?.verdict === 'fail')
    found(
      'inspection',
      'ask',
      'It would fail the look at its diagnostics at an inspection.',
      assessment.inspection.reasons.find((r) => r.says === 'fail')?.text ?? '',
    );
  findings.sort((a, b) => RANK[a.weight] - RANK[b.weight]);

  const help = assessment.options.find((o) => o.id === 'help');
  const suspected = failing.length > 0 && help ? help.cost : null;
  const cause = assessment.causes[0];
  return {
    steps: stepsOf(state, isRead, isSecond),
    findings,
    suspected,
    argument:
      suspected === null
        ? null
        : `What is stored costs about ${money(suspected, owner)} to put right at a {workshop}${cause ? `, most likely for “${cause.title}”` : ''}. That is what to take off the price, or the seller has it repaired and read once more.`,
    questions: questionsOf(findings),
    verdict: verdictOf(findings, isRead, isSecond),
  };
}

function questionsOf(findings: readonly BuyingFinding[]): string[] {
  const has = (id: string) => findings.some((f) => f.id === id && f.weight !== 'good');
  return [
    'When was it serviced last, and is there a bill for it?',
    'Which lights have come on in the last year, and what was done?',
    ...(has('cleared') ? ['Who cleared the memory, when, and what was stored then?'] : []),
    ...(has('codes') || has('permanent') ? ['Was this code seen before, and by whom?'] : []),
    ...(has('warm') ? ['May I come back and start it cold?'] : []),
    ...(has('distance') ? ['May I see the mileage of every inspection?'] : []),
    'May a {workshop} of my choice look at it before I pay?',
  ];
}

function verdictOf(
  findings: readonly BuyingFinding[],
  isRead: boolean,
  isSecond: boolean,
): BuyingView['verdict'] {
  const away = findings.filter((f) => f.weight === 'walk-away').length;
  if (away > 0)
    return {
      title: 'Walk away, unless it is explained',
      says: `${away === 1 ? 'One finding is' : `${away} findings are`} of the kind that no discount repairs.`,
    };
  if (!isRead) return { title: 'Not read yet', says: 'Nothing can be said before everything was read once.' };
  const ask = findings.filter((f) => f.weight === 'ask').length;
  if (ask > 0)
    return {
      title: 'Ask, and take it off the price',
      says: `${ask === 1 ? 'One finding wants' : `${ask} findings want`} an answer before you decide.`,
    };
  return isSecond
    ? {
        title: 'Nothing found',
        says: 'That is what the diagnostics show: rust, body, gearbox and papers are still yours to look at.',
      }
    : {
        title: 'Nothing found so far',
        says: 'Drive it and read once more: what was cleared for you shows only then.',
      };
}

/** A one-page record of the visit, to print or to keep. */
export function buyingSheet({ findings, argument, questions, verdict }: BuyingView, vehicle: Vehicle): Sheet {
  const lines = (weight: BuyingWeight) =>
    findings.filter((f) => f.weight === weight).map((f) => `${f.title} ${f.says}`.trim());
  const parts = [
    { title: verdict.title, lines: [verdict.says, ...(argument ? [argument] : [])] },
    { title: 'Reasons to walk away', lines: lines('walk-away') },
    { title: 'To ask and to bargain with', lines: lines('ask') },
    { title: 'As it should be', lines: lines('good') },
    { title: 'Questions for the seller', lines: questions },
  ];
  return { title: `Before buying: ${vehicle.name}`, parts: parts.filter((p) => p.lines.length > 0) };
}
