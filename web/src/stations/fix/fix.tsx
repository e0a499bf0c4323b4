import { useState } from 'react';
import { useNavigate } from 'react-router';
import type { ProcedureView } from '@pincer/core/assess';
import { record as addRecord } from '../../store/logbook-actions.ts';
import { useAppDispatch, useAppSelector } from '../../store/store.ts';
import { useDraft } from '../../store/use-draft.ts';
import { Cautions } from '../../ui/cautions.tsx';
import { BUTTON, FIELD, SHEET, TAG, cx } from '../../ui/classes.ts';
import { duration, money, moment, percent } from '../../ui/format.ts';
import { Notice } from '../../ui/notice.tsx';
import { useCase } from '../case-context.ts';
import { StationPage } from '../station-page.tsx';
import { useTell } from '../../store/use-tell.ts';

/** The chosen procedure: cautions first, then its steps, then what was done. */
export function Fix() {
  const tell = useTell();
  const { record, assessment, state } = useCase();
  const { procedures } = assessment;
  const chosen = state.decision?.cause;
  const [cause, setCause] = useState<string | null>(null);
  const procedure = procedures.find((p) => p.cause === (cause ?? chosen)) ?? procedures[0];
  if (!procedure) {
    return (
      <StationPage title="Fix" next={{ title: 'Next: narrow it down', to: `/case/${record.id}/narrow` }}>
        <Notice title="Nothing to fix yet.">
          No cause stands out. Read the car and narrow it down first; a part bought on a guess is the most
          expensive one.
        </Notice>
      </StationPage>
    );
  }
  return (
    <StationPage
      title="Fix"
      lead={tell(
        'The {handbook} and {workshop manual} take precedence over these steps, above all for torque and safety.',
      )}
      {...(state.repairs.length > 0
        ? {
            next: {
              title: 'Next: prove it',
              detail: 'Clear, read again, drive.',
              to: `/case/${record.id}/prove`,
            },
          }
        : {})}
    >
      <div className="grid gap-4 lg:grid-cols-[300px_1fr]">
        <section aria-label="Procedures" className={`${SHEET} self-start`}>
          <h3 className="border-b border-line px-4 py-2.5 text-lg">In this order</h3>
          <ol>
            {procedures.slice(0, 6).map((p) => (
              <li key={p.cause}>
                <button
                  type="button"
                  aria-pressed={p.cause === procedure.cause}
                  onClick={() => setCause(p.cause)}
                  className={cx(
                    'flex min-h-11 w-full justify-between gap-2 px-4 py-2 text-left hover:bg-sheet-2',
                    p.cause === procedure.cause && 'font-bold shadow-[inset_5px_0_0_var(--ink)]',
                  )}
                >
                  <span>
                    {p.title}
                    <span className="block text-[13px] font-normal text-ink-2">{p.causeTitle}</span>
                  </span>
                  <span className="whitespace-nowrap font-mono text-[14px]">{percent(p.probability)}</span>
                </button>
              </li>
            ))}
          </ol>
        </section>
        <Procedure key={procedure.cause} procedure={procedure} />
      </div>
      {state.repairs.length > 0 ? (
        <section className={`${SHEET} p-4`}>
          <h3 className="text-lg">Done so far</h3>
          <ul className="list-disc pl-5">
            {state.repairs.map((r) => (
              <li key={r.id}>
                {procedures.find((p) => p.cause === r.cause)?.title ?? r.cause}, {moment(r.at)}
                {r.note ? `: ${r.note}` : ''}
              </li>
            ))}
          </ul>
        </section>
      ) : null}
    </StationPage>
  );
}

interface Ticks {
  hasSeen: boolean;
  done: number[];
  cost: string;
  note: string;
}
const UNTICKED: Ticks = { hasSeen: false, done: [], cost: '', note: '' };
const isTicks = (v: unknown): v is Ticks =>
  typeof v === 'object' && v !== null && 'hasSeen' in v && 'done' in v && 'cost' in v && 'note' in v;

