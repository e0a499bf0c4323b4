import type { Check } from '../types.ts';
import { found } from './shared.ts';

export const IGNITION_CHECKS: readonly Check[] = [
  {
    id: 'swap-coils', title: 'Swap coils {n} and {m}, drive 5 minutes, read again', scope: 'cylinder', system: 'ignition', minutes: 20, needsDriving: true, cost: 0,
    tools: ['hand-tools'], cautions: ['cold-engine', 'high-tension', 'driving'],
    how: 'Engine cold, ignition off: change coil {n} with coil {m}, boot and all, and mark both. Drive five minutes under the same conditions, read again, and see which cylinder misfires now.',
    outcomes: [found('stays', 'It stays on {n}', 'It is probably not the coil or its boot, if the conditions were met: look at spark plug, injector, wiring or compression of cylinder {n}.'), found('moves', 'It moves to {m}', 'The fault moved with the coil: it is the coil that now sits on cylinder {m}, or its boot. Leave it there until it is replaced.'), found('gone', 'No misfire now', 'Moving the connector may have cured a contact, or the conditions were not met.')],
    otherwise: [0.8, 0.02, 0.18],
    given: { 'coil-boot': [0.05, 0.8, 0.15], coil: [0.05, 0.88, 0.07], 'coil-connector': [0.25, 0.05, 0.7], plug: [0.88, 0.02, 0.1], 'plug-well-water': [0.3, 0.1, 0.6], 'injector-clogged': [0.92, 0.02, 0.06], compression: [0.94, 0.01, 0.05] },
  },
  {
    id: 'boot-look', title: 'Pull coil {n} and look at its boot', scope: 'cylinder', system: 'ignition', minutes: 12, cost: 0, tools: ['hand-tools'], cautions: ['cold-engine', 'high-tension'],
    how: 'Engine cold, ignition off: pull the coil. Look for a hairline crack, a white or burnt track, or a light {grey} line down the spark plug’s insulator.',
    outcomes: [found('sound', 'Clean, no track', 'A crack that can be seen is ruled out, a fine one is not.'), found('track', 'Crack or burnt track', 'The spark jumps through the boot instead of the spark plug.'), found('wet', 'Water or oil in the well', 'Dry it, and find where it comes from.')],
    otherwise: [0.93, 0.03, 0.04],
    given: { 'coil-boot': [0.25, 0.7, 0.05], coil: [0.88, 0.08, 0.04], plug: [0.85, 0.1, 0.05], 'plug-well-water': [0.15, 0.05, 0.8] },
  },
  {
    id: 'mist-test', title: 'Mist the coils with water in the dark', scope: 'engine', system: 'ignition', minutes: 10, cost: 0, tools: [], cautions: ['moving-parts', 'high-tension', 'exhaust-gas'],
    how: 'Outside, in the dark, engine idling: spray a fine mist from a plant sprayer over the coils. Watch from a distance for sparks and listen for a stumble.',
    outcomes: [found('calm', 'No sparks, no stumble', 'Tracking over wet boots is less likely.'), found('sparks', 'Sparks or a stumble', 'High voltage escapes where it is wet: a boot or a lead.')],
    otherwise: [0.96, 0.04], given: { 'coil-boot': [0.3, 0.7], 'plug-well-water': [0.5, 0.5], coil: [0.75, 0.25] },
  },
  {
    id: 'plug-look', title: 'Take spark plug {n} out and inspect it', scope: 'cylinder', system: 'ignition', minutes: 25, cost: 0, tools: ['hand-tools', 'torque-wrench'], cautions: ['cold-engine', 'high-tension', 'torque'],
    how: 'Engine cold: blow the well clean, take the spark plug out, and compare it with its {neighbour}: gap, {colour}, cracks, oil, fuel.',
    outcomes: [found('sound', 'Like its {neighbour}, gap right', 'The spark plug is not the cause.'), found('worn', 'Wide gap, cracked or fouled', 'The spark plug may be the cause: a new set is cheap.'), found('wet-fuel', 'Wet with fuel', 'Fuel came, the spark did not.'), found('oily', 'Oily', 'Oil comes past rings or valve guides.')],
    otherwise: [0.72, 0.13, 0.1, 0.05],
    given: { plug: [0.12, 0.75, 0.1, 0.03], 'plugs-overdue': [0.1, 0.85, 0.03, 0.02], coil: [0.45, 0.1, 0.42, 0.03], 'coil-boot': [0.5, 0.15, 0.32, 0.03], compression: [0.45, 0.1, 0.15, 0.3], 'injector-clogged': [0.85, 0.1, 0.01, 0.04] },
  },
  {
    id: 'swap-plugs', title: 'Swap spark plugs {n} and {m}, drive, read again', scope: 'cylinder', system: 'ignition', minutes: 45, needsDriving: true, cost: 0, tools: ['hand-tools', 'torque-wrench'], cautions: ['cold-engine', 'high-tension', 'torque', 'driving'],
    how: 'Engine cold: change spark plug {n} with spark plug {m}, and note which is which. Drive under the same conditions, read again, and see which cylinder misfires now.',
    outcomes: [found('stays', 'It stays on {n}', 'The spark plug is not the cause.'), found('moves', 'It moves to {m}', 'The cause is the spark plug that now sits on cylinder {m}. Leave it there until it is replaced.')],
    otherwise: [0.97, 0.03], given: { plug: [0.1, 0.9] },
  },
  {
    id: 'coil-connector-look', title: 'Check the connector of coil {n}', scope: 'cylinder', system: 'ignition', minutes: 6, cost: 0, tools: [], cautions: ['high-tension', 'cold-engine'],
    how: 'Ignition off: check that the catch is closed. Open it and look for bent, corroded or pushed-back pins. Tug each wire gently.',
    outcomes: [found('sound', 'Tight and clean', 'The contact is good.'), found('bad', 'Loose, corroded or bent', 'Clean and seat it before you buy anything.')],
    otherwise: [0.96, 0.04], given: { 'coil-connector': [0.15, 0.85] },
  },
  {
    id: 'coil-wiggle', title: 'Wiggle the wiring at coil {n} while it idles', scope: 'cylinder', system: 'ignition', minutes: 5, cost: 0, tools: [], cautions: ['moving-parts', 'high-tension', 'exhaust-gas'],
    how: 'Engine idling outdoors: move the connector’s wires a little with a dry wooden stick, and note whether the engine stumbles.',
    outcomes: [found('steady', 'Nothing changes', 'The wires near the connector are sound.'), found('stumbles', 'It stumbles', 'A contact or wire there is broken.')],
    otherwise: [0.96, 0.04], given: { 'coil-connector': [0.35, 0.65] },
  },
  {
    id: 'spark-test', title: 'Test the spark on cylinder {n} with a spark tester', scope: 'cylinder', system: 'ignition', minutes: 15, cost: 0, tools: ['spark-tester', 'hand-tools'], cautions: ['high-tension', 'petrol', 'moving-parts'],
    how: 'Pull the fuel pump fuse. Put the tester between coil and ground and crank for three seconds: a strong blue spark is normal, a weak yellow one is not.',
    outcomes: [found('strong', 'Strong and steady', 'Coil and its wiring do their work.'), found('weak', 'Weak or none', 'The coil, its boot or its wiring is at fault.')],
    otherwise: [0.94, 0.06], given: { coil: [0.15, 0.85], 'coil-connector': [0.3, 0.7], 'coil-boot': [0.6, 0.4], 'coil-supply': [0.15, 0.85] },
  },
  {
    id: 'coil-ohms', title: 'Measure the primary side of coil {n}', scope: 'cylinder', system: 'ignition', minutes: 10, cost: 0, tools: ['multimeter'], cautions: ['high-tension'],
    how: 'Unplug it. Two-pin coils measure 0.4 to 2 Ω between the pins at {20 °C}, and like the others. Coils with three or four pins have electronics inside and cannot be judged this way.',
    outcomes: [found('like', 'Like the others', 'The primary winding is sound.'), found('differs', 'Open, or differs', 'The winding is broken or shorted.')],
    otherwise: [0.96, 0.04], given: { coil: [0.65, 0.35] },
  },
  {
    id: 'coil-feed', title: 'Measure the supply at a coil connector', scope: 'engine', system: 'ignition', minutes: 10, cost: 0, tools: ['multimeter'], cautions: ['high-tension'],
    how: 'Unplug it, ignition on: the supply pin must have battery voltage within 0.3 V, also while cranking.',
    outcomes: [found('full', 'Full voltage', 'The supply is sound.'), found('low', 'Low or none', 'The fuse, the relay or the wire of the supply is at fault.')],
    otherwise: [0.97, 0.03], given: { 'coil-supply': [0.15, 0.85] },
  },
  {
    id: 'crank-sensor-ohms', title: 'Measure the crankshaft sensor', scope: 'engine', system: 'ignition', minutes: 20, cost: 0, tools: ['multimeter'], cautions: ['cold-engine', 'jacking'],
    how: 'Two-wire sensors measure 200 to 2,000 Ω, with no connection to ground. Measure again hot if it fails hot.',
    outcomes: [found('in', 'In range', 'The winding is sound.'), found('out', 'Out of range', 'The sensor has failed.')],
    otherwise: [0.96, 0.04], given: { 'crank-sensor': [0.4, 0.6] },
  },
  {
    id: 'cam-sensor-plug', title: 'Check the camshaft sensor connector for oil', scope: 'engine', system: 'ignition', minutes: 8, cost: 0, tools: [], cautions: ['cold-engine'],
    how: 'Unplug it: look for oil inside and bent pins, then check for 5 or 12 V of supply with the ignition on.',
    outcomes: [found('sound', 'Clean, supply there', 'Then the sensor itself is likely.'), found('bad', 'Oil, bent pins or no supply', 'Repair that first.')],
    otherwise: [0.93, 0.07], given: { 'cam-sensor': [0.65, 0.35] },
  },
  {
    id: 'knock-plug', title: 'Check the knock sensor connector and wiring', scope: 'engine', system: 'ignition', minutes: 15, cost: 0, tools: [], cautions: ['cold-engine'],
    how: 'Follow the wiring by hand and eye: look for chewed or melted spots and a loose connector.',
    outcomes: [found('sound', 'Sound and tight', 'Then the sensor itself is likely.'), found('bad', 'Damaged or loose', 'Repair the wiring before you buy the sensor.')],
    otherwise: [0.97, 0.03], given: { 'knock-sensor': [0.5, 0.5] },
  },
];
