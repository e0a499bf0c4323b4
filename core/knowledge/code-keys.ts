import { COMPONENTS, FAILURES, codeEntry, type CodeEntry } from '@pincer/core/codes';
import type { ObservationKey } from './observations.ts';

type ComponentId = CodeEntry['component'];

/** Codes of these parts are one observation each, whatever the way of failing. */
const KEYS: readonly (readonly [ObservationKey, readonly ComponentId[]])[] = [
  ['code:manifold-pressure', ['manifold-pressure-sensor']],
  ['code:intake-temperature', ['intake-temperature-sensor']],
  ['code:coolant-temperature', ['coolant-temperature-sensor']],
  ['code:runs-cold', ['thermostat', 'thermostat-heater']],
  ['code:air-flow-range', ['throttle-correlation', 'intake-air']],
  ['code:throttle', ['throttle-actuator', 'throttle-limit', 'throttle-unit', 'throttle-air', 'idle-switch', 'pedals']],
  ['code:idle', ['idle', 'engine-speed']],
  ['code:lean', ['intake-leak']],
  ['code:fuel-pressure', ['fuel-pressure', 'fuel-regulator', 'fuel-pump']],
  ['code:rail-sensor', ['fuel-rail-sensor', 'fuel-pressure-sensor', 'injection-pressure-sensor']],
  ['code:injection-pump', ['injection-pump', 'injection-timing', 'injection-pressure', 'injection-pressure-valve', 'fuel-relief-valve']],
  ['code:fuel-shutoff', ['engine-shutoff', 'fuel-shutoff', 'fuel-cut', 'fuel-mode-lamp']],
  ['code:fuel-heat', ['fuel-temperature-sensor', 'fuel-supply-heater', 'fuel-cooler-pump', 'fuel-heater']],
  ['code:fuel-water', ['fuel-water', 'fuel-water-sensor']],
  ['code:fuel-level', ['fuel-level-sensor', 'fuel-level-output']],
  ['code:fuel-kind', ['fuel-composition-sensor']],
  ['code:injector-supply', ['injector-supply', 'cold-start-injector', 'air-assist-injector']],
  ['code:oxygen-heater', ['oxygen-heater']],
  ['code:oxygen-front', ['wide-band-sensor']],
  ['code:sensors-swapped', ['oxygen-sensor-pair']],
  ['code:exhaust-flap', ['exhaust-pressure-sensor', 'exhaust-pressure-valve', 'hydrocarbon-trap', 'ozone-sensor']],
  ['code:catalyst', ['catalyst']],
  ['code:purge', ['purge-valve', 'purge-flow-sensor']],
  ['code:vent-valve', ['vent-valve', 'evap-switching-valve']],
  ['code:tank-pressure', ['tank-pressure-sensor', 'vapour-temperature-sensor']],
  ['code:leak-pump', ['leak-pump']],
  ['code:cap-open', ['fuel-cap-sensor', 'fuel-cap-lamp']],
  ['code:egr', ['egr-flow', 'egr-valve', 'egr-sensor', 'egr-cooler', 'egr-cooler-valve', 'egr-temperature-sensor']],
  ['code:crank-sensor', ['crank-sensor']],
  ['code:cam-sensor', ['cam-sensor']],
  ['code:cam-timing', ['cam-timing', 'cam-actuator', 'cam-profile', 'rocker-actuator', 'valve-control']],
  ['code:knock-sensor', ['knock-sensor']],
  ['code:knocking', ['knock']],
  ['code:spark-signal', ['distributor', 'ignition-timing-signal', 'ignition-timing', 'rough-road-sensor']],
  ['code:cylinder-cut', ['cylinder-cut']],
  ['code:crankcase', ['crankcase-pressure-sensor']],
  ['code:air-pressure', ['air-pressure-sensor', 'vacuum-sensor']],
  ['code:charge-heat', ['charge-air-temperature-sensor']],
  ['code:outside-heat', ['outside-temperature-sensor']],
  ['code:intake-heater', ['intake-heater', 'air-inlet-valve']],
  ['code:turbo-speed', ['turbine-speed-sensor']],
  ['code:boost-circuit', ['boost-sensor', 'boost-control', 'boost-bypass', 'boost-position-sensor', 'wastegate']],
  ['code:runner', ['intake-runner', 'intake-runner-sensor', 'intake-tuning-valve', 'intake-tuning-sensor']],
  ['code:secondary-air', ['secondary-air', 'secondary-air-valve', 'secondary-air-pump', 'secondary-air-sensor']],
  ['code:nox', ['nox-sensor', 'nox-heater', 'nox-catalyst', 'nox-trap']],
  ['code:exhaust-heat', ['exhaust-temperature-sensor', 'catalyst-temperature-sensor', 'exhaust-temperature']],
  ['code:particulate', ['particulate-filter', 'particulate-cleaning', 'soot-sensor']],
  ['code:filter-sensor', ['particulate-sensor']],
  ['code:glow', ['glow-plugs', 'glow-lamp']],
  ['code:oil-pressure', ['oil-pressure', 'oil-pressure-sensor']],
  ['code:oil-heat', ['oil-temperature-sensor']],
  ['code:oil-valve', ['oil-pump']],
  ['code:coolant', ['coolant-level', 'coolant-level-sensor', 'cooling-fan', 'fan-speed-sensor']],
  ['code:coolant-pump', ['coolant-pump', 'coolant-bypass-valve', 'coolant-vent-valve', 'cooling-system', 'radiator-temperature-sensor']],
  ['code:reference', ['reference-voltage']],
  ['code:supply-voltage', ['supply-voltage', 'battery-voltage', 'charging', 'alternator']],
  ['code:charging-line', ['charging-lamp', 'battery-temperature-sensor']],
  ['code:main-relay', ['ignition-switch', 'power-relay', 'actuator-supply']],
  ['code:starting', ['starter-relay', 'starter-lock']],
  ['code:immobiliser', ['immobiliser', 'immobiliser-lamp']],
  ['code:speed', ['speed-sensor', 'speed-output']],
  ['code:cruise', ['cruise-control', 'cruise-lamp']],
  ['code:brake-switch', ['brake-switch', 'brake-pedal-switch', 'brake-pedal-sensor', 'stop-lamp']],
  ['code:clutch-switch', ['clutch-switch']],
  ['code:climate', ['ac-pressure-sensor', 'ac-relay', 'ac-request', 'ac-unit', 'ac-valve', 'evaporator-temperature-sensor']],
  ['code:steering-pump', ['steering-pump', 'steering-pressure-sensor']],
  ['code:booster', ['brake-booster', 'booster-pressure-sensor']],
  ['code:torque-signal', ['torque-request', 'torque-feedback', 'traction-input']],
  ['code:lamp-circuit', ['warning-lamp', 'hot-engine-lamp', 'brake-warning-lamp', 'engine-speed-output', 'cam-signal-output', 'crank-signal-output', 'throttle-signal-output', 'range-display', 'reverse-output', 'event-recorder']],
  ['code:unit-silent', ['data-bus', 'serial-link', 'driver-display']],
  ['code:wheel-speed', ['wheel-speed-sensor', 'wheel-ring']],
  ['code:steering-angle', ['steering-angle-sensor']],
  ['code:brake-hydraulics', ['brakes', 'brake-fluid', 'brake-valve', 'traction-valve', 'brake-pump', 'brake-pressure-sensor']],
  ['code:stability-sensor', ['sideways-sensor', 'lengthways-sensor', 'yaw-sensor', 'roll-sensor', 'traction-switch']],
  ['code:tyre-pressure', ['tyre-pressure', 'tyre-size']],
  ['code:restraints', ['airbag', 'belt-tensioner', 'belt-sensor', 'crash-sensor', 'seat-occupancy']],
  ['code:gear-ratio', ['gear', 'friction-element', 'skip-shift']],
  ['code:converter', ['converter-clutch', 'converter-pressure-solenoid']],
  ['code:gear-valve', ['pressure-solenoid', 'shift-solenoid', 'shift-timing-solenoid']],
  ['code:gear-speed', ['input-speed-sensor', 'output-speed-sensor', 'shaft-speed-sensor', 'engine-speed-input']],
  ['code:gear-range', ['range-sensor', 'park-switch', 'drive-switch', 'gear-lever-sensor', 'shift-module', 'shift-lock', 'shift-switch', 'manual-mode', 'mode-switch', 'reverse-switch', 'reverse-lock']],
  ['code:gear-fluid', ['fluid-temperature-sensor', 'fluid-pressure', 'fluid-pressure-sensor', 'fluid-cooler']],
  ['code:clutch-actuator', ['clutch', 'clutch-actuator', 'clutch-position-sensor', 'gate-sensor', 'gate-actuator', 'gate-direction', 'shift-position-sensor', 'shift-actuator', 'shift-direction', 'hydraulic-unit', 'hydraulic-pump', 'hydraulic-pressure-sensor', 'hydraulic-temperature-sensor']],
  ['code:four-wheel', ['transfer-case', 'four-wheel-switch', 'driveline-switch']],
  ['code:gearbox', ['transmission-unit']],
  ['code:gearbox-asks', ['transmission']],
  ['code:high-voltage', ['high-voltage-isolation', 'high-voltage-interlock', 'high-voltage-contactor', 'high-voltage-fuse', 'battery-cut-off']],
  ['code:traction-battery', ['traction-battery', 'traction-battery-fan', 'traction-battery-sensor', 'traction-battery-current']],
  ['code:hybrid-cooling', ['inverter-cooling', 'electronics-coolant-pump', 'electronics-temperature-sensor']],
  ['code:dc-converter', ['dc-converter']],
  ['code:hybrid-motor', ['inverter', 'electric-motor', 'motor-electronics', 'motor-temperature-sensor', 'motor-position-sensor', 'motor-current-sensor', 'motor-torque-sensor', 'generator-torque-sensor', 'hybrid-unit', 'hybrid-start', 'engine-mount']],
];

