import {
  memo,
  useDeferredValue,
  useLayoutEffect,
  useMemo,
  useRef,
  useState,
  type KeyboardEvent,
  type PointerEvent,
} from 'react';
import { indexAt, type Mark, type Stat } from '@pincer/core/signals';
import { figure } from '../../ui/format.ts';
import { useWording } from '../../store/use-tell.ts';
import { ownUnit, tell, wordsIn, type Wording } from '@pincer/core/words';
import { AXIS, SCALE, TracePicture, timeScale, type Points } from './trace-picture.tsx';

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

/** How high a trace is, px: one or two have room, more stand as dense rows so that they are seen together. */
const heightOf = (count: number): number => (count <= 2 ? 128 : count <= 4 ? 76 : 52);
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

/** How far a key moves the cursor, as a part of the span in view. */
const KEY_STEP = 1 / 60;

const NONE: readonly Trace[] = [];

/**
 * Several readings under each other, in step: one time, one cursor, by pointer or by the arrow keys. They are drawn as the
 * page finds time: what is touched meanwhile is answered first.
 */
export function Traces({ traces: target, marks }: { traces: readonly Trace[]; marks: readonly Mark[] }) {
  const traces = useDeferredValue(target, NONE);
  const wording = useWording();
  const [spoken, setSpoken] = useState('');
  const [box, width] = useWidth();
  const [at, setAt] = useState<number | null>(null);
  const { from, to } = traces[0] ?? { from: 0, to: 1 };
  const point = (e: PointerEvent<HTMLDivElement>) => {
    const x = e.clientX - e.currentTarget.getBoundingClientRect().left;
    setAt(x < SCALE ? null : timeScale(from, to, width).invert(x));
  };
  const key = (e: KeyboardEvent) => {
    const by = { ArrowLeft: -KEY_STEP, ArrowRight: KEY_STEP }[e.key];
    if (e.key === 'Escape') setAt(null);
    if (by === undefined) return;
    e.preventDefault();
    const next = Math.min(to, Math.max(from, (at ?? (from + to) / 2) + by * (to - from)));
    setAt(next);
    const values = traces.flatMap((trace) => {
      const { name, unit, points } = inOwn(trace, wording);
      const here = nearest(points, next);
      return here ? [`${name} ${figure(here.value)} ${unit}`] : [];
    });
    setSpoken(`At ${figure(next)} s: ${values.join('; ')}`);
  };
  const cursor = at === null || at < from || at > to ? null : at;
  return (
    // A group that is looked through with the arrow keys, as a chart is.
    <div
      ref={box}
      role="group"
      aria-label="Traces. The arrow keys move the cursor."
      tabIndex={0}
      className="divide-y divide-line"
      onPointerMove={point}
      onPointerDown={point}
      onPointerLeave={() => setAt(null)}
      onKeyDown={key}
    >
      {traces.map((trace, i) => (
        <MemoTrace
          key={trace.id}
          trace={trace}
          marks={marks}
          width={width}
          rowHeight={heightOf(traces.length)}
          isLast={i === traces.length - 1}
          at={cursor}
        />
      ))}
      <p role="status" className="sr-only">
        {spoken}
      </p>
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
    a.at === b.at &&
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
  at,
}: {
  trace: Trace;
  marks: readonly Mark[];
  width: number;
  rowHeight: number;
  isLast: boolean;
  /** Where the cursor stands, s. */
  at: number | null;
}) {
  const wording = useWording();
  const own = useMemo(() => inOwn(trace, wording), [trace, wording]);
  const { name, unit, points, other, band, stat, rate, from, to } = own;
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
      <div className="relative contain-content" style={{ height: isLast ? rowHeight + AXIS : rowHeight }}>
        <TracePicture
          points={points}
          other={other}
          band={band}
          marks={marks}
          from={from}
          to={to}
          width={width}
          height={rowHeight}
          hasAxis={isLast}
        />
        {at === null ? null : (
          <AtCursor at={at} x={timeScale(from, to, width)(at)} width={width} own={own} height={rowHeight} />
        )}
      </div>
    </figure>
  );
}

/** The sample that is nearest in time; null where there is none. */
function nearest({ times, values }: Points, at: number): { t: number; value: number } | null {
  const before = Math.max(0, indexAt(times, at));
  const after = Math.min(times.length - 1, before + 1);
  const gap = (i: number) => Math.abs((times[i] ?? Infinity) - at);
  const i = gap(after) < gap(before) ? after : before;
  const [t, value] = [times[i], values[i]];
  return t === undefined || value === undefined ? null : { t, value };
}

/** A difference with its sign; none is said to be none. */
const difference = (by: number, unit: string): string =>
  Math.abs(by) < 0.005 ? 'the same' : `${by > 0 ? '+' : '−'}${figure(Math.abs(by))} ${unit}`;

/** What stands under the cursor, in one line beside it, so that it covers no more of the trace than it must. */
function AtCursor({
  at,
  x,
  width,
  height,
  own: { points, other, unit },
}: {
  at: number;
  x: number;
  width: number;
  height: number;
  own: Trace;
}) {
  const here = nearest(points, at);
  const there = other ? nearest(other, at) : null;
  if (!here) return null;
  const isLeft = x > width / 2;
  return (
    <>
      <span className="absolute top-0 border-l border-ink" style={{ left: x, height }} aria-hidden="true" />
      <span
        className="absolute top-0.5 rounded border border-line bg-sheet px-1.5 text-[13px] whitespace-nowrap"
        style={isLeft ? { right: width - x + 5 } : { left: x + 5 }}
      >
        <span className="font-mono">
          {figure(here.value)}
          {there ? ` and ${figure(there.value)}` : ''} {unit}
        </span>{' '}
        at {figure(here.t)} s
      </span>
    </>
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
