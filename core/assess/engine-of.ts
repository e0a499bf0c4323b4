import type { EngineFacts } from '@pincer/core/signals';
import type { Vehicle } from '@pincer/core/vehicle';

/** What the plausibility rules must know of a vehicle. */
export function engineOf(vehicle: Vehicle): EngineFacts {
  return {
    displacementLitres: vehicle.displacementLitres ?? null,
    cylinders: vehicle.cylinders ?? null,
    isDiesel: vehicle.fuel === 'diesel',
    isMotorcycle: vehicle.kind === 'motorcycle',
    heightM: vehicle.heightM ?? null,
  };
}
