/** Faults that can be injected into the stand-in. */
export type Fault =
  /** The coil is dead: its cylinder never fires, and its primary side is open. */
  | { kind: 'coil'; cylinder: number }
  /** The coil's boot is cracked: its cylinder misses when it is wet and the engine cold or loaded. */
  | { kind: 'coil-boot'; cylinder: number }
  | { kind: 'air-flow-unplugged' }
  | { kind: 'intake-temperature-unplugged' }
  /** Air gets in behind the air flow sensor; the size is the equivalent flow at idle, share of the measured air. */
  | { kind: 'intake-leak'; share: number }
  /** The battery is weak: the start pulled the voltage down, and many control units noted it. */
  | { kind: 'battery-weak' }
  /** The front left wheel's speed sensor is open: stability control is off, the instruments miss its data. */
  | { kind: 'wheel-sensor' };

export type FaultKind = Fault['kind'];

/** Words for a fault, for the practice screen. */
export function faultTitle(fault: Fault): string {
  switch (fault.kind) {
    case 'coil':
      return `Coil of cylinder ${fault.cylinder} dead`;
    case 'coil-boot':
      return `Coil boot of cylinder ${fault.cylinder} cracked`;
    case 'air-flow-unplugged':
      return 'Air flow sensor unplugged';
    case 'intake-temperature-unplugged':
      return 'Intake temperature sensor unplugged';
    case 'intake-leak':
      return 'Air leak behind the air flow sensor';
    case 'battery-weak':
      return 'Battery weak, codes in six control units';
    case 'wheel-sensor':
      return 'Wheel speed sensor front left open';
  }
}
