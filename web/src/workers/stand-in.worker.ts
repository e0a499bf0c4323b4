import { expose } from 'comlink';
import { CARS, StandIn, type StandInAdapter } from '@pincer/simulator';
import { REAL_CLOCK } from '../clock.ts';
import type { StandInApi, StandInSetup, StandInState } from '../ports/stand-in.ts';

let car: StandIn | null = null;
let adapter: StandInAdapter | null = null;
let setup: StandInSetup | null = null;
let trips = 0;
let shook: boolean | null = null;
let isMended = false;

function state(): StandInState {
  if (!car || !setup) throw new Error('The simulated vehicle has not been started.');
  return { setup, mode: car.engine.mode, isMended, trips, shook };
}

async function forward(from: StandInAdapter, listener: (bytes: Uint8Array | null) => void): Promise<void> {
  for await (const bytes of from.incoming) listener(bytes);
  listener(null);
}

const api: StandInApi = {
  start(next, listener) {
    const isSameCar = car !== null && JSON.stringify(setup) === JSON.stringify(next);
    adapter?.unplug();
    if (!car || !isSameCar) {
      const plan = CARS.find((c) => c.id === next.car);
      car = new StandIn({
        ...(plan ? { car: plan } : {}),
        faults: next.practice?.faults ?? (next.fault ? [next.fault] : []),
        comesAndGoes: next.practice?.comesAndGoes ?? false,
        seed: next.seed,
        temperament: next.temperament,
        network: next.network ?? 'open',
        isWet: next.isWet,
        clock: REAL_CLOCK,
      });
      if (next.isKeyOff) car.setMode('off');
      setup = next;
      trips = 0;
      shook = null;
      isMended = false;
    }
    adapter = car.plugIn();
    void forward(adapter, listener);
    return state();
  },
  write: (bytes) => adapter?.write(bytes) ?? Promise.reject(new Error('No adapter is plugged in.')),
  unplug() {
    adapter?.unplug();
  },
  setMode(mode) {
    car?.setMode(mode);
    return state();
  },
  warmUp() {
    car?.warmUp();
    return state();
  },
  mend() {
    car?.mend();
    isMended = true;
    return state();
  },
  mendTo(left) {
    car?.mendTo(left);
    isMended = left.length === 0;
    return state();
  },
  drive() {
    shook = car?.drive().shook ?? null;
    trips++;
    return state();
  },
};

expose(api);
