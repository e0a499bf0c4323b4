import { useState } from 'react';
import type { Assessment, CauseView, RefutedView } from '@pincer/core/assess';
import { BUTTON, cx } from '../../ui/classes.ts';
import { counted, percent } from '../../ui/format.ts';

/** How many causes stand in the middle before the rest is asked for. */
const SHOWN = 6;
/** From here on it shows that the chances add up to more than one. */
const MORE_THAN_ONE = 1.03;

/** The causes: width is the chance, slate and clay the shares of car and owner in what speaks for each. */
export function Causes({
  causes,
  none,
  hasCodes,
  quiet,
  refuted,
  selected,
  onSelect,
}: {
  causes: readonly CauseView[];
  none: number;
  /** Whether there are codes to be explained. */
  hasCodes: boolean;
  /** Where nothing fails now: the chance that nothing is wrong any more. */
  quiet: Assessment['quiet'];
  refuted: readonly RefutedView[];
  selected: string | undefined;
  onSelect: (id: string) => void;
}) {
  const [isAll, setAll] = useState(false);
  if (causes.length === 0)
    return quiet ? (
      <section aria-label={quiet.title} className="grid h-full content-center gap-2 text-center">
        <h3 className="text-2xl">{quiet.title}</h3>
        <p className="text-ink-2">{quiet.because}</p>
        <p className="font-semibold">
          Nothing is wrong <span className="font-mono text-[14px]">{percent(quiet.chance)}</span>
        </p>
      </section>
    ) : null;
  const shown = isAll ? causes : causes.slice(0, SHOWN);
  const widest = causes[0]?.probability ?? 1;
  return (
    <section aria-label="What it can be" className="flex h-full flex-col">
      <h3 className="mt-1 text-center text-[18px]">What it can be</h3>
      <p className="mb-2 hidden text-center text-[14px] text-ink-2 sm:block">
        The bar’s width is the chance. Tap a cause to see its evidence: ×2 makes it twice as likely.
      </p>
      <ul>
        {shown.map((c) => {
          const isHeld = c.id === selected;
          // Scaled so that the leader keeps within its frame; all bars share the scale.
          const width = Math.max(1.2, (c.probability / Math.max(widest, 0.5)) * 92);
          return (
            <li key={c.id}>
              <button
                type="button"
                aria-pressed={isHeld}
                data-cause={c.id}
                onClick={() => onSelect(c.id)}
                className={cx(
                  'mb-1 block w-full rounded-md border-2 px-2 pb-2 pt-1.5 text-center',
                  isHeld ? 'border-ink bg-sheet' : 'border-transparent hover:border-line',
                )}
              >
                <span className={cx('font-semibold leading-tight', isHeld ? 'text-[18px]' : 'text-[16px]')}>
                  {c.title}{' '}
                  <span className="whitespace-nowrap font-mono text-[14px] font-normal text-ink-2">
                    {percent(c.probability)}
                  </span>
                </span>
                {isHeld ? (
                  <span className="block text-[14px] text-ink-2">
                    {c.accountsFor.length > 0
                      ? `explains ${c.accountsFor.join(', ')}`
                      : hasCodes
                        ? 'explains none of the codes'
                        : null}
                    {c.before ? <span className="block">{c.before}</span> : null}
                  </span>
                ) : null}
                <span
                  aria-hidden="true"
                  className={cx('mx-auto mt-1 flex overflow-hidden rounded-[2px]', isHeld ? 'h-4' : 'h-2.5')}
                  style={{ width: `${width}%` }}
                >
                  <span className="h-full bg-car" style={{ width: `${c.carShare * 100}%` }} />
                  <span className="h-full flex-1 bg-own" />
                </span>
              </button>
            </li>
          );
        })}
      </ul>
      {causes.length > SHOWN ? (
        <button
          type="button"
          className={`${BUTTON.quiet} self-center text-[15px]`}
          onClick={() => setAll(!isAll)}
        >
          {isAll
            ? 'Fewer'
            : `${causes.length - SHOWN} more, each below ${percent(causes[SHOWN - 1]?.probability ?? 0)}`}
        </button>
      ) : null}
      {refuted.length > 0 ? (
        <details className="mt-1">
          <summary className="flex min-h-11 items-center justify-center text-[15px] font-semibold">
            {counted(refuted.length, 'cause')} ruled out
          </summary>
          <ul className="text-[15px]">
            {refuted.map((r) => (
              <li key={r.id} className="py-0.5">
                {r.title}
                <span className="text-ink-2">, by: {r.by.toLowerCase()}</span>
              </li>
            ))}
          </ul>
        </details>
      ) : null}
      {causes.reduce((sum, c) => sum + c.probability, 0) + none > MORE_THAN_ONE ? (
        <p className="pt-1 text-center text-[14px] text-ink-2">
          They add up to more than 100 %, because two of them may be there at once.
        </p>
      ) : null}
      {quiet === null ? null : (
        <p className="mt-auto pt-1 text-center font-semibold">
          Nothing is wrong any more <span className="font-mono text-[14px]">{percent(quiet.chance)}</span>
        </p>
      )}
      <p className={cx('pt-1 text-center text-ink-2', quiet === null && 'mt-auto')}>
        None of these <span className="font-mono text-[14px]">{percent(none)}</span>
      </p>
    </section>
  );
}