const KEY_OF_COMPONENT: ReadonlyMap<ComponentId, ObservationKey> = new Map(
  KEYS.flatMap(([key, components]) => components.map((component) => [component, key] as const)),
);

const ELECTRICAL: ReadonlySet<CodeEntry['failure']> = new Set(['circuit', 'low', 'high', 'intermittent', 'open']);

/** A control unit that fails inside, or was not taught, is the same story in every system. */
const INSIDE: ReadonlySet<CodeEntry['failure']> = new Set(['memory', 'program', 'processor', 'not-learned', 'software']);

/** Whose data the others find senseless, by the unit's name. */
const SENDERS: readonly (readonly [RegExp, ObservationKey])[] = [
  [/gearbox|gear lever|transfer case|four-wheel|differential/, 'code:nonsense-gearbox'],
  [/engine|injector|throttle|glow|fuel|coolant temperature|cruise/, 'code:nonsense-engine'],
  [/brake|stability|yaw|acceleration|steering angle/, 'code:nonsense-brakes'],
];

function keyOfUnit({ failure, place }: CodeEntry): ObservationKey {
  if (failure === 'lost' || failure === 'off') return 'code:unit-silent';
  if (INSIDE.has(failure)) return 'code:computer';
  return SENDERS.find(([name]) => name.test(place.label ?? ''))?.[1] ?? 'code:unit-nonsense';
}

