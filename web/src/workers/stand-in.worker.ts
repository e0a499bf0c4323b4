import { expose } from 'comlink';
import type { Clock } from '@pincer/core/link';
import { CARS, StandIn, type StandInAdapter } from '@pincer/simulator';
import type { StandInApi, StandInSetup, StandInState } from './stand-in-api.ts';

const clock: Clock = {
  now: () => performance.now(),
  after: (ms, run) => {
    const timer = setTimeout(run, ms);
    return () => clearTimeout(timer);
  },
};

let car: StandIn | null = null;
let adapter: StandInAdapter | null = null;
let setup: StandInSetup | null = null;
let trips = 0;
let shook: boolean | null = null;
let isMended = false;

function state(): StandInState {
  if (!car || !setup) throw new Error('The stand-in has not been started.');
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
        faults: next.fault ? [next.fault] : [],
        seed: next.seed,
        temperament: next.temperament,
        isWet: next.isWet,
        clock,
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
  drive() {
    shook = car?.drive().shook ?? null;
    trips++;
    return state();
  },
};

expose(api);
