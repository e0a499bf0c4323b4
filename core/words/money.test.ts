import { currencySign, moneyOf } from './index.ts';

/** The spaces of Intl differ from place to place; only that there is one counts here. */
const plain = (text: string) => text.replace(/[\u00a0\u202f\u2009]/g, ' ');

test.each([
  ['EUR', 'en-IE', '€1,250'],
  ['EUR', 'de-DE', '1.250 €'],
  ['EUR', undefined, '€1,250'],
  ['SEK', 'sv-SE', '1 250 kr'],
  ['USD', 'en-US', '$1,250'],
  ['CAD', 'en-CA', '$1,250'],
  ['PLN', 'pl-PL', '1250 zł'],
  // Signs as an owner types them, and as older records have them.
  ['€', 'de-DE', '1.250 €'],
  ['£', 'en-GB', '£1,250'],
  ['kr', 'en-GB', '1,250 kr'],
  ['R', 'en-ZA', 'R1 250'],
  ['Rs', 'en-GB', 'Rs 1,250'],
])('%s in %s: %s', (currency, locale, shown) => {
  expect(plain(moneyOf(1249.6, { currency, locale }))).toBe(shown);
});

test('nothing is no debt, and no tag of a language takes a screen away', () => {
  expect(moneyOf(-0.2, { currency: 'EUR', locale: 'en-IE' })).toBe('€0');
  for (const locale of ['', 'no tag', 'xx-XX', 'en_US'])
    expect(moneyOf(3, { currency: 'EUR', locale })).toBe('€3');
});

test('the sign alone, for a label', () => {
  expect(currencySign({ currency: 'SEK', locale: 'sv-SE' })).toBe('kr');
  expect(currencySign({ currency: 'EUR' })).toBe('€');
  expect(currencySign({ currency: 'Rs' })).toBe('Rs');
});
