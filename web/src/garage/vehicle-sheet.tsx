import { Pencil, PlugZap, Plus } from 'lucide-react';
import { memo, useEffect, useMemo, useState } from 'react';
import { shallowEqual } from 'react-redux';
import { Link, useNavigate } from 'react-router';
import type { Assessment, StationId } from '@pincer/core/assess';
import { closingOf, wasRead, type CaseRecord } from '@pincer/core/case';
import type { Vehicle } from '@pincer/core/vehicle';
import { noteShare, openCase } from '../store/logbook-actions.ts';
import { useAppDispatch, useAppSelector } from '../store/store.ts';
import { useAssessment } from '../store/use-assessment.ts';
import { BUTTON } from '../ui/classes.ts';
import { counted, day } from '../ui/format.ts';
import { useInSight } from '../ui/in-sight.ts';
import { NO_SHARE, ROAD_SHARE } from '../ui/road-share.ts';
import { CASES_AT_ONCE, SheetFrame } from './sheet-frame.tsx';

/** Drives that a proof waits for, or what else it waits for. */
function watchWords({ proof, waiting }: Assessment): string {
  const soonest = waiting.earliest === null ? '' : `, done on ${localDay(waiting.earliest)} at the earliest`;
  if (waiting.drives > 0)
    return `${proof.way === 'repair' ? 'Repaired; waits' : 'Waits'} for ${counted(waiting.drives, 'more good drive')}${soonest}`;
  return proof.waitingFor.length > 0 ? `Waits for its self-check to run${soonest}` : 'Waits for a reading';
}

/** A date that has no time of day, where the page is. */
const localDay = (date: string): string => day(`${date}T12:00:00`);

/** For how long nothing was recorded, and the inspection where it is near: what presses. */
function pressing({ waiting: { quietDays, inspection } }: Assessment): string[] {
  const inDays = (days: number) =>
    days < 0
      ? `was due ${counted(-days, 'day')} ago`
      : days === 0
        ? 'is today'
        : `in ${counted(days, 'day')}`;
  const result = { pass: 'would pass as far as can be told', fail: 'would fail now', 'cannot-tell': '' };
  return [
    ...(quietDays !== null && quietDays >= QUIET_DAYS
      ? [`Nothing new for ${counted(quietDays, 'day')}`]
      : []),
    ...(inspection
      ? [
          [`Inspection ${inDays(inspection.days)} (${localDay(inspection.date)})`, result[inspection.verdict]]
            .filter((part) => part !== '')
            .join(': '),
        ]
      : []),
  ];
}

/** From so many days without an entry on, a case is perhaps forgotten. */
const QUIET_DAYS = 3;

/**
 * A vehicle and its cases: the open ones with what each waits for, then those that are closed. Of many vehicles only the one
 * is drawn again of which something was worked out.
 */
export const VehicleSheet = memo(function VehicleSheet({
  vehicle,
  cases,
}: {
  vehicle: Vehicle;
  cases: CaseRecord[];
}) {
  const dispatch = useAppDispatch();
  const navigate = useNavigate();
  const [shown, setShown] = useState(CASES_AT_ONCE);
  const ranks = useAppSelector((s) => cases.map((c) => s.logbook.shares[c.id] ?? NO_SHARE), shallowEqual);
  const list = useMemo(() => {
    const all = cases.map((record, i) => ({
      record,
      closing: closingOf(record),
      rank: ranks[i] ?? NO_SHARE,
    }));
    return [
      ...all.filter((c) => !c.closing).sort((a, b) => a.rank - b.rank),
      ...all.filter((c) => c.closing),
    ];
  }, [cases, ranks]);
  /** The newest open case, or a new one: the shortest way to the first codes. */
  const plugIn = async () => {
    const open = cases.find((c) => closingOf(c) === null);
    const found = open ?? (await dispatch(openCase(vehicle, 'A light came on')));
    void navigate(`/case/${found.id}/plug-in`);
  };
  const rest = list.length - shown;
  return (
    <SheetFrame vehicle={vehicle}>
      {list
        .slice(0, shown)
        .map(({ record, closing }) =>
          closing ? (
            <ClosedCase key={record.id} record={record} at={closing.at} />
          ) : (
            <OpenCase key={record.id} record={record} vehicle={vehicle} />
          ),
        )}
      <div className="flex flex-wrap gap-x-2 px-2 py-2">
        {rest > 0 ? (
          <button type="button" className={BUTTON.quiet} onClick={() => setShown(shown + 4 * CASES_AT_ONCE)}>
            {rest === 1 ? 'One more case' : `${rest} more cases`}
          </button>
        ) : null}
        <button type="button" className={BUTTON.quiet} onClick={() => void plugIn()}>
          <PlugZap size={18} aria-hidden="true" /> Connect and read
        </button>
        <Link to={`/?new=${vehicle.id}`} className={BUTTON.quiet}>
          <Plus size={18} aria-hidden="true" /> Open a case
        </Link>
        <Link to={`/vehicle/${vehicle.id}`} className={BUTTON.quiet}>
          <Pencil size={17} aria-hidden="true" /> Vehicle details
        </Link>
      </div>
    </SheetFrame>
  );
});

