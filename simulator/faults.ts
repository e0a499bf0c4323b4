/** Faults that can be injected into the stand-in. */
export type Fault =
  /** The coil is dead: its cylinder never fires, and its primary side is open. */
  | { kind: 'coil'; cylinder: number }
  /** The coil's boot is cracked: its cylinder misses when it is wet and the engine cold or loaded. */
  | { kind: 'coil-boot'; cylinder: number }
  | { kind: 'air-flow-unplugged' }
  /** The air flow sensor is dirty: it measures too little everywhere, most under load. */
  | { kind: 'air-flow-dirty' }
  | { kind: 'intake-temperature-unplugged' }
  | { kind: 'coolant-sensor-open' }
  | { kind: 'thermostat-open' }
  /** The manifold pressure sensor always tells the same. */
  | { kind: 'pressure-stuck' }
  /** Air gets in behind the air flow sensor; the size is the equivalent flow at idle, share of the measured air. */
  | { kind: 'intake-leak'; share: number }
  /** Fuel does not come as fast as it is asked for: lean, the more the engine works. */
  | { kind: 'fuel-starved' }
  | { kind: 'injector-leaks' }
  | { kind: 'front-oxygen-lazy' }
  | { kind: 'catalyst-worn' }
  /** The pedal's second track does not keep its ratio. */
  | { kind: 'pedal-track' }
  | { kind: 'throttle-sticks' }
  | { kind: 'alternator-dead' }
  | { kind: 'air-pressure-wrong' }
  /** The battery is weak: the start pulled the voltage down, and many control units noted it. */
  | { kind: 'battery-weak' }
  /** The front left wheel's speed sensor is open: stability control is off, the instruments miss its data. */
  | { kind: 'wheel-sensor' }
  /** Repaired already: the brakes’ unit keeps its code for as long as the instruments have theirs. */
  | { kind: 'units-hold' }
  /** The gearbox's first shift valve is open: it keeps to one gear, asks for the lamp, and stability control lacks its word. */
  | { kind: 'gear-valve' }
  /** Diesel: the charge air hose is split; air is measured that never arrives. */
  | { kind: 'charge-hose' }
  | { kind: 'egr-stuck' }
  | { kind: 'filter-full' }
  /** Ash, which no regeneration burns: much pressure with little soot. */
  | { kind: 'filter-ash' }
  | { kind: 'filter-cracked' }
  | { kind: 'rail-weak' }
  /** The relay of the glow plugs does not switch: its lamp is told to light, no current flows. */
  | { kind: 'glow-plug' }
  /** Motorcycle: the charging regulator fails as it gets hot. */
  | { kind: 'regulator' };

export type FaultKind = Fault['kind'];

const TITLES: Readonly<Record<Exclude<FaultKind, 'coil' | 'coil-boot'>, string>> = {
  'air-flow-unplugged': 'Air flow sensor unplugged',
  'air-flow-dirty': 'Air flow sensor dirty',
  'intake-temperature-unplugged': 'Intake temperature sensor unplugged',
  'coolant-sensor-open': 'Coolant temperature sensor open',
  'thermostat-open': 'Thermostat stuck open',
  'pressure-stuck': 'Manifold pressure sensor stuck',
  'intake-leak': 'Air leak after the air flow sensor',
  'fuel-starved': 'Fuel filter blocked',
  'injector-leaks': 'An injector leaks',
  'front-oxygen-lazy': 'Front oxygen sensor aged',
  'catalyst-worn': 'Catalyst worn out',
  'pedal-track': 'Pedal sensor: tracks disagree',
  'throttle-sticks': 'Throttle sticks',
  'alternator-dead': 'Alternator does not charge',
  'air-pressure-wrong': 'Air pressure sensor wrong',
  'battery-weak': 'Battery weak, codes in seven control units',
  'wheel-sensor': 'Wheel speed sensor front left open',
  'units-hold': 'Two control units hold an old code',
  'gear-valve': 'Transmission shift solenoid A open',
  'charge-hose': 'Charge air hose split',
  'egr-stuck': 'EGR valve stuck open',
  'filter-full': 'Particulate filter full of soot',
  'filter-ash': 'Particulate filter full of ash',
  'filter-cracked': 'Particulate filter cracked',
  'rail-weak': 'Rail pressure does not follow',
  'glow-plug': 'Glow plug relay failed',
  regulator: 'Regulator/rectifier failing',
};

/** Words for a fault, for the practice screen. */
export function faultTitle(fault: Fault): string {
  if (fault.kind === 'coil') return `Coil of cylinder ${fault.cylinder} failed`;
  if (fault.kind === 'coil-boot') return `Coil boot of cylinder ${fault.cylinder} cracked`;
  return TITLES[fault.kind];
}

/** Faults that have a cylinder or a share to them. */
const WITH_CYLINDER: ReadonlySet<string> = new Set(['coil', 'coil-boot']);

/** Whether something that may come from a file is a fault of the simulator. */
export function isFault(value: unknown): value is Fault {
  if (typeof value !== 'object' || value === null || !('kind' in value) || typeof value.kind !== 'string')
    return false;
  if (WITH_CYLINDER.has(value.kind)) return 'cylinder' in value && typeof value.cylinder === 'number';
  if (value.kind === 'intake-leak') return 'share' in value && typeof value.share === 'number';
  return Object.hasOwn(TITLES, value.kind);
}
