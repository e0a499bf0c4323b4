/** A new id with a prefix that says what it is for: 64 random bits, on any page that can be served. */
export function newId(prefix: 'ent' | 'case' | 'veh' | 'rec' | 'att'): string {
  const bytes = crypto.getRandomValues(new Uint8Array(8));
  return `${prefix}_${Array.from(bytes, (b) => b.toString(16).padStart(2, '0')).join('')}`;
}
