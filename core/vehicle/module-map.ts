import * as z from 'zod/mini';
import { TOLD_IN_ENGLISH } from '@pincer/core/words';

/**
 * An id to ask on: three hexadecimal digits, eight for 29-bit ids, or the three bytes of a header of the older lines
 * (ISO 14230-2: 80, the unit's address, F1).
 */
const requestId = z
  .string()
  .check(
    z.regex(
      /^(?:[0-7][0-9A-F]{2}|[01][0-9A-F]{7}|80[0-9A-F]{2}F1)$/,
      'a CAN id of three or eight hexadecimal digits, or a header of the older lines such as 8028F1',
    ),
  );
/** An id that is answered with: as above; on the older lines the unit's address. */
const answerId = z
  .string()
  .check(
    z.regex(
      /^(?:[0-7][0-9A-F]{2}|[01][0-9A-F]{7}|[0-9A-F]{2})$/,
      'a CAN id of three or eight hexadecimal digits, or an address of two on the older lines',
    ),
  );
/** What a unit may tell of itself: printable, and no longer than any of it is. */
const told = z.string().check(z.minLength(1), z.maxLength(80));

const moduleSchema = z.object({
  /** Short and unique within the map. */
  id: z.string().check(z.regex(/^[a-z][a-z0-9-]*$/, 'a short name in small letters, such as "brakes"')),
  name: z.string().check(z.minLength(1), z.maxLength(60)),
  /** What it does, for owners. */
  does: z.string().check(z.maxLength(200)),
  /** Id that it listens to, and id that it answers with. */
  request: requestId,
  answer: answerId,
  /** What it speaks; ISO 14229 where nothing is said. */
  language: z.optional(z.enum(['iso-14229', 'iso-14230'])),
  /** What it told of itself when it was found. */
  tells: z.optional(
    z.object({ name: z.optional(told), partNumber: z.optional(told), software: z.optional(told) }),
  ),
  /** Ids of the units that hold its codes and are cleared before it; `engine` is the standard’s own clear. */
  waitsFor: z.optional(z.array(z.string().check(z.regex(/^[a-z][a-z0-9-]*$/))).check(z.maxLength(16))),
});
/** One control unit of a module map. */
export type MappedModule = z.infer<typeof moduleSchema>;

export const moduleMapSchema = z
  .object({
    format: z.literal('pincer-module-map'),
    version: z.literal(1),
    name: z.string().check(z.minLength(1)),
    modules: z.array(moduleSchema).check(z.minLength(1), z.maxLength(64)),
  })
  .check(
    z.superRefine((map, context) => {
      for (const field of ['id', 'request', 'answer'] as const) {
        const seen = new Set<string>();
        map.modules.forEach((m, i) => {
          if (seen.has(m[field]))
            context.addIssue({
              code: 'custom',
              path: ['modules', i, field],
              message: `“${m[field]}” is there twice`,
            });
          seen.add(m[field]);
        });
      }
    }),
  );
/** Which control units a vehicle has, and how to reach them: the standard gives no way to list them. */
export type ModuleMap = z.infer<typeof moduleMapSchema>;

export type ModuleMapResult = { ok: true; map: ModuleMap } | { ok: false; message: string };

/** Reads a module map; on a failure it says in a plain sentence where and why, and nothing is taken over. */
export function readModuleMap(text: string): ModuleMapResult {
  let data: unknown;
  try {
    data = JSON.parse(text);
  } catch {
    return {
      ok: false,
      message: 'This is not a JSON file. It may have been cut short when it was sent or saved.',
    };
  }
  const isMap =
    typeof data === 'object' && data !== null && 'format' in data && data.format === 'pincer-module-map';
  if (!isMap)
    return {
      ok: false,
      message: 'This file is JSON, but not a module map: its “format” is not “pincer-module-map”.',
    };
  const parsed = moduleMapSchema.safeParse(data, TOLD_IN_ENGLISH);
  if (parsed.success) return { ok: true, map: parsed.data };
  const issue = parsed.error.issues[0];
  const place = (issue?.path ?? [])
    .map((p) => (typeof p === 'number' ? `[${p + 1}]` : `.${String(p)}`))
    .join('')
    .replace(/^\./, '');
  return {
    ok: false,
    message: `The module map is wrong at ${place || 'its beginning'}: ${issue?.message ?? 'it does not fit'}. Nothing was taken over.`,
  };
}
