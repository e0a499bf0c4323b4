import {
  LAMP_MODE_WORDS,
  NOT_DONE_WORDS,
  unreadParts,
  type CaseState,
  type EntryOf,
  type Owner,
} from '@pincer/core/case';
import { atCylinder } from '@pincer/core/diagnosis';
import { causeById } from '@pincer/core/knowledge';
import type { ScanPart } from '@pincer/core/obd';
import type { Vehicle } from '@pincer/core/vehicle';
import { ownUnit, tellAll } from '@pincer/core/words';
import { bulletinsOf } from './bulletin-facts.ts';
import type { Assessment } from './assess.ts';
import { codeStateWords } from './explain-for.ts';
import { checkAt, lampName } from './owner-facts.ts';

/** A part of a sheet: a heading and its lines, each a line on paper. */
export interface SheetPart {
  title: string;
  lines: string[];
}

/** Something to print, or to save as PDF. */
export interface Sheet {
  title: string;
  parts: SheetPart[];
}

/** One page for a workshop, or for whoever helps: what is known, what was done, what is open. */
export interface Handover extends Sheet {
  /** A line to search with: year, engine, codes and the moment. */
  search: string;
}

/** Causes that are named; the others are too unlikely to be looked for first. */
const CAUSES = 5;
const LIKELY_ENOUGH = 0.02;
/** What a workshop would want to have been read, in words. */
const WANTED = {
  confirmed: 'confirmed codes',
  pending: 'pending codes',
  permanent: 'permanent codes',
  'freeze-frames': 'stored conditions',
  readiness: 'self-checks',
  values: 'readings',
} as const satisfies Partial<Record<ScanPart, string>>;
type WantedPart = keyof typeof WANTED;

const percent = (p: number): string => (p > 0.99 ? 'over 99 %' : `${Math.round(p * 100)} %`);
export const sentence = (text: string): string =>
  `${text.charAt(0).toUpperCase()}${text.slice(1)}${/[.!?]$/.test(text) ? '' : '.'}`;

const fuelWord = ({ fuel }: Vehicle): string | null =>
  fuel === 'unknown' ? null : fuel === 'petrol' ? '{petrol}' : fuel;
const engineSize = ({ displacementLitres: litres }: Vehicle): string | null =>
  litres === undefined ? null : `${litres.toFixed(1)} L`;

/** The vehicle in a line or two. @param isNamed whether plate and VIN are told. */
export function vehicleLines(vehicle: Vehicle, owner: Owner, isNamed: boolean): string[] {
  const km = ownUnit('km', owner.units);
  const facts = [
    vehicle.year === undefined ? null : String(vehicle.year),
    fuelWord(vehicle),
    engineSize(vehicle),
    vehicle.cylinders === undefined ? null : `${vehicle.cylinders} cylinders`,
    vehicle.distanceKm === undefined
      ? null
      : `${Math.round(km.of(vehicle.distanceKm)).toLocaleString('en-GB')} ${km.unit}`,
  ].filter((f) => f !== null);
  return [
    `${vehicle.name}${facts.length > 0 ? `, ${facts.join(', ')}` : ''}.`,
    ...(isNamed && vehicle.plate ? [`{Number plate}: ${vehicle.plate}.`] : []),
    ...(isNamed && vehicle.vin ? [`VIN: ${vehicle.vin}.`] : []),
    ...(vehicle.modifications ? [`Modified: ${vehicle.modifications}.`] : []),
  ];
}

function lampLines({ standing }: CaseState): string[] {
  return [...standing.lamps].map(([lamp, { mode, colour }]) =>
    sentence(`${lampName(lamp)} ${LAMP_MODE_WORDS[mode]}${colour && mode !== 'out' ? `, ${colour}` : ''}`),
  );
}

function titleOfCheck(instance: string, vehicle: Vehicle): string {
  const known = checkAt(instance, vehicle);
  return known ? known.fill(known.check.title) : 'A check';
}

/** What was repaired, such as `coil:2`, whether or not it is still among the likely causes. */
export function titleOfRepair({ cause: instance, title: own }: EntryOf<'repair'>): string {
  if (own !== undefined) return own;
  const [id = '', place] = instance.split(':');
  const title = causeById(id)?.repair.title;
  return title === undefined ? 'A repair' : atCylinder(title, place === undefined ? null : Number(place));
}

