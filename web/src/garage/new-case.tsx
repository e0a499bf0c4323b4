import { useState } from 'react';
import { useNavigate, useSearchParams } from 'react-router';
import type { Vehicle } from '@pincer/core/vehicle';
import { newId } from '../store/ids.ts';
import { OCCASIONS, type Occasion } from '@pincer/core/case';
import { Segments } from '../ui/segments.tsx';
import { openCase, putVehicle } from '../store/logbook-actions.ts';
import { useAppDispatch, useAppSelector } from '../store/store.ts';
import { Dialog } from '../ui/dialog.tsx';
import { VehicleForm } from './vehicle-form.tsx';
import { ownVehicles } from '../store/logbook-selectors.ts';

/** What each occasion is called, where it begins, and what it is for. */
const OCCASION: Readonly<Record<Occasion, { title: string; page: string; about: string }>> = {
  light: {
    title: 'A light came on',
    page: 'light',
    about: 'From the light to the proof that it is fixed.',
  },
  routine: {
    title: 'Routine look',
    page: 'plug-in',
    about: 'A reading without a light: the baseline that later ones are compared with.',
  },
  buying: {
    title: 'Before buying',
    page: 'buying',
    about: 'Ten minutes at a stranger’s vehicle. Nothing is cleared there.',
  },
};

/** Opens a case: for a vehicle that is here, or for a new one with as little as its name. */
export function NewCase({ onClose }: { onClose: () => void }) {
  const [params] = useSearchParams();
  const vehicles = useAppSelector((s) => ownVehicles(s.logbook));
  const units = useAppSelector((s) => s.settings.owner.units);
  const dispatch = useAppDispatch();
  const navigate = useNavigate();
  const chosen = vehicles.find((v) => v.id === params.get('new'));
  const [occasion, setOccasion] = useState<Occasion>('light');
  const open = async (vehicle: Vehicle) => {
    const { title, page } = OCCASION[occasion];
    const record = await dispatch(openCase(vehicle, title, occasion));
    void navigate(`/case/${record.id}/${page}`);
  };
  const known = vehicles.filter((v) => v.putAwayAt === undefined);
  return (
    <Dialog
      title={OCCASION[occasion].title}
      description="On which vehicle? Leave anything you do not know blank."
      open
      onOpenChange={onClose}
    >
      <div className="mb-4">
        <Segments
          label="What brings you"
          value={occasion}
          options={OCCASIONS.map((id) => ({ id, title: OCCASION[id].title }))}
          onChange={setOccasion}
        />
        <p className="mt-1 text-[15px] text-ink-2">{OCCASION[occasion].about}</p>
      </div>
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
