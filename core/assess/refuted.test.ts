import { CAR, NOW, makeCase, makeScan, saw, scanEntry } from '../test/make-case.ts';
import { assess } from './index.ts';

type Step = Parameters<typeof makeCase>[number];
const WET: Step[] = [
  { kind: 'lamp', lamp: 'engine', mode: 'flashing' },
  saw('sign:shakes'),
  scanEntry(makeScan(['P0302'])),
];
const view = (...more: Step[]) => assess(makeCase(...WET, ...more), CAR, NOW);

describe('a repair after which it came back', () => {
  const first = view().procedures[0];
  const cause = first?.cause ?? '';
  const back: Step[] = [
    { kind: 'repair', cause },
    { kind: 'drive', metConditions: 'yes', cameBack: 'yes' },
  ];

  test('is not proposed again while others are left, and says so', () => {
    const after = view(...back);
    expect(after.procedures[0]?.cause).not.toBe(cause);
    expect(after.procedures.findIndex((p) => p.cause === cause)).toBeGreaterThan(0);
    expect(after.procedures.find((p) => p.cause === cause)?.hasComeBack).toBe(true);
    const reasons = after.options.find((o) => o.id === 'repair')?.reasons.join(' ') ?? '';
    expect(reasons).toContain('it came back: that is not proposed again while others are left');
    expect(reasons).not.toContain(`Begin with: ${first?.title}`);
    expect(after.firstStep.title).not.toBe(first?.title);
  });

  test('struck out, it is proposed as before', () => {
    const record = makeCase(...WET, ...back);
    const struck = {
      id: 'ent_99',
      at: '2026-11-03T11:00:00.000Z',
      kind: 'retracted',
      entry: 'ent_4',
      reason: 'not done',
    } as const;
    const after = assess({ ...record, entries: [...record.entries, struck] }, CAR, NOW);
    expect(after.procedures[0]?.cause).toBe(cause);
  });
});

describe('what is ruled out', () => {
  test('folds away with what ruled it out, and is no longer among the causes', () => {
    const looked = view({ kind: 'check', check: 'compression-test:2', outcome: 'even' });
    const listed = new Set(looked.causes.map((c) => c.id));
    for (const r of looked.refuted) {
      expect(listed.has(r.id)).toBe(false);
      expect(looked.facts.map((f) => f.title)).toContain(r.by);
    }
    expect(looked.refuted.length).toBeGreaterThan(0);
  });

  test.each([
    ['mist-test', 'sparks'],
    ['paper-at-tailpipe', 'something'],
    ['leak-down', 'something'],
  ])('equals, one of each cylinder, stand in the order of the cylinders (%s: %s)', (check, outcome) => {
    const cylinders = new Map<string, number[]>();
    for (const { id } of view({ kind: 'check', check, outcome }).refuted) {
      const [cause = '', cylinder] = id.split(':');
      if (cylinder !== undefined && cylinder !== '2')
        cylinders.set(cause, [...(cylinders.get(cause) ?? []), Number(cylinder)]);
    }
    expect(Math.max(...[...cylinders.values()].map((c) => c.length))).toBe(3);
    for (const own of cylinders.values()) expect(own).toEqual([...own].sort((a, b) => a - b));
  });
});
