import type { Owner } from './record.ts';

/** What is customary in a region. */
export interface Region {
  name: string;
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
  EU: region('Euro countries, west', '€', 'metric', 'british', 1, 90, 75, 10),
  ES: region('Euro countries, south and east', '€', 'metric', 'british', 0.9, 55, 45, 8),
  GB: region('United Kingdom', '£', 'mixed', 'british', 0.9, 75, 60, 10),
  US: region('United States', '$', 'imperial', 'american', 1.1, 140, 130, 15),
  CA: region('Canada', '$', 'metric', 'american', 1.6, 140, 130, 18),
  AU: region('Australia', '$', 'metric', 'british', 1.8, 140, 120, 20),
  NZ: region('New Zealand', '$', 'metric', 'british', 2, 130, 110, 18),
  CH: region('Switzerland', 'Fr', 'metric', 'british', 1.2, 150, 120, 20),
  SE: region('Sweden', 'kr', 'metric', 'british', 11.5, 1_100, 900, 120),
  NO: region('Norway', 'kr', 'metric', 'british', 13, 1_300, 1_100, 150),
  DK: region('Denmark', 'kr', 'metric', 'british', 8.5, 750, 600, 100),
  PL: region('Poland', 'zł', 'metric', 'british', 4, 200, 150, 30),
  CZ: region('Czechia', 'Kč', 'metric', 'british', 24, 1_000, 700, 150),
  MX: region('Mexico', '$', 'metric', 'american', 19, 450, 500, 60),
  PH: region('Philippines', '₱', 'metric', 'american', 55, 600, 800, 80),
  IN: region('India', '₹', 'metric', 'british', 60, 600, 800, 100),
  ZA: region('South Africa', 'R', 'metric', 'british', 18, 700, 700, 80),
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

/** The owner's figures as they are customary in a region; units and words stay theirs. */
export function inRegion(owner: Owner, id: string): Owner {
  const found = REGIONS[id];
  if (!found) return owner;
  const { currency, priceLevel, shopHourly, shopDiagnosis, ownHourly } = found;
  return { ...owner, region: id, currency, priceLevel, shopHourly, shopDiagnosis, ownHourly };
}
