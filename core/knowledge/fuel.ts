import type { Cause, Check } from './types.ts';

const PETROL = ['petrol', 'hybrid', 'lpg', 'unknown'] as const;

export const FUEL_CAUSES: readonly Cause[] = [
  {
    id: 'injector-clogged', title: 'Injector {n} clogged', system: 'fuel', scope: 'cylinder', prior: 0.004, fuels: PETROL,
    priorFactors: [{ when: { kind: 'distance-over', km: 150_000 }, factor: 1.4 }],
    effects: { 'code:misfire-same': 0.8, 'code:misfire-several': 0.2, 'code:lean': 0.35, 'reading:lean-load': 0.3, 'sign:shakes': 0.65, 'sign:rough-idle': 0.6, 'sign:weak': 0.4, 'before:long-stand': 0.3, 'frame:load': 0.45, 'frame:cold': 0.35, 'frame:idle': 0.35 },
    repair: { title: 'Clean or replace injector {n}', parts: 65, ownerMinutes: 100, shopMinutes: 80, tools: ['hand-tools'], cautions: ['petrol', 'cold-engine', 'battery'], steps: ['Let the fuel pressure off as the manual says, battery earth off.', 'Rail up, injector out, both sealing rings new and oiled.', 'Prime: ignition on three times before you start, and look for drips before the covers go back.'] },
  },
  {
    id: 'injector-circuit', title: 'Wire or plug of injector {n}', system: 'fuel', scope: 'cylinder', prior: 0.003, fuels: PETROL,
    effects: { 'code:injector-same': 0.92, 'code:misfire-same': 0.85, 'code:misfire-several': 0.2, 'sign:shakes': 0.75, 'sign:rough-idle': 0.65, 'sign:weak': 0.4, 'before:worked-on': 0.4 },
    repair: { title: 'Mend plug or wire of injector {n}', parts: 5, ownerMinutes: 40, shopMinutes: 45, tools: ['hand-tools', 'multimeter'], cautions: ['petrol', 'battery'], steps: ['Ignition off. Plug on, catch shut, pins clean?', 'Measure the injector: 11 to 18 Ω, like its neighbours.', 'Mend the wire, seal it.'] },
  },
  {
    id: 'injector-leaking', title: 'An injector leaks', system: 'fuel', scope: 'engine', prior: 0.006, fuels: PETROL,
    effects: { 'code:rich': 0.75, 'code:misfire-several': 0.25, 'reading:rich': 0.8, 'sign:fuel-smell': 0.6, 'sign:hard-start': 0.5, 'sign:black-smoke': 0.45, 'sign:thirsty': 0.6, 'sign:warm': 0.3 },
    repair: { title: 'Find and replace the leaking injector', parts: 65, ownerMinutes: 120, shopMinutes: 90, tools: ['hand-tools', 'fuel-gauge'], cautions: ['petrol', 'cold-engine', 'battery'], steps: ['Pressure off as the manual says.', 'Rail up with injectors in it, pump on for two seconds: which one drips?', 'New injector and rings, prime, look for drips.'] },
  },
  {
    id: 'fuel-filter', title: 'Fuel filter blocked', system: 'fuel', scope: 'engine', prior: 0.01,
    priorFactors: [{ when: { kind: 'distance-over', km: 100_000 }, factor: 1.4 }],
    effects: { 'code:lean': 0.6, 'code:fuel-pressure': 0.35, 'code:misfire-several': 0.3, 'reading:lean-load': 0.75, 'sign:weak': 0.6, 'sign:uphill': 0.7, 'frame:load': 0.75 },
    repair: { title: 'Fit a new fuel filter', parts: 22, ownerMinutes: 50, shopMinutes: 40, tools: ['hand-tools'], cautions: ['petrol', 'jacking'], steps: ['Pressure off as the manual says, rag and bowl below.', 'Arrow with the flow, new clips.', 'Prime with the ignition, look for drips.'] },
  },
  {
    id: 'fuel-pump-weak', title: 'Fuel pump weak', system: 'fuel', scope: 'engine', prior: 0.01,
    priorFactors: [{ when: { kind: 'distance-over', km: 150_000 }, factor: 1.6 }],
    effects: { 'code:lean': 0.6, 'code:fuel-pressure': 0.5, 'code:misfire-several': 0.35, 'reading:lean-load': 0.8, 'sign:weak': 0.65, 'sign:uphill': 0.7, 'sign:hard-start': 0.5, 'sign:stalls': 0.3, 'frame:load': 0.75 },
    repair: { title: 'Have the fuel pump replaced', parts: 130, ownerMinutes: 150, shopMinutes: 110, tools: ['hand-tools', 'fuel-gauge'], cautions: ['petrol', 'battery'], steps: ['Measure pressure and current first; a bad ground looks the same.', 'Tank nearly empty, outside, extinguisher at hand.', 'New sealing ring, prime three times.'] },
  },
  {
    id: 'regulator-leaking', title: 'Fuel pressure regulator leaks', system: 'fuel', scope: 'engine', prior: 0.005, fuels: PETROL,
    effects: { 'code:rich': 0.75, 'code:fuel-pressure': 0.25, 'reading:rich': 0.8, 'sign:fuel-smell': 0.5, 'sign:black-smoke': 0.4, 'sign:hard-start': 0.4, 'sign:thirsty': 0.55 },
    repair: { title: 'Fit a new fuel pressure regulator', parts: 45, ownerMinutes: 45, shopMinutes: 40, tools: ['hand-tools'], cautions: ['petrol', 'cold-engine'], steps: ['Petrol in its vacuum hose proves it.', 'Pressure off, new one with new ring, prime, look for drips.'] },
  },
  {
    id: 'bad-fuel', title: 'Bad or wrong fuel', system: 'fuel', scope: 'engine', prior: 0.006, isPassing: true,
    effects: { 'code:misfire-several': 0.5, 'code:misfire-other': 0.2, 'code:lean': 0.2, 'sign:shakes': 0.4, 'sign:weak': 0.5, 'sign:hard-start': 0.4, 'sign:pings': 0.4, 'before:refuelled': 0.85, 'before:long-stand': 0.25 },
    repair: { title: 'Use the fuel up and fill with good fuel', parts: 15, ownerMinutes: 15, shopMinutes: 60, tools: [], cautions: ['petrol'], steps: ['Wrong fuel (diesel in petrol or the other way round): do not start, have it pumped out.', 'Old or watery fuel: fill up with fresh fuel and drive gently.'] },
  },
  {
    id: 'tank-low', title: 'Tank nearly empty, pump sucked air', system: 'fuel', scope: 'engine', prior: 0.005, isPassing: true,
    effects: { 'code:misfire-several': 0.55, 'code:lean': 0.35, 'code:fuel-pressure': 0.25, 'sign:stalls': 0.45, 'sign:weak': 0.4, 'sign:uphill': 0.4 },
    repair: { title: 'Refuel and watch', parts: 0, ownerMinutes: 10, shopMinutes: 10, tools: [], cautions: ['petrol'], steps: ['Fill at least a quarter of the tank.', 'Read again after two drives.'] },
  },
  {
    id: 'purge-stuck', title: 'Vapour purge valve stuck open', system: 'fuel', scope: 'engine', prior: 0.018, fuels: PETROL,
    effects: { 'code:purge': 0.55, 'code:evap-leak': 0.25, 'code:lean': 0.3, 'code:rich': 0.2, 'reading:lean-idle': 0.4, 'sign:rough-idle': 0.4, 'sign:hard-start': 0.4, 'before:refuelled': 0.55, 'sign:fuel-smell': 0.25 },
    repair: { title: 'Fit a new purge valve', parts: 28, ownerMinutes: 20, shopMinutes: 20, tools: ['hand-tools'], cautions: ['petrol', 'cold-engine'], steps: ['Blow through it with no plug on: it must be shut.', 'Plug and two hoses over to the new one.'] },
  },
  {
    id: 'fuel-cap', title: 'Fuel cap loose or its seal cracked', system: 'fuel', scope: 'engine', prior: 0.05, isPassing: true, fuels: PETROL,
    effects: { 'code:evap-leak': 0.9, 'before:refuelled': 0.75, 'sign:fuel-smell': 0.15 },
    repair: { title: 'Shut or replace the fuel cap', parts: 12, ownerMinutes: 5, shopMinutes: 10, tools: [], cautions: [], steps: ['Look at the seal for cracks, wipe it.', 'Turn until it clicks three times. The lamp takes several trips to go out.'] },
  },
  {
    id: 'evap-hose', title: 'Vapour hose or canister leaks', system: 'fuel', scope: 'engine', prior: 0.02, fuels: PETROL,
    priorFactors: [{ when: { kind: 'age-over', years: 10 }, factor: 1.5 }],
    effects: { 'code:evap-leak': 0.92, 'sign:fuel-smell': 0.25 },
    repair: { title: 'Find and mend the vapour leak', parts: 25, ownerMinutes: 90, shopMinutes: 80, tools: ['hand-tools'], cautions: ['petrol', 'jacking'], steps: ['Follow the hoses from the tank’s neck to the canister and the engine.', 'A workshop’s smoke machine finds a pinhole in minutes.'] },
  },
];

