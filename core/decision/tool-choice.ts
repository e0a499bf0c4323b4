import type { Owner } from '@pincer/core/case';

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
      'For commands and coding. Owning one hardly ever pays for one car; an owners’ club or {workshop} may do it for you.',
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
}

/**
 * The cheapest kind of tool that answers the question at hand, and when it pays against a workshop's reading fee.
 * A tool that pays only after the third reading is not recommended for one question.
 * @param needs what is asked; engine codes when nothing is said.
 */
export function toolChoice(needs: ReadonlySet<ToolNeed>, owner: Owner): ToolChoice {
  const wanted: ToolNeed[] = needs.size === 0 ? ['codes'] : [...needs];
  const lacks = (kind: ToolKind) => wanted.filter((n) => !kind.gives.includes(n));
  const byPrice = [...TOOL_KINDS].sort((a, b) => a.price - b.price);
  const enough: ToolKind | undefined = byPrice.find((k) => lacks(k).length === 0) ?? TOOL_KINDS.at(-1);
  if (!enough) throw new Error('No kind of tool is described.');
  const paysAfter =
    owner.shopDiagnosis > 0 ? Math.max(1, Math.ceil(enough.price / owner.shopDiagnosis)) : Infinity;
  const cost = (n: number) => `${owner.currency}${Math.round(n)}`;
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
  };
}

function ordinal(n: number): string {
  return { 2: 'second', 3: 'third', 4: 'fourth', 5: 'fifth', 6: 'sixth' }[n] ?? `${n}th`;
}
