import type { Cause } from '../types.ts';
import { cause, fix } from './shared.ts';

/** Charging, side stand and tip-over sensor of motorcycles. */
export const MOTORCYCLE_ELECTRICS_CAUSES: readonly Cause[] = [
  cause('motorcycle-regulator', 'Motorcycle regulator/rectifier failing', 'electrical', 0.05,
    { 'reading:overcharging': 0.2, 'code:supply-high': 0.25, 'reading:charging-swings': 0.6, 'code:supply-voltage': 0.85, 'code:unit-silent': 0.4, 'code:charging-line': 0.35, 'reading:charging-low': 0.75, 'reading:battery-low': 0.6, 'lamp:charging': 0.5, 'lamp:stability': 0.35, 'gauge:lights-dim': 0.5, 'sign:no-start': 0.3, 'sign:stalls': 0.2, 'sign:warm': 0.35, 'before:jump': 0.35, 'before:battery': 0.35 },
    fix('Fit a new charging regulator', 85, 60, ['battery', 'cold-engine', 'exhaust-gas'], [], ['hand-tools', 'multimeter']), { kinds: ['motorcycle'] }),
  cause('motorcycle-stator', 'Stator of the motorcycle’s alternator burnt', 'electrical', 0.02,
    { 'code:supply-voltage': 0.8, 'code:charging-line': 0.3, 'code:unit-silent': 0.3, 'reading:charging-low': 0.9, 'reading:battery-low': 0.65, 'lamp:charging': 0.55, 'gauge:lights-dim': 0.5, 'sign:no-start': 0.35, 'sign:burnt-smell': 0.25, 'before:jump': 0.4 },
    fix('Fit a new stator', 160, 150, ['cold-engine', 'torque', 'battery'], []), { kinds: ['motorcycle'] }),
  cause('regulator-plug', 'Connector between stator and regulator burnt', 'electrical', 0.025,
    { 'reading:charging-swings': 0.4, 'code:supply-voltage': 0.7, 'code:charging-line': 0.3, 'code:unit-silent': 0.3, 'reading:charging-low': 0.75, 'reading:battery-low': 0.55, 'lamp:charging': 0.4, 'sign:burnt-smell': 0.35, 'gauge:lights-dim': 0.45 },
    fix('Replace the connector with its pins', 12, 45, ['battery'], [], ['hand-tools', 'multimeter']), { kinds: ['motorcycle'] }),
  cause('side-stand-switch', 'Side stand switch dirty or worn', 'electrical', 0.02,
    { 'code:clutch-switch': 0.3, 'code:starting': 0.35, 'code:part-electrical': 0.2, 'sign:no-start': 0.55, 'sign:stalls': 0.5, 'sign:wet': 0.3 },
    fix('Clean or replace the side stand switch', 22, 25, ['unplug'], []), { kinds: ['motorcycle'] }),
  cause('tip-over-sensor', 'Tip-over sensor has tripped or is loose', 'electrical', 0.012,
    { 'code:part-electrical': 0.3, 'code:fuel-shutoff': 0.35, 'code:stability-sensor': 0.35, 'sign:no-start': 0.7, 'before:kerb': 0.4, 'before:worked-on': 0.3 },
    fix('Set it upright, ignition off and on', 0, 10, [], []), { kinds: ['motorcycle'], isPassing: true }),
];
