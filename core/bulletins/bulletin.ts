import * as z from 'zod/mini';
import { TOLD_IN_ENGLISH } from '@pincer/core/words';
import { FUELS } from '@pincer/core/vehicle';

/** Whom a bulletin is about; what is left out holds for all. */
const forSchema = z.object({
  /** Words of make and model, each of which stands in the vehicle's name. */
  words: z.array(z.string().check(z.minLength(2), z.maxLength(40))).check(z.minLength(1), z.maxLength(6)),
  fromYear: z.optional(z.int().check(z.minimum(1900), z.maximum(2100))),
  toYear: z.optional(z.int().check(z.minimum(1900), z.maximum(2100))),
  fuel: z.optional(z.enum(FUELS)),
  /** Engine size, litres. */
  litres: z.optional(z.number().check(z.positive(), z.maximum(20))),
});

export const bulletinSchema = z.object({
  id: z
    .string()
    .check(z.regex(/^[a-z0-9][a-z0-9-]{1,60}$/, 'a short name in small letters, digits and hyphens')),
  kind: z.enum(['recall', 'bulletin']),
  title: z.string().check(z.minLength(1), z.maxLength(160)),
  /** What it is about, in a few sentences. */
  text: z.string().check(z.minLength(1), z.maxLength(2_000)),
  /** What the maker does about it. */
  remedy: z.optional(z.string().check(z.maxLength(600))),
  source: z.string().check(z.minLength(1), z.maxLength(200)),
  date: z.iso.date(),
  for: forSchema,
  /** Codes that it speaks of; none where it holds without a code. */
  codes: z._default(z.array(z.string().check(z.regex(/^[PCBU][0-9A-F]{4}$/))).check(z.maxLength(40)), []),
  /** Calibration ids that it speaks of, or supersedes. */
  calibrations: z._default(
    z.array(z.string().check(z.minLength(1), z.maxLength(40))).check(z.maxLength(40)),
    [],
  ),
  /** Causes of the library that it makes likelier. */
  causes: z._default(z.array(z.string().check(z.minLength(1), z.maxLength(60))).check(z.maxLength(10)), []),
});
/** A recall or a service bulletin, as anybody may write one down. */
export type Bulletin = z.infer<typeof bulletinSchema>;

const fileSchema = z.object({
  format: z.literal('pincer-bulletins'),
  version: z.literal(1),
  bulletins: z.array(bulletinSchema).check(z.maxLength(5_000)),
});

export type BulletinsResult = { ok: true; bulletins: Bulletin[] } | { ok: false; message: string };

/** Reads a file of bulletins, or a service's answer. On a failure it says in a sentence where and why, and nothing is taken. */
export function readBulletins(text: string): BulletinsResult {
  let data: unknown;
  try {
    data = JSON.parse(text.replace(/^\uFEFF/, ''));
  } catch {
    return {
      ok: false,
      message: 'This is not a JSON file. It may have been cut short when it was sent or saved.',
    };
  }
  if (typeof data !== 'object' || data === null || !('format' in data) || data.format !== 'pincer-bulletins')
    return {
      ok: false,
      message: 'This is JSON, but no list of bulletins: its “format” is not “pincer-bulletins”.',
    };
  const parsed = fileSchema.safeParse(data, TOLD_IN_ENGLISH);
  if (parsed.success) return { ok: true, bulletins: parsed.data.bulletins };
  const issue = parsed.error.issues[0];
  const place = (issue?.path ?? [])
    .map((p) => (typeof p === 'number' ? `[${p + 1}]` : `.${String(p)}`))
    .join('');
  return {
    ok: false,
    message: `The list is wrong at ${place.replace(/^\./, '') || 'its beginning'}: ${issue?.message ?? 'it does not fit'}. Nothing was taken over.`,
  };
}
