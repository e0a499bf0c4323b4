import { LAMP_RULES, type MonitorId, type StatusCode } from '@pincer/core/obd';

/** What one trip's test of a code found. */
export type TestResult = 'failed' | 'passed' | 'not-run';

interface Stored {
  code: string;
  isPending: boolean;
  isConfirmed: boolean;
  isPermanent: boolean;
  /** Whether this code asks for the lamp. */
  wantsLamp: boolean;
  goodTrips: number;
  warmUpsWithout: number;
  failedThisTrip: boolean;
  ranThisTrip: boolean;
}

/**
 * Codes over trips as the standard asks: pending at the first failing trip, confirmed with the lamp at the
 * second running, lamp out after three good trips, forgotten after forty warm-ups; permanent codes go only
 * when the car itself has seen the check pass (SAE J1979, 13 CCR 1968.2).
 */
export class FaultMemory {
  private readonly stored = new Map<string, Stored>();

  /** Notes a test's result within the running trip. A failure is pending at once. */
  note(code: string, result: TestResult): { isNew: boolean } {
    if (result === 'not-run') return { isNew: false };
    let entry = this.stored.get(code);
    if (result === 'passed') {
      if (entry) entry.ranThisTrip = true;
      return { isNew: false };
    }
    const isNew = entry === undefined;
    if (!entry) {
      entry = {
        code,
        isPending: false,
        isConfirmed: false,
        isPermanent: false,
        wantsLamp: false,
        goodTrips: 0,
        warmUpsWithout: 0,
        failedThisTrip: false,
        ranThisTrip: false,
      };
      this.stored.set(code, entry);
    }
    if (!entry.failedThisTrip && entry.isPending) {
      entry.isConfirmed = true;
      entry.isPermanent = true;
      entry.wantsLamp = true;
    }
    entry.isPending = true;
    entry.failedThisTrip = true;
    entry.ranThisTrip = true;
    entry.goodTrips = 0;
    entry.warmUpsWithout = 0;
    return { isNew };
  }

  /** Closes a trip. @param hadWarmUp whether it was a warm-up cycle. */
  endTrip(hadWarmUp: boolean): void {
    for (const entry of [...this.stored.values()]) {
      if (!entry.failedThisTrip && entry.ranThisTrip) {
        entry.isPending = false;
        entry.goodTrips++;
        if (entry.goodTrips >= LAMP_RULES.goodTripsToLampOut) {
          entry.wantsLamp = false;
          entry.isPermanent = false;
        }
      }
      if (!entry.failedThisTrip && hadWarmUp && !entry.wantsLamp) entry.warmUpsWithout++;
      if (
        entry.warmUpsWithout >= LAMP_RULES.warmUpsToForget ||
        (!entry.isPending && !entry.isConfirmed && !entry.isPermanent)
      )
        this.stored.delete(entry.code);
      entry.failedThisTrip = false;
      entry.ranThisTrip = false;
    }
  }

  /** Service 04: everything but permanent codes. */
  clear(): void {
    for (const entry of [...this.stored.values()]) {
      if (!entry.isPermanent) this.stored.delete(entry.code);
      else
        Object.assign(entry, {
          isPending: false,
          isConfirmed: false,
          wantsLamp: false,
          goodTrips: 0,
          failedThisTrip: false,
          ranThisTrip: false,
        });
    }
  }

  codes(kind: 'confirmed' | 'pending' | 'permanent'): string[] {
    const wanted = (e: Stored) =>
      kind === 'confirmed' ? e.isConfirmed : kind === 'pending' ? e.isPending : e.isPermanent;
    return [...this.stored.values()].filter(wanted).map((e) => e.code);
  }

  /**
   * Stored codes with their status bytes, as service 19 02 tells them.
   * @param failureType the way of failing that they share, two hex digits.
   * @param mask status bits of which one at least has to be set.
   */
  withStatus(failureType: string, mask = 0xff): StatusCode[] {
    return [...this.stored.values()]
      .filter((e) => e.isPending || e.isConfirmed)
      .map((e) => ({
        code: e.code,
        failureType,
        status:
          (e.isPending ? 0x04 | 0x02 : 0) | (e.isConfirmed ? 0x08 : 0) | 0x20 | (e.wantsLamp ? 0x80 : 0),
      }))
      .filter((c) => (c.status & mask) !== 0);
  }

  get isLampOn(): boolean {
    return [...this.stored.values()].some((e) => e.wantsLamp);
  }
}

/** Self-checks since the last clear: which have run. */
export class MonitorMemory {
  private readonly done = new Set<MonitorId>();
  private readonly doneThisTrip = new Set<MonitorId>();

  constructor(readonly supported: readonly MonitorId[]) {}

  run(monitor: MonitorId): void {
    this.done.add(monitor);
    this.doneThisTrip.add(monitor);
  }

  startTrip(): void {
    this.doneThisTrip.clear();
  }

  clear(): void {
    this.done.clear();
    this.doneThisTrip.clear();
  }

  status(span: 'since-clear' | 'this-cycle'): { monitor: MonitorId; complete: boolean }[] {
    const set = span === 'since-clear' ? this.done : this.doneThisTrip;
    return this.supported.map((monitor) => ({ monitor, complete: set.has(monitor) }));
  }
}
