import type { Cause } from '../types.ts';
import { PETROL, MISFIRE } from './shared.ts';

export const IGNITION_CAUSES: readonly Cause[] = [
  {
    id: 'coil-boot', title: 'Coil boot of cylinder {n} cracked', system: 'ignition', scope: 'cylinder', fuels: PETROL,
    prior: 0.012,
    priorFactors: [{ when: { kind: 'distance-over', km: 100_000 }, factor: 1.8 }, { when: { kind: 'age-over', years: 8 }, factor: 1.4 }],
    effects: { 'reading:catalyst-hot': 0.15, 'reading:misfire-same': 0.6, 'lamp:engine-flashing': 0.3, ...MISFIRE, 'code:coil-same': 0.05, 'sign:wet': 0.75, 'sign:cold': 0.4, 'sign:uphill': 0.5, 'frame:cold': 0.6, 'frame:load': 0.6, 'frame:idle': 0.15, 'before:washed': 0.4, 'before:plugs-old': 0.75 },
    repair: {
      title: 'Fit a new coil boot on cylinder {n}', parts: 14, ownerMinutes: 30, shopMinutes: 30, tools: ['hand-tools'],
      cautions: ['cold-engine', 'high-tension', 'torque'],
      steps: [],
    },
  },
  {
    id: 'coil', title: 'Coil of cylinder {n} worn out', system: 'ignition', scope: 'cylinder', fuels: PETROL,
    prior: 0.02, priorFactors: [{ when: { kind: 'distance-over', km: 120_000 }, factor: 1.6 }],
    effects: { 'reading:catalyst-hot': 0.3, 'reading:misfire-same': 0.92, 'lamp:engine-flashing': 0.3, ...MISFIRE, 'code:coil-same': 0.45, 'sign:wet': 0.2, 'sign:warm': 0.35, 'sign:uphill': 0.4, 'frame:cold': 0.35, 'frame:load': 0.55, 'frame:idle': 0.25, 'before:plugs-old': 0.7 },
    repair: {
      title: 'Fit a new coil on cylinder {n}', parts: 45, ownerMinutes: 25, shopMinutes: 25, tools: ['hand-tools'],
      cautions: ['cold-engine', 'high-tension', 'torque'],
      steps: [],
    },
  },
  {
    id: 'plug', title: 'Spark plug {n} fouled or its gap too wide', system: 'ignition', scope: 'cylinder', fuels: PETROL,
    prior: 0.016, priorFactors: [{ when: { kind: 'distance-over', km: 80_000 }, factor: 1.4 }],
    effects: { 'reading:catalyst-hot': 0.15, 'reading:misfire-same': 0.6, 'lamp:engine-flashing': 0.3, ...MISFIRE, 'code:coil-same': 0.03, 'sign:wet': 0.12, 'sign:cold': 0.4, 'sign:uphill': 0.5, 'sign:fuel-smell': 0.15, 'frame:cold': 0.45, 'frame:load': 0.5, 'frame:idle': 0.35, 'before:plugs-old': 0.8 },
    repair: {
      title: 'Fit a new set of spark plugs', parts: 32, ownerMinutes: 50, shopMinutes: 45, tools: ['hand-tools', 'torque-wrench'],
      cautions: ['cold-engine', 'high-tension', 'torque'],
      steps: [],
    },
  },
  {
    id: 'plug-well-water', title: 'Water in the spark plug well of cylinder {n}', system: 'ignition', scope: 'cylinder', fuels: PETROL,
    prior: 0.004, isPassing: true, endsByItself: true,
    effects: { 'reading:misfire-same': 0.6, 'lamp:engine-flashing': 0.3, ...MISFIRE, 'sign:wet': 0.8, 'frame:cold': 0.6, 'frame:load': 0.45, 'before:washed': 0.8 },
    repair: {
      title: 'Dry the spark plug well and find where the water comes in', parts: 0, ownerMinutes: 30, shopMinutes: 40, tools: ['hand-tools'],
      cautions: ['cold-engine', 'high-tension'],
      steps: [],
    },
  },
  {
    id: 'coil-connector', title: 'Coil {n} connector loose or corroded', system: 'ignition', scope: 'cylinder', fuels: PETROL,
    prior: 0.006,
    effects: { 'reading:misfire-same': 0.75, 'before:unplugged': 0.4, 'lamp:engine-flashing': 0.3, ...MISFIRE, 'code:coil-same': 0.65, 'sign:wet': 0.3, 'before:worked-on': 0.5, 'frame:cold': 0.3, 'frame:load': 0.4 },
    repair: {
      title: 'Clean and reseat the connector of coil {n}', parts: 3, ownerMinutes: 15, shopMinutes: 20, tools: ['hand-tools'],
      cautions: ['high-tension', 'cold-engine'],
      steps: [],
    },
  },
  {
    id: 'plugs-overdue', title: 'Spark plugs long overdue, whole set', system: 'ignition', scope: 'engine', fuels: PETROL,
    prior: 0.02, priorFactors: [{ when: { kind: 'distance-over', km: 120_000 }, factor: 1.5 }],
    effects: { 'code:misfire-several': 0.7, 'code:misfire-other': 0.35, 'sign:shakes': 0.5, 'sign:rough-idle': 0.55, 'sign:weak': 0.5, 'sign:hard-start': 0.4, 'sign:thirsty': 0.4, 'sign:uphill': 0.45, 'before:plugs-old': 0.95, 'frame:load': 0.5 },
    repair: {
      title: 'Fit a new set of spark plugs', parts: 32, ownerMinutes: 50, shopMinutes: 45, tools: ['hand-tools', 'torque-wrench'],
      cautions: ['cold-engine', 'high-tension', 'torque'],
      steps: [],
    },
  },
  {
    id: 'coil-supply', title: 'Power supply or ground shared by all coils', system: 'ignition', scope: 'engine', fuels: PETROL,
    prior: 0.003,
    effects: { 'lamp:engine-flashing': 0.35, 'code:misfire-several': 0.85, 'code:misfire-other': 0.6, 'code:supply-voltage': 0.1, 'sign:shakes': 0.7, 'sign:stalls': 0.5, 'sign:hard-start': 0.5, 'before:worked-on': 0.3, 'before:battery': 0.2 },
    repair: {
      title: 'Repair the coils’ supply or ground', parts: 5, ownerMinutes: 60, shopMinutes: 60, tools: ['hand-tools', 'multimeter'],
      cautions: ['high-tension', 'battery'],
      steps: ['Find the coils’ fuse and relay in the {handbook}; look at them and measure.', 'Clean both ends of the ground strap from engine to body until bright, then tighten.', 'Measure the drop again with the engine cranking: under 0.2 V.'],
    },
  },
  {
    id: 'crank-sensor', title: 'Crankshaft sensor failing', system: 'ignition', scope: 'engine', prior: 0.012,
    effects: { 'sign:no-start': 0.5, 'code:crank-sensor': 0.75, 'code:misfire-several': 0.15, 'sign:stalls-rolling': 0.55, 'sign:stalls': 0.55, 'sign:hard-start': 0.45, 'sign:warm': 0.5, 'sign:shakes': 0.1 },
    repair: {
      title: 'Fit a new crankshaft sensor', parts: 28, ownerMinutes: 60, shopMinutes: 50, tools: ['hand-tools'], cautions: ['cold-engine', 'jacking'],
      steps: [],
    },
  },
  {
    id: 'cam-sensor', title: 'Camshaft sensor failing', system: 'ignition', scope: 'engine', prior: 0.012,
    effects: { 'code:cam-sensor': 0.85, 'code:cam-timing': 0.1, 'sign:hard-start': 0.5, 'sign:stalls': 0.15 },
    repair: {
      title: 'Fit a new camshaft sensor', parts: 24, ownerMinutes: 25, shopMinutes: 25, tools: ['hand-tools'], cautions: ['cold-engine'],
      steps: [],
    },
  },
  {
    id: 'knock-sensor', title: 'Knock sensor or its wiring faulty', system: 'ignition', scope: 'engine', prior: 0.006, fuels: PETROL,
    effects: { 'code:knock-sensor': 0.95, 'sign:weak': 0.3, 'sign:pings': 0.25 },
    repair: {
      title: 'Fit a new knock sensor', parts: 30, ownerMinutes: 90, shopMinutes: 75, tools: ['hand-tools', 'torque-wrench'], cautions: ['cold-engine', 'torque'],
      steps: [],
    },
  },
];
