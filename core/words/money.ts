/** Whose money it is: in which currency, and how it is written where they live. */
export interface Purse {
  /** A code of ISO 4217 such as `EUR`, or a sign that the owner typed. */
  currency: string;
  /** BCP 47; British English where nothing is known. */
  locale?: string | undefined;
}

/** Signs that stand for one currency only; those of several, such as `$` and `kr`, are shown as they are. */
const CODE_OF_SIGN: Readonly<Record<string, string>> = {
  '€': 'EUR',
  '£': 'GBP',
  zł: 'PLN',
  Kč: 'CZK',
  '₱': 'PHP',
  '₹': 'INR',
  Fr: 'CHF',
};
/** Signs that are written after the amount; all others come before it. */
const AFTER: ReadonlySet<string> = new Set(['kr', 'Ft', 'lei', 'лв']);

const PLAIN = 'en-GB';

const codeOf = (currency: string): string | null =>
  CODE_OF_SIGN[currency] ?? (/^[A-Z]{3}$/.test(currency) ? currency : null);

/** Made once for each currency and place: a screen writes dozens of sums. */
const formats = new Map<string, Intl.NumberFormat>();

function formatOf(code: string | null, locale: string): Intl.NumberFormat {
  const name = `${code ?? ''} ${locale}`;
  const known = formats.get(name);
  if (known) return known;
  const made = new Intl.NumberFormat(locale, {
    maximumFractionDigits: 0,
    ...(code === null ? {} : { style: 'currency', currency: code, currencyDisplay: 'narrowSymbol' }),
  });
  formats.set(name, made);
  return made;
}

/** A tag that no browser knows must not take the screen away. */
function known(locale: string | undefined): string {
  try {
    return locale !== undefined && Intl.NumberFormat.supportedLocalesOf(locale).length > 0 ? locale : PLAIN;
  } catch {
    return PLAIN;
  }
}

/**
 * An amount in whole units, as its currency is written where the owner lives: `€1,250`, `1 250 kr`. The sign and the figure
 * stay together (Unicode CLDR, by Intl).
 */
export function moneyOf(amount: number, { currency, locale }: Purse): string {
  // Minus nought reads as a debt.
  const whole = Math.round(amount) + 0;
  const code = codeOf(currency);
  const figure = formatOf(code, known(locale)).format(whole);
  if (code !== null) return figure;
  if (AFTER.has(currency)) return `${figure}\u202f${currency}`;
  return /^[A-Za-z]{2,}$/.test(currency) ? `${currency}\u202f${figure}` : `${currency}${figure}`;
}

/** The sign alone, for the label of a field. */
export function currencySign({ currency, locale }: Purse): string {
  const code = codeOf(currency);
  if (code === null) return currency;
  const parts = formatOf(code, known(locale)).formatToParts(0);
  return parts.find((p) => p.type === 'currency')?.value ?? currency;
}
