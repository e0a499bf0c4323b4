import type { Owner } from '@pincer/core/case';
import type { Option, OptionId } from '@pincer/core/decision';
import type { CheckView, ProcedureView } from './views.ts';

/** What comes next, the same wherever it is asked: a check, or one of the choices. */
export type FirstStep =
  | { kind: 'check'; check: string; title: string; why: string }
  | { kind: 'choice'; option: OptionId; title: string; why: string };

/** What a check is proposed for, in figures. */
export function worthOf({ gain, spares }: Pick<CheckView, 'gain' | 'spares'>, owner: Owner): string {
  const money = (amount: number) => `${owner.currency}${Math.round(amount)}`;
  return spares === null
    ? `saves about ${money(gain)} in wasted parts and time`
    : `comes before ${money(spares)} is spent on a part`;
}

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
  owner: Owner,
): FirstStep {
  const [best] = checks;
  const isForRepair = recommended === 'repair' || recommended === 'help';
  if (best?.isWorthIt && isForRepair)
    return { kind: 'check', check: best.id, title: best.title, why: worthOf(best, owner) };
  const title =
    (recommended === 'repair' ? procedures[0]?.title : undefined) ??
    options.find((o) => o.id === recommended)?.title ??
    '';
  return { kind: 'choice', option: recommended, title, why };
}
