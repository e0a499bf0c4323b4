import { z } from 'zod';
import { vehicleSchema } from '@pincer/core/vehicle';
import { VOCABULARIES, unitChoiceSchema } from '@pincer/core/words';
import { entrySchema } from './entries.ts';

/** What brings an owner to open a case. */
export const OCCASIONS = ['light', 'routine', 'buying'] as const;
export type Occasion = (typeof OCCASIONS)[number];

export const caseSchema = z.object({
  id: z.string().regex(/^case_/),
  vehicle: z.string().regex(/^veh_/),
  title: z.string().min(1),
  openedAt: z.iso.datetime(),
  /** Why it was opened, where it was not a light: nothing is ever cleared at a stranger’s car. */
  occasion: z.enum(OCCASIONS).optional(),
  /** The sealed task of a case of the practice bay: what is wrong with its made-up car. */
  practice: z.string().max(20_000).optional(),
  /** Set while it is put away: it stays in the logbook, and out of the garage. */
  putAwayAt: z.iso.datetime().optional(),
  entries: z.array(entrySchema),
});
/** A case: an append-only log of facts about one vehicle. */
export type CaseRecord = z.infer<typeof caseSchema>;

/** The version of stored records and case files. Raised together with a new step in `migrations.ts`. */
export const CURRENT_VERSION = 3;

export const ownerSchema = z.object({
  /** Code of ISO 4217, or a sign that the owner typed; only shown. */
  currency: z.string().min(1).max(4),
  /** What an hour of the owner's own time is worth to them. */
  ownHourly: z.number().min(0),
  /** A workshop's hourly rate. */
  shopHourly: z.number().min(0),
  /** What a workshop takes for reading codes and looking. */
  shopDiagnosis: z.number().min(0),
  /** Tools at hand, by id in the knowledge. */
  tools: z.array(z.string()),
  /** Test first, or clear first and see. Moves defaults, never a gate. */
  school: z.enum(['test-first', 'reset-first']),
  units: unitChoiceSchema,
  /** Which English; records from before there was a choice are in British English. */
  words: z.enum(VOCABULARIES).default('british'),
  /** Where sums are written as they are there, BCP 47. */
  locale: z.string().max(40).optional(),
  /** Whose usual prices and rates were chosen, as in the table of regions. */
  region: z.string().max(8).default('EU'),
  /** What costs 1 in the library costs here, in the owner's currency. */
  priceLevel: z.number().positive().max(10_000).default(1),
  /** Whether closed cases move what is likely and what it costs. */
  learns: z.boolean().default(true),
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
  owner: ownerSchema.optional(),
});
/** A case on its own, to keep or to hand on. */
export type CaseFile = z.infer<typeof caseFileSchema>;
