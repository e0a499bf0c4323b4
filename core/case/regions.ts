import type { Owner } from './record.ts';

/** What is customary in a region. */
export interface Region {
  name: string;
  /** ISO 4217. */
  currency: string;
  units: 'metric' | 'imperial' | 'mixed';
  words: Owner['words'];
  /** What costs 1 in the library, which is in euros of western Europe, costs here. */
  priceLevel: number;
  /** A workshop's usual hourly rate and its fee for finding a cause, in the region's currency. */
  shopHourly: number;
  shopDiagnosis: number;
  /** What people commonly put their own hour at. */
  ownHourly: number;
}

/**
 * Regions by ISO 3166-1, and `EU` for the euro. Rates are round figures of independent workshops, judged in 2026 and not
 * taken from any survey; the price level is the exchange rate in round figures times how dear parts are there. They are a
 * guess to begin with, and every one can be changed.
 */
export const REGIONS: Readonly<Record<string, Region>> = {
  EU: region('Euro countries, west', 'EUR', 'metric', 'british', 1, 90, 75, 10),
  ES: region('Euro countries, south and east', 'EUR', 'metric', 'british', 0.9, 55, 45, 8),
  GB: region('United Kingdom', 'GBP', 'mixed', 'british', 0.9, 75, 60, 10),
  US: region('United States', 'USD', 'imperial', 'american', 1.1, 140, 130, 15),
  CA: region('Canada', 'CAD', 'metric', 'american', 1.6, 140, 130, 18),
  AU: region('Australia', 'AUD', 'metric', 'british', 1.8, 140, 120, 20),
  NZ: region('New Zealand', 'NZD', 'metric', 'british', 2, 130, 110, 18),
  CH: region('Switzerland', 'CHF', 'metric', 'british', 1.2, 150, 120, 20),
  SE: region('Sweden', 'SEK', 'metric', 'british', 11.5, 1_100, 900, 120),
  NO: region('Norway', 'NOK', 'metric', 'british', 13, 1_300, 1_100, 150),
  DK: region('Denmark', 'DKK', 'metric', 'british', 8.5, 750, 600, 100),
  PL: region('Poland', 'PLN', 'metric', 'british', 4, 200, 150, 30),
  CZ: region('Czechia', 'CZK', 'metric', 'british', 24, 1_000, 700, 150),
  MX: region('Mexico', 'MXN', 'metric', 'american', 19, 450, 500, 60),
  PH: region('Philippines', 'PHP', 'metric', 'american', 55, 600, 800, 80),
  IN: region('India', 'INR', 'metric', 'british', 60, 600, 800, 100),
  ZA: region('South Africa', 'ZAR', 'metric', 'british', 18, 700, 700, 80),
};

function region(
  name: string,
  currency: string,
  units: Region['units'],
  words: Region['words'],
  priceLevel: number,
  shopHourly: number,
  shopDiagnosis: number,
  ownHourly: number,
): Region {
  return { name, currency, units, words, priceLevel, shopHourly, shopDiagnosis, ownHourly };
}

/** How sums are written in a region: as before where the tag is of that place, else in the English that is used there. */
function localeIn(before: string | undefined, id: string): string | undefined {
  // The euro is written in many ways; where the owner is at home stays known.
  if (!/^[A-Z]{2}$/.test(id) || id === 'EU' || id === 'ES') return before;
  try {
    return before !== undefined && new Intl.Locale(before).maximize().region === id ? before : `en-${id}`;
  } catch {
    return `en-${id}`;
  }
}

/** The owner's figures as they are customary in a region; units and words stay theirs. */
export function inRegion(owner: Owner, id: string): Owner {
  const found = REGIONS[id];
  if (!found) return owner;
  const { currency, priceLevel, shopHourly, shopDiagnosis, ownHourly } = found;
  const locale = localeIn(owner.locale, id);
  return {
    ...owner,
    ...(locale === undefined ? {} : { locale }),
    region: id,
    currency,
    priceLevel,
    shopHourly,
    shopDiagnosis,
    ownHourly,
  };
}
