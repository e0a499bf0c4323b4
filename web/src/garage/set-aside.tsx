import { saveText } from '../ui/save-text.ts';
import { copyOfSetAside, dropSetAside } from '../store/logbook-actions.ts';
import { useAppDispatch, useAppSelector } from '../store/store.ts';
import { BUTTON } from '../ui/classes.ts';
import { Notice } from '../ui/notice.tsx';

/** Records that could not be read: kept, named, and to be saved before they are forgotten. */
export function SetAsideNotice() {
  const dispatch = useAppDispatch();
  const setAside = useAppSelector((s) => s.logbook.setAside);
  if (setAside.length === 0) return null;
  return (
    <Notice
      title={`${setAside.length === 1 ? 'One record' : `${setAside.length} records`} could not be read and was set aside.`}
      tone="strong"
    >
      <p>Nothing was thrown away. Save a copy before you forget it.</p>
      <ul className="mt-2 space-y-2">
        {setAside.map((s) => (
          <li key={s.key} className="flex flex-wrap items-center gap-2">
            <span className="min-w-0 flex-1 break-all font-mono text-[14px]">
              {s.key}: {s.reason}
            </span>
            <button
              type="button"
              className={BUTTON.plain}
              onClick={() =>
                void dispatch(copyOfSetAside(s.key)).then((text) =>
                  saveText(`${s.key.replaceAll(':', '-')}.json`, text),
                )
              }
            >
              Save a copy
            </button>
            <button type="button" className={BUTTON.quiet} onClick={() => void dispatch(dropSetAside(s.key))}>
              Forget it
            </button>
          </li>
        ))}
      </ul>
    </Notice>
  );
}
