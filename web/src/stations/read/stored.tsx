import type { StoredConditions } from '@pincer/core/assess';
import { SHEET } from '../../ui/classes.ts';
import { percent } from '../../ui/format.ts';
import { useUnits } from '../../store/use-units.ts';
import { ownUnit } from '@pincer/core/words';

const WHERE = {
  recordings: 'from your recordings',
  trips: 'from your usual trips',
  guess: 'as most vehicles are driven',
} as const;

/** The stored moment: a sentence, a small picture, what is odd in it, and what recurs. */
export function Stored({ stored, children }: { stored: StoredConditions | null; children: React.ReactNode }) {
  return (
    <section className={`${SHEET} p-4`} aria-labelledby="stored">
      <h3 id="stored" className="text-lg">
        Stored conditions
      </h3>
      {stored === null ? <p className="text-ink-2">None stored.</p> : <Told stored={stored} />}
      {children}
    </section>
  );
}

/** What is said of circumstances that recur, for all of them together. */
const SAYS = { always: 'Always', mostly: 'Mostly', 'more often than usual': 'More often than usual' };

function Told({ stored }: { stored: StoredConditions }) {
  const borne = stored.recurring.filter((r) => r.word in SAYS);
  const weakest = borne.some((r) => r.word === 'more often than usual')
    ? SAYS['more often than usual']
    : borne.every((r) => r.word === 'always')
      ? SAYS.always
      : SAYS.mostly;
  return (
    <>
      <p className="text-[18px]">
        <b>{stored.sentence}</b>
        {stored.code ? <span className="ml-2 font-mono text-[15px] text-ink-2">{stored.code}</span> : null}
      </p>
      <Moment stored={stored} />
      {stored.odd.length > 0 ? (
        <ul className="mt-2 space-y-1">
          {stored.odd.map((j) => (
            <li key={j.rule} className="border-l-4 border-ink bg-sheet-2 px-3 py-1.5 text-[15px]">
              <b>{j.verdict === 'impossible' ? 'Impossible' : 'Odd'} at that moment:</b>{' '}
              {j.title.toLowerCase()}, no ({j.measured}; expected {j.expected}).
            </li>
          ))}
        </ul>
      ) : (
        <p className="mt-1 text-[15px] text-ink-2">Nothing in it is unusual by itself.</p>
      )}
      {stored.occurrences > 1 ? (
        <div className="mt-2 text-[15px]">
          <p>
            {borne.length > 0 ? (
              <>
                <b>
                  {weakest} when {borne.map((r) => r.title).join(' and ')}
                </b>
                , stored {stored.occurrences} times.
              </>
            ) : (
              `Stored ${stored.occurrences} times; no condition recurs more often than chance.`
            )}
          </p>
          <ul className="mt-1 text-ink-2">
            {stored.recurring.map((r) => (
              <li key={r.id}>
                {r.title}: {r.held} of {r.of}; usual {percent(r.usual)} of the time ({WHERE[r.usualFrom]}); by
                accident in {percent(r.byAccident)}
                {r.word === 'too few to say' ? ', too few to say' : ''}
              </li>
            ))}
          </ul>
        </div>
      ) : null}
    </>
  );
}

/** Three lengths side by side: how warm, how hard it worked, how fast it went. */
function Moment({ stored }: { stored: StoredConditions }) {
  const units = useUnits();
  const rows = [
    { title: 'Engine', value: stored.coolantC, low: -20, high: 110, unit: '°C', ends: ['cold', 'hot'] },
    { title: 'Load', value: stored.loadPercent, low: 0, high: 100, unit: '%', ends: ['light', 'full'] },
    { title: 'Speed', value: stored.speedKmh, low: 0, high: 130, unit: 'km/h', ends: ['standing', 'fast'] },
  ].filter((r) => r.value !== null && r.value > -38);
  const inOwn = (value: number, unit: string) => {
    const own = ownUnit(unit, units);
    return `${Math.round(own.of(value))} ${own.unit}`;
  };
  if (rows.length === 0) return null;
  return (
    <svg
      viewBox={`0 0 420 ${rows.length * 34}`}
      className="mt-2 w-full max-w-md"
      role="img"
      aria-label={rows.map((r) => `${r.title} ${inOwn(r.value ?? 0, r.unit)}`).join(', ')}
    >
      {rows.map((r, i) => {
        const share = Math.min(1, Math.max(0, ((r.value ?? 0) - r.low) / (r.high - r.low)));
        const y = i * 34 + 10;
        return (
          <g key={r.title}>
            <text x={0} y={y + 9} className="fill-ink text-[14px]">
              {r.title}
            </text>
            <rect x={64} y={y} width={260} height={10} rx={2} className="fill-line" />
            <rect x={64} y={y} width={Math.max(3, 260 * share)} height={10} rx={2} className="fill-car" />
            <text x={64} y={y + 22} className="fill-ink-2 text-[11px]">
              {r.ends[0]}
            </text>
            <text x={324} y={y + 22} textAnchor="end" className="fill-ink-2 text-[11px]">
              {r.ends[1]}
            </text>
            <text x={334} y={y + 9} className="fill-ink font-mono text-[14px]">
              {inOwn(r.value ?? 0, r.unit)}
            </text>
          </g>
        );
      })}
    </svg>
  );
}
