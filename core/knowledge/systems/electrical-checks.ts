import type { Check } from '../types.ts';
import { found } from './shared.ts';

export const ELECTRICAL_CHECKS: readonly Check[] = [
  {
    id: 'ground-drop', title: 'Measure the engine’s ground while cranking', scope: 'engine', system: 'electrical', minutes: 8, cost: 0, tools: ['multimeter'], cautions: ['moving-parts', 'battery'],
    how: 'Meter from battery minus to the engine block, someone cranks: under 0.2 V.',
    outcomes: [found('good', 'Under 0.2 V', 'The ground is good.'), found('bad', '0.2 V or more', 'Clean both ends of the ground strap.')],
    otherwise: [0.96, 0.04], given: { 'coil-supply': [0.6, 0.4], 'ground-bad': [0.1, 0.9] },
  },
  {
    id: 'battery-rest', title: 'Measure the battery at rest and while cranking', scope: 'engine', system: 'electrical', minutes: 5, cost: 0, tools: ['multimeter'], cautions: ['battery'],
    how: 'After hours of rest 12.4 to 12.7 V; while cranking not under 9.6 V.',
    outcomes: [found('good', 'Both right', 'The battery is good.'), found('weak', 'Low at rest or cranking', 'Charge it and test again.')],
    otherwise: [0.93, 0.07], given: { 'battery-weak': [0.08, 0.92], alternator: [0.45, 0.55] },
  },
  {
    id: 'charging-volts', title: 'Measure the charging voltage', scope: 'engine', system: 'electrical', minutes: 5, cost: 0, tools: ['multimeter'], cautions: ['battery', 'moving-parts', 'exhaust-gas'],
    how: 'Engine running, lights on: 13.5 to 14.8 V at the battery.',
    outcomes: [found('right', '13.5 to 14.8 V', 'It charges.'), found('low', 'Below', 'Alternator, belt or cable.')],
    otherwise: [0.96, 0.04], given: { alternator: [0.04, 0.96] },
  },
];
