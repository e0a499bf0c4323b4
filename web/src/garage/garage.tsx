import { FileUp, Pencil, PlugZap, Plus } from 'lucide-react';
import { Suspense, lazy, useState } from 'react';
import { Link, useNavigate, useSearchParams } from 'react-router';
import { foldCase, type CaseRecord } from '@pincer/core/case';
import type { Vehicle } from '@pincer/core/vehicle';
import { openCase } from '../store/logbook-actions.ts';
import { useAppDispatch, useAppSelector } from '../store/store.ts';
import { useAssessment } from '../store/use-assessment.ts';
import { BUTTON, SHEET } from '../ui/classes.ts';
import { day, distance } from '../ui/format.ts';
import { Contained } from '../ui/contained.tsx';
import { ROAD_SHARE } from '../ui/road-share.ts';
import { Notice } from '../ui/notice.tsx';
import { ExportReminder } from './export-reminder.tsx';
import { useFirstStartDemo } from './first-start.ts';

const SetAsideNotice = lazy(async () => ({
  default: (await import('./set-aside.tsx')).SetAsideNotice,
}));
const NewCase = lazy(async () => ({ default: (await import('./new-case.tsx')).NewCase }));
const ImportCase = lazy(async () => ({ default: (await import('./import-case.tsx')).ImportCase }));

/** Vehicles and their cases, and what each case waits for. */
export function Garage() {
  const dispatch = useAppDispatch();
  const { status, vehicles, cases } = useAppSelector((s) => s.logbook);
  const [params, setParams] = useSearchParams();
  const hasOdd = useAppSelector((s) => s.logbook.setAside.length + s.logbook.newer.length > 0);
  const [isBusy, setBusy] = useState(false);
  useFirstStartDemo();
  const close = () => setParams({}, { replace: true });
  const list = Object.values(vehicles);
  const all = Object.values(cases).sort((a, b) => (a.openedAt < b.openedAt ? 1 : -1));

  if (status === 'loading')
    return (
      <main id="work" className="p-6" role="status">
        Opening the logbook…
      </main>
    );
  return (
    <main id="work" className="mx-auto w-full max-w-6xl space-y-4 p-4">
      <div className="flex flex-wrap items-center justify-between gap-3">
        <h1 className="text-2xl">Garage</h1>
        <div className="flex flex-wrap gap-2">
          <Link to="/?import" className={BUTTON.plain}>
            <FileUp size={19} aria-hidden="true" /> Bring in a case file
          </Link>
          <Link to="/?new" className={BUTTON.solid}>
            <Plus size={19} aria-hidden="true" /> A light came on
          </Link>
        </div>
      </div>
      {hasOdd ? (
        <Suspense fallback={null}>
          <SetAsideNotice />
        </Suspense>
      ) : null}
      <ExportReminder />
      {list.length === 0 ? (
        <Notice
          title="No vehicle yet."
          action={
            <div className="flex flex-wrap gap-2">
              <Link to="/?new" className={BUTTON.solid}>
                A light came on
              </Link>
              <button
                type="button"
                className={BUTTON.plain}
                disabled={isBusy}
                onClick={() => {
                  setBusy(true);
                  import('../store/transfer-actions.ts')
                    .then(({ addDemo }) => dispatch(addDemo()))
                    .catch(async () => {
                      const { toast } = await import('sonner');
                      toast('The example logbook could not be loaded. Try again with a connection.');
                    })
                    .finally(() => setBusy(false));
                }}
              >
                Look at an example logbook
              </button>
            </div>
          }
        >
          Begin with the lamp that lit: say what you see, plug in, and find out what it is, how far it may
          still be driven and what to do about it.
        </Notice>
      ) : (
        <div className="grid items-start gap-4 lg:grid-cols-2">
          {list.map((v) => (
            <Contained key={v.id} name={v.name}>
              <VehicleSheet vehicle={v} cases={all.filter((c) => c.vehicle === v.id)} />
            </Contained>
          ))}
        </div>
      )}
      <Contained name="This form" resetOn={params}>
        <Suspense fallback={null}>
          {params.has('new') ? <NewCase onClose={close} /> : null}
          {params.has('import') ? <ImportCase onClose={close} /> : null}
        </Suspense>
      </Contained>
    </main>
  );
}

