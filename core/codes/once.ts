/**
 * A value that is worked out when it is first asked for: most pages of the program never look up a code, and need not wait
 * for the tables of them.
 */
export function once<T>(make: () => T): () => T {
  let made: { value: T } | null = null;
  return () => (made ??= { value: make() }).value;
}
