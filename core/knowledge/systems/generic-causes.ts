import type { Cause } from '../types.ts';
import { cause, fix, licensed, nonsense } from './shared.ts';

/**
 * What a code commonly turns out to be when no cause of its own is kept for its part: the part that it names, its plug,
 * its wire, its supply, or what hinders it. So no code family is without a cause.
 */
export const GENERIC_CAUSES: readonly Cause[] = [
  cause('named-plug', 'Connector of the part named by the code', 'electrical', 0.012,
    { 'code:part-electrical': 0.9, 'code:part-behaviour': 0.2, 'before:worked-on': 0.3, 'before:unplugged': 0.3, 'before:washed': 0.25, 'sign:wet': 0.2 },
    fix('Clean or replace the connector', 8, 30, ['battery'], [])),
  cause('named-wire', 'Wiring to the part named by the code', 'electrical', 0.008,
    { 'code:part-electrical': 0.9, 'code:part-behaviour': 0.15, 'before:worked-on': 0.2, 'before:kerb': 0.1 },
    fix('Repair the wiring', 6, 60, ['battery'], [], ['hand-tools', 'multimeter'])),
  cause('named-part', 'The part named by the code has failed', 'electrical', 0.014,
    { 'code:part-electrical': 0.85, 'code:part-behaviour': 0.7 },
    fix('Replace the part', 60, 60, ['battery', 'cold-engine'], ['Do this only after connector, wiring and supply have been checked.', 'Compare the part numbers, and fit a new seal where there is one.', 'Clear the codes, read again, and drive.']), { priorFactors: [{ when: { kind: 'distance-over', km: 120_000 }, factor: 1.4 }] }),
  cause('named-supply', 'Supply, fuse or ground shared by several parts lost', 'electrical', 0.006,
    { 'code:part-electrical': 0.8, 'code:supply-voltage': 0.15, 'code:reference': 0.25, 'code:unit-silent': 0.1 },
    fix('Restore its power supply', 5, 45, ['battery'], ['Start with the {handbook}’s fuse page.', 'Load supply and ground at the connector with a test light and measure: less than 0.1 V may be lost.'], ['hand-tools', 'multimeter'])),
  cause('named-stuck', 'The part named by the code is stuck, dirty or blocked', 'engine', 0.01,
    { 'code:part-behaviour': 0.85 },
    fix('Clean it or free it', 12, 60, ['cold-engine'], ['Move it by hand where that is safe.', 'Clean it with what the {workshop manual} allows; check what feeds it and what it feeds.'])),
  cause('reference-short', 'One sensor shorts the shared 5 V supply', 'electrical', 0.004,
    { 'code:reference': 0.92, 'code:throttle': 0.2, 'code:pedal': 0.2, 'code:manifold-pressure': 0.25, 'code:part-electrical': 0.3, 'sign:limp': 0.4, 'sign:no-start': 0.15 },
    fix('Find the sensor that shorts it', 35, 60, ['battery'], ['Measure the 5 volts and unplug one sensor after the other: when the voltage comes back, that sensor was it.', 'Check its connector and wiring first.'], ['hand-tools', 'multimeter'])),
  cause('unit-inside', 'Control unit faulty internally, or its software', 'electrical', 0.002,
    { 'code:computer': 0.85, 'code:unit-silent': 0.2, ...nonsense(0.15), 'sign:no-start': 0.2 },
    fix('Send the control unit in to be tested', 250, 120, ['battery'], ['Check supply, grounds and water in its connector first: that is what it nearly always is.', 'A specialist tests and repairs it; a second-hand one must be coded.'])),
  cause('unit-wet', 'Water in a control unit connector', 'electrical', 0.003,
    { 'code:computer': 0.4, 'code:unit-silent': 0.5, 'code:part-electrical': 0.3, 'before:washed': 0.5, 'sign:wet': 0.4 },
    fix('Dry the connector and stop the water', 6, 60, ['battery'], ['Negative cable off, connector off: dry it with air, then use contact spray.', 'Find the way in: a drain, a seal, a cowl.'])),
  cause('software-mismatch', 'Software, or a replaced unit that was not coded', 'electrical', 0.003,
    { 'code:computer': 0.5, ...nonsense(0.35), 'before:worked-on': 0.5 },
    licensed('Have it coded', 0, 54, ['battery'], ['Ask whoever replaced it for the numbers on the old and the new unit.', 'A {workshop} with the manufacturer’s access codes it.'])),
];
