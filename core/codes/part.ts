/** A part or circuit that codes speak about. */
export interface Component {
  /** Plain name, lower case, as in the middle of a sentence. */
  name: string;
  /** The workshop's term, so that the owner can use it on the telephone. */
  term: string;
  area: Area;
  /** What it does, one sentence. */
  does: string;
}

export const AREAS = {
  air: 'air and boost',
  fuel: 'fuel',
  mixture: 'mixture',
  ignition: 'ignition and misfire',
  timing: 'camshaft and timing',
  exhaust: 'exhaust and catalyst',
  egr: 'exhaust gas recirculation',
  secondary: 'secondary air',
  evap: 'evaporative system',
  cooling: 'cooling',
  oil: 'oil',
  glow: 'glow plugs',
  throttle: 'throttle and pedal',
  speed: 'speed, idle and inputs',
  charging: 'charging and battery',
  computer: 'control unit and outputs',
  transmission: 'transmission',
  climate: 'air conditioning',
  particulate: 'particulate filter',
  nox: 'NOx treatment',
  hybrid: 'hybrid and electric drive',
  network: 'network and communication',
  brakes: 'brakes and stability',
  steering: 'steering and tyres',
  restraints: 'airbags and belts',
  body: 'body and access',
} as const;
export type Area = keyof typeof AREAS;

export const part = (name: string, term: string, area: Area, does: string): Component => ({
  name,
  term,
  area,
  does,
});
