import type { Cause, Check, Repair } from './types.ts';

const LEAK_EFFECTS = {
  'code:lean': 0.75, 'code:misfire-several': 0.2, 'code:idle': 0.3, 'reading:lean-idle': 0.85, 'reading:lean-load': 0.2,
  'sign:rough-idle': 0.6, 'sign:high-idle': 0.35, 'sign:hiss': 0.5, 'sign:stalls': 0.15, 'sign:weak': 0.2, 'frame:idle': 0.5, 'frame:load': 0.2,
} as const;

const seal = (title: string, parts: number, ownerMinutes: number, steps: readonly string[]): Repair => ({
  title, parts, ownerMinutes, shopMinutes: Math.round(ownerMinutes * 0.9), tools: ['hand-tools'], cautions: ['cold-engine', 'vacuum-hose'], steps,
});

export const AIR_CAUSES: readonly Cause[] = [
  {
    id: 'intake-hose-split', title: 'Intake hose split behind the air flow sensor', system: 'air', scope: 'engine', prior: 0.02,
    priorFactors: [{ when: { kind: 'age-over', years: 8 }, factor: 1.5 }],
    effects: { ...LEAK_EFFECTS, 'reading:air-flow-low': 0.55, 'reading:lean-load': 0.35, 'sign:weak': 0.35, 'before:worked-on': 0.2 },
    repair: seal('Fit a new intake hose', 35, 35, ['Loosen both clips, ease the hose off without pulling at the sensor.', 'Compare old and new, fit, clips square to the rim.', 'Start, listen, spray the joints with soapy water.']),
  },
  {
    id: 'vacuum-hose-off', title: 'Vacuum hose off or split', system: 'air', scope: 'engine', prior: 0.03,
    priorFactors: [{ when: { kind: 'age-over', years: 8 }, factor: 1.4 }],
    effects: { ...LEAK_EFFECTS, 'sign:hiss': 0.65, 'before:worked-on': 0.35 },
    repair: seal('Replace the vacuum hose', 8, 20, ['Follow each thin hose from end to end; the ends harden and split first.', 'Cut the new one to the same length, push it fully on.', 'Listen for the hiss with the engine idling.']),
  },
  {
    id: 'intake-gasket', title: 'Intake manifold gasket leaks', system: 'air', scope: 'engine', prior: 0.012,
    priorFactors: [{ when: { kind: 'distance-over', km: 120_000 }, factor: 1.5 }],
    effects: { ...LEAK_EFFECTS, 'sign:cold': 0.45, 'frame:cold': 0.5, 'sign:hiss': 0.3 },
    repair: { ...seal('Fit new intake manifold gaskets', 25, 150, ['Pictures of every plug and hose before you take one off.', 'Stuff rags into the open ports: nothing may fall in.', 'Clean both faces, new gaskets, screws crosswise in two steps to the handbook’s torque.']), tools: ['hand-tools', 'torque-wrench'], cautions: ['cold-engine', 'torque', 'vacuum-hose'] },
  },
  {
    id: 'brake-booster-leak', title: 'Brake booster or its hose leaks', system: 'air', scope: 'engine', prior: 0.005,
    effects: { ...LEAK_EFFECTS, 'sign:hiss': 0.7 },
    repair: { ...seal('Have the brake booster looked at', 140, 120, ['A hiss at the pedal that changes when you press it: the booster.', 'Brakes are at stake: leave the booster to a workshop.']), isLicensed: true },
  },
  {
    id: 'breather-stuck', title: 'Crankcase breather valve stuck open', system: 'air', scope: 'engine', prior: 0.012,
    effects: { ...LEAK_EFFECTS, 'sign:blue-smoke': 0.25, 'sign:hiss': 0.5, 'sign:high-idle': 0.3 },
    repair: seal('Fit a new breather valve', 22, 30, ['Pull the valve, shake it: one that does not rattle, or that you can blow through both ways, is done.', 'New valve and hose ends, clips tight.']),
  },
  {
    id: 'oil-cap-open', title: 'Oil cap or dipstick not shut', system: 'air', scope: 'engine', prior: 0.006, isPassing: true,
    effects: { ...LEAK_EFFECTS, 'code:lean': 0.45, 'before:worked-on': 0.5 },
    repair: seal('Shut cap and dipstick', 0, 3, ['Seat the dipstick, turn the cap home, look at its seal.']),
  },
  {
    id: 'maf-unplugged', title: 'Air flow sensor unplugged', system: 'air', scope: 'engine', prior: 0.006,
    effects: { 'code:air-flow-circuit': 0.97, 'code:intake-temperature': 0.35, 'code:lean': 0.15, 'reading:air-flow-dead': 0.95, 'reading:intake-temperature-rail': 0.35, 'sign:weak': 0.6, 'sign:rough-idle': 0.35, 'sign:stalls': 0.25, 'before:worked-on': 0.8 },
    repair: seal('Plug the air flow sensor in', 0, 5, ['Ignition off.', 'Push the plug on until the catch snaps; the seal must lie flat.']),
  },
  {
    id: 'maf-failed', title: 'Air flow sensor failed', system: 'air', scope: 'engine', prior: 0.012,
    effects: { 'code:air-flow-circuit': 0.7, 'code:air-flow-range': 0.3, 'code:lean': 0.25, 'reading:air-flow-dead': 0.6, 'reading:air-flow-low': 0.4, 'sign:weak': 0.6, 'sign:rough-idle': 0.35, 'sign:thirsty': 0.3 },
    repair: { ...seal('Fit a new air flow sensor', 85, 20, ['Compare the part number: a wrong one fits and misleads.', 'Do not touch the element. Arrow with the flow.']), cautions: ['cold-engine'] },
  },
  {
    id: 'maf-wiring', title: 'Wire to the air flow sensor broken', system: 'air', scope: 'engine', prior: 0.006,
    effects: { 'code:air-flow-circuit': 0.92, 'reading:air-flow-dead': 0.8, 'sign:weak': 0.5, 'sign:stalls': 0.2, 'before:worked-on': 0.25 },
    repair: { ...seal('Mend the wire to the air flow sensor', 6, 60, ['Find the break: move the loom while you watch the reading.', 'Solder or crimp, seal with shrink tube, tie the loom so that it does not chafe.']), tools: ['hand-tools', 'multimeter'], cautions: ['battery'] },
  },
  {
    id: 'maf-dirty', title: 'Air flow sensor dirty', system: 'air', scope: 'engine', prior: 0.025,
    priorFactors: [{ when: { kind: 'modified' }, factor: 2 }],
    effects: { 'code:lean': 0.6, 'code:air-flow-range': 0.25, 'reading:air-flow-low': 0.7, 'reading:lean-load': 0.7, 'reading:lean-idle': 0.3, 'sign:weak': 0.5, 'sign:uphill': 0.4, 'before:modified': 0.25, 'frame:load': 0.5 },
    repair: { ...seal('Clean the air flow sensor', 0, 20, ['Ignition off, sensor out.', 'Only air flow sensor cleaner, from a hand’s width; never touch the element.', 'Let it dry for ten minutes, refit, look at the air filter too.']), tools: ['cleaner-spray', 'hand-tools'], cautions: ['cold-engine', 'spray'] },
  },
  {
    id: 'air-filter', title: 'Air filter blocked', system: 'air', scope: 'engine', prior: 0.008,
    effects: { 'code:air-flow-range': 0.1, 'code:rich': 0.12, 'sign:weak': 0.6, 'sign:thirsty': 0.5, 'sign:uphill': 0.4, 'frame:load': 0.5 },
    repair: seal('Fit a new air filter', 14, 10, ['Open the box, note how the old one lies.', 'Wipe the box, new filter, all clips shut.']),
  },
  {
    id: 'map-failed', title: 'Manifold pressure sensor or its hose', system: 'air', scope: 'engine', prior: 0.01,
    effects: { 'code:manifold-pressure': 0.85, 'code:lean': 0.12, 'code:rich': 0.2, 'reading:manifold-pressure-high': 0.5, 'reading:rich': 0.3, 'sign:weak': 0.5, 'sign:thirsty': 0.4, 'sign:rough-idle': 0.35 },
    repair: seal('Fit a new manifold pressure sensor', 35, 20, ['Hose first: split, blocked with soot, off?', 'Sensor off, look into its port, clean it, new one with seal.']),
  },
  {
    id: 'iat-unplugged', title: 'Intake temperature sensor unplugged', system: 'air', scope: 'engine', prior: 0.005,
    effects: { 'code:intake-temperature': 0.97, 'reading:intake-temperature-rail': 0.97, 'sign:hard-start': 0.2, 'sign:thirsty': 0.3, 'before:worked-on': 0.75 },
    repair: seal('Plug the intake temperature sensor in', 0, 5, ['Ignition off. Push the plug on until the catch snaps.']),
  },
  {
    id: 'iat-failed', title: 'Intake temperature sensor or its wire broken', system: 'air', scope: 'engine', prior: 0.008,
    effects: { 'code:intake-temperature': 0.95, 'reading:intake-temperature-rail': 0.8, 'sign:hard-start': 0.2, 'sign:thirsty': 0.3 },
    repair: seal('Fit a new intake temperature sensor', 18, 15, ['Measure it first: 2 to 3 kΩ at 20 °C.', 'New one in, hand-tight, plug on.']),
  },
  {
    id: 'throttle-dirty', title: 'Throttle body dirty', system: 'air', scope: 'engine', prior: 0.02, fuels: ['petrol', 'hybrid', 'lpg', 'unknown'],
    priorFactors: [{ when: { kind: 'distance-over', km: 100_000 }, factor: 1.4 }],
    effects: { 'code:idle': 0.6, 'code:throttle': 0.15, 'sign:rough-idle': 0.5, 'sign:stalls': 0.45, 'frame:idle': 0.7, 'before:battery': 0.15 },
    repair: { ...seal('Clean the throttle body', 6, 40, ['Ignition off: an electric throttle must not be forced by hand.', 'Cleaner on a cloth, wipe the edge of the plate and its seat.', 'Idle has to be learned again: let it idle ten minutes.']), cautions: ['cold-engine', 'spray'] },
  },
  {
    id: 'throttle-actuator', title: 'Throttle or pedal sensor failing', system: 'air', scope: 'engine', prior: 0.012,
    effects: { 'code:throttle': 0.92, 'code:idle': 0.15, 'sign:weak': 0.65, 'sign:stalls': 0.25 },
    repair: seal('Fit a new throttle body', 160, 60, ['Check the plug and both sensor tracks first.', 'New gasket, learn the stops with ignition on for a minute.']),
  },
  {
    id: 'egr-stuck', title: 'Exhaust recirculation valve stuck open', system: 'air', scope: 'engine', prior: 0.01,
    effects: { 'code:egr': 0.75, 'code:misfire-several': 0.2, 'reading:manifold-pressure-high': 0.4, 'sign:rough-idle': 0.6, 'sign:stalls': 0.35, 'sign:weak': 0.3, 'frame:idle': 0.5 },
    repair: seal('Clean or replace the recirculation valve', 60, 80, ['Valve off, new gasket ready.', 'Scrape the soot out, never into the manifold.', 'The plunger must move freely and seat.']),
  },
  {
    id: 'coolant-sensor', title: 'Coolant temperature sensor or its plug', system: 'cooling', scope: 'engine', prior: 0.012,
    effects: { 'code:coolant-temperature': 0.92, 'code:rich': 0.15, 'reading:coolant-temperature-rail': 0.7, 'sign:hard-start': 0.4, 'sign:thirsty': 0.45, 'before:worked-on': 0.2 },
    repair: seal('Fit a new coolant temperature sensor', 18, 30, ['Engine cold, cap open slowly: no pressure left.', 'Sensor out, new one and seal in at once, top up.', 'Bleed as the handbook says, look for drips.']),
  },
  {
    id: 'thermostat-open', title: 'Thermostat stuck open', system: 'cooling', scope: 'engine', prior: 0.02,
    priorFactors: [{ when: { kind: 'age-over', years: 7 }, factor: 1.4 }],
    effects: { 'code:runs-cold': 0.85, 'reading:runs-cold': 0.85, 'sign:thirsty': 0.35, 'code:catalyst': 0.02 },
    repair: seal('Fit a new thermostat', 30, 80, ['Engine stone cold. Catch the coolant: poisonous and sweet to animals.', 'Thermostat and seal, jiggle pin upwards.', 'Fill and bleed as the handbook says.']),
  },
];

