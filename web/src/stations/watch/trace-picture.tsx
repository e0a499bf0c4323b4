import { memo, useMemo } from 'react';
import { scaleLinear } from 'd3-scale';
import { line } from 'd3-shape';
import type { Mark } from '@pincer/core/signals';
import { figure } from '../../ui/format.ts';

/** Samples in the order of time: seconds, and values in the unit that is shown. */
export interface Points {
  times: readonly number[];
  values: readonly number[];
}

/** The scale of values, left of a trace, px. */
export const SCALE = 58;
/** The time axis, under the last of several traces, px. */
export const AXIS = 22;
const EDGE = { top: 7, right: 8, bottom: 7 };
/** Room for a moment at the time axis, px. */
const MOMENT = 90;

/** Where a moment stands in a picture of a width, px from its left; and the moment that stands there. */
export function timeScale(from: number, to: number, width: number) {
  return scaleLinear([from, to], [SCALE, Math.max(SCALE + 1, width - EDGE.right)]);
}

/** The least and the greatest of all lists; a line that never moves lies in the middle. */
function span(lists: readonly (readonly number[])[]): [number, number] {
  let low = Infinity;
  let high = -Infinity;
  for (const list of lists)
    for (const value of list) {
      if (value < low) low = value;
      if (value > high) high = value;
    }
  if (low > high) return [0, 1];
  const room = low === high ? Math.max(1, Math.abs(low) * 0.1) : 0;
  return [low - room, high + room];
}

const rounded = (x: number): number => Math.round(x * 10) / 10;

/**
 * One reading over time. Drawn by itself and not by the chart package: while a recording runs, a dozen of these change
 * several times a second, and an old phone has to keep up with the adapter beside it.
 */
export const TracePicture = memo(function TracePicture({
  points,
  other,
  band,
  marks,
  from,
  to,
  width,
  height,
  hasAxis,
}: {
  points: Points;
  /** The same reading of another recording, drawn behind. */
  other?: Points | undefined;
  /** What is usual. */
  band: { low: number; high: number } | null;
  marks: readonly Mark[];
  /** The span in view, s. */
  from: number;
  to: number;
  width: number;
  /** Without the time axis, px. */
  height: number;
  hasAxis: boolean;
}) {
  const drawn = useMemo(() => {
    const x = timeScale(from, to, width);
    const y = scaleLinear(span([points.values, other?.values ?? []]), [height - EDGE.bottom, EDGE.top]).nice(
      height < 76 ? 2 : 3,
    );
    const path = (p: Points): string =>
      line<number>(
        (t) => rounded(x(t) - SCALE),
        (_, i) => rounded(y(p.values[i] ?? 0)),
      )(p.times) ?? '';
    return { x, y, path: path(points), behind: other ? path(other) : null };
  }, [points, other, from, to, width, height]);
  const { x, y } = drawn;
  const inside = Math.max(1, width - SCALE - EDGE.right);
  const bottom = height - EDGE.bottom;
  const [lowest = 0, highest = 1] = y.domain();
  const ticks = height < 76 ? [lowest, highest] : y.ticks(3);
  // As many digits as tell one end from the other: a voltage may stay within a twentieth of a volt.
  const told = y.tickFormat(height < 76 ? 2 : 3);
  return (
    <svg width={width} height={hasAxis ? height + AXIS : height} aria-hidden="true" className="block">
      <g className="fill-ink-2 text-[13px]" stroke="none">
        {ticks.map((tick) => (
          <text key={tick} x={SCALE - 6} y={y(tick)} dy="0.32em" textAnchor="end">
            {told(tick)}
          </text>
        ))}
        {hasAxis
          ? x.ticks(Math.max(2, Math.floor(inside / MOMENT))).map((t) => (
              <text key={t} x={x(t)} y={height + AXIS - 7} textAnchor="middle">
                {figure(t)} s
              </text>
            ))
          : null}
      </g>
      {/* What lies outside the span in view is cut off here. */}
      <svg
        x={SCALE}
        y={0}
        width={inside}
        height={height}
        overflow="hidden"
        fill="none"
        strokeLinejoin="round"
      >
        {band ? (
          <rect
            x={0}
            width={inside}
            y={Math.max(EDGE.top, y(Math.min(band.high, highest)))}
            height={Math.max(0, y(Math.max(band.low, lowest)) - y(Math.min(band.high, highest)))}
            fill="var(--line)"
            fillOpacity={0.6}
          />
        ) : null}
        {ticks.map((tick) => (
          <path key={tick} d={`M0 ${y(tick)}H${inside}`} stroke="var(--line)" />
        ))}
        <path d={`M0.5 ${EDGE.top}V${bottom}`} stroke="var(--ink-2)" />
        {marks.map((m) => (
          <path
            key={`${m.at}${m.text}`}
            d={`M${rounded(x(m.at) - SCALE)} ${EDGE.top}V${bottom}`}
            stroke="var(--own)"
            strokeDasharray="4 3"
          />
        ))}
        {drawn.behind === null ? null : (
          <path d={drawn.behind} stroke="var(--own)" strokeWidth={2} strokeDasharray="6 4" />
        )}
        <path d={drawn.path} stroke="var(--car)" strokeWidth={2} />
      </svg>
    </svg>
  );
});