export const EXHAUST_CAUSES: readonly Cause[] = [
  {
    id: 'oxygen-front', title: 'Front oxygen sensor tired', system: 'exhaust', scope: 'engine', prior: 0.03,
    priorFactors: [{ when: { kind: 'distance-over', km: 130_000 }, factor: 1.5 }],
    effects: { 'code:oxygen-front': 0.75, 'code:lean': 0.12, 'code:rich': 0.15, 'code:catalyst': 0.08, 'reading:rich': 0.15, 'sign:thirsty': 0.45, 'sign:rough-idle': 0.2 },
    repair: { title: 'Fit a new front oxygen sensor', parts: 65, ownerMinutes: 40, shopMinutes: 35, tools: ['hand-tools'], cautions: ['cold-engine', 'jacking'], steps: ['Rule out an exhaust leak before it and a loose plug.', 'Hand-warm exhaust, proper slotted socket.', 'Paste only on the thread, never on the tip.'] },
  },
  {
    id: 'oxygen-heater', title: 'Oxygen sensor heater broken', system: 'exhaust', scope: 'engine', prior: 0.025,
    effects: { 'code:oxygen-heater': 0.95, 'code:oxygen-front': 0.2, 'code:oxygen-rear': 0.1, 'sign:thirsty': 0.2 },
    repair: { title: 'Fit a new oxygen sensor', parts: 65, ownerMinutes: 40, shopMinutes: 35, tools: ['hand-tools', 'multimeter'], cautions: ['cold-engine', 'jacking'], steps: ['Fuse of the heaters first.', 'Heater 2 to 20 Ω? Open: the sensor is done.', 'Fit the one the code names: count banks and sensors in the handbook.'] },
  },
  {
    id: 'oxygen-rear', title: 'Rear oxygen sensor tired', system: 'exhaust', scope: 'engine', prior: 0.012,
    effects: { 'code:oxygen-rear': 0.85, 'code:catalyst': 0.1 },
    repair: { title: 'Fit a new rear oxygen sensor', parts: 55, ownerMinutes: 45, shopMinutes: 35, tools: ['hand-tools'], cautions: ['cold-engine', 'jacking'], steps: ['Look for an exhaust leak between the sensors.', 'Paste only on the thread.'] },
  },
  {
    id: 'exhaust-leak', title: 'Exhaust leaks before the sensor', system: 'exhaust', scope: 'engine', prior: 0.012,
    priorFactors: [{ when: { kind: 'age-over', years: 10 }, factor: 1.5 }],
    effects: { 'code:lean': 0.45, 'code:catalyst': 0.35, 'code:oxygen-front': 0.15, 'reading:lean-idle': 0.45, 'reading:lean-load': 0.15, 'sign:ticking-exhaust': 0.8, 'sign:cold': 0.3 },
    repair: { title: 'Seal the exhaust', parts: 20, ownerMinutes: 90, shopMinutes: 70, tools: ['hand-tools'], cautions: ['exhaust-gas', 'cold-engine', 'jacking'], steps: ['Soot streaks show the place.', 'New gasket, nuts with copper paste. Old studs break: penetrating oil the night before.'] },
  },
  {
    id: 'catalyst-worn', title: 'Catalyst worn out', system: 'exhaust', scope: 'engine', prior: 0.02,
    priorFactors: [{ when: { kind: 'distance-over', km: 160_000 }, factor: 1.8 }],
    effects: { 'code:catalyst': 0.92, 'sign:weak': 0.12 },
    repair: { title: 'Have the catalyst replaced', parts: 320, ownerMinutes: 150, shopMinutes: 90, tools: ['hand-tools'], cautions: ['cold-engine', 'jacking', 'exhaust-gas'], steps: ['A catalyst dies of something: cure misfire, oil use or rich running first.', 'It may not be removed or emptied where the law says so.'] },
  },
];

