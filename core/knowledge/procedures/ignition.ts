import {
  BY_ENGINE,
  BY_NUMBER,
  CLEAR_OF_HEAT,
  CONNECTORS,
  COUNTED,
  IGNITION_OFF,
  cool,
  lookUp,
  procedure,
  step,
  wait,
} from './procedure.ts';

const COVER_OFF = step('Take the engine cover off: lift it straight up at its corners, or undo its nuts.');
const FIND = step(
  'Find cylinder {n}: look up in the {workshop manual} which end is cylinder 1.',
  'Makers count from either end. Counting from the wrong one is the most common mistake of all.',
);
const UNPLUG = step(
  'Press the catch and pull the connector off the coil by its body.',
  'Old catches are brittle: press, do not lever.',
);
const COIL_UP = step('Undo the coil’s screw, twist the coil a little both ways, and pull it straight up.');

/** New plugs, one or all. */
const sparkPlugs = procedure({
  cautions: ['exhaust-gas'],
  parts: [{ what: 'Spark plugs, a full set', orderBy: BY_ENGINE }],
  tools: ['spark plug socket, 14 or 16 mm', 'long extension', 'torque {spanner}', 'feeler gauge'],
  consumables: ['compressed air or a hand blower', 'a piece of rubber hose'],
  steps: [
    IGNITION_OFF,
    cool(),
    step(
      'Work on one cylinder at a time, from taking the coil off to putting it back.',
      'With all coils out, connectors get swapped.',
    ),
    step('Take the coil or lead off, and blow the well clean.', 'Grit that falls in scores the cylinder.'),
    step(
      'Turn the old plug out slowly.',
      'If it gets stiff after half a turn, turn it back in, oil the thread, and wait.',
    ),
    step('Compare the old plug with the others: {colour}, oil, cracks, gap. Take a picture of it.'),
    lookUp('Check the gap of the new plug.', 'Plug gap', 'mm', 'Do not bend plugs with a fine wire tip.'),
    step(
      'Start the new plug by hand with a piece of hose on its top, for at least two turns.',
      'A socket hides a crossed thread; a hose slips first.',
    ),
    lookUp(
      'Tighten it with the torque {spanner}.',
      'Torque of the spark plug',
      'Nm',
      'Too tight cracks the porcelain, too loose burns the plug.',
    ),
    step('Put the coil or lead back until you feel it snap home.'),
  ],
  beforeCovers: [CONNECTORS, 'Every coil sits level, and each plug well is dry.', COUNTED],
  stuck:
    'Turn it back in, put penetrating oil into the well, and leave it overnight. Turn it out with the engine hand-warm. If it still binds, stop: a broken plug is work for a {workshop}.',
  afterwards: ['Start the engine and listen: it must run evenly at once.'],
});