function VehicleSheet({ vehicle, cases }: { vehicle: Vehicle; cases: CaseRecord[] }) {
  const units = useAppSelector((s) => s.settings.owner.units);
  const dispatch = useAppDispatch();
  const navigate = useNavigate();
  const open = cases.filter((c) => foldCase(c).closed === null);
  /** The newest open case, or a new one: the shortest way to the first codes. */
  const plugIn = async () => {
    const found = open[0] ?? (await dispatch(openCase(vehicle, 'A light came on')));
    void navigate(`/case/${found.id}/plug-in`);
  };
  const closed = cases.filter((c) => foldCase(c).closed !== null);
  const about = [
    vehicle.year,
    vehicle.fuel === 'unknown' ? null : vehicle.fuel,
    vehicle.distanceKm === undefined ? null : distance(vehicle.distanceKm, units),
    vehicle.plate,
  ].filter((x) => x !== null && x !== undefined);
  return (
    <section className={SHEET} aria-label={vehicle.name}>
      <div className="flex items-baseline justify-between gap-3 border-b border-line px-4 py-3">
        <h2 className="text-xl">{vehicle.name}</h2>
        <p className="text-right text-[15px] text-ink-2">{about.join(' · ')}</p>
      </div>
      <div className="divide-y divide-line">
        {open.map((c) => (
          <OpenCase key={c.id} record={c} vehicle={vehicle} />
        ))}
        {closed.map((c) => (
          <Link
            key={c.id}
            to={`/case/${c.id}/prove`}
            className="flex min-h-14 items-center justify-between gap-3 px-4 py-2 hover:bg-sheet-2"
          >
            <span>{c.title}</span>
            <span className="text-[15px] text-ink-2">closed {day(foldCase(c).closed?.at ?? c.openedAt)}</span>
          </Link>
        ))}
        <div className="flex flex-wrap gap-x-2 px-2 py-2">
          <button type="button" className={BUTTON.quiet} onClick={() => void plugIn()}>
            <PlugZap size={18} aria-hidden="true" /> Plug in and read
          </button>
          <Link to={`/?new=${vehicle.id}`} className={BUTTON.quiet}>
            <Plus size={18} aria-hidden="true" /> Open a case
          </Link>
          <Link to={`/vehicle/${vehicle.id}`} className={BUTTON.quiet}>
            <Pencil size={17} aria-hidden="true" /> About it
          </Link>
        </div>
      </div>
    </section>
  );
}

/** An open case: its road, and the next thing that it waits for. */
function OpenCase({ record, vehicle }: { record: CaseRecord; vehicle: Vehicle }) {
  const state = useAssessment(record, vehicle);
  const a = state.status === 'ready' ? state.assessment : null;
  const firstOpen = a?.stations.find((s) => s.status !== 'filled')?.id ?? 'light';
  const isRead = foldCase(record).scans.length > 0;
  const waits = !a
    ? 'working it out…'
    : a.proof.status !== 'not-cleared'
      ? {
          'unknown-outcome': 'a clear got no answer: read again',
          'read-again': 'waits for a reading after the clear',
          returned: 'it came back: narrow it down again',
          watching: 'waits for more good drives',
          proven: 'proven; close it',
          'not-cleared': '',
        }[a.proof.status]
      : !isRead
        ? 'waits to be read'
        : a.checks[0]?.isWorthIt
          ? `next check: ${a.checks[0].title}`
          : 'waits for your decision';
  return (
    <Link
      to={`/case/${record.id}/${isRead ? 'narrow' : firstOpen}`}
      className="block px-4 py-3 hover:bg-sheet-2"
    >
      <div className="flex items-baseline justify-between gap-3">
        <span className="text-[17px] font-semibold">{record.title}</span>
        <span className="shrink-0 text-[15px] text-ink-2">opened {day(record.openedAt)}</span>
      </div>
      {a ? (
        <div className="verge-hatch mt-2 flex h-9 items-stretch overflow-hidden rounded">
          <div
            className="flex min-w-36 items-center bg-tar px-3 text-[15px] font-bold text-tar-ink"
            style={{ width: `${ROAD_SHARE[a.allowance.level]}%`, borderRight: '4px solid var(--lane)' }}
          >
            {a.allowance.title}
          </div>
        </div>
      ) : null}
      <p className="mt-1.5 text-ink-2">{waits}</p>
    </Link>
  );
}
