import { useState } from 'react';
import { Link } from 'react-router';
import type { CaseState } from '@pincer/core/case';
import type { Assessment } from '@pincer/core/assess';
import type { ProofView } from '@pincer/core/proof';
import { InspectionPanel } from '../../inspection/inspection-panel.tsx';
import { StandInPanel } from '../../practice/stand-in-panel.tsx';
import { scanCar, stopLink } from '../../store/link-actions.ts';
import { useAppDispatch, useAppSelector } from '../../store/store.ts';
import { useTell } from '../../store/use-tell.ts';
import { BUTTON, SHEET, cx } from '../../ui/classes.ts';
import { ByHand } from '../../typed/by-hand.tsx';
import { counted } from '../../ui/format.ts';
import { Notice } from '../../ui/notice.tsx';
import { Progress } from '../../ui/progress.tsx';
import { useCase } from '../case-context.ts';
import { StationPage } from '../station-page.tsx';
import { CloseCase } from './close-case.tsx';
import { Drives } from './drives.tsx';
import { Returns } from './returns.tsx';
import { BeforeAfter } from './before-after.tsx';
import { Outcome } from './outcome.tsx';
import { Ways } from './ways.tsx';

/** Clear, guarded; read again; drive; and how sure it is that the fault is gone. */
export function Prove() {
  const { record, vehicle, assessment, state } = useCase();
  const tell = useTell();
  const { proof } = assessment;
  const link = useAppSelector((s) => s.link);
  const dispatch = useAppDispatch();
  const isMine = link.caseId === record.id;
  const canRead = isMine && link.status.at === 'talking';
  const [isTyping, setTyping] = useState(false);
  return (
    <StationPage
      title="Prove it"
      lead="Clear only what has been saved, or let the {car} forget by itself. Read again, drive under the same conditions, and close the case once the fault stays away."
      next={nextThing(assessment, record.id, state)}
    >
      <div className={cx('grid gap-4 lg:grid-cols-2', state.closed !== null && 'items-start')}>
        {state.closed ? <Closed closing={state.closed} /> : <Ways />}
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
              <button type="button" className={BUTTON.plain} onClick={() => setTyping(true)}>
                Type what a reader shows
              </button>
            </div>
          )}
          <Outcome proof={proof} />
          {assessment.counters.map((c) => (
            <Notice key={c.id} title={tell('The {car} counts otherwise')} tone="strong">
              {c.text}
            </Notice>
          ))}
          <Returns />
        </section>
        <Drives proof={proof} />
        {isMine ? <StandInPanel /> : null}
      </div>
      {assessment.inspection ? <InspectionPanel view={assessment.inspection} vehicle={vehicle} /> : null}
      <BeforeAfter />
      <CloseCase />
      {isTyping ? <ByHand caseId={record.id} onClose={() => setTyping(false)} /> : null}
    </StationPage>
  );
}

const CLOSED_WORDS = {
  fixed: 'Fixed.',
  'went-away': 'It went away by itself.',
  sold: 'The vehicle was sold.',
  'given-up': 'Given up.',
} as const;

function Closed({ closing }: { closing: NonNullable<CaseState['closed']> }) {
  const unproven =
    closing.outcome === 'fixed' && closing.isProven === false ? ' It was not proven then.' : '';
  return (
    <Notice title={CLOSED_WORDS[closing.outcome]} tone="strong">
      {closing.note ?? 'Nothing more to do here.'}
      {unproven} A new fact opens the case again. To hand the record on, save the case file from the log.
    </Notice>
  );
}

const READ_AGAIN = { title: 'Next: read again', detail: 'A fault that is there now comes straight back.' };

function nextThing(
  { proof, quiet, options }: Assessment,
  caseId: string,
  { closed, repairs }: CaseState,
): { title: string; detail?: string; to?: string } {
  if (closed) return { title: 'This case is closed.', detail: 'Keep the record for the next owner.' };
  switch (proof.status) {
    case 'not-cleared':
      if (proof.units.some((u) => u.returned === null)) return READ_AGAIN;
      if (quiet) return { title: 'Next: leave it, drive, then read again', detail: quiet.advice };
      if (
        repairs.length === 0 &&
        options.find((o) => o.id === 'clear')?.blocked.some((b) => b.id === 'danger')
      )
        return {
          title: 'Next: deal with the fault first',
          detail: 'Clearing now would hide what is dangerous and mend nothing.',
          to: `/case/${caseId}/decide`,
        };
      return {
        title: 'Next: clear, when the reading is stored',
        detail: 'A permanent code goes only when the {car} itself has seen the check pass.',
      };
    case 'unknown-outcome':
      return {
        title: 'Next: read again, do not clear again',
        detail: 'A clear was sent and no answer came. Only the {car} can say what is stored now.',
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
      if (proof.way === 'repair' && quiet)
        return { title: 'Next: drive, then read again', detail: quiet.advice };
      return {
        title:
          proof.way === 'repair'
            ? 'Next: clear it, or drive and let the {car} forget'
            : 'Next: drive under the same conditions, then read',
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
