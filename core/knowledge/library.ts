import { RETIRED_CHECKS } from './systems/retired-checks.ts';
import { withTwinChecks, withTwins } from './systems/twins.ts';
import { IGNITION_CAUSES } from './systems/ignition-causes.ts';
import { IGNITION_CHECKS } from './systems/ignition-checks.ts';
import { ENGINE_CAUSES } from './systems/engine-causes.ts';
import { ENGINE_CHECKS } from './systems/engine-checks.ts';
import { AIR_CAUSES } from './systems/air-causes.ts';
import { AIR_CHECKS } from './systems/air-checks.ts';
import { COOLING_CAUSES } from './systems/cooling-causes.ts';
import { COOLING_CHECKS } from './systems/cooling-checks.ts';
import { FUEL_CAUSES } from './systems/fuel-causes.ts';
import { FUEL_CHECKS } from './systems/fuel-checks.ts';
import { EXHAUST_CAUSES } from './systems/exhaust-causes.ts';
import { EXHAUST_CHECKS } from './systems/exhaust-checks.ts';
import { ELECTRICAL_CAUSES } from './systems/electrical-causes.ts';
import { ELECTRICAL_CHECKS } from './systems/electrical-checks.ts';
import { OIL_CAUSES } from './systems/oil-causes.ts';
import { OIL_CHECKS } from './systems/oil-checks.ts';
import { DIESEL_CAUSES } from './systems/diesel-causes.ts';
import { DIESEL_CHECKS } from './systems/diesel-checks.ts';
import { CHASSIS_CAUSES } from './systems/chassis-causes.ts';
import { CHASSIS_CHECKS } from './systems/chassis-checks.ts';
import { BOOST_CAUSES } from './systems/boost-causes.ts';
import { BOOST_CHECKS } from './systems/boost-checks.ts';
import { GENERIC_CAUSES } from './systems/generic-causes.ts';
import { GENERIC_CHECKS } from './systems/generic-checks.ts';
import { AFTERTREATMENT_CAUSES } from './systems/aftertreatment-causes.ts';
import { AFTERTREATMENT_CHECKS } from './systems/aftertreatment-checks.ts';
import { INJECTION_CAUSES } from './systems/injection-causes.ts';
import { INJECTION_CHECKS } from './systems/injection-checks.ts';
import { EVAP_CAUSES } from './systems/evap-causes.ts';
import { EVAP_CHECKS } from './systems/evap-checks.ts';
import { SPARK_AND_TIMING_CAUSES } from './systems/spark-and-timing-causes.ts';
import { SPARK_AND_TIMING_CHECKS } from './systems/spark-and-timing-checks.ts';
import { THROTTLE_CAUSES } from './systems/throttle-causes.ts';
import { AIR_PATH_CAUSES } from './systems/air-path-causes.ts';
import { EXHAUST_PATH_CAUSES } from './systems/exhaust-path-causes.ts';
import { FLUIDS_CAUSES } from './systems/fluids-causes.ts';
import { MOTORCYCLE_ELECTRICS_CAUSES } from './systems/motorcycle-electrics-causes.ts';
import { THROTTLE_CHECKS } from './systems/throttle-checks.ts';
import { AIR_PATH_CHECKS } from './systems/air-path-checks.ts';
import { EXHAUST_PATH_CHECKS } from './systems/exhaust-path-checks.ts';
import { FLUIDS_CHECKS } from './systems/fluids-checks.ts';
import { MOTORCYCLE_ELECTRICS_CHECKS } from './systems/motorcycle-electrics-checks.ts';
import { INPUTS_CAUSES } from './systems/inputs-causes.ts';
import { INPUTS_CHECKS } from './systems/inputs-checks.ts';
import { SUPPLY_CAUSES } from './systems/supply-causes.ts';
import { SUPPLY_CHECKS } from './systems/supply-checks.ts';
import { GEARBOX_CAUSES } from './systems/gearbox-causes.ts';
import { GEARBOX_CHECKS } from './systems/gearbox-checks.ts';
import { STABILITY_CAUSES } from './systems/stability-causes.ts';
import { STABILITY_CHECKS } from './systems/stability-checks.ts';
import { HYBRID_CAUSES } from './systems/hybrid-causes.ts';
import { HYBRID_CHECKS } from './systems/hybrid-checks.ts';
import { withNoticed } from './systems/noticed-signs.ts';
import type { Cause, Check } from './types.ts';

