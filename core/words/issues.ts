import * as z from 'zod/mini';

/**
 * Options for parsing what an owner may be told about. The small build of the schema package brings no words of its own:
 * without these, whatever is wrong with a record, it says “Invalid input”.
 */
export const TOLD_IN_ENGLISH = { error: z.locales.en().localeError };
