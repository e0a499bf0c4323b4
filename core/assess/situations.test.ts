import { NOW } from '../test/make-case.ts';
import { SITUATIONS, caseOf, expectedIn, vehicleOf } from '../test/situations.ts';
import { assess } from './index.ts';

test.each(SITUATIONS.map((s) => [s[0], s] as const))('%s', (_, situation) => {
  const first = assess(caseOf(situation), vehicleOf(situation), NOW)
    .causes.slice(0, situation[4] ?? 3)
    .map((c) => c.id);
  expect({ first, hit: expectedIn(situation).some((e) => first.includes(e)) }).toMatchObject({ hit: true });
});

test('one first step for every screen: the best check, or the choice that is advised and open', () => {
  for (const situation of SITUATIONS) {
    const { firstStep, checks, options, recommended, procedures } = assess(
      caseOf(situation),
      vehicleOf(situation),
      NOW,
    );
    if (firstStep.kind === 'check') {
      expect([situation[0], firstStep.check, checks[0]?.isWorthIt]).toEqual([
        situation[0],
        checks[0]?.id,
        true,
      ]);
      expect(['repair', 'help']).toContain(recommended);
    } else {
      expect([situation[0], firstStep.option]).toEqual([situation[0], recommended]);
      expect(options.find((o) => o.id === firstStep.option)?.blocked).toEqual([]);
      if (firstStep.option === 'repair') expect(firstStep.title).toBe(procedures[0]?.title);
      // Nothing that pays is left undone on the way to a repair.
      if (firstStep.option !== 'clear' && firstStep.option !== 'leave')
        expect(checks.filter((c) => c.isWorthIt)).toEqual([]);
    }
  }
});
