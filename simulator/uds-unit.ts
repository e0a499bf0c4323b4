import { encodeDtcByStatus, type StatusCode } from '@pincer/core/obd';
import type { Engine } from './engine.ts';

/** Status bytes as the made-up units keep them (ISO 14229-1, annex D). */
const FAILS_NOW = 0xab;
const FAILS_WITHOUT_LAMP = 0x2b;
const STORED = 0x28;

const code = (text: string, failureType: string, status: number): StatusCode => ({
  code: text,
  failureType,
  status,
});

interface UnitPlan {
  name: string;
  request: string;
  answer: string;
  /** What it has stored for the faults that the car has. */
  codes: (engine: Engine) => StatusCode[];
}

const isWeak = (e: Engine): boolean => e.has('battery-weak');
const isBlind = (e: Engine): boolean => e.has('air-flow-unplugged');

/** The Finch's control units beyond engine and gearbox. The climate unit of its map is not fitted in this one. */
export const FINCH_UNITS: readonly UnitPlan[] = [
  {
    name: 'brakes',
    request: '6A0',
    answer: '6A8',
    codes: (e) => [
      ...(e.has('wheel-sensor') ? [code('C0031', '13', FAILS_NOW)] : []),
      // Without a weighed air flow the engine’s torque is not known, and stability control switches off.
      ...(isBlind(e) ? [code('U0401', '86', FAILS_WITHOUT_LAMP)] : []),
      ...(isWeak(e) ? [code('U3003', '16', STORED)] : []),
    ],
  },
  {
    name: 'airbag',
    request: '6B0',
    answer: '6B8',
    codes: (e) => (isWeak(e) ? [code('U3003', '16', STORED)] : []),
  },
  {
    name: 'body',
    request: '6C0',
    answer: '6C8',
    codes: (e) => (isWeak(e) ? [code('U3003', '16', STORED), code('U0155', '87', STORED)] : []),
  },
  {
    name: 'instruments',
    request: '6D0',
    answer: '6D8',
    codes: (e) => [
      ...(e.has('wheel-sensor') ? [code('U0415', '86', FAILS_WITHOUT_LAMP)] : []),
      ...(isWeak(e) ? [code('U3003', '16', STORED)] : []),
    ],
  },
  {
    name: 'gateway',
    request: '6E0',
    answer: '6E8',
    codes: (e) => (isWeak(e) ? [code('U0140', '87', STORED)] : []),
  },
];

/** A control unit that speaks ISO 14229 only: service 19 02, and a plain refusal of everything else. */
export class UdsUnit {
  constructor(
    private readonly plan: UnitPlan,
    private readonly engine: Engine,
  ) {}

  answer(request: readonly number[]): number[][] {
    const [service, kind, mask = 0xff] = request;
    if (service === undefined) return [];
    if (service !== 0x19) return [[0x7f, service, 0x11]];
    if (kind !== 0x02) return [[0x7f, service, 0x12]];
    return [encodeDtcByStatus(this.plan.codes(this.engine).filter((c) => (c.status & mask) !== 0))];
  }
}