function ClosedCase({ record, at }: { record: CaseRecord; at: string }) {
  const dispatch = useAppDispatch();
  useEffect(() => {
    dispatch(noteShare(record.id, null));
  }, [dispatch, record.id]);
  return (
    <Link
      to={`/case/${record.id}/prove`}
      className="flex min-h-14 items-center justify-between gap-3 px-4 py-2 hover:bg-sheet-2"
    >
      <span>{record.title}</span>
      <span className="text-[15px] text-ink-2">closed {day(at)}</span>
    </Link>
  );
}

/** An open case: its road, and the next thing that it waits for, once it is in sight. */
function OpenCase({ record, vehicle }: { record: CaseRecord; vehicle: Vehicle }) {
  const [ref, isSeen] = useInSight<HTMLAnchorElement>();
  // The link stays the same one, so that the focus stays on it; where it leads is told once it is known.
  const [station, setStation] = useState<StationId>('narrow');
  return (
    <Link ref={ref} to={`/case/${record.id}/${station}`} className="block px-4 py-3 hover:bg-sheet-2">
      <div className="flex items-baseline justify-between gap-3">
        <span className="text-[17px] font-semibold">{record.title}</span>
        <span className="shrink-0 text-[15px] text-ink-2">opened {day(record.openedAt)}</span>
      </div>
      {isSeen ? (
        <SeenCase record={record} vehicle={vehicle} onStation={setStation} />
      ) : (
        <>
          <Road allowance={null} />
          <p className={WAITS}>{WORKING}</p>
        </>
      )}
    </Link>
  );
}

const WAITS = 'mt-1.5 text-ink-2';
const WORKING = 'Working it out…';

/** How far the car may be driven. Its room is kept until that is known, so that what stands below hardly moves. */
function Road({ allowance }: { allowance: Assessment['allowance'] | null }) {
  if (!allowance) return <div className="mt-2 h-9" />;
  return (
    <div className="verge-hatch mt-2 flex h-9 items-stretch overflow-hidden rounded">
      <div
        className="flex min-w-36 items-center bg-tar px-3 text-[15px] font-bold text-tar-ink"
        style={{ width: `${ROAD_SHARE[allowance.level]}%`, borderRight: '4px solid var(--lane)' }}
      >
        {allowance.title}
      </div>
    </div>
  );
}

/** What a case in sight waits for. @param onStation is told at which station that is */
function SeenCase({
  record,
  vehicle,
  onStation,
}: {
  record: CaseRecord;
  vehicle: Vehicle;
  onStation: (id: StationId) => void;
}) {
  const state = useAssessment(record, vehicle);
  const a = state.status === 'ready' ? state.assessment : null;
  const dispatch = useAppDispatch();
  const share = a ? ROAD_SHARE[a.allowance.level] : null;
  useEffect(() => {
    if (share !== null) dispatch(noteShare(record.id, share));
  }, [dispatch, record.id, share]);
  const firstOpen = a?.stations.find((s) => s.status !== 'filled')?.id ?? 'light';
  const isRead = useMemo(() => wasRead(record), [record]);
  const station = whereItWaits(a, isRead, firstOpen);
  useEffect(() => onStation(station), [onStation, station]);
  const waits = !a
    ? WORKING
    : a.proof.status !== 'not-cleared'
      ? {
          'unknown-outcome': 'A clear got no answer: read again',
          'read-again': 'Needs a reading after the clear',
          returned: 'It came back: narrow it down again',
          watching: watchWords(a),
          proven: 'Proven; close it',
          'not-cleared': '',
        }[a.proof.status]
      : !isRead
        ? 'Not read yet'
        : a.firstStep.kind === 'check'
          ? `Next check: ${a.firstStep.title}`
          : 'Waiting for your decision';
  return (
    <>
      <Road allowance={a?.allowance ?? null} />
      <p className={WAITS}>{waits}</p>
      {a ? <Pressing parts={pressing(a)} /> : null}
    </>
  );
}

/** What presses, each part kept together where the line breaks. */
function Pressing({ parts }: { parts: readonly string[] }) {
  if (parts.length === 0) return null;
  return (
    <p className="flex flex-wrap gap-x-4 text-[15px] text-ink-2">
      {parts.map((part) => (
        <span key={part}>{part}</span>
      ))}
    </p>
  );
}

/** The station at which a case waits for its owner. */
function whereItWaits(a: Assessment | null, isRead: boolean, firstOpen: StationId): StationId {
  if (!a) return 'narrow';
  if (a.proof.status === 'returned') return 'narrow';
  if (a.proof.status !== 'not-cleared') return 'prove';
  if (!isRead) return firstOpen;
  return a.firstStep.kind === 'check' ? 'narrow' : 'decide';
}