/** All causes, one file of them for each system of the vehicle. */
export const CAUSES: readonly Cause[] = withNoticed(
  withTwins([
    ...IGNITION_CAUSES,
    ...ENGINE_CAUSES,
    ...AIR_CAUSES,
    ...COOLING_CAUSES,
    ...FUEL_CAUSES,
    ...EXHAUST_CAUSES,
    ...ELECTRICAL_CAUSES,
    ...CHASSIS_CAUSES,
    ...AFTERTREATMENT_CAUSES,
    ...GENERIC_CAUSES,
    ...BOOST_CAUSES,
    ...DIESEL_CAUSES,
    ...OIL_CAUSES,
    ...INJECTION_CAUSES,
    ...EVAP_CAUSES,
    ...SPARK_AND_TIMING_CAUSES,
    ...THROTTLE_CAUSES,
    ...AIR_PATH_CAUSES,
    ...EXHAUST_PATH_CAUSES,
    ...FLUIDS_CAUSES,
    ...INPUTS_CAUSES,
    ...MOTORCYCLE_ELECTRICS_CAUSES,
    ...SUPPLY_CAUSES,
    ...GEARBOX_CAUSES,
    ...STABILITY_CAUSES,
    ...HYBRID_CAUSES,
  ]),
);

/** All checks, by the system that they look at. */
export const CHECKS: readonly Check[] = withTwinChecks([
  ...IGNITION_CHECKS,
  ...ENGINE_CHECKS,
  ...AIR_CHECKS,
  ...COOLING_CHECKS,
  ...FUEL_CHECKS,
  ...EXHAUST_CHECKS,
  ...ELECTRICAL_CHECKS,
  ...CHASSIS_CHECKS,
  ...AFTERTREATMENT_CHECKS,
  ...GENERIC_CHECKS,
  ...BOOST_CHECKS,
  ...DIESEL_CHECKS,
  ...OIL_CHECKS,
  ...INJECTION_CHECKS,
  ...EVAP_CHECKS,
  ...SPARK_AND_TIMING_CHECKS,
  ...THROTTLE_CHECKS,
  ...AIR_PATH_CHECKS,
  ...EXHAUST_PATH_CHECKS,
  ...FLUIDS_CHECKS,
  ...INPUTS_CHECKS,
  ...MOTORCYCLE_ELECTRICS_CHECKS,
  ...SUPPLY_CHECKS,
  ...GEARBOX_CHECKS,
  ...STABILITY_CHECKS,
  ...HYBRID_CHECKS,
]);

const causes = indexed(CAUSES);
const checks = indexed([...CHECKS, ...RETIRED_CHECKS]);

/** Fails at start-up when two entries share an id. */
function indexed<T extends { id: string }>(list: readonly T[]): ReadonlyMap<string, T> {
  const map = new Map(list.map((entry) => [entry.id, entry]));
  if (map.size !== list.length) {
    const twice = list.find((entry, i) => list.findIndex((e) => e.id === entry.id) !== i);
    throw new Error(`The knowledge has two entries called ${twice?.id ?? '?'}; rename one.`);
  }
  return map;
}

/** A cause by its id without cylinder. */
export function causeById(id: string): Cause | undefined {
  return causes.get(id);
}

/** A check by its id without cylinder, also one that is not offered any more. */
export function checkById(id: string): Check | undefined {
  return checks.get(id);
}
