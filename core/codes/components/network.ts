import { part, type Component } from '../part.ts';

/** Control units and the wires between them. */
export const NETWORK_PARTS = {
  unit: part('control unit', 'control module', 'network', 'Control units tell each other what they measure. One that falls silent leaves the others without.'),
  'control-module': part('control unit', 'control module', 'network', 'The computer that reports this speaks of itself.'),
  'data-bus': part('data bus', 'communication bus', 'network', 'Two wires on which the control units talk to each other.'),
  'battery-voltage': part('battery voltage', 'battery voltage', 'charging', 'Every control unit needs it; too little, and they report faults that are none.'),
} as const satisfies Record<string, Component>;
