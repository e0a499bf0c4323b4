import { Lightbulb } from 'lucide-react';
import { Link } from 'react-router';
import type { ScanView, UnitCode, UnitView } from '@pincer/core/assess';
import type { Scan } from '@pincer/core/obd';
import { SHEET, TAG, cx } from '../../ui/classes.ts';

const CHANGE = { new: 'new', back: 'back again', unchanged: 'as before' } as const;

/** Codes by control unit and state, in one vocabulary; what has changed since the reading before. */
export function CodesByUnit({ view, reading }: { view: ScanView; reading: Scan }) {
  const withCodes = view.units.filter((u) => u.codes.length > 0);
  const without = view.units.filter((u) => u.codes.length === 0 && u.why === null);
  const silent = view.units.filter((u) => u.why !== null);
  return (
    <section className={SHEET} aria-labelledby="codes">
      <div className="flex flex-wrap items-baseline justify-between gap-2 border-b border-line px-4 py-2.5">
        <h3 id="codes" className="text-lg">
          Codes
        </h3>
        {reading.mil ? (
          <p>
            Lamp commanded {reading.mil.on ? 'on' : 'off'}, {reading.mil.count} stored
          </p>
        ) : null}
      </div>
      {withCodes.length === 0 ? <p className="p-4">No code in any control unit that answered.</p> : null}
      {withCodes.map((u) => (
        <Unit key={u.unit} unit={u} />
      ))}
      {view.gone.length > 0 ? (
        <p className="border-t border-line px-4 py-2.5">
          <b>Gone since the reading before:</b>{' '}
          {view.gone.map((g) => `${g.code} (${g.name.toLowerCase()})`).join(', ')}.
        </p>
      ) : null}
      {without.length + silent.length > 0 ? (
        <div className="space-y-1 border-t border-line px-4 py-2.5 text-[15px]">
          {without.length > 0 ? (
            <p>
              <b>No code in:</b> {without.map((u) => u.name.toLowerCase()).join(', ')}.
            </p>
          ) : null}
          {silent.map((u) => (
            <p key={u.unit} className="text-ink-2">
              {u.name}: {u.why}.
            </p>
          ))}
        </div>
      ) : null}
    </section>
  );
}

function Unit({ unit }: { unit: UnitView }) {
  return (
    <div className="border-b border-line last:border-b-0">
      <h4 className="flex items-baseline gap-3 bg-sheet-2 px-4 py-1.5 font-semibold">
        {unit.name} <span className="font-mono text-[14px] font-normal text-ink-2">{unit.unit}</span>
      </h4>
      <ul className="divide-y divide-line">
        {unit.codes.map((c) => (
          <Row key={`${c.code}${c.words.join('')}`} code={c} />
        ))}
      </ul>
    </div>
  );
}

function Row({ code }: { code: UnitCode }) {
  return (
    <li className="grid items-center gap-x-4 px-4 py-1.5 sm:grid-cols-[84px_1fr_auto]">
      <Link
        to={`/codes/${code.code}`}
        className="inline-flex min-h-9 items-center font-mono text-[18px] font-semibold text-car underline underline-offset-4"
      >
        {code.code}
      </Link>
      <span>
        {code.title}
        <span className="block text-[15px] text-ink-2">
          {code.isAccepted ? <b>known and accepted · </b> : null}
          {code.words.filter((w) => w !== 'holds a lamp on').join(' · ')}
        </span>
      </span>
      <span className="flex flex-wrap gap-1.5">
        {code.holdsLamp ? (
          <span className={cx(TAG, 'gap-1')}>
            <Lightbulb size={14} aria-hidden="true" /> holds the lamp on
          </span>
        ) : null}
        {code.change ? (
          <span className={cx(TAG, code.change !== 'unchanged' && 'border-ink font-semibold')}>
            {CHANGE[code.change]}
          </span>
        ) : null}
      </span>
    </li>
  );
}
