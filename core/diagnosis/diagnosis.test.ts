import fc from 'fast-check';
import { DEFAULT_OWNER } from '@pincer/core/case';
import { CHECKS, checkById, observationKind, type Check, type ObservationKey } from '@pincer/core/knowledge';
import { CAR, NOW } from '../test/make-case.ts';
import {
  CHECK_WORTH_IT,
  PRIOR_SHARES,
  evidenceRatios,
  instancesFor,
  likelihood,
  outcomeChances,
  posteriorOf,
  rankChecks,
  repairPlan,
  strengthOf,
  type CauseInstance,
  type Evidence,
} from './index.ts';
import { forecasts } from './forecasts.ts';
import { likelihoods } from './likelihoods.ts';
import { causesOf, hypothesesUnder, type Hypotheses } from './hypothesis.ts';

const all = instancesFor(CAR, NOW);
const pick = (...ids: string[]): CauseInstance[] =>
  ids.map((id) => all.find((i) => i.id === id)).filter((i): i is CauseInstance => i !== undefined);
const seen = (key: ObservationKey, isPresent = true, cylinder: number | null = null): Evidence => ({
  kind: 'observation',
  fact: key,
  key,
  cylinder,
  isPresent,
});
const checked = (id: string, outcome: number, cylinder: number | null = null): Evidence => ({
  kind: 'check',
  fact: id,
  check: checkById(id) as Check,
  cylinder,
  outcome,
});

const KEYS: ObservationKey[] = [
  'code:lean',
  'code:misfire-several',
  'sign:hiss',
  'sign:shakes',
  'reading:lean-idle',
  'before:worked-on',
  'frame:load',
];

describe('causes of a vehicle', () => {
  test('one for each cylinder, none that its fuel rules out', () => {
    expect(all.filter((i) => i.cause.id === 'coil').map((i) => i.id)).toEqual([
      'coil:1',
      'coil:2',
      'coil:3',
      'coil:4',
    ]);
    expect(
      instancesFor({ ...CAR, fuel: 'diesel' }, NOW).some(
        (i) => i.cause.system === 'ignition' && i.cause.id.startsWith('coil'),
      ),
    ).toBe(false);
    expect(instancesFor({ ...CAR, cylinders: 3 }, NOW).filter((i) => i.cause.id === 'plug')).toHaveLength(3);
  });

  test('distance and age move the priors', () => {
    const young = instancesFor({ ...CAR, distanceKm: 20_000, year: 2025 }, NOW);
    const of = (list: CauseInstance[], id: string) => list.find((i) => i.id === id)?.prior ?? 0;
    expect(of(all, 'coil-boot:2')).toBeGreaterThan(of(young, 'coil-boot:2'));
    expect(of(all, 'maf-unplugged')).toBe(of(young, 'maf-unplugged'));
  });

  test('a code of one cylinder speaks of that cylinder’s causes', () => {
    const [two, three, set] = pick('coil:2', 'coil:3', 'plugs-overdue');
    expect(strengthOf(two as CauseInstance, 'code:misfire-same', 2)).toBeGreaterThan(0.8);
    expect(strengthOf(three as CauseInstance, 'code:misfire-same', 2)).toBe(0);
    expect(strengthOf(set as CauseInstance, 'code:misfire-same', 2)).toBeCloseTo(0.35);
  });
});

