import * as z from 'zod/mini';
import { vehicleSchema } from '@pincer/core/vehicle';
import { VOCABULARIES, unitChoiceSchema } from '@pincer/core/words';
import { entrySchema } from './entries.ts';

/** What brings an owner to open a case. */
export const OCCASIONS = ['light', 'routine', 'buying'] as const;
export type Occasion = (typeof OCCASIONS)[number];

export const caseSchema = z.object({
  id: z.string().check(z.regex(/^case_/)),
  vehicle: z.string().check(z.regex(/^veh_/)),
  title: z.string().check(z.minLength(1)),
  openedAt: z.iso.datetime(),
  /** Why it was opened, where it was not a light: nothing is ever cleared at a stranger’s car. */
  occasion: z.optional(z.enum(OCCASIONS)),
  /** The sealed task of a case of the practice bay: what is wrong with its made-up car. */
  practice: z.optional(z.string().check(z.maxLength(20_000))),
  /** Set while it is put away: it stays in the logbook, and out of the garage. */
  putAwayAt: z.optional(z.iso.datetime()),
  entries: z.array(entrySchema),
});
/** A case: an append-only log of facts about one vehicle. */
export type CaseRecord = z.infer<typeof caseSchema>;

/** The version of stored records and case files. Raised together with a new step in `migrations.ts`. */
export const CURRENT_VERSION = 3;

export const ownerSchema = z.object({
  /** Code of ISO 4217, or a sign that the owner typed; only shown. */
  currency: z.string().check(z.minLength(1), z.maxLength(4)),
  /** What an hour of the owner's own time is worth to them. */
  ownHourly: z.number().check(z.minimum(0)),
  /** A workshop's hourly rate. */
  shopHourly: z.number().check(z.minimum(0)),
  /** What a workshop takes for reading codes and looking. */
  shopDiagnosis: z.number().check(z.minimum(0)),
  /** Tools at hand, by id in the knowledge. */
  tools: z.array(z.string()),
  /** Test first, or clear first and see. Moves defaults, never a gate. */
  school: z.enum(['test-first', 'reset-first']),
  units: unitChoiceSchema,
  /** Which English; records from before there was a choice are in British English. */
  words: z._default(z.enum(VOCABULARIES), 'british'),
  /** Where sums are written as they are there, BCP 47. */
  locale: z.optional(z.string().check(z.maxLength(40))),
  /** Whose usual prices and rates were chosen, as in the table of regions. */
  region: z._default(z.string().check(z.maxLength(8)), 'EU'),
  /** What costs 1 in the library costs here, in the owner's currency. */
  priceLevel: z._default(z.number().check(z.positive(), z.maximum(10_000)), 1),
  /** Whether closed cases move what is likely and what it costs. */
  learns: z._default(z.boolean(), true),
});
export type Owner = z.infer<typeof ownerSchema>;

/** Sensible beginnings; every one can be changed in the settings. */
export const DEFAULT_OWNER: Owner = {
  currency: 'EUR',
  ownHourly: 10,
  shopHourly: 90,
  shopDiagnosis: 75,
  tools: ['hand-tools', 'multimeter'],
  school: 'test-first',
  units: 'metric',
  words: 'british',
  learns: true,
  region: 'EU',
  priceLevel: 1,
};

export const caseFileSchema = z.object({
  format: z.literal('pincer-case'),
  version: z.literal(CURRENT_VERSION),
  exportedAt: z.iso.datetime(),
  vehicle: vehicleSchema,
  case: caseSchema,
  owner: z.optional(ownerSchema),
});
/** A case on its own, to keep or to hand on. */
export type CaseFile = z.infer<typeof caseFileSchema>;
