import type { CaseState } from '@pincer/core/case';
import { proofBasis } from '@pincer/core/proof';
import { verdictsOf, type Judgement, type RuleId } from '@pincer/core/signals';
import type { Vehicle } from '@pincer/core/vehicle';
import { sourcesOf } from './reading-facts.ts';

/** One matter that was odd before, and how it is now. */
export interface BeforeAfterRow {
  rule: RuleId;
  title: string;
  expected: string;
  before: Pick<Judgement, 'measured' | 'verdict' | 'scale'>;
  /** Null where it was not measured again in a state in which it can be judged. */
  now: Pick<Judgement, 'measured' | 'verdict' | 'scale'> | null;
}

/**
 * The readings that were odd before the last clear or repair, then and now: of each the newest verdict on either side.
 * @param places of the entries in the log.
 * @returns nothing where nothing was cleared or repaired.
 */
export function beforeAfter(
  state: CaseState,
  vehicle: Vehicle,
  places: ReadonlyMap<string, number>,
): BeforeAfterRow[] {
  const basis = proofBasis(state, places);
  const began = state.repairs.at(-1)?.id ?? basis?.entry;
  if (began === undefined) return [];
  const at = places.get(began) ?? Infinity;
  const then = new Map<RuleId, Judgement>();
  const now = new Map<RuleId, Judgement>();
  for (const { entry, windows, before } of sourcesOf(state, vehicle).reverse()) {
    const side = (places.get(entry) ?? -1) > at ? now : then;
    for (const j of verdictsOf(windows, before, (r) => !side.has(r))) side.set(j.rule, j);
  }
  const of = ({ measured, verdict, scale }: Judgement) => ({
    measured,
    verdict,
    ...(scale ? { scale } : {}),
  });
  return [...then.values()].flatMap((j) => {
    if (j.verdict !== 'odd' && j.verdict !== 'impossible') return [];
    const later = now.get(j.rule);
    return [
      { rule: j.rule, title: j.title, expected: j.expected, before: of(j), now: later ? of(later) : null },
    ];
  });
}
