import type { Cause } from '../types.ts';
import { cause, fix, licensed } from './shared.ts';

const ELECTRIC = { fuels: ['hybrid', 'electric'] } as const;

/** The electric side: all of it is licensed work beyond looking, air filters and the coolant of its own circuit. */
export const HYBRID_CAUSES: readonly Cause[] = [
  cause('traction-fan', 'High-voltage battery fan or filter dirty', 'high-voltage', 0.014,
    { 'code:traction-battery': 0.7, 'lamp:high-voltage': 0.4, 'sign:weak': 0.25, 'before:altitude': 0.05 },
    fix('Clean the battery cooling filter', 6, 20, ['high-voltage'], [], []), ELECTRIC),
  cause('traction-cells', 'High-voltage battery cells worn or unbalanced', 'high-voltage', 0.014,
    { 'code:traction-battery': 0.88, 'code:high-voltage': 0.12, 'lamp:high-voltage': 0.75, 'sign:weak': 0.5, 'sign:thirsty': 0.4, 'sign:limp': 0.3 },
    licensed('Have the high-voltage battery tested', 900, 240, ['high-voltage'], ['Ask for the block voltages in writing.', 'Many are repaired block by block; ask about the manufacturer’s warranty first.']), { ...ELECTRIC, priorFactors: [{ when: { kind: 'age-over', years: 10 }, factor: 1.8 }] }),
  cause('traction-sensor', 'Temperature or current sensor of the high-voltage battery', 'high-voltage', 0.006,
    { 'code:traction-battery': 0.75, 'lamp:high-voltage': 0.55 },
    licensed('Have the battery’s sensors checked', 120, 120, ['high-voltage'], ['They sit inside the battery’s case, which is never opened at home.']), ELECTRIC),
  cause('inverter-coolant', 'Inverter coolant low, or its pump failed', 'high-voltage', 0.01,
    { 'code:hybrid-cooling': 0.85, 'code:hybrid-motor': 0.25, 'lamp:high-voltage': 0.5, 'sign:limp': 0.3, 'sign:warm': 0.3, 'before:towing': 0.12 },
    licensed('Have the electronics’ cooling repaired', 120, 90, ['high-voltage', 'coolant'], ['You may look at its tank, cold: the level must be between the marks and move with READY on.', 'The pump sits next to orange cables.']), ELECTRIC),
  cause('motor-sensor', 'Electric motor position or temperature sensor faulty', 'high-voltage', 0.005,
    { 'code:hybrid-motor': 0.8, 'lamp:high-voltage': 0.65, 'sign:limp': 0.5, 'sign:shakes': 0.12 },
    licensed('Have the motor’s sensors measured', 180, 180, ['high-voltage'], ['Say when it comes: cold, hot, at standstill, reversing.']), ELECTRIC),
  cause('inverter-fault', 'Inverter or motor electronics', 'high-voltage', 0.006,
    { 'code:hybrid-motor': 0.8, 'code:high-voltage': 0.2, 'lamp:high-voltage': 0.85, 'sign:limp': 0.55, 'sign:no-start': 0.35 },
    licensed('Have the inverter tested', 1100, 240, ['high-voltage'], ['Check the coolant level first: heat destroys it.', 'Ask for a repaired one and about the manufacturer’s extended warranty.']), ELECTRIC),
  cause('hybrid-damper', 'Harsh engine starts: damper or engine mount', 'high-voltage', 0.005,
    { 'code:hybrid-motor': 0.3, 'sign:shakes': 0.5, 'sign:knocks': 0.2, 'sign:rough-idle': 0.2 },
    licensed('Have damper and mounts checked', 250, 240, ['high-voltage'], ['Spark plugs and injectors that misfire at start feel the same: read the misfire counts first.']), ELECTRIC),
  cause('dc-converter', 'DC/DC converter (to 12 V) faulty', 'high-voltage', 0.006,
    { 'code:supply-high': 0.2, 'code:dc-converter': 0.88, 'code:supply-voltage': 0.4, 'reading:charging-low': 0.7, 'lamp:charging': 0.5, 'lamp:high-voltage': 0.55 },
    licensed('Have the converter tested', 450, 150, ['high-voltage', 'battery'], ['With READY on, 13.5 to 14.8 volts at the 12-volt battery mean that it works.', 'Check its 12-volt fuse first.']), ELECTRIC),
  cause('interlock-open', 'High-voltage connector or service plug not seated', 'high-voltage', 0.006,
    { 'code:high-voltage': 0.85, 'lamp:high-voltage': 0.85, 'sign:no-start': 0.6, 'before:worked-on': 0.65, 'before:kerb': 0.12 },
    licensed('Have the interlock found and closed', 40, 90, ['high-voltage'], ['Say what was worked on. Do not push orange connectors home yourself.']), ELECTRIC),
  cause('contactor-worn', 'High-voltage battery contactor faulty', 'high-voltage', 0.004,
    { 'code:high-voltage': 0.8, 'lamp:high-voltage': 0.85, 'sign:no-start': 0.6 },
    licensed('Have the contactors replaced', 260, 180, ['high-voltage'], ['A click at READY that is missing or comes twice is the sign.']), ELECTRIC),
  cause('charge-flap', 'Charging socket, its lock or temperature sensor faulty', 'high-voltage', 0.008,
    { 'code:part-electrical': 0.15, 'code:high-voltage': 0.15, 'code:dc-converter': 0.12, 'lamp:high-voltage': 0.2, 'before:washed': 0.2 },
    licensed('Have the charging socket checked', 180, 90, ['high-voltage'], ['Only look: brown pins, water, a bent lock. Try another charger first.']), ELECTRIC),
];
