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
    ['hard to start', 'lacks power under load', 'stalls'],
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
    ['shakes', 'idles roughly', 'light flashes under load'],
    'Not always ignition: an injector, low compression or an air leak causes misfires too.',
    'The catalyst overheats; oxygen sensor and catalyst codes may follow.',
    'The engine light on the second failed trip; it flashes at once while the catalyst is in danger.',
  ),
  timing: area(
    'At the ends of crankshaft and camshafts; the actuators sit on the camshafts, their solenoids in the cylinder head or cover.',
    ['hard to start', 'rattles after a cold start', 'lacks power'],
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
    'An electric pump low in the {engine bay}, a valve near the exhaust manifold.',
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
    ['the red light', 'a knock deep in the engine'],
    'Not “only the sensor” before the pressure has been measured.',
    'Camshaft actuators need oil pressure: timing codes follow.',
  ),
  glow: area(
    'One in each cylinder of a diesel, their control unit near the battery.',
    ['hard to start when cold', 'white smoke after the start'],
    'One failed glow plug is rarely why it is hard to start in summer.',
    'The regeneration of the particulate filter may be held back.',
    'The engine light or the glow light.',
  ),
  throttle: area(
    'Throttle on the intake manifold, pedal sensor at the accelerator pedal.',
    ['will not rev up', 'reacts late', 'idles too fast or too slow'],
    'Dirt on the throttle plate or a bad connector looks like a bad throttle.',
    'Cruise and stability control switch off.',
  ),
  speed: area(
    'Sensors at transmission or wheels, switches at the pedals.',
    ['speedometer jumps', 'cruise control does not work', 'idle speed wrong'],
    'Not always the sensor: the speed often comes from the ABS control unit.',
    'Transmission, cruise control and power steering do without the speed signal.',
  ),
  charging: area(
    'Alternator at the belt, battery in the {engine bay}, {boot} or under a seat.',
    ['lights dim or too bright', 'hard to start', 'charging light'],
    'Do not blame the alternator first: check belt, terminals and ground straps.',
    'Low voltage sets codes in many control units that have no fault of their own.',
    'The charging light; the engine light not always.',
  ),
  computer: area(
    'In the control unit itself and its wires; it is in the {engine bay} or under the dash.',
    ['anything, or nothing'],
    'Hardly ever the control unit: check supply, ground and water in its connector first.',
    'Other codes stored with it may be false until this one is repaired.',
  ),
  transmission: area(
    'In and on the transmission; its connector sits low and gets wet.',
    ['stays in one gear', 'shifts hard or late', 'revs rise but speed does not'],
    'Do not blame the transmission first: check fluid level, connector and voltage.',
    'The engine unit may only repeat what the transmission unit stores: read that one.',
    'The transmission light, or the engine light at the transmission unit’s request.',
  ),
  climate: area(
    'Pipes at the front of the {engine bay}; the unit behind the dash.',
    ['does not cool'],
    'A bad sensor is rarer than too little refrigerant. Refrigerant is work for certified people.',
    'The idle speed is raised needlessly.',
    'Often none.',
  ),
  particulate: area(
    'Under the {car} or right behind the engine, with two thin pipes to its pressure sensor.',
    ['lacks power', 'fan runs after switching off', 'oil level rises'],
    'A full filter is a consequence: short trips, an injector, the EGR or a boost leak filled it.',
    'The engine limits its power to protect itself.',
    'The particulate filter light, then the engine light.',
  ),
  nox: area(
    'Tank with a blue cap, pump beside it, injector and sensors in the exhaust.',
    ['a countdown to “no start”'],
    'Old, wrong or frozen fluid is commoner than a bad pump.',
    'After a set distance the {car} may not restart: follow its message.',
    'The reductant’s message, then the engine light.',
  ),
  hybrid: area(
    'Orange cables, battery under seat or floor, inverter in the {engine bay}. Look, do not touch.',
    ['less power', 'a red message', 'will not go to READY'],
    'A weak 12-volt battery sets many of these: check it first.',
    'The electric drive is limited or switched off.',
    'The high-voltage light or a message; the engine light as well.',
  ),
  network: area(
    'Two thin twisted wires from control unit to control unit; the named unit may be anywhere.',
    ['several lights at once', 'gauges drop', 'things that do not work'],
    'Rarely the named unit itself: a blown fuse, lost supply or low battery silences it.',
    'One silent unit sets codes in all that listen to it.',
    'Often not the engine light, but that of the unit concerned.',
  ),
  brakes: area(
    'Sensors at the wheels, hydraulic unit in the {engine bay}, switch at the pedal.',
    ['stability and ABS lights', 'the pedal pulses at low speed'],
    'Rarely the ABS unit: a chafed sensor wire or a rusty tone ring at one wheel is far commoner.',
    'ABS, stability control and hill assist switch off together; the ordinary brakes still work.',
    'The ABS, stability or brake light.',
  ),
  steering: area(
    'Angle sensor in the steering column, pressures at the wheels.',
    ['heavy steering', 'light on after wheel alignment or battery work'],
    'After a {flat battery} it is usually just the steering angle that needs relearning.',
    'Without the steering angle, stability control switches off.',
    'The steering, {tyre} or stability light.',
  ),
  restraints: area(
    'In the steering wheel, dash, seats and pillars, with yellow connectors. Do not touch them.',
    ['the airbag light'],
    'Usually a connector under a seat or the clock spring, hardly ever the airbag; still work for a qualified {workshop}.',
    'Airbags and tensioners may not fire.',
    'The airbag light.',
  ),
  body: area(
    'Ignition lock, keys, the antenna ring around the lock, door control units.',
    ['does not start', 'the key light flashes'],
    'Try the second key before anything else.',
    'The engine is kept from starting.',
    'The {immobiliser}’s light.',
  ),
};
