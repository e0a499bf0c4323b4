import fc from 'fast-check';
import {
  airPressureAt,
  bandText,
  chargeAtRest,
  chargingBand,
  clutchSlip,
  crankingPressure,
  daysToHalf,
  dividerVolts,
  dutyOf,
  toothHertz,
  signalVolts,
  failedDensity,
  heater,
  heightOf,
  jointMilliohms,
  judgeMeasurement,
  robustScores,
  slipIn,
  soundDensity,
  steinhartHartCelsius,
  steinhartHartOf,
  thermistorCelsius,
  thermistorOf,
  thermistorOhms,
  windingOhms,
  type Expected,
  type Judged,
  type Measurement,
  type Quantity,
  type Taken,
  type Taking,
} from './index.ts';

describe('formulas, each by a worked example', () => {
  test('58 teeth at 240 rpm pass 232 times a second; half the battery’s voltage is half of the time', () => {
    expect(toothHertz(58, 240)).toBeCloseTo(232, 9);
    expect(dutyOf(6.9, 13.8)).toBeCloseTo(0.5, 9);
    expect(dutyOf(0, 13.8)).toBe(1);
    expect(dutyOf(14, 13.8)).toBe(0);
  });

  test('a two-wire sensor of 2.5 kΩ behind 2.5 kΩ halves 5 volts; open shows all of it, short none', () => {
    expect(dividerVolts(2500, 2500)).toBe(2.5);
    expect(dividerVolts(1e9, 2200)).toBeCloseTo(5, 4);
    expect(dividerVolts(0, 2200)).toBe(0);
    const [low, high] = signalVolts(2500);
    expect([low, high].map((v) => v.toFixed(2))).toEqual(['2.27', '3.57']);
  });

  test('a thermistor by its B: 2 kΩ at 25 °C, B 3,500 K', () => {
    // exp(3500 (1/273.15 - 1/298.15)) = exp(1.0744) = 2.928
    expect(thermistorOhms(0, 2_000, 3_500)).toBeCloseTo(5_857, -1);
    expect(thermistorCelsius(5_857, 2_000, 3_500)).toBeCloseTo(0, 1);
  });

  test('two points of a table give B, three give a curve through all of them', () => {
    // A common coolant sensor: 2,500 Ω at 20 °C, 320 Ω at 80 °C: B = ln(7.8125)/(1/293.15 - 1/353.15) = 3,547 K
    const { beta, r25 } = thermistorOf({ celsius: 20, ohms: 2_500 }, { celsius: 80, ohms: 320 });
    expect(beta).toBeCloseTo(3_547, -1);
    expect(thermistorOhms(80, r25, beta)).toBeCloseTo(320, 6);
    const points = [
      { celsius: 0, ohms: 5_900 },
      { celsius: 20, ohms: 2_500 },
      { celsius: 80, ohms: 320 },
    ] as const;
    const curve = steinhartHartOf(points);
    for (const { celsius, ohms } of points) expect(steinhartHartCelsius(ohms, curve)).toBeCloseTo(celsius, 6);
  });

  test.each([
    ['copper: 14 Ω at 20 °C are 18.4 Ω at 100 °C', windingOhms(14, 100), 18.4, 1],
    ['a heater of 6 Ω takes 24 W at 12 V', heater(12, 6).watts, 24, 6],
    ['and 2 A', heater(12, 6).amperes, 2, 6],
    ['0.2 V lost at 160 A is 1.25 mΩ', jointMilliohms(0.2, 160), 1.25, 6],
    ['12.24 V at rest is half full', chargeAtRest(12.24), 0.5, 6],
    ['11.5 V is empty', chargeAtRest(11.5), 0, 6],
    ['80 mA takes half of 60 Ah in 15.6 days', daysToHalf(80, 60), 15.625, 3],
    ['at 25 °C charging is right up to 14.8 V', chargingBand(25)[1], 14.8, 6],
    ['at -5 °C up to 15.2 V', chargingBand(-5)[1], 15.2, 6],
    ['ISO 2533: 89.87 kPa at 1,000 m', airPressureAt(1_000), 89.87, 1],
    [
      '10 to 1 at the sea, exponent 1.2: 1.01325 (10^1.2 - 1) bar',
      crankingPressure(10, 101.325)[0],
      15.05,
      1,
    ],
    [
      'the same gear, revs 5 % up',
      clutchSlip({ rpm: 2_000, speed: 80 }, { rpm: 2_625, speed: 100 }),
      0.05,
      6,
    ],
  ])('%s', (_, value, expected, digits) => {
    expect(value).toBeCloseTo(expected, digits);
  });

  test('height and air pressure are each other’s inverse', () => {
    fc.assert(
      fc.property(fc.double({ min: -400, max: 5_000, noNaN: true }), (m) => {
        expect(heightOf(airPressureAt(m))).toBeCloseTo(m, 3);
      }),
    );
  });

  test('the densities of sound and of failed parts sum to one', () => {
    let [sound, failed] = [0, 0];
    for (let off = -2_000; off < 2_000; off += 0.01) {
      sound += soundDensity(off) * 0.01;
      failed += failedDensity(off) * 0.01;
    }
    expect(sound).toBeCloseTo(1, 2);
    expect(failed).toBeCloseTo(1, 2);
  });

  test('an outlier does not hide itself by widening the spread', () => {
    const scores = robustScores([14.1, 14.2, 14.0, 22], 0.1);
    expect(scores.map((s) => Math.abs(s) > 3.5)).toEqual([false, false, false, true]);
  });
});

