import { useEffect, useState } from 'react';
import { toast } from 'sonner';
import {
  allowKeptFile,
  chooseKeptFile,
  forgetKeptFile,
  writeKeptFile,
  type KeepOutcome,
} from '../store/kept-file-actions.ts';
import { findKeptFile } from '../store/find-kept-file.ts';
import { useAppDispatch, useAppSelector } from '../store/store.ts';
import { BUTTON } from '../ui/classes.ts';
import { counted, timeOfDay } from '../ui/format.ts';

const saidOf = (outcome: KeepOutcome): string =>
  !outcome.kept
    ? `This file was not taken: ${outcome.why}`
    : outcome.restored && outcome.restored.entries + outcome.restored.cases > 0
      ? `Kept up to date from now on. ${counted(outcome.restored.entries, 'entry', 'entries')} that it held came back first.`
      : 'Kept up to date from now on.';

/** A file outside the browser that every change is written into: chosen once, best where it is copied elsewhere. */
export function BackupFile() {
  const dispatch = useAppDispatch();
  const file = useAppSelector((s) => s.keptFile);
  const isReady = useAppSelector((s) => s.logbook.status === 'ready');
  const [isBusy, setBusy] = useState(false);
  useEffect(() => {
    if (file.at === 'none') void dispatch(findKeptFile());
  }, [dispatch, file.at]);
  const busyWhile = async (work: () => Promise<unknown>) => {
    setBusy(true);
    try {
      await work();
    } finally {
      setBusy(false);
    }
  };
  const choose = () =>
    busyWhile(async () => {
      const outcome = await dispatch(chooseKeptFile());
      if (outcome) toast(saidOf(outcome));
    });
  const button = (label: string, look: string, work: () => Promise<unknown>) => (
    <button type="button" className={look} disabled={isBusy || !isReady} onClick={() => void work()}>
      {label}
    </button>
  );
  return (
    <div className="space-y-2 border-t border-line pt-3">
      <h3 className="font-semibold">Backup file</h3>
      <p className="text-ink-2">
        {file.at === 'impossible'
          ? 'This browser cannot keep a file up to date. Save everything as a file from time to time.'
          : 'Choose a file once, best in a folder that is copied to another disk. Everything is written into it after each change, so that it survives even if the browser loses its data.'}
      </p>
      <div aria-live="polite">
        {file.at === 'current' ? (
          <p>
            <b>{file.name}</b> is kept up to date
            {file.writtenAt ? `, last written at ${timeOfDay(file.writtenAt)}` : ''}.
          </p>
        ) : file.at === 'waiting' ? (
          <p>
            <b>{file.name}</b> is not being written: after a restart the browser wants your permission again.
          </p>
        ) : file.at === 'failed' ? (
          <p role="alert">
            <b>{file.name} could not be written.</b> {file.why}. {file.next}
          </p>
        ) : null}
      </div>
      {file.at !== 'impossible' ? (
        <div className="flex flex-wrap gap-2">
          {file.at === 'waiting'
            ? button('Allow writing it', BUTTON.solid, () => busyWhile(() => dispatch(allowKeptFile())))
            : null}
          {file.at === 'current' || file.at === 'failed'
            ? button(file.at === 'failed' ? 'Try again' : 'Write it now', BUTTON.plain, () =>
                busyWhile(() => dispatch(writeKeptFile())),
              )
            : null}
          {button(file.at === 'none' ? 'Choose a backup file' : 'Choose another file', BUTTON.plain, choose)}
          {file.at === 'none'
            ? null
            : button('Stop writing it', BUTTON.quiet, () => busyWhile(() => dispatch(forgetKeptFile())))}
        </div>
      ) : null}
    </div>
  );
}
