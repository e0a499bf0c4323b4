import type { PlanBranch, PlanStep, PlanView } from '@pincer/core/assess';
import { useAppSelector } from '../../store/store.ts';
import { SHEET } from '../../ui/classes.ts';
import { duration, money, percent } from '../../ui/format.ts';

/** The plan until it is fixed: the check that comes first, and what is done after each of its results. */
export function PlanTree({ plan }: { plan: PlanView }) {
  const purse = useAppSelector((s) => s.settings.owner);
  const { check, branches } = plan;
  return (
    <section aria-labelledby="plan" className={`${SHEET} p-4`}>
      <h3 id="plan" className="text-lg">
        The plan until it is fixed
      </h3>
      <p className="text-ink-2">
        About {money(plan.cost, purse)} and {duration(plan.minutes)} of your time on average. A repair that
        does not cure it is followed by the next step.
      </p>
      {check ? (
        <p className="mt-3 border-l-[5px] border-ink pl-3">
          <b>First check: {check.title}</b>{' '}
          <span className="whitespace-nowrap font-mono text-[15px] text-ink-2">
            {money(check.cost, purse)} · {duration(check.minutes)}
          </span>
        </p>
      ) : null}
      <ul className={check ? 'mt-2 grid gap-3 md:grid-cols-2' : 'mt-3'}>
        {branches.map((b) => (
          <li key={b.result ?? ''} className={check ? 'border-l-[5px] border-line pl-3' : undefined}>
            {b.result === null ? null : (
              <p className="flex flex-wrap items-baseline justify-between gap-x-3">
                <span>
                  If: <b>{b.result}</b>
                </span>
                <span className="whitespace-nowrap font-mono text-[15px]">
                  {percent(b.chance)} · {money(b.cost, purse)}
                </span>
              </p>
            )}
            <Steps branch={b} />
          </li>
        ))}
      </ul>
    </section>
  );
}

function Steps({ branch }: { branch: PlanBranch }) {
  return (
    <ol className="mt-1 space-y-0.5">
      {branch.steps
        .filter((s) => s.reached >= 0.005)
        .map((s, at) => (
          <li key={`${s.kind} ${s.title}`} className="flex items-baseline justify-between gap-3 text-[15px]">
            <span>
              {at === 0 ? 'Then' : 'Else'}: {s.title}
            </span>
            <span className="shrink-0 font-mono text-ink-2">{chanceOf(s)}</span>
          </li>
        ))}
    </ol>
  );
}

const chanceOf = ({ kind, reached, cures }: PlanStep): string =>
  kind === 'help' ? `${percent(reached)} left` : `cures ${percent(cures)}`;
