import { Link, useNavigate, useParams } from 'react-router';
import { toast } from 'sonner';
import { socketCoverage, type Vehicle } from '@pincer/core/vehicle';
import { putVehicle } from '../store/logbook-actions.ts';
import { useAppDispatch, useAppSelector } from '../store/store.ts';
import { BUTTON, SHEET } from '../ui/classes.ts';
import { Notice } from '../ui/notice.tsx';
import { InspectionPanel } from '../inspection/inspection-panel.tsx';
import { AcceptedCodes } from '../accepted/accepted-codes.tsx';
import { History, PutAway } from './history.tsx';
import { Service } from './service.tsx';
import { Trends } from './trends.tsx';
import { MakerList } from './maker-list.tsx';
import { ModuleMapSection } from './module-map.tsx';
import { VehicleForm } from './vehicle-form.tsx';
import { useAssessment } from '../store/use-assessment.ts';
import { SpokenOf, useTell } from '../store/use-tell.ts';
import { casesOfVehicle } from '../store/logbook-selectors.ts';

/** All that is known of one vehicle, to look at and to change. */
export function VehiclePage() {
  const { vehicleId = '' } = useParams();
  const vehicle = useAppSelector((s) => s.logbook.vehicles.entities[vehicleId]);
  const status = useAppSelector((s) => s.logbook.status);
  const units = useAppSelector((s) => s.settings.owner.units);
  const dispatch = useAppDispatch();
  const navigate = useNavigate();
  if (status === 'loading')
    return (
      <main id="work" className="p-6" role="status">
        Opening the logbook…
      </main>
    );
  if (!vehicle)
    return (
      <main id="work" className="mx-auto w-full max-w-xl p-6">
        <Notice
          title="This vehicle is not in this browser’s logbook."
          action={
            <Link to="/" className={BUTTON.solid}>
              To the garage
            </Link>
          }
        />
      </main>
    );
  return (
    <SpokenOf value={vehicle.kind}>
      <main id="work" className="mx-auto w-full max-w-6xl space-y-4 p-4">
        <div className="flex flex-wrap items-center justify-between gap-3">
          <title>{`${vehicle.name} · Pincer`}</title>
          <h1 className="text-2xl">{vehicle.name}</h1>
          <PutAway vehicle={vehicle} />
        </div>
        <History vehicle={vehicle} />
        <Trends vehicle={vehicle} />
        <div className="grid items-start gap-4 lg:grid-cols-[1.35fr_1fr]">
          <section className={`${SHEET} p-4`} aria-label="Vehicle details">
            <VehicleForm
              key={vehicle.id}
              vehicle={vehicle}
              newVehicleId={() => vehicle.id}
              units={units}
              submit="Save changes"
              onSubmit={async (next) => {
                const isSaved = await dispatch(putVehicle(next));
                if (isSaved) toast('Saved.');
                void navigate('/');
              }}
            />
          </section>
          <div className="space-y-4">
            <LatestInspection vehicle={vehicle} />
            <Service vehicle={vehicle} />
            <section className={`${SHEET} p-4`} aria-labelledby="accepted">
              <h2 id="accepted" className="mb-2 text-lg">
                Known and accepted codes
              </h2>
              <AcceptedCodes vehicle={vehicle} />
            </section>
            <section className={`${SHEET} p-4`} aria-labelledby="module-map">
              <h2 id="module-map" className="mb-2 text-lg">
                Control units
              </h2>
              <ModuleMapSection vehicle={vehicle} />
            </section>
            <section className={`${SHEET} p-4`} aria-labelledby="maker-list">
              <h2 id="maker-list" className="mb-2 text-lg">
                Manufacturer-specific codes
              </h2>
              <MakerList vehicle={vehicle} />
            </section>
            <SocketCoverage vehicle={vehicle} />
          </div>
        </div>
      </main>
    </SpokenOf>
  );
}

/** Whether it has the standard's socket, and how to tell. */
function SocketCoverage({ vehicle }: { vehicle: Vehicle }) {
  const tell = useTell();
  const { verdict, reason, howToTell } = socketCoverage(vehicle);
  return (
    <section className={`${SHEET} p-4`} aria-labelledby="socket">
      <h2 id="socket" className="text-lg">
        Does it support standard diagnostics (OBD)?
      </h2>
      <p>
        <b>{{ yes: 'Yes.', likely: 'Likely.', unlikely: 'Unlikely.', unknown: 'Not known yet.' }[verdict]}</b>{' '}
        {tell(reason)} <span className="text-ink-2">{tell(howToTell)}</span>
      </p>
    </section>
  );
}

/** Whether it would pass, as its latest case knows it. */
function LatestInspection({ vehicle }: { vehicle: Vehicle }) {
  const cases = useAppSelector((s) => casesOfVehicle(s.logbook, vehicle.id));
  const latest = cases.toSorted((a, b) => b.openedAt.localeCompare(a.openedAt))[0];
  const assessed = useAssessment(latest, vehicle);
  if (assessed.status !== 'ready' || !assessed.assessment.inspection) return null;
  return <InspectionPanel view={assessed.assessment.inspection} vehicle={vehicle} isOpen />;
}
