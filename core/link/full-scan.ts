import {
  NO_SOURCE,
  NEWER_REQUESTS,
  ScanBuilder,
  emptyScan,
  hexByte,
  isSupportPid,
  negativeResponseText,
  parameterLength,
  partsHeld,
  type Scan,
  type ScanPart,
  isStandardAnswerId,
} from '@pincer/core/obd';
import { addressAll, addressUnit, type ReachableUnit } from './addressing.ts';
import { Asker, MAX_ATTEMPTS, type AskOptions, type PartsOf } from './asker.ts';
import { REQUEST_MS, type Connection, type LinkOptions } from './connection.ts';
import type { LinkFault } from './faults.ts';
import { identifyCar, identityOf, isSameCar, type CarIdentity } from './identity.ts';
import { POSITIVE, groupSize, type Heard } from './request.ts';
import { newerConditions, newerLamp, newerUndecoded } from './newer-steps.ts';
import { STEPS, without, type Step, type StepId } from './scan-steps.ts';
import { unitRecords, type Asking } from './stored-records.ts';
import { wholeParameters } from './whole-lines.ts';
import { faultWords } from './words.ts';

interface ScanOptions extends LinkOptions {
  /** Control units beyond those of the standard's services; asked with ISO 14229 service 19 02. */
  units?: readonly ReachableUnit[];
  /**
   * The car as it answered before. When it is this one, by its number, a control unit that it had then and that stays
   * silent now was not read.
   */
  knownCar?: CarIdentity;
}

export interface ScanResult {
  scan: Scan;
  /** Why the scan stopped early; null when it went through to its end. */
  fault: LinkFault | null;
}

/** Stored readings that one CAN request may name: their PIDs carry a frame number. */
const FROZEN_GROUP = 3;

/** Refusals by which a unit says that it has no such thing (ISO 14229-1, annex A). */
const HAS_NONE: ReadonlySet<number> = new Set([0x11, 0x12, 0x31]);

/** Faults after which asking on is pointless. */
const ENDS_SCAN: ReadonlySet<LinkFault['code']> = new Set([
  'cut',
  'cancelled',
  'silent',
  'low-voltage-reset',
]);

/** How old the first part may be when a cut scan is gone on with, milliseconds; later the car may have changed. */
export const RESUME_WITHIN_MS = 10 * 60_000;

/**
 * Takes a full scan: the car's identity, codes of services 03, 07 and 0A from every control unit that answers, stored
 * conditions, lamp, monitors, counters and each supported reading once. Whose car it is comes first, for nothing that
 * was cut can be gone on with before that is known; then the codes, as the most important part. Requests are grouped as far
 * as the protocol allows; what a unit leaves out of a group is asked for singly.
 *
 * A part counts as read when every unit that should answer has answered it whole, or has said itself that it has no
 * such thing. Nothing is lost when it stops early: the scan says what is missing.
 */
export async function takeScan(connection: Connection, options: ScanOptions = {}): Promise<ScanResult> {
  return new ScanRun(connection, options, null).take();
}

/**
 * Goes on with a scan that was cut: proves first that it is the same car, then asks for the parts that are lacking and
 * adds them to a copy. A part that was cut in its middle is asked for from its beginning. Another car in the socket, or
 * one that cannot be told from another, begins anew.
 * @param begun the earlier part, not older than {@link RESUME_WITHIN_MS}.
 */
export async function resumeScan(
  connection: Connection,
  begun: Scan,
  options: ScanOptions = {},
): Promise<ScanResult & { hasGoneOn: boolean }> {
  const now = await identifyCar(connection, options);
  const hasGoneOn = now.ok && isSameCar(identityOf(begun), now.car);
  const result = await new ScanRun(connection, options, hasGoneOn ? begun : null).take();
  return { ...result, hasGoneOn };
}

/** Whether a unit is on the line of a connection: CAN ids on CAN, a header of ISO 14230 on a line of that kind. */
const isWithinReach = ({ isCan, protocolNumber }: Connection, { request }: ReachableUnit): boolean =>
  request.length === 6 ? protocolNumber === '4' || protocolNumber === '5' : isCan;

/** Parameters that are asked for several at a time. */
interface Groups {
  service: '01' | '02';
  /** What follows each number in the request, and in the answer: nothing, or the number of the stored frame. */
  after?: readonly number[];
  pids: readonly number[];
  size: number;
  part: ScanPart;
  dueFrom: (group: readonly number[]) => string[];
  isAnswered: (pid: number) => boolean;
}

