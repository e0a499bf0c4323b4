/** A new id with a prefix that says what it is for. */
export function newId(prefix: 'ent' | 'case' | 'veh' | 'rec'): string {
  return `${prefix}_${crypto.randomUUID().replaceAll('-', '').slice(0, 16)}`;
}
