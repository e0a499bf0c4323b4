/** Numbers from 0 up to 1, the same for the same seed. */
export type Random = () => number;

/** A whole number from 0 up to a length. */
export const chosenAt = (random: Random, length: number): number => Math.floor(random() * length);

/** One of a list. */
export const chosen = <T>(random: Random, list: readonly T[]): T => list[chosenAt(random, list.length)] as T;

/** The list in another order (Fisher and Yates). */
export function shuffled<T>(random: Random, list: readonly T[]): T[] {
  const out = [...list];
  for (let i = out.length - 1; i > 0; i--) {
    const j = chosenAt(random, i + 1);
    [out[i], out[j]] = [out[j] as T, out[i] as T];
  }
  return out;
}
