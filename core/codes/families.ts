import type { CodeEntry } from './entry.ts';
import { BODY } from './families/body.ts';
import { CHASSIS } from './families/chassis.ts';
import { NETWORK } from './families/network.ts';
import { P0_FUEL_AND_AIR } from './families/p0-fuel-and-air.ts';
import { P0_HYBRID } from './families/p0-hybrid.ts';
import { P0_IGNITION_EMISSION } from './families/p0-ignition-emission.ts';
import { P0_INPUTS_OUTPUTS } from './families/p0-inputs-outputs.ts';
import { P0_TRANSMISSION } from './families/p0-transmission.ts';
import { P2_FUEL_AND_AIR } from './families/p2-fuel-and-air.ts';
import { P2_IGNITION_EMISSION } from './families/p2-ignition-emission.ts';
import { P2_INPUTS_OUTPUTS } from './families/p2-inputs-outputs.ts';
import { P2_TRANSMISSION } from './families/p2-transmission.ts';
import { P3_CYLINDER_CUT } from './families/p3-cylinder-cut.ts';
import { once } from './once.ts';

/** Every described code of SAE J2012 / ISO 15031-6, family by family. */
export const codeEntries = once((): readonly CodeEntry[] => [
  ...P0_FUEL_AND_AIR(),
  ...P0_IGNITION_EMISSION(),
  ...P0_INPUTS_OUTPUTS(),
  ...P0_TRANSMISSION(),
  ...P0_HYBRID(),
  ...P2_FUEL_AND_AIR(),
  ...P2_IGNITION_EMISSION(),
  ...P2_INPUTS_OUTPUTS(),
  ...P2_TRANSMISSION(),
  ...P3_CYLINDER_CUT(),
  ...NETWORK(),
  ...CHASSIS(),
  ...BODY(),
]);
