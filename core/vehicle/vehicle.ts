import { z } from 'zod';
import { TROUBLE_CODE } from '@pincer/core/obd';
import { moduleMapSchema } from './module-map.ts';

export const FUELS = ['petrol', 'diesel', 'hybrid', 'lpg', 'electric', 'unknown'] as const;
export type Fuel = (typeof FUELS)[number];

export const ASPIRATIONS = ['natural', 'turbo', 'unknown'] as const;
export const GEARBOXES = ['manual', 'automatic', 'unknown'] as const;
/** Where a usual trip leads along; self-checks ask for one or the other. */
export const ROADS = ['town', 'country', 'motorway'] as const;
export type RoadKind = (typeof ROADS)[number];

const tripSchema = z.object({
  name: z.string().min(1),
  road: z.enum(ROADS),
  minutes: z.number().positive(),
  distanceKm: z.number().positive(),
  perWeek: z.number().min(0),
});
/** A drive that the owner makes anyway. */
export type UsualTrip = z.infer<typeof tripSchema>;

const acceptedCodeSchema = z.object({
  code: z.string().regex(TROUBLE_CODE),
  reason: z.string().min(1),
  /** ISO 8601 moment at which the owner accepted it. */
  since: z.iso.datetime(),
  /** When it was taken back; the record of it stays. */
  until: z.iso.datetime().optional(),
});
/** A code with a known reason that the owner lives with, such as a deliberate change of the vehicle. */
export type AcceptedCode = z.infer<typeof acceptedCodeSchema>;

const makerCodesSchema = z.object({
  /** Name of the file or source that the owner gave. */
  name: z.string().min(1),
  addedAt: z.iso.datetime(),
  /** Text by code, in the words of that list. */
  codes: z.record(z.string().regex(TROUBLE_CODE), z.string().min(1).max(300)),
});
/** The owner's own list of their maker's codes. Nobody here vouches for it. */
export type MakerCodes = z.infer<typeof makerCodesSchema>;

const serviceSchema = z.object({
  /** Intervals of the owner's handbook, by item; they are typed over the usual ones. */
  intervals: z
    .record(
      z.string(),
      z.object({ km: z.number().positive().optional(), months: z.number().positive().optional() }),
    )
    .optional(),
  /** What was done, oldest first. */
  done: z.array(
    z.object({
      item: z.string(),
      /** ISO date. */
      at: z.iso.date(),
      km: z.number().min(0).optional(),
      cost: z.number().min(0).optional(),
    }),
  ),
});
/** Service of a vehicle: the handbook's intervals, and what was done. */
export type VehicleService = z.infer<typeof serviceSchema>;

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
  displacementLitres: z.number().positive().optional(),
  cylinders: z.number().int().min(1).max(16).optional(),
  /** Where cylinder 1 is, and bank 1, as the owner found it in the workshop manual. */
  cylinderOne: z.string().max(80).optional(),
  bankOne: z.string().max(80).optional(),
  aspiration: z.enum(ASPIRATIONS),
  gearbox: z.enum(GEARBOXES).optional(),
  /** Size on the wall of the driven wheels’ tyre, such as `205/55 R16`. */
  tyre: z.string().max(40).optional(),
  /** Kilometres. */
  distanceKm: z.number().min(0).optional(),
  modifications: z.string().optional(),
  /** Height above the sea of the place where it is kept, m. */
  heightM: z.number().min(-450).max(5_500).optional(),
  /** ISO dates. */
  warrantyEnds: z.string().optional(),
  inspectionDue: z.string().optional(),
  /** Kind of inspection rule, where the owner has chosen one; see the inspection room. */
  inspectionRule: z.string().optional(),
  usualTrips: z.array(tripSchema).optional(),
  service: serviceSchema.optional(),
  acceptedCodes: z.array(acceptedCodeSchema).optional(),
  makerCodes: makerCodesSchema.optional(),
  moduleMap: moduleMapSchema.optional(),
  /** A made-up vehicle of the practice bay: its cases are in no garage, no export and no experience. */
  isPractice: z.literal(true).optional(),
  /** Sold, scrapped or not used: it stays in the logbook, and out of the garage. */
  putAwayAt: z.iso.datetime().optional(),
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

/** Codes that the owner accepts now, by code. What was taken back is left out. */
export function acceptedNow(vehicle: Vehicle): ReadonlyMap<string, AcceptedCode> {
  return new Map((vehicle.acceptedCodes ?? []).filter((a) => a.until === undefined).map((a) => [a.code, a]));
}

/** The vehicle with one more accepted code; one that is accepted already keeps its date and gets the new reason. */
export function acceptCode(vehicle: Vehicle, code: string, reason: string, now: string): Vehicle {
  const known = vehicle.acceptedCodes ?? [];
  return acceptedNow(vehicle).has(code)
    ? {
        ...vehicle,
        acceptedCodes: known.map((a) => (a.code === code && a.until === undefined ? { ...a, reason } : a)),
      }
    : { ...vehicle, acceptedCodes: [...known, { code, reason, since: now }] };
}

/** The vehicle with a code no longer accepted. That it once was stays on record. */
export function withdrawCode(vehicle: Vehicle, code: string, now: string): Vehicle {
  return {
    ...vehicle,
    acceptedCodes: (vehicle.acceptedCodes ?? []).map((a) =>
      a.code === code && a.until === undefined ? { ...a, until: now } : a,
    ),
  };
}
