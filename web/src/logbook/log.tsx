import { defaultRangeExtractor, useVirtualizer } from '@tanstack/react-virtual';
import { useCallback, useMemo, useRef, useState } from 'react';
import type { Assessment } from '@pincer/core/assess';
import { inOrder, type CaseRecord, type CaseState, type Entry } from '@pincer/core/case';
import { useAppSelector } from '../store/store.ts';
import { FIELD, cx } from '../ui/classes.ts';
import { Dialog } from '../ui/dialog.tsx';
import { counted, day, megabytes, moment, timeOfDay } from '../ui/format.ts';
import { AddPicture } from '../pictures/add-picture.tsx';
import { Attachment } from '../pictures/attachment.tsx';
import { LOG_KINDS, ofKind, type LogKind } from './log-kinds.ts';
import { LogMenu } from './log-menu.tsx';
import { PrintCase } from './print-case.tsx';
import { SaveCase, SaveForOthers } from './save-case.tsx';
import { entrySentence, isCarEntry } from './sentences.ts';
import { useTell } from '../store/use-tell.ts';
import { Strike } from './strike.tsx';

/** Rows outside of what is in sight that are drawn, so that nothing is seen to come in. */
const AHEAD = 8;
/** How high a row is before it was drawn, px. */
const ROW_PX = 92;
const DAY_PX = 44;

const LOG_KIND_IDS = Object.keys(LOG_KINDS) as LogKind[];

/** A row of the log: the heading of a day, or an entry of it. */
type Row = { key: string; dayOf: string } | { key: string; entry: Entry };

/** Cheaper than to write both out: a log of thousands is gone through each time that it opens. */
const isSameDate = (a: Date, b: Date): boolean =>
  a.getDate() === b.getDate() && a.getMonth() === b.getMonth() && a.getFullYear() === b.getFullYear();

/** Of the lists that were shown: one that has not grown since has the same rows, and a log of thousands is opened often. */
const rowsShown = new WeakMap<readonly Entry[], readonly Row[]>();

/** Newest first, under the days on which they were recorded. */
function rowsOf(entries: readonly Entry[]): readonly Row[] {
  const shown = rowsShown.get(entries) ?? makeRows(entries);
  rowsShown.set(entries, shown);
  return shown;
}

function makeRows(entries: readonly Entry[]): Row[] {
  let last: Date | null = null;
  return inOrder(entries)
    .reverse()
    .flatMap((entry): Row[] => {
      const own: Row = { key: entry.id, entry };
      const date = new Date(entry.at);
      if (last !== null && isSameDate(last, date)) return [own];
      last = date;
      return [{ key: `day of ${entry.id}`, dayOf: entry.at }, own];
    });
}

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
  return (
    <Dialog
      title={`Log, ${counted(record.entries.length, 'entry', 'entries')}`}
      description="Newest first. Nothing is ever deleted."
      side="right"
      open
      onOpenChange={onClose}
    >
      <div className="flex flex-wrap gap-2">
        <SaveCase caseId={record.id} />
        <SaveForOthers caseId={record.id} />
        <PrintCase record={record} state={state} assessment={assessment} />
        <AddPicture caseId={record.id} label="Add a picture or file" />
      </div>
      <AttachedSize record={record} />
      {record.entries.length === 0 ? (
        <p className="mt-4 text-ink-2">Nothing recorded yet. Start at Warning light.</p>
      ) : (
        <Rows record={record} state={state} assessment={assessment} />
      )}
    </Dialog>
  );
}

/** How much the pictures and files of a case take, where it has any, and where they are kept. */
function AttachedSize({ record }: { record: CaseRecord }) {
  const attached = record.entries.filter((e) => e.kind === 'attachment');
  if (attached.length === 0) return null;
  const bytes = attached.reduce((sum, e) => sum + e.bytes, 0);
  return (
    <p className="mt-1 text-[15px] text-ink-2">
      {counted(attached.length, 'picture or file', 'pictures and files')}, {megabytes(bytes)} on this device.
      A case file does not hold them; “Save everything” in Settings does.
    </p>
  );
}

