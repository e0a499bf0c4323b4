import { useState } from 'react';
import { useNavigate } from 'react-router';
import { toast } from 'sonner';
import type { CaseFile } from '@pincer/core/case';
import { addImport, checkImport } from '../store/logbook-actions.ts';
import { useAppDispatch } from '../store/store.ts';
import { BUTTON } from '../ui/classes.ts';
import { Dialog } from '../ui/dialog.tsx';
import { moment } from '../ui/format.ts';
import { Notice } from '../ui/notice.tsx';

type Step =
  | { at: 'choose' }
  | { at: 'checking' }
  | { at: 'refused'; message: string }
  | { at: 'checked'; file: CaseFile; isNew: boolean };

/** Checks a case file, shows what is in it, then adds it. */
export function ImportCase({ onClose }: { onClose: () => void }) {
  const [step, setStep] = useState<Step>({ at: 'choose' });
  const dispatch = useAppDispatch();
  const navigate = useNavigate();
  const check = async (chosen: File) => {
    setStep({ at: 'checking' });
    const outcome = await dispatch(checkImport(await chosen.text()));
    setStep(
      outcome.ok
        ? { at: 'checked', file: outcome.file, isNew: outcome.isNew }
        : { at: 'refused', message: outcome.message },
    );
  };
  return (
    <Dialog
      title="Bring in a case file"
      description="It is checked first, shown, and then added. Nothing here is changed before."
      open
      onOpenChange={onClose}
    >
      <label className="block">
        <span className="font-semibold">Case file (JSON)</span>
        <input
          type="file"
          accept=".json,application/json"
          className="mt-1 block min-h-11 w-full"
          onChange={(e) => {
            const chosen = e.target.files?.[0];
            if (chosen) void check(chosen);
          }}
        />
      </label>
      <div className="mt-4" aria-live="polite">
        {step.at === 'checking' ? <p>Checking…</p> : null}
        {step.at === 'refused' ? (
          <Notice title="This file cannot be added." tone="strong">
            {step.message}
          </Notice>
        ) : null}
        {step.at === 'checked' ? (
          <Notice
            title={`${step.file.vehicle.name}: ${step.file.case.title}`}
            action={
              <button
                type="button"
                className={BUTTON.solid}
                onClick={() => {
                  void dispatch(addImport(step.file)).then((count) => {
                    toast(count === 0 ? 'Everything in it was here already.' : `${count} entries added.`);
                    void navigate(`/case/${step.file.case.id}/narrow`);
                  });
                }}
              >
                {step.isNew ? 'Add this case' : 'Add what is missing'}
              </button>
            }
          >
            Opened {moment(step.file.case.openedAt)}, {step.file.case.entries.length} entries.{' '}
            {step.isNew
              ? 'It is not in your logbook yet.'
              : 'You have this case already; only entries that you lack are added.'}
          </Notice>
        ) : null}
      </div>
    </Dialog>
  );
}
