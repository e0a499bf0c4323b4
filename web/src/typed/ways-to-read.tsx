import { toolChoice, type ToolNeed } from '@pincer/core/decision';
import { useAppSelector } from '../store/store.ts';
import { useTell } from '../store/use-tell.ts';
import { SHEET } from '../ui/classes.ts';
import { duration, money } from '../ui/format.ts';

const CODES: readonly ToolNeed[] = ['codes'];

/** Ways to have it read once, the cheapest first, with what each costs in money and time. */
export function WaysToRead({ needs = CODES }: { needs?: readonly ToolNeed[] }) {
  const tell = useTell();
  const owner = useAppSelector((s) => s.settings.owner);
  const { ways } = toolChoice(new Set(needs), owner);
  return (
    <section aria-labelledby="ways-to-read" className={`${SHEET} p-4`}>
      <h3 id="ways-to-read" className="text-lg">
        Ways to have it read
      </h3>
      <p className="text-ink-2">Your own time counts at your own rate.</p>
      <ul className="mt-2 divide-y divide-line">
        {ways.map((w) => (
          <li key={w.id} className="py-2">
            <p className="flex flex-wrap items-baseline justify-between gap-x-3">
              <b>{tell(w.title)}</b>
              <span className="font-mono text-[15px]">
                {money(w.cost, owner)}
                {w.minutes > 0 ? ` with ${duration(w.minutes)} of your time` : ''}
              </span>
            </p>
            <p className="text-[15px] text-ink-2">{tell(w.about)}</p>
          </li>
        ))}
      </ul>
    </section>
  );
}
