import { DEFAULT_OWNER } from '@pincer/core/case';
import {
  AREA_FACTS,
  COMPONENTS,
  FAILURES,
  codeEntry,
  explainCode,
  sawOf,
  type Explanation,
  type Failure,
  doesOf,
} from '@pincer/core/codes';
import {
  CAUSES,
  CAUTIONS,
  isObservationKey,
  observationKind,
  findingOfCode,
  selfCheckOf,
  type CautionId,
  type Cause,
} from '@pincer/core/knowledge';
import { NO_SOURCE } from '@pincer/core/obd';
import { driveAllowance, factsOfCodes } from '@pincer/core/urgency';
import { tellAll, type Wording } from '@pincer/core/words';

/** All that can be said of a code without a car. */
export interface CodePage {
  explanation: Explanation;
  /** What the part does and where it usually is; null for codes that are not described. */
  part: { does: string; where: string } | null;
  saw: string | null;
  notice: readonly string[];
  /** What it commonly turns out to be, likeliest first. */
  commonly: readonly string[];
  isNot: string | null;
  setsOff: string | null;
  /** The self-check that finds it, and when that runs. */
  monitor: { name: string; runs: string } | null;
  lamp: string | null;
  /** How soon it matters, by the same rules as for a case with nothing else known. */
  soon: { title: string; because: string; then: string };
  cautions: readonly string[];
}

/** Too general to be told as seen with another code. */
const GENERAL: ReadonlySet<string> = new Set([
  'code:part-electrical',
  'code:part-behaviour',
  'code:computer',
]);

/** What a way of failing commonly turns out to be, where no cause of the library speaks of the code. */
const BY_KIND: Readonly<Record<Failure['kind'], readonly string[]>> = {
  electrical: [
    'A connector loose, wet or corroded',
    'A wire chafed or broken where it bends',
    'Its fuse, supply or ground',
    'The part itself',
  ],
  signal: [
    'Resistance in a connector or ground',
    'The sensor is right and the value really is wrong',
    'The part itself, aged',
  ],
  behaviour: ['What moves is stuck or dirty', 'A leak or a blockage next to it', 'The part that moves it'],
  computer: ['Low battery voltage', 'A bad ground or a fuse', 'Software', 'The control unit, last of all'],
};

const BY_AREA: Readonly<Record<string, readonly CautionId[]>> = {
  ignition: ['high-tension'],
  fuel: ['petrol'],
  evap: ['petrol'],
  cooling: ['coolant'],
  exhaust: ['cold-engine'],
  egr: ['cold-engine'],
  charging: ['battery'],
  hybrid: ['high-voltage'],
  restraints: ['airbag'],
  brakes: ['brakes'],
  steering: ['steering'],
};

/** A cause is named when it makes the code appear at least this often. */
const EXPLAINS = 0.25;
const MAX_CAUSES = 5;

/** What only motorcycles, or only cars with a high-voltage battery, can have: on a page of no vehicle it comes last. */
const isOfFew = ({ kinds, fuels }: Cause): boolean =>
  (kinds !== undefined && !kinds.includes('car')) ||
  (fuels !== undefined && !fuels.includes('petrol') && !fuels.includes('diesel'));

/** The page of a code in the owner's words. White space and lower case are accepted as in {@link explainCode}. */
export function codePage(text: string, wording: Wording = DEFAULT_OWNER): CodePage {
  const explanation = explainCode(text);
  const { code } = explanation;
  const entry = codeEntry(code);
  const found = findingOfCode(code);
  const causes = found
    ? CAUSES.filter((c) => (c.effects[found.key] ?? 0) >= EXPLAINS).sort(
        (a, b) =>
          Number(isOfFew(a)) - Number(isOfFew(b)) ||
          b.prior * (b.effects[found.key] ?? 0) - a.prior * (a.effects[found.key] ?? 0),
      )
    : [];
  const component = entry ? COMPONENTS[entry.component] : null;
  const failure: Failure | null = entry ? FAILURES[entry.failure] : null;
  const area = component ? AREA_FACTS[component.area] : null;
  const other = new Set(
    causes
      .slice(0, MAX_CAUSES)
      .flatMap((c) => Object.entries(c.effects))
      .flatMap(([key, strength]) =>
        isObservationKey(key) &&
        key.startsWith('code:') &&
        !GENERAL.has(key) &&
        key !== found?.key &&
        strength >= 0.1
          ? [observationKind(key).title.toLowerCase()]
          : [],
      ),
  );
  const check = selfCheckOf(code);
  const allowance = driveAllowance(factsOfCodes([{ code, state: 'confirmed', unit: NO_SOURCE }]));
  const first = allowance.reasons[0];
  const page: CodePage = {
    explanation,
    part: component && area ? { does: entry ? doesOf(entry) : component.does, where: area.where } : null,
    saw: entry && sawOf(entry),
    notice: area?.notice ?? [],
    commonly:
      causes.length > 0
        ? causes.slice(0, MAX_CAUSES).map((c) => c.title.replaceAll('{n}', String(found?.cylinder ?? 'n')))
        : failure
          ? BY_KIND[failure.kind]
          : [],
    isNot: area?.isNot ?? null,
    setsOff: area
      ? `${area.setsOff}${other.size > 0 ? ` Also seen with it: ${[...other].join(', ')}.` : ''}`
      : null,
    monitor: check && { name: check.name, runs: check.runs },
    lamp: area?.lamp ?? null,
    soon: {
      title: allowance.title,
      because: first?.text ?? allowance.detail,
      then: first?.then ?? '',
    },
    cautions: (component ? (BY_AREA[component.area] ?? []) : []).map((id) => CAUTIONS[id]),
  };
  return tellAll(page, wording);
}
