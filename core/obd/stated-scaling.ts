import type { ReadValue } from './scan.ts';
import { round } from './unit-scaling.ts';

/** Where a control unit states the largest value of a reading (SAE J1979, PIDs 4F and 50). */
interface Statement {
  pid: string;
  part?: string;
}

const MAX_LAMBDA: Statement = { pid: '4F', part: 'lambda' };
const MAX_VOLTAGE: Statement = { pid: '4F', part: 'oxygen sensor voltage' };
const MAX_CURRENT: Statement = { pid: '4F', part: 'oxygen sensor current' };
const MAX_MANIFOLD: Statement = { pid: '4F', part: 'manifold pressure' };
const MAX_AIR_FLOW: Statement = { pid: '50' };

/** PIDs whose scale a control unit may state anew, and so the readings for which its statement is worth asking for. */
export const RESTATED_PIDS: ReadonlySet<number> = new Set([
  0x0b,
  0x10,
  0x44,
  ...[0, 1, 2, 3, 4, 5, 6, 7].flatMap((i) => [0x24 + i, 0x34 + i]),
]);
export const STATING_PIDS = [0x4f, 0x50] as const;

/** The statement that a value depends on, and how its raw number is scaled by it. */
function dependence({
  pid,
  part,
}: ReadValue): { on: Statement; scale: (raw: number, max: number) => number } | null {
  const n = Number.parseInt(pid, 16);
  const whole = (raw: number, max: number) => (raw * max) / 65_535;
  if (n === 0x0b) return { on: MAX_MANIFOLD, scale: (raw, max) => (raw * max) / 255 };
  if (n === 0x10) return { on: MAX_AIR_FLOW, scale: whole };
  if (n === 0x44 || (RESTATED_PIDS.has(n) && part === 'lambda')) return { on: MAX_LAMBDA, scale: whole };
  if (!RESTATED_PIDS.has(n)) return null;
  if (part === 'voltage') return { on: MAX_VOLTAGE, scale: whole };
  return part === 'current'
    ? { on: MAX_CURRENT, scale: (raw, max) => ((raw - 32_768) * max) / 32_768 }
    : null;
}

/**
 * Values whose control unit states another largest value than the standard's, scaled by it: turbocharged engines do
 * for manifold pressure, some for lambda. Nothing stated, or nothing at all, leaves the standard's scale.
 * @param stated where PIDs 4F and 50 of the same control units are looked for.
 */
export function restated(values: readonly ReadValue[], stated: readonly ReadValue[]): ReadValue[] {
  const statements = stated.filter((v) => v.service === '01' && (v.pid === '4F' || v.pid === '50'));
  if (statements.length === 0) return [...values];
  return values.map((v) => {
    const found = v.service === '01' || v.service === '02' ? dependence(v) : null;
    if (!found || typeof v.raw !== 'number' || v.value === null) return v;
    const max = statements.find(
      (s) => s.source === v.source && s.pid === found.on.pid && s.part === found.on.part,
    )?.value;
    return typeof max === 'number' && max > 0 ? { ...v, value: round(found.scale(v.raw, max)) } : v;
  });
}
