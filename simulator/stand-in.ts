import type { Clock } from '@pincer/core/link';
import {
  StandInAdapter,
  TEMPERAMENTS,
  type BusUnit,
  type Temperament,
  type TemperamentId,
} from './adapter.ts';
import { EngineUnit } from './engine-unit.ts';
import type { CarPlan, Mode } from './car-plan.ts';
import { FINCH } from './cars.ts';
import { Engine } from './engine.ts';
import type { Fault } from './faults.ts';
import { onNetwork, type NetworkId } from './networks.ts';
import { newerAnswer } from './newer-unit.ts';
import { GearboxUnit } from './gearbox-unit.ts';
import { seededRandom } from './random.ts';
import { UdsUnit } from './uds-unit.ts';

export interface StandInOptions {
  /** Which vehicle; the hatchback if not said. */
  car?: CarPlan;
  faults: readonly Fault[];
  seed: number;
  isWet?: boolean;
  /** Outside air, °C. */
  outside?: number;
  /** kPa; a mild day near the sea if not said. */
  airPressure?: number;
  temperament?: TemperamentId;
  /** How its control units can be reached; as its plan says if not said. */
  network?: NetworkId;
  /** Departures from the temperament, such as no delays in tests. */
  adapter?: Partial<Temperament>;
  clock: Clock;
  /** Its faults show on about every other drive, and not at the socket. */
  comesAndGoes?: boolean;
  /** Drives made before anybody plugs in, so that codes have had the time to be confirmed. */
  tripsBefore?: number;
}

/** Kilometres of an ordinary drive. */
const TRIP_KM = 11;

/** A car that is not there, with an adapter in its socket. */
export class StandIn {
  readonly engine: Engine;
  readonly unit: EngineUnit;
  readonly plan: CarPlan;
  private readonly gearbox: GearboxUnit | null;
  private readonly udsUnits: readonly UdsUnit[];
  private readonly others: readonly BusUnit[];
  /** What is wrong with it yet, whether or not it shows. */
  private left: readonly Fault[];
  private drives = 0;
  private lastTime: number;
  private readonly noise: () => number;

  constructor(private readonly options: StandInOptions) {
    this.plan = onNetwork(options.car ?? FINCH, options.network ?? 'open');
    this.engine = new Engine({
      plan: this.plan,
      outside: options.outside ?? 11,
      airPressure: options.airPressure ?? 100.4,
      isWet: options.isWet ?? true,
      seed: options.seed,
    });
    this.engine.faults = [...options.faults];
    this.unit = new EngineUnit(this.engine, this.plan);
    this.gearbox = this.plan.gearbox ? new GearboxUnit(this.plan.gearbox, this.engine) : null;
    this.udsUnits = this.plan.units.map(
      (plan) =>
        new UdsUnit(
          plan,
          this.engine,
          () => {
            const at = this.plan.units.findIndex((u) => u.name === plan.heldBy);
            return this.engine.has('units-hold') && (this.udsUnits[at]?.stored().length ?? 0) > 0;
          },
          () => options.clock.now(),
        ),
    );
    this.others = this.plan.units.map((plan, i) => ({
      id: plan.answer,
      request: plan.request,
      isCommon: false,
      answer: (request: readonly number[]) => this.udsUnits[i]?.answer(request) ?? [],
    }));
    this.lastTime = options.clock.now();
    this.noise = seededRandom(options.seed + 1);
    this.left = [...options.faults];
    this.seasoned(options.tripsBefore ?? 2);
    if (options.comesAndGoes) this.engine.faults = [];
    this.engine.setMode('key-on');
  }

  /** Self-checks that had all run in the weeks before, then the trips with the fault. */
  private seasoned(trips: number): void {
    for (const monitor of this.unit.monitors.supported) this.unit.monitors.run(monitor);
    for (let i = 0; i < trips; i++) this.drive();
  }

  /** Plugs an adapter in, of the temperament chosen or another. */
  plugIn(chosen: TemperamentId = this.options.temperament ?? 'quick'): StandInAdapter {
    const world = {
      units: [
        {
          id: '7E8',
          request: '7E0',
          isCommon: true,
          answer: (request: readonly number[]) =>
            this.whileTimePasses(() =>
              this.plan.isNewer ? newerAnswer(this.unit.emissions(), request) : this.unit.answer(request),
            ),
        },
        ...(this.plan.gearbox
          ? [
              {
                id: this.plan.gearbox.answer,
                request: this.plan.gearbox.request,
                isCommon: true,
                answer: (request: readonly number[]) => {
                  if (!this.gearbox) return [];
                  return this.plan.isNewer
                    ? newerAnswer(this.gearbox.emissions(), request)
                    : this.gearbox.answer(request);
                },
              },
            ]
          : []),
        ...this.others,
      ],
      traffic: this.plan.traffic ?? [],
      isBusAwake: () => this.engine.mode !== 'off',
      volts: () => this.engine.sense().volts,
      random: this.noise,
    };
    const temperament: Temperament = TEMPERAMENTS[chosen];
    return new StandInAdapter(world, { ...temperament, ...this.options.adapter }, this.options.clock);
  }

  private whileTimePasses<T>(run: () => T): T {
    const now = this.options.clock.now();
    this.engine.advance(Math.min(5, Math.max(0, (now - this.lastTime) / 1000)));
    this.lastTime = now;
    return run();
  }

  setMode(mode: Mode): void {
    this.engine.setMode(mode);
  }

  /** Runs the engine until it is warm. */
  warmUp(): void {
    this.engine.setMode('idle');
    this.engine.advance(2_400);
  }

  /** Repairs everything. */
  mend(): void {
    this.mendTo([]);
  }

  /** Repairs everything but these. */
  mendTo(left: readonly Fault[]): void {
    this.left = [...left];
    this.engine.faults = this.options.comesAndGoes ? [] : [...left];
  }

  /**
   * One ordinary drive after a night: cold start, a hill while cold, cruise, idle warm, switched off.
   * @returns what the driver noticed.
   */
  drive(): { shook: boolean } {
    const { engine, unit } = this;
    this.drives++;
    const seasoning = this.options.tripsBefore ?? 2;
    const shows = !this.options.comesAndGoes || this.drives <= seasoning || this.noise() < 0.5;
    engine.faults = shows ? [...this.left] : [];
    engine.setMode('off');
    engine.soak();
    unit.startTrip();
    this.gearbox?.startTrip();
    this.udsUnits.forEach((u) => u.startTrip());
    let worst = 0;
    const at = (mode: Mode, seconds: number) => {
      engine.setMode(mode);
      engine.advance(seconds);
      worst = Math.max(worst, engine.misfireRateTotal());
      unit.testDriving();
    };
    at('idle', 20);
    at('hill', 40);
    unit.monitors.run('oxygen-heater');
    at('cruise', 600);
    const once = ['oxygen-sensor', 'catalyst', 'egr', 'boost', 'exhaust-sensor', 'nmhc-catalyst'] as const;
    for (const monitor of once) unit.monitors.run(monitor);
    at('idle', 90);
    this.gearbox?.watch();
    this.gearbox?.endTrip(unit.endTrip(TRIP_KM));
    engine.setMode('key-on');
    if (this.options.comesAndGoes) engine.faults = [];
    this.lastTime = this.options.clock.now();
    return { shook: worst > 0.05 };
  }
}
