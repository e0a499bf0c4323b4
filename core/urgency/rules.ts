import type { ObservationKey } from '@pincer/core/knowledge';
import type { LampId } from '@pincer/core/case';
import type { UrgencyFacts } from './facts.ts';

/** 0 stop here, 1 only to a safe place, 2 short trips, 3 some weeks, 4 no limit. */
export type AllowanceLevel = 0 | 1 | 2 | 3 | 4;

export interface UrgencyRule {
  id: string;
  /** The furthest that may be driven while this rule holds. */
  level: AllowanceLevel;
  holds: (facts: UrgencyFacts) => boolean;
  /** The deciding fact, as a headline with its reason. */
  because: string;
  /** What to do now. */
  then: string;
  /** Completes: Would be "..." once ... */
  once: string;
  /** Where this rule stands for something unknown: the most that knowing it may promise. */
  atMost?: AllowanceLevel;
}

const lit = (lamp: LampId) => (f: UrgencyFacts) => {
  const mode = f.lamps.get(lamp);
  return mode !== undefined && mode !== 'out';
};
const steady = (f: UrgencyFacts) => {
  const mode = f.lamps.get('engine');
  return mode === 'steady' || mode === 'now-and-then';
};
const yes = (key: ObservationKey) => (f: UrgencyFacts) => f.observations.get(key) === 'yes';
const code =
  (...keys: ObservationKey[]) =>
  (f: UrgencyFacts) =>
    keys.some((k) => f.activeKeys.has(k));
const odd =
  (...rules: string[]) =>
  (f: UrgencyFacts) =>
    f.judgements.some((j) => rules.includes(j.rule) && (j.verdict === 'odd' || j.verdict === 'impossible'));
const MISFIRE = ['code:misfire-same', 'code:misfire-several'] as const;

