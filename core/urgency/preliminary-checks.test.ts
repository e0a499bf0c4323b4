import { foldCase } from '@pincer/core/case';
import { checkById } from '@pincer/core/knowledge';
import { CAR, makeCase, saw } from '../test/make-case.ts';
import { PRELIMINARY_CHECKS, preliminaryChecks } from './index.ts';

const lit = (lamp: 'engine' | 'brakes' | 'airbag' | 'tyre' | 'charging') =>
  ({ kind: 'lamp', lamp, mode: 'steady' }) as const;
const ids = (entries: Parameters<typeof makeCase>, vehicle = CAR) =>
  preliminaryChecks(foldCase(makeCase(...entries)), vehicle).map((t) => t.id);

describe('the cheap things first', () => {
  test('come from the lamp and from what came before', () => {
    expect(ids([])).toEqual([]);
    expect(ids([lit('engine'), saw('before:refuelled')])).toEqual(['oil', 'fuel-cap']);
    expect(ids([lit('engine'), saw('before:refuelled', 'no')])).toEqual(['oil']);
    expect(ids([lit('engine'), saw('before:worked-on')])).toEqual(['oil', 'connectors', 'intake-hose']);
    expect(ids([lit('brakes')])).toEqual(['parking-brake', 'brake-fluid']);
    expect(ids([saw('sign:long-pedal')])).toEqual(['brake-fluid']);
    expect(ids([lit('airbag')])).toEqual(['seat']);
    expect(ids([lit('charging')])).toEqual(['battery', 'belt']);
  });

  test('leave out what the vehicle does not have, and what has been done', () => {
    expect(ids([lit('engine'), saw('before:refuelled')], { ...CAR, fuel: 'electric' })).toEqual([]);
    expect(ids([lit('engine'), saw('before:refuelled')], { ...CAR, fuel: 'diesel' })).toEqual(['oil']);
    expect(ids([lit('tyre'), { kind: 'check', check: 'tyre-pressures', outcome: 'alike' }])).toEqual([]);
  });

  test('name checks that exist, so that a result can be noted', () => {
    const named = PRELIMINARY_CHECKS.flatMap((t) => t.check ?? []);
    expect(named.length).toBeGreaterThan(8);
    expect(named.filter((id) => checkById(id)?.scope !== 'engine')).toEqual([]);
  });
});
