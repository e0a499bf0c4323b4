import type { Check } from '../types.ts';
import { found } from './shared.ts';

export const DIESEL_CHECKS: readonly Check[] = [
  {
    id: 'glow-ohms', title: 'Measure the glow plugs', scope: 'engine', system: 'diesel', minutes: 20, cost: 0, tools: ['multimeter', 'hand-tools'], cautions: ['cold-engine'],
    how: 'Ignition off: take the lead off each glow plug and measure from its tip to the engine. Under about 2 ohms and all alike is normal; an open one has failed.',
    outcomes: [found('alike', 'All low and alike', 'The glow plugs are sound; the relay remains.'), found('open', 'One or more open', 'That glow plug has failed.')],
    otherwise: [0.95, 0.05], given: { 'glow-plug': [0.18, 0.82] },
  },
  {
    id: 'filter-drive', title: 'Drive twenty minutes at a steady speed', scope: 'engine', system: 'diesel', minutes: 25, needsDriving: true, cost: 3, tools: [], cautions: ['driving', 'dry-grass'],
    how: 'Only while the light is steady, not flashing: drive a steady {60 to 100 km/h}, engine warm, without stops. Do not stop on dry grass. See whether the light goes out.',
    outcomes: [found('stays', 'It stays lit', 'There is more than soot in it: have it checked.'), found('out', 'It goes out', 'It was full and has regenerated.')],
    otherwise: [0.9, 0.1], given: { 'particulate-full': [0.3, 0.7] },
  },
];