export const ELECTRICAL_CAUSES: readonly Cause[] = [
  {
    id: 'battery-weak', title: 'Battery weak', system: 'electrical', scope: 'engine', prior: 0.015,
    priorFactors: [{ when: { kind: 'age-over', years: 5 }, factor: 1.4 }],
    effects: { 'code:supply-voltage': 0.5, 'code:throttle': 0.06, 'reading:battery-low': 0.75, 'sign:hard-start': 0.7, 'before:battery': 0.6, 'before:long-stand': 0.5 },
    repair: { title: 'Charge or replace the battery', parts: 85, ownerMinutes: 25, shopMinutes: 20, tools: ['hand-tools'], cautions: ['battery'], steps: ['Charge overnight and test before you buy.', 'Earth lead off first, on last.', 'Radio code and windows may have to be set again.'] },
  },
  {
    id: 'alternator', title: 'Alternator or its belt does not charge', system: 'electrical', scope: 'engine', prior: 0.012,
    effects: { 'code:supply-voltage': 0.7, 'reading:charging-low': 0.9, 'reading:battery-low': 0.5, 'sign:hard-start': 0.4, 'before:battery': 0.4 },
    repair: { title: 'Mend the charging', parts: 160, ownerMinutes: 100, shopMinutes: 80, tools: ['hand-tools', 'multimeter'], cautions: ['battery', 'moving-parts'], steps: ['Belt tight and dry? Plug on?', 'Measure at the alternator itself: a bad cable looks the same.', 'Battery earth off before you touch the big nut.'] },
  },
  {
    id: 'ground-bad', title: 'Ground strap corroded', system: 'electrical', scope: 'engine', prior: 0.006,
    priorFactors: [{ when: { kind: 'age-over', years: 10 }, factor: 1.6 }],
    effects: { 'code:supply-voltage': 0.4, 'code:misfire-several': 0.25, 'code:crank-sensor': 0.08, 'code:throttle': 0.1, 'sign:hard-start': 0.5, 'sign:rough-idle': 0.2, 'sign:wet': 0.15 },
    repair: { title: 'Clean or renew the ground strap', parts: 9, ownerMinutes: 30, shopMinutes: 30, tools: ['hand-tools', 'multimeter'], cautions: ['battery'], steps: ['Both ends off, bright metal, grease over the joint.', 'Measure again while cranking: under 0.2 V.'] },
  },
];

