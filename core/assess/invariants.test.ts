import fc from 'fast-check';
import { LAMPS, type Entry, type LampId } from '@pincer/core/case';
import { describedCodes } from '@pincer/core/codes';
import { CHECKS, OBSERVATIONS } from '@pincer/core/knowledge';
import { CAR, NOW, makeCase, makeScan, scanEntry } from '../test/make-case.ts';
import { levelRank } from '@pincer/core/urgency';
import { STATIONS, assess, type Assessment } from './index.ts';

type WithoutStamp<T> = T extends Entry ? Omit<T, 'id' | 'at'> : never;
type Fact = WithoutStamp<Entry>;

const codes = describedCodes().map((c) => c.code);
const signs = Object.entries(OBSERVATIONS)
  .filter(([, o]) => o.side === 'owner')
  .map(([key]) => key);
const checks = CHECKS.filter((c) => c.scope === 'engine');

const someCode = fc
  .tuple(fc.constantFrom(...codes), fc.constantFrom('', ':pending', ':permanent', ':history'))
  .map(([code, state]) => `${code}${state}`);
const someReading = fc
  .tuple(
    fc.uniqueArray(someCode, { maxLength: 5, selector: (c) => c.slice(0, 5) }),
    fc.dictionary(
      fc.constantFrom('05', '06', '07', '0B', '0C', '0D', '0F', '10', '11', '33', '42', '46', '49', '4A'),
      fc.integer({ min: -40, max: 6_000 }),
    ),
    fc.boolean(),
  )
  .map(([list, live, isComplete]): Fact => scanEntry(makeScan(list, live), isComplete));
const someFact: fc.Arbitrary<Fact> = fc.oneof(
  someReading,
  fc.record({
    kind: fc.constant('lamp' as const),
    lamp: fc.constantFrom(...(Object.keys(LAMPS) as LampId[])),
    mode: fc.constantFrom('steady' as const, 'flashing' as const, 'now-and-then' as const, 'out' as const),
  }),
  fc.record({
    kind: fc.constant('observation' as const),
    observation: fc.constantFrom(...signs),
    answer: fc.constantFrom('yes' as const, 'no' as const, 'unknown' as const),
  }),
  fc.tuple(fc.constantFrom(...checks), fc.nat()).map(([check, n]): Fact => ({
    kind: 'check',
    check: check.id,
    outcome: check.outcomes[n % check.outcomes.length]?.id ?? '',
  })),
  fc.constantFrom<Fact>(
    { kind: 'repair', cause: 'coil:2' },
    { kind: 'repair', cause: 'thermostat-open' },
    { kind: 'drive', metConditions: 'yes', cameBack: 'no' },
    { kind: 'drive', metConditions: 'unknown', cameBack: 'yes' },
    { kind: 'decision', option: 'repair' },
    { kind: 'note', text: 'It rained.' },
    { kind: 'clear', afterScan: 'ent_1', outcome: 'agreed' },
  ),
);
const someCase = fc.array(someFact, { maxLength: 7 });

const look = (facts: readonly Fact[]): Assessment => assess(makeCase(...facts), CAR, NOW);
const RUNS = { numRuns: 16 };

