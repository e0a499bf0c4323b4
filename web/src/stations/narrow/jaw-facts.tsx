import type { CauseView, Fact } from '@pincer/core/assess';
import { cx } from '../../ui/classes.ts';
import { weight } from '../../ui/format.ts';

/**
 * The facts of one jaw: those that speak for the selected cause are tied to it, those against it say so, the
 * rest fade. Readings that are sound and say nothing of this cause fold into one line.
 */
export function JawFacts({ facts, selected }: { facts: readonly Fact[]; selected: CauseView | undefined }) {
  const isQuiet = (f: Fact) =>
    f.kind === 'reading' && f.isSound === true && selected?.weights[f.id] === undefined;
  const quiet = facts.filter(isQuiet);
  return (
    <>
      <ul className="mb-2 space-y-1.5">
        {facts
          .filter((f) => !isQuiet(f))
          .map((f) => (
            <FactLine key={f.id} fact={f} ratio={selected?.weights[f.id]} />
          ))}
        {facts.length === 0 ? <li className="text-[15px] text-ink-2">Nothing yet.</li> : null}
      </ul>
      {quiet.length > 0 ? (
        <details className="mb-2">
          <summary className="flex min-h-11 items-center text-[15px] font-semibold">
            {quiet.length} {quiet.length === 1 ? 'thing is' : 'things are'} normal
          </summary>
          <ul className="space-y-1.5">
            {quiet.map((f) => (
              <FactLine key={f.id} fact={f} ratio={undefined} />
            ))}
          </ul>
        </details>
      ) : null}
    </>
  );
}

function FactLine({ fact, ratio }: { fact: Fact; ratio: number | undefined }) {
  const isFor = ratio !== undefined && ratio > 1;
  const isAgainst = ratio !== undefined && ratio < 1;
  const isCar = fact.side === 'car';
  return (
    <li
      data-fact={fact.id}
      className={cx(
        'rounded-md border-2 px-2.5 py-1.5 text-[15px] leading-tight',
        isFor && (isCar ? 'border-car bg-car-soft' : 'border-own bg-own-soft'),
        isAgainst && (isCar ? 'border-dashed border-car bg-sheet' : 'border-dashed border-own bg-sheet'),
        !isFor && !isAgainst && 'border-transparent bg-sheet-2 text-ink-2',
      )}
    >
      {ratio === undefined ? null : (
        <span className="float-right ml-2 font-mono text-[14px] font-bold">
          <span className="sr-only">{isFor ? 'supports it' : 'counts against it'} </span>
          {weight(ratio)}
        </span>
      )}
      {fact.code ? <span className="font-mono">{fact.code} </span> : null}
      {fact.title}
      <span className="block text-[13px] text-ink-2">{fact.detail}</span>
      {isAgainst ? <span className="block text-[13px] text-ink">counts against it</span> : null}
    </li>
  );
}
