import { asciiBytes } from '@pincer/core/link';
import {
  encodeConditions,
  encodeDtcByStatus,
  encodeOlderCodes,
  encodeParameter,
  encodeTroubleCode,
  type StatusCode,
} from '@pincer/core/obd';
import type { UnitPlan } from './car-plan.ts';
import type { Engine } from './engine.ts';

/** Bit 0 of the status byte: the test has failed at this moment. */
const TEST_FAILED = 0x01;
/** Milliseconds that a unit which was asked stays awake for. */
const AWAKE_MS = 60_000;

/** Records that it keeps beside each code: conditions under 01, and how often it came under 01 of the extended ones. */
const RECORD = 0x01;
/** An identifier of the maker's own in the conditions; nobody else knows its meaning. */
const MAKERS_OWN = [0x20, 0x01, 0x4c, 0x07];

/** Refusals of ISO 14229-1: unknown service, unknown part of it, wrong length, conditions, out of range. */
const [NO_SERVICE, NO_PART, LENGTH, CONDITIONS, OUT_OF_RANGE] = [0x11, 0x12, 0x13, 0x22, 0x31];

/**
 * A control unit beyond those of the standard: identification, fault memory and clearing by ISO 14229, or in the older
 * language of ISO 14230-3; everything else is plainly refused.
 */
export class UdsUnit {
  private isCleared = false;
  private awakeUntil = -Infinity;

  constructor(
    private readonly plan: UnitPlan,
    private readonly engine: Engine,
    /** Whether the unit that holds this one has codes stored. */
    private readonly isHeld: () => boolean = () => false,
    private readonly now: () => number = () => 0,
  ) {}

  /** A new trip: what the car does to it is noted again. */
  startTrip(): void {
    this.isCleared = false;
  }

  answer(request: readonly number[]): number[][] {
    const [service] = request;
    if (service === undefined || !this.isAwake()) return [];
    if (service === 0x14) return [this.clear(request)];
    return this.plan.manner === 'older' ? this.older(request) : this.newer(request);
  }

  /** A unit that sleeps is woken by the first question, and does not answer it. */
  private isAwake(): boolean {
    if (this.plan.manner !== 'asleep') return true;
    const now = this.now();
    const wasAwake = now < this.awakeUntil;
    this.awakeUntil = now + AWAKE_MS;
    return wasAwake;
  }

  private clear(request: readonly number[]): number[] {
    if (request.length !== (this.plan.manner === 'older' ? 3 : 4)) return [0x7f, 0x14, LENGTH];
    if (this.engine.isRunning) return [0x7f, 0x14, CONDITIONS];
    this.isCleared = !this.isHeld();
    return this.plan.manner === 'older' ? [0x54, ...request.slice(1)] : [0x54];
  }

  private newer(request: readonly number[]): number[][] {
    const [service = 0, kind, mask = 0xff] = request;
    if (service === 0x3e) return kind === 0x80 ? [] : [kind === 0x00 ? [0x7e, 0x00] : [0x7f, 0x3e, NO_PART]];
    if (service === 0x22) {
      const text = this.told(kind === 0xf1 ? mask : 0, {
        name: 0x97,
        partNumber: 0x87,
        software: 0x95,
        vin: 0x90,
      });
      return [text === null ? [0x7f, 0x22, OUT_OF_RANGE] : [0x62, kind ?? 0, mask, ...asciiBytes(text)]];
    }
    if (service !== 0x19) return [[0x7f, service, NO_SERVICE]];
    if (kind === 0x01) return [[0x59, 0x01, 0xff, 0x01, 0x00, this.stored(mask).length]];
    if (kind === 0x04 || kind === 0x06) return [this.records(request)];
    if (kind !== 0x02) return [[0x7f, service, NO_PART]];
    return [encodeDtcByStatus(this.stored(mask))];
  }

  private older(request: readonly number[]): number[][] {
    const [service = 0, option = 0] = request;
    if (service === 0x3e) return [[0x7e]];
    if (service === 0x1a) {
      const text = this.told(option, { name: 0x97, partNumber: 0x91, software: 0x94, vin: 0x90 });
      return [text === null ? [0x7f, 0x1a, NO_PART] : [0x5a, option, ...asciiBytes(text)]];
    }
    if (service !== 0x18) return [[0x7f, service, NO_SERVICE]];
    const codes = this.stored().map((c) => ({
      code: c.code,
      // Bits 5 and 6: there now, or stored and not there; bit 7 asks for the lamp; the kind of failure is 1.
      status: (c.status & TEST_FAILED ? 0x60 : 0x20) | (c.status & 0x80) | 0x01,
    }));
    return [encodeOlderCodes(codes)];
  }

  private told(
    option: number,
    options: { name: number; partNumber: number; software: number; vin: number },
  ): string | null {
    const { tells = {} } = this.plan;
    if (option === options.name) return tells.name ?? null;
    if (option === options.partNumber) return tells.partNumber ?? null;
    if (option === options.software) return tells.software ?? null;
    return option === options.vin ? this.engine.options.plan.identity.vin : null;
  }

  /** What is kept beside one code: speed and voltage as they were, and the maker's own; or how often it came. */
  private records([, kind = 0, high = 0, low = 0, failure = 0]: readonly number[]): number[] {
    const found = this.stored().find((c) => {
      const [h, l] = encodeTroubleCode(c.code);
      return h === high && l === low && Number.parseInt(c.failureType, 16) === failure;
    });
    if (!found) return [0x7f, 0x19, OUT_OF_RANGE];
    const code = [high, low, failure];
    if (kind === 0x06) return [0x59, 0x06, ...code, found.status, RECORD, 0x03, 0x28];
    const values = [
      { pid: 0x0d, bytes: encodeParameter(0x0d, [34]) },
      { pid: 0x42, bytes: encodeParameter(0x42, [13.8]) },
    ];
    return encodeConditions(code, found.status, RECORD, values, MAKERS_OWN);
  }

  /** What is stored with any of the status bits asked for; what fails at this moment is back as soon as it is erased. */
  stored(mask = 0xff): StatusCode[] {
    return this.plan
      .codes(this.engine)
      .filter((c) => !this.isCleared || (c.status & TEST_FAILED) !== 0)
      .filter((c) => (c.status & mask) !== 0);
  }
}
