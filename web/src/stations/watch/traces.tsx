import { memo } from 'react';
import {
  CartesianGrid,
  Line,
  LineChart,
  ReferenceArea,
  ReferenceLine,
  ResponsiveContainer,
  Tooltip,
  XAxis,
  YAxis,
} from 'recharts';
import type { Mark, Stat } from '@pincer/core/signals';
import { figure } from '../../ui/format.ts';
import { ownUnit, useUnits, type Units } from '../../ui/own-units.ts';

export interface Points {
  times: readonly number[];
  values: readonly number[];
}

export interface Trace {
  id: string;
  name: string;
  unit: string;
  points: Points;
  /** The span in view, s. */
  from: number;
  to: number;
  /** The same reading of another recording, drawn behind. */
  other?: Points | undefined;
  /** What is usual in the state that it is in. */
  band: { low: number; high: number } | null;
  stat: Stat | null;
  otherStat?: Stat | null;
  /** Values a second that arrive; only while it runs. */
  rate?: number;
}

interface Row {
  t: number;
  v?: number;
  w?: number;
}

/** Both lists in one, in the order of time, as the chart wants them. */
function rowsOf(points: Points, other: Points | undefined): Row[] {
  const rows: Row[] = points.times.map((t, i) => ({ t, v: points.values[i] ?? 0 }));
  if (!other) return rows;
  return [...rows, ...other.times.map((t, i) => ({ t, w: other.values[i] ?? 0 }))].sort((a, b) => a.t - b.t);
}

/** The sample of another trace that is nearest in time to where the cursor stands in this one. */
function nearest(ticks: readonly { value: unknown }[], at: unknown): number {
  let best = 0;
  ticks.forEach((tick, i) => {
    const gap = (x: unknown) => Math.abs(Number(x) - Number(at));
    if (gap(tick.value) < gap(ticks[best]?.value)) best = i;
  });
  return best;
}

const HEIGHT = 128;

/** A trace with everything in the owner's units. */
function inOwn(trace: Trace, units: Units): Trace {
  const { unit, of } = ownUnit(trace.unit, units);
  if (unit === trace.unit) return trace;
  const points = (p: Points): Points => ({ times: p.times, values: p.values.map(of) });
  const stat = (s: Stat): Stat => ({
    ...s,
    mean: of(s.mean),
    min: of(s.min),
    max: of(s.max),
    first: of(s.first),
    last: of(s.last),
  });
  return {
    ...trace,
    unit,
    points: points(trace.points),
    other: trace.other && points(trace.other),
    band: trace.band && { low: of(trace.band.low), high: of(trace.band.high) },
    stat: trace.stat && stat(trace.stat),
    otherStat: trace.otherStat ? stat(trace.otherStat) : null,
  };
}

/** Several readings under each other, in step: one time, one cursor. */
export function Traces({ traces, marks }: { traces: readonly Trace[]; marks: readonly Mark[] }) {
  return (
    <div className="space-y-1">
      {traces.map((trace, i) => (
        <MemoTrace key={trace.id} trace={trace} marks={marks} isLast={i === traces.length - 1} />
      ))}
    </div>
  );
}

const lastTime = (points: Points | undefined): number => points?.times.at(-1) ?? -1;

/** Draws anew only what has changed: most readings come seldom. */
const MemoTrace = memo(
  OneTrace,
  (a, b) =>
    a.trace.from === b.trace.from &&
    a.trace.to === b.trace.to &&
    a.marks.length === b.marks.length &&
    a.isLast === b.isLast &&
    a.trace.id === b.trace.id &&
    lastTime(a.trace.points) === lastTime(b.trace.points) &&
    a.trace.points.times.length === b.trace.points.times.length &&
    a.trace.points.times[0] === b.trace.points.times[0] &&
    a.trace.other === b.trace.other &&
    a.trace.band?.low === b.trace.band?.low,
);

