import { useEffect, useState } from 'react';
import { toast } from 'sonner';
import { checkImport, copyOfSetAside, putBack } from '../store/transfer-actions.ts';
import { useAppDispatch } from '../store/store.ts';
import { BUTTON, FIELD } from '../ui/classes.ts';
import { Dialog } from '../ui/dialog.tsx';

/** The text of a record that could not be read, to be mended by hand and put back. */
export function MendRecord({ recordKey, onClose }: { recordKey: string; onClose: () => void }) {
  const dispatch = useAppDispatch();
  const [text, setText] = useState<string | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  useEffect(() => {
    let isCurrent = true;
    dispatch(copyOfSetAside(recordKey))
      .then((copy) => {
        if (isCurrent) setText(copy);
      })
      .catch(() => {
        if (isCurrent) setProblem('It cannot be read from storage at the moment.');
      });
    return () => {
      isCurrent = false;
    };
  }, [dispatch, recordKey]);
  const save = async () => {
    const outcome = await dispatch(checkImport(text ?? ''));
    if (!outcome.ok || !('record' in outcome)) {
      setProblem(outcome.ok ? 'This is no single record any more.' : outcome.message);
      return;
    }
    const why = await dispatch(putBack(outcome.record));
    if (why !== null) {
      setProblem(`It still cannot be read: ${why}.`);
      return;
    }
    toast('It is back in its place. What lay there is kept as it was.');
    onClose();
  };
  return (
    <Dialog
      title="Mend a record"
      description="Change what does not fit, then put it back. What lay there before is kept beside it."
      open
      onOpenChange={onClose}
    >
      <label className="block">
        <span className="font-semibold">The record (JSON)</span>
        <textarea
          className={`${FIELD} mt-1 h-[45dvh] py-2 font-mono text-[14px]`}
          spellCheck={false}
          disabled={text === null}
          value={text ?? ''}
          onChange={(e) => {
            setText(e.target.value);
            setProblem(null);
          }}
        />
      </label>
      <p role="alert" className="mt-2 font-semibold">
        {problem}
      </p>
      <button type="button" className={BUTTON.solid} disabled={text === null} onClick={() => void save()}>
        Put it back
      </button>
    </Dialog>
  );
}
