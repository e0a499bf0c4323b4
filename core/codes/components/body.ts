import { part, type Component } from '../part.ts';

/** Airbags, belts and seats. */
export const BODY_PARTS = {
  airbag: part('airbag', 'airbag deployment control', 'restraints', 'It is fired by a charge. Do not measure or unplug it.'),
  'belt-sensor': part('belt sensor', 'seat belt sensor', 'restraints', 'It tells that the belt is shut.'),
  'belt-tensioner': part('belt tensioner', 'seat belt pretensioner', 'restraints', 'A charge tightens the belt in a crash. Do not measure or unplug it.'),
  'seat-occupancy': part('seat sensor', 'occupant classification system', 'restraints', 'It tells whether somebody sits there, and how heavy.'),
  'crash-sensor': part('crash sensor', 'restraints impact sensor', 'restraints', 'It feels the crash.'),
} as const satisfies Record<string, Component>;