describe('the noisy-OR', () => {
  test('the formula: leak and strengths hide together', () => {
    const [hose, boot] = pick('vacuum-hose-off', 'coil-boot:2');
    const leak = observationKind('sign:hiss').leak;
    const s = (hose as CauseInstance).cause.effects['sign:hiss'] ?? 0;
    expect(likelihood(seen('sign:hiss'), [])).toBeCloseTo(leak, 12);
    expect(likelihood(seen('sign:hiss'), pick('vacuum-hose-off'))).toBeCloseTo(1 - (1 - leak) * (1 - s), 12);
    expect(likelihood(seen('sign:hiss', false), [hose, boot] as CauseInstance[])).toBeCloseTo(
      (1 - leak) * (1 - s),
      12,
    );
  });

  test('more causes never make an observation less likely, and never beyond certain', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...KEYS.filter((k) => k !== 'frame:load')),
        fc.constantFrom(...all),
        fc.constantFrom(...all),
        (key, a, b) => {
          const [none, one, two] = [[], [a], [a, b]].map((set) => likelihood(seen(key), set)) as [
            number,
            number,
            number,
          ];
          expect(none).toBeLessThanOrEqual(one + 1e-12);
          expect(one).toBeLessThanOrEqual(two + 1e-12);
          expect(two).toBeLessThanOrEqual(1);
        },
      ),
    );
  });

  test('a stored condition is that of one of the causes, not an effect that adds up', () => {
    const [boot, cam] = pick('coil-boot:2', 'cam-sensor');
    const base = observationKind('frame:load').leak;
    expect(likelihood(seen('frame:load'), [])).toBe(base);
    expect(likelihood(seen('frame:load'), [cam] as CauseInstance[])).toBe(base);
    expect(likelihood(seen('frame:load'), [boot, cam] as CauseInstance[])).toBeCloseTo((0.6 + base) / 2, 12);
  });

  test('outcomes of a check are a distribution for any two causes', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...CHECKS),
        fc.constantFrom(...all),
        fc.constantFrom(...all),
        (check, a, b) => {
          const row = outcomeChances(check, check.scope === 'cylinder' ? 2 : null, [a, b]);
          expect(row.reduce((x, y) => x + y, 0)).toBeCloseTo(1, 9);
          for (const p of row) expect(p).toBeGreaterThanOrEqual(0);
        },
      ),
    );
  });
});

