import type { Purse } from '@pincer/core/words';
import { Link, useParams } from 'react-router';
import { taskFile, type Path, type PathStep } from '@pincer/core/practice';
import { skipToken, usePracticeResultQuery, type PracticeResult } from '../store/core-answers.ts';
import { practiceKey } from '../store/core-api.ts';
import { practiceOf } from '../store/practice-actions.ts';
import { useAppSelector } from '../store/store.ts';
import { BUTTON, SHEET, TAG } from '../ui/classes.ts';
import { counted, money, percent } from '../ui/format.ts';
import { Notice } from '../ui/notice.tsx';
import { saveText } from '../ui/save-text.ts';

/** What a task was, how it went against the advice's own way, and a replay step by step. */
export function PracticeResultPage() {
  const { caseId = '' } = useParams();
  const status = useAppSelector((s) => s.logbook.status);
  const record = useAppSelector((s) => s.logbook.cases.entities[caseId]);
  const vehicle = useAppSelector((s) => (record ? s.logbook.vehicles.entities[record.vehicle] : undefined));
  const owner = useAppSelector((s) => s.settings.owner);
  const isOver = record?.entries.some((e) => e.kind === 'closed') ?? false;
  const { data, error } = usePracticeResultQuery(
    record && vehicle && isOver ? practiceKey(record, vehicle, owner) : skipToken,
  );
  if (status === 'loading')
    return (
      <main id="work" className="p-6" role="status">
        Opening the logbook…
      </main>
    );
  const task = practiceOf(record)?.task;
  if (!record || !task || !isOver)
    return (
      <main id="work" className="mx-auto w-full max-w-xl p-6">
        <Notice
          title={record && task ? 'This task is not finished.' : 'This task is not in this browser.'}
          action={
            <Link to={record && task ? `/case/${caseId}/light` : '/practice'} className={BUTTON.solid}>
              {record && task ? 'Go on with it' : 'To the practice bay'}
            </Link>
          }
        />
      </main>
    );
  return (
    <main id="work" className="mx-auto w-full max-w-6xl space-y-4 p-4">
      <div className="flex flex-wrap items-center justify-between gap-3">
        <title>What it was · Pincer</title>
        <h1 className="text-2xl">What it was</h1>
        <div className="flex flex-wrap gap-2">
          <Link to="/practice" className={BUTTON.solid}>
            Another task
          </Link>
          <button
            type="button"
            className={BUTTON.plain}
            onClick={() => saveText('practice task.json', taskFile(task))}
          >
            Save this task for somebody else
          </button>
        </div>
      </div>
      {error ? (
        <Notice title="This result could not be worked out." tone="strong">
          {error.message ?? ''}. Your way is in the log of the case.
        </Notice>
      ) : data ? (
        <Result result={data} />
      ) : (
        <p role="status">Working it out…</p>
      )}
    </main>
  );
}

function Result({ result: { what, walked, planned, score } }: { result: PracticeResult }) {
  return (
    <>
      <section aria-label="Result" className={`${SHEET} grid gap-x-8 gap-y-3 p-4 md:grid-cols-2`}>
        <div className="space-y-2">
          {what.length === 0 ? (
            <p className="text-lg font-semibold">Nothing was wrong any more.</p>
          ) : (
            <ul className="text-lg font-semibold">
              {what.map((w) => (
                <li key={w}>{w}</li>
              ))}
            </ul>
          )}
          <p>
            {walked.isSolved
              ? what.length === 0
                ? 'You repaired nothing, and that was right.'
                : 'You found and repaired it.'
              : what.length === 0
                ? 'Something was repaired that was not broken.'
                : 'It was not repaired.'}
          </p>
          {walked.dangers.map((d, i) => (
            <Notice key={i} title="This was dangerous." tone="strong">
              {d}
            </Notice>
          ))}
        </div>
        <table className="w-full text-left">
          <caption className="text-left text-lg font-bold">
            <span className="font-mono">{score.points}</span> of 100 points
          </caption>
          <tbody>
            {score.lines.map((l) => (
              <tr key={l.title} className="border-t border-line">
                <th scope="row" className="py-1 font-normal">
                  {l.title}
                </th>
                <td className="text-right font-mono">
                  {l.points} of {l.of}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      </section>
      <div className="grid items-start gap-4 lg:grid-cols-2">
        <Way title="Your way" path={walked} />
        <Way title="The advice’s way" path={planned} />
      </div>
    </>
  );
}

function Way({ title, path }: { title: string; path: Path }) {
  const purse = useAppSelector((s) => s.settings.owner);
  return (
    <section aria-label={title} className={`${SHEET} p-4`}>
      <h2 className="text-lg">{title}</h2>
      <p>
        {counted(path.steps.length, 'step')}, {counted(Math.round(path.minutes), 'minute')},{' '}
        {money(path.cost, purse)} with your time
        {path.needless > 0 ? `, of it ${money(path.needless, purse)} for nothing` : ''}.
      </p>
      {path.steps.length === 0 ? (
        <p className="text-ink-2">Nothing was done.</p>
      ) : (
        <ol className="mt-2 divide-y divide-line border-t border-line">
          {path.steps.map((s, i) => (
            <Step key={i} step={s} number={i + 1} purse={purse} />
          ))}
        </ol>
      )}
    </section>
  );
}

function Step({ step, number, purse }: { step: PathStep; number: number; purse: Purse }) {
  return (
    <li className="grid grid-cols-[1.75rem_1fr_auto] gap-x-2 py-2">
      <span className="font-mono text-ink-2">{number}</span>
      <div>
        <p className="font-semibold">
          {step.title} {step.isNeedless ? <span className={TAG}>for nothing</span> : null}
        </p>
        {step.result === '' ? null : <p>{step.result}</p>}
        {step.danger ? <p className="font-semibold">{step.danger}</p> : null}
        {step.leads ? (
          <p className="text-[15px] text-ink-2">
            Likeliest then: {step.leads.title.toLowerCase()}, {percent(step.leads.chance)}
            {step.truth > 0 ? `; what it was: ${percent(step.truth)}` : ''}
          </p>
        ) : null}
      </div>
      <span className="text-right font-mono text-[15px]">{step.cost > 0 ? money(step.cost, purse) : ''}</span>
    </li>
  );
}