const judge = (
  expected: Expected,
  value: Taken,
  more: Partial<Measurement> = {},
  taking: Partial<Taking> = {},
  quantity: Quantity = 'resistance',
) =>
  judgeMeasurement(
    {
      quantity,
      state: '',
      values: [{ name: 'Value', expected }],
      asks: [],
      source: '',
      within: 'good',
      below: 'bad',
      above: 'bad',
      ...more,
    },
    { values: [value], conditions: {}, ...taking },
    ['good', 'bad'],
    4,
    null,
  );
const done = (judged: ReturnType<typeof judge>): Judged => {
  if ('missing' in judged) throw new Error(judged.missing);
  return judged;
};

test.each<[{ from: number; to: number }, Quantity, string]>([
  [{ from: 4_370, to: 6_550 }, 'resistance', '4.37 to 6.55 kΩ'],
  [{ from: 500, to: 1_500 }, 'resistance', '500 Ω to 1.5 kΩ'],
  [{ from: 3, to: 6 }, 'pressure', '{3 to 6 bar}'],
  [{ from: -Infinity, to: 50 }, 'current', 'at most 50 mA'],
  [{ from: 9.6, to: Infinity }, 'voltage', 'at least 9.6 V'],
])('a band as text: %j %s', (band, quantity, text) => {
  expect(bandText(band, quantity)).toBe(text);
});

describe('what a number says', () => {
  const BAND: Expected = { kind: 'band', from: 11, to: 18 };

  test.each([
    [14, 'good'],
    [11, 'good'],
    [18, 'good'],
    [25, 'bad'],
    [3, 'bad'],
    ['open' as const, 'bad'],
  ])('%s Ω where 11 to 18 is right: %s', (value, outcome) => {
    expect(done(judge(BAND, value)).outcome).toBe(outcome);
  });

  test('the further off, the less it can be a sound part; no value is beyond doubt', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 18, max: 400, noNaN: true }),
        fc.double({ min: 1, max: 20, noNaN: true }),
        (value, further) => {
          const [near, far] = [done(judge(BAND, value)), done(judge(BAND, value + further))];
          const odds = (j: Judged) => (j.weights['good'] ?? 0) / (j.weights['bad'] ?? 1);
          expect(odds(far)).toBeLessThanOrEqual(odds(near) + 1e-9);
          expect(odds(far)).toBeGreaterThanOrEqual(0.01 - 1e-9);
        },
      ),
    );
  });

  test('near the edge it says little, in the middle it speaks for the part', () => {
    const odds = (value: number) => {
      const { weights } = done(judge(BAND, value));
      return (weights['good'] ?? 0) / (weights['bad'] ?? 1);
    };
    expect(odds(14.07)).toBeGreaterThan(50);
    expect(odds(17.9)).toBeLessThan(1);
    expect(odds(17.9)).toBeGreaterThan(0.2);
  });

  test('a cold place moves what is expected of a thermistor', () => {
    const ntc: Expected = { kind: 'thermistor', from: 2_000, to: 3_000, beta: 3_500 };
    expect(judge(ntc, 5_500)).toHaveProperty('missing');
    expect(done(judge(ntc, 5_500, {}, { conditions: { celsius: 20 } })).outcome).toBe('bad');
    const cold = done(judge(ntc, 5_500, {}, { conditions: { celsius: 2 } }));
    expect(cold.outcome).toBe('good');
    expect(cold.arithmetic.join(' ')).toContain('at {2 °C}');
  });

  test('the manual outranks every table, by limits, by two points and by three', () => {
    expect(done(judge(BAND, 25, {}, { manual: { from: 22, to: 28 } })).outcome).toBe('good');
    const table = [
      { celsius: 20, ohms: 1_000 },
      { celsius: 80, ohms: 150 },
    ];
    const ntc: Expected = { kind: 'thermistor', from: 2_000, to: 3_000, beta: 3_500 };
    const conditions = { celsius: 20 };
    expect(done(judge(ntc, 1_010, {}, { conditions, manual: { table } })).outcome).toBe('good');
    const three = [{ celsius: 0, ohms: 2_300 }, ...table];
    expect(done(judge(ntc, 1_010, {}, { conditions, manual: { table: three } })).outcome).toBe('good');
  });

  test('what the manual alone knows is asked for, not guessed', () => {
    expect(judge({ kind: 'manual' }, 5)).toEqual({ missing: expect.stringContaining('manual') as string });
  });

  test('a supply is held against the battery of that moment', () => {
    const supply: Expected = { kind: 'battery-less', within: 0.3 };
    const at = (value: number, battery: number) =>
      done(judge(supply, value, {}, { conditions: { battery } }, 'voltage')).outcome;
    expect(at(11.8, 12)).toBe('good');
    expect(at(11.8, 12.6)).toBe('bad');
    expect(at(13.9, 12.6)).toBe('good');
  });

  test('a drain is not judged before the car sleeps', () => {
    const drain: Expected = { kind: 'parked-drain' };
    expect(judge(drain, 900, {}, { conditions: { minutes: 5 } }, 'current')).toHaveProperty('missing');
    const late = done(judge(drain, 80, {}, { conditions: { minutes: 70 } }, 'current'));
    expect(late.outcome).toBe('bad');
    expect(late.arithmetic.join(' ')).toContain('16 days');
  });

  test('the meter’s own leads are taken off', () => {
    const plug: Expected = { kind: 'band', from: 0.3, to: 2 };
    expect(done(judge(plug, 2.3, {}, { conditions: { tips: 0.5 } })).outcome).toBe('good');
    expect(done(judge(plug, 2.3)).outcome).toBe('bad');
  });
});