/** Parts that one request does not bring whole. */
const HALVED: ReadonlySet<ScanPart> = new Set(['freeze-frames', 'identity', 'values', 'tests']);

/** One way through the steps. */
class ScanRun implements Asking {
  readonly scan: Scan;
  readonly builder: ScanBuilder;
  private readonly asker: Asker;
  /** The steps that are asked for; the list of supported readings always is. */
  private readonly wanted: ReadonlySet<StepId>;
  private readonly steps: readonly Step[];
  private fault: LinkFault | null = null;
  /** Units of the standard that have answered anything. */
  private readonly units = new Set<string>();
  /** Without headers, how many had been heard when a part was taken for read. */
  private readonly voicesOf = new Map<ScanPart, number>();
  /** Units of the older protocols that stayed silent when asked for confirmed codes. */
  private readonly silent = new Set<string>();
  /** Whether an answer of a unit of the module map stayed damaged. */
  private damagedUnit: string | null = null;

  constructor(
    private readonly connection: Connection,
    private readonly options: ScanOptions,
    begun: Scan | null,
  ) {
    const lacking = new Set(begun?.missing.map((m) => m.part));
    this.steps = STEPS.filter((s) => s.id !== 'units' || (options.units?.length ?? 0) > 0);
    const wanted = this.steps.filter((s) => begun === null || s.id === 'supported' || lacking.has(s.missing));
    this.wanted = new Set(wanted.map((s) => s.id));
    this.scan = begun === null ? emptyScan() : without(begun, this.wanted);
    this.builder = new ScanBuilder(this.scan);
    this.asker = new Asker(connection, options);
  }

  async take(): Promise<ScanResult> {
    const { connection, scan } = this;
    scan.protocol = connection.protocol;
    if (connection.adapterVolts !== null) scan.adapterVolts = connection.adapterVolts;
    // Whoever asked before may have left the adapter with one unit alone.
    if (!(await addressAll(connection))) this.fault = { code: 'silent', waitedMs: REQUEST_MS };
    const unasked: Step[] = [];
    for (const [index, step] of this.steps.entries()) {
      this.options.onProgress?.({ step: step.step, done: index, total: this.steps.length });
      if (!this.wanted.has(step.id)) continue;
      if (this.fault === null) await (step.id === 'units' ? this.otherUnits() : this[step.id]());
      // Silence from every unit is an ignition that is off, not a car without codes.
      if (this.fault === null && this.units.size === 0) this.fault = { code: 'unable-to-connect' };
      if (this.fault !== null) unasked.push(step);
    }
    if (this.fault === null) await this.askLateOnes();
    this.conclude(unasked);
    this.builder.finish();
    this.noteMissing(unasked);
    this.options.onProgress?.({ step: 'Done', done: this.steps.length, total: this.steps.length });
    return { scan, fault: this.fault };
  }

  /** Units that should answer: every one that has answered anything, and those that the car is known to have. */
  expected(): string[] {
    const { knownCar } = this.options;
    const isSame =
      knownCar?.vin !== undefined && knownCar.vin !== null && knownCar.vin === this.builder.vin();
    // Without headers nobody can tell one unit from another.
    const others = isSame && this.connection.hasHeaders ? knownCar.units.filter(isStandardAnswerId) : [];
    return [...new Set([...this.units, ...others])].sort();
  }

  /** Asks until the request is answered as well as it can be, and adds what was heard to the scan. */
  async ask(request: string, options: AskOptions = {}): Promise<Heard> {
    const heard = await this.asker.ask(request, options);
    this.addHeard(request, heard, options.from === undefined);
    return heard;
  }

  /**
   * Adds what was heard to the scan.
   * @param isForAll whether all units of the standard were asked; one addressed by itself is expected nowhere else.
   */
  private addHeard(request: string, heard: Heard, isForAll: boolean): void {
    for (const answer of heard.answers) this.builder.add(answer);
    const heardFrom = [...heard.answers.map((a) => a.source), ...heard.refusals.keys()];
    if (isForAll) for (const unit of heardFrom) this.units.add(unit);
    this.scan.errors.push(...heard.damage.map((e) => ({ ...e, message: `${request}: ${e.message}` })));
    this.fault = heard.fault ?? heard.faults.find((f) => ENDS_SCAN.has(f.code)) ?? this.fault;
  }

