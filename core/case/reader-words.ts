import type { CodeState } from '@pincer/core/obd';

/** Words that hand-held readers use for a code's state, and the one of four that each means. */
export const READER_WORDS: Readonly<Record<CodeState, readonly string[]>> = {
  confirmed: ['confirmed', 'stored', 'current', 'active', 'present'],
  pending: ['pending', 'maturing'],
  permanent: ['permanent'],
  history: ['history', 'historic', 'passive', 'intermittent', 'sporadic', 'memory'],
};

const BY_WORD: ReadonlyMap<string, CodeState> = new Map(
  (Object.entries(READER_WORDS) as [CodeState, readonly string[]][]).flatMap(([state, words]) =>
    words.map((w): [string, CodeState] => [w, state]),
  ),
);

/** Our state for a reader's word, or null. */
export function stateOfWord(word: string): CodeState | null {
  return BY_WORD.get(word.trim().toLowerCase()) ?? null;
}

/** The state word nearest to a place in a line, and what it means; "not confirmed" and the like are left alone. */
export function stateInLine(line: string, at: number): { state: CodeState; word: string } | null {
  let best: { state: CodeState; word: string; distance: number } | null = null;
  for (const match of line.matchAll(/[a-z]+/gi)) {
    const state = stateOfWord(match[0]);
    if (!state || /\b(no|not|without)\s+$/i.test(line.slice(0, match.index))) continue;
    const distance = Math.abs(match.index - at);
    if (!best || distance < best.distance) best = { state, word: match[0], distance };
  }
  return best ? { state: best.state, word: best.word } : null;
}
