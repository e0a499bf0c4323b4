import type { Check } from '../types.ts';
import { found } from './shared.ts';

export const ELECTRICAL_CHECKS: readonly Check[] = [
  {
    id: 'ground-drop', title: 'Measure the engine’s ground while cranking', scope: 'engine', system: 'electrical', minutes: 8, cost: 0, tools: ['multimeter'], cautions: ['moving-parts', 'battery'],
    how: 'Connect a meter from battery negative to the engine block while someone cranks the engine: under 0.2 V is normal.',
    outcomes: [found('good', 'Under 0.2 V', 'The ground is good.'), found('bad', '0.2 V or more', 'Clean both ends of the ground strap.')],
    otherwise: [0.96, 0.04], given: { 'coil-supply': [0.6, 0.4], 'ground-bad': [0.1, 0.9] },
  },
  {
    id: 'battery-rest', title: 'Measure the battery at rest and while cranking', scope: 'engine', system: 'electrical', minutes: 5, cost: 0, tools: ['multimeter'], cautions: ['battery'],
    how: 'After some hours of rest, 12.4 to 12.7 V is normal; while cranking, not under 9.6 V.',
    outcomes: [found('good', 'Both right', 'The battery is good.'), found('weak', 'Low at rest or cranking', 'Charge it and test again.')],
    otherwise: [0.93, 0.07], given: { 'battery-weak': [0.08, 0.92], alternator: [0.45, 0.55] },
  },
  {
    id: 'charging-volts', title: 'Measure the charging voltage', scope: 'engine', system: 'electrical', minutes: 5, cost: 0, tools: ['multimeter'], cautions: ['battery', 'moving-parts', 'exhaust-gas'],
    how: 'Engine running, headlights and rear heater on: 13.5 to 14.8 V at the battery is normal. Vehicles with smart charging may drop to 12.5 V with a full battery: hold 2,000 rpm and measure again.',
    outcomes: [found('right', '13.5 to 14.8 V', 'It charges.'), found('low', 'Below', 'The alternator, its belt or its cable is at fault.')],
    otherwise: [0.96, 0.04], given: { alternator: [0.04, 0.96] },
  },
  {
    id: 'belt-look', title: 'Look at the drive belt', scope: 'engine', system: 'electrical', minutes: 6, cost: 0, tools: [], cautions: ['moving-parts'],
    how: 'Engine off, key away: look for cracks across the ribs, shine, oil, or more than a thumb’s slack on the longest run.',
    outcomes: [found('sound', 'Dry, tight, no cracks', 'The belt is not the cause.'), found('worn', 'Cracked, glazed or slack', 'It slips.')],
    otherwise: [0.88, 0.12], given: { 'drive-belt': [0.08, 0.92], alternator: [0.75, 0.25] },
  },
  {
    id: 'starter-click', title: 'See what happens when you turn the key to start', scope: 'engine', system: 'electrical', minutes: 3, cost: 0, tools: [], cautions: ['moving-parts'],
    how: 'Have someone turn the key with the lights on, out of gear. Note whether there is nothing, one click, fast clicking, slow cranking or normal cranking, and watch the lights.',
    outcomes: [found('cranks', 'Cranks well', 'Battery and starter are sound.'), found('slow', 'Slow or fast clicking, lights go dim', 'The battery or its cables are weak.'), found('click', 'One click or nothing, lights stay bright', 'The starter, its relay, or the park/neutral switch is at fault.')],
    otherwise: [0.95, 0.03, 0.02], given: { starter: [0.06, 0.14, 0.8], 'battery-weak': [0.3, 0.65, 0.05], 'ground-bad': [0.5, 0.42, 0.08] },
  },
  {
    id: 'unit-fuse', title: 'Check the fuse and the connector of the silent control unit', scope: 'engine', system: 'electrical', minutes: 15, cost: 0, tools: ['hand-tools'], cautions: ['battery'],
    how: 'Ignition off: find its fuse on the {handbook}’s fuse page and hold it up to the light. Then look at its connector: it must be dry, tight and not corroded.',
    outcomes: [found('sound', 'Sound, dry, tight', 'It has its supply.'), found('bad', 'Fuse blown, or connector wet or loose', 'That silences it.')],
    otherwise: [0.94, 0.06], given: { 'unit-supply': [0.15, 0.85] },
  },
  {
    id: 'bus-ohms', title: 'Measure the data bus at the diagnostic socket', scope: 'engine', system: 'electrical', minutes: 8, cost: 0, tools: ['multimeter'], cautions: ['battery'],
    how: 'Take the battery’s negative cable off for ten minutes, then measure the resistance between pins 6 and 14 of the socket: about 60 ohms is normal. About 120 means that one end is cut off; near 0, that the wires touch.',
    outcomes: [found('sixty', 'About 60 ohms', 'Both ends are there, and the wires do not touch.'), found('wrong', 'About 120, near 0, or open', 'The bus is broken or shorted.')],
    otherwise: [0.96, 0.04], given: { 'bus-wire': [0.2, 0.8], 'bus-terminator': [0.08, 0.92], 'unit-wet': [0.88, 0.12] },
  },
];
