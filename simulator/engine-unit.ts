import {
  encodeDtcByStatus,
  encodeMonitorBytes,
  encodeParameter,
  encodeTroubleCode,
  isSupportPid,
  supportBitmap,
  type MonitorId,
  type StatusCode,
} from '@pincer/core/obd';
import type { Engine, Sensed } from './engine.ts';
import { FaultMemory, MonitorMemory } from './fault-memory.ts';

const MONITORS: readonly MonitorId[] = [
  'misfire',
  'fuel',
  'components',
  'catalyst',
  'evaporative',
  'oxygen-sensor',
  'oxygen-heater',
  'egr',
];

/** Service 01 readings of this car, beyond the monitors. */
const LIVE_PIDS = [
  0x03, 0x04, 0x05, 0x06, 0x07, 0x0b, 0x0c, 0x0d, 0x0e, 0x0f, 0x10, 0x11, 0x13, 0x14, 0x15, 0x1c, 0x1f, 0x21,
  0x2e, 0x2f, 0x30, 0x31, 0x33, 0x42, 0x45, 0x46, 0x49, 0x4a, 0x4c, 0x51,
] as const;
const FROZEN_PIDS = [
  0x02, 0x03, 0x04, 0x05, 0x06, 0x07, 0x0b, 0x0c, 0x0d, 0x0f, 0x10, 0x11, 0x1f, 0x33,
] as const;

export interface Identity {
  vin: string;
  calibrationId: string;
  /** Four bytes, hexadecimal. */
  verificationNumber: string;
  name: string;
}

/** The petrol engine's control unit: answers services 01, 02, 03, 04, 07, 09 and 0A. */
export class EngineUnit {
  readonly memory = new FaultMemory();
  readonly monitors = new MonitorMemory(MONITORS);
  private frame: { code: string; values: Map<number, number[]> } | null = null;
  private distanceWithLamp = 0;
  private distanceSinceClear = 0;
  private warmUps = 0;
  private coolantAtStart = 0;

  constructor(
    readonly engine: Engine,
    readonly identity: Identity,
  ) {}

