import type { Cause } from '../types.ts';

export const DIESEL_CAUSES: readonly Cause[] = [
  {
    id: 'glow-plug', title: 'A glow plug or its relay failed', system: 'diesel', scope: 'engine', fuels: ['diesel'], prior: 0.03,
    priorFactors: [{ when: { kind: 'distance-over', km: 120_000 }, factor: 1.5 }],
    effects: { 'code:glow': 0.9, 'reading:glow-off': 0.15, 'reading:glow-dead': 0.45, 'lamp:glow': 0.6, 'sign:hard-start': 0.6, 'sign:white-smoke': 0.35, 'sign:cold': 0.7, 'sign:rough-idle': 0.35 },
    repair: { title: 'Fit new glow plugs', parts: 70, ownerMinutes: 110, shopMinutes: 90, tools: ['hand-tools', 'torque-wrench'], cautions: ['cold-engine', 'torque'], steps: [] },
  },
  {
    id: 'particulate-full', title: 'Particulate filter full of soot', system: 'diesel', scope: 'engine', fuels: ['diesel'], prior: 0.03,
    effects: { 'code:filter-sensor': 0.12, 'reading:filter-full': 0.85, 'reading:ash': 0.12, 'code:particulate': 0.9, 'lamp:particulate': 0.8, 'sign:weak': 0.45, 'sign:limp': 0.45, 'sign:thirsty': 0.35 },
    repair: { title: 'Let the filter regenerate, or have it cleaned', parts: 0, ownerMinutes: 30, shopMinutes: 60, tools: [], cautions: ['driving', 'dry-grass'], steps: [] },
  },
];
