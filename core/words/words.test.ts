import fc from 'fast-check';
import {
  AMERICAN,
  RIDING,
  inEveryEnglish,
  ownUnit,
  tell,
  tellAll,
  unitsOf,
  wordIn,
  wordsIn,
  type Wording,
} from './index.ts';

const BRITISH: Wording = { units: 'metric', words: 'british' };
const AMERICAN_OWNER: Wording = { units: 'imperial', words: 'american' };

test('what stands in the garage is called what it is, in either English; a car where no vehicle is meant', () => {
  const text = '{Cars} and a {car} at the {kerb}';
  expect(tell(text, BRITISH)).toBe('Cars and a car at the kerb');
  expect(tell(text, { ...BRITISH, vehicle: 'van' })).toBe('Vans and a van at the kerb');
  expect(tell(text, { ...AMERICAN_OWNER, vehicle: 'motorcycle' })).toBe(
    'Motorcycles and a motorcycle at the curb',
  );
  expect(tell('{car park}, {carpet}', { ...BRITISH, vehicle: 'van' })).toBe('car park, {carpet}');
});

test('who rides is told what a rider does, and who drives what a driver does', () => {
  const text = '{Foot off the accelerator}, hold {2,500 rpm}, then {parking brake on}.';
  expect(tell(text, { ...BRITISH, vehicle: 'motorcycle' })).toBe(
    'Close the throttle, hold 5,000 rpm, then on its stand.',
  );
  for (const vehicle of ['car', 'van', undefined] as const)
    expect(tell(text, { ...AMERICAN_OWNER, vehicle })).toBe(
      'Foot off the accelerator, hold 2,500 rpm, then parking brake on.',
    );
  // None is too long to be a tag.
  for (const [driving, riding] of Object.entries(RIDING))
    expect(tell(`{${driving}}`, { ...BRITISH, vehicle: 'motorcycle' })).toBe(riding);
});

describe('a text in the owner’s words', () => {
  test.each([
    [
      'Open the {bonnet}, use a {torch}.',
      'Open the bonnet, use a torch.',
      'Open the hood, use a flashlight.',
    ],
    ['{Tyres} cold', 'Tyres cold', 'Tires cold'],
    ['The {workshop manual}’s figure', 'The workshop manual’s figure', 'The service manual’s figure'],
    ['Two {flat battery} cases', 'Two flat battery cases', 'Two dead battery cases'],
    ['Use {spanners} and {torches}', 'Use spanners and torches', 'Use wrenches and flashlights'],
    ['Cylinder {n} in bank {bank}', 'Cylinder {n} in bank {bank}', 'Cylinder {n} in bank {bank}'],
    [
      'a {constructor} and a {toString}',
      'a {constructor} and a {toString}',
      'a {constructor} and a {toString}',
    ],
  ])('%s', (text, british, american) => {
    expect(tell(text, BRITISH)).toBe(british);
    expect(tell(text, AMERICAN_OWNER)).toBe(american);
  });

  test.each([
    ['{60 to 100 km/h}', '60 to 100 km/h', '35 to 60 mph'],
    ['{80 km/h}', '80 km/h', '50 mph'],
    ['{38 km/h}', '38 km/h', '24 mph'],
    ['{87 °C}', '87 °C', '189 °F'],
    ['{-11 °C}', '−11 °C', '12 °F'],
    ['{−40 °C}', '−40 °C', '−40 °F'],
    ['{5 K}', '5 °C', '9 °F'],
    ['{0.3 bar}', '0.3 bar', '4.4 psi'],
    ['{350 bar}', '350 bar', '5,100 psi'],
    ['{2,500 bar}', '2,500 bar', '36,000 psi'],
    ['{101 kPa}', '101 kPa', '14.6 psi'],
    ['{1.2 kPa}', '1.2 kPa', '0.17 psi'],
    ['{±2 kPa}', '±2 kPa', '±0.29 psi'],
    ['{3 mm}', '3 mm', '0.12 in'],
    ['{100 m}', '100 m', '330 ft'],
    ['{100 km}', '100 km', '62 miles'],
    ['{20 Nm}', '20 Nm', '15 lb-ft'],
    ['{1 qt}', '1 L', '1.1 qt'],
    ['{6.5 L/100 km}', '6.5 L/100 km', '36 mpg'],
    ['{0.8 L/h}', '0.8 L/h', '0.21 gal/h'],
    ['{0 kPa}', '0 kPa', '0 psi'],
  ])('%s is “%s” or “%s”', (text, metric, imperial) => {
    expect(tell(text, BRITISH)).toBe(metric);
    expect(tell(text, AMERICAN_OWNER)).toBe(imperial);
  });

  test('units one by one, and bar for all pressures', () => {
    const mixed: Wording = {
      units: { ...unitsOf('metric'), pressure: 'bar', temperature: 'F' },
      words: 'british',
    };
    expect(tell('{101 kPa} and {0.3 bar} at {20 °C}, {80 km/h}', mixed)).toBe(
      '1.01 bar and 0.3 bar at 68 °F, 80 km/h',
    );
  });

  test('at any depth, and what says nothing is not copied', () => {
    const silent = { rows: [{ title: 'Catalyst', at: new Date(0) }] };
    expect(tellAll(silent, AMERICAN_OWNER)).toBe(silent);
    const spoken = {
      rows: [silent.rows[0], { title: '{Petrol} engine', seen: new Map([['a', '{petrol}']]) }],
    };
    const told = tellAll(spoken, AMERICAN_OWNER);
    expect(told.rows[1]).toMatchObject({ title: 'Gasoline engine' });
    expect(told.rows[0]).toBe(silent.rows[0]);
    expect(spoken.rows[1]).toMatchObject({ title: '{Petrol} engine' });
  });

  test('names of readings that a log keeps hold no tags and are told all the same', () => {
    expect(wordsIn('Fuel vapour pressure', 'american')).toBe('Fuel vapor pressure');
    expect(wordsIn('hybrid petrol', 'american')).toBe('hybrid gasoline');
    expect(wordsIn('hybrid petrol', 'british')).toBe('hybrid petrol');
  });

  test('a search finds either word', () => {
    expect(inEveryEnglish('{Tyre} pressure')).toBe('Tyre pressure Tire pressure');
  });

  test('every word of the list has its own American, and none is another’s British', () => {
    for (const [british, american] of Object.entries(AMERICAN)) {
      expect(american).not.toBe(british);
      expect(wordIn(british, 'british')).toBe(british);
      expect(wordIn(british, 'american')).toBe(american);
      expect(AMERICAN[american]).toBeUndefined();
      // Refrigerant, exhaust and LPG are gas too.
      expect(american).not.toMatch(/\bgas\b/);
    }
    expect(Object.keys(AMERICAN).length).toBeGreaterThanOrEqual(38);
  });

  test('property: what is converted and converted back is the same; nothing is told twice', () => {
    fc.assert(
      fc.property(
        fc.double({ min: -50, max: 2_000, noNaN: true }),
        fc.constantFrom('km/h', 'km', 'm', 'kPa', 'bar', 'mm', 'L', 'Nm', 'kg'),
        (value, unit) => {
          const own = ownUnit(unit, 'imperial');
          const per = own.of(1);
          expect(own.of(value) / per).toBeCloseTo(value, 6);
        },
      ),
    );
    fc.assert(
      fc.property(fc.string(), (text) => {
        const once = tell(text, AMERICAN_OWNER);
        if (!/[{}]/.test(once)) expect(tell(once, AMERICAN_OWNER)).toBe(once);
      }),
    );
  });
});
