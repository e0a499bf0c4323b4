import {
  encodeDtcByStatus,
  encodeMonitorBytes,
  encodeParameter,
  encodeTroubleCode,
  isSupportPid,
  supportBitmap,
} from '@pincer/core/obd';
import type { CarPlan } from './car-plan.ts';
import type { Engine, Sensed } from './engine.ts';
import { FaultMemory, MonitorMemory } from './fault-memory.ts';
import { TESTS_OF_FAULTS } from './fault-tests.ts';
import type { Emissions } from './newer-unit.ts';
import { testResults } from './test-results.ts';

/** The engine's control unit: answers services 01, 02, 03, 04, 06, 07, 09 and 0A, and 19 02. */
export class EngineUnit {
  /** What a parameter says just now, each part in its own unit. */
  private static readonly LIVE: Readonly<
    Partial<Record<number, (s: Sensed, car: EngineUnit) => (number | null)[]>>
  > = {
    0x03: (s) => [s.isClosedLoop ? 2 : s.rpm > 0 ? 1 : 0, 0],
    0x04: (s) => [s.load],
    0x05: (s) => [s.coolant],
    0x06: (s) => [s.shortTrim],
    0x07: (s) => [s.longTrim],
    0x0b: (s, car) => [(s.manifold * 255) / (car.plan.manifoldLimit ?? 255)],
    0x0c: (s) => [s.rpm],
    0x0d: (s) => [s.speed],
    0x0e: (s) => [s.timing],
    0x0f: (s) => [s.intake],
    0x10: (s) => [s.airFlow],
    0x11: (s) => [s.throttle],
    0x13: () => [0x03],
    0x14: (s) => [s.frontOxygen, s.shortTrim],
    0x15: (s) => [s.rearOxygen, null],
    0x1c: () => [6],
    0x1f: (s) => [s.runTime],
    0x21: (_, car) => [car.distanceWithLamp],
    0x23: (s) => [s.rail],
    0x2c: (s) => [s.egrCommand],
    0x2d: (s) => [s.egrCommand > 0 ? ((s.egrActual - s.egrCommand) / s.egrCommand) * 100 : 0],
    0x2e: (s) => [s.purge],
    0x2f: (s) => [s.fuelLevel],
    0x30: (_, car) => [car.warmUps],
    0x31: (_, car) => [car.distanceSinceClear],
    0x32: (s) => [s.tankPressure],
    0x33: (s) => [s.airPressure],
    0x3c: (s) => [s.catalyst],
    0x42: (s) => [s.volts],
    0x44: (s) => [s.lambdaCommand],
    0x45: (s) => [s.throttle - 12],
    0x46: (s) => [s.outside],
    0x49: (s) => [s.pedalD],
    0x4a: (s) => [s.pedalE],
    0x4c: (s) => [s.throttleCommand],
    0x4f: (_, car) => [0, 0, 0, car.plan.manifoldLimit ?? 0],
    0x51: (_, car) => [car.plan.ignition === 'spark' ? 1 : 4],
    0x5c: (s) => [s.oil],
    0x65: (s) => [null, null, null, s.isGlowing ? 1 : 0],
    0x69: (s) => [s.egrCommand, s.egrActual, null, null, null, null],
    0x6d: (s) => [s.railTarget, s.rail, 40, null, null, null],
    0x70: (s) => [s.boostTarget, s.manifold, null, null],
    0x78: (s) => [s.exhaustHeat, s.exhaustHeat * 0.9, null, null],
    0x7a: (s) => [s.filterDrop, null, null],
    0x7c: (s) => [s.exhaustHeat * 0.88, s.exhaustHeat * 0.84, null, null],
    0x8b: (s) => [0, 0, null, null, s.soot, 412, 590],
  };

  readonly memory = new FaultMemory();
  readonly monitors: MonitorMemory;
  private frame: { code: string; values: Map<number, number[]> } | null = null;
  private distanceWithLamp = 0;
  private distanceSinceClear = 0;
  private warmUps = 0;
  private coolantAtStart = 0;

  constructor(
    readonly engine: Engine,
    readonly plan: CarPlan,
  ) {
    this.monitors = new MonitorMemory(plan.monitors);
  }

