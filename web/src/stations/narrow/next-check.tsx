import { useState } from 'react';
import { Link } from 'react-router';
import type { CheckView } from '@pincer/core/assess';
import { useAppSelector } from '../../store/store.ts';
import { TAG } from '../../ui/classes.ts';
import { tellFoot } from '../../ui/foot.ts';
import { counted, duration, money } from '../../ui/format.ts';
import { useCase } from '../case-context.ts';
import { CheckDialog } from './check-dialog.tsx';
import { CheckTags } from './check-tags.tsx';

/** The next best check: what it costs, what each answer would do. When none pays, the repair itself is next. */
export function NextCheck({ caseId }: { caseId: string }) {
  const { assessment } = useCase();
  const purse = useAppSelector((s) => s.settings.owner);
  const [open, setOpen] = useState<CheckView | 'others' | null>(null);
  const { firstStep } = assessment;
  const best = firstStep.kind === 'check' ? assessment.checks[0] : undefined;
  const procedure =
    firstStep.kind === 'choice' && firstStep.option === 'repair' ? assessment.procedures[0] : undefined;
  const others = assessment.checks.length - (best ? 1 : 0);
  return (
    <section
      ref={tellFoot}
      aria-label="The next thing"
      className="sticky bottom-0 z-10 shrink-0 overflow-hidden border-t border-line bg-sheet md:static md:mx-4 md:mb-4 md:grid md:grid-cols-[1.35fr_1fr_180px] md:rounded-lg md:border low:sticky! low:mx-0! low:mb-0! low:flex! low:rounded-none! low:border-x-0!"
    >
      {best ? (
        <>
          <div className="min-w-0 flex-1 px-3.5 py-2.5 low:self-center low:py-0.5">
            <h3 className="text-[17px] low:truncate low:text-[15px]">Next: {best.title}</h3>
            <p className="mt-1 flex flex-wrap gap-1.5 low:hidden">
              <CheckTags check={best} purse={purse} />
            </p>
          </div>
          <div className="hidden border-l border-line px-3.5 py-2.5 text-[14px] md:block low:hidden!">
            <ul>
              {best.outcomes.map((o) => (
                <li key={o.id} className="mb-1 grid grid-cols-[150px_1fr] items-center gap-2.5">
                  <span className="truncate">{o.title}</span>
                  <span
                    className="h-2.5 rounded-[2px] bg-ink"
                    role="img"
                    aria-label={`chance ${Math.round(o.chance * 100)} per cent`}
                    style={{ width: `${Math.max(1, o.chance * 100)}%` }}
                  />
                </li>
              ))}
            </ul>
            <p className="text-ink-2">{firstStep.why}</p>
          </div>
        </>
      ) : (
        <>
          <div className="min-w-0 flex-1 px-3.5 py-2.5 low:self-center low:py-0.5">
            <h3 className="text-[17px] low:truncate low:text-[15px]">Next: {firstStep.title}</h3>
            <p className="mt-1 flex flex-wrap gap-1.5 low:hidden">
              {procedure ? (
                <>
                  <span className={TAG}>{duration(procedure.minutes)}</span>
                  <span className={TAG}>
                    {procedure.parts === 0 ? 'no parts' : `${money(procedure.parts, purse)} of parts`}
                  </span>
                </>
              ) : null}
            </p>
          </div>
          <p className="hidden border-l border-line px-3.5 py-2.5 text-[15px] text-ink-2 md:block low:hidden!">
            {procedure
              ? `No ${assessment.checks.some((c) => c.notDone !== null) ? 'check that you can do' : 'remaining check'} is worth its cost: trying the likeliest repair is cheaper than testing further.`
              : firstStep.why}
          </p>
        </>
      )}
      <div className="flex flex-col low:shrink-0 low:flex-row-reverse">
        {best ? (
          <button
            type="button"
            className="min-h-12 flex-1 bg-ink px-3 text-[17px] font-bold text-sheet"
            onClick={() => setOpen(best)}
          >
            Start this check
          </button>
        ) : (
          <Link
            to={`/case/${caseId}/decide`}
            className="grid min-h-12 flex-1 place-items-center bg-ink px-3 text-[17px] font-bold text-sheet"
          >
            Decide
          </Link>
        )}
        {others > 0 ? (
          <button
            type="button"
            className="min-h-11 border-t border-line text-[15px] font-semibold hover:bg-sheet-2 low:border-t-0 low:px-3"
            onClick={() => setOpen('others')}
          >
            or {counted(others, 'other')}
          </button>
        ) : null}
      </div>
      {open !== null ? (
        <CheckDialog
          key={open === 'others' ? 'others' : open.id}
          start={open === 'others' ? null : open}
          onClose={() => setOpen(null)}
        />
      ) : null}
    </section>
  );
}
