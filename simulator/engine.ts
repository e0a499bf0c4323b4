import type { CarPlan, Mode, ModeTarget } from './car-plan.ts';
import type { Fault } from './faults.ts';
import { seededRandom } from './random.ts';

export interface EngineOptions {
  plan: CarPlan;
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
  oil: number;
  intake: number;
  outside: number;
  manifold: number;
  boostTarget: number;
  airPressure: number;
  airFlow: number;
  throttle: number;
  throttleCommand: number;
  pedal: number;
  /** The two tracks of the pedal, %. */
  pedalD: number;
  pedalE: number;
  load: number;
  shortTrim: number;
  longTrim: number;
  lambdaCommand: number;
  isClosedLoop: boolean;
  timing: number;
  frontOxygen: number;
  rearOxygen: number;
  catalyst: number;
  volts: number;
  runTime: number;
  purge: number;
  fuelLevel: number;
  /** Pa against the air. */
  tankPressure: number;
  egrCommand: number;
  egrActual: number;
  /** kPa */
  railTarget: number;
  rail: number;
  /** Pressure lost over the particulate filter, kPa, and exhaust heat before and after it, °C. */
  filterDrop: number;
  exhaustHeat: number;
  /** How full of soot the filter is counted to be, % of what sets off a regeneration. */
  soot: number;
  /** What the lamp of the glow plugs is told. */
  isGlowing: boolean;
}

const R_AIR = 287.05;

/** Coolant from which the mixture is steered by the oxygen sensor, °C. */
const CLOSED_LOOP = 45;
/** Coolant that an open thermostat still reaches, °C. */
const OPEN_THERMOSTAT = 61;
/** How long a cold engine heats before its start, s, and what the heaters take from the battery's voltage, V. */
const GLOWS_FOR = 9;
const HEATER_DIP = 0.5;
/** Rest of the throttle's sensor, %. */
const THROTTLE_REST = 12;

/**
 * A four-stroke engine, petrol or diesel, with ignition, air path, fuel correction, warm-up and charging. Readings
 * hang together because they come from one state: air by speed and density, fuel correction from the air that was
 * not measured, speed ripple from cylinders that do not fire.
 */
export class Engine {
  mode: Mode = 'off';
  faults: Fault[] = [];
  private coolant: number;
  private runTime = 0;
  /** Seconds since the key was turned on, engine off. */
  private keyOnTime = 0;
  private longTrim = 1.5;
  private time = 0;
  /** Missed power strokes since the start, by cylinder. */
  private readonly missed: number[];
  private readonly random: () => number;

  constructor(readonly options: EngineOptions) {
    this.random = seededRandom(options.seed);
    this.coolant = options.outside;
    this.missed = Array<number>(options.plan.cylinders).fill(0);
  }

  get isRunning(): boolean {
    return this.mode !== 'off' && this.mode !== 'key-on';
  }

  get coolantNow(): number {
    return this.coolant;
  }

  get isDiesel(): boolean {
    return this.options.plan.ignition === 'compression';
  }

  has(kind: Fault['kind']): boolean {
    return this.faults.some((f) => f.kind === kind);
  }

  setMode(mode: Mode): void {
    const wasRunning = this.isRunning;
    if (mode === 'key-on' && this.mode !== 'key-on') this.keyOnTime = 0;
    this.mode = mode;
    if (!wasRunning && mode !== 'off' && mode !== 'key-on') {
      this.runTime = 0;
      this.missed.fill(0);
    }
  }

  /** Cools down to the air outside, as overnight. */
  soak(): void {
    this.coolant = this.options.outside;
    this.runTime = 0;
  }

  /** Lets time pass. @param seconds of it. */
  advance(seconds: number): void {
    this.time += seconds;
    if (this.mode === 'key-on') this.keyOnTime += seconds;
    if (!this.isRunning) return;
    this.runTime += seconds;
    const strokes = ((this.target().rpm / 60) * seconds) / 2;
    this.missed.forEach((count, i) => (this.missed[i] = count + strokes * this.misfireRate(i + 1)));
    // First-order warm-up: about 9 minutes at cruise, slower at idle.
    const rate = this.mode === 'cruise' || this.mode === 'hill' ? 1 / 240 : 1 / 420;
    this.coolant += (105 - this.coolant) * (1 - Math.exp(-seconds * rate));
    const limit = this.has('thermostat-open') ? OPEN_THERMOSTAT : this.options.plan.thermostat;
    this.coolant = Math.min(this.coolant, limit);
    const { total, isClosedLoop } = this.correction();
    if (isClosedLoop) this.longTrim += (total * 0.8 - this.longTrim) * (1 - Math.exp(-seconds / 90));
  }

  /** Missed power strokes of a cylinder since the start. */
  missedStrokes(cylinder: number): number {
    return Math.round(this.missed[cylinder - 1] ?? 0);
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
    for (let cylinder = 1; cylinder <= this.options.plan.cylinders; cylinder++)
      total += this.misfireRate(cylinder);
    return total;
  }

