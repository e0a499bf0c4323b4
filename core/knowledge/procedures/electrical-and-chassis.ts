import {
  BY_ENGINE,
  BY_NUMBER,
  CLEAR_OF_HEAT,
  CONNECTORS,
  COUNTED,
  EARTH_OFF,
  IGNITION_OFF,
  OLD_SEAL,
  cool,
  lookUp,
  procedure,
  step,
  wait,
} from './procedure.ts';

const EARTH_ON = step(
  'Put the negative cable back: seat the clamp fully on its post by hand, then tighten it.',
);
const RELEARN = 'Set the clock, and let windows, steering and idle relearn as the {handbook} says.';

/** A wire mended where it broke. */
const wireRepair = (where: string, joint: string, slip: string) =>
  procedure({
    cautions: ['exhaust-gas', 'moving-parts'],
    parts: [
      {
        what: 'Wire of the same cross-section, or a repair lead',
        orderBy: '{colour} code and cross-section of the old wire',
      },
    ],
    tools: ['crimping pliers', 'wire stripper', 'multimeter', 'hot-air gun'],
    consumables: ['crimp sleeves with glue', 'heat-shrink tube', 'fabric tape', 'cable ties'],
    steps: [
      IGNITION_OFF,
      EARTH_OFF,
      step(where),
      lookUp(
        'Measure from end to end while you bend the wire.',
        'Resistance of the wire',
        'Ω',
        'A break inside the insulation shows only when it is bent.',
      ),
      step('Cut back to bright copper on both sides.', 'Black copper under green insulation takes no joint.'),
      step(joint, slip),
      step(
        'Shrink the tube over it, wrap it with fabric tape, and tie it away from what rubbed or burnt it.',
      ),
      lookUp('Measure again: it must be under half an ohm.', 'Resistance after the repair', 'Ω'),
      EARTH_ON,
    ],
    beforeCovers: [CONNECTORS, CLEAR_OF_HEAT, COUNTED],
    afterwards: ['Wiggle the wiring with the engine idling outdoors: nothing may change.', RELEARN],
  });

const CRIMP = 'Slip the tube on first, then crimp the sleeve on both ends, and pull at each.';

/** A relay or a fuse that is swapped for a known good one. */
const relay = (what: string, find: string, after: string) =>
  procedure({
    parts: [{ what, orderBy: BY_NUMBER }],
    tools: ['fuse puller', 'multimeter'],
    consumables: ['contact spray'],
    steps: [
      IGNITION_OFF,
      step(find),
      step(
        'Swap it for an identical one that works, and try.',
        'The same shape is not enough: compare the numbers on it.',
      ),
      step('Look at the socket: brown or loose pins make the fault return.'),
      step('Push the new one fully home.'),
    ],
    beforeCovers: ['The lid of the fuse box is closed and seals.'],
    afterwards: [
      after,
      'A new fuse that blows at once means a short circuit: find it, and fit no larger fuse.',
    ],
  });

/** A switch at a pedal. */
const pedalSwitch = (what: string, after: string) =>
  procedure({
    parts: [{ what, orderBy: BY_NUMBER }],
    tools: ['{torch}'],
    steps: [
      IGNITION_OFF,
      step('Find the switch above the pedal, and unplug it.'),
      step('Turn or press it out, and note how far its plunger stands out.'),
      step(
        'Pull the new plunger fully out, and set the switch in with the pedal as the {workshop manual} says.',
        'Most adjust themselves once only: fitted with the pedal in the wrong place, they stay wrong.',
      ),
      step('Plug it in.'),
    ],
    beforeCovers: [CONNECTORS, 'Nothing lies under the pedals.'],
    afterwards: [after],
  });

