import { ownUnit, type UnitChoice } from '@pincer/core/words';
import { now } from '../clock.ts';

/** How days and times are written in one English. */
export interface DateWords {
  /** A moment in a few words: `Tue 3 Nov, 07:40`, with the year where it is another one. */
  moment: (iso: string, at?: Date) => string;
  /** A day: `Tue 3 Nov`, with the year where it is another one. */
  day: (iso: string, at?: Date) => string;
  /** The time of day, `07:40`, where its day stands above it. */
  timeOfDay: (iso: string) => string;
}

/**
 * Dates in the English of a language tag; in that of Britain where the tag is of another language, for the texts are English.
 * @param language a BCP 47 tag.
 */
export function dateWords(language: string | undefined): DateWords {
  const locale = language?.startsWith('en') ? language : 'en-GB';
  const as = (parts: Intl.DateTimeFormatOptions) => new Intl.DateTimeFormat(locale, parts);
  const time = { hour: '2-digit', minute: '2-digit' } as const;
  const near = { weekday: 'short', day: 'numeric', month: 'short' } as const;
  const far = { day: 'numeric', month: 'short', year: 'numeric' } as const;
  const [ofTime, ofNear, ofFar] = [as(time), as(near), as(far)];
  const [atNear, atFar] = [as({ ...near, ...time }), as({ ...far, ...time })];
  const isNear = (date: Date, at: Date) => date.getFullYear() === at.getFullYear();
  return {
    moment: (iso, at = now()) => {
      const date = new Date(iso);
      if (date.toDateString() === at.toDateString()) return `today, ${ofTime.format(date)}`;
      return (isNear(date, at) ? atNear : atFar).format(date);
    },
    day: (iso, at = now()) => {
      const date = new Date(iso);
      return (isNear(date, at) ? ofNear : ofFar).format(date);
    },
    timeOfDay: (iso) => ofTime.format(new Date(iso)),
  };
}

/** As the device writes them. */
export const { moment, day, timeOfDay } = dateWords(
  typeof navigator === 'undefined' ? undefined : navigator.language,
);

/** Keeps a figure and its unit together. */
const NARROW_SPACE = '\u202f';

/** A chance in per cent, never rounded to certainty, with more digits where it is small. */
export function percent(p: number): string {
  const value = p * 100;
  if (value < 0.1) return `< 0.1${NARROW_SPACE}%`;
  if (value > 99.4) return `> 99${NARROW_SPACE}%`;
  // By what is shown: of two chances that both show as 2, none stands there as 2.0.
  return `${value < 1.95 ? value.toFixed(1) : Math.round(value)}${NARROW_SPACE}%`;
}

const WHOLE = new Intl.NumberFormat('en-GB', { maximumFractionDigits: 0 });
const PLURALS = new Intl.PluralRules('en');

/** A count with its noun: `1 code`, `3 codes`, `1,240 entries`. @param plural where it is not the noun with an s. */
export function counted(n: number, noun: string, plural = `${noun}s`): string {
  return `${WHOLE.format(n)} ${PLURALS.select(n) === 'one' ? noun : plural}`;
}

/** Bytes as a person counts them: `136 kB`, `12 MB`, `3.4 GB`. */
export function megabytes(bytes: number): string {
  if (bytes < 1e6) return `${Math.max(1, Math.round(bytes / 1e3))} kB`;
  return bytes < 1e9 ? `${Math.max(1, Math.round(bytes / 1e6))} MB` : `${(bytes / 1e9).toFixed(1)} GB`;
}

/** An amount in whole units of the owner's currency; its sign alone. */
export { currencySign, moneyOf as money } from '@pincer/core/words';

/** Minutes as `35 min` or `2 h 10`. */
export function duration(minutes: number): string {
  if (minutes < 90) return `${Math.round(minutes)} min`;
  const rest = Math.round(minutes % 60);
  return `${Math.floor(minutes / 60)} h${rest > 0 ? ` ${rest}` : ''}`;
}

/** A weight of evidence: ×4 for, ÷5 against. */
export function weight(ratio: number): string {
  const digits = (n: number) => (n < 2 ? n.toFixed(1) : String(Math.round(n)));
  return ratio >= 1 ? `×${digits(ratio)}` : `÷${digits(1 / ratio)}`;
}

/** Made once: a trace's axis asks for hundreds of figures at each redraw. */
const FINE = new Intl.NumberFormat('en-GB', { maximumFractionDigits: 2 });
const COARSE = new Intl.NumberFormat('en-GB', { maximumFractionDigits: 1 });

/** A number with separators: two digits after the point below ten, one below a thousand, else none. */
export function figure(value: number): string {
  const size = Math.abs(value);
  return (size < 10 ? FINE : size < 1_000 ? COARSE : WHOLE).format(value);
}

/** Kilometres in the owner's units. */
export function distance(km: number, units: UnitChoice): string {
  const own = ownUnit('km', units);
  return `${Math.round(own.of(km)).toLocaleString('en-GB')} ${own.unit}`;
}
