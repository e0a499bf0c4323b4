import type { Answer } from './answer.ts';
import { asciiText, hexByte, toHex, uintAt } from './bytes.ts';
import type { ReadValue, Scan } from './scan.ts';

const VIN_LENGTH = 17;
const COUNTER_NAMES = ['conditions met', 'ignition cycles'] as const;

/** Gathers service 09: vehicle number, calibrations, names and counters of the control units. */
export class VehicleInfo {
  /** Parts of older-protocol answers, by `unit/infotype`, by message number. */
  private readonly parts = new Map<string, Map<number, readonly number[]>>();
  private readonly vinByUnit = new Map<string, string>();

  constructor(private readonly scan: Scan) {}

  /** Adds an answer that is no list of what is supported. */
  add(answer: Answer): void {
    const { payload, source } = answer;
    const type = payload[1] ?? 0;
    if (answer.isCan) return this.apply(type, payload.slice(3), source);
    const key = `${source}/${hexByte(type)}`;
    const parts = this.parts.get(key) ?? new Map<number, readonly number[]>();
    // Types with an odd number (01, 03, 05, 07) only tell how many messages will follow.
    if (type % 2 === 0) parts.set(payload[2] ?? 0, payload.slice(3));
    if (parts.size > 0) this.parts.set(key, parts);
  }

  /** Puts numbered messages together, and takes the vehicle number of the first unit that told one. */
  finish(onError: (source: string, message: string) => void): void {
    for (const [key, parts] of this.parts) {
      const [source = '', type = ''] = key.split('/');
      const highest = Math.max(...parts.keys());
      const bytes: number[] = [];
      let isWhole = true;
      for (let n = 1; n <= highest; n++) {
        const part = parts.get(n);
        if (part) bytes.push(...part);
        else isWhole = false;
      }
      const infoType = Number.parseInt(type, 16);
      if (!isWhole) onError(source, `Parts of information type ${type} were lost.`);
      else if (infoType === 0x02 && bytes.length < VIN_LENGTH)
        onError(source, `The vehicle number is ${bytes.length} bytes long instead of ${VIN_LENGTH}.`);
      else this.apply(infoType, bytes, source);
    }
    this.parts.clear();
    const vin = this.vin();
    if (vin !== null) this.scan.vin = vin;
  }

  /** The vehicle number of the first unit that told one. */
  vin(): string | null {
    return [...this.vinByUnit.entries()].sort(([a], [b]) => a.localeCompare(b))[0]?.[1] ?? null;
  }

  private apply(type: number, bytes: readonly number[], source: string): void {
    const identity = () => {
      let found = this.scan.identities.find((u) => u.unit === source);
      if (!found) {
        found = { unit: source, calibrationIds: [], verificationNumbers: [] };
        this.scan.identities.push(found);
      }
      return found;
    };
    switch (type) {
      case 0x02: {
        const vin = asciiText(bytes);
        if (vin) this.vinByUnit.set(source, vin);
        return this.addText(type, 'Vehicle identification number', vin, bytes, source);
      }
      case 0x04:
        for (let at = 0; at + 16 <= bytes.length; at += 16) {
          const part = bytes.slice(at, at + 16);
          const text = asciiText(part);
          if (!text) continue;
          identity().calibrationIds.push(text);
          this.addText(type, 'Calibration id', text, part, source, at > 0 ? `${at / 16 + 1}` : undefined);
        }
        return;
      case 0x06:
        for (let at = 0; at + 4 <= bytes.length; at += 4) {
          const part = bytes.slice(at, at + 4);
          identity().verificationNumbers.push(toHex(part));
          this.addText(
            type,
            'Calibration verification number',
            toHex(part),
            part,
            source,
            at > 0 ? `${at / 4 + 1}` : undefined,
          );
        }
        return;
      case 0x0a: {
        const text = asciiText(bytes);
        identity().name = text;
        return this.addText(type, 'Control unit name', text, bytes, source);
      }
      case 0x08:
      case 0x0b:
        return this.addCounters(type, bytes, source);
      default:
        return this.addText(type, `Vehicle information ${hexByte(type)}`, toHex(bytes), bytes, source);
    }
  }

  private addText(
    type: number,
    name: string,
    value: string,
    bytes: readonly number[],
    source: string,
    part?: string,
  ): void {
    const row: ReadValue = {
      service: '09',
      pid: hexByte(type),
      ...(part === undefined ? {} : { part }),
      name,
      value,
      unit: '',
      source,
      raw: toHex(bytes),
    };
    this.scan.values.push(row);
  }

  /** In-use performance counters: 16-bit numbers, first the monitoring conditions met and ignition cycles. */
  private addCounters(type: number, bytes: readonly number[], source: string): void {
    for (let at = 0; at + 2 <= bytes.length; at += 2) {
      const raw = uintAt(bytes, at, 2) ?? 0;
      const n = at / 2;
      this.scan.values.push({
        service: '09',
        pid: hexByte(type),
        part: COUNTER_NAMES[n] ?? `counter ${n + 1}`,
        name: `In-use counter, ${COUNTER_NAMES[n] ?? `${n + 1}`}`,
        value: raw,
        unit: '',
        source,
        raw,
      });
    }
  }
}
