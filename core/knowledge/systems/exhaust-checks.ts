import type { Check } from '../types.ts';
import { found } from './shared.ts';

export const EXHAUST_CHECKS: readonly Check[] = [
  {
    id: 'oxygen-swing', title: 'Watch the front oxygen sensor at 2,500 rpm', scope: 'engine', system: 'exhaust', minutes: 8, cost: 0, tools: [], cautions: ['moving-parts', 'exhaust-gas'],
    how: 'Hold the warm engine at 2,500 rpm. A narrow-band sensor swings between 0.1 and 0.9 V several times in ten seconds; a wide-band one stays near 1.',
    outcomes: [found('swings', 'Swings fast and far', 'The sensor is alive.'), found('slow', 'Slow or small', 'The sensor is aged.'), found('stuck-lean', 'Stays low', 'The engine really runs lean, or air leaks into the exhaust.'), found('stuck-rich', 'Stays high', 'The engine really runs rich.')],
    otherwise: [0.86, 0.05, 0.05, 0.04],
    given: { 'oxygen-front': [0.12, 0.75, 0.08, 0.05], 'exhaust-leak': [0.35, 0.1, 0.53, 0.02], 'injector-leaking': [0.35, 0.05, 0.02, 0.58], 'regulator-leaking': [0.35, 0.05, 0.02, 0.58], 'fuel-pump-weak': [0.3, 0.05, 0.63, 0.02] },
  },
  {
    id: 'oxygen-rear-steady', title: 'Watch the rear oxygen sensor, warm and steady', scope: 'engine', system: 'exhaust', minutes: 10, cost: 0, tools: [], cautions: ['cold-engine', 'exhaust-gas', 'moving-parts'],
    how: 'With the catalyst hot, hold 2,500 rpm for two minutes. After a sound catalyst the sensor rests at 0.6 to 0.7 V.',
    outcomes: [found('calm', 'Calm, 0.6 to 0.7 V', 'The catalyst stores oxygen: it is sound.'), found('follows', 'Swings with the front one', 'The catalyst is worn, unless an exhaust leak misleads.'), found('dead', 'Does not move at all', 'The rear sensor has failed.')],
    otherwise: [0.93, 0.04, 0.03], given: { 'catalyst-worn': [0.08, 0.9, 0.02], 'oxygen-rear': [0.3, 0.05, 0.65], 'exhaust-leak': [0.6, 0.38, 0.02] },
  },
  {
    id: 'oxygen-rear-snap', title: 'Snap the throttle and watch the rear oxygen sensor', scope: 'engine', system: 'exhaust', minutes: 5, cost: 0, tools: [], cautions: ['moving-parts', 'exhaust-gas'],
    how: 'Engine and catalyst hot, outdoors, in park or neutral. Press the pedal briefly to about 3,000 rpm and let go, three times. A live sensor rises above 0.6 V with the extra fuel and falls below 0.2 V within two seconds of letting go.',
    outcomes: [found('follows', 'Rises, and falls at once', 'The rear sensor is alive: what it says of the catalyst counts.'), found('slow', 'Follows late', 'The rear sensor is aged, and no judge of the catalyst.'), found('dead', 'Does not move', 'The rear sensor, its heater or its wiring has failed.')],
    otherwise: [0.94, 0.04, 0.02], given: { 'oxygen-rear': [0.12, 0.33, 0.55], 'oxygen-heater': [0.6, 0.28, 0.12] },
  },
  {
    id: 'heater-ohms', title: 'Measure the oxygen sensor’s heater', scope: 'engine', system: 'exhaust', minutes: 12, cost: 0, tools: ['multimeter'], cautions: ['cold-engine', 'jacking'],
    how: 'Unplug it and measure between the two wires of the same {colour}: 2 to 20 Ω is normal. Check its fuse too.',
    outcomes: [found('whole', '2 to 20 Ω', 'Look at fuse and wiring.'), found('open', 'Open', 'The heater has failed: fit a new sensor.')],
    otherwise: [0.97, 0.03], given: { 'oxygen-heater': [0.25, 0.75] },
  },
  {
    id: 'exhaust-listen', title: 'Listen for an exhaust leak on a cold start', scope: 'engine', system: 'exhaust', minutes: 5, cost: 0, tools: [], cautions: ['exhaust-gas', 'moving-parts'],
    how: 'Start cold, outdoors. Listen for a tick or blow near the manifold that fades when warm, and look for soot streaks.',
    outcomes: [found('quiet', 'Quiet, no soot', 'There is no audible leak.'), found('blows', 'Ticks, blows or soot', 'It leaks, and draws air in too.')],
    otherwise: [0.95, 0.05], given: { 'exhaust-leak': [0.15, 0.85] },
  },
];
