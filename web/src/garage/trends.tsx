import { useMemo, useState } from 'react';
import { engineOf } from '@pincer/core/assess';
import { seriesOf, softwareChanges, trendsOf, type Series, type Trend } from '@pincer/core/trend';
import type { Vehicle } from '@pincer/core/vehicle';
import type { UnitChoice } from '@pincer/core/words';
import { useAppSelector } from '../store/store.ts';
import { useTell } from '../store/use-tell.ts';
import { BUTTON, SHEET } from '../ui/classes.ts';
import { counted, day } from '../ui/format.ts';
import { casesOfVehicle } from '../store/logbook-selectors.ts';
import { apartInOwnUnit, inOwnUnit } from '../ui/reading.ts';

/** How many are shown before more are asked for. */
const SHOWN = 5;

/** The readings of a vehicle over months: what moves towards its limit, and when it would be there. */
export function Trends({ vehicle }: { vehicle: Vehicle }) {
  const tell = useTell();
  const units = useAppSelector((s) => s.settings.owner.units);
  const [isAll, setAll] = useState(false);
  const own = useAppSelector((s) => casesOfVehicle(s.logbook, vehicle.id));
  const trends = useMemo(() => trendsOf(seriesOf(own, engineOf(vehicle))), [own, vehicle]);
  const changes = useMemo(() => softwareChanges(own), [own]);
  if (trends.length === 0) return null;
  const shown = isAll ? trends : trends.slice(0, SHOWN);
  return (
    <section aria-labelledby="trends" className={`${SHEET} p-4`}>
      <h2 id="trends" className="text-lg">
        Readings over time
      </h2>
      <p className="text-[15px] text-ink-2">
        From every full reading of this vehicle, in all its cases. The first one is its baseline; read again
        every few months, warm and idling, and what moves is seen before a light comes on.
      </p>
      <ul className="mt-1 divide-y divide-line">
        {shown.map((t) => (
          <li
            key={t.series.id}
            className="grid gap-x-4 gap-y-1 py-2 sm:grid-cols-[1fr_200px] sm:items-center"
          >
            <div>
              <b>{tell(t.series.title)}</b>
              <p className="text-[15px]">{trendWords(t, units)}</p>
            </div>
            <Line series={t.series} />
          </li>
        ))}
      </ul>
      {trends.length > SHOWN ? (
        <button type="button" className={BUTTON.quiet} onClick={() => setAll(!isAll)}>
          {isAll ? 'Show fewer' : `Show all ${trends.length}`}
        </button>
      ) : null}
      {changes.length > 0 ? (
        <ul className="mt-2 space-y-1 text-[15px]">
          {changes.map((c) => (
            <li key={`${c.at} ${c.unit}`}>
              <b>Software changed</b> in <span className="font-mono">{c.unit}</span> before {day(c.at)}:{' '}
              <span className="font-mono">{c.from}</span> became <span className="font-mono">{c.to}</span>.
            </li>
          ))}
        </ul>
      ) : null}
    </section>
  );
}

function trendWords({ series, kind, aYear, reaches }: Trend, units: UnitChoice): string {
  const shown = (value: number) => inOwnUnit(value, series.unit, units);
  const [first, last] = [series.points[0], series.points.at(-1)];
  const limit = series.limit ? `; limit ${shown(series.limit.value)}` : '';
  const so = `${shown(first?.value ?? 0)} at first, ${shown(last?.value ?? 0)} now${limit}.`;
  const rate = aYear === null ? '' : `${apartInOwnUnit(Math.abs(aYear), series.unit, units)} a year`;
  switch (kind) {
    case 'over':
      return `${so} It is beyond its limit now.`;
    case 'towards':
      return reaches
        ? `${so} It moves ${rate} towards its limit, and would be there about ${day(reaches.on)}: not before ${day(reaches.from)}, and ${reaches.to === null ? 'perhaps never' : `by ${day(reaches.to)}`}, as far as ${counted(series.points.length, 'reading')} can tell.`
        : `${so} It moves ${rate} towards its limit, and is years away from it.`;
    case 'away':
      return `${so} It moves away from its limit.`;
    case 'steady':
      return `${so} ${aYear === null ? 'No trend.' : `It moves ${rate}; no limit is known.`}`;
    case 'few':
      return `${so} ${counted(series.points.length, 'reading')}: too few, or too close together, for a trend.`;
  }
}

const WIDTH = 200;
const HEIGHT = 44;

/** The points with their limit; the sentence beside it says the same. */
function Line({ series: { points, limit } }: { series: Series }) {
  const values = [...points.map((p) => p.value), ...(limit ? [limit.value] : [])];
  const [low, high] = [Math.min(...values), Math.max(...values)];
  const times = points.map((p) => Date.parse(p.at));
  const [from, to] = [Math.min(...times), Math.max(...times)];
  const x = (t: number) => 6 + ((t - from) / (to - from || 1)) * (WIDTH - 12);
  const y = (v: number) => HEIGHT - 6 - ((v - low) / (high - low || 1)) * (HEIGHT - 12);
  return (
    <svg viewBox={`0 0 ${WIDTH} ${HEIGHT}`} className="h-11 w-full max-w-[200px]" aria-hidden="true">
      {limit ? (
        <line
          x1={0}
          x2={WIDTH}
          y1={y(limit.value)}
          y2={y(limit.value)}
          className="stroke-ink-2"
          strokeDasharray="4 4"
        />
      ) : null}
      <polyline
        fill="none"
        className="stroke-car"
        strokeWidth={2}
        points={points.map((p, i) => `${x(times[i] ?? 0)},${y(p.value)}`).join(' ')}
      />
      {points.map((p, i) => (
        <circle key={p.at} cx={x(times[i] ?? 0)} cy={y(p.value)} r={3} className="fill-car" />
      ))}
    </svg>
  );
}
