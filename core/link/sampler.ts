import {
  RESTATED_PIDS,
  ScanBuilder,
  STATING_PIDS,
  emptyScan,
  hexByte,
  parameterLength,
  restated,
  type ReadValue,
} from '@pincer/core/obd';
import type { LinkFault } from './faults.ts';
import { namesSenders, setUpAgain, type Connection } from './connection.ts';
import { asAsked, asSent, groupSize, interpretReply } from './request.ts';
import type { CancelSignal, Clock } from './transport.ts';
import { hasEveryLine } from './whole-lines.ts';

/** A reading to be sampled, and how often it is worth asking for. */
export interface Wanted {
  pid: number;
  everyMs: number;
}

export interface TimedValue {
  /** Seconds from the start of the sampling: the middle between request and answer. */
  at: number;
  value: ReadValue;
}

export interface Pace {
  /** Values that arrived in each of the last seconds, on average. */
  perSecond: number;
  /** Of these, by PID. */
  byPid: ReadonlyMap<number, number>;
  /** Learned time of one request, ms. */
  requestMs: number;
  /** Readings that the car has stopped answering. */
  silent: readonly number[];
}

export interface SamplerOptions {
  wanted: readonly Wanted[];
  clock: Clock;
  signal?: CancelSignal;
  /** Seconds already on the recording, when it goes on with one. */
  startAt?: number;
  isPaused?: () => boolean;
  onValues: (values: readonly TimedValue[], pace: Pace) => void;
}

const REQUEST_MS = 3_000;
/** Over how long the pace is averaged, ms. */
const PACE_MS = 4_000;
/** So often unanswered in a row, a reading is no longer asked for. */
const GIVE_UP_AFTER = 4;
/** So long without any answer, the car has gone to sleep, ms. */
const ASLEEP_MS = 20_000;
/** A reading that is not due yet fills a group from this share of its time on: it costs no request of its own. */
const FILLS_FROM = 0.5;
const PAUSE_LOOK_MS = 200;
const MAX_RESTARTS = 5;

/**
 * Samples readings until it is stopped. What is due longest comes first; on CAN up to six readings share a request (three on the newest
 * cars),
 * on the older protocols each has its own. Ends with a fault, or with `cancelled` when it was stopped.
 */
export async function sampleReadings(connection: Connection, options: SamplerOptions): Promise<LinkFault> {
  return new Sampling(connection, options).run();
}

class Sampling {
  private readonly asked = new Map<number, number>();
  private readonly unanswered = new Map<number, number>();
  private readonly silent: number[] = [];
  /** Readings of known length that the car has not stopped answering. */
  private readonly canBeAsked: Set<number>;
  private readonly arrivals: { at: number; pid: number }[] = [];
  /** How many of them are of each reading. */
  private readonly arrived = new Map<number, number>();
  private requestMs = 0;
  private readonly began: number;
  private lastHeard: number;
  private restarts = 0;
  /** Scales that the control units state for some of the readings. */
  private stated: readonly ReadValue[] = [];

  constructor(
    private readonly connection: Connection,
    private readonly options: SamplerOptions,
  ) {
    this.canBeAsked = new Set(
      options.wanted.map((w) => w.pid).filter((pid) => parameterLength(pid) !== null),
    );
    this.began = options.clock.now() - (options.startAt ?? 0) * 1000;
    this.lastHeard = options.clock.now();
  }

  async run(): Promise<LinkFault> {
    const { clock, signal, isPaused, wanted } = this.options;
    if (this.connection.isCan && wanted.some((w) => RESTATED_PIDS.has(w.pid))) {
      const fault = await this.askScales();
      if (fault) return fault;
    }
    for (;;) {
      if (signal?.aborted) return { code: 'cancelled' };
      if (isPaused?.()) {
        this.lastHeard = clock.now();
        await this.wait(PAUSE_LOOK_MS);
        continue;
      }
      const { group, dueInMs } = this.next();
      if (group.length === 0) {
        if (dueInMs === null) return { code: 'no-data' };
        await this.wait(dueInMs);
        continue;
      }
      const fault = await this.ask(group);
      if (fault) return fault;
      if (clock.now() - this.lastHeard > ASLEEP_MS) return { code: 'unable-to-connect' };
    }
  }

  /** The readings for the next request, or how long until one is due; null when none is left. */
  private next(): { group: number[]; dueInMs: number | null } {
    const now = this.options.clock.now();
    const late: { pid: number; lateness: number }[] = [];
    let dueInMs: number | null = null;
    for (const { pid, everyMs } of this.options.wanted) {
      if (!this.canBeAsked.has(pid)) continue;
      const last = this.asked.get(pid);
      // Never asked: later than anything else, in the order given.
      const lateness = last === undefined ? Infinity : (now - last + this.requestMs / 2) / everyMs;
      const due = last === undefined || lateness >= 1 ? 0 : Math.max(1, everyMs - (now - last));
      dueInMs = Math.min(dueInMs ?? due, due);
      if (lateness >= FILLS_FROM) late.push({ pid, lateness });
    }
    if (dueInMs !== 0) return { group: [], dueInMs };
    const group = late
      .sort((a, b) => b.lateness - a.lateness)
      .slice(0, groupSize(this.connection))
      .map((w) => w.pid);
    return { group, dueInMs };
  }

