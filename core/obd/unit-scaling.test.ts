import fc from 'fast-check';
import { scaleTestValue } from './index.ts';
import { round, scaleTestLimit } from './unit-scaling.ts';

/** Unit-and-scaling ids of SAE J1979, appendix E: id, raw number, value, unit. */
const EXAMPLES: [number, number, number, string][] = [
  [0x01, 0xffff, 65_535, ''],
  [0x02, 10, 1, ''],
  [0x03, 150, 1.5, ''],
  [0x05, 0x8000, 0.999424, ''],
  [0x07, 3_000, 750, 'rpm'],
  [0x08, 8_200, 82, 'km/h'],
  [0x0a, 3_000, 366, 'mV'],
  [0x0b, 1_450, 1.45, 'V'],
  [0x0c, 1_420, 14.2, 'V'],
  [0x0e, 2_500, 2.5, 'A'],
  [0x10, 120, 120, 'ms'],
  [0x11, 12, 1_200, 'ms'],
  [0x12, 90, 90, 's'],
  [0x14, 12, 12, 'Ω'],
  [0x16, 1_300, 90, '°C'],
  [0x17, 10_130, 101.3, 'kPa'],
  [0x1a, 101, 101, 'kPa'],
  [0x1e, 0x8000, 0.999424, 'λ'],
  [0x24, 322, 322, 'counts'],
  [0x25, 11, 11, 'km'],
  [0x2f, 2_550, 25.5, '%'],
  [0x32, 10_000, 0.305, 'in'],
  [0x33, 4_096, 0.99999744, 'λ'],
  [0x39, 0x8000, 0, '%'],
  // Signed: the same numbers from 8000 on are below nothing.
  [0x81, 0xffff, -1, ''],
  [0x8b, 0xff38, -0.2, 'V'],
  [0x96, 0xfe70, -40, '°C'],
  [0x9c, 0xfc18, -10, '°'],
  [0xad, 0xffce, -0.5, 'mg/stroke'],
  [0xae, 15, 1.5, 'mg/stroke'],
  [0xb1, 0xfff6, -20, 'mV/s'],
  [0xfc, 0xff38, -2, 'kPa'],
  [0xfe, 0xff9c, -25, 'Pa'],
];

test.each(EXAMPLES)('scaling id %i of %i', (id, raw, value, unit) => {
  const scaled = scaleTestValue(id, raw);
  expect(scaled.unit).toBe(unit);
  expect(scaled.value).toBeCloseTo(value, 5);
});

test('an id that the standard does not have leaves the number as it was sent, without a unit', () => {
  expect(scaleTestValue(0x7e, 1_234)).toEqual({ value: 1_234, unit: '' });
});

test.each([
  ['unsigned, no lower limit', 0x0a, 0x0000, 'min', undefined],
  ['unsigned, no upper limit', 0x0a, 0xffff, 'max', undefined],
  ['unsigned, a lower one', 0x0a, 100, 'min', 12.2],
  ['unsigned, an upper one of nothing', 0x0a, 0x0000, 'max', 0],
  ['signed, no lower limit', 0xfe, 0x8000, 'min', undefined],
  ['signed, no upper limit', 0xfe, 0x7fff, 'max', undefined],
  ['signed, a lower one of nothing', 0xfe, 0x0000, 'min', 0],
] as const)('limits: %s', (_, id, raw, side, limit) => {
  expect(scaleTestLimit(id, raw, side)).toBe(limit);
});

test('binary noise is removed to the seventh decimal, from the smallest to the largest raw number', () => {
  const scale = fc.constantFrom(0.1, 0.01, 0.25, 0.0000305, 0.122, 100 / 255, 1, 10);
  const raw = fc.oneof(
    fc.integer({ min: -0x80000000, max: 0xffffffff }),
    fc.integer({ min: -0x8000, max: 0xffff }),
  );
  fc.assert(
    fc.property(raw, scale, (n, by) => {
      expect(round(n * by) + 0).toBe(Number((n * by).toFixed(7)) + 0);
    }),
    { numRuns: 5_000 },
  );
  // The middle between two digits falls as it does in decimal digits.
  for (const middle of [0.00000005, 0.00000015, 1.00000025, 12.34567885, 99_999.99999995])
    expect(round(middle)).toBe(Number(middle.toFixed(7)));
});
