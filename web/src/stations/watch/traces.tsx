import { memo, useLayoutEffect, useMemo, useRef, useState } from 'react';
import {
  CartesianGrid,
  Line,
  LineChart,
  ReferenceArea,
  ReferenceLine,
  Tooltip,
  XAxis,
  YAxis,
} from 'recharts';
import type { Mark, Stat } from '@pincer/core/signals';
import { figure } from '../../ui/format.ts';
import { useWording } from '../../store/use-tell.ts';
import { ownUnit, tell, wordsIn, type Wording } from '@pincer/core/words';

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

/** How high a trace is, px: one or two have room, more stand as dense rows so that they are seen together. */
const heightOf = (count: number): number => (count <= 2 ? 128 : count <= 4 ? 76 : 52);
/** The time axis, under the last of them. */
const AXIS = 22;

/**
 * What never changes of a chart is the same object each time: the chart compares by identity, and takes apart and
 * computes anew whatever seems to be new.
 */
const MARGIN = { top: 7, right: 8, bottom: 7, left: 0 };
const TICK = { fill: 'var(--ink-2)', fontSize: 13 };
const AUTO: [string, string] = ['auto', 'auto'];
const TOOLTIP_AT = { y: 2 };
const seconds = (t: number): string => `${Math.round(t * 10) / 10} s`;
const syncByTime = (ticks: unknown, data: { activeLabel?: unknown }): number =>
  nearest(ticks as { value: unknown }[], data.activeLabel);

/** A trace with everything in the owner's units and English. */
function inOwn(trace: Trace, wording: Wording): Trace {
  const { unit, of } = ownUnit(trace.unit, wording.units);
  const name = wordsIn(tell(trace.name, wording), wording.words);
  if (unit === trace.unit) return { ...trace, name };
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
    name,
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
  const [box, width] = useWidth();
  return (
    <div ref={box} className="divide-y divide-line">
      {traces.map((trace, i) => (
        <MemoTrace
          key={trace.id}
          trace={trace}
          marks={marks}
          width={width}
          rowHeight={heightOf(traces.length)}
          isLast={i === traces.length - 1}
        />
      ))}
    </div>
  );
}

/** The width of a box as it changes, measured once for all that is in it. */
function useWidth() {
  const box = useRef<HTMLDivElement>(null);
  const [width, setWidth] = useState(640);
  useLayoutEffect(() => {
    const element = box.current;
    if (!element) return;
    const observer = new ResizeObserver(([entry]) => {
      if (entry) setWidth(Math.floor(entry.contentRect.width));
    });
    setWidth(Math.floor(element.getBoundingClientRect().width));
    observer.observe(element);
    return () => observer.disconnect();
  }, []);
  return [box, width] as const;
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
    a.width === b.width &&
    a.rowHeight === b.rowHeight &&
    a.trace.id === b.trace.id &&
    lastTime(a.trace.points) === lastTime(b.trace.points) &&
    a.trace.points.times.length === b.trace.points.times.length &&
    a.trace.points.times[0] === b.trace.points.times[0] &&
    a.trace.other === b.trace.other &&
    a.trace.band?.low === b.trace.band?.low,
);

