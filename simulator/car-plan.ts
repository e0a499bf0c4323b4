import type { MonitorId, StatusCode } from '@pincer/core/obd';
import type { Fault } from './faults.ts';

/** What the driver is doing. */
export type Mode = 'off' | 'key-on' | 'idle' | 'raised' | 'cruise' | 'hill';
export type RunningMode = Exclude<Mode, 'off' | 'key-on'>;

/** What a car's control units look at to know which faults they have stored. */
export interface FaultyCar {
  has: (kind: Fault['kind']) => boolean;
}

/** A control unit beyond the engine's, and what it has stored for the faults that the car has. */
export interface UnitPlan {
  name: string;
  request: string;
  answer: string;
  codes: (car: FaultyCar) => StatusCode[];
  /** What it tells of itself when it is asked (identifiers of ISO 14229; F1 87, 95 and 97). */
  tells?: { name?: string; partNumber?: string; software?: string };
  /** How it talks where that is not plainly ISO 14229: the older language, or asleep until somebody has asked once. */
  manner?: 'older' | 'asleep';
  /** Name of the unit whose stored codes set this one’s again as soon as they are erased. */
  heldBy?: string;
}

/** A sound, warm engine in one mode. */
export interface ModeTarget {
  rpm: number;
  /** kPa absolute. */
  manifold: number;
  /** %, pedal and throttle beyond its rest. */
  throttle: number;
  pedal: number;
  /** km/h */
  speed: number;
  /** Volumetric efficiency. */
  ve: number;
  /** Degrees before top dead centre; diesels tell no timing. */
  timing: number;
  /** Share of exhaust led back, diesels. */
  recirculated: number;
}

export interface CarPlan {
  id: string;
  title: string;
  ignition: 'spark' | 'compression';
  /** Litres. */
  displacement: number;
  cylinders: number;
  modes: Readonly<Record<RunningMode, ModeTarget>>;
  /** °C */
  thermostat: number;
  /** The control unit of an automatic gearbox, where there is one. */
  gearbox: UnitPlan | null;
  identity: { vin: string; calibrationId: string; verificationNumber: string; name: string };
  livePids: readonly number[];
  /** Manifold pressure up to which its control unit scales, kPa, where that is not the standard’s 255. */
  manifoldLimit?: number;
  frozenPids: readonly number[];
  monitors: readonly MonitorId[];
  /** Every control unit beyond engine and gearbox. */
  units: readonly UnitPlan[];
  /** The engine's and the gearbox's answer by ISO 14229 alone, as the newest cars do. */
  isNewer?: boolean;
  /** 11-bit ids that the units send on all the time, with what they send: traffic that a search must not disturb. */
  traffic?: readonly { id: string; bytes: readonly number[] }[];
  /** Faults that it can be given. */
  faults: readonly Fault[];
}
