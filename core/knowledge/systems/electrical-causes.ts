import type { Cause } from '../types.ts';

export const ELECTRICAL_CAUSES: readonly Cause[] = [
  {
    id: 'battery-weak', title: 'Battery weak', system: 'electrical', scope: 'engine', prior: 0.015,
    priorFactors: [{ when: { kind: 'age-over', years: 5 }, factor: 1.4 }],
    effects: { 'code:supply-voltage': 0.5, 'code:throttle': 0.06, 'reading:battery-low': 0.75, 'sign:hard-start': 0.7, 'before:battery': 0.6, 'before:long-stand': 0.5 },
    repair: { title: 'Charge or replace the battery', parts: 85, ownerMinutes: 25, shopMinutes: 20, tools: ['hand-tools'], cautions: ['battery'], steps: ['Charge overnight and test before you buy.', 'Earth lead off first, on last.', 'Radio code and windows may have to be set again.'] },
  },
  {
    id: 'alternator', title: 'Alternator or its belt does not charge', system: 'electrical', scope: 'engine', prior: 0.012,
    effects: { 'code:supply-voltage': 0.7, 'reading:charging-low': 0.9, 'reading:battery-low': 0.5, 'sign:hard-start': 0.4, 'before:battery': 0.4 },
    repair: { title: 'Mend the charging', parts: 160, ownerMinutes: 100, shopMinutes: 80, tools: ['hand-tools', 'multimeter'], cautions: ['battery', 'moving-parts'], steps: ['Belt tight and dry? Plug on?', 'Measure at the alternator itself: a bad cable looks the same.', 'Battery earth off before you touch the big nut.'] },
  },
  {
    id: 'ground-bad', title: 'Ground strap corroded', system: 'electrical', scope: 'engine', prior: 0.006,
    priorFactors: [{ when: { kind: 'age-over', years: 10 }, factor: 1.6 }],
    effects: { 'code:supply-voltage': 0.4, 'code:misfire-several': 0.25, 'code:crank-sensor': 0.08, 'code:throttle': 0.1, 'sign:hard-start': 0.5, 'sign:rough-idle': 0.2, 'sign:wet': 0.15 },
    repair: { title: 'Clean or renew the ground strap', parts: 9, ownerMinutes: 30, shopMinutes: 30, tools: ['hand-tools', 'multimeter'], cautions: ['battery'], steps: ['Both ends off, bright metal, grease over the joint.', 'Measure again while cranking: under 0.2 V.'] },
  },
];
