import type { Check } from '../types.ts';
import { found } from './shared.ts';

export const ENGINE_CHECKS: readonly Check[] = [
  {
    id: 'compression-test', title: 'Measure compression of all cylinders', scope: 'cylinder', system: 'engine', minutes: 60, cost: 0, tools: ['compression-gauge', 'hand-tools'], cautions: ['high-tension', 'petrol', 'torque'],
    how: '{Petrol} engine, warm: unplug coils and injectors, pull the fuel pump fuse, take all spark plugs out, hold the throttle fully open and crank five turns per cylinder. Hybrids cannot be cranked like this. All must be within about 15 % of each other and within the {workshop manual}’s figure.',
    outcomes: [found('even', 'Cylinder {n} like the others', 'The engine itself is sound.'), found('low', 'Cylinder {n} is low', 'The rings or valves of cylinder {n} leak.')],
    otherwise: [0.97, 0.03], given: { compression: [0.05, 0.95] },
  },
  {
    id: 'chain-noise', title: 'Listen at the timing cover just after a cold start', scope: 'engine', system: 'engine', minutes: 5, cost: 0, tools: [], cautions: ['moving-parts', 'exhaust-gas'],
    how: 'Start cold after a night, with the {bonnet} open: a rattle at the timing side for more than two seconds is not normal.',
    outcomes: [found('quiet', 'Quiet', 'A stretched chain is less likely.'), found('rattles', 'Rattles', 'Do not drive far: have the chain checked.')],
    otherwise: [0.94, 0.06], given: { 'timing-stretched': [0.35, 0.65] },
  },
];
