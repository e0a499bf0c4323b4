import { useState } from 'react';
import { load } from '../store/logbook-actions.ts';
import { saveAgain } from '../store/keep.ts';
import { logbookSlice } from '../store/logbook-slice.ts';
import { useAppDispatch, useAppSelector } from '../store/store.ts';
import { BUTTON } from '../ui/classes.ts';
import { counted } from '../ui/format.ts';
import { Notice } from '../ui/notice.tsx';
import { SaveCase } from './save-case.tsx';

/** How many cases are offered as files at once; the others are in the log of each. */
const OFFERED = 3;

/** That storage does not work, said before anything is typed in; and what it would not keep, with every way out. */
export function StorageNotice() {
  const status = useAppSelector((s) => s.logbook.status);
  const hasUnsaved = useAppSelector((s) => Object.keys(s.logbook.unsaved).length > 0);
  if (status === 'failed') return <Closed />;
  return (
    <>
      {hasUnsaved ? <Unsaved /> : null}
      <BroughtBack />
    </>
  );
}

/** That the browser had lost records, and where they came from. */
function BroughtBack() {
  const dispatch = useAppDispatch();
  const count = useAppSelector((s) => s.logbook.broughtBack);
  if (count === 0) return null;
  return (
    <div role="status" className="max-h-[45dvh] shrink-0 overflow-y-auto border-b border-line bg-sheet-2 p-2">
      <Notice
        title={`Your browser had lost ${counted(count, 'record')}. ${count === 1 ? 'It is' : 'They are'} back.`}
        action={
          <button
            type="button"
            className={BUTTON.plain}
            onClick={() => dispatch(logbookSlice.actions.broughtBackRead())}
          >
            I have read this
          </button>
        }
      >
        Pincer keeps a second copy of your entries on this device, and took them from there; recordings of
        readings have none. This happens when a device runs out of room. Make room, and save everything as a
        file under Settings.
      </Notice>
    </div>
  );
}

function Closed() {
  const dispatch = useAppDispatch();
  const problem = useAppSelector((s) => s.logbook.problem);
  const [isTrying, setTrying] = useState(false);
  if (!problem) return null;
  const again = async () => {
    setTrying(true);
    await dispatch(load());
    setTrying(false);
  };
  return (
    <div role="alert" className="max-h-[45dvh] shrink-0 overflow-y-auto border-b border-line bg-sheet-2 p-2">
      <Notice
        title="Nothing that you enter now is kept."
        tone="strong"
        action={
          <button type="button" className={BUTTON.solid} disabled={isTrying} onClick={() => void again()}>
            Try again
          </button>
        }
      >
        {problem.why}. {problem.next} What you have recorded earlier is not lost by this.
      </Notice>
    </div>
  );
}

function Unsaved() {
  const dispatch = useAppDispatch();
  const unsaved = useAppSelector((s) => s.logbook.unsaved);
  const [isTrying, setTrying] = useState(false);
  const all = Object.values(unsaved);
  const first = all[0];
  if (!first) return null;
  const again = async () => {
    setTrying(true);
    await dispatch(saveAgain());
    setTrying(false);
  };
  const cases = [...new Set(all.flatMap((u) => u.caseId ?? []))];
  return (
    <div role="alert" className="max-h-[45dvh] shrink-0 overflow-y-auto border-b border-line bg-sheet-2 p-2">
      <Notice
        title={all.length === 1 ? 'One entry is not saved.' : `${all.length} entries are not saved.`}
        tone="strong"
        action={
          <div className="flex flex-wrap gap-2">
            <button type="button" className={BUTTON.solid} disabled={isTrying} onClick={() => void again()}>
              Try again
            </button>
            {cases.slice(0, OFFERED).map((id) => (
              <SaveCase key={id} caseId={id} />
            ))}
          </div>
        }
      >
        {first.why}. {first.next} Until it is saved it is on this screen alone: a case can be saved as a file.
      </Notice>
    </div>
  );
}
