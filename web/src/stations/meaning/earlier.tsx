import { useMemo } from 'react';
import { Link } from 'react-router';
import { earlierCases } from '@pincer/core/assess';
import type { CaseRecord } from '@pincer/core/case';
import { useTell } from '../../store/use-tell.ts';
import { SHEET } from '../../ui/classes.ts';
import { day } from '../../ui/format.ts';
import { useCase } from '../case-context.ts';

/** Other cases of this vehicle in which one of the codes was seen, and what it was then. */
export function Earlier({ others }: { others: readonly CaseRecord[] }) {
  const { assessment } = useCase();
  const tell = useTell();
  const earlier = useMemo(
    () =>
      earlierCases(
        assessment.codes.map((c) => c.code),
        others,
      ),
    [others, assessment.codes],
  );
  if (earlier.length === 0) return null;
  return (
    <section aria-labelledby="earlier" className={`${SHEET} p-4`}>
      <h3 id="earlier" className="text-lg">
        Seen before on this vehicle
      </h3>
      <ul className="mt-1 space-y-1">
        {earlier.map((e) => (
          <li key={e.case}>
            <span className="font-mono">{e.codes.join(', ')}</span> in{' '}
            <Link to={`/case/${e.case}/meaning`} className="font-semibold underline underline-offset-4">
              {e.title}
            </Link>
            , {e.closedAt ? `closed ${day(e.closedAt)}` : 'still open'}
            {e.what.length > 0 ? `: ${e.what.map((w) => tell(w)).join(', ')}` : ''}.
          </li>
        ))}
      </ul>
    </section>
  );
}
