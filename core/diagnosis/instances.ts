import { ageOf, cylindersOf, type Vehicle } from '@pincer/core/vehicle';
import { CAUSES, notFitted, observationKind, type Cause, type ObservationKey } from '@pincer/core/knowledge';
import { atCylinder } from './cylinders.ts';

/** A cause at its place: for the engine, or for one cylinder. */
export interface CauseInstance {
  /** `coil-boot:2`, or `maf-unplugged` without a cylinder. */
  id: string;
  cause: Cause;
  cylinder: number | null;
  title: string;
  /** Prior chance, vehicle taken into account. */
  prior: number;
  /** What the owner’s own closed cases have multiplied it by; left out where they say nothing. */
  lift?: number;
}

/** Highest prior that factors may lift a cause to. */
const MAX_PRIOR = 0.3;

function priorOf(cause: Cause, vehicle: Vehicle, now: Date): number {
  let prior = cause.prior;
  const age = ageOf(vehicle, now);
  for (const { when, factor } of cause.priorFactors ?? []) {
    const holds =
      when.kind === 'distance-over'
        ? (vehicle.distanceKm ?? 0) > when.km
        : when.kind === 'age-over'
          ? age !== null && age > when.years
          : when.kind === 'fuel'
            ? vehicle.fuel === when.fuel
            : Boolean(vehicle.modifications);
    if (holds) prior *= factor;
  }
  return Math.min(prior, MAX_PRIOR);
}

/** Whether a vehicle of this fuel, kind and gearbox can have the cause. What is not known rules nothing out. */
function canHave(cause: Cause, vehicle: Vehicle): boolean {
  if (cause.fuels && !cause.fuels.includes(vehicle.fuel)) return false;
  if (cause.kinds && !cause.kinds.includes(vehicle.kind)) return false;
  return (
    !cause.gearboxes ||
    !vehicle.gearbox ||
    vehicle.gearbox === 'unknown' ||
    cause.gearboxes.includes(vehicle.gearbox)
  );
}

/** Every cause that this vehicle can have, at every place. */
export function instancesFor(vehicle: Vehicle, now: Date): CauseInstance[] {
  const instances: CauseInstance[] = [];
  const missing = notFitted(vehicle, 'causes');
  for (const cause of CAUSES) {
    if (missing.has(cause.id) || !canHave(cause, vehicle)) continue;
    const prior = priorOf(cause, vehicle, now);
    if (cause.scope === 'engine') {
      instances.push({ id: cause.id, cause, cylinder: null, title: cause.title, prior });
      continue;
    }
    for (let cylinder = 1; cylinder <= cylindersOf(vehicle); cylinder++) {
      instances.push({
        id: `${cause.id}:${cylinder}`,
        cause,
        cylinder,
        title: atCylinder(cause.title, cylinder),
        prior,
      });
    }
  }
  return instances;
}

/** Keys that speak of one cylinder. A cause of another cylinder, or of the whole engine, has its own strength. */
const SAME_CYLINDER: ReadonlySet<ObservationKey> = new Set([
  'code:misfire-same',
  'code:coil-same',
  'code:injector-same',
  'reading:misfire-same',
]);

/** The places of each cause in a list of instances, by its id. */
const placesBefore = new WeakMap<readonly CauseInstance[], ReadonlyMap<string, readonly number[]>>();

/** Where the instances of a cause stand in a list; looked up once for each list. */
export function placesOf(instances: readonly CauseInstance[]): ReadonlyMap<string, readonly number[]> {
  const known = placesBefore.get(instances);
  if (known) return known;
  const places = new Map<string, number[]>();
  instances.forEach(({ cause }, i) => {
    const own = places.get(cause.id);
    if (own) own.push(i);
    else places.set(cause.id, [i]);
  });
  placesBefore.set(instances, places);
  return places;
}

/**
 * What shows, and the causes that make it appear: the library read the other way round. A look into every cause for
 * every piece of evidence would cost a fifth of an assessment.
 */
const SHOWN_BY: ReadonlyMap<string, readonly (readonly [cause: string, strength: number])[]> = (() => {
  const by = new Map<string, [string, number][]>();
  for (const { id, effects } of CAUSES)
    for (const [key, strength] of Object.entries(effects)) {
      const causes = by.get(key);
      if (causes) causes.push([id, strength]);
      else by.set(key, [[id, strength]]);
    }
  return by;
})();

/** Strengths that were looked up before, by what they were looked up for. */
const strengthsBefore = new WeakMap<readonly CauseInstance[], Map<string, Float64Array>>();

/** {@link strengthOf} for every cause at once, in their order. Not to be written to. */
export function strengthsOf(
  instances: readonly CauseInstance[],
  key: ObservationKey,
  cylinder: number | null,
): Float64Array {
  let known = strengthsBefore.get(instances);
  if (!known) strengthsBefore.set(instances, (known = new Map<string, Float64Array>()));
  const name = `${key} ${cylinder ?? ''}`;
  let found = known.get(name);
  if (!found) known.set(name, (found = lookedUp(instances, key, cylinder)));
  return found;
}

function lookedUp(
  instances: readonly CauseInstance[],
  key: ObservationKey,
  cylinder: number | null,
): Float64Array {
  const { isCircumstance, leak } = observationKind(key);
  const places = placesOf(instances);
  const showing = (shown: ObservationKey) => SHOWN_BY.get(shown) ?? [];
  if (SAME_CYLINDER.has(key)) {
    // What is of one cylinder depends on that of each place. A cause of no cylinder shows a misfire in any of them.
    const strengths = new Float64Array(instances.length);
    const causes = [...showing(key), ...(key === 'code:misfire-same' ? showing('code:misfire-other') : [])];
    for (const [cause] of causes)
      for (const i of places.get(cause) ?? []) {
        const instance = instances[i];
        if (instance) strengths[i] = strengthOf(instance, key, cylinder);
      }
    return strengths;
  }
  const strengths = new Float64Array(instances.length).fill(isCircumstance ? leak : 0);
  for (const [cause, strength] of showing(key))
    for (const i of places.get(cause) ?? []) strengths[i] = strength;
  return strengths;
}

/**
 * Strength with which a cause makes an observation appear: P(observation | this cause alone, no leak).
 * @param cylinder the cylinder that the observation names, if any.
 */
export function strengthOf(instance: CauseInstance, key: ObservationKey, cylinder: number | null): number {
  const effects = instance.cause.effects;
  const kind = observationKind(key);
  if (!SAME_CYLINDER.has(key)) return effects[key] ?? (kind.isCircumstance ? kind.leak : 0);
  if (instance.cylinder !== null && instance.cylinder === cylinder) return effects[key] ?? 0;
  if (key !== 'code:misfire-same' || instance.cylinder !== null) return 0;
  return effects['code:misfire-other'] ?? 0;
}
