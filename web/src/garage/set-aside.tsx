import { useState } from 'react';
import { saveText } from '../ui/save-text.ts';
import { copyOfSetAside, dropSetAside } from '../store/transfer-actions.ts';
import { useAppDispatch, useAppSelector } from '../store/store.ts';
import { BUTTON } from '../ui/classes.ts';
import { fetchedPart } from '../ui/fetched-part.tsx';
import { Notice } from '../ui/notice.tsx';

const MendRecord = fetchedPart(async () => (await import('./mend-record.tsx')).MendRecord);

/** Records that could not be read: left as they are, named, to be saved, mended or forgotten; and those of a newer version. */
export function SetAsideNotice() {
  const dispatch = useAppDispatch();
  const { setAside, newer } = useAppSelector((s) => s.logbook);
  const [mending, setMending] = useState<string | null>(null);
  return (
    <>
      {newer.length > 0 ? (
        <Notice
          title={
            newer.length === 1
              ? 'One record was written by a newer Pincer.'
              : `${newer.length} records were written by a newer Pincer.`
          }
          tone="strong"
        >
          {newer.length === 1
            ? 'It is left as it is, and what belongs to it'
            : 'They are left as they are, and what belongs to them'}{' '}
          is only shown here, not changed. Load the page again to get the newer version; if you are offline,
          connect first.
        </Notice>
      ) : null}
      {setAside.length > 0 ? (
        <Notice
          title={`${setAside.length === 1 ? 'One record' : `${setAside.length} records`} could not be read.`}
          tone="strong"
        >
          <p>Nothing was thrown away, and everything else works. Save a copy before you forget it.</p>
          <ul className="mt-2 space-y-2">
            {setAside.map((s) => (
              <li key={s.key} className="flex flex-wrap items-center gap-2">
                <span className="min-w-0 basis-full break-words font-mono text-[14px] sm:flex-1 sm:basis-0">
                  {s.key}: {s.reason}
                </span>
                <button
                  type="button"
                  className={BUTTON.plain}
                  onClick={() =>
                    void dispatch(copyOfSetAside(s.key)).then((text) =>
                      saveText(`${s.key.replace(/[^\w.-]+/g, '-')}.record.json`, text),
                    )
                  }
                >
                  Save a copy
                </button>
                <button type="button" className={BUTTON.plain} onClick={() => setMending(s.key)}>
                  Mend it
                </button>
                <button
                  type="button"
                  className={BUTTON.quiet}
                  onClick={() => void dispatch(dropSetAside(s.key))}
                >
                  Forget it
                </button>
              </li>
            ))}
          </ul>
        </Notice>
      ) : null}
      {mending !== null ? <MendRecord recordKey={mending} onClose={() => setMending(null)} /> : null}
    </>
  );
}
