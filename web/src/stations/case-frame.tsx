import { useMemo, useRef } from 'react';
import { Link, Outlet, useLocation, useNavigate, useParams } from 'react-router';
import { STATIONS, type Assessment } from '@pincer/core/assess';
import { foldCase } from '@pincer/core/case';
import { useAppSelector } from '../store/store.ts';
import { SpokenOf } from '../store/use-tell.ts';
import { useAssessment } from '../store/use-assessment.ts';
import { OnlyShown } from '../logbook/only-shown.tsx';
import { SaveCase } from '../logbook/save-case.tsx';
import { BUTTON } from '../ui/classes.ts';
import { Contained } from '../ui/contained.tsx';
import { fetchedPart } from '../ui/fetched-part.tsx';
import { Notice } from '../ui/notice.tsx';
import { useShortcut } from '../ui/shortcuts.ts';
import type { CaseContext } from './case-context.ts';
import { OtherPages } from './other-pages.tsx';
import { Rail } from './rail.tsx';
import { useFold } from './use-fold.ts';
import { useLogSheet } from './use-log-sheet.ts';
import { Road } from './road.tsx';

const PracticeBanner = fetchedPart(
  async () => (await import('../practice/practice-banner.tsx')).PracticeBanner,
);
const Log = fetchedPart(async () => (await import('../logbook/log.tsx')).Log);

/** A case, told in the word for its vehicle. */
export function CaseFrame() {
  const { caseId = '' } = useParams();
  const kind = useAppSelector(({ logbook: { cases, vehicles } }) => {
    const record = cases.entities[caseId];
    return record && vehicles.entities[record.vehicle]?.kind;
  });
  return (
    <SpokenOf value={kind}>
      <OpenCase caseId={caseId} />
    </SpokenOf>
  );
}

/** What every station of a case shares: the road, the rail, the log. */
function OpenCase({ caseId }: { caseId: string }) {
  const status = useAppSelector((s) => s.logbook.status);
  const record = useAppSelector((s) => s.logbook.cases.entities[caseId]);
  const vehicle = useAppSelector((s) => (record ? s.logbook.vehicles.entities[record.vehicle] : undefined));
  const state = useMemo(() => (record ? foldCase(record) : null), [record]);
  const assessed = useAssessment(record, vehicle);
  const navigate = useNavigate();
  useShortcut(
    STATIONS.map((_, i) => String(i + 1)),
    (event) => {
      const station = STATIONS[Number(event.key) - 1];
      if (station) void navigate(`/case/${caseId}/${station}`);
    },
  );
  const { pathname } = useLocation();
  const log = useLogSheet();
  useShortcut('l', log.open);
  const main = useRef<HTMLElement>(null);
  useFold(main, pathname + assessed.status);

  if (status === 'loading')
    return (
      <main className="p-6" role="status">
        Opening the case…
      </main>
    );
  if (!record || !vehicle || !state) {
    return (
      <main id="work" className="mx-auto w-full max-w-xl p-6">
        <Notice
          title="This case is not in this browser’s logbook."
          action={
            <Link to="/" className={BUTTON.solid}>
              To the garage
            </Link>
          }
        >
          It may be stored in another browser, or imported on another device.
        </Notice>
      </main>
    );
  }
  const logOf = (assessment: Assessment | null) => (
    <Contained name="The log">
      {log.isOpen ? <Log record={record} state={state} assessment={assessment} onClose={log.close} /> : null}
    </Contained>
  );
  if (assessed.status === 'failed') {
    return (
      <main id="work" className="mx-auto w-full max-w-xl p-6">
        <Notice
          title="This case could not be evaluated."
          tone="strong"
          action={
            <div className="flex flex-wrap gap-2">
              <button type="button" className={BUTTON.solid} onClick={() => location.reload()}>
                Reload
              </button>
              <Link to="?log" className={BUTTON.plain}>
                Open the log
              </Link>
              <SaveCase caseId={record.id} />
            </div>
          }
        >
          {assessed.message}. Everything that you recorded is stored. How far it may still be driven is not
          known: a light that is red or flashes means stop.
        </Notice>
        {logOf(null)}
      </main>
    );
  }
  if (assessed.status === 'working')
    return (
      <main className="p-6" role="status">
        Working it out…
      </main>
    );
  const { assessment } = assessed;
  const context: CaseContext = { record, vehicle, state, assessment };
  // Road and rail stay in sight; only the station scrolls.
  return (
    <div className="flex min-h-0 flex-1 flex-col">
      <OnlyShown caseId={caseId} />
      {record.practice === undefined ? null : <PracticeBanner record={record} />}
      <Contained name="How far you may still drive" resetOn={assessment}>
        <Road allowance={assessment.allowance} />
      </Contained>
      <OtherPages caseId={caseId} />
      {record.occasion === 'buying' ? (
        <Link
          to="buying"
          className="flex min-h-11 shrink-0 items-center border-b border-line bg-sheet-2 px-3 font-semibold underline underline-offset-4 md:px-4"
        >
          Before buying: the steps, and what was found
        </Link>
      ) : null}
      <div className="flex min-h-0 flex-1 flex-col md:flex-row">
        <Contained name="The way through the case" resetOn={assessment}>
          <Rail caseId={caseId} stations={assessment.stations} />
        </Contained>
        <main
          id="work"
          ref={main}
          className="relative flex min-h-0 min-w-0 flex-1 flex-col overflow-y-auto"
          tabIndex={-1}
        >
          <Outlet context={context} />
        </main>
      </div>
      {logOf(assessment)}
    </div>
  );
}
