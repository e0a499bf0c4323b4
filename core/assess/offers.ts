import type { Option } from '@pincer/core/decision';
import { causeById } from '@pincer/core/knowledge';
import { DIAGNOSIS_WORDS, LABOUR_WORDS, OFFER_WORDS, SERVICE_WORDS, TOTAL_WORDS } from './offer-words.ts';
import type { CauseView } from './views.ts';

/** One line of an offer, and what it pays for. */
export interface OfferLine {
  text: string;
  /** In the offer’s own currency; null where the line has none. */
  price: number | null;
  kind: 'repair' | 'service' | 'diagnosis' | 'labour' | 'total' | 'unknown';
  /** Chance that what it repairs is the cause; null where it repairs nothing that is known here. */
  support: number | null;
  says: string;
}

export interface OfferView {
  id: string;
  name: string;
  lines: OfferLine[];
  /** What it asks for in all. */
  total: number | null;
  /** Chance that the cause is among what it repairs. */
  success: number;
  /** What it costs on average until the fault is dealt with, if this is taken first; null without a total. */
  expected: number | null;
  questions: string[];
}

/** Evidence under which a part is not worth paying for. */
const UNSUPPORTED = 0.03;
/** From here on the evidence asks for it. */
const SUPPORTED = 0.3;

const AMOUNT =
  /(?:^|[\s€$£])(-?\d{1,3}(?:[ ,.]\d{3})*(?:[.,]\d{1,2})?|-?\d+(?:[.,]\d{1,2})?)(?=\s*(?:[€$£]|eur|usd|gbp)?\s*$)/i;

/** The amount at the end of a line: `1,240.00`, `1.240,00` and `85` are read alike. */
export function amountOf(line: string): number | null {
  const found = AMOUNT.exec(line.trim())?.[1];
  if (found === undefined) return null;
  // The last mark with one or two digits behind it is the decimal one; the others set thousands apart.
  const [, whole = '', cents = ''] = /^(.*?)(?:[.,](\d{1,2}))?$/.exec(found) ?? [];
  return Number(`${whole.replace(/[ ,.]/g, '')}${cents === '' ? '' : `.${cents}`}`);
}

const percent = (p: number): string => (p < 0.01 ? 'under 1 %' : `${Math.round(p * 100)} %`);

/** The causes that a line mends; the words that are more exact stand first in the table, and the first that fit count. */
function causesOf(text: string): readonly string[] {
  return OFFER_WORDS.find(([words]) => words.test(text))?.[1] ?? [];
}

function readLine(
  text: string,
  chanceOf: (cause: string) => number,
  titleOf: (cause: string) => string,
): OfferLine & { causes: readonly string[] } {
  const price = amountOf(text);
  const line = (
    kind: OfferLine['kind'],
    says: string,
    support: number | null,
    causes: readonly string[] = [],
  ) => ({
    text: text.trim(),
    price,
    kind,
    says,
    support,
    causes,
  });
  if (TOTAL_WORDS.test(text)) return line('total', '', null);
  const known = causesOf(text).filter((id) => causeById(id) !== undefined);
  const support = known.reduce((sum, id) => sum + chanceOf(id), 0);
  // A filter in a service stays a filter in a service, unless the evidence asks for it.
  if (SERVICE_WORDS.test(text) && (known.length === 0 || support < SUPPORTED))
    return line(
      'service',
      'Upkeep: it needs no fault to be worth its price, and will not cure this one.',
      null,
    );
  if (known.length > 0) {
    const best = [...known].sort((a, b) => chanceOf(b) - chanceOf(a))[0] ?? '';
    const says =
      support < UNSUPPORTED
        ? 'Nothing that was read or found asks for this.'
        : `This pays for “${titleOf(best).toLowerCase()}”${known.length > 1 ? ' and the like' : ''}, which the evidence supports at ${percent(support)}.`;
    return line('repair', says, support, known);
  }
  if (DIAGNOSIS_WORDS.test(text))
    return line('diagnosis', 'Finding the cause: worth its price while it is uncertain.', null);
  if (LABOUR_WORDS.test(text)) return line('labour', '', null);
  return line('unknown', price === null ? '' : 'Ask what this is for.', null);
}

function questionsOf(lines: readonly OfferLine[]): string[] {
  const weak = lines.filter((l) => l.kind === 'repair' && (l.support ?? 0) < SUPPORTED);
  const hasRepair = lines.some((l) => l.kind === 'repair');
  return [
    ...weak.map((l) => `What was measured that shows that “${withoutPrice(l.text)}” is needed?`),
    ...(hasRepair && !lines.some((l) => l.kind === 'diagnosis')
      ? ['How was the cause found, and what does it cost if it was another one?']
      : []),
    ...lines
      .filter((l) => l.kind === 'unknown' && l.price !== null)
      .map((l) => `What is “${withoutPrice(l.text)}” for?`),
    ...(hasRepair ? ['Is the price fixed, and how long is the work guaranteed?'] : []),
  ];
}

const withoutPrice = (text: string): string =>
  text
    .replace(AMOUNT, '')
    .replace(/[\s€$£:.-]+$/u, '')
    .trim();

/** The total as written, the last one of the text; else what the lines add up to. */
function totalOf(lines: readonly OfferLine[]): number | null {
  const written = lines.filter(
    (l) => l.kind === 'total' && l.price !== null && !/vat|tax|discount|deposit/i.test(l.text),
  );
  const last = written.at(-1)?.price;
  if (last !== undefined && last !== null) return last;
  const priced = lines.flatMap((l) => (l.kind === 'total' ? [] : (l.price ?? [])));
  return priced.length > 0 ? priced.reduce((a, b) => a + b, 0) : null;
}

/**
 * Offers and invoices held against the evidence, the one that costs least on average first: its total, and what is still
 * to be paid where the cause was not among what it repairs (the average of getting help).
 */
export function judgeOffers(
  offers: readonly { id: string; name: string; text: string }[],
  { causes, options }: { causes: readonly CauseView[]; options: readonly Option[] },
): OfferView[] {
  const chanceOf = (id: string): number =>
    causes.filter((c) => c.id.split(':')[0] === id).reduce((sum, c) => sum + c.probability, 0);
  const titleOf = (id: string): string =>
    causes.find((c) => c.id.split(':')[0] === id)?.title ??
    (causeById(id)?.title ?? id).replace(/ (of|on) cylinder \{n\}| \{n\}/, '');
  const again = options.find((o) => o.id === 'help')?.cost ?? 0;
  const views = offers.map(({ id, name, text }): OfferView => {
    const read = text
      .split(/\r?\n/)
      .filter((l) => l.trim() !== '')
      .map((l) => readLine(l, chanceOf, titleOf));
    const repaired = new Set(read.flatMap((l) => l.causes));
    const success = Math.min(
      1,
      [...repaired].reduce((sum, c) => sum + chanceOf(c), 0),
    );
    const lines = read.map(({ causes: _, ...line }) => line);
    const total = totalOf(lines);
    return {
      id,
      name,
      lines,
      total,
      success,
      expected: total === null ? null : total + (1 - success) * again,
      questions: questionsOf(lines),
    };
  });
  const cost = (o: OfferView): number => o.expected ?? Infinity;
  return views.sort((a, b) => cost(a) - cost(b));
}
