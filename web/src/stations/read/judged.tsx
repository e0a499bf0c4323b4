import { Link } from 'react-router';
import type { Scan } from '@pincer/core/obd';
import type { Judgement } from '@pincer/core/signals';
import { BUTTON, SHEET, TAG } from '../../ui/classes.ts';
import { useCase } from '../case-context.ts';
import { AllReadings } from './all-readings.tsx';

/** What the rules say of the readings: what is odd first, with its arithmetic; the rest can be opened. */
export function Judged({ reading, judgements }: { reading: Scan; judgements: readonly Judgement[] }) {
  const { vehicle } = useCase();
  const odd = judgements.filter((j) => j.verdict === 'odd' || j.verdict === 'impossible');
  const borderline = judgements.filter((j) => j.verdict === 'borderline');
  const sound = judgements.filter((j) => j.verdict === 'sound');
  const open = judgements.filter((j) => j.verdict === 'not-judged');
  return (
    <section aria-labelledby="judged" className={`${SHEET} p-4`}>
      <div className="flex flex-wrap items-center justify-between gap-2">
        <h3 id="judged" className="text-lg">
          Do the readings make sense?
        </h3>
        <Link className={BUTTON.plain} to="../watch">
          Watch and record them
        </Link>
      </div>
      {odd.length === 0 ? (
        <p className="mt-1">
          {sound.length + borderline.length === 0
            ? 'None could be checked yet.'
            : 'Nothing unusual in what could be checked so far. A fault may still show under other conditions.'}
        </p>
      ) : (
        <ul className="mt-1">
          {odd.map((j) => (
            <li key={j.rule} className="border-t border-line py-2">
              <div className="flex flex-wrap items-baseline justify-between gap-x-3">
                <b>{j.title}: no</b>
                <span className={TAG}>{j.verdict}</span>
              </div>
              <p className="font-mono text-[15px]">{j.measured}</p>
              <p className="text-[15px] text-ink-2">
                Expected: {j.expected}. {j.source}.
              </p>
            </li>
          ))}
        </ul>
      )}
      {borderline.length > 0 ? (
        <div className="mt-2 border-t border-line pt-2">
          <p className="font-semibold">
            Borderline: neither normal nor clearly wrong. Measure them again later.
          </p>
          <ul className="list-disc pl-5">
            {borderline.map((j) => (
              <li key={j.rule}>
                {j.title}: <span className="font-mono text-[15px]">{j.measured}</span>{' '}
                <span className="text-[15px] text-ink-2">Expected: {j.expected}.</span>
              </li>
            ))}
          </ul>
        </div>
      ) : null}
      {sound.length > 0 ? (
        <details className="mt-1">
          <summary className="flex min-h-11 items-center font-semibold">
            {sound.length} normal, with their figures
          </summary>
          <table className="w-full text-left text-[15px]">
            <thead className="text-ink-2">
              <tr>
                <th className="font-normal">Rule</th>
                <th className="font-normal">Measured</th>
                <th className="hidden font-normal sm:table-cell">Expected</th>
              </tr>
            </thead>
            <tbody>
              {sound.map((j) => (
                <tr key={j.rule} className="border-t border-line align-top">
                  <td className="py-1 pr-3">{j.title}</td>
                  <td className="py-1 pr-3 font-mono">{j.measured}</td>
                  <td className="hidden py-1 sm:table-cell">{j.expected}</td>
                </tr>
              ))}
            </tbody>
          </table>
        </details>
      ) : null}
      {open.length > 0 ? (
        <details className="mt-1">
          <summary className="flex min-h-11 items-center font-semibold">
            {open.length} not checked under these conditions, and what to do
          </summary>
          <ul className="list-disc space-y-1 pl-5">
            {open.map((j) => (
              <li key={j.rule}>
                {j.title}: {j.toJudge}
              </li>
            ))}
          </ul>
        </details>
      ) : null}
      <AllReadings reading={reading} vehicle={vehicle} />
    </section>
  );
}
