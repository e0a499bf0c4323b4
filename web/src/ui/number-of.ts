/** A typed number, with a point or a comma and either minus; null where it cannot be read as one. */
export function numberOf(text: string): number | null {
  const clean = text.trim().replace(',', '.').replace('−', '-');
  return /^-?\d+(\.\d+)?$/.test(clean) ? Number(clean) : null;
}
