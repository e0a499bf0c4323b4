import { skipToken, useSearchQuery, type ReferenceHit } from '../store/core-answers.ts';
import { useWording } from '../store/use-tell.ts';

const NONE: readonly ReferenceHit[] = [];

/** Hits for a text, found in the worker; those of the text before stay until the new ones are there. */
export function useSearch(text: string, limit: number): readonly ReferenceHit[] {
  const wanted = text.trim();
  const isLong = wanted.length >= 2;
  const wording = useWording();
  const { data } = useSearchQuery(isLong ? { text: wanted, limit, wording } : skipToken);
  return isLong ? (data ?? NONE) : NONE;
}
