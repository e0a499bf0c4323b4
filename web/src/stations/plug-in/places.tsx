import { useState } from 'react';
import {
  socketPlaces,
  wheelSideOf,
  type SocketPlace,
  type Vehicle,
  type WheelSide,
} from '@pincer/core/vehicle';
import { useTell } from '../../store/use-tell.ts';
import { Segments } from '../../ui/segments.tsx';

const WHEELS: readonly { id: WheelSide; title: string }[] = [
  { id: 'left', title: 'Wheel on the left' },
  { id: 'right', title: 'Wheel on the right' },
];

const LINE = { fill: 'none', stroke: 'var(--ink-2)', strokeWidth: 2, strokeLinejoin: 'round' } as const;

/** The sixteen-pin socket, seen from the front; drawn around the point (0, 0). */
function Socket({ x, y, turn = 0 }: { x: number; y: number; turn?: number }) {
  return (
    <g transform={`translate(${x} ${y}) rotate(${turn})`}>
      <path
        d="M-15-7h30l-4 14h-22z"
        fill="var(--ink)"
        stroke="var(--ink)"
        strokeWidth="2"
        strokeLinejoin="round"
      />
      <path d="M-10-2.5h20M-8 2.5h16" stroke="var(--sheet)" strokeWidth="2" strokeDasharray="1.6 1.4" />
    </g>
  );
}

/** What surrounds the socket in each place, with the wheel on the left. */
const CLOSE_UPS: Readonly<Record<SocketPlace['at'], React.ReactNode>> = {
  'under-column': (
    <>
      <path {...LINE} d="M0 30q44-10 104 2v8q-58-12-104-2z" fill="var(--sheet)" />
      <path {...LINE} d="M16 0q4 22 34 22T86 0M50 22v12" strokeWidth="3" />
      <path {...LINE} d="M22 72h16v-12H22zM58 72h14v-12H58z" fill="var(--sheet)" />
      <Socket x={52} y={47} />
    </>
  ),
  'beside-column': (
    <>
      <path {...LINE} d="M0 12q44-8 104 2v46H0z" fill="var(--sheet)" />
      <path {...LINE} d="M66 0q2 30 38 34" strokeWidth="4" />
      <path {...LINE} d="M12 24h40v26H12z" strokeDasharray="4 3" />
      <path {...LINE} d="M12 50l6 16h40l-6-16" fill="var(--sheet-2)" />
      <Socket x={32} y={38} />
    </>
  ),
  console: (
    <>
      <path {...LINE} d="M56 0q-4 40-12 76h60V0z" fill="var(--sheet)" />
      <path {...LINE} d="M0 66q26-2 47 0M68 14h28v18H68z" />
      <path {...LINE} d="M8 66v-18h14v18" fill="var(--sheet)" />
      <Socket x={58} y={46} turn={-78} />
    </>
  ),
  ashtray: (
    <>
      <path {...LINE} d="M10 76l8-56h68l8 56z" fill="var(--sheet)" />
      <path {...LINE} d="M26 34h52v26H26z" />
      <path {...LINE} d="M26 34l6-22h52l-6 22" fill="var(--sheet-2)" />
      <Socket x={52} y={47} />
    </>
  ),
  'glove-box': (
    <>
      <path {...LINE} d="M0 8q50-4 104 0v14H0zM14 22h76v22H14z" fill="var(--sheet)" />
      <path {...LINE} d="M46 30h12M0 70q50-4 104 0" />
      <Socket x={52} y={57} />
    </>
  ),
  'under-seat': (
    <>
      <path {...LINE} d="M4 30q30-14 60-12l36-10 4 12-40 12H4z" fill="var(--sheet)" />
      <path {...LINE} d="M14 42h30v26H14zM20 42v-6h6v6M32 42v-6h6v6" fill="var(--sheet)" />
      <path {...LINE} d="M44 56h16" strokeDasharray="3 2" />
      <Socket x={76} y={56} />
    </>
  ),
  tail: (
    <>
      <path {...LINE} d="M2 28q40-12 70-10l28-12 4 10-30 22q-34 6-72 8z" fill="var(--sheet)" />
      <path {...LINE} d="M6 60q40-2 60-14" strokeDasharray="3 2" />
      <circle {...LINE} cx="24" cy="70" r="22" />
      <Socket x={72} y={34} turn={-24} />
    </>
  ),
  headstock: (
    <>
      <path {...LINE} d="M52 8l-26 66M34 14l34-8" strokeWidth="4" />
      <circle {...LINE} cx="24" cy="30" r="14" fill="var(--sheet)" />
      <path {...LINE} d="M58 26q26-8 46 10" strokeDasharray="3 2" />
      <Socket x={66} y={34} turn={60} />
    </>
  ),
};

/** The way to the socket in words, place by place, each with a close-up; for a steering wheel on either side. */
export function Places({ vehicle }: { vehicle: Vehicle }) {
  const tell = useTell();
  const [wheel, setWheel] = useState(() => wheelSideOf(vehicle.market));
  const isCar = vehicle.kind !== 'motorcycle';
  return (
    <section aria-label="Where the socket may be" className="space-y-2">
      {isCar ? (
        <div className="flex">
          <Segments label="The steering wheel" options={WHEELS} value={wheel} onChange={setWheel} />
        </div>
      ) : null}
      <ol className="grid gap-x-6 gap-y-3 md:grid-cols-2">
        {socketPlaces(vehicle.kind, wheel).map((p, i) => (
          <li key={p.at} className="flex items-start gap-3">
            <svg
              viewBox="0 0 104 76"
              aria-hidden="true"
              className="w-24 shrink-0 rounded border border-line bg-sheet-2"
            >
              <g transform={isCar && wheel === 'right' ? 'translate(104 0) scale(-1 1)' : undefined}>
                {CLOSE_UPS[p.at]}
              </g>
            </svg>
            <span className="min-w-0">
              <b>
                {String.fromCharCode(65 + i)}. {tell(p.title)}.
              </b>{' '}
              <span className="text-ink-2">{tell(p.hint)}</span>
            </span>
          </li>
        ))}
      </ol>
    </section>
  );
}
