import type { StatusCode } from '@pincer/core/obd';
import type { FaultyCar, UnitPlan } from './car-plan.ts';

/** Status bytes as the made-up units keep them (ISO 14229-1, annex D). */
const FAILS_NOW = 0xab;
const FAILS_WITHOUT_LAMP = 0x2b;
const STORED = 0x28;
const code = (text: string, failureType: string, status: number): StatusCode => ({
  code: text,
  failureType,
  status,
});

const isWeak = (e: FaultyCar): boolean => e.has('battery-weak');
const isBlind = (e: FaultyCar): boolean => e.has('air-flow-unplugged');
const lowVoltage = (e: FaultyCar): StatusCode[] => (isWeak(e) ? [code('U3003', '16', STORED)] : []);

/** What the Finch's gearbox notes of the others, beside its own valves. */
export const FINCH_GEARBOX: UnitPlan = {
  name: 'gearbox',
  request: '7E1',
  answer: '7E9',
  tells: { name: 'Automatic transmission', partNumber: '30 014 B', software: '0201' },
  codes: (e) => [
    // Without the engine's torque it shifts by a fixed map.
    ...(isBlind(e) ? [code('U0401', '86', FAILS_WITHOUT_LAMP)] : []),
    ...lowVoltage(e),
  ],
};

/** The Finch's control units beyond engine and gearbox. The climate unit of its map is not fitted in this one. */
export const FINCH_UNITS: readonly UnitPlan[] = [
  {
    name: 'brakes',
    request: '6A0',
    answer: '6A8',
    tells: { name: 'Stability control', partNumber: '61 204 A', software: '0304' },
    heldBy: 'instruments',
    codes: (e) => [
      ...(e.has('units-hold') ? [code('U0423', '86', STORED)] : []),
      ...(e.has('wheel-sensor') ? [code('C0031', '13', FAILS_NOW)] : []),
      // Without a weighed air flow the engine’s torque is not known, and stability control switches off.
      ...(isBlind(e) ? [code('U0401', '86', FAILS_WITHOUT_LAMP)] : []),
      // A gearbox in its emergency gear tells no gear that stability control could reckon with.
      ...(e.has('gear-valve') ? [code('U0402', '86', FAILS_WITHOUT_LAMP)] : []),
      ...lowVoltage(e),
    ],
  },
  {
    name: 'airbag',
    request: '6B0',
    answer: '6B8',
    tells: { name: 'Restraints', partNumber: '65 118 C', software: '1102' },
    codes: lowVoltage,
  },
  {
    name: 'body',
    request: '6C0',
    answer: '6C8',
    tells: { partNumber: '61 350 D' },
    codes: (e) => [...lowVoltage(e), ...(isWeak(e) ? [code('U0155', '87', STORED)] : [])],
  },
  {
    name: 'instruments',
    request: '6D0',
    answer: '6D8',
    tells: { name: 'Instrument panel', partNumber: '62 330 B', software: '0217' },
    codes: (e) => [
      ...(e.has('units-hold') ? [code('U0121', '87', STORED)] : []),
      ...(e.has('wheel-sensor') ? [code('U0415', '86', FAILS_WITHOUT_LAMP)] : []),
      ...lowVoltage(e),
    ],
  },
  {
    name: 'gateway',
    request: '6E0',
    answer: '6E8',
    tells: { name: 'Gateway', partNumber: '61 900 A', software: '0110' },
    codes: (e) => (isWeak(e) ? [code('U0140', '87', STORED)] : []),
  },
];

const isDown = (e: FaultyCar): boolean => e.has('charge-hose') || e.has('rail-weak');

/** The van’s: an engine that gives less torque than it says makes the stability unit complain. */
export const DRAY_UNITS: readonly UnitPlan[] = [
  {
    name: 'brakes',
    request: '6A0',
    answer: '6A8',
    tells: { name: 'Stability control', partNumber: '61 204 A', software: '0304' },
    codes: (e) => [...(isDown(e) ? [code('U0401', '86', FAILS_WITHOUT_LAMP)] : []), ...lowVoltage(e)],
  },
  {
    name: 'steering',
    request: '6A1',
    answer: '6A9',
    tells: { name: 'Steering assist', partNumber: '32 071 A', software: '0042' },
    codes: lowVoltage,
  },
  { name: 'body', request: '6C0', answer: '6C8', codes: lowVoltage },
  {
    name: 'instruments',
    request: '6D0',
    answer: '6D8',
    tells: { name: 'Instrument panel', partNumber: '62 330 B', software: '0217' },
    codes: () => [],
  },
];

/** The motorcycle’s: a regulator that lets go is felt by every one of them. */
export const KESTRINE_UNITS: readonly UnitPlan[] = [
  {
    name: 'brakes',
    request: '6A0',
    answer: '6A8',
    tells: { name: 'Stability control', partNumber: '61 204 A', software: '0304' },
    codes: (e) => (e.has('regulator') ? [code('U3003', '16', FAILS_NOW)] : []),
  },
  {
    name: 'instruments',
    request: '6D0',
    answer: '6D8',
    tells: { name: 'Instrument panel', partNumber: '62 330 B', software: '0217' },
    codes: (e) =>
      e.has('regulator') ? [code('U3003', '16', FAILS_WITHOUT_LAMP), code('U0121', '87', STORED)] : [],
  },
  {
    name: 'suspension',
    request: '6D1',
    answer: '6D9',
    tells: { name: 'Damping', partNumber: '33 020 A', software: '0008' },
    codes: (e) => (e.has('regulator') ? [code('U3003', '16', STORED)] : []),
  },
];