function OneTrace({
  trace,
  marks,
  width,
  rowHeight,
  isLast,
}: {
  trace: Trace;
  marks: readonly Mark[];
  width: number;
  rowHeight: number;
  isLast: boolean;
}) {
  const wording = useWording();
  const own = useMemo(() => inOwn(trace, wording), [trace, wording]);
  const { name, unit, points, other, band, stat, rate, from, to } = own;
  const rows = useMemo(() => rowsOf(points, other), [points, other]);
  const domain = useMemo<[number, number]>(() => [from, to], [from, to]);
  const height = isLast ? rowHeight + AXIS : rowHeight;
  const isDense = rowHeight < 76;
  const last = points.values.at(-1);
  const now = last === undefined ? 'nothing yet' : `${figure(last)} ${unit}`;
  const range = stat ? `${figure(stat.min)} to ${figure(stat.max)} ${unit}, mean ${figure(stat.mean)}` : now;
  return (
    <figure
      aria-label={`${name}: ${range}${band ? `; usual ${figure(band.low)} to ${figure(band.high)}` : ''}`}
    >
      <figcaption className="flex flex-wrap items-baseline justify-between gap-x-3 text-[15px] leading-tight">
        <b>{name}</b>
        <span className="text-ink-2">
          <span className="font-mono text-[17px] font-bold text-ink">{now}</span>
          {band ? ` · usual ${figure(band.low)} to ${figure(band.high)}` : ''}
          {rate === undefined ? '' : ` · ${figure(Math.round(rate * 10) / 10)} a second`}
        </span>
      </figcaption>
      <div className="contain-content" style={{ height }}>
        <LineChart
          width={width}
          height={height}
          data={rows}
          syncId="traces"
          syncMethod={syncByTime}
          margin={MARGIN}
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
            domain={domain}
            allowDataOverflow
            hide={!isLast}
            tickFormatter={seconds}
            tick={TICK}
          />
          <YAxis width={58} domain={AUTO} tickFormatter={figure} tick={TICK} tickCount={isDense ? 2 : 3} />
          <Tooltip
            isAnimationActive={false}
            position={TOOLTIP_AT}
            content={({ active, payload, label }) =>
              active && payload.length > 0 ? (
                <AtCursor at={Number(label)} values={payload.map((p) => Number(p.value))} unit={unit} />
              ) : null
            }
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
      </div>
    </figure>
  );
}

/** A difference with its sign; none is said to be none. */
const difference = (by: number, unit: string): string =>
  Math.abs(by) < 0.005 ? 'the same' : `${by > 0 ? '+' : '−'}${figure(Math.abs(by))} ${unit}`;

/** What stands under the cursor, in one line, so that it covers no more of the trace than it must. */
function AtCursor({ at, values, unit }: { at: number; values: readonly number[]; unit: string }) {
  const [value = 0, other] = values;
  return (
    <span className="rounded border border-line bg-sheet px-1.5 py-0.5 text-[13px] whitespace-nowrap">
      <span className="font-mono">
        {figure(value)}
        {other === undefined ? '' : ` and ${figure(other)}`} {unit}
      </span>{' '}
      at {figure(at)} s
    </span>
  );
}

/** What the span in view holds, in numbers. */
export function SpanTable({ traces, hasOther }: { traces: readonly Trace[]; hasOther: boolean }) {
  const wording = useWording();
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
            {hasOther ? <th className="pl-3 text-right font-normal">mean against the other</th> : null}
          </tr>
        </thead>
        <tbody>
          {traces
            .map((t) => inOwn(t, wording))
            .flatMap(({ id, name, unit, stat, otherStat }) =>
              [
                { key: id, title: name, s: stat, against: otherStat ?? null },
                ...(hasOther
                  ? [{ key: `${id}-other`, title: `${name}, the other`, s: otherStat ?? null, against: null }]
                  : []),
              ].map(({ key, title, s, against }) => (
                <tr key={key} className="border-t border-line">
                  <th scope="row" className="py-1 font-normal">
                    {title}
                  </th>
                  <td className={cell}>{s ? figure(s.min) : '–'}</td>
                  <td className={cell}>{s ? `${figure(s.mean)} ${unit}` : '–'}</td>
                  <td className={cell}>{s ? figure(s.max) : '–'}</td>
                  <td className={cell}>{s ? figure(Math.round(s.swings * 10) / 10) : '–'}</td>
                  {hasOther ? (
                    <td className={cell}>{s && against ? difference(s.mean - against.mean, unit) : ''}</td>
                  ) : null}
                </tr>
              )),
            )}
        </tbody>
      </table>
    </div>
  );
}
