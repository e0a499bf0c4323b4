import { NOW } from '../test/make-case.ts';
import { SITUATIONS, caseOf, expectedIn, vehicleOf } from '../test/situations.ts';
import { assess } from './index.ts';

test.each(SITUATIONS.map((s) => [s[0], s] as const))('%s', (_, situation) => {
  const first = assess(caseOf(situation), vehicleOf(situation), NOW)
    .causes.slice(0, situation[4] ?? 3)
    .map((c) => c.id);
  expect({ first, hit: expectedIn(situation).some((e) => first.includes(e)) }).toMatchObject({ hit: true });
});