  /** Tests that run all the time: circuits as soon as the ignition is on. */
  watch(): void {
    const { engine } = this;
    if (engine.mode === 'off') return;
    this.monitors.run('components');
    for (const { fault, code, when } of TESTS_OF_FAULTS) {
      // A dead sensor is only told from a still engine when that turns.
      if (when === 'always' || (when === 'running' && engine.isRunning)) this.test(code, engine.has(fault));
    }
    if (engine.isRunning) {
      engine.faults.forEach((f) => {
        if (f.kind === 'coil') this.test(`P035${f.cylinder}`, true);
      });
    }
  }

  /** Tests at one moment of a drive. */
  testDriving(): void {
    const { engine } = this;
    this.watch();
    this.monitors.run('misfire');
    let missing = 0;
    for (let cylinder = 1; cylinder <= engine.options.plan.cylinders; cylinder++) {
      const isMissing = engine.misfireRate(cylinder) > 0.02;
      if (isMissing) missing++;
      this.test(`P030${cylinder}`, isMissing);
    }
    this.test('P0300', missing > 0 && engine.misfireRateTotal() > 0.3);
    for (const { fault, code, when } of TESTS_OF_FAULTS)
      if (when === engine.mode || (when === 'warm-idle' && engine.mode === 'idle' && engine.coolantNow > 55))
        this.test(code, engine.has(fault));
    const isSteered = engine.sense().isClosedLoop && (engine.mode === 'idle' || engine.mode === 'cruise');
    if (isSteered) {
      this.monitors.run('fuel');
      const { shortTrim, longTrim } = engine.sense();
      this.test('P0171', shortTrim + longTrim > 20);
      this.test('P0172', shortTrim + longTrim < -14);
    }
  }

  startTrip(): void {
    this.monitors.startTrip();
    this.coolantAtStart = this.engine.coolantNow;
  }

  /** @param km driven. @returns whether the trip was a warm-up cycle. */
  endTrip(km: number): boolean {
    const hadWarmUp = this.engine.coolantNow >= 71 && this.engine.coolantNow - this.coolantAtStart >= 22;
    if (hadWarmUp) this.warmUps = Math.min(255, this.warmUps + 1);
    this.distanceSinceClear += km;
    if (this.memory.isLampOn) this.distanceWithLamp += km;
    else this.distanceWithLamp = 0;
    this.memory.endTrip(hadWarmUp);
    return hadWarmUp;
  }

  private test(code: string, isFailing: boolean): void {
    const { isNew } = this.memory.note(code, isFailing ? 'failed' : 'passed');
    // The first failure stores its conditions; misfire and mixture outrank the others.
    const outranks = /^P0(3|17)/.test(code) && this.frame !== null && !/^P0(3|17)/.test(this.frame.code);
    if (isFailing && isNew && (this.frame === null || outranks)) {
      const sensed = this.engine.sense();
      this.frame = {
        code,
        values: new Map(this.plan.frozenPids.filter((p) => p !== 0x02).map((p) => [p, this.live(p, sensed)])),
      };
    }
  }

  /** Answers a request's payload with payloads; an empty list is silence. */
  answer(request: readonly number[]): number[][] {
    this.watch();
    const [service, ...rest] = request;
    switch (service) {
      case 0x01:
        return this.current(rest);
      case 0x02:
        return this.frozen(rest);
      case 0x03:
        return [this.codeList(0x43, 'confirmed')];
      case 0x07:
        return [this.codeList(0x47, 'pending')];
      case 0x0a:
        return [this.codeList(0x4a, 'permanent')];
      case 0x04:
        return [this.clear()];
      case 0x06:
        return testResults(this.engine, rest);
      case 0x09:
        return this.information(rest[0] ?? 0);
      case 0x19:
        return [
          rest[0] === 0x02 ? encodeDtcByStatus(this.memory.withStatus('00', rest[1])) : [0x7f, 0x19, 0x12],
        ];
      default:
        return service === undefined ? [] : [[0x7f, service, 0x11]];
    }
  }

