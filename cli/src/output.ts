import { readFile, stat } from 'node:fs/promises';

/** Where a command writes. */
export interface Output {
  log: (text: string) => void;
  error: (text: string) => void;
}

/** Bad input, with a sentence for the person at the keyboard. */
export class InputError extends Error {}

/** Largest file that is read whole, bytes. */
const MAX_FILE = 32 * 1024 * 1024;

/**
 * The text of a file.
 * @throws InputError when it cannot be read, with the reason.
 */
export async function readText(path: string): Promise<string> {
  try {
    const { size } = await stat(path);
    if (size > MAX_FILE)
      throw new InputError(`${path}: larger than 32 MB, the most that is read at once; split it first.`);
    return await readFile(path, 'utf8');
  } catch (error) {
    if (error instanceof InputError) throw error;
    const code = typeof error === 'object' && error !== null && 'code' in error ? error.code : '';
    const why =
      code === 'ENOENT'
        ? 'there is no such file'
        : code === 'EISDIR'
          ? 'it is a folder'
          : code === 'EACCES'
            ? 'it may not be read'
            : 'it cannot be read';
    throw new InputError(`${path}: ${why}.`);
  }
}

/** Pretty JSON. */
export function json(value: unknown): string {
  return JSON.stringify(value, null, 2);
}
