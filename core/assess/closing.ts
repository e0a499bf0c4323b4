import { engineLightOf, type CaseState } from '@pincer/core/case';
import type { ProofView } from '@pincer/core/proof';
import { titleOfCause } from './history.ts';

/** What closing a case as fixed asks for. */
export interface ClosingView {
  isProven: boolean;
  /** Why it cannot be closed as fixed now; null where it can. A light that was seen on is asked about once more. */
  fixedBlocked: { id: 'returned' | 'commanded' | 'seen'; text: string } | null;
  /** What the proof still lacks, where it is not proven: it can be closed all the same, as unproven. */
  lacks: string | null;
  /** What was repaired, the last first: one of them was probably it. */
  causes: { id: string; title: string }[];
  /** What the repairs cost together, as recorded; null where none was told. */
  cost: number | null;
}

/** The engine light, where it is known to be on. */
function whyLit({ standing }: CaseState): ClosingView['fixedBlocked'] {
  switch (engineLightOf(standing)) {
    case 'commanded':
      return {
        id: 'commanded',
        text: 'The {car} still commands the engine light on, as it was read last. Read again first: a fault that is gone lets the light go out.',
      };
    case 'seen':
      return { id: 'seen', text: 'By your last answer the engine light is on.' };
    case 'off':
    case 'unknown':
      return null;
  }
}

/** @param proof of the same case. */
export function closingView(state: CaseState, proof: ProofView): ClosingView {
  const isProven = proof.status === 'proven';
  const costs = state.repairs.flatMap((r) => r.cost ?? []);
  const ids = [...new Set(state.repairs.map((r) => r.cause).reverse())];
  return {
    isProven,
    fixedBlocked:
      proof.status === 'returned'
        ? { id: 'returned', text: 'The fault has come back since: it is not fixed.' }
        : whyLit(state),
    lacks: isProven ? null : lacksOf(proof),
    causes: ids.filter((id) => id !== 'other').map((id) => ({ id, title: titleOfCause(id) })),
    cost: costs.length > 0 ? costs.reduce((a, b) => a + b, 0) : null,
  };
}

function lacksOf({ status, unread, waitingFor, needed, gone }: ProofView): string {
  if (status === 'not-cleared' || status === 'unknown-outcome')
    return 'Nothing shows yet that the fault is gone.';
  if (status === 'read-again') return 'The codes were not read since.';
  const [check] = waitingFor;
  if (check) return `The self-check “${check.name}” has not run since.`;
  if (unread.length > 0) return 'Not everything was read since.';
  const drives = needed.find((n) => n.level === 0.95)?.trips ?? 0;
  return gone === null || drives === 0
    ? 'No drive since shows that it stays away.'
    : `${drives} more good ${drives === 1 ? 'drive' : 'drives'} would make it 95 % sure.`;
}
