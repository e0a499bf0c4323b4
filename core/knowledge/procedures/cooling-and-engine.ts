import {
  BY_ENGINE,
  BY_NUMBER,
  CLEAR_OF_HEAT,
  CONNECTORS,
  COUNTED,
  DRY,
  EARTH_OFF,
  HOSES,
  IGNITION_OFF,
  OLD_SEAL,
  cool,
  lookUp,
  procedure,
  step,
  wait,
} from './procedure.ts';

const STONE_COLD = wait(
  'Let the engine get stone cold.',
  180,
  'Cooling down',
  'Under pressure, coolant boils over at once when the cap opens.',
);
const CAP = step('Open the cap slowly, with a rag over it.');
const CATCH = step(
  'Put a pan underneath, and drain below the level of the part.',
  'It is poisonous and tastes sweet: keep animals away, and take it to a collection point.',
);
const TOP_UP =
  'Check the level again when it has cooled down, and top up: air comes out on the first drives.';
const HEATER = 'Bleed as the {workshop manual} says, heater on hot, until the air from the vents is warm.';

const thermostat = procedure({
  parts: [
    { what: 'Thermostat', orderBy: BY_ENGINE },
    { what: 'Coolant of the right kind', orderBy: 'the specification in the {handbook}' },
  ],
  renew: ['its seal', 'hose clips that have lost their force'],
  tools: ['sockets 8 and 10 mm', 'clip pliers', 'torque {spanner}'],
  consumables: ['catch pan', 'distilled water'],
  steps: [
    STONE_COLD,
    CAP,
    CATCH,
    step('Pull the hose off the housing, and undo its bolts.'),
    step('Note which way round the thermostat sits, and lift it out.'),
    step('Clean both faces with plastic, not metal.'),
    step(
      'Set the new one with its seal, the small valve upwards.',
      'Upside down it keeps air inside, and the engine overheats.',
    ),
    lookUp(
      'Start the bolts by hand, then tighten evenly.',
      'Torque of the housing bolts',
      'Nm',
      'Plastic housings crack.',
    ),
    lookUp('Fill slowly with the right coolant.', 'Amount of coolant', 'L'),
  ],
  beforeCovers: [HOSES, 'No drips with the cap on.', COUNTED],
  stuck: 'Turn a hose that has grown on with pliers and a cloth; do not lever at a plastic nozzle.',
  afterwards: [HEATER, TOP_UP],
});

/** Oil and filter. */
const oilChange = (first: string) =>
  procedure({
    cautions: ['exhaust-gas'],
    parts: [
      { what: 'Engine oil', orderBy: 'grade and approval in the {handbook}' },
      { what: 'Oil filter', orderBy: BY_ENGINE },
    ],
    renew: ['ring of the drain plug'],
    tools: ['filter {spanner}', 'key for the drain plug', 'torque {spanner}', '{axle stands} or ramps'],
    consumables: ['pan for six {litres}', 'gloves', 'cloths'],
    steps: [
      step(first),
      step(
        'Run the engine for five minutes outdoors, then switch it off.',
        'Hot oil burns; hand-warm oil flows well enough.',
      ),
      step('Raise the {car}, set it on {axle stands}, and put the pan underneath.'),
      wait('Open the drain plug, and let it run out.', 15, 'Draining'),
      step(
        'Take the old filter off. Look that its rubber ring came with it.',
        'Two rings on each other leak within a minute.',
      ),
      step('Oil the new ring, and turn the filter on by hand.'),
      lookUp('Tighten the drain plug with its new ring.', 'Torque of the drain plug', 'Nm'),
      lookUp(
        'Fill the amount less half a {litre}.',
        'Amount of oil with filter',
        'L',
        'Too much oil foams, and ruins the catalyst.',
      ),
      wait('Start the engine until the oil light is off, stop it, and wait.', 5, 'Oil settling'),
      step('Top up to just below the upper mark, on level ground.'),
    ],
    beforeCovers: [
      'No drips at filter and plug with the engine running.',
      'Oil cap and dipstick are home.',
      COUNTED,
    ],
    stuck:
      'Hold a plug that turns for ever upwards while you turn it: its thread is damaged. Have it repaired before you fill.',
    afterwards: [
      'Take the old oil to a collection point.',
      'Check the level once more after the first drive.',
    ],
  });

/** A sensor in a bore with a sealing ring and one screw. */
const ringSensor = (what: string, where: string, after: string) =>
  procedure({
    parts: [{ what, orderBy: BY_NUMBER }],
    renew: ['its sealing ring'],
    tools: ['socket 8 or 10 mm, or Torx T30', 'torque {spanner}'],
    consumables: ['engine oil for the ring', 'penetrating oil'],
    steps: [
      IGNITION_OFF,
      cool(),
      step(where),
      step('Clean around it before you take it out.', 'Dirt falls into the engine.'),
      step('Unplug it, undo the screw, and twist it free.'),
      step('Look that the old ring came out with it.'),
      step(
        'Oil the new ring, and push the sensor in straight until it sits.',
        'Do not knock it in: its tip breaks.',
      ),
      lookUp('Start the screw by hand, then tighten.', 'Torque of the sensor screw', 'Nm'),
      step('Plug it in, and lay the wire as it ran.'),
    ],
    beforeCovers: [OLD_SEAL, CONNECTORS, CLEAR_OF_HEAT],
    stuck:
      'Penetrating oil, then twist to and fro with pliers on its body. If it breaks, pull the rest with a screw turned into it, never push it in.',
    afterwards: [after],
  });

