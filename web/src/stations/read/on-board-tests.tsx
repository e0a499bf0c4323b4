import type { OnBoardTest } from '@pincer/core/assess';
import { ownUnit, type UnitChoice } from '@pincer/core/words';
import { useTell, useWording } from '../../store/use-tell.ts';
import { SHEET } from '../../ui/classes.ts';
import { figure, percent } from '../../ui/format.ts';
import { inOwnUnit, readingName } from '../../ui/reading.ts';

const TREND = {
  better: 'further from it than before',
  worse: 'nearer to it than before',
  same: 'as before',
} as const;

/** Its limits in words, in the owner's unit: most tests have only one. */
function limits({ min, max, unit }: OnBoardTest, units: UnitChoice): string {
  const { of } = ownUnit(unit, units);
  if (min !== null && max !== null) return `${figure(of(min))}–${figure(of(max))}`;
  if (max !== null) return `up to ${figure(of(max))}`;
  return min === null ? 'none' : `from ${figure(of(min))}`;
}

/** Results of the car's own tests: value, limits, margin, trend; misfires by cylinder as lengths. */
export function OnBoardTests({
  tests,
  misfires,
}: {
  tests: readonly OnBoardTest[];
  misfires: readonly { cylinder: number; count: number }[];
}) {
  const wording = useWording();
  const tell = useTell();
  if (tests.length === 0) return null;
  const most = Math.max(1, ...misfires.map((m) => m.count));
  return (
    <section className={`${SHEET} space-y-3 p-4`} aria-labelledby="own-tests">
      <h3 id="own-tests" className="text-lg">
        {tell('The {car}’s own tests')}
      </h3>
      {misfires.length > 0 ? (
        <div>
          <p className="font-semibold">Misfires, this trip or the last</p>
          <ul className="mt-1 max-w-md space-y-1">
            {misfires.map((m) => (
              <li key={m.cylinder} className="grid grid-cols-[96px_1fr_64px] items-center gap-2 text-[15px]">
                <span>Cylinder {m.cylinder}</span>
                <span className="h-2.5 rounded-sm bg-line" aria-hidden="true">
                  <span
                    className="block h-full rounded-sm bg-car"
                    style={{ width: `${(m.count / most) * 100}%` }}
                  />
                </span>
                <span className="text-right font-mono">{m.count.toLocaleString('en-GB')}</span>
              </li>
            ))}
          </ul>
        </div>
      ) : null}
      <div className="overflow-x-auto">
        <table className="w-full text-left text-[15px]">
          <thead className="text-ink-2">
            <tr>
              <th className="font-normal">Test</th>
              <th className="pl-3 text-right font-normal">Result</th>
              <th className="pl-3 text-right font-normal">Limits</th>
              <th className="pl-3 font-normal">Room to the limit</th>
            </tr>
          </thead>
          <tbody>
            {tests.map((t) => (
              <tr key={t.id} className="border-t border-line align-top">
                <th scope="row" className="py-1 font-normal">
                  {readingName(t.name, wording)}
                </th>
                <td className="py-1 pl-3 text-right font-mono">
                  {inOwnUnit(t.value, t.unit, wording.units)}
                </td>
                <td className="py-1 pl-3 text-right font-mono">{limits(t, wording.units)}</td>
                <td className="py-1 pl-3">
                  {t.hasFailed ? <b>beyond its limit</b> : t.margin === null ? '–' : percent(t.margin)}
                  {t.trend ? <span className="text-ink-2"> · {TREND[t.trend]}</span> : null}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
    </section>
  );
}
