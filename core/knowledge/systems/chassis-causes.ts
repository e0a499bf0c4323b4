import type { Cause } from '../types.ts';

/** Brakes, stability, steering and tyres, airbag, high voltage, gearbox: what their lamps commonly turn out to be. */
export const CHASSIS_CAUSES: readonly Cause[] = [
  {
    id: 'brake-fluid-low', title: 'Brake fluid low: pads worn or a leak', system: 'brakes', scope: 'engine', prior: 0.012,
    effects: { 'lamp:brakes': 0.85, 'sign:long-pedal': 0.3, 'sign:grinds': 0.25 },
    repair: { title: 'Have the pads and the brake circuit checked', parts: 60, ownerMinutes: 120, shopMinutes: 80, tools: ['hand-tools'], cautions: ['brakes', 'jacking'], steps: ['Check the fluid level; do not just top it up: low fluid means worn pads or a leak.', 'With a soft pedal, or fluid on a wheel, do not move the {car}.'], isLicensed: true },
  },
  {
    id: 'parking-brake-on', title: 'Parking brake not fully released, or its switch faulty', system: 'brakes', scope: 'engine', prior: 0.008, isPassing: true,
    effects: { 'lamp:brakes': 0.9, 'sign:burnt-smell': 0.2 },
    repair: { title: 'Release it, or adjust its switch', parts: 0, ownerMinutes: 20, shopMinutes: 20, tools: ['hand-tools'], cautions: ['brakes'], steps: ['On level ground, wheels chocked: pull it up firmly, then release it fully.', 'If the light goes out when you push the lever further down by hand, its switch needs adjusting.'] },
  },
  {
    id: 'brake-pads', title: 'Brake pads worn to their sensor', system: 'brakes', scope: 'engine', prior: 0.01,
    effects: { 'lamp:brakes': 0.5, 'sign:grinds': 0.6, 'sign:pulls-aside': 0.15 },
    repair: { title: 'Have the pads of that axle replaced', parts: 50, ownerMinutes: 120, shopMinutes: 70, tools: ['hand-tools', 'torque-wrench'], cautions: ['brakes', 'jacking', 'torque'], steps: ['Both sides of an axle are always done together.', 'If you have never done it, have it done by a qualified {workshop}.'], isLicensed: true },
  },
  {
    id: 'wheel-speed-sensor', title: 'Wheel speed sensor, its tone ring or its wiring', system: 'brakes', scope: 'engine', prior: 0.016,
    priorFactors: [{ when: { kind: 'age-over', years: 8 }, factor: 1.4 }],
    effects: { 'code:wheel-speed': 0.92, 'code:nonsense-brakes': 0.45, 'lamp:abs': 0.92, 'lamp:stability': 0.9, 'lamp:brakes': 0.15, 'before:kerb': 0.12, 'before:washed': 0.15, 'before:worked-on': 0.15 },
    repair: { title: 'Clean or replace the wheel speed sensor', parts: 35, ownerMinutes: 60, shopMinutes: 50, tools: ['hand-tools', 'multimeter'], cautions: ['jacking', 'brakes'], steps: [] },
  },
  {
    id: 'steering-angle', title: 'Steering angle sensor not recalibrated after battery or wheel-alignment work', system: 'brakes', scope: 'engine', prior: 0.006, isPassing: true,
    effects: { 'code:steering-angle': 0.85, 'lamp:stability': 0.7, 'lamp:steering': 0.2, 'before:battery': 0.6, 'before:worked-on': 0.5, 'before:kerb': 0.2 },
    repair: { title: 'Recalibrate the steering angle', parts: 0, ownerMinutes: 10, shopMinutes: 30, tools: [], cautions: ['driving'], steps: ['Ignition on: turn the wheel fully left, fully right and straight, then drive a short way straight ahead. The {handbook} has the order for this {car}.', 'If the light stays on, the stability control unit has to be read.'] },
  },
  {
    id: 'tyre-soft', title: 'A {tyre} loses air', system: 'steering', scope: 'engine', prior: 0.03,
    effects: { 'lamp:tyre': 0.93, 'sign:pulls-aside': 0.35, 'before:kerb': 0.2 },
    repair: { title: 'Find the hole, set the pressures', parts: 15, ownerMinutes: 40, shopMinutes: 25, tools: ['tyre-gauge'], cautions: ['jacking'], steps: [] },
  },
  {
    id: 'tyre-not-taught', title: '{Tyre} pressures corrected but the system not reset, or a sensor battery flat', system: 'steering', scope: 'engine', prior: 0.012, isPassing: true,
    effects: { 'lamp:tyre': 0.8, 'before:worked-on': 0.35 },
    repair: { title: 'Reset the {tyre} pressure system', parts: 0, ownerMinutes: 8, shopMinutes: 15, tools: ['tyre-gauge'], cautions: [], steps: [] },
  },
  {
    id: 'steering-assist', title: 'Power steering: fluid, fuse or motor', system: 'steering', scope: 'engine', prior: 0.006,
    effects: { 'lamp:steering': 0.85, 'sign:heavy-steering': 0.7, 'sign:squeals': 0.1 },
    repair: { title: 'Have the steering checked', parts: 200, ownerMinutes: 180, shopMinutes: 120, tools: ['hand-tools'], cautions: ['steering'], steps: ['Check fluid level and fuse; anything more is work for a qualified {workshop}.'], isLicensed: true },
  },
  {
    id: 'airbag-plug', title: 'Airbag connector under a seat, or the clock spring', system: 'safety', scope: 'engine', prior: 0.012,
    effects: { 'code:restraints': 0.9, 'lamp:airbag': 0.9, 'before:worked-on': 0.25, 'before:unplugged': 0.15 },
    repair: { title: 'Have the airbag circuit read and repaired', parts: 40, ownerMinutes: 60, shopMinutes: 60, tools: ['hand-tools'], cautions: ['airbag'], steps: ['Do not unplug or measure anything yellow.', 'Tell the {workshop} whether a seat was moved, cleaned or taken out.'], isLicensed: true },
  },
  {
    id: 'belt-buckle', title: 'Belt buckle or seat switch', system: 'safety', scope: 'engine', prior: 0.006,
    effects: { 'code:restraints': 0.8, 'lamp:airbag': 0.75 },
    repair: { title: 'Have the buckle read and replaced', parts: 70, ownerMinutes: 60, shopMinutes: 50, tools: ['hand-tools'], cautions: ['airbag'], steps: ['Look for a cable or bottle under the seat and take it out.', 'The rest is work for a qualified {workshop}: buckles may have a pretensioner.'], isLicensed: true },
  },
  {
    id: 'isolation-fault', title: 'High-voltage insulation fault or battery', system: 'high-voltage', scope: 'engine', fuels: ['hybrid', 'electric'], prior: 0.012,
    effects: { 'code:high-voltage': 0.9, 'lamp:high-voltage': 0.95, 'sign:limp': 0.5, 'sign:no-start': 0.3 },
    repair: { title: 'Have the high-voltage system checked', parts: 400, ownerMinutes: 240, shopMinutes: 180, tools: ['hand-tools'], cautions: ['high-voltage'], steps: ['Park it outside, away from others, and call a {workshop} qualified for high voltage.'], isLicensed: true },
  },
  {
    id: 'low-12v-hybrid', title: '12-volt battery of the hybrid or electric vehicle weak', system: 'high-voltage', scope: 'engine', fuels: ['hybrid', 'electric'], prior: 0.02,
    effects: { 'code:high-voltage': 0.2, 'code:supply-voltage': 0.5, 'code:unit-silent': 0.4, 'lamp:high-voltage': 0.5, 'lamp:stability': 0.3, 'lamp:steering': 0.2, 'sign:no-start': 0.6, 'reading:battery-low': 0.8, 'before:long-stand': 0.5 },
    repair: { title: 'Charge or replace the 12-volt battery', parts: 110, ownerMinutes: 40, shopMinutes: 30, tools: ['hand-tools'], cautions: ['battery', 'high-voltage'], steps: [] },
  },
  {
    id: 'gearbox-fluid', title: 'Transmission fluid low or deteriorated', system: 'gearbox', scope: 'engine', prior: 0.008,
    effects: { 'code:gearbox': 0.3, 'code:gearbox-asks': 0.5, 'lamp:gearbox': 0.6, 'sign:slips': 0.7, 'sign:limp': 0.3, 'before:towing': 0.3, 'sign:burnt-smell': 0.25 },
    repair: { title: 'Check and replace the transmission fluid', parts: 90, ownerMinutes: 120, shopMinutes: 90, tools: ['hand-tools', 'torque-wrench'], cautions: ['jacking', 'cold-engine'], steps: ['Check level and temperature as the {workshop manual} says; many transmissions have no dipstick.', 'Use only the fluid that it names.'] },
  },
  {
    id: 'gearbox-electrics', title: 'Transmission connector, solenoid or speed sensor', system: 'gearbox', scope: 'engine', prior: 0.008,
    effects: { 'code:gearbox': 0.9, 'code:gearbox-asks': 0.9, 'code:nonsense-gearbox': 0.4, 'lamp:gearbox': 0.85, 'sign:limp': 0.7 },
    repair: { title: 'Repair what the transmission control unit reports', parts: 120, ownerMinutes: 150, shopMinutes: 120, tools: ['hand-tools', 'multimeter'], cautions: ['jacking'], steps: ['Read the transmission control unit’s own codes first.', 'Look at its connector for oil and bent pins.'] },
  },
];
