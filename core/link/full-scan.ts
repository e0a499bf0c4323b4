import {
  ScanBuilder,
  emptyScan,
  hexByte,
  isSupportPid,
  negativeResponseText,
  parameterLength,
  type Scan,
} from '@pincer/core/obd';
import { FUNCTIONAL, FUNCTIONAL_29_BIT, headerCommands, type ReachableUnit } from './addressing.ts';
import { interpretLines, type Interpretation } from './answers.ts';
import { COMMAND_MS, REQUEST_MS, setUpAgain, type Connection, type LinkOptions } from './connection.ts';
import type { LinkFault } from './faults.ts';
import { faultWords } from './words.ts';

interface ReadOptions extends LinkOptions {
  /** Control units beyond those of the standard's services; asked with ISO 14229 service 19 02. */
  units?: readonly ReachableUnit[];
}

export interface ScanResult {
  scan: Scan;
  /** Why the reading stopped early; null when it went through to its end. */
  fault: LinkFault | null;
}

/** PIDs that one CAN request may name (SAE J1979: six); three for stored readings, whose PIDs carry a frame number. */
const GROUP = 6;
const FROZEN_GROUP = 3;

/** How often a damaged answer is asked for, and how often an adapter may restart within one reading. */
const MAX_ATTEMPTS = 4;
const MAX_RESTARTS = 3;

/** Faults after which asking on is pointless. */
const ENDS_READING: ReadonlySet<LinkFault['code']> = new Set([
  'cut',
  'cancelled',
  'silent',
  'low-voltage-reset',
]);

/** How old the first part may be when a cut reading is gone on with, milliseconds; later the car may have changed. */
export const RESUME_WITHIN_MS = 10 * 60_000;

/** The parts of a full reading, in order, with the words for what would be missing. */
const STEPS = [
  { id: 'supported', step: 'What the car can tell', part: 'the list of supported readings' },
  { id: 'confirmed', step: 'Confirmed codes', part: 'confirmed codes' },
  { id: 'pending', step: 'Pending codes', part: 'pending codes' },
  { id: 'permanent', step: 'Permanent codes', part: 'permanent codes' },
  { id: 'frozen', step: 'Stored conditions', part: 'stored conditions' },
  { id: 'identity', step: 'Identity', part: 'vehicle number and calibration' },
  { id: 'values', step: 'Lamp, self-checks and readings', part: 'lamp, self-checks and readings' },
  { id: 'tests', step: 'On-board test results', part: 'on-board test results' },
  { id: 'units', step: 'The other control units', part: 'codes of the other control units' },
] as const;
type StepId = (typeof STEPS)[number]['id'];

/**
 * Takes a full reading: codes of services 03, 07 and 0A from every control unit that answers, stored
 * conditions, identity, lamp, monitors, counters and each supported reading once. The codes come first, so
 * that a connection that is cut early has still brought the most important part. Requests are grouped as far
 * as the protocol allows; what a unit leaves out of a group is asked for singly.
 *
 * Nothing is lost when it stops early: the reading says what is missing.
 */
export async function takeScan(connection: Connection, options: ReadOptions = {}): Promise<ScanResult> {
  return new ScanRun(connection, options, null).take();
}

/**
 * Goes on with a reading that was cut: asks for the parts that it lacks and adds them to a copy of it. A part that
 * was cut in its middle is asked for from its beginning. Another car in the socket, told by its number, begins anew.
 * @param begun the earlier part, not older than {@link RESUME_WITHIN_MS}.
 */
export async function resumeScan(
  connection: Connection,
  begun: Scan,
  options: ReadOptions = {},
): Promise<ScanResult> {
  const result = await new ScanRun(connection, options, begun).take();
  const isOtherCar = begun.vin !== undefined && result.vinNow !== null && result.vinNow !== begun.vin;
  return isOtherCar ? takeScan(connection, options) : result;
}

/** What a part of a reading is made of, taken out when that part is asked for anew. */
function without(reading: Scan, parts: ReadonlySet<StepId>): Scan {
  const lacks = (id: StepId) => parts.has(id);
  const { mil, vin, ...rest } = structuredClone(reading);
  return {
    ...rest,
    ...(mil && !lacks('values') ? { mil } : {}),
    ...(vin !== undefined && !lacks('identity') ? { vin } : {}),
    codes: rest.codes.filter((c) => !(c.state !== 'history' && lacks(c.state))),
    freezeFrames: lacks('frozen') ? [] : rest.freezeFrames,
    identities: lacks('identity') ? [] : rest.identities,
    ...(rest.units && lacks('units') ? { units: [] } : {}),
    values: rest.values.filter(
      (v) =>
        !(lacks('values') && v.service === '01') &&
        !(lacks('tests') && v.service === '06') &&
        // The vehicle number is asked for anew in any case.
        !(v.service === '09' && (lacks('identity') || v.pid === '02')),
    ),
    monitors: lacks('values') ? [] : rest.monitors,
    errors: [],
    missing: [],
  };
}