/** The rows that are in sight: a log of thousands opens as fast as one of ten. */
function Rows({
  record,
  state,
  assessment,
}: {
  record: CaseRecord;
  state: CaseState;
  assessment: Assessment | null;
}) {
  const [kind, setKind] = useState<LogKind>('all');
  const rows = useMemo(() => rowsOf(ofKind(record.entries, kind)), [record.entries, kind]);
  const [striking, setStriking] = useState<string | null>(null);
  const list = useRef<HTMLOListElement>(null);
  // The same one as long as the rows are: with a new one the place of every row is worked out again.
  const getItemKey = useCallback((i: number) => rows[i]?.key ?? i, [rows]);
  const virtual = useVirtualizer({
    count: rows.length,
    // The sheet that scrolls is the one around it.
    getScrollElement: () => list.current?.parentElement ?? null,
    estimateSize: (i) => (rows[i] && 'dayOf' in rows[i] ? DAY_PX : ROW_PX),
    getItemKey,
    overscan: AHEAD,
    // A reason that is being typed stays, wherever one looks meanwhile.
    rangeExtractor: (range) => {
      const near = defaultRangeExtractor(range);
      const open = striking === null ? -1 : rows.findIndex((r) => r.key === striking);
      return open < 0 || near.includes(open) ? near : [...near, open].sort((a, b) => a - b);
    },
  });
  return (
    <>
      <label className="mt-3 flex flex-wrap items-center gap-x-3">
        <span className="font-semibold">Show</span>
        <select
          className={`${FIELD} flex-1`}
          value={kind}
          onChange={(e) => setKind(LOG_KIND_IDS.find((k) => k === e.target.value) ?? 'all')}
        >
          {LOG_KIND_IDS.map((k) => (
            <option key={k} value={k}>
              {LOG_KINDS[k]}
            </option>
          ))}
        </select>
      </label>
      {rows.length === 0 ? <p className="mt-3 text-ink-2">Nothing of this kind yet.</p> : null}
      <ol ref={list} className="relative mt-3" style={{ height: virtual.getTotalSize() }}>
        {virtual.getVirtualItems().map(({ index, key, start }) => {
          const row = rows[index];
          if (!row) return null;
          return (
            <li
              key={key}
              ref={virtual.measureElement}
              data-index={index}
              className="absolute inset-x-0 top-0"
              style={{ transform: `translateY(${start}px)` }}
            >
              {'dayOf' in row ? (
                <h3 className="pb-1 pt-3 text-[15px] font-bold">{day(row.dayOf)}</h3>
              ) : (
                <LogEntry
                  entry={row.entry}
                  caseId={record.id}
                  struck={state.retracted.get(row.entry.id)?.reason ?? null}
                  assessment={assessment}
                  isStriking={striking === row.key}
                  onStriking={setStriking}
                />
              )}
            </li>
          );
        })}
      </ol>
    </>
  );
}

function LogEntry({
  entry,
  caseId,
  struck,
  assessment,
  isStriking,
  onStriking,
}: {
  entry: Entry;
  caseId: string;
  /** Why it was struck out, or null. */
  struck: string | null;
  assessment: Assessment | null;
  isStriking: boolean;
  onStriking: (id: string | null) => void;
}) {
  const tell = useTell();
  const isUnsaved = useAppSelector((s) => entry.id in s.logbook.unsaved);
  const isSaving = useAppSelector((s) => entry.id in s.logbook.saving);
  const sentence = tell(entrySentence(entry, assessment));
  return (
    <div
      className={cx(
        'border-b border-b-line border-l-[5px] py-2 pl-3',
        isCarEntry(entry) ? 'border-l-car' : 'border-l-own',
      )}
    >
      {struck !== null || entry.kind === 'retracted' || isStriking ? null : (
        <div className="float-right -mt-1">
          <LogMenu sentence={sentence} onStrike={() => onStriking(entry.id)} />
        </div>
      )}
      <p className="text-[14px] text-ink-2">
        {timeOfDay(entry.at)}
        {entry.clockAt ? `; this device’s clock said ${moment(entry.clockAt)}` : ''}
        {isUnsaved ? '; not saved' : isSaving ? '; saving…' : ''}
      </p>
      <p className={struck === null ? '' : 'text-ink-2 line-through'}>{sentence}</p>
      {entry.kind === 'attachment' && struck === null ? <Attachment entry={entry} /> : null}
      {struck === null ? null : <p className="text-[15px]">Struck out: {struck}</p>}
      {struck !== null || entry.kind === 'retracted' ? null : isStriking ? (
        <Strike entry={entry} caseId={caseId} onDone={() => onStriking(null)} />
      ) : null}
    </div>
  );
}
