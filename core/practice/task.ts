import * as z from 'zod/mini';
import { LAMPS, LAMP_MODES, type LampId } from '@pincer/core/case';

/** The made-up vehicles of the practice bay. */
export const PRACTICE_CARS = ['finch', 'dray', 'kestrine'] as const;
export type PracticeCar = (typeof PRACTICE_CARS)[number];

/** What kind of task it is: one fault, two at once, one that comes and goes, or nothing that fails any more. */
export const PRACTICE_KINDS = ['one', 'two', 'comes-and-goes', 'none'] as const;
export type PracticeKind = (typeof PRACTICE_KINDS)[number];

/** A fault as the simulator takes it; this room does not look into it. */
const faultSchema = z.object({
  kind: z.string().check(z.minLength(1), z.maxLength(40)),
  cylinder: z.optional(z.int().check(z.minimum(1), z.maximum(16))),
  share: z.optional(z.number().check(z.minimum(0), z.maximum(1))),
});

export const practiceTaskSchema = z.object({
  format: z.literal('pincer-practice'),
  version: z.literal(1),
  id: z.string().check(z.regex(/^[a-z0-9-]{1,80}$/)),
  car: z.enum(PRACTICE_CARS),
  kind: z.enum(PRACTICE_KINDS),
  /** System of the vehicle, by its word in the library. */
  system: z.string().check(z.minLength(1), z.maxLength(40)),
  /** What is wrong: the fault that the simulated car has, and the cause of the library that it is. */
  parts: z
    .array(z.object({ fault: faultSchema, cause: z.string().check(z.minLength(1), z.maxLength(60)) }))
    .check(z.maxLength(3)),
  /** What the driver tells: lamps, a sentence, and signs as the library names them. */
  lamps: z.array(
    z.object({ lamp: z.enum(Object.keys(LAMPS) as [LampId, ...LampId[]]), mode: z.enum(LAMP_MODES) }),
  ),
  complaint: z.string().check(z.minLength(1), z.maxLength(300)),
  signs: z.array(z.string().check(z.regex(/^sign:[a-z-]+$/))).check(z.maxLength(12)),
  /** Where chance comes in, the same seed has the same car answer alike. */
  seed: z.int().check(z.minimum(0), z.maximum(1_000_000)),
});
/** A task of the practice bay. */
export type PracticeTask = z.infer<typeof practiceTaskSchema>;

/** Letters are shifted so that nobody reads the answer by accident; it is no secret from who wants to know. */
const SHIFT = 7;
const FIRST = 32;
const SPAN = 95;
const shifted = (text: string, by: number): string =>
  Array.from(text, (c) => {
    const n = c.charCodeAt(0) - FIRST;
    return n < 0 || n >= SPAN ? c : String.fromCharCode(((((n + by) % SPAN) + SPAN) % SPAN) + FIRST);
  }).join('');

/** A task as it is stored and given to others: the answer cannot be read at a glance. */
export const sealTask = (task: PracticeTask): string => shifted(JSON.stringify(task), SHIFT);

/** Opens a sealed task. @returns null when it is none, or does not fit. */
export function openTask(sealed: string): PracticeTask | null {
  try {
    const parsed = practiceTaskSchema.safeParse(JSON.parse(shifted(sealed, -SHIFT)));
    return parsed.success ? parsed.data : null;
  } catch {
    return null;
  }
}

const fileSchema = z.object({
  format: z.literal('pincer-practice-file'),
  version: z.literal(1),
  note: z.string(),
  sealed: z.string().check(z.maxLength(20_000)),
});

/** A task as a file to give to somebody else. */
export const taskFile = (task: PracticeTask): string =>
  JSON.stringify(
    {
      format: 'pincer-practice-file',
      version: 1,
      note: 'A task for the practice bay. The answer is sealed: open it there.',
      sealed: sealTask(task),
    },
    null,
    2,
  );

/** Reads a file with a task; on a failure it says in a plain sentence why. */
export function readTaskFile(
  text: string,
): { ok: true; task: PracticeTask } | { ok: false; message: string } {
  try {
    const parsed = fileSchema.safeParse(JSON.parse(text));
    const task = parsed.success ? openTask(parsed.data.sealed) : null;
    if (task) return { ok: true, task };
  } catch {
    return {
      ok: false,
      message: 'This is not a JSON file. It may have been cut short when it was sent or saved.',
    };
  }
  return {
    ok: false,
    message:
      'This file is JSON, but not a practice task, or one that was changed. Ask for it to be sent again.',
  };
}