function Procedure({ procedure }: { procedure: ProcedureView }) {
  const tell = useTell();
  const { record } = useCase();
  const dispatch = useAppDispatch();
  const navigate = useNavigate();
  const currency = useAppSelector((s) => s.settings.owner.currency);
  const [ticks, setTicks, forget] = useDraft(`fix:${record.id}:${procedure.cause}`, UNTICKED, isTicks);
  const cost = ticks.cost.trim() === '' ? undefined : Number(ticks.cost.replace(',', '.'));
  const isCostWrong = cost !== undefined && (!Number.isFinite(cost) || cost < 0);
  const finish = async () => {
    await dispatch(
      addRecord(record.id, {
        kind: 'repair',
        cause: procedure.cause,
        ...(cost === undefined ? {} : { cost }),
        ...(ticks.note.trim() === '' ? {} : { note: ticks.note.trim() }),
      }),
    );
    forget();
    void navigate(`/case/${record.id}/prove`);
  };
  return (
    <section aria-label={procedure.title} className={`${SHEET} space-y-4 p-4`}>
      <div>
        <h3 className="text-xl">{procedure.title}</h3>
        <p className="mt-1 flex flex-wrap gap-1.5">
          <span className={TAG}>{duration(procedure.minutes)}</span>
          <span className={TAG}>
            {procedure.parts === 0 ? 'no parts' : `about ${money(procedure.parts, currency)} of parts`}
          </span>
          {procedure.tools.map((t) => (
            <span key={t.id} className={TAG}>
              {t.name}
              {t.isMissing ? ' (to buy)' : ''}
            </span>
          ))}
        </p>
      </div>
      {procedure.isLicensed ? (
        <Notice title={tell('This is work for a {workshop}.')} tone="strong">
          Take the facts with you: codes, freeze frame and checks. They save diagnosis time.
        </Notice>
      ) : null}
      <Cautions texts={procedure.cautions} />
      {ticks.hasSeen ? null : (
        <button type="button" className={BUTTON.solid} onClick={() => setTicks({ ...ticks, hasSeen: true })}>
          I have read the cautions
        </button>
      )}
      {ticks.hasSeen ? (
        <>
          <ol className="space-y-1">
            {procedure.steps.map((step, i) => (
              <li key={step}>
                <label className="flex min-h-11 items-start gap-3 py-1.5">
                  <input
                    type="checkbox"
                    className="mt-0.5 size-6 shrink-0 accent-(--own)"
                    checked={ticks.done.includes(i)}
                    onChange={(e) =>
                      setTicks({
                        ...ticks,
                        done: e.target.checked ? [...ticks.done, i] : ticks.done.filter((d) => d !== i),
                      })
                    }
                  />
                  <span className={ticks.done.includes(i) ? 'text-ink-2 line-through' : ''}>{step}</span>
                </label>
              </li>
            ))}
          </ol>
          {procedure.isLicensed ? null : (
            <div className="grid items-end gap-3 border-t border-line pt-3 sm:grid-cols-[140px_1fr_auto]">
              <label className="block">
                <span className="font-semibold">Spent, {currency}</span>
                <input
                  className={`${FIELD} font-mono`}
                  inputMode="decimal"
                  value={ticks.cost}
                  aria-invalid={isCostWrong}
                  onChange={(e) => setTicks({ ...ticks, cost: e.target.value })}
                />
              </label>
              <label className="block">
                <span className="font-semibold">What you saw or did</span>
                <input
                  className={FIELD}
                  value={ticks.note}
                  onChange={(e) => setTicks({ ...ticks, note: e.target.value })}
                />
              </label>
              <button
                type="button"
                className={BUTTON.solid}
                disabled={isCostWrong}
                onClick={() => void finish()}
              >
                Record as done
              </button>
            </div>
          )}
        </>
      ) : null}
    </section>
  );
}