class ScanRun {
  private readonly scan: Scan;
  private readonly builder: ScanBuilder;
  /** The parts that are asked for; the list of supported readings always is. */
  private readonly wanted: ReadonlySet<StepId>;
  private readonly steps: readonly (typeof STEPS)[number][];
  private fault: LinkFault | null = null;
  private readonly units = new Set<string>();
  private restarts = 0;

  constructor(
    private readonly connection: Connection,
    private readonly options: ReadOptions,
    begun: Scan | null,
  ) {
    const lacking = new Set(begun?.missing.map((m) => m.part));
    this.steps = STEPS.filter((s) => s.id !== 'units' || (options.units?.length ?? 0) > 0);
    const wanted = this.steps.filter((s) => begun === null || s.id === 'supported' || lacking.has(s.part));
    this.wanted = new Set(wanted.map((s) => s.id));
    this.scan = begun === null ? emptyScan() : without(begun, this.wanted);
    this.builder = new ScanBuilder(this.scan);
  }

  async take(): Promise<ScanResult & { vinNow: string | null }> {
    const { connection, scan } = this;
    scan.protocol = connection.protocol;
    if (connection.adapterVolts !== null) scan.adapterVolts = connection.adapterVolts;
    for (const [index, step] of this.steps.entries()) {
      this.options.onProgress?.({ step: step.step, done: index, total: this.steps.length });
      if (!this.wanted.has(step.id)) continue;
      if (this.fault === null) await (step.id === 'units' ? this.otherUnits() : this[step.id]());
      // Silence from every unit is an ignition that is off, not a car without codes.
      if (this.fault === null && this.units.size === 0) this.fault = { code: 'unable-to-connect' };
      if (this.fault !== null) scan.missing.push({ part: step.part, why: faultWords(this.fault).sentence });
    }
    const vinBefore = scan.vin;
    // The number is asked for once more where the first part has it: the plug may have moved to another car.
    if (vinBefore !== undefined && this.fault === null && !this.wanted.has('identity'))
      await this.ask('0902');
    this.builder.finish();
    this.options.onProgress?.({ step: 'Done', done: this.steps.length, total: this.steps.length });
    return { scan, fault: this.fault, vinNow: scan.vin ?? null };
  }

  /**
   * Sends one request and adds its answers. `NO DATA` is an answer like another: the car has nothing to say. A
   * damaged answer is asked for again, and an adapter that has restarted is set up again, both within limits.
   */
  private async ask(request: string): Promise<Interpretation> {
    for (let attempt = 1; ; attempt++) {
      const reply = await this.connection.port.send(request, {
        timeoutMs: REQUEST_MS,
        signal: this.options.signal,
      });
      const said = interpretLines(reply.lines.map((text) => ({ text })));
      const hasRestarted = said.faults.some((f) => f.code === 'low-voltage-reset');
      if (
        reply.ok &&
        hasRestarted &&
        this.restarts++ < MAX_RESTARTS &&
        (await setUpAgain(this.connection, this.options.signal))
      )
        continue;
      const isDamaged = said.errors.some((e) => e.kind !== 'no-data' && e.kind !== 'unknown-command');
      if (reply.ok && isDamaged && !hasRestarted && attempt < MAX_ATTEMPTS) continue;
      for (const answer of said.answers) {
        this.units.add(answer.source);
        this.builder.add(answer);
      }
      if (!reply.ok) this.fault = reply.fault;
      else {
        const grave = said.faults.find((f) => ENDS_READING.has(f.code));
        if (grave) this.fault = grave;
        this.scan.errors.push(
          ...said.errors
            .filter((e) => e.kind !== 'no-data')
            .map((e) => ({ ...e, message: `${request}: ${e.message}` })),
        );
      }
      return said;
    }
  }

  private async supported(): Promise<void> {
    if (this.connection.isCan) {
      // 00 again: what a second unit answered while the protocol was being searched may be lost.
      await this.ask('010020406080A0');
      if (this.unionSupported('01').size > 0 || this.fault) return;
    }
    for (let base = 0; base <= 0xc0; base += 0x20) {
      await this.ask(`01${hexByte(base)}`);
      if (this.fault || !this.unionSupported('01').has(base + 0x20)) return;
    }
  }

  private async confirmed(): Promise<void> {
    await this.ask('03');
  }

  private async pending(): Promise<void> {
    await this.ask('07');
  }

  private async permanent(): Promise<void> {
    await this.ask('0A');
  }