export const ELECTRICAL_AND_CHASSIS_PROCEDURES = {
  'battery-weak': procedure({
    parts: [
      {
        what: 'Battery, if it fails the test',
        orderBy: 'size, ampere-hours, type (EFB or AGM with stop-start), side of the plus',
      },
    ],
    tools: ['socket 10 and 13 mm', 'charger', 'multimeter'],
    consumables: ['terminal brush'],
    steps: [
      IGNITION_OFF,
      wait(
        'Charge it overnight, in a room that is aired.',
        480,
        'Charging',
        'Buy nothing before it was charged and tested: half of them are only flat.',
      ),
      lookUp('Measure it some hours after charging.', 'Voltage at rest', 'V'),
      step('Have it load-tested if it stands above 12.4 V and still cranks slowly.'),
      step(
        'To replace it: negative cable off first, then the plus, then the clamp.',
        'A {spanner} from plus to metal welds itself on.',
      ),
      step('Set the new one in the same way round, clamp it, and put the plus on first.'),
      EARTH_ON,
    ],
    beforeCovers: ['The battery does not move, the plus is covered, and its breather hose is on.'],
    afterwards: [
      RELEARN,
      '{Cars} with stop-start want the new battery registered: ask for it, or the charging will be wrong.',
    ],
  }),
  'battery-terminal': procedure({
    renew: ['clamps that can no longer be tightened'],
    tools: ['socket 10 mm', 'terminal brush'],
    consumables: ['terminal grease'],
    steps: [
      IGNITION_OFF,
      step('Try to turn each clamp by hand: if it turns, that was it.'),
      step('Take the negative cable off first, then the plus.'),
      step('Brush posts and clamps bright.', 'Do not hammer a clamp on: the post breaks inside.'),
      step('Put the plus on, tighten it, and grease it thinly.'),
      EARTH_ON,
    ],
    beforeCovers: ['No clamp turns by hand, and the plus is covered.'],
    afterwards: [RELEARN],
  }),
  'ground-bad': procedure({
    parts: [{ what: 'Ground strap, if it is frayed', orderBy: 'length and size of its eyes' }],
    renew: ['bolts that are rusted'],
    tools: ['sockets 10 and 13 mm', 'wire brush', 'multimeter'],
    consumables: ['contact grease'],
    steps: [
      IGNITION_OFF,
      EARTH_OFF,
      step('Undo both ends of the strap.'),
      step(
        'Scrape eyes and faces to bright metal.',
        'Paint insulates: bright means metal all round the hole.',
      ),
      step(
        'Bolt it back, and grease the finished joint.',
        'Grease between the faces first keeps them apart.',
      ),
      EARTH_ON,
      lookUp(
        'Measure from battery negative to the engine block while a helper cranks.',
        'Voltage lost while cranking',
        'V',
      ),
    ],
    beforeCovers: ['Under 0.2 V was measured.', CLEAR_OF_HEAT],
    afterwards: [RELEARN],
  }),
  'drive-belt': procedure({
    parts: [{ what: 'Drive belt', orderBy: 'the number printed on the old belt: ribs and length' }],
    renew: ['tensioner or pulley that runs rough'],
    tools: ['belt tool or long {spanner}', '{torch}'],
    steps: [
      IGNITION_OFF,
      cool(30),
      step(
        'Draw or photograph the belt’s path.',
        'Without the drawing it goes on the wrong way round a pulley.',
      ),
      step('Turn the tensioner with the tool, and slip the belt off the easiest pulley.'),
      step('Turn every pulley by hand: a rough one is the reason.'),
      step('Lay the new belt by the drawing, the last pulley being the easiest one.'),
      step('Look at every pulley that each rib sits in its groove.'),
    ],
    beforeCovers: [
      'Turn the engine by hand once, or crank it shortly: the belt runs in the middle.',
      COUNTED,
    ],
    stuck:
      'A tensioner that does not give is held by a pin or the wrong way round: look it up before you force it.',
    afterwards: ['Start it outdoors: no squeal, and it charges.'],
  }),
  'main-relay': relay(
    'Main relay',
    'Find it by the fuse page of the {handbook}.',
    'It must start at once, five times running.',
  ),
  'starter-relay': relay(
    'Starter relay',
    'Find it by the fuse page of the {handbook}.',
    'It must crank at once, five times running.',
  ),
  'pump-relay': relay(
    'Fuel pump relay or fuse',
    'Find both by the fuse page of the {handbook}.',
    'At key-on the pump must hum for two seconds.',
  ),
  'oxygen-heater-fuse': relay(
    'Fuse of the sensor heaters',
    'Find it by the fuse page of the {handbook}.',
    'Read again after two cold starts.',
  ),
  'battery-drain': procedure({
    tools: ['multimeter with a 10 A range', 'fuse puller'],
    steps: [
      IGNITION_OFF,
      step('Close the latches of {bonnet} and doors by hand, and take the key far away.'),
      step(
        'Loop the meter in series with the negative cable without breaking the circuit: hold a lead across while you connect.',
        'A break wakes everything up again. Never crank with the meter in the circuit.',
      ),
      wait('Wait until everything is asleep.', 60, 'Falling asleep'),
      step('Read the current: under 50 mA is normal.'),
      step('Pull one fuse at a time until it falls, and write down which.'),
      step('Look up what is on that fuse, and unplug its parts one by one.'),
      step('Put every fuse back, take the meter out, and tighten the cable.'),
    ],
    beforeCovers: ['Every fuse is back in its place.'],
    afterwards: ['Measure the battery in the evening and in the morning: it may lose 0.2 V at the most.'],
  }),
  'named-plug': procedure({
    cautions: ['exhaust-gas', 'moving-parts'],
    parts: [
      {
        what: 'Connector with pins, if it is burnt or broken',
        orderBy: 'number of pins and shape of the catch',
      },
    ],
    tools: ['pin tool', '{torch}'],
    consumables: ['contact spray', 'contact grease'],
    steps: [
      IGNITION_OFF,
      step('Press the catch, and pull the connector off by its body.'),
      step(
        'Look into both halves: green, black, wet, bent, pushed back.',
        'Push on each pin from the front: one that gives way was the fault.',
      ),
      wait('Spray both halves, and let them dry.', 10, 'Contact spray drying'),
      step('Straighten bent pins, and press the spring of loose ones together with the tool.'),
      step('Add a thin film of grease, and push it on until it clicks.'),
    ],
    beforeCovers: [CONNECTORS, CLEAR_OF_HEAT],
    afterwards: ['Wiggle it with the engine idling outdoors: nothing may change.'],
  }),
  'named-wire': wireRepair(
    'Follow it from the part: where it bends, rubs or gets hot.',
    CRIMP,
    'Solder alone breaks where it stops.',
  ),
  'maf-wiring': wireRepair(
    'Follow it from the air flow sensor: it rubs at the air box and at the battery.',
    CRIMP,
    'Solder alone breaks where it stops.',
  ),
  'oxygen-wire': wireRepair(
    'Follow it from the sensor: over the transmission and along the exhaust.',
    'Slip the tube on first, then crimp; do not solder.',
    'The sensor breathes through its wire, and solder closes it.',
  ),
  'crank-wire': wireRepair(
    'Follow it from the sensor: near the exhaust, the belt and the starter.',
    CRIMP,
    'Keep the screening closed: without it the starter disturbs the signal.',
  ),
  rodents: wireRepair(
    'Look for droppings and crumbs, and follow every chewed wire to its end.',
    'Repair one wire at a time: tube on first, then crimp.',
    'Cut all at once, and nobody knows which belongs to which.',
  ),
  'wheel-speed-sensor': procedure({
    parts: [{ what: 'Wheel speed sensor', orderBy: BY_NUMBER }],
    tools: ['Torx E10 or hexagon key 5 mm', 'wire brush', '{axle stands}'],
    consumables: ['penetrating oil', 'ceramic paste'],
    steps: [
      step('Read the stability control unit: it names the wheel.'),
      wait('Put penetrating oil on its seat.', 30, 'Penetrating oil'),
      step('Raise the {car}, set it on {axle stands}, and take the wheel off.'),
      step(
        'Follow the wire to its connector: it breaks where it bends.',
        'Leave the brake hose beside it alone.',
      ),
      step('Undo the screw, and twist the sensor free.'),
      step('Clean the seat and the ring behind it.', 'Rust under the sensor lifts it off the ring.'),
      step('Put paste on the seat, set the new one in, and clip the wire as it ran.'),
      lookUp(
        'Fit the wheel, and tighten its bolts crosswise on the ground.',
        'Torque of the wheel bolts',
        'Nm',
      ),
    ],
    beforeCovers: [
      'Turn the steering from side to side: the wire is nowhere pulled.',
      'The brake hose was not touched.',
    ],
    stuck: 'Twist it, do not pull. If it breaks off, drive the rest out from behind, with the disc covered.',
    afterwards: [
      'Drive a little, then read the stability control unit again.',
      'Check the wheel bolts once more after {50 km}.',
    ],
  }),
  'brake-switch': pedalSwitch(
    'Brake pedal switch',
    'Back up to a wall: the brake lights come on at once, and go out.',
  ),
  'clutch-switch': pedalSwitch(
    'Clutch pedal switch',
    'It must start only with the pedal down, and the cruise control must hold.',
  ),
  'pedal-sensor': procedure({
    parts: [{ what: 'Accelerator pedal with its sensor, if the connector is sound', orderBy: BY_NUMBER }],
    tools: ['socket 10 mm'],
    consumables: ['contact spray'],
    steps: [
      IGNITION_OFF,
      step(
        'Unplug the connector above the pedal, and look for green pins.',
        'Wet shoes corrode it: try the connector before you buy.',
      ),
      wait('Spray it, and let it dry.', 10, 'Contact spray drying'),
      step('If that does not help: undo the pedal, and fit the new one.'),
      step('Plug it in.'),
    ],
    beforeCovers: [CONNECTORS, 'The mat cannot catch the pedal.'],
    afterwards: ['Switch the ignition on and off as the {workshop manual} says, so that it learns.'],
  }),
  'tyre-soft': procedure({
    tools: ['{tyre} pressure gauge', 'pump'],
    consumables: ['soapy water', 'valve cores'],
    steps: [
      wait('Let the {tyres} get cold.', 180, 'Cold {tyres}', 'Warm they read about {0.3 bar} more.'),
      lookUp('Look up the pressure on the placard in the door opening.', 'Pressure by the placard', 'bar'),
      step('Set all four, and the spare.'),
      step(
        'Put soapy water on valve, tread and rim, and look for bubbles.',
        'A nail stays in until the {workshop} has it: out, it loses all its air.',
      ),
      step('Store the new pressures as the {handbook} says.'),
    ],
    beforeCovers: ['Every valve has its cap.'],
    afterwards: ['Measure again in a week. A hole in the side wall is never repaired.'],
  }),
  'tyre-not-taught': procedure({
    tools: ['{tyre} pressure gauge'],
    steps: [
      step('Set all four cold, by the placard in the door opening.'),
      step('Store them by the menu or the button, as the {handbook} says.'),
      step('Drive for twenty minutes without stopping for long.'),
    ],
    afterwards: ['A light that blinks first and then stays on means that a sensor’s battery is flat.'],
  }),
  'low-12v-hybrid': procedure({
    parts: [
      { what: '12-volt battery, if it fails the test', orderBy: 'the {handbook}: often AGM with a breather' },
    ],
    tools: ['socket 10 mm', 'charger for AGM', 'multimeter'],
    steps: [
      step('Switch READY off, and take the key away.'),
      step(
        'Find the 12-volt battery by the {handbook}: often in the {boot}. Leave everything orange alone.',
        'With no power the {boot} lid may lock: leave it open.',
      ),
      wait('Charge it, in a place that is aired.', 480, 'Charging'),
      lookUp('Measure it some hours after charging.', 'Voltage at rest', 'V'),
      step('To replace it: negative cable off first, plus on first.'),
      step('Put the breather hose back on.'),
    ],
    beforeCovers: ['The clamps do not turn by hand, and the breather is on.'],
    afterwards: [RELEARN, 'In READY, 13.5 to 14.8 V must stand at it.'],
  }),
  'traction-fan': procedure({
    parts: [{ what: 'Filter of the battery’s cooling air', orderBy: BY_NUMBER }],
    consumables: ['vacuum cleaner'],
    steps: [
      step('Switch READY off.'),
      step('Find the grille near the rear seat, and take its filter out.'),
      step('Vacuum the filter and the grille; open nothing behind it.', 'Behind it begins high voltage.'),
      step('Put the filter back until it clicks.'),
    ],
    beforeCovers: ['Nothing covers the grille.'],
    afterwards: ['Do it again every year, with pets every half year.'],
  }),
  'motorcycle-regulator': procedure({
    parts: [{ what: 'Charging regulator', orderBy: BY_NUMBER }],
    renew: ['its connectors, if they are brown'],
    tools: ['hexagon keys', 'multimeter'],
    consumables: ['heat paste', 'contact spray'],
    steps: [
      step('Measure stator and connector first.', 'A burnt connector destroys the next regulator too.'),
      cool(30),
      EARTH_OFF,
      step('Unplug the regulator, and undo it.'),
      step(
        'Clean the place behind it to bare metal, and put heat paste on.',
        'On paint it cannot shed its heat.',
      ),
      step('Fit the new one, and plug it in until it clicks.'),
      EARTH_ON,
      lookUp('Measure at the battery at 5,000 rpm, outdoors.', 'Charging voltage', 'V'),
    ],
    beforeCovers: [CONNECTORS, 'Wires are free at full lock of the handlebar.'],
    afterwards: ['Read every unit again: low voltage leaves codes everywhere.'],
  }),
  'motorcycle-stator': procedure({
    cautions: ['exhaust-gas'],
    parts: [
      { what: 'Stator', orderBy: BY_NUMBER },
      { what: 'Engine oil, where the cover holds it', orderBy: 'grade in the {handbook}' },
    ],
    renew: ['gasket of the cover', 'screws with thread lock'],
    tools: ['hexagon keys', 'torque {spanner}', 'scraper of plastic'],
    consumables: ['thread lock', 'sealant for the grommet', 'catch pan'],
    steps: [
      cool(),
      EARTH_OFF,
      step('Drain the oil, or lean the machine to the other side as the {handbook} allows.'),
      step(
        'Undo the cover crosswise, and pull it straight off.',
        'The magnets hold it: keep your fingers clear.',
      ),
      step('Undo the stator and the clamp of its wire.'),
      step('Lay the new wire as it ran, seal its grommet, and put thread lock on the screws.'),
      lookUp('Tighten the stator screws.', 'Torque of the stator screws', 'Nm'),
      step('Clean the faces, set the new gasket, and start every screw by hand.'),
      lookUp('Tighten the cover crosswise.', 'Torque of the cover screws', 'Nm'),
      EARTH_ON,
    ],
    beforeCovers: ['Nothing clings to the magnets.', 'Oil is filled to its mark.'],
    stuck: 'Light knocks with a plastic mallet all round; do not lever in the joint.',
    afterwards: [
      'Measure at the battery at 5,000 rpm, outdoors: 13.8 to 14.6 V.',
      'Look for oil at the cover.',
    ],
  }),
  'regulator-plug': procedure({
    parts: [{ what: 'Sealed connector with pins', orderBy: 'number of pins and cross-section' }],
    tools: ['crimping pliers'],
    consumables: ['heat-shrink tube', 'contact grease'],
    steps: [
      EARTH_OFF,
      step('Cut the burnt connector off, back to bright copper.'),
      step(
        'Slip the tubes on, crimp new pins, and pull at each.',
        'A loose crimp burns like the old connector.',
      ),
      step('Grease the pins thinly, and push both halves together.'),
      EARTH_ON,
    ],
    beforeCovers: [CONNECTORS, 'Wires are free at full lock of the handlebar.'],
    afterwards: ['After twenty minutes’ ride, feel it: it must not be hot.'],
  }),
  'side-stand-switch': procedure({
    parts: [{ what: 'Side stand switch, if cleaning does not help', orderBy: BY_NUMBER }],
    tools: ['hexagon keys'],
    consumables: ['brake cleaner', 'chain grease', 'thread lock'],
    steps: [
      step('Set it on a paddock stand, ignition off.'),
      step('Clean stand and switch of chain lube and mud.'),
      step('Work the stand ten times, and look whether the plunger follows.'),
      step(
        'If it does not: unplug the switch, undo it, and fit the new one with thread lock.',
        'Never bridge it: it keeps you from riding off with the stand down.',
      ),
    ],
    beforeCovers: ['The wire is free of stand and chain.'],
    afterwards: ['In gear with the stand down the engine must stop.'],
  }),
  'tip-over-sensor': procedure({
    tools: ['hexagon keys'],
    steps: [
      step('Set the machine upright, ignition off.'),
      wait('Wait with the ignition off.', 1, 'Ignition off'),
      step(
        'Look at the sensor: on its rubbers, arrow up, screws tight.',
        'Mounted askew it stops the engine in a bend.',
      ),
      step('Switch the ignition on, and start.'),
    ],
    beforeCovers: [CONNECTORS],
    afterwards: ['After a fall look for leaks, a bent lever and a jammed throttle before you ride.'],
  }),
  'air-pressure-sensor': procedure({
    parts: [{ what: 'Barometric pressure sensor', orderBy: BY_NUMBER }],
    renew: ['its seal'],
    tools: ['Torx T25'],
    steps: [
      IGNITION_OFF,
      step(
        'Find out whether it is a part of its own: in many {cars} it sits inside the engine’s control unit.',
      ),
      step('Unplug it, undo it, and look whether its opening is blocked.'),
      step('Fit the new one with its opening downward, and plug it in.'),
    ],
    beforeCovers: [OLD_SEAL, CONNECTORS],
    afterwards: ['With the ignition on it must read the pressure of the air.'],
  }),
  'outside-sensor': procedure({
    parts: [{ what: 'Outside temperature sensor', orderBy: BY_NUMBER }],
    steps: [
      IGNITION_OFF,
      cool(30),
      step('Find it behind the bumper or in the mirror, and plug it in if it hangs loose.'),
      lookUp('Measure the old one, and write the value down.', 'Resistance of the old sensor', 'Ω'),
      step('Clip the new one in, away from the radiator, and plug it in.'),
    ],
    beforeCovers: [CONNECTORS, CLEAR_OF_HEAT],
    afterwards: ['It takes a drive until the display believes it.'],
  }),
  alternator: procedure({
    cautions: ['exhaust-gas'],
    parts: [{ what: 'Alternator, or its regulator', orderBy: BY_ENGINE }],
    renew: ['the belt, if it is cracked'],
    tools: ['sockets 10 to 16 mm', 'belt tool', 'multimeter'],
    steps: [
      step('Check belt, connector and cable first.', 'A bad cable looks like a dead alternator.'),
      lookUp(
        'Measure at the alternator’s own stud, engine running, outdoors.',
        'Voltage at the alternator',
        'V',
      ),
      IGNITION_OFF,
      cool(30),
      EARTH_OFF,
      step('Draw the belt’s path, and take the belt off.'),
      step('Undo connector and cable, then the bolts; lift it out.'),
      step('Compare old and new: pulley, plug, holes.'),
      step(
        'Set the new one in, cable tight, connector on, belt by the drawing.',
        'A loose nut on the cable burns.',
      ),
      EARTH_ON,
    ],
    beforeCovers: ['The cap is on the cable, and the belt sits in every groove.', COUNTED],
    stuck: 'Long bolts through {aluminium} corrode: penetrating oil, and turn to and fro.',
    afterwards: ['It must charge 13.5 to 14.8 V with the headlights on.', RELEARN],
  }),
} as const;
