import type { Cause } from '../types.ts';
import { cause, fix } from './shared.ts';

/** Pedal, throttle body and idle valve. */
export const THROTTLE_CAUSES: readonly Cause[] = [
  cause('pedal-sensor', 'Pedal sensor: its two tracks disagree', 'air', 0.008,
    { 'reading:pedal-tracks': 0.9, 'code:pedal': 0.9, 'code:throttle': 0.1, 'sign:limp': 0.75, 'sign:weak': 0.3, 'before:washed': 0.2 },
    fix('Clean the connector or replace the pedal sensor', 75, 30, ['battery'], [])),
  cause('throttle-wire', 'Throttle body connector or wiring faulty', 'air', 0.005,
    { 'reading:throttle-lags': 0.4, 'code:throttle': 0.8, 'code:pedal': 0.12, 'sign:limp': 0.65, 'sign:stalls': 0.3, 'before:worked-on': 0.35 },
    fix('Repair the throttle’s connector or wiring', 6, 40, ['cold-engine', 'battery'], ['The pins must be bright, none pushed back, and the wire not rubbed.', 'Repair it, seal it, and clear the code.'], ['hand-tools', 'multimeter'])),
  cause('throttle-not-learned', 'Throttle has lost its learned positions', 'air', 0.006,
    { 'code:throttle': 0.35, 'code:idle': 0.5, 'code:computer': 0.2, 'sign:rough-idle': 0.4, 'sign:high-idle': 0.45, 'before:battery': 0.7, 'before:worked-on': 0.4 },
    fix('Let the throttle relearn its positions', 0, 10, [], [], []), { isPassing: true }),
  cause('idle-valve', 'Idle air control valve sticking with carbon', 'air', 0.008,
    { 'code:idle': 0.85, 'sign:stalls': 0.5, 'sign:rough-idle': 0.5, 'sign:high-idle': 0.3, 'sign:cold': 0.25 },
    fix('Clean or replace the idle valve', 60, 40, ['cold-engine', 'spray'], [])),
];
