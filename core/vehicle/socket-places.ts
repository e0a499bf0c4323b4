import type { Vehicle } from './vehicle.ts';

/** One place to look for the socket. `at` names the place in the picture. */
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

/** Cars and vans: within the driver's reach, usually within 30 cm of the steering column (SAE J1962). */
const IN_A_CAR: readonly SocketPlace[] = [
  {
    at: 'under-column',
    title: 'Under the dash, at the steering column',
    hint: 'Kneel and look up with a {torch}. By far the commonest place.',
  },
  {
    at: 'beside-column',
    title: 'Left or right of the column, behind a flap',
    hint: 'A small lid, often with the fuses. It unclips by hand, no tool needed.',
  },
  {
    at: 'console',
    title: 'At the side of the {centre} console, by the knee',
    hint: 'Feel along the carpet edge on the driver’s side.',
  },
  {
    at: 'ashtray',
    title: 'Behind the ashtray or under the parking brake lever',
    hint: 'Lift the insert out; some have a cap on the socket itself.',
  },
  {
    at: 'glove-box',
    title: 'In or under the glove box',
    hint: 'Rare; some older rules allowed about a {metre} from the driver.',
  },
];

/** Motorcycles: the maker chooses; often a shape of its own with a lead to the standard's. */
const ON_A_MOTORCYCLE: readonly SocketPlace[] = [
  {
    at: 'under-seat',
    title: 'Under the seat, by the battery',
    hint: 'A small connector in a tight rubber cap. Press its catch; do not pull on the wires.',
  },
  {
    at: 'tail',
    title: 'In the tail or behind a side cover',
    hint: 'Follow the loom from the battery backwards.',
  },
  {
    at: 'headstock',
    title: 'Behind the headlamp or at the steering head',
    hint: 'Turn the bars to both sides and look along the loom.',
  },
];

/** Where the socket may be, likeliest first. */
export function socketPlaces(kind: Vehicle['kind']): readonly SocketPlace[] {
  return kind === 'motorcycle' ? ON_A_MOTORCYCLE : IN_A_CAR;
}
