import type { Cause } from '../types.ts';
import { seal } from './shared.ts';

/** What air that is not measured shows, wherever it gets in. */
const LEAK_EFFECTS = {
  'code:lean': 0.75, 'code:misfire-several': 0.2, 'code:idle': 0.3, 'reading:lean-idle': 0.85, 'reading:lean-load': 0.2,
  'sign:rough-idle': 0.6, 'sign:high-idle': 0.35, 'sign:hiss': 0.5, 'sign:stalls': 0.15, 'sign:weak': 0.2, 'frame:idle': 0.5, 'frame:load': 0.2,
} as const;

export const AIR_CAUSES: readonly Cause[] = [
  {
    id: 'intake-hose-split', title: 'Intake hose split after the air flow sensor', system: 'air', scope: 'engine', prior: 0.02,
    priorFactors: [{ when: { kind: 'age-over', years: 8 }, factor: 1.5 }],
    effects: { ...LEAK_EFFECTS, 'reading:air-flow-low': 0.55, 'reading:lean-load': 0.35, 'sign:weak': 0.35, 'before:worked-on': 0.2 },
    repair: seal('Fit a new intake hose', 35, 35, [], ['cold-engine', 'vacuum-hose', 'exhaust-gas']),
  },
  {
    id: 'vacuum-hose-off', title: 'Vacuum hose off or split', system: 'air', scope: 'engine', prior: 0.03,
    priorFactors: [{ when: { kind: 'age-over', years: 8 }, factor: 1.4 }],
    effects: { 'before:unplugged': 0.35, ...LEAK_EFFECTS, 'sign:hiss': 0.65, 'before:worked-on': 0.35 },
    repair: seal('Replace the vacuum hose', 8, 20, [], ['cold-engine', 'vacuum-hose', 'exhaust-gas']),
  },
  {
    id: 'intake-gasket', title: 'Intake manifold gasket leaks', system: 'air', scope: 'engine', prior: 0.012,
    priorFactors: [{ when: { kind: 'distance-over', km: 120_000 }, factor: 1.5 }],
    effects: { ...LEAK_EFFECTS, 'sign:cold': 0.45, 'frame:cold': 0.5, 'sign:hiss': 0.3 },
    repair: { ...seal('Fit new intake manifold gaskets', 25, 150, []), tools: ['hand-tools', 'torque-wrench'], cautions: ['cold-engine', 'torque', 'vacuum-hose'] },
  },
  {
    id: 'brake-booster-leak', title: 'Brake booster leaks', system: 'air', scope: 'engine', prior: 0.005,
    effects: { 'sign:hard-pedal': 0.5, ...LEAK_EFFECTS, 'sign:hiss': 0.7 },
    repair: { ...seal('Have the brake booster checked', 140, 120, ['A hiss at the pedal that changes when you press it comes from the booster.', 'Your brakes are at stake: leave the booster to a {workshop}. Do not drive with a hard pedal.']), isLicensed: true },
  },
  {
    id: 'breather-stuck', title: 'Crankcase breather valve stuck open', system: 'air', scope: 'engine', prior: 0.012,
    effects: { ...LEAK_EFFECTS, 'sign:blue-smoke': 0.25, 'sign:hiss': 0.5, 'sign:high-idle': 0.3 },
    repair: seal('Fit a new breather valve', 22, 30, []),
  },
  {
    id: 'oil-cap-open', title: 'Oil cap or dipstick not closed', system: 'air', scope: 'engine', prior: 0.006, isPassing: true,
    effects: { ...LEAK_EFFECTS, 'code:lean': 0.45, 'before:worked-on': 0.5 },
    repair: seal('Close the oil cap, push the dipstick in', 0, 3, ['Push the dipstick in, turn the oil cap fully home and look at its seal.']),
  },
  {
    id: 'maf-unplugged', title: 'Air flow sensor unplugged', system: 'air', scope: 'engine', prior: 0.006,
    effects: { 'code:nonsense-engine': 0.45, 'before:unplugged': 0.7, 'sign:limp': 0.15, 'code:air-flow-circuit': 0.97, 'code:intake-temperature': 0.35, 'code:lean': 0.15, 'reading:air-flow-dead': 0.95, 'reading:intake-temperature-rail': 0.35, 'sign:weak': 0.6, 'sign:rough-idle': 0.35, 'sign:stalls': 0.25, 'before:worked-on': 0.8 },
    repair: seal('Plug the air flow sensor in', 0, 5, []),
  },
  {
    id: 'maf-failed', title: 'Air flow sensor failed', system: 'air', scope: 'engine', prior: 0.012,
    effects: { 'code:nonsense-engine': 0.45, 'code:air-flow-circuit': 0.7, 'code:air-flow-range': 0.3, 'code:lean': 0.25, 'reading:air-flow-dead': 0.6, 'reading:air-flow-low': 0.4, 'sign:weak': 0.6, 'sign:rough-idle': 0.35, 'sign:thirsty': 0.3 },
    repair: { ...seal('Fit a new air flow sensor', 85, 20, []), cautions: ['cold-engine'] },
  },
  {
    id: 'maf-wiring', title: 'Wiring to the air flow sensor broken', system: 'air', scope: 'engine', prior: 0.006,
    effects: { 'code:nonsense-engine': 0.45, 'code:air-flow-circuit': 0.92, 'reading:air-flow-dead': 0.8, 'sign:weak': 0.5, 'sign:stalls': 0.2, 'before:worked-on': 0.25 },
    repair: { ...seal('Repair the wiring to the air flow sensor', 6, 60, []), tools: ['hand-tools', 'multimeter'], cautions: ['battery'] },
  },
  {
    id: 'maf-dirty', title: 'Air flow sensor dirty', system: 'air', scope: 'engine', prior: 0.025,
    priorFactors: [{ when: { kind: 'modified' }, factor: 2 }],
    effects: { 'code:lean': 0.6, 'code:air-flow-range': 0.25, 'reading:air-flow-low': 0.7, 'reading:lean-load': 0.7, 'reading:lean-idle': 0.3, 'sign:weak': 0.5, 'sign:uphill': 0.4, 'before:modified': 0.25, 'frame:load': 0.5 },
    repair: { ...seal('Clean the air flow sensor', 0, 20, []), tools: ['cleaner-spray', 'hand-tools'], cautions: ['cold-engine', 'spray'] },
  },
  {
    id: 'air-filter', title: 'Air filter blocked', system: 'air', scope: 'engine', prior: 0.008,
    effects: { 'before:service-overdue': 0.75, 'before:altitude': 0.08, 'code:air-flow-range': 0.1, 'code:rich': 0.12, 'sign:weak': 0.6, 'sign:thirsty': 0.5, 'sign:uphill': 0.4, 'frame:load': 0.5 },
    repair: seal('Fit a new air filter', 14, 10, []),
  },
  {
    id: 'map-failed', title: 'Manifold pressure sensor or its hose faulty', system: 'air', scope: 'engine', prior: 0.01,
    effects: { 'reading:air-flow-high': 0.2, 'reading:pressure-off': 0.6, 'reading:pressure-stuck': 0.5, 'before:altitude': 0.12, 'sign:limp': 0.2, 'code:manifold-pressure': 0.85, 'code:lean': 0.12, 'code:rich': 0.2, 'reading:manifold-pressure-high': 0.5, 'reading:rich': 0.3, 'sign:weak': 0.5, 'sign:thirsty': 0.4, 'sign:rough-idle': 0.35 },
    repair: seal('Fit a new manifold pressure sensor', 35, 20, []),
  },
  {
    id: 'iat-unplugged', title: 'Intake temperature sensor unplugged', system: 'air', scope: 'engine', prior: 0.005,
    effects: { 'before:unplugged': 0.7, 'code:intake-temperature': 0.97, 'reading:intake-temperature-rail': 0.97, 'sign:hard-start': 0.2, 'sign:thirsty': 0.3, 'before:worked-on': 0.75 },
    repair: seal('Plug the intake temperature sensor in', 0, 5, []),
  },
  {
    id: 'iat-failed', title: 'Intake air temperature sensor or its wiring faulty', system: 'air', scope: 'engine', prior: 0.008,
    effects: { 'reading:coolant-soak': 0.25, 'reading:intake-soak': 0.35, 'code:intake-temperature': 0.95, 'reading:intake-temperature-rail': 0.8, 'sign:hard-start': 0.2, 'sign:thirsty': 0.3 },
    repair: seal('Fit a new intake temperature sensor', 18, 15, []),
  },
  {
    id: 'throttle-dirty', title: 'Throttle body dirty', system: 'air', scope: 'engine', prior: 0.02, fuels: ['petrol', 'hybrid', 'lpg', 'unknown'],
    priorFactors: [{ when: { kind: 'distance-over', km: 100_000 }, factor: 1.4 }],
    effects: { 'reading:throttle-lags': 0.2, 'code:idle': 0.6, 'code:throttle': 0.15, 'sign:rough-idle': 0.5, 'sign:stalls': 0.45, 'frame:idle': 0.7, 'before:battery': 0.15 },
    repair: { ...seal('Clean the throttle body', 6, 40, []), cautions: ['cold-engine', 'spray'] },
  },
  {
    id: 'throttle-actuator', title: 'Throttle body: its motor or its sensors failing', system: 'air', scope: 'engine', prior: 0.012,
    effects: { 'reading:throttle-lags': 0.5, 'reading:pedal-tracks': 0.2, 'code:nonsense-engine': 0.45, 'sign:limp': 0.7, 'code:throttle': 0.92, 'code:idle': 0.15, 'sign:weak': 0.65, 'sign:stalls': 0.25 },
    repair: seal('Fit a new throttle body', 160, 60, []),
  },
  {
    id: 'egr-stuck', title: 'EGR valve stuck open', system: 'air', scope: 'engine', prior: 0.01,
    effects: { 'reading:egr-off': 0.8, 'code:egr': 0.75, 'code:misfire-several': 0.2, 'reading:manifold-pressure-high': 0.4, 'sign:rough-idle': 0.6, 'sign:stalls': 0.35, 'sign:weak': 0.3, 'frame:idle': 0.5 },
    repair: seal('Clean or replace the EGR valve', 60, 80, []),
  },
];
