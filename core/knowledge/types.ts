import type { Fuel, Vehicle } from '@pincer/core/vehicle';
import type { CautionId } from './cautions.ts';
import type { ObservationKey } from './observations.ts';

export const SYSTEMS = {
  ignition: 'ignition',
  air: 'air',
  fuel: 'fuel',
  exhaust: 'exhaust',
  cooling: 'cooling',
  electrical: 'electrical',
  engine: 'engine (mechanical)',
  oil: 'oil',
  diesel: 'glow plugs and particulate filter',
  gearbox: 'gearbox',
  brakes: 'brakes and stability',
  steering: 'steering and {tyres}',
  safety: 'airbag',
  'high-voltage': 'high voltage',
  body: 'body and access',
} as const;
export type SystemId = keyof typeof SYSTEMS;

/** Tools that a check or a repair may ask for. */
export const TOOLS = {
  'hand-tools': 'sockets and screwdrivers',
  multimeter: 'multimeter',
  'spark-tester': 'spark tester',
  'compression-gauge': 'compression gauge',
  'fuel-gauge': 'fuel pressure gauge',
  'cleaner-spray': 'air flow sensor cleaner',
  'brake-cleaner': 'soapy water or leak spray',
  'torque-wrench': 'torque wrench',
  'tyre-gauge': '{tyre} pressure gauge',
  charger: 'battery charger',
} as const;
export type ToolId = keyof typeof TOOLS;

/** What a tool costs to buy, in currency units, when the owner does not have it. */
export const TOOL_PRICES: Readonly<Record<ToolId, number>> = {
  'hand-tools': 40,
  multimeter: 20,
  'spark-tester': 12,
  'compression-gauge': 25,
  'fuel-gauge': 35,
  'cleaner-spray': 9,
  'brake-cleaner': 4,
  'torque-wrench': 35,
  'tyre-gauge': 6,
  charger: 35,
};

export interface Repair {
  title: string;
  /** Parts, in currency units, a usual price for a small car. */
  parts: number;
  /** The owner's minutes, and a workshop's. */
  ownerMinutes: number;
  shopMinutes: number;
  /** A workshop’s price for all of it, where the owner knows it. */
  shopPrice?: number;
  tools: readonly ToolId[];
  cautions: readonly CautionId[];
  /** A few steps; none where the procedures hold the whole of it. */
  steps: readonly string[];
  /** Work that the law or good sense leaves to licensed people. */
  isLicensed?: boolean;
}

/** Makes a cause likelier (factor above 1) or less likely where the vehicle fits. */
export interface PriorFactor {
  when:
    | { kind: 'distance-over'; km: number }
    | { kind: 'age-over'; years: number }
    | { kind: 'fuel'; fuel: Fuel }
    | { kind: 'modified' };
  factor: number;
}

export interface Cause {
  id: string;
  /** Plain title; `{n}` stands for the cylinder. */
  title: string;
  system: SystemId;
  /** One for the engine, or one for each cylinder. */
  scope: 'engine' | 'cylinder';
  /** Left out where it cannot occur. */
  fuels?: readonly Fuel[];
  kinds?: readonly Vehicle['kind'][];
  gearboxes?: readonly NonNullable<Vehicle['gearbox']>[];
  /** Chance that a lit engine lamp has this cause, before any evidence: see `docs/method.md` for the scale. */
  prior: number;
  priorFactors?: readonly PriorFactor[];
  /** P(observation | this cause alone), noisy-OR strength. */
  effects: Readonly<Partial<Record<ObservationKey, number>>>;
  /** May go away without repair: water dries, a cap gets closed. */
  isPassing?: boolean;
  /** Is over without anybody doing anything: with the next tank, or on a dry day. A cap stays loose until it is closed. */
  endsByItself?: boolean;
  repair: Repair;
}

export interface CheckOutcome {
  id: string;
  title: string;
  /** What this result says, in a sentence. */
  says: string;
}

export interface Check {
  id: string;
  /** `{n}` stands for the cylinder, `{m}` for another one. */
  title: string;
  scope: 'engine' | 'cylinder';
  system: SystemId;
  minutes: number;
  /** Wants a drive on the road, so it waits while the car may not be driven. */
  needsDriving?: boolean;
  /** Materials, currency units. */
  cost: number;
  tools: readonly ToolId[];
  cautions: readonly CautionId[];
  /** How to do it. */
  how: string;
  /** The first outcome is the one with nothing found. */
  outcomes: readonly [CheckOutcome, CheckOutcome, ...CheckOutcome[]];
  /** P(outcome) with none of the causes below, in the order of the outcomes. */
  otherwise: readonly number[];
  /** P(outcome | cause), in the order of the outcomes. For a cylinder check: the same cylinder's cause. */
  given: Readonly<Record<string, readonly number[]>>;
}
