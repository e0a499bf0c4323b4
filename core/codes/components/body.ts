import { part, type Component } from '../part.ts';

/** Airbags, belts and seats. */
export const BODY_PARTS = {
  airbag: part('airbag', 'airbag deployment control', 'restraints', 'It is fired by an explosive charge. Do not measure or unplug it.'),
  'belt-sensor': part('seat belt sensor', 'seat belt sensor; belt sensor', 'restraints', 'It tells whether the belt is fastened.'),
  'belt-tensioner': part('seat belt pretensioner', 'seat belt pretensioner; belt tensioner', 'restraints', 'A charge tightens the belt in a crash. Do not measure or unplug it.'),
  'seat-occupancy': part('occupant classification system', 'occupant classification system; seat sensor', 'restraints', 'It tells whether the seat is occupied, and by how heavy a person.'),
  'crash-sensor': part('crash sensor', 'restraints impact sensor', 'restraints', 'It detects an impact.'),
} as const satisfies Record<string, Component>;
