import type { Cause } from '../types.ts';
import { cause, fix } from './shared.ts';

/** Exhaust pressure, flaps and blockage; wires and fuse of the oxygen sensors. */
export const EXHAUST_PATH_CAUSES: readonly Cause[] = [
  cause('exhaust-pressure-hose', 'Exhaust pressure sensor pipe blocked with soot', 'exhaust', 0.004,
    { 'code:exhaust-flap': 0.8, 'code:egr': 0.15, 'sign:limp': 0.2 },
    fix('Clean the pipe or replace the exhaust pressure sensor', 45, 45, ['cold-engine'], ['Exhaust cold: take the pipe off, poke it clear, and check its hose.', 'With the key on and the engine off it must read atmospheric pressure.'])),
  cause('exhaust-flap-stuck', 'Exhaust flap stuck or its motor failed', 'exhaust', 0.004,
    { 'code:exhaust-flap': 0.75, 'sign:weak': 0.25, 'sign:ticking-exhaust': 0.12 },
    fix('Free the exhaust flap', 40, 45, ['cold-engine', 'jacking', 'spray'], ['Exhaust cold: turn its shaft by hand, with penetrating oil.', 'If its motor hums at key-on, the shaft is stuck.'])),
  cause('exhaust-blocked', 'Exhaust or catalyst blocked', 'exhaust', 0.004,
    { 'code:exhaust-flap': 0.2, 'code:catalyst': 0.3, 'code:misfire-several': 0.25, 'sign:weak': 0.8, 'sign:uphill': 0.55, 'sign:egg-smell': 0.2, 'sign:limp': 0.15, 'reading:manifold-pressure-high': 0.6 },
    fix('Replace what is blocked', 280, 150, ['cold-engine', 'jacking', 'torque'], ['Something melted it: find out whether the engine misfired or ran rich first.', 'The law requires an approved catalyst.'])),
  cause('sensors-swapped', 'Oxygen sensor connectors swapped', 'exhaust', 0.002,
    { 'code:sensors-swapped': 0.92, 'code:lean': 0.3, 'code:rich': 0.3, 'sign:rough-idle': 0.3, 'before:worked-on': 0.9 },
    fix('Swap the connectors back', 0, 20, ['cold-engine'], ['Follow each wire from sensor to connector; bank 1 is the side of cylinder 1 (manufacturers count differently).', 'Clear the codes and watch the fuel trims.'], [])),
  cause('oxygen-wire', 'Oxygen sensor wiring melted or chafed', 'exhaust', 0.008,
    { 'code:oxygen-front': 0.5, 'code:oxygen-rear': 0.35, 'code:oxygen-heater': 0.4, 'before:worked-on': 0.2, 'before:kerb': 0.1 },
    fix('Repair the oxygen sensor’s wiring', 8, 45, ['cold-engine', 'jacking'], [], ['hand-tools', 'multimeter'])),
  cause('oxygen-heater-fuse', 'Oxygen sensor heater fuse blown', 'exhaust', 0.005,
    { 'code:oxygen-heater': 0.85, 'code:oxygen-front': 0.2 },
    fix('Replace the fuse and find what blew it', 2, 20, ['battery'], [], [])),
];
