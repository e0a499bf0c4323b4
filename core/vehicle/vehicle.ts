import { z } from 'zod';

export const FUELS = ['petrol', 'diesel', 'hybrid', 'lpg', 'electric', 'unknown'] as const;
export type Fuel = (typeof FUELS)[number];

export const vehicleSchema = z.object({
  id: z.string().regex(/^veh_/),
  /** Make and model in the owner's words. */
  name: z.string().min(1),
  kind: z.enum(['car', 'van', 'motorcycle']),
  plate: z.string().optional(),
  vin: z.string().optional(),
  year: z.number().int().min(1900).max(2100).optional(),
  market: z.string().optional(),
  fuel: z.enum(FUELS),
  /** Litres. */
  displacement: z.number().positive().optional(),
  cylinders: z.number().int().min(1).max(16).optional(),
  aspiration: z.enum(['natural', 'turbo', 'unknown']),
  /** Kilometres. */
  distance: z.number().min(0).optional(),
  modifications: z.string().optional(),
  /** ISO dates. */
  warrantyEnds: z.string().optional(),
  inspectionDue: z.string().optional(),
});
/** A vehicle as its owner keeps it. */
export type Vehicle = z.infer<typeof vehicleSchema>;

/** Cylinders to reckon with when the owner did not say: most cars have four, motorcycles two. */
export function cylindersOf(vehicle: Vehicle): number {
  return vehicle.cylinders ?? (vehicle.kind === 'motorcycle' ? 2 : 4);
}

/** Age in years at a moment, or null when the year is unknown. */
export function ageOf(vehicle: Vehicle, at: Date): number | null {
  return vehicle.year === undefined ? null : Math.max(0, at.getUTCFullYear() - vehicle.year);
}
