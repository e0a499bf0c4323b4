import type { Check } from '../types.ts';
import { found } from './shared.ts';

export const COOLING_CHECKS: readonly Check[] = [
  {
    id: 'coolant-soak', title: 'Compare temperatures after a night', scope: 'engine', system: 'cooling', minutes: 4, cost: 0, tools: [], cautions: [],
    how: 'Before the first start of the day: coolant and intake air within 5 °C of each other and of the air?',
    outcomes: [found('agree', 'They agree', 'Both sensors are true when cold.'), found('coolant-off', 'Coolant is off', 'Coolant sensor or its plug.'), found('intake-off', 'Intake is off', 'Intake sensor or its plug.')],
    otherwise: [0.95, 0.025, 0.025], given: { 'coolant-sensor': [0.3, 0.68, 0.02], 'iat-failed': [0.15, 0.02, 0.83], 'iat-unplugged': [0.01, 0.01, 0.98] },
  },
  {
    id: 'warm-up', title: 'Time the warm-up', scope: 'engine', system: 'cooling', minutes: 15, needsDriving: true, cost: 0, tools: [], cautions: ['driving'],
    how: 'Cold start, drive normally; a passenger notes the coolant each two minutes. Past 80 °C in 10 to 15 minutes, and does it stay?',
    outcomes: [found('reaches', 'Past 80 °C and stays', 'The thermostat works.'), found('cool', 'Stays below, or falls on the open road', 'The thermostat is stuck open.')],
    otherwise: [0.96, 0.04], given: { 'thermostat-open': [0.06, 0.94] },
  },
];
