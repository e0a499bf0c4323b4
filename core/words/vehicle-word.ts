/** What an owner calls what stands in the garage; the word is that of the vehicle's kind. */
export type VehicleWord = 'car' | 'van' | 'motorcycle';

const TAG = /^([Cc])ar(s?)$/;

/**
 * The word for the vehicle that a text speaks of: texts hold `{car}`, `{Car}`, `{cars}` or `{Cars}`.
 * @returns null for any other tag
 */
export function vehicleWord(tag: string, vehicle: VehicleWord = 'car'): string | null {
  const found = TAG.exec(tag);
  if (!found) return null;
  const [, first, s = ''] = found;
  return `${first === 'C' ? vehicle.charAt(0).toUpperCase() + vehicle.slice(1) : vehicle}${s}`;
}
