import { describedCodes } from '@pincer/core/codes';
import { OBSERVATIONS, isObservationKey, findingOfCode } from './index.ts';

/** Which observation a code is, for codes whose neighbours are another one. */
const TABLE: readonly [code: string, key: string, cylinder: number | null, why: string][] = [
  ['P0300', 'code:misfire-several', null, 'several cylinders'],
  ['P0302', 'code:misfire-same', 2, 'one cylinder, and which'],
  ['P0312', 'code:misfire-same', 12, 'the twelfth'],
  ['P0351', 'code:coil-same', 1, 'the coil of one cylinder'],
  ['P0350', 'code:spark-signal', null, 'coils together'],
  ['P0204', 'code:injector-same', 4, 'the injector of one cylinder'],
  ['P2146', 'code:injector-supply', null, 'a group’s supply'],
  ['P0171', 'code:lean', null, 'too lean'],
  ['P0175', 'code:rich', null, 'too rich, the other bank'],
  ['P0102', 'code:air-flow-circuit', null, 'electrical'],
  ['P0101', 'code:air-flow-range', null, 'implausible'],
  ['P0113', 'code:intake-temperature', null, 'intake air'],
  ['P0118', 'code:coolant-temperature', null, 'coolant sensor'],
  ['P0128', 'code:runs-cold', null, 'does not get warm'],
  ['P0217', 'code:overheat', null, 'too hot'],
  ['P0133', 'code:oxygen-front', null, 'sensor 1'],
  ['P0139', 'code:oxygen-rear', null, 'sensor 2'],
  ['P0141', 'code:oxygen-heater', null, 'its heater'],
  ['P0030', 'code:oxygen-heater', null, 'the heater’s control'],
  ['P0420', 'code:catalyst', null, 'efficiency'],
  ['P0441', 'code:purge', null, 'flow'],
  ['P0442', 'code:evap-leak', null, 'a leak'],
  ['P0299', 'code:boost-low', null, 'too little'],
  ['P0234', 'code:boost-high', null, 'too much'],
  ['P0122', 'code:throttle', null, 'track A sits at the throttle'],
  ['P2122', 'code:pedal', null, 'track D sits at the pedal'],
  ['P2135', 'code:throttle', null, 'A and B'],
  ['P2138', 'code:pedal', null, 'D and E'],
  ['P0562', 'code:supply-voltage', null, 'too low'],
  ['P0563', 'code:supply-high', null, 'too high'],
  ['P2463', 'code:particulate', null, 'the filter'],
  ['P2453', 'code:filter-sensor', null, 'its sensor'],
  ['P0603', 'code:computer', null, 'inside a unit'],
  ['U0100', 'code:unit-silent', null, 'not heard'],
  ['U0401', 'code:nonsense-engine', null, 'the engine sends nonsense'],
  ['U0402', 'code:nonsense-gearbox', null, 'the gearbox does'],
  ['U0415', 'code:nonsense-brakes', null, 'the brakes do'],
  ['U0422', 'code:unit-nonsense', null, 'another does'],
  ['P0700', 'code:gearbox-asks', null, 'asks for the lamp'],
  ['P0753', 'code:gear-valve', null, 'a shift valve'],
  ['P0730', 'code:gear-ratio', null, 'a ratio'],
  ['P0741', 'code:converter', null, 'the converter'],
  ['P0717', 'code:gear-speed', null, 'a speed in the gearbox'],
  ['P0705', 'code:gear-range', null, 'the selector'],
  ['C0031', 'code:wheel-speed', null, 'a wheel'],
  ['C0051', 'code:steering-angle', null, 'the steering wheel'],
  ['B0001', 'code:restraints', null, 'an airbag'],
  ['P0AA6', 'code:high-voltage', null, 'isolation'],
  ['P0A80', 'code:traction-battery', null, 'the battery'],
];

test.each(TABLE)('%s is %s, cylinder %s: %s', (code, key, cylinder) => {
  expect(findingOfCode(code)).toEqual({ key, cylinder });
});

test('every described code is an observation, and most observations of codes are some code’s', () => {
  const used = new Set<string>();
  for (const { code } of describedCodes()) {
    const found = findingOfCode(code);
    expect(found && isObservationKey(found.key)).toBe(true);
    if (found) used.add(found.key);
  }
  const ofCodes = Object.keys(OBSERVATIONS).filter((k) => k.startsWith('code:'));
  expect(ofCodes.length).toBeGreaterThan(60);
  // Misfires of another cylinder, and the like, are told by comparing and not by a code of their own.
  expect(ofCodes.filter((k) => !used.has(k) && !k.endsWith('-other'))).toEqual([]);
});

test.each(['P1234', 'P3099', 'U1000', 'B1500', 'C2100', 'nonsense', ''])(
  'a maker’s own code, or none, is no observation: “%s”',
  (code) => expect(findingOfCode(code)).toBeNull(),
);
