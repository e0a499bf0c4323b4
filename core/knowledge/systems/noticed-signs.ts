import type { ObservationKey } from '../observations.ts';
import type { Cause } from '../types.ts';

type Strengths = Readonly<Record<string, number>>;

/**
 * What owners notice and say in words of their own, and how often each cause brings it about. Judged, as all strengths
 * are; they stand by the sign and not by the cause, for they are weighed against each other.
 */
export const NOTICED: Readonly<Partial<Record<ObservationKey, Strengths>>> = {
  'sign:hesitates': {
    'coil-boot': 0.35, coil: 0.35, plug: 0.3, 'plugs-overdue': 0.4, 'leads-worn': 0.45, 'maf-dirty': 0.45,
    'fuel-filter': 0.45, 'fuel-pump-weak': 0.5, 'injector-clogged': 0.35, 'throttle-dirty': 0.3, 'pedal-sensor': 0.4,
    'egr-stuck': 0.35, 'tank-low': 0.35, 'bad-fuel': 0.4, 'valve-body': 0.3,
  },
  'sign:surges': {
    'intake-hose-split': 0.3, 'vacuum-hose-off': 0.3, 'fuel-pump-weak': 0.3, 'egr-stuck': 0.35, 'converter-clutch': 0.35,
    'maf-dirty': 0.25, 'purge-stuck': 0.35, 'oxygen-front': 0.2, 'turbo-vanes': 0.25,
  },
  'sign:low-idle': {
    'throttle-dirty': 0.5, 'idle-valve': 0.5, 'throttle-not-learned': 0.45, 'egr-stuck': 0.35, 'air-filter': 0.15,
    'bad-fuel': 0.2,
  },
  'sign:ticks-top': {
    'valve-clearance': 0.7, 'oil-low': 0.3, 'oil-pump-worn': 0.25, 'valve-lift-valve': 0.2, 'cam-adjuster': 0.35,
    'oil-thick-timing': 0.25,
  },
  'sign:uses-oil': {
    'blow-by': 0.75, 'turbo-worn': 0.5, 'breather-stuck': 0.35, 'crankcase-hose': 0.2, compression: 0.3, 'oil-low': 0.6,
  },
  'sign:exhaust-smell': { 'exhaust-leak': 0.5 },
  'sign:cold-smoke': {
    'glow-plug': 0.5, 'glow-relay': 0.5, 'injector-seat': 0.2, 'injector-leaking': 0.25, 'head-gasket': 0.3,
    'diesel-waxed': 0.2,
  },
  'sign:pops': { 'exhaust-leak': 0.45, 'sai-valve': 0.35, 'cam-timing-off': 0.2, 'injector-leaking': 0.2 },
  'gauge:heater': {
    'coolant-low': 0.55, 'air-in-coolant': 0.6, 'thermostat-open': 0.6, 'water-pump': 0.35, 'coolant-valve': 0.5,
    'water-pump-electric': 0.35,
  },
  'sign:fan-runs': {
    'coolant-sensor': 0.6, 'coolant-sensor-wire': 0.6, 'ac-sensor': 0.3, 'radiator-blocked': 0.35, 'cooling-fan': 0.15,
    'dpf-short-trips': 0.3, 'air-in-coolant': 0.2,
  },
  'gauge:jumps': {
    'ground-bad': 0.45, 'fuel-sender': 0.5, 'fuel-sender-wire': 0.45, 'coolant-sensor-wire': 0.3, 'reference-short': 0.3,
    'speed-sensor-wire': 0.3,
  },
  'sign:electrics-odd': {
    'battery-weak': 0.4, 'ground-bad': 0.5, 'unit-wet': 0.5, 'body-unit-water': 0.6, 'ignition-switch': 0.4,
    'fuse-box': 0.4, 'battery-terminal': 0.45, 'bus-wire': 0.35, 'low-12v-hybrid': 0.4,
  },
  'sign:standing': {
    'throttle-dirty': 0.4, 'idle-valve': 0.5, 'vacuum-hose-off': 0.3, 'brake-booster-leak': 0.35, 'egr-stuck': 0.25,
    'intake-gasket': 0.3,
  },
  'sign:ac-on': { 'ac-clutch': 0.4, 'ac-gas-low': 0.3, 'idle-valve': 0.3, 'throttle-dirty': 0.25, alternator: 0.12 },
  'sign:bends': { 'tank-low': 0.45, 'wheel-bearing': 0.6, 'wheel-speed-sensor-wire': 0.3, 'oil-low': 0.3 },
  // What breaks, comes off or blows is there at once; what wears, clogs or ages creeps in. Whatever does either stands at the leak.
  'sign:suddenly': {
    coil: 0.6, 'coil-boot': 0.45, 'maf-unplugged': 0.9, 'iat-unplugged': 0.9, 'vacuum-hose-off': 0.7, 'charge-hose': 0.75,
    'intake-hose-split': 0.45, 'crank-sensor': 0.6, 'cam-timing-off': 0.6, 'pedal-sensor': 0.55, 'drive-belt': 0.6,
    'fuse-box': 0.5, 'named-plug': 0.5, 'bad-fuel': 0.7, 'reference-short': 0.7, 'maf-wiring': 0.5, 'oxygen-heater': 0.6,
    'tank-low': 0.7, alternator: 0.5,
  },
  'sign:creeping': {
    'throttle-dirty': 0.7, 'maf-dirty': 0.65, 'catalyst-worn': 0.6, 'oxygen-front': 0.5, 'oxygen-rear': 0.4, 'air-filter': 0.7,
    'plugs-overdue': 0.65, plug: 0.4, compression: 0.65, 'valve-clearance': 0.6, 'turbo-worn': 0.55, 'injector-clogged': 0.6,
    'fuel-filter': 0.6, 'blow-by': 0.7, 'egr-stuck': 0.45, 'glow-plug': 0.4, 'battery-weak': 0.5, 'dpf-ash': 0.7,
    'fuel-pump-weak': 0.45, 'leads-worn': 0.5,
  },
  'before:key-on': { 'battery-weak': 0.4, 'low-12v-hybrid': 0.35 },
  'before:deep-water': {
    'body-unit-water': 0.5, 'unit-wet': 0.5, 'plug-well-water': 0.3, 'named-plug': 0.2, 'wheel-speed-sensor': 0.12,
    'wheel-speed-sensor-wire': 0.2,
  },
};

/** The causes with what owners notice of them. */
export function withNoticed(causes: readonly Cause[]): Cause[] {
  const byCause = new Map<string, Record<string, number>>();
  for (const [sign, strengths] of Object.entries(NOTICED))
    for (const [cause, strength] of Object.entries(strengths)) {
      const noticed = byCause.get(cause) ?? {};
      noticed[sign] = strength;
      byCause.set(cause, noticed);
    }
  return causes.map((cause) => {
    const noticed = byCause.get(cause.id);
    return noticed ? { ...cause, effects: { ...cause.effects, ...noticed } } : cause;
  });
}
