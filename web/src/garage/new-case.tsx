import { useNavigate, useSearchParams } from 'react-router';
import type { Vehicle } from '@pincer/core/vehicle';
import { newId } from '../store/ids.ts';
import { openCase, putVehicle } from '../store/logbook-actions.ts';
import { useAppDispatch, useAppSelector } from '../store/store.ts';
import { Dialog } from '../ui/dialog.tsx';
import { VehicleForm } from './vehicle-form.tsx';

/** Opens a case: for a vehicle that is here, or for a new one with as little as its name. */
export function NewCase({ onClose }: { onClose: () => void }) {
  const [params] = useSearchParams();
  const vehicles = useAppSelector((s) => s.logbook.vehicles);
  const units = useAppSelector((s) => s.settings.owner.units);
  const dispatch = useAppDispatch();
  const navigate = useNavigate();
  const chosen = vehicles[params.get('new') ?? ''];
  const open = async (vehicle: Vehicle) => {
    const record = await dispatch(openCase(vehicle, 'A light came on'));
    void navigate(`/case/${record.id}/light`);
  };
  const known = Object.values(vehicles).filter((v) => v.putAwayAt === undefined);
  return (
    <Dialog
      title="A light came on"
      description="On which vehicle? Leave anything you do not know blank."
      open
      onOpenChange={onClose}
    >
      {known.length > 0 ? (
        <div className="mb-4 space-y-2">
          {(chosen ? [chosen] : known).map((v) => (
            <button
              key={v.id}
              type="button"
              className="flex min-h-11 w-full items-center justify-between rounded-md border border-line px-4 font-semibold hover:bg-sheet-2"
              onClick={() => void open(v)}
            >
              <span>{v.name}</span>
              <span className="font-normal text-ink-2">{v.plate}</span>
            </button>
          ))}
        </div>
      ) : null}
      {chosen ? null : (
        <>
          {known.length > 0 ? (
            <h3 className="mb-3 border-t border-line pt-3 text-lg">Another vehicle</h3>
          ) : null}
          <VehicleForm
            vehicle={null}
            newVehicleId={() => newId('veh')}
            units={units}
            submit="Open the case"
            isShort
            onSubmit={async (vehicle) => {
              await dispatch(putVehicle(vehicle));
              await open(vehicle);
            }}
          />
        </>
      )}
    </Dialog>
  );
}