  private target(): ModeTarget {
    const { modes } = this.options.plan;
    return modes[this.mode === 'off' || this.mode === 'key-on' ? 'idle' : this.mode];
  }

  /** Share of the air that is not measured. */
  private leakShare(): number {
    const leak = this.faults.find((f) => f.kind === 'intake-leak');
    if (!leak) return 0;
    // A fixed hole passes about the same air everywhere, so its share falls as the engine takes more.
    return this.mode === 'idle' ? leak.share : this.mode === 'raised' ? leak.share * 0.3 : leak.share * 0.12;
  }

  /** Share of the true air that a dirty sensor does not see: most under load. */
  private blindShare(): number {
    if (!this.has('air-flow-dirty')) return 0;
    return this.mode === 'hill' || this.mode === 'cruise' ? 0.3 : this.mode === 'raised' ? 0.22 : 0.14;
  }

  private correction(): { total: number; isClosedLoop: boolean } {
    const isWarm = this.coolant > CLOSED_LOOP && !this.has('coolant-sensor-open');
    const isClosedLoop = this.isRunning && !this.isDiesel && isWarm && !this.has('air-flow-unplugged');
    const missed = this.leakShare() + this.blindShare();
    const missing = this.misfireRateTotal() / this.options.plan.cylinders;
    const starved = !this.has('fuel-starved')
      ? 0
      : this.mode === 'idle'
        ? 3
        : this.mode === 'raised'
          ? 13
          : 24;
    const rich = this.has('injector-leaks') ? (this.mode === 'idle' ? -19 : -13) : 0;
    // Air of cylinders that do not fire reaches the sensor as a lean mixture.
    return {
      total: (missed / (1 - missed)) * 100 + missing * 22 + starved + rich + 1.5,
      isClosedLoop,
    };
  }

  private jitter(size: number): number {
    return (this.random() - 0.5) * 2 * size;
  }

  /** Whether a cold diesel is asked to heat before its start. */
  private isGlowing(): boolean {
    return this.mode === 'key-on' && this.isDiesel && this.coolant < 20 && this.keyOnTime < GLOWS_FOR;
  }

  private voltsNow(): number {
    if (!this.isRunning) {
      const heats = this.isGlowing() && !this.has('glow-plug');
      return (this.has('battery-weak') ? 11.6 : 12.5) - (heats ? HEATER_DIP : 0) + this.jitter(0.02);
    }
    if (this.has('alternator-dead')) return 12.1 + this.jitter(0.04);
    // The regulator lets go as it gets hot, and swings meanwhile.
    if (this.has('regulator'))
      return 12.6 - Math.min(0.9, this.runTime / 600) + 0.35 * Math.sin(this.time * 2.1) + this.jitter(0.05);
    return 14.2 + this.jitter(0.05);
  }

