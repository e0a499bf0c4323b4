import { encodeDtcByStatus, type StatusCode } from '@pincer/core/obd';
import type { UnitPlan } from './car-plan.ts';
import type { Engine } from './engine.ts';

/** Bit 0 of the status byte: the test has failed at this moment. */
const TEST_FAILED = 0x01;

/** A control unit that speaks ISO 14229 only: services 19 02 and 14, and a plain refusal of everything else. */
export class UdsUnit {
  private isCleared = false;

  constructor(
    private readonly plan: UnitPlan,
    private readonly engine: Engine,
    /** Whether the unit that holds this one has codes stored. */
    private readonly isHeld: () => boolean = () => false,
  ) {}

  /** A new trip: what the car does to it is noted again. */
  startTrip(): void {
    this.isCleared = false;
  }

  answer(request: readonly number[]): number[][] {
    const [service, kind, mask = 0xff] = request;
    if (service === undefined) return [];
    if (service === 0x14) {
      if (request.length !== 4) return [[0x7f, 0x14, 0x13]];
      if (this.engine.isRunning) return [[0x7f, 0x14, 0x22]];
      this.isCleared = !this.isHeld();
      return [[0x54]];
    }
    if (service !== 0x19) return [[0x7f, service, 0x11]];
    if (kind !== 0x02) return [[0x7f, service, 0x12]];
    return [encodeDtcByStatus(this.stored(mask))];
  }

  /** What is stored with any of the status bits asked for; what fails at this moment is back as soon as it is erased. */
  stored(mask = 0xff): StatusCode[] {
    return this.plan
      .codes(this.engine)
      .filter((c) => !this.isCleared || (c.status & TEST_FAILED) !== 0)
      .filter((c) => (c.status & mask) !== 0);
  }
}
