/** Why a file was not read, where the program failed and not the file: a part that could not be fetched, or a fault. */
export function unreadWords(error: unknown): string {
  const message = error instanceof Error ? error.message : String(error);
  return /dynamically imported module/i.test(message)
    ? 'The part of Pincer that reads files could not be fetched. Connect to the network, then choose the file again.'
    : `A fault in Pincer stopped it: ${message}. Nothing was added.`;
}