describe('slips of the hand', () => {
  const band = (from: number, to: number) => ({ from, to, isRatio: true, arithmetic: '' });
  test.each<[string, number, ReturnType<typeof band>, Quantity, string | null]>([
    ['kΩ read as Ω', 2.5, band(2_000, 3_000), 'resistance', 'thousand'],
    ['Ω read as kΩ', 14_000, band(11, 18), 'resistance', 'thousand'],
    ['mV read as V', 500, band(0.4, 0.6), 'voltage', 'thousand'],
    ['plus and minus exchanged', -14.1, band(13.5, 14.8), 'voltage', 'swapped'],
    ['tips that touch', 0.2, band(11, 18), 'resistance', 'tips'],
    ['still connected', 6, band(11, 18), 'resistance', 'connected'],
    ['over the range', 1_000, band(11, 18), 'resistance', 'over-range'],
    ['nothing wrong', 14, band(11, 18), 'resistance', null],
    ['a failed part', 60, band(11, 18), 'resistance', null],
  ])('%s', (_, value, at, quantity, id) => {
    expect(slipIn(value, at, quantity)?.id ?? null).toBe(id);
  });
});

describe('sets', () => {
  const set = (
    alike: Measurement['alike'],
    expected: Expected,
    values: Taken[],
    only: number | null,
    quantity: Quantity,
  ) =>
    judgeMeasurement(
      {
        quantity,
        state: '',
        values: { each: 'cylinders', expected },
        ...(alike ? { alike } : {}),
        asks: [],
        source: '',
        within: 'like',
        below: 'differs',
        above: 'differs',
      },
      { values, conditions: {} },
      ['like', 'differs'],
      4,
      only,
    );
  const coils = { within: 0.1, isShare: true, against: 'median' } as const;
  const WIDE: Expected = { kind: 'band', from: 0.5, to: 18 };

  test('one injector of four is odd, though each alone would pass', () => {
    const values = [14.1, 14.2, 11.9, 14];
    expect(done(set(coils, WIDE, values, 2, 'resistance'))).toMatchObject({
      outcome: 'differs',
      verdict: expect.stringMatching(/^Cylinder 3: 15 % under the middle of the set/) as string,
    });
    expect(done(set(coils, WIDE, values, 0, 'resistance')).outcome).toBe('like');
  });

  test('all off in the same way is rather the meter, or another kind of part', () => {
    const narrow: Expected = { kind: 'band', from: 0.4, to: 2 };
    const all = done(set(coils, narrow, [12.1, 12, 11.8, 12.3], 1, 'resistance'));
    expect(all.arithmetic.join(' ')).toContain('All of them are off in the same way');
    const single = done(set(coils, narrow, [1.1, 1, 9, 1.2], 2, 'resistance'));
    expect(single.arithmetic.join(' ')).not.toContain('All of them');
  });

  test('of two, nobody can tell which is the odd one', () => {
    const two = done(set(coils, WIDE, [14, 11, null, null], 0, 'resistance'));
    expect(two.arithmetic.join(' ')).toContain('nobody can tell');
  });

  test('compression: up to 15 % under the highest is normal', () => {
    const spread = { within: 0.15, isShare: true, against: 'highest' } as const;
    const gauge: Expected = { kind: 'band', from: 9, to: 16 };
    expect(done(set(spread, gauge, [12, 11.8, 12.1, 9.5], 3, 'pressure')).outcome).toBe('differs');
    expect(done(set(spread, gauge, [12, 11.8, 12.1, 10.6], 3, 'pressure')).outcome).toBe('like');
  });

  test('a set is not called right while one of it was left out', () => {
    expect(set(coils, WIDE, [14, 14.1, null, 14], null, 'resistance')).toEqual({
      missing: expect.stringContaining('Cylinder 3') as string,
    });
  });
});