  /** Whether a whole answer of a unit is trusted although the line was damaged: on CAN one answer is all there is. */
  private isAnswerWhole(heard: Heard, unit: string): boolean {
    const has = heard.answers.some((a) => a.source === unit);
    return has && (heard.damage.length === 0 || (this.connection.isCan && unit !== NO_SOURCE));
  }

  /**
   * Asks for one part of every unit and notes what became of it.
   * @param isDue whether every unit has to answer (SAE J1979: services 01, 03 and 07), or may stay silent when it has
   *   no such thing.
   */
  private async askPart(
    part: ScanPart,
    request: string,
    isDue: boolean,
    due: readonly string[] = isDue ? this.expected() : [],
  ): Promise<Heard> {
    const heard = await this.ask(request, { due });
    for (const unit of this.expected()) this.notePart(part, unit, heard, isDue);
    this.voicesOf.set(part, this.asker.voices);
    return heard;
  }

  notePart(part: ScanPart, unit: string, heard: Heard, isDue: boolean): void {
    const { builder } = this;
    if (this.isAnswerWhole(heard, unit)) {
      if (isDue && this.asker.isFaint(heard))
        builder.notePart(unit, part, 'not-read', 'fewer control units answered than are there');
      return;
    }
    const refusal = heard.refusals.get(unit);
    if (refusal !== undefined) {
      builder.notePart(
        unit,
        part,
        HAS_NONE.has(refusal) ? 'unsupported' : 'not-read',
        negativeResponseText(refusal),
      );
    } else if (heard.fault !== null) {
      builder.notePart(unit, part, 'not-read', faultWords(heard.fault).sentence);
    } else if (heard.damage.length > 0) {
      builder.notePart(unit, part, 'not-read', 'its answer came damaged, again and again');
    } else if (isDue && part === 'confirmed' && !this.connection.isCan) {
      // The older protocols let a unit without codes stay silent; whether it has any, its own count will tell.
      this.silent.add(unit);
    } else if (isDue) {
      builder.notePart(unit, part, 'not-read', 'it said nothing to this question');
    } else builder.notePart(unit, part, 'unsupported', 'it has no answer to this question');
  }

  /** Asked anew after each wait: what was so before it need not be so any more. */
  hasFault(): boolean {
    return this.fault !== null;
  }

  private async supported(): Promise<void> {
    if (!this.connection.hasHeaders) await this.ask('0100');
    if (this.fault) return;
    if (this.connection.isCan && !this.connection.isNewer) {
      // 00 again: what a second unit answered while the protocol was being searched may be lost.
      const { damage } = await this.ask('010020406080A0', {
        due: [...new Set([...this.expected(), ...this.connection.heardFirst])],
      });
      // Every unit of the standard has to answer this one: undamaged, it names them all.
      this.asker.isRollCalled = damage.length === 0;
      if (this.unionSupported('01').size > 0 || this.hasFault()) return;
    }
    for (let base = 0; base <= 0xc0; base += 0x20) {
      await this.ask(`01${hexByte(base)}`, { due: base === 0 ? this.expected() : [] });
      if (this.hasFault() || !this.unionSupported('01').has(base + 0x20)) return;
    }
  }

  private async confirmed(): Promise<void> {
    const { isNewer } = this.connection;
    const heard = await this.askPart('confirmed', isNewer ? NEWER_REQUESTS.codes : '03', true);
    // One list holds both states there.
    if (isNewer) for (const unit of this.expected()) this.notePart('pending', unit, heard, true);
  }

  private async pending(): Promise<void> {
    if (!this.connection.isNewer) await this.askPart('pending', '07', true);
  }

  private async permanent(): Promise<void> {
    // Units older than the service stay silent to it, and nobody can tell that from a lost line: it is asked again.
    const request = this.connection.isNewer ? NEWER_REQUESTS.permanent : '0A';
    await this.askPart('permanent', request, false, this.expected());
  }

