import * as z from 'zod/mini';
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
  name: z.string().check(z.minLength(1)),
  road: z.enum(ROADS),
  minutes: z.number().check(z.positive()),
  distanceKm: z.number().check(z.positive()),
  perWeek: z.number().check(z.minimum(0)),
});
/** A drive that the owner makes anyway. */
export type UsualTrip = z.infer<typeof tripSchema>;

const acceptedCodeSchema = z.object({
  code: z.string().check(z.regex(TROUBLE_CODE)),
  reason: z.string().check(z.minLength(1)),
  /** ISO 8601 moment at which the owner accepted it. */
  since: z.iso.datetime(),
  /** When it was taken back; the record of it stays. */
  until: z.optional(z.iso.datetime()),
});
/** A code with a known reason that the owner lives with, such as a deliberate change of the vehicle. */
export type AcceptedCode = z.infer<typeof acceptedCodeSchema>;

const makerCodesSchema = z.object({
  /** Name of the file or source that the owner gave. */
  name: z.string().check(z.minLength(1)),
  addedAt: z.iso.datetime(),
  /** Text by code, in the words of that list. */
  codes: z.record(
    z.string().check(z.regex(TROUBLE_CODE)),
    z.string().check(z.minLength(1), z.maxLength(300)),
  ),
});
/** The owner's own list of their maker's codes. Nobody here vouches for it. */
export type MakerCodes = z.infer<typeof makerCodesSchema>;

const serviceSchema = z.object({
  /** Intervals of the owner's handbook, by item; they are typed over the usual ones. */
  intervals: z.optional(
    z.record(
      z.string(),
      z.object({
        km: z.optional(z.number().check(z.positive())),
        months: z.optional(z.number().check(z.positive())),
      }),
    ),
  ),
  /** What was done, oldest first. */
  done: z.array(
    z.object({
      item: z.string(),
      /** ISO date. */
      at: z.iso.date(),
      km: z.optional(z.number().check(z.minimum(0))),
      cost: z.optional(z.number().check(z.minimum(0))),
    }),
  ),
});
/** Service of a vehicle: the handbook's intervals, and what was done. */
export type VehicleService = z.infer<typeof serviceSchema>;

export const vehicleSchema = z.object({
  id: z.string().check(z.regex(/^veh_/)),
  /** Make and model in the owner's words. */
  name: z.string().check(z.minLength(1)),
  kind: z.enum(['car', 'van', 'motorcycle']),
  plate: z.optional(z.string()),
  vin: z.optional(z.string()),
  year: z.optional(z.int().check(z.minimum(1900), z.maximum(2100))),
  market: z.optional(z.string()),
  fuel: z.enum(FUELS),
  /** Litres. */
  displacementLitres: z.optional(z.number().check(z.positive())),
  cylinders: z.optional(z.int().check(z.minimum(1), z.maximum(16))),
  /** Where cylinder 1 is, and bank 1, as the owner found it in the workshop manual. */
  cylinderOne: z.optional(z.string().check(z.maxLength(80))),
  bankOne: z.optional(z.string().check(z.maxLength(80))),
  aspiration: z.enum(ASPIRATIONS),
  gearbox: z.optional(z.enum(GEARBOXES)),
  /** Size on the wall of the driven wheels’ tyre, such as `205/55 R16`. */
  tyre: z.optional(z.string().check(z.maxLength(40))),
  /** Kilometres. */
  distanceKm: z.optional(z.number().check(z.minimum(0))),
  modifications: z.optional(z.string()),
  /** Height above the sea of the place where it is kept, m. */
  heightM: z.optional(z.number().check(z.minimum(-450), z.maximum(5_500))),
  /** ISO dates. */
  warrantyEnds: z.optional(z.string()),
  inspectionDue: z.optional(z.string()),
  /** Kind of inspection rule, where the owner has chosen one; see the inspection room. */
  inspectionRule: z.optional(z.string()),
  usualTrips: z.optional(z.array(tripSchema)),
  service: z.optional(serviceSchema),
  acceptedCodes: z.optional(z.array(acceptedCodeSchema)),
  makerCodes: z.optional(makerCodesSchema),
  moduleMap: z.optional(moduleMapSchema),
  /** A made-up vehicle of the practice bay: its cases are in no garage, no export and no experience. */
  isPractice: z.optional(z.literal(true)),
  /** Sold, scrapped or not used: it stays in the logbook, and out of the garage. */
  putAwayAt: z.optional(z.iso.datetime()),
});
/** A vehicle as its owner keeps it. */
export type Vehicle = z.infer<typeof vehicleSchema>;

export const isMotorcycle = ({ kind }: Pick<Vehicle, 'kind'>): boolean => kind === 'motorcycle';

/** Cylinders to reckon with when the owner did not say: most cars have four, motorcycles two. */
export function cylindersOf(vehicle: Pick<Vehicle, 'cylinders' | 'kind'>): number {
  return vehicle.cylinders ?? (isMotorcycle(vehicle) ? 2 : 4);
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
