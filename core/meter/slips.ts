import type { Band } from './expected.ts';
import { shown } from './figures.ts';
import type { Quantity } from './measurement.ts';

/** A mistake of the hand that would explain an odd value. */
export interface Slip {
  id: 'thousand' | 'swapped' | 'connected' | 'tips' | 'over-range';
  text: string;
  /** The value meant, in the base unit, where there is one. */
  meant?: number;
}

const isIn = (value: number, { from, to }: Band): boolean => value >= from && value <= to;

/**
 * The mistake that explains a value outside its band, if there is one: an owner is asked before the part is blamed.
 * @param value in the base unit.
 */
export function slipIn(value: number, band: Band, quantity: Quantity): Slip | null {
  if (isIn(value, band)) return null;
  if (value < 0 && isIn(-value, band) && quantity !== 'resistance')
    return {
      id: 'swapped',
      text: `With plus and minus exchanged this is ${shown(-value, quantity)}, which is right. Were the two leads the other way round?`,
      meant: -value,
    };
  for (const factor of [1_000, 0.001])
    if (value !== 0 && isIn(value * factor, band) && band.from !== -Infinity)
      return {
        id: 'thousand',
        text: `A thousand times ${factor > 1 ? 'more' : 'less'} would be right: did the meter show ${shown(value * factor, quantity)}? Look at the small letter beside the number.`,
        meant: value * factor,
      };
  if (quantity !== 'resistance') return null;
  if (value === 1_000 || value === 1_000_000)
    return {
      id: 'over-range',
      text: 'A single 1 at the left means “more than this range can show” on many meters. Turn to a larger range, or choose “open”.',
    };
  if (value < 0.6 && band.from > 3)
    return {
      id: 'tips',
      text: 'This is what two tips that touch each other show. Measure again, with each tip on its own pin, before you call it a short circuit.',
    };
  if (value < band.from && value > band.from * 0.25)
    return {
      id: 'connected',
      text: 'A part that is still connected shows less than it has, because the rest of the circuit is measured with it. Was the connector off?',
    };
  return null;
}
