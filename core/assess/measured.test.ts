import fc from 'fast-check';
import { MEASUREMENTS } from '@pincer/core/knowledge';
import type { Taking } from '@pincer/core/meter';
import { CAR, NOW, makeCase, makeScan, scanEntry } from '../test/make-case.ts';
import { assess } from './index.ts';

const COLD = [{ kind: 'lamp', lamp: 'engine', mode: 'steady' } as const, scanEntry(makeScan(['P0113']))];
const sensor = (...more: Parameters<typeof makeCase>) =>
  assess(makeCase(...COLD, ...more), CAR, NOW).causes.find((c) => c.id === 'iat-failed')?.probability ?? 0;
const measured = (outcome: string, values: Taking['values'], celsius: number) =>
  sensor({ kind: 'check', check: 'iat-ohms', outcome, measured: { values, conditions: { celsius } } });

describe('a number moves the causes by how far off it is', () => {
  test('far off it says as much as “far off” told by hand, near the edge it says little', () => {
    const told = sensor({ kind: 'check', check: 'iat-ohms', outcome: 'open' });
    const before = sensor();
    const far = measured('open', ['open'], 20);
    const edge = measured('open', [3_150], 20);
    expect(told).toBeGreaterThan(before);
    expect(Math.abs(far - told)).toBeLessThan(0.05);
    expect(edge).toBeLessThan(far);
    expect(measured('right', [2_450], 20)).toBeLessThan(before);
  });

  test('the further off the likelier, and never certain', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 3_100, max: 60_000 }),
        fc.integer({ min: 1, max: 30_000 }),
        (ohms, more) => {
          const [near, far] = [measured('open', [ohms], 20), measured('open', [ohms + more], 20)];
          expect(far).toBeGreaterThanOrEqual(near - 1e-9);
          expect(far).toBeLessThan(1);
        },
      ),
      { numRuns: 20 },
    );
  });

  test('the same number on a colder day speaks the other way', () => {
    expect(measured('right', [5_500], 2)).toBeLessThan(measured('open', [5_500], 20));
  });

  test('the fact tells the number, and a number that cannot be judged leaves the told result', () => {
    const entry = (conditions: Taking['conditions']) =>
      assess(
        makeCase(...COLD, {
          kind: 'check',
          check: 'iat-ohms',
          outcome: 'open',
          measured: { values: [5_500], conditions },
        }),
        CAR,
        NOW,
      );
    const fact = (a: ReturnType<typeof entry>) => a.facts.find((f) => f.id === 'check:iat-ohms')?.detail;
    expect(fact(entry({ celsius: 20 }))).toContain('(5.5 kΩ)');
    expect(entry({}).causes).toEqual(
      assess(makeCase(...COLD, { kind: 'check', check: 'iat-ohms', outcome: 'open' }), CAR, NOW).causes,
    );
  });

  test('one set of cylinders tells of each of them', () => {
    expect(MEASUREMENTS['injector-ohms']?.values).toHaveProperty('each', 'cylinders');
    const taking: Taking = { values: [14.1, 14.2, 8, 14], conditions: {} };
    const record = (n: number, outcome: string) =>
      ({ kind: 'check', check: `injector-ohms:${n}`, outcome, measured: taking }) as const;
    const view = assess(
      makeCase(
        { kind: 'lamp', lamp: 'engine', mode: 'steady' },
        scanEntry(makeScan(['P0201', 'P0203'])),
        record(1, 'like'),
        record(2, 'like'),
        record(3, 'differs'),
        record(4, 'like'),
      ),
      CAR,
      NOW,
    );
    const chance = (n: number) => view.causes.find((c) => c.id === `injector-circuit:${n}`)?.probability ?? 0;
    expect(chance(3)).toBeGreaterThan(2 * chance(1));
    expect(chance(2)).toBe(0);
  });
});
