import { testName } from './test-names.ts';
import type { Answer } from './answer.ts';
import { hexByte, toHex, uintAt } from './bytes.ts';
import { decodeMonitorBytes, monitorRows } from './monitors.ts';
import {
  decodeParameter,
  isSupportPid,
  parameterLength,
  parameterName,
  supportedPids,
} from './parameters.ts';
import {
  NO_SOURCE,
  partOfValue,
  type CodeState,
  type PartState,
  type ReadCode,
  type ReadError,
  type ReadValue,
  type Scan,
  type ScanPart,
} from './scan.ts';
import { namedByLayout } from './oxygen-layout.ts';
import { restated } from './stated-scaling.ts';
import { decodeTroubleCode } from './trouble-code.ts';
import { decodeNewerCodes } from './newer-cars.ts';
import { decodeOlderCodes } from './older-units.ts';
import { decodeDtcByStatus } from './uds.ts';
import { scaleTestLimit, scaleTestValue } from './unit-scaling.ts';
import { VehicleInfo } from './vehicle-info.ts';

const CODE_SERVICES: Readonly<Record<number, CodeState>> = {
  0x43: 'confirmed',
  0x47: 'pending',
  0x4a: 'permanent',
};

/** ISO 14229 negative response codes that readers meet, in plain words. */
const NEGATIVE: Readonly<Record<number, string>> = {
  0x10: 'it refused without saying why',
  0x11: 'it does not know this service',
  0x12: 'it does not know this part of the service',
  0x13: 'the request had the wrong length',
  0x21: 'it is busy; ask again',
  0x22: 'the conditions are not right (often: engine must be off, ignition on)',
  0x31: 'it does not have what was asked for',
  0x33: 'it needs security access first',
  0x34: 'it asks for authentication first',
  0x78: 'it needs more time',
  0x7e: 'not available in the current session',
  0x7f: 'it does not do this service in its present session',
};

/** Plain words for a negative response code. */
export function negativeResponseText(code: number): string {
  return NEGATIVE[code] ?? `it refused with code ${hexByte(code)}`;
}

/** Self-checks of several units that cannot be told apart: one has run only if it has run in each. */
function mergeMonitors(a: Scan['monitors'], b: Scan['monitors']): Scan['monitors'] {
  const merged = new Map(a.map((m) => [m.monitor, m]));
  for (const m of b) {
    const known = merged.get(m.monitor);
    merged.set(m.monitor, known ? { ...m, complete: m.complete && known.complete } : m);
  }
  return [...merged.values()];
}

/** Bytes of codes in one message of the older protocols: three codes, filled up with zeros. */
const LEGACY_LIST_BYTES = 6;

/**
 * Why a code list cannot be whole, or null when count and bytes agree (SAE J1979, services 03, 07, 0A: on CAN a count
 * byte and two bytes a code; on the older protocols three codes a message, filled up with zeros).
 */
export function codeListProblem({ payload, isCan, source }: Answer): string | null {
  if (!isCan) {
    const bytes = payload.length - 1;
    if (bytes === LEGACY_LIST_BYTES) return null;
    return bytes <= 0
      ? `${source} sent no codes and no “none”.`
      : `A list of codes from ${source} has ${bytes} bytes instead of ${LEGACY_LIST_BYTES}.`;
  }
  const count = payload[1];
  if (count === undefined) return `${source} sent a list without its count.`;
  const body = payload.slice(2);
  if (count * 2 > body.length)
    return `${source} announced ${count} codes but sent ${Math.floor(body.length / 2)}.`;
  return body.slice(count * 2).some((b) => b !== 0)
    ? `${source} announced ${count} codes but sent more than that.`
    : null;
}

/** Which word on a part outranks which. */
const PART_RANK: Readonly<Record<PartState, number>> = { unsupported: 0, empty: 1, known: 2, 'not-read': 3 };

/** Refusals by which a unit says that it has no such thing at all (ISO 14229-1, annex A). */
const HAS_NONE: ReadonlySet<number> = new Set([0x11, 0x12, 0x31]);

