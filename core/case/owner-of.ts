import { DEFAULT_OWNER, type Owner } from './record.ts';

type Customs = Pick<Owner, 'currency' | 'units' | 'words'>;

/** What is customary where, by ISO 3166-1 region; everywhere else it is as in {@link DEFAULT_OWNER}. */
const CUSTOMS: Readonly<Record<string, Customs>> = {
  US: { currency: '$', units: 'imperial', words: 'american' },
  PR: { currency: '$', units: 'imperial', words: 'american' },
  CA: { currency: '$', units: 'metric', words: 'american' },
  MX: { currency: '$', units: 'metric', words: 'american' },
  PH: { currency: '₱', units: 'metric', words: 'american' },
  GB: { currency: '£', units: 'mixed', words: 'british' },
  AU: { currency: '$', units: 'metric', words: 'british' },
  NZ: { currency: '$', units: 'metric', words: 'british' },
  IN: { currency: '₹', units: 'metric', words: 'british' },
  ZA: { currency: 'R', units: 'metric', words: 'british' },
  CH: { currency: 'Fr', units: 'metric', words: 'british' },
};

/**
 * An owner to begin with: units, English and currency as is customary where the browser's language is spoken. All of it
 * can be changed in the settings.
 * @param language BCP 47, such as `en-US`; what is no language tag leaves everything as it is by default.
 */
export function ownerOf(language: string): Owner {
  try {
    const { region } = new Intl.Locale(language).maximize();
    return { ...DEFAULT_OWNER, ...CUSTOMS[region ?? ''] };
  } catch {
    return DEFAULT_OWNER;
  }
}