describe('the posterior', () => {
  /** The same, by the definition and without any of the short cuts. */
  function naive(instances: readonly CauseInstance[], evidence: readonly Evidence[]): number[] {
    const sets: number[][] = [[]];
    instances.forEach((_, i) => sets.push([i]));
    // A pair counts when something that was seen is likelier or less likely with each of its causes.
    const isSeen = (i: number) =>
      evidence.some((e) => {
        if (e.kind === 'observation' && (!e.isPresent || e.key.startsWith('frame:'))) return false;
        const variants =
          e.kind === 'check' ? e.check.outcomes.map((_, outcome): Evidence => ({ ...e, outcome })) : [e];
        return variants.some((v) => likelihood(v, [instances[i] as CauseInstance]) !== likelihood(v, []));
      });
    instances.forEach((_, i) =>
      instances.forEach((__, j) => j > i && isSeen(i) && isSeen(j) && sets.push([i, j])),
    );
    const sum = instances.reduce((s, i) => s + i.prior, 0);
    const share = (i = 0) => (instances[i]?.prior ?? 0) / sum;
    let pairs = 0;
    instances.forEach((_, i) => instances.forEach((__, j) => (pairs += i < j ? share(i) * share(j) : 0)));
    const weight = (set: number[]) => {
      const prior =
        set.length === 0
          ? PRIOR_SHARES.none
          : set.length === 1
            ? PRIOR_SHARES.one * share(set[0])
            : (PRIOR_SHARES.two * share(set[0]) * share(set[1])) / pairs;
      return evidence.reduce(
        (w, e) =>
          w *
          likelihood(
            e,
            set.map((i) => instances[i] as CauseInstance),
          ),
        prior,
      );
    };
    const weights = sets.map(weight);
    const total = weights.reduce((a, b) => a + b, 0);
    return instances.map((_, i) =>
      sets.reduce((p, s, h) => p + (s.includes(i) ? (weights[h] ?? 0) / total : 0), 0),
    );
  }

  const few = pick(
    'coil-boot:2',
    'coil:2',
    'plug:2',
    'vacuum-hose-off',
    'maf-dirty',
    'fuel-pump-weak',
    'bad-fuel',
    'plugs-overdue',
  );
  const anyEvidence = fc.oneof(
    fc.tuple(fc.constantFrom(...KEYS), fc.boolean()).map(([key, present]) => seen(key, present)),
    fc
      .tuple(fc.integer({ min: 1, max: 4 }), fc.boolean())
      .map(([cylinder, present]) => seen('code:misfire-same', present, cylinder)),
    fc.nat(2).map((o) => checked('swap-coils', o, 2)),
    fc.nat(3).map((o) => checked('trims-compare', o)),
  );

  test('what can be there sums to one in any vehicle, and "none of these" has its share', () => {
    expect(PRIOR_SHARES.one + PRIOR_SHARES.two + PRIOR_SHARES.none).toBeCloseTo(1, 12);
    for (const fuel of ['petrol', 'diesel', 'electric', 'unknown'] as const)
      for (const kind of ['car', 'van', 'motorcycle'] as const) {
        const all = instancesFor({ ...CAR, fuel, kind }, NOW);
        const { none, marginals } = posteriorOf(all, []);
        // Of nothing that was seen no pair is looked at: their share is the singles'.
        expect(none).toBeCloseTo(PRIOR_SHARES.none / (1 - PRIOR_SHARES.two), 9);
        expect(marginals.reduce((s, p) => s + p, 0)).toBeCloseTo(1 - none, 9);
      }
  });

  test('agrees with the definition for any evidence', () => {
    fc.assert(
      fc.property(fc.array(anyEvidence, { maxLength: 8 }), (evidence) => {
        const { marginals, none, weights } = posteriorOf(few, evidence);
        naive(few, evidence).forEach((p, i) => expect(marginals[i]).toBeCloseTo(p, 9));
        expect(weights.reduce((a, b) => a + b, 0)).toBeCloseTo(1, 9);
        expect(none).toBeGreaterThanOrEqual(0);
      }),
    );
  });

  /** The causes of each hypothesis. */
  const setsOf = (hypotheses: Hypotheses): number[][] =>
    Array.from(hypotheses.first, (_, h) => causesOf(hypotheses, h));

  test('a hypothesis stands under each of its causes, and under none where it has none', () => {
    const { hypotheses } = posteriorOf(few, [seen('code:misfire-same', true, 2), seen('sign:hiss')], 0.5);
    const sets = setsOf(hypotheses);
    expect(sets.some((s) => s.length === 2)).toBe(true);
    hypothesesUnder(hypotheses).forEach((under, i) => {
      const mine = sets.flatMap((s, h) => ((i === few.length ? s.length === 0 : s.includes(i)) ? [h] : []));
      expect([...under]).toEqual(mine);
    });
  });

  test('what is told for all hypotheses at once is the likelihood of each', () => {
    const anyKind = fc.oneof(
      { weight: 3, arbitrary: anyEvidence },
      fc.constantFrom<Evidence>(
        { kind: 'came-back', fact: 'again', cause: 'coil-boot:2' },
        { kind: 'returned', fact: 'again', comesAndGoes: true },
        { kind: 'returned', fact: 'again', comesAndGoes: false },
        { kind: 'stays-lit', fact: 'lit' },
        { kind: 'bulletin', fact: 'maker', causes: ['coil-boot', 'maf-dirty'] },
      ),
    );
    fc.assert(
      fc.property(anyKind, anyEvidence, (e, other) => {
        const { hypotheses } = posteriorOf(few, [e, other, seen('code:misfire-several')]);
        const { base, at, chances } = likelihoods(e, few, hypotheses, hypothesesUnder(hypotheses));
        const listed = new Map(Array.from(at, (h, n) => [h, chances[n] ?? NaN]));
        expect(listed.size).toBe(at.length);
        setsOf(hypotheses).forEach((causes, h) => {
          const named = causes.flatMap((c) => few[c] ?? []);
          expect(listed.get(h) ?? base).toBeCloseTo(likelihood(e, named), 12);
        });
      }),
    );
  });

  test('what each result of a check would say is the sum over all hypotheses', () => {
    fc.assert(
      fc.property(anyEvidence, fc.constantFrom(...CHECKS), (e, check) => {
        const posterior = posteriorOf(few, [e]);
        const { hypotheses, weights } = posterior;
        const sets = setsOf(hypotheses);
        const cylinder = check.scope === 'cylinder' ? 2 : null;
        const said = forecasts(check, cylinder, few, posterior, hypothesesUnder(hypotheses));
        check.outcomes.forEach((_, o) => {
          const joint = Float64Array.from(sets, (causes, h) => {
            const named = causes.flatMap((i) => few[i] ?? []);
            return (weights[h] ?? 0) * (outcomeChances(check, cylinder, named)[o] ?? 0);
          });
          const chance = joint.reduce((a, b) => a + b, 0);
          expect(said[o]?.chance).toBeCloseTo(chance, 12);
          few.forEach((_, i) => {
            const then = sets.reduce((s, causes, n) => s + (causes.includes(i) ? (joint[n] ?? 0) : 0), 0);
            if (chance > 0) expect(said[o]?.marginals[i]).toBeCloseTo(then / chance, 9);
          });
        });
      }),
    );
  });

  test('the order of evidence does not matter', () => {
    fc.assert(
      fc.property(fc.array(anyEvidence, { minLength: 2, maxLength: 6 }), (evidence) => {
        const a = posteriorOf(few, evidence).marginals;
        const b = posteriorOf(few, [...evidence].reverse()).marginals;
        a.forEach((p, i) => expect(b[i]).toBeCloseTo(p, 9));
      }),
    );
  });

  test('a ratio is the odds with the evidence over the odds without it, for one piece or several', () => {
    const odds = (p: number) => p / (1 - p);
    fc.assert(
      fc.property(
        fc.array(anyEvidence, { minLength: 2, maxLength: 6 }),
        fc.integer({ min: 1, max: 2 }),
        (some, count) => {
          // What brings the causes into play stays, so that the same hypotheses are compared.
          const evidence = [...some.slice(0, count), ...some];
          const withIt = posteriorOf(few, evidence);
          const without = posteriorOf(few, some);
          const left = Array.from({ length: count }, (_, n) => n);
          evidenceRatios(withIt, left).forEach((r, i) => {
            const [p, q] = [withIt.marginals[i] ?? 0, without.marginals[i] ?? 0];
            // Beyond this a chance is as good as certain, and its odds are cut off.
            if (q < 1e-9 || p < 1e-9 || q > 1 - 1e-6 || p > 1 - 1e-6) return;
            expect(r / (odds(p) / odds(q))).toBeCloseTo(1, 6);
          });
          // Asking leaves nothing behind: the same again is the same.
          expect(evidenceRatios(withIt, left)).toEqual(evidenceRatios(withIt, left));
        },
      ),
    );
  });

  test('a fact that says nearly all, left out, leaves odds that are numbers', () => {
    for (const key of ['code:misfire-same', 'code:injector-same'] as const)
      for (let times = 1; times <= 12; times++) {
        const same = Array.from({ length: times }, () => seen(key, true, 2));
        for (const ratio of evidenceRatios(posteriorOf(all, same), [...same.keys()])) {
          expect(Number.isFinite(ratio)).toBe(true);
          expect(ratio).toBeGreaterThan(0);
        }
      }
  });

  test('a hundred pieces of evidence do not underflow', () => {
    const evidence = Array.from({ length: 120 }, () => checked('swap-plugs', 1, 2));
    const { marginals } = posteriorOf(few, evidence);
    expect(marginals[2]).toBeGreaterThan(0.99);
  });
});

