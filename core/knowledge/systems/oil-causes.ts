import type { Cause } from '../types.ts';

export const OIL_CAUSES: readonly Cause[] = [
  {
    id: 'oil-low', title: 'Oil level too low', system: 'oil', scope: 'engine', prior: 0.012,
    priorFactors: [{ when: { kind: 'distance-over', km: 150_000 }, factor: 1.6 }],
    effects: { 'code:oil-pressure': 0.3, 'lamp:oil': 0.55, 'gauge:oil-low': 0.97, 'sign:knocks': 0.12, 'code:cam-timing': 0.12, 'sign:blue-smoke': 0.2 },
    repair: { title: 'Top up the oil and find out where it goes', parts: 18, ownerMinutes: 15, shopMinutes: 15, tools: [], cautions: ['cold-engine'], steps: [] },
  },
  {
    id: 'oil-pressure-switch', title: 'Oil pressure switch or its wiring faulty', system: 'oil', scope: 'engine', prior: 0.006,
    effects: { 'code:oil-pressure': 0.8, 'lamp:oil': 0.8 },
    repair: { title: 'Fit a new oil pressure switch', parts: 14, ownerMinutes: 35, shopMinutes: 30, tools: ['hand-tools'], cautions: ['cold-engine', 'exhaust-gas'], steps: [] },
  },
  {
    id: 'oil-pump-worn', title: 'Oil pressure truly low: pump, pick-up or bearings', system: 'oil', scope: 'engine', prior: 0.003,
    priorFactors: [{ when: { kind: 'distance-over', km: 180_000 }, factor: 1.8 }],
    effects: { 'code:oil-pressure': 0.8, 'lamp:oil': 0.85, 'sign:knocks': 0.5, 'code:cam-timing': 0.2 },
    repair: { title: 'Have the oil pressure put right', parts: 240, ownerMinutes: 600, shopMinutes: 420, tools: ['hand-tools'], cautions: ['cold-engine', 'jacking'], steps: ['Do not run the engine.', 'Have it towed; a {workshop} measures the pressure first and opens the oil pan afterwards.'], isLicensed: true },
  },
];
