/** A part or circuit that codes speak about. */
export interface Component {
  /** The standard's term, lower case, as in the middle of a sentence. */
  name: string;
  /** Other names under which it is sold and looked for. */
  also: readonly string[];
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
  steering: 'steering and {tyres}',
  restraints: 'airbags and belts',
  body: 'body and access',
} as const;
export type Area = keyof typeof AREAS;

/** A part; other names are told in one text, with semicolons between them. */
export const part = (name: string, also: string, area: Area, does: string): Component => ({
  name,
  also: also.split('; '),
  area,
  does,
});
