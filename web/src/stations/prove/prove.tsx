import { useState } from 'react';
import { Link } from 'react-router';
import { toast } from 'sonner';
import type { Answered } from '@pincer/core/case';
import type { Quiet } from '@pincer/core/diagnosis';
import type { ProofView } from '@pincer/core/proof';
import { StandInPanel } from '../../practice/stand-in-panel.tsx';
import { scanCar, stopLink } from '../../store/link-actions.ts';
import { record as addRecord } from '../../store/logbook-actions.ts';
import { useAppDispatch, useAppSelector } from '../../store/store.ts';
import { BUTTON, SHEET } from '../../ui/classes.ts';
import { counted, percent } from '../../ui/format.ts';
import { Notice } from '../../ui/notice.tsx';
import { Progress } from '../../ui/progress.tsx';
import { Segments } from '../../ui/segments.tsx';
import { useCase } from '../case-context.ts';
import { StationPage } from '../station-page.tsx';
import { ClearGuard } from './clear-guard.tsx';

/** Clear, guarded; read again; drive; and how sure it is that the fault is gone. */
export function Prove() {
  const { record, assessment, state } = useCase();
  const { proof } = assessment;
  const link = useAppSelector((s) => s.link);
  const dispatch = useAppDispatch();
  const isMine = link.caseId === record.id;
  const canRead = isMine && link.status.at === 'talking';
  return (
    <StationPage
      title="Prove it"
      lead="Clear only what has been saved, read again, drive under the same conditions, and close the case once the fault stays away."
      next={nextThing(proof, record.id, state.closed !== null, assessment.quiet)}
    >
      <div className="grid gap-4 lg:grid-cols-2">
        {state.closed ? <Closed outcome={state.closed.outcome} note={state.closed.note} /> : <ClearGuard />}
        <section aria-labelledby="again" className={`${SHEET} space-y-3 p-4`} aria-live="polite">
          <h3 id="again" className="text-lg">
            2 · Read again
          </h3>
          {isMine && link.status.at === 'reading' ? (
            <Progress {...link.status.progress} onStop={() => dispatch(stopLink())} />
          ) : (
            <div className="flex flex-wrap gap-2">
              <button
                type="button"
                className={BUTTON.plain}
                disabled={!canRead}
                onClick={() => void dispatch(scanCar(record.id))}
              >
                Read again
              </button>
              {canRead ? null : (
                <Link to={`/case/${record.id}/plug-in`} className={BUTTON.quiet}>
                  Connect first
                </Link>
              )}
            </div>
          )}
          <Outcome proof={proof} />
        </section>
        <Drives proof={proof} />
        {isMine ? <StandInPanel /> : null}
      </div>
      <Close />
    </StationPage>
  );
}

const CLOSED_WORDS = {
  fixed: 'Fixed.',
  'went-away': 'It went away by itself.',
  sold: 'The vehicle was sold.',
  'given-up': 'Given up.',
} as const;

function Closed({ outcome, note }: { outcome: keyof typeof CLOSED_WORDS; note: string | undefined }) {
  return (
    <Notice title={CLOSED_WORDS[outcome]} tone="strong">
      {note ?? 'Nothing more to do here.'} To hand the record on, save the case file from the log.
    </Notice>
  );
}

const READ_AGAIN = { title: 'Next: read again', detail: 'A fault that is there now comes straight back.' };

