/** The browser's synchronous store; null where the browser refuses it, as some private windows do. */
export function localStore(): Storage | null {
  try {
    return (globalThis as Partial<typeof globalThis>).localStorage ?? null;
  } catch {
    return null;
  }
}

/** What stands behind a prefix in the keys of that store. */
export function keysUnder(prefix: string): string[] {
  const store = localStore();
  return Array.from({ length: store?.length ?? 0 }, (_, i) => store?.key(i) ?? '')
    .filter((k) => k.startsWith(prefix))
    .map((k) => k.slice(prefix.length));
}
