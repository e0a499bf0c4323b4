import type { Check } from '../types.ts';
import { found } from './shared.ts';

export const CHASSIS_CHECKS: readonly Check[] = [
  {
    id: 'brake-fluid-look', title: 'Look at the brake fluid’s level', scope: 'engine', system: 'brakes', minutes: 3, cost: 0, tools: [], cautions: ['brakes'],
    how: 'From outside, car level: between the marks on the tank? Look behind each wheel for wet. Do not open the tank.',
    outcomes: [found('right', 'Between the marks, wheels dry', 'Nothing is missing.'), found('low', 'At or below the lower mark', 'Pads worn down, or a leak.')],
    otherwise: [0.95, 0.05], given: { 'brake-fluid-low': [0.05, 0.95], 'brake-pads': [0.45, 0.55] },
  },
  {
    id: 'parking-brake-try', title: 'Pull the parking brake up and release it fully', scope: 'engine', system: 'brakes', minutes: 1, cost: 0, tools: [], cautions: ['brakes'],
    how: 'Twice, firmly, on level ground. Then push the released lever further down by hand, or press its button again: does the light go out?',
    outcomes: [found('same', 'Nothing changes', 'It is not the parking brake.'), found('out', 'The lamp goes out', 'It was the parking brake or its switch.')],
    otherwise: [0.98, 0.02], given: { 'parking-brake-on': [0.1, 0.9] },
  },
  {
    id: 'pads-look', title: 'Look at the pads through the wheels', scope: 'engine', system: 'brakes', minutes: 10, cost: 0, tools: [], cautions: ['brakes'],
    how: 'With a torch (flashlight) through the spokes: at least 3 mm (1/8 in) of lining on each pad, discs without deep grooves?',
    outcomes: [found('thick', 'Thick enough', 'Pads are not it.'), found('thin', 'Thin, or metal on metal', 'The pads are worn out.')],
    otherwise: [0.9, 0.1], given: { 'brake-pads': [0.06, 0.94], 'brake-fluid-low': [0.4, 0.6] },
  },
  {
    id: 'wheel-wire-look', title: 'Look at each wheel’s sensor wire', scope: 'engine', system: 'brakes', minutes: 20, cost: 0, tools: [], cautions: ['jacking'],
    how: 'Wheel turned out, torch: is the wire chafed where it bends, its clip off, its plug green? Rust lifting the sensor?',
    outcomes: [found('sound', 'All sound', 'The wires are whole; a sensor may still be dead.'), found('damaged', 'One is chafed, loose or rusty', 'That is the wheel.')],
    otherwise: [0.94, 0.06], given: { 'wheel-speed-sensor': [0.5, 0.5] },
  },
  {
    id: 'lock-to-lock', title: 'Turn the steering wheel from lock to lock', scope: 'engine', system: 'steering', minutes: 3, cost: 0, tools: [], cautions: ['steering'],
    how: 'Standing, engine running, room round you: fully left, fully right, straight, ignition off and on. Is it heavy or uneven, and does the lamp go out?',
    outcomes: [found('same', 'Light, and the lamp stays', 'The angle is known; look elsewhere.'), found('out', 'The lamp goes out', 'The angle had only to be taught again.'), found('heavy', 'Heavy or uneven', 'The power assistance has failed: do not drive on.')],
    otherwise: [0.94, 0.03, 0.03], given: { 'steering-angle': [0.35, 0.63, 0.02], 'steering-assist': [0.28, 0.02, 0.7] },
  },
  {
    id: 'tyre-pressures', title: 'Measure all tyres cold', scope: 'engine', system: 'steering', minutes: 8, cost: 0, tools: ['tyre-gauge'], cautions: [],
    how: 'Parked for three hours: compare with the placard in the door opening. Is one more than 0.3 bar (4 psi) below the rest?',
    outcomes: [found('alike', 'All as the plate says', 'No tyre is soft: the system wants to be taught.'), found('one', 'One is low', 'That one loses air.')],
    otherwise: [0.85, 0.15], given: { 'tyre-soft': [0.06, 0.94], 'tyre-not-taught': [0.93, 0.07] },
  },
  {
    id: 'under-seat-look', title: 'Look under the front seats, hands off', scope: 'engine', system: 'safety', minutes: 3, cost: 0, tools: [], cautions: ['airbag'],
    how: 'With a torch only: has anything been pushed under, is a yellow plug hanging, was the seat taken out or cleaned lately?',
    outcomes: [found('tidy', 'Nothing to see', 'The fault has to be read from the airbag unit.'), found('disturbed', 'Something pushed under, or a plug hangs', 'Take out what does not belong there; leave the plug to licensed people.')],
    otherwise: [0.92, 0.08], given: { 'airbag-plug': [0.6, 0.4], 'belt-buckle': [0.85, 0.15] },
  },
  {
    id: 'twelve-volt-hybrid', title: 'Measure the twelve-volt battery', scope: 'engine', system: 'high-voltage', minutes: 10, cost: 0, tools: ['multimeter'], cautions: ['battery', 'high-voltage'],
    how: 'With the car off for an hour, measure at the 12-volt battery or its jump-start post only: 12.4 V or more is normal. Do not touch anything orange.',
    outcomes: [found('full', '12.4 V or more', 'The 12-volt battery is fine: call a workshop qualified for high voltage.'), found('low', 'Below 12.2 V', 'The small battery is weak, and sets faults everywhere.')],
    otherwise: [0.82, 0.18], given: { 'low-12v-hybrid': [0.06, 0.94], 'isolation-fault': [0.93, 0.07] },
  },
  {
    id: 'gearbox-fluid-look', title: 'Look at the gearbox fluid', scope: 'engine', system: 'gearbox', minutes: 15, cost: 0, tools: [], cautions: ['moving-parts'],
    how: 'Where there is a stick, as the handbook says, warm and running: level right, red or honey-coloured, no burnt smell?',
    outcomes: [found('right', 'Right and clean', 'The fluid is fine.'), found('bad', 'Low, dark or burnt', 'Low or worn out fluid.')],
    otherwise: [0.9, 0.1], given: { 'gearbox-fluid': [0.08, 0.92] },
  },
  {
    id: 'gearbox-plug-look', title: 'Check the transmission connector', scope: 'engine', system: 'gearbox', minutes: 15, cost: 0, tools: ['hand-tools'], cautions: ['cold-engine'],
    how: 'Ignition off, plug off: oil in it, green or bent pins, a loose catch? Clean, dry, push it home, and see whether it comes back.',
    outcomes: [found('clean', 'Clean and tight', 'Not the plug.'), found('bad', 'Oily, corroded or loose', 'That is enough to confuse it.')],
    otherwise: [0.92, 0.08], given: { 'gearbox-electrics': [0.6, 0.4] },
  },
];
