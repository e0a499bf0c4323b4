import type { Vehicle } from './vehicle.ts';

/** Markets whose rules are known here. */
export const MARKETS = {
  EU: 'European Union and {neighbours}',
  USA: 'United States',
  Canada: 'Canada',
  Australia: 'Australia',
  'New Zealand': 'New Zealand',
  Japan: 'Japan',
  Korea: 'Korea',
  China: 'China',
  India: 'India',
  Brazil: 'Brazil',
} as const;
export type Market = keyof typeof MARKETS;

/** Years from which the standard's socket and services are required, and where it began gradually, the year it began. */
interface Since {
  required: number;
  /** Earlier cars from this year on often have it. */
  likely: number;
}

const since = (required: number, likely: number): Since => ({ required, likely });

/** Light vehicles, by market and ignition. Diesel came later in some. */
const CARS: Readonly<Record<Market, { petrol: Since; diesel: Since }>> = {
  EU: { petrol: since(2001, 1998), diesel: since(2004, 2001) },
  USA: { petrol: since(1996, 1994), diesel: since(1997, 1996) },
  Canada: { petrol: since(1998, 1996), diesel: since(1998, 1996) },
  Australia: { petrol: since(2006, 2002), diesel: since(2007, 2003) },
  'New Zealand': { petrol: since(2006, 2000), diesel: since(2007, 2003) },
  Japan: { petrol: since(2008, 2003), diesel: since(2008, 2004) },
  Korea: { petrol: since(2005, 2002), diesel: since(2006, 2003) },
  China: { petrol: since(2008, 2005), diesel: since(2008, 2006) },
  India: { petrol: since(2013, 2010), diesel: since(2013, 2010) },
  Brazil: { petrol: since(2010, 2007), diesel: since(2012, 2009) },
};

/** Motorcycles: in the EU by stage. Elsewhere it follows the maker. */
const MOTORCYCLES = since(2021, 2017);

export interface Coverage {
  verdict: 'yes' | 'likely' | 'unlikely' | 'unknown';
  reason: string;
  howToTell: string;
}

const LOOK = 'Look into the socket: pins 4, 5 and 16, and either 6 and 14, or 7, or 2, must be there.';

function isMarket(text: string | undefined): text is Market {
  return text !== undefined && Object.hasOwn(MARKETS, text);
}

/**
 * Whether this vehicle has the standard's socket and services, by market, year, fuel and kind.
 * Required years from the markets' public rules; cars before them may have the socket without the standard.
 */
export function socketCoverage(vehicle: Vehicle): Coverage {
  const { year, market, fuel, kind } = vehicle;
  if (fuel === 'electric') {
    return {
      verdict: 'unlikely',
      reason:
        'Electric {cars} are not required to support this standard; most have the socket but use the manufacturer’s own protocol.',
      howToTell: 'Try it: asking cannot harm anything.',
    };
  }
  if (year === undefined) return { verdict: 'unknown', reason: 'The year is not known.', howToTell: LOOK };
  if (kind === 'motorcycle') {
    return judged(
      year,
      MOTORCYCLES,
      'Motorcycles in the EU have it by stages from 2017 to 2021',
      'The socket is under the seat, often with a manufacturer’s own connector that needs an adapter cable.',
    );
  }
  if (!isMarket(market)) {
    const earliest = CARS.EU[fuel === 'diesel' ? 'diesel' : 'petrol'];
    const coverage = judged(year, earliest, 'The market is not known; treated as for the EU', LOOK);
    return coverage.verdict === 'yes' ? { ...coverage, verdict: 'likely' } : coverage;
  }
  const row = CARS[market][fuel === 'diesel' ? 'diesel' : 'petrol'];
  return judged(
    year,
    row,
    `${MARKETS[market]}, ${fuel === 'diesel' ? 'diesel' : '{petrol}'}: required from about ${row.required}`,
    LOOK,
  );
}

function judged(year: number, { required, likely }: Since, rule: string, howToTell: string): Coverage {
  if (year >= required) return { verdict: 'yes', reason: `${rule}; this is of ${year}.`, howToTell };
  if (year >= likely)
    return { verdict: 'likely', reason: `${rule}; many had it before, and this is of ${year}.`, howToTell };
  return {
    verdict: 'unlikely',
    reason: `${rule}; this is of ${year}. It may have the socket without the standard.`,
    howToTell,
  };
}
