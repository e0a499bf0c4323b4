import { isMotorcycle, type Vehicle } from '@pincer/core/vehicle';

/** A group of causes or checks that some vehicles have nothing to do with. */
interface NotFitted {
  /** Whether this vehicle lacks it. What is not known rules nothing out. */
  lacks: (vehicle: Vehicle) => boolean;
  causes: readonly string[];
  /** Checks that make no sense there, although a cause that they speak of can be there. */
  checks: readonly string[];
}

/** What only some vehicles have, beyond what their fuel and gearbox rule out. */
export const NOT_FITTED: readonly NotFitted[] = [
  {
    // A motorcycle works its brakes by hand and foot alone: no booster, no vacuum for one, no electric parking brake.
    lacks: isMotorcycle,
    causes: [
      'brake-booster-leak',
      'booster-hose',
      'booster-sensor',
      'vacuum-pump',
      'vacuum-tank',
      'parking-brake-motor',
      'parking-brake-on',
    ],
    checks: [],
  },
  {
    // A motorcycle’s alternator sits on the crankshaft: no belt, no pulley, no separate regulator line.
    lacks: isMotorcycle,
    causes: ['alternator', 'drive-belt', 'alternator-belt-pulley', 'alternator-clutch', 'alternator-line'],
    checks: [],
  },
  {
    // A motorcycle has no cabin: no air conditioning, doors, windows, belts, steering wheel or steering assistance.
    lacks: isMotorcycle,
    causes: [
      'ac-gas-low',
      'ac-sensor',
      'ac-sensor-wire',
      'ac-clutch',
      'ac-relay',
      'door-lock-water',
      'window-learn',
      'airbag-plug',
      'belt-buckle',
      'clock-spring',
      'seat-mat',
      'steering-assist',
      'steering-pump',
      'steering-pump-sensor',
      'steering-motor',
      'steering-angle',
      'steering-angle-sensor',
      'tracking',
    ],
    checks: [],
  },
  {
    // A motorcycle drives one wheel.
    lacks: isMotorcycle,
    causes: ['four-wheel-motor', 'tyres-four-wheel'],
    checks: [],
  },
  {
    // An engine that breathes by itself has no charge air, no turbocharger and nothing that steers one.
    lacks: ({ aspiration }) => aspiration === 'natural',
    causes: [
      'charge-hose',
      'charge-cooler',
      'charge-heat-sensor',
      'vacuum-boost',
      'boost-valve',
      'boost-sensor',
      'boost-sensor-wire',
      'boost-bypass',
      'turbo-vanes',
      'turbo-worn',
      'turbo-speed-sensor',
    ],
    checks: [],
  },
  {
    // A diesel has no mixture that is steered by trims, no sparks, and a compression that no petrol gauge takes; an electric vehicle has no engine that breathes.
    lacks: ({ fuel }) => fuel === 'diesel' || fuel === 'electric',
    causes: [],
    checks: [
      'trims-compare',
      'hose-pinch',
      'oxygen-swing',
      'oxygen-rear-snap',
      'maf-clean',
      'plug-look',
      'swap-plugs',
      'spark-test',
      'compression-test',
    ],
  },
];

/** Ids of the causes, or of the checks, that this vehicle has nothing to do with. */
export function notFitted(vehicle: Vehicle, of: 'causes' | 'checks'): ReadonlySet<string> {
  return new Set(NOT_FITTED.flatMap((group) => (group.lacks(vehicle) ? group[of] : [])));
}
