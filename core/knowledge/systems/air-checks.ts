import type { Check } from '../types.ts';
import { found } from './shared.ts';

export const AIR_CHECKS: readonly Check[] = [
  {
    id: 'maf-plug-look', title: 'Check the air flow sensor connector', scope: 'engine', system: 'air', minutes: 3, cost: 0, tools: [], cautions: ['cold-engine'],
    how: 'Ignition off. The sensor sits in the pipe just after the air filter. Check that its connector is on, its catch closed and its pins clean.',
    outcomes: [found('on', 'On and clean', 'It is not simply unplugged.'), found('off', 'Off or half on', 'Push it on: that may be all it needs.'), found('pins', 'Green or bent pins', 'Clean the contacts first.')],
    otherwise: [0.96, 0.01, 0.03], given: { 'maf-unplugged': [0.01, 0.97, 0.02], 'maf-wiring': [0.75, 0.02, 0.23] },
  },
  {
    id: 'maf-supply', title: 'Measure supply and ground at the air flow sensor connector', scope: 'engine', system: 'air', minutes: 12, cost: 0, tools: ['multimeter'], cautions: ['battery'],
    how: 'Unplug it and switch the ignition on: 12 V (or 5 V) at the supply pin and under 0.1 V at ground is normal.',
    outcomes: [found('right', 'Both right', 'The wiring brings what the sensor needs.'), found('wrong', 'One is missing', 'A wire or a fuse is at fault.')],
    otherwise: [0.96, 0.04], given: { 'maf-wiring': [0.2, 0.8] },
  },
  {
    id: 'maf-rev', title: 'Read air flow at idle and at 2,500 rpm', scope: 'engine', system: 'air', minutes: 6, cost: 0, tools: [], cautions: ['moving-parts', 'exhaust-gas'],
    how: 'Warm engine, in neutral. Note the air flow at idle and at 2,500 rpm. At warm idle about 1 to 2 g/s per {litre} of engine size; three to four times that at 2,500 rpm.',
    outcomes: [found('fits', 'Both fit', 'The sensor measures well.'), found('low', 'Low at both', 'The sensor is dirty, or air gets in after it.'), found('none', 'None', 'There is no signal: connector, wiring or sensor.')],
    otherwise: [0.93, 0.05, 0.02],
    given: { 'maf-dirty': [0.2, 0.78, 0.02], 'maf-failed': [0.1, 0.35, 0.55], 'maf-unplugged': [0.02, 0.03, 0.95], 'maf-wiring': [0.05, 0.1, 0.85], 'intake-hose-split': [0.35, 0.63, 0.02], 'vacuum-hose-off': [0.5, 0.48, 0.02], 'intake-gasket': [0.55, 0.43, 0.02] },
  },
  {
    id: 'maf-clean', title: 'Clean the air flow sensor, drive, compare the fuel trims', scope: 'engine', system: 'air', minutes: 30, needsDriving: true, cost: 2, tools: ['cleaner-spray'], cautions: ['spray', 'cold-engine', 'driving'],
    how: 'Use air flow sensor cleaner only, do not touch the element, and let it dry. Then see whether the fuel trims come back towards zero.',
    outcomes: [found('same', 'Trims as before', 'It was not dirt.'), found('better', 'Trims come back', 'It was dirt: repaired, but look at the air filter.')],
    otherwise: [0.95, 0.05], given: { 'maf-dirty': [0.15, 0.85], 'maf-failed': [0.85, 0.15] },
  },
  {
    id: 'hose-look', title: 'Bend the intake hose and look for cracks in its folds', scope: 'engine', system: 'air', minutes: 8, cost: 0, tools: [], cautions: ['cold-engine'],
    how: 'From the air flow sensor to the throttle, bend each fold open, look underneath and feel the clips.',
    outcomes: [found('whole', 'Sound, clips tight', 'The large hose is sound.'), found('split', 'Split or loose', 'Air that is not measured gets in there.')],
    otherwise: [0.96, 0.04], given: { 'intake-hose-split': [0.15, 0.85] },
  },
  {
    id: 'hose-follow', title: 'Follow every vacuum hose, pull at each end', scope: 'engine', system: 'air', minutes: 15, cost: 0, tools: [], cautions: ['vacuum-hose', 'cold-engine'],
    how: 'Engine off and cool. Follow each thin hose from end to end and look for hard, split or loose ends.',
    outcomes: [found('whole', 'All on and soft', 'No hose is open.'), found('off', 'One off or split', 'That is a leak.')],
    otherwise: [0.92, 0.08], given: { 'vacuum-hose-off': [0.15, 0.85], 'breather-stuck': [0.75, 0.25] },
  },
  {
    id: 'hose-pinch', title: 'Pinch each vacuum hose and watch the fuel trim', scope: 'engine', system: 'air', minutes: 12, cost: 0, tools: [], cautions: ['moving-parts', 'exhaust-gas', 'vacuum-hose'],
    how: 'Let the warm engine idle outdoors and watch the short-term fuel trim. Pinch one soft rubber hose at a time for ten seconds with padded pliers, then let go. Leave fuel, coolant and brake hoses alone, and do not pinch hard plastic: it breaks.',
    outcomes: [found('same', 'The trim stays at each', 'Behind those hoses nothing lets air in.'), found('falls', 'The trim falls at one hose', 'What lies behind that hose lets air in: follow it to its end.')],
    otherwise: [0.94, 0.06],
    given: { 'vacuum-hose-off': [0.3, 0.7], 'breather-stuck': [0.25, 0.75], 'purge-stuck': [0.2, 0.8] },
  },
  {
    id: 'leak-spray', title: 'Soapy water on the intake joints while it idles', scope: 'engine', system: 'air', minutes: 15, cost: 1, tools: ['brake-cleaner'], cautions: ['moving-parts', 'exhaust-gas', 'spray'],
    how: 'Let the engine idle outdoors. Wet each joint briefly, one at a time, and listen for a change of the sound or the idle.',
    outcomes: [found('calm', 'No change anywhere', 'A leak is less likely.'), found('manifold', 'Changes at the manifold', 'The gasket leaks.'), found('hose', 'Changes at a hose', 'That hose leaks.')],
    otherwise: [0.92, 0.04, 0.04],
    given: { 'intake-gasket': [0.2, 0.75, 0.05], 'vacuum-hose-off': [0.2, 0.05, 0.75], 'intake-hose-split': [0.3, 0.05, 0.65], 'breather-stuck': [0.5, 0.1, 0.4], 'brake-booster-leak': [0.6, 0.05, 0.35] },
  },
  {
    id: 'trims-compare', title: 'Compare the fuel trims at idle and at 2,500 rpm', scope: 'engine', system: 'air', minutes: 8, cost: 0, tools: [], cautions: ['moving-parts', 'exhaust-gas'],
    how: 'Engine warm: add short-term and long-term trim at idle, then after a minute at 2,500 rpm.',
    outcomes: [found('sound', 'Within ±10 % at both', 'The mixture is right without load.'), found('idle', 'Lean at idle, recovers', 'A vacuum leak after the throttle: it matters less the more air the engine takes in.'), found('load', 'Lean, grows with speed', 'Too little fuel, or air flow measured too low.'), found('rich', 'Below −10 %', 'Too much fuel.')],
    otherwise: [0.86, 0.05, 0.05, 0.04],
    given: {
      'vacuum-hose-off': [0.08, 0.85, 0.05, 0.02], 'intake-gasket': [0.1, 0.82, 0.06, 0.02], 'intake-hose-split': [0.1, 0.6, 0.28, 0.02], 'breather-stuck': [0.15, 0.8, 0.03, 0.02], 'brake-booster-leak': [0.1, 0.83, 0.05, 0.02], 'oil-cap-open': [0.3, 0.65, 0.03, 0.02], 'purge-stuck': [0.25, 0.45, 0.02, 0.28],
      'maf-dirty': [0.15, 0.1, 0.73, 0.02], 'fuel-filter': [0.15, 0.05, 0.78, 0.02], 'fuel-pump-weak': [0.12, 0.06, 0.8, 0.02], 'injector-leaking': [0.15, 0.02, 0.03, 0.8], 'regulator-leaking': [0.1, 0.02, 0.03, 0.85], 'map-failed': [0.4, 0.05, 0.15, 0.4],
    },
  },
  {
    id: 'booster-press', title: 'Press the brake pedal at idle and listen', scope: 'engine', system: 'air', minutes: 3, cost: 0, tools: [], cautions: ['exhaust-gas'],
    how: 'Parked, in park or neutral, parking brake on. Press and hold the pedal: is there a hiss, or does the idle change?',
    outcomes: [found('same', 'Nothing changes', 'The booster is tight.'), found('changes', 'Hiss or idle changes', 'The booster or its hose leaks: have it checked, the brakes depend on it.')],
    otherwise: [0.97, 0.03], given: { 'brake-booster-leak': [0.15, 0.85] },
  },
  {
    id: 'breather-shake', title: 'Pull the breather valve and shake it', scope: 'engine', system: 'air', minutes: 8, cost: 0, tools: [], cautions: ['cold-engine', 'vacuum-hose'],
    how: 'Engine off: pull the valve out and shake it. A good valve rattles and lets you blow one way only.',
    outcomes: [found('rattles', 'Rattles, one way only', 'The valve works.'), found('stuck', 'Silent, or open both ways', 'The valve is stuck.')],
    otherwise: [0.95, 0.05], given: { 'breather-stuck': [0.12, 0.88] },
  },
  {
    id: 'caps-look', title: 'Check that the oil cap is closed and the dipstick seated', scope: 'engine', system: 'air', minutes: 2, cost: 0, tools: [], cautions: ['cold-engine'],
    how: 'Turn the oil cap fully home, look at its seal, and push the dipstick in.',
    outcomes: [found('shut', 'Both closed', 'They are not the cause.'), found('open', 'One was open', 'That lets air in: clear the code and watch.')],
    otherwise: [0.985, 0.015], given: { 'oil-cap-open': [0.03, 0.97] },
  },
  {
    id: 'filter-look', title: 'Take the air filter out and look', scope: 'engine', system: 'air', minutes: 6, cost: 0, tools: [], cautions: ['cold-engine'],
    how: 'Hold the filter against the light, and look for leaves or a nest in the box.',
    outcomes: [found('clean', 'Light comes through', 'The filter is good.'), found('blocked', 'Dark or blocked', 'Fit a new one.')],
    otherwise: [0.92, 0.08], given: { 'air-filter': [0.04, 0.96], 'maf-dirty': [0.75, 0.25] },
  },
  {
    id: 'map-key-on', title: 'Manifold pressure with the key on, engine off', scope: 'engine', system: 'air', minutes: 3, cost: 0, tools: [], cautions: [],
    how: 'It must equal atmospheric pressure: about {101 kPa} at sea level, {1.2 kPa} less for each {100 m} of altitude.',
    outcomes: [found('equal', 'Equal within {4 kPa}', 'The sensor reads true at rest.'), found('off', 'Off by more', 'The sensor, its hose or its supply is at fault.')],
    otherwise: [0.97, 0.03], given: { 'map-failed': [0.3, 0.7] },
  },
  {
    id: 'iat-plug-look', title: 'Look at the intake air temperature sensor connector', scope: 'engine', system: 'air', minutes: 3, cost: 0, tools: [], cautions: ['cold-engine'],
    how: 'It sits in the intake pipe or inside the air flow sensor. Check that the connector is on, its catch closed and its pins clean.',
    outcomes: [found('on', 'On and clean', 'It is not simply unplugged.'), found('off', 'Off or half on', 'Push it on: that may be all it needs.')],
    otherwise: [0.985, 0.015], given: { 'iat-unplugged': [0.02, 0.98] },
  },
  {
    id: 'iat-ohms', title: 'Measure the intake air temperature sensor', scope: 'engine', system: 'air', minutes: 8, cost: 0, tools: ['multimeter'], cautions: ['cold-engine'],
    how: 'Unplug it: 2 to 3 kΩ at {20 °C} is normal, less when warmer. Warm it in your hand: the value must fall.',
    outcomes: [found('right', 'Right, and it falls', 'The sensor is sound: check its connector and wiring.'), found('open', 'Open or far off', 'The sensor has failed.')],
    otherwise: [0.97, 0.03], given: { 'iat-failed': [0.3, 0.7] },
  },
  {
    id: 'throttle-look', title: 'Look at the throttle plate', scope: 'engine', system: 'air', minutes: 12, cost: 0, tools: ['hand-tools'], cautions: ['cold-engine'],
    how: 'Ignition off, intake hose off: look for a black crust round the edge of the plate.',
    outcomes: [found('clean', 'Clean', 'Dirt is not the cause.'), found('crust', 'Black crust', 'Clean it; the idle has to be relearned.')],
    otherwise: [0.72, 0.28], given: { 'throttle-dirty': [0.04, 0.96] },
  },
  {
    id: 'pedal-tracks', title: 'Press the pedal slowly and watch both tracks', scope: 'engine', system: 'air', minutes: 5, cost: 0, tools: [], cautions: [],
    how: 'Ignition on, engine off: press the pedal slowly over ten seconds. Its two readings must move together without a jump; on many {cars} one shows half the other, on some it falls.',
    outcomes: [found('step', 'Together, without a jump', 'The pedal is sound.'), found('jump', 'A jump, or the ratio breaks', 'The pedal sensor or its connector is at fault.')],
    otherwise: [0.97, 0.03], given: { 'pedal-sensor': [0.1, 0.9], 'throttle-actuator': [0.7, 0.3] },
  },
  {
    id: 'egr-move', title: 'Check that the EGR valve moves', scope: 'engine', system: 'air', minutes: 30, cost: 0, tools: ['hand-tools'], cautions: ['cold-engine'],
    how: 'Take the valve off: its plunger must move and seat. Look for soot.',
    outcomes: [found('seats', 'Moves and seats', 'The valve is sound.'), found('stuck', 'Stuck or soot on the seat', 'Clean or replace it.')],
    otherwise: [0.9, 0.1], given: { 'egr-stuck': [0.08, 0.92] },
  },
];
