import { FileUp, Plus } from 'lucide-react';
import { useEffect, useMemo, useState } from 'react';
import { Link, useSearchParams } from 'react-router';
import type { Vehicle } from '@pincer/core/vehicle';
import type { Glance } from '../store/logbook-slice.ts';
import { useAppDispatch, useAppSelector } from '../store/store.ts';
import { BUTTON } from '../ui/classes.ts';
import { Contained } from '../ui/contained.tsx';
import { useFetched } from '../ui/fetched.ts';
import { fetchedPart } from '../ui/fetched-part.tsx';
import { useInSight } from '../ui/in-sight.ts';
import { NO_SHARE } from '../ui/road-share.ts';
import { Notice } from '../ui/notice.tsx';
import { BackupNotice } from './backup-notice.tsx';
import { ExportReminder } from './export-reminder.tsx';
import { OpeningSheet } from './sheet-frame.tsx';
import { ownCases, ownVehicles } from '../store/logbook-selectors.ts';

const SetAsideNotice = fetchedPart(async () => (await import('./set-aside.tsx')).SetAsideNotice);
const NewCase = fetchedPart(async () => (await import('./new-case.tsx')).NewCase);
const ImportCase = fetchedPart(async () => (await import('./import-case.tsx')).ImportCase);

const fetchSheet = async () => (await import('./vehicle-sheet.tsx')).VehicleSheet;

/** Vehicles and their cases, and what each case waits for. */
export function Garage() {
  const dispatch = useAppDispatch();
  const status = useAppSelector((s) => s.logbook.status);
  const glance = useAppSelector((s) => s.logbook.glance);
  const vehicles = useAppSelector((s) => ownVehicles(s.logbook));
  const cases = useAppSelector((s) => ownCases(s.logbook));
  const shares = useAppSelector((s) => s.logbook.shares);
  const [params, setParams] = useSearchParams();
  const hasOdd = useAppSelector((s) => s.logbook.setAside.length + s.logbook.newer.length > 0);
  const isExampleComing = useAppSelector((s) => s.logbook.isExampleComing);
  const close = () => setParams({}, { replace: true });
  const [isAllShown, setAllShown] = useState(false);
  const { owned, away } = useMemo(() => {
    const isHere = (x: { putAwayAt?: string | undefined }) => isAllShown || x.putAwayAt === undefined;
    return {
      owned: byVehicle(vehicles.filter(isHere), cases.filter(isHere)),
      away: [...vehicles, ...cases].filter((x) => x.putAwayAt !== undefined).length,
    };
  }, [vehicles, cases, isAllShown]);
  // As each case in sight is worked out, only the vehicles are put in order.
  const list = useMemo(() => byUrgency(owned, shares), [owned, shares]);

  const VehicleSheet = useFetched(fetchSheet, list.length > 0 || glance !== null);

  if (status === 'loading' || (list.length > 0 && !VehicleSheet)) return <Opening glance={glance} />;
  return (
    <main id="work" className="mx-auto w-full max-w-6xl space-y-4 p-4">
      <div className="flex flex-wrap items-center justify-between gap-3">
        <title>Garage · Pincer</title>
        <h1 className="text-2xl">Garage</h1>
        <div className="flex flex-wrap gap-2">
          <Link to="/?new" className={BUTTON.solid}>
            <Plus size={19} aria-hidden="true" /> A light came on
          </Link>
          <Link to="/?import" className={BUTTON.plain}>
            <FileUp size={19} aria-hidden="true" /> Import a case file
          </Link>
          <Link to="/practice" className={BUTTON.quiet}>
            Practice bay
          </Link>
        </div>
      </div>
      {hasOdd ? <SetAsideNotice /> : null}
      <BackupNotice />
      <ExportReminder />
      {isExampleComing ? <p role="status">Bringing in the example logbook…</p> : null}
      {list.length === 0 && away === 0 ? (
        <Notice
          title="No vehicles yet."
          action={
            <div className="flex flex-wrap gap-2">
              <Link to="/?new" className={BUTTON.solid}>
                A light came on
              </Link>
              <button
                type="button"
                className={BUTTON.plain}
                disabled={isExampleComing}
                onClick={() => {
                  import('../store/transfer-actions.ts')
                    .then(({ addDemo }) => dispatch(addDemo()))
                    .catch(async () => {
                      const { toast } = await import('sonner');
                      toast('The example logbook could not be loaded. Try again with a connection.');
                    });
                }}
              >
                Look at an example logbook
              </button>
              <Link to="/settings#on-this-device" className={BUTTON.quiet}>
                Bring back a saved logbook
              </Link>
            </div>
          }
        >
          Start with the warning light: say what you see, connect, and find out what it is, how far you may
          still drive and what to do about it.
        </Notice>
      ) : (
        <Sheets list={list}>
          {({ vehicle, cases: own }) => (
            <Contained key={vehicle.id} name={vehicle.name}>
              {VehicleSheet ? <VehicleSheet vehicle={vehicle} cases={own} /> : null}
            </Contained>
          )}
        </Sheets>
      )}
      {away > 0 ? (
        <button type="button" className={BUTTON.quiet} onClick={() => setAllShown(!isAllShown)}>
          {isAllShown ? 'Hide what is put away' : `Show ${away} put away`}
        </button>
      ) : null}
      <Contained name="This form" resetOn={params}>
        {params.has('new') ? <NewCase onClose={close} /> : null}
        {params.has('import') ? <ImportCase onClose={close} /> : null}
      </Contained>
    </main>
  );
}

