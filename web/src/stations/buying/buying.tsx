import { Check, CircleHelp, OctagonX } from 'lucide-react';
import { useMemo } from 'react';
import { Link } from 'react-router';
import { buyingSheet, buyingView, type BuyingFinding } from '@pincer/core/assess';
import { tellAll } from '@pincer/core/words';
import { fileName, openPdf, savePdf } from '../../papers/save-pdf.ts';
import { useAppSelector } from '../../store/store.ts';
import { useWording } from '../../store/use-tell.ts';
import { BUTTON, SHEET, cx } from '../../ui/classes.ts';
import { useCase } from '../case-context.ts';
import { StationPage } from '../station-page.tsx';

const ICONS = { 'walk-away': OctagonX, ask: CircleHelp, good: Check } as const;
const WEIGHTS = { 'walk-away': 'a reason to walk away', ask: 'to ask', good: 'as it should be' } as const;

/** Ten minutes at a stranger's car: what to do in which order, what it says, what to ask. Nothing is cleared here. */
export function Buying() {
  const { record, state, vehicle, assessment } = useCase();
  const owner = useAppSelector((s) => s.settings.owner);
  const wording = useWording();
  const view = useMemo(
    () => tellAll(buyingView(state, vehicle, assessment, owner), wording),
    [state, vehicle, assessment, owner, wording],
  );
  const next = view.steps.find((s) => !s.isDone && s.station !== null);
  const sheet = () => buyingSheet(view, vehicle);
  const name = fileName('before-buying', vehicle.name);
  return (
    <StationPage
      title="Before buying"
      lead="Ten minutes at a stranger’s {car}. Ask before you plug anything in; nothing is cleared and nothing repaired here."
      {...(next
        ? {
            next: {
              title: `Next: ${next.title.charAt(0).toLowerCase()}${next.title.slice(1)}`,
              detail: next.how,
              action: (
                <Link
                  to={`/case/${record.id}/${next.station ?? 'light'}`}
                  className={`${BUTTON.solid} w-full sm:w-auto`}
                >
                  Go there
                </Link>
              ),
            },
          }
        : {})}
    >
      <section aria-labelledby="verdict" className="rounded-lg border-[3px] border-ink bg-sheet p-4">
        <h3 id="verdict" className="text-xl">
          {view.verdict.title}
        </h3>
        <p>{view.verdict.says}</p>
        {view.argument ? <p className="mt-2">{view.argument}</p> : null}
        <p className="mt-3 flex flex-wrap gap-2">
          <button
            type="button"
            className={BUTTON.plain}
            onClick={() => void savePdf(sheet(), name, owner.units)}
          >
            Save this visit as PDF
          </button>
          <button
            type="button"
            className={BUTTON.plain}
            onClick={() => void openPdf(sheet(), name, owner.units)}
          >
            Open it to print
          </button>
        </p>
      </section>
      <div className="grid items-start gap-4 lg:grid-cols-2">
        <section aria-labelledby="steps" className={`${SHEET} p-4`}>
          <h3 id="steps" className="text-lg">
            In this order
          </h3>
          <ol className="mt-1 divide-y divide-line">
            {view.steps.map((s, i) => (
              <li key={s.id} className="flex gap-3 py-2">
                <span
                  className={cx(
                    'grid size-7 shrink-0 place-items-center rounded-full border text-[15px] font-bold',
                    s.isDone ? 'border-ink bg-ink text-sheet' : 'border-ink',
                  )}
                >
                  {s.isDone ? <Check size={16} aria-label="done" /> : i + 1}
                </span>
                <span>
                  {s.station ? (
                    <Link
                      to={`/case/${record.id}/${s.station}`}
                      className="font-semibold underline underline-offset-4"
                    >
                      {s.title}
                    </Link>
                  ) : (
                    <b>{s.title}</b>
                  )}
                  <span className="block text-[15px] text-ink-2">{s.how}</span>
                </span>
              </li>
            ))}
          </ol>
        </section>
        <section aria-labelledby="found" className={`${SHEET} p-4`}>
          <h3 id="found" className="text-lg">
            What was found
          </h3>
          {view.findings.length === 0 ? (
            <p className="text-ink-2">Nothing yet.</p>
          ) : (
            <ul className="mt-1 divide-y divide-line">
              {view.findings.map((f) => (
                <Finding key={f.id} finding={f} />
              ))}
            </ul>
          )}
        </section>
      </div>
      <section aria-labelledby="questions" className={`${SHEET} p-4`}>
        <h3 id="questions" className="text-lg">
          Questions for the seller
        </h3>
        <ul className="mt-1 list-disc space-y-1 pl-5">
          {view.questions.map((q) => (
            <li key={q}>{q}</li>
          ))}
        </ul>
      </section>
    </StationPage>
  );
}

function Finding({ finding: { weight, title, says } }: { finding: BuyingFinding }) {
  const Icon = ICONS[weight];
  return (
    <li className="flex gap-3 py-2">
      <Icon size={20} className="mt-0.5 shrink-0" aria-label={WEIGHTS[weight]} />
      <span>
        <b className={weight === 'good' ? 'font-normal' : undefined}>{title}</b>
        {says === '' ? null : <span className="block text-[15px] text-ink-2">{says}</span>}
      </span>
    </li>
  );
}
