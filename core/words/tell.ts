import { ownUnit, type UnitChoice } from './units.ts';
import { vehicleWord, type VehicleWord } from './vehicle-word.ts';
import { VOCABULARIES, wordIn, type Vocabulary } from './vocabulary.ts';

/** What decides how a text is told: the owner's units and English, and what is spoken of. */
export interface Wording {
  units: UnitChoice;
  words: Vocabulary;
  /** A car where no vehicle is meant. */
  vehicle?: VehicleWord | undefined;
}

const TAG = /\{([^{}]{1,64})\}/g;
const NUMBER = String.raw`[-−±]?\d[\d,]*(?:\.\d+)?`;
const QUANTITY = new RegExp(
  String.raw`^(${NUMBER})(?:( to | and | or |–)(${NUMBER}))? (km/h|km|m|°C|K|kPa|bar|mm|cm|L/100 km|L/h|L|qt|Nm|kg)$`,
);

/** Digits that mean something: 2,500 has two, 0.05 one, 101 three. */
function meaningful(number: string): number {
  const digits = number.replace(/[^\d.]/g, '');
  return digits.includes('.')
    ? digits.replace('.', '').replace(/^0+/, '').length
    : digits.replace(/0+$/, '').length;
}

const decimals = (number: string): number => /\.(\d+)/.exec(number)?.[1]?.length ?? 0;

/** A converted value as fine as the one it comes from, and never finer than helps. */
function roundLike(value: number, from: string, unit: string): string {
  const size = Math.abs(value);
  if (unit === '°F') return grouped(value, decimals(from));
  // A round speed stays round: 60 to 100 km/h is 35 to 60 mph.
  if (unit === 'mph' && size >= 20 && /0$/.test(from)) return grouped(Math.round(value / 5) * 5, 0);
  if (size === 0) return '0';
  const digits = Math.max(2, meaningful(from));
  const places = Math.max(0, digits - 1 - Math.floor(Math.log10(size)));
  if (places > 0) return grouped(value, places);
  const step = 10 ** Math.max(0, Math.floor(Math.log10(size)) - digits + 1);
  return grouped(Math.round(value / step) * step, 0);
}

function grouped(value: number, places: number): string {
  return value
    .toLocaleString('en-GB', { maximumFractionDigits: places, minimumFractionDigits: 0 })
    .replace('-', '−');
}

function quantity(tag: string, units: UnitChoice): string | null {
  const found = QUANTITY.exec(tag);
  if (!found) return null;
  const [, low = '', between = '', high, unit = ''] = found;
  const own = ownUnit(unit, units);
  const shown = own.unit === 'mi' ? 'miles' : own.unit;
  const told = (number: string): string => {
    // A value that is the same in the owner's unit is told as it was written.
    if (own.of(1) === 1 && own.of(0) === 0) return number.replace('-', '−');
    const sign = /^±/.test(number) ? '±' : '';
    const value = Number(number.replace(/[,±]/g, '').replace('−', '-'));
    return sign + roundLike(own.of(value), number, own.unit);
  };
  return `${told(low)}${high === undefined ? '' : `${between}${told(high)}`} ${shown}`;
}

/** A value for a text: tagged where its unit is one that owners have differently, plain where it is not. */
export function quantityText(value: string, unit: string): string {
  const text = unit === '' ? value : `${value} ${unit}`;
  return QUANTITY.test(text) ? `{${text}}` : text;
}

/**
 * A text in the owner's units and English. Tagged words (`{bonnet}`, `{car}`) and quantities (`{60 to 100 km/h}`, `{5 K}`
 * for a difference of temperatures) are said as the owner says them; any other brace is left as it is.
 */
export function tell(text: string, { units, words, vehicle }: Wording): string {
  if (!text.includes('{')) return text;
  return text.replace(
    TAG,
    (whole, tag: string) => quantity(tag, units) ?? vehicleWord(tag, vehicle) ?? wordIn(tag, words) ?? whole,
  );
}

/** The same for everything that is said in an object, at any depth; what holds no tagged text is not copied. */
export function tellAll<T>(value: T, wording: Wording): T {
  return told(value, wording) as T;
}

function told(value: unknown, wording: Wording): unknown {
  if (typeof value === 'string') return tell(value, wording);
  if (typeof value !== 'object' || value === null || value instanceof Date) return value;
  if (Array.isArray(value)) {
    let copy: unknown[] | null = null;
    for (let i = 0; i < value.length; i++) {
      const was: unknown = value[i];
      const is = told(was, wording);
      if (is !== was) (copy ??= value.slice())[i] = is;
    }
    return copy ?? value;
  }
  if (Object.getPrototypeOf(value) !== Object.prototype) return value;
  let copy: Record<string, unknown> | null = null;
  const fields = value as Record<string, unknown>;
  for (const key of Object.keys(fields)) {
    const was = fields[key];
    const is = told(was, wording);
    if (is !== was) (copy ??= { ...fields })[key] = is;
  }
  return copy ?? value;
}

/** Every English of a text's tagged words, for a search that knows them all. */
export function inEveryEnglish(text: string): string {
  if (!text.includes('{')) return text;
  return VOCABULARIES.map((words) => tell(text, { units: 'metric', words })).join(' ');
}
