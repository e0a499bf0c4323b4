import { part, type Component } from '../part.ts';

/** Control units and the wires between them. */
export const NETWORK_PARTS = {
  unit: part('control unit', 'control module', 'network', 'Control units share what they measure. When one goes silent, the others lack its data.'),
  'control-module': part('control unit', 'control module', 'network', 'The control unit that reports this means itself.'),
  'data-bus': part('vehicle communication bus', 'communication bus; data bus', 'network', 'Two wires on which the control units talk to each other.'),
  'battery-voltage': part('battery voltage', 'battery voltage', 'charging', 'Every control unit needs it; if it is too low they report faults that do not exist.'),
} as const satisfies Record<string, Component>;
