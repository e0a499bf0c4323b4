import type { Check } from '../types.ts';
import { found } from './shared.ts';

export const DIESEL_CHECKS: readonly Check[] = [
  {
    id: 'glow-ohms', title: 'Measure the glow plugs', scope: 'engine', system: 'diesel', minutes: 20, cost: 0, tools: ['multimeter', 'hand-tools'], cautions: ['cold-engine'],
    how: 'Ignition off, lead off each plug: tip to engine under about 2 ohms, all alike. An open one is dead.',
    outcomes: [found('alike', 'All low and alike', 'The plugs are whole; the relay is left.'), found('open', 'One or more open', 'That plug is dead.')],
    otherwise: [0.95, 0.05], given: { 'glow-plug': [0.18, 0.82] },
  },
  {
    id: 'filter-drive', title: 'Twenty minutes at a steady speed', scope: 'engine', system: 'diesel', minutes: 25, needsDriving: true, cost: 3, tools: [], cautions: ['driving'],
    how: 'Only while the lamp is steady, not flashing: drive 60 to 100 km/h, warm, without stops. Does the lamp go out?',
    outcomes: [found('stays', 'It stays lit', 'More than soot: have it looked at.'), found('out', 'It goes out', 'It was full and has cleaned itself.')],
    otherwise: [0.9, 0.1], given: { 'particulate-full': [0.3, 0.7] },
  },
];
