import { BANK_2, sourcesOfReading, type ReadingKey } from './readings.ts';

/**
 * What is worth watching, by a word that codes and causes have in their observation or system: which readings show it.
 * Engine speed, vehicle speed and coolant are always among them, for they tell the state.
 */
export const WATCH_FOR: Readonly<Record<string, readonly ReadingKey[]>> = {
  ignition: ['engineSpeed', 'load', 'shortTrim', 'frontOxygen', 'rearOxygen', 'volts'],
  air: ['airFlow', 'manifold', 'throttle', 'shortTrim', 'longTrim', 'intake', 'boost', 'boostTarget'],
  fuel: ['shortTrim', 'longTrim', 'frontOxygen', 'rail', 'railTarget', 'purge', 'load'],
  exhaust: ['frontOxygen', 'rearOxygen', 'shortTrim', 'longTrim', 'catalyst'],
  cooling: ['coolant', 'intake', 'oil', 'runTime'],
  electrical: ['volts', 'engineSpeed', 'load'],
  'engine itself': ['engineSpeed', 'manifold', 'timing', 'load', 'oil'],
  oil: ['oil', 'coolant', 'engineSpeed'],
  'glow plugs and particulate filter': [
    'filterDrop',
    'exhaustHeat',
    'filterHeat',
    'egrCommand',
    'egrActual',
    'airFlow',
  ],
  gearbox: ['engineSpeed', 'speed', 'load', 'throttle'],
  'brakes and stability': ['speed', 'volts'],
  'steering and tyres': ['speed', 'volts'],
  airbag: ['volts'],
  'high voltage': ['volts', 'speed'],
  'body and access': ['volts'],
};

const ALWAYS: readonly ReadingKey[] = ['engineSpeed', 'speed', 'coolant'];
const MAX = 10;

/**
 * The readings worth watching for causes in play, likeliest first; of an engine with two banks each of both.
 * @param systems the causes' systems in their order.
 * @param offered PIDs that the vehicle offers; empty where that is not known, and then of one bank only.
 */
export function watchList(
  systems: readonly string[],
  offered: ReadonlySet<number> = new Set(),
): ReadingKey[] {
  const wanted = [...new Set(systems)].flatMap((s) => WATCH_FOR[s] ?? []);
  const isOffered = (key: ReadingKey): boolean =>
    sourcesOfReading(key, offered).some(([pid]) => offered.has(Number.parseInt(pid, 16)));
  const ofBoth = wanted.flatMap((key) => {
    const second = BANK_2[key];
    return second !== undefined && isOffered(second) ? [key, second] : [key];
  });
  const fitting = offered.size === 0 ? ofBoth : ofBoth.filter(isOffered);
  return [...new Set([...ALWAYS, ...fitting])].slice(0, MAX);
}
