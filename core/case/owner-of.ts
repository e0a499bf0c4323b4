import { DEFAULT_OWNER, type Owner } from './record.ts';
import { REGIONS, inRegion } from './regions.ts';

/** Regions whose customs are those of another. */
const AS_IN: Readonly<Record<string, string>> = {
  PR: 'US',
  PT: 'ES',
  GR: 'ES',
  HR: 'ES',
  SK: 'ES',
  SI: 'ES',
  LT: 'ES',
  LV: 'ES',
  EE: 'ES',
};

/**
 * An owner to begin with: units, English, currency and prices as is customary where the browser's language is spoken. All of
 * it can be changed in the settings.
 * @param language BCP 47, such as `en-US`; what is no language tag leaves everything as it is by default.
 */
export function ownerOf(language: string): Owner {
  try {
    const { region = '' } = new Intl.Locale(language).maximize();
    const id = AS_IN[region] ?? region;
    const customs = REGIONS[id];
    const owner = { ...DEFAULT_OWNER, locale: language };
    if (!customs) return owner;
    return { ...inRegion(owner, id), units: customs.units, words: customs.words };
  } catch {
    return DEFAULT_OWNER;
  }
}
