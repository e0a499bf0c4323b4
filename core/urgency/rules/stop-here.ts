import { lit, yes, onPart, failing } from '../conditions.ts';
import type { UrgencyRule } from '../rule.ts';

/** Rules after which the car is not driven a metre further. */
export const STOP_HERE: readonly UrgencyRule[] = [
  {
    id: 'oil-lamp',
    level: 'stop-here',
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
    level: 'stop-here',
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
    level: 'stop-here',
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
    level: 'stop-here',
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
    level: 'stop-here',
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
    level: 'stop-here',
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
    level: 'stop-here',
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
    level: 'stop-here',
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
];
