import type { Check } from '../types.ts';
import { found } from './shared.ts';

export const COOLING_CHECKS: readonly Check[] = [
  {
    id: 'coolant-soak', title: 'Compare temperatures after a night parked', scope: 'engine', system: 'cooling', minutes: 4, cost: 0, tools: [], cautions: [],
    how: 'Before the first start of the day: coolant, intake air and outside temperature must agree within {5 K}.',
    outcomes: [found('agree', 'They agree', 'Both sensors read true when cold.'), found('coolant-off', 'Coolant differs', 'The coolant sensor or its connector is at fault.'), found('intake-off', 'Intake air differs', 'The intake air sensor or its connector is at fault.')],
    otherwise: [0.95, 0.025, 0.025], given: { 'coolant-sensor': [0.3, 0.68, 0.02], 'iat-failed': [0.15, 0.02, 0.83], 'iat-unplugged': [0.01, 0.01, 0.98] },
  },
  {
    id: 'warm-up', title: 'Time the warm-up', scope: 'engine', system: 'cooling', minutes: 15, needsDriving: true, cost: 0, tools: [], cautions: ['driving'],
    how: 'Start cold and drive normally; {a passenger notes} the coolant temperature every two minutes. It should pass {80 °C} within 10 to 15 minutes and stay there.',
    outcomes: [found('reaches', 'Past {80 °C} and stays', 'The thermostat works.'), found('cool', 'Stays below, or falls on the open road', 'The thermostat is stuck open.')],
    otherwise: [0.96, 0.04], given: { 'thermostat-open': [0.06, 0.94] },
  },
  {
    id: 'coolant-level', title: 'Check the coolant level, engine stone cold', scope: 'engine', system: 'cooling', minutes: 3, cost: 0, tools: [], cautions: ['coolant'],
    how: 'Look at the tank from outside: the coolant must stand between the marks. Look for crust or drips below it, and for brown sludge or oil in it.',
    outcomes: [found('right', 'Between the marks, clean', 'No coolant is missing.'), found('low', 'Below the mark', 'Coolant is being lost somewhere.'), found('oily', 'Oily, or bubbles when it runs', 'There is exhaust gas or oil in the coolant.')],
    otherwise: [0.94, 0.055, 0.005], given: { 'coolant-low': [0.03, 0.95, 0.02], 'water-pump': [0.5, 0.49, 0.01], 'head-gasket': [0.15, 0.45, 0.4] },
  },
  {
    id: 'fan-runs', title: 'See whether the fan runs when it should', scope: 'engine', system: 'cooling', minutes: 15, cost: 0, tools: [], cautions: ['moving-parts', 'exhaust-gas'],
    how: 'Let it idle and watch the temperature: the fan should start a little above normal, or at once with the air conditioning on. Stop the engine if the gauge climbs past normal.',
    outcomes: [found('runs', 'It runs', 'Fan, relay and sensor work.'), found('stands', 'It does not', 'The fuse, the relay, the connector or the motor has failed.')],
    otherwise: [0.97, 0.03], given: { 'cooling-fan': [0.05, 0.95] },
  },
  {
    id: 'hose-warmth', title: 'Feel both radiator hoses as it warms up', scope: 'engine', system: 'cooling', minutes: 12, cost: 0, tools: [], cautions: ['moving-parts', 'cold-engine'],
    how: 'From a cold start, with a hand near the hoses and never on the fan’s side: the upper one gets warm first, the lower one within minutes of the gauge reaching normal.',
    outcomes: [found('follows', 'The lower one follows', 'The coolant circulates.'), found('cold', 'The lower one stays cold, gauge hot', 'The thermostat is stuck closed, or the pump does not pump.')],
    otherwise: [0.96, 0.04], given: { 'thermostat-closed': [0.08, 0.92], 'water-pump': [0.4, 0.6] },
  },
  {
    id: 'coolant-gas', title: 'Test the coolant for exhaust gas', scope: 'engine', system: 'cooling', minutes: 15, cost: 12, tools: [], cautions: ['coolant', 'exhaust-gas'],
    how: 'A test fluid held over the open tank, just after a cold start, changes {colour} when exhaust gas comes through. Follow the kit’s instructions; a {workshop} does it for little money.',
    outcomes: [found('stays', 'Its {colour} stays', 'The gasket holds.'), found('changes', 'It changes', 'Combustion gas reaches the coolant.')],
    otherwise: [0.98, 0.02], given: { 'head-gasket': [0.08, 0.92] },
  },
];