  /** Asks once for stated scales; a car that has none says so, or nothing. */
  private async askScales(): Promise<LinkFault | null> {
    const reply = await this.connection.port.send(this.asking(STATING_PIDS), {
      timeoutMs: REQUEST_MS,
      signal: this.options.signal,
    });
    if (!reply.ok) return reply.fault;
    const reading = emptyScan();
    const builder = new ScanBuilder(reading);
    for (const answer of interpretReply(this.connection, reply.lines).answers)
      builder.add(asAsked(this.connection, answer));
    this.stated = reading.values;
    return null;
  }

  /** The request for a group of readings, as this car wants it. */
  private asking(group: readonly number[]): string {
    return asSent(this.connection, `01${group.map(hexByte).join('')}`);
  }

  private async ask(group: readonly number[]): Promise<LinkFault | null> {
    const { clock, signal, onValues } = this.options;
    const sentAt = clock.now();
    for (const pid of group) this.asked.set(pid, sentAt);
    const reply = await this.connection.port.send(this.asking(group), {
      timeoutMs: REQUEST_MS,
      signal,
    });
    const now = clock.now();
    if (!reply.ok) return reply.fault;
    this.requestMs = this.requestMs === 0 ? now - sentAt : this.requestMs * 0.8 + (now - sentAt) * 0.2;
    const said = interpretReply(this.connection, reply.lines);
    if (said.faults.some((f) => f.code === 'low-voltage-reset')) {
      // The starter pulls the voltage down; the adapter forgets its settings and gets them again.
      const isBack = this.restarts++ < MAX_RESTARTS && (await setUpAgain(this.connection, signal));
      return isBack ? null : { code: 'low-voltage-reset' };
    }
    const reading = emptyScan();
    const builder = new ScanBuilder(reading);
    // Where a line end was lost, the tail of another frame may be in an answer: a peak that never was.
    const isProven = !namesSenders(this.connection) || hasEveryLine(said, []);
    for (const raw of isProven ? said.answers : []) {
      const answer = asAsked(this.connection, raw);
      if (answer.payload[0] === 0x41) builder.add(answer);
    }
    const at = ((sentAt + now) / 2 - this.began) / 1000;
    const answered = new Set(reading.values.map((v) => Number.parseInt(v.pid, 16)));
    if (answered.size > 0) this.lastHeard = now;
    this.note(group, answered, !isProven || said.errors.some((e) => e.kind !== 'no-data'));
    for (const pid of answered) {
      this.arrivals.push({ at: now, pid });
      this.arrived.set(pid, (this.arrived.get(pid) ?? 0) + 1);
    }
    onValues(
      restated(reading.values, this.stated).map((value) => ({ at, value })),
      this.pace(now),
    );
    return null;
  }

  /** Counts what was not answered; a damaged answer or a sleeping car says nothing about a reading. */
  private note(group: readonly number[], answered: ReadonlySet<number>, isDamaged: boolean): void {
    for (const pid of group) {
      if (answered.has(pid)) this.unanswered.delete(pid);
      else if (answered.size > 0 && !isDamaged) {
        const times = (this.unanswered.get(pid) ?? 0) + 1;
        this.unanswered.set(pid, times);
        if (times >= GIVE_UP_AFTER && this.canBeAsked.delete(pid)) this.silent.push(pid);
      }
    }
  }

  private pace(now: number): Pace {
    for (let first = this.arrivals[0]; first && first.at < now - PACE_MS; first = this.arrivals[0]) {
      this.arrivals.shift();
      this.arrived.set(first.pid, (this.arrived.get(first.pid) ?? 1) - 1);
    }
    const span = Math.min(PACE_MS, Math.max(250, now - (this.arrivals[0]?.at ?? now))) / 1000;
    return {
      perSecond: this.arrivals.length / span,
      byPid: new Map([...this.arrived].map(([pid, count]) => [pid, count / span])),
      requestMs: this.requestMs,
      silent: [...this.silent],
    };
  }

  private wait(ms: number): Promise<void> {
    const { clock, signal } = this.options;
    return new Promise((resolve) => {
      const end = () => {
        cancel();
        signal?.removeEventListener('abort', end);
        resolve();
      };
      const cancel = clock.after(ms, end);
      signal?.addEventListener('abort', end);
    });
  }
}
