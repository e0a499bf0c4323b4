import { moneyOf, ownUnit, type UnitChoice } from '@pincer/core/words';
import { format, isSameDay } from 'date-fns';
import { now } from '../clock.ts';

/** A moment in a few words: `Tue 3 Nov, 07:40`, with the year where it is another one. */
export function moment(iso: string, at = now()): string {
  const date = new Date(iso);
  if (isSameDay(date, at)) return `today, ${format(date, 'HH:mm')}`;
  return format(date, date.getFullYear() === at.getFullYear() ? 'EEE d MMM, HH:mm' : 'd MMM yyyy, HH:mm');
}

/** A day: `Tue 3 Nov`, with the year where it is another one. */
export function day(iso: string, at = now()): string {
  const date = new Date(iso);
  return format(date, date.getFullYear() === at.getFullYear() ? 'EEE d MMM' : 'd MMM yyyy');
}

/** The time of day, `07:40`, where its day stands above it. */
export const timeOfDay = (iso: string): string => format(new Date(iso), 'HH:mm');

/** Keeps a figure and its unit together. */
const NARROW_SPACE = '\u202f';

/** A chance in per cent, never rounded to certainty, with more digits where it is small. */
export function percent(p: number): string {
  const value = p * 100;
  if (value < 0.1) return `< 0.1${NARROW_SPACE}%`;
  if (value > 99.4) return `> 99${NARROW_SPACE}%`;
  return `${value < 2 ? value.toFixed(1) : Math.round(value)}${NARROW_SPACE}%`;
}

/** A count with its noun: `1 code`, `3 codes`. @param plural where it is not the noun with an s. */
export function counted(n: number, noun: string, plural = `${noun}s`): string {
  return `${n} ${n === 1 ? noun : plural}`;
}

/** Bytes as a person counts them: `136 kB`, `12 MB`, `3.4 GB`. */
export function megabytes(bytes: number): string {
  if (bytes < 1e6) return `${Math.max(1, Math.round(bytes / 1e3))} kB`;
  return bytes < 1e9 ? `${Math.max(1, Math.round(bytes / 1e6))} MB` : `${(bytes / 1e9).toFixed(1)} GB`;
}

/** An amount in whole units of the owner's currency. */
export const money = moneyOf;

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
const WHOLE = new Intl.NumberFormat('en-GB', { maximumFractionDigits: 0 });

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
