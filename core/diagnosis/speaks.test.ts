import { CAUSES, CHECKS, OBSERVATIONS, observationKind, type ObservationKey } from '@pincer/core/knowledge';
import type { Vehicle } from '@pincer/core/vehicle';
import { CAR, NOW } from '../test/make-case.ts';
import { instancesFor, posteriorOf, type CauseInstance, type Evidence } from './index.ts';

const VEHICLES: readonly Vehicle[] = [
  { ...CAR, gearbox: 'automatic' },
  { ...CAR, fuel: 'diesel', aspiration: 'turbo', kind: 'van' },
  { ...CAR, fuel: 'hybrid', gearbox: 'automatic' },
  { ...CAR, fuel: 'lpg' },
  { ...CAR, kind: 'motorcycle', cylinders: 2 },
];
const ALL = VEHICLES.map((v) => instancesFor(v, NOW));

/** The first vehicle that can have a cause, and its place among that vehicle's. */
function placeOf(id: string): { all: CauseInstance[]; index: number } | null {
  for (const all of ALL) {
    const index = all.findIndex((i) => i.cause.id === id);
    if (index >= 0) return { all: [...all], index };
  }
  return null;
}
const evidence = (key: ObservationKey, isPresent: boolean, cylinder: number | null): Evidence => ({
  kind: 'observation',
  fact: key,
  key,
  cylinder,
  isPresent,
});

test('every cause can be had by some vehicle', () => {
  expect(CAUSES.length).toBeGreaterThan(250);
  expect(CAUSES.filter((c) => placeOf(c.id) === null).map((c) => c.id)).toEqual([]);
});

/** Odds of a cause against none of them: others may be the likelier reason, against the rest of the world it gains. */
function oddsOf({ all, index }: { all: CauseInstance[]; index: number }, list: Evidence[]): number {
  const posterior = posteriorOf(all, list);
  return (posterior.marginals[index] ?? 0) / posterior.none;
}

test('what a cause brings about supports it when it is seen, and never for it when it is not', () => {
  let looked = 0;
  const wrong: string[] = [];
  for (const cause of CAUSES) {
    const place = placeOf(cause.id);
    if (!place) continue;
    const before = oddsOf(place, []);
    const cylinder = place.all[place.index]?.cylinder ?? null;
    for (const key of Object.keys(cause.effects) as ObservationKey[]) {
      // A stored condition is a circumstance: it may well be rarer under a cause than otherwise.
      if (observationKind(key).isCircumstance) continue;
      const at = key.endsWith('-same') ? cylinder : null;
      looked++;
      if (oddsOf(place, [evidence(key, true, at)]) < before * 0.999) wrong.push(`${cause.id}: ${key} seen`);
      if (oddsOf(place, [evidence(key, false, at)]) > before * 1.001)
        wrong.push(`${cause.id}: ${key} absent`);
    }
  }
  expect(looked).toBeGreaterThan(1_000);
  expect(wrong).toEqual([]);
});

test('every check moves each cause that it speaks of, one way with one result and the other way with another', () => {
  const still: string[] = [];
  for (const check of CHECKS) {
    for (const id of Object.keys(check.given)) {
      const place = placeOf(id);
      if (!place) continue;
      const at = check.scope === 'engine' ? null : (place.all[place.index]?.cylinder ?? 1);
      const before = oddsOf(place, []);
      const ratios = check.outcomes.map(
        (_, outcome) =>
          oddsOf(place, [{ kind: 'check', fact: 'check', check, cylinder: at, outcome }]) / before,
      );
      const [most, least] = [Math.max(...ratios), Math.min(...ratios)];
      if (most < 1.02 || least > 0.95 || most / least < 1.5)
        still.push(`${check.id} for ${id}: ${ratios.map((r) => r.toFixed(2)).join(', ')}`);
    }
  }
  expect(still).toEqual([]);
});

test('every observation is brought about by something, and each of the owner’s has its question', () => {
  const brought = new Set(CAUSES.flatMap((c) => Object.keys(c.effects)));
  const keys = Object.keys(OBSERVATIONS) as ObservationKey[];
  expect(keys.length).toBeGreaterThan(100);
  expect(keys.filter((k) => !brought.has(k))).toEqual([]);
  expect(keys.filter((k) => observationKind(k).side === 'owner' && !observationKind(k).ask)).toEqual([]);
});
