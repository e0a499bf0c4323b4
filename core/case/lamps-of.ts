import { isMotorcycle, type Vehicle } from '@pincer/core/vehicle';
import { LAMPS, type LampId } from './entries.ts';

/** Whether a vehicle has nothing that such a lamp speaks of. What is not known rules nothing out. */
const LACKS: Partial<Record<LampId, (vehicle: Pick<Vehicle, 'kind' | 'fuel'>) => boolean>> = {
  steering: isMotorcycle,
  airbag: isMotorcycle,
  particulate: (v) => isMotorcycle(v) || v.fuel === 'electric',
  glow: ({ fuel }) => fuel === 'petrol' || fuel === 'lpg' || fuel === 'electric',
  'high-voltage': ({ fuel }) => fuel === 'petrol' || fuel === 'diesel' || fuel === 'lpg',
};

/**
 * The lamps that a vehicle can have, in the order in which they are asked for. One of another kind is told as another light.
 * @param said lamps that were spoken of already, which are never left out.
 */
export function lampsOf(
  vehicle: Pick<Vehicle, 'kind' | 'fuel'>,
  said: ReadonlyMap<LampId, unknown>,
): LampId[] {
  return (Object.keys(LAMPS) as LampId[]).filter((lamp) => said.has(lamp) || !LACKS[lamp]?.(vehicle));
}
