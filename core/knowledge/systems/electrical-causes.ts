import type { Cause } from '../types.ts';
import { nonsense } from './shared.ts';

export const ELECTRICAL_CAUSES: readonly Cause[] = [
  {
    id: 'battery-weak', title: 'Battery weak', system: 'electrical', scope: 'engine', prior: 0.015,
    priorFactors: [{ when: { kind: 'age-over', years: 5 }, factor: 1.4 }],
    effects: { 'code:unit-silent': 0.35, 'lamp:abs': 0.1, 'lamp:stability': 0.1, 'sign:no-start': 0.45, 'gauge:lights-dim': 0.35, 'before:jump': 0.6, 'code:supply-voltage': 0.5, 'code:throttle': 0.06, 'reading:battery-low': 0.75, 'sign:hard-start': 0.7, 'before:battery': 0.6, 'before:long-stand': 0.5 },
    repair: { title: 'Charge or replace the battery', parts: 85, ownerMinutes: 25, shopMinutes: 20, tools: ['hand-tools'], cautions: ['battery'], steps: [] },
  },
  {
    id: 'alternator', title: 'Alternator or its regulator does not charge', system: 'electrical', scope: 'engine', prior: 0.012,
    effects: { 'code:supply-high': 0.15, 'reading:charging-swings': 0.2, 'code:unit-silent': 0.35, 'lamp:charging': 0.85, 'gauge:lights-dim': 0.6, 'sign:no-start': 0.25, 'before:jump': 0.5, 'code:supply-voltage': 0.7, 'reading:charging-low': 0.9, 'reading:battery-low': 0.5, 'sign:hard-start': 0.4, 'before:battery': 0.4 },
    repair: { title: 'Repair the charging system', parts: 160, ownerMinutes: 100, shopMinutes: 80, tools: ['hand-tools', 'multimeter'], cautions: ['battery', 'moving-parts'], steps: [] },
  },
  {
    id: 'ground-bad', title: 'Ground strap corroded', system: 'electrical', scope: 'engine', prior: 0.006,
    priorFactors: [{ when: { kind: 'age-over', years: 10 }, factor: 1.6 }],
    effects: { 'code:unit-silent': 0.2, 'gauge:lights-dim': 0.15, 'before:jump': 0.15, 'code:supply-voltage': 0.4, 'code:misfire-several': 0.25, 'code:crank-sensor': 0.08, 'code:throttle': 0.1, 'sign:hard-start': 0.5, 'sign:rough-idle': 0.2, 'sign:wet': 0.15 },
    repair: { title: 'Clean or replace the ground strap', parts: 9, ownerMinutes: 30, shopMinutes: 30, tools: ['hand-tools', 'multimeter'], cautions: ['battery'], steps: [] },
  },
  {
    id: 'drive-belt', title: 'Drive belt (serpentine, V-ribbed) slips or is worn', system: 'electrical', scope: 'engine', prior: 0.008,
    priorFactors: [{ when: { kind: 'distance-over', km: 90_000 }, factor: 1.5 }],
    effects: { 'sign:squeals': 0.8, 'lamp:charging': 0.3, 'reading:charging-low': 0.35, 'sign:burnt-smell': 0.25, 'gauge:lights-dim': 0.2, 'sign:heavy-steering': 0.15, 'sign:wet': 0.4 },
    repair: { title: 'Fit a new drive belt', parts: 28, ownerMinutes: 50, shopMinutes: 40, tools: ['hand-tools'], cautions: ['moving-parts', 'battery'], steps: [] },
  },
  {
    id: 'starter', title: 'Starter motor or its cable faulty', system: 'electrical', scope: 'engine', prior: 0.008,
    effects: { 'sign:no-start': 0.85, 'sign:hard-start': 0.4 },
    repair: { title: 'Repair the starter circuit', parts: 120, ownerMinutes: 120, shopMinutes: 90, tools: ['hand-tools', 'multimeter'], cautions: ['battery', 'jacking'], steps: ['Check battery and cables first: a new starter on a bad cable changes nothing.', 'Take the negative cable off before you touch the large cable.'] },
  },
  {
    id: 'unit-supply', title: 'Fuse, connector or ground of one control unit', system: 'electrical', scope: 'engine', prior: 0.006,
    effects: { 'code:unit-silent': 0.92, 'before:worked-on': 0.25, 'before:unplugged': 0.2, 'before:washed': 0.15 },
    repair: { title: 'Restore the control unit’s power supply', parts: 4, ownerMinutes: 45, shopMinutes: 50, tools: ['hand-tools', 'multimeter'], cautions: ['battery'], steps: ['Check its fuse first: the {handbook}’s fuse page names it. A new one that blows at once means a short.', 'Look at its connector for water, corroded pins, or a catch that hangs.', 'Load the supply and ground at the connector with a test light: battery voltage, and less than 0.1 V lost.'] },
  },
  {
    id: 'bus-wire', title: 'Data bus wiring chafed, shorted or wet', system: 'electrical', scope: 'engine', prior: 0.003,
    effects: { 'code:unit-silent': 0.85, ...nonsense(0.3), 'before:worked-on': 0.2, 'before:washed': 0.2, 'sign:no-start': 0.15 },
    repair: { title: 'Find and repair the data bus wiring', parts: 10, ownerMinutes: 150, shopMinutes: 120, tools: ['hand-tools', 'multimeter'], cautions: ['battery'], steps: ['Look where the wiring bends: door, {boot}, engine, anything fitted later.', 'Twist the repaired wires as they were; solder and shrink them, with no screw clamps.'] },
  },
];
