import type { Check } from '../types.ts';
import { look } from './shared.ts';

/** Checks that another one has taken in. They are not offered any more; a log that holds their results keeps its evidence. */
export const RETIRED_CHECKS: readonly Check[] = [
  // Now `pedal-tracks`.
  look('pedal-slow', 'Press the pedal slowly and watch both tracks', 'air', 4, 'Ignition on, engine off: press the pedal slowly over ten seconds. Both tracks must move smoothly and keep a fixed relation (on some {cars} one falls).', ['Smooth, ratio kept', 'The pedal sensor is sound.'], ['A jump, or the ratio breaks', 'The pedal sensor is worn.'], { 'pedal-sensor': 0.9, 'throttle-actuator': 0.3 }),
  // Now `bus-ohms`.
  look('bus-120', 'Resistance between pins 6 and 14, everything asleep', 'electrical', 15, 'Negative battery cable off, ten minutes’ wait: about 60 Ω; 120 Ω means a terminating resistor is missing, near 0 Ω a short.', ['About 60', 'Both ends are there.'], ['120, 0 or open', 'One end is missing, or there is a short.'], { 'bus-terminator': 0.92, 'bus-wire': 0.6, 'unit-wet': 0.12 }, { base: 0.04, tools: ['multimeter'] }),
];
