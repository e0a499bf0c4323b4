import { signed } from './bytes.ts';

/** A unit-and-scaling rule of service 06 on CAN (SAE J1979 appendix E): value = raw x scale + offset. */
interface Scaling {
  scale: number;
  offset: number;
  unit: string;
  isSigned: boolean;
}

const rule = (scale: number, unit: string, offset = 0): Scaling => ({ scale, offset, unit, isSigned: false });
const signedRule = (scale: number, unit: string): Scaling => ({ scale, offset: 0, unit, isSigned: true });

const SCALINGS: Readonly<Record<number, Scaling>> = {
  0x01: rule(1, ''), 0x02: rule(0.1, ''), 0x03: rule(0.01, ''), 0x04: rule(0.001, ''),
  0x05: rule(0.0000305, ''), 0x06: rule(0.000305, ''), 0x07: rule(0.25, 'rpm'), 0x08: rule(0.01, 'km/h'),
  0x09: rule(1, 'km/h'), 0x0a: rule(0.122, 'mV'), 0x0b: rule(0.001, 'V'), 0x0c: rule(0.01, 'V'),
  0x0d: rule(0.00390625, 'mA'), 0x0e: rule(0.001, 'A'), 0x0f: rule(0.01, 'A'), 0x10: rule(1, 'ms'),
  0x11: rule(100, 'ms'), 0x12: rule(1, 's'), 0x13: rule(0.001, 'Ω'), 0x14: rule(1, 'Ω'), 0x15: rule(1, 'kΩ'),
  0x16: rule(0.1, '°C', -40), 0x17: rule(0.01, 'kPa'), 0x18: rule(0.0117, 'kPa'), 0x19: rule(0.079, 'kPa'),
  0x1a: rule(1, 'kPa'), 0x1b: rule(10, 'kPa'), 0x1c: rule(0.01, '°'), 0x1d: rule(0.5, '°'),
  0x1e: rule(0.0000305, 'λ'), 0x1f: rule(0.05, ''), 0x20: rule(0.00390625, ''), 0x21: rule(0.001, 'Hz'),
  0x22: rule(1, 'Hz'), 0x23: rule(1, 'kHz'), 0x24: rule(1, 'counts'), 0x25: rule(1, 'km'), 0x26: rule(0.1, 'mV/ms'),
  0x27: rule(0.01, 'g/s'), 0x28: rule(1, 'g/s'), 0x29: rule(0.25, 'Pa/s'), 0x2a: rule(0.001, 'kg/h'),
  0x2b: rule(1, 'switches'), 0x2c: rule(0.01, 'g/cyl'), 0x2d: rule(0.01, 'mg/stroke'), 0x2e: rule(1, ''),
  0x2f: rule(0.01, '%'), 0x30: rule(0.001526, '%'), 0x31: rule(0.001, 'L'), 0x32: rule(0.0000305, 'in'), 0x33: rule(0.00024414, 'λ'), 0x34: rule(1, 'min'),
  0x35: rule(10, 'ms'), 0x36: rule(0.01, 'g'), 0x37: rule(0.1, 'g'), 0x38: rule(1, 'g'), 0x39: rule(0.01, '%', -327.68),
  0x81: signedRule(1, ''), 0x82: signedRule(0.1, ''), 0x83: signedRule(0.01, ''), 0x84: signedRule(0.001, ''),
  0x85: signedRule(0.0000305, ''), 0x86: signedRule(0.000305, ''), 0x8a: signedRule(0.122, 'mV'),
  0x8b: signedRule(0.001, 'V'), 0x8c: signedRule(0.01, 'V'), 0x8d: signedRule(0.00390625, 'mA'),
  0x8e: signedRule(0.001, 'A'), 0x90: signedRule(1, 'ms'), 0x96: signedRule(0.1, '°C'), 0x99: signedRule(0.1, 'kPa'),
  0x9c: signedRule(0.01, '°'), 0x9d: signedRule(0.5, '°'), 0xa8: signedRule(1, 'g/s'), 0xa9: signedRule(0.25, 'Pa/s'),
  0xad: signedRule(0.01, 'mg/stroke'), 0xae: signedRule(0.1, 'mg/stroke'), 0xaf: signedRule(0.01, '%'),
  0xb0: signedRule(0.003052, '%'), 0xb1: signedRule(2, 'mV/s'), 0xfc: signedRule(0.01, 'kPa'), 0xfd: signedRule(0.001, 'kPa'), 0xfe: signedRule(0.25, 'Pa'),
};

/**
 * Applies the unit-and-scaling id to a 16-bit raw value.
 * @returns the raw number with an empty unit when the id is not in the table.
 */
export function scaleTestValue(scalingId: number, raw: number): { value: number; unit: string } {
  const found = SCALINGS[scalingId];
  if (!found) return { value: raw, unit: '' };
  const n = found.isSigned ? signed(raw, 2) : raw;
  return { value: round(n * found.scale + found.offset), unit: found.unit };
}

/**
 * A limit of an on-board test, scaled; undefined where the control unit has none. The standard writes "none" as the end
 * of the scale that no result can pass: 0000 or FFFF, with signed scaling 8000 or 7FFF.
 */
export function scaleTestLimit(scalingId: number, raw: number, side: 'min' | 'max'): number | undefined {
  const isSigned = SCALINGS[scalingId]?.isSigned ?? false;
  const none = side === 'min' ? (isSigned ? 0x8000 : 0x0000) : isSigned ? 0x7fff : 0xffff;
  return raw === none ? undefined : scaleTestValue(scalingId, raw).value;
}

/** Below it the product with ten million is off by less than a ten-thousandth. */
const QUICK_BELOW = 1e5;
/** So near to the middle between two digits the exact way decides. */
const MIDDLE = 1e-3;

/** Removes binary noise such as 0.30000000000000004 without losing a digit of any standard scaling. */
export function round(value: number): number {
  const digits = value * 1e7;
  const isPlain =
    Math.abs(value) < QUICK_BELOW && Math.abs(digits - Math.floor(digits) - 0.5) > MIDDLE;
  return isPlain ? Math.round(digits) / 1e7 : Number(value.toFixed(7));
}
