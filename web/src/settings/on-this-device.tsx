import { useEffect, useState } from 'react';
import { toast } from 'sonner';
import { exportAll, restoreAll, type RestoreOutcome } from '../store/archive-actions.ts';
import { spaceOf, type Space } from '../store/space-actions.ts';
import { emptyLogbook } from '../store/transfer-actions.ts';
import { useAppDispatch, useAppSelector } from '../store/store.ts';
import { BUTTON, SHEET } from '../ui/classes.ts';
import { counted, day, megabytes } from '../ui/format.ts';
import { Dialog } from '../ui/dialog.tsx';
import { BackupFile } from './backup-file.tsx';
import { FileButton } from '../ui/file-button.tsx';
import { Notice } from '../ui/notice.tsx';
import { saveBlob } from '../ui/save-text.ts';
import { caseCount, vehicleCount } from '../store/logbook-selectors.ts';

/** Where everything is kept, how much of it there is, and how it is saved and brought back as one file. */
export function OnThisDevice() {
  const dispatch = useAppDispatch();
  const { marks, status } = useAppSelector((s) => s.logbook);
  const vehicles = useAppSelector((s) => vehicleCount(s.logbook));
  const cases = useAppSelector((s) => caseCount(s.logbook));
  const [space, setSpace] = useState<Space | null>(null);
  const [isBusy, setBusy] = useState(false);
  const [isEmptying, setEmptying] = useState(false);
  const [outcome, setOutcome] = useState<RestoreOutcome | null>(null);
  useEffect(() => {
    let isCurrent = true;
    void dispatch(spaceOf()).then((found) => {
      if (isCurrent) setSpace(found);
    });
    return () => {
      isCurrent = false;
    };
  }, [dispatch, cases]);
  const save = async () => {
    setBusy(true);
    try {
      saveBlob(`pincer-${new Date().toISOString().slice(0, 10)}.zip`, await dispatch(exportAll()));
    } catch (error) {
      toast(`It could not be put together: ${error instanceof Error ? error.message : 'unknown'}.`);
    } finally {
      setBusy(false);
    }
  };
  const restore = async (file: File) => {
    setBusy(true);
    setOutcome(null);
    setOutcome(await dispatch(restoreAll(file)));
    setBusy(false);
  };
  return (
    <section className={`${SHEET} space-y-3 p-4`} aria-labelledby="on-this-device">
      <h2 id="on-this-device" className="text-lg">
        On this device
      </h2>
      <p className="text-ink-2">
        Everything is kept in this browser and nowhere else, with a second copy of the latest entries in case
        the browser loses its database: {counted(vehicles, 'vehicle')}, {counted(cases, 'case')}
        {space?.use
          ? `, ${megabytes(space.use.used)} in all; room for ${megabytes(space.use.free)} more`
          : ''}
        .{space?.isPersisted === true ? ' The browser has agreed to keep it when room gets short.' : ''}
        {space?.isPersisted === false
          ? ' The browser may delete it when room gets short, or after weeks without a visit: save it as a file.'
          : ''}
      </p>
      <p className="text-ink-2">
        {marks.exportedAt
          ? `Last saved as a file on ${day(marks.exportedAt)}.`
          : 'It has not been saved as a file yet.'}
      </p>
      <div className="flex flex-wrap gap-2">
        <button
          type="button"
          className={BUTTON.solid}
          disabled={isBusy || status !== 'ready'}
          onClick={() => void save()}
        >
          Save everything as a file
        </button>
        <FileButton
          label="Zip file of a whole logbook"
          accept=".zip,application/zip"
          className={BUTTON.plain}
          onFile={(file) => void restore(file)}
        >
          Restore everything
        </FileButton>
        <button type="button" className={BUTTON.quiet} onClick={() => setEmptying(true)}>
          Empty this logbook
        </button>
      </div>
      <div aria-live="polite">
        {outcome?.ok === false ? (
          <Notice title="This file cannot be restored." tone="strong">
            {outcome.message} Nothing was changed.
          </Notice>
        ) : null}
        {outcome?.ok ? <RestoredNotice {...outcome.restored} /> : null}
      </div>
      <BackupFile />
      {isEmptying ? <Empty onClose={() => setEmptying(false)} /> : null}
    </section>
  );
}

function RestoredNotice(r: Extract<RestoreOutcome, { ok: true }>['restored']) {
  return (
    <Notice
      title={`Restored: ${counted(r.vehicles, 'vehicle')}, ${counted(r.cases, 'case')}, ${r.entries.toLocaleString('en-GB')} entries, ${counted(r.recordings, 'recording')}, ${counted(r.attachments, 'picture or file', 'pictures and files')}.`}
      tone={r.problems.length > 0 ? 'strong' : 'plain'}
    >
      <p>What was here already was left as it is.</p>
      {r.strikeOutsLeft > 0 ? (
        <p>
          {counted(r.strikeOutsLeft, 'entry', 'entries')} would strike out what you have and{' '}
          {r.strikeOutsLeft === 1 ? 'was' : 'were'} left out. Bring that case in by itself to be asked.
        </p>
      ) : null}
      {r.problems.length > 0 ? (
        <ul className="mt-1 list-disc pl-5">
          {r.problems.slice(0, 8).map((p) => (
            <li key={p.name}>
              {p.name}: {p.why}
            </li>
          ))}
        </ul>
      ) : null}
    </Notice>
  );
}

function Empty({ onClose }: { onClose: () => void }) {
  const dispatch = useAppDispatch();
  const empty = async () => {
    const why = await dispatch(emptyLogbook());
    toast(why === null ? 'The logbook is empty.' : `It was not emptied: ${why}.`);
    onClose();
  };
  return (
    <Dialog
      title="Empty this logbook?"
      description="Every vehicle, case and recording in this browser is deleted. Only a file that you have saved brings them back; a backup file stays as it is."
      open
      onOpenChange={onClose}
    >
      <div className="flex flex-wrap gap-2">
        <button type="button" className={BUTTON.solid} onClick={onClose}>
          Keep everything
        </button>
        <button type="button" className={BUTTON.plain} onClick={() => void empty()}>
          Delete everything on this device
        </button>
      </div>
    </Dialog>
  );
}
