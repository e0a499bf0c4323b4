import { ShieldCheck } from 'lucide-react';
import { Link } from 'react-router';
import {
  clearOrder,
  unitClears,
  type ClearState,
  type ClearedSoFar,
  type ShutReason,
  type UnitClear,
  type UnitClearResult,
} from '@pincer/core/proof';
import { askToClear, clearStateOf, confirmReady } from '../../store/clear-actions.ts';
import { useAppDispatch, useAppSelector } from '../../store/store.ts';
import { isWatching } from '../../store/watch-slice.ts';
import { BUTTON } from '../../ui/classes.ts';
import { useMoment } from '../../ui/use-now.ts';
import { Notice } from '../../ui/notice.tsx';
import { useCase } from '../case-context.ts';
import { useTell } from '../../store/use-tell.ts';

/** Why there is no way to a clear at the moment, and the one next thing to do. */
const SHUT: Readonly<Record<ShutReason, { title: string; why: string; next: string }>> = {
  unread: {
    title: 'Not yet: read everything first.',
    why: 'Clearing erases codes, stored conditions and self-checks. It opens after a full reading taken now, on this connection, once its record was written to storage and read back. A reading from before, or from a file, is not enough: the {car} may have stored something since.',
    next: 'Read everything',
  },
  incomplete: {
    title: 'Not yet: the last reading is not complete.',
    why: 'What it did not read would be erased unseen. Read again, ignition on, until it is complete.',
    next: 'Read again',
  },
  disconnected: {
    title: 'Not yet: the connection has ended.',
    why: 'The adapter may have been moved to another vehicle meanwhile. Connect, read everything, then clear.',
    next: 'Read again',
  },
  unsafe: {
    title: 'Not yet: the saved record could not be verified.',
    why: 'The reading is on this screen, but the browser did not keep it as it was. A full disk or a private window are common reasons. Save the case file from the log, make room, and read again.',
    next: 'Read again',
  },
  overtaken: {
    title: 'Not yet: something has come in since.',
    why: 'Another page, a newer reading or an entry that was struck out has overtaken the reading that this rested on. Read everything again.',
    next: 'Read again',
  },
  expired: {
    title: 'Not yet: the reading is more than half an hour old.',
    why: 'The {car} may have stored something since. Read everything again, then clear.',
    next: 'Read again',
  },
  'other-car': {
    title: 'Stopped: this is not the {car} that was read.',
    why: 'Its vehicle number or its control units are not those of the reading, or it did not say. Nothing was sent. Read everything again in the case of the vehicle that is plugged in.',
    next: 'Read again',
  },
  'unknown-outcome': {
    title: 'The clear was sent, and no answer came.',
    why: 'It may or may not have been carried out. Do not clear again: read everything, and see what is stored now.',
    next: 'Read again',
  },
};

/** What was cleared so far, in a few words. */
function clearedWords(
  { isStandardDone, units }: ClearedSoFar,
  modules: readonly { name: string; answer: string }[],
): string {
  const names = modules.filter((m) => units.includes(m.answer)).map((m) => m.name.toLowerCase());
  return [...(isStandardDone ? ['engine'] : []), ...names].join(', ');
}

const hasCleared = (done: ClearedSoFar): boolean => done.isStandardDone || done.units.length > 0;

/** What the way to a clear is doing, where it takes a moment. */
function busyWords(clear: ClearState): string | null {
  switch (clear.at) {
    case 'storing':
      return 'Reading the record back from storage…';
    case 'checking':
      return 'Looking at the record and at the {car} once more…';
    case 'noting':
      return 'Writing down what is about to be done…';
    case 'sent':
      return clear.target.kind === 'unit' ? `Clearing: ${clear.target.unit.name}…` : 'Clearing…';
    case 'shut':
    case 'stored':
    case 'ready':
      return null;
  }
}

