import { useState } from 'react';
import { toast } from 'sonner';
import type { CheckView } from '@pincer/core/assess';
import { record as addRecord } from '../../store/logbook-actions.ts';
import { useAppDispatch, useAppSelector } from '../../store/store.ts';
import { BUTTON } from '../../ui/classes.ts';
import { Cautions } from '../../ui/cautions.tsx';
import { Dialog } from '../../ui/dialog.tsx';
import { money, percent } from '../../ui/format.ts';
import { useCase } from '../case-context.ts';
import { CheckTags } from './check-tags.tsx';

/** A check: its cautions, how to do it, what each answer would say; or the list to choose one from. */
export function CheckDialog({ start, onClose }: { start: CheckView | null; onClose: () => void }) {
  const { assessment } = useCase();
  const [check, setCheck] = useState<CheckView | null>(start);
  return (
    <Dialog
      title={check ? check.title : 'Choose a check'}
      description={
        check
          ? 'First the warnings, then the steps, then what you found.'
          : 'Sorted by what they save after their own cost.'
      }
      open
      onOpenChange={onClose}
    >
      {check ? (
        <OneCheck check={check} onDone={onClose} />
      ) : (
        <CheckList
          checks={assessment.checks}
          doSomeWait={assessment.doChecksWaitForRoad}
          onChoose={setCheck}
        />
      )}
    </Dialog>
  );
}

function CheckList({
  checks,
  doSomeWait,
  onChoose,
}: {
  checks: readonly CheckView[];
  doSomeWait: boolean;
  onChoose: (check: CheckView) => void;
}) {
  const currency = useAppSelector((s) => s.settings.owner.currency);
  return (
    <>
      {doSomeWait ? (
        <p className="mb-2">Checks that need a drive are hidden while the car must not be driven.</p>
      ) : null}
      <ul className="divide-y divide-line">
        {checks.map((c) => (
          <li key={c.id}>
            <button
              type="button"
              className="w-full py-2.5 text-left hover:bg-sheet-2"
              onClick={() => onChoose(c)}
            >
              <span className="font-semibold">{c.title}</span>
              <span className="mt-1 flex flex-wrap gap-1.5">
                <CheckTags check={c} currency={currency} />
              </span>
              <span className="text-[15px] text-ink-2">
                {c.spares !== null
                  ? `a look before ${money(c.spares, currency)} is spent on a part`
                  : c.gain > 0
                    ? `saves about ${money(c.gain, currency)}`
                    : 'costs more than it saves'}
              </span>
            </button>
          </li>
        ))}
      </ul>
    </>
  );
}

function OneCheck({ check, onDone }: { check: CheckView; onDone: () => void }) {
  const { record } = useCase();
  const dispatch = useAppDispatch();
  const [hasSeen, setSeen] = useState(check.cautions.length === 0);
  const take = async (outcome: string, title: string) => {
    const { isSaved } = await dispatch(addRecord(record.id, { kind: 'check', check: check.id, outcome }));
    if (isSaved) toast(`Recorded: ${title}.`);
    onDone();
  };
  return (
    <div className="space-y-4">
      <Cautions texts={check.cautions} />
      {hasSeen ? null : (
        <button type="button" className={BUTTON.solid} onClick={() => setSeen(true)}>
          I have read these; show me how
        </button>
      )}
      {hasSeen ? (
        <>
          <p className="text-[17px]">{check.how}</p>
          <div>
            <h3 className="text-lg">What did you find?</h3>
            <ul className="mt-2 space-y-2">
              {check.outcomes.map((o) => (
                <li key={o.id}>
                  <button
                    type="button"
                    className="w-full rounded-md border-2 border-own px-3 py-2 text-left hover:bg-own-soft"
                    onClick={() => void take(o.id, o.title)}
                  >
                    <span className="flex justify-between gap-3">
                      <b>{o.title}</b>
                      <span className="font-mono text-[14px] text-ink-2">expected {percent(o.chance)}</span>
                    </span>
                    <span className="block text-[15px]">{o.says}</span>
                    {o.leads[0] ? (
                      <span className="block text-[14px] text-ink-2">
                        Then the likeliest would be: {o.leads[0].title.toLowerCase()},{' '}
                        <span className="font-mono">{percent(o.leads[0].probability)}</span>
                      </span>
                    ) : null}
                  </button>
                </li>
              ))}
            </ul>
          </div>
        </>
      ) : null}
    </div>
  );
}
