import type { ReadValue } from './scan.ts';

const places = (banks: number, sensors: number): string[] =>
  Array.from(
    { length: banks * sensors },
    (_, i) => `bank ${Math.floor(i / sensors) + 1} sensor ${(i % sensors) + 1}`,
  );

/** Places of oxygen sensors, in the order of PIDs 14 to 1B, 24 to 2B and 34 to 3B (SAE J1979): as PID 13 counts them. */
export const TWO_BANKS: readonly string[] = places(2, 4);
/** The same on a vehicle that states its sensors by PID 1D. */
export const FOUR_BANKS: readonly string[] = places(4, 2);

/** What each byte of PID 13 or 1D says: the places at which a sensor is fitted, lowest bit first. */
export const fittedNames = (layout: readonly string[]): Readonly<Record<number, string>> =>
  Object.fromEntries(
    Array.from({ length: 256 }, (_, bits) => [
      bits,
      layout.filter((_place, i) => bits & (1 << i)).join(', ') || 'none',
    ]),
  );

/** Index of a sensor among the PIDs that are named by place; null for every other PID. */
function sensorIndex(pid: string): number | null {
  const n = Number.parseInt(pid, 16);
  const first = [0x14, 0x24, 0x34].find((start) => n >= start && n < start + 8);
  return first === undefined ? null : n - first;
}

/**
 * Readings of oxygen sensors, named by the layout that their control unit states: by PID 1D there are four banks with two
 * sensors each. Nothing stated leaves the two banks of PID 13.
 * @param stated where PID 1D of the same control unit is looked for.
 */
export function namedByLayout(values: readonly ReadValue[], stated: readonly ReadValue[]): ReadValue[] {
  const four = new Set(stated.filter((v) => v.service === '01' && v.pid === '1D').map((v) => v.source));
  if (four.size === 0) return [...values];
  return values.map((v) => {
    const index = four.has(v.source) ? sensorIndex(v.pid) : null;
    const [was, is] = index === null ? [] : [TWO_BANKS[index], FOUR_BANKS[index]];
    return was === undefined || is === undefined ? v : { ...v, name: v.name.replace(was, is) };
  });
}