describe('whatever is in the log', () => {
  test('nothing throws, and every number is one', () => {
    fc.assert(
      fc.property(someCase, (facts) => {
        const a = look(facts);
        for (const c of a.causes) {
          expect(c.probability).toBeGreaterThan(0);
          expect(c.probability).toBeLessThanOrEqual(1 + 1e-9);
        }
        expect(a.causes.map((c) => c.probability)).toEqual(
          a.causes.map((c) => c.probability).sort((x, y) => y - x),
        );
        for (const o of a.options) {
          expect(Number.isFinite(o.cost)).toBe(true);
          expect(o.cost).toBeGreaterThanOrEqual(0);
        }
        for (const c of a.checks) expect(Number.isFinite(c.gain)).toBe(true);
        expect(a.stations.map((s) => s.id)).toEqual([...STATIONS]);
        // Only where nothing shortens the road is there nothing to say.
        expect(a.allowance.reasons.some((r) => r.isDeciding)).toBe(a.allowance.level !== 'no-limit');
      }),
      RUNS,
    );
  });

  test('every active code is in one story, or left over, and in no two', () => {
    fc.assert(
      fc.property(someCase, (facts) => {
        const a = look(facts);
        const told = [...a.groups.flatMap((g) => g.codes), ...a.leftOver].sort();
        expect(told).toEqual([...new Set(told)]);
        expect(told).toEqual([...new Set(a.codes.map((c) => c.code))].sort());
      }),
      RUNS,
    );
  });

  test('what is said to be unknown changes neither the road nor a chance', () => {
    fc.assert(
      fc.property(someCase, fc.constantFrom(...signs), (facts, sign) => {
        fc.pre(!facts.some((f) => f.kind === 'observation' && f.observation === sign));
        const before = look(facts);
        const after = look([...facts, { kind: 'observation', observation: sign, answer: 'unknown' }]);
        expect(after.allowance.level).toBe(before.allowance.level);
        expect(after.causes.map((c) => [c.id, c.probability])).toEqual(
          before.causes.map((c) => [c.id, c.probability]),
        );
      }),
      RUNS,
    );
  });

  test('a lamp that is lit never makes the road longer once another is known', () => {
    fc.assert(
      fc.property(
        someCase,
        fc.constantFrom<LampId>('oil', 'temperature', 'charging', 'brakes', 'steering', 'airbag'),
        (facts, lamp) => {
          fc.pre(facts.some((f) => f.kind === 'lamp' || f.kind === 'scan'));
          fc.pre(!facts.some((f) => f.kind === 'lamp' && f.lamp === lamp));
          const after = look([...facts, { kind: 'lamp', lamp, mode: 'steady' }]);
          expect(levelRank(after.allowance.level)).toBeLessThanOrEqual(
            levelRank(look(facts).allowance.level),
          );
        },
      ),
      RUNS,
    );
  });

  test('history alone says nothing: neither road nor chances move', () => {
    fc.assert(
      fc.property(fc.uniqueArray(fc.constantFrom(...codes), { minLength: 1, maxLength: 4 }), (list) => {
        const [without, history] = [[], list.map((c) => `${c}:history`)].map((codesOf) =>
          look([{ kind: 'lamp', lamp: 'engine', mode: 'out' }, scanEntry(makeScan(codesOf))]),
        );
        expect(history?.allowance.level).toBe(without?.allowance.level);
        expect(history?.causes.map((c) => c.id)).toEqual(without?.causes.map((c) => c.id));
      }),
      RUNS,
    );
  });

  test('struck out, an entry is as if it had never been', () => {
    fc.assert(
      fc.property(someCase, someFact, (facts, slip) => {
        // A clear ties itself to what came before, and so is no slip to be taken back.
        fc.pre(slip.kind !== 'clear');
        const strike = { kind: 'retracted', entry: `ent_${facts.length + 1}`, reason: 'a slip' } as const;
        const [plain, struck] = [look(facts), look([...facts, slip, strike])];
        expect(struck.causes.map((c) => [c.id, c.probability])).toEqual(
          plain.causes.map((c) => [c.id, c.probability]),
        );
        expect(struck.allowance.level).toBe(plain.allowance.level);
        expect(struck.recommended).toBe(plain.recommended);
      }),
      RUNS,
    );
  });
});

describe('what a repair has cured is known when it is done', () => {
  const repaired: readonly Fact[] = [
    scanEntry(makeScan(['P0302'], { '05': 88, '06': 2, '07': 3 })),
    { kind: 'observation', observation: 'sign:wet', answer: 'yes' },
    { kind: 'repair', cause: 'coil:2' },
    { kind: 'clear', afterScan: 'ent_1', outcome: 'agreed' },
    { kind: 'drive', metConditions: 'yes', cameBack: 'no' },
  ];
  const goneWith = (...more: Fact[]) => assess(makeCase(...repaired, ...more), CAR, NOW).proof.gone ?? 0;

  test('a later good reading, and any finding that is not its return, never makes it less sure', () => {
    const soundReading = fc
      .dictionary(fc.constantFrom('05', '06', '07', '0B', '0C', '10', '42'), fc.integer({ min: 0, max: 100 }))
      .map((live): Fact => scanEntry(makeScan([], live)));
    const finding = fc
      .constantFrom(...signs)
      .map((observation): Fact => ({ kind: 'observation', observation, answer: 'no' }));
    const before = goneWith();
    expect(before).toBeGreaterThan(0.1);
    fc.assert(
      fc.property(fc.array(fc.oneof(soundReading, finding), { minLength: 1, maxLength: 4 }), (more) => {
        expect(goneWith(...more)).toBeGreaterThanOrEqual(before - 1e-9);
      }),
      { numRuns: 25 },
    );
  });

  test('what was found before the repair counts for it', () => {
    const at = (facts: readonly Fact[]) => assess(makeCase(...facts), CAR, NOW).proof.gone ?? 0;
    const boot = { kind: 'check', check: 'boot-look:2', outcome: 'track' } as const;
    const withCheck = [...repaired.slice(0, 2), boot, ...repaired.slice(2)];
    // The check finds another cause than the one that was repaired.
    expect(at(withCheck)).toBeLessThan(at(repaired));
  });
});
