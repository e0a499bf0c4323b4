import { distance, figure, percent, weight } from '../src/ui/format.ts';
import { ownUnit } from '@pincer/core/words';

describe('the owner’s units', () => {
  test.each([
    ['metric', 'km/h', 100, 100, 'km/h'],
    ['mixed', 'km/h', 100, 62.137, 'mph'],
    ['imperial', 'km', 1.609344, 1, 'mi'],
    ['mixed', '°C', 90, 90, '°C'],
    ['imperial', '°C', 90, 194, '°F'],
    ['imperial', '°C', -40, -40, '°F'],
    ['imperial', 'kPa', 101.325, 14.696, 'psi'],
    ['imperial', 'V', 14.2, 14.2, 'V'],
  ] as const)('%s: %s', (units, unit, value, own, name) => {
    const found = ownUnit(unit, units);
    expect(found.unit).toBe(name);
    expect(found.of(value)).toBeCloseTo(own, 3);
  });

  test('distances on a clock', () => {
    expect(distance(168_400, 'metric')).toBe('168,400 km');
    expect(distance(168_400, 'mixed')).toBe('104,639 mi');
  });
});

describe('figures', () => {
  test.each([
    [0.1234, '0.12'],
    [9.999, '10'],
    [-40, '-40'],
    [88.26, '88.3'],
    [999.96, '1,000'],
    [2503.8, '2,504'],
  ])('%d is “%s”', (value, text) => expect(figure(value)).toBe(text));

  test('chances and what speaks for them', () => {
    expect(percent(0.5)).toMatch(/^50\s%$/);
    expect(weight(9)).toBe('×9');
    expect(weight(0.25)).toBe('÷4');
  });
});
