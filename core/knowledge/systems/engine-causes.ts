import type { Cause } from '../types.ts';
import { MISFIRE } from './shared.ts';

export const ENGINE_CAUSES: readonly Cause[] = [
  {
    id: 'timing-stretched', title: 'Timing chain stretched or belt jumped', system: 'engine', scope: 'engine', prior: 0.006,
    priorFactors: [{ when: { kind: 'distance-over', km: 150_000 }, factor: 2 }],
    effects: { 'sign:no-start': 0.2, 'gauge:oil-low': 0.15, 'code:cam-timing': 0.85, 'code:cam-sensor': 0.15, 'code:misfire-several': 0.25, 'sign:weak': 0.55, 'sign:hard-start': 0.35, 'sign:rough-idle': 0.45 },
    repair: {
      title: 'Have the timing checked and set', parts: 220, ownerMinutes: 480, shopMinutes: 360, tools: ['hand-tools', 'torque-wrench'], cautions: ['cold-engine'],
      isLicensed: true,
      steps: ['Do not drive: one more tooth can bend the valves.', 'Have a {workshop} check the marks before anything is turned.'],
    },
  },
  {
    id: 'compression', title: 'Compression of cylinder {n} low', system: 'engine', scope: 'cylinder', prior: 0.003,
    priorFactors: [{ when: { kind: 'distance-over', km: 200_000 }, factor: 2 }],
    effects: { 'reading:misfire-same': 0.8, 'lamp:engine-flashing': 0.25, 'gauge:coolant-low': 0.12, 'sign:white-smoke': 0.1, ...MISFIRE, 'sign:blue-smoke': 0.3, 'frame:cold': 0.45, 'frame:idle': 0.55, 'frame:load': 0.25 },
    repair: {
      title: 'Have cylinder {n} examined', parts: 300, ownerMinutes: 900, shopMinutes: 600, tools: ['hand-tools', 'torque-wrench'], cautions: ['cold-engine'],
      isLicensed: true,
      steps: ['Repeat the compression test with a spoon of oil: better with oil means rings, the same means valves.', 'Ask two {workshops} for a price with these figures in hand.'],
    },
  },
];