  private async frozen(): Promise<void> {
    if (this.connection.isNewer) return newerConditions(this);
    await this.askPart(
      'freeze-frames',
      this.connection.isCan ? '020200' + '0000' + '2000' : '020200',
      false,
      // A unit with a code has most likely stored its conditions: its silence is not taken at the first time.
      this.expected().filter((u) => this.builder.partOf(u, 'confirmed') === 'known'),
    );
    if (this.fault || !this.scan.freezeFrames.some((f) => f.code !== null)) return;
    // Without grouping, or where the group was not understood, the lists of stored readings come one by one.
    for (let base = 0; base <= 0xc0 && !this.connection.isCan; base += 0x20) {
      await this.ask(`02${hexByte(base)}00`);
      if (this.hasFault() || !this.unionSupported('02').has(base + 0x20)) break;
    }
    if (this.unionSupported('02').size === 0) await this.ask('020000');
    const pids = this.described(this.unionSupported('02')).filter((p) => p !== 0x02);
    const holders = new Set(this.scan.freezeFrames.filter((f) => f.code !== null).map((f) => f.unit));
    await this.inGroups({
      service: '02',
      after: [0],
      pids,
      size: FROZEN_GROUP,
      part: 'freeze-frames',
      dueFrom: (group) => this.supporting('02', group).filter((u) => holders.has(u)),
      isAnswered: (pid) => this.scan.freezeFrames.some((f) => f.values.some((v) => v.pid === hexByte(pid))),
    });
  }

  private async identity(): Promise<void> {
    const heard = await this.ask('0900', { due: this.connection.isCan ? this.expected() : [] });
    const offered = this.unionSupported('09');
    for (const unit of this.expected()) this.notePart('identity', unit, heard, false);
    for (const type of [0x02, 0x04, 0x06, 0x0a]) {
      if (this.fault) return;
      if (!offered.has(type)) continue;
      const due = this.expected().filter((u) => this.builder.supportedBy('09', u).has(type));
      const answer = await this.ask(`09${hexByte(type)}`, { due });
      for (const unit of due) this.notePart('identity', unit, answer, true);
    }
  }

  private async values(): Promise<void> {
    const pids = this.described(this.unionSupported('01')).filter((p) => p !== 0x02);
    await this.inGroups({
      service: '01',
      pids,
      size: groupSize(this.connection),
      part: 'values',
      dueFrom: (group) => this.supporting('01', group),
      isAnswered: (pid) =>
        pid === 0x01 || pid === 0x41
          ? this.scan.monitors.length > 0
          : this.scan.values.some((v) => v.service === '01' && v.pid === hexByte(pid)),
    });
    if (this.fault) return;
    // The lamp and the self-checks are due from every unit by itself, however the others answered.
    const { hasHeaders } = this.connection;
    if (!hasHeaders || this.expected().some((u) => this.builder.partOf(u, 'mil') !== 'known'))
      await this.lamp();
  }

  private async lamp(): Promise<void> {
    const { isNewer } = this.connection;
    const heard = await this.ask('0101', isNewer ? {} : { due: this.expected() });
    if (isNewer) {
      for (const unit of this.expected()) newerLamp(this, unit);
      return;
    }
    for (const unit of this.expected()) {
      // Without headers one unit's answer does not speak for the others.
      if (this.connection.hasHeaders && this.builder.partOf(unit, 'mil') === 'known') continue;
      this.notePart('mil', unit, heard, true);
      this.notePart('readiness', unit, heard, true);
    }
  }

  /** Results of the car's own tests with their limits (service 06): the lists first, then monitor by monitor. */
  private async tests(): Promise<void> {
    if (this.connection.isNewer) return newerUndecoded(this);
    if (this.connection.isCan) await this.askPart('tests', '060020406080A0', false);
    for (let base = 0; base <= 0xa0 && this.unionSupported('06').size === 0 && !this.fault; base += 0x20) {
      await this.askPart('tests', `06${hexByte(base)}`, false);
      if (!this.unionSupported('06').has(base + 0x20)) break;
    }
    for (const monitor of [...this.unionSupported('06')].sort((a, b) => a - b)) {
      if (this.fault) return;
      if (isSupportPid(monitor)) continue;
      const due = this.expected().filter((u) => this.builder.supportedBy('06', u).has(monitor));
      const heard = await this.ask(`06${hexByte(monitor)}`, { due });
      for (const unit of due)
        if (heard.damage.length > 0 || heard.fault) this.notePart('tests', unit, heard, true);
    }
  }

