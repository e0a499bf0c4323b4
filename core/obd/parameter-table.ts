/**
 * Service 01 parameters of SAE J1979 / ISO 15031-5, appendix B: length, parts, scale and unit.
 * value = raw x scale + offset, in the unit given.
 */
export interface Part {
  part?: string;
  /** Offset of the first byte among the data bytes. */
  at: number;
  /** Bytes, big-endian. */
  size: 1 | 2 | 4;
  scale: number;
  offset: number;
  unit: string;
  isSigned?: boolean;
  /** Enumerated meanings by raw number. */
  names?: Readonly<Record<number, string>>;
  /** Raw number that the standard keeps for "not available". */
  notAvailable?: number;
  /** Bit of the first data byte that says whether this part is supported. */
  supportBit?: number;
  /** Bits of the byte that belong to this part, and how far they are shifted. */
  mask?: number;
  shift: number;
}

export interface Parameter {
  pid: number;
  name: string;
  bytes: number;
  parts: readonly Part[];
}

type Options = Partial<Pick<Part, 'isSigned' | 'names' | 'notAvailable' | 'supportBit' | 'mask' | 'shift'>>;

function field(
  part: string | undefined,
  at: number,
  size: Part['size'],
  scale: number,
  offset: number,
  unit: string,
  options: Options = {},
): Part {
  return { ...(part === undefined ? {} : { part }), at, size, scale, offset, unit, shift: 0, ...options };
}

const single = (
  pid: number,
  name: string,
  size: Part['size'],
  scale: number,
  offset: number,
  unit: string,
  options: Options = {},
): Parameter => ({ pid, name, bytes: size, parts: [field(undefined, 0, size, scale, offset, unit, options)] });

const listed = (pid: number, name: string, names: Readonly<Record<number, string>>): Parameter =>
  single(pid, name, 1, 1, 0, '', { names });

const several = (pid: number, name: string, bytes: number, parts: readonly Part[]): Parameter => ({
  pid,
  name,
  bytes,
  parts,
});

/** Several equal fields in a row after a byte of support bits. */
function supported(
  pid: number,
  name: string,
  bytes: number,
  labels: readonly string[],
  size: Part['size'],
  scale: number,
  offset: number,
  unit: string,
  options: Options = {},
): Parameter {
  return several(
    pid,
    name,
    bytes,
    labels.map((label, i) =>
      field(label, 1 + i * size, size, scale, offset, unit, { supportBit: i, ...options }),
    ),
  );
}

const PERCENT = 100 / 255;
const TRIM = 100 / 128;

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

const OFF_ON: Readonly<Record<number, string>> = { 0: 'off', 1: 'on' };

const OXYGEN_PLACES = [
  'bank 1 sensor 1', 'bank 1 sensor 2', 'bank 1 sensor 3', 'bank 1 sensor 4',
  'bank 2 sensor 1', 'bank 2 sensor 2', 'bank 2 sensor 3', 'bank 2 sensor 4',
] as const;

const EXHAUST_PLACES = ['sensor 1', 'sensor 2', 'sensor 3', 'sensor 4'] as const;

const trim = (pid: number, name: string): Parameter => single(pid, name, 1, TRIM, -100, '%');

const narrowOxygen = OXYGEN_PLACES.map((place, i) =>
  several(0x14 + i, `Oxygen sensor, ${place}`, 2, [
    field('voltage', 0, 1, 0.005, 0, 'V'),
    field('short-term trim', 1, 1, TRIM, -100, '%', { notAvailable: 0xff }),
  ]),
);

