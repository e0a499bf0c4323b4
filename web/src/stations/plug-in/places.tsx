import { socketPlaces, type SocketPlace, type Vehicle } from '@pincer/core/vehicle';
import { useTell } from '../../store/use-tell.ts';

/** Where each place is in its picture. */
const AT: Readonly<Record<SocketPlace['at'], readonly [x: number, y: number]>> = {
  'under-column': [116, 140],
  'beside-column': [48, 124],
  console: [201, 158],
  ashtray: [238, 150],
  'glove-box': [287, 119],
  'under-seat': [176, 74],
  tail: [238, 78],
  headstock: [86, 66],
};

/** The footwell, or the motorcycle from its side, with the places to look in, numbered by likelihood. */
export function Places({ kind }: { kind: Vehicle['kind'] }) {
  const tell = useTell();
  const places = socketPlaces(kind);
  return (
    <figure className="grid items-start gap-x-4 gap-y-2 sm:grid-cols-[minmax(240px,340px)_1fr]">
      <svg
        viewBox="0 0 330 206"
        role="img"
        aria-label={`Where the socket may be: ${places.map((p, i) => `${i + 1}, ${tell(p.title).toLowerCase()}`).join('; ')}.`}
        className="w-full rounded border border-line bg-sheet-2"
      >
        {kind === 'motorcycle' ? <Motorcycle /> : <Footwell />}
        {places.map(({ at }, i) => {
          const [x, y] = AT[at];
          return (
            <g key={at}>
              <circle
                cx={x}
                cy={y}
                r={i === 0 ? 15 : 11}
                fill={i === 0 ? 'var(--ink)' : 'var(--sheet)'}
                stroke="var(--ink)"
                strokeWidth="2"
              />
              <text
                x={x}
                y={y + 5}
                textAnchor="middle"
                fontSize={i === 0 ? 16 : 13}
                fontWeight="700"
                fill={i === 0 ? 'var(--sheet)' : 'var(--ink)'}
              >
                {i + 1}
              </text>
            </g>
          );
        })}
      </svg>
      <figcaption>
        <ol className="space-y-1.5">
          {places.map((p, i) => (
            <li key={p.at} className="grid grid-cols-[1.4em_1fr]">
              <b>{i + 1}</b>
              <span>
                <b>{tell(p.title)}.</b> <span className="text-ink-2">{tell(p.hint)}</span>
              </span>
            </li>
          ))}
        </ol>
        {kind === 'motorcycle' ? null : (
          <p className="mt-1.5 text-[14px] text-ink-2">
            Left-hand-drive car shown; mirror it for right-hand drive.
          </p>
        )}
      </figcaption>
    </figure>
  );
}

const LINE = { fill: 'none', stroke: 'var(--ink-2)', strokeWidth: 2.5, strokeLinejoin: 'round' } as const;

function Footwell() {
  return (
    <g {...LINE}>
      <path
        d="M0 46q60-14 168-8t162-2v66q-30 8-74 6l-14-2-40 2q-40 8-96 8-54 0-106-10z"
        fill="var(--sheet)"
      />
      <path d="M188 106l-8 100h84l-12-98" fill="var(--sheet)" />
      <path d="M214 132h30v34h-30z" />
      <path d="M266 66h56v30h-56z" />
      <path d="M100 88l-4 34q20 8 40 0l-4-34" fill="var(--sheet-2)" />
      <ellipse cx="116" cy="66" rx="62" ry="54" strokeWidth="8" stroke="var(--ink-2)" />
      <path d="M60 62h34m44 0h34M116 84v30" strokeWidth="5" />
      <ellipse cx="116" cy="64" rx="22" ry="18" fill="var(--sheet)" />
      <path d="M60 172h26v22H60zM104 176h22v20h-22zM142 166h16v32h-16z" fill="var(--sheet)" />
      <path d="M26 112h36v28H26z" strokeDasharray="4 4" />
      <path d="M0 200q90-6 180 2" />
    </g>
  );
}

function Motorcycle() {
  return (
    <g {...LINE}>
      <circle cx="66" cy="150" r="42" />
      <circle cx="262" cy="150" r="42" />
      <circle cx="66" cy="150" r="8" />
      <circle cx="262" cy="150" r="8" />
      <path d="M66 150L94 52m0 0l-26-12m26 12l18-4" strokeWidth="4" />
      <circle cx="76" cy="58" r="12" fill="var(--sheet)" />
      <path d="M100 62q22-24 50-8l4 22-48 10z" fill="var(--sheet)" />
      <path d="M152 68l46-2 56-12 8 10-58 22h-50z" fill="var(--sheet)" />
      <path d="M108 92l18 62h60l24-60m-24 60l76-4M126 154l-22-62" />
      <path d="M132 104h52v44h-52z" fill="var(--sheet)" />
    </g>
  );
}
