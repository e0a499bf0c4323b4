import { hexByte } from './bytes.ts';

/** Names of on-board monitors by id, in runs of equal ones (SAE J1979, appendix D). */
const RUNS: readonly { from: number; count: number; name: (index: number) => string }[] = [
  { from: 0x01, count: 16, name: (i) => `Oxygen sensor, bank ${(i >> 2) + 1} sensor ${(i & 3) + 1}` },
  { from: 0x21, count: 4, name: (i) => `Catalyst, bank ${i + 1}` },
  { from: 0x31, count: 4, name: (i) => `Exhaust recirculation, bank ${i + 1}` },
  { from: 0x35, count: 4, name: (i) => `Camshaft timing, bank ${i + 1}` },
  { from: 0x39, count: 1, name: () => 'Fuel vapour, cap off or large leak' },
  { from: 0x3a, count: 1, name: () => 'Fuel vapour, leak of 2.3 mm' },
  { from: 0x3b, count: 1, name: () => 'Fuel vapour, leak of 1 mm' },
  { from: 0x3c, count: 1, name: () => 'Fuel vapour, leak of 0.5 mm' },
  { from: 0x3d, count: 1, name: () => 'Vapour purge flow' },
  { from: 0x41, count: 16, name: (i) => `Oxygen sensor heater, bank ${(i >> 2) + 1} sensor ${(i & 3) + 1}` },
  { from: 0x61, count: 4, name: (i) => `Heated catalyst, bank ${i + 1}` },
  { from: 0x71, count: 4, name: (i) => `Secondary air ${i + 1}` },
  { from: 0x81, count: 4, name: (i) => `Fuel system, bank ${i + 1}` },
  { from: 0x85, count: 2, name: (i) => `Boost control, bank ${i + 1}` },
  { from: 0x90, count: 2, name: (i) => `NOx trap, bank ${i + 1}` },
  { from: 0x98, count: 2, name: (i) => `NOx catalyst, bank ${i + 1}` },
  { from: 0xa1, count: 1, name: () => 'Misfire, all cylinders' },
  { from: 0xa2, count: 12, name: (i) => `Misfire, cylinder ${i + 1}` },
  { from: 0xb2, count: 2, name: (i) => `Particulate filter, bank ${i + 1}` },
];

/** Tests whose meaning the standard fixes; the others are the maker's. */
const TESTS: Readonly<Record<number, string>> = {
  0x01: 'threshold rich to lean',
  0x02: 'threshold lean to rich',
  0x03: 'low voltage for switch time',
  0x04: 'high voltage for switch time',
  0x05: 'switch time rich to lean',
  0x06: 'switch time lean to rich',
  0x07: 'lowest voltage',
  0x08: 'highest voltage',
  0x09: 'time between switches',
  0x0a: 'period',
  0x0b: 'average of the last ten trips',
  0x0c: 'this trip or the last',
};

/** Monitor id of misfires of cylinder 1; the others follow. */
export const MISFIRE_CYLINDER_1 = 0xa2;
/** Test id of misfires counted in this trip or the last. */
export const MISFIRES_THIS_TRIP = 0x0c;

/** Plain name of an on-board test result. */
export function testName(monitor: number, test: number): string {
  const run = RUNS.find((r) => monitor >= r.from && monitor < r.from + r.count);
  const what = run ? run.name(monitor - run.from) : `On-board test ${hexByte(monitor)}`;
  return `${what}: ${TESTS[test] ?? `manufacturer’s test ${hexByte(test)}`}`;
}
