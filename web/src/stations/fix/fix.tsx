import { useId, useState } from 'react';
import { Link, useNavigate } from 'react-router';
import type { ProcedureView } from '@pincer/core/assess';
import { recordSaying } from '../../logbook/record-saying.ts';
import { useAppDispatch, useAppSelector } from '../../store/store.ts';
import { useDraft } from '../../store/use-draft.ts';
import { WhichCylinder } from '../../ui/which-cylinder.tsx';
import { Cautions } from '../../ui/cautions.tsx';
import { BUTTON, FIELD, SHEET, TAG, cx } from '../../ui/classes.ts';
import { duration, money, percent } from '../../ui/format.ts';
import { useMoment } from '../../ui/use-now.ts';
import { Notice } from '../../ui/notice.tsx';
import { useCase } from '../case-context.ts';
import { StationPage } from '../station-page.tsx';
import { Unasked } from '../unasked.tsx';
import { useTell } from '../../store/use-tell.ts';
import { Ready } from './ready.tsx';
import { RecordRepair, type RepairDetails } from './record-repair.tsx';
import { Steps } from './steps.tsx';
import { UNTICKED, isTicks, type Ticks } from './ticks.ts';

/** The chosen procedure: cautions first, then its steps, then what was done. */
export function Fix() {
  const moment = useMoment();
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
          {state.scans.length > 0
            ? 'No cause stands out. Narrow it down first; a part bought on a guess is the most expensive one.'
            : tell(
                'No cause stands out. Read the {car} and narrow it down first; a part bought on a guess is the most expensive one.',
              )}
        </Notice>
        <Unasked />
        <OtherRepair />
      </StationPage>
    );
  }
  return (
    <StationPage
      title="Fix"
      lead="The {handbook} and {workshop manual} take precedence over these steps, above all for torque and safety."
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
                    <span className="block text-[13px] font-normal text-ink-2">
                      {p.hasComeBack ? 'done, and it came back' : p.causeTitle}
                    </span>
                  </span>
                  <span className="whitespace-nowrap font-mono text-[14px]">{percent(p.probability)}</span>
                </button>
              </li>
            ))}
          </ol>
        </section>
        <Procedure key={procedure.cause} procedure={procedure} />
      </div>
      <OtherRepair />
      {state.repairs.length > 0 ? (
        <section className={`${SHEET} p-4`}>
          <h3 className="text-lg">Done so far</h3>
          <ul className="list-disc pl-5">
            {state.repairs.map((r) => (
              <li key={r.id}>
                {r.title ?? procedures.find((p) => p.cause === r.cause)?.title ?? r.cause}, {moment(r.at)}
                {r.note ? `: ${r.note}` : ''}
              </li>
            ))}
          </ul>
        </section>
      ) : null}
    </StationPage>
  );
}

function Procedure({ procedure }: { procedure: ProcedureView }) {
  const tell = useTell();
  const { record, vehicle } = useCase();
  const [, place] = procedure.cause.split(':');
  const cylinder = place === undefined ? null : Number(place);
  const dispatch = useAppDispatch();
  const navigate = useNavigate();
  const purse = useAppSelector((s) => s.settings.owner);
  const [kept, setTicks, forget] = useDraft<Partial<Ticks>>(
    `fix:${record.id}:${procedure.cause}`,
    UNTICKED,
    isTicks,
  );
  const ticks: Ticks = { ...UNTICKED, ...kept };
  const finish = async (details: RepairDetails) => {
    const values = procedure.guide.steps.flatMap((step, i) => {
      const value = ticks.values[String(i)]?.trim() ?? '';
      return step.value && value !== '' ? [{ what: step.value.what, value, unit: step.value.unit }] : [];
    });
    await dispatch(
      recordSaying(
        record.id,
        {
          kind: 'repair',
          cause: procedure.cause,
          ...details,
          ...(values.length > 0 ? { values } : {}),
        },
        'Repair recorded.',
      ),
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
            {procedure.parts === 0 ? 'no parts' : `about ${money(procedure.parts, purse)} of parts`}
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
        <Notice
          title={tell('This is work for a {workshop}.')}
          tone="strong"
          action={
            <Link to={`/case/${record.id}/handover`} className={BUTTON.solid}>
              Make the handover sheet
            </Link>
          }
        >
          <ul className="list-disc space-y-1 pl-5">
            {procedure.askFor.map((ask) => (
              <li key={ask}>{ask}</li>
            ))}
          </ul>
        </Notice>
      ) : null}
      {cylinder === null ? null : (
        <WhichCylinder
          cylinder={cylinder}
          cylinderOne={vehicle.cylinderOne}
          bankOne={vehicle.bankOne}
          manual={tell('{workshop manual}')}
        />
      )}
      <Cautions texts={procedure.cautions} />
      {ticks.hasSeen ? null : (
        <button type="button" className={BUTTON.solid} onClick={() => setTicks({ ...ticks, hasSeen: true })}>
          I have read the cautions
        </button>
      )}
      {ticks.hasSeen ? (
        <>
          <Ready procedure={procedure} />
          <Steps procedure={procedure} caseId={record.id} ticks={ticks} onChange={setTicks} />
          <p className="text-[15px] text-ink-2">
            What you tick and type here is kept: go on another day where you stopped.
          </p>
          <RecordRepair
            told={ticks}
            onChange={(told) => setTicks({ ...ticks, ...told })}
            onRecord={(details) => void finish(details)}
          />
        </>
      ) : null}
    </section>
  );
}

const NOTHING: Pick<Ticks, 'by' | 'cost' | 'hours' | 'partNumber' | 'distance' | 'note'> = UNTICKED;

/** A repair that is in no list here: by the owner, a friend or a workshop. It takes part in the proof like any other. */
function OtherRepair() {
  const { record } = useCase();
  const dispatch = useAppDispatch();
  const navigate = useNavigate();
  const id = useId();
  const [title, setTitle] = useState('');
  const [told, setTold] = useState(NOTHING);
  const [isOpen, setOpen] = useState(false);
  return (
    <details className={SHEET} onToggle={(e) => setOpen(e.currentTarget.open)}>
      <summary className="flex min-h-12 items-center px-4 font-semibold">
        Something else was repaired, or somebody else did it
      </summary>
      {isOpen ? (
        <div className="space-y-3 px-4 pb-4">
          <div>
            <label htmlFor={id} className="font-semibold">
              What was repaired or replaced?
            </label>
            <input id={id} className={FIELD} value={title} onChange={(e) => setTitle(e.target.value)} />
          </div>
          <RecordRepair
            told={told}
            isReady={title.trim() !== ''}
            onChange={setTold}
            onRecord={(details) =>
              void dispatch(
                recordSaying(
                  record.id,
                  { kind: 'repair', cause: 'other', title: title.trim(), ...details },
                  'Repair recorded.',
                ),
              ).then(() => navigate(`/case/${record.id}/prove`))
            }
          />
        </div>
      ) : null}
    </details>
  );
}
