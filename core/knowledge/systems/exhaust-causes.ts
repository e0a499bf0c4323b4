import type { Cause } from '../types.ts';

export const EXHAUST_CAUSES: readonly Cause[] = [
  {
    id: 'oxygen-front', title: 'Front oxygen sensor aged', system: 'exhaust', scope: 'engine', prior: 0.03,
    priorFactors: [{ when: { kind: 'distance-over', km: 130_000 }, factor: 1.5 }],
    effects: { 'reading:oxygen-lazy': 0.8, 'code:oxygen-front': 0.75, 'code:lean': 0.12, 'code:rich': 0.15, 'code:catalyst': 0.08, 'reading:rich': 0.15, 'sign:thirsty': 0.45, 'sign:rough-idle': 0.2 },
    repair: { title: 'Fit a new front oxygen sensor', parts: 65, ownerMinutes: 40, shopMinutes: 35, tools: ['hand-tools'], cautions: ['cold-engine', 'jacking'], steps: [] },
  },
  {
    id: 'oxygen-heater', title: 'Oxygen sensor heater broken', system: 'exhaust', scope: 'engine', prior: 0.025,
    effects: { 'code:oxygen-heater': 0.95, 'code:oxygen-front': 0.2, 'code:oxygen-rear': 0.1, 'sign:thirsty': 0.2 },
    repair: { title: 'Fit a new oxygen sensor', parts: 65, ownerMinutes: 40, shopMinutes: 35, tools: ['hand-tools', 'multimeter'], cautions: ['cold-engine', 'jacking'], steps: [] },
  },
  {
    id: 'oxygen-rear', title: 'Rear oxygen sensor aged', system: 'exhaust', scope: 'engine', prior: 0.012,
    effects: { 'code:oxygen-rear': 0.85, 'code:catalyst': 0.1 },
    repair: { title: 'Fit a new rear oxygen sensor', parts: 55, ownerMinutes: 45, shopMinutes: 35, tools: ['hand-tools'], cautions: ['cold-engine', 'jacking'], steps: [] },
  },
  {
    id: 'exhaust-leak', title: 'Exhaust leak before the sensor', system: 'exhaust', scope: 'engine', prior: 0.012,
    priorFactors: [{ when: { kind: 'age-over', years: 10 }, factor: 1.5 }],
    effects: { 'reading:oxygen-lazy': 0.12, 'reading:catalyst-active': 0.2, 'code:lean': 0.45, 'code:catalyst': 0.35, 'code:oxygen-front': 0.15, 'reading:lean-idle': 0.45, 'reading:lean-load': 0.15, 'sign:ticking-exhaust': 0.8, 'sign:cold': 0.3 },
    repair: { title: 'Seal the exhaust', parts: 20, ownerMinutes: 90, shopMinutes: 70, tools: ['hand-tools'], cautions: ['exhaust-gas', 'cold-engine', 'jacking'], steps: [] },
  },
  {
    id: 'catalyst-worn', title: 'Catalyst worn out', system: 'exhaust', scope: 'engine', prior: 0.02,
    priorFactors: [{ when: { kind: 'distance-over', km: 160_000 }, factor: 1.8 }],
    effects: { 'reading:catalyst-active': 0.9, 'sign:egg-smell': 0.2, 'before:towing': 0.08, 'code:catalyst': 0.92, 'sign:weak': 0.12 },
    repair: { title: 'Replace the catalyst', parts: 320, ownerMinutes: 150, shopMinutes: 90, tools: ['hand-tools'], cautions: ['cold-engine', 'jacking', 'exhaust-gas'], steps: ['A catalyst does not fail by itself: cure misfire, oil consumption or rich running first.', 'Where the law says so it may not be removed or emptied.'] },
  },
];
