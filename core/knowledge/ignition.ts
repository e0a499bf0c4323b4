import type { Cause, Check } from './types.ts';

const PETROL = ['petrol', 'hybrid', 'lpg', 'unknown'] as const;
const MISFIRE = {
  'code:misfire-same': 0.9,
  'code:misfire-several': 0.3,
  'sign:shakes': 0.8,
  'sign:rough-idle': 0.6,
  'sign:weak': 0.5,
} as const;

export const IGNITION_CAUSES: readonly Cause[] = [
  {
    id: 'coil-boot', title: 'Coil boot of cylinder {n} cracked', system: 'ignition', scope: 'cylinder', fuels: PETROL,
    prior: 0.012,
    priorFactors: [{ when: { kind: 'distance-over', km: 100_000 }, factor: 1.8 }, { when: { kind: 'age-over', years: 8 }, factor: 1.4 }],
    effects: { ...MISFIRE, 'code:coil-same': 0.05, 'sign:wet': 0.75, 'sign:cold': 0.4, 'sign:uphill': 0.5, 'frame:cold': 0.75, 'frame:load': 0.75, 'frame:idle': 0.15, 'before:washed': 0.4, 'before:plugs-old': 0.75 },
    repair: {
      title: 'Fit a new coil boot on cylinder {n}', parts: 14, ownerMinutes: 30, shopMinutes: 30, tools: ['hand-tools'],
      cautions: ['cold-engine', 'high-tension', 'torque'],
      steps: [
        'Ignition off, key away from the car, engine cold. Take the engine cover off.',
        'Find cylinder {n}: makers count from different ends, so check the handbook.',
        'Press the catch, pull the plug off the coil by its body, never by the wires.',
        'Undo the coil’s screw, twist and pull the coil straight up. Put the screw in a tin, not on the engine.',
        'Look down the well with a torch: dry it if there is water or oil.',
        'Pull the old boot off, a thin film of dielectric grease in the new one, push it on until it clicks.',
        'Set the coil in, screw by hand, then to the handbook’s torque. Plug on until the catch snaps.',
      ],
    },
  },
  {
    id: 'coil', title: 'Coil of cylinder {n} worn out', system: 'ignition', scope: 'cylinder', fuels: PETROL,
    prior: 0.02, priorFactors: [{ when: { kind: 'distance-over', km: 120_000 }, factor: 1.6 }],
    effects: { ...MISFIRE, 'code:coil-same': 0.45, 'sign:wet': 0.15, 'sign:warm': 0.35, 'sign:uphill': 0.4, 'frame:cold': 0.35, 'frame:load': 0.55, 'frame:idle': 0.25, 'before:plugs-old': 0.7 },
    repair: {
      title: 'Fit a new coil on cylinder {n}', parts: 45, ownerMinutes: 25, shopMinutes: 25, tools: ['hand-tools'],
      cautions: ['cold-engine', 'high-tension', 'torque'],
      steps: [
        'Ignition off, key away from the car, engine cold. Take the engine cover off.',
        'Find cylinder {n}: makers count from different ends, so check the handbook.',
        'Press the catch, pull the plug off the coil by its body.',
        'Undo the screw, twist and pull the coil straight up.',
        'Set the new coil in, screw by hand, then to the handbook’s torque. Plug on until the catch snaps.',
      ],
    },
  },
  {
    id: 'plug', title: 'Spark plug {n} fouled or wide', system: 'ignition', scope: 'cylinder', fuels: PETROL,
    prior: 0.016, priorFactors: [{ when: { kind: 'distance-over', km: 80_000 }, factor: 1.4 }],
    effects: { ...MISFIRE, 'code:coil-same': 0.03, 'sign:wet': 0.06, 'sign:cold': 0.4, 'sign:uphill': 0.5, 'sign:fuel-smell': 0.15, 'frame:cold': 0.45, 'frame:load': 0.5, 'frame:idle': 0.35, 'before:plugs-old': 0.8 },
    repair: {
      title: 'Fit a new set of spark plugs', parts: 32, ownerMinutes: 50, shopMinutes: 45, tools: ['hand-tools', 'torque-wrench'],
      cautions: ['cold-engine', 'high-tension', 'torque'],
      steps: [
        'Engine cold, ignition off, key away. One cylinder at a time, so that nothing is swapped.',
        'Coil off, blow the well clean before the plug comes out: what falls in stays in.',
        'Compare the old plug: colour, gap, cracks, oil. Take a picture for the log.',
        'New plug in by hand with a piece of hose for at least three turns, then to the handbook’s torque.',
        'The others are as old: do the set.',
      ],
    },
  },
  {
    id: 'plug-well-water', title: 'Water in the plug well of cylinder {n}', system: 'ignition', scope: 'cylinder', fuels: PETROL,
    prior: 0.004, isPassing: true,
    effects: { ...MISFIRE, 'sign:wet': 0.8, 'frame:cold': 0.6, 'frame:load': 0.45, 'before:washed': 0.8 },
    repair: {
      title: 'Dry the plug well and find where the water comes in', parts: 0, ownerMinutes: 30, shopMinutes: 40, tools: ['hand-tools'],
      cautions: ['cold-engine', 'high-tension'],
      steps: ['Coil out, mop the well dry with a rag on a stick.', 'Look at the cover’s seal and at the drain of the windscreen tray above it.', 'Refit; watch it through the next rain.'],
    },
  },
  {
    id: 'coil-connector', title: 'Plug of coil {n} loose or corroded', system: 'ignition', scope: 'cylinder', fuels: PETROL,
    prior: 0.006,
    effects: { ...MISFIRE, 'code:coil-same': 0.65, 'sign:wet': 0.3, 'before:worked-on': 0.5, 'frame:cold': 0.3, 'frame:load': 0.4 },
    repair: {
      title: 'Clean and seat the plug of coil {n}', parts: 3, ownerMinutes: 15, shopMinutes: 20, tools: ['hand-tools'],
      cautions: ['high-tension', 'cold-engine'],
      steps: ['Ignition off. Open the catch, pull by the body.', 'Look for green or bent pins; clean with contact spray, let it dry.', 'Push on until it snaps, tug at it once.'],
    },
  },
  {
    id: 'plugs-overdue', title: 'Spark plugs long overdue, whole set', system: 'ignition', scope: 'engine', fuels: PETROL,
    prior: 0.02, priorFactors: [{ when: { kind: 'distance-over', km: 120_000 }, factor: 1.5 }],
    effects: { 'code:misfire-several': 0.7, 'code:misfire-other': 0.35, 'sign:shakes': 0.5, 'sign:rough-idle': 0.55, 'sign:weak': 0.5, 'sign:hard-start': 0.4, 'sign:thirsty': 0.4, 'sign:uphill': 0.45, 'before:plugs-old': 0.95, 'frame:load': 0.5 },
    repair: {
      title: 'Fit a new set of spark plugs', parts: 32, ownerMinutes: 50, shopMinutes: 45, tools: ['hand-tools', 'torque-wrench'],
      cautions: ['cold-engine', 'high-tension', 'torque'],
      steps: ['Engine cold, one cylinder at a time.', 'Blow the wells clean, old plug out, compare and photograph it.', 'New plug in by hand, then to the handbook’s torque.'],
    },
  },
  {
    id: 'coil-supply', title: 'Supply or ground of all coils', system: 'ignition', scope: 'engine', fuels: PETROL,
    prior: 0.003,
    effects: { 'code:misfire-several': 0.85, 'code:misfire-other': 0.6, 'code:supply-voltage': 0.1, 'sign:shakes': 0.7, 'sign:stalls': 0.5, 'sign:hard-start': 0.5, 'before:worked-on': 0.3, 'before:battery': 0.2 },
    repair: {
      title: 'Mend the coils’ supply or ground', parts: 5, ownerMinutes: 60, shopMinutes: 60, tools: ['hand-tools', 'multimeter'],
      cautions: ['high-tension', 'battery'],
      steps: ['Find the coils’ fuse and relay in the handbook; look and measure.', 'Ground strap engine to body: clean both ends bright, tighten.', 'Measure the drop again with the engine cranking: under 0.2 V.'],
    },
  },
  {
    id: 'crank-sensor', title: 'Crankshaft sensor failing', system: 'ignition', scope: 'engine', prior: 0.012,
    effects: { 'code:crank-sensor': 0.75, 'code:misfire-several': 0.15, 'sign:stalls': 0.55, 'sign:hard-start': 0.45, 'sign:warm': 0.5, 'sign:shakes': 0.1 },
    repair: {
      title: 'Fit a new crankshaft sensor', parts: 28, ownerMinutes: 60, shopMinutes: 50, tools: ['hand-tools'], cautions: ['cold-engine', 'jacking'],
      steps: ['Find it near the flywheel or the crank pulley.', 'Plug off, screw out, twist it free; the old sealing ring must come out too.', 'Oil the new ring, sensor in, screw to the handbook’s torque.'],
    },
  },
  {
    id: 'cam-sensor', title: 'Camshaft sensor failing', system: 'ignition', scope: 'engine', prior: 0.012,
    effects: { 'code:cam-sensor': 0.85, 'code:cam-timing': 0.1, 'sign:hard-start': 0.5, 'sign:stalls': 0.15 },
    repair: {
      title: 'Fit a new camshaft sensor', parts: 24, ownerMinutes: 25, shopMinutes: 25, tools: ['hand-tools'], cautions: ['cold-engine'],
      steps: ['Find it at the end of the cylinder head.', 'Plug off, screw out; the old sealing ring must come out too.', 'New ring oiled, sensor in, torque.'],
    },
  },
  {
    id: 'knock-sensor', title: 'Knock sensor or its wire', system: 'ignition', scope: 'engine', prior: 0.006, fuels: PETROL,
    effects: { 'code:knock-sensor': 0.95, 'sign:weak': 0.3, 'sign:pings': 0.25 },
    repair: {
      title: 'Fit a new knock sensor', parts: 30, ownerMinutes: 90, shopMinutes: 75, tools: ['hand-tools', 'torque-wrench'], cautions: ['cold-engine', 'torque'],
      steps: ['Look at the plug and wire first; rodents like them.', 'The torque of its screw is part of the measurement: use the handbook’s figure.'],
    },
  },
  {
    id: 'timing-stretched', title: 'Timing chain stretched or belt jumped', system: 'engine', scope: 'engine', prior: 0.006,
    priorFactors: [{ when: { kind: 'distance-over', km: 150_000 }, factor: 2 }],
    effects: { 'code:cam-timing': 0.85, 'code:cam-sensor': 0.15, 'code:misfire-several': 0.25, 'sign:weak': 0.55, 'sign:hard-start': 0.35, 'sign:rough-idle': 0.45 },
    repair: {
      title: 'Have the timing checked and set', parts: 220, ownerMinutes: 480, shopMinutes: 360, tools: ['hand-tools', 'torque-wrench'], cautions: ['cold-engine'],
      isLicensed: true,
      steps: ['Do not drive: one tooth more can bend the valves.', 'Have a workshop check the marks before anything is turned.'],
    },
  },
  {
    id: 'compression', title: 'Compression of cylinder {n} low', system: 'engine', scope: 'cylinder', prior: 0.003,
    priorFactors: [{ when: { kind: 'distance-over', km: 200_000 }, factor: 2 }],
    effects: { ...MISFIRE, 'sign:blue-smoke': 0.3, 'frame:cold': 0.45, 'frame:idle': 0.55, 'frame:load': 0.25 },
    repair: {
      title: 'Have cylinder {n} looked into', parts: 300, ownerMinutes: 900, shopMinutes: 600, tools: ['hand-tools', 'torque-wrench'], cautions: ['cold-engine'],
      isLicensed: true,
      steps: ['Repeat the compression test with a spoon of oil: better with oil means rings, the same means valves.', 'Ask two workshops for a price with these figures in hand.'],
    },
  },
];

