import type { Fault } from './faults.ts';
import { seededRandom } from './random.ts';

/** What the driver is doing. */
export type Mode = 'off' | 'key-on' | 'idle' | 'raised' | 'cruise' | 'hill';

export interface EngineOptions {
  displacement: number;
  cylinders: number;
  /** Outside air, °C; air pressure, kPa. */
  outside: number;
  airPressure: number;
  isWet: boolean;
  seed: number;
}

/** Values as the engine control unit senses them, in the units of service 01. */
export interface Sensed {
  rpm: number;
  speed: number;
  coolant: number;
  intake: number;
  outside: number;
  manifold: number;
  airPressure: number;
  airFlow: number;
  throttle: number;
  pedal: number;
  load: number;
  shortTrim: number;
  longTrim: number;
  isClosedLoop: boolean;
  timing: number;
  frontOxygen: number;
  rearOxygen: number;
  volts: number;
  runTime: number;
  purge: number;
}

const R_AIR = 287.05;

/** Targets of each mode for a sound, warm engine. */
const MODES: Record<
  Exclude<Mode, 'off' | 'key-on'>,
  {
    rpm: number;
    manifold: number;
    throttle: number;
    pedal: number;
    speed: number;
    ve: number;
    timing: number;
  }
> = {
  idle: { rpm: 740, manifold: 32, throttle: 3, pedal: 0, speed: 0, ve: 0.72, timing: 8 },
  raised: { rpm: 2500, manifold: 30, throttle: 9, pedal: 12, speed: 0, ve: 0.78, timing: 26 },
  hill: { rpm: 1910, manifold: 68, throttle: 41, pedal: 52, speed: 41, ve: 0.83, timing: 18 },
  cruise: { rpm: 2350, manifold: 58, throttle: 22, pedal: 24, speed: 82, ve: 0.84, timing: 30 },
};

/** Coolant from which the mixture is steered by the oxygen sensor, °C. */
const CLOSED_LOOP = 45;
const THERMOSTAT = 89;

/**
 * A four-stroke petrol engine with ignition, air path, fuel correction, warm-up and charging. Readings hang
 * together because they come from one state: air by speed and density, fuel correction from the air that was
 * not measured, speed ripple from cylinders that do not fire.
 */
export class Engine {
  mode: Mode = 'off';
  faults: Fault[] = [];
  private coolant: number;
  private runTime = 0;
  private longTrim = 1.5;
  private time = 0;
  private readonly random: () => number;

  constructor(readonly options: EngineOptions) {
    this.random = seededRandom(options.seed);
    this.coolant = options.outside;
  }

  get isRunning(): boolean {
    return this.mode !== 'off' && this.mode !== 'key-on';
  }

  get coolantNow(): number {
    return this.coolant;
  }

  has(kind: Fault['kind']): boolean {
    return this.faults.some((f) => f.kind === kind);
  }

  setMode(mode: Mode): void {
    const wasRunning = this.isRunning;
    this.mode = mode;
    if (!wasRunning && this.isRunning) this.runTime = 0;
  }

  /** Cools down to the air outside, as overnight. */
  soak(): void {
    this.coolant = this.options.outside;
    this.runTime = 0;
  }

  /** Lets time pass. @param seconds of it. */
  advance(seconds: number): void {
    this.time += seconds;
    if (!this.isRunning) return;
    this.runTime += seconds;
    // First-order warm-up: about 9 minutes at cruise, slower at idle.
    const rate = this.mode === 'cruise' || this.mode === 'hill' ? 1 / 240 : 1 / 420;
    this.coolant += (105 - this.coolant) * (1 - Math.exp(-seconds * rate));
    this.coolant = Math.min(this.coolant, THERMOSTAT);
    const { total, isClosedLoop } = this.correction();
    if (isClosedLoop) this.longTrim += (total * 0.8 - this.longTrim) * (1 - Math.exp(-seconds / 90));
  }

  /** Share of its power strokes that a cylinder misses now, 0 to 1. */
  misfireRate(cylinder: number): number {
    if (!this.isRunning) return 0;
    const isLoaded = this.mode === 'hill';
    const isCold = this.coolant < 60;
    return this.faults.reduce((rate, f) => {
      if (f.kind === 'coil' && f.cylinder === cylinder) return 1;
      if (f.kind !== 'coil-boot' || f.cylinder !== cylinder || !this.options.isWet) return rate;
      return Math.max(rate, isLoaded ? (isCold ? 0.35 : 0.03) : 0.008);
    }, 0);
  }

