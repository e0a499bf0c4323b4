import { AdapterPort, connect, takeScan } from '@pincer/core/link';
import type { Scan } from '@pincer/core/obd';
import { CARS, DRAY_MODULES, FINCH_MODULES, KESTRINE_MODULES } from './cars.ts';
import { isFault, type Fault } from './faults.ts';
import { INSTANT_CLOCK } from './instant-clock.ts';
import { StandIn } from './stand-in.ts';

/** What a practice car is made of. */
export interface PracticeCarSetup {
  car: string;
  /** What was wrong at the beginning. */
  faults: readonly unknown[];
  comesAndGoes: boolean;
  seed: number;
}

const MODULES: Readonly<Record<string, typeof FINCH_MODULES>> = {
  finch: FINCH_MODULES,
  dray: DRAY_MODULES,
  kestrine: KESTRINE_MODULES,
};

/** The control units of a made-up vehicle, by its id. */
export const modulesOf = (car: string) => MODULES[car] ?? FINCH_MODULES;

/** Of things that may come from a file, those that are faults of the simulator. */
export const practiceFaults = (faults: readonly unknown[]): Fault[] => faults.filter(isFault);

/** Drives after a repair, so that what is tested once a drive has been tested. */
const TRIPS_AFTER = 2;

/**
 * A full reading of a practice car, warm and standing, with so much still wrong. What was repaired has been cleared and
 * driven since.
 */
export async function readPracticeCar(setup: PracticeCarSetup, wrong: readonly unknown[]): Promise<Scan> {
  const plan = CARS.find((c) => c.id === setup.car);
  const faults = practiceFaults(setup.faults);
  const car = new StandIn({
    ...(plan ? { car: plan } : {}),
    faults,
    seed: setup.seed,
    clock: INSTANT_CLOCK,
    temperament: 'instant',
    comesAndGoes: setup.comesAndGoes,
  });
  const left = practiceFaults(wrong);
  if (left.length < faults.length) {
    car.mendTo(left);
    car.unit.answer([0x04]);
    for (let i = 0; i < TRIPS_AFTER; i++) car.drive();
  }
  car.warmUp();
  const connected = await connect(new AdapterPort(car.plugIn(), INSTANT_CLOCK));
  if (!connected.ok) throw new Error('The practice vehicle does not answer.');
  return (await takeScan(connected.connection, { units: modulesOf(setup.car).modules })).scan;
}