function untouchedLines(state: CaseState, vehicle: Vehicle): string[] {
  const unread = unreadParts(state.standing, Object.keys(WANTED) as WantedPart[]) as WantedPart[];
  return [
    state.clears.length === 0
      ? 'No codes have been cleared.'
      : `Codes were cleared ${state.clears.length === 1 ? 'once' : `${state.clears.length} times`}; what was stored before is kept in the record.`,
    state.repairs.length === 0 ? 'Nothing has been repaired or replaced.' : '',
    ...[...state.standing.checksNotDone].flatMap(([instance, reason]) =>
      reason === 'has-none' ? [] : sentence(`${titleOfCheck(instance, vehicle)}: ${NOT_DONE_WORDS[reason]}`),
    ),
    ...(unread.length > 0 ? [`Not read: ${unread.map((part) => WANTED[part]).join(', ')}.`] : []),
  ].filter((line) => line !== '');
}

function questions(state: CaseState, assessment: Assessment): string[] {
  const [first, second] = assessment.causes;
  return [
    ...(first
      ? [
          `What will you measure to tell “${first.title}”${second ? ` from “${second.title}”` : ''}, and what does that cost?`,
        ]
      : ['What will you measure first, and what does that cost?']),
    'Will you call before anything is replaced that this page does not ask for?',
    ...(state.clears.length === 0
      ? ['Will you save the stored conditions before the codes are cleared?']
      : []),
    'May I have the replaced parts and the readings after the repair?',
  ];
}

/** The line that finds others with the same fault. */
function searchLine(vehicle: Vehicle, assessment: Assessment): string {
  const moment = assessment.facts.find((f) => f.kind === 'frame')?.title.replace(/^Stored: /, '');
  return [
    vehicle.year,
    vehicle.name,
    engineSize(vehicle),
    fuelWord(vehicle),
    ...assessment.codes.slice(0, 4).map((c) => c.code),
    moment?.split(', ').slice(0, 3).join(' '),
  ]
    .filter((x) => x !== null && x !== undefined && x !== '')
    .join(' ');
}

/**
 * The handover of a case, in the owner's words.
 * @param isNamed whether plate and VIN are told; only when the owner chooses so.
 */
export function handover(
  state: CaseState,
  vehicle: Vehicle,
  owner: Owner,
  assessment: Assessment,
  isNamed: boolean,
): Handover {
  const { facts, codes, causes, judgements, none } = assessment;
  const of = (kind: string) => facts.filter((f) => f.kind === kind);
  const odd = judgements.filter((j) => j.verdict === 'odd' || j.verdict === 'impossible');
  const repairs = state.repairs.map((r) => sentence(`${titleOfRepair(r)}${r.note ? `: ${r.note}` : ''}`));
  const parts: SheetPart[] = [
    { title: 'Vehicle', lines: vehicleLines(vehicle, owner, isNamed) },
    { title: 'Warning lights', lines: lampLines(state) },
    {
      title: 'Codes',
      lines: codes.map((c) => `${c.code} ${c.title} (${codeStateWords(c.state)}; ${c.units.join(', ')})`),
    },
    {
      title: 'Stored conditions',
      lines: of('frame').map((f) =>
        sentence(`${f.title.replace(/^Stored: /, '')}, ${f.detail.replace(' · ', '; ')}`),
      ),
    },
    {
      title: 'Readings that do not fit',
      lines: odd.map((j) => sentence(`${j.title}: not so. ${j.measured}; expected ${j.expected}`)),
    },
    {
      title: 'Noticed',
      lines: of('observation')
        .filter((f) => f.side === 'owner' && !f.id.startsWith('bulletin:'))
        .map((f) => sentence(f.title)),
    },
    { title: 'Checked so far', lines: of('check').map((f) => sentence(`${f.detail}: ${f.title}`)) },
    { title: 'Repaired so far', lines: repairs },
    {
      title: 'Likely causes',
      lines: [
        ...causes
          .filter((c) => c.probability >= LIKELY_ENOUGH)
          .slice(0, CAUSES)
          .map((c) => `${c.title}: ${percent(c.probability)}`),
        ...(causes.length > 0 ? [`None of these: ${none < 0.01 ? 'under 1 %' : percent(none)}`] : []),
      ],
    },
    {
      title: 'Recalls and bulletins',
      lines: bulletinsOf(state).map(
        ({ bulletin }) =>
          `${bulletin.title} (${bulletin.source}).${bulletin.remedy ? ` ${bulletin.remedy}` : ''}`,
      ),
    },
    { title: 'Not touched', lines: untouchedLines(state, vehicle) },
    { title: 'Questions', lines: questions(state, assessment) },
  ];
  return tellAll(
    {
      title: `Handover: ${vehicle.name}`,
      parts: parts.filter((p) => p.lines.length > 0),
      search: searchLine(vehicle, assessment),
    },
    { ...owner, vehicle: vehicle.kind },
  );
}

/** The handover as plain text, for a message or a forum. */
export function handoverText({ title, parts }: Handover): string {
  return [title, ...parts.flatMap((p) => ['', p.title, ...p.lines.map((line) => `- ${line}`)])].join('\n');
}