/** Parts whose place or way of failing makes another observation of them. */
function keyByPlace(entry: CodeEntry): ObservationKey | null {
  const { component, failure, place } = entry;
  switch (component) {
    case 'combustion':
      return place.cylinder === undefined ? 'code:misfire-several' : 'code:misfire-same';
    case 'coil':
      return place.cylinder === undefined ? 'code:spark-signal' : 'code:coil-same';
    case 'injector':
      return place.cylinder === undefined ? 'code:injector-supply' : 'code:injector-same';
    case 'fuel-trim':
      return failure === 'rich' ? 'code:rich' : 'code:lean';
    case 'air-flow-sensor':
      return ELECTRICAL.has(failure) ? 'code:air-flow-circuit' : 'code:air-flow-range';
    case 'engine-temperature':
      return failure === 'not-warm' ? 'code:runs-cold' : 'code:overheat';
    case 'oxygen-sensor':
      return place.sensor === 1 ? 'code:oxygen-front' : 'code:oxygen-rear';
    case 'evap':
      return failure === 'flow-wrong' || failure === 'flow-high' || failure === 'flow-low' ? 'code:purge' : 'code:evap-leak';
    case 'boost':
      return failure === 'value-high' || failure === 'over-limit' ? 'code:boost-high' : 'code:boost-low';
    case 'throttle-sensor':
      // Tracks A to C sit at the throttle, D to F at the pedal.
      return /^[DEF]\b/.test(place.label ?? '') ? 'code:pedal' : 'code:throttle';
    case 'supply-voltage':
    case 'battery-voltage':
    case 'charging':
    case 'alternator':
      return failure === 'value-high' ? 'code:supply-high' : 'code:supply-voltage';
    case 'unit':
      return keyOfUnit(entry);
    default:
      return null;
  }
}

/** By the catalogue's structure: which observation a described code is. */
export function keyOfEntry(entry: CodeEntry): ObservationKey {
  const { component, failure } = entry;
  const special = keyByPlace(entry);
  if (special) return special;
  if (INSIDE.has(failure) && COMPONENTS[component].area !== 'restraints') return 'code:computer';
  const own = KEY_OF_COMPONENT.get(component);
  if (own) return own;
  if (COMPONENTS[component].area === 'transmission') return 'code:gearbox';
  if (component.startsWith('reductant')) return 'code:reductant';
  const { kind } = FAILURES[failure];
  return kind === 'computer' ? 'code:computer' : kind === 'behaviour' ? 'code:part-behaviour' : 'code:part-electrical';
}

/**
 * The observation that a code is, and the cylinder it names.
 * @returns null for codes that the catalogue does not describe.
 */
export function findingOfCode(code: string): { key: ObservationKey; cylinder: number | null } | null {
  const entry = codeEntry(code);
  return entry ? { key: keyOfEntry(entry), cylinder: entry.place.cylinder ?? null } : null;
}
