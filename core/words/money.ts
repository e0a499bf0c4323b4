/** Signs that are written after the amount where they are used; all others come before it. */
const AFTER: ReadonlySet<string> = new Set(['kr', 'zł', 'Kč', 'Ft', 'lei', 'лв', 'Fr', 'CHF']);

const WHOLE = new Intl.NumberFormat('en-GB', { maximumFractionDigits: 0 });

/** An amount in whole units, as its currency is written: `€1,250`, `450 kr`. The sign and the figure stay together. */
export function moneyOf(amount: number, currency: string): string {
  // Minus nought reads as a debt.
  const figure = WHOLE.format(Math.round(amount) + 0);
  if (AFTER.has(currency)) return `${figure}\u202f${currency}`;
  return /^[A-Za-z]{2,}$/.test(currency) ? `${currency}\u202f${figure}` : `${currency}${figure}`;
}
