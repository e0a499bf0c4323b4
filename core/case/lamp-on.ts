import { lastValue, type Standing } from './standing.ts';

/** For how long the engine light has been commanded on, as a control unit counts it. */
export interface LampOn {
  /** Kilometres driven with it on (service 01 PID 21); null where it was not told. */
  km: number | null;
  /** Minutes of running with it on (PID 4D); null where it was not told. */
  minutes: number | null;
  /** A counter stands at its top value: it is so much or more. */
  isAtLeast: boolean;
  /** Log entry of the reading. */
  entry: string;
}

/** The largest number of both counters, which then stand (SAE J1979). */
const TOP = 65_535;

/**
 * How long the engine light has been on, where it is commanded on now and the counter was read since the last clear. The
 * counters begin anew when the light comes on, and at a clear (SAE J1979).
 */
export function lampOn({ mils, values }: Pick<Standing, 'mils' | 'values'>): LampOn | null {
  // Another unit's counter stands at nought while this one commands the light.
  const lit = new Set(mils.filter((m) => m.clearedBy === null && m.mil.on).map((m) => m.mil.unit));
  const last = (pid: string) => lastValue({ values }, pid, (v) => lit.has(v.source));
  const number = (held: ReturnType<typeof last>): number | null =>
    typeof held?.value.value === 'number' ? held.value.value : null;
  const [far, long] = [last('21'), last('4D')];
  const [km, minutes] = [number(far), number(long)];
  const entry = (far ?? long)?.word.entry;
  if (entry === undefined || ((km ?? 0) <= 0 && (minutes ?? 0) <= 0)) return null;
  return { km, minutes, isAtLeast: km === TOP || minutes === TOP, entry };
}
