import type { Check } from '../types.ts';
import { found } from './shared.ts';

export const CHASSIS_CHECKS: readonly Check[] = [
  {
    id: 'brake-fluid-look', title: 'Look at the brake fluid level', scope: 'engine', system: 'brakes', minutes: 3, cost: 0, tools: [], cautions: ['brakes'],
    how: 'From outside, on level ground: the fluid must stand between the marks on the tank. Look behind each wheel for wet spots. Do not open the tank.',
    outcomes: [found('right', 'Between the marks, wheels dry', 'No fluid is missing.'), found('low', 'At or below the lower mark', 'The pads are worn down, or there is a leak.')],
    otherwise: [0.95, 0.05], given: { 'brake-fluid-low': [0.05, 0.95], 'brake-pads': [0.45, 0.55] },
  },
  {
    id: 'parking-brake-try', title: 'Pull the parking brake up and release it fully', scope: 'engine', system: 'brakes', minutes: 1, cost: 0, tools: [], cautions: ['brakes'],
    how: 'Do it twice, firmly, on level ground. Then push the released lever further down by hand, or press its button again, and see whether the light goes out.',
    outcomes: [found('same', 'Nothing changes', 'The parking brake is not the cause.'), found('out', 'The light goes out', 'It was the parking brake or its switch.')],
    otherwise: [0.98, 0.02], given: { 'parking-brake-on': [0.1, 0.9] },
  },
  {
    id: 'pads-look', title: 'Look at the brake pads through the wheels', scope: 'engine', system: 'brakes', minutes: 10, cost: 0, tools: [], cautions: ['brakes'],
    how: 'Shine a {torch} through the spokes: each pad must have at least {3 mm} of lining, and the discs no deep grooves.',
    outcomes: [found('thick', 'Thick enough', 'The pads are not the cause.'), found('thin', 'Thin, or metal on metal', 'The pads are worn out.')],
    otherwise: [0.9, 0.1], given: { 'brake-pads': [0.06, 0.94], 'brake-fluid-low': [0.4, 0.6] },
  },
  {
    id: 'wheel-wire-look', title: 'Look at each wheel speed sensor wire', scope: 'engine', system: 'brakes', minutes: 20, cost: 0, tools: [], cautions: ['jacking'],
    how: 'Turn the wheel outwards and use a {torch}: look for a wire chafed where it bends, a missing clip, a corroded connector, or rust lifting the sensor.',
    outcomes: [found('sound', 'All sound', 'The wires are sound; a sensor may still have failed.'), found('damaged', 'One is chafed, loose or rusty', 'That wheel is the cause.')],
    otherwise: [0.94, 0.06], given: { 'wheel-speed-sensor': [0.5, 0.5] },
  },
  {
    id: 'lock-to-lock', title: 'Turn the steering wheel from lock to lock', scope: 'engine', system: 'steering', minutes: 3, cost: 0, tools: [], cautions: ['steering', 'exhaust-gas'],
    how: 'Parked, engine running, with room around you: turn fully left, fully right and straight, then switch the ignition off and on. Note whether it is heavy or uneven, and whether the light goes out.',
    outcomes: [found('same', 'Easy, and the light stays on', 'The angle is known; look elsewhere.'), found('out', 'The light goes out', 'The steering angle only had to be relearned.'), found('heavy', 'Heavy or uneven', 'The power assistance has failed: do not drive on.')],
    otherwise: [0.94, 0.03, 0.03], given: { 'steering-angle': [0.35, 0.63, 0.02], 'steering-assist': [0.28, 0.02, 0.7] },
  },
  {
    id: 'tyre-pressures', title: 'Measure all {tyres} cold', scope: 'engine', system: 'steering', minutes: 8, cost: 0, tools: ['tyre-gauge'], cautions: [],
    how: 'After three hours parked, compare each {tyre} with the placard in the door opening. None should be more than {0.3 bar} below the rest.',
    outcomes: [found('alike', 'All as the placard says', 'No {tyre} is low: the system needs a reset.'), found('one', 'One is low', 'That {tyre} loses air.')],
    otherwise: [0.85, 0.15], given: { 'tyre-soft': [0.06, 0.94], 'tyre-not-taught': [0.93, 0.07] },
  },
  {
    id: 'under-seat-look', title: 'Look under the front seats without touching anything', scope: 'engine', system: 'safety', minutes: 3, cost: 0, tools: [], cautions: ['airbag'],
    how: 'With a {torch} only: look for things pushed under the seat or a yellow connector hanging loose, and recall whether the seat was taken out or cleaned lately.',
    outcomes: [found('tidy', 'Nothing to see', 'The fault has to be read from the airbag unit.'), found('disturbed', 'Something pushed under, or a connector hangs', 'Take out what does not belong there; leave the connector to a qualified {workshop}.')],
    otherwise: [0.92, 0.08], given: { 'airbag-plug': [0.6, 0.4], 'belt-buckle': [0.85, 0.15] },
  },
  {
    id: 'twelve-volt-hybrid', title: 'Measure the 12-volt battery', scope: 'engine', system: 'high-voltage', minutes: 10, cost: 0, tools: ['multimeter'], cautions: ['battery', 'high-voltage'],
    how: 'With the {car} off for an hour, measure at the 12-volt battery or its jump-start post only: 12.4 V or more is normal. Do not touch anything orange.',
    outcomes: [found('full', '12.4 V or more', 'The 12-volt battery is fine: call a {workshop} qualified for high voltage.'), found('low', 'Below 12.2 V', 'The 12-volt battery is weak and sets faults everywhere.')],
    otherwise: [0.82, 0.18], given: { 'low-12v-hybrid': [0.06, 0.94], 'isolation-fault': [0.93, 0.07] },
  },
  {
    id: 'gearbox-fluid-look', title: 'Look at the transmission fluid', scope: 'engine', system: 'gearbox', minutes: 15, cost: 0, tools: [], cautions: ['moving-parts'],
    how: 'Where there is a dipstick: check as the {handbook} says, warm and running. The level must be right, the fluid red or {honey-coloured}, without a burnt smell.',
    outcomes: [found('right', 'Right and clean', 'The fluid is fine.'), found('bad', 'Low, dark or burnt', 'The fluid is low or worn out.')],
    otherwise: [0.9, 0.1], given: { 'gearbox-fluid': [0.08, 0.92] },
  },
  {
    id: 'gearbox-plug-look', title: 'Check the transmission connector', scope: 'engine', system: 'gearbox', minutes: 15, cost: 0, tools: ['hand-tools'], cautions: ['cold-engine'],
    how: 'Ignition off: unplug it and look for oil, corroded or bent pins, or a loose catch. Clean and dry it, push it home, and see whether the code comes back.',
    outcomes: [found('clean', 'Clean and tight', 'The connector is not the cause.'), found('bad', 'Oily, corroded or loose', 'That alone can confuse the control unit.')],
    otherwise: [0.92, 0.08], given: { 'gearbox-electrics': [0.6, 0.4] },
  },
];
