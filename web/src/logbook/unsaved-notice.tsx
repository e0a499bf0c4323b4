import { useState } from 'react';
import { saveAgain } from '../store/logbook-actions.ts';
import { useAppDispatch, useAppSelector } from '../store/store.ts';
import { BUTTON } from '../ui/classes.ts';
import { Notice } from '../ui/notice.tsx';
import { SaveCase } from './save-case.tsx';

/** Entries that storage would not keep: they stay on the screen, with the reason, another try and a file at hand. */
export function UnsavedNotice() {
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
  return (
    <div role="alert" className="border-b border-line bg-sheet-2 p-2">
      <Notice
        title={all.length === 1 ? 'One entry is not saved.' : `${all.length} entries are not saved.`}
        tone="strong"
        action={
          <div className="flex flex-wrap gap-2">
            <button type="button" className={BUTTON.solid} disabled={isTrying} onClick={() => void again()}>
              Try again
            </button>
            {[...new Set(all.map((u) => u.caseId))].map((id) => (
              <SaveCase key={id} caseId={id} />
            ))}
          </div>
        }
      >
        The browser would not keep it: {first.why}. Make room on this device, then try again; or save the case
        as a file. Until then it is on this screen alone.
      </Notice>
    </div>
  );
}
