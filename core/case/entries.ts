import * as z from 'zod/mini';
import { bulletinSchema } from '@pincer/core/bulletins';
import { takingSchema } from '@pincer/core/meter';
import { channelSchema, markSchema, windowSchema } from '@pincer/core/signals';
import { readCodeSchema, scanSchema } from '@pincer/core/obd';

/** Warning lamps that the owner can report, after the public ISO 2575 symbols. */
export const LAMPS = {
  engine: 'Engine light (check engine)',
  oil: 'Oil pressure',
  temperature: 'Coolant temperature',
  charging: 'Charging',
  brakes: 'Brakes',
  abs: 'ABS (anti-lock brakes)',
  steering: 'Steering',
  'high-voltage': 'High-voltage system',
  stability: 'Stability control',
  airbag: 'Airbag',
  tyre: '{Tyre} pressure',
  gearbox: 'Transmission',
  particulate: 'Particulate filter',
  glow: 'Glow plugs',
  other: 'A message, or another light',
} as const;
export type LampId = keyof typeof LAMPS;

/** Red asks to stop, amber to look soon (ISO 2575). Some lamps come in either; the owner says which. */
export const LAMP_COLOURS = ['red', 'amber'] as const;
export type LampColour = (typeof LAMP_COLOURS)[number];

/** The colour that each lamp has; null where makers use both. */
export const LAMP_COLOUR: Readonly<Record<LampId, LampColour | null>> = {
  engine: 'amber',
  oil: 'red',
  temperature: 'red',
  charging: 'red',
  brakes: 'red',
  abs: 'amber',
  steering: null,
  'high-voltage': null,
  stability: 'amber',
  airbag: 'red',
  tyre: 'amber',
  gearbox: null,
  particulate: 'amber',
  glow: 'amber',
  other: null,
};

/** Why a check has no result: it was out of reach, what was seen is not certain, or the vehicle has no such part. */
export const NOT_DONE = ['could-not', 'unsure', 'has-none'] as const;
export type NotDone = (typeof NOT_DONE)[number];
/** As said of the check. */
export const NOT_DONE_WORDS: Readonly<Record<NotDone, string>> = {
  'could-not': 'could not be done',
  unsure: 'done, but the result is not certain',
  'has-none': 'this vehicle has no such part',
};

/** Who did a repair. */
export const REPAIRED_BY = ['owner', 'friend', 'workshop'] as const;
export type RepairedBy = (typeof REPAIRED_BY)[number];

/** Who cleared a memory, as the owner tells it. */
export const CLEARED_BY = ['hand-held', 'workshop', 'somebody'] as const;
export type ClearedBy = (typeof CLEARED_BY)[number];

export const LAMP_MODES = ['steady', 'flashing', 'now-and-then', 'out'] as const;
export type LampMode = (typeof LAMP_MODES)[number];

/** Words that follow a lamp's name. */
export const LAMP_MODE_WORDS: Readonly<Record<LampMode, string>> = {
  steady: 'is on',
  flashing: 'flashes',
  'now-and-then': 'comes and goes',
  out: 'is off',
};

/** Ways to reach an adapter. */
const LINK_KINDS = ['serial', 'bluetooth', 'network', 'stand-in'] as const;

const base = {
  id: z.string().check(z.regex(/^ent_/)),
  /**
   * ISO 8601 moment at which it was recorded, UTC. Never before the entry recorded last in the same case, so that a
   * clock that was set back cannot turn the order round.
   */
  at: z.iso.datetime(),
  /** Minutes by which the local time at that place and moment was ahead of UTC. */
  offsetMinutes: z.optional(z.int().check(z.minimum(-900), z.maximum(900))),
  /** What the device's clock said, where that was before the entry recorded last. */
  clockAt: z.optional(z.iso.datetime()),
};

const answer = z.enum(['yes', 'no', 'unknown']);
export type Answered = z.infer<typeof answer>;

/** The control unit that was cleared by itself: its answer id and name; left out, all that the standard reaches. */
const clearedUnit = z.object({ answer: z.string(), name: z.string() });

