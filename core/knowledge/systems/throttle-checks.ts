import type { Check } from '../types.ts';
import { look } from './shared.ts';

export const THROTTLE_CHECKS: readonly Check[] = [
  look('pedal-plug-look', 'Look at the plug above the pedal', 'air', 6, 'Ignition off, footwell: plug home, pins bright, wet or green?', ['Dry and bright', 'Not its plug.'], ['Green, wet or loose', 'Clean it, and read again.'], { 'pedal-sensor': 0.35 }),
  look('pedal-slow', 'Press the pedal slowly and watch both tracks', 'air', 4, 'Ignition on, engine off: press in ten seconds. Both tracks rise smoothly and keep their ratio?', ['Smooth, ratio kept', 'The pedal sensor is well.'], ['A jump, or the ratio breaks', 'The pedal sensor is worn.'], { 'pedal-sensor': 0.9, 'throttle-actuator': 0.3 }),
  look('throttle-plug-look', 'Look at the throttle body’s plug', 'air', 8, 'Ignition off, cold: pins bright, none pushed back, wire not rubbed?', ['Sound', 'Not its plug.'], ['Bad pin, or rubbed', 'That is it.'], { 'throttle-wire': 0.75 }, { cautions: ['cold-engine'] }),
  look('throttle-wiggle', 'Wiggle the throttle’s loom and watch its reading', 'air', 6, 'Ignition on, engine off: bend the loom near the plug. Does the throttle reading jump?', ['Steady', 'The wire holds.'], ['Jumps', 'A break in the wire.'], { 'throttle-wire': 0.7, 'throttle-actuator': 0.12 }, { cautions: ['moving-parts'] }),
  look('throttle-ends', 'Throttle reading shut and fully open', 'air', 4, 'Ignition on, engine off: shut within the manual’s few per cent, fully open above about 80 %?', ['Both ends right', 'It knows its ends.'], ['One end is off', 'It has to learn them, or it is dirty.'], { 'throttle-not-learned': 0.7, 'throttle-dirty': 0.4, 'throttle-actuator': 0.4 }),
  look('battery-recall', 'Was the battery off before it began?', 'air', 1, 'Battery changed, flat, or the throttle cleaned in the days before?', ['No', 'Nothing was forgotten.'], ['Yes', 'It may have to learn again.'], { 'throttle-not-learned': 0.8, 'steering-angle': 0.6, 'window-learn': 0.8 }, { base: 0.1 }),
  look('idle-valve-out', 'Take the idle valve out and turn it', 'air', 25, 'Cold: black inside, does its flap turn back by itself?', ['Clean and free', 'Not the idle valve.'], ['Black and sticky', 'Clean it.'], { 'idle-valve': 0.85 }, { tools: ['hand-tools'], cautions: ['cold-engine'] }),
  look('idle-tap', 'Tap the idle valve while it idles', 'air', 4, 'With a screwdriver’s handle, gently: does the idle change at once?', ['No change', 'It does not stick there.'], ['It changes', 'It sticks.'], { 'idle-valve': 0.5 }, { cautions: ['moving-parts', 'exhaust-gas'] }),
];