describe('expected cost of repair', () => {
  test('tries in the order of chance over cost, and stops where a workshop is cheaper', () => {
    // 0.6/20 > 0.3/30 > 0.1/100: after two tries 0.1 is left, and 100 more would cost more than 0.1 x 150.
    const plan = repairPlan(
      Float64Array.from([0.3, 0.6, 0.1]),
      Float64Array.from([30, 20, 2000]),
      { cost: 150, raise: 0 },
      1,
    );
    expect(plan.order).toEqual([1, 0]);
    expect(plan.cost).toBeCloseTo(20 + 0.4 * 30 + 0.1 * 150, 9);
    expect(plan.success).toBeCloseTo(0.9, 9);
  });

  test('is never above the workshop, and no order does better', () => {
    const permutations = (list: number[]): number[][] =>
      list.length < 2
        ? [list]
        : list.flatMap((x, i) =>
            permutations([...list.slice(0, i), ...list.slice(i + 1)]).map((p) => [x, ...p]),
          );
    const chance = fc.double({ min: 0.01, max: 1, noNaN: true });
    fc.assert(
      fc.property(
        fc.array(fc.tuple(chance, fc.double({ min: 1, max: 300, noNaN: true })), {
          minLength: 1,
          maxLength: 5,
        }),
        fc.double({ min: 20, max: 500, noNaN: true }),
        (pairs, service) => {
          const mass = pairs.reduce((s, [p]) => s + p, 0);
          const chances = Float64Array.from(pairs, ([p]) => p / mass);
          const costs = Float64Array.from(pairs, ([, c]) => c);
          const plan = repairPlan(chances, costs, { cost: service, raise: 0 }, 1);
          expect(plan.cost).toBeLessThanOrEqual(service + 1e-9);
          for (const order of permutations(pairs.map((_, i) => i))) {
            let left = 1;
            let spent = 0;
            for (const i of order) {
              spent += left * (costs[i] ?? 0);
              left -= chances[i] ?? 0;
              expect(plan.cost).toBeLessThanOrEqual(spent + Math.max(0, left) * service + 1e-9);
            }
          }
        },
      ),
    );
  });
});