const found = (id: string, title: string, says: string) => ({ id, title, says });

export const AIR_CHECKS: readonly Check[] = [
  {
    id: 'maf-plug-look', title: 'Look at the air flow sensor’s plug', scope: 'engine', system: 'air', minutes: 3, cost: 0, tools: [], cautions: ['cold-engine'],
    how: 'Ignition off. The sensor sits in the pipe just behind the air filter. Is its plug on, catch shut, pins clean?',
    outcomes: [found('on', 'On and clean', 'Not simply unplugged.'), found('off', 'Off or half on', 'Push it on: that may be all.'), found('pins', 'Green or bent pins', 'Clean the contact first.')],
    otherwise: [0.96, 0.01, 0.03], given: { 'maf-unplugged': [0.01, 0.97, 0.02], 'maf-wiring': [0.75, 0.02, 0.23] },
  },
  {
    id: 'maf-supply', title: 'Measure supply and ground at the air flow plug', scope: 'engine', system: 'air', minutes: 12, cost: 0, tools: ['multimeter'], cautions: ['battery'],
    how: 'Plug off, ignition on: 12 V (or 5 V) at the supply pin, under 0.1 V at ground.',
    outcomes: [found('right', 'Both right', 'The wires bring what the sensor needs.'), found('wrong', 'One is missing', 'Wire or fuse.')],
    otherwise: [0.96, 0.04], given: { 'maf-wiring': [0.2, 0.8] },
  },
  {
    id: 'maf-rev', title: 'Read air flow at idle and at 2,500 rpm', scope: 'engine', system: 'air', minutes: 6, cost: 0, tools: [], cautions: ['moving-parts', 'exhaust-gas'],
    how: 'Warm engine, in neutral. Note the air flow at idle and at 2,500 rpm. About the engine’s litres × 1.6 g/s at idle; three to four times that at 2,500 rpm.',
    outcomes: [found('fits', 'Both fit', 'The sensor measures well.'), found('low', 'Low at both', 'Dirty sensor, or air that comes in behind it.'), found('none', 'None', 'No signal: plug, wire or sensor.')],
    otherwise: [0.93, 0.05, 0.02],
    given: { 'maf-dirty': [0.2, 0.78, 0.02], 'maf-failed': [0.1, 0.35, 0.55], 'maf-unplugged': [0.02, 0.03, 0.95], 'maf-wiring': [0.05, 0.1, 0.85], 'intake-hose-split': [0.35, 0.63, 0.02], 'vacuum-hose-off': [0.5, 0.48, 0.02], 'intake-gasket': [0.55, 0.43, 0.02] },
  },
  {
    id: 'maf-clean', title: 'Clean the air flow sensor, drive, look at the trims', scope: 'engine', system: 'air', minutes: 30, cost: 2, tools: ['cleaner-spray'], cautions: ['spray', 'cold-engine'],
    how: 'Air flow sensor cleaner only, do not touch the element, let it dry. Then look whether the trims come back towards zero.',
    outcomes: [found('same', 'Trims as before', 'It was not dirt.'), found('better', 'Trims come back', 'It was dirt: done, but look at the air filter.')],
    otherwise: [0.95, 0.05], given: { 'maf-dirty': [0.15, 0.85], 'maf-failed': [0.85, 0.15] },
  },
  {
    id: 'hose-look', title: 'Bend the intake hose and look into its folds', scope: 'engine', system: 'air', minutes: 8, cost: 0, tools: [], cautions: ['cold-engine'],
    how: 'From the air flow sensor to the throttle: bend each fold open, look underneath, feel the clips.',
    outcomes: [found('whole', 'Whole, clips tight', 'The big hose is sound.'), found('split', 'Split or loose', 'Unmeasured air gets in there.')],
    otherwise: [0.96, 0.04], given: { 'intake-hose-split': [0.15, 0.85] },
  },
  {
    id: 'hose-follow', title: 'Follow every vacuum hose, pull at each end', scope: 'engine', system: 'air', minutes: 15, cost: 0, tools: [], cautions: ['vacuum-hose', 'cold-engine'],
    how: 'Engine off and cool. Follow each thin hose from end to end. Hard, split, off?',
    outcomes: [found('whole', 'All on and soft', 'No open hose.'), found('off', 'One off or split', 'That is a leak.')],
    otherwise: [0.92, 0.08], given: { 'vacuum-hose-off': [0.15, 0.85], 'breather-stuck': [0.75, 0.25] },
  },
  {
    id: 'leak-spray', title: 'Soapy water on the intake joints while it idles', scope: 'engine', system: 'air', minutes: 15, cost: 1, tools: ['brake-cleaner'], cautions: ['moving-parts', 'exhaust-gas', 'spray'],
    how: 'Engine idling, outside. Short bursts at each joint, one at a time. Does the sound or the idle change?',
    outcomes: [found('calm', 'No change anywhere', 'A leak is less likely.'), found('manifold', 'Changes at the manifold', 'The gasket leaks.'), found('hose', 'Changes at a hose', 'That hose leaks.')],
    otherwise: [0.92, 0.04, 0.04],
    given: { 'intake-gasket': [0.2, 0.75, 0.05], 'vacuum-hose-off': [0.2, 0.05, 0.75], 'intake-hose-split': [0.3, 0.05, 0.65], 'breather-stuck': [0.5, 0.1, 0.4], 'brake-booster-leak': [0.6, 0.05, 0.35] },
  },
  {
    id: 'trims-compare', title: 'Compare the trims at idle and at 2,500 rpm', scope: 'engine', system: 'air', minutes: 8, cost: 0, tools: [], cautions: ['moving-parts', 'exhaust-gas'],
    how: 'Warm engine. Short plus long trim at idle, then held at 2,500 rpm for a minute.',
    outcomes: [found('sound', 'Within ±10 % at both', 'The mixture is right at rest.'), found('idle', 'Lean at idle, recovers', 'A leak behind the throttle: it matters less the more air the engine takes.'), found('load', 'Lean, grows with speed', 'Too little fuel, or air flow measured too low.'), found('rich', 'Below −10 %', 'Too much fuel.')],
    otherwise: [0.86, 0.05, 0.05, 0.04],
    given: {
      'vacuum-hose-off': [0.08, 0.85, 0.05, 0.02], 'intake-gasket': [0.1, 0.82, 0.06, 0.02], 'intake-hose-split': [0.1, 0.6, 0.28, 0.02], 'breather-stuck': [0.15, 0.8, 0.03, 0.02], 'brake-booster-leak': [0.1, 0.83, 0.05, 0.02], 'oil-cap-open': [0.3, 0.65, 0.03, 0.02], 'purge-stuck': [0.25, 0.45, 0.02, 0.28],
      'maf-dirty': [0.15, 0.1, 0.73, 0.02], 'fuel-filter': [0.15, 0.05, 0.78, 0.02], 'fuel-pump-weak': [0.12, 0.06, 0.8, 0.02], 'injector-leaking': [0.15, 0.02, 0.03, 0.8], 'regulator-leaking': [0.1, 0.02, 0.03, 0.85], 'map-failed': [0.4, 0.05, 0.15, 0.4],
    },
  },
  {
    id: 'booster-press', title: 'Press the brake pedal at idle and listen', scope: 'engine', system: 'air', minutes: 3, cost: 0, tools: [], cautions: ['exhaust-gas'],
    how: 'Standing, in park or neutral, handbrake on. Press and hold: does a hiss or the idle change?',
    outcomes: [found('same', 'Nothing changes', 'The booster is tight.'), found('changes', 'Hiss or idle changes', 'The booster or its hose leaks: have it looked at, brakes depend on it.')],
    otherwise: [0.97, 0.03], given: { 'brake-booster-leak': [0.15, 0.85] },
  },
  {
    id: 'breather-shake', title: 'Pull the breather valve and shake it', scope: 'engine', system: 'air', minutes: 8, cost: 0, tools: [], cautions: ['cold-engine', 'vacuum-hose'],
    how: 'Engine off. A good valve rattles and lets you blow one way only.',
    outcomes: [found('rattles', 'Rattles, one way only', 'The valve works.'), found('stuck', 'Silent, or open both ways', 'The valve is stuck.')],
    otherwise: [0.95, 0.05], given: { 'breather-stuck': [0.12, 0.88] },
  },
  {
    id: 'caps-look', title: 'Oil cap shut, dipstick seated?', scope: 'engine', system: 'air', minutes: 2, cost: 0, tools: [], cautions: ['cold-engine'],
    how: 'Turn the oil cap home, look at its seal, push the dipstick in.',
    outcomes: [found('shut', 'Both shut', 'Not that.'), found('open', 'One was open', 'That lets air in: clear and watch.')],
    otherwise: [0.985, 0.015], given: { 'oil-cap-open': [0.03, 0.97] },
  },
  {
    id: 'filter-look', title: 'Take the air filter out and look', scope: 'engine', system: 'air', minutes: 6, cost: 0, tools: [], cautions: ['cold-engine'],
    how: 'Hold it against the light. Leaves or a nest in the box?',
    outcomes: [found('clean', 'Light comes through', 'The filter is good.'), found('blocked', 'Dark or blocked', 'Fit a new one.')],
    otherwise: [0.92, 0.08], given: { 'air-filter': [0.04, 0.96], 'maf-dirty': [0.75, 0.25] },
  },
  {
    id: 'map-key-on', title: 'Manifold pressure with the key on, engine off', scope: 'engine', system: 'air', minutes: 3, cost: 0, tools: [], cautions: [],
    how: 'It must equal the day’s air pressure: 101 kPa at the sea, about 1.2 less each 100 m up.',
    outcomes: [found('equal', 'Equal within 4 kPa', 'The sensor is true at rest.'), found('off', 'Off by more', 'Sensor, its hose or its supply.')],
    otherwise: [0.97, 0.03], given: { 'map-failed': [0.3, 0.7] },
  },
  {
    id: 'iat-plug-look', title: 'Look at the intake temperature sensor’s plug', scope: 'engine', system: 'air', minutes: 3, cost: 0, tools: [], cautions: ['cold-engine'],
    how: 'In the intake pipe or inside the air flow sensor. On, catch shut, pins clean?',
    outcomes: [found('on', 'On and clean', 'Not simply unplugged.'), found('off', 'Off or half on', 'Push it on: that may be all.')],
    otherwise: [0.985, 0.015], given: { 'iat-unplugged': [0.02, 0.98] },
  },
  {
    id: 'iat-ohms', title: 'Measure the intake temperature sensor', scope: 'engine', system: 'air', minutes: 8, cost: 0, tools: ['multimeter'], cautions: ['cold-engine'],
    how: '2 to 3 kΩ at 20 °C, less when warmer. Warm it with your hand: does it fall?',
    outcomes: [found('right', 'Right, and it falls', 'The sensor is sound: look at plug and wire.'), found('open', 'Open or far off', 'The sensor is broken.')],
    otherwise: [0.97, 0.03], given: { 'iat-failed': [0.3, 0.7] },
  },
  {
    id: 'throttle-look', title: 'Look at the throttle plate', scope: 'engine', system: 'air', minutes: 12, cost: 0, tools: ['hand-tools'], cautions: ['cold-engine'],
    how: 'Ignition off, intake hose off. Black crust round the edge of the plate?',
    outcomes: [found('clean', 'Clean', 'Not dirt.'), found('crust', 'Black crust', 'Clean it; the idle has to be learned again.')],
    otherwise: [0.72, 0.28], given: { 'throttle-dirty': [0.04, 0.96] },
  },
  {
    id: 'pedal-tracks', title: 'Press the pedal slowly, watch both tracks', scope: 'engine', system: 'air', minutes: 5, cost: 0, tools: [], cautions: [],
    how: 'Ignition on, engine off. The two pedal readings must rise in step, without a jump.',
    outcomes: [found('step', 'In step', 'The pedal is sound.'), found('jump', 'A jump or a drop', 'Pedal or throttle sensor, or its plug.')],
    otherwise: [0.97, 0.03], given: { 'throttle-actuator': [0.4, 0.6] },
  },
  {
    id: 'egr-move', title: 'Move the recirculation valve', scope: 'engine', system: 'air', minutes: 30, cost: 0, tools: ['hand-tools'], cautions: ['cold-engine'],
    how: 'Valve off. Does the plunger move and seat? Soot?',
    outcomes: [found('seats', 'Moves and seats', 'The valve is sound.'), found('stuck', 'Stuck or soot on the seat', 'Clean or replace it.')],
    otherwise: [0.9, 0.1], given: { 'egr-stuck': [0.08, 0.92] },
  },
  {
    id: 'coolant-soak', title: 'Compare temperatures after a night', scope: 'engine', system: 'cooling', minutes: 4, cost: 0, tools: [], cautions: [],
    how: 'Before the first start of the day: coolant and intake air within 5 °C of each other and of the air?',
    outcomes: [found('agree', 'They agree', 'Both sensors are true when cold.'), found('coolant-off', 'Coolant is off', 'Coolant sensor or its plug.'), found('intake-off', 'Intake is off', 'Intake sensor or its plug.')],
    otherwise: [0.95, 0.025, 0.025], given: { 'coolant-sensor': [0.3, 0.68, 0.02], 'iat-failed': [0.15, 0.02, 0.83], 'iat-unplugged': [0.01, 0.01, 0.98] },
  },
  {
    id: 'warm-up', title: 'Time the warm-up', scope: 'engine', system: 'cooling', minutes: 15, cost: 0, tools: [], cautions: ['driving'],
    how: 'Cold start, drive normally; a passenger notes the coolant each two minutes. Past 80 °C in 10 to 15 minutes, and does it stay?',
    outcomes: [found('reaches', 'Past 80 °C and stays', 'The thermostat works.'), found('cool', 'Stays below, or falls on the open road', 'The thermostat is stuck open.')],
    otherwise: [0.96, 0.04], given: { 'thermostat-open': [0.06, 0.94] },
  },
];
