import type { Evidence } from '@pincer/core/diagnosis';

/** One line of a jaw: something that the car said or that the owner found. */
export interface Fact {
  id: string;
  side: 'car' | 'owner';
  kind: 'code' | 'frame' | 'reading' | 'observation' | 'check';
  /** The code, for codes. */
  code?: string;
  title: string;
  detail: string;
  /** A reading that makes sense; only with the kind `reading`. */
  isSound?: boolean;
  /** The log entry that it comes from. */
  entry: string | null;
}

/** Lines for the jaws, and what they are as evidence. */
export interface Told {
  facts: readonly Fact[];
  evidence: readonly Evidence[];
}

/** Nothing to tell. */
export const NOTHING: Told = { facts: [], evidence: [] };

/** What several sources tell, in their order. */
export function together(...all: readonly Told[]): Told {
  return { facts: all.flatMap((t) => t.facts), evidence: all.flatMap((t) => t.evidence) };
}