function OneTrace({ trace, marks, isLast }: { trace: Trace; marks: readonly Mark[]; isLast: boolean }) {
  const { name, unit, points, other, band, stat, rate, from, to } = inOwn(trace, useUnits());
  const last = points.values.at(-1);
  const now = last === undefined ? 'nothing yet' : `${figure(last)} ${unit}`;
  const range = stat ? `${figure(stat.min)} to ${figure(stat.max)} ${unit}, mean ${figure(stat.mean)}` : now;
  return (
    <figure
      aria-label={`${name}: ${range}${band ? `; usual ${figure(band.low)} to ${figure(band.high)}` : ''}`}
    >
      <figcaption className="flex flex-wrap items-baseline justify-between gap-x-3 text-[15px]">
        <b>{name}</b>
        <span className="text-ink-2">
          <span className="font-mono text-[17px] font-bold text-ink">{now}</span>
          {band ? ` · usual ${figure(band.low)} to ${figure(band.high)}` : ''}
          {rate === undefined ? '' : ` · ${figure(Math.round(rate * 10) / 10)} a second`}
        </span>
      </figcaption>
      <div style={{ height: isLast ? HEIGHT + 22 : HEIGHT }}>
        <ResponsiveContainer width="100%" height="100%" initialDimension={{ width: 640, height: HEIGHT }}>
          <LineChart
            data={rowsOf(points, other)}
            syncId="traces"
            syncMethod={(ticks, data) => nearest(ticks as unknown as { value: unknown }[], data.activeLabel)}
            margin={{ top: 6, right: 8, bottom: 0, left: 0 }}
          >
            <CartesianGrid stroke="var(--line)" vertical={false} />
            {band ? (
              <ReferenceArea
                y1={band.low}
                y2={band.high}
                fill="var(--line)"
                fillOpacity={0.6}
                ifOverflow="hidden"
              />
            ) : null}
            <XAxis
              dataKey="t"
              type="number"
              domain={[from, to]}
              allowDataOverflow
              hide={!isLast}
              tickFormatter={(t: number) => `${Math.round(t * 10) / 10} s`}
              tick={{ fill: 'var(--ink-2)', fontSize: 13 }}
            />
            <YAxis
              width={58}
              domain={['auto', 'auto']}
              tickFormatter={(v: number) => figure(v)}
              tick={{ fill: 'var(--ink-2)', fontSize: 13 }}
              tickCount={3}
            />
            <Tooltip
              isAnimationActive={false}
              labelFormatter={(t) => `${figure(Number(t))} s`}
              formatter={(v, key) => [`${figure(Number(v))} ${unit}`, key === 'w' ? 'the other' : name]}
              contentStyle={{
                background: 'var(--sheet)',
                border: '1px solid var(--line)',
                color: 'var(--ink)',
              }}
            />
            {marks.map((m) => (
              <ReferenceLine key={`${m.at}${m.text}`} x={m.at} stroke="var(--own)" strokeDasharray="4 3" />
            ))}
            {other ? (
              <Line
                dataKey="w"
                stroke="var(--own)"
                strokeWidth={2}
                strokeDasharray="6 4"
                dot={false}
                connectNulls
                isAnimationActive={false}
              />
            ) : null}
            <Line
              dataKey="v"
              stroke="var(--car)"
              strokeWidth={2}
              dot={false}
              connectNulls
              isAnimationActive={false}
            />
          </LineChart>
        </ResponsiveContainer>
      </div>
    </figure>
  );
}

/** What the span in view holds, in numbers. */
export function SpanTable({ traces, hasOther }: { traces: readonly Trace[]; hasOther: boolean }) {
  const units = useUnits();
  const cell = 'py-1 pl-3 text-right font-mono';
  return (
    <div className="overflow-x-auto">
      <table className="w-full text-left text-[15px]">
        <caption className="text-left text-ink-2">
          The span in view{hasOther ? ', and the other recording’s' : ''}
        </caption>
        <thead className="text-ink-2">
          <tr>
            <th className="font-normal">Reading</th>
            <th className="pl-3 text-right font-normal">lowest</th>
            <th className="pl-3 text-right font-normal">mean</th>
            <th className="pl-3 text-right font-normal">highest</th>
            <th className="pl-3 text-right font-normal">swings / 10 s</th>
          </tr>
        </thead>
        <tbody>
          {traces
            .map((t) => inOwn(t, units))
            .flatMap(({ id, name, unit, stat, otherStat }) =>
              [
                { key: id, title: name, s: stat },
                ...(hasOther
                  ? [{ key: `${id}-other`, title: `${name}, the other`, s: otherStat ?? null }]
                  : []),
              ].map(({ key, title, s }) => (
                <tr key={key} className="border-t border-line">
                  <th scope="row" className="py-1 font-normal">
                    {title}
                  </th>
                  <td className={cell}>{s ? figure(s.min) : '–'}</td>
                  <td className={cell}>{s ? `${figure(s.mean)} ${unit}` : '–'}</td>
                  <td className={cell}>{s ? figure(s.max) : '–'}</td>
                  <td className={cell}>{s ? figure(Math.round(s.swings * 10) / 10) : '–'}</td>
                </tr>
              )),
            )}
        </tbody>
      </table>
    </div>
  );
}