/** What a unit did, in a sentence. */
function resultWords({ result, left }: UnitClear): string {
  const codes = [...new Set(left.map((c) => c.code))].join(', ');
  switch (result) {
    case 'clean':
      return 'Read again at once: nothing is stored.';
    case 'came-back':
      return `Came straight back: ${codes}. It fails at this moment, or another control unit holds it.`;
    case 'not-cleared':
      return `It said yes, and ${codes} stands there unchanged: it was not cleared.`;
    case 'refused':
      return 'It refused. Nothing was erased.';
    case 'not-known':
      return 'Cleared, and not read again: read everything to see what stands there.';
  }
}

/** What the button says once the unit was cleared. */
const BUTTON_AFTER: Readonly<Record<UnitClearResult, string>> = {
  clean: 'Cleared',
  'came-back': 'Came back',
  'not-cleared': 'Did not clear',
  refused: 'Refused',
  'not-known': 'Cleared',
};

/** The way to a clear. Without a full reading of this session that storage has given back there is no button to press. */
export function ClearGuard() {
  const moment = useMoment();
  const tell = useTell();
  const { record, state, assessment, vehicle } = useCase();
  const clear = useAppSelector((s) => clearStateOf(s, record.id));
  const isConnected = useAppSelector(
    (s) => s.link.caseId === record.id && s.link.status.at === 'talking' && !isWatching(s),
  );
  const dispatch = useAppDispatch();
  const gates =
    // That a clear is of no use where only a permanent code is left, Decide says; here it is said with what a clear does.
    assessment.options
      .find((o) => o.id === 'clear')
      ?.blocked.filter((b) => b.id !== 'no-reading' && b.id !== 'permanent') ?? [];
  const scan = 'basis' in clear ? state.scans.find((r) => r.id === clear.basis.scanEntry) : undefined;
  const clears = unitClears(state);
  const basis = 'basis' in clear ? clear.basis.scanEntry : null;
  const now = clears.filter((c) => c.afterScan === basis);
  const heldOut = new Set(
    clears
      .filter(
        (c, at) =>
          c.afterScan !== basis &&
          clears.findLastIndex((x) => x.answer === c.answer && x.afterScan !== basis) === at,
      )
      .filter((c) => c.result === 'came-back' || c.result === 'not-cleared')
      .map((c) => c.answer),
  );
  // The engine’s own services clear these two.
  const otherUnits = clearOrder(
    (vehicle.moduleMap?.modules ?? []).filter(
      (m) => m.answer !== '7E8' && m.answer !== '7E9' && scan?.scan.codes.some((c) => c.unit === m.answer),
    ),
    heldOut,
  );
  const isSecondRound = otherUnits.some((u) => heldOut.has(u.answer));
  const isRepaired = state.repairs.length > 0;
  // After a repair the clear is how it gets proven; the gates speak of clearing instead of repairing.
  const holding = isRepaired ? gates.filter((g) => g.id === 'inspection') : gates;
  const done = 'done' in clear ? clear.done : null;
  const isSomeDone = done !== null && hasCleared(done);
  const busy = busyWords(clear);
  const shut = clear.at === 'shut' ? SHUT[clear.why] : null;
  return (
    <div className="space-y-3">
      <div aria-live="polite" className="space-y-3">
        {shut ? (
          <Notice
            title={tell(shut.title)}
            {...(clear.at === 'shut' && clear.why !== 'unread' ? { tone: 'strong' as const } : {})}
            action={
              <Link className={BUTTON.solid} to={`/case/${record.id}/read`}>
                {shut.next}
              </Link>
            }
          >
            {tell(shut.why)}
          </Notice>
        ) : null}
        {scan && !isSomeDone && clear.at !== 'storing' ? (
          <p className="flex items-start gap-2">
            <ShieldCheck size={22} className="mt-0.5 shrink-0" aria-hidden="true" />
            <span>
              <b>The record is safe.</b> The full reading of {moment(scan.at)} was written to storage and read
              back unchanged.
            </span>
          </p>
        ) : null}
        {done && isSomeDone ? (
          <Notice title={`Cleared: ${clearedWords(done, otherUnits)}.`}>
            Read again when you are done: a fault that is still present comes straight back. To clear again
            you need a new full reading first.
          </Notice>
        ) : null}
        {busy ? <p role="status">{tell(busy)}</p> : null}
        {clear.at === 'ready' && clear.why ? (
          <Notice
            title={isSomeDone ? 'The last one was not cleared.' : tell('The {car} refused to clear.')}
            tone="strong"
          >
            {clear.why}
          </Notice>
        ) : null}
      </div>
      {otherUnits.length > 0 && clear.at === 'ready' ? (
        <div className="space-y-2">
          <h4 className="font-semibold">Control unit by control unit</h4>
          <p className="text-[15px] text-ink-2">
            {isSecondRound
              ? 'Second round: what came back at the last one stands at the end now, in the opposite order. If it comes back again, its fault is still there, or a tool is needed that clears all control units at once.'
              : 'A code in one control unit can keep another’s alive, and clearing the engine does not reach these. Clear them in this order. Each is read again at once, and its result stands beside it.'}
          </p>
          <ul className="space-y-2">
            {otherUnits.map((unit) => {
              const isDone = clear.done.units.includes(unit.answer);
              const result = now.findLast((c) => c.answer === unit.answer);
              const codes = scan?.scan.codes.filter((c) => c.unit === unit.answer) ?? [];
              return (
                <li key={unit.answer} className="flex flex-wrap items-center justify-between gap-2">
                  <span>
                    <b>{unit.name}</b>{' '}
                    <span className="font-mono">{[...new Set(codes.map((c) => c.code))].join(', ')}</span>
                    {result ? (
                      <span className="block text-[15px]" role="status">
                        {resultWords(result)}
                      </span>
                    ) : null}
                    {unit.id === 'airbag' ? (
                      <span className="block text-[15px] text-ink-2">
                        {tell(
                          'Airbags are work for a qualified {workshop}: if the code comes back, do not clear it again.',
                        )}
                      </span>
                    ) : null}
                  </span>
                  <button
                    type="button"
                    className={BUTTON.plain}
                    disabled={!isConnected || isDone || holding.length > 0}
                    onClick={() => void dispatch(askToClear(record.id, { kind: 'unit', unit }))}
                  >
                    {isDone
                      ? BUTTON_AFTER[result?.result ?? 'not-known']
                      : `Clear ${unit.name.toLowerCase()}`}
                  </button>
                </li>
              );
            })}
          </ul>
        </div>
      ) : null}
      {clear.at === 'ready' && isSomeDone && !clear.done.isStandardDone ? (
        <p className="flex flex-wrap items-center justify-between gap-2">
          <span>
            <b>Engine</b> and what else answers the standard’s clear
          </span>
          <button
            type="button"
            className={BUTTON.plain}
            disabled={!isConnected || holding.length > 0}
            onClick={() => void dispatch(askToClear(record.id, { kind: 'standard' }))}
          >
            Clear now
          </button>
        </p>
      ) : null}
      {(clear.at === 'stored' || clear.at === 'ready') && !isSomeDone ? (
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
            <li>It does not erase permanent codes, and it repairs nothing.</li>
          </ul>
          {clear.at === 'ready' ? (
            <button
              type="button"
              className={BUTTON.solid}
              disabled={!isConnected || holding.length > 0}
              onClick={() => void dispatch(askToClear(record.id, { kind: 'standard' }))}
            >
              Clear now
            </button>
          ) : (
            <button
              type="button"
              className={BUTTON.plain}
              disabled={holding.length > 0}
              onClick={() => void dispatch(confirmReady(record.id))}
            >
              Ignition is on, engine off; I have read this
            </button>
          )}
        </>
      ) : null}
    </div>
  );
}
