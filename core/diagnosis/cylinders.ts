/** Fills the cylinder into a text. */
export function atCylinder(text: string, cylinder: number | null, other?: number): string {
  return text
    .replaceAll('{n}', cylinder === null ? '' : String(cylinder))
    .replaceAll('{m}', other === undefined ? '' : String(other));
}

/** A neighbouring cylinder to swap parts with. */
export function otherCylinder(cylinder: number, cylinders: number): number {
  return cylinder < cylinders ? cylinder + 1 : Math.max(1, cylinder - 1);
}