/** A vehicle with its cases, newest first. */
interface Owned<T> {
  vehicle: Vehicle;
  cases: T[];
}

/** Each vehicle with its cases. */
function byVehicle<T extends { vehicle: string; openedAt: string }>(
  vehicles: readonly Vehicle[],
  cases: readonly T[],
): Owned<T>[] {
  const of = new Map<string, T[]>(vehicles.map((v) => [v.id, []]));
  for (const one of cases) of.get(one.vehicle)?.push(one);
  return vehicles.map((vehicle) => ({
    vehicle,
    cases: (of.get(vehicle.id) ?? []).sort((a, b) => (a.openedAt < b.openedAt ? 1 : -1)),
  }));
}

/**
 * The vehicle that may be driven least far first, then what was opened last; a vehicle without cases comes after those
 * with some.
 */
function byUrgency<T extends { id: string; openedAt: string }>(
  list: readonly Owned<T>[],
  shares: Readonly<Record<string, number>>,
): Owned<T>[] {
  return list
    .map((owned) => ({
      owned,
      rank: Math.min(NO_SHARE, ...owned.cases.map((c) => shares[c.id] ?? NO_SHARE)),
      newest: owned.cases[0]?.openedAt ?? '',
    }))
    .sort((a, b) => a.rank - b.rank || (a.newest < b.newest ? 1 : a.newest > b.newest ? -1 : 0))
    .map(({ owned }) => owned);
}

/** Sheets that are drawn at once; more follow as the end comes into sight. */
const SHEETS_AT_ONCE = 4;

/** The sheets of the vehicles, as far as somebody has looked down. */
function Sheets<T>({ list, children }: { list: Owned<T>[]; children: (owned: Owned<T>) => React.ReactNode }) {
  const [shown, setShown] = useState(SHEETS_AT_ONCE);
  return (
    <>
      <div className="grid items-start gap-4 lg:grid-cols-2">{list.slice(0, shown).map(children)}</div>
      {shown < list.length ? (
        <More key={shown} rest={list.length - shown} onMore={() => setShown(shown + SHEETS_AT_ONCE)} />
      ) : null}
    </>
  );
}

function More({ rest, onMore }: { rest: number; onMore: () => void }) {
  const [ref, isSeen] = useInSight<HTMLButtonElement>();
  useEffect(() => {
    if (isSeen) onMore();
  }, [isSeen, onMore]);
  return (
    <button ref={ref} type="button" className={BUTTON.plain} onClick={onMore}>
      {rest === 1 ? 'One more vehicle' : `${rest} more vehicles`}
    </button>
  );
}

/** The garage while its logbook is read; of one of many years the names are there at once. */
function Opening({ glance }: { glance: Glance | null }) {
  const shares = useAppSelector((s) => s.logbook.shares);
  const list = useMemo(
    () =>
      byUrgency(
        byVehicle(
          (glance?.vehicles ?? []).filter((v) => !v.isPractice),
          glance?.cases ?? [],
        ),
        shares,
      ),
    [glance, shares],
  );
  return (
    <main id="work" className="mx-auto w-full max-w-6xl space-y-4 p-4">
      <p role="status">Opening the logbook…</p>
      <Sheets list={list}>
        {({ vehicle, cases }) => <OpeningSheet key={vehicle.id} vehicle={vehicle} cases={cases} />}
      </Sheets>
    </main>
  );
}