/** The part that a service's refusal speaks of. */
const PART_OF_SERVICE: Readonly<Record<number, ScanPart>> = {
  0x01: 'values',
  0x02: 'freeze-frames',
  0x03: 'confirmed',
  0x06: 'tests',
  0x07: 'pending',
  0x09: 'identity',
  0x0a: 'permanent',
};

/** Values as their control unit says that they are to be taken: their scale, and which sensor is which. */
const asStated = (values: readonly ReadValue[], stated: readonly ReadValue[]): ReadValue[] =>
  namedByLayout(restated(values, stated), stated);

/** Gathers decoded answers into one {@link Scan}; the order of answers does not matter. */
export class ScanBuilder {
  private readonly parts = new Map<string, Scan['parts'][number]>();
  /** PIDs that each control unit says it supports, by service. */
  readonly supported = new Map<string, Set<number>>();
  private readonly info: VehicleInfo;

  constructor(readonly scan: Scan) {
    this.info = new VehicleInfo(scan);
    for (const p of scan.parts) this.parts.set(`${p.unit}/${p.part}`, p);
  }

  /**
   * Notes what became of a part of a unit. What could not be read outranks what was read of it: half a list is not a
   * list; content outranks "there is none".
   */
  notePart(unit: string, part: ScanPart, state: PartState, why?: string): void {
    const key = `${unit}/${part}`;
    const before = this.parts.get(key);
    if (before && PART_RANK[before.state] >= PART_RANK[state]) return;
    this.parts.set(key, { unit, part, state, ...(why === undefined ? {} : { why }) });
  }

  /** What is noted of a part of a unit; null when nothing is. */
  partOf(unit: string, part: ScanPart): PartState | null {
    return this.parts.get(`${unit}/${part}`)?.state ?? null;
  }

  /** PIDs that a control unit declared for a service (`01`, `02`, `09`). */
  supportedBy(service: string, source: string): ReadonlySet<number> {
    return this.supported.get(`${service}/${source}`) ?? new Set();
  }

  /** The vehicle number as told so far on CAN, or by the part that was there before; null when none is. */
  vin(): string | null {
    return this.scan.vin ?? this.info.vin();
  }

  /** Adds what one answer says. Unreadable content becomes an error entry, never an exception. */
  add(answer: Answer): void {
    const { payload, source } = answer;
    const service = payload[0];
    if (service === undefined) return this.error(answer, 'malformed', 'An empty answer.');
    const codeState = CODE_SERVICES[service];
    if (codeState) return this.addCodes(answer, codeState);
    switch (service) {
      case 0x41:
        return this.addCurrent(answer);
      case 0x42:
        return this.addFrozen(answer);
      case 0x44:
      case 0x54:
        return;
      case 0x46:
        return this.addTests(answer);
      case 0x49:
        return this.addInfo(answer);
      case 0x62:
        // An identifier that no service of SAE J1979 corresponds to: whoever has asked for it keeps its bytes.
        return;
      case 0x59: {
        const newer = decodeNewerCodes(payload, source);
        if (newer) return this.addNewerList(answer, newer);
        if (payload[1] !== 0x02) return;
        const list = decodeDtcByStatus(payload, source);
        return this.addStatusList(answer, { ...list, isWhole: list.left === 0 && payload.length >= 3 });
      }
      case 0x58: {
        const list = decodeOlderCodes(payload, source);
        return this.addStatusList(answer, { ...list, isWhole: list.left === 0 && payload.length >= 2 });
      }
      case 0x7f:
        if (payload[2] === 0x78) return;
        this.noteRefusal(source, payload[1] ?? 0, payload[2] ?? 0);
        return this.error(
          answer,
          'negative-response',
          `${source} refused service ${hexByte(payload[1] ?? 0)}: ${negativeResponseText(payload[2] ?? 0)}.`,
        );
      default:
        return this.error(
          answer,
          'unknown-answer',
          `An answer to a service that is not decoded: ${toHex(payload)}.`,
        );
    }
  }

