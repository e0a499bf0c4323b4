import type { Owner } from '@pincer/core/case';
import { ERRAND_MINUTES, ownTime } from '@pincer/core/diagnosis';
import { money } from './money.ts';

/** What the question at hand asks of a tool. */
export const TOOL_NEEDS = {
  codes: 'Engine codes, stored conditions, self-checks, clearing',
  live: 'Live readings as curves',
  units: 'Codes of brakes, airbag, body and other control units',
  commands: 'Functions: actuator tests, bleeding, calibration, coding',
} as const;
export type ToolNeed = keyof typeof TOOL_NEEDS;

export interface ToolKind {
  id: 'handheld' | 'adapter' | 'wide' | 'workshop-tool';
  title: string;
  about: string;
  /** A usual price, in currency units. */
  price: number;
  gives: readonly ToolNeed[];
}

/** Kinds of tools, the cheapest first. */
export const TOOL_KINDS: readonly ToolKind[] = [
  {
    id: 'adapter',
    title: 'A cheap adapter for phone or laptop',
    about: 'Enough for everything in the standard: most engine-light cases need no more.',
    price: 20,
    gives: ['codes', 'live'],
  },
  {
    id: 'handheld',
    title: 'A hand-held reader',
    about:
      'Works without a phone or pairing and shows the same codes on a small screen. Write down what it shows before you clear anything.',
    price: 30,
    gives: ['codes'],
  },
  {
    id: 'wide',
    title: 'A reader that names this make and all control units',
    about:
      'For brakes, stability control, airbag and body. Ask before you buy whether it covers your model year and control unit.',
    price: 110,
    gives: ['codes', 'live', 'units'],
  },
  {
    id: 'workshop-tool',
    title: 'A {workshop}’s tool',
    about:
      'For commands and coding. Owning one hardly ever pays for one {car}; an owners’ club or {workshop} may do it for you.',
    price: 600,
    gives: ['codes', 'live', 'units', 'commands'],
  },
];

export interface ToolChoice {
  /** The cheapest kind that is enough. */
  enough: ToolKind;
  /** Kinds that would not be, with what they lack. */
  lacking: { kind: ToolKind; lacks: string[] }[];
  /** Readings from which owning it costs less than a workshop's fee each time. */
  paysAfter: number;
  sentence: string;
  /** Ways to have it read once, the cheapest first. */
  ways: ReadingWay[];
}

/** A way to have the codes read once. */
export interface ReadingWay {
  id: 'borrow' | 'reads-for-nothing' | 'buy' | 'workshop';
  title: string;
  about: string;
  /** Money and the owner's time together, currency units. */
  cost: number;
  minutes: number;
}

/** Minutes to borrow a reader and to bring it back; to drive to a shop that reads at its counter. */
const BORROW_MINUTES = 40;
const COUNTER_MINUTES = 45;

/** Ways to have it read once, the cheapest first. What only a wide tool can do, nobody reads at a counter for nothing. */
function waysToRead(enough: ToolKind, wanted: readonly ToolNeed[], owner: Owner): ReadingWay[] {
  const isCommon = wanted.every((n) => n === 'codes' || n === 'live');
  const ways: ReadingWay[] = [
    {
      id: 'borrow',
      title: 'Borrow a tool of this kind',
      about:
        'Ask friends, people next door or an owners’ club. Read here and record everything before you give it back, and clear nothing with it.',
      cost: ownTime(BORROW_MINUTES, owner),
      minutes: BORROW_MINUTES,
    },
    {
      id: 'buy',
      title: `Buy one: ${enough.title.toLowerCase()}`,
      about: 'You will have it for the readings after the repair, which prove that it worked.',
      cost: enough.price,
      minutes: 0,
    },
    {
      id: 'workshop',
      title: 'Have a {workshop} read it',
      about: 'Ask for every code with its state, in writing, and that nothing is cleared.',
      cost: owner.shopDiagnosis + ownTime(ERRAND_MINUTES, owner),
      minutes: ERRAND_MINUTES,
    },
  ];
  if (isCommon)
    ways.push({
      id: 'reads-for-nothing',
      title: 'Go to a shop that reads for nothing',
      about:
        'In some countries shops for parts read engine codes at the counter. They sell parts: take the codes home in writing, and decide there.',
      cost: ownTime(COUNTER_MINUTES, owner),
      minutes: COUNTER_MINUTES,
    });
  return ways.sort((a, b) => a.cost - b.cost);
}

/**
 * The cheapest kind of tool that answers the question at hand, and when it pays against a workshop's reading fee.
 * A tool that pays only after the third reading is not recommended for one question.
 * @param needs what is asked; engine codes when nothing is said.
 */
export function toolChoice(needs: ReadonlySet<ToolNeed>, owner: Owner): ToolChoice {
  const wanted: ToolNeed[] = needs.size === 0 ? ['codes'] : [...needs];
  const lacks = (kind: ToolKind) => wanted.filter((n) => !kind.gives.includes(n));
  const byPrice = TOOL_KINDS.map((k) => ({ ...k, price: k.price * owner.priceLevel })).sort(
    (a, b) => a.price - b.price,
  );
  const enough: ToolKind | undefined = byPrice.find((k) => lacks(k).length === 0) ?? byPrice.at(-1);
  if (!enough) throw new Error('No kind of tool is described.');
  const paysAfter =
    owner.shopDiagnosis > 0 ? Math.max(1, Math.ceil(enough.price / owner.shopDiagnosis)) : Infinity;
  const cost = (n: number) => money(n, owner);
  const sentence =
    paysAfter === 1
      ? `At about ${cost(enough.price)} it costs less than one reading at a {workshop} (${cost(owner.shopDiagnosis)}).`
      : Number.isFinite(paysAfter)
        ? `At about ${cost(enough.price)} it pays from the ${ordinal(paysAfter)} reading on, against ${cost(owner.shopDiagnosis)} each at a {workshop}; for one question ${paysAfter > 2 ? 'the {workshop} is cheaper' : 'borrow one'}.`
        : `At about ${cost(enough.price)}; your {workshop} reads for nothing, so let it.`;
  return {
    enough,
    lacking: TOOL_KINDS.flatMap((kind) => {
      const missing = lacks(kind);
      return missing.length > 0 ? [{ kind, lacks: missing.map((n) => TOOL_NEEDS[n].toLowerCase()) }] : [];
    }),
    paysAfter,
    sentence,
    ways: waysToRead(enough, wanted, owner),
  };
}

function ordinal(n: number): string {
  return { 2: 'second', 3: 'third', 4: 'fourth', 5: 'fifth', 6: 'sixth' }[n] ?? `${n}th`;
}
