import type { Vehicle } from './vehicle.ts';

/** The side of the car on which its steering wheel is. */
export type WheelSide = 'left' | 'right';

/** One step of the search for the socket. `at` names the place of its close-up. */
export interface SocketPlace {
  at:
    | 'under-column'
    | 'beside-column'
    | 'console'
    | 'ashtray'
    | 'glove-box'
    | 'under-seat'
    | 'tail'
    | 'headstock';
  title: string;
  hint: string;
}

/**
 * Cars and vans. SAE J1962 and ISO 15031-3 put the socket into the passenger compartment, within reach from the driver's
 * seat; the order is that in which it is quickest to look.
 */
const inACar = (doorSide: WheelSide, middleSide: WheelSide): readonly SocketPlace[] => [
  {
    at: 'under-column',
    title: 'Under the dash, straight above the pedals',
    hint: 'Open the door, kneel beside it and look up with a {torch}. Most sockets are here.',
  },
  {
    at: 'beside-column',
    title: `On the door side: to the ${doorSide} of the steering column, behind a flap`,
    hint: 'A small lid, often with the fuses behind it. It unclips by hand, no tool needed.',
  },
  {
    at: 'console',
    title: `Towards the middle: beside your ${middleSide} knee, on the {centre} console`,
    hint: 'Feel along the edge of the carpet upwards.',
  },
  {
    at: 'ashtray',
    title: 'Between the seats: behind the ashtray or a tray of the console',
    hint: 'Lift the insert out; some sockets have a cap of their own.',
  },
  {
    at: 'glove-box',
    title: 'On the passenger’s side: in or under the glove box',
    hint: 'Rare, and mostly on older {cars}.',
  },
];

/** Motorcycles: the manufacturer chooses; often a shape of its own with a lead to the standard's. */
const ON_A_MOTORCYCLE: readonly SocketPlace[] = [
  {
    at: 'under-seat',
    title: 'Under the seat, by the battery',
    hint: 'A small connector in a tight rubber cap. Press its catch; do not pull on the wires.',
  },
  {
    at: 'tail',
    title: 'In the tail or behind a side cover',
    hint: 'Follow the wiring from the battery backwards.',
  },
  {
    at: 'headstock',
    title: 'Behind the headlight or at the steering head',
    hint: 'Turn the bars to both sides and look along the wiring.',
  },
];

/** Where one drives on the left, and sits on the right. */
const WHEEL_ON_THE_RIGHT: ReadonlySet<string> = new Set(['Australia', 'New Zealand', 'Japan', 'India']);

/** The side of the wheel that is likely in a market; left where nothing is known. */
export const wheelSideOf = (market: string | undefined): WheelSide =>
  market !== undefined && WHEEL_ON_THE_RIGHT.has(market) ? 'right' : 'left';

/** Where to look for the socket, in the order of a walk from the driver's door. */
export function socketPlaces(kind: Vehicle['kind'], wheel: WheelSide): readonly SocketPlace[] {
  if (kind === 'motorcycle') return ON_A_MOTORCYCLE;
  return wheel === 'left' ? inACar('left', 'right') : inACar('right', 'left');
}
