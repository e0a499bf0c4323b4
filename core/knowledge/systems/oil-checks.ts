import type { Check } from '../types.ts';
import { found } from './shared.ts';

export const OIL_CHECKS: readonly Check[] = [
  {
    id: 'oil-level', title: 'Read the oil level', scope: 'engine', system: 'oil', minutes: 4, cost: 0, tools: [], cautions: ['cold-engine'],
    how: 'Level ground, engine off for five minutes: wipe the dipstick, push it fully in, and read it. The oil must stand between the marks.',
    outcomes: [found('between', 'Between the marks', 'The level is right; so it is the pressure or the switch.'), found('low', 'Below the lower mark', 'There is too little oil.'), found('high', 'Above the mark, or smells of fuel', 'Fuel or coolant may be in the oil: do not run it.')],
    otherwise: [0.9, 0.08, 0.02], given: { 'oil-low': [0.02, 0.97, 0.01], 'head-gasket': [0.66, 0.12, 0.22], 'injector-leaking': [0.8, 0.06, 0.14] },
  },
  {
    id: 'oil-pressure', title: 'Have the oil pressure measured at the switch’s thread', scope: 'engine', system: 'oil', minutes: 40, cost: 25, tools: ['hand-tools'], cautions: ['cold-engine'],
    how: 'Fit a gauge in place of the switch: about {1 bar} at warm idle and {3 to 5 bar} at 3,000 rpm is normal; the {workshop manual}’s figure wins. A {workshop} does it in half an hour.',
    outcomes: [found('right', 'As the manual says', 'The pressure is there: the switch or its wiring reads wrong.'), found('low', 'Too low', 'The pressure is really low.')],
    otherwise: [0.9, 0.1], given: { 'oil-pressure-switch': [0.98, 0.02], 'oil-pump-worn': [0.04, 0.96], 'oil-low': [0.4, 0.6] },
  },
];