  /** One look at every sensor. */
  sense(): Sensed {
    const { outside, airPressure } = this.options;
    const { isRunning, isDiesel, coolant } = this;
    const target = this.target();
    const intakeTrue = outside + (isRunning ? Math.min(12, this.runTime / 60) : (coolant - outside) * 0.1);
    const cold = Math.max(0, Math.min(1, (70 - coolant) / 60));
    const rough = this.misfireRateTotal();
    const leak = this.leakShare();
    const rpm = isRunning
      ? target.rpm +
        (this.mode === 'idle' ? (isDiesel ? 120 : 380) * cold + leak * 600 : 0) -
        rough * 60 +
        this.jitter(8 + rough * 70)
      : 0;
    const air = this.airNow(target, rpm, intakeTrue, cold, rough, leak);
    const { total, isClosedLoop } = this.correction();
    const swing = Math.sin(this.time * 2 * Math.PI * 1.1 + this.random());
    const isLazy = this.has('front-oxygen-lazy');
    const slow = Math.sin(this.time * 2 * Math.PI * 0.09);
    const pedalD = target.pedal * (isRunning ? 1 : 0) + 15;
    const opening = isRunning ? target.throttle : 0;
    const isStuck = this.has('throttle-sticks');
    const rail = this.railNow();
    const egr = isRunning && coolant > 50 ? target.recirculated * 100 : 0;
    const egrActual = this.has('egr-stuck') && isRunning ? 62 : egr + (isRunning ? this.jitter(1) : 0);
    return {
      rpm,
      speed: isRunning && target.speed > 0 ? target.speed + this.jitter(0.6) : 0,
      coolant: this.has('coolant-sensor-open') ? -40 : coolant + (isRunning ? this.jitter(0.3) : 0),
      oil: outside + (coolant - outside) * 0.97,
      intake: this.has('intake-temperature-unplugged') ? -40 : intakeTrue,
      outside,
      manifold: this.has('pressure-stuck') ? 47 : air.manifold,
      boostTarget: isRunning ? target.manifold : airPressure,
      airPressure: this.has('air-pressure-wrong') ? 79 : airPressure,
      airFlow: air.flow,
      throttle:
        THROTTLE_REST + (isStuck ? Math.min(opening, 4) : opening) + (isRunning ? this.jitter(0.2) : 0),
      throttleCommand: THROTTLE_REST + opening,
      pedal: isRunning ? target.pedal : 0,
      pedalD,
      pedalE: this.has('pedal-track') ? pedalD / 2 + 6 : pedalD / 2,
      load: isRunning
        ? isDiesel
          ? Math.min(100, 12 + target.pedal * 0.95)
          : Math.min(100, (air.manifold / airPressure) * 95 * (target.ve / 0.85))
        : 0,
      shortTrim: isClosedLoop ? total - this.longTrim + swing * 2 : 0,
      longTrim: this.longTrim,
      lambdaCommand: isClosedLoop ? 1 : 0.94,
      isClosedLoop,
      timing: isRunning ? target.timing - 4 * cold + this.jitter(0.5) : 0,
      frontOxygen: !isRunning
        ? 0.45
        : !isClosedLoop
          ? 0.2
          : isLazy
            ? 0.48 + 0.11 * slow
            : 0.45 + 0.38 * swing,
      rearOxygen: !isRunning
        ? 0.45
        : coolant <= 60
          ? 0.3
          : this.has('catalyst-worn')
            ? 0.45 + 0.33 * swing
            : 0.68 + this.jitter(0.015),
      catalyst: isRunning
        ? Math.min(isDiesel ? 320 : 560, outside + this.runTime * 2.2) + rough * 140
        : outside,
      volts: this.voltsNow(),
      runTime: isRunning ? this.runTime : 0,
      purge: isClosedLoop && this.mode === 'cruise' ? 18 : 0,
      fuelLevel: 62 - this.time / 6_000,
      tankPressure: isRunning ? -120 + 40 * Math.sin(this.time / 7) : 30,
      egrCommand: egr,
      egrActual,
      railTarget: rail.target,
      rail: rail.actual,
      filterDrop: isRunning ? this.filterResistance() * (rpm / 1000) ** 1.3 * (target.manifold / 100) : 0,
      exhaustHeat: isRunning ? Math.min(180 + target.pedal * 4.2, outside + this.runTime * 1.6) : outside,
      soot: this.has('filter-full') ? 100 : this.has('filter-ash') ? 9 : 38,
      isGlowing: this.isGlowing(),
    };
  }

  /** Pressure that the particulate filter takes at 1,000 rpm without boost, kPa. */
  private filterResistance(): number {
    if (this.has('filter-full')) return 7.5;
    if (this.has('filter-ash')) return 4.6;
    return this.has('filter-cracked') ? 0.08 : 1.1;
  }

  /** Pressure in the manifold, kPa, and the air that the sensor sees, g/s. */
  private airNow(
    target: ModeTarget,
    rpm: number,
    intakeTrue: number,
    cold: number,
    rough: number,
    leak: number,
  ): { manifold: number; flow: number } {
    const { airPressure, plan } = this.options;
    if (!this.isRunning) return { manifold: airPressure, flow: 0 };
    const isSplit = this.has('charge-hose');
    const boost = target.manifold - airPressure;
    const manifold = this.isDiesel
      ? airPressure + (isSplit && boost > 3 ? boost * 0.42 : boost) + this.jitter(0.8)
      : Math.min(airPressure, target.manifold + 6 * cold + leak * 40 + rough * 6 + this.jitter(0.4));
    const density = (manifold * 1000) / (R_AIR * (intakeTrue + 273.15));
    const taken = target.ve * (plan.displacement / 2000) * (rpm / 60) * density * 1000;
    const recirculated = this.isDiesel
      ? this.has('egr-stuck')
        ? 0.5
        : this.coolant > 50
          ? target.recirculated
          : 0
      : 0;
    const fresh = taken * (1 - recirculated) * (isSplit && boost > 20 ? 1.75 : 1);
    const seen = fresh * (1 - leak) * (1 - this.blindShare()) * (1 + this.jitter(0.015));
    return { manifold, flow: this.has('air-flow-unplugged') ? 0 : seen };
  }

  /** Diesel rail pressure, wanted and measured, kPa. */
  private railNow(): { target: number; actual: number } {
    if (!this.isRunning || !this.isDiesel) return { target: 0, actual: this.isDiesel ? 600 : 0 };
    const { rpm, pedal } = this.target();
    const target = 24_000 + rpm * 9 + pedal * 900;
    const share = this.has('rail-weak') ? (pedal > 20 ? 0.68 : 0.84) : 1;
    return { target, actual: target * share * (1 + this.jitter(0.012)) };
  }
}
