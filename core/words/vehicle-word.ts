import { withCapital } from './vocabulary.ts';

/** What an owner calls what stands in the garage; the word is that of the vehicle's kind. */
export type VehicleWord = 'car' | 'van' | 'motorcycle';

/** What is done otherwise by who rides: texts hold the driver's words in braces. */
export const RIDING: Readonly<Record<string, string>> = {
  '2,500 rpm': '5,000 rpm',
  '3,000 rpm': '6,000 rpm',
  'a passenger compares': 'record, then compare',
  'a passenger does it': 'let it record by itself',
  'a passenger notes': 'stop to note',
  'a passenger reads': 'let it record by itself',
  'a passenger watches this, not the driver': 'it records by itself: look at it when you have stopped',
  'accelerator pedal': 'throttle grip',
  'brake pedal': 'brake lever or pedal',
  'ease off the accelerator': 'ease off the throttle',
  'feet off the pedals': 'throttle closed',
  'foot off the accelerator': 'close the throttle',
  'in park or neutral': 'in neutral',
  'in the glove box': 'under the seat or among the papers',
  'is the parking brake fully off?': 'does nothing hold a brake on?',
  'it takes heat out of the engine': 'the engine then makes less heat',
  'let a passenger read this while you drive. Stop before you type': 'stop before you read or type',
  'parking brake on': 'on its stand',
  pedal: 'lever or pedal',
  'press the accelerator': 'open the throttle',
  'release the parking brake fully': 'see that nothing holds a brake on',
  'set the parking brake': 'put it on its stand',
  'set the heater to its hottest and the fan to full': 'close the throttle',
  'set the heater to its hottest, foot off the accelerator': 'close the throttle',
  'steering and brakes keep their help while the engine turns': 'brake gently, with both brakes',
  'the accelerator': 'the throttle',
  'the parking brake': 'the other brake',
  'with a start button, press it without the brake pedal': 'the engine stop switch stands at “run”',
};

/**
 * The word for the vehicle that a text speaks of, `{car}`, `{Car}`, `{cars}` or `{Cars}`, and what its owner does:
 * `{Foot off the accelerator}`.
 * @returns null for any other tag
 */
export function vehicleWord(tag: string, vehicle: VehicleWord = 'car'): string | null {
  return withCapital(tag, (word) => {
    if (word === 'car') return vehicle;
    if (word === 'cars') return `${vehicle}s`;
    if (!Object.hasOwn(RIDING, word)) return null;
    return vehicle === 'motorcycle' ? (RIDING[word] ?? null) : word;
  });
}
