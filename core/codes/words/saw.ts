import type { FailureId } from '../failures.ts';

/** Kinds of parts whose faults look different: an unplugged thermistor reads cold, an unplugged pressure sensor low. */
export type PartKind = 'temperature' | 'powered' | 'sensor' | 'switch' | 'unit' | 'driven' | 'other';

type Words = Partial<Record<FailureId, string>>;

/** What the control unit detected, by kind of part; `{part}` is the part with its place. */
export const SAW_OF_KIND: Partial<Record<PartKind, Words>> = {
  temperature: {
    low: 'a voltage of {part} below its range, as from a very hot sensor: usually a short to ground, or the sensor itself',
    high: 'a voltage of {part} above its range, as from a very cold sensor: usually an unplugged connector or a broken wire',
  },
  powered: {
    low: 'a voltage of {part} below its range: an unplugged connector, no supply, a short to ground, or the sensor itself',
    high: 'a voltage of {part} above its range: a lost ground, a short to supply, or the sensor itself',
  },
  sensor: {
    low: 'a signal of {part} below its range: a short to ground, no supply, or the sensor itself',
    high: 'a signal of {part} above its range: a lost ground, a broken wire, a short to supply, or the sensor itself',
  },
  switch: {
    circuit: 'a signal of {part} that cannot be right',
    range: 'a position of {part} that does not fit what the vehicle is doing',
  },
  driven: {
    circuit: 'a voltage or current in the control circuit of {part} that cannot be right',
    range: 'that {part} or its circuit did not do what was commanded',
    intermittent:
      'the circuit of {part} failing now and then: suspect the connector, its pins and chafed wiring',
    slow: 'that {part} moves too slowly',
    low: 'a voltage in the circuit of {part} below its range: a short to ground, no supply, or the part itself',
    high: 'a voltage in the circuit of {part} above its range: a short to supply, or the part itself',
  },
  other: {
    range: 'a value of {part} that is possible but does not fit the other readings',
  },
  unit: {
    performance: 'that one of its own plausibility checks failed',
    low: 'a voltage at its input below the range',
    high: 'a voltage at its input above the range',
  },
};

const NOX = 'too much NOx behind it: it stores or converts less than it must';
const SOOT = 'too little pressure difference across it, or soot behind it: the filter is cracked or missing';
const OPEN_ONLY = 'no current where it should flow: a connector off, a broken wire, or the part open inside';
const CATALYST =
  'the sensor after the catalyst swinging like the one before it: the catalyst no longer stores oxygen';

/** What the control unit detected where the part's own mechanism must be told: by code, or by `component:failure`. */
export const SAW: Readonly<Record<string, string>> = {
  'catalyst:efficiency': CATALYST,
  'nox-catalyst:efficiency': NOX,
  'nox-trap:efficiency': NOX,
  'particulate-filter:efficiency': SOOT,
  'hydrocarbon-trap:efficiency': 'too much unburnt fuel behind it while the engine was cold',
  'evap:leak-large': 'that no pressure or vacuum could be built up in the fuel tank during its leak test',
  'evap:leak-small':
    'the pressure in the fuel tank changing too fast during its leak test, as through a {1 mm} hole',
  'fuel-water:active': 'water at the bottom of the fuel filter',
  'fuel-composition-sensor:performance': 'that the fuel is not the blend it expects',
  'engine-speed:over-limit': 'a speed above its limit',
  'oxygen-heater:range': 'a heater resistance or current outside its range',
  'friction-element:range': 'that it gripped too late or too early',
  'supply-voltage:unstable': 'the system voltage jumping about',
  'charging:unstable': 'a charging voltage that is not what was commanded',
  'egr-valve:slow': 'the valve moving too slowly',
  'cam-actuator:slow': 'the camshaft moving too slowly to the commanded position',
  'high-voltage-contactor:stuck-on':
    'that the contactor stayed closed: high voltage may be present although the {car} is off',
  'high-voltage-contactor:stuck-off': 'that the contactor did not close when it was switched on',
  'high-voltage-fuse:open': OPEN_ONLY,
  'purge-valve:open': OPEN_ONLY,
  'vent-valve:open': OPEN_ONLY,
  'secondary-air-valve:open': OPEN_ONLY,
  'intake-heater:open': OPEN_ONLY,
  'control-module:off': 'that it was shut down without warning: power was lost before it could save its data',
  'control-module:performance': 'that one of its own plausibility checks failed',
  'control-unit:performance': 'that one of its own plausibility checks failed',
  'hybrid-unit:performance': 'that one of its own plausibility checks failed',
  'hybrid-start:performance': 'that the engine did not run although it was cranked',
  'idle:value-high': 'an idle speed above the one that it commands',
  'idle:value-low': 'an idle speed below the one that it commands',
  'idle:unstable': 'the engine speed jumping about at idle',
  P0893: 'two gears engaged at once',
};