describe('the next best check', () => {
  const misfire = [
    seen('code:misfire-same', true, 2),
    ...[1, 3, 4].map((c) => seen('code:misfire-same', false, c)),
    seen('sign:shakes'),
  ];

  test('outcomes sum to one, none is done twice, the best comes first', () => {
    const posterior = posteriorOf(all, misfire);
    const list = rankChecks(posterior, new Set(['boot-look:2']), CAR, DEFAULT_OWNER);
    expect(list.length).toBeGreaterThan(5);
    expect(list.some((c) => c.id === 'boot-look:2')).toBe(false);
    for (const c of list) expect(c.outcomes.reduce((p, o) => p + o.chance, 0)).toBeCloseTo(1, 6);
    const worth = list.filter((c) => c.gain >= CHECK_WORTH_IT);
    expect(list.slice(0, worth.length)).toEqual(worth.sort((a, b) => b.gain - a.gain));
    expect(list.slice(0, 4).every((c) => c.cylinder === 2 || c.cylinder === null)).toBe(true);
  });

  test('looks at cylinder 2 before the others, and names another one to swap with', () => {
    const swap = rankChecks(posteriorOf(all, misfire), new Set(), CAR, DEFAULT_OWNER).find(
      (c) => c.check.id === 'swap-coils',
    );
    expect(swap?.title).toBe('Swap coils 2 and 3, drive 5 minutes, read again');
    expect(swap?.outcomes.find((o) => o.id === 'moves')?.title).toBe('It moves to 3');
  });

  test('checks that want a drive wait while the car may not be driven', () => {
    const ids = (mayDrive: boolean) =>
      rankChecks(posteriorOf(all, misfire), new Set(), CAR, DEFAULT_OWNER, mayDrive).map((c) => c.check.id);
    expect(ids(true)).toContain('swap-coils');
    expect(ids(false)).not.toContain('swap-coils');
    // Whatever says so in its text is marked.
    for (const c of CHECKS) {
      if (
        /\b[Dd]rive\b|on the road|at a steady|passenger/.test(
          `${c.title} ${c.how}`.replace(/(timing|four-wheel|electric) drive|drive (belt|motor|modes)/g, ''),
        )
      )
        expect([c.id, c.needsDriving]).toEqual([c.id, true]);
      if (c.needsDriving && c.id !== 'full-charge' && c.id !== 'level-jump')
        expect(c.cautions).not.toContain('exhaust-gas');
    }
  });

  test('the cause is sure: no figure says a check saves, and the cheap look still comes before the part', () => {
    const open = [seen('code:clutch-switch')];
    const posterior = posteriorOf(all, open);
    expect(posterior.marginals[all.findIndex((i) => i.id === 'clutch-switch')]).toBeGreaterThan(0.8);
    const [first, ...rest] = rankChecks(posterior, new Set(), CAR, DEFAULT_OWNER);
    // The likeliest hypotheses alone are compared before and after: what they leave out is nobody's gain.
    expect(Math.max(...[first, ...rest].map((c) => c?.gain ?? 0))).toBeLessThan(0.3);
    expect(first?.check.given['clutch-switch']).toBeDefined();
    expect(first?.spares).toBeGreaterThan(first?.cost ?? 0);
    expect(rest.every((c) => c.spares === null)).toBe(true);
    const looked = rankChecks(posterior, new Set([first?.id ?? '']), CAR, DEFAULT_OWNER);
    expect(looked.every((c) => c.spares === null)).toBe(true);
  });

  test('a check of what has next to no part in it saves nothing, however little it costs', () => {
    const posterior = posteriorOf(all, [seen('code:misfire-several')]);
    const list = rankChecks(posterior, new Set(), CAR, DEFAULT_OWNER);
    for (const id of ['pedal-hard', 'stick-smell', 'coolant-level', 'booster-press'])
      expect(list.find((c) => c.check.id === id)?.gain ?? 0).toBeLessThanOrEqual(0);
  });

  test('a tool to be bought makes a check worth less', () => {
    const posterior = posteriorOf(all, [seen('code:lean'), seen('reading:lean-load')]);
    const gain = (tools: string[]) =>
      rankChecks(posterior, new Set(), CAR, { ...DEFAULT_OWNER, tools }).find((c) => c.id === 'fuel-pressure')
        ?.gain ?? 0;
    expect(gain(['fuel-gauge'])).toBeGreaterThan(gain([]));
    expect(gain(['fuel-gauge']) - gain([])).toBeGreaterThan(10);
  });
});