  private async frozen(): Promise<void> {
    await this.ask(this.connection.isCan ? '020200' + '0000' + '2000' : '020200');
    if (this.fault || !this.scan.freezeFrames.some((f) => f.code !== null)) return;
    // Without grouping, or where the group was not understood, the lists of stored readings come one by one.
    for (let base = 0; base <= 0xc0 && !this.connection.isCan; base += 0x20) {
      await this.ask(`02${hexByte(base)}00`);
      if (this.fault || !this.unionSupported('02').has(base + 0x20)) break;
    }
    if (this.unionSupported('02').size === 0) await this.ask('020000');
    const pids = this.described(this.unionSupported('02')).filter((p) => p !== 0x02);
    await this.inGroups(
      pids,
      FROZEN_GROUP,
      (group) => `02${group.map((p) => `${hexByte(p)}00`).join('')}`,
      (pid) => this.scan.freezeFrames.some((f) => f.values.some((v) => v.pid === hexByte(pid))),
    );
  }

  private async identity(): Promise<void> {
    await this.ask('0900');
    const offered = this.unionSupported('09');
    for (const type of [0x02, 0x04, 0x06, 0x0a]) {
      if (this.fault) return;
      if (offered.has(type)) await this.ask(`09${hexByte(type)}`);
    }
  }

  private async values(): Promise<void> {
    const pids = this.described(this.unionSupported('01')).filter((p) => p !== 0x02);
    await this.inGroups(
      pids,
      GROUP,
      (group) => `01${group.map(hexByte).join('')}`,
      (pid) =>
        pid === 0x01 || pid === 0x41
          ? this.scan.monitors.length > 0
          : this.scan.values.some((v) => v.service === '01' && v.pid === hexByte(pid)),
    );
  }

  /** Results of the car's own tests with their limits (service 06): the lists first, then monitor by monitor. */
  private async tests(): Promise<void> {
    if (this.connection.isCan) await this.ask('060020406080A0');
    for (let base = 0; base <= 0xa0 && this.unionSupported('06').size === 0 && !this.fault; base += 0x20) {
      await this.ask(`06${hexByte(base)}`);
      if (!this.unionSupported('06').has(base + 0x20)) break;
    }
    for (const monitor of [...this.unionSupported('06')].sort((a, b) => a - b)) {
      if (this.fault) return;
      if (!isSupportPid(monitor)) await this.ask(`06${hexByte(monitor)}`);
    }
  }

  /**
   * Walks the control units of the module map: each is addressed by itself, its codes are read with their status bytes
   * (ISO 14229-1 service 19 02, every status), and the adapter is set back to asking all. A unit that does not answer
   * is noted with the reason; it is no fault of the connection.
   */
  private async otherUnits(): Promise<void> {
    const units = this.options.units ?? [];
    this.scan.units = [];
    for (const [index, unit] of units.entries()) {
      this.options.onProgress?.({
        step: `${unit.name} (${index + 1} of ${units.length})`,
        done: this.steps.length - 1,
        total: this.steps.length,
      });
      const why = this.connection.isCan
        ? await this.askUnit(unit)
        : 'the older protocol reaches only the engine’s own services';
      if (this.fault) break;
      this.scan.units.push({
        unit: unit.answer,
        name: unit.name,
        hasAnswered: why === null,
        ...(why === null ? {} : { why }),
      });
    }
    if (this.connection.isCan && this.fault === null) {
      const isLong = units.some((u) => u.request.length === 8);
      await this.settle(['ATAR', ...headerCommands(isLong ? FUNCTIONAL_29_BIT : FUNCTIONAL)]);
    }
  }

  /** @returns why the unit could not be read, or null. */
  private async askUnit(unit: ReachableUnit): Promise<string | null> {
    const refused = await this.settle([...headerCommands(unit.request), `ATCRA${unit.answer}`]);
    if (this.fault) return null;
    if (refused) return 'the adapter cannot address single control units';
    const said = await this.ask('1902FF');
    const answer = said.answers.find((a) => a.source === unit.answer);
    if (!answer) return 'it does not answer: not fitted, or asleep';
    if (answer.payload[0] === 0x59) return null;
    return `it refuses: ${negativeResponseText(answer.payload[2] ?? 0)}`;
  }

  /** Sends settings one after the other. @returns whether the adapter did not know one of them. */
  private async settle(commands: readonly string[]): Promise<boolean> {
    for (const command of commands) {
      const reply = await this.connection.port.send(command, {
        timeoutMs: COMMAND_MS,
        signal: this.options.signal,
      });
      if (!reply.ok) {
        this.fault = reply.fault;
        return false;
      }
      if (reply.lines.some((l) => l.trim() === '?')) return true;
    }
    return false;
  }

  /** Asks in groups on CAN and one by one elsewhere; what a group left unanswered is asked for singly, once. */
  private async inGroups(
    pids: readonly number[],
    size: number,
    request: (group: readonly number[]) => string,
    isAnswered: (pid: number) => boolean,
  ): Promise<void> {
    const step = this.connection.isCan ? size : 1;
    for (let at = 0; at < pids.length; at += step) {
      const group = pids.slice(at, at + step);
      await this.ask(request(group));
      for (const pid of group) {
        if (this.fault) return;
        if (group.length > 1 && !isAnswered(pid)) await this.ask(request([pid]));
      }
      if (this.fault) return;
    }
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
