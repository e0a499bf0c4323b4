import { ClipboardCopy, FileDown, Printer } from 'lucide-react';
import { useMemo, useState } from 'react';
import { toast } from 'sonner';
import { handover, handoverText } from '@pincer/core/assess';
import { fileName, savePdf } from '../../papers/save-pdf.ts';
import { recordSaying } from '../../logbook/record-saying.ts';
import { useAppDispatch, useAppSelector } from '../../store/store.ts';
import { useTell } from '../../store/use-tell.ts';
import { BUTTON, FIELD, SHEET } from '../../ui/classes.ts';
import { saveText } from '../../ui/save-text.ts';
import { useCase } from '../case-context.ts';
import { StationPage } from '../station-page.tsx';

/** One page for a workshop or for whoever helps; and what they found, once it is known. */
export function HandoverSheet() {
  const { record, vehicle, state, assessment } = useCase();
  const owner = useAppSelector((s) => s.settings.owner);
  const tell = useTell();
  const [isNamed, setNamed] = useState(false);
  const [isMaking, setMaking] = useState(false);
  const sheet = useMemo(
    () => handover(state, vehicle, owner, assessment, isNamed),
    [state, vehicle, owner, assessment, isNamed],
  );
  const copy = async (text: string, what: string) => {
    try {
      await navigator.clipboard.writeText(text);
      toast(`${what} copied.`);
    } catch {
      saveText(`${fileName('handover', vehicle.name)}.txt`, text, 'text/plain');
      toast(`The browser does not allow copying: saved as a file instead.`);
    }
  };
  const save = async () => {
    setMaking(true);
    await savePdf(sheet, fileName('handover', vehicle.name), owner.units);
    setMaking(false);
  };
  return (
    <StationPage
      title="Handover sheet"
      lead={tell(
        'For a {workshop}, or for whoever helps you: what was read, what you found, what is left, and what to ask. Nothing is sent anywhere.',
      )}
    >
      <div className="flex flex-wrap items-center gap-2 print:hidden">
        <button type="button" className={BUTTON.solid} disabled={isMaking} onClick={() => void save()}>
          <FileDown size={19} aria-hidden="true" /> {isMaking ? 'Writing the PDF…' : 'Save as PDF'}
        </button>
        <button type="button" className={BUTTON.plain} onClick={() => window.print()}>
          <Printer size={19} aria-hidden="true" /> Print
        </button>
        <button
          type="button"
          className={BUTTON.plain}
          onClick={() => void copy(handoverText(sheet), 'Handover sheet')}
        >
          <ClipboardCopy size={19} aria-hidden="true" /> Copy as text
        </button>
        <label className="flex min-h-11 items-center gap-2 px-1">
          <input
            type="checkbox"
            className="size-5 accent-(--ink)"
            checked={isNamed}
            onChange={(e) => setNamed(e.target.checked)}
          />
          Include plate and VIN
        </label>
      </div>
      <div className="grid items-start gap-4 xl:grid-cols-[1.6fr_1fr]">
        <article id="handover" aria-label={sheet.title} className={`${SHEET} p-5`}>
          <h3 className="text-xl">{sheet.title}</h3>
          {sheet.parts.map((part) => (
            <section key={part.title} className="mt-3">
              <h4 className="font-bold">{part.title}</h4>
              <ul className="list-disc pl-5 text-[15px] leading-snug">
                {part.lines.map((line) => (
                  <li key={line}>{line}</li>
                ))}
              </ul>
            </section>
          ))}
        </article>
        <div className="space-y-4 print:hidden">
          <section className={`${SHEET} p-4`} aria-label="To search with">
            <h3 className="text-lg">To search with</h3>
            <p className="mt-1 text-[15px] text-ink-2">One line for a search or the title of a question.</p>
            <p className="mt-2 rounded bg-sheet-2 p-2 font-mono text-[14px]">{sheet.search}</p>
            <button
              type="button"
              className={`${BUTTON.plain} mt-2`}
              onClick={() => void copy(sheet.search, 'Search line')}
            >
              Copy this line
            </button>
          </section>
          <Found caseId={record.id} />
        </div>
      </div>
    </StationPage>
  );
}

/** What they found: recorded as a repair, so that it is judged and proved as one's own. */
function Found({ caseId }: { caseId: string }) {
  const tell = useTell();
  const { assessment } = useCase();
  const dispatch = useAppDispatch();
  const [cause, setCause] = useState('');
  const [cost, setCost] = useState('');
  const [note, setNote] = useState('');
  const amount = cost.trim() === '' ? undefined : Number(cost.replace(',', '.'));
  const isWrong = amount !== undefined && (!Number.isFinite(amount) || amount < 0);
  const save = async () => {
    const text = note.trim();
    const entry =
      cause === ''
        ? ({ kind: 'note', text: `They found: ${text}` } as const)
        : ({
            kind: 'repair',
            cause,
            by: 'workshop',
            ...(amount === undefined ? {} : { cost: amount }),
            ...(text === '' ? {} : { note: text }),
          } as const);
    const { isSaved } = await dispatch(recordSaying(caseId, entry, 'Recorded in the log.'));
    if (!isSaved) return;
    setCause('');
    setCost('');
    setNote('');
  };
  return (
    <section className={`${SHEET} space-y-3 p-4`} aria-label="What did they find?">
      <h3 className="text-lg">What did they find?</h3>
      <p className="text-[15px] text-ink-2">
        {tell('Record it when you have the {car} back: then it can be proved, and the next case knows it.')}
      </p>
      <label className="block">
        <span className="font-semibold">Repaired cause</span>
        <select className={FIELD} value={cause} onChange={(e) => setCause(e.target.value)}>
          <option value="">none of these, or not repaired</option>
          {assessment.procedures.map((p) => (
            <option key={p.cause} value={p.cause}>
              {p.causeTitle}
            </option>
          ))}
        </select>
      </label>
      <label className="block">
        <span className="font-semibold">What it cost in all</span>
        <input
          className={FIELD}
          inputMode="decimal"
          value={cost}
          aria-invalid={isWrong}
          onChange={(e) => setCost(e.target.value)}
        />
        {isWrong ? <span role="alert">A number of 0 or more, or leave it empty.</span> : null}
      </label>
      <label className="block">
        <span className="font-semibold">In their words</span>
        <textarea
          className={`${FIELD} py-2`}
          rows={2}
          value={note}
          onChange={(e) => setNote(e.target.value)}
        />
      </label>
      <button
        type="button"
        className={BUTTON.plain}
        disabled={isWrong || (cause === '' && note.trim() === '')}
        onClick={() => void save()}
      >
        Record it
      </button>
    </section>
  );
}
