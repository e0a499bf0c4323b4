import type { Check } from '../types.ts';
import { found } from './shared.ts';

export const COOLING_CHECKS: readonly Check[] = [
  {
    id: 'coolant-soak', title: 'Compare temperatures after a night parked', scope: 'engine', system: 'cooling', minutes: 4, cost: 0, tools: [], cautions: [],
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
  {
    id: 'coolant-level', title: 'Read the coolant level, stone cold', scope: 'engine', system: 'cooling', minutes: 3, cost: 0, tools: [], cautions: ['coolant'],
    how: 'Look at the tank from outside: between the marks? Any crust or drip below it, brown sludge or oil in it?',
    outcomes: [found('right', 'Between the marks, clean', 'Nothing is missing.'), found('low', 'Below the mark', 'Coolant goes somewhere.'), found('oily', 'Oily, or bubbles when it runs', 'Exhaust gas or oil in the coolant.')],
    otherwise: [0.94, 0.055, 0.005], given: { 'coolant-low': [0.03, 0.95, 0.02], 'water-pump': [0.5, 0.49, 0.01], 'head-gasket': [0.15, 0.45, 0.4] },
  },
  {
    id: 'fan-runs', title: 'Does the fan run when it should?', scope: 'engine', system: 'cooling', minutes: 15, cost: 0, tools: [], cautions: ['moving-parts', 'exhaust-gas'],
    how: 'Let it idle and watch the temperature: the fan should start a little above normal, or at once with the air conditioning on. Stop the engine if the gauge climbs past normal.',
    outcomes: [found('runs', 'It runs', 'Fan, relay and sensor work.'), found('stands', 'It does not', 'Fuse, relay, plug or motor.')],
    otherwise: [0.97, 0.03], given: { 'cooling-fan': [0.05, 0.95] },
  },
  {
    id: 'hose-warmth', title: 'Feel both radiator hoses as it warms up', scope: 'engine', system: 'cooling', minutes: 12, cost: 0, tools: [], cautions: ['moving-parts', 'cold-engine'],
    how: 'From a cold start, hand near the hoses, never on the fan’s side: the upper one gets warm first, the lower one follows within minutes of the gauge reaching normal.',
    outcomes: [found('follows', 'The lower one follows', 'Coolant goes round.'), found('cold', 'The lower one stays cold, gauge hot', 'The thermostat is shut, or the pump does not pump.')],
    otherwise: [0.96, 0.04], given: { 'thermostat-closed': [0.08, 0.92], 'water-pump': [0.4, 0.6] },
  },
  {
    id: 'coolant-gas', title: 'Test the coolant for exhaust gas', scope: 'engine', system: 'cooling', minutes: 15, cost: 12, tools: [], cautions: ['coolant', 'exhaust-gas'],
    how: 'A test fluid over the open tank of a cold engine that has just been started changes colour when exhaust gas comes through. Follow the kit; a workshop does it for little.',
    outcomes: [found('stays', 'Its colour stays', 'The gasket holds.'), found('changes', 'It changes', 'Combustion gas reaches the coolant.')],
    otherwise: [0.98, 0.02], given: { 'head-gasket': [0.08, 0.92] },
  },
];
