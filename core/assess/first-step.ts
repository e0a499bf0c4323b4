import type { Option, OptionId } from '@pincer/core/decision';
import type { CheckView, ProcedureView } from './views.ts';

/** What comes next, the same wherever it is asked: a check, or one of the choices. */
export type FirstStep =
  | { kind: 'check'; check: string; title: string; why: string }
  | { kind: 'choice'; option: OptionId; title: string; why: string };

/**
 * A check that is worth its cost comes before a repair and before help. It does not come before leaving the vehicle alone or
 * before a clear, where those are advised: both ask the vehicle itself, and cost less than looking for what may be gone.
 * @param checks best first.
 * @param procedures in the planned order.
 */
export function firstStep(
  checks: readonly CheckView[],
  { options, recommended, why }: { options: readonly Option[]; recommended: OptionId; why: string },
  procedures: readonly ProcedureView[],
): FirstStep {
  const [best] = checks;
  const isForRepair = recommended === 'repair' || recommended === 'help';
  if (best?.isWorthIt && isForRepair)
    return { kind: 'check', check: best.id, title: best.title, why: best.worth };
  const title =
    (recommended === 'repair' ? procedures[0]?.title : undefined) ??
    options.find((o) => o.id === recommended)?.title ??
    '';
  return { kind: 'choice', option: recommended, title, why };
}