  /** Completes what needs all answers: the lamp of all units together, texts sent in numbered messages, stated scales. */
  finish(): Scan {
    this.info.finish((source, message) => this.error({ source }, 'incomplete', message));
    this.scan.values = lastOfEach(asStated(this.scan.values, this.scan.values));
    for (const frame of this.scan.freezeFrames)
      frame.values = lastOfEach(asStated(frame.values, this.scan.values));
    for (const v of this.scan.values) this.notePart(v.source, partOfValue(v), 'known');
    this.scan.mils.sort((a, b) => (a.unit < b.unit ? -1 : 1));
    this.scan.parts = [...this.parts.values()];
    return this.scan;
  }

  private noteRefusal(unit: string, service: number, code: number): void {
    const part = PART_OF_SERVICE[service];
    if (!part || service === 0x01 || service === 0x09) return;
    if (HAS_NONE.has(code)) this.notePart(unit, part, 'unsupported', negativeResponseText(code));
    else this.notePart(unit, part, 'not-read', negativeResponseText(code));
  }

  private error(answer: { source: string; line?: number }, kind: string, message: string): void {
    const entry: ReadError = { kind, message, ...(answer.line === undefined ? {} : { line: answer.line }) };
    this.scan.errors.push(entry);
  }

  private addCode(code: ReadCode): void {
    // The same code of the same unit, read before without its status byte: the byte is added to what is there.
    const plain =
      code.statusByte === undefined
        ? []
        : this.scan.codes.filter(
            (c) => c.code === code.code && c.unit === code.unit && c.statusByte === undefined,
          );
    for (const c of plain) {
      c.statusByte = code.statusByte;
      c.failureType = code.failureType;
      if (code.olderStatus !== undefined) c.olderStatus = code.olderStatus;
    }
    if (plain.length > 0) return;
    const known = this.scan.codes.some(
      (c) =>
        c.code === code.code &&
        c.state === code.state &&
        c.unit === code.unit &&
        c.failureType === code.failureType,
    );
    if (!known) this.scan.codes.push(code);
  }

  /**
   * A list of codes. On CAN a count byte comes first and has to fit the bytes (padding of zeros after them is let
   * pass); a list that does not fit is used for what it names, but its part counts as not read.
   */
  private addCodes(answer: Answer, state: CodeState): void {
    const { payload, source } = answer;
    const body = payload.slice(answer.isCan ? 2 : 1);
    const codes: string[] = [];
    for (let at = 0; at + 2 <= body.length; at += 2) {
      const [high = 0, low = 0] = body.slice(at, at + 2);
      if (high !== 0 || low !== 0) codes.push(decodeTroubleCode(high, low));
    }
    const problem = codeListProblem(answer);
    // Without a header nothing but the count tells a shifted list from a whole one.
    if (problem === null || source !== NO_SOURCE)
      for (const code of codes) this.addCode({ code, state, unit: source });
    if (problem === null) return this.notePart(source, state, codes.length > 0 ? 'known' : 'empty');
    this.notePart(source, state, 'not-read', 'its answer came damaged');
    this.error(answer, 'incomplete', problem);
  }

  /** Codes of the emission group as the newest cars list them: confirmed and pending at once, or the permanent ones. */
  private addNewerList(
    answer: Answer,
    { codes, left, isPermanent }: NonNullable<ReturnType<typeof decodeNewerCodes>>,
  ): void {
    for (const code of codes) this.addCode(code);
    for (const part of isPermanent ? (['permanent'] as const) : (['confirmed', 'pending'] as const))
      this.notePart(
        answer.source,
        part,
        left > 0 ? 'not-read' : codes.some((c) => c.state === part) ? 'known' : 'empty',
        ...(left > 0 ? ['its answer came damaged'] : []),
      );
    if (left > 0) this.error(answer, 'malformed', `${left} bytes left over after the last code.`);
  }

