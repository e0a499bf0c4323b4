import { useState } from 'react';
import { engineOf } from '@pincer/core/assess';
import { proxy } from 'comlink';
import { record as addRecord } from '../../store/logbook-actions.ts';
import { newId } from '../../store/ids.ts';
import { useAppDispatch } from '../../store/store.ts';
import { recordingsWorker } from '../../workers/recordings-client.ts';
import type { ImportOutcome } from '../../workers/recordings.worker.ts';
import { SHEET } from '../../ui/classes.ts';
import { counted, figure } from '../../ui/format.ts';
import { Notice } from '../../ui/notice.tsx';
import { Progress } from '../../ui/progress.tsx';
import { useCase } from '../case-context.ts';

/** A file of this size takes a gigabyte of memory while it is opened, which is what an old phone’s browser has, MB. */
const MOST_MB = 100;

/** Brings a recording in from a file: CSV or candump, with how far it is and what was not understood. */
export function ImportRecording() {
  const { record, vehicle } = useCase();
  const dispatch = useAppDispatch();
  const [share, setShare] = useState<number | null>(null);
  const [outcome, setOutcome] = useState<ImportOutcome | null>(null);
  const bringIn = async (file: File) => {
    const megabytes = file.size / 1e6;
    if (megabytes > MOST_MB) {
      setOutcome({
        ok: false,
        why: `This file has ${figure(Math.ceil(megabytes))} MB; a recording may have ${MOST_MB} MB.`,
        next: 'Cut it into parts, such as one for each drive, and bring those in. Nothing was read.',
      });
      return;
    }
    setOutcome(null);
    setShare(0);
    const title = file.name.replace(/\.[^.]+$/, '') || 'Recording';
    let result: ImportOutcome;
    try {
      result = await recordingsWorker().importFile(
        file,
        { id: newId('rec'), caseId: record.id, title, engine: engineOf(vehicle) },
        proxy((s: number) => setShare(s)),
      );
    } catch (error) {
      result = {
        ok: false,
        why: `It could not be kept: ${error instanceof Error ? error.message : 'unknown'}.`,
        next: 'A full disk is a common reason. Make room and bring it in again.',
      };
    }
    setShare(null);
    setOutcome(result);
    if (!result.ok) return;
    await dispatch(
      addRecord(record.id, {
        kind: 'recording',
        recording: result.id,
        title,
        seconds: result.seconds,
        samples: result.samples,
        channels: result.channels,
        windows: result.windows,
        marks: [],
        file: file.name,
      }),
    );
  };
  return (
    <section aria-label="Import a recording" className={`${SHEET} space-y-2 p-4`}>
      <label className="block">
        <span className="font-semibold">Import a recording</span>
        <span className="block text-[15px] text-ink-2">
          CSV with a time column, from any program, or a candump log. It is checked first; nothing here is
          changed.
        </span>
        <input
          type="file"
          accept=".csv,.txt,.log,text/csv,text/plain"
          className="mt-1 block min-h-11 w-full text-base"
          disabled={share !== null}
          onChange={(e) => {
            const file = e.target.files?.[0];
            e.target.value = '';
            if (file) void bringIn(file);
          }}
        />
      </label>
      {share !== null ? (
        <Progress
          step="Bringing it in"
          done={Math.round(share * 100)}
          total={100}
          onStop={() => void recordingsWorker().stop()}
        />
      ) : null}
      <div aria-live="polite">
        {outcome?.ok === false ? (
          <Notice title={outcome.why} tone="strong">
            {outcome.next}
          </Notice>
        ) : null}
        {outcome?.ok ? (
          <Notice
            title={`${outcome.isStopped ? 'Stopped; what came is kept' : 'Imported'}: ${figure(Math.round(outcome.seconds))} s, ${counted(outcome.channels.length, 'reading')}, ${outcome.samples.toLocaleString('en-GB')} samples.`}
          >
            {outcome.report.rows.toLocaleString('en-GB')} rows read
            {outcome.report.bad > 0
              ? `, ${outcome.report.bad.toLocaleString('en-GB')} with something that is not a number`
              : ', all understood'}
            {outcome.report.duplicateTimes > 0
              ? `, ${counted(outcome.report.duplicateTimes, 'row')} with a time that was there before`
              : ''}
            .
            {outcome.report.problems.length > 0 ? (
              <ul className="mt-1 list-disc pl-5 text-[15px]">
                {outcome.report.problems.slice(0, 5).map((p) => (
                  <li key={`${p.line}${p.why}`}>
                    Line {p.line}: {p.why}
                  </li>
                ))}
              </ul>
            ) : null}
          </Notice>
        ) : null}
      </div>
    </section>
  );
}
