import {
  encodeDtcByStatus,
  encodeMonitorBytes,
  encodeParameter,
  encodeTroubleCode,
  isSupportPid,
  supportBitmap,
} from '@pincer/core/obd';
import type { Engine } from './engine.ts';
import { FaultMemory } from './fault-memory.ts';
import type { UnitPlan } from './car-plan.ts';
import type { Emissions } from './newer-unit.ts';
import { UdsUnit } from './uds-unit.ts';

/** The gear that is in, and its ratio (SAE J1979, PID A4). */
const GEAR = 0xa4;
const RATIOS: Readonly<Record<number, number>> = { 2: 2.04, 3: 1.32, 4: 1 };
/** What it tells of service 01, with the pages of the list on the way there. */
const SUPPORTED = [0x01, 0x20, 0x40, 0x60, 0x80, 0xa0, GEAR];

/** The code of the gearbox's own test: its first shift valve has no current. */
const SHIFT_VALVE = 'P0753';

/**
 * The automatic gearbox's control unit. To the services of the standard it tells the codes of its own tests, over
 * trips as the engine does; to ISO 14229 also what its plan notes of the others.
 */
export class GearboxUnit {
  private readonly memory = new FaultMemory();
  private readonly notes: UdsUnit;

  constructor(
    plan: UnitPlan,
    private readonly engine: Engine,
  ) {
    this.notes = new UdsUnit(plan, engine);
  }

  startTrip(): void {
    this.notes.startTrip();
  }

  /** Tests that run all the time: it feels its valves as soon as the ignition is on. */
  watch(): void {
    if (this.engine.mode !== 'off')
      this.memory.note(SHIFT_VALVE, this.engine.has('gear-valve') ? 'failed' : 'passed');
  }

  /** @param hadWarmUp whether the trip was a warm-up cycle. */
  endTrip(hadWarmUp: boolean): void {
    this.memory.endTrip(hadWarmUp);
  }

  answer(request: readonly number[]): number[][] {
    if (this.engine.mode === 'off') return [];
    this.watch();
    const [service, first] = request;
    switch (service) {
      case 0x01:
        return this.current(request.slice(1));
      case 0x03:
        return [this.codeList(0x43, 'confirmed')];
      case 0x07:
        return [this.codeList(0x47, 'pending')];
      case 0x0a:
        return [this.codeList(0x4a, 'permanent')];
      case 0x04:
        if (this.engine.isRunning) return [[0x7f, 0x04, 0x22]];
        this.memory.clear();
        return [[0x44]];
      case 0x09:
        if (first === 0x00) return [[0x49, 0x00, 0x10, 0x00, 0x00, 0x00]];
        return first === 0x04
          ? [[0x49, 0x04, 1, ...Array.from('TCF14-A2'.padEnd(16, '\0')).map((c) => c.charCodeAt(0))]]
          : [];
      case 0x14: {
        const answer = this.notes.answer(request);
        if (answer[0]?.[0] === 0x54) this.memory.clear();
        return answer;
      }
      case 0x19:
        if (first !== 0x02) return [[0x7f, 0x19, 0x12]];
        return [
          encodeDtcByStatus([...this.memory.withStatus('13', request[2]), ...this.notes.stored(request[2])]),
        ];
      case 0x22:
      case 0x3e:
        return this.notes.answer(request);
      default:
        return [];
    }
  }

  /** The same memory for a car that is asked in the newest way. */
  emissions(): Emissions {
    this.watch();
    return {
      answer: (request) => this.answer(request),
      codes: (mask) => this.memory.withStatus('13', mask),
      permanent: () =>
        this.memory.codes('permanent').map((code) => ({ code, failureType: '13', status: 0x08 })),
      frame: () => [],
      clear: () => this.answer([0x04])[0]?.[0] === 0x44,
    };
  }

  private current(pids: readonly number[]): number[][] {
    const body: number[] = [];
    for (const pid of pids) {
      if (isSupportPid(pid) && pid <= 0xa0) body.push(pid, ...supportBitmap(pid, SUPPORTED));
      if (pid === GEAR) body.push(GEAR, ...encodeParameter(GEAR, this.gear()));
      if (pid === 0x01)
        body.push(
          0x01,
          ...encodeMonitorBytes({
            lampOn: this.memory.isLampOn,
            storedCodes: this.memory.codes('confirmed').length,
            ignition: 'spark',
            monitors: [{ monitor: 'components', complete: true }],
          }),
        );
    }
    return body.length > 0 ? [[0x41, ...body]] : [];
  }

  /** Gear and ratio; without its first shift valve it keeps to the third. */
  private gear(): [number, number] {
    const { mode } = this.engine;
    const chosen = mode === 'hill' ? 2 : mode === 'cruise' ? 4 : 0;
    const gear = chosen > 0 && this.engine.has('gear-valve') ? 3 : chosen;
    return [gear, RATIOS[gear] ?? 0];
  }

  private codeList(answer: number, kind: 'confirmed' | 'pending' | 'permanent'): number[] {
    const codes = this.memory.codes(kind);
    return [answer, codes.length, ...codes.flatMap(encodeTroubleCode)];
  }
}
