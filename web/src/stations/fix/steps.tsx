import type { ProcedureView } from '@pincer/core/assess';
import { useTell } from '../../store/use-tell.ts';
import { NUMBER_FIELD, cx } from '../../ui/classes.ts';
import { AddPicture } from '../../pictures/add-picture.tsx';
import { WaitTimer } from '../../waiting/wait-timer.tsx';
import { toggled, type Ticks } from './ticks.ts';

const BOX = 'mt-0.5 size-6 shrink-0 accent-(--own)';

/** The steps with their slips, waits and figures; then what to look at before covers go back, and what comes after. */
export function Steps({
  procedure,
  caseId,
  ticks,
  onChange,
}: {
  procedure: ProcedureView;
  caseId: string;
  ticks: Ticks;
  onChange: (ticks: Ticks) => void;
}) {
  const { guide } = procedure;
  return (
    <>
      <ol className="space-y-1">
        {guide.steps.map((step, i) => {
          const isDone = ticks.done.includes(i);
          return (
            <li key={step.text} className="border-b border-line pb-1.5 last:border-b-0">
              <label className="flex min-h-11 items-start gap-3 py-1.5">
                <input
                  type="checkbox"
                  className={BOX}
                  checked={isDone}
                  onChange={(e) => onChange({ ...ticks, done: toggled(ticks.done, i, e.target.checked) })}
                />
                <span className={cx('text-[17px]', isDone && 'text-ink-2 line-through')}>{step.text}</span>
              </label>
              <div className="space-y-1.5 pl-9">
                {step.slip && !isDone ? (
                  <p className="border-l-4 border-ink pl-2 text-[15px]">{step.slip}</p>
                ) : null}
                {step.value ? (
                  <LookedUp
                    what={step.value.what}
                    unit={step.value.unit}
                    value={ticks.values[String(i)] ?? ''}
                    onChange={(value) =>
                      onChange({ ...ticks, values: { ...ticks.values, [String(i)]: value } })
                    }
                  />
                ) : null}
                {step.wait ? (
                  <p>
                    <WaitTimer
                      id={`fix:${caseId}:${procedure.cause}:${i}`}
                      minutes={step.wait.minutes}
                      what={step.wait.what}
                    />
                  </p>
                ) : null}
              </div>
            </li>
          );
        })}
      </ol>
      <div className="py-2">
        <AddPicture caseId={caseId} about={procedure.title} label="Picture for the log" />
        <p className="mt-1 text-[15px] text-ink-2">
          Before you take it apart: how hoses, wires and clips lie.
        </p>
      </div>
      {guide.stuck ? (
        <details className="border-y border-line">
          <summary className="flex min-h-11 items-center font-semibold">It will not come out</summary>
          <p className="pb-3">{guide.stuck}</p>
        </details>
      ) : null}
      {guide.beforeCovers.length > 0 ? (
        <section aria-label="Before the covers go back">
          <h4 className="text-lg font-bold">Before the covers go back</h4>
          <ul>
            {guide.beforeCovers.map((look, i) => (
              <li key={look}>
                <label className="flex min-h-11 items-start gap-3 py-1.5">
                  <input
                    type="checkbox"
                    className={BOX}
                    checked={ticks.looked.includes(i)}
                    onChange={(e) =>
                      onChange({ ...ticks, looked: toggled(ticks.looked, i, e.target.checked) })
                    }
                  />
                  <span>{look}</span>
                </label>
              </li>
            ))}
          </ul>
        </section>
      ) : null}
      {guide.afterwards.length > 0 ? (
        <section aria-label="Afterwards">
          <h4 className="text-lg font-bold">Afterwards</h4>
          <ul className="list-disc space-y-1 pl-5">
            {guide.afterwards.map((a) => (
              <li key={a}>{a}</li>
            ))}
          </ul>
        </section>
      ) : null}
    </>
  );
}

/** A figure of the workshop manual, with a place to write it. */
function LookedUp({
  what,
  unit,
  value,
  onChange,
}: {
  what: string;
  unit: string;
  value: string;
  onChange: (value: string) => void;
}) {
  const tell = useTell();
  return (
    <label className="flex flex-wrap items-center gap-x-3 gap-y-1">
      <span>
        <b>{what}</b> <span className="text-[15px] text-ink-2">{tell('from the {workshop manual}')}</span>
      </span>
      <span className="inline-flex items-center gap-2">
        <input className={NUMBER_FIELD} value={value} onChange={(e) => onChange(e.target.value)} />
        <span className="font-mono">{unit}</span>
      </span>
    </label>
  );
}