  /** Codes with their status bytes of one control unit: the whole of what it has stored, in three states at once. */
  private addStatusList(
    answer: Answer,
    { codes, left, isWhole }: { codes: ReadCode[]; left: number; isWhole: boolean },
  ): void {
    for (const code of codes) this.addCode(code);
    for (const part of ['confirmed', 'pending', 'history'] as const)
      this.notePart(
        answer.source,
        part,
        isWhole ? (codes.some((c) => c.state === part) ? 'known' : 'empty') : 'not-read',
        ...(isWhole ? [] : ['its answer came damaged']),
      );
    if (!isWhole)
      this.error(answer, 'malformed', `The list of codes is off by ${left} bytes from what it announces.`);
  }

  private addSupport(service: string, source: string, base: number, bytes: readonly number[]): void {
    const key = `${service}/${source}`;
    const set = this.supported.get(key) ?? new Set<number>();
    for (const pid of supportedPids(base, bytes)) set.add(pid);
    this.supported.set(key, set);
  }

  private addCurrent(answer: Answer): void {
    const { payload, source } = answer;
    let at = 1;
    while (at < payload.length) {
      const pid = payload[at] ?? 0;
      const rest = payload.length - at - 1;
      const length = parameterLength(pid) ?? (at === 1 ? rest : null);
      if (length === null) {
        return this.error(
          answer,
          'unknown-reading',
          `Reading ${hexByte(pid)} is not described; what followed was skipped.`,
        );
      }
      const bytes = payload.slice(at + 1, at + 1 + length);
      if (bytes.length < length && !(at === 1 && bytes.length > 0 && length > 4)) {
        return this.error(
          answer,
          'incomplete',
          `Reading ${hexByte(pid)} (${parameterName(pid) ?? 'not described'}) was cut short.`,
        );
      }
      this.addCurrentOne(source, pid, bytes);
      at += 1 + length;
    }
  }

  private addCurrentOne(source: string, pid: number, bytes: readonly number[]): void {
    if (isSupportPid(pid)) return this.addSupport('01', source, pid, bytes);
    if (pid === 0x01 || pid === 0x41) {
      const status = decodeMonitorBytes(bytes);
      if (!status) return;
      const span = pid === 0x01 ? 'since-clear' : 'this-cycle';
      const rows = monitorRows(status, source, span);
      const isMine = (m: Scan['monitors'][number]) => m.unit === source && m.span === span;
      const before = this.scan.monitors.filter(isMine);
      this.scan.monitors = this.scan.monitors.filter((m) => !isMine(m));
      this.scan.monitors.push(...(source === NO_SOURCE ? mergeMonitors(before, rows) : rows));
      if (pid === 0x01) {
        this.noteMil(source, status.lampOn, status.storedCodes);
        this.notePart(source, 'readiness', rows.length > 0 ? 'known' : 'empty');
        if (status.monitors.length > 0) this.scan.ignition = status.ignition;
      }
      return;
    }
    this.scan.values.push(...decodeParameter('01', pid, bytes, source));
  }

  private noteMil(unit: string, on: boolean, count: number): void {
    const known = this.scan.mils.find((m) => m.unit === unit);
    // Units that cannot be told apart share one row: what one of them says is not taken back by the next.
    const before = unit === NO_SOURCE ? known : undefined;
    const mil = { unit, on: on || (before?.on ?? false), count: Math.max(count, before?.count ?? 0) };
    this.scan.mils = [...this.scan.mils.filter((m) => m !== known), mil];
    this.notePart(unit, 'mil', 'known');
  }

  private addFrozen(answer: Answer): void {
    const { payload, source } = answer;
    let at = 1;
    while (at + 1 < payload.length) {
      const pid = payload[at] ?? 0;
      const number = payload[at + 1] ?? 0;
      const length = pid === 0x02 ? 2 : (parameterLength(pid) ?? (at === 1 ? payload.length - 3 : null));
      if (length === null) {
        return this.error(answer, 'unknown-reading', `Stored reading ${hexByte(pid)} is not described.`);
      }
      const bytes = payload.slice(at + 2, at + 2 + length);
      if (bytes.length < length)
        return this.error(answer, 'incomplete', `Stored reading ${hexByte(pid)} was cut short.`);
      at += 2 + length;
      if (isSupportPid(pid)) {
        this.addSupport('02', source, pid, bytes);
        continue;
      }
      if (pid === 0x02) {
        const [high = 0, low = 0] = bytes;
        // 00 00 says that no frame is stored.
        const isStored = high !== 0 || low !== 0;
        if (isStored) this.frame(source, number).code = decodeTroubleCode(high, low);
        if (number === 0) this.notePart(source, 'freeze-frames', isStored ? 'known' : 'empty');
        continue;
      }
      if (pid === 0x01 || pid === 0x41) continue;
      this.frame(source, number).values.push(...decodeParameter('02', pid, bytes, source));
    }
    if (payload.length < 3) this.error(answer, 'incomplete', 'A stored reading was cut short.');
  }