function nextThing(
  proof: ProofView,
  caseId: string,
  isClosed: boolean,
  quiet: Quiet | null,
): { title: string; detail?: string; to?: string } {
  if (isClosed) return { title: 'This case is closed.', detail: 'Keep the record for the next owner.' };
  switch (proof.status) {
    case 'not-cleared':
      if (proof.units.some((u) => u.returned === null)) return READ_AGAIN;
      if (quiet) return { title: 'Next: leave it, drive, then read again', detail: quiet.advice };
      return {
        title: 'Next: clear, when the reading is stored',
        detail: 'A permanent code goes only when the car itself has seen the check pass.',
      };
    case 'unknown-outcome':
      return {
        title: 'Next: read again, do not clear again',
        detail: 'A clear was sent and no answer came. Only the car can say what is stored now.',
      };
    case 'read-again':
      return READ_AGAIN;
    case 'returned':
      return {
        title: 'The fault came back: narrow it down again',
        detail: 'The stored conditions of its return are the best clue there is.',
        to: `/case/${caseId}/narrow`,
      };
    case 'watching':
      return {
        title: 'Next: drive under the same conditions, then read',
        detail: watchWords(proof),
      };
    case 'proven':
      return {
        title: 'Next: close the case',
        detail: 'It has stayed away under the conditions that brought it.',
      };
  }
}

/** What the drives are for: a self-check that has to run first, or the certainty that is still missing. */
function watchWords({ waitingFor, needed, unread }: ProofView): string {
  const [check] = waitingFor;
  if (check) return `First its own self-check has to run: ${check.name.toLowerCase()}, ${check.runs}.`;
  const drives = needed.find((n) => n.level === 0.95)?.trips ?? 0;
  if (drives > 0) return `${counted(drives, 'more good drive')} until it is 95 % sure.`;
  return unread.length > 0
    ? 'Then read everything: a part was not read since the clear.'
    : 'Then read again.';
}

function Outcome({ proof }: { proof: ProofView }) {
  return (
    <>
      <EngineOutcome proof={proof} />
      {proof.units.length > 0 ? (
        <ul className="space-y-1">
          {proof.units.map((u) => (
            <li key={u.unit}>
              <b>{u.name}:</b>{' '}
              {u.returned === null ? (
                'cleared, not read since.'
              ) : u.returned.length === 0 ? (
                'nothing came back.'
              ) : (
                <>
                  came back: <span className="font-mono">{u.returned.join(', ')}</span>.
                </>
              )}
            </li>
          ))}
        </ul>
      ) : null}
    </>
  );
}

const UNREAD_WORDS: Readonly<Partial<Record<ProofView['unread'][number], string>>> = {
  confirmed: 'confirmed codes',
  pending: 'pending codes',
  readiness: 'self-checks',
};

function EngineOutcome({ proof }: { proof: ProofView }) {
  if (proof.status === 'not-cleared')
    return (
      <p className="text-ink-2">
        {proof.units.length > 0
          ? 'What the engine’s unit has stored was not cleared.'
          : 'Nothing was cleared in this case yet.'}
      </p>
    );
  if (proof.status === 'unknown-outcome')
    return (
      <Notice title="Nobody knows whether it was cleared." tone="strong">
        The clear went out and no answer came. Connect and read everything: that shows what is stored now.
      </Notice>
    );
  if (proof.status === 'read-again') return <p className="text-ink-2">Cleared, and not read since.</p>;
  return (
    <>
      {proof.returned.length > 0 ? (
        <Notice title={`Returned: ${proof.returned.join(', ')}.`} tone="strong">
          The fault is still there. Nothing is lost: the reading from before the clear is in the log.
        </Notice>
      ) : (
        <p className="text-[17px]">
          <b>It has not returned.</b>{' '}
          {proof.gone === null
            ? 'It is too early to say how sure that is.'
            : `${percent(proof.gone)} sure that it is gone.`}
        </p>
      )}
      {proof.added.length > 0 ? (
        <p>
          New since the clear: <span className="font-mono">{proof.added.join(', ')}</span>.
        </p>
      ) : null}
      {proof.permanent.length > 0 ? (
        <p className="text-ink-2">
          Permanent codes (only the car itself can erase them):{' '}
          <span className="font-mono">{proof.permanent.join(', ')}</span>.
        </p>
      ) : null}
      {proof.unread.length > 0 ? (
        <p>
          <b>Not read since the clear:</b> {proof.unread.map((p) => UNREAD_WORDS[p] ?? p).join(', ')}. Nothing
          is proven without them.
        </p>
      ) : null}
      {proof.waitingFor.map((check) => (
        <p key={check.name}>
          <b>Waits for the self-check “{check.name}”.</b> It runs {check.runs}.
        </p>
      ))}
      {proof.notReady.length > 0 ? (
        <p className="text-ink-2">
          Not run since the clear, and not needed here:{' '}
          {proof.notReady.map((m) => m.name.toLowerCase()).join(', ')}. An inspection may ask for them.
        </p>
      ) : null}
      {proof.unseenTrips > 0 ? (
        <p className="text-ink-2">
          {counted(proof.unseenTrips, 'drive')} of which you do not know whether it came back: read again, and{' '}
          {proof.unseenTrips === 1 ? 'it counts' : 'they count'}.
        </p>
      ) : null}
    </>
  );
}

