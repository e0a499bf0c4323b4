import type { CaseState } from '@pincer/core/case';
import type { Scan } from '@pincer/core/obd';

/** Place of an entry in the log; the log is in the order in which things happened. */
export function orderOf(state: CaseState, id: string): number {
  return state.entries.findIndex((e) => e.id === id);
}

/** Codes of a reading in any of the given states, each once. */
export function codesOf(reading: Scan | undefined, states: readonly string[]): string[] {
  return [...new Set((reading?.codes ?? []).filter((c) => states.includes(c.state)).map((c) => c.code))];
}