  /** Tests that run all the time: circuits as soon as the ignition is on. */
  watch(): void {
    const { engine } = this;
    if (engine.mode === 'off') return;
    this.monitors.run('components');
    this.test('P0113', engine.has('intake-temperature-unplugged'));
    // A dead sensor is only told from a still engine when that turns.
    if (engine.isRunning) {
      this.test('P0102', engine.has('air-flow-unplugged'));
      this.test('P0562', engine.has('battery-weak'));
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
    for (let cylinder = 1; cylinder <= engine.options.cylinders; cylinder++) {
      const isMissing = engine.misfireRate(cylinder) > 0.02;
      if (isMissing) missing++;
      this.test(`P030${cylinder}`, isMissing);
    }
    this.test('P0300', missing > 0 && engine.misfireRateTotal() > 0.3);
    if (engine.sense().isClosedLoop && engine.mode === 'idle') {
      this.monitors.run('fuel');
      const { shortTrim, longTrim } = engine.sense();
      this.test('P0171', shortTrim + longTrim > 20);
    }
  }

  startTrip(): void {
    this.monitors.startTrip();
    this.coolantAtStart = this.engine.coolantNow;
  }

  /** @param km driven. */
  endTrip(km: number): void {
    const hadWarmUp = this.engine.coolantNow >= 71 && this.engine.coolantNow - this.coolantAtStart >= 22;
    if (hadWarmUp) this.warmUps = Math.min(255, this.warmUps + 1);
    this.distanceSinceClear += km;
    if (this.memory.isLampOn) this.distanceWithLamp += km;
    else this.distanceWithLamp = 0;
    this.memory.endTrip(hadWarmUp);
  }

  private test(code: string, isFailing: boolean): void {
    const { isNew } = this.memory.note(code, isFailing ? 'failed' : 'passed');
    // The first failure stores its conditions; misfire and mixture outrank the others.
    const outranks = /^P0(3|17)/.test(code) && this.frame !== null && !/^P0(3|17)/.test(this.frame.code);
    if (isFailing && isNew && (this.frame === null || outranks)) {
      const sensed = this.engine.sense();
      this.frame = {
        code,
        values: new Map(FROZEN_PIDS.filter((p) => p !== 0x02).map((p) => [p, this.live(p, sensed)])),
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
      case 0x09:
        return this.information(rest[0] ?? 0);
      case 0x19:
        return [rest[0] === 0x02 ? encodeDtcByStatus(this.withStatus()) : [0x7f, 0x19, 0x12]];
      default:
        return service === undefined ? [] : [[0x7f, service, 0x11]];
    }
  }

  private codeList(answer: number, kind: 'confirmed' | 'pending' | 'permanent'): number[] {
    const codes = this.memory.codes(kind);
    return [answer, codes.length, ...codes.flatMap(encodeTroubleCode)];
  }

  /** Stored codes with their status bytes, as service 19 02 tells them. */
  private withStatus(): StatusCode[] {
    const pending = new Set(this.memory.codes('pending'));
    const confirmed = new Set(this.memory.codes('confirmed'));
    return [...new Set([...confirmed, ...pending])].map((code) => ({
      code,
      failureType: '00',
      status:
        (pending.has(code) ? 0x04 | 0x02 : 0) |
        (confirmed.has(code) ? 0x08 : 0) |
        0x20 |
        (confirmed.has(code) && this.memory.isLampOn ? 0x80 : 0),
    }));
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
    const all = [0x01, ...LIVE_PIDS, 0x41];
    if (isSupportPid(pid)) {
      const later = all.some((p) => p > pid + 0x20);
      const bitmap = supportBitmap(pid, [...all, ...(later ? [pid + 0x20] : [])]);
      return bitmap.some((b) => b !== 0) ? bitmap : null;
    }
    if (pid === 0x01 || pid === 0x41) {
      return encodeMonitorBytes({
        lampOn: pid === 0x01 && this.memory.isLampOn,
        storedCodes: pid === 0x01 ? this.memory.codes('confirmed').length : 0,
        ignition: 'spark',
        monitors: this.monitors.status(pid === 0x01 ? 'since-clear' : 'this-cycle'),
      });
    }
    return (LIVE_PIDS as readonly number[]).includes(pid) ? this.live(pid, sensed) : null;
  }

  private live(pid: number, s: Sensed): number[] {
    const values: Record<number, (number | null)[]> = {
      0x03: [s.isClosedLoop ? 2 : s.rpm > 0 ? 1 : 0, 0],
      0x04: [s.load],
      0x05: [s.coolant],
      0x06: [s.shortTrim],
      0x07: [s.longTrim],
      0x0b: [s.manifold],
      0x0c: [s.rpm],
      0x0d: [s.speed],
      0x0e: [s.timing],
      0x0f: [s.intake],
      0x10: [s.airFlow],
      0x11: [s.throttle],
      0x13: [0x03],
      0x14: [s.frontOxygen, s.shortTrim],
      0x15: [s.rearOxygen, null],
      0x1c: [6],
      0x1f: [s.runTime],
      0x21: [this.distanceWithLamp],
      0x2e: [s.purge],
      0x2f: [62],
      0x30: [this.warmUps],
      0x31: [this.distanceSinceClear],
      0x33: [s.airPressure],
      0x42: [s.volts],
      0x45: [s.throttle - 12],
      0x46: [s.outside],
      0x49: [s.pedal + 15],
      0x4a: [s.pedal / 2 + 7.5],
      0x4c: [s.throttle - 12],
      0x51: [1],
    };
    return encodeParameter(pid, values[pid] ?? []);
  }

  private frozen(pairs: readonly number[]): number[][] {
    const body: number[] = [];
    for (let i = 0; i + 1 < pairs.length; i += 2) {
      const pid = pairs[i] ?? 0;
      if (pairs[i + 1] !== 0) continue;
      if (pid === 0x02) body.push(pid, 0, ...(this.frame ? encodeTroubleCode(this.frame.code) : [0, 0]));
      else if (isSupportPid(pid)) {
        const later = FROZEN_PIDS.some((p) => p > pid + 0x20);
        const bitmap = supportBitmap(pid, [...FROZEN_PIDS, ...(later ? [pid + 0x20] : [])]);
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
      [...text.padEnd(length, '\0')].map((c) => c.charCodeAt(0));
    switch (type) {
      case 0x00:
        return [[0x49, 0x00, ...supportBitmap(0, [0x02, 0x04, 0x06, 0x0a])]];
      case 0x02:
        return [[0x49, 0x02, 1, ...padded(this.identity.vin, 17)]];
      case 0x04:
        return [[0x49, 0x04, 1, ...padded(this.identity.calibrationId, 16)]];
      case 0x06:
        return [
          [
            0x49,
            0x06,
            1,
            ...(this.identity.verificationNumber.match(/../g) ?? []).map((h) => Number.parseInt(h, 16)),
          ],
        ];
      case 0x0a:
        return [[0x49, 0x0a, 1, ...padded(this.identity.name, 20)]];
      default:
        return [];
    }
  }
}
