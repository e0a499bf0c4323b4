import type { Cause } from '../types.ts';
import { PETROL } from './shared.ts';

export const FUEL_CAUSES: readonly Cause[] = [
  {
    id: 'injector-clogged', title: 'Injector {n} clogged', system: 'fuel', scope: 'cylinder', prior: 0.004, fuels: PETROL,
    priorFactors: [{ when: { kind: 'distance-over', km: 150_000 }, factor: 1.4 }],
    effects: { 'reading:misfire-same': 0.7, 'code:misfire-same': 0.8, 'code:misfire-several': 0.2, 'code:lean': 0.35, 'reading:lean-load': 0.3, 'sign:shakes': 0.65, 'sign:rough-idle': 0.6, 'sign:weak': 0.4, 'before:long-stand': 0.3, 'frame:load': 0.45, 'frame:cold': 0.35, 'frame:idle': 0.35 },
    repair: { title: 'Clean or replace injector {n}', parts: 65, ownerMinutes: 100, shopMinutes: 80, tools: ['hand-tools'], cautions: ['petrol', 'cold-engine', 'battery'], steps: ['Release the fuel pressure as the {workshop manual} says, and take the battery’s negative cable off.', 'Lift the rail, take the injector out, and fit both sealing rings new and oiled.', 'Switch the ignition on three times before you start, and look for drips before the covers go back.'] },
  },
  {
    id: 'injector-circuit', title: 'Wiring or connector of injector {n} faulty', system: 'fuel', scope: 'cylinder', prior: 0.003, fuels: PETROL,
    effects: { 'reading:misfire-same': 0.85, 'code:injector-same': 0.92, 'code:misfire-same': 0.85, 'code:misfire-several': 0.2, 'sign:shakes': 0.75, 'sign:rough-idle': 0.65, 'sign:weak': 0.4, 'before:worked-on': 0.4 },
    repair: { title: 'Repair the connector or wiring of injector {n}', parts: 5, ownerMinutes: 40, shopMinutes: 45, tools: ['hand-tools', 'multimeter'], cautions: ['petrol', 'battery'], steps: ['Ignition off: check that the connector is on, its catch closed and its pins clean.', 'Measure the injector: 11 to 18 Ω with port injection, 0.5 to 3 Ω with direct injection, and like its {neighbours}.', 'Repair the wire and seal it.'] },
  },
  {
    id: 'injector-leaking', title: 'An injector leaks', system: 'fuel', scope: 'engine', prior: 0.006, fuels: PETROL,
    effects: { 'reading:catalyst-hot': 0.2, 'sign:egg-smell': 0.12, 'sign:no-start': 0.05, 'code:rich': 0.75, 'code:misfire-several': 0.25, 'reading:rich': 0.8, 'sign:fuel-wet': 0.12, 'sign:fuel-smell': 0.6, 'sign:hard-start': 0.5, 'sign:black-smoke': 0.45, 'sign:thirsty': 0.6, 'sign:warm': 0.3 },
    repair: { title: 'Find and replace the leaking injector', parts: 65, ownerMinutes: 120, shopMinutes: 90, tools: ['hand-tools', 'fuel-gauge'], cautions: ['petrol', 'cold-engine', 'battery'], steps: ['Release the fuel pressure as the {workshop manual} says.', 'Port injection only, engine cold: lift the rail with every injector clipped or wired to it, over a catch pan, with no sparks near. Run the pump for two seconds and see which one drips. Otherwise have the injectors leak-tested.', 'Fit the new injector with new rings, prime, and look for drips.'] },
  },
  {
    id: 'fuel-filter', title: 'Fuel filter blocked', system: 'fuel', scope: 'engine', prior: 0.01,
    priorFactors: [{ when: { kind: 'distance-over', km: 100_000 }, factor: 1.4 }],
    effects: { 'before:service-overdue': 0.7, 'reading:rail-low': 0.35, 'code:lean': 0.6, 'code:fuel-pressure': 0.35, 'code:misfire-several': 0.3, 'reading:lean-load': 0.75, 'sign:weak': 0.6, 'sign:uphill': 0.7, 'frame:load': 0.75 },
    repair: { title: 'Fit a new fuel filter', parts: 22, ownerMinutes: 50, shopMinutes: 40, tools: ['hand-tools'], cautions: ['petrol', 'jacking'], steps: [] },
  },
  {
    id: 'fuel-pump-weak', title: 'Fuel pump weak', system: 'fuel', scope: 'engine', prior: 0.01,
    priorFactors: [{ when: { kind: 'distance-over', km: 150_000 }, factor: 1.6 }],
    effects: { 'sign:no-start': 0.35, 'sign:limp': 0.1, 'code:lean': 0.6, 'code:fuel-pressure': 0.5, 'code:misfire-several': 0.35, 'reading:lean-load': 0.8, 'sign:weak': 0.65, 'sign:uphill': 0.7, 'sign:hard-start': 0.5, 'sign:stalls-rolling': 0.25, 'sign:stalls': 0.3, 'frame:load': 0.75 },
    repair: { title: 'Replace the fuel pump', parts: 130, ownerMinutes: 150, shopMinutes: 110, tools: ['hand-tools', 'fuel-gauge'], cautions: ['petrol', 'battery'], steps: ['Measure pressure and current first; a bad ground looks the same.', 'Work with the tank nearly empty, outdoors, with a fire extinguisher at hand.', 'Fit a new sealing ring and prime three times.'] },
  },
  {
    id: 'regulator-leaking', title: 'Fuel pressure regulator leaks', system: 'fuel', scope: 'engine', prior: 0.005, fuels: PETROL,
    effects: { 'sign:egg-smell': 0.1, 'code:rich': 0.75, 'code:fuel-pressure': 0.25, 'reading:rich': 0.8, 'sign:fuel-wet': 0.1, 'sign:fuel-smell': 0.5, 'sign:black-smoke': 0.4, 'sign:hard-start': 0.4, 'sign:thirsty': 0.55 },
    repair: { title: 'Fit a new fuel pressure regulator', parts: 45, ownerMinutes: 45, shopMinutes: 40, tools: ['hand-tools'], cautions: ['petrol', 'cold-engine'], steps: ['{Petrol} in its vacuum hose proves it.', 'Release the pressure, fit the new one with a new ring, prime, and look for drips.'] },
  },
  {
    id: 'bad-fuel', title: 'Bad or wrong fuel', system: 'fuel', scope: 'engine', prior: 0.008, isPassing: true, endsByItself: true,
    effects: { 'code:misfire-several': 0.5, 'code:misfire-other': 0.2, 'code:lean': 0.35, 'sign:shakes': 0.4, 'sign:rough-idle': 0.5, 'sign:weak': 0.5, 'sign:hard-start': 0.4, 'sign:pings': 0.4, 'before:refuelled': 0.85, 'before:long-stand': 0.25 },
    repair: { title: 'Use up the fuel and refill with good fuel', parts: 15, ownerMinutes: 15, shopMinutes: 60, tools: [], cautions: ['petrol'], steps: ['Wrong fuel (diesel in a {petrol} {car} or the other way round): do not even switch the ignition on; have the tank drained.', 'Old or watery fuel: fill up with fresh fuel and drive gently.'] },
  },
  {
    id: 'tank-low', title: 'Tank nearly empty, pump drew air', system: 'fuel', scope: 'engine', prior: 0.005, isPassing: true, endsByItself: true,
    effects: { 'sign:no-start': 0.3, 'code:misfire-several': 0.55, 'code:lean': 0.35, 'code:fuel-pressure': 0.25, 'sign:stalls': 0.45, 'sign:weak': 0.4, 'sign:uphill': 0.4 },
    repair: { title: 'Refuel and watch', parts: 0, ownerMinutes: 10, shopMinutes: 10, tools: [], cautions: ['petrol'], steps: ['Fill at least a quarter of the tank.', 'Read again after two drives.'] },
  },
  {
    id: 'purge-stuck', title: 'EVAP purge valve stuck open', system: 'fuel', scope: 'engine', prior: 0.018, fuels: PETROL,
    effects: { 'code:purge': 0.55, 'code:evap-leak': 0.25, 'code:lean': 0.3, 'code:rich': 0.2, 'reading:lean-idle': 0.4, 'sign:rough-idle': 0.4, 'sign:hard-start': 0.4, 'before:refuelled': 0.55, 'sign:fuel-smell': 0.25 },
    repair: { title: 'Fit a new purge valve', parts: 28, ownerMinutes: 20, shopMinutes: 20, tools: ['hand-tools'], cautions: ['petrol', 'cold-engine', 'fuel-vapour'], steps: [] },
  },
  {
    id: 'fuel-cap', title: 'Fuel cap loose or its seal cracked', system: 'fuel', scope: 'engine', prior: 0.05, isPassing: true, fuels: PETROL,
    effects: { 'before:altitude': 0.06, 'code:evap-leak': 0.9, 'before:refuelled': 0.75, 'sign:fuel-smell': 0.15 },
    repair: { title: 'Close or replace the fuel cap', parts: 12, ownerMinutes: 5, shopMinutes: 10, tools: [], cautions: [], steps: [] },
  },
  {
    id: 'evap-hose', title: 'EVAP hose or canister leaks', system: 'fuel', scope: 'engine', prior: 0.02, fuels: PETROL,
    priorFactors: [{ when: { kind: 'age-over', years: 10 }, factor: 1.5 }],
    effects: { 'code:evap-leak': 0.92, 'sign:fuel-wet': 0.04, 'sign:fuel-smell': 0.25 },
    repair: { title: 'Find and repair the {vapour} leak', parts: 25, ownerMinutes: 90, shopMinutes: 80, tools: ['hand-tools'], cautions: ['petrol', 'jacking', 'fuel-vapour'], steps: [] },
  },
];
