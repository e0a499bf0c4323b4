import { COMPONENTS, FAILURES, codeEntry } from '@pincer/core/codes';
import { findingOfCode } from './code-keys.ts';
import { observationKind } from './observations.ts';

/** How soon a self-check has usually run, from what starts it. */
export type RunsWithin =
  /** Seconds after key-on: a wire, a sensor's range. */
  | 'key-on'
  /** On any drive of some minutes. */
  | 'drive'
  /** On some drives and not on others: it wants rest, warmth or a steady road. */
  | 'some-drives';

/** A self-check of the standard's, and when it runs. Makers differ in the figures. */
export interface SelfCheck {
  /** As the readiness of the standard names it; more than one where petrol and diesel differ (SAE J1979, PID 01). */
  monitors: readonly string[];
  name: string;
  /** Its usual enabling conditions. */
  runs: string;
  within: RunsWithin;
  /** Whether it runs on a warm engine only, or on a cold one only; left out where it runs on either. */
  warmth?: 'warm' | 'cold';
}

const SELF_CHECKS = {
  misfire: {
    monitors: ['misfire'],
    name: 'Misfire',
    runs: 'all the time the engine runs',
    within: 'drive',
  },
  fuel: {
    monitors: ['fuel'],
    name: 'Fuel system',
    runs: 'continuously, once in closed loop (mixture controlled by the oxygen sensor)',
    within: 'drive',
    warmth: 'warm',
  },
  components: {
    monitors: ['components'],
    name: 'Components',
    runs: 'all the time the ignition is on',
    within: 'drive',
  },
  wire: {
    monitors: ['components'],
    name: 'Components',
    runs: 'all the time the ignition is on',
    within: 'key-on',
  },
  catalyst: {
    monitors: ['catalyst', 'nmhc-catalyst'],
    name: 'Catalyst',
    runs: 'warm, several minutes at a steady {60–100 km/h}',
    within: 'some-drives',
    warmth: 'warm',
  },
  evaporative: {
    monitors: ['evaporative'],
    name: 'EVAP system',
    runs: 'after 6 to 8 hours parked, tank 15 to 85 % full, started below about {35 °C}, then steady driving',
    within: 'some-drives',
  },
  'oxygen-sensor': {
    monitors: ['oxygen-sensor', 'exhaust-sensor'],
    name: 'Oxygen sensor',
    runs: 'warm, several minutes at a steady {60 to 100 km/h} with coasting in between',
    within: 'some-drives',
    warmth: 'warm',
  },
  'oxygen-heater': {
    monitors: ['oxygen-heater', 'exhaust-sensor'],
    name: 'Oxygen sensor heater',
    runs: 'in the first minutes after a cold start',
    within: 'drive',
    warmth: 'cold',
  },
  egr: {
    monitors: ['egr'],
    name: 'EGR',
    runs: 'warm, cruising and coasting down',
    within: 'some-drives',
    warmth: 'warm',
  },
  particulate: {
    monitors: ['particulate-filter'],
    name: 'Particulate filter',
    runs: 'warm, twenty minutes or more at a steady speed',
    within: 'some-drives',
    warmth: 'warm',
  },
  nox: {
    monitors: ['nox'],
    name: 'NOx treatment',
    runs: 'warm, after some {kilometres} at a steady speed; not in hard frost',
    within: 'some-drives',
    warmth: 'warm',
  },
  secondary: {
    monitors: ['secondary-air'],
    name: 'Secondary air',
    runs: 'once at each cold start',
    within: 'some-drives',
    warmth: 'cold',
  },
  glow: { monitors: ['components'], name: 'Components', runs: 'at key-on, cold', within: 'key-on' },
} as const satisfies Record<string, SelfCheck>;

/** Self-checks that belong to a whole system, where the code's own observation names none. */
const OF_AREA: Readonly<Record<string, keyof typeof SELF_CHECKS>> = {
  particulate: 'particulate',
  nox: 'nox',
  secondary: 'secondary',
  glow: 'glow',
};

/**
 * The self-check that finds a code; null for codes of other systems than the engine's, which the standard's readiness
 * says nothing of, and for codes that nothing is known of.
 */
export function selfCheckOf(code: string): SelfCheck | null {
  const found = findingOfCode(code);
  const entry = codeEntry(code);
  const monitor = found ? observationKind(found.key).monitor : undefined;
  if (monitor !== undefined && monitor !== 'components') return SELF_CHECKS[monitor];
  if (!entry || !code.startsWith('P')) return monitor === undefined ? null : SELF_CHECKS.components;
  const ofArea = OF_AREA[COMPONENTS[entry.component].area];
  if (monitor === undefined && ofArea !== undefined) return SELF_CHECKS[ofArea];
  return FAILURES[entry.failure].kind === 'electrical' ? SELF_CHECKS.wire : SELF_CHECKS.components;
}
