import * as z from 'zod/mini';
import { caseFileSchema } from '@pincer/core/case';

/** The published JSON Schema of the case file, made from the Zod schema that the program itself uses. */
export function caseFileJsonSchema(): string {
  const schema = z.toJSONSchema(caseFileSchema, { io: 'input' });
  return `${JSON.stringify({ title: 'Pincer case file', ...schema }, null, 2)}\n`;
}