const found = (id: string, title: string, says: string) => ({ id, title, says });

export const FUEL_CHECKS: readonly Check[] = [
  {
    id: 'injector-listen', title: 'Listen to injector {n} with a screwdriver', scope: 'cylinder', system: 'fuel', minutes: 5, cost: 0, tools: ['hand-tools'], cautions: ['moving-parts', 'exhaust-gas'],
    how: 'Engine idling. Tip on the injector, handle at the ear: an even click like its neighbours?',
    outcomes: [found('clicks', 'Clicks like the others', 'It is driven and moves.'), found('silent', 'Silent or dull', 'Wire, driver or injector.')],
    otherwise: [0.96, 0.04], given: { 'injector-circuit': [0.1, 0.9], 'injector-clogged': [0.75, 0.25] },
  },
  {
    id: 'injector-ohms', title: 'Measure injector {n}', scope: 'cylinder', system: 'fuel', minutes: 12, cost: 0, tools: ['multimeter'], cautions: ['petrol'],
    how: 'Plug off: 11 to 18 Ω, like its neighbours.',
    outcomes: [found('like', 'Like the others', 'The coil inside is whole.'), found('differs', 'Open or differs', 'The injector or its plug.')],
    otherwise: [0.97, 0.03], given: { 'injector-circuit': [0.55, 0.45] },
  },
  {
    id: 'tailpipe-smell', title: 'Smell at the tail pipe, warm', scope: 'engine', system: 'fuel', minutes: 2, cost: 0, tools: [], cautions: ['exhaust-gas'],
    how: 'Outside, a hand’s fan of air towards you, not your nose in the pipe: raw fuel?',
    outcomes: [found('none', 'No fuel smell', 'Unburnt fuel is not coming through.'), found('fuel', 'Raw fuel', 'Fuel comes that is not burnt: spark missing, or too much fuel.')],
    otherwise: [0.9, 0.1],
    given: { coil: [0.45, 0.55], 'coil-boot': [0.6, 0.4], plug: [0.55, 0.45], 'injector-leaking': [0.2, 0.8], 'regulator-leaking': [0.25, 0.75], 'injector-clogged': [0.95, 0.05], 'injector-circuit': [0.97, 0.03], compression: [0.6, 0.4] },
  },
  {
    id: 'fuel-pressure', title: 'Measure fuel pressure at idle and while revving', scope: 'engine', system: 'fuel', minutes: 30, cost: 0, tools: ['fuel-gauge'], cautions: ['petrol', 'moving-parts', 'exhaust-gas'],
    how: 'Gauge on the rail’s valve, or where the manual says. Handbook’s figure at idle, and does it hold when you rev?',
    outcomes: [found('holds', 'Right, and it holds', 'Pump, filter and regulator do their work.'), found('low', 'Low, or falls when revved', 'Filter or pump.'), found('high', 'High', 'Regulator or return.'), found('bleeds', 'Falls fast after switching off', 'An injector or the regulator leaks.')],
    otherwise: [0.9, 0.04, 0.03, 0.03],
    given: { 'fuel-filter': [0.12, 0.84, 0.02, 0.02], 'fuel-pump-weak': [0.08, 0.85, 0.01, 0.06], 'regulator-leaking': [0.1, 0.1, 0.35, 0.45], 'injector-leaking': [0.2, 0.05, 0.02, 0.73] },
  },
  {
    id: 'regulator-hose', title: 'Pull the regulator’s vacuum hose: petrol in it?', scope: 'engine', system: 'fuel', minutes: 5, cost: 0, tools: [], cautions: ['petrol'],
    how: 'Engine off and cool. Any petrol or strong smell in the hose? (Many newer cars have no such hose.)',
    outcomes: [found('dry', 'Dry', 'The membrane is tight.'), found('wet', 'Petrol', 'The membrane is torn.')],
    otherwise: [0.98, 0.02], given: { 'regulator-leaking': [0.35, 0.65] },
  },
  {
    id: 'pump-hum', title: 'Ignition on: does the pump hum for two seconds?', scope: 'engine', system: 'fuel', minutes: 2, cost: 0, tools: [], cautions: [],
    how: 'Quiet place, tank cap open or rear seat up, someone turns the ignition on.',
    outcomes: [found('hums', 'Hums evenly', 'It runs; whether it presses enough, the gauge tells.'), found('whines', 'Whines, weak or silent', 'Pump, relay or supply.')],
    otherwise: [0.94, 0.06], given: { 'fuel-pump-weak': [0.5, 0.5], 'fuel-filter': [0.8, 0.2] },
  },
  {
    id: 'fuel-recall', title: 'Where and when was it last filled, with what?', scope: 'engine', system: 'fuel', minutes: 2, cost: 0, tools: [], cautions: [],
    how: 'Look at the receipt. Right fuel? Same day as the trouble? A can that stood for a year?',
    outcomes: [found('usual', 'Usual pump, right fuel', 'Less likely the fuel.'), found('odd', 'Odd fuel, or just before', 'The fuel may be it.'), found('empty', 'It was nearly empty', 'The pump may have sucked air.')],
    otherwise: [0.9, 0.06, 0.04], given: { 'bad-fuel': [0.12, 0.85, 0.03], 'tank-low': [0.1, 0.05, 0.85] },
  },
  {
    id: 'purge-blow', title: 'Blow through the purge valve', scope: 'engine', system: 'fuel', minutes: 10, cost: 0, tools: [], cautions: ['petrol', 'cold-engine'],
    how: 'Engine off, hose off towards the canister, plug off: it must be shut.',
    outcomes: [found('shut', 'Shut', 'The valve closes.'), found('open', 'Air passes', 'It is stuck open.')],
    otherwise: [0.96, 0.04], given: { 'purge-stuck': [0.08, 0.92] },
  },
  {
    id: 'cap-look', title: 'Look at the fuel cap and its seal', scope: 'engine', system: 'fuel', minutes: 2, cost: 0, tools: [], cautions: [],
    how: 'Was it shut? Cracks in the seal, dirt on the rim? Turn it until it clicks three times.',
    outcomes: [found('sound', 'Shut, seal whole', 'Then the leak is elsewhere.'), found('loose', 'Loose, or seal cracked', 'That is enough to set the code.')],
    otherwise: [0.94, 0.06], given: { 'fuel-cap': [0.12, 0.88] },
  },
  {
    id: 'evap-follow', title: 'Follow the vapour hoses', scope: 'engine', system: 'fuel', minutes: 25, cost: 0, tools: [], cautions: ['petrol', 'jacking'],
    how: 'From the tank’s neck to the canister to the engine. Split, off, smell?',
    outcomes: [found('whole', 'Whole', 'Only smoke would find a pinhole.'), found('split', 'Split or off', 'That is the leak.')],
    otherwise: [0.95, 0.05], given: { 'evap-hose': [0.45, 0.55] },
  },
  {
    id: 'oxygen-swing', title: 'Watch the front oxygen sensor at 2,500 rpm', scope: 'engine', system: 'exhaust', minutes: 8, cost: 0, tools: [], cautions: ['moving-parts', 'exhaust-gas'],
    how: 'Warm engine held at 2,500 rpm. A narrow-band sensor swings between 0.1 and 0.9 V several times in ten seconds; a wide-band one stays about 1.',
    outcomes: [found('swings', 'Swings fast and far', 'The sensor is alive.'), found('slow', 'Slow or small', 'Tired sensor.'), found('stuck-lean', 'Stays low', 'Really lean, or a leak of air into the exhaust.'), found('stuck-rich', 'Stays high', 'Really rich.')],
    otherwise: [0.86, 0.05, 0.05, 0.04],
    given: { 'oxygen-front': [0.12, 0.75, 0.08, 0.05], 'exhaust-leak': [0.35, 0.1, 0.53, 0.02], 'injector-leaking': [0.35, 0.05, 0.02, 0.58], 'regulator-leaking': [0.35, 0.05, 0.02, 0.58], 'fuel-pump-weak': [0.3, 0.05, 0.63, 0.02] },
  },
  {
    id: 'oxygen-rear-steady', title: 'Watch the rear oxygen sensor, warm and steady', scope: 'engine', system: 'exhaust', minutes: 10, cost: 0, tools: [], cautions: ['driving', 'exhaust-gas'],
    how: 'Hot catalyst, held at 2,500 rpm for two minutes. Behind a sound catalyst it rests at 0.6 to 0.7 V.',
    outcomes: [found('calm', 'Calm, 0.6 to 0.7 V', 'The catalyst stores oxygen: it is sound.'), found('follows', 'Swings with the front one', 'The catalyst is worn, if no exhaust leak misleads.'), found('dead', 'Does not move at all', 'The rear sensor.')],
    otherwise: [0.93, 0.04, 0.03], given: { 'catalyst-worn': [0.08, 0.9, 0.02], 'oxygen-rear': [0.3, 0.05, 0.65], 'exhaust-leak': [0.6, 0.38, 0.02] },
  },
  {
    id: 'heater-ohms', title: 'Measure the oxygen sensor’s heater', scope: 'engine', system: 'exhaust', minutes: 12, cost: 0, tools: ['multimeter'], cautions: ['cold-engine', 'jacking'],
    how: 'Plug off, the two wires of the same colour: 2 to 20 Ω. And is its fuse whole?',
    outcomes: [found('whole', '2 to 20 Ω', 'Look at fuse and wires.'), found('open', 'Open', 'The heater is broken: new sensor.')],
    otherwise: [0.97, 0.03], given: { 'oxygen-heater': [0.25, 0.75] },
  },
  {
    id: 'exhaust-listen', title: 'Listen for a blow on a cold start', scope: 'engine', system: 'exhaust', minutes: 5, cost: 0, tools: [], cautions: ['exhaust-gas', 'moving-parts'],
    how: 'Cold start outside. A tick or blow near the manifold that fades when warm? Soot streaks?',
    outcomes: [found('quiet', 'Quiet, no soot', 'No leak that can be heard.'), found('blows', 'Ticks, blows or soot', 'It leaks, and draws air in too.')],
    otherwise: [0.95, 0.05], given: { 'exhaust-leak': [0.15, 0.85] },
  },
  {
    id: 'battery-rest', title: 'Measure the battery at rest and while cranking', scope: 'engine', system: 'electrical', minutes: 5, cost: 0, tools: ['multimeter'], cautions: ['battery'],
    how: 'After hours of rest 12.4 to 12.7 V; while cranking not under 9.6 V.',
    outcomes: [found('good', 'Both right', 'The battery is good.'), found('weak', 'Low at rest or cranking', 'Charge it and test again.')],
    otherwise: [0.93, 0.07], given: { 'battery-weak': [0.08, 0.92], alternator: [0.45, 0.55] },
  },
  {
    id: 'charging-volts', title: 'Measure the charging voltage', scope: 'engine', system: 'electrical', minutes: 5, cost: 0, tools: ['multimeter'], cautions: ['battery', 'moving-parts', 'exhaust-gas'],
    how: 'Engine running, lights on: 13.5 to 14.8 V at the battery.',
    outcomes: [found('right', '13.5 to 14.8 V', 'It charges.'), found('low', 'Below', 'Alternator, belt or cable.')],
    otherwise: [0.96, 0.04], given: { alternator: [0.04, 0.96] },
  },
];