  /** Missed power strokes of all cylinders together, in cylinders. */
  misfireRateTotal(): number {
    let total = 0;
    for (let cylinder = 1; cylinder <= this.options.cylinders; cylinder++)
      total += this.misfireRate(cylinder);
    return total;
  }

  /** Share of the air that is not measured. */
  private leakShare(): number {
    const leak = this.faults.find((f) => f.kind === 'intake-leak');
    if (!leak) return 0;
    // A fixed hole passes about the same air everywhere, so its share falls as the engine takes more.
    return this.mode === 'idle' ? leak.share : this.mode === 'raised' ? leak.share * 0.3 : leak.share * 0.12;
  }

  private correction(): { total: number; isClosedLoop: boolean } {
    const isClosedLoop = this.isRunning && this.coolant > CLOSED_LOOP && !this.has('air-flow-unplugged');
    const missed = this.leakShare();
    const missing = this.misfireRateTotal() / this.options.cylinders;
    // Air of cylinders that do not fire reaches the sensor as a lean mixture.
    return { total: (missed / (1 - missed)) * 100 + missing * 22 + 1.5, isClosedLoop };
  }

  private jitter(size: number): number {
    return (this.random() - 0.5) * 2 * size;
  }

  /** One look at every sensor. */
  sense(): Sensed {
    const { options } = this;
    const { outside, airPressure, displacement } = options;
    const intakeTrue =
      outside + (this.isRunning ? Math.min(12, this.runTime / 60) : (this.coolant - outside) * 0.1);
    const intake = this.has('intake-temperature-unplugged') ? -40 : intakeTrue;
    if (this.mode === 'off' || this.mode === 'key-on') {
      return {
        rpm: 0,
        speed: 0,
        coolant: this.coolant,
        intake,
        outside,
        manifold: airPressure,
        airPressure,
        airFlow: 0,
        throttle: 12,
        pedal: 0,
        load: 0,
        shortTrim: 0,
        longTrim: this.longTrim,
        isClosedLoop: false,
        timing: 0,
        frontOxygen: 0.45,
        rearOxygen: 0.45,
        volts: (this.has('battery-weak') ? 11.6 : 12.5) + this.jitter(0.02),
        runTime: 0,
        purge: 0,
      };
    }
    const target = MODES[this.mode];
    const cold = Math.max(0, Math.min(1, (70 - this.coolant) / 60));
    const rough = this.misfireRateTotal();
    const leak = this.leakShare();
    const rpm =
      target.rpm +
      (this.mode === 'idle' ? 380 * cold + leak * 600 : 0) -
      rough * 60 +
      this.jitter(8 + rough * 70);
    const manifold = Math.min(
      airPressure,
      target.manifold + 6 * cold + leak * 40 + rough * 6 + this.jitter(0.4),
    );
    const density = (manifold * 1000) / (R_AIR * (intakeTrue + 273.15));
    const airTrue = target.ve * (displacement / 2000) * (rpm / 60) * density * 1000;
    const airFlow = this.has('air-flow-unplugged') ? 0 : airTrue * (1 - leak) * (1 + this.jitter(0.015));
    const { total, isClosedLoop } = this.correction();
    const swing = Math.sin(this.time * 2 * Math.PI * 1.1 + this.random());
    return {
      rpm,
      speed: target.speed + (target.speed > 0 ? this.jitter(0.6) : 0),
      coolant: this.coolant + this.jitter(0.3),
      intake,
      outside,
      manifold,
      airPressure,
      airFlow,
      throttle: 12 + target.throttle + this.jitter(0.2),
      pedal: target.pedal,
      load: Math.min(100, (manifold / airPressure) * 95 * (target.ve / 0.85)),
      shortTrim: isClosedLoop ? total - this.longTrim + swing * 2 : 0,
      longTrim: this.longTrim,
      isClosedLoop,
      timing: target.timing - 4 * cold + this.jitter(0.5),
      frontOxygen: isClosedLoop ? 0.45 + 0.38 * swing : 0.2,
      rearOxygen: this.coolant > 60 ? 0.68 + this.jitter(0.015) : 0.3,
      volts: 14.2 + this.jitter(0.05),
      runTime: this.runTime,
      purge: isClosedLoop && this.mode === 'cruise' ? 18 : 0,
    };
  }
}
