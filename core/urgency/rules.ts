import type { Area, ComponentId, FailureId } from '@pincer/core/codes';
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
  /** The next minute, step by step; every rule that stops the car has it. */
  minute?: readonly string[];
  /** Whom to call when that does not settle it. */
  call?: string;
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
/** The same, without the codes that the owner knows and accepts. */
const newCode =
  (...keys: ObservationKey[]) =>
  (f: UrgencyFacts) =>
    keys.some((k) => f.newKeys.has(k));
/** Failing codes of these areas; those of a gentle rule leave the accepted ones out. */
const inArea =
  (...areas: Area[]) =>
  (f: UrgencyFacts) =>
    f.entries.some((e) => areas.includes(e.area));
const newInArea =
  (...areas: Area[]) =>
  (f: UrgencyFacts) =>
    f.entries.some((e) => e.isNew && areas.includes(e.area));
const onPart =
  (...parts: ComponentId[]) =>
  (f: UrgencyFacts) =>
    f.entries.some((e) => parts.includes(e.component));
const failing =
  (area: Area, ...failures: FailureId[]) =>
  (f: UrgencyFacts) =>
    f.entries.some((e) => e.area === area && failures.includes(e.failure));
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
    minute: [
      'Off the pedal, out of gear, and let it roll to a safe place.',
      'Switch the engine off at once, then the warning lights on.',
      'After five minutes on level ground read the oil level; below the mark: top up, and start only to see whether the lamp goes out within five seconds.',
    ],
    call: 'A breakdown service or a tow; tell them which lamp it is.',
    once: 'the oil lamp is out and the level is right',
  },
  {
    id: 'temperature-lamp',
    level: 0,
    holds: lit('temperature'),
    because: 'The temperature lamp is lit: an overheated engine warps its head.',
    then: 'Stop and switch off. Do not open the coolant cap, it is under pressure; wait half an hour.',
    minute: [
      'Heater to its hottest and fan to full: it draws heat out of the engine while you pull over.',
      'Stop where it is safe, switch off, leave the cap shut: it would scald you.',
      'Wait half an hour, then read the level at the tank from outside.',
    ],
    call: 'A breakdown service or a tow; tell them which lamp it is.',
    once: 'the coolant is filled, cold, and the lamp stays out',
  },
  {
    id: 'brake-lamp',
    level: 0,
    holds: lit('brakes'),
    because: 'The brake lamp is lit: fluid may be low or a circuit lost.',
    then: 'Stop gently. Is the parking brake fully off? If the lamp stays or the pedal feels long, have it towed.',
    minute: [
      'Press the pedal gently: does it feel as always? Slow down with the gears too.',
      'Let the parking brake right down. Lamp out? Then that was it.',
      'Otherwise stop where it is safe and leave it there.',
    ],
    call: 'A tow. With a soft pedal nobody drives it another metre.',
    once: 'the brakes have been looked at',
  },
  {
    id: 'red-message',
    level: 0,
    holds: (f) => f.redLamps.has('other'),
    because: 'A red lamp or message is lit: red asks you to stop.',
    then: 'Stop where it is safe, switch off, and look it up in the handbook before you go on.',
    minute: [
      'Off the pedal, stop where it is safe, warning lights on.',
      'Switch off. The handbook’s page on lamps is usually near its end.',
    ],
    call: 'A breakdown service, if the handbook says stop or says nothing.',
    once: 'the handbook says that it may be driven',
  },
  {
    id: 'long-pedal',
    level: 0,
    holds: yes('sign:long-pedal'),
    because: 'The brake pedal is long or soft: a circuit may be empty.',
    then: 'Do not drive it. Brakes are licensed work.',
    minute: [
      'Pump the pedal, slow down with the gears and the parking brake, gently.',
      'Stop where it is safe and leave it there.',
    ],
    call: 'A tow. Nobody drives it another metre.',
    once: 'the brakes have been mended',
  },
  {
    id: 'knocks',
    level: 0,
    holds: yes('sign:knocks'),
    because: 'It knocks deep in the engine: a bearing may be failing.',
    then: 'Switch off and do not start it again before the oil has been looked at.',
    minute: [
      'Off the pedal, out of gear, stop where it is safe, switch off.',
      'After five minutes read the oil level.',
    ],
    call: 'A breakdown service; ask for a tow, not for a start.',
    once: 'the noise is found and gone',
  },
  {
    id: 'gauge-hot',
    level: 0,
    holds: yes('gauge:hot'),
    because: 'The temperature is too high: an overheated engine warps its head.',
    then: 'Stop and switch off before the lamp comes. Do not open the coolant cap.',
    minute: [
      'Heater to its hottest, fan to full, while you pull over.',
      'Switch off and wait half an hour with the cap shut.',
    ],
    call: 'A breakdown service, if the level is low and does not stay up.',
    once: 'it stays at its usual temperature',
  },
  {
    id: 'overheated-code',
    level: 0,
    holds: (f) => failing('cooling', 'over-limit')(f) || onPart('oil-pressure')(f),
    because: 'The control unit saw too much heat or too little oil pressure.',
    then: 'Stop and switch off. Let it cool, check oil and coolant when cold.',
    minute: [
      'Off the pedal, stop where it is safe, switch off.',
      'Leave the coolant cap shut; wait half an hour.',
    ],
    call: 'A breakdown service or a tow; tell them which lamp it is.',
    once: 'oil and coolant are right and the code does not return',
  },
  {
    id: 'flashing',
    level: 1,
    holds: (f) => f.lamps.get('engine') === 'flashing',
    because: 'The engine lamp flashes: misfire is overheating the catalyst.',
    then: 'Off the pedal, drive without load to the nearest safe place and stop. Each minute under load can cost the catalyst.',
    minute: [
      'Ease off the pedal until it stops flashing; no overtaking, no hills.',
      'Go to the nearest safe place, not home, and stop.',
      'Leave it off dry grass: the catalyst under it may glow.',
    ],
    call: 'A tow, if it still flashes or shakes after it has stood.',
    once: 'the lamp no longer flashes',
  },
  {
    id: 'charging-lamp',
    level: 1,
    holds: lit('charging'),
    because: 'The charging lamp is lit: the car runs on its battery, for half an hour at best.',
    then: 'Switch off what you do not need and drive to the nearest safe place. If a belt drives the water pump, watch the temperature and stop if it climbs.',
    minute: [
      'Heating, rear screen, radio and fans off; lights stay on in the dark.',
      'Do not switch the engine off before you are where you want to be: it may not start again.',
      'Watch the temperature: where the same belt drives the water pump, stop if it climbs.',
    ],
    call: 'Somebody with a charger, or a breakdown service.',
    once: 'it charges again',
  },
  {
    id: 'misfire-shakes',
    level: 1,
    holds: (f) => code(...MISFIRE)(f) && yes('sign:shakes')(f),
    because: 'It misfires and shakes: unburnt fuel reaches the catalyst.',
    then: 'Drive no further than to a safe place, without load.',
    minute: ['Ease off the pedal; no hills, no overtaking.', 'To the nearest safe place, then switch off.'],
    call: 'A tow, if it shakes at idle as well.',
    once: 'the shake is gone',
  },
  {
    id: 'stalls',
    level: 1,
    holds: yes('sign:stalls'),
    because: 'It stalls: steering and brakes lose their help when it does.',
    then: 'Not in traffic. Have it moved, or drive only where a stall hurts nobody.',
    minute: [
      'Keep a hand on the wheel: steering and brakes get heavy when it stalls, but they work.',
      'Leave the traffic at the next place where you can stop.',
    ],
    call: 'A tow, if it stalls while rolling.',
    once: 'it no longer stalls',
  },
  {
    id: 'fuel-smell',
    level: 1,
    holds: yes('sign:fuel-smell'),
    because: 'It smells of fuel: a leak can burn.',
    then: 'Stop, look underneath and round the rail. If anything drips, do not start it.',
    minute: [
      'Stop, switch off, no smoking, nothing that sparks.',
      'Look underneath from a step away: does anything drip?',
      'If it drips, or you see smoke: away from the car, and the fire brigade.',
    ],
    call: 'The fire brigade if it drips; else a breakdown service.',
    once: 'the smell is found and gone',
  },
  {
    id: 'steering-lamp',
    level: 1,
    holds: lit('steering'),
    because: 'The steering lamp is lit: its help may go from one bend to the next.',
    then: 'Drive slowly to a safe place and try how it steers standing. Steering is licensed work.',
    minute: [
      'Slow down, both hands: it may be heavy from one moment to the next.',
      'Stop where it is safe and turn the wheel standing: heavy or normal?',
    ],
    call: 'A workshop; by tow, if it is heavy.',
    once: 'the steering has been looked at',
  },
  {
    id: 'high-voltage-lamp',
    level: 1,
    holds: lit('high-voltage'),
    because: 'The high-voltage system reports a fault: it may cut the drive, and its cables can kill.',
    then: 'Park safely, touch nothing orange, and call licensed help.',
    minute: [
      'Stop in the open, away from walls and other cars.',
      'Switch off, key away from the car, everyone out.',
      'Smoke, hissing or a sweet smell: well away, and the fire brigade: say that it is a high-voltage car.',
    ],
    call: 'The maker’s breakdown line or a workshop licensed for high voltage.',
    once: 'licensed people have looked at the high-voltage system',
  },
  {
    id: 'oil-below',
    level: 1,
    holds: yes('gauge:oil-low'),
    because: 'The oil is below the mark.',
    then: 'Top it up with the grade that the handbook names before you drive.',
    minute: [
      'Engine off. Top up a little at a time, wait a minute, read again.',
      'Look underneath for drips.',
    ],
    call: 'Anybody who can bring a litre of oil.',
    once: 'the level is between the marks',
  },
  {
    id: 'coolant-below',
    level: 1,
    holds: yes('gauge:coolant-low'),
    because: 'The coolant is below the mark.',
    then: 'Fill it up on a cold engine before you drive, and watch the temperature.',
    minute: [
      'Only on a cold engine: cap off slowly, a rag over it.',
      'Fill to the mark; water will do to get home, then the right coolant.',
    ],
    call: 'Anybody who can bring water and coolant.',
    once: 'the level is right and stays',
  },
  {
    id: 'burnt-smell',
    level: 1,
    holds: yes('sign:burnt-smell'),
    because: 'It smells burnt: a brake, a belt, a clutch or a wire is too hot.',
    then: 'Stop and look for smoke; go on only once you know where it comes from.',
    minute: [
      'Stop where it is safe, away from dry grass, and switch off.',
      'Is one wheel much hotter than the others? Do not touch it: a hand near it tells.',
      'Smoke from under the bonnet: leave it shut, away from the car, call the fire brigade.',
    ],
    call: 'The fire brigade if there is smoke; else a breakdown service.',
    once: 'its source is found',
  },
  {
    id: 'heavy-steering',
    level: 1,
    holds: yes('sign:heavy-steering'),
    because: 'It steers heavily: the help for the steering has gone.',
    then: 'Slowly to a safe place. Steering is licensed work.',
    minute: ['Slow down, both hands.', 'Stop at the next place with room.'],
    call: 'A workshop; by tow, if you cannot turn it with ease.',
    once: 'the steering has been looked at',
  },
  {
    id: 'gearbox-red',
    level: 1,
    holds: (f) => f.redLamps.has('gearbox'),
    because: 'The gearbox lamp is red: it is too hot, or has lost its fluid.',
    then: 'Stop where it is safe, out of gear, and let it cool.',
    minute: [
      'Out of gear, stop where it is safe.',
      'Let it idle in neutral if the handbook says so; else off.',
    ],
    call: 'A breakdown service; ask whether it may be towed on its wheels.',
    once: 'the lamp stays out and the fluid is right',
  },
  {
    id: 'slips',
    level: 1,
    holds: yes('sign:slips'),
    because: 'The revs rise and the speed does not: clutch or gearbox slips.',
    then: 'Drive no further than to a safe place; slipping burns it up.',
    minute: ['Ease off; a higher gear and little pedal.', 'Stop at the next safe place.'],
    call: 'A breakdown service.',
    once: 'it no longer slips',
  },
  {
    id: 'brake-system-code',
    level: 1,
    holds: onPart('brakes', 'brake-fluid', 'brake-booster', 'booster-pressure-sensor'),
    because: 'The brakes themselves report a fault: fluid, booster or heat.',
    then: 'Try the pedal standing; drive no further than to a safe place. Brakes are licensed work.',
    minute: [
      'Slow down with the gears; press the pedal gently: as always?',
      'Hard or long: stop where it is safe and leave it there.',
    ],
    call: 'A tow, if the pedal is not as always.',
    once: 'the brakes have been looked at',
  },
  {
    id: 'high-voltage-code',
    level: 1,
    holds: onPart(
      'high-voltage-isolation',
      'high-voltage-interlock',
      'high-voltage-contactor',
      'high-voltage-fuse',
      'battery-cut-off',
    ),
    because: 'The high-voltage system’s own protection reports a fault.',
    then: 'Park it safely, touch nothing orange, and call licensed help.',
    minute: ['Stop in the open, away from walls.', 'Switch off, key away from the car, everyone out.'],
    call: 'A workshop licensed for high voltage.',
    once: 'licensed people have looked at it',
  },
  {
    id: 'coolant-code',
    level: 1,
    holds: (f) => onPart('coolant-level')(f) || failing('cooling', 'flow-low')(f),
    because: 'Coolant is missing, or is not moved: the engine will overheat.',
    then: 'Stop before the gauge rises; look at the level when it is cold.',
    minute: [
      'Heater to its hottest, off the pedal.',
      'Stop where it is safe and switch off; the cap stays shut.',
    ],
    call: 'Anybody who can bring coolant, or a breakdown service.',
    once: 'the level is right and the coolant moves',
  },
  {
    id: 'gearbox-slips-code',
    level: 1,
    holds: failing('transmission', 'slips', 'overheated', 'over-limit', 'disengaged'),
    because: 'The gearbox slips or is too hot.',
    then: 'To a safe place only; let it cool, look at its fluid.',
    minute: ['Ease off, a high gear.', 'Stop where it is safe; out of gear.'],
    call: 'A breakdown service; ask whether it may be towed on its wheels.',
    once: 'fluid and clutches have been looked at',
  },
  {
    id: 'charging-code',
    level: 1,
    holds: failing('charging', 'value-low', 'value-high'),
    because: 'The charging voltage is wrong: it may stop, or cook its battery.',
    then: 'Drive to the nearest safe place and measure at the battery.',
    minute: ['Heating, rear screen and radio off.', 'Do not switch off before you are where you want to be.'],
    call: 'Somebody with a charger.',
    once: 'it charges within 13.5 to 14.8 V',
  },
  {
    id: 'charging-low',
    level: 1,
    holds: odd('charging'),
    because: 'The charging voltage is wrong while the engine runs.',
    then: 'Drive to the nearest safe place; measure at the battery.',
    minute: [
      'Heating, rear screen and radio off.',
      'Drive to the nearest place where it may stand; do not switch off before.',
    ],
    call: 'Somebody with a charger.',
    once: 'it charges within 13.5 to 14.8 V',
  },
  {
    id: 'cam-timing',
    level: 1,
    holds: code('code:cam-timing'),
    because: 'Camshaft and crankshaft are out of step: the valves may be next.',
    then: 'Do not drive it further than to a safe place until the timing has been looked at.',
    minute: [
      'No high revs. Stop at the nearest safe place.',
      'Do not start it again to see whether it is still there.',
    ],
    call: 'A tow to a workshop.',
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
    id: 'limp',
    level: 2,
    holds: yes('sign:limp'),
    because: 'It protects itself: it will not rev, or stays in one gear.',
    then: 'Short trips, no motorway, no overtaking, until it has been read.',
    once: 'it revs and shifts as always',
  },
  {
    id: 'grinds',
    level: 2,
    holds: (f) => yes('sign:grinds')(f) || yes('sign:pulls-aside')(f),
    because: 'It grinds when braking or pulls to one side: brake, tyre or suspension.',
    then: 'Short trips at low speed; have brakes and tyres looked at.',
    once: 'brakes and tyres have been looked at',
  },
  {
    id: 'smoke',
    level: 2,
    holds: (f) => yes('sign:white-smoke')(f) || yes('sign:sweet-smell')(f) || yes('sign:blue-smoke')(f),
    because: 'It burns coolant or oil, or leaks coolant.',
    then: 'Short trips; read both levels before each.',
    once: 'the levels stay where they are',
  },
  {
    id: 'lights-dim',
    level: 2,
    holds: yes('gauge:lights-dim'),
    because: 'The lights dim at idle: it may not charge.',
    then: 'Short trips by day, and measure the charging voltage.',
    once: 'it charges within 13.5 to 14.8 V',
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
    id: 'brakes-area',
    level: 2,
    holds: inArea('brakes', 'steering'),
    because: 'ABS, stability or steering help is off: the plain brakes stay.',
    then: 'Short trips, more distance, and gently in the wet.',
    once: 'that system is mended',
  },
  {
    id: 'restraints-area',
    level: 2,
    holds: inArea('restraints'),
    because: 'Airbags or belt tensioners report a fault: they may not fire.',
    then: 'It drives, but without that protection. Licensed work.',
    once: 'licensed people have mended it',
  },
  {
    id: 'hybrid-area',
    level: 2,
    holds: inArea('hybrid'),
    because: 'The electric drive reports a fault: it may limit itself or stop.',
    then: 'Short trips; no motorway. Nothing orange is yours to touch.',
    once: 'the drive has been looked at',
  },
  {
    id: 'transmission-area',
    level: 2,
    holds: inArea('transmission'),
    because: 'The gearbox reports a fault: it may stay in one gear.',
    then: 'Short and gentle trips; read the gearbox unit.',
    once: 'the gearbox is right again',
  },
  {
    id: 'network-area',
    level: 2,
    holds: inArea('network'),
    because: 'Control units do not hear each other: things may fail one after the other.',
    then: 'Short trips; look at battery voltage and fuses first.',
    once: 'they talk to each other again',
  },
  {
    id: 'throttle-area',
    level: 2,
    holds: (f) => inArea('throttle', 'computer')(f) || failing('particulate', 'full')(f),
    because: 'The engine may hold itself back at any moment.',
    then: 'Short trips, no overtaking.',
    once: 'it is mended',
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
    holds: newCode('code:lean'),
    because: 'It runs too lean: hotter than it should under load.',
    then: 'Drive gently, without heavy load, and mend it within weeks.',
    once: 'the mixture is right again',
  },
  {
    id: 'sensor',
    level: 3,
    holds: newCode(
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
    holds: newCode('code:catalyst', 'code:evap-leak', 'code:purge'),
    because: 'An emission check failed: no danger to the engine, but an inspection would fail.',
    then: 'Drive normally and mend it before the inspection.',
    once: 'the check passes again',
  },
  {
    id: 'described',
    level: 3,
    holds: newInArea(
      'air',
      'fuel',
      'mixture',
      'ignition',
      'timing',
      'exhaust',
      'egr',
      'secondary',
      'evap',
      'cooling',
      'oil',
      'glow',
      'speed',
      'charging',
      'climate',
      'particulate',
      'nox',
      'body',
    ),
    because: 'A part has failed that the engine can do without for a while.',
    then: 'Some weeks, gently, while you find the cause.',
    once: 'the part is right again',
  },
  {
    id: 'undescribed',
    level: 2,
    holds: (f) => f.newCodes.some((c) => !f.entries.some((e) => e.code === c.code)),
    because: 'A code is not described here, so nothing good is assumed.',
    then: 'Short trips; look it up under this make and model.',
    once: 'that code is understood',
  },
  {
    id: 'pending-or-stored',
    level: 3,
    holds: (f) => f.newCodes.length > 0,
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
