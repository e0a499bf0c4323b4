import { Lock } from 'lucide-react';
import { Link, useNavigate } from 'react-router';
import type { Option, OptionId } from '@pincer/core/decision';
import { InspectionPanel } from '../../inspection/inspection-panel.tsx';
import { recordSaying } from '../../logbook/record-saying.ts';
import { useAppDispatch, useAppSelector } from '../../store/store.ts';
import { useTell } from '../../store/use-tell.ts';
import { BUTTON, SHEET, cx } from '../../ui/classes.ts';
import { duration, money, percent } from '../../ui/format.ts';
import { useMoment } from '../../ui/use-now.ts';
import { useCase } from '../case-context.ts';
import { StationPage } from '../station-page.tsx';
import { Offers } from './offers.tsx';
import { PlanTree } from './plan-tree.tsx';
import { Until } from './until-then.tsx';
import { WaysToRead } from '../../typed/ways-to-read.tsx';
import { OneOrAll } from './one-or-all.tsx';
import { OwnPrices } from './own-prices.tsx';

const AFTER: Readonly<Record<OptionId, string>> = {
  leave: 'prove',
  repair: 'fix',
  clear: 'prove',
  help: 'handover',
};

/** Repair it, clear it and watch, or get help: three choices side by side. */
export function Decide() {
  const moment = useMoment();
  const { record, vehicle, assessment, state } = useCase();
  const tell = useTell();
  const dispatch = useAppDispatch();
  const navigate = useNavigate();
  const { options, recommended, why, breakEvens, firstStep } = assessment;
  const decision = state.decision;
  const isStale = assessment.stations.find((s) => s.id === 'decide')?.status === 'stale';
  const choose = async (option: Option) => {
    const cause = option.id === 'repair' ? assessment.procedures[0]?.cause : undefined;
    await dispatch(
      recordSaying(
        record.id,
        { kind: 'decision', option: option.id, ...(cause === undefined ? {} : { cause }) },
        `Decided: ${tell(option.title).toLowerCase()}.`,
      ),
    );
    void navigate(`/case/${record.id}/${AFTER[option.id]}`);
  };
  const best = options.find((o) => o.id === recommended);
  return (
    <StationPage
      title="Decide"
      lead="Costs are averages until the fault is fixed, including your own time at your own rate. Change the rates in Settings."
      {...(best
        ? {
            next:
              firstStep.kind === 'check'
                ? {
                    title: `One more check first: ${firstStep.title}`,
                    detail: `It ${firstStep.why}. After that, as things stand: ${best.title.toLowerCase()}.`,
                    action: (
                      <Link to={`/case/${record.id}/narrow`} className={`${BUTTON.solid} w-full sm:w-auto`}>
                        Go to this check
                      </Link>
                    ),
                  }
                : {
                    title: `Recommended: ${best.title.toLowerCase()}`,
                    detail: why,
                    action: (
                      <button
                        type="button"
                        className={`${BUTTON.solid} w-full sm:w-auto`}
                        onClick={() => void choose(best)}
                      >
                        Choose this
                      </button>
                    ),
                  },
          }
        : {})}
    >
      {decision ? (
        <p className={`${SHEET} px-4 py-3`}>
          You chose “{options.find((o) => o.id === decision.option)?.title.toLowerCase()}”{' '}
          {moment(decision.at)}.{isStale ? <b> New facts have come in since; review your choice.</b> : null}
        </p>
      ) : null}
      <div className={cx('grid gap-3', options.length > 3 ? 'lg:grid-cols-2' : 'lg:grid-cols-3')}>
        {options.map((o) => (
          <Choice
            key={o.id}
            option={o}
            isRecommended={o.id === recommended}
            isAfterCheck={firstStep.kind === 'check'}
            why={why}
            onChoose={() => void choose(o)}
          />
        ))}
      </div>
      <p className={`${SHEET} flex flex-wrap items-center justify-between gap-2 px-4 py-2`}>
        <span>
          {tell('Going to a {workshop}, or asking for help? Take one page with everything that is known.')}
        </span>
        <Link to={`/case/${record.id}/handover`} className={BUTTON.plain}>
          Handover sheet
        </Link>
      </p>
      <section className={`${SHEET} p-4`}>
        <h3 className="text-lg">When the choice changes</h3>
        <ul className="mt-1 list-disc space-y-1 pl-5">
          {breakEvens.map((b) => (
            <li key={b}>{b}</li>
          ))}
        </ul>
      </section>
      {assessment.plan ? <PlanTree plan={assessment.plan} /> : null}
      {assessment.procedures[0] ? (
        <OneOrAll key={assessment.procedures[0].cause} procedure={assessment.procedures[0]} />
      ) : null}
      <Until />
      {state.scans.length === 0 ? <WaysToRead /> : null}
      <Offers />
      <OwnPrices />
      {assessment.inspection ? <InspectionPanel view={assessment.inspection} vehicle={vehicle} /> : null}
    </StationPage>
  );
}

function Choice({
  option,
  isRecommended,
  isAfterCheck,
  why,
  onChoose,
}: {
  option: Option;
  isRecommended: boolean;
  /** Whether a check comes before any choice. */
  isAfterCheck: boolean;
  /** Why the recommended choice is recommended. */
  why: string;
  onChoose: () => void;
}) {
  const purse = useAppSelector((s) => s.settings.owner);
  const isClosed = option.blocked.length > 0;
  return (
    <section
      aria-label={option.title}
      className={cx(
        'flex flex-col rounded-lg border bg-sheet p-4',
        isRecommended ? 'border-[3px] border-ink' : 'border-line',
      )}
    >
      <div className="flex items-baseline justify-between gap-2">
        <h3 className="text-xl">{option.title}</h3>
        {isRecommended ? (
          <span className="rounded bg-ink px-2 py-0.5 text-[14px] font-semibold text-sheet">
            {isAfterCheck ? 'after the check' : 'recommended'}
          </span>
        ) : null}
      </div>
      <dl className="mt-3 grid grid-cols-3 gap-2">
        <Figure name="cost" value={money(option.cost, purse)} />
        <Figure name="your time" value={duration(option.minutes)} />
        <Figure name="done with it" value={percent(option.success)} />
      </dl>
      <div aria-hidden="true" className="mt-2 h-2.5 rounded-[2px] bg-line">
        <div className="h-full rounded-[2px] bg-ink" style={{ width: `${option.success * 100}%` }} />
      </div>
      <ul className="mt-3 list-disc space-y-1 pl-5">
        {(isRecommended && isAfterCheck ? [why, ...option.reasons] : option.reasons).map((r) => (
          <li key={r}>{r}</li>
        ))}
      </ul>
      {isClosed ? (
        <ul className="mt-3 space-y-1.5">
          {option.blocked.map((b) => (
            <li key={b.id} className="flex gap-2 border-l-4 border-ink bg-sheet-2 px-3 py-2 text-[15px]">
              <Lock size={18} className="mt-0.5 shrink-0" aria-hidden="true" />
              <span>{b.text}</span>
            </li>
          ))}
        </ul>
      ) : null}
      <button
        type="button"
        className={`${isRecommended && !isAfterCheck ? BUTTON.solid : BUTTON.plain} mt-4`}
        disabled={isClosed}
        onClick={onChoose}
      >
        {isClosed ? 'Not available now' : `Choose: ${option.title.toLowerCase()}`}
      </button>
    </section>
  );
}

function Figure({ name, value }: { name: string; value: string }) {
  return (
    <div>
      <dt className="text-[14px] text-ink-2">{name}</dt>
      <dd className="font-mono text-[19px] font-semibold">{value}</dd>
    </div>
  );
}
