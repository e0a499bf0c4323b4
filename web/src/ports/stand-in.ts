import type { Transport } from '@pincer/core/link';
import type { Fault, Mode, NetworkId, TemperamentId } from '@pincer/simulator';

export interface StandInSetup {
  /** Id of the made-up vehicle. */
  car: string;
  fault: Fault | null;
  seed: number;
  temperament: TemperamentId;
  /** How its control units can be reached. */
  network?: NetworkId;
  isWet: boolean;
  /** Faults of a task of the practice bay, in place of the one. */
  practice?: { faults: Fault[]; comesAndGoes: boolean };
  /** The key is left off when the car is first plugged into. */
  isKeyOff: boolean;
}

/** What the screens show of the stand-in. */
export interface StandInState {
  setup: StandInSetup;
  mode: Mode;
  isMended: boolean;
  trips: number;
  /** Whether the last drive shook; null before the first. */
  shook: boolean | null;
}

/** What the worker with the stand-in can be asked for. */
export interface StandInApi {
  /** A fresh car. Bytes of its adapter go to the listener; null when the plug is out. */
  start: (setup: StandInSetup, listener: (bytes: Uint8Array | null) => void) => StandInState;
  write: (bytes: Uint8Array) => Promise<void>;
  unplug: () => void;
  setMode: (mode: Mode) => StandInState;
  warmUp: () => StandInState;
  mend: () => StandInState;
  drive: () => StandInState;
  /** Repairs everything but these. */
  mendTo: (left: readonly Fault[]) => StandInState;
}

/** The stand-in as the page uses it: a car whose adapter is a transport like any other. */
export interface StandInPort {
  plugIn: (setup: StandInSetup) => Promise<{ transport: Transport; state: StandInState | null }>;
  unplug: () => Promise<void>;
  setMode: (mode: Mode) => Promise<StandInState>;
  does: (what: 'warmUp' | 'drive' | 'mend') => Promise<StandInState>;
  mendTo: (left: readonly Fault[]) => Promise<StandInState>;
}