  /**
   * Walks the control units of the module map: each is addressed by itself, its codes are read with their status bytes
   * (ISO 14229-1 service 19 02, every status), and the adapter is set back to asking all, whatever happened. A unit
   * that does not answer is noted with the reason; it is no fault of the connection.
   */
  private async otherUnits(): Promise<void> {
    const units = this.options.units ?? [];
    this.scan.units = [];
    try {
      for (const [index, unit] of units.entries()) {
        this.options.onProgress?.({
          step: `${unit.name} (${index + 1} of ${units.length})`,
          done: this.steps.length - 1,
          total: this.steps.length,
        });
        const why = isWithinReach(this.connection, unit)
          ? await this.askUnit(unit)
          : this.connection.isCan
            ? 'it is on an older line, and this connection talks on CAN'
            : 'the older protocol reaches only the engine’s own services';
        if (this.fault) return;
        this.scan.units.push({
          unit: unit.answer,
          name: unit.name,
          hasAnswered: why === null,
          ...(why === null ? {} : { why }),
        });
        if (why !== null && !isStandardAnswerId(unit.answer))
          for (const part of ['confirmed', 'pending', 'history'] as const)
            this.builder.notePart(unit.answer, part, 'not-read', why);
      }
    } finally {
      const isBack = await addressAll(this.connection);
      if (!isBack) this.fault ??= { code: 'silent', waitedMs: REQUEST_MS };
    }
  }

  /** @returns why the unit could not be read, or null. */
  private async askUnit(unit: ReachableUnit): Promise<string | null> {
    const { signal } = this.options;
    const addressed = await addressUnit(this.connection, unit, {
      timeoutMs: REQUEST_MS,
      ...(signal ? { signal } : {}),
    });
    if (!addressed.ok) {
      if (addressed.why === 'refused') return 'the adapter cannot address single control units';
      this.fault = signal?.aborted
        ? { code: 'cancelled' }
        : this.connection.port.hasEnded
          ? { code: 'cut' }
          : { code: 'silent', waitedMs: REQUEST_MS };
      return null;
    }
    const isOlder = unit.language === 'iso-14230';
    const heard = await this.ask(isOlder ? '1800FF00' : '1902FF', { from: unit.answer });
    if (heard.answers.some((a) => isOlder || a.payload[1] === 0x02)) {
      if (!isOlder) await unitRecords(this, unit.answer);
      return null;
    }
    const refusal = heard.refusals.get(unit.answer);
    if (refusal !== undefined) return `it refuses: ${negativeResponseText(refusal)}`;
    if (heard.damage.length === 0) return 'it does not answer: not fitted, or asleep';
    this.damagedUnit ??= unit.name;
    return 'its answer came damaged, again and again';
  }

  /** The units that declare any of these readings for a service. */
  private supporting(service: string, pids: readonly number[]): string[] {
    return this.expected().filter((u) => {
      const own = this.builder.supportedBy(service, u);
      return pids.some((pid) => own.has(pid));
    });
  }

  /**
   * Asks in groups on CAN and one by one elsewhere; what a group left unanswered is asked for singly, once. What of a
   * damaged answer did not come whole goes into the next group.
   */
  private async inGroups({
    pids,
    size,
    dueFrom,
    service,
    after = [],
    isAnswered,
    part,
  }: Groups): Promise<void> {
    const step = this.connection.isCan ? size : 1;
    const request = (group: readonly number[]) =>
      `${service}${group
        .flatMap((pid) => [pid, ...after])
        .map(hexByte)
        .join('')}`;
    const damaged = (heard: Heard) => {
      if (heard.damage.length === 0 && heard.fault === null) return;
      for (const unit of this.expected())
        if (!this.isAnswerWhole(heard, unit)) this.notePart(part, unit, heard, true);
    };
    const times = new Map<number, number>();
    const queue = [...pids];
    while (queue.length > 0) {
      const group = queue.splice(0, step);
      for (const pid of group) times.set(pid, (times.get(pid) ?? 0) + 1);
      const due = dueFrom(group);
      let lacking: readonly number[] = [];
      const partsOf: PartsOf = (heard) => {
        const own = due.map((source) => ({ source, has: this.builder.supportedBy(service, source) }));
        const wanted = own.map(({ source, has }) => ({ source, pids: group.filter((pid) => has.has(pid)) }));
        const came = wholeParameters(heard, Number.parseInt(service, 16) + POSITIVE, wanted, after);
        lacking = came?.lacking ?? [];
        return came?.answers ?? null;
      };
      const mayWait = group.length > 1 && group.every((pid) => (times.get(pid) ?? 0) < MAX_ATTEMPTS);
      const heard = await this.ask(request(group), { due, ...(mayWait ? { partsOf } : {}) });
      queue.unshift(...lacking);
      if (group.length === 1) damaged(heard);
      for (const pid of group) {
        if (this.fault) return;
        if (group.length > 1 && !lacking.includes(pid) && !isAnswered(pid))
          damaged(await this.ask(request([pid])));
      }
      if (this.fault) return;
    }
  }

