import type { Judgement } from '@pincer/core/signals';
import type { BeforeAfterRow } from '@pincer/core/assess';
import { useTell } from '../../store/use-tell.ts';
import { SHEET, cx } from '../../ui/classes.ts';
import { useCase } from '../case-context.ts';

const NOW: Readonly<Record<Judgement['verdict'], string>> = {
  sound: 'as it should be',
  borderline: 'borderline: neither normal nor clearly wrong',
  odd: 'still out of order',
  impossible: 'still out of order',
  'not-judged': 'not judged',
};

/** The readings that were odd, then and now, in one picture with its words beside it. */
export function BeforeAfter() {
  const tell = useTell();
  const rows = useCase().assessment.beforeAfter;
  if (rows.length === 0) return null;
  return (
    <section aria-labelledby="before-after" className={`${SHEET} p-4`}>
      <h3 id="before-after" className="text-lg">
        Before and after
      </h3>
      <p className="text-ink-2">
        {tell(
          'What was out of order before the last repair or clear. The {grey} band is what is expected; the ring is before, the square is now.',
        )}
      </p>
      <ul className="mt-2 divide-y divide-line">
        {rows.map((r) => (
          <li key={r.rule} className="grid gap-x-4 gap-y-1 py-2.5 md:grid-cols-[1fr_240px] md:items-center">
            <div>
              <b>{r.title}</b>
              <p className="text-[15px]">
                Before: <span className="font-mono">{r.before.measured}</span>. Now:{' '}
                {r.now ? (
                  <>
                    <span className="font-mono">{r.now.measured}</span>, {NOW[r.now.verdict]}.
                  </>
                ) : (
                  'not measured again.'
                )}{' '}
                <span className="text-ink-2">Expected: {r.expected}.</span>
              </p>
            </div>
            <Scale row={r} />
          </li>
        ))}
      </ul>
    </section>
  );
}

/** Where the figure lay and lies against its limits. The words beside it say the same. */
function Scale({ row: { before, now } }: { row: BeforeAfterRow }) {
  const scale = before.scale ?? now?.scale;
  if (!scale) return null;
  const values = [before.scale?.value, now?.scale?.value, scale.low, scale.high].filter(
    (v) => v !== undefined,
  );
  const [least, most] = [Math.min(...values), Math.max(...values)];
  const room = (most - least || 1) * 0.08;
  const share = (v: number) => ((v - least + room) / (most - least + 2 * room)) * 100;
  return (
    <div aria-hidden="true" className="relative h-7 rounded-[2px] border border-line bg-sheet">
      <div
        className="absolute inset-y-0 bg-line"
        style={{ left: `${share(scale.low)}%`, width: `${share(scale.high) - share(scale.low)}%` }}
      />
      {before.scale ? <Mark at={share(before.scale.value)} isRing /> : null}
      {now?.scale ? <Mark at={share(now.scale.value)} /> : null}
    </div>
  );
}

function Mark({ at, isRing = false }: { at: number; isRing?: boolean }) {
  return (
    <span
      className={cx(
        'absolute top-1/2 size-4 -translate-x-1/2 -translate-y-1/2',
        isRing ? 'rounded-full border-[3px] border-ink bg-sheet' : 'rounded-[2px] bg-ink',
      )}
      style={{ left: `${at}%` }}
    />
  );
}
