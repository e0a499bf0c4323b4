import type { Cause } from '../types.ts';
import { seal } from './shared.ts';

export const COOLING_CAUSES: readonly Cause[] = [
  {
    id: 'coolant-sensor', title: 'Coolant temperature sensor or its connector faulty', system: 'cooling', scope: 'engine', prior: 0.012,
    effects: { 'reading:coolant-soak': 0.4, 'gauge:cold': 0.3, 'lamp:temperature': 0.05, 'before:unplugged': 0.15, 'code:coolant-temperature': 0.92, 'code:rich': 0.15, 'reading:coolant-temperature-rail': 0.7, 'sign:hard-start': 0.4, 'sign:thirsty': 0.45, 'before:worked-on': 0.2 },
    repair: seal('Fit a new coolant temperature sensor', 18, 30, [], ['cold-engine', 'coolant']),
  },
  {
    id: 'thermostat-open', title: 'Thermostat stuck open', system: 'cooling', scope: 'engine', prior: 0.02,
    priorFactors: [{ when: { kind: 'age-over', years: 7 }, factor: 1.4 }],
    effects: { 'gauge:cold': 0.8, 'code:runs-cold': 0.85, 'reading:runs-cold': 0.85, 'sign:thirsty': 0.35, 'code:catalyst': 0.02 },
    repair: seal('Fit a new thermostat', 30, 80, [], ['cold-engine', 'coolant']),
  },
  {
    id: 'coolant-low', title: 'Coolant low (leak)', system: 'cooling', scope: 'engine', prior: 0.012,
    effects: { 'code:overheat': 0.5, 'reading:hot': 0.5, 'code:coolant': 0.5, 'gauge:coolant-low': 0.95, 'gauge:hot': 0.5, 'lamp:temperature': 0.45, 'sign:sweet-smell': 0.4, 'code:runs-cold': 0.05 },
    repair: seal('Find and repair the leak, top up', 25, 70, [], ['cold-engine', 'coolant']),
  },
  {
    id: 'thermostat-closed', title: 'Thermostat stuck closed', system: 'cooling', scope: 'engine', prior: 0.005,
    effects: { 'code:overheat': 0.6, 'reading:hot': 0.8, 'gauge:hot': 0.9, 'lamp:temperature': 0.7, 'gauge:coolant-low': 0.15 },
    repair: seal('Fit a new thermostat', 30, 80, [], ['cold-engine', 'coolant']),
  },
  {
    id: 'cooling-fan', title: 'Cooling fan does not run', system: 'cooling', scope: 'engine', prior: 0.007,
    effects: { 'code:overheat': 0.45, 'reading:hot': 0.6, 'code:coolant': 0.75, 'gauge:hot': 0.6, 'lamp:temperature': 0.4 },
    repair: { title: 'Repair the fan: fuse, relay, connector or motor', parts: 60, ownerMinutes: 60, shopMinutes: 50, tools: ['hand-tools', 'multimeter'], cautions: ['moving-parts', 'cold-engine'], steps: [] },
  },
  {
    id: 'water-pump', title: 'Water pump worn, or its drive slipping', system: 'cooling', scope: 'engine', prior: 0.005,
    priorFactors: [{ when: { kind: 'distance-over', km: 120_000 }, factor: 1.5 }],
    effects: { 'code:overheat': 0.5, 'reading:hot': 0.7, 'gauge:hot': 0.7, 'lamp:temperature': 0.55, 'gauge:coolant-low': 0.5, 'sign:sweet-smell': 0.3, 'sign:squeals': 0.2 },
    repair: { title: 'Fit a new water pump', parts: 70, ownerMinutes: 240, shopMinutes: 160, tools: ['hand-tools', 'torque-wrench'], cautions: ['cold-engine', 'coolant'], steps: [] },
  },
  {
    id: 'head-gasket', title: 'Cylinder head gasket leaks', system: 'cooling', scope: 'engine', prior: 0.003,
    priorFactors: [{ when: { kind: 'distance-over', km: 150_000 }, factor: 1.5 }],
    effects: { 'code:overheat': 0.35, 'reading:hot': 0.5, 'gauge:hot': 0.6, 'lamp:temperature': 0.5, 'gauge:coolant-low': 0.75, 'sign:white-smoke': 0.6, 'sign:sweet-smell': 0.5, 'code:misfire-several': 0.2, 'sign:rough-idle': 0.3, 'before:towing': 0.15 },
    repair: { title: 'Have the head gasket replaced', parts: 180, ownerMinutes: 900, shopMinutes: 600, tools: ['hand-tools', 'torque-wrench'], cautions: ['cold-engine', 'coolant', 'torque'], steps: ['Prove it first with an exhaust-gas test of the coolant.', 'The head must be checked for flatness; ask for the figure.'], isLicensed: true },
  },
];
