import { FOUR_BANKS, TWO_BANKS, fittedNames } from './oxygen-layout.ts';
import { OFF_ON, PERCENT, TRIM, field, listed, several, single, type Parameter } from './parameter-shape.ts';

const FUEL_SYSTEM: Readonly<Record<number, string>> = {
  0: 'not in use',
  1: 'open loop, not warm enough yet',
  2: 'closed loop',
  4: 'open loop because of load or overrun',
  8: 'open loop because of a fault',
  16: 'closed loop, one oxygen sensor not used',
};

const SECONDARY_AIR: Readonly<Record<number, string>> = {
  1: 'upstream of the catalyst',
  2: 'downstream of the catalyst inlet',
  4: 'to the atmosphere or off',
  8: 'pump commanded on for a test',
};

const OBD_STANDARD: Readonly<Record<number, string>> = {
  1: 'OBD II (California)', 2: 'OBD (US federal)', 3: 'OBD and OBD II', 4: 'OBD I', 5: 'not meant to comply',
  6: 'EOBD (Europe)', 7: 'EOBD and OBD II', 8: 'EOBD and OBD', 9: 'EOBD, OBD and OBD II', 10: 'JOBD (Japan)',
  11: 'JOBD and OBD II', 12: 'JOBD and EOBD', 13: 'JOBD, EOBD and OBD II', 17: 'engine manufacturer diagnostics',
  18: 'engine manufacturer diagnostics, enhanced', 19: 'heavy duty OBD, partial', 20: 'heavy duty OBD',
  21: 'worldwide harmonised OBD', 23: 'heavy duty Euro OBD I', 24: 'heavy duty Euro OBD I with NOx control',
  25: 'heavy duty Euro OBD II', 26: 'heavy duty Euro OBD II with NOx control', 28: 'OBDBr-1 (Brazil)',
  29: 'OBDBr-2 (Brazil)', 30: 'KOBD (Korea)', 31: 'IOBD I (India)', 32: 'IOBD II (India)',
  33: 'heavy duty Euro OBD VI',
};

const FUEL_TYPE: Readonly<Record<number, string>> = {
  0: 'not available', 1: 'petrol', 2: 'methanol', 3: 'ethanol', 4: 'diesel', 5: 'LPG', 6: 'CNG', 7: 'propane',
  8: 'electric', 9: 'bifuel running petrol', 10: 'bifuel running methanol', 11: 'bifuel running ethanol',
  12: 'bifuel running LPG', 13: 'bifuel running CNG', 14: 'bifuel running propane', 15: 'bifuel running electricity',
  16: 'bifuel running electric and combustion', 17: 'hybrid petrol', 18: 'hybrid ethanol', 19: 'hybrid diesel',
  20: 'hybrid electric', 21: 'hybrid running electric and combustion', 22: 'hybrid regenerative',
  23: 'bifuel running diesel',
};

const EMISSION_CLASS: Readonly<Record<number, string>> = {
  14: 'Euro IV heavy duty, B1', 15: 'Euro V heavy duty, B2', 16: 'Euro EEV heavy duty, C',
};

const trim = (pid: number, name: string): Parameter => single(pid, name, 1, TRIM, -100, '%');

const narrowOxygen = TWO_BANKS.map((place, i) =>
  several(0x14 + i, `Oxygen sensor, ${place}`, 2, [
    field('voltage', 0, 1, 0.005, 0, 'V'),
    field('short-term trim', 1, 1, TRIM, -100, '%', { notAvailable: 0xff }),
  ]),
);

const wideOxygen = TWO_BANKS.flatMap((place, i) => [
  several(0x24 + i, `Wide-band oxygen sensor, ${place}`, 4, [
    field('lambda', 0, 2, 2 / 65536, 0, 'λ'),
    field('voltage', 2, 2, 8 / 65536, 0, 'V'),
  ]),
  several(0x34 + i, `Wide-band oxygen sensor, ${place}`, 4, [
    field('lambda', 0, 2, 2 / 65536, 0, 'λ'),
    field('current', 2, 2, 1 / 256, -128, 'mA'),
  ]),
]);

const secondaryTrim = (pid: number, name: string, first: string, second: string): Parameter =>
  several(pid, name, 2, [field(first, 0, 1, TRIM, -100, '%'), field(second, 1, 1, TRIM, -100, '%')]);

