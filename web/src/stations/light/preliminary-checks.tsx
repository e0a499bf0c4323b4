import type { PreliminaryCheck } from '@pincer/core/urgency';
import { AskPracticeCar } from '../../practice/ask-practice-car.tsx';
import { recordSaying } from '../../logbook/record-saying.ts';
import { useAppDispatch } from '../../store/store.ts';
import { SHEET } from '../../ui/classes.ts';
import { Cautions } from '../../ui/cautions.tsx';

/** Cheap things worth doing first; what is found is noted with one touch. */
export function PreliminaryChecks({
  caseId,
  things,
}: {
  caseId: string;
  things: readonly PreliminaryCheck[];
}) {
  const dispatch = useAppDispatch();
  if (things.length === 0) return null;
  return (
    <section aria-labelledby="first-things" className={SHEET}>
      <div className="border-b border-line px-4 py-2.5">
        <h3 id="first-things" className="text-lg">
          Free checks worth doing first
        </h3>
      </div>
      <ul className="divide-y divide-line">
        {things.map((t) => {
          const { check } = t;
          return (
            <li key={t.id} className="px-4 py-3">
              <p className="font-semibold">
                {t.title}
                {t.minutes > 0 ? <span className="font-normal text-ink-2"> · {t.minutes} min</span> : null}
              </p>
              <p className="text-[15px] text-ink-2">{t.why}</p>
              {check ? (
                <details className="mt-1">
                  <summary className="flex min-h-11 items-center font-semibold">
                    How to do it, and record the result
                  </summary>
                  <Cautions texts={check.cautions} />
                  <p className="mt-2">{check.how}</p>
                  <AskPracticeCar
                    caseId={caseId}
                    check={check.id}
                    onAnswer={(outcome) =>
                      void dispatch(
                        recordSaying(caseId, { kind: 'check', check: check.id, outcome }, 'Recorded.'),
                      )
                    }
                  />
                  <div className="mt-2 flex flex-wrap gap-2">
                    {check.outcomes.map((o) => (
                      <button
                        key={o.id}
                        type="button"
                        className="min-h-11 rounded-md border-2 border-own px-3 text-[15px] font-semibold text-own hover:bg-own-soft"
                        onClick={() =>
                          void dispatch(
                            recordSaying(
                              caseId,
                              { kind: 'check', check: check.id, outcome: o.id },
                              `Recorded: ${o.title}.`,
                            ),
                          )
                        }
                      >
                        {o.title}
                      </button>
                    ))}
                  </div>
                </details>
              ) : null}
            </li>
          );
        })}
      </ul>
    </section>
  );
}