export const COOLING_AND_ENGINE_PROCEDURES = {
  'thermostat-open': thermostat,
  'thermostat-closed': thermostat,
  'coolant-sensor': procedure({
    cautions: ['exhaust-gas'],
    parts: [{ what: 'Coolant temperature sensor', orderBy: BY_NUMBER }],
    renew: ['its seal or clip'],
    tools: ['deep socket 19 mm, or none where a clip holds it'],
    consumables: ['catch pan', 'a little coolant of the right kind'],
    steps: [
      STONE_COLD,
      CAP,
      step('Unplug it, and have the new sensor with its seal ready in your hand.'),
      step(
        'Take the old one out, and put the new one in at once.',
        'Quickly done, only a cup of coolant is lost.',
      ),
      step('Set the clip, or tighten it hand-firm; plug it in.'),
      step('Top up, and close the cap.'),
    ],
    beforeCovers: [CONNECTORS, DRY],
    afterwards: [HEATER, TOP_UP],
  }),
  'coolant-low': procedure({
    cautions: ['exhaust-gas'],
    parts: [
      { what: 'Coolant of the right kind', orderBy: 'the specification in the {handbook}' },
      { what: 'The hose or clip that leaks', orderBy: BY_NUMBER },
    ],
    tools: ['{torch}', 'clip pliers'],
    consumables: ['catch pan', 'distilled water'],
    steps: [
      STONE_COLD,
      CAP,
      step('Follow wet traces and white crust from the highest place down: hoses, radiator, pump, heater.'),
      step(
        'Look into the oil cap and at the exhaust: milky oil or sweet white smoke is no job for the drive.',
        'Then do not start the engine again: have it towed.',
      ),
      step('Replace the hose or clip that leaks.'),
      lookUp('Fill up to the upper mark, and write down how much it took.', 'Coolant filled up', 'L'),
    ],
    beforeCovers: [HOSES, DRY],
    afterwards: [HEATER, TOP_UP, 'Look again after two drives: if it sinks again, the leak is elsewhere.'],
  }),
  'air-in-coolant': procedure({
    cautions: ['exhaust-gas'],
    consumables: ['coolant of the right kind', 'cloth'],
    steps: [
      STONE_COLD,
      CAP,
      step('Set the heater to hot, and open the bleed screws where there are any.'),
      step('Fill slowly until no more bubbles come, and close the screws.'),
      wait(
        'Let it idle outdoors with the cap off, and top up as it sinks.',
        10,
        'Bleeding',
        'Stop before the fan runs: then it boils over.',
      ),
      step('Close the cap.'),
    ],
    beforeCovers: ['Bleed screws are closed and dry.'],
    afterwards: [TOP_UP],
  }),
  'cooling-fan': procedure({
    cautions: ['exhaust-gas'],
    parts: [{ what: 'What is at fault: fuse, relay, resistor or fan', orderBy: BY_NUMBER }],
    tools: ['multimeter', 'socket 10 mm'],
    steps: [
      IGNITION_OFF,
      cool(),
      step('Look at the fuse, and swap the relay for an identical one.'),
      step(
        'Turn the blades by hand with the battery’s negative cable off: they must run freely.',
        'A fan can start with the ignition off.',
      ),
      lookUp(
        'Put the cable back, and measure at the connector when the fan should run.',
        'Voltage at the fan’s connector',
        'V',
      ),
      step('Full voltage and a fan that stands: fit a new fan. No voltage: look at wiring and relay.'),
      step('Take the negative cable off again before your hands go in.'),
    ],
    beforeCovers: [CONNECTORS, 'The blades turn freely and touch nothing.', CLEAR_OF_HEAT],
    afterwards: ['Let it idle outdoors until the fan starts by itself, and watch the gauge.'],
  }),
  'water-pump': procedure({
    cautions: ['exhaust-gas'],
    parts: [
      { what: 'Water pump', orderBy: BY_ENGINE },
      { what: 'Coolant of the right kind', orderBy: 'the specification in the {handbook}' },
    ],
    renew: ['its gasket', 'the belt that drives it', 'bolts, where the {workshop manual} says so'],
    tools: ['sockets 8 to 13 mm', 'belt tool', 'torque {spanner}'],
    consumables: ['catch pan', 'distilled water'],
    steps: [
      step('Look up what drives it: where that is the timing belt, this is work for a {workshop}.'),
      STONE_COLD,
      CAP,
      CATCH,
      EARTH_OFF,
      step('Draw the belt’s path, release the tensioner, and take the belt off.'),
      step('Undo the pump, and clean the face with plastic.'),
      step('Set the new pump with its gasket, and start every bolt by hand.'),
      lookUp('Tighten crosswise.', 'Torque of the pump bolts', 'Nm'),
      step('Put the belt back by the drawing, each rib in its groove.'),
      lookUp('Fill slowly.', 'Amount of coolant', 'L'),
    ],
    beforeCovers: ['The belt runs true: turn the engine by hand and look.', DRY, COUNTED],
    stuck: 'A pump on its dowels comes off with light knocks of a wooden block, turn about.',
    afterwards: [HEATER, TOP_UP],
  }),
  'crank-sensor': ringSensor(
    'Crankshaft sensor',
    'Find it near the flywheel or the crank pulley.',
    'It must start at once, warm too.',
  ),
  'cam-sensor': ringSensor(
    'Camshaft sensor',
    'Find it at the end of the cylinder head.',
    'It must start at once.',
  ),
  'cam-adjuster-valve': procedure({
    cautions: ['exhaust-gas'],
    parts: [{ what: 'Oil control valve, if cleaning does not help', orderBy: BY_NUMBER }],
    renew: ['its sealing ring'],
    tools: ['socket 8 or 10 mm'],
    consumables: ['brake cleaner', 'engine oil'],
    steps: [
      step('Check the oil’s level and age first.', 'Old oil sets these codes by itself.'),
      IGNITION_OFF,
      cool(),
      step('Unplug the valve, undo it, and draw it out with a twist.'),
      step('Rinse the screen, and blow it dry.'),
      step('Push the piston with a thin rod of wood: it must run freely.'),
      step('Oil the new ring, set the valve in, and tighten hand-firm.'),
      step('Plug it in.', 'Intake and exhaust valves look alike: do not swap their connectors.'),
    ],
    beforeCovers: [OLD_SEAL, CONNECTORS, DRY],
    stuck: 'Twist with pliers on its body, never on the connector.',
    afterwards: ['Let it warm up fully, outdoors, and read the cam angles.'],
  }),
  'oil-low': procedure({
    parts: [{ what: 'Engine oil', orderBy: 'grade and approval in the {handbook}' }],
    consumables: ['funnel', 'cloth'],
    steps: [
      wait('Park on level ground with the engine off.', 5, 'Oil settling'),
      step('Pull the dipstick, wipe it, dip again, and read it.'),
      step(
        'Fill half a {litre} at the most, then wait and read again.',
        'Between the marks lies about one {litre}.',
      ),
      lookUp('Stop just below the upper mark, and write down how much it took.', 'Oil filled up', 'L'),
      step('Look underneath, at the filter and at the valve cover for drips.'),
    ],
    beforeCovers: ['Oil cap and dipstick are home.'],
    afterwards: [
      'Write the distance down, and look again in a week: more than half a {litre} in {1,000 km} wants to be found.',
    ],
  }),
  'oil-thick-timing': oilChange(
    'Look up grade and approval in the {handbook}: the wrong grade sets these codes.',
  ),
  'short-trip-oil': oilChange('Take a long drive first, if the level has risen: fuel then boils out.'),
  'oil-pressure-switch': procedure({
    parts: [{ what: 'Oil pressure switch', orderBy: BY_NUMBER }],
    renew: ['its sealing washer'],
    tools: ['deep socket 22 to 27 mm', 'torque {spanner}'],
    consumables: ['cloths', 'a little engine oil'],
    steps: [
      step(
        'Go on only when the pressure itself was measured and is right.',
        'A new switch on a worn pump hides what destroys the engine.',
      ),
      IGNITION_OFF,
      cool(),
      step('Put a cloth underneath, unplug the switch, and turn it out.'),
      lookUp('Start the new one by hand with its washer, then tighten.', 'Torque of the switch', 'Nm'),
      step('Plug it in, and check the oil level.'),
    ],
    beforeCovers: [CONNECTORS, DRY],
    afterwards: ['Start the engine: the light must go out within seconds. If not, stop it at once.'],
  }),
  'knock-sensor': procedure({
    parts: [{ what: 'Knock sensor', orderBy: BY_NUMBER }],
    renew: ['its bolt, where the {workshop manual} says so'],
    tools: ['socket 10 or 13 mm', 'torque {spanner}'],
    steps: [
      IGNITION_OFF,
      cool(),
      step('Look at its connector and wire first: rodents like them.'),
      step('Unplug it, and undo the bolt.'),
      step(
        'Clean the face on the block until it is bright.',
        'Paint or dirt under it takes the signal away.',
      ),
      step('Set it so that its wire is not pulled.'),
      lookUp(
        'Tighten it exactly.',
        'Torque of the knock sensor',
        'Nm',
        'The torque is part of the measurement: neither more nor less.',
      ),
      step('Plug it in.'),
    ],
    beforeCovers: [CONNECTORS, CLEAR_OF_HEAT],
    afterwards: ['Drive as usual for some days, then read again.'],
  }),
} as const;
