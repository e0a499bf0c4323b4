import type { Mode } from './car-plan.ts';
import type { FaultKind } from './faults.ts';

/** When the control unit's own test of a fault runs: all the time, while it runs, or in one mode of a drive. */
type When = 'always' | 'running' | 'warm-idle' | Mode;

/** Which code each fault sets, and when the car notices. Misfire and mixture are judged from what is measured. */
export const TESTS_OF_FAULTS: readonly { fault: FaultKind; code: string; when: When }[] = [
  { fault: 'intake-temperature-unplugged', code: 'P0113', when: 'always' },
  { fault: 'coolant-sensor-open', code: 'P0118', when: 'always' },
  { fault: 'air-pressure-wrong', code: 'P2227', when: 'always' },
  { fault: 'pedal-track', code: 'P2138', when: 'always' },
  { fault: 'gear-valve', code: 'P0700', when: 'always' },
  { fault: 'air-flow-unplugged', code: 'P0102', when: 'running' },
  { fault: 'battery-weak', code: 'P0562', when: 'running' },
  { fault: 'alternator-dead', code: 'P0562', when: 'running' },
  { fault: 'regulator', code: 'P0562', when: 'running' },
  { fault: 'pressure-stuck', code: 'P0106', when: 'hill' },
  { fault: 'throttle-sticks', code: 'P2101', when: 'hill' },
  { fault: 'air-flow-dirty', code: 'P0101', when: 'hill' },
  { fault: 'thermostat-open', code: 'P0128', when: 'cruise' },
  { fault: 'front-oxygen-lazy', code: 'P0133', when: 'cruise' },
  { fault: 'catalyst-worn', code: 'P0420', when: 'cruise' },
  { fault: 'charge-hose', code: 'P0299', when: 'hill' },
  { fault: 'charge-hose', code: 'P0101', when: 'cruise' },
  { fault: 'egr-stuck', code: 'P0402', when: 'warm-idle' },
  { fault: 'filter-full', code: 'P2463', when: 'cruise' },
  { fault: 'filter-ash', code: 'P242F', when: 'cruise' },
  { fault: 'filter-cracked', code: 'P2002', when: 'cruise' },
  { fault: 'rail-weak', code: 'P0087', when: 'hill' },
  { fault: 'glow-plug', code: 'P0380', when: 'always' },
];
