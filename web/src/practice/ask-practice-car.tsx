import { useState } from 'react';
import { askPracticeCar } from '../store/practice-actions.ts';
import { useAppDispatch, useAppSelector } from '../store/store.ts';
import { BUTTON } from '../ui/classes.ts';
import { useTell } from '../store/use-tell.ts';

/** In a practice case: lets the practice car answer a check. Nothing elsewhere. */
export function AskPracticeCar({
  caseId,
  check,
  onAnswer,
}: {
  caseId: string;
  check: string;
  /** @param outcome id of the outcome. */
  onAnswer: (outcome: string) => void;
}) {
  const tell = useTell();
  const dispatch = useAppDispatch();
  const isPractice = useAppSelector((s) => s.logbook.cases.entities[caseId]?.practice !== undefined);
  const [isBusy, setBusy] = useState(false);
  if (!isPractice) return null;
  const ask = async () => {
    setBusy(true);
    const outcome = await dispatch(askPracticeCar(caseId, check)).finally(() => setBusy(false));
    if (outcome !== null) onAnswer(outcome);
  };
  return (
    <div className="border-l-4 border-dashed border-own pl-3">
      <button type="button" className={BUTTON.own} disabled={isBusy} onClick={() => void ask()}>
        {tell('Do it on the practice {car}')}
      </button>
      <p className="mt-1 text-[15px] text-ink-2">It takes the time and money that it would take in life.</p>
    </div>
  );
}
