import type { Cause } from '../types.ts';
import { seal } from './shared.ts';

export const COOLING_CAUSES: readonly Cause[] = [
  {
    id: 'coolant-sensor', title: 'Coolant temperature sensor or its plug', system: 'cooling', scope: 'engine', prior: 0.012,
    effects: { 'code:coolant-temperature': 0.92, 'code:rich': 0.15, 'reading:coolant-temperature-rail': 0.7, 'sign:hard-start': 0.4, 'sign:thirsty': 0.45, 'before:worked-on': 0.2 },
    repair: seal('Fit a new coolant temperature sensor', 18, 30, ['Engine cold, cap open slowly: no pressure left.', 'Sensor out, new one and seal in at once, top up.', 'Bleed as the handbook says, look for drips.']),
  },
  {
    id: 'thermostat-open', title: 'Thermostat stuck open', system: 'cooling', scope: 'engine', prior: 0.02,
    priorFactors: [{ when: { kind: 'age-over', years: 7 }, factor: 1.4 }],
    effects: { 'code:runs-cold': 0.85, 'reading:runs-cold': 0.85, 'sign:thirsty': 0.35, 'code:catalyst': 0.02 },
    repair: seal('Fit a new thermostat', 30, 80, ['Engine stone cold. Catch the coolant: poisonous and sweet to animals.', 'Thermostat and seal, jiggle pin upwards.', 'Fill and bleed as the handbook says.']),
  },
];
