import type { CaseState, Owner } from '@pincer/core/case';
import { CLEAR_MINUTES, money, type Option } from '@pincer/core/decision';
import { ownTime, type Evidence } from '@pincer/core/diagnosis';
import { faultReturns, type FaultReturn } from '@pincer/core/proof';
import type { Fact, Told } from './told.ts';

/** What it says that a fault was back at such a moment. */
const SAYS: Readonly<Record<FaultReturn['moment'], string>> = {
  'key-on':
    'It was back with the ignition on, before the engine ran: the fault is there at this moment and can be measured as it stands.',
  start: 'It was back as soon as the engine ran: look for it now, while it shows.',
  'first-drive': 'It was back on the first drive: what brings it happens on an ordinary trip.',
  'some-drives': 'It was back within a few drives: its self-check needed those to run, or it comes and goes.',
  later: 'It stayed away for long: it comes and goes, or it needs conditions that are rare on your trips.',
  unknown: 'It came back. How far it was driven until then was not read.',
};

const rounded = (n: number): string => (n >= 10 ? String(Math.round(n)) : String(Math.round(n * 10) / 10));
const daysWords = (days: number): string =>
  days < 1 ? 'the same day' : `${Math.round(days)} ${Math.round(days) === 1 ? 'day' : 'days'}`;

/** The same where nobody had looked in between. */
const saysOf = ({ moment, isFirstLook }: FaultReturn): string =>
  isFirstLook && (moment === 'some-drives' || moment === 'later')
    ? 'It was there at the first reading since. When it came back before that, nobody knows: read sooner next time.'
    : SAYS[moment];

/** How soon it was back, in words. */
export function soonWords({ km, warmUps, days, isAtLeast }: FaultReturn): string {
  const parts = [
    ...(km === null ? [] : [`${isAtLeast ? 'at least ' : ''}{${Math.round(km)} km}`]),
    ...(warmUps === null ? [] : [`${warmUps} ${warmUps === 1 ? 'warm-up' : 'warm-ups'}`]),
    daysWords(days),
  ];
  return parts.join(', ');
}

/** The last return speaks: what passes by itself would not be back; what is seen at key-on and was not, comes and goes. */
export function returnFacts(state: CaseState): Told {
  const last = faultReturns(state).at(-1);
  if (!last) return { facts: [], evidence: [] };
  const fact = `return:${last.clear}`;
  const facts: Fact[] = [
    {
      id: fact,
      side: 'car',
      kind: 'observation',
      title: `Back after ${soonWords(last)}`,
      detail: saysOf(last),
      entry: last.seenBy,
    },
  ];
  const evidence: Evidence[] = [
    {
      kind: 'returned',
      fact,
      // Only where somebody had looked before and it was not there.
      comesAndGoes:
        !last.isFirstLook &&
        last.couldShowAtOnce &&
        (last.moment === 'some-drives' || last.moment === 'later'),
    },
  ];
  return { facts, evidence };
}

export interface ReturnsView {
  /** Each return, the last first. */
  list: { at: string; codes: string[]; soon: string; says: string }[];
  /** What living with it costs against curing it; null before it has come back twice, and once it is gone. */
  living: string | null;
}

/** Returns after clears, and what clearing again and again costs. @param options of the same case. @param isOver whether it is proven to be gone. */
export function returnsView(
  state: CaseState,
  options: readonly Option[],
  owner: Owner,
  isOver: boolean,
): ReturnsView {
  const all = faultReturns(state);
  const list = all.map((r) => ({ at: r.at, codes: r.codes, soon: soonWords(r), says: saysOf(r) })).reverse();
  if (all.length < 2 || isOver) return { list, living: null };
  const mean = (of: (r: FaultReturn) => number | null): number | null => {
    const known = all.flatMap((r) => of(r) ?? []);
    return known.length > 0 ? known.reduce((a, b) => a + b, 0) / known.length : null;
  };
  const days = mean((r) => r.days) ?? 0;
  const km = mean((r) => r.km);
  // More often than once a day nobody clears.
  const aYear = 365 / Math.max(1, days);
  const living = aYear * ownTime(CLEAR_MINUTES, owner);
  const curing = Math.min(...options.filter((o) => o.id === 'repair' || o.id === 'help').map((o) => o.cost));
  const every = `${km === null ? '' : `about every {${Math.round(km)} km}, `}after ${rounded(Math.max(1, days))} days on average`;
  return {
    list,
    living: `It has come back ${all.length} times after a clear, ${every}. Clearing it that often is ${Math.round(aYear)} times a year and costs about ${money(living, owner)} of your time; curing it costs about ${money(curing, owner)} once. What it harms meanwhile is not counted.`,
  };
}
