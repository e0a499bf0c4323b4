import { useEffect, useState } from 'react';
import type { EntryOf } from '@pincer/core/case';
import { attachmentOf } from '../store/attachment-actions.ts';
import { BUTTON } from '../ui/classes.ts';

/** A picture of the log as a small one, or a file with a button to save it; nothing else is run or shown of it. */
export function Attachment({ entry }: { entry: EntryOf<'attachment'> }) {
  /** Null while it is looked for; without an address it is not on this device. */
  const [found, setFound] = useState<{ url?: string } | null>(null);
  const isPicture = /^image\/(jpeg|png|webp|gif)$/.test(entry.type);
  useEffect(() => {
    let made: string | null = null;
    let isGone = false;
    void attachmentOf(entry.file).then((content) => {
      if (isGone) return;
      if (!content) {
        setFound({});
        return;
      }
      made = URL.createObjectURL(content);
      setFound({ url: made });
    });
    return () => {
      isGone = true;
      if (made !== null) URL.revokeObjectURL(made);
    };
  }, [entry.file]);
  if (found === null) return <p className="text-[15px] text-ink-2">Loading…</p>;
  if (found.url === undefined)
    return (
      <p className="text-[15px] text-ink-2">
        Its content is not on this device. It comes back with “Restore everything” from the device that has
        it.
      </p>
    );
  return (
    <div className="my-1">
      {isPicture ? (
        <img
          src={found.url}
          alt={entry.about ?? entry.name}
          className="max-h-48 max-w-full rounded-md border border-line"
        />
      ) : null}
      <a className={`${BUTTON.quiet} mt-1 inline-block`} href={found.url} download={entry.name}>
        Save {entry.name}
      </a>
    </div>
  );
}
