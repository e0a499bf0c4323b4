import { AIR_AND_FUEL_PARTS } from './components/air-and-fuel.ts';
import { BODY_PARTS } from './components/body.ts';
import { CHASSIS_PARTS } from './components/chassis.ts';
import { CONTROL_PARTS } from './components/control.ts';
import { ENGINE_PARTS } from './components/engine.ts';
import { EXHAUST_PARTS } from './components/exhaust.ts';
import { HYBRID_PARTS } from './components/hybrid.ts';
import { NETWORK_PARTS } from './components/network.ts';
import { TRANSMISSION_PARTS } from './components/transmission.ts';
import type { Component } from './part.ts';

/** Every part that a code of the catalogue speaks of. */
export const COMPONENTS = {
  ...ENGINE_PARTS,
  ...AIR_AND_FUEL_PARTS,
  ...EXHAUST_PARTS,
  ...CONTROL_PARTS,
  ...TRANSMISSION_PARTS,
  ...HYBRID_PARTS,
  ...NETWORK_PARTS,
  ...CHASSIS_PARTS,
  ...BODY_PARTS,
} as const satisfies Record<string, Component>;
export type ComponentId = keyof typeof COMPONENTS;
