import { Lightbulb } from 'lucide-react';
import { Link } from 'react-router';
import type { OpenPart, ScanView, UnitCode, UnitView } from '@pincer/core/assess';
import { isStandardAnswerId, type Scan } from '@pincer/core/obd';
import { SHEET, TAG, cx } from '../../ui/classes.ts';
import { useMoment } from '../../ui/use-now.ts';

const CHANGE = { new: 'new', back: 'back again', unchanged: 'as before' } as const;

/** Codes by control unit and state, in one vocabulary; what has changed, and what nobody has read. */
export function CodesByUnit({ view }: { view: ScanView }) {
  const withCodes = view.units.filter((u) => u.codes.length > 0);
  const isOpen = (u: UnitView) => u.open.some((p) => p.part === 'confirmed' || p.part === 'pending');
  const without = view.units.filter((u) => u.codes.length === 0 && u.why === null && !isOpen(u));
  const silent = view.units.filter((u) => u.why !== null);
  return (
    <section className={SHEET} aria-labelledby="codes">
      <div className="flex flex-wrap items-baseline justify-between gap-2 border-b border-line px-4 py-2.5">
        <h3 id="codes" className="text-lg">
          Codes
        </h3>
        {view.mil ? (
          <p>
            Engine light commanded {view.mil.on ? 'on' : 'off'}, {view.mil.count} stored
          </p>
        ) : null}
      </div>
      {withCodes.length === 0 ? <p className="p-4">{emptyWords(view, without.length)}</p> : null}
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

/** That nothing is listed means something only where it was read. */
function emptyWords(view: ScanView, read: number): string {
  if (read > 0 && view.units.every((u) => u.open.length === 0))
    return 'No codes in any control unit that answered.';
  return read > 0
    ? 'No code in what was read; what was not read is listed below.'
    : 'The codes have not been read.';
}

/** Parts that nobody has read, unit by unit, each with its reason, what is still known of it, and the next thing to do. */
export function NotRead({
  view,
  canGoOn,
  missing,
}: {
  view: ScanView;
  canGoOn: boolean;
  /** What the last scan says that it did not bring; all there is where no control unit answered. */
  missing: Scan['missing'];
}) {
  const moment = useMoment();
  const units = view.units.filter((u) => u.open.length > 0);
  if (units.length === 0 && missing.length > 0) return <NothingRead missing={missing} />;
  if (units.length === 0) return null;
  const isOnlyCleared = units.every((u) => u.open.every((p) => p.status === 'cleared'));
  return (
    <section className={`${SHEET} border-2 border-ink p-4`} aria-labelledby="not-read">
      <h3 id="not-read" className="text-lg">
        {isOnlyCleared ? 'Cleared, and not read since' : 'Not read'}
      </h3>
      <p>
        {isOnlyCleared
          ? 'Read again: a fault that is there comes straight back.'
          : canGoOn
            ? 'What came is kept. Go on where it was cut, or read everything again.'
            : 'What is not read is not known to be good. Connect, ignition on, and read everything again.'}
      </p>
      <ul className="mt-2 space-y-2">
        {units.map((u) => (
          <li key={u.unit} className="border-t border-line pt-2">
            <b>{u.name}</b> <span className="font-mono text-[14px] text-ink-2">{u.unit}</span>
            <ul className="list-disc pl-5 text-[15px]">
              {byReason(u.open).map(({ why, titles, last }) => (
                <li key={why}>
                  <span className="first-letter:uppercase inline-block">{titles.join(', ')}</span>: {why}.
                  {last ? ` Last read ${moment(last)}.` : ''}
                </li>
              ))}
            </ul>
          </li>
        ))}
      </ul>
    </section>
  );
}

/** No control unit answered: that is no car without codes. */
function NothingRead({ missing }: { missing: Scan['missing'] }) {
  return (
    <section className={`${SHEET} border-2 border-ink p-4`} aria-labelledby="not-read">
      <h3 id="not-read" className="text-lg">
        Not read
      </h3>
      <p>What is not read is not known to be good. Turn the ignition on, and read everything again.</p>
      <ul className="mt-2 list-disc pl-5 text-[15px]">
        {[...new Set(missing.map((m) => m.why))].map((why) => (
          <li key={why}>
            {missing
              .filter((m) => m.why === why)
              .map((m) => m.part)
              .join(', ')}
            : {why}
          </li>
        ))}
      </ul>
    </section>
  );
}

/** Parts that have one reason in common are told in one line. */
function byReason(open: readonly OpenPart[]): { why: string; titles: string[]; last: string | null }[] {
  const rows = new Map<string, { why: string; titles: string[]; last: string | null }>();
  for (const { why, title, last } of open) {
    const text = why.replace(/\.$/, '');
    const row = rows.get(text) ?? { why: text, titles: [], last: last?.at ?? null };
    row.titles.push(title);
    rows.set(text, row);
  }
  return [...rows.values()];
}

/** What could not be understood in the last scan, by line where it came from a file. */
export function Problems({ problems }: Pick<ScanView, 'problems'>) {
  if (problems.length === 0) return null;
  return (
    <details className={`${SHEET} px-4 py-1`}>
      <summary className="flex min-h-11 items-center font-semibold">
        {problems.length === 1 ? 'One thing' : `${problems.length} things`} could not be understood
      </summary>
      <ul className="list-disc space-y-1 pb-3 pl-5 text-[15px]">
        {problems.map((p, i) => (
          <li key={i}>
            {p.line === undefined ? '' : `Line ${p.line}: `}
            {p.message}
          </li>
        ))}
      </ul>
    </details>
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
          <Row key={`${c.code}${c.words.join('')}`} code={c} isEngine={isStandardAnswerId(unit.unit)} />
        ))}
      </ul>
    </div>
  );
}

/** @param isEngine whether the light that it asks for is the engine’s; another unit asks for one of its own. */
function Row({ code, isEngine }: { code: UnitCode; isEngine: boolean }) {
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
          {code.words.filter((w) => w !== 'holds a light on').join(' · ')}
        </span>
      </span>
      <span className="flex flex-wrap gap-1.5">
        {code.isCleared ? (
          <span className={cx(TAG, 'border-ink font-semibold')}>cleared, not read since</span>
        ) : null}
        {code.holdsLamp ? (
          <span className={cx(TAG, 'gap-1')}>
            <Lightbulb size={14} aria-hidden="true" /> keeps {isEngine ? 'the engine' : 'its warning'} light
            on
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
