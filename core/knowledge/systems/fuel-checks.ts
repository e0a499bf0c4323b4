import type { Check } from '../types.ts';
import { found } from './shared.ts';

export const FUEL_CHECKS: readonly Check[] = [
  {
    id: 'injector-listen', title: 'Listen to injector {n} with a screwdriver', scope: 'cylinder', system: 'fuel', minutes: 5, cost: 0, tools: ['hand-tools'], cautions: ['moving-parts', 'exhaust-gas'],
    how: 'Engine idling. Tip of a long screwdriver on the injector, handle at your ear, away from belts: an even click like its neighbours?',
    outcomes: [found('clicks', 'Clicks like the others', 'It is driven and moves.'), found('silent', 'Silent or dull', 'Wire, driver or injector.')],
    otherwise: [0.96, 0.04], given: { 'injector-circuit': [0.1, 0.9], 'injector-clogged': [0.75, 0.25] },
  },
  {
    id: 'injector-ohms', title: 'Measure injector {n}', scope: 'cylinder', system: 'fuel', minutes: 12, cost: 0, tools: ['multimeter'], cautions: ['petrol'],
    how: 'Ignition off, connector off: port injectors 11 to 18 Ω, direct injectors 0.5 to 3 Ω, all alike. Never measure while it runs: direct injectors carry up to 90 V.',
    outcomes: [found('like', 'Like the others', 'The coil inside is whole.'), found('differs', 'Open or differs', 'The injector or its plug.')],
    otherwise: [0.97, 0.03], given: { 'injector-circuit': [0.55, 0.45] },
  },
  {
    id: 'tailpipe-smell', title: 'Smell the exhaust at the tail pipe, warm', scope: 'engine', system: 'fuel', minutes: 2, cost: 0, tools: [], cautions: ['exhaust-gas'],
    how: 'Outdoors, waft some of the exhaust towards you with your hand; do not put your nose to the pipe: do you smell raw fuel?',
    outcomes: [found('none', 'No fuel smell', 'Unburnt fuel is not coming through.'), found('fuel', 'Raw fuel', 'Fuel comes that is not burnt: spark missing, or too much fuel.')],
    otherwise: [0.9, 0.1],
    given: { coil: [0.45, 0.55], 'coil-boot': [0.6, 0.4], plug: [0.55, 0.45], 'injector-leaking': [0.2, 0.8], 'regulator-leaking': [0.25, 0.75], 'injector-clogged': [0.95, 0.05], 'injector-circuit': [0.97, 0.03], compression: [0.6, 0.4] },
  },
  {
    id: 'fuel-pressure', title: 'Measure fuel pressure at idle and while revving', scope: 'engine', system: 'fuel', minutes: 30, cost: 0, tools: ['fuel-gauge'], cautions: ['petrol', 'moving-parts', 'exhaust-gas'],
    how: 'Low-pressure side only: fit the gauge to the test valve, or where the workshop manual says, never to a direct-injection rail, which holds up to 350 bar. Compare with the manual’s figure at idle, and check that it holds when you rev.',
    outcomes: [found('holds', 'Right, and it holds', 'Pump, filter and regulator do their work.'), found('low', 'Low, or falls when revved', 'Filter or pump.'), found('high', 'High', 'Regulator or return.'), found('bleeds', 'Falls fast after switching off', 'An injector or the regulator leaks.')],
    otherwise: [0.9, 0.04, 0.03, 0.03],
    given: { 'fuel-filter': [0.12, 0.84, 0.02, 0.02], 'fuel-pump-weak': [0.08, 0.85, 0.01, 0.06], 'regulator-leaking': [0.1, 0.1, 0.35, 0.45], 'injector-leaking': [0.2, 0.05, 0.02, 0.73] },
  },
  {
    id: 'regulator-hose', title: 'Pull the regulator’s vacuum hose: petrol in it?', scope: 'engine', system: 'fuel', minutes: 5, cost: 0, tools: [], cautions: ['petrol'],
    how: 'Engine off and cool. Many newer cars have no such hose. Any petrol or strong smell in it?',
    outcomes: [found('dry', 'Dry', 'The membrane is tight.'), found('wet', 'Petrol', 'The membrane is torn.')],
    otherwise: [0.98, 0.02], given: { 'regulator-leaking': [0.35, 0.65] },
  },
  {
    id: 'pump-hum', title: 'Ignition on: does the pump hum for two seconds?', scope: 'engine', system: 'fuel', minutes: 2, cost: 0, tools: [], cautions: [],
    how: 'Quiet place, tank cap open or rear seat up, someone turns the ignition on.',
    outcomes: [found('hums', 'Hums evenly', 'It runs; whether the pressure is right, only a gauge can tell.'), found('whines', 'Whines, weak or silent', 'Pump, relay or supply.')],
    otherwise: [0.94, 0.06], given: { 'fuel-pump-weak': [0.5, 0.5], 'fuel-filter': [0.8, 0.2] },
  },
  {
    id: 'fuel-recall', title: 'When, where and with what was it last refuelled?', scope: 'engine', system: 'fuel', minutes: 2, cost: 0, tools: [], cautions: [],
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
    id: 'evap-follow', title: 'Follow the EVAP hoses', scope: 'engine', system: 'fuel', minutes: 25, cost: 0, tools: [], cautions: ['petrol', 'jacking'],
    how: 'From the tank’s neck to the canister to the engine. Split, off, smell?',
    outcomes: [found('whole', 'Whole', 'Only smoke would find a pinhole.'), found('split', 'Split or off', 'That is the leak.')],
    otherwise: [0.95, 0.05], given: { 'evap-hose': [0.45, 0.55] },
  },
];
