import type { Place } from '@pincer/core/codes';
import { useTell } from '../store/use-tell.ts';

const LINE = { fill: 'none', stroke: 'var(--ink-2)', strokeWidth: 2.5, strokeLinejoin: 'round' } as const;

/** Where a place is: cylinders in their row, banks and exhaust sensors; with the warning that makers count differently. */
export function PlacePicture({ place }: { place: Place }) {
  const tell = useTell();
  if (place.cylinder === undefined && place.bank === undefined && place.sensor === undefined) return null;
  const isCylinder = place.cylinder !== undefined;
  return (
    <figure>
      <svg
        viewBox="0 0 320 150"
        role="img"
        className="w-full max-w-sm rounded border border-line bg-sheet-2"
        aria-label={
          isCylinder
            ? `An engine from above with its cylinders in a row; cylinder ${place.cylinder ?? ''} is marked.`
            : `An engine with two banks and their exhausts${place.bank ? `; bank ${place.bank}` : ''}${place.sensor ? `, sensor ${place.sensor}` : ''} is marked.`
        }
      >
        {isCylinder ? <Row cylinder={place.cylinder ?? 1} /> : <Banks place={place} />}
      </svg>
      <figcaption className="mt-1 text-[14px] text-ink-2">
        {isCylinder
          ? tell(
              'Drawn with cylinder 1 at the belt end. Some manufacturers count from the transmission end, and V engines bank by bank or across: check the {workshop manual}.',
            )
          : 'Bank 1 is the side with cylinder 1, wherever that sits. Sensor 1 comes before the catalyst, sensor 2 behind it.'}
      </figcaption>
    </figure>
  );
}

function Row({ cylinder }: { cylinder: number }) {
  const count = cylinder > 6 ? 12 : cylinder > 4 ? 6 : 4;
  const perRow = count > 6 ? 6 : count;
  const gap = 252 / perRow;
  return (
    <g>
      <rect
        x="46"
        y={count > 6 ? 22 : 44}
        width="252"
        height={count > 6 ? 108 : 64}
        rx="8"
        {...LINE}
        fill="var(--sheet)"
      />
      <path d={count > 6 ? 'M40 30v92M32 30v92' : 'M40 50v52M32 50v52'} {...LINE} />
      <text x="6" y="80" fontSize="12" fill="var(--ink-2)">
        belt
      </text>
      {Array.from({ length: count }, (_, i) => {
        const x = 46 + ((i % perRow) + 0.5) * gap;
        const y = count > 6 ? (i < 6 ? 50 : 102) : 76;
        const isHere = i + 1 === cylinder;
        return (
          <g key={i}>
            <circle
              cx={x}
              cy={y}
              r={Math.min(20, gap / 2 - 3)}
              fill={isHere ? 'var(--ink)' : 'var(--sheet-2)'}
              stroke="var(--ink)"
              strokeWidth="2"
            />
            <text
              x={x}
              y={y + 5}
              textAnchor="middle"
              fontSize="14"
              fontWeight="700"
              fill={isHere ? 'var(--sheet)' : 'var(--ink)'}
            >
              {i + 1}
            </text>
          </g>
        );
      })}
    </g>
  );
}

function Banks({ place }: { place: Place }) {
  return (
    <g>
      {([1, 2] as const).map((bank) => {
        const y = bank === 1 ? 38 : 112;
        const isBank = place.bank === undefined || place.bank === bank;
        return (
          <g key={bank} opacity={isBank ? 1 : 0.45}>
            <rect x="12" y={y - 22} width="92" height="44" rx="6" {...LINE} fill="var(--sheet)" />
            <text x="58" y={y + 5} textAnchor="middle" fontSize="14" fontWeight="700" fill="var(--ink)">
              bank {bank}
            </text>
            <path d={`M104 ${y}h74m64 0h70`} {...LINE} strokeWidth={5} />
            <rect x="178" y={y - 16} width="64" height="32" rx="14" {...LINE} fill="var(--sheet)" />
            <text x="210" y={y + 4} textAnchor="middle" fontSize="12" fill="var(--ink)">
              catalyst
            </text>
            {([1, 2] as const).map((sensor) => {
              const x = sensor === 1 ? 140 : 276;
              const isHere = isBank && place.sensor === sensor;
              return (
                <g key={sensor}>
                  <circle
                    cx={x}
                    cy={y}
                    r="13"
                    fill={isHere ? 'var(--ink)' : 'var(--sheet)'}
                    stroke="var(--ink)"
                    strokeWidth="2"
                  />
                  <text
                    x={x}
                    y={y + 5}
                    textAnchor="middle"
                    fontSize="13"
                    fontWeight="700"
                    fill={isHere ? 'var(--sheet)' : 'var(--ink)'}
                  >
                    {sensor}
                  </text>
                </g>
              );
            })}
          </g>
        );
      })}
    </g>
  );
}
