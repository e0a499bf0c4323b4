import { PlugZap } from 'lucide-react';
import {
  CARS,
  DRAY,
  FINCH,
  KESTRINE,
  faultTitle,
  type CarPlan,
  type Fault,
  type NetworkId,
  type TemperamentId,
} from '@pincer/simulator';
import type { Vehicle } from '@pincer/core/vehicle';
import { wordsIn } from '@pincer/core/words';
import { BUTTON, FIELD, SHEET } from '../../ui/classes.ts';
import { useWording } from '../../store/use-tell.ts';

const NONE = 'none';
/** A fault's id within its vehicle. */
const faultId = (fault: Fault): string =>
  'cylinder' in fault ? `${fault.kind}-${fault.cylinder}` : fault.kind;

/** The made-up vehicle that is most like the owner's. */
function carLike(vehicle: Vehicle): CarPlan {
  if (vehicle.kind === 'motorcycle') return KESTRINE;
  return vehicle.fuel === 'diesel' ? DRAY : FINCH;
}

/** The adapter's temper, from plain to awkward. */
const ADAPTERS: readonly { id: TemperamentId; title: string }[] = [
  { id: 'quick', title: 'Quick' },
  { id: 'slow', title: 'Slow' },
  { id: 'legacy', title: 'Quick, older vehicle' },
  { id: 'forgetful', title: 'Loses characters' },
  { id: 'clone', title: 'Knows fewer commands' },
  { id: 'blind', title: 'Misses the protocol' },
  { id: 'restarting', title: 'Restarts once' },
];

/** How the control units can be reached. */
const NETWORK_CHOICES: readonly { id: NetworkId; title: string }[] = [
  { id: 'open', title: 'All answer' },
  { id: 'filtering', title: 'Gateway filters' },
  { id: 'sleeping', title: 'Some are asleep' },
  { id: 'older', title: 'Some speak the older language' },
  { id: 'unusual', title: 'Unusual addresses' },
  { id: 'newer', title: 'Newest standard only' },
];

export interface StandInChoice {
  /** Id of the made-up vehicle; null for the one most like the owner's. */
  car: string | null;
  /** Id of the fault; null for the vehicle's first. */
  fault: string | null;
  temperament: TemperamentId;
  network?: NetworkId;
  /** The key was left off, as one does. */
  isKeyOff: boolean;
}
export const STAND_IN_START: StandInChoice = {
  car: null,
  fault: null,
  temperament: 'quick',
  isKeyOff: false,
};
export const isStandInChoice = (v: unknown): v is StandInChoice =>
  typeof v === 'object' && v !== null && 'car' in v && 'fault' in v && 'temperament' in v && 'isKeyOff' in v;

const carOf = (choice: StandInChoice, vehicle: Vehicle): CarPlan =>
  CARS.find((c) => c.id === choice.car) ?? carLike(vehicle);

function faultOf({ fault }: StandInChoice, car: CarPlan): Fault | null {
  if (fault === NONE) return null;
  return car.faults.find((f) => faultId(f) === fault) ?? car.faults[0] ?? null;
}

/** The setup of the stand-in for a choice. */
export function standInSetup(choice: StandInChoice, vehicle: Vehicle) {
  const car = carOf(choice, vehicle);
  return {
    car: car.id,
    fault: faultOf(choice, car),
    seed: 7,
    temperament: choice.temperament,
    network: choice.network ?? 'open',
    isWet: true,
    isKeyOff: choice.isKeyOff,
  };
}

/** A made-up car in this page, for trying everything out without one. */
export function StandInAdapterChoice({
  choice,
  vehicle,
  isTalking,
  isBusy,
  hasTried,
  onChoose,
  onConnect,
}: {
  choice: StandInChoice;
  vehicle: Vehicle;
  isTalking: boolean;
  isBusy: boolean;
  hasTried: boolean;
  onChoose: (choice: StandInChoice) => void;
  onConnect: (andRead: boolean) => void;
}) {
  const { words } = useWording();
  const car = carOf(choice, vehicle);
  const fault = faultOf(choice, car);
  return (
    <section aria-labelledby="adapter" className={`${SHEET} p-4`}>
      <h3 id="adapter" className="flex items-center gap-2 text-lg">
        <PlugZap size={22} aria-hidden="true" /> Practice adapter (simulated)
      </h3>
      <p className="text-ink-2">
        A simulated vehicle and adapter inside this page, for practice. It sends the same data as a real one.
      </p>
      <div className="mt-3 grid items-end gap-3 sm:grid-cols-2 lg:grid-cols-[1fr_1fr_170px]">
        <label className="block">
          <span className="font-semibold">Simulated vehicle</span>
          <select
            className={FIELD}
            value={car.id}
            disabled={isTalking}
            onChange={(e) => onChoose({ ...choice, car: e.target.value, fault: null })}
          >
            {CARS.map((c) => (
              <option key={c.id} value={c.id}>
                {wordsIn(c.title, words)}
              </option>
            ))}
          </select>
        </label>
        <label className="block">
          <span className="font-semibold">What is wrong with it</span>
          <select
            className={FIELD}
            value={fault ? faultId(fault) : NONE}
            disabled={isTalking}
            onChange={(e) => onChoose({ ...choice, fault: e.target.value })}
          >
            {car.faults.map((f) => (
              <option key={faultId(f)} value={faultId(f)}>
                {faultTitle(f)}
              </option>
            ))}
            <option value={NONE}>Nothing</option>
          </select>
        </label>
        <label className="block">
          <span className="font-semibold">Adapter</span>
          <select
            className={FIELD}
            value={choice.temperament}
            disabled={isTalking}
            onChange={(e) =>
              onChoose({
                ...choice,
                temperament: ADAPTERS.find((a) => a.id === e.target.value)?.id ?? 'quick',
              })
            }
          >
            {ADAPTERS.map((a) => (
              <option key={a.id} value={a.id}>
                {a.title}
              </option>
            ))}
          </select>
        </label>
        <label className="block">
          <span className="font-semibold">Control units</span>
          <select
            className={FIELD}
            value={choice.network ?? 'open'}
            disabled={isTalking}
            onChange={(e) =>
              onChoose({
                ...choice,
                network: NETWORK_CHOICES.find((n) => n.id === e.target.value)?.id ?? 'open',
              })
            }
          >
            {NETWORK_CHOICES.map((n) => (
              <option key={n.id} value={n.id}>
                {n.title}
              </option>
            ))}
          </select>
        </label>
        <div className="flex flex-wrap gap-2">
          <button type="button" className={BUTTON.plain} disabled={isBusy} onClick={() => onConnect(false)}>
            {hasTried ? 'Connect again' : 'Connect'}
          </button>
          <button type="button" className={BUTTON.solid} disabled={isBusy} onClick={() => onConnect(true)}>
            Connect and read
          </button>
        </div>
      </div>
      <label className="mt-2 flex min-h-11 items-center gap-3">
        <input
          type="checkbox"
          className="size-6 accent-(--own)"
          checked={choice.isKeyOff}
          disabled={isTalking}
          onChange={(e) => onChoose({ ...choice, isKeyOff: e.target.checked })}
        />
        <span>Ignition left off</span>
      </label>
    </section>
  );
}