/** Service 01 parameters 03 to 5F (SAE J1979 / ISO 15031-5, appendix B). */
export const PARAMETERS_TO_5F: readonly Parameter[] = [
  several(0x03, 'Fuel system status', 2, [
    field('system 1', 0, 1, 1, 0, '', { names: FUEL_SYSTEM }),
    field('system 2', 1, 1, 1, 0, '', { names: FUEL_SYSTEM }),
  ]),
  single(0x04, 'Calculated engine load', 1, PERCENT, 0, '%'),
  single(0x05, 'Coolant temperature', 1, 1, -40, '°C'),
  trim(0x06, 'Short-term fuel trim, bank 1'),
  trim(0x07, 'Long-term fuel trim, bank 1'),
  trim(0x08, 'Short-term fuel trim, bank 2'),
  trim(0x09, 'Long-term fuel trim, bank 2'),
  single(0x0a, 'Fuel pressure', 1, 3, 0, 'kPa'),
  single(0x0b, 'Intake manifold pressure', 1, 1, 0, 'kPa'),
  single(0x0c, 'Engine speed', 2, 0.25, 0, 'rpm'),
  single(0x0d, 'Vehicle speed', 1, 1, 0, 'km/h'),
  single(0x0e, 'Ignition timing advance, cylinder 1', 1, 0.5, -64, '°'),
  single(0x0f, 'Intake air temperature', 1, 1, -40, '°C'),
  single(0x10, 'Air flow', 2, 0.01, 0, 'g/s'),
  single(0x11, 'Throttle position', 1, PERCENT, 0, '%'),
  listed(0x12, 'Secondary air command', SECONDARY_AIR),
  listed(0x13, 'Oxygen sensors fitted', fittedNames(TWO_BANKS)),
  ...narrowOxygen,
  listed(0x1c, 'OBD rules it was built to', OBD_STANDARD),
  listed(0x1d, 'Oxygen sensors fitted', fittedNames(FOUR_BANKS)),
  single(0x1e, 'Power take-off', 1, 1, 0, '', { names: OFF_ON, mask: 0x01 }),
  single(0x1f, 'Time since engine start', 2, 1, 0, 's'),
  single(0x21, 'Distance driven with the engine light on', 2, 1, 0, 'km'),
  single(0x22, 'Fuel rail pressure relative to the manifold', 2, 0.079, 0, 'kPa'),
  single(0x23, 'Fuel rail pressure', 2, 10, 0, 'kPa'),
  ...wideOxygen,
  single(0x2c, 'Commanded EGR', 1, PERCENT, 0, '%'),
  single(0x2d, 'EGR error', 1, TRIM, -100, '%'),
  single(0x2e, 'Commanded evaporative purge', 1, PERCENT, 0, '%'),
  single(0x2f, 'Fuel level', 1, PERCENT, 0, '%'),
  single(0x30, 'Warm-ups since codes cleared', 1, 1, 0, ''),
  single(0x31, 'Distance since codes cleared', 2, 1, 0, 'km'),
  single(0x32, 'Evaporative system pressure', 2, 0.25, 0, 'Pa', { isSigned: true }),
  single(0x33, 'Barometric pressure', 1, 1, 0, 'kPa'),
  single(0x3c, 'Catalyst temperature, bank 1 sensor 1', 2, 0.1, -40, '°C'),
  single(0x3d, 'Catalyst temperature, bank 2 sensor 1', 2, 0.1, -40, '°C'),
  single(0x3e, 'Catalyst temperature, bank 1 sensor 2', 2, 0.1, -40, '°C'),
  single(0x3f, 'Catalyst temperature, bank 2 sensor 2', 2, 0.1, -40, '°C'),
  single(0x42, 'Control unit voltage', 2, 0.001, 0, 'V'),
  single(0x43, 'Absolute load', 2, PERCENT, 0, '%'),
  single(0x44, 'Commanded lambda', 2, 2 / 65536, 0, 'λ'),
  single(0x45, 'Relative throttle position', 1, PERCENT, 0, '%'),
  single(0x46, 'Outside air temperature', 1, 1, -40, '°C'),
  single(0x47, 'Throttle position B', 1, PERCENT, 0, '%'),
  single(0x48, 'Throttle position C', 1, PERCENT, 0, '%'),
  single(0x49, 'Pedal position D', 1, PERCENT, 0, '%'),
  single(0x4a, 'Pedal position E', 1, PERCENT, 0, '%'),
  single(0x4b, 'Pedal position F', 1, PERCENT, 0, '%'),
  single(0x4c, 'Commanded throttle', 1, PERCENT, 0, '%'),
  single(0x4d, 'Engine running time with the lamp on', 2, 1, 0, 'min'),
  single(0x4e, 'Engine running time since codes cleared', 2, 1, 0, 'min'),
  several(0x4f, 'Largest values used for scaling', 4, [
    // Nothing stated is the standard's own scale.
    field('lambda', 0, 1, 1, 0, 'λ', { notAvailable: 0 }),
    field('oxygen sensor voltage', 1, 1, 1, 0, 'V', { notAvailable: 0 }),
    field('oxygen sensor current', 2, 1, 1, 0, 'mA', { notAvailable: 0 }),
    field('manifold pressure', 3, 1, 10, 0, 'kPa', { notAvailable: 0 }),
  ]),
  several(0x50, 'Largest air flow used for scaling', 4, [
    field(undefined, 0, 1, 10, 0, 'g/s', { notAvailable: 0 }),
  ]),
  listed(0x51, 'Fuel in use', FUEL_TYPE),
  single(0x52, 'Ethanol in the fuel', 1, PERCENT, 0, '%'),
  single(0x53, 'Evaporative system pressure, absolute', 2, 0.005, 0, 'kPa'),
  single(0x54, 'Evaporative system pressure, wide range', 2, 1, 0, 'Pa', { isSigned: true }),
  secondaryTrim(0x55, 'Short-term trim by the rear sensor', 'bank 1', 'bank 3'),
  secondaryTrim(0x56, 'Long-term trim by the rear sensor', 'bank 1', 'bank 3'),
  secondaryTrim(0x57, 'Short-term trim by the rear sensor', 'bank 2', 'bank 4'),
  secondaryTrim(0x58, 'Long-term trim by the rear sensor', 'bank 2', 'bank 4'),
  single(0x59, 'Fuel rail pressure, absolute', 2, 10, 0, 'kPa'),
  single(0x5a, 'Relative pedal position', 1, PERCENT, 0, '%'),
  single(0x5b, 'Hybrid battery state of charge', 1, PERCENT, 0, '%'),
  single(0x5c, 'Engine oil temperature', 1, 1, -40, '°C'),
  single(0x5d, 'Fuel injection timing', 2, 1 / 128, -210, '°'),
  single(0x5e, 'Fuel use', 2, 0.05, 0, 'L/h'),
  listed(0x5f, 'Emission rules it was designed to', EMISSION_CLASS),
];
