import { instancesFor, posteriorOf, rankChecks } from '@pincer/core/diagnosis';
import { DEFAULT_OWNER } from '@pincer/core/case';
import { CAR, NOW } from '../test/make-case.ts';
import { CAUSES, CHECKS, NOT_FITTED } from './index.ts';

/** Everything that is said in a check. */
const wordsOf = (check: (typeof CHECKS)[number]): string =>
  [check.title, check.how, ...check.outcomes.flatMap((o) => [o.title, o.says])].join(' ');

/** Checks that any of this vehicle's causes can lead to. */
function checksOf(vehicle: typeof CAR): (typeof CHECKS)[number][] {
  const instances = instancesFor(vehicle, NOW);
  return CHECKS.filter((check) => {
    const speaksOf = instances.filter((i) => i.cause.id in check.given);
    const first = speaksOf[0];
    if (!first) return false;
    const seen = posteriorOf(speaksOf, [
      { kind: 'observation', fact: 'x', key: 'sign:shakes', cylinder: null, isPresent: true },
    ]);
    return rankChecks(seen, new Set(), vehicle, DEFAULT_OWNER).some((o) => o.check.id === check.id);
  });
}

describe('nothing is proposed that a vehicle cannot have', () => {
  test('every id is one of the library', () => {
    const [causes, checks] = [new Set(CAUSES.map((c) => c.id)), new Set(CHECKS.map((c) => c.id))];
    for (const group of NOT_FITTED) {
      expect(group.causes.filter((id) => !causes.has(id))).toEqual([]);
      expect(group.checks.filter((id) => !checks.has(id))).toEqual([]);
    }
  });

  test('no trims and no sparks on a diesel', () => {
    const diesel = checksOf({ ...CAR, fuel: 'diesel', aspiration: 'turbo' });
    expect(diesel.length).toBeGreaterThan(100);
    expect(
      diesel.filter((c) => /\btrims?\b|spark plug/i.test(`${c.title} ${c.how}`)).map((c) => c.id),
    ).toEqual([]);
  });

  test('no booster, belt-driven alternator or air conditioning on a motorcycle', () => {
    const motorcycle = instancesFor({ ...CAR, kind: 'motorcycle' }, NOW).map((i) => i.title);
    expect(
      motorcycle.filter((t) =>
        /booster|v-ribbed|alternator or its belt|air conditioning|under a seat|door/i.test(t),
      ),
    ).toEqual([]);
  });

  test('no charge air on an engine that breathes by itself, and all of it where that is not known', () => {
    const wordsFor = (aspiration: 'natural' | 'unknown') =>
      checksOf({ ...CAR, aspiration })
        .map(wordsOf)
        .filter((w) => /turbocharger|charge air|boost (?!er)/i.test(w));
    expect(
      instancesFor({ ...CAR, aspiration: 'natural' }, NOW)
        .filter((i) => /turbo|boost(?!er)|charge air/i.test(i.title))
        .map((i) => i.id),
    ).toEqual([]);
    expect(wordsFor('natural').length).toBeLessThan(wordsFor('unknown').length);
  });
});