/** Rules as data. The strictest that holds decides; "unknown" never improves anything. */
export const URGENCY_RULES: readonly UrgencyRule[] = [
  {
    id: 'oil-lamp',
    level: 0,
    holds: lit('oil'),
    because: 'The oil pressure lamp is lit: without pressure the bearings are gone in minutes.',
    then: 'Stop where it is safe and switch off now. Check the oil level after five minutes; do not start it again while the lamp lights.',
    once: 'the oil lamp is out and the level is right',
  },
  {
    id: 'temperature-lamp',
    level: 0,
    holds: lit('temperature'),
    because: 'The temperature lamp is lit: an overheated engine warps its head.',
    then: 'Stop and switch off. Do not open the coolant cap, it is under pressure; wait half an hour.',
    once: 'the coolant is filled, cold, and the lamp stays out',
  },
  {
    id: 'brake-lamp',
    level: 0,
    holds: lit('brakes'),
    because: 'The brake lamp is lit: fluid may be low or a circuit lost.',
    then: 'Stop gently. Is the parking brake fully off? If the lamp stays or the pedal feels long, have it towed.',
    once: 'the brakes have been looked at',
  },
  {
    id: 'overheated-code',
    level: 0,
    holds: (f) => f.activeCodes.some((c) => c.code === 'P0217' || c.code === 'P0298' || c.code === 'P0524'),
    because: 'The control unit saw too much heat or too little oil pressure.',
    then: 'Stop and switch off. Let it cool, check oil and coolant when cold.',
    once: 'oil and coolant are right and the code does not return',
  },
  {
    id: 'flashing',
    level: 1,
    holds: (f) => f.lamps.get('engine') === 'flashing',
    because: 'The engine lamp flashes: misfire is overheating the catalyst.',
    then: 'Off the pedal, drive without load to the nearest safe place and stop. Each minute under load can cost the catalyst.',
    once: 'the lamp no longer flashes',
  },
  {
    id: 'charging-lamp',
    level: 1,
    holds: lit('charging'),
    because: 'The charging lamp is lit: the car runs on its battery, for half an hour at best.',
    then: 'Switch off what you do not need and drive to the nearest safe place. If a belt drives the water pump, watch the temperature and stop if it climbs.',
    once: 'it charges again',
  },
  {
    id: 'misfire-shakes',
    level: 1,
    holds: (f) => code(...MISFIRE)(f) && yes('sign:shakes')(f),
    because: 'It misfires and shakes: unburnt fuel reaches the catalyst.',
    then: 'Drive no further than to a safe place, without load.',
    once: 'the shake is gone',
  },
  {
    id: 'stalls',
    level: 1,
    holds: yes('sign:stalls'),
    because: 'It stalls: steering and brakes lose their help when it does.',
    then: 'Not in traffic. Have it moved, or drive only where a stall hurts nobody.',
    once: 'it no longer stalls',
  },
  {
    id: 'fuel-smell',
    level: 1,
    holds: yes('sign:fuel-smell'),
    because: 'It smells of fuel: a leak can burn.',
    then: 'Stop, look underneath and round the rail. If anything drips, do not start it.',
    once: 'the smell is found and gone',
  },
  {
    id: 'steering-lamp',
    level: 1,
    holds: lit('steering'),
    because: 'The steering lamp is lit: its help may go from one bend to the next.',
    then: 'Drive slowly to a safe place and try how it steers standing. Steering is licensed work.',
    once: 'the steering has been looked at',
  },
  {
    id: 'high-voltage-lamp',
    level: 1,
    holds: lit('high-voltage'),
    because: 'The high-voltage system reports a fault: it may cut the drive, and its cables can kill.',
    then: 'Park safely, touch nothing orange, and call licensed help.',
    once: 'licensed people have looked at the high-voltage system',
  },
  {
    id: 'charging-low',
    level: 1,
    holds: odd('charging'),
    because: 'The charging voltage is wrong while the engine runs.',
    then: 'Drive to the nearest safe place; measure at the battery.',
    once: 'it charges within 13.5 to 14.8 V',
  },
  {
    id: 'cam-timing',
    level: 1,
    holds: code('code:cam-timing'),
    because: 'Camshaft and crankshaft are out of step: the valves may be next.',
    then: 'Do not drive it further than to a safe place until the timing has been looked at.',
    once: 'the timing has been checked',
  },
  {
    id: 'misfire',
    level: 2,
    holds: code(...MISFIRE),
    because: 'A misfire is stored: under load it can overheat the catalyst.',
    then: 'Short and gentle trips only; stop if the lamp begins to flash.',
    once: 'the misfire is mended and does not return',
  },
  {
    id: 'shakes',
    level: 2,
    holds: (f) => yes('sign:shakes')(f) || yes('sign:weak')(f),
    because: 'It shakes or pulls weakly, and nobody knows yet why.',
    then: 'Short and gentle trips until it has been read.',
    once: 'the cause is known',
  },
  {
    id: 'rich',
    level: 2,
    holds: (f) => code('code:rich')(f) || yes('sign:black-smoke')(f),
    because: 'It runs too rich: fuel washes the oil off and overheats the catalyst.',
    then: 'Short trips only, and mend it soon.',
    once: 'the mixture is right again',
  },
  {
    id: 'throttle',
    level: 2,
    holds: code('code:throttle', 'code:crank-sensor', 'code:fuel-pressure'),
    because: 'A part that can stop the engine on the road is failing.',
    then: 'Short trips, no motorway, no overtaking.',
    once: 'the part is mended',
  },
  {
    id: 'safety-lamp',
    level: 2,
    holds: (f) => lit('airbag')(f) || lit('stability')(f),
    because: 'A safety system has switched itself off: airbag or stability control may not help.',
    then: 'It drives, but without that protection. Airbags and belt tensioners are licensed work.',
    once: 'that system has been looked at',
  },
  {
    id: 'tyre-lamp',
    level: 2,
    holds: lit('tyre'),
    because: 'The tyre lamp is lit: one may be losing air.',
    then: 'Stop where it is safe and look at all four; set the pressures cold before a longer drive.',
    once: 'the pressures are right and the lamp stays out',
  },
  {
    id: 'gearbox-lamp',
    level: 2,
    holds: lit('gearbox'),
    because: 'The gearbox lamp is lit: it may hold one gear, or grow too hot.',
    then: 'Short and gentle trips; stop and let it cool if it slips or smells.',
    once: 'the gearbox has been read',
  },
  {
    id: 'particulate-flashing',
    level: 2,
    holds: (f) => f.lamps.get('particulate') === 'flashing',
    because: 'The particulate filter lamp flashes: it is too full to clean itself.',
    then: 'Short trips only until it has been looked at; more driving can clog it for good.',
    once: 'the filter has been looked at',
  },
  {
    id: 'battery-low',
    level: 2,
    holds: odd('battery-rest'),
    because: 'The battery is low: it may not start again.',
    then: 'Charge it before you rely on it.',
    once: 'the battery is charged and holds',
  },
  {
    id: 'unknown-lamp',
    level: 2,
    holds: (f) => f.lamps.size === 0 && f.reading === null,
    because: 'Nothing is known yet: which lamp, and how it runs.',
    then: 'Say what is lit; until then short and gentle trips.',
    once: 'the lamp is known and harmless',
    atMost: 3,
  },
  {
    id: 'unread',
    level: 2,
    holds: (f) => steady(f) && f.reading === null,
    because: 'The engine lamp is lit and the car has not been read yet.',
    then: 'Short trips; read the codes before the next long drive.',
    once: 'the codes are known to be harmless',
    atMost: 3,
  },
  {
    id: 'lean',
    level: 3,
    holds: code('code:lean'),
    because: 'It runs too lean: hotter than it should under load.',
    then: 'Drive gently, without heavy load, and mend it within weeks.',
    once: 'the mixture is right again',
  },
  {
    id: 'sensor',
    level: 3,
    holds: code(
      'code:air-flow-circuit',
      'code:air-flow-range',
      'code:manifold-pressure',
      'code:intake-temperature',
      'code:coolant-temperature',
      'code:runs-cold',
      'code:oxygen-front',
      'code:oxygen-rear',
      'code:oxygen-heater',
      'code:knock-sensor',
      'code:cam-sensor',
      'code:idle',
      'code:egr',
    ),
    because: 'A sensor is missing or wrong: the engine runs on substitute values.',
    then: 'Some weeks, gently. It uses more fuel, and other checks may not run.',
    once: 'the sensor is right again',
  },
  {
    id: 'emission',
    level: 3,
    holds: code('code:catalyst', 'code:evap-leak', 'code:purge'),
    because: 'An emission check failed: no danger to the engine, but an inspection would fail.',
    then: 'Drive normally and mend it before the inspection.',
    once: 'the check passes again',
  },
  {
    id: 'undescribed',
    level: 2,
    holds: (f) => f.activeCodes.length > 0 && f.activeKeys.size === 0,
    because: 'The codes are not described here, so nothing good is assumed.',
    then: 'Short trips; look the codes up under this make and model.',
    once: 'the codes are understood',
  },
  {
    id: 'pending-or-stored',
    level: 3,
    holds: (f) => f.activeCodes.length > 0,
    because: 'Codes are stored.',
    then: 'Some weeks, while you find the cause.',
    once: 'no code is left',
  },
  {
    id: 'lamp-without-code',
    level: 3,
    holds: (f) => steady(f) && f.reading !== null,
    because: 'The engine lamp is lit.',
    then: 'Some weeks; read again if anything changes.',
    once: 'the lamp stays out',
  },
  {
    id: 'particulate-lamp',
    level: 3,
    holds: lit('particulate'),
    because: 'The particulate filter asks to be cleaned.',
    then: 'Twenty minutes or more at a steady 60 to 100 km/h, engine warm; not in town.',
    once: 'the lamp is out after such a drive',
  },
  {
    id: 'dead-bulb',
    level: 3,
    holds: (f) => f.bulb === 'does-not',
    because: 'The engine lamp does not light at key-on: a dead or removed bulb hides every fault.',
    then: 'Read the codes now, and mend the lamp. On a car for sale, walk away or ask why.',
    once: 'the lamp lights at key-on again',
  },
  {
    id: 'other-lamp',
    level: 3,
    holds: (f) => lit('other')(f) || lit('glow')(f),
    because: 'Another lamp is lit: the handbook says what it means.',
    then: 'Look it up before a long drive.',
    once: 'the handbook says it is harmless',
  },
  {
    id: 'partial',
    level: 3,
    holds: (f) => f.reading !== null && f.reading.missing.length > 0,
    because: 'The last reading is not complete: what it did not see may matter.',
    then: 'Read again.',
    once: 'a full reading is in',
  },
];
