import { assess } from '@pincer/core/assess';
import { CAR, NOW, makeCase, makeScan, saw, scanEntry } from '../test/make-case.ts';

const CASES = {
  lean: [scanEntry(makeScan(['P0171'])), saw('sign:rough-idle')],
  misfire: [scanEntry(makeScan(['P0302'])), saw('sign:shakes')],
  unplugged: [scanEntry(makeScan(['P0102'])), saw('before:unplugged')],
  catalyst: [scanEntry(makeScan(['P0420']))],
} satisfies Record<string, Parameters<typeof makeCase>>;

describe.each(Object.keys(CASES) as (keyof typeof CASES)[])('the plan of %s', (name) => {
  const a = assess(makeCase(...CASES[name]), CAR, NOW);
  const { plan } = a;
  if (!plan) throw new Error('There is no plan.');

  test('adds up: chances to one, costs and minutes from its own branches', () => {
    expect(plan.branches.reduce((sum, b) => sum + b.chance, 0)).toBeCloseTo(1, 6);
    for (const b of plan.branches) {
      expect(b.steps.reduce((sum, s) => sum + s.cures, 0)).toBeCloseTo(1, 6);
      // Each step is reached by what the steps before it did not cure.
      b.steps.forEach((s, at) => {
        const before = b.steps.slice(0, at).reduce((sum, x) => sum + x.cures, 0);
        expect(s.reached).toBeCloseTo(1 - before, 6);
      });
      expect(b.steps.at(-1)?.kind).toBe('help');
    }
    const mean = (of: 'cost' | 'minutes') => plan.branches.reduce((sum, b) => sum + b.chance * b[of], 0);
    expect(plan.cost).toBeCloseTo((plan.check?.cost ?? 0) + mean('cost'), 6);
    expect(Math.abs(plan.minutes - (plan.check?.minutes ?? 0) - mean('minutes'))).toBeLessThan(1);
  });

  test('is the same plan as Narrow down’s first step, Fix’s order and Decide’s costs', () => {
    if (a.firstStep.kind === 'check') {
      expect(plan.check?.id).toBe(a.firstStep.check);
      const gain = a.checks[0]?.gain ?? 0;
      const cheapest = Math.min(
        ...a.options.filter((o) => o.id === 'repair' || o.id === 'help').map((o) => o.cost),
      );
      // Over the likeliest hypotheses only, which hold 99.7 % of it.
      expect(plan.cost).toBeLessThan(cheapest - gain + 0.03 * cheapest);
      expect(plan.cost).toBeGreaterThan(cheapest - gain - 0.03 * cheapest);
    } else {
      expect(plan.check).toBeNull();
      expect(plan.cost).toBe(a.options.find((o) => o.id === 'repair')?.cost);
      expect(plan.branches[0]?.steps[0]?.title).toBe(a.procedures[0]?.title);
    }
  });
});

test('under warranty there is no plan of own repairs', () => {
  const a = assess(makeCase(...CASES.lean), { ...CAR, warrantyEnds: '2027-01-01' }, NOW);
  expect(a.plan).toBeNull();
});

test('until it is fixed: what the deciding reasons ask for, and the shorter the road the sooner the next look', () => {
  const lean = assess(makeCase(...CASES.lean), CAR, NOW);
  expect(lean.untilThen).toMatchObject({ days: 14 });
  expect(lean.untilThen.dos).toEqual([
    ...new Set(lean.allowance.reasons.filter((r) => r.isDeciding).map((r) => r.then)),
  ]);
  const stop = assess(makeCase({ kind: 'lamp', lamp: 'oil', mode: 'steady' }), CAR, NOW);
  expect(stop.untilThen).toMatchObject({ days: null, stopIf: [] });
  expect(lean.untilThen.stopIf.length).toBeGreaterThan(1);
});