const ANSWERS: readonly { id: Answered; title: string }[] = [
  { id: 'yes', title: 'Yes' },
  { id: 'no', title: 'No' },
  { id: 'unknown', title: 'Don’t know' },
];

function Drives({ proof }: { proof: ProofView }) {
  const { record, assessment } = useCase();
  const dispatch = useAppDispatch();
  const [met, setMet] = useState<Answered>('unknown');
  const [back, setBack] = useState<Answered>('no');
  const add = async () => {
    const { isSaved } = await dispatch(
      addRecord(record.id, { kind: 'drive', metConditions: met, cameBack: back }),
    );
    if (isSaved) toast('Drive recorded.');
  };
  return (
    <section aria-labelledby="drives" className={`${SHEET} space-y-3 p-4`}>
      <h3 id="drives" className="text-lg">
        3 · Drive and watch
      </h3>
      <p className="text-ink-2">
        Never read or type while driving; a passenger does it. Drives under the conditions that brought on the
        fault count most.
      </p>
      <div className="flex flex-wrap items-center justify-between gap-2">
        <span>Same conditions as when it came?</span>
        <Segments
          label="Same conditions as when it came?"
          options={ANSWERS}
          value={met}
          onChange={setMet}
          tone="own"
        />
      </div>
      <div className="flex flex-wrap items-center justify-between gap-2">
        <span>Did it come back?</span>
        <Segments label="Did it come back?" options={ANSWERS} value={back} onChange={setBack} tone="own" />
      </div>
      <button
        type="button"
        className={BUTTON.own}
        disabled={proof.status === 'not-cleared' && proof.units.length === 0 && !assessment.quiet}
        onClick={() => void add()}
      >
        + Record this drive
      </button>
      {proof.needed.length > 0 ? (
        <table className="w-full text-left">
          <caption className="text-left text-[15px] text-ink-2">
            Good drives under the same conditions still needed
          </caption>
          <tbody>
            {proof.needed.map((n) => (
              <tr key={n.level} className="border-t border-line">
                <th scope="row" className="py-1 font-normal">
                  {Math.round(n.level * 100)} % sure
                </th>
                <td className="py-1 text-right font-mono">{n.trips === 0 ? 'reached' : n.trips}</td>
              </tr>
            ))}
          </tbody>
        </table>
      ) : null}
    </section>
  );
}

function Close() {
  const { record, state } = useCase();
  const dispatch = useAppDispatch();
  if (state.closed) return null;
  const close = (outcome: 'fixed' | 'went-away') =>
    void dispatch(addRecord(record.id, { kind: 'closed', outcome }));
  return (
    <section className="flex flex-wrap items-center gap-2">
      <button type="button" className={BUTTON.plain} onClick={() => close('fixed')}>
        Close the case: fixed
      </button>
      <button type="button" className={BUTTON.quiet} onClick={() => close('went-away')}>
        Close it: went away by itself
      </button>
    </section>
  );
}
