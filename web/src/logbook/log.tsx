import { useState } from 'react';
import { toast } from 'sonner';
import type { Assessment } from '@pincer/core/assess';
import { inOrder, type CaseRecord, type CaseState, type Entry } from '@pincer/core/case';
import { record as addRecord } from '../store/logbook-actions.ts';
import { useAppDispatch, useAppSelector } from '../store/store.ts';
import { BUTTON, FIELD, cx } from '../ui/classes.ts';
import { Dialog } from '../ui/dialog.tsx';
import { moment } from '../ui/format.ts';
import { SaveCase } from './save-case.tsx';
import { entrySentence, isCarEntry } from './sentences.ts';

/** Everything recorded, newest first; an entry can be struck out with a reason, never deleted. */
export function Log({
  record,
  state,
  assessment,
  onClose,
}: {
  record: CaseRecord;
  state: CaseState;
  /** Null where the case could not be assessed: the log is there all the same. */
  assessment: Assessment | null;
  onClose: () => void;
}) {
  const { unsaved, saving } = useAppSelector((s) => s.logbook);
  const [striking, setStriking] = useState<string | null>(null);
  return (
    <Dialog
      title={`Log, ${record.entries.length} entries`}
      description="Newest first. Nothing is ever deleted."
      side="right"
      open
      onOpenChange={onClose}
    >
      <SaveCase caseId={record.id} />
      {record.entries.length === 0 ? (
        <p className="mt-4 text-ink-2">Nothing is recorded yet. Begin at Light.</p>
      ) : null}
      <ol className="mt-3 divide-y divide-line">
        {inOrder(record.entries)
          .reverse()
          .map((e) => {
            const struck = state.retracted.get(e.id);
            return (
              <li
                key={e.id}
                className={cx('border-l-[5px] py-2 pl-3', isCarEntry(e) ? 'border-l-car' : 'border-l-own')}
              >
                <p className="text-[14px] text-ink-2">
                  {moment(e.at)}
                  {e.clockAt ? `; this device’s clock said ${moment(e.clockAt)}` : ''}
                  {unsaved[e.id] ? '; not saved' : saving[e.id] ? '; saving…' : ''}
                </p>
                <p className={struck ? 'text-ink-2 line-through' : ''}>{entrySentence(e, assessment)}</p>
                {struck ? <p className="text-[15px]">Struck out: {struck.reason}</p> : null}
                {!struck && e.kind !== 'retracted' ? (
                  striking === e.id ? (
                    <Strike entry={e} caseId={record.id} onDone={() => setStriking(null)} />
                  ) : (
                    <button
                      type="button"
                      className="min-h-11 text-[15px] font-semibold underline underline-offset-4"
                      onClick={() => setStriking(e.id)}
                    >
                      Strike out
                    </button>
                  )
                ) : null}
              </li>
            );
          })}
      </ol>
    </Dialog>
  );
}

function Strike({ entry, caseId, onDone }: { entry: Entry; caseId: string; onDone: () => void }) {
  const [reason, setReason] = useState('');
  const dispatch = useAppDispatch();
  return (
    <form
      className="mt-1 flex flex-wrap gap-2"
      onSubmit={(e) => {
        e.preventDefault();
        if (reason.trim() === '') return;
        void dispatch(addRecord(caseId, { kind: 'retracted', entry: entry.id, reason: reason.trim() })).then(
          ({ isSaved }) => {
            if (isSaved) toast('Struck out; it stays in the log.');
            onDone();
          },
        );
      }}
    >
      <label className="min-w-40 flex-1">
        <span className="sr-only">Reason</span>
        <input
          className={FIELD}
          placeholder="Reason"
          value={reason}
          onChange={(e) => setReason(e.target.value)}
          autoFocus
        />
      </label>
      <button type="submit" className={BUTTON.solid} disabled={reason.trim() === ''}>
        Strike out
      </button>
      <button type="button" className={BUTTON.quiet} onClick={onDone}>
        Leave it
      </button>
    </form>
  );
}
