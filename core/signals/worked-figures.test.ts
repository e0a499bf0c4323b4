import { filling, fuelFlow, overallRatio, tyreRolls, usualGear, workedFigures } from './worked-figures.ts';
import { UNKNOWN_ENGINE, windowOfScan } from './window.ts';
import { makeScan } from '../test/make-case.ts';

describe('worked out from readings', () => {
  test('fuel by the air: 3 g/s at idle on petrol is about 1 litre an hour', () => {
    // 3 / 14.7 = 0.2041 g/s of fuel; x 3600 / 745.
    expect(fuelFlow(3, 'petrol', 1)).toBeCloseTo(0.986, 3);
    // A diesel with three times the air that it needs burns a third of what its air could.
    expect(fuelFlow(9, 'diesel', 3)).toBeCloseTo((9 / 43.5) * (3600 / 835), 6);
  });

  test('filling: 1.6 litres at 2,400 rpm, 50 kPa and 27 degrees hold 18.6 g/s', () => {
    // 0.8 L x 40 1/s x 50,000 / (287.05 x 300.15) = 18.57 g/s.
    expect(filling(15, 1.6, 2400, 50, 27)).toBeCloseTo(15 / 18.57, 3);
  });

  test('a 205/55 R16 rolls 1.93 m; the ratio of 2,000 rpm at 100 km/h on it is 2.31', () => {
    // 16 x 25.4 + 2 x 205 x 0.55 = 631.9 mm; x pi x 0.97.
    expect(tyreRolls('205/55 R16 91V')).toBeCloseTo(1.9256, 3);
    expect(tyreRolls('120/70ZR17')).toBeCloseTo(tyreRolls('120/70-17') ?? 0, 9);
    expect(tyreRolls('winter tyres')).toBeNull();
    expect(overallRatio(2000, 100, 1.9256)).toBeCloseTo(2.3108, 3);
  });

  test('gears as they usually are, none where nothing fits', () => {
    expect([14, 8, 5.5, 4, 3, 2.3, 1.2, 30].map(usualGear)).toEqual([
      'first gear',
      'second gear',
      'third gear',
      'fourth gear',
      'fifth gear',
      'sixth gear or higher',
      null,
      null,
    ]);
  });

  test('only what the readings and the vehicle allow', () => {
    const look = windowOfScan(
      makeScan([], { '0C': 2400, '0D': 80, '10': 15, '0B': 50, '0F': 27 }),
      UNKNOWN_ENGINE,
    );
    const ids = (v: Parameters<typeof workedFigures>[1]) => workedFigures(look, v).map((f) => f.id);
    expect(ids({ fuel: 'petrol', kind: 'car' })).toEqual(['fuel-flow', 'fuel-per-distance']);
    expect(ids({ fuel: 'petrol', kind: 'car', displacementLitres: 1.6, tyre: '205/55 R16' })).toEqual([
      'fuel-flow',
      'fuel-per-distance',
      'filling',
      'overall-ratio',
    ]);
    // A diesel breathes freely: its air alone says nothing of its fuel.
    expect(ids({ fuel: 'diesel', kind: 'van' })).toEqual([]);
    expect(ids({ fuel: 'electric', kind: 'car' })).toEqual([]);
  });
});
