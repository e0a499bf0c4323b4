import { PlugZap } from 'lucide-react';
import { faultTitle, type Fault, type TemperamentId } from '@pincer/simulator';
import { BUTTON, FIELD, SHEET } from '../../ui/classes.ts';

const FAULTS: readonly { id: string; fault: Fault | null }[] = [
  { id: 'boot', fault: { kind: 'coil-boot', cylinder: 2 } },
  { id: 'coil-1', fault: { kind: 'coil', cylinder: 1 } },
  { id: 'coil-3', fault: { kind: 'coil', cylinder: 3 } },
  { id: 'air-flow', fault: { kind: 'air-flow-unplugged' } },
  { id: 'intake-temperature', fault: { kind: 'intake-temperature-unplugged' } },
  { id: 'leak', fault: { kind: 'intake-leak', share: 0.2 } },
  { id: 'battery', fault: { kind: 'battery-weak' } },
  { id: 'wheel', fault: { kind: 'wheel-sensor' } },
  { id: 'none', fault: null },
];

/** The adapter's temper, from plain to awkward. */
const ADAPTERS: readonly { id: TemperamentId; title: string }[] = [
  { id: 'quick', title: 'Quick' },
  { id: 'slow', title: 'Slow' },
  { id: 'legacy', title: 'Quick, older car' },
  { id: 'forgetful', title: 'Loses characters' },
  { id: 'clone', title: 'Knows fewer commands' },
  { id: 'blind', title: 'Misses the protocol' },
  { id: 'restarting', title: 'Restarts once' },
];

export interface StandInChoice {
  fault: string;
  temperament: TemperamentId;
  /** The key was left off, as one does. */
  isKeyOff: boolean;
}
export const STAND_IN_START: StandInChoice = { fault: 'boot', temperament: 'quick', isKeyOff: false };
export const isStandInChoice = (v: unknown): v is StandInChoice =>
  typeof v === 'object' && v !== null && 'fault' in v && 'temperament' in v && 'isKeyOff' in v;

/** The setup of the stand-in for a choice. */
export function standInSetup({ fault, temperament, isKeyOff }: StandInChoice) {
  return {
    fault: FAULTS.find((f) => f.id === fault)?.fault ?? null,
    seed: 7,
    temperament,
    isWet: true,
    isKeyOff,
  };
}

/** A made-up car in this page, for trying everything out without one. */
export function StandInAdapterChoice({
  choice,
  isTalking,
  isBusy,
  hasTried,
  onChoose,
  onConnect,
}: {
  choice: StandInChoice;
  isTalking: boolean;
  isBusy: boolean;
  hasTried: boolean;
  onChoose: (choice: StandInChoice) => void;
  onConnect: (andRead: boolean) => void;
}) {
  return (
    <section aria-labelledby="adapter" className={`${SHEET} p-4`}>
      <h3 id="adapter" className="flex items-center gap-2 text-lg">
        <PlugZap size={22} aria-hidden="true" /> Stand-in adapter
      </h3>
      <p className="text-ink-2">
        A made-up Tarrow Finch with an adapter in its socket, inside this page. It speaks the same bytes as a
        real one.
      </p>
      <div className="mt-3 grid items-end gap-3 sm:grid-cols-[1fr_190px_auto]">
        <label className="block">
          <span className="font-semibold">What is wrong with it</span>
          <select
            className={FIELD}
            value={choice.fault}
            disabled={isTalking}
            onChange={(e) => onChoose({ ...choice, fault: e.target.value })}
          >
            {FAULTS.map((f) => (
              <option key={f.id} value={f.id}>
                {f.fault ? faultTitle(f.fault) : 'Nothing'}
              </option>
            ))}
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
        <span>Its ignition was left off</span>
      </label>
    </section>
  );
}
