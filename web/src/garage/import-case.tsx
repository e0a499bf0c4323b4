import { useState } from 'react';
import { useNavigate } from 'react-router';
import { toast } from 'sonner';
import type { CaseFile, MergePlan } from '@pincer/core/case';
import { addImport, checkImport, putBack, type RecordFile } from '../store/transfer-actions.ts';
import { useAppDispatch } from '../store/store.ts';
import { BUTTON } from '../ui/classes.ts';
import { Dialog } from '../ui/dialog.tsx';
import { moment } from '../ui/format.ts';
import { Notice } from '../ui/notice.tsx';

/** A case of ten years has a few megabytes. */
const MAX_BYTES = 100_000_000;

type Step =
  | { at: 'choose' }
  | { at: 'checking' }
  | { at: 'refused'; message: string }
  | { at: 'checked'; file: CaseFile; plan: MergePlan; newer: unknown[] }
  | { at: 'record'; record: RecordFile };

/** Checks a case file, shows what is in it and asks what has to be asked, then adds it. */
export function ImportCase({ onClose }: { onClose: () => void }) {
  const [step, setStep] = useState<Step>({ at: 'choose' });
  const dispatch = useAppDispatch();
  const navigate = useNavigate();
  const check = async (chosen: File) => {
    if (chosen.size > MAX_BYTES) {
      setStep({ at: 'refused', message: 'It is larger than 100 MB, and no case is. Nothing was read.' });
      return;
    }
    setStep({ at: 'checking' });
    const outcome = await dispatch(checkImport(await chosen.text()));
    if (!outcome.ok) setStep({ at: 'refused', message: outcome.message });
    else if ('record' in outcome) setStep({ at: 'record', record: outcome.record });
    else setStep({ at: 'checked', file: outcome.file, plan: outcome.plan, newer: outcome.newer });
  };
  const add = async (file: CaseFile, newer: readonly unknown[], withStrikeOuts: boolean) => {
    const { caseId, added, unsaved } = await dispatch(addImport(file, { withStrikeOuts, newer }));
    if (unsaved > 0) toast(`${unsaved} entries could not be saved. Make room, then bring the file in again.`);
    else toast(added === 0 ? 'Everything in it was here already.' : `${added} entries added.`);
    void navigate(`/case/${caseId}/narrow`);
  };
  const putRecordBack = async (record: RecordFile) => {
    const why = await dispatch(putBack(record));
    if (why !== null) setStep({ at: 'refused', message: `It cannot be put back: ${why}.` });
    else {
      toast('It is back in its place.');
      onClose();
    }
  };
  return (
    <Dialog
      title="Import a case file"
      description="It is checked and shown first; nothing is changed until you add it."
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
        {step.at === 'record' ? (
          <Notice
            title="A single record of a logbook"
            action={
              <button type="button" className={BUTTON.solid} onClick={() => void putRecordBack(step.record)}>
                Put it back
              </button>
            }
          >
            It was saved because it could not be read. It is checked again before it is put in its place; what
            lies there is kept as it was.
          </Notice>
        ) : null}
        {step.at === 'checked' ? (
          <Checked
            file={step.file}
            plan={step.plan}
            newer={step.newer.length}
            onAdd={(withStrikeOuts) => void add(step.file, step.newer, withStrikeOuts)}
          />
        ) : null}
      </div>
    </Dialog>
  );
}

function Checked({
  file,
  plan,
  newer,
  onAdd,
}: {
  file: CaseFile;
  plan: MergePlan;
  newer: number;
  onAdd: (withStrikeOuts: boolean) => void;
}) {
  const [isBusy, setBusy] = useState(false);
  const button = (title: string, withStrikeOuts: boolean, isSolid: boolean) => (
    <button
      type="button"
      className={isSolid ? BUTTON.solid : BUTTON.plain}
      disabled={isBusy}
      onClick={() => {
        setBusy(true);
        onAdd(withStrikeOuts);
      }}
    >
      {title}
    </button>
  );
  const asks = !plan.isOtherVehicle && plan.strikeOuts.length > 0;
  const strikes = plan.strikeOuts.length === 1 ? 'one entry' : `${plan.strikeOuts.length} entries`;
  return (
    <Notice
      title={`${file.vehicle.name}: ${file.case.title}`}
      action={
        <div className="flex flex-wrap gap-2">
          {plan.isOtherVehicle
            ? button('Add it as a case of its own', false, true)
            : asks
              ? [
                  <span key="without">{button('Add, and strike nothing out', false, true)}</span>,
                  <span key="with">{button('Add, and strike them out', true, false)}</span>,
                ]
              : button(plan.isNew ? 'Add this case' : 'Add what is missing', false, true)}
        </div>
      }
    >
      <p>
        Opened {moment(file.case.openedAt)}, {file.case.entries.length} entries.{' '}
        {plan.isOtherVehicle
          ? 'Your logbook has a case or a vehicle under the same mark that is another vehicle. Nothing of it is mixed.'
          : plan.isNew
            ? 'It is not in your logbook yet.'
            : 'You already have this case; only missing entries will be added.'}
      </p>
      {newer > 0 ? (
        <p className="mt-1">
          <b>
            {newer === 1 ? 'One entry is' : `${newer} entries are`} from a newer Pincer, which this one does
            not understand.
          </b>{' '}
          They are kept as they are, and the case can only be looked at here until you load the newer version.
        </p>
      ) : null}
      {asks ? (
        <p className="mt-1">
          <b>It strikes out {strikes} that you have.</b> Do that only if you trust where the file comes from.
        </p>
      ) : null}
      {plan.differing > 0 ? (
        <p className="mt-1">
          {plan.differing === 1 ? 'One entry says' : `${plan.differing} entries say`} something else than
          yours. Yours stay as they are.
        </p>
      ) : null}
    </Notice>
  );
}