  private frame(unit: string, frame: number): Scan['freezeFrames'][number] {
    let found = this.scan.freezeFrames.find((f) => f.unit === unit && f.frame === frame);
    if (!found) {
      found = { unit, frame, code: null, values: [] };
      this.scan.freezeFrames.push(found);
    }
    return found;
  }

  private addTests(answer: Answer): void {
    const { payload, source } = answer;
    const first = payload[1] ?? 0;
    if (isSupportPid(first) && (payload.length - 1) % 5 === 0) {
      for (let at = 1; at < payload.length; at += 5)
        this.addSupport('06', source, payload[at] ?? 0, payload.slice(at + 1, at + 5));
      return;
    }
    if (!answer.isCan) return this.addLegacyTest(answer);
    let at = 1;
    for (; at + 9 <= payload.length; at += 9) {
      const [mid = 0, test = 0, scaling = 0] = payload.slice(at, at + 3);
      const raw = uintAt(payload, at + 3, 2) ?? 0;
      const { value, unit } = scaleTestValue(scaling, raw);
      const min = scaleTestLimit(scaling, uintAt(payload, at + 5, 2) ?? 0, 'min');
      const max = scaleTestLimit(scaling, uintAt(payload, at + 7, 2) ?? 0, 'max');
      this.scan.values.push({
        service: '06',
        pid: hexByte(mid),
        part: hexByte(test),
        name: testName(mid, test),
        value,
        unit,
        source,
        raw,
        ...(min === undefined ? {} : { min }),
        ...(max === undefined ? {} : { max }),
      });
    }
    if (at < payload.length) this.error(answer, 'incomplete', 'An on-board test result was cut short.');
  }

  /** Older protocols: test id, component id with the limit's direction in bit 7, value, one limit; no scaling given. */
  private addLegacyTest(answer: Answer): void {
    const [, test = 0, component = 0] = answer.payload;
    const raw = uintAt(answer.payload, 3, 2);
    const limit = uintAt(answer.payload, 5, 2);
    if (raw === null || limit === null)
      return this.error(answer, 'incomplete', 'An on-board test result was cut short.');
    this.scan.values.push({
      service: '06',
      pid: hexByte(test),
      part: hexByte(component & 0x7f),
      name: `On-board test ${hexByte(test)}, component ${hexByte(component & 0x7f)}`,
      value: raw,
      unit: '',
      source: answer.source,
      raw,
      ...(component & 0x80 ? { min: limit } : { max: limit }),
    });
  }

  private addInfo(answer: Answer): void {
    const { payload, source } = answer;
    const type = payload[1] ?? 0;
    // Older protocols put a message count before the four bytes.
    if (isSupportPid(type))
      return this.addSupport('09', source, type, payload.slice(payload.length > 6 ? 3 : 2));
    this.info.add(answer);
  }
}

/** A log that goes on for an hour tells the same reading a thousand times: of each, so many are kept, the last ones. */
const KEPT_OF_EACH = 8;

function lastOfEach(values: Scan['values']): Scan['values'] {
  const seen = new Map<string, number>();
  return values
    .toReversed()
    .filter(({ source, service, pid, name }) => {
      const key = `${source} ${service} ${pid} ${name}`;
      const n = (seen.get(key) ?? 0) + 1;
      seen.set(key, n);
      return n <= KEPT_OF_EACH;
    })
    .toReversed();
}
