import type { Check } from '../types.ts';
import { found } from './shared.ts';

export const FUEL_CHECKS: readonly Check[] = [
  {
    id: 'injector-listen', title: 'Listen to injector {n} with a screwdriver', scope: 'cylinder', system: 'fuel', minutes: 5, cost: 0, tools: ['hand-tools'], cautions: ['moving-parts', 'exhaust-gas'],
    how: 'Engine idling: hold the tip of a long screwdriver on the injector and the handle at your ear, away from belts. An even click like its {neighbours} is normal.',
    outcomes: [found('clicks', 'It clicks like the others', 'It is driven and moves.'), found('silent', 'Silent or dull', 'The wiring, the driver or the injector is at fault.')],
    otherwise: [0.96, 0.04], given: { 'injector-circuit': [0.1, 0.9], 'injector-clogged': [0.75, 0.25] },
  },
  {
    id: 'injector-ohms', title: 'Measure injector {n}', scope: 'cylinder', system: 'fuel', minutes: 12, cost: 0, tools: ['multimeter'], cautions: ['petrol'],
    how: 'Ignition off, connector off: port injectors 11 to 18 Ω, direct injectors 0.5 to 3 Ω, all alike. Never measure while it runs: direct injectors carry up to 90 V.',
    outcomes: [found('like', 'Like the others', 'The coil inside is sound.'), found('differs', 'Open or differs', 'The injector or its connector is at fault.')],
    otherwise: [0.97, 0.03], given: { 'injector-circuit': [0.55, 0.45] },
  },
  {
    id: 'tailpipe-smell', title: 'Smell the exhaust at the tailpipe, engine warm', scope: 'engine', system: 'fuel', minutes: 2, cost: 0, tools: [], cautions: ['exhaust-gas'],
    how: 'Outdoors, waft some of the exhaust towards you with your hand, never your nose to the pipe, and note whether you smell raw fuel.',
    outcomes: [found('none', 'No fuel smell', 'No unburnt fuel comes through.'), found('fuel', 'Raw fuel', 'Unburnt fuel comes through: the spark is missing, or there is too much fuel.')],
    otherwise: [0.9, 0.1],
    given: { coil: [0.45, 0.55], 'coil-boot': [0.6, 0.4], plug: [0.55, 0.45], 'injector-leaking': [0.2, 0.8], 'regulator-leaking': [0.25, 0.75], 'injector-clogged': [0.95, 0.05], 'injector-circuit': [0.97, 0.03], compression: [0.6, 0.4] },
  },
  {
    id: 'fuel-pressure', title: 'Measure fuel pressure at idle and while revving', scope: 'engine', system: 'fuel', minutes: 30, cost: 0, tools: ['fuel-gauge'], cautions: ['petrol', 'moving-parts', 'exhaust-gas'],
    how: 'Low-pressure side only: fit the gauge to the test valve, or where the {workshop manual} says, never to a direct-injection rail, which holds up to {350 bar}. Compare with the manual’s figure at idle, and check that it holds when you rev.',
    outcomes: [found('holds', 'Right, and it holds', 'Pump, filter and regulator do their work.'), found('low', 'Low, or falls when revved', 'The filter or the pump is weak.'), found('high', 'High', 'The regulator or the return line is at fault.'), found('bleeds', 'Falls fast after switching off', 'An injector or the regulator leaks.')],
    otherwise: [0.9, 0.04, 0.03, 0.03],
    given: { 'fuel-filter': [0.12, 0.84, 0.02, 0.02], 'fuel-pump-weak': [0.08, 0.85, 0.01, 0.06], 'regulator-leaking': [0.1, 0.1, 0.35, 0.45], 'injector-leaking': [0.2, 0.05, 0.02, 0.73] },
  },
  {
    id: 'regulator-hose', title: 'Look for {petrol} in the regulator’s vacuum hose', scope: 'engine', system: 'fuel', minutes: 5, cost: 0, tools: [], cautions: ['petrol'],
    how: 'Engine off and cool: pull the hose off and look or smell for {petrol} in it. Many newer {cars} have no such hose.',
    outcomes: [found('dry', 'Dry', 'The diaphragm is tight.'), found('wet', '{Petrol}', 'The diaphragm is torn.')],
    otherwise: [0.98, 0.02], given: { 'regulator-leaking': [0.35, 0.65] },
  },
  {
    id: 'pump-hum', title: 'Listen whether the fuel pump hums for two seconds at key-on', scope: 'engine', system: 'fuel', minutes: 2, cost: 0, tools: [], cautions: ['fuel-vapour'],
    how: 'In a quiet place, with the tank cap open or the rear seat up, have someone switch the ignition on.',
    outcomes: [found('hums', 'It hums evenly', 'It runs; whether the pressure is right, only a gauge can tell.'), found('whines', 'It whines, is weak or silent', 'The pump, its relay or its supply is at fault.')],
    otherwise: [0.94, 0.06], given: { 'fuel-pump-weak': [0.5, 0.5], 'fuel-filter': [0.8, 0.2] },
  },
  {
    id: 'fuel-recall', title: 'When, where and with what was it last {refuelled}?', scope: 'engine', system: 'fuel', minutes: 2, cost: 0, tools: [], cautions: [],
    how: 'Look at the receipt: was it the right fuel, was it on the day the trouble began, was it a can that stood for a year?',
    outcomes: [found('usual', 'Usual pump, right fuel', 'The fuel is less likely the cause.'), found('odd', 'Unusual fuel, or just before', 'The fuel may be the cause.'), found('empty', 'It was nearly empty', 'The pump may have drawn air.')],
    otherwise: [0.9, 0.06, 0.04], given: { 'bad-fuel': [0.12, 0.85, 0.03], 'tank-low': [0.1, 0.05, 0.85] },
  },
  {
    id: 'purge-blow', title: 'Blow through the purge valve', scope: 'engine', system: 'fuel', minutes: 10, cost: 0, tools: [], cautions: ['petrol', 'cold-engine', 'fuel-vapour'],
    how: 'Engine off, the hose towards the canister off, the connector off: the valve must be closed.',
    outcomes: [found('shut', 'Closed', 'The valve closes.'), found('open', 'Air passes', 'It is stuck open.')],
    otherwise: [0.96, 0.04], given: { 'purge-stuck': [0.08, 0.92] },
  },
  {
    id: 'cap-look', title: 'Look at the fuel cap and its seal', scope: 'engine', system: 'fuel', minutes: 2, cost: 0, tools: [], cautions: [],
    how: 'See whether it was closed, with no cracks in the seal and no dirt on the rim. Turn it until it clicks three times.',
    outcomes: [found('sound', 'Closed, seal sound', 'Then the leak is elsewhere.'), found('loose', 'Loose, or seal cracked', 'That is enough to set the code.')],
    otherwise: [0.94, 0.06], given: { 'fuel-cap': [0.12, 0.88] },
  },
  {
    id: 'evap-follow', title: 'Follow the EVAP hoses', scope: 'engine', system: 'fuel', minutes: 25, cost: 0, tools: [], cautions: ['petrol', 'jacking', 'fuel-vapour'],
    how: 'Follow them from the filler neck to the canister to the engine. Look for a split or loose hose and for a smell of fuel.',
    outcomes: [found('whole', 'Sound', 'Only smoke would find a pinhole.'), found('split', 'Split or off', 'That is the leak.')],
    otherwise: [0.95, 0.05], given: { 'evap-hose': [0.45, 0.55] },
  },
];