const wideOxygen = OXYGEN_PLACES.flatMap((place, i) => [
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

/** Bytes of parameters whose parts are the control unit's own affair here; kept so that what follows is read right. */
const opaque = (pid: number, name: string, bytes: number): Parameter => several(pid, name, bytes, []);

export const PARAMETERS: readonly Parameter[] = [
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
  single(0x13, 'Oxygen sensors fitted, two banks', 1, 1, 0, 'bits'),
  ...narrowOxygen,
  listed(0x1c, 'OBD rules it was built to', OBD_STANDARD),
  single(0x1d, 'Oxygen sensors fitted, four banks', 1, 1, 0, 'bits'),
  single(0x1e, 'Power take-off', 1, 1, 0, '', { names: OFF_ON, mask: 0x01 }),
  single(0x1f, 'Time since engine start', 2, 1, 0, 's'),
  single(0x21, 'Distance driven with the lamp on', 2, 1, 0, 'km'),
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
  single(0x33, 'Air pressure', 1, 1, 0, 'kPa'),
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
    field('lambda', 0, 1, 1, 0, 'λ'),
    field('oxygen sensor voltage', 1, 1, 1, 0, 'V'),
    field('oxygen sensor current', 2, 1, 1, 0, 'mA'),
    field('manifold pressure', 3, 1, 10, 0, 'kPa'),
  ]),
  several(0x50, 'Largest air flow used for scaling', 4, [field(undefined, 0, 1, 10, 0, 'g/s')]),
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
  single(0x5b, 'Hybrid battery charge left', 1, PERCENT, 0, '%'),
  single(0x5c, 'Engine oil temperature', 1, 1, -40, '°C'),
  single(0x5d, 'Fuel injection timing', 2, 1 / 128, -210, '°'),
  single(0x5e, 'Fuel use', 2, 0.05, 0, 'L/h'),
  listed(0x5f, 'Emission rules it was designed to', EMISSION_CLASS),
  single(0x61, 'Torque asked for by the driver', 1, 1, -125, '%'),
  single(0x62, 'Torque delivered', 1, 1, -125, '%'),
  single(0x63, 'Reference torque', 2, 1, 0, 'N·m'),
  several(
    0x64,
    'Torque curve',
    5,
    ['idle', 'point 1', 'point 2', 'point 3', 'point 4'].map((p, i) => field(p, i, 1, 1, -125, '%')),
  ),
  several(0x65, 'Auxiliary inputs and outputs', 2, [
    field('power take-off', 1, 1, 1, 0, '', { names: OFF_ON, mask: 0x01, supportBit: 0 }),
    field('automatic gearbox in neutral', 1, 1, 1, 0, '', {
      names: { 0: 'in gear', 1: 'in park or neutral' }, mask: 0x02, shift: 1, supportBit: 1,
    }),
    field('manual gearbox in neutral', 1, 1, 1, 0, '', {
      names: { 0: 'in gear', 1: 'in neutral or clutch pressed' }, mask: 0x04, shift: 2, supportBit: 2,
    }),
    field('glow plug lamp', 1, 1, 1, 0, '', { names: OFF_ON, mask: 0x08, shift: 3, supportBit: 3 }),
  ]),
  supported(0x66, 'Air flow', 5, ['sensor A', 'sensor B'], 2, 1 / 32, 0, 'g/s'),
  supported(0x67, 'Coolant temperature', 3, ['sensor 1', 'sensor 2'], 1, 1, -40, '°C'),
  supported(
    0x68, 'Intake air temperature', 7,
    ['bank 1 sensor 1', 'bank 1 sensor 2', 'bank 1 sensor 3', 'bank 2 sensor 1', 'bank 2 sensor 2', 'bank 2 sensor 3'],
    1, 1, -40, '°C',
  ),
  several(0x69, 'EGR', 7, [
    field('commanded A', 1, 1, PERCENT, 0, '%', { supportBit: 0 }),
    field('actual A', 2, 1, PERCENT, 0, '%', { supportBit: 1 }),
    field('error A', 3, 1, TRIM, -100, '%', { supportBit: 2 }),
    field('commanded B', 4, 1, PERCENT, 0, '%', { supportBit: 3 }),
    field('actual B', 5, 1, PERCENT, 0, '%', { supportBit: 4 }),
    field('error B', 6, 1, TRIM, -100, '%', { supportBit: 5 }),
  ]),
  supported(0x6a, 'Diesel intake air flap', 5, ['commanded A', 'position A', 'commanded B', 'position B'], 1, PERCENT, 0, '%'),
  supported(
    0x6b, 'EGR temperature', 5,
    ['bank 1 sensor 1', 'bank 1 sensor 2', 'bank 2 sensor 1', 'bank 2 sensor 2'], 1, 1, -40, '°C',
  ),
  supported(0x6c, 'Throttle actuator', 5, ['commanded A', 'position A', 'commanded B', 'position B'], 1, PERCENT, 0, '%'),
  several(0x6d, 'Fuel pressure control', 11, [
    field('commanded pressure A', 1, 2, 10, 0, 'kPa', { supportBit: 0 }),
    field('pressure A', 3, 2, 10, 0, 'kPa', { supportBit: 1 }),
    field('temperature A', 5, 1, 1, -40, '°C', { supportBit: 2 }),
    field('commanded pressure B', 6, 2, 10, 0, 'kPa', { supportBit: 3 }),
    field('pressure B', 8, 2, 10, 0, 'kPa', { supportBit: 4 }),
    field('temperature B', 10, 1, 1, -40, '°C', { supportBit: 5 }),
  ]),
  supported(
    0x6e, 'Injection pressure control', 9,
    ['commanded pressure A', 'pressure A', 'commanded pressure B', 'pressure B'], 2, 10, 0, 'kPa',
  ),
  supported(0x6f, 'Compressor inlet pressure', 3, ['sensor A', 'sensor B'], 1, 1, 0, 'kPa'),
  several(0x70, 'Boost pressure', 10, [
    field('commanded A', 1, 2, 0.03125, 0, 'kPa', { supportBit: 0 }),
    field('sensor A', 3, 2, 0.03125, 0, 'kPa', { supportBit: 1 }),
    field('commanded B', 5, 2, 0.03125, 0, 'kPa', { supportBit: 3 }),
    field('sensor B', 7, 2, 0.03125, 0, 'kPa', { supportBit: 4 }),
  ]),
  several(0x71, 'Variable turbine geometry', 6, [
    field('commanded A', 1, 1, PERCENT, 0, '%', { supportBit: 0 }),
    field('position A', 2, 1, PERCENT, 0, '%', { supportBit: 1 }),
    field('commanded B', 3, 1, PERCENT, 0, '%', { supportBit: 3 }),
    field('position B', 4, 1, PERCENT, 0, '%', { supportBit: 4 }),
  ]),
  supported(0x72, 'Wastegate', 5, ['commanded A', 'position A', 'commanded B', 'position B'], 1, PERCENT, 0, '%'),
  supported(0x73, 'Exhaust pressure', 5, ['bank 1', 'bank 2'], 2, 0.01, 0, 'kPa'),
  opaque(0x74, 'Turbocharger speed', 5),
  ...([0x75, 0x76] as const).map((pid, i) =>
    several(pid, `Turbocharger ${i === 0 ? 'A' : 'B'} temperature`, 7, [
      field('compressor inlet', 1, 1, 1, -40, '°C', { supportBit: 0 }),
      field('compressor outlet', 2, 1, 1, -40, '°C', { supportBit: 1 }),
      field('turbine inlet', 3, 2, 0.1, -40, '°C', { supportBit: 2 }),
      field('turbine outlet', 5, 2, 0.1, -40, '°C', { supportBit: 3 }),
    ]),
  ),
  supported(
    0x77, 'Charge air cooler temperature', 5,
    ['bank 1 sensor 1', 'bank 1 sensor 2', 'bank 2 sensor 1', 'bank 2 sensor 2'], 1, 1, -40, '°C',
  ),
  supported(0x78, 'Exhaust gas temperature, bank 1', 9, EXHAUST_PLACES, 2, 0.1, -40, '°C'),
  supported(0x79, 'Exhaust gas temperature, bank 2', 9, EXHAUST_PLACES, 2, 0.1, -40, '°C'),
  ...([0x7a, 0x7b] as const).map((pid, i) =>
    several(pid, `Particulate filter, bank ${i + 1}`, 7, [
      field('pressure difference', 1, 2, 0.01, 0, 'kPa', { supportBit: 0, isSigned: true }),
      field('inlet pressure', 3, 2, 0.01, 0, 'kPa', { supportBit: 1 }),
      field('outlet pressure', 5, 2, 0.01, 0, 'kPa', { supportBit: 2 }),
    ]),
  ),
  supported(
    0x7c, 'Particulate filter temperature', 9,
    ['bank 1 inlet', 'bank 1 outlet', 'bank 2 inlet', 'bank 2 outlet'], 2, 0.1, -40, '°C',
  ),
  opaque(0x7d, 'NOx control area status', 1),
  opaque(0x7e, 'Particulate control area status', 1),
  several(0x7f, 'Engine running time', 13, [
    field('total', 1, 4, 1, 0, 's', { supportBit: 0 }),
    field('idling', 5, 4, 1, 0, 's', { supportBit: 1 }),
    field('power take-off', 9, 4, 1, 0, 's', { supportBit: 2 }),
  ]),
  opaque(0x81, 'Running time of emission strategies 1-5', 41),
  opaque(0x82, 'Running time of emission strategies 6-10', 41),
  supported(
    0x83, 'NOx', 9, ['bank 1 sensor 1', 'bank 1 sensor 2', 'bank 2 sensor 1', 'bank 2 sensor 2'], 2, 1, 0, 'ppm',
    { notAvailable: 0xffff },
  ),
  single(0x84, 'Manifold surface temperature', 1, 1, -40, '°C'),
  several(0x85, 'NOx reagent', 10, [
    field('average use', 1, 2, 0.005, 0, 'L/h', { supportBit: 0 }),
    field('use asked for', 3, 2, 0.005, 0, 'L/h', { supportBit: 1 }),
    field('tank level', 5, 1, PERCENT, 0, '%', { supportBit: 2 }),
    field('time with the warning on', 6, 4, 1, 0, 's', { supportBit: 3 }),
  ]),
  supported(0x86, 'Particulate matter', 5, ['bank 1', 'bank 2'], 2, 0.0125, 0, 'mg/m³'),
  supported(0x87, 'Intake manifold pressure', 5, ['sensor A', 'sensor B'], 2, 0.03125, 0, 'kPa'),
  opaque(0x88, 'Reagent inducement system', 13),
  opaque(0x89, 'Running time of emission strategies 11-15', 41),
  opaque(0x8a, 'Running time of emission strategies 16-20', 41),
  opaque(0x8b, 'Diesel aftertreatment', 7),
  opaque(0x8c, 'Oxygen sensors, wide range', 17),
  single(0x8d, 'Throttle position G', 1, PERCENT, 0, '%'),
  single(0x8e, 'Engine friction torque', 1, 1, -125, '%'),
  opaque(0x8f, 'Particulate sensor output', 7),
  opaque(0x90, 'Harmonised OBD vehicle information', 3),
  opaque(0x91, 'Harmonised OBD control unit information', 5),
  opaque(0x92, 'Fuel system control status', 2),
  opaque(0x93, 'Harmonised OBD counters', 3),
  opaque(0x94, 'NOx warning and inducement', 12),
  supported(0x98, 'Exhaust gas temperature, bank 1', 9, ['sensor 5', 'sensor 6', 'sensor 7', 'sensor 8'], 2, 0.1, -40, '°C'),
  supported(0x99, 'Exhaust gas temperature, bank 2', 9, ['sensor 5', 'sensor 6', 'sensor 7', 'sensor 8'], 2, 0.1, -40, '°C'),
  opaque(0x9a, 'Hybrid or electric system', 6),
  opaque(0x9b, 'Exhaust fluid sensor', 4),
  opaque(0x9c, 'Oxygen sensors, bank 3 and 4', 17),
  several(0x9d, 'Fuel use', 4, [
    field('engine', 0, 2, 0.02, 0, 'g/s'),
    field('vehicle', 2, 2, 0.02, 0, 'g/s'),
  ]),
  single(0x9e, 'Exhaust flow', 2, 0.2, 0, 'kg/h'),
  opaque(0x9f, 'Fuel system share', 9),
  opaque(0xa1, 'NOx, corrected', 9),
  single(0xa2, 'Fuel for each stroke', 2, 0.03125, 0, 'mg/stroke'),
  opaque(0xa3, 'Evaporative system pressures', 9),
  several(0xa4, 'Gearbox', 4, [
    field('gear', 1, 1, 1, 0, '', { supportBit: 0, mask: 0xf0, shift: 4 }),
    field('ratio', 2, 2, 0.001, 0, '', { supportBit: 1 }),
  ]),
  opaque(0xa5, 'Exhaust fluid dosing', 4),
  single(0xa6, 'Distance recorder', 4, 0.1, 0, 'km'),
  opaque(0xa7, 'NOx, sensors 3 and 4', 9),
  opaque(0xa8, 'NOx corrected, sensors 3 and 4', 9),
  opaque(0xa9, 'Antilock brake switch', 4),
].toSorted((a, b) => a.pid - b.pid);
