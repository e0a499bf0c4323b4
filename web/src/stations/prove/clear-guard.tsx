import { ShieldCheck } from 'lucide-react';
import { Link } from 'react-router';
import type { ClearedSoFar } from '@pincer/core/proof';
import { clearStateOf, guard } from '../../store/link-actions.ts';
import { useAppDispatch, useAppSelector } from '../../store/store.ts';
import { isWatching } from '../../store/watch-slice.ts';
import { BUTTON, SHEET } from '../../ui/classes.ts';
import { moment } from '../../ui/format.ts';
import { Notice } from '../../ui/notice.tsx';
import { useCase } from '../case-context.ts';

/** What was cleared so far, in a few words. */
function clearedWords(
  { isStandardDone, units }: ClearedSoFar,
  modules: readonly { name: string; answer: string }[],
): string {
  const names = modules.filter((m) => units.includes(m.answer)).map((m) => m.name.toLowerCase());
  return [...(isStandardDone ? ['engine'] : []), ...names].join(', ');
}

/** The way to a clear. Without a full reading that storage has given back there is no button to press. */
export function ClearGuard() {
  const { record, state, assessment, vehicle } = useCase();
  const clear = useAppSelector((s) => clearStateOf(s, record.id));
  const isConnected = useAppSelector(
    (s) => s.link.caseId === record.id && s.link.status.at === 'talking' && !isWatching(s),
  );
  const dispatch = useAppDispatch();
  const gates =
    assessment.options.find((o) => o.id === 'clear')?.blocked.filter((b) => b.id !== 'no-reading') ?? [];
  const reading =
    'permit' in clear ? state.scans.find((r) => r.id === clear.permit.scanEntryId) : undefined;
  // In the order of the map: what others depend on stands first there. The engine’s own services clear these two.
  const otherUnits = (vehicle.moduleMap?.modules ?? []).filter(
    (m) =>
      m.answer !== '7E8' && m.answer !== '7E9' && reading?.scan.codes.some((c) => c.unit === m.answer),
  );
  const isRepaired = state.repairs.length > 0;
  // After a repair the clear is how it gets proven; the gates speak of clearing instead of repairing.
  const holding = isRepaired ? gates.filter((g) => g.id === 'inspection') : gates;
  return (
    <section aria-labelledby="clear" className={`${SHEET} space-y-3 p-4`}>
      <h3 id="clear" className="text-lg">
        1 · Clear
      </h3>
      <div aria-live="polite">
        {clear.at === 'unread' ? (
          <Notice
            title="Not yet: no full reading is stored."
            action={
              <Link className={BUTTON.solid} to={`/case/${record.id}/read`}>
                Read everything
              </Link>
            }
          >
            Clearing erases codes, stored conditions and self-checks. It stays closed until a full reading,
            taken since the last clear, was written to storage and read back.
          </Notice>
        ) : null}
        {clear.at === 'unsafe' ? (
          <Notice
            title="Not yet: storage did not give the record back."
            tone="strong"
            action={
              <Link className={BUTTON.solid} to={`/case/${record.id}/read`}>
                Read again
              </Link>
            }
          >
            The reading is on this screen, but the browser did not keep it as it was. A full disk or a private
            window are common reasons. Save the case file from the log, make room, and read again.
          </Notice>
        ) : null}
        {clear.at === 'storing' ? <p role="status">Reading the record back from storage…</p> : null}
        {reading && clear.at !== 'cleared' ? (
          <p className="flex items-start gap-2">
            <ShieldCheck size={22} className="mt-0.5 shrink-0" aria-hidden="true" />
            <span>
              <b>The record is safe.</b> The full reading of {moment(reading.at)} was written to storage and
              read back unchanged.
            </span>
          </p>
        ) : null}
        {clear.at === 'failed' ? (
          <Notice title="The car did not clear." tone="strong">
            {clear.why}
          </Notice>
        ) : null}
        {clear.at === 'cleared' ? (
          <Notice title={`Cleared: ${clearedWords(clear, otherUnits)}.`}>
            Read again when you are through: a fault that is there comes straight back. To clear the same once
            more, a new full reading comes first.
          </Notice>
        ) : null}
        {clear.at === 'clearing' ? (
          <p role="status">{clear.unit ? `Clearing: ${clear.unit.name}…` : 'Clearing…'}</p>
        ) : null}
        {clear.at === 'cleared' && clear.why ? (
          <Notice title="The last one was not cleared." tone="strong">
            {clear.why}
          </Notice>
        ) : null}
      </div>
      {otherUnits.length > 0 && (clear.at === 'cleared' || clear.at === 'ready') ? (
        <div className="space-y-2">
          <h4 className="font-semibold">Control unit by control unit</h4>
          <p className="text-[15px] text-ink-2">
            One unit’s code can hold another’s, and a clear of the engine does not reach these. Take them in
            this order, then read again; what fails now is back at once.
          </p>
          <ul className="space-y-2">
            {otherUnits.map((unit) => {
              const isDone = clear.at === 'cleared' && clear.units.includes(unit.answer);
              const codes = reading?.scan.codes.filter((c) => c.unit === unit.answer) ?? [];
              return (
                <li key={unit.answer} className="flex flex-wrap items-center justify-between gap-2">
                  <span>
                    <b>{unit.name}</b>{' '}
                    <span className="font-mono">{[...new Set(codes.map((c) => c.code))].join(', ')}</span>
                    {unit.id === 'airbag' ? (
                      <span className="block text-[15px] text-ink-2">
                        Airbags are licensed work: a code that comes back is for them, not for another clear.
                      </span>
                    ) : null}
                  </span>
                  <button
                    type="button"
                    className={BUTTON.plain}
                    disabled={!isConnected || isDone || holding.length > 0}
                    onClick={() => void dispatch(guard(record.id, { type: 'ask-clear-unit', unit }))}
                  >
                    {isDone ? 'Cleared' : `Clear ${unit.name.toLowerCase()}`}
                  </button>
                </li>
              );
            })}
          </ul>
        </div>
      ) : null}
      {clear.at === 'cleared' && !clear.isStandardDone ? (
        <p className="flex flex-wrap items-center justify-between gap-2">
          <span>
            <b>Engine</b> and what else answers the standard’s clear
          </span>
          <button
            type="button"
            className={BUTTON.plain}
            disabled={!isConnected || holding.length > 0}
            onClick={() => void dispatch(guard(record.id, { type: 'ask-clear' }))}
          >
            Clear now
          </button>
        </p>
      ) : null}
      {clear.at === 'stored' || clear.at === 'failed' || clear.at === 'ready' ? (
        <>
          {holding.length > 0 ? (
            <ul className="space-y-1.5">
              {holding.map((g) => (
                <li key={g.id} className="border-l-4 border-ink bg-sheet-2 px-3 py-2 text-[15px]">
                  {g.text}
                </li>
              ))}
            </ul>
          ) : null}
          <ul className="list-disc space-y-1 pl-5 text-[15px]">
            <li>Ignition on, engine off.</li>
            <li>
              It erases the stored conditions and resets the self-checks; an inspection soon after may fail.
            </li>
            <li>It does not erase permanent codes, and it mends nothing.</li>
          </ul>
          {clear.at === 'ready' ? (
            <button
              type="button"
              className={BUTTON.solid}
              disabled={!isConnected || holding.length > 0}
              onClick={() => void dispatch(guard(record.id, { type: 'ask-clear' }))}
            >
              Clear now
            </button>
          ) : (
            <button
              type="button"
              className={BUTTON.plain}
              disabled={holding.length > 0}
              onClick={() => void dispatch(guard(record.id, { type: 'owner-ready' }))}
            >
              Ignition is on, engine off; I have read this
            </button>
          )}
          {isConnected ? null : (
            <p className="text-ink-2">
              No adapter is connected.{' '}
              <Link className="font-semibold text-ink underline" to={`/case/${record.id}/plug-in`}>
                Connect first
              </Link>
              .
            </p>
          )}
        </>
      ) : null}
    </section>
  );
}
