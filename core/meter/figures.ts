import { METER_UNITS, type Quantity } from './measurement.ts';

/** A number with three figures, thousands set apart. */
export function inUnit(value: number): string {
  const size = Math.abs(value);
  const places = size >= 100 || size === 0 ? 0 : size >= 10 ? 1 : 2;
  return value
    .toLocaleString('en-GB', { maximumFractionDigits: places, minimumFractionDigits: 0 })
    .replace('-', '−');
}

/** The unit in which a value is easiest to read. */
function readableUnit(value: number, quantity: Quantity): string {
  const size = Math.abs(value);
  switch (quantity) {
    case 'resistance':
      return size >= 1_000_000 ? 'MΩ' : size >= 1_000 ? 'kΩ' : 'Ω';
    case 'current':
      return size >= 1_000 ? 'A' : 'mA';
    case 'small-pressure':
      return 'kPa';
    default:
      return Object.keys(METER_UNITS[quantity])[0] ?? '';
  }
}

/** A value of the base unit as text, tagged where owners have the unit differently: `2.5 kΩ`, `{11 bar}`. */
export function shown(value: number, quantity: Quantity): string {
  const unit = readableUnit(value, quantity);
  const size = (METER_UNITS[quantity] as Readonly<Record<string, number>>)[unit] ?? 1;
  const text = `${inUnit(value / size)} ${unit}`;
  return quantity === 'pressure' || quantity === 'small-pressure' || quantity === 'length'
    ? `{${text}}`
    : text;
}

/** A band as text. */
export function bandText({ from, to }: { from: number; to: number }, quantity: Quantity): string {
  if (from === -Infinity) return `at most ${shown(to, quantity)}`;
  if (to === Infinity) return `at least ${shown(from, quantity)}`;
  const [low, high] = [shown(from, quantity), shown(to, quantity)];
  const [, number = '', unit = ''] = /^\{?(\S+) ([^}]+)\}?$/.exec(low) ?? [];
  // One unit for both where it is the same: `4.37 to 6.55 kΩ`.
  return high.replace(/\}$/, '').endsWith(` ${unit}`) && unit !== ''
    ? high.replace(/^\{?/, (brace) => `${brace}${number} to `)
    : `${low} to ${high}`;
}