export const entrySchema = z.discriminatedUnion('kind', [
  z.object({
    ...base,
    kind: z.literal('lamp'),
    lamp: z.enum(Object.keys(LAMPS) as [LampId, ...LampId[]]),
    mode: z.enum(LAMP_MODES),
    /** Told by the owner where the lamp comes in both. */
    colour: z.optional(z.enum(LAMP_COLOURS)),
  }),
  /** Whether the engine lamp lights at key-on; one that does not hides every fault. */
  z.object({ ...base, kind: z.literal('bulb'), answer: z.enum(['lights', 'does-not', 'unknown']) }),
  /** A symptom or a recent event, by the id in the knowledge. */
  z.object({ ...base, kind: z.literal('observation'), observation: z.string(), answer }),
  z.object({
    ...base,
    kind: z.literal('connection'),
    outcome: z.enum(['talking', 'failed']),
    adapter: z.string(),
    protocol: z.optional(z.string()),
    volts: z.optional(z.number()),
    message: z.optional(z.string()),
    /** How the adapter is reached. */
    by: z.optional(z.enum(LINK_KINDS)),
    /** The link's own word for what failed; `not-opened` when no byte was sent. */
    fault: z.optional(z.string()),
    /** Commands that the adapter does not know. */
    refused: z.optional(z.int().check(z.minimum(0))),
  }),
  /** An answer given while finding out why nothing talks. */
  z.object({ ...base, kind: z.literal('connection-step'), step: z.string(), answer: z.string() }),
  z.object({
    ...base,
    kind: z.literal('scan'),
    /** How it came here. */
    via: z.enum(['adapter', 'file', 'hand']),
    adapter: z.optional(z.string()),
    isComplete: z.boolean(),
    /** The earlier part that this scan went on from after a cut. */
    continues: z.optional(z.string().check(z.regex(/^ent_/))),
    /** Engine state told by the owner or seen in the reading. */
    scan: scanSchema,
  }),
  z.object({
    ...base,
    kind: z.literal('check'),
    check: z.string(),
    outcome: z.string(),
    /** The numbers that were typed, where the result was measured. */
    measured: z.optional(takingSchema),
    note: z.optional(z.string()),
  }),
  /** A check that has no result, and why. It says nothing about the causes, and takes no earlier result back. */
  z.object({ ...base, kind: z.literal('check-not-done'), check: z.string(), reason: z.enum(NOT_DONE) }),
  /** Readings over time. The samples are kept beside the case; here is what they were judged by. */
  z.object({
    ...base,
    kind: z.literal('recording'),
    recording: z.string().check(z.regex(/^rec_/)),
    /** What it was made for, in a few words. */
    title: z.string().check(z.minLength(1)),
    seconds: z.number().check(z.minimum(0)),
    samples: z.int().check(z.minimum(0)),
    channels: z.array(channelSchema),
    windows: z.array(windowSchema),
    marks: z.array(markSchema),
    /** Set when it was brought in as a file. */
    file: z.optional(z.string()),
  }),
  z.object({
    ...base,
    kind: z.literal('decision'),
    option: z.enum(['leave', 'repair', 'clear', 'help']),
    cause: z.optional(z.string()),
  }),
  z.object({
    ...base,
    kind: z.literal('repair'),
    /** A cause of the knowledge, such as `coil-boot:2`; `other` for what it does not know. */
    cause: z.string(),
    /** What was done, in the owner's words, where the knowledge has no name for it. */
    title: z.optional(z.string().check(z.minLength(1))),
    by: z.optional(z.enum(REPAIRED_BY)),
    cost: z.optional(z.number().check(z.minimum(0))),
    partNumber: z.optional(z.string()),
    minutes: z.optional(z.number().check(z.minimum(0))),
    distanceKm: z.optional(z.number().check(z.minimum(0))),
    /** Figures that were looked up for it: torques, gaps, amounts. */
    values: z.optional(z.array(z.object({ what: z.string(), value: z.string(), unit: z.string() }))),
    note: z.optional(z.string()),
  }),
  /**
   * A clear is about to be sent: stored before anything goes to the car. Without an outcome after it, nobody knows
   * whether the memory was erased.
   */
  z.object({
    ...base,
    kind: z.literal('clear-asked'),
    /** The stored scan that was read back before anything was erased. */
    afterScan: z.string().check(z.regex(/^ent_/)),
    unit: z.optional(clearedUnit),
  }),
  z.object({
    ...base,
    kind: z.literal('clear'),
    /** The intent that it is the outcome of; records older than that have none. */
    asked: z.optional(z.string().check(z.regex(/^ent_/))),
    /** The stored scan that was read back before anything was erased. */
    afterScan: z.string().check(z.regex(/^ent_/)),
    /** `unknown`: no answer came, so it may or may not have been carried out. */
    outcome: z.enum(['agreed', 'refused', 'unknown']),
    /** Answer ids of the control units that agreed; left out where they are not known one by one. */
    agreedBy: z.optional(z.array(z.string())),
    unit: z.optional(clearedUnit),
    /** What the unit told when it was read again at once; left out where it was not. */
    after: z.optional(z.array(readCodeSchema)),
    message: z.optional(z.string()),
  }),
  /** The owner says that the memory was cleared with a hand-held reader, or by somebody else. Nobody here saw it. */
  z.object({
    ...base,
    kind: z.literal('clear-told'),
    by: z.enum(CLEARED_BY),
  }),
  /** What a repair costs where the owner is: known better than the library's usual price. The last one told counts. */
  z.object({
    ...base,
    kind: z.literal('price'),
    /** Id of the cause, without its cylinder. */
    cause: z.string(),
    parts: z.optional(z.number().check(z.minimum(0))),
    /** A workshop's price for all of it, finding the cause left out. */
    shop: z.optional(z.number().check(z.minimum(0))),
  }),
  /** A workshop's offer or an invoice, as it was written. */
  z.object({
    ...base,
    kind: z.literal('offer'),
    name: z.string().check(z.minLength(1)),
    text: z.string().check(z.minLength(1)),
  }),
  /** The battery's earth lead was off: learned values and self-checks are gone, the codes perhaps. */
  z.object({ ...base, kind: z.literal('battery-off') }),
  /** A drive after a clear or a repair. */
  z.object({
    ...base,
    kind: z.literal('drive'),
    metConditions: answer,
    cameBack: answer,
    /** The recording of it, where there is one. */
    recording: z.optional(z.string().check(z.regex(/^rec_/))),
    note: z.optional(z.string()),
  }),
  /** A recall or a bulletin that fits this vehicle, as a service or a file told it. */
  z.object({ ...base, kind: z.literal('bulletin'), bulletin: bulletinSchema }),
  z.object({ ...base, kind: z.literal('note'), text: z.string().check(z.minLength(1)) }),
  /** A picture or a file; its content lies beside the log, under this id. */
  z.object({
    ...base,
    kind: z.literal('attachment'),
    file: z.string().check(z.regex(/^att_[0-9a-f]+$/)),
    name: z.string().check(z.minLength(1), z.maxLength(200)),
    /** Media type, as the browser says; empty where it does not. */
    type: z.string(),
    bytes: z.int().check(z.minimum(0)),
    /** What it shows, such as the step of a repair. */
    about: z.optional(z.string()),
  }),
  z.object({
    ...base,
    kind: z.literal('retracted'),
    entry: z.string().check(z.regex(/^ent_/)),
    reason: z.string().check(z.minLength(1)),
  }),
  z.object({
    ...base,
    kind: z.literal('closed'),
    outcome: z.enum(['fixed', 'went-away', 'sold', 'given-up']),
    /** Whether it was proven then that the fault is gone; records older than that do not say. */
    isProven: z.optional(z.boolean()),
    /** What it was, such as `coil-boot:2`, and what it took, as the owner tells at the end. */
    cause: z.optional(z.string()),
    cost: z.optional(z.number().check(z.minimum(0))),
    minutes: z.optional(z.number().check(z.minimum(0))),
    note: z.optional(z.string()),
  }),
]);
/** One fact. Entries are only ever added. */
export type Entry = z.infer<typeof entrySchema>;
export type EntryOf<K extends Entry['kind']> = Extract<Entry, { kind: K }>;