  /** The same memory for a car that is asked in the newest way. */
  emissions(): Emissions {
    return {
      answer: (request) => this.answer(request),
      codes: (mask) => this.memory.withStatus('00', mask),
      permanent: () =>
        this.memory.codes('permanent').map((code) => ({ code, failureType: '00', status: 0x08 })),
      frame: (code) =>
        this.frame?.code === code ? [...this.frame.values].map(([pid, bytes]) => ({ pid, bytes })) : [],
      clear: () => this.clear()[0] === 0x44,
    };
  }

  private codeList(answer: number, kind: 'confirmed' | 'pending' | 'permanent'): number[] {
    const codes = this.memory.codes(kind);
    return [answer, codes.length, ...codes.flatMap(encodeTroubleCode)];
  }

  private clear(): number[] {
    if (this.engine.isRunning) return [0x7f, 0x04, 0x22];
    this.memory.clear();
    this.monitors.clear();
    this.frame = null;
    this.distanceSinceClear = 0;
    this.distanceWithLamp = 0;
    this.warmUps = 0;
    return [0x44];
  }

  private current(pids: readonly number[]): number[][] {
    const sensed = this.engine.sense();
    const body: number[] = [];
    for (const pid of pids) {
      const bytes = this.currentBytes(pid, sensed);
      if (bytes) body.push(pid, ...bytes);
    }
    return body.length > 0 ? [[0x41, ...body]] : [];
  }

  private currentBytes(pid: number, sensed: Sensed): number[] | null {
    const all = [0x01, ...this.plan.livePids, 0x41];
    if (isSupportPid(pid)) {
      const later = all.some((p) => p > pid + 0x20);
      const bitmap = supportBitmap(pid, [...all, ...(later ? [pid + 0x20] : [])]);
      return bitmap.some((b) => b !== 0) ? bitmap : null;
    }
    if (pid === 0x01 || pid === 0x41) {
      return encodeMonitorBytes({
        lampOn: pid === 0x01 && this.memory.isLampOn,
        storedCodes: pid === 0x01 ? this.memory.codes('confirmed').length : 0,
        ignition: this.plan.ignition,
        monitors: this.monitors.status(pid === 0x01 ? 'since-clear' : 'this-cycle'),
      });
    }
    return this.plan.livePids.includes(pid) ? this.live(pid, sensed) : null;
  }

  private live(pid: number, sensed: Sensed): number[] {
    return encodeParameter(pid, EngineUnit.LIVE[pid]?.(sensed, this) ?? []);
  }

  private frozen(pairs: readonly number[]): number[][] {
    const body: number[] = [];
    for (let i = 0; i + 1 < pairs.length; i += 2) {
      const pid = pairs[i] ?? 0;
      if (pairs[i + 1] !== 0) continue;
      if (pid === 0x02) body.push(pid, 0, ...(this.frame ? encodeTroubleCode(this.frame.code) : [0, 0]));
      else if (isSupportPid(pid)) {
        const later = this.plan.frozenPids.some((p) => p > pid + 0x20);
        const bitmap = supportBitmap(pid, [...this.plan.frozenPids, ...(later ? [pid + 0x20] : [])]);
        if (bitmap.some((b) => b !== 0)) body.push(pid, 0, ...bitmap);
      } else {
        const bytes = this.frame?.values.get(pid);
        if (bytes) body.push(pid, 0, ...bytes);
      }
    }
    return body.length > 0 ? [[0x42, ...body]] : [];
  }

  private information(type: number): number[][] {
    const padded = (text: string, length: number) =>
      Array.from(text.padEnd(length, '\0')).map((c) => c.charCodeAt(0));
    switch (type) {
      case 0x00:
        return [[0x49, 0x00, ...supportBitmap(0, [0x02, 0x04, 0x06, 0x0a])]];
      case 0x02:
        return [[0x49, 0x02, 1, ...padded(this.plan.identity.vin, 17)]];
      case 0x04:
        return [[0x49, 0x04, 1, ...padded(this.plan.identity.calibrationId, 16)]];
      case 0x06:
        return [
          [
            0x49,
            0x06,
            1,
            ...(this.plan.identity.verificationNumber.match(/../g) ?? []).map((h) => Number.parseInt(h, 16)),
          ],
        ];
      case 0x0a:
        return [[0x49, 0x0a, 1, ...padded(this.plan.identity.name, 20)]];
      default:
        return [];
    }
  }
}
