import fc from 'fast-check';
import { checkDigit, cylindersOf, readVin, vehicleSchema, withCheckDigit } from './index.ts';

describe('vehicle identification numbers', () => {
  test('the worked example of 49 CFR 565: eleven and a check digit of X', () => {
    expect(checkDigit('1M8GDM9AXKP042788')).toBe('X');
    expect(readVin('1M8GDM9AXKP042788')).toMatchObject({
      ok: true,
      isCheckDigitRight: true,
      region: 'North America',
      modelYear: 1989,
      isModelYearCertain: true,
    });
    expect(checkDigit('11111111111111111')).toBe('1');
  });

  test('a letter at position 7 moves the year on by thirty', () => {
    expect(readVin('ZZ9TR1F46CH000302')).toMatchObject({
      ok: true,
      modelYear: 2012,
      isModelYearCertain: false,
      region: 'Europe',
    });
  });

  test('spaces and dashes are ignored, lower case is read', () => {
    expect(readVin(' zz9tr1f4-6ch 000302 ')).toMatchObject({ ok: true, vin: 'ZZ9TR1F46CH000302' });
  });

  test('a wrong check digit is told, not refused', () => {
    expect(readVin('ZZ9TR1F47CH000302')).toMatchObject({ ok: true, isCheckDigitRight: false });
  });

  test('wrong length and letters that a VIN never has are refused with the reason', () => {
    expect(readVin('ZZ9TR1F46CH00030')).toMatchObject({ ok: false, problem: 'length' });
    const r = readVin('ZZ9TR1F46CHO0030I');
    expect(r).toMatchObject({ ok: false, problem: 'characters' });
    expect(r.ok ? '' : r.message).toMatch(/O, I/);
  });

  test('one wrong character is found nearly always; the check digit put in is right', () => {
    const vin = fc.stringMatching(/^[A-HJ-NPR-Z0-9]{17}$/);
    fc.assert(
      fc.property(vin, (text) => {
        const right = withCheckDigit(text);
        expect(readVin(right)).toMatchObject({ ok: true, isCheckDigitRight: true });
      }),
    );
  });
});

test('a vehicle needs only a name, and reckons with usual cylinders', () => {
  const bike = vehicleSchema.parse({
    id: 'veh_1',
    name: 'Kestrine 650',
    kind: 'motorcycle',
    fuel: 'petrol',
    aspiration: 'unknown',
  });
  expect(cylindersOf(bike)).toBe(2);
  expect(cylindersOf({ ...bike, kind: 'car' })).toBe(4);
  expect(vehicleSchema.safeParse({ ...bike, id: 'case_1' }).success).toBe(false);
});

test.each([
  ['7A8', 'Oceania'],
  ['7FA', 'North America'],
  ['6T1', 'Oceania'],
  ['9BW', 'South America'],
  ['0AB', 'not assigned'],
  ['SAL', 'Europe'],
  ['NM0', 'Asia'],
])('the maker’s code %s: %s', (code, region) => {
  expect(readVin(withCheckDigit(`${code}AAAAA0C0000001`))).toMatchObject({ ok: true, region });
});

test('the seventh character tells the thirty years of cars and light vans, and of no motorcycle', () => {
  const vin = withCheckDigit('1HGCMAA00CA000001');
  expect(readVin(vin, 'car')).toMatchObject({ modelYear: 2012, isModelYearCertain: true });
  expect(readVin(vin, 'motorcycle')).toMatchObject({ modelYear: null, isModelYearCertain: false });
});