  /** Units that were heard of late are asked for what they had no occasion to say: nobody is left out for being slow. */
  private async askLateOnes(): Promise<void> {
    const lists: readonly (readonly ['confirmed' | 'pending', string])[] = this.connection.isNewer
      ? [['confirmed', NEWER_REQUESTS.codes]]
      : [
          ['confirmed', '03'],
          ['pending', '07'],
        ];
    for (const [part, request] of lists) {
      if (this.fault !== null || !this.wanted.has(part)) continue;
      const isUnasked = this.expected().some((u) => this.builder.partOf(u, part) === null);
      const isContradicted = part === 'confirmed' && this.contradicted().length > 0;
      const wasFaint = (this.voicesOf.get(part) ?? 0) < this.asker.voices;
      if (isUnasked || isContradicted || wasFaint) await this.askPart(part, request, true);
    }
    if (
      this.fault === null &&
      this.wanted.has('values') &&
      this.expected().some((u) => this.builder.partOf(u, 'mil') === null)
    )
      await this.lamp();
  }

  /** Units that count stored codes and listed none. */
  private contradicted(): string[] {
    return this.scan.mils
      .filter(({ unit, count }) => count > 0 && this.builder.partOf(unit, 'confirmed') === 'empty')
      .map((m) => m.unit);
  }

  /** What no answer settled: silence where an answer was due, and a count that does not fit the list. */
  private conclude(unasked: readonly Step[]): void {
    const { builder } = this;
    const why = this.fault === null ? 'it said nothing to this question' : faultWords(this.fault).sentence;
    const due: readonly ScanPart[] = ['confirmed', 'pending', 'mil', 'readiness'];
    for (const unit of this.silent)
      if (this.scan.mils.some((m) => m.unit === unit && m.count === 0))
        builder.notePart(unit, 'confirmed', 'empty');
    for (const unit of this.expected()) {
      for (const step of this.steps)
        for (const part of step.parts) {
          const isUnasked = unasked.includes(step);
          const isDue = due.includes(part) && this.wanted.has(step.id);
          const isOpen = builder.partOf(unit, part) === null;
          // What takes several requests and was cut in its middle has brought half of something.
          const isHalf = unasked[0] === step && HALVED.has(part);
          if (isUnasked && part !== 'counters') {
            if (isOpen || isHalf) builder.notePart(unit, part, 'not-read', why);
          } else if (isDue && isOpen) builder.notePart(unit, part, 'not-read', why);
        }
    }
    for (const unit of this.contradicted())
      builder.notePart(unit, 'confirmed', 'not-read', 'it counts stored codes but lists none');
  }

  /** The steps that did not bring all, in plain words. */
  private noteMissing(unasked: readonly Step[]): void {
    const { scan, fault } = this;
    const isStandard = (unit: string) =>
      !scan.units?.some((u) => u.unit === unit) || isStandardAnswerId(unit);
    for (const step of this.steps) {
      const parts: readonly ScanPart[] = step.parts;
      const open = scan.parts.find(
        (p) => p.state === 'not-read' && parts.includes(p.part) && isStandard(p.unit),
      );
      if (unasked.includes(step) && fault)
        scan.missing.push({ part: step.missing, why: faultWords(fault).sentence });
      else if (step.id === 'units' && this.damagedUnit !== null)
        scan.missing.push({
          part: step.missing,
          why: `${this.damagedUnit}: its answer came damaged, again and again.`,
        });
      else if (open)
        scan.missing.push({
          part: step.missing,
          why: `Control unit ${open.unit}: ${open.why ?? 'it was not read'}.`,
        });
    }
    for (const held of partsHeld(scan))
      if (!scan.parts.some((p) => p.unit === held.unit && p.part === held.part)) scan.parts.push(held);
  }

  /** Readings that any control unit declared for a service. */
  private unionSupported(service: string): Set<number> {
    const all = new Set<number>();
    for (const unit of this.units) for (const pid of this.builder.supportedBy(service, unit)) all.add(pid);
    return all;
  }

  /** Only PIDs of known length can be told apart in a grouped answer. */
  private described(pids: ReadonlySet<number>): number[] {
    return [...pids].filter((p) => !isSupportPid(p) && parameterLength(p) !== null).sort((a, b) => a - b);
  }
}
