import type { Area } from './part.ts';

/** What all parts of an area have in common, for the page of a code. */
export interface AreaFacts {
  /** Where the parts usually are. */
  where: string;
  /** What the driver may notice. */
  notice: readonly string[];
  /** What it commonly is not, although it looks like it. */
  isNot: string;
  /** What else such a fault may set off. */
  setsOff: string;
  lamp: string;
}

const ENGINE_LAMP = 'The engine light, usually on the second trip that fails the check.';

const area = (
  where: string,
  notice: readonly string[],
  isNot: string,
  setsOff: string,
  lamp = ENGINE_LAMP,
): AreaFacts => ({ where, notice, isNot, setsOff, lamp });

/** By area: where it is, what is noticed, what it is not, what follows from it, which lamp. */
export const AREA_FACTS: Readonly<Record<Area, AreaFacts>> = {
  air: area(
    'Along the intake: air filter box, intake hose and manifold; on turbo engines also the charge pipes and intercooler.',
    ['lacks power', 'uses more fuel', 'idles unevenly'],
    'Do not blame the sensor first: a leak or a loose hose gives the same signal.',
    'Mixture codes, and cruise and stability control may switch off because the engine’s torque is not known.',
  ),
  fuel: area(
    'Tank and pump at the back, filter along the way, rail and injectors on the engine.',
    ['starts badly', 'pulls weakly under load', 'stalls'],
    'Do not blame the injectors first: check pressure, filter and supply.',
    'Lean codes and misfire, first under load.',
  ),
  mixture: area(
    'It has no place of its own: it is what the oxygen sensor reads from air, fuel and exhaust together.',
    ['idles unevenly', 'uses more fuel', 'smells of fuel when rich'],
    'Hardly ever the oxygen sensor that reported it: it is only the messenger.',
    'Misfire, and in the long run the catalyst.',
  ),
  ignition: area(
    'Coils and plugs on top of the engine, knock sensors on the block, the rest in the control unit.',
    ['shakes', 'idles roughly', 'lamp flashes under load'],
    'Not always ignition: an injector, low compression or an air leak causes misfires too.',
    'The catalyst overheats; oxygen sensor and catalyst codes may follow.',
    'The engine lamp at the second failing trip; it flashes at once while the catalyst is in danger.',
  ),
  timing: area(
    'At the ends of crankshaft and camshafts; the actuators sit on the camshafts, their solenoids in the cylinder head or cover.',
    ['starts badly', 'rattles after a cold start', 'lacks power'],
    'Do not blame the actuator first: low or old oil moves it too slowly.',
    'Misfire of several cylinders, and starting trouble.',
  ),
  exhaust: area(
    'Along the exhaust: sensor 1 before the catalyst, sensor 2 behind it.',
    ['often nothing', 'uses a little more fuel'],
    'Do not replace the catalyst until leaks, misfires and the sensors have been ruled out.',
    'The catalyst’s self-check waits until its sensors are right.',
  ),
  egr: area(
    'Between exhaust and intake manifold, often behind the engine.',
    ['idles roughly', 'lacks power', 'knocks under load when too little flows'],
    'Not always the valve: soot in its passage does the same.',
    'Mixture codes, and on diesels the particulate filter fills faster.',
  ),
  secondary: area(
    'An electric pump low in the engine bay, a valve near the exhaust manifold.',
    ['a whirr for a minute after a cold start, or none'],
    'Not always the pump: its hose, relay or a stuck valve.',
    'The catalyst warms up late.',
  ),
  evap: area(
    'From the fuel cap over tank and canister to a small valve on the engine.',
    ['usually nothing', 'a smell of fuel', 'hard to fill up'],
    'Begin with the cap and its seal, not with the canister.',
    'Hardly anything; a valve stuck open gives a lean or rich code.',
  ),
  cooling: area(
    'Sensor at the thermostat’s housing, fan behind the radiator, tank beside the engine.',
    ['gauge too low or too high', 'heater cold', 'fan keeps running, or never runs'],
    'Low coolant looks like a bad thermostat: look at the level first.',
    'Other self-checks do not run while the engine counts as cold.',
  ),
  oil: area(
    'Switch or sensor screwed into the engine block, near the filter.',
    ['the red lamp', 'a knock deep in the engine'],
    'Not “only the sensor” before the pressure has been measured.',
    'Camshaft adjusters need oil pressure: timing codes follow.',
  ),
  glow: area(
    'One in each cylinder of a diesel, their control unit near the battery.',
    ['starts badly when cold', 'white smoke after the start'],
    'One dead plug is rarely the reason of bad starting in summer.',
    'The particulate filter’s cleaning may be held back.',
    'The engine lamp or the glow lamp.',
  ),
  throttle: area(
    'Throttle on the intake manifold, pedal sensor at the accelerator pedal.',
    ['will not rev up', 'reacts late', 'idles too fast or too slow'],
    'Dirt on the plate and a bad plug look like a bad throttle.',
    'Cruise and stability control switch off.',
  ),
  speed: area(
    'Sensors at gearbox or wheels, switches at the pedals.',
    ['speedometer jumps', 'cruise control does not work', 'idle speed wrong'],
    'Not always the sensor: the speed often comes from the ABS control unit.',
    'Transmission, cruise control and power steering do without the speed signal.',
  ),
  charging: area(
    'Alternator at the belt, battery in the engine bay, boot or under a seat.',
    ['lights dim or too bright', 'starts badly', 'charging lamp'],
    'Do not blame the alternator first: check belt, terminals and ground straps.',
    'Low voltage sets codes in many control units that have no fault of their own.',
    'The charging lamp; the engine lamp not always.',
  ),
  computer: area(
    'In the control unit itself and its wires; it is in the engine bay or under the dash.',
    ['anything, or nothing'],
    'Hardly ever the control unit: supply, ground and water in the plug come first.',
    'Other codes stored with it may be false until this one is repaired.',
  ),
  transmission: area(
    'In and on the transmission; its connector sits low and gets wet.',
    ['stays in one gear', 'shifts hard or late', 'revs rise but speed does not'],
    'Do not blame the transmission first: check fluid level, connector and voltage.',
    'The engine unit may only repeat what the gearbox unit stores: read that one.',
    'The gearbox lamp, or the engine lamp at the gearbox unit’s request.',
  ),
  climate: area(
    'Pipes at the front of the engine bay; the unit behind the dash.',
    ['does not cool'],
    'A bad sensor is rarer than too little refrigerant. Refrigerant is licensed work.',
    'The idle speed is raised needlessly.',
    'Often none.',
  ),
  particulate: area(
    'Under the car or right behind the engine, with two thin pipes to its pressure sensor.',
    ['lacks power', 'fan runs after switching off', 'oil level rises'],
    'A full filter is a consequence: short trips, an injector, recirculation or a boost leak filled it.',
    'The engine limits its power to protect itself.',
    'The particulate filter lamp, then the engine lamp.',
  ),
  nox: area(
    'Tank with a blue cap, pump beside it, injector and sensors in the exhaust.',
    ['a countdown to “no start”'],
    'Old, wrong or frozen fluid is commoner than a bad pump.',
    'After a set distance the car may not restart: follow its message.',
    'The reductant’s message, then the engine lamp.',
  ),
  hybrid: area(
    'Orange cables, battery under seat or floor, inverter in the engine bay. Look, do not touch.',
    ['less power', 'a red message', 'will not go to READY'],
    'A weak 12-volt battery sets many of these: check it first.',
    'The electric drive is limited or switched off.',
    'The high-voltage lamp or a message; the engine lamp as well.',
  ),
  network: area(
    'Two thin twisted wires from control unit to control unit; the named unit may be anywhere.',
    ['several lamps at once', 'gauges drop', 'things that do not work'],
    'Rarely the named unit itself: a blown fuse, lost supply or low battery silences it.',
    'One silent unit sets codes in all that listen to it.',
    'Often not the engine lamp, but that of the unit concerned.',
  ),
  brakes: area(
    'Sensors at the wheels, hydraulic unit in the engine bay, switch at the pedal.',
    ['stability and ABS lamps', 'the pedal pulses at low speed'],
    'Rarely the ABS unit: a chafed sensor wire or a rusty tone ring at one wheel is far commoner.',
    'ABS, stability control and hill assist switch off together; the ordinary brakes still work.',
    'The ABS, stability or brake lamp.',
  ),
  steering: area(
    'Angle sensor in the steering column, pressures at the wheels.',
    ['steers heavily', 'light on after wheel alignment or battery work'],
    'After a flat battery it is usually just the steering angle that needs relearning.',
    'Without the steering angle, stability control switches off.',
    'The steering, tyre or stability lamp.',
  ),
  restraints: area(
    'In the steering wheel, dash, seats and pillars, with yellow connectors. Do not touch them.',
    ['the airbag lamp'],
    'Usually a connector under a seat or the clock spring, hardly ever the airbag; still work for a qualified workshop.',
    'Airbags and tensioners may not fire.',
    'The airbag lamp.',
  ),
  body: area(
    'Ignition lock, keys, the antenna ring around the lock, door control units.',
    ['does not start', 'the key lamp flashes'],
    'Try the second key before anything else.',
    'The engine is kept from starting.',
    'The immobiliser’s lamp.',
  ),
};