const found = (id: string, title: string, says: string) => ({ id, title, says });

export const IGNITION_CHECKS: readonly Check[] = [
  {
    id: 'swap-coils', title: 'Swap coils {n} and {m}, drive 5 minutes, read again', scope: 'cylinder', system: 'ignition', minutes: 20, cost: 0,
    tools: ['hand-tools'], cautions: ['cold-engine', 'high-tension', 'driving'],
    how: 'Engine cold, ignition off. Change coil {n} with coil {m}, boot and all. Drive five minutes under the same conditions and read: which cylinder misfires now?',
    outcomes: [found('stays', 'It stays on {n}', 'The coil and its boot are not it: plug, injector, wiring or compression of cylinder {n}.'), found('moves', 'It moves to {m}', 'The fault moved with the coil: the coil or its boot.'), found('gone', 'No misfire now', 'Moving the plug may have cured a contact, or the conditions were not met.')],
    otherwise: [0.8, 0.02, 0.18],
    given: { 'coil-boot': [0.08, 0.8, 0.12], coil: [0.05, 0.88, 0.07], 'coil-connector': [0.25, 0.05, 0.7], plug: [0.88, 0.02, 0.1], 'plug-well-water': [0.3, 0.1, 0.6], 'injector-clogged': [0.92, 0.02, 0.06], compression: [0.94, 0.01, 0.05] },
  },
  {
    id: 'boot-look', title: 'Pull coil {n} and look at its boot', scope: 'cylinder', system: 'ignition', minutes: 12, cost: 0, tools: ['hand-tools'], cautions: ['cold-engine', 'high-tension'],
    how: 'Engine cold, ignition off. Pull the coil. Look for a hairline crack, a white or burnt track, or a light grey line down the plug’s insulator.',
    outcomes: [found('sound', 'Clean, no track', 'A crack that can be seen is ruled out, a fine one is not.'), found('track', 'Crack or burnt track', 'The spark jumps through the boot instead of the plug.'), found('wet', 'Water or oil in the well', 'Dry it, and find where it comes from.')],
    otherwise: [0.93, 0.03, 0.04],
    given: { 'coil-boot': [0.3, 0.65, 0.05], coil: [0.88, 0.08, 0.04], plug: [0.85, 0.1, 0.05], 'plug-well-water': [0.15, 0.05, 0.8] },
  },
  {
    id: 'mist-test', title: 'Mist the coils with water in the dark', scope: 'engine', system: 'ignition', minutes: 10, cost: 0, tools: [], cautions: ['moving-parts', 'high-tension', 'exhaust-gas'],
    how: 'Outside, in the dark, engine idling: a fine mist from a plant sprayer over the coils. Watch from a distance for sparks, listen for a stumble.',
    outcomes: [found('calm', 'No sparks, no stumble', 'Tracking over wet boots is less likely.'), found('sparks', 'Sparks or a stumble', 'High voltage escapes where it is wet: a boot or a lead.')],
    otherwise: [0.96, 0.04], given: { 'coil-boot': [0.3, 0.7], 'plug-well-water': [0.5, 0.5], coil: [0.75, 0.25] },
  },
  {
    id: 'plug-look', title: 'Take plug {n} out and look', scope: 'cylinder', system: 'ignition', minutes: 25, cost: 0, tools: ['hand-tools', 'torque-wrench'], cautions: ['cold-engine', 'high-tension', 'torque'],
    how: 'Engine cold. Blow the well clean, take the plug out, compare it with its neighbour: gap, colour, cracks, oil, fuel.',
    outcomes: [found('sound', 'Like its neighbour, gap right', 'The plug is not it.'), found('worn', 'Wide gap, cracked or fouled', 'The plug may be it: a new set is cheap.'), found('wet-fuel', 'Wet with fuel', 'Fuel came, the spark did not.'), found('oily', 'Oily', 'Oil comes past rings or valve guides.')],
    otherwise: [0.72, 0.13, 0.1, 0.05],
    given: { plug: [0.12, 0.75, 0.1, 0.03], 'plugs-overdue': [0.1, 0.85, 0.03, 0.02], coil: [0.45, 0.1, 0.42, 0.03], 'coil-boot': [0.5, 0.15, 0.32, 0.03], compression: [0.45, 0.1, 0.15, 0.3], 'injector-clogged': [0.85, 0.1, 0.01, 0.04] },
  },
  {
    id: 'swap-plugs', title: 'Swap plugs {n} and {m}, drive, read again', scope: 'cylinder', system: 'ignition', minutes: 45, cost: 0, tools: ['hand-tools', 'torque-wrench'], cautions: ['cold-engine', 'high-tension', 'torque', 'driving'],
    how: 'Engine cold. Change plug {n} with plug {m}. Drive under the same conditions and read: which cylinder misfires now?',
    outcomes: [found('stays', 'It stays on {n}', 'Not the plug.'), found('moves', 'It moves to {m}', 'The plug.')],
    otherwise: [0.97, 0.03], given: { plug: [0.1, 0.9] },
  },
  {
    id: 'coil-connector-look', title: 'Check the plug of coil {n}', scope: 'cylinder', system: 'ignition', minutes: 6, cost: 0, tools: [], cautions: ['high-tension', 'cold-engine'],
    how: 'Ignition off. Is the catch shut? Open it: bent, green or pushed-back pins? Tug each wire gently.',
    outcomes: [found('sound', 'Tight and clean', 'The contact is good.'), found('bad', 'Loose, green or bent', 'Clean and seat it before you buy anything.')],
    otherwise: [0.96, 0.04], given: { 'coil-connector': [0.15, 0.85] },
  },
  {
    id: 'coil-wiggle', title: 'Wiggle the loom at coil {n} while it idles', scope: 'cylinder', system: 'ignition', minutes: 5, cost: 0, tools: [], cautions: ['moving-parts', 'high-tension', 'exhaust-gas'],
    how: 'Engine idling outside. Move the plug’s wires a little with a dry wooden stick. Does the engine stumble?',
    outcomes: [found('steady', 'Nothing changes', 'The wires near the plug are sound.'), found('stumbles', 'It stumbles', 'A contact or wire there is broken.')],
    otherwise: [0.96, 0.04], given: { 'coil-connector': [0.35, 0.65] },
  },
  {
    id: 'spark-test', title: 'Spark tester on cylinder {n}', scope: 'cylinder', system: 'ignition', minutes: 15, cost: 0, tools: ['spark-tester', 'hand-tools'], cautions: ['high-tension', 'petrol', 'moving-parts'],
    how: 'Fuel pump fuse out. Tester between coil and ground, crank for three seconds: strong blue, weak yellow, or none?',
    outcomes: [found('strong', 'Strong and steady', 'Coil and its wiring do their work.'), found('weak', 'Weak or none', 'Coil, its boot or its wiring.')],
    otherwise: [0.94, 0.06], given: { coil: [0.15, 0.85], 'coil-connector': [0.3, 0.7], 'coil-boot': [0.6, 0.4], 'coil-supply': [0.15, 0.85] },
  },
  {
    id: 'coil-ohms', title: 'Measure the primary side of coil {n}', scope: 'cylinder', system: 'ignition', minutes: 10, cost: 0, tools: ['multimeter'], cautions: ['high-tension'],
    how: 'Plug off. Two-pin coils: 0.4 to 2 Ω between the pins at 20 °C, and like the others. Coils with three or four pins have electronics inside and cannot be judged this way.',
    outcomes: [found('like', 'Like the others', 'The primary winding is whole.'), found('differs', 'Open, or differs', 'The winding is broken or shorted.')],
    otherwise: [0.96, 0.04], given: { coil: [0.65, 0.35] },
  },
  {
    id: 'coil-feed', title: 'Measure the supply at a coil plug', scope: 'engine', system: 'ignition', minutes: 10, cost: 0, tools: ['multimeter'], cautions: ['high-tension'],
    how: 'Plug off, ignition on: the supply pin must have battery voltage within 0.3 V, also while cranking.',
    outcomes: [found('full', 'Full voltage', 'The supply is sound.'), found('low', 'Low or none', 'Fuse, relay or wire of the supply.')],
    otherwise: [0.97, 0.03], given: { 'coil-supply': [0.15, 0.85] },
  },
  {
    id: 'ground-drop', title: 'Measure the engine’s ground while cranking', scope: 'engine', system: 'electrical', minutes: 8, cost: 0, tools: ['multimeter'], cautions: ['moving-parts', 'battery'],
    how: 'Meter from battery minus to the engine block, someone cranks: under 0.2 V.',
    outcomes: [found('good', 'Under 0.2 V', 'The ground is good.'), found('bad', '0.2 V or more', 'Clean both ends of the ground strap.')],
    otherwise: [0.96, 0.04], given: { 'coil-supply': [0.6, 0.4], 'ground-bad': [0.1, 0.9] },
  },
  {
    id: 'compression-test', title: 'Measure compression of all cylinders', scope: 'cylinder', system: 'engine', minutes: 60, cost: 0, tools: ['compression-gauge', 'hand-tools'], cautions: ['high-tension', 'petrol', 'torque'],
    how: 'Warm engine, all plugs out, fuel pump fuse out, throttle open, crank five turns a cylinder. All within 10 % of each other, and within the handbook’s figure?',
    outcomes: [found('even', 'Cylinder {n} like the others', 'The engine itself is sound.'), found('low', 'Cylinder {n} is low', 'Rings or valves of cylinder {n}.')],
    otherwise: [0.97, 0.03], given: { compression: [0.05, 0.95] },
  },
  {
    id: 'crank-sensor-ohms', title: 'Measure the crankshaft sensor', scope: 'engine', system: 'ignition', minutes: 20, cost: 0, tools: ['multimeter'], cautions: ['cold-engine', 'jacking'],
    how: 'Two-wire sensors: 200 to 2000 Ω, and no connection to ground. Measure again hot if it fails hot.',
    outcomes: [found('in', 'In range', 'The winding is whole.'), found('out', 'Out of range', 'The sensor is broken.')],
    otherwise: [0.96, 0.04], given: { 'crank-sensor': [0.4, 0.6] },
  },
  {
    id: 'cam-sensor-plug', title: 'Check plug and oil at the camshaft sensor', scope: 'engine', system: 'ignition', minutes: 8, cost: 0, tools: [], cautions: ['cold-engine'],
    how: 'Plug off: oil inside, bent pins? Supply 5 or 12 V with the ignition on?',
    outcomes: [found('sound', 'Clean, supply there', 'Then the sensor itself is likely.'), found('bad', 'Oil, bent pins or no supply', 'Mend that first.')],
    otherwise: [0.93, 0.07], given: { 'cam-sensor': [0.65, 0.35] },
  },
  {
    id: 'knock-plug', title: 'Check plug and wire of the knock sensor', scope: 'engine', system: 'ignition', minutes: 15, cost: 0, tools: [], cautions: ['cold-engine'],
    how: 'Follow the wire by hand and eye. Chewed, melted, plug loose?',
    outcomes: [found('sound', 'Whole and tight', 'Then the sensor itself is likely.'), found('bad', 'Damaged or loose', 'Mend the wire before you buy the sensor.')],
    otherwise: [0.97, 0.03], given: { 'knock-sensor': [0.5, 0.5] },
  },
  {
    id: 'chain-noise', title: 'Listen at the timing cover just after a cold start', scope: 'engine', system: 'engine', minutes: 5, cost: 0, tools: [], cautions: ['moving-parts', 'exhaust-gas'],
    how: 'Cold start after a night, bonnet open: a rattle at the timing side for more than two seconds?',
    outcomes: [found('quiet', 'Quiet', 'A stretched chain is less likely.'), found('rattles', 'Rattles', 'Do not drive far: have the chain looked at.')],
    otherwise: [0.94, 0.06], given: { 'timing-stretched': [0.35, 0.65] },
  },
];