export const IGNITION_PROCEDURES = {
  coil: procedure({
    cautions: ['exhaust-gas'],
    parts: [{ what: 'Ignition coil', orderBy: BY_NUMBER }],
    renew: ['the boot, where it is separate'],
    tools: ['socket 8 or 10 mm, or Torx T30', 'torque {spanner}'],
    consumables: ['silicone grease for the boot'],
    steps: [
      IGNITION_OFF,
      cool(30),
      COVER_OFF,
      FIND,
      UNPLUG,
      COIL_UP,
      step(
        'Look into the well: if there is oil or water in it, dry it before the new coil goes in.',
        'A new coil in a wet well fails like the old one.',
      ),
      step(
        'Put a thin film of silicone grease into the boot, and push the coil down until it snaps onto the plug.',
      ),
      lookUp(
        'Start the screw by hand, then tighten it.',
        'Torque of the coil screw',
        'Nm',
        'These threads sit in {aluminium} and strip easily.',
      ),
      step('Push the connector on until the catch snaps.'),
    ],
    beforeCovers: [CONNECTORS, CLEAR_OF_HEAT, COUNTED],
    stuck:
      'Twist it both ways before you pull. A boot that has grown onto the plug lets go when the engine is hand-warm.',
    afterwards: ['Start the engine: the shake must be gone at once.'],
  }),
  'coil-boot': procedure({
    cautions: ['exhaust-gas'],
    parts: [{ what: 'Coil boot with its spring', orderBy: BY_NUMBER }],
    tools: ['socket 8 or 10 mm, or Torx T30'],
    consumables: ['silicone grease', 'a clean cloth'],
    steps: [
      IGNITION_OFF,
      cool(30),
      COVER_OFF,
      FIND,
      UNPLUG,
      COIL_UP,
      step(
        'Bend the old boot in good light: look for fine cracks and for white or {grey} tracks.',
        'A track as thin as a hair is enough in the wet.',
      ),
      step(
        'Pull the boot off the coil, and put the spring into the new one the same way round.',
        'Without its spring the coil sparks inside and burns out.',
      ),
      step('Grease the inside of the boot thinly, push it on, and push the coil down until it snaps.'),
      lookUp('Start the screw by hand, then tighten it.', 'Torque of the coil screw', 'Nm'),
      step('Push the connector on until the catch snaps.'),
    ],
    beforeCovers: [CONNECTORS, 'The plug well is dry.', COUNTED],
    stuck: 'Twist it both ways before you pull. Grip a torn boot with long-nosed pliers.',
    afterwards: ['Mist the coils with water from a spray bottle at idle, outdoors: it must not stumble.'],
  }),
  'coil-connector': procedure({
    cautions: ['exhaust-gas', 'moving-parts'],
    parts: [
      {
        what: 'Connector repair kit with pins, if pins are burnt',
        orderBy: 'number of pins and shape of the catch',
      },
    ],
    tools: ['pin tool or a thin screwdriver'],
    consumables: ['contact spray'],
    steps: [
      IGNITION_OFF,
      COVER_OFF,
      FIND,
      UNPLUG,
      step(
        'Look at the pins on both sides: green, black, bent or pushed back.',
        'A pin that was pushed back looks right from outside. Press on each one from the front.',
      ),
      wait('Spray both sides, and let them dry.', 10, 'Contact spray drying'),
      step('Push the connector on until it snaps.'),
    ],
    beforeCovers: [CONNECTORS, CLEAR_OF_HEAT],
    afterwards: ['Wiggle the wires at idle, outdoors: nothing may change.'],
  }),
  plug: sparkPlugs,
  'plugs-overdue': sparkPlugs,
  'leads-worn': procedure({
    cautions: ['exhaust-gas', 'moving-parts'],
    parts: [{ what: 'Set of ignition leads', orderBy: BY_ENGINE }],
    tools: ['plug lead pliers'],
    consumables: ['silicone grease'],
    steps: [
      IGNITION_OFF,
      cool(30),
      step('Take a picture of the old leads with their numbers.'),
      step('Replace one lead at a time, the longest first.', 'Two leads swapped make it backfire.'),
      step('Grease each end thinly, and push it on until it snaps, at the plug and at the coil.'),
      step('Lay the leads in their holders.', 'A lead on bare metal sparks through.'),
    ],
    beforeCovers: ['Each lead runs as in the picture.', CLEAR_OF_HEAT],
    stuck: 'Twist the boot before you pull it, and pull the boot, never the lead.',
    afterwards: ['Look at them in the dark with the engine idling outdoors: no sparks may be seen.'],
  }),
  'plug-well-water': procedure({
    parts: [],
    renew: ['the seals of the valve cover’s wells, if it was oil'],
    tools: ['socket 8 or 10 mm'],
    consumables: ['lint-free cloth', 'compressed air or a hand blower', 'silicone grease'],
    steps: [
      IGNITION_OFF,
      cool(30),
      FIND,
      UNPLUG,
      COIL_UP,
      step(
        'Soak the water up with a cloth on a rod, then blow the well dry.',
        'Do not take the plug out first: the water would run into the cylinder.',
      ),
      step('Dry the boot inside and outside, and grease it thinly.'),
      step(
        'Look where the water came from: a washed engine, a blocked drain of the {scuttle}, a cover that does not seal.',
      ),
      step('Put coil, screw and connector back.'),
    ],
    beforeCovers: ['The well is dry to the bottom.', CONNECTORS],
    afterwards: ['After the next rain, look into the well again.'],
  }),
} as const;
